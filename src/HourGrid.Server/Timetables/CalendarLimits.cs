using System.Threading.RateLimiting;
using HourGrid.Server.Requests;

namespace HourGrid.Server.Timetables;

/// <summary>
/// How often calendars are read. One that is there is counted for itself, whoever reads it: a calendar program reads those of
/// many students from one address. One that is not there is counted for the address that made it up.
/// </summary>
internal sealed class CalendarLimits : IDisposable
{
    private const int ReadsOfOne = 60;
    private const int MadeUpByAddress = 60;

    private readonly PartitionedRateLimiter<string> reads = PartitionedRateLimiter.Create<string, string>(token =>
        RequestLimits.PerMinute(token, ReadsOfOne)
    );

    private readonly PartitionedRateLimiter<string> madeUp = PartitionedRateLimiter.Create<string, string>(address =>
        RequestLimits.PerMinute(address, MadeUpByAddress)
    );

    /// <summary>Counts a read of a calendar that is there.</summary>
    public RateLimitLease Read(string token) => reads.AttemptAcquire(token);

    /// <summary>Counts a read of one that is not.</summary>
    public RateLimitLease MadeUp(HttpContext http) => madeUp.AttemptAcquire(RequestLimits.AddressOf(http));

    public void Dispose()
    {
        reads.Dispose();
        madeUp.Dispose();
    }
}
