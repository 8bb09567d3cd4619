using System.Globalization;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Eligibility;
using HourGrid.StandIns.Campus;

namespace HourGrid.StandIns.Registering;

/// <summary>The registrar's findings as sentences, each with what to do.</summary>
internal static class FindingWords
{
    public const string Full = "full";
    public const string WaitlistFull = "waitlistFull";
    public const string Closed = "sectionClosed";
    public const string IsCancelled = "cancelled";

    /// <summary>Whether a finding is one for want of seats, after which other bundles are tried.</summary>
    public static bool IsWantOfSeats(Finding finding) =>
        finding.Kind is Full or WaitlistFull or Closed or IsCancelled;

    public static Finding Hold(HoldRow hold) =>
        new(
            "hold",
            false,
            $"{hold.Name}: a hold of the {hold.Office}.",
            hold.IsClearedByReading ? "Read it and agree." : $"Ask the {hold.Office}.",
            Of: hold.Id
        );

    public static Finding TermClosed() =>
        new("termClosed", false, "Registration for this term is over.", "Ask the registrar’s office.");

    public static Finding NotYourTurn(DateTime? opensUtc) =>
        new(
            "notYourTurn",
            false,
            opensUtc is { } opens
                ? $"Your turn begins {opens.ToString("ddd d MMM, HH:mm:ss", CultureInfo.InvariantCulture)} UTC."
                : "Registration has not begun.",
            "Make ready, and send it then."
        );

    public static Finding ApprovalNeeded() =>
        new("approvalNeeded", false, "Your adviser has not approved this term yet.", "Ask your adviser.");

    public static Finding NotHeld(string number) =>
        new(
            "notHeld",
            false,
            $"{number} was to be given up, and you do not hold it.",
            "Look at what you hold.",
            number
        );

    public static Finding UnknownSection(string number, CourseId course) =>
        new(
            "unknownSection",
            false,
            $"There is no section {number} of {course} this term.",
            "Choose another section.",
            number
        );

    public static Finding Cancelled(SectionRow row) =>
        new(IsCancelled, false, $"{row.Number} was cancelled.", "Choose another section.", row.Number);

    public static Finding SectionClosed(SectionRow row) =>
        new(Closed, false, $"{row.Number} takes no one at present.", "Choose another section.", row.Number);

    public static Finding Incomplete(OfferedCourse offered, IReadOnlyList<string> missing)
    {
        if (missing.Count == 0)
            return new(
                "incomplete",
                false,
                $"These sections of {offered.Course.Id} do not go together.",
                "Choose sections that belong together."
            );
        var add = string.Join(" and a ", missing);
        return new("incomplete", false, $"{offered.Course.Id} needs a {add}, too.", $"Add a {add}.", Of: missing[0]);
    }

    public static Finding Of(EligibilityFinding finding, IReadOnlyList<Term> terms) =>
        finding switch
        {
            EligibilityFinding.Prerequisite lacks => new(
                "prerequisite",
                false,
                $"You lack {string.Join(", or ", lacks.Missing.Take(3).Select(set => string.Join(" and ", set.Select(Said))))}.",
                "Ask for a waiver, or take it later."
            ),
            EligibilityFinding.Corequisite beside => new(
                "corequisite",
                false,
                $"It goes with {List(beside.Missing)}, beside it or before.",
                $"Register {List(beside.Missing)} in the same step.",
                Of: beside.Missing[0].Value
            ),
            EligibilityFinding.Restriction restriction => new(
                "restriction",
                false,
                $"Only for students whose {restriction.Of.Kind} is {string.Join(" or ", restriction.Of.AnyOf)}.",
                "Ask for a waiver, or take another course.",
                Of: restriction.Of.Kind
            ),
            EligibilityFinding.AlreadyPassed passed => new(
                "alreadyPassed",
                false,
                $"You passed it in {terms.FirstOrDefault(term => term.Id == passed.Term)?.Name ?? passed.Term.Value}, and it counts once.",
                "Take another course."
            ),
            EligibilityFinding.Registered => new(
                "alreadyRegistered",
                false,
                "You are registered for this course.",
                "Give up the other sections in the same step."
            ),
            EligibilityFinding.Consent => Consent([]),
            _ => throw new ArgumentOutOfRangeException(nameof(finding)),
        };

