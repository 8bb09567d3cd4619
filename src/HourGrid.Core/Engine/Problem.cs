using System.Runtime.Intrinsics;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Rules;
using HourGrid.Core.Timetables;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine;

/// <summary>
/// An ask compiled against a catalogue snapshot: what the answers read. Immutable, so threads share it.
/// </summary>
/// <remarks>
/// <para>Courses in play stand in levels, each level with its options. A <em>state</em> at level <c>l</c> holds what is
/// still possible after an option was chosen in every level before: the options of the levels from <c>l</c> on that
/// conflict with nothing chosen, the witnesses nothing chosen has ruled out, and what is left of every limit.</para>
/// <para>Choosing an option is the AND of its <em>row</em> with the state, and taking its <em>adds</em> off the sums.
/// Every rule of an ask is one of three: an option is or is not in the root state; a witness survives; a sum holds.
/// So the search knows no rule, and lifting a rule is another root state of the same problem.</para>
/// <para>docs/engine.md explains the whole.</para>
/// </remarks>
public sealed class Problem
{
    /// <summary>The most bundles one course may have.</summary>
    public const int MaxBundlesPerCourse = BundleFinder.MostBundles;

    /// <summary>The most courses that a timetable may take: of an either–or, as many as it takes.</summary>
    public const int MaxCoursesTaken = 20;

    /// <summary>The most courses in play together, all of every either–or.</summary>
    public const int MaxCoursesInPlay = 80;

    /// <summary>The most words all rows together may take: 128 MB.</summary>
    private const long MaxRowWords = 1 << 24;

    /// <summary>The most words that are copied to be narrowed: 8 MB.</summary>
    private const int MostWordsNarrowed = 1 << 20;

    private readonly bool canBeNarrowed;

    private Problem(
        CatalogueSnapshot snapshot,
        Ask ask,
        IReadOnlyList<Rule> rules,
        CoursePlay[] courses,
        CompileScope scope,
        WorkLimit limit
    )
    {
        Snapshot = snapshot;
        Ask = ask;
        Rules = rules;
        Courses = courses;
        var table = new MeetingTable(courses, limit);
        if (courses.Sum(course => (course.Options.Count + 63) / 64) * (long)table.Meetings.Length > MaxRowWords / 2)
            throw TooManyBundles(courses);
        var conflicts = new ConflictTable(table, courses, ConflictCheck.Of(snapshot, ask), limit);
        var order = LevelOrder.Choose(
            [.. courses.Select(course => course.Options.Count)],
            [.. courses.Select(LevelOrder.WorkOfLast)],
            conflicts.Density(),
            limit
        );
        Levels = [.. order.Select(course => courses[course])];
        var forms = new RuleForms(rules);
        WitnessSets = Compiling.WitnessSets.Of(forms, table, scope.HasSwitches, limit);
        Sums = LimitedSums.Of(forms, courses, table, limit);
        Layout = new StateLayout(Levels, WitnessSets, Sums);
        var words = Enumerable.Range(0, Levels.Count).Sum(WordsOfLevel);
        if (words > MaxRowWords)
            throw TooManyBundles(courses);
        (RowsAt, AddsAt, var length) = Place();
        Words = GC.AllocateUninitializedArray<ulong>(length + Vector256<ulong>.Count, pinned: true);
        new RowBuilder(this, table, conflicts, order, limit).Build();
        BuildAdds(order);
        Lookahead = new(this, limit);
        var pairsMayBreakRules = Levels.Count > 1 && WitnessSets.Count + Sums.Count > 0;
        // Where rules can be lifted, it is not known yet which are.
        canBeNarrowed = pairsMayBreakRules && scope.HasSwitches;
        if (pairsMayBreakRules && !scope.HasSwitches)
            Narrow([Root.Of(this, Lifted.None(rules.Count))], limit);
        HasCreditVariants = Levels.Any(level =>
            level
                .Options.Where(option => option.Against.Length == 0)
                .GroupBy(option => option.Shape)
                .Any(shape => shape.Select(option => option.Credits).Distinct().Skip(1).Any())
        );
    }

