using HourGrid.Core.Catalogue;
using HourGrid.Core.Eligibility;
using HourGrid.Core.Timetables;
using HourGrid.StandIns.Campus;

namespace HourGrid.StandIns.Registering;

/// <summary>The registrar's rules: all that stands against a step, at once.</summary>
internal sealed class LineFindings(TermBooks books, CampusCatalogue catalogue)
{
    private const int FewSeats = 3;

    /// <summary>What stands against a student's registering anything.</summary>
    public IEnumerable<Finding> OfStudent(StudentFile file)
    {
        foreach (var hold in file.Holds.Where(hold => hold.Blocks.Contains("register")))
            yield return FindingWords.Hold(hold);
        if (books.Phases.IsOver(books.NowUtc))
            yield return FindingWords.TermClosed();
        else if (books.Phases.OpensFor(file.Record) is not { } opens)
            yield return FindingWords.NotYourTurn(null);
        else if (opens > books.NowUtc)
            yield return FindingWords.NotYourTurn(opens);
        if (file.Record.Approvals.GetValueOrDefault(new(books.Term)) == Core.Records.Approval.Needed)
            yield return FindingWords.ApprovalNeeded();
    }

    /// <summary>What stands against a student's dropping anything.</summary>
    public IEnumerable<Finding> OfDropping(StudentFile file)
    {
        foreach (var hold in file.Holds.Where(hold => hold.Blocks.Contains("drop")))
            yield return FindingWords.Hold(hold);
        if (books.Phases.IsOver(books.NowUtc))
            yield return FindingWords.TermClosed();
    }

    /// <summary>What stands against one course of a step, seats apart.</summary>
    public IEnumerable<Finding> OfTaking(Step step, Taking take)
    {
        foreach (var number in step.NotHeld)
            yield return FindingWords.NotHeld(number);
        var rows = take.Numbers.Select(number => (number, row: OfCourse(take.Course, number))).ToArray();
        foreach (var (number, _) in rows.Where(one => one.row is null))
            yield return FindingWords.UnknownSection(number, take.Course);
        var isCancelled = false;
        foreach (var (_, row) in rows)
        {
            if (row?.Status == nameof(SectionStatus.Cancelled))
            {
                isCancelled = true;
                yield return FindingWords.Cancelled(row);
            }
            else if (row?.Status == nameof(SectionStatus.Closed) && step.SeatsOf(row) > 0)
                yield return FindingWords.SectionClosed(row);
        }
        if (books.Snapshot.Find(take.Course) is not { } offered)
            yield break;
        if (take.Whole is null && !isCancelled && Array.TrueForAll(rows, one => one.row is not null))
            yield return FindingWords.Incomplete(
                offered,
                WholeBundle.MissingComponents(offered, Numbers(take.Numbers))
            );
        foreach (var finding in OfRecord(step, take, offered.Course))
            yield return finding;
        foreach (var finding in Clashes(step, take))
            yield return finding;
    }

    /// <summary>Whether a step would exceed what a student may carry.</summary>
    public IEnumerable<Finding> OfLoad(Step step)
    {
        if (step.File.Record.Load.Maximum is not { } most)
            yield break;
        var credits = step.Kept.Sum(bundle => Credits(bundle.Course, bundle.Numbers)) + step.Takes.Sum(CreditsOf);
        if (credits > most.Value)
            yield return FindingWords.OverMaximum(credits, most.Value);
    }

    /// <summary>Sections of which few seats are left.</summary>
    public IEnumerable<Finding> Scarce(Step step, Taking take) =>
        take
            .Numbers.Select(books.Section)
            .OfType<SectionRow>()
            .Where(section => step.SeatsOf(section) > 0)
            .Select(section => (section, free: books.FreeSeats(section)))
            .Where(one => one.free is > 0 and <= FewSeats)
            .Select(one => FindingWords.FewSeats(one.section, one.free));

