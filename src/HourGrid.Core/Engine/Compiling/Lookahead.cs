using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Compiling;

/// <summary>What the options from a level on can do to a state at most, whichever of them are chosen.</summary>
internal sealed class Lookahead
{
    public Lookahead(Problem problem, WorkLimit limit)
    {
        var levels = problem.Levels.Count;
        var layout = problem.Layout;
        Lasting = new ulong[levels + 1][];
        MostTaken = new ulong[levels + 1][];
        Lasting[levels] = new ulong[layout.SumsAt - layout.First[^1]];
        Lasting[levels].AsSpan().Fill(ulong.MaxValue);
        MostTaken[levels] = new ulong[layout.Guards.Length];
        for (var level = levels - 1; level >= 0; level--)
        {
            Lasting[level] = [.. Lasting[level + 1]];
            MostTaken[level] = [.. MostTaken[level + 1]];
            TakeLevel(problem, level, limit);
        }
        Fits64 = FindFits64(problem);
    }

    /// <summary>By level, the witnesses that no option from it on rules out.</summary>
    public ulong[][] Lasting { get; }

    /// <summary>By level, the most that options from it on take off the sums.</summary>
    public ulong[][] MostTaken { get; }

    /// <summary>By level, whether 64 bits hold every count of completions from it on.</summary>
    public bool[] Fits64 { get; }

    private void TakeLevel(Problem problem, int level, WorkLimit limit)
    {
        var options = problem.Levels[level].Options.Count;
        var before = problem.RowWords(level) - Lasting[level].Length;
        for (var option = 0; option < options; option++)
        {
            limit.ThrowIfOver();
            var row = problem.RowOf(level, option)[before..];
            for (var word = 0; word < row.Length; word++)
                Lasting[level][word] &= row[word];
        }
        for (var sum = 0; sum < problem.Sums.Count; sum++)
        {
            limit.ThrowIfOver();
            var (word, shift, width) = problem.Layout.SumPlace(sum);
            var mask = (1UL << width) - 1;
            var largest = 0UL;
            for (var option = 0; option < options; option++)
                largest = Math.Max(largest, problem.AddsOf(level, option)[word] >> shift & mask);
            MostTaken[level][word] += largest << shift;
        }
    }

    private static bool[] FindFits64(Problem problem)
    {
        var levels = problem.Levels.Count;
        var fits = new bool[levels + 1];
        UInt128 product = 1;
        for (var level = levels; level >= 0 && product <= long.MaxValue; level--)
        {
            if (level < levels)
                product *= (UInt128)Math.Max(1, problem.Levels[level].Options.Sum(option => (long)option.Ways));
            fits[level] = product <= long.MaxValue;
        }
        return fits;
    }
}
