using HourGrid.Core.Asking;

namespace HourGrid.Core.Tests.Plain;

/// <summary>An ask changed by the path of one of its rules, as a reader of the path would change it.</summary>
internal static class PlainChanges
{
    /// <summary>The paths of everything hard that an ask sets.</summary>
    public static List<string> Paths(Ask ask)
    {
        var paths = new List<string>();
        for (var i = 0; i < ask.Wanted.Count; i++)
        {
            var wanted = ask.Wanted[i];
            if (wanted.Role != CourseRole.SetAside || InEitherOr(ask, wanted))
                paths.Add($"wanted[{i}]");
            if (wanted.Keep.Count > 0)
                paths.Add($"wanted[{i}].keep");
            if (wanted.RuleOut.Count > 0)
                paths.Add($"wanted[{i}].ruleOut");
            if (wanted.Instructors.Count > 0)
                paths.Add($"wanted[{i}].instructors");
            if (wanted.Modes.Count > 0)
                paths.Add($"wanted[{i}].modes");
            if (wanted.Campuses.Count > 0)
                paths.Add($"wanted[{i}].campuses");
            if (wanted.Seats is SeatsAdmitted.Open or SeatsAdmitted.Waitlist)
                paths.Add($"wanted[{i}].seats");
        }
        paths.AddRange(ask.EitherOr.Select((_, i) => $"eitherOr[{i}]"));
        if (ask.Credits.Min is not null || ask.Credits.Max is not null)
            paths.Add("credits");
        for (var i = 0; i < ask.TimeBlocks.Count; i++)
            if (ask.TimeBlocks[i].Strength == Strength.Cannot)
                paths.Add($"timeBlocks[{i}]");
        var hardBreaks = ask
            .Breaks.Select((one, i) => (one.Strength, i))
            .Where(one => one.Strength == Strength.Cannot);
        paths.AddRange(hardBreaks.Select(one => $"breaks[{one.i}]"));
        paths.AddRange(PlainRules.DayLimits.Where(one => one.IsSet(ask.DayLimits)).Select(one => one.Path));
        if (ask.Campus.Allowed.Count > 0)
            paths.Add("campus.allowed");
        if (ask.Campus.RespectTravel)
            paths.Add("campus.respectTravel");
        if (ask.Campus.OnePerDay)
            paths.Add("campus.onePerDay");
        if (ask.Modes.Count > 0)
            paths.Add("modes");
        if (ask.Seats != SeatsAdmitted.Any)
            paths.Add("seats");
        return paths;
    }

    /// <summary>The ask without these; a course is set aside and an either–or gone.</summary>
    public static Ask Without(Ask ask, params IReadOnlyList<string> paths) => Change(ask, paths, mayLeaveOut: false);

    /// <summary>The ask without these, where without a course or an either–or means that it may be left out.</summary>
    public static Ask Loosened(Ask ask, IReadOnlyList<string> paths) => Change(ask, paths, mayLeaveOut: true);

    private static Ask Change(Ask ask, IReadOnlyList<string> paths, bool mayLeaveOut)
    {
        var gone = paths.ToHashSet();
        var aside = ask.Wanted.Where((_, i) => gone.Contains($"wanted[{i}]")).Select(one => one.Course).ToHashSet();
        var loose = ask
            .EitherOr.Where((_, i) => gone.Contains($"eitherOr[{i}]"))
            .SelectMany(choice => choice.Courses)
            .ToHashSet();
        return ask with
        {
            Wanted =
            [
                .. ask.Wanted.Select(
                    (wanted, i) =>
                        new WantedCourse
                        {
                            Course = wanted.Course,
                            Role =
                                aside.Contains(wanted.Course) && !mayLeaveOut ? CourseRole.SetAside
                                : aside.Contains(wanted.Course) && wanted.Role != CourseRole.SetAside
                                    ? CourseRole.IfItFits
                                : loose.Contains(wanted.Course) && mayLeaveOut ? CourseRole.IfItFits
                                : wanted.Role,
                            Keep = gone.Contains($"wanted[{i}].keep") ? [] : wanted.Keep,
                            RuleOut = gone.Contains($"wanted[{i}].ruleOut") ? [] : wanted.RuleOut,
                            Instructors = gone.Contains($"wanted[{i}].instructors") ? [] : wanted.Instructors,
                            Modes = gone.Contains($"wanted[{i}].modes") ? [] : wanted.Modes,
                            Campuses = gone.Contains($"wanted[{i}].campuses") ? [] : wanted.Campuses,
                            Seats = gone.Contains($"wanted[{i}].seats") ? SeatsAdmitted.Any : wanted.Seats,
                        }
                ),
            ],
            EitherOr =
            [
                .. ask
                    .EitherOr.Where((_, i) => !gone.Contains($"eitherOr[{i}]"))
                    .Select(choice =>
                        mayLeaveOut
                            ? choice
                            : choice with
                            {
                                Courses = [.. choice.Courses.Where(course => !aside.Contains(course))],
                            }
                    ),
            ],
            Credits = gone.Contains("credits") ? default : ask.Credits,
            TimeBlocks = [.. ask.TimeBlocks.Where((_, i) => !gone.Contains($"timeBlocks[{i}]"))],
            Breaks = [.. ask.Breaks.Where((_, i) => !gone.Contains($"breaks[{i}]"))],
            DayLimits = PlainRules
                .DayLimits.Where(one => gone.Contains(one.Path))
                .Aggregate(ask.DayLimits, (limits, one) => one.Without(limits)),
            Campus = new()
            {
                Allowed = gone.Contains("campus.allowed") ? [] : ask.Campus.Allowed,
                RespectTravel = ask.Campus.RespectTravel && !gone.Contains("campus.respectTravel"),
                OnePerDay = ask.Campus.OnePerDay && !gone.Contains("campus.onePerDay"),
                Preferred = ask.Campus.Preferred,
            },
            Modes = gone.Contains("modes") ? [] : ask.Modes,
            Seats = gone.Contains("seats") ? SeatsAdmitted.Any : ask.Seats,
        };
    }

    private static bool InEitherOr(Ask ask, WantedCourse wanted) =>
        ask.EitherOr.Any(choice => choice.Courses.Contains(wanted.Course));
}
