using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Engine.Counting;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Answers;

/// <summary>Where each section of the wanted courses stands.</summary>
/// <param name="Total">How many timetables there are.</param>
/// <param name="Sections">
/// For every section, in how many timetables it is: 0 for a dead one, all of them for a forced one.
/// </param>
/// <param name="IsExact">Whether the figures are exact; otherwise each is the least there is.</param>
public sealed record StandingsAnswer(
    UInt128 Total,
    IReadOnlyDictionary<RegistrationNumber, UInt128> Sections,
    bool IsExact
);

/// <summary>Counts the timetables that hold each section, all sections in one pass.</summary>
public static class Standings
{
    private const int LevelsBelow = 2;

    /// <param name="problem">What is asked.</param>
    /// <param name="budget">How long it may take; null for as long as it takes.</param>
    /// <param name="cancellation">Stops at any moment.</param>
    /// <exception cref="OperationCanceledException">The token was cancelled.</exception>
    /// <exception cref="AskTooLargeException">There are more than 128 bits count.</exception>
    public static StandingsAnswer Of(
        Problem problem,
        TimeSpan? budget = null,
        CancellationToken cancellation = default
    )
    {
        var limit = new WorkLimit(budget, cancellation);
        var root = Root.Of(problem, Lifted.None(problem.Rules.Count));
        var sections = problem
            .Ask.Wanted.SelectMany(wanted => problem.Snapshot.Find(wanted.Course)!.Sections)
            .ToDictionary(section => section.Number, _ => UInt128.Zero);
        if (root.IsDead)
            return new(0, sections, true);
        var step = new StateStep(problem);
        var fits64 = step.Fits64(0);
        // What 64 bits might not hold is counted first, which refuses what 128 do not.
        if (!fits64 && CountOf(problem, root, limit) is { IsExact: false } least)
        {
            step.Dispose();
            cancellation.ThrowIfCancellationRequested();
            return new(least.Total, sections, false);
        }
        // Where options stand below the layers is found two levels at a time.
        var layers = new StateLayers(step, [root], LevelsBelow, limit);
        var (total, isExact) = fits64
            ? Fill<ulong>(problem, layers, sections, limit)
            : Fill<UInt128>(problem, layers, sections, limit);
        // Gives the scratch of the step back as well.
        layers.Release();
        cancellation.ThrowIfCancellationRequested();
        // Leaving every course out is not a timetable.
        return new(root.HoldsNothing && total > 0 ? total - 1 : total, sections, isExact);
    }

    private static (UInt128 Total, bool IsExact) CountOf(Problem problem, Root root, WorkLimit limit)
    {
        using var count = Counts.Count(problem, [root], limit);
        return (count.Total.Timetables, count.IsExact);
    }

    private static (UInt128 Total, bool IsExact) Fill<T>(
        Problem problem,
        StateLayers layers,
        Dictionary<RegistrationNumber, UInt128> sections,
        WorkLimit limit
    )
        where T : struct, System.Numerics.IBinaryInteger<T>
    {
        var (counts, total, isExact) = OptionCounts<T>.Of(problem, layers, limit);
        for (var level = 0; level < counts.Length; level++)
        for (var option = 0; option < counts[level].Length; option++)
        {
            var bundles = problem.Levels[level].Options[option].Bundles;
            foreach (var bundle in bundles)
            foreach (var section in bundle.Sections)
                sections[section.Number] += UInt128.CreateTruncating(counts[level][option]) / (UInt128)bundles.Count;
        }
        return (UInt128.CreateTruncating(total), isExact);
    }
}
