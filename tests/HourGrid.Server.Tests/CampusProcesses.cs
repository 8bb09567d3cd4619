using System.Diagnostics;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using Microsoft.Data.Sqlite;

namespace HourGrid.Server.Tests;

/// <summary>
/// The server and what stands in for the campus, each a process of its own that can be killed without warning and started
/// again on what it had.
/// </summary>
public sealed partial class CampusProcesses : IAsyncLifetime
{
    private const string Key = "the key of the registrar in this test, long enough";
    private const string Secret = "the secret of the sign-in in this test, long enough";

    private readonly DirectoryInfo folder = Directory.CreateTempSubdirectory("hour-grid-campus-");
    private readonly int serverPort = FreePorts.Next();
    private readonly int campusPort = FreePorts.Next();
    private readonly int mailPort = FreePorts.Next();
    private Process? server;
    private Process? campus;

    public async ValueTask InitializeAsync() => await Task.WhenAll(StartCampusAsync(), StartServerAsync());

    public Uri ServerAddress => new($"http://127.0.0.1:{serverPort}");

    public Uri CampusAddress => new($"http://127.0.0.1:{campusPort}");

    public async Task StartServerAsync()
    {
        server = Launch(
            Path.Combine(AppContext.BaseDirectory, "HourGrid.Server.dll"),
            ServerAddress,
            "server",
            new()
            {
                ["SignIn__Authority"] = $"{CampusAddress}".TrimEnd('/'),
                ["SignIn__ClientId"] = "hour-grid",
                ["SignIn__ClientSecret"] = Secret,
                ["Registrar__Address"] = $"{CampusAddress}registrar/",
                ["Registrar__Key"] = Key,
                ["Mail__Host"] = "127.0.0.1",
                ["Mail__Port"] = $"{mailPort}",
                ["FirstCatalogue"] = TestPaths.Repository("demo", "saltmere.catalogue.json"),
            }
        );
        await server.ListensAsync();
    }

    public async Task StartCampusAsync()
    {
        campus = Launch(
            TestPaths.Repository("artifacts", "bin", "HourGrid.StandIns", "release", "HourGrid.StandIns.dll"),
            CampusAddress,
            "campus",
            new()
            {
                ["RegistrarKey"] = Key,
                ["HourGridSecret"] = Secret,
                ["HourGridAddress"] = $"{ServerAddress}".TrimEnd('/'),
                ["Seed"] = TestPaths.Repository("demo"),
                ["Catalogue"] = TestPaths.Repository("demo", "saltmere.catalogue.json"),
                ["SmtpPort"] = $"{mailPort}",
                ["CrowdPace"] = "0",
            }
        );
        await campus.ListensAsync();
    }

    public void KillServer() => Processes.Kill(ref server);

    public void KillCampus() => Processes.Kill(ref campus);

    /// <summary>A browser in which somebody is signed in.</summary>
    public async Task<HttpClient> SignInAsync(string person)
    {
        var browser = new HttpClient(new HttpClientHandler { CookieContainer = new CookieContainer() })
        {
            BaseAddress = ServerAddress,
        };
        (await browser.PostAsync("/api/visit", null)).EnsureSuccessStatusCode();
        var page = await browser.GetStringAsync("/api/sign-in?from=/api/me");
        var form = new FormUrlEncodedContent([
            new("__RequestVerificationToken", Token().Match(page).Groups[1].Value),
            new("returnUrl", WebUtility.HtmlDecode(ReturnUrl().Match(page).Groups[1].Value)),
            new("person", person),
        ]);
        var back = await browser.PostAsync(new Uri(CampusAddress, "/sign-in"), form);
        Assert.True(
            back.IsSuccessStatusCode,
            $"{back.RequestMessage!.RequestUri}: {back.StatusCode} {await back.Content.ReadAsStringAsync()}"
        );
        return browser;
    }

    /// <summary>Fills in a form of the clerk's page.</summary>
    public async Task ClerkAsync(string action, params (string Name, string Value)[] fields)
    {
        using var clerk = new HttpClient(new HttpClientHandler { CookieContainer = new CookieContainer() })
        {
            BaseAddress = CampusAddress,
        };
        var token = Token().Match(await clerk.GetStringAsync("/clerk")).Groups[1].Value;
        var content = new FormUrlEncodedContent(
            fields
                .Append(("__RequestVerificationToken", token))
                .Select(one => KeyValuePair.Create(one.Item1, one.Item2))
        );
        (await clerk.PostAsync($"/clerk/{action}", content)).EnsureSuccessStatusCode();
    }

