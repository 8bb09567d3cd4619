using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Engine.Compiling;

namespace HourGrid.Server.Courses;

/// <summary>Why a course does not fit, in a few words for a list.</summary>
internal static class FitWords
{
    public static string WhyNot(Fit fit, CatalogueSnapshot snapshot)
    {
        var ask = fit.With;
        var itself = Enumerable.Range(0, ask.Wanted.Count).First(i => ask.Wanted[i].Course == fit.Course);
        if (fit.Together.Count == 0)
            return "does not fit";
        // Alone in its sketch, a course need not be named among the wishes: without it there is nothing to take.
        var isAlone = !ask.Wanted.Where((wanted, i) => i != itself && wanted.Role != CourseRole.SetAside).Any();
        if (!isAlone && !fit.Together.Any(wish => wish.Kind == WishKind.Course && wish.Index == itself))
            return "the sketch has no timetable as it is";
        var others = fit
            .Together.Where(wish => wish.Kind == WishKind.Course && wish.Index != itself)
            .Select(wish => ask.Wanted[wish.Index].Course.Value)
            .ToArray();
        var rules = fit.Together.Where(wish => wish.Kind != WishKind.Course).ToArray();
        if (others.Length == 0)
            return rules.Length == 0
                ? "has no section that can be taken"
                : OfRules(rules, ask, snapshot.Find(fit.Course)!, snapshot);
        var clash = $"clashes with {string.Join(" and ", others)}";
        return rules.Length == 0 ? clash : $"{clash}, given {string.Join(" and ", rules.Select(Name).Distinct())}";
    }

    /// <summary>Where the course alone goes against rules: what it would need.</summary>
    private static string OfRules(Wish[] rules, Ask ask, OfferedCourse offered, CatalogueSnapshot snapshot)
    {
        if (rules is not [var rule])
            return $"goes against {string.Join(" and ", rules.Select(Name).Distinct())}";
        return rule.Kind switch
        {
            WishKind.Campuses => $"needs {NamesOf(CampusesOf(offered).Except(ask.Campus.Allowed), snapshot)}",
            WishKind.Seats => "has no free seat",
            WishKind.TimeBlock => $"meets in {BlockName(ask.TimeBlocks[rule.Index])}",
            WishKind.Credits => ask.Credits.Max is { } most ? $"is more than {most} credits" : "misses your credits",
            _ => $"goes against {Name(rule)}",
        };
    }

    private static string BlockName(TimeBlock block) =>
        block.Label.Length > 0 ? block.Label : $"your block {block.Time.Start}–{block.Time.End}";

    private static string NamesOf(IEnumerable<CampusId> campuses, CatalogueSnapshot snapshot) =>
        string.Join(
            " or ",
            campuses.Select(id => snapshot.Campuses.FirstOrDefault(campus => campus.Id == id)?.Name ?? id.Value)
        );

    private static IEnumerable<CampusId> CampusesOf(OfferedCourse offered) =>
        offered.SectionsHeld.Select(section => section.Section.TaughtOn).OfType<CampusId>().Distinct();

    private static string Name(Wish wish) =>
        wish.Kind switch
        {
            WishKind.TimeBlock => "your time blocks",
            WishKind.Break => "your breaks",
            WishKind.EarliestStart => "your earliest start",
            WishKind.LatestEnd => "your latest end",
            WishKind.DaysOff => "your days off",
            WishKind.MaxDays => "your most class days",
            WishKind.MaxMinutesPerDay => "your most minutes a day",
            WishKind.MaxStretch => "your longest stretch",
            WishKind.MinutesBetween => "your minutes between classes",
            WishKind.Campuses => "your campuses",
            WishKind.Travel => "travel between campuses",
            WishKind.OneCampusPerDay => "one campus a day",
            WishKind.Modes => "your delivery modes",
            WishKind.Seats => "your seats rule",
            WishKind.Credits => "your credits",
            WishKind.EitherOr => "an either–or",
            WishKind.Keep => "sections you keep",
            WishKind.RuleOut => "sections you ruled out",
            _ => "what you set for the course",
        };
}
