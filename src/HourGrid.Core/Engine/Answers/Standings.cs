using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Engine.Counting;

namespace HourGrid.Core.Engine.Answers;

/// <summary>Where each section of the wanted courses stands.</summary>
/// <param name="Total">The count of all.</param>
/// <param name="Sections">
/// For every section, in how many timetables it is: 0 for a dead one, all of them for a forced one.
/// </param>
/// <param name="IsExact">Whether the figures are exact; otherwise each is the least there is.</param>
public sealed record StandingsAnswer(
    Tally Total,
    IReadOnlyDictionary<RegistrationNumber, UInt128> Sections,
    bool IsExact
);

/// <summary>Counts the timetables that hold each section, all sections in one pass.</summary>
public static class Standings
{
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
        var root = Root.Of(problem, Lifted.None(problem.Wishes.Count));
        // Where options stand below the layers is found two levels at a time.
        using var count = Counts.Count(problem, [root], limit, levelsBelow: 2);
        var sections = problem
            .Ask.Wanted.SelectMany(wanted => problem.Snapshot.Find(wanted.Course)!.Sections)
            .ToDictionary(section => section.Number, _ => UInt128.Zero);
        var isExact = count.IsExact;
        if (count.Layers is { } layers)
            isExact &= layers.Choosing.Fits64(0)
                ? Fill<ulong>(problem, layers, sections, limit)
                : Fill<UInt128>(problem, layers, sections, limit);
        cancellation.ThrowIfCancellationRequested();
        return new(count.Total, sections, isExact);
    }

    private static bool Fill<T>(
        Problem problem,
        StateLayers layers,
        Dictionary<RegistrationNumber, UInt128> sections,
        WorkLimit limit
    )
        where T : struct, System.Numerics.IBinaryInteger<T>
    {
        var (counts, isExact) = OptionCounts<T>.Of(problem, layers, limit);
        for (var level = 0; level < counts.Length; level++)
        for (var option = 0; option < counts[level].Length; option++)
        {
            var bundles = problem.Levels[level].Options[option].Bundles;
            foreach (var bundle in bundles)
            foreach (var section in bundle.Sections)
                sections[section.Number] += UInt128.CreateTruncating(counts[level][option]) / (UInt128)bundles.Count;
        }
        return isExact;
    }
}
