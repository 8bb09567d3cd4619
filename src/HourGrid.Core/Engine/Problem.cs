using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Engine;

/// <summary>
/// An ask compiled against a catalogue snapshot: what the answers read. Immutable, so threads share it.
/// </summary>
/// <remarks>
/// Courses in play stand in levels. Each level owns whole 64-bit words of one long bit string, a bit for each of its
/// shapes; lower levels come first. <see cref="Row"/> of a shape is that bit string with a 1 wherever a shape of a
/// later level may stand beside it, cut to the words of the later levels. A <em>state</em> at level <c>l</c> is the AND
/// of the rows of the shapes chosen in the levels before it: exactly what may still be chosen.
/// </remarks>
public sealed class Problem
{
    /// <summary>The most bundles one course may have.</summary>
    public const int MaxBundlesPerCourse = 20_000;

    /// <summary>The most courses in play together.</summary>
    public const int MaxCoursesInPlay = 20;

    private readonly int[] firstWord;
    private readonly ulong[][][] rows;

    private Problem(CatalogueSnapshot snapshot, Ask ask, CoursePlay[] courses, CancellationToken cancellation)
    {
        Snapshot = snapshot;
        Ask = ask;
        Courses = courses;
        // Few shapes first: a dead end shows early, and the widest course is counted a word at a time at the bottom.
        Levels = [.. courses.OrderBy(course => course.Shapes.Count)];
        firstWord = new int[Levels.Count + 1];
        for (var level = 0; level < Levels.Count; level++)
            firstWord[level + 1] = firstWord[level] + (Levels[level].Shapes.Count + 63) / 64;
        rows = CompatibilityRows.Compute(this, ConflictRule.Of(snapshot, ask), cancellation);
    }

    /// <summary>The catalogue it was compiled against.</summary>
    public CatalogueSnapshot Snapshot { get; }

    /// <summary>What was asked.</summary>
    public Ask Ask { get; }

    /// <summary>The courses in play, in the order of the ask.</summary>
    public IReadOnlyList<CoursePlay> Courses { get; }

    /// <summary>The same courses in the order in which answers choose.</summary>
    public IReadOnlyList<CoursePlay> Levels { get; }

    /// <summary>Whether an ask can be compiled, as far as that shows without finding its bundles.</summary>
    /// <exception cref="AskRefusedException">The ask names what the catalogue does not have, or holds a rule
    /// that is not answered.</exception>
    /// <exception cref="AskTooLargeException">More than <see cref="MaxCoursesInPlay"/> courses are in play.</exception>
    public static void Check(CatalogueSnapshot snapshot, Ask ask) => AnswerableAsk.Check(snapshot, ask);

    /// <summary>Compiles an ask.</summary>
    /// <exception cref="AskRefusedException">The ask names what the catalogue does not have, or holds a rule
    /// that is not answered.</exception>
    /// <exception cref="AskTooLargeException">It is larger than <see cref="MaxCoursesInPlay"/> courses in play or
    /// <see cref="MaxBundlesPerCourse"/> bundles of one course.</exception>
    /// <exception cref="OperationCanceledException">The token was cancelled.</exception>
    public static Problem Compile(CatalogueSnapshot snapshot, Ask ask, CancellationToken cancellation = default)
    {
        AnswerableAsk.Check(snapshot, ask);
        var conflicts = ConflictRule.Of(snapshot, ask);
        var courses = ask
            .Wanted.Where(wanted => wanted.Role != CourseRole.SetAside)
            .Select(wanted => (wanted, offered: snapshot.Find(wanted.Course)!))
            .Select(pair => new CoursePlay(
                pair.offered,
                pair.wanted,
                BundleFinder.Find(pair.offered, ask, pair.wanted, conflicts, cancellation)
            ))
            .ToArray();
        return new(snapshot, ask, courses, cancellation);
    }

    /// <summary>Words of a whole state.</summary>
    internal int WordCount => firstWord[^1];

    /// <summary>The first word that belongs to a level, or to a level after it.</summary>
    internal int FirstWord(int level) => firstWord[level];

    /// <summary>What may stand beside a shape: the words from <c>FirstWord(level + 1)</c> on.</summary>
    internal ReadOnlySpan<ulong> Row(int level, int shape) => rows[level][shape];

    /// <summary>The state before anything is chosen: every shape of every level.</summary>
    internal ulong[] FullState()
    {
        var state = new ulong[WordCount];
        for (var level = 0; level < Levels.Count; level++)
        for (var shape = 0; shape < Levels[level].Shapes.Count; shape++)
            state[firstWord[level] + shape / 64] |= 1UL << (shape % 64);
        return state;
    }
}
