using HourGrid.Core.Catalogue;
using HourGrid.Core.Measures;
using HourGrid.Core.Timetables;

namespace HourGrid.Server.Wording;

/// <summary>Proposes a name for a timetable from what few others have: <c>no Fridays, done by 15:00</c>.</summary>
internal static class ProposedName
{
    /// <summary>So many facts make a name.</summary>
    private const int Facts = 2;

    /// <summary>A name that none of those given has.</summary>
    /// <param name="one">The timetable.</param>
    /// <param name="measures">What it is like.</param>
    /// <param name="others">Those it stands out from.</param>
    /// <param name="campuses">The campuses, for their names.</param>
    /// <param name="taken">Names it must not take.</param>
    public static string Of(
        Timetable one,
        WeekMeasures measures,
        IReadOnlyCollection<(Timetable Timetable, WeekMeasures Measures)> others,
        IReadOnlyList<Campus> campuses,
        IReadOnlyCollection<string> taken
    )
    {
        var facts = FactsOf(one, measures, campuses)
            .Select(fact =>
                (fact.Text, Others: others.Count(other => fact.IsTrueOf(other.Timetable, other.Measures)))
            )
            .Index()
            .ToArray();
        // What most others have too tells nothing.
        var special = facts
            .Where(fact => 2 * fact.Item.Others <= others.Count)
            .OrderBy(fact => fact.Item.Others)
            .ThenBy(fact => fact.Index)
            .ToArray();
        // The rarest are taken, and told in the order in which a week is thought of.
        IEnumerable<string> names = Enumerable
            .Range(Math.Min(Facts, special.Length), special.Length)
            .Select(count => special.Take(count).OrderBy(fact => fact.Index).Select(fact => fact.Item.Text))
            .Select(texts => string.Join(", ", texts))
            .Append(WholeWeek(measures))
            .Where(name => name != "");
        var whole = WholeWeek(measures);
        return names
            .Concat(Enumerable.Range(2, taken.Count + 1).Select(number => Saying.Invariant($"{whole} {number}")))
            .First(name => !taken.Contains(name));
    }

    private static string WholeWeek(WeekMeasures measures) =>
        measures[EarliestStart.Measure] is { } start && measures[LatestEnd.Measure] is { } end
            ? $"{Saying.Count(measures[ClassDays.Measure] ?? 0, "day")}, {Saying.Time(new(start))}–{Saying.Time(new(end))}"
            : "no set hours";

    private static IEnumerable<Fact> FactsOf(Timetable one, WeekMeasures measures, IReadOnlyList<Campus> campuses)
    {
        if (measures[EarliestStart.Measure] is not { } start || measures[LatestEnd.Measure] is not { } end)
            yield break;
        foreach (var day in Weekdays.All.Take(5).Where(day => IsFree(one, day)))
            yield return new($"no {day}s", (other, _) => IsFree(other, day));
        yield return new(
            $"nothing before {Saying.Time(new(start))}",
            (_, other) => other[EarliestStart.Measure] is not { } earliest || earliest >= start
        );
        yield return new(
            $"done by {Saying.Time(new(end))}",
            (_, other) => other[LatestEnd.Measure] is not { } latest || latest <= end
        );
        yield return new(
            measures[IdleMinutes.Measure] is { } idle and not 0
                ? $"{Saying.Length(idle)} between classes"
                : "no time between classes",
            (_, other) => other[IdleMinutes.Measure] <= measures[IdleMinutes.Measure]
        );
        if (CampusesOf(one) is [var only] && campuses.FirstOrDefault(campus => campus.Id == only) is { } campus)
            yield return new(
                $"all at {campus.Name}",
                (other, _) => CampusesOf(other) is [var campusOfOther] && campusOfOther == only
            );
        else if (measures[CampusMoves.Measure] == 0)
            yield return new("no campus moves", (_, other) => other[CampusMoves.Measure] == 0);
        yield return new(
            Saying.Count(measures[ClassDays.Measure] ?? 0, "day"),
            (_, other) => other[ClassDays.Measure] <= measures[ClassDays.Measure]
        );
        yield return new(
            Saying.Count(measures[WantedTaken.Measure] ?? 0, "course"),
            (_, other) => other[WantedTaken.Measure] >= measures[WantedTaken.Measure]
        );
    }

    private static bool IsFree(Timetable timetable, Weekday day) =>
        timetable.Sections.All(section => section.Meetings.All(meeting => meeting.Day != day));

    private static CampusId[] CampusesOf(Timetable timetable) =>
        [
            .. timetable
                .Sections.SelectMany(section => section.Meetings)
                .Select(meeting => meeting.Campus)
                .OfType<CampusId>()
                .Distinct(),
        ];

    private sealed record Fact(string Text, Func<Timetable, WeekMeasures, bool> IsTrueOf);
}
