using HourGrid.Core.Engine;
using HourGrid.Core.Engine.Answers;
using HourGrid.Server.Computing;

namespace HourGrid.Server.Workbench;

/// <summary>An ask against one state of the catalogue, and the best that have been found of it so far.</summary>
internal sealed class AnsweredAsk
{
    /// <summary>The most week shapes that are listed; the count says how many more there are.</summary>
    public const int MostListed = 2_000;

    /// <summary>How many are ranked for the first page, which is waited for while the pointer is down.</summary>
    private const int RankedFirst = 60;

    /// <summary>Bytes of a ranked timetable, about.</summary>
    private const int BytesOfOne = 1_000;

    private static readonly TimeSpan LongestRanking = TimeSpan.FromSeconds(4);

    private readonly CountedAsk counted;
    private readonly Gate gate = new();
    private BestAnswer? ranked;

    public AnsweredAsk(Problem problem, CountedAsk counted)
    {
        Problem = problem;
        this.counted = counted;
        SameShape = new SameShape(problem);
    }

    public Problem Problem { get; }

    public CountAnswer Count => counted.Count;

    /// <summary>How long it took to count it.</summary>
    public TimeSpan CountTook => counted.Took;

    public SameShape SameShape { get; }

    /// <summary>Bytes it may come to hold, about.</summary>
    public long Size => Problem.Size + MostListed * BytesOfOne;

    /// <summary>In how many timetables each section stands.</summary>
    public StandingsAnswer Standings(CancellationToken cancellation) => counted.Standings(Problem, cancellation);

    /// <summary>What each rule costs.</summary>
    public CostsAnswer Costs(CancellationToken cancellation) => counted.Costs(Problem, cancellation);

    /// <summary>The best week shapes, at least so many of those that are listed.</summary>
    public BestAnswer Ranked(int upTo, CancellationToken cancellation) =>
        gate.Within(
            () =>
            {
                if (ranked is { } known && (known.Timetables.Count >= upTo || IsAll(known)))
                    return known;
                var count = upTo <= RankedFirst ? RankedFirst : MostListed;
                return ranked = Best.Of(Problem, count, 0, byShape: true, LongestRanking, cancellation);
            },
            cancellation
        );

    private bool IsAll(BestAnswer known) =>
        known.Timetables.Count == MostListed || (UInt128)known.Timetables.Count >= Count.Total.WeekShapes;
}
