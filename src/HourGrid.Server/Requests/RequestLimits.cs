using System.Net;
using System.Net.Sockets;
using System.Threading.RateLimiting;
using HourGrid.Server.Students;
using HourGrid.Server.Wording;
using Microsoft.AspNetCore.RateLimiting;

namespace HourGrid.Server.Requests;

/// <summary>
/// How much one student, or one address from which no student is known, may ask. Nobody is refused for what others ask.
/// </summary>
internal static class RequestLimits
{
    private const string Visits = "visits";
    private const string AtOnce = "at-once";
    private const string Documents = "documents";
    private const string Streams = "streams";

    /// <summary>A page visits once; who comes back is known by the cookie.</summary>
    private const int VisitsOfStudent = 60;

    /// <summary>A lecture hall of newcomers behind one address.</summary>
    private const int NewcomersOfAddress = 300;

    /// <summary>Who reads a large document that never changes reads it once.</summary>
    private const int DocumentsOfOne = 30;

    /// <summary>A window has a save and a few things to read under way; the rest waits its turn.</summary>
    private const int MostAtOnce = 8;
    private const int MostWaiting = 64;

    /// <summary>A browser listens once for all its windows where it can, else once in each.</summary>
    private const int StreamsOfOne = 30;

    private static readonly TimeSpan Window = TimeSpan.FromMinutes(1);

    public static void Configure(RateLimiterOptions limits)
    {
        limits.RejectionStatusCode = StatusCodes.Status429TooManyRequests;
        limits.OnRejected = (rejected, _) => throw Refused(rejected.Lease);
        limits.AddPolicy(
            Visits,
            http =>
                PerMinute(
                    WhoAsks(http),
                    CurrentStudent.IdOf(http.User) is null ? NewcomersOfAddress : VisitsOfStudent
                )
        );
        limits.AddPolicy(Documents, http => PerMinute(WhoAsks(http), DocumentsOfOne));
        limits.AddPolicy(
            Streams,
            http => RateLimitPartition.GetConcurrencyLimiter(WhoAsks(http), _ => new() { PermitLimit = StreamsOfOne })
        );
        limits.AddPolicy(
            AtOnce,
            http =>
                RateLimitPartition.GetConcurrencyLimiter(
                    WhoAsks(http),
                    _ => new() { PermitLimit = MostAtOnce, QueueLimit = MostWaiting }
                )
        );
    }

    /// <summary>For connections that stay open.</summary>
    public static T LimitStreams<T>(this T endpoint)
        where T : IEndpointConventionBuilder => endpoint.RequireRateLimiting(Streams);

    public static T LimitVisits<T>(this T endpoint)
        where T : IEndpointConventionBuilder => endpoint.RequireRateLimiting(Visits);

    public static T LimitDocuments<T>(this T endpoint)
        where T : IEndpointConventionBuilder => endpoint.RequireRateLimiting(Documents);

    /// <summary>For what reads and writes the database; computing takes turns.</summary>
    public static T LimitAtOnce<T>(this T endpoint)
        where T : IEndpointConventionBuilder => endpoint.RequireRateLimiting(AtOnce);

    /// <summary>The student, or the address where none is known.</summary>
    public static string WhoAsks(HttpContext http) =>
        CurrentStudent.IdOf(http.User) is { } student ? $"{student}" : AddressOf(http);

    /// <summary>So many in a minute, under a key of their own.</summary>
    public static RateLimitPartition<string> PerMinute(string key, int most) =>
        RateLimitPartition.GetFixedWindowLimiter(key, _ => new() { PermitLimit = most, Window = Window });

    /// <summary>Where a request comes from. An address of version 6 is one of many that its holder has: the network counts.</summary>
    public static string AddressOf(HttpContext http) =>
        http.Connection.RemoteIpAddress switch
        {
            null => "",
            { IsIPv4MappedToIPv6: true } mapped => $"{mapped.MapToIPv4()}",
            { AddressFamily: AddressFamily.InterNetworkV6 } address => new IPAddress([
                .. address.GetAddressBytes()[..8],
                .. new byte[8],
            ]).ToString(),
            { } address => $"{address}",
        };

    /// <summary>Why who asked too often is refused, and when to come again.</summary>
    public static RefusedException Refused(RateLimitLease lease) =>
        Refusals.ManyRequests(
            lease.TryGetMetadata(MetadataName.RetryAfter, out var wait) ? wait : TimeSpan.FromSeconds(1)
        );
}
