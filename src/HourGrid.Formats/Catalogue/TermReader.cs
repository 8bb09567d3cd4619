using HourGrid.Core.Catalogue;
using HourGrid.Formats.Json;

namespace HourGrid.Formats.Catalogue;

internal static class TermReader
{
    public static Term? Read(JsonPlace place, Dictionary<TermId, Term> known)
    {
        var term = place.Object("id", "name", "season", "start", "end", "noClass", "parts");
        var id = new TermId(term["id"].FilledText(40));
        var name = term["name"].FilledText();
        var noClass = term["noClass"].List(NoClass, CatalogueLimits.Periods);
        var parts = term["parts"].List(Part, CatalogueLimits.Periods);
        if (Period(term["start"], term["end"]) is not var (start, end))
            return null;
        var read = new Term(id, name, start, end, noClass, parts)
        {
            Season = term.Or<string?>("season", null, text => text.FilledText(40)),
        };
        if (read.WeekCount > WeekSet.MaxWeek)
            term["end"].Refuse($"a date within {WeekSet.MaxWeek} weeks of the start");
        if (!known.TryAdd(id, read))
            term["id"].Refuse("each term once");
        foreach (var twice in parts.GroupBy(part => part.Id).Where(group => group.Count() > 1))
            term["parts"].Refuse($"each part once; {twice.Key} stands twice");
        return read;
    }

    private static NoClassPeriod? NoClass(JsonPlace place)
    {
        var days = place.Object("from", "to", "name");
        var name = days["name"].FilledText();
        return Period(days["from"], days["to"]) is var (from, to) ? new(from, to, name) : null;
    }

    private static PartOfTerm? Part(JsonPlace place)
    {
        var part = place.Object("id", "name", "start", "end");
        var id = part["id"].FilledText(40);
        var name = part["name"].FilledText();
        return Period(part["start"], part["end"]) is var (start, end) ? new(id, name, start, end) : null;
    }

    private static (DateOnly Start, DateOnly End)? Period(JsonPlace from, JsonPlace to)
    {
        if (from.Date() is not { } start || to.Date() is not { } end)
            return null;
        if (end >= start)
            return (start, end);
        to.Refuse($"a date not before {start:yyyy-MM-dd}");
        return null;
    }
}
