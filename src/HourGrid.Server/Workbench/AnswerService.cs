using System.Diagnostics;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Registration;
using HourGrid.Core.Work;
using HourGrid.Formats.Answers;
using HourGrid.Server.Catalogue;
using HourGrid.Server.Computing;
using HourGrid.Server.LineUp;
using HourGrid.Server.Wording;
using Microsoft.Extensions.Caching.Memory;

namespace HourGrid.Server.Workbench;

/// <summary>Answers asks, and keeps the last ones: paging through one ask compiles, counts and ranks it once.</summary>
internal sealed class AnswerService(CurrentCatalogue catalogue) : IDisposable
{
    /// <summary>Bytes that the asks kept may take together.</summary>
    private const long MostKept = 256 << 20;

    /// <summary>The most week shapes that stand in the file of an answer.</summary>
    private const int MostInFile = 200;

    /// <summary>What an estimate may take; most are good enough in a quarter of it.</summary>
    private static readonly TimeSpan Moment = TimeSpan.FromMilliseconds(40);

    private static readonly TimeSpan LongestAnswer = TimeSpan.FromSeconds(10);

    /// <summary>Reasons and the most different come after the count and do not hold it up.</summary>
    private static readonly TimeSpan LongestDetail = TimeSpan.FromSeconds(3);

    /// <summary>Bytes of an ask that is not answered yet, about.</summary>
    private const int SizeOfNone = 1_000;

    private readonly Lock entering = new();
    private readonly MemoryCache asks = new(new MemoryCacheOptions { SizeLimit = MostKept });

    /// <exception cref="AskRefusedException">The ask names what is not there.</exception>
    /// <exception cref="AskTooLargeException">It has too many courses in play.</exception>
    public void Check(Ask ask) => Problem.Check(catalogue.SnapshotOf(ask), ask);

    public AnswerRecord Answer(Ask ask, CancellationToken cancellation) =>
        WithinTime(
            inTime =>
            {
                var answered = Of(ask, inTime);
                return Record(answered.Problem, ask, answered.Count, answered.CountTook);
            },
            cancellation
        );

    /// <summary>
    /// What is known of an ask at once: its count where one was made before, else about how many there are. For who drags,
    /// and cannot wait for a count that takes long.
    /// </summary>
    public AnswerRecord AnswerAtOnce(Ask ask, CancellationToken cancellation) =>
        WithinTime(
            inTime =>
            {
                var version = catalogue.Version;
                var snapshot = catalogue.SnapshotOf(ask);
                if (IsKnown<CountedAsk>(KeyOf(version, AnswerBasis.OfCounts(snapshot, ask))))
                    return Answer(ask, inTime);
                var problem = Problem.Compile(snapshot, ask, cancellation: inTime);
                var about = Counts.About(problem, Moment, inTime);
                return Record(problem, ask, new CountAnswer(Count128.None, false, about), TimeSpan.Zero);
            },
            cancellation
        );

    /// <summary>The best week shapes from one place on; past the last listed there are none.</summary>
    public RankedPage WeekShapes(Ask ask, int first, int count, CancellationToken cancellation) =>
        WithinTime(
            inTime =>
            {
                var answered = Of(ask, inTime);
                var best = answered.Ranked(Math.Min(first + count, AnsweredAsk.MostListed), inTime);
                return new RankedPage(
                    [.. best.Timetables.Skip(first).Take(count).Select(one => Record(answered, one))],
                    best.IsExact
                );
            },
            cancellation
        );

    /// <summary>Of the best week shapes, those that differ most from each other.</summary>
    public RankedPage MostDifferent(Ask ask, int count, CancellationToken cancellation) =>
        WithinTime(
            inTime =>
            {
                var answered = Of(ask, inTime);
                var spread = Spread.Of(answered.Problem, count, LongestDetail, inTime);
                return new RankedPage([.. spread.Timetables.Select(one => Record(answered, one))], spread.IsExact);
            },
            cancellation
        );

    /// <summary>The timetables that change the fewest courses of what the ask says is registered, and of those the best.</summary>
    public ChangedPage FewestChanges(Ask ask, int count, CancellationToken cancellation) =>
        WithinTime(
            inTime =>
            {
                var snapshot = catalogue.SnapshotOf(ask);
                HashSet<RegistrationNumber> registered = [.. ask.Registered];
                var held = HeldCourse.Among(snapshot, registered);
                var found = Core.Engine.Answers.FewestChanges.Of(
                    snapshot,
                    ask,
                    registered,
                    count,
                    LongestDetail,
                    inTime
                );
                return new ChangedPage(
                    [
                        .. found.Timetables.Select(one =>
                            ChangedRecord.Of(
                                ChangePlan.Of(
                                    snapshot,
                                    held,
                                    one.Timetable.Timetable.Sections.Select(section => section.Number).ToHashSet()
                                ),
                                one
                            )
                        ),
                    ],
                    found.IsExact
                );
            },
            cancellation
        );

