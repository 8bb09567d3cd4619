using HourGrid.Server.Mail;
using HourGrid.Server.Records;
using HourGrid.Server.Registrar;

namespace HourGrid.Server.Registration;

/// <summary>Registering with the registrar whose address is in the configuration, and telling students of it.</summary>
internal static class RegistrationSetup
{
    /// <summary>What was pressed is asked for again after this long, with the same key.</summary>
    private static readonly TimeSpan LongestWait = TimeSpan.FromSeconds(60);

    /// <summary>When many press, many are sent at once; opening a connection for each would take longer than waiting.</summary>
    private const int MostConnections = 32;

    public static void AddRegistration(this IServiceCollection services, IConfiguration configuration)
    {
        services
            .AddHttpClient<PressClient>(http =>
            {
                RecordSetup.ReachRegistrar(http, configuration);
                http.Timeout = LongestWait;
            })
            .ConfigurePrimaryHttpMessageHandler(() =>
                new SocketsHttpHandler { MaxConnectionsPerServer = MostConnections }
            );
        services.AddSingleton<PressWrites>();
        services.AddSingleton<PressSender>();
        services.AddSingleton<Outbox>();
        services.AddSingleton<SeatWatch>();
        services.AddSingleton<RegistrarClock>();
        services.AddSingleton<IRegistrarListener>(all => all.GetRequiredService<SeatWatch>());
        services.AddSingleton<IRegistrarListener, RegistrationListener>();
        services.AddScoped<PressService>();
        services.AddScoped<NoticeService>();
        services.AddScoped<RegistrationService>();
    }
}
