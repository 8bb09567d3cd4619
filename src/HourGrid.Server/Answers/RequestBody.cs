using System.Text.Json;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.PutBy;
using HourGrid.Formats.Asking;
using HourGrid.Formats.Json;
using HourGrid.Formats.PutBy;

namespace HourGrid.Server.Answers;

/// <summary>
/// Reads the parts of a request that holds an ask. The ask goes through the reader of its file format, so that the
/// API and the files take the same and refuse it with the same words.
/// </summary>
internal static class RequestBody
{
    public static Ask Ask(JsonElement body) =>
        AskJson.Read(Field(body, "ask", field => (JsonElement?)field, "an ask"), "ask").Value;

    public static IReadOnlyList<PutByTimetable> PutBy(JsonElement body, string name) =>
        PutByJson
            .Shortlist(Field(body, name, field => (JsonElement?)field, "a list of timetables put by"), name)
            .Value;

    public static TermPicks Picks(JsonElement body, string name) =>
        PutByJson.Picks(Field(body, name, field => (JsonElement?)field, "a line-up and a choice"), name).Value;

    public static IReadOnlySet<RegistrationNumber> Sections(JsonElement body) =>
        Texts(body, "sections", PutByTimetable.MostSections)
            .Select(number => new RegistrationNumber(number))
            .ToHashSet();

    public static IReadOnlyList<string> Texts(JsonElement body, string name, int most) =>
        Field(
            body,
            name,
            field =>
                field.ValueKind == JsonValueKind.Array
                && field.GetArrayLength() <= most
                && field.EnumerateArray().All(item => item.ValueKind == JsonValueKind.String)
                    ? field.EnumerateArray().Select(item => item.GetString()!).ToArray()
                    : null,
            $"a list of texts, {most} at most"
        );

    public static int Whole(JsonElement body, string name, int least, int most) =>
        Field(
            body,
            name,
            field =>
                field.ValueKind == JsonValueKind.Number
                && field.TryGetInt32(out var value)
                && value >= least
                && value <= most
                    ? value
                    : (int?)null,
            $"a whole number, {least} to {most}"
        );

    public static string Text(JsonElement body, string name, int longest) =>
        Field(
            body,
            name,
            field =>
                field.ValueKind == JsonValueKind.String && field.GetString() is { } text && text.Length <= longest
                    ? text
                    : null,
            $"text of {longest} characters at most"
        );

    public static long Version(JsonElement body) =>
        Field(
            body,
            "version",
            field =>
                field.ValueKind == JsonValueKind.Number && field.TryGetInt64(out var version) ? version : (long?)null,
            "the version that was changed"
        );

    public static T Field<T>(JsonElement body, string name, Func<JsonElement, T?> read, string expected)
        where T : struct =>
        body.ValueKind == JsonValueKind.Object && body.TryGetProperty(name, out var field)
            ? read(field) ?? throw Refuse(name, field, expected)
            : throw Refuse(name, null, expected);

    private static T Field<T>(JsonElement body, string name, Func<JsonElement, T?> read, string expected)
        where T : class =>
        body.ValueKind == JsonValueKind.Object && body.TryGetProperty(name, out var field)
            ? read(field) ?? throw Refuse(name, field, expected)
            : throw Refuse(name, null, expected);

    private static FormatProblemsException Refuse(string name, JsonElement? found, string expected) =>
        new([new FormatProblem(name, found is { } value ? Shorten(value.GetRawText()) : "nothing", expected)]);

    private static string Shorten(string raw) => raw.Length <= 40 ? raw : raw[..40] + "\u2026";
}
