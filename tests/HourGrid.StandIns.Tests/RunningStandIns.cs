using System.Net;
using System.Net.Http.Headers;
using System.Text.RegularExpressions;
using HourGrid.Server.Tests;
using HourGrid.StandIns.Campus;
using HourGrid.StandIns.Registrar;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace HourGrid.StandIns.Tests;

/// <summary>The stand-ins on a folder of their own, with no crowd: nothing happens but what a test does.</summary>
public sealed partial class RunningStandIns : WebApplicationFactory<Program>
{
    private const string Key = "a key of this test";
    private readonly string folder;

    public RunningStandIns()
        : this(Directory.CreateTempSubdirectory("stand-ins-").FullName) { }

    private RunningStandIns(string folder) => this.folder = folder;

    /// <summary>The same program started again on the folder of another, which has ended.</summary>
    public static RunningStandIns After(RunningStandIns ended) => new(ended.folder);

    public int SmtpPort { get; } = FreePorts.Next();

    /// <summary>The registrar's service, for who knows its key.</summary>
    public HttpClient Registrar()
    {
        var client = Begun();
        client.DefaultRequestHeaders.Authorization = new AuthenticationHeaderValue("Bearer", Key);
        client.BaseAddress = new Uri(client.BaseAddress!, "/registrar/");
        return client;
    }

    /// <summary>A browser, which follows nothing by itself.</summary>
    public HttpClient Begun()
    {
        var client = CreateClient(new() { AllowAutoRedirect = false });
        Services.GetRequiredService<CrowdSettings>().LinesPerSecond = 0;
        return client;
    }

    /// <summary>Fills in a form of a page.</summary>
    public static async Task SendAsync(
        HttpClient browser,
        string page,
        string action,
        params (string, string)[] fields
    )
    {
        using var answer = await AnswerAsync(browser, page, action, fields);
        Assert.Equal(HttpStatusCode.Redirect, answer.StatusCode);
    }

    /// <summary>Fills in a form of a page, and gives what it is answered with.</summary>
    public static async Task<HttpResponseMessage> AnswerAsync(
        HttpClient browser,
        string page,
        string action,
        params (string, string)[] fields
    )
    {
        var token = Token().Match(await browser.GetStringAsync(page)).Groups[1].Value;
        var content = new FormUrlEncodedContent(
            fields
                .Append(("__RequestVerificationToken", token))
                .Select(one => KeyValuePair.Create(one.Item1, one.Item2))
        );
        return await browser.PostAsync(action, content);
    }

    internal Task<T> ChangeAsync<T>(Func<CampusContext, EventLog, Task<T>> change) =>
        Services.GetRequiredService<CampusWrites>().ChangeAsync(change, CancellationToken.None);

    /// <summary>As if nobody had registered yet, at a moment by the registrar’s clock.</summary>
    internal async Task BeginAtAsync(DateTime nowUtc)
    {
        Services.GetRequiredService<CampusClock>().Ahead = nowUtc - DateTime.UtcNow;
        var catalogue = Services.GetRequiredService<CampusCatalogue>();
        await ChangeAsync(
            async (context, _) =>
            {
                await context.Registrations.ExecuteDeleteAsync();
                await context.Waiting.ExecuteDeleteAsync();
                await context.Sections.ExecuteDeleteAsync();
                context.Sections.AddRange(
                    catalogue.Whole.Courses.SelectMany(course =>
                        course.Sections.Select(section => CampusSeed.SectionOf(course, section))
                    )
                );
                return true;
            }
        );
    }

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        builder.UseSetting("DataFolder", folder);
        builder.UseSetting("Seed", Demo());
        builder.UseSetting("Catalogue", Demo("saltmere.catalogue.json"));
        builder.UseSetting("RegistrarKey", Key);
        builder.UseSetting("HourGridAddress", "http://127.0.0.1:5080");
        builder.UseSetting("HourGridSecret", "a secret of this test");
        builder.UseSetting("SmtpPort", $"{SmtpPort}");
    }

    public static string Demo(params string[] parts)
    {
        var root = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(root.FullName, "HourGrid.slnx")))
            root = root.Parent!;
        return Path.Combine([root.FullName, "demo", .. parts]);
    }

    [GeneratedRegex("name=\"__RequestVerificationToken\" value=\"([^\"]+)\"")]
    private static partial Regex Token();
}
