using System.Diagnostics;
using System.Net;
using System.Net.Sockets;

namespace HourGrid.Bench.University;

/// <summary>The application's own server, started on a data folder and asked over HTTP.</summary>
internal sealed class MeasuredServer : IDisposable
{
    private readonly Process process;
    private readonly HttpClient http;

    public MeasuredServer(string folder, params string[] more)
    {
        var start = Stopwatch.GetTimestamp();
        var address = $"http://127.0.0.1:{FreePort()}";
        process = Process.Start(
            new ProcessStartInfo(
                "dotnet",
                [
                    Path.Combine(AppContext.BaseDirectory, "HourGrid.Server.dll"),
                    $"--urls={address}",
                    $"--DataFolder={folder}",
                    "--Logging:LogLevel:Default=Warning",
                    .. more,
                ]
            )
            {
                RedirectStandardOutput = true,
                WorkingDirectory = folder,
            }
        )!;
        http = new HttpClient { BaseAddress = new(address) };
        while (!IsUp())
            Thread.Sleep(10);
        StartMs = Stopwatch.GetElapsedTime(start).TotalMilliseconds;
    }

    /// <summary>From its start until it answered, in milliseconds.</summary>
    public double StartMs { get; }

    /// <summary>The memory it has taken.</summary>
    public double Megabytes
    {
        get
        {
            process.Refresh();
            return process.WorkingSet64 / 1e6;
        }
    }

    /// <summary>The whole of what the server says to an address.</summary>
    /// <exception cref="HttpRequestException">It refused.</exception>
    public byte[] Get(string address) => http.GetByteArrayAsync(address).GetAwaiter().GetResult();

    public void Dispose()
    {
        http.Dispose();
        process.Kill(entireProcessTree: true);
        process.WaitForExit();
        process.Dispose();
    }

    private bool IsUp()
    {
        if (process.HasExited)
            throw new InvalidOperationException($"The server ended with {process.ExitCode} before it answered.");
        try
        {
            Get("/api/terms");
            return true;
        }
        catch (HttpRequestException)
        {
            return false;
        }
    }

    private static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }
}
