using System.Globalization;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Searching;
using HourGrid.Formats.Json;
using HourGrid.Server.Wording;

namespace HourGrid.Server.Catalogue;

/// <summary>
/// Reads a narrowing from an address. A parameter may stand several times, once for each value; all that is wrong is
/// said at once.
/// </summary>
internal sealed class NarrowingQuery(IQueryCollection query)
{
    private const string Eligible = "eligible";
    private const string Yes = "yes";
    private const int MostValues = 100;
    private const int LongestValue = 200;

    private readonly List<FormatProblem> problems = [];

    /// <exception cref="FormatProblemsException">A parameter cannot be read.</exception>
    public static SearchNarrowing Read(IQueryCollection query)
    {
        var reader = new NarrowingQuery(query);
        var narrowing = reader.Read();
        if (reader.Texts(Eligible).FirstOrDefault(text => text != Yes) is { } other)
            reader.Refuse(Eligible, $"\"{other}\"", FieldWords.OneOf(Yes));
        return reader.problems.Count == 0 ? narrowing : throw new FormatProblemsException(reader.problems);
    }

    /// <summary>Whether only courses are wanted that the student may take.</summary>
    public static bool IsForEligible(IQueryCollection query) => query[Eligible].Count > 0;

    private SearchNarrowing Read() =>
        new()
        {
            Subjects = Texts("subject"),
            Attributes = Texts("attribute"),
            Levels = Texts("level"),
            Credits = Credits("credits"),
            Components = Texts("component"),
            Instructors = Texts("instructor"),
            Days = Words("day", Formats.Json.Words.Days) is { Count: > 0 } days ? WeekdaySet.Of(days) : null,
            Hours = Hours("hours"),
            Campuses = [.. Texts("campus").Select(id => new CampusId(id))],
            Modes = Words("mode", Formats.Json.Words.Modes),
            Seats = Words("seats", Formats.Json.Words.SeatsRules) is [var rule, ..] ? rule : SeatsAdmitted.Any,
            Parts = [.. Texts("part").Select(part => part == "whole" ? SearchNarrowing.WholeTerm : part)],
        };

    private IReadOnlyList<string> Texts(string name)
    {
        var values = query[name];
        if (values.Count > MostValues)
            Refuse(name, FieldWords.Values(values.Count), FieldWords.AtMost(MostValues));
        if (values.FirstOrDefault(value => value is not { Length: > 0 and <= LongestValue }) is { } wrong)
            Refuse(name, FieldWords.Characters(wrong.Length), FieldWords.Range(1, LongestValue));
        return [.. values.OfType<string>()];
    }

    private List<T> Words<T>(string name, WordTable<T> words)
        where T : struct
    {
        var read = new List<T>();
        foreach (var text in Texts(name))
            if (words.TryRead(text, out var value))
                read.Add(value);
            else
                Refuse(name, $"\"{text}\"", FieldWords.OneOf(words.Listed));
        return read;
    }

    private CreditRange? Credits(string name)
    {
        if (Texts(name) is not [var text])
            return null;
        var parts = text.Split('-');
        if (
            parts.Length == 2
            && TryCredits(parts[0], out var min)
            && TryCredits(parts[1], out var max)
            && min.Hundredths <= max.Hundredths
        )
            return new(min, max);
        Refuse(name, $"\"{text}\"", FieldWords.CreditRange);
        return null;
    }

    private static bool TryCredits(string text, out Credits credits)
    {
        credits = default;
        return decimal.TryParse(text, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var amount)
            && Core.Catalogue.Credits.TryOf(amount, out credits);
    }

    private MinuteInterval? Hours(string name)
    {
        if (Texts(name) is not [var text])
            return null;
        var parts = text.Split('-');
        if (
            parts.Length == 2
            && Minute.TryParse(parts[0], out var start)
            && Minute.TryParse(parts[1], out var end)
            && start < end
        )
            return new(start, end);
        Refuse(name, $"\"{text}\"", FieldWords.HourRange);
        return null;
    }

    private void Refuse(string name, string found, string expected) => problems.Add(new(name, found, expected));
}
