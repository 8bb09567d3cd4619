using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Measures;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>What ranking needs to know of a problem; immutable, so threads share it.</summary>
internal sealed class RankedProblem
{
    /// <param name="problem">What is asked.</param>
    /// <param name="limit">Stops the making of it.</param>
    public RankedProblem(Problem problem, WorkLimit limit)
    {
        Problem = problem;
        Weights = new(problem.Ask.Weights);
        Order = new RegistrationOrder(problem, limit);
        var seatsMatter = Weights[SeatsToSpare.Measure] != 0;
        Options =
        [
            .. problem.Levels.Select(level =>
                level
                    .Options.Select(option =>
                    {
                        limit.ThrowIfOver();
                        return new RankedOption(option, level.Index, Order, seatsMatter);
                    })
                    .ToArray()
            ),
        ];
        // Options of one shape differ in credits only; as a week shape is judged by its best timetable, so are they.
        MostSpare = [.. problem.Levels.Select((level, l) => MostSpareByShape(level, Options[l]))];
        Tables = new WeekTables(problem, limit);
        Costs = new WeighedCosts(Weights, Tables, problem.Courses.Count);
        Bounds = LevelBounds.Of(problem, Tables, Options);
        Levels = [.. Enumerable.Range(0, problem.Levels.Count).Select(level => new RankedLevel(this, level))];
        LastTwo = Levels.Length < 2 ? [] : [PairSide.SecondLast(this), PairSide.Last(this, limit)];
    }

    public Problem Problem { get; }

    /// <summary>The levels, as the search sees them.</summary>
    public RankedLevel[] Levels { get; }

    /// <summary>The last two levels, where there are as many.</summary>
    public PairSide[] LastTwo { get; }

    public MeasureWeights Weights { get; }

    public RegistrationOrder Order { get; }

    /// <summary>By level and option.</summary>
    public RankedOption[][] Options { get; }

    /// <summary>By level and option: the most seats to spare of any bundle of the same hours.</summary>
    public int[][] MostSpare { get; }

    public WeekTables Tables { get; }

    /// <summary>By level: what the levels from it on add at least.</summary>
    public LevelBounds[] Bounds { get; }

    public WeighedCosts Costs { get; }

    private static int[] MostSpareByShape(CoursePlay level, RankedOption[] options)
    {
        // Leaving the course out has the shape -1.
        var byShape = new int[level.Options.Count + 1];
        for (var option = 0; option < options.Length; option++)
        {
            ref var most = ref byShape[level.Options[option].Shape + 1];
            most = Math.Max(most, options[option].MostSpare);
        }
        return [.. level.Options.Select(option => byShape[option.Shape + 1])];
    }

    /// <summary>So many timetables of which nothing is chosen yet.</summary>
    public PartialMeasures[] NewPartials(int count) => PartialMeasures.New(this, count);

    public static int[] First(RankedOption option) => option.Bundles.Length == 0 ? [] : option.Bundles[0].Ranks;
}
