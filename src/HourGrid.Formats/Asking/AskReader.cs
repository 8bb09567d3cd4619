using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Formats.Json;

namespace HourGrid.Formats.Asking;

internal static class AskReader
{
    private const int MostListed = 500;

    public static Ask? Read(JsonPlace root)
    {
        var file = root.Object(
            "format",
            "version",
            "term",
            "wanted",
            "eitherOr",
            "credits",
            "timeBlocks",
            "breaks",
            "dayLimits",
            "campus",
            "modes",
            "seats",
            "registered",
            "weights",
            "off"
        );
        if (!root.IsObject)
            return null;
        SharedValues.CheckFormat(file, AskJson.Format);
        if (file["wanted"].IsAbsent)
            file["wanted"].Refuse("a list of wanted courses");
        var ask = new Ask
        {
            Term = new(file["term"].FilledText(40)),
            Wanted = file["wanted"].List(Wanted, Ask.MaxWanted),
            EitherOr = file["eitherOr"].List(EitherOr, Ask.MaxWanted),
            Credits = file.Or("credits", default, CreditBounds),
            TimeBlocks = file["timeBlocks"].List(TimeBlock, Ask.MaxRules),
            Breaks = file["breaks"].List(Break, Ask.MaxRules),
            DayLimits = file.Or("dayLimits", new DayLimits(), DayLimitsDocument.Read),
            Campus = file.Or("campus", new CampusPreferences(), Campus),
            Modes = file["modes"].Values(mode => mode.Word(Words.Modes), MostListed),
            Seats = file.Or("seats", SeatsAdmitted.Open, seats => seats.Word(Words.SeatsRules) ?? SeatsAdmitted.Open),
            Registered = Numbers(file["registered"]),
            Weights = file.Or("weights", new Weights(), WeightsJson.Read),
            Off = file.Or("off", new SwitchedOff(), Off),
        };
        CheckEachCourseOnce(file, ask);
        return ask;
    }

    private static WantedCourse? Wanted(JsonPlace place)
    {
        var wanted = place.Object("course", "role", "keep", "ruleOut", "instructors", "modes", "campuses", "seats");
        return new()
        {
            Course = SharedValues.Course(wanted["course"]),
            Role = wanted.Or("role", CourseRole.Must, role => role.Word(Words.Roles) ?? CourseRole.Must),
            Keep = Numbers(wanted["keep"]),
            RuleOut = Numbers(wanted["ruleOut"]),
            Instructors = wanted["instructors"].List(name => name.FilledText(), MostListed),
            Modes = wanted["modes"].Values(mode => mode.Word(Words.Modes), MostListed),
            Campuses = Campuses(wanted["campuses"]),
            Seats = wanted.Or("seats", null, word => word.Word(Words.SeatsRules)),
        };
    }

    private static EitherOr? EitherOr(JsonPlace place)
    {
        var either = place.Object("courses", "take", "label");
        var take = either["take"].Object("min", "max");
        var courses = either["courses"].Values(course => (CourseId?)SharedValues.Course(course), Ask.MaxWanted);
        if (courses.Count == 0)
            either["courses"].Refuse("a list of at least one course");
        var min = take["min"].Whole(0, Ask.MaxWanted);
        return new(courses, min, take["max"].Whole(min, Ask.MaxWanted))
        {
            Label = either.Or("label", "", text => text.Text()),
        };
    }

    private static CreditBounds CreditBounds(JsonPlace place)
    {
        var bounds = place.Object("min", "max");
        var min = bounds.Or("min", null, SharedValues.CreditsOf);
        var max = bounds.Or("max", null, SharedValues.CreditsOf);
        if (max?.Hundredths < min?.Hundredths)
            bounds["max"].Refuse($"{min} or more");
        return new(min, max);
    }