    /// <summary>The catalogue it was compiled against.</summary>
    public CatalogueSnapshot Snapshot { get; }

    /// <summary>What was asked.</summary>
    public Ask Ask { get; }

    /// <summary>What the ask rules; a rule's number is its place here.</summary>
    public IReadOnlyList<Rule> Rules { get; }

    /// <summary>The courses in play, in the order of the ask.</summary>
    public IReadOnlyList<CoursePlay> Courses { get; }

    /// <summary>Bytes it holds, about.</summary>
    public long Size => 16_384 + (long)Words.Length * sizeof(ulong);

    /// <summary>The same courses in the order in which answers choose.</summary>
    internal IReadOnlyList<CoursePlay> Levels { get; }

    internal IReadOnlyList<WitnessSet> WitnessSets { get; }

    internal IReadOnlyList<LimitedSum> Sums { get; }

    internal StateLayout Layout { get; }

    internal Lookahead Lookahead { get; }

    /// <summary>
    /// The rows of all options, level by level, and then what they take off the sums. Pinned, for the innermost loops, and
    /// a vector longer, so that they may read one from any word on.
    /// </summary>
    internal ulong[] Words { get; private set; }

    /// <summary>
    /// By level, where its rows begin: <see cref="RowWords"/> words an option, for the words of a state from the next
    /// level on up to the sums.
    /// </summary>
    internal int[] RowsAt { get; }

    /// <summary>By level, where what its options take off the sums begins: a word for each sum word and option.</summary>
    internal int[] AddsAt { get; }

    /// <summary>Whether bundles of one course and the same hours differ in credits, and credits are bounded.</summary>
    internal bool HasCreditVariants { get; }

    /// <summary>Whether an ask can be compiled, as far as that shows without finding its bundles.</summary>
    /// <exception cref="AskRefusedException">The ask names what the catalogue does not have.</exception>
    /// <exception cref="AskTooLargeException">More than <see cref="MaxCoursesInPlay"/> courses are in play, or more than
    /// <see cref="MaxCoursesTaken"/> could be taken.</exception>
    public static void Check(CatalogueSnapshot snapshot, Ask ask)
    {
        AnswerableAsk.Check(snapshot, ask);
        AnswerableAsk.CheckTaken(ask);
    }

    /// <summary>Compiles an ask.</summary>
    /// <param name="snapshot">The catalogue.</param>
    /// <param name="ask">The ask.</param>
    /// <param name="budget">How long it may take; null for as long as it takes.</param>
    /// <param name="cancellation">Stops at any moment.</param>
    /// <exception cref="AskRefusedException">The ask names what the catalogue does not have.</exception>
    /// <exception cref="AskTooLargeException">It is larger than <see cref="MaxCoursesInPlay"/> courses in play, <see cref="MaxCoursesTaken"/> to take,
    /// <see cref="MaxBundlesPerCourse"/> bundles of one course, or the memory for all of them together.</exception>
    /// <exception cref="OperationCanceledException">The token was cancelled, or the time was up.</exception>
    public static Problem Compile(
        CatalogueSnapshot snapshot,
        Ask ask,
        TimeSpan? budget = null,
        CancellationToken cancellation = default
    )
    {
        AnswerableAsk.CheckTaken(ask);
        return Compile(snapshot, ask, CompileScope.AskAlone, new WorkLimit(budget, cancellation));
    }