    /// <summary>The timetables with the week shape of one, the best first; null when it is none of the ask's.</summary>
    public RankedPage? LookAlikes(
        Ask ask,
        IReadOnlySet<RegistrationNumber> sections,
        int most,
        CancellationToken cancellation
    ) =>
        WithinTime(
            inTime =>
            {
                var answered = Of(ask, inTime);
                var same = answered.SameShape;
                if (same.Find(sections) is not { } one)
                    return null;
                var best = same.Best(one, most, LongestDetail, inTime);
                return new RankedPage([.. best.Timetables.Select(like => Record(answered, like))], best.IsExact);
            },
            cancellation
        );

    /// <summary>Where a timetable stands among the week shapes that are listed, and among those of its own.</summary>
    public PlaceRecord Place(Ask ask, IReadOnlySet<RegistrationNumber> sections, CancellationToken cancellation) =>
        WithinTime(
            inTime =>
            {
                var answered = Of(ask, inTime);
                var same = answered.SameShape;
                var isOfAsk = BrokenRules.Of(catalogue.SnapshotOf(ask), ask, sections, cancellation: inTime).Holds;
                if (!isOfAsk || same.Find(sections) is not { } one)
                    return new PlaceRecord(false, null, 0);
                var alike = same.Best(one, AnsweredAsk.MostListed, LongestDetail, inTime).Timetables;
                var place = alike.TakeWhile(like => !HasJust(like, sections)).Count();
                var shape = alike[0].Timetable.Sections.Select(section => section.Number).ToHashSet();
                var rank = answered
                    .Ranked(AnsweredAsk.MostListed, inTime)
                    .Timetables.FirstOrDefault(listed => HasJust(listed, shape))
                    ?.Rank;
                return new PlaceRecord(true, rank, place < alike.Count ? place : 0);
            },
            cancellation
        );

    /// <summary>Some of the best week shapes, each at its best timetable; none when the ask has none.</summary>
    public IReadOnlyList<RankedTimetable> Best(Ask ask, CancellationToken cancellation) =>
        WithinTime(inTime => Of(ask, inTime).Ranked(1, inTime).Timetables, cancellation);

    private static bool HasJust(RankedTimetable one, IReadOnlySet<RegistrationNumber> sections) =>
        sections.SetEquals(one.Timetable.Sections.Select(section => section.Number));

    /// <summary>What each rule costs.</summary>
    public CostsRecord Costs(Ask ask, CancellationToken cancellation) =>
        WithinTime(
            inTime =>
            {
                var costs = Of(ask, inTime).Costs(inTime);
                return new CostsRecord(
                    costs
                        .Costs.Where(cost => cost.Rule.IsHard)
                        .ToDictionary(cost => cost.Rule.Path, cost => Digits.Of(cost.Cost)),
                    costs.IsExact,
                    costs.AreBounds
                );
            },
            cancellation
        );

    /// <summary>In how many timetables each section of the wanted courses stands.</summary>
    public StandingsRecord Standings(Ask ask, CancellationToken cancellation) =>
        WithinTime(
            inTime =>
            {
                var standings = Of(ask, inTime).Standings(inTime);
                return new StandingsRecord(
                    Digits.Of(standings.Total),
                    standings.Sections.ToDictionary(one => one.Key.Value, one => Digits.Of(one.Value)),
                    standings.IsExact
                );
            },
            cancellation
        );

    /// <summary>Why there is no timetable; null where there is one.</summary>
    public WhyRecord? WhyNone(Ask ask, CancellationToken cancellation)
    {
        var why = Core.Engine.Answers.WhyNone.Of(catalogue.SnapshotOf(ask), ask, LongestDetail, cancellation);
        return why is null
            ? null
            : new(
                [.. why.Together.Select(rule => rule.Path)],
                [
                    .. why.WaysOut.Select(way => new WayOutRecord(
                        [.. way.Rules.Select(rule => rule.Path)],
                        Digits.Of(way.Timetables)
                    )),
                ],
                why.IsExact
            );
    }

    /// <summary>The week that comes nearest to an ask without a timetable; no sections where nothing does.</summary>
    public NearestWeekRecord NearestWeek(Ask ask, CancellationToken cancellation)
    {
        var nearest = NearestWeeks.Of(catalogue.SnapshotOf(ask), ask, LongestDetail, cancellation);
        return new(
            [.. (nearest?.Timetable?.Sections ?? []).Select(section => section.Number.Value)],
            [.. (nearest?.Broken ?? []).Select(rule => rule.Path)],
            [.. (nearest?.Marked ?? new HashSet<RegistrationNumber>()).Order().Select(number => number.Value)],
            nearest?.IsExact ?? true
        );
    }