    /// <summary>What is worth knowing of all that a student holds then.</summary>
    public IEnumerable<Finding> OfHolding(StudentFile file)
    {
        var credits = file.Held.Sum(bundle => Credits(bundle.Course, bundle.Numbers));
        var load = file.Record.Load;
        if (load.FullTime is { } fullTime && credits < fullTime.Value)
            yield return FindingWords.BelowFullTime(credits, fullTime.Value);
        if (load.Award is { } award && credits < award.Value)
            yield return FindingWords.BelowAward(credits, award.Value);
        foreach (var bundle in file.Held)
            if (books.Snapshot.Find(bundle.Course) is { } offered)
                foreach (
                    var finding in CourseEligibility
                        .Of(QuestionOf(file, file.Held.Select(one => one.Course), []), offered.Course)
                        .Findings.OfType<EligibilityFinding.Corequisite>()
                )
                    yield return FindingWords.CorequisiteFalls(bundle.Course, finding.Missing);
    }

    /// <summary>Credits of what is taken or held.</summary>
    public decimal Credits(CourseId course, IReadOnlyList<string> numbers) =>
        books.Snapshot.Find(course) is { } offered
            ? (WholeBundle.Of(offered, Numbers(numbers))?.Credits ?? offered.Course.Credits.Min).Value
            : 0;

    private static decimal CreditsOf(Taking take) => take.Whole?.Credits.Value ?? 0;

    private IEnumerable<Finding> OfRecord(Step step, Taking take, Course course)
    {
        var question = QuestionOf(
            step.File,
            step.Kept.Select(bundle => bundle.Course),
            step.Takes.Select(other => other.Course)
        );
        foreach (var finding in CourseEligibility.Of(question, course).Findings)
            // Only the sections that are taken need their instructor's consent.
            if (finding is not EligibilityFinding.Consent)
                yield return FindingWords.Of(finding, catalogue.Whole.Terms);
        if (
            take.Whole?.Sections.Any(section => section.Section.Consent) == true
            && !step.File.Grants.Contains(new(take.Course, GrantKind.Consent))
        )
            yield return FindingWords.Consent(
                take.Whole.Sections.First(section => section.Section.Consent).Section.Instructors
            );
    }

    private IEnumerable<Finding> Clashes(Step step, Taking take)
    {
        if (take.Whole is not { } whole)
            yield break;
        var conflicts = new ConflictCheck(travel: null, minutesBetween: 0);
        var others = step
            .Kept.SelectMany(bundle => bundle.Numbers)
            .Concat(step.Takes.Where(other => other != take).SelectMany(other => other.Numbers))
            .Select(number => books.Snapshot.Find(new RegistrationNumber(number)))
            .OfType<OfferedSection>();
        foreach (var other in others)
        {
            var clashes = whole
                .Meetings.SelectMany(meeting => other.Meetings.Select(theirs => conflicts.Clash(meeting, theirs)))
                .OfType<(Minute From, Minute To, int Minutes)>()
                .ToArray();
            if (clashes.Length > 0)
                yield return FindingWords.TimeConflict(
                    books.Snapshot.CourseOf(other.Number)!.Course.Id,
                    other.Section,
                    clashes.Max(clash => clash.Minutes)
                );
        }
    }

    private EligibilityQuestion QuestionOf(
        StudentFile file,
        IEnumerable<CourseId> held,
        IEnumerable<CourseId> beside
    ) =>
        new(file.Record, books.Snapshot.Term.Id, catalogue.Starts)
        {
            Registered = held.ToHashSet(),
            Beside = beside.ToHashSet(),
            Granted = file.Grants,
        };

    private SectionRow? OfCourse(CourseId course, string number) =>
        books.Section(number) is { } row && row.Course == course.Value ? row : null;

    private static HashSet<RegistrationNumber> Numbers(IEnumerable<string> numbers) =>
        [.. numbers.Select(number => new RegistrationNumber(number))];
}
