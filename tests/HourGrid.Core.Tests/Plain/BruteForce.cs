using System.Runtime.CompilerServices;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Tests.Plain;

/// <summary>
/// The answers written straight from the definitions, as plainly as possible and with nothing of the engine:
/// every combination of sections is tried, every rule is looked at minute by minute or pair by pair.
/// </summary>
internal static class BruteForce
{
    /// <summary>Every timetable.</summary>
    public static List<PlainTimetable> Timetables(UniversityCatalogue catalogue, Ask ask)
    {
        var term = catalogue.Terms.Single(one => one.Id == ask.Term);
        var known = new Dictionary<(RegistrationNumber, RegistrationNumber), bool>();
        bool Clashes(Section one, Section other) =>
            known.TryGetValue((one.Number, other.Number), out var clash)
                ? clash
                : known[(one.Number, other.Number)] = Clash(catalogue, term, ask, one, other);

        var timetables = new List<PlainTimetable> { new([]) };
        foreach (var wanted in ask.Wanted)
        {
            var choice = ask.EitherOr.FirstOrDefault(one => one.Courses.Contains(wanted.Course));
            var mayTake = choice is not null || wanted.Role != CourseRole.SetAside;
            var mayLeave = choice is not null || wanted.Role != CourseRole.Must;
            var bundles = mayTake ? Bundles(catalogue, term, ask, wanted) : [];
            timetables =
            [
                .. from timetable in timetables
                from bundle in bundles
                where timetable.Sections.All(other => bundle.All(s => !Clashes(s, other)))
                select new PlainTimetable([.. timetable.Taken, new(wanted.Course, bundle)]),
                .. mayLeave ? timetables : [],
            ];
        }
        return
        [
            .. timetables.Where(timetable => timetable.Taken.Count > 0 && PlainRules.Keep(catalogue, ask, timetable)),
        ];
    }

    public static List<List<Section>> Bundles(UniversityCatalogue catalogue, Term term, Ask ask, WantedCourse wanted)
    {
        var sections = catalogue
            .Courses.Single(course => course.Id == wanted.Course)
            .Sections.Where(section => section.Term == term.Id)
            .ToList();
        var found = new List<List<Section>>();
        foreach (var arrangement in sections.Select(section => section.Arrangement).Distinct())
        {
            var members = sections
                .Where(section => section.Arrangement == arrangement && section.Status != SectionStatus.Cancelled)
                .ToList();
            var components = members.Select(section => section.Component).Distinct().ToList();
            if (components.Count == 0)
                continue;
            var choices = new List<List<Section>> { new() };
            foreach (var component in components)
                choices =
                [
                    .. from chosen in choices
                    from section in members
                    where section.Component == component
                    select chosen.Append(section).ToList(),
                ];
            found.AddRange(
                choices.Where(bundle =>
                    LinksHold(bundle, sections)
                    && bundle.All(section => Allowed(catalogue, term, ask, wanted, sections, section))
                    && !(
                        from one in bundle
                        from other in bundle
                        where one != other && Clash(catalogue, term, ask, one, other)
                        select one
                    ).Any()
                )
            );
        }
        return found;
    }

    private static bool LinksHold(List<Section> bundle, List<Section> sections)
    {
        foreach (var section in bundle)
        {
            var linked = sections
                .Where(other => section.LinkedTo.Contains(other.Number) || other.LinkedTo.Contains(section.Number))
                .ToList();
            foreach (var component in linked.Select(other => other.Component).Distinct())
            foreach (var chosen in bundle.Where(other => other.Component == component))
                if (!linked.Contains(chosen))
                    return false;
        }
        return true;
    }

    private static bool Allowed(
        UniversityCatalogue catalogue,
        Term term,
        Ask ask,
        WantedCourse wanted,
        List<Section> sections,
        Section section
    )
    {
        if (wanted.RuleOut.Contains(section.Number))
            return false;
        var keptOfComponent = sections
            .Where(other => other.Component == section.Component && wanted.Keep.Contains(other.Number))
            .ToList();
        if (keptOfComponent.Count > 0 && !keptOfComponent.Contains(section))
            return false;
        var enrolled = section.SeatsShared is null
            ? section.Seats.Enrolled
            : catalogue
                .Courses.SelectMany(course => course.Sections)
                .Where(other => other.Term == term.Id && other.SeatsShared == section.SeatsShared)
                .Sum(other => other.Seats.Enrolled);
        var seat =
            (section.Status == SectionStatus.Open && enrolled < section.Seats.Capacity)
            || ask.Registered.Contains(section.Number);
        var place = section.Seats.Waitlisted < section.Seats.WaitlistCapacity;
        var rule = wanted.Seats ?? ask.Seats;
        if (!(rule == SeatsAdmitted.Any || seat || (rule == SeatsAdmitted.Waitlist && place)))
            return false;
        foreach (var modes in new[] { ask.Modes, wanted.Modes })
            if (modes.Count > 0 && !modes.Contains(section.Mode))
                return false;
        var campuses = DatedClasses(term, section)
            .Select(one => one.Campus)
            .Append(section.Mode is DeliveryMode.Online or DeliveryMode.OnlineLive ? null : section.Campus);
        foreach (var allowed in new[] { ask.Campus.Allowed, wanted.Campuses })
            if (allowed.Count > 0 && campuses.Any(campus => campus is { } place && !allowed.Contains(place)))
                return false;
        if (wanted.Instructors.Count > 0 && !section.Instructors.Any(wanted.Instructors.Contains))
            return false;
        return DatedClasses(term, section).All(one => HoursAllowed(ask, one));
    }

