using System.Globalization;

namespace HourGrid.Server.Computing;

/// <summary>There is too much to compute to come to this in time.</summary>
internal sealed class BusyException : Exception
{
    private BusyException(string why)
        : base(string.Create(CultureInfo.InvariantCulture, $"{why} Try again in {RetryAfter.TotalSeconds} seconds."))
    { }

    /// <summary>When to try again.</summary>
    public static TimeSpan RetryAfter { get; } = TimeSpan.FromSeconds(5);

    public static BusyException MuchToCompute() => new("There is much to compute just now.");

    public static BusyException ManyWaiting(int most) => new($"You have {most} requests waiting already.");
}
