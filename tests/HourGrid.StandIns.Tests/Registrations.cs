using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using HourGrid.StandIns.Registering;

namespace HourGrid.StandIns.Tests;

/// <summary>Asks the registrar’s service for registrations, as Hour Grid does.</summary>
internal static class Registrations
{
    public const string Term = "2027SP";

    public static string NewKey() => $"{Guid.NewGuid():N}";

    public static LineRecord Line(string course, params string[] sections) => new(course, sections);

    public static Task<RegistrationAnswer> RegisterAsync(
        this HttpClient registrar,
        string student,
        params LineRecord[] lines
    ) => registrar.SendAsync("registrations", new(NewKey(), student, Term, lines));

    public static Task<RegistrationAnswer> CheckAsync(
        this HttpClient registrar,
        string student,
        params LineRecord[] lines
    ) => registrar.SendAsync("checks", new(null, student, Term, lines));

    public static async Task<RegistrationAnswer> SendAsync(
        this HttpClient registrar,
        string path,
        RegistrationRequest request
    )
    {
        var answer = await registrar.PostAsJsonAsync(path, request);
        Assert.True(answer.StatusCode == HttpStatusCode.OK, await answer.Content.ReadAsStringAsync());
        return (await answer.Content.ReadFromJsonAsync<RegistrationAnswer>())!;
    }

    public static async Task<StandingRecord> StandingAsync(this HttpClient registrar, string student) =>
        (await registrar.GetFromJsonAsync<StandingRecord>($"students/{student}/registrations?term={Term}"))!;

    public static IReadOnlyList<string> KindsOf(LineResult line) => [.. line.Findings.Select(one => one.Kind)];

    public static async Task<string> RefusedAsync(this HttpClient registrar, RegistrationRequest request)
    {
        var answer = await registrar.PostAsJsonAsync("registrations", request);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        return (await answer.Content.ReadFromJsonAsync<JsonObject>())!["detail"]!.GetValue<string>();
    }
}
