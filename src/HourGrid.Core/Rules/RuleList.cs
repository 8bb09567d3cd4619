using HourGrid.Core.Asking;

namespace HourGrid.Core.Rules;

/// <summary>All kinds of rules: a kind that is not in one of these lists is not there.</summary>
public static class RuleList
{
    /// <summary>Kinds of which each wanted course has its own.</summary>
    private static readonly Func<Ask, int, Rule?>[] OfCourse =
    [
        CourseRule.Of,
        KeepRule.Of,
        RuleOutRule.Of,
        CourseInstructorsRule.Of,
        CourseModesRule.Of,
        CourseCampusesRule.Of,
        CourseSeatsRule.Of,
    ];

    private static readonly Func<Ask, IEnumerable<Rule>>[] OfAsk =
    [
        EitherOrRule.Of,
        CreditsRule.Of,
        TimeBlockRule.Of,
        BreakRule.Of,
        EarliestStartRule.Of,
        LatestEndRule.Of,
        DaysOffRule.Of,
        MaxDaysRule.Of,
        MaxMinutesPerDayRule.Of,
        MaxStretchRule.Of,
        MinutesBetweenRule.Of,
        RestRule.Of,
        CampusesRule.Of,
        TravelRule.Of,
        OneCampusPerDayRule.Of,
        ModesRule.Of,
        SeatsRule.Of,
    ];

    /// <summary>Every rule that an ask sets, in the order of the ask's fields.</summary>
    public static IReadOnlyList<Rule> Of(Ask ask) =>
        [
            .. Enumerable
                .Range(0, ask.Wanted.Count)
                .SelectMany(wanted => OfCourse.Select(kind => kind(ask, wanted)).OfType<Rule>()),
            .. OfAsk.SelectMany(kind => kind(ask)),
        ];
}