    private static bool HoursAllowed(Ask ask, DatedClass one)
    {
        var limits = ask.DayLimits;
        if (limits.EarliestStart is { } earliest && one.Start < earliest.Value)
            return false;
        if (limits.LatestEnd is { } latest && one.End > latest.Value)
            return false;
        if (limits.DaysOff.Contains(one.Day))
            return false;
        foreach (var block in ask.TimeBlocks)
            if (block.Strength == Strength.Cannot && block.Days.Contains(one.Day) && block.Weeks.Contains(one.Week))
                for (var minute = one.Start; minute < one.End; minute++)
                    if (minute >= block.Time.Start.Value && minute < block.Time.End.Value)
                        return false;
        return true;
    }

    private static bool Clash(UniversityCatalogue catalogue, Term term, Ask ask, Section one, Section other)
    {
        foreach (var a in DatedClasses(term, one))
        foreach (var b in DatedClasses(term, other))
        {
            if (a.Day != b.Day || a.Week != b.Week)
                continue;
            var (first, second) = a.Start <= b.Start ? (a, b) : (b, a);
            var gap = ask.DayLimits.MinutesBetween;
            if (ask.Campus.RespectTravel && first.Campus is { } from && second.Campus is { } to && from != to)
            {
                var there = catalogue.Travel.Where(entry => entry.From == from && entry.To == to).ToList();
                var back = catalogue.Travel.Where(entry => entry.From == to && entry.To == from).ToList();
                gap = Math.Max(gap, (there.Count > 0 ? there : back).Select(entry => entry.Minutes).LastOrDefault());
            }
            if (second.Start == first.Start || second.Start < first.End + gap)
                return true;
        }
        return false;
    }

    public readonly record struct DatedClass(Weekday Day, int Week, int Start, int End, CampusId? Campus);

    // Asked over and over of the same sections; looking at each date again takes most of the time of these tests.
    private static readonly ConditionalWeakTable<Section, Dated> Known = [];

    private sealed record Dated(Term Term, DatedClass[] Classes);

    /// <summary>Every class of a section, date by date.</summary>
    public static DatedClass[] DatedClasses(Term term, Section section)
    {
        if (Known.TryGetValue(section, out var known) && ReferenceEquals(known.Term, term))
            return known.Classes;
        DatedClass[] classes = [.. ByDates(term, section)];
        Known.AddOrUpdate(section, new(term, classes));
        return classes;
    }

    private static IEnumerable<DatedClass> ByDates(Term term, Section section)
    {
        var monday = term.Start;
        while (monday.DayOfWeek != DayOfWeek.Monday)
            monday = monday.AddDays(-1);
        foreach (var pattern in section.Patterns)
        foreach (var day in Weekdays.All.Where(pattern.Days.Contains))
        {
            var matching = new List<DateOnly>();
            for (var date = pattern.From; date <= pattern.To; date = date.AddDays(1))
                if (Weekdays.Of(date) == day)
                    matching.Add(date);
            foreach (var date in matching.Where((_, i) => i % pattern.EveryWeeks == 0))
                yield return new(
                    day,
                    (date.DayNumber - monday.DayNumber) / 7 + 1,
                    pattern.Time.Start.Value,
                    pattern.Time.End.Value,
                    pattern.Campus
                );
        }
    }

    /// <summary>What two timetables share when they have the same week shape.</summary>
    public static string WeekShape(Term term, PlainTimetable timetable) =>
        string.Join(
            "|",
            timetable.Taken.Select(taken =>
                $"{taken.Course}: "
                + string.Join(
                    ";",
                    taken
                        .Bundle.SelectMany(section => KnownShapes.GetValue(section, its => [.. ShapeOf(term, its)]))
                        .Order(StringComparer.Ordinal)
                )
            )
        );

    private static readonly ConditionalWeakTable<Section, string[]> KnownShapes = [];

    private static IEnumerable<string> ShapeOf(Term term, Section section) =>
        section.Patterns.SelectMany(pattern =>
            ByDates(term, section with { Patterns = [pattern] })
                .GroupBy(one => one.Day)
                .Select(day =>
                    $"{day.Key} {pattern.Time} {string.Join(",", day.Select(one => one.Week).Order())} {pattern.Campus}"
                )
        );
}

/// <summary>The courses taken, in the order of the ask, each with its sections.</summary>
internal sealed record PlainTimetable(List<PlainTaken> Taken)
{
    public IEnumerable<Section> Sections => Taken.SelectMany(taken => taken.Bundle);

    /// <summary>Registration numbers, sorted and joined.</summary>
    public string Key =>
        string.Join(" ", Sections.Select(section => section.Number.Value).Order(StringComparer.Ordinal));
}

internal sealed record PlainTaken(CourseId Course, List<Section> Bundle);