    public static Finding Consent(IReadOnlyList<string> instructors) =>
        new(
            "consentNeeded",
            false,
            instructors.Count == 0
                ? "It needs the instructor’s consent."
                : $"It needs the consent of {string.Join(" or ", instructors)}.",
            "Ask for consent, or type the code you were given.",
            Of: instructors.Count == 0 ? null : instructors[0]
        );

    public static Finding AlreadyWaiting() =>
        new("alreadyRegistered", false, "You wait for these sections already.", "Nothing: you keep your place.");

    public static Finding TimeConflict(CourseId course, Section other, int minutes) =>
        new(
            "timeConflict",
            false,
            $"It meets when {course} {other.Label} does, {minutes.ToString(CultureInfo.InvariantCulture)} minutes of it.",
            $"Take other sections, or give up {course} in the same step.",
            other.Number.Value,
            minutes,
            course.Value
        );

    public static Finding OverMaximum(decimal credits, decimal most) =>
        new(
            "overMaximum",
            false,
            $"It would be {Number(credits)} credits; you may carry {Number(most)}.",
            $"Give up {Number(credits - most)} credits in the same step.",
            Amount: credits - most
        );

    public static Finding FullSection(SectionRow row, bool isKeptForLine) =>
        new(
            Full,
            false,
            isKeptForLine ? $"{row.Number}: its seats go to who waits." : $"{row.Number} is full.",
            "Take other sections, or wait.",
            row.Number
        );

    public static Finding FullWaitlist(SectionRow row) =>
        new(
            WaitlistFull,
            false,
            row.WaitlistCapacity == 0 ? $"{row.Number} has no waitlist." : $"The waitlist of {row.Number} is full.",
            "Take other sections.",
            row.Number
        );

    /// <summary>What refuses a line of a group because another line of it was refused.</summary>
    public static Finding Together(string course) =>
        new(
            "together",
            false,
            $"It is one step with {course}, which was refused.",
            $"Mend {course} first.",
            Of: course
        );

    public static Finding FewSeats(SectionRow row, int free) =>
        new(
            "fewSeats",
            true,
            free == 1 ? $"{row.Number} has one seat left." : $"{row.Number} has {Number(free)} seats left.",
            "Register it early.",
            row.Number,
            free
        );

    public static Finding BelowFullTime(decimal credits, decimal fullTime) =>
        new(
            "belowFullTime",
            true,
            $"{Number(credits)} credits are {Number(fullTime - credits)} short of full-time ({Number(fullTime)}).",
            "Add a course, or ask what it means for you.",
            Amount: fullTime - credits
        );

    public static Finding BelowAward(decimal credits, decimal award) =>
        new(
            "belowAward",
            true,
            $"{Number(credits)} credits are {Number(award - credits)} short of what your award asks for ({Number(award)}).",
            "Add a course, or ask the office of your award.",
            Amount: award - credits
        );

    public static Finding CorequisiteFalls(CourseId course, IReadOnlyList<CourseId> missing) =>
        new(
            "corequisite",
            true,
            $"{course} goes with {List(missing)}, which you would not hold.",
            $"Drop {course}, too, or take {List(missing)} again.",
            Of: course.Value
        );

    public static Finding NotInLine() =>
        new("notHeld", false, "You do not wait in that line.", "Look at what you wait for.");

    private static string List(IReadOnlyList<CourseId> courses) =>
        string.Join(" and ", courses.Select(course => course.Value));

    private static string Number(decimal number) => number.ToString("0.##", CultureInfo.InvariantCulture);

    private static string Said(Prerequisite condition) =>
        condition switch
        {
            Prerequisite.CourseTaken { MinGrade: { } grade } taken => $"{taken.Course} with {grade}",
            Prerequisite.CourseTaken taken => taken.Course.Value,
            Prerequisite.ExamTaken exam => $"the {exam.Exam} exam",
            _ => throw new ArgumentOutOfRangeException(nameof(condition)),
        };
}