    /// <summary>The registrations that the registrar's own database has of a student, dropped ones among them.</summary>
    public IReadOnlyList<(string Number, string Confirmation, bool IsHeld)> RegistrationsOf(string student)
    {
        using var database = new SqliteConnection(
            $"Data Source={Path.Combine(folder.FullName, "campus", "campus.db")};Mode=ReadOnly;Pooling=False"
        );
        database.Open();
        using var command = database.CreateCommand();
        command.CommandText =
            "SELECT Number, Confirmation, DroppedUtc IS NULL FROM Registrations WHERE Student = $student ORDER BY Id";
        command.Parameters.AddWithValue("$student", student);
        using var reader = command.ExecuteReader();
        var rows = new List<(string, string, bool)>();
        while (reader.Read())
            rows.Add((reader.GetString(0), reader.GetString(1), reader.GetBoolean(2)));
        return rows;
    }

    public ValueTask DisposeAsync()
    {
        KillServer();
        KillCampus();
        folder.Delete(recursive: true);
        return ValueTask.CompletedTask;
    }

    private Process Launch(string program, Uri address, string name, Dictionary<string, string> settings)
    {
        var data = Path.Combine(folder.FullName, name);
        Directory.CreateDirectory(data);
        var start = new ProcessStartInfo(
            "dotnet",
            [
                program,
                $"--urls={address}".TrimEnd('/'),
                $"--DataFolder={data}",
                "--Logging:LogLevel:Microsoft.Hosting.Lifetime=Information",
            ]
        )
        {
            RedirectStandardOutput = true,
            RedirectStandardError = true,
            WorkingDirectory = Path.GetDirectoryName(program),
        };
        foreach (var (setting, value) in settings)
            start.Environment[setting] = value;
        return Process.Start(start)!;
    }

    [GeneratedRegex("name=\"__RequestVerificationToken\" value=\"([^\"]+)\"")]
    private static partial Regex Token();

    [GeneratedRegex("name=\"returnUrl\" value=\"([^\"]+)\"")]
    private static partial Regex ReturnUrl();
}

/// <summary>Registering as a page does.</summary>
internal static class Pressing
{
    /// <summary>As a page waits until it tries again.</summary>
    private static readonly TimeSpan Pause = TimeSpan.FromMilliseconds(50);

    public const string Registration = "/api/terms/2027SP/registration";

    public static JsonObject Take(string course, params string[] sections) => Line(course, sections, []);

    public static JsonObject Drop(string course, params string[] held) => Line(course, [], held);

    public static JsonObject Line(string course, string[] sections, string[] givingUp, string ifFull = "leave") =>
        new()
        {
            ["course"] = course,
            ["sections"] = Array(sections),
            ["ifFull"] = ifFull,
            ["instead"] = new JsonArray(),
            ["givingUp"] = Array(givingUp),
            ["group"] = null,
            ["leaving"] = null,
        };

    public static Task<HttpResponseMessage> PressAsync(
        this HttpClient browser,
        string key,
        JsonObject line,
        CancellationToken cancellation = default
    ) =>
        browser.PostAsJsonAsync(
            $"{Registration}/presses",
            new JsonObject { ["key"] = key, ["lines"] = new JsonArray(line.DeepClone()) },
            cancellation
        );

    /// <summary>Sends it until the server has taken it, as a page does when the connection breaks.</summary>
    public static async Task PressUntilTakenAsync(this HttpClient browser, string key, JsonObject line)
    {
        for (; ; )
            try
            {
                using var answer = await browser.PressAsync(key, line);
                if (answer.IsSuccessStatusCode)
                    return;
                Assert.True((int)answer.StatusCode >= 500, await answer.Content.ReadAsStringAsync());
            }
            catch (HttpRequestException)
            {
                await Task.Delay(Pause);
            }
    }

    /// <summary>Asks until every press is answered, as a page does, and gives them.</summary>
    public static async Task<JsonArray> AnsweredAsync(this HttpClient browser, int presses)
    {
        for (; ; )
            try
            {
                using var answer = await browser.GetAsync(Registration);
                // Where the registrar is silent, what is held is not known.
                var all = answer.IsSuccessStatusCode
                    ? (await answer.Content.ReadFromJsonAsync<JsonObject>())!["presses"]!.AsArray()
                    : [];
                if (all.Count == presses && all.All(one => one!["answeredUtc"] is not null))
                    return all;
                await Task.Delay(Pause);
            }
            catch (HttpRequestException)
            {
                await Task.Delay(Pause);
            }
    }

    public static string NewKey() => $"{Guid.NewGuid():N}";

    private static JsonArray Array(string[] values) => [.. values.Select(value => JsonValue.Create(value))];
}
