namespace HourGrid.Core.Engine;

/// <summary>About how many there are, where counting them takes too long.</summary>
/// <param name="Timetables">The estimate; unbiased.</param>
/// <param name="RelativeError">Its standard error as a share of it, from the spread of the samples.</param>
/// <param name="Samples">How many samples it rests on.</param>
public sealed record Estimate(double Timetables, double RelativeError, int Samples);
