using System.Diagnostics;
using System.Net;

namespace HourGrid.Server.Tests;

/// <summary>The server as a process of its own, killed without warning.</summary>
public sealed class KilledServerTests : IDisposable
{
    private readonly DirectoryInfo folder = Directory.CreateTempSubdirectory("hour-grid-killed-");
    private readonly CookieContainer cookies = new();
    private Process? server;

    public void Dispose()
    {
        Kill();
        folder.Delete(recursive: true);
    }

    [Fact]
    public async Task What_was_shown_as_saved_is_there_after_a_kill()
    {
        string[] courses = ["TID 210", "ACO 220", "CAR 305", "LOG 118", "MTH 120", "WRT 101"];
        var kept = new List<string>();
        for (var round = 0; round < 2; round++)
        {
            using var browser = await StartAsync();
            (await browser.PostAsync("/api/visit", null)).EnsureSuccessStatusCode();
            var sketch = await browser.OpenSketchAsync();
            Assert.Equal(kept, sketch.Courses());
            foreach (var course in courses.Skip(round * 3).Take(3))
            {
                kept.Add(course);
                sketch = (await browser.SaveAsync(sketch, Requests.AskFor([.. kept])).JsonAsync())["sketch"]!;
            }
            // One more is on its way when the server dies; whether it was saved nobody was told.
            var unanswered = browser.SaveAsync(sketch, Requests.AskFor([.. kept]));
            Kill();
            await Record.ExceptionAsync(() => unanswered);
        }
        using var last = await StartAsync();
        (await last.PostAsync("/api/visit", null)).EnsureSuccessStatusCode();
        Assert.Equal(kept, (await last.OpenSketchAsync()).Courses());
    }

    [Fact]
    public async Task A_second_server_on_the_same_data_is_refused()
    {
        using var browser = await StartAsync();
        using var second = Launch(FreePorts.Next());
        var error = await second.StandardError.ReadToEndAsync();
        await second.WaitForExitAsync();
        Assert.NotEqual(0, second.ExitCode);
        Assert.Contains("already uses the data folder", error, StringComparison.Ordinal);
        (await browser.GetAsync("/api/terms")).EnsureSuccessStatusCode();
    }

    private async Task<HttpClient> StartAsync()
    {
        var port = FreePorts.Next();
        server = Launch(port);
        await server.ListensAsync();
        return new(new HttpClientHandler { CookieContainer = cookies })
        {
            BaseAddress = new($"http://127.0.0.1:{port}"),
        };
    }

    private Process Launch(int port) =>
        Process.Start(
            new ProcessStartInfo(
                "dotnet",
                [
                    Path.Combine(AppContext.BaseDirectory, "HourGrid.Server.dll"),
                    $"--urls=http://127.0.0.1:{port}",
                    $"--DataFolder={folder.FullName}",
                    $"--FirstCatalogue={TestPaths.Repository("demo", "saltmere.catalogue.json")}",
                ]
            )
            {
                RedirectStandardOutput = true,
                RedirectStandardError = true,
                WorkingDirectory = folder.FullName,
            }
        )!;

    private void Kill() => Processes.Kill(ref server);
}
