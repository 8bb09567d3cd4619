using System.Text.Json;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.PutBy;
using HourGrid.Formats.Asking;
using HourGrid.Formats.Json;
using HourGrid.Formats.PutBy;
using Microsoft.Net.Http.Headers;

namespace HourGrid.Server.Requests;

/// <summary>
/// Reads the parts of a request that holds an ask. The ask goes through the reader of its file format, so that the
/// API and the files take the same and refuse it with the same words.
/// </summary>
internal sealed class RequestBody(JsonElement root)
{
    /// <summary>Bytes of the largest body that is read.</summary>
    public const int LargestInBytes = 1024 * 1024;

    /// <summary>Reads the body of a request, once what it says of itself is what it has to be.</summary>
    /// <exception cref="BadHttpRequestException">It is not sent as JSON in UTF-8, or is too large.</exception>
    /// <exception cref="FormatProblemsException">It is no JSON.</exception>
    public static async ValueTask<RequestBody> BindAsync(HttpContext http)
    {
        RequireJson(http.Request.ContentType);
        using var bytes = new MemoryStream();
        await http.Request.Body.CopyToAsync(bytes, http.RequestAborted);
        return new(JsonText.Parse(bytes.GetBuffer().AsMemory(0, (int)bytes.Length)).RootElement);
    }

    private static void RequireJson(string? contentType)
    {
        if (!MediaTypeHeaderValue.TryParse(contentType, out var type) || !type.MatchesMediaType("application/json"))
            throw Unsupported(
                contentType is { Length: > 0 } other ? Shorten(other) : "no content type",
                "application/json"
            );
        if (type.Charset.HasValue && !type.Charset.Equals("utf-8", StringComparison.OrdinalIgnoreCase))
            throw Unsupported(Shorten(type.Charset.ToString()), "JSON in UTF-8");
    }

    private static BadHttpRequestException Unsupported(string found, string expected) =>
        new($"The body is sent as {found}; expected {expected}.", StatusCodes.Status415UnsupportedMediaType);

    /// <summary>All of it, for a reader of a file format.</summary>
    public JsonElement Root => root;

    public Ask Ask() => AskJson.Read(Field("ask", field => (JsonElement?)field, "an ask"), "ask").Value;

    public IReadOnlyList<PutByTimetable> PutBy(string name) =>
        PutByJson.Shortlist(Field(name, field => (JsonElement?)field, "a list of timetables put by"), name).Value;

    public TermPicks Picks(string name) =>
        PutByJson.Picks(Field(name, field => (JsonElement?)field, "a line-up and a choice"), name).Value;

    public IReadOnlySet<RegistrationNumber> Sections() =>
        Texts("sections", PutByTimetable.MostSections).Select(number => new RegistrationNumber(number)).ToHashSet();

    public IReadOnlyList<string> Texts(string name, int most) =>
        Field(
            name,
            field =>
                field.ValueKind == JsonValueKind.Array
                && field.GetArrayLength() <= most
                && field.EnumerateArray().All(item => item.ValueKind == JsonValueKind.String)
                    ? field.EnumerateArray().Select(item => item.GetString()!).ToArray()
                    : null,
            $"a list of texts, {most} at most"
        );

    public int Whole(string name, int least, int most) =>
        Field(
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

    public string Text(string name, int longest) =>
        Field(
            name,
            field =>
                field.ValueKind == JsonValueKind.String && field.GetString() is { } text && text.Length <= longest
                    ? text
                    : null,
            $"text of {longest} characters at most"
        );

    public long Version() =>
        Field(
            "version",
            field =>
                field.ValueKind == JsonValueKind.Number && field.TryGetInt64(out var version) ? version : (long?)null,
            "the version that was changed"
        );

    public T Field<T>(string name, Func<JsonElement, T?> read, string expected)
        where T : struct =>
        root.ValueKind == JsonValueKind.Object && root.TryGetProperty(name, out var field)
            ? read(field) ?? throw Refuse(name, field, expected)
            : throw Refuse(name, null, expected);

    private T Field<T>(string name, Func<JsonElement, T?> read, string expected)
        where T : class =>
        root.ValueKind == JsonValueKind.Object && root.TryGetProperty(name, out var field)
            ? read(field) ?? throw Refuse(name, field, expected)
            : throw Refuse(name, null, expected);

    private static FormatProblemsException Refuse(string name, JsonElement? found, string expected) =>
        new([new FormatProblem(name, found is { } value ? Shorten(value.GetRawText()) : "nothing", expected)]);

    private static string Shorten(string raw) => raw.Length <= 40 ? raw : raw[..40] + "\u2026";
}
