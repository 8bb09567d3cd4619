using System.Text;

namespace HourGrid.Server.Tests;

/// <summary>A fixed set of two hundred bodies that no endpoint can use, as they are sent by mistake or on purpose.</summary>
internal static class BadBodies
{
    public const int Count = 200;

    private const string Json = "application/json";

    /// <summary>Fields of requests, each of which is given values of the wrong kind.</summary>
    private static readonly string[] Fields =
    [
        "ask",
        "sections",
        "version",
        "name",
        "shortlist",
        "picks",
        "courses",
        "calendar",
        "text",
        "ids",
        "first",
        "count",
    ];

    private static readonly string[] Values =
    [
        "null",
        "true",
        "-1",
        "1e400",
        "[[[]]]",
        "{\"a\":{\"b\":[]}}",
        "\"\\ud800\"",
        "\"\\udfff x\"",
        "\"\\u0000\"",
        "99999999999999999999999",
    ];

    public static IReadOnlyList<(string What, string? ContentType, byte[] Bytes)> All { get; } =
    [.. Whole().Concat(Wrong()).Concat(Sent()).Concat(Cut()).Take(Count)];

    /// <summary>Bodies that are no JSON object at all.</summary>
    private static IEnumerable<(string, string?, byte[])> Whole()
    {
        string[] texts =
        [
            "",
            " ",
            "\0",
            "null",
            "true",
            "0",
            "-",
            "\"\"",
            "\"\\ud800\"",
            "[]",
            "[{}]",
            "{",
            "}",
            "{]",
            "{}{}",
            "{\"\\ud800\":1}",
            "{,}",
            "{'a':1}",
            "{a:1}",
            "{\"a\":1,}",
            "// nothing",
            "NaN",
            "undefined",
            "<ask/>",
            "a=1&b=2",
            new string('[', 100_000),
            new string('{', 10),
            string.Concat(Enumerable.Repeat("{\"ask\":", 40)) + "1" + new string('}', 40),
            "\"" + new string('x', 100_000),
        ];
        foreach (var text in texts)
            yield return (Shown(text), Json, Encoding.UTF8.GetBytes(text));
        yield return ("half a character", Json, [.. "{\"name\":\""u8, 0xC3, .. "\"}"u8]);
        yield return ("a byte of Latin-1", Json, [.. "{\"name\":\"caf"u8, 0xE9, .. "\"}"u8]);
        yield return ("a character too long", Json, [.. "{\"name\":\""u8, 0xC0, 0x80, .. "\"}"u8]);
        yield return ("a surrogate in UTF-8", Json, [.. "{\"name\":\""u8, 0xED, 0xA0, 0x80, .. "\"}"u8]);
        yield return ("UTF-16", Json, Encoding.Unicode.GetBytes("{\"name\":1}"));
        yield return ("UTF-32", Json, Encoding.UTF32.GetBytes("{\"name\":1}"));
        yield return ("a byte-order mark alone", Json, [0xEF, 0xBB, 0xBF]);
        yield return ("zipped", Json, [0x1F, 0x8B, 0x08, 0, 0, 0, 0, 0]);
    }

    /// <summary>Objects with a field of the wrong kind; no endpoint has all the others it needs.</summary>
    private static IEnumerable<(string, string?, byte[])> Wrong() =>
        from field in Fields
        from value in Values
        let text = $"{{\"{field}\":{value}}}"
        select (text, (string?)Json, Encoding.UTF8.GetBytes(text));

    /// <summary>Objects that are not sent as JSON in UTF-8.</summary>
    private static IEnumerable<(string, string?, byte[])> Sent()
    {
        string?[] types =
        [
            null,
            "text/plain",
            "text/html",
            "application/xml",
            "application/x-www-form-urlencoded",
            "multipart/form-data; boundary=x",
            "application/octet-stream",
            "application/jsonx",
            "application/json; charset=utf-7",
            "application/json; charset=utf-16",
            "application/json; charset=latin1",
            "application/json; charset=nowhere",
            "image/png",
        ];
        foreach (var type in types)
            yield return ($"sent as {type ?? "nothing"}", type, "{}"u8.ToArray());
    }

    /// <summary>A good request cut off, further and further.</summary>
    private static IEnumerable<(string, string?, byte[])> Cut()
    {
        const string good =
            """{"ask":{"format":"hour-grid-ask","version":1,"term":"2027SP","wanted":[{"course":"TID 210"}]},"version":1,"name":"A"}""";
        for (var length = 1; length < good.Length; length += 3)
            yield return ($"cut at {length}", Json, Encoding.UTF8.GetBytes(good[..length]));
    }

    private static string Shown(string text) => text.Length <= 20 ? $"\"{text}\"" : $"\"{text[..20]}\"…";
}