    /// <summary>Counts, the best week shapes, standings, costs and reasons as a file: <c>docs/formats/solve.md</c>.</summary>
    public byte[] File(Ask ask, CancellationToken cancellation) =>
        AnswerFile
            .Write(
                catalogue.SnapshotOf(ask),
                ask,
                new()
                {
                    Top = MostInFile,
                    Shapes = true,
                    Sections = true,
                    Costs = true,
                    Explain = true,
                    Budget = LongestAnswer,
                },
                cancellation
            )
            .ToArray();

    public void Dispose() => asks.Dispose();

    private static AnswerRecord Record(Problem problem, Ask ask, CountAnswer count, TimeSpan took) =>
        new(
            Digits.Of(count.Total.Timetables),
            Digits.Of(count.Total.WeekShapes),
            count.IsExact,
            EstimateRecord.Of(count.Estimate),
            [.. ask.Wanted.Select(wanted => InPlay(problem, wanted))],
            [.. KeptClashes.Of(problem.Snapshot, ask).Select(ClashRecord.Of)],
            took.TotalMilliseconds
        );

    private static RankedRecord Record(AnsweredAsk answered, RankedTimetable one) =>
        RankedRecord.Of(one, answered.SameShape.Count(one.Timetable));

    private AnsweredAsk Of(Ask ask, CancellationToken cancellation)
    {
        // The version first: a catalogue that changes in between is then asked again, and nothing old kept as new.
        var version = catalogue.Version;
        var snapshot = catalogue.SnapshotOf(ask);
        return Known(
            KeyOf(version, AnswerBasis.Of(snapshot, ask)),
            () =>
            {
                var problem = Problem.Compile(snapshot, ask, cancellation: cancellation);
                var counted = Known(
                    KeyOf(version, AnswerBasis.OfCounts(snapshot, ask)),
                    () => CountedAsk.Of(problem, cancellation),
                    _ => CountedAsk.SizeOf(problem),
                    cancellation
                );
                return new AnsweredAsk(problem, counted);
            },
            answered => answered.Size,
            cancellation
        );
    }

    /// <summary>The same question asked twice at once is answered once.</summary>
    private T Known<T>(AnswerKey key, Func<T> find, Func<T, long> size, CancellationToken cancellation)
        where T : class
    {
        // Counted and ranked asks stand side by side; the basis of both may be the same.
        var place = (typeof(T), key);
        Once<T>? once;
        lock (entering)
            if (!asks.TryGetValue(place, out once))
                asks.Set(place, once = new(), new MemoryCacheEntryOptions { Size = SizeOfNone });
        return once!.OrFind(
            () =>
            {
                var found = find();
                asks.Set(place, once, new MemoryCacheEntryOptions { Size = size(found) });
                return found;
            },
            cancellation
        );
    }

    private bool IsKnown<T>(AnswerKey key)
        where T : class => asks.TryGetValue<Once<T>>((typeof(T), key), out var once) && once!.IsFound;

    private static AnswerKey KeyOf(int version, AnswerBasis basis) =>
        new(version, AskDigest.Of(basis.Ask), basis.SectionFacts);

    private static CourseInPlayRecord InPlay(Problem problem, WantedCourse wanted)
    {
        var offered = problem.Snapshot.Find(wanted.Course)!;
        return new(
            wanted.Course.Value,
            offered.SectionsOffered.Count(),
            problem.Courses.FirstOrDefault(course => course.Wanted.Course == wanted.Course)?.SectionsInPlay ?? 0
        );
    }

    /// <summary>An ask that would take too long is given up with a sentence instead of holding the server.</summary>
    private static T WithinTime<T>(Func<CancellationToken, T> answer, CancellationToken cancellation)
    {
        using var inTime = CancellationTokenSource.CreateLinkedTokenSource(cancellation);
        inTime.CancelAfter(LongestAnswer);
        var began = Worker.Clock;
        try
        {
            return answer(inTime.Token);
        }
        catch (OperationCanceledException) when (!cancellation.IsCancellationRequested)
        {
            // What waited for others did not work for as long as it took.
            if (Stopwatch.GetElapsedTime(began, Worker.Clock) < LongestAnswer * 0.8)
                throw Refusals.MuchToCompute(FairQueue.RetryAfter);
            throw new AskTooLargeException(AskExcess.Time);
        }
    }

    /// <summary>Under what an answer is kept: the state of the catalogue, and digests of what the answer rests on.</summary>
    private readonly record struct AnswerKey(int Version, string Ask, string SectionFacts);
}
