using HourGrid.Core.Engine;
using HourGrid.Formats.Answers;

namespace HourGrid.Cli;

/// <summary>
/// Answers a small ask of its own while the files are read. A process that has just begun spends most of an answer's
/// time on compiling code, and no budget can end that; after this, it goes into answering.
/// </summary>
internal static class WarmUp
{
    private const int Timetables = 20;

    /// <summary>Compiling code goes on for longer than this only on a machine that is busy.</summary>
    private static readonly TimeSpan Most = TimeSpan.FromSeconds(1);

    /// <summary>The parts that will be asked for, and no others. Nothing of it is kept.</summary>
    public static Task RunAsync(AnswerParts parts, CancellationToken cancellation)
    {
        var small = parts with
        {
            Top = Math.Min(parts.Top, Timetables),
            Offset = 0,
            Fallbacks = Math.Min(parts.Fallbacks, 1),
            Spread = Math.Min(parts.Spread, Timetables),
            WhatIf = [],
            Budget = Most,
        };
        return Task.Run(
            () => AnswerFile.Write(SmallWorld.Snapshot(), SmallWorld.Ask(), small, cancellation),
            cancellation
        );
    }
}
