using System.Collections.Concurrent;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.AspNetCore.Mvc.Testing.Handlers;
using Microsoft.Extensions.DependencyInjection;

namespace HourGrid.Server.Tests;

/// <summary>The real server on a real SQLite file in a folder of its own, with the sample world.</summary>
public sealed class RunningServer : IDisposable
{
    private readonly string catalogue;
    private readonly (string Setting, string Value)[] settings;
    private readonly TimeProvider? clock;
    private readonly DirectoryInfo folder;
    private readonly ConcurrentDictionary<HttpClient, CookieContainer> jars = [];
    private WebApplicationFactory<Program> host;

    public RunningServer()
        : this(TestPaths.Repository("demo", "saltmere.catalogue.json")) { }

    private RunningServer(string catalogue, params (string Setting, string Value)[] settings)
        : this(null, catalogue, settings) { }

    private RunningServer(TimeProvider? clock, string catalogue, (string Setting, string Value)[] settings)
    {
        this.catalogue = catalogue;
        this.settings = settings;
        this.clock = clock;
        folder = Directory.CreateTempSubdirectory("hour-grid-test-");
        host = Start();
    }

    /// <summary>The same with another catalogue.</summary>
    public static RunningServer With(string catalogue) => new(catalogue);

    /// <summary>The same behind a proxy, whose word is taken for where requests come from.</summary>
    public static RunningServer BehindProxy() =>
        new(TestPaths.Repository("demo", "saltmere.catalogue.json"), ("Proxies:0", "127.0.0.1"));

    /// <summary>The same with a registrar at an address.</summary>
    public static RunningServer WithRegistrar(string address) =>
        new(
            TestPaths.Repository("demo", "saltmere.catalogue.json"),
            ("Registrar:Address", address),
            ("Registrar:Key", "a key of this test")
        );

    /// <summary>The same by a clock of the test's.</summary>
    public static RunningServer At(TimeProvider clock) =>
        new(clock, TestPaths.Repository("demo", "saltmere.catalogue.json"), []);

    public IServiceProvider Services => host.Services;

    public string DataFolder => folder.FullName;

    /// <summary>A browser of its own: it keeps its cookies.</summary>
    public HttpClient Browser() => Browser(new CookieContainer());

    /// <summary>A browser that has a cookie already.</summary>
    public HttpClient BrowserWith(string cookie, string value)
    {
        var jar = new CookieContainer();
        jar.Add(new Uri("http://localhost/"), new Cookie(cookie, value));
        return Browser(jar);
    }

    /// <summary>A program that keeps no cookies.</summary>
    public HttpClient Stranger() => host.CreateDefaultClient();

    /// <summary>A browser that has visited, and so is a student.</summary>
    public async Task<HttpClient> StudentAsync()
    {
        var browser = Browser();
        (await browser.PostAsync("/api/visit", null)).EnsureSuccessStatusCode();
        return browser;
    }

    /// <summary>Stops the server and starts it again on the same folder; gives the same browser after it.</summary>
    public HttpClient Restart(HttpClient browser)
    {
        host.Dispose();
        host = Start();
        return Browser(jars[browser]);
    }

    private HttpClient Browser(CookieContainer jar)
    {
        var browser = host.CreateDefaultClient(new CookieContainerHandler(jar));
        jars[browser] = jar;
        return browser;
    }

    public void Dispose()
    {
        host.Dispose();
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        folder.Delete(recursive: true);
    }

    private WebApplicationFactory<Program> Start() =>
        new WebApplicationFactory<Program>().WithWebHostBuilder(web =>
        {
            web.UseSetting("Logging:LogLevel:Default", "Warning");
            web.UseSetting("DataFolder", folder.FullName);
            web.UseSetting("FirstCatalogue", catalogue);
            foreach (var (setting, value) in settings)
                web.UseSetting(setting, value);
            if (clock is not null)
                web.ConfigureServices(services => services.AddSingleton(clock));
        });
}

internal static class Requests
{
    public static async Task<JsonNode> JsonAsync(this Task<HttpResponseMessage> sending, int expected = 200)
    {
        using var response = await sending;
        var text = await response.Content.ReadAsStringAsync();
        Assert.True(expected == (int)response.StatusCode, $"{(int)response.StatusCode}: {text}");
        if (expected >= 400)
            Assert.Equal("application/problem+json", response.Content.Headers.ContentType?.MediaType);
        return JsonNode.Parse(text)!;
    }

    public static Task<JsonNode> OpenSketchAsync(this HttpClient browser, string term = "2027SP") =>
        browser.PostAsync($"/api/terms/{term}/sketch", null).JsonAsync();

    public static Task<HttpResponseMessage> SaveAsync(this HttpClient browser, JsonNode sketch, JsonNode ask) =>
        browser.PutAsJsonAsync(
            $"/api/sketches/{sketch["id"]}",
            new JsonObject
            {
                ["version"] = sketch["version"]!.DeepClone(),
                ["name"] = sketch["name"]!.DeepClone(),
                ["ask"] = ask.DeepClone(),
                ["shortlist"] = sketch["shortlist"]!.DeepClone(),
            }
        );

    public static Task<HttpResponseMessage> PostSketchAsync(this HttpClient browser, string name, JsonNode ask) =>
        browser.PostAsJsonAsync(
            "/api/terms/2027SP/sketches",
            new JsonObject
            {
                ["name"] = name,
                ["ask"] = ask.DeepClone(),
                ["shortlist"] = new JsonArray(),
            }
        );

    public static Task<JsonNode> NewSketchAsync(this HttpClient browser, string name, JsonNode ask) =>
        browser.PostSketchAsync(name, ask).JsonAsync();

    public static async Task<string[]> SketchNamesAsync(this HttpClient browser) =>
        [
            .. (await browser.GetAsync("/api/terms/2027SP/sketches").JsonAsync())["sketches"]!
                .AsArray()
                .Select(sketch => sketch!["name"]!.GetValue<string>()),
        ];

    public static Task<HttpResponseMessage> StepAsync(this HttpClient browser, JsonNode sketch, string direction) =>
        browser.PostAsJsonAsync(
            $"/api/sketches/{sketch["id"]}/{direction}",
            new JsonObject { ["version"] = sketch["version"]!.DeepClone() }
        );

    public static JsonNode AskFor(params string[] courses) =>
        new JsonObject
        {
            ["format"] = "hour-grid-ask",
            ["version"] = 1,
            ["term"] = "2027SP",
            ["wanted"] = new JsonArray([.. courses.Select(course => new JsonObject { ["course"] = course })]),
        };

    public static string[] Courses(this JsonNode sketch) =>
        [.. sketch["ask"]!["wanted"]!.AsArray().Select(wanted => wanted!["course"]!.GetValue<string>())];

    public static StringContent Body(string text) => new(text, System.Text.Encoding.UTF8, "application/json");
}
