using System.Text.Json;
using HourGrid.Formats.Json;
using HourGrid.Server.Wording;
using Microsoft.Net.Http.Headers;

namespace HourGrid.Server.Requests;

/// <summary>The JSON of a request, before any of it is looked at.</summary>
internal static class BodyText
{
    /// <summary>Bytes of the largest body that is read.</summary>
    public const int LargestInBytes = 1024 * 1024;

    /// <exception cref="BadHttpRequestException">It is not sent as JSON in UTF-8, or is too large.</exception>
    /// <exception cref="FormatProblemsException">It is no JSON.</exception>
    public static async Task<JsonDocument> ReadAsync(HttpContext http)
    {
        RequireJson(http.Request.ContentType);
        using var bytes = new MemoryStream();
        await http.Request.Body.CopyToAsync(bytes, http.RequestAborted);
        return JsonText.Parse(bytes.GetBuffer().AsMemory(0, (int)bytes.Length));
    }

    private static void RequireJson(string? contentType)
    {
        if (!MediaTypeHeaderValue.TryParse(contentType, out var type) || !type.MatchesMediaType("application/json"))
            throw Refusals.ContentType(contentType is { Length: > 0 } other ? FormatProblem.Show(other) : null);
        if (type.Charset.HasValue && !type.Charset.Equals("utf-8", StringComparison.OrdinalIgnoreCase))
            throw Refusals.Charset(FormatProblem.Show(type.Charset.ToString()));
    }
}