    internal static Problem Compile(CatalogueSnapshot snapshot, Ask ask, CompileScope scope, WorkLimit limit)
    {
        AnswerableAsk.Check(snapshot, ask);
        var rules = RuleList.Of(ask);
        var conflicts = ConflictCheck.Of(snapshot, ask);
        var forms = new RuleForms(rules);
        var hours = new HourRules(forms);
        var courses = Enumerable
            .Range(0, ask.Wanted.Count)
            .Where(i => CourseRule.IsInPlay(ask, ask.Wanted[i]))
            .Select(i =>
            {
                limit.ThrowIfOver();
                var offered = snapshot.Find(ask.Wanted[i].Course)!;
                var admission = new Admission(ask, forms, i, offered, hours);
                return new CoursePlay(
                    offered,
                    ask.Wanted[i],
                    i,
                    new BundleFinder(
                        offered,
                        section => admission.Against(section, scope.MostAgainst),
                        conflicts,
                        scope.MostAgainst
                    ).Find(limit),
                    creditsMatter: ask.Credits is not { Min: null, Max: null },
                    mayBeLeftOut: scope.HasSwitches || MayBeLeftOut(ask, ask.Wanted[i]),
                    scope.Held,
                    limit
                );
            })
            .ToArray();
        return new(snapshot, ask, rules, courses, scope, limit);
    }

    /// <summary>
    /// The same for some of its roots alone: no pair stands in its rows that breaks a rule in all of them.
    /// </summary>
    internal Problem Narrowed(IReadOnlyList<Root> roots, WorkLimit limit)
    {
        if (!canBeNarrowed || Words.Length > MostWordsNarrowed)
            return this;
        var narrowed = (Problem)MemberwiseClone();
        narrowed.Words = GC.AllocateUninitializedArray<ulong>(Words.Length, pinned: true);
        Words.CopyTo(narrowed.Words, 0);
        narrowed.Narrow(roots, limit);
        return narrowed;
    }

    /// <summary>Whether a rule is in the rules or sums, not in the options alone.</summary>
    internal bool IsRule(Rule rule) =>
        WitnessSets.Any(set => Rules[set.Rule].Equals(rule)) || Sums.Any(sum => Rules[sum.Rule].Equals(rule));

    /// <summary>Words of a row of a level's option.</summary>
    internal int RowWords(int level) => Layout.SumsAt - Layout.First[level + 1];

    /// <summary>Words of all rows of a level: so many are looked at to choose each of its options.</summary>
    internal long WordsOfLevel(int level) => (long)Levels[level].Options.Count * RowWords(level);

    private static AskTooLargeException TooManyBundles(CoursePlay[] courses) =>
        new(AskExcess.Bundles, courses.Sum(course => course.Bundles.Count));

    private static bool MayBeLeftOut(Ask ask, WantedCourse wanted) =>
        wanted.Role != CourseRole.Must || EitherOrRule.Of(ask, wanted) is not null;

    internal Span<ulong> RowOf(int level, int option) =>
        Words.AsSpan(RowsAt[level] + option * RowWords(level), RowWords(level));

    internal Span<ulong> AddsOf(int level, int option) =>
        Words.AsSpan(AddsAt[level] + option * Layout.Guards.Length, Layout.Guards.Length);

    private (int[] RowsAt, int[] AddsAt, int Length) Place()
    {
        var at = 0;
        var rowsAt = new int[Levels.Count];
        for (var level = 0; level < Levels.Count; level++)
        {
            rowsAt[level] = at;
            at += Levels[level].Options.Count * RowWords(level);
        }
        var addsAt = new int[Levels.Count];
        for (var level = 0; level < Levels.Count; level++)
        {
            addsAt[level] = at;
            at += Levels[level].Options.Count * Layout.Guards.Length;
        }
        return (rowsAt, addsAt, at);
    }

    private void Narrow(IReadOnlyList<Root> roots, WorkLimit limit) =>
        new PairNarrowing(this, Root.Loosest(this, roots), limit).Narrow();

    private void BuildAdds(int[] order)
    {
        Words.AsSpan(AddsAt.FirstOrDefault()).Clear();
        for (var level = 0; level < Levels.Count; level++)
        for (var sum = 0; sum < Sums.Count; sum++)
        {
            var (word, shift, _) = Layout.SumPlace(sum);
            var added = Sums[sum].Adds[order[level]];
            for (var option = 0; option < added.Length; option++)
                AddsOf(level, option)[word] |= (ulong)added[option] << shift;
        }
    }
}
