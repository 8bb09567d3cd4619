using System.Text.Json.Serialization;

namespace HourGrid.Bench;

/// <summary>What was measured of one rung. Times are medians in milliseconds; ratios are of times of the same run.</summary>
internal sealed record RungReport
{
    public required string Rung { get; init; }
    public required string Bundles { get; init; }
    public required string Timetables { get; init; }
    public required string WeekShapes { get; init; }
    public required bool IsExact { get; init; }
    public double? EstimateError { get; init; }
    public required double CompileMs { get; init; }
    public required double CountMs { get; init; }
    public double? PlainSeconds { get; init; }
    public bool? PlainIsExtrapolated { get; init; }
    public double? Best1000Ms { get; init; }
    public double? Best200ShapesMs { get; init; }

    /// <summary>Answers beside counts, compiling included.</summary>
    public TimeBeside? Standings { get; init; }
    public TimeBeside? Costs { get; init; }
    public int? Rules { get; init; }
    public TimeBeside? WhyNone { get; init; }
    public TimeBeside? Live { get; init; }
    public double? RowsPerSecond { get; init; }
    public double? WriteBytesPerSecond { get; init; }
    public double? SolverListsPerSecond { get; init; }

    /// <summary>The best 1,000 by what the solver ranks by.</summary>
    public double? Best1000AsSolverMs { get; init; }
    public double? SolverBestSeconds { get; init; }
    public bool? SolverBestIsProven { get; init; }
    public double PeakMegabytes { get; init; }

    [JsonIgnore]
    public double? PlainRatio => PlainSeconds * 1000 / CountMs;
}
