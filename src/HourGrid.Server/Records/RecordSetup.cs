using System.Net.Http.Headers;
using HourGrid.Server.Catalogue;
using HourGrid.Server.Registrar;

namespace HourGrid.Server.Records;

/// <summary>Students' records, from the registrar whose address is in the configuration.</summary>
internal static class RecordSetup
{
    /// <summary>Nobody who waits for an answer waits longer than this for the registrar.</summary>
    private static readonly TimeSpan LongestWait = TimeSpan.FromSeconds(4);

    private static readonly TimeSpan LongestTry = TimeSpan.FromSeconds(2);

    public static void AddRecords(this IServiceCollection services, IConfiguration configuration)
    {
        services.AddSingleton<KnownRecords>();
        services.AddSingleton<HeldSections>();
        services.AddSingleton<EligibleCourses>();
        services.AddSingleton<IEligibleCourses>(all => all.GetRequiredService<EligibleCourses>());
        services.AddSingleton<IRegistrarListener, RecordListener>();
        services
            .AddHttpClient<RegistrarClient>(http => ReachRegistrar(http, configuration))
            .AddStandardResilienceHandler(resilience =>
            {
                resilience.TotalRequestTimeout.Timeout = LongestWait;
                resilience.AttemptTimeout.Timeout = LongestTry;
                resilience.Retry.MaxRetryAttempts = 2;
                resilience.Retry.Delay = TimeSpan.FromMilliseconds(100);
                resilience.CircuitBreaker.SamplingDuration = TimeSpan.FromSeconds(10);
                resilience.CircuitBreaker.MinimumThroughput = 4;
                resilience.CircuitBreaker.BreakDuration = TimeSpan.FromSeconds(3);
            });
    }

    /// <summary>Has a client ask the registrar of the configuration.</summary>
    public static void ReachRegistrar(HttpClient http, IConfiguration configuration)
    {
        // Where none is told, nobody answers there, which is told as if it were down.
        var address = configuration["Registrar:Address"];
        http.BaseAddress = new Uri(address is { Length: > 0 } ? address : "http://registrar.invalid/");
        http.DefaultRequestHeaders.Authorization = new AuthenticationHeaderValue(
            "Bearer",
            configuration["Registrar:Key"]
        );
    }
}