    private static TimeBlock? TimeBlock(JsonPlace place)
    {
        var block = place.Object("days", "start", "end", "strength", "weeks", "label");
        var days = SharedValues.Days(block["days"]);
        var strength = block.Or("strength", Strength.Cannot, word => word.Word(Words.Strengths) ?? Strength.Cannot);
        var weeks = block.Or("weeks", WeekSet.All, Weeks);
        var label = block.Or("label", "", text => text.Text());
        return SharedValues.Interval(block["start"], block["end"]) is { } time
            ? new(days, time, strength, weeks, label)
            : null;
    }

    private static WeekSet Weeks(JsonPlace place) =>
        WeekSet.Of(place.Values(week => (int?)week.Whole(1, WeekSet.MaxWeek), WeekSet.MaxWeek));

    private static Break? Break(JsonPlace place)
    {
        var wanted = place.Object("days", "from", "to", "minutes", "strength");
        var days = SharedValues.Days(wanted["days"]);
        var strength = wanted.Or("strength", Strength.Cannot, word => word.Word(Words.Strengths) ?? Strength.Cannot);
        return SharedValues.Interval(wanted["from"], wanted["to"]) is { } window
            ? new(days, window, wanted["minutes"].Whole(1, window.Length), strength)
            : null;
    }

    private static CampusPreferences Campus(JsonPlace place)
    {
        var campus = place.Object("allowed", "preferred", "respectTravel", "onePerDay");
        return new()
        {
            Allowed = Campuses(campus["allowed"]),
            Preferred = campus.Or("preferred", null, one => (CampusId?)SharedValues.Campus(one)),
            RespectTravel = campus.Or("respectTravel", true, flag => flag.Flag()),
            OnePerDay = campus.Or("onePerDay", false, flag => flag.Flag()),
        };
    }

    private static SwitchedOff Off(JsonPlace place)
    {
        var off = place.Object("credits", "timeBlocks", "breaks", "dayLimits", "campuses", "modes");
        return new()
        {
            Credits = off.Or("credits", default, CreditBounds),
            TimeBlocks = off["timeBlocks"].List(TimeBlock, Ask.MaxRules),
            Breaks = off["breaks"].List(Break, Ask.MaxRules),
            DayLimits = off.Or("dayLimits", new DayLimits(), DayLimitsDocument.Read),
            Campuses = Campuses(off["campuses"]),
            Modes = off["modes"].Values(mode => mode.Word(Words.Modes), MostListed),
        };
    }

    private static IReadOnlyList<RegistrationNumber> Numbers(JsonPlace place) =>
        place.Values(number => (RegistrationNumber?)SharedValues.Number(number), MostListed);

    private static IReadOnlyList<CampusId> Campuses(JsonPlace place) =>
        place.Values(campus => (CampusId?)SharedValues.Campus(campus), MostListed);

    private static void CheckEachCourseOnce(JsonObjectPlace file, Ask ask)
    {
        CheckOnce(file, ask.Wanted.Select(wanted => wanted.Course), i => $"wanted[{i}].course");
        var either = ask.EitherOr.SelectMany((one, i) => one.Courses.Select((course, j) => (course, i, j))).ToArray();
        CheckOnce(
            file,
            either.Select(place => place.course),
            at => $"eitherOr[{either[at].i}].courses[{either[at].j}]"
        );
        var wanted = ask.Wanted.Select(one => one.Course).ToHashSet();
        foreach (var (course, i, j) in either)
            if (!wanted.Contains(course))
                file.Notes.Refuse(
                    new(
                        JsonPlace.Join(file.Path, $"eitherOr[{i}].courses[{j}]"),
                        $"\"{course}\"",
                        "a course that stands in wanted"
                    )
                );
    }

    private static void CheckOnce(JsonObjectPlace file, IEnumerable<CourseId> courses, Func<int, string> pathOf)
    {
        var seen = new HashSet<CourseId>();
        var at = 0;
        foreach (var course in courses)
        {
            if (!seen.Add(course))
                file.Notes.Refuse(
                    new(JsonPlace.Join(file.Path, pathOf(at)), $"\"{course}\" a second time", "each course once")
                );
            at++;
        }
    }
}
