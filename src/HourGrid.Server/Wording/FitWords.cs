using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Rules;

namespace HourGrid.Server.Wording;

/// <summary>Why a course does not fit, in a few words for a list.</summary>
internal static class FitWords
{
    public static string WhyNot(Fit fit, CatalogueSnapshot snapshot)
    {
        var ask = fit.With;
        var itself = Enumerable.Range(0, ask.Wanted.Count).First(i => ask.Wanted[i].Course == fit.Course);
        if (fit.Together.Count == 0)
            return "does not fit";
        // Alone in its sketch, a course need not be named among the rules: without it there is nothing to take.
        var isAlone = !ask.Wanted.Where((wanted, i) => i != itself && wanted.Role != CourseRole.SetAside).Any();
        if (!isAlone && !fit.Together.Any(rule => rule is CourseRule && rule.Index == itself))
            return "the sketch has no timetable as it is";
        var others = fit
            .Together.Where(rule => rule is CourseRule && rule.Index != itself)
            .Select(rule => ask.Wanted[rule.Index].Course.Value)
            .ToArray();
        var rules = fit.Together.Where(rule => rule is not CourseRule).ToArray();
        if (others.Length == 0)
            return rules.Length == 0
                ? "has no section that can be taken"
                : OfRules(rules, ask, snapshot.Find(fit.Course)!, snapshot);
        var clash = $"clashes with {string.Join(" and ", others)}";
        return rules.Length == 0 ? clash : $"{clash}, given {string.Join(" and ", rules.Select(Name).Distinct())}";
    }

    /// <summary>Where the course alone goes against rules: what it would need.</summary>
    private static string OfRules(Rule[] rules, Ask ask, OfferedCourse offered, CatalogueSnapshot snapshot)
    {
        if (rules is not [var rule])
            return $"goes against {string.Join(" and ", rules.Select(Name).Distinct())}";
        return rule switch
        {
            CampusesRule => $"needs {NamesOf(CampusesOf(offered).Except(ask.Campus.Allowed), snapshot)}",
            SeatsRule => "has no free seat",
            TimeBlockRule => $"meets in {BlockName(ask.TimeBlocks[rule.Index])}",
            CreditsRule => ask.Credits.Max is { } most ? $"is more than {most} credits" : "misses your credits",
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
        offered.SectionsOffered.Select(section => section.Section.TaughtOn).OfType<CampusId>().Distinct();

    private static string Name(Rule rule) =>
        rule switch
        {
            TimeBlockRule => "your time blocks",
            BreakRule => "your breaks",
            EarliestStartRule => "your earliest start",
            LatestEndRule => "your latest end",
            DaysOffRule => "your days off",
            MaxDaysRule => "your most class days",
            MaxMinutesPerDayRule => "your most minutes a day",
            MaxStretchRule => "your longest stretch",
            MinutesBetweenRule => "your minutes between classes",
            RestRule => "your rest between days",
            CampusesRule => "your campuses",
            TravelRule => "travel between campuses",
            OneCampusPerDayRule => "one campus a day",
            ModesRule => "your delivery modes",
            SeatsRule => "your seats rule",
            CreditsRule => "your credits",
            EitherOrRule => "an either–or",
            KeepRule => "sections you keep",
            RuleOutRule => "sections you ruled out",
            _ => "what you set for the course",
        };
}
