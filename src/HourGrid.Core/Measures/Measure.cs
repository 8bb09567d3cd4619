using HourGrid.Core.Asking;

namespace HourGrid.Core.Measures;

/// <summary>What a figure counts.</summary>
public enum MeasureUnit
{
    /// <summary>Things: days, breaks, seats, courses.</summary>
    Count,

    /// <summary>Tenths of things, where a count is a mean.</summary>
    Tenths,

    /// <summary>Minutes.</summary>
    Minutes,

    /// <summary>A time of day, in minutes after midnight.</summary>
    TimeOfDay,
}

/// <summary>
/// Something a timetable can be measured by. All there is to say of it stands in its own file; <see cref="MeasureList"/> names
/// them all, and weights, files and comparisons follow that list.
/// </summary>
/// <param name="name">Its name in files.</param>
/// <param name="unit">What its figure counts.</param>
public abstract class Measure(string name, MeasureUnit unit)
{
    /// <summary>The worst a measure can be.</summary>
    public const int WorstBadness = 1000;

    private int place = -1;

    /// <summary>Its name in files.</summary>
    public string Name => name;

    /// <summary>What its figure counts.</summary>
    public MeasureUnit Unit => unit;

    /// <summary>The name of its weight; null for one that is shown and never counts.</summary>
    public virtual string? Weight => null;

    /// <summary>What it counts where an ask does not say, 0 to 100.</summary>
    public virtual int UsualWeight => 0;

    /// <summary>Whether a higher figure is better.</summary>
    public virtual bool IsMoreBetter => false;

    /// <summary>Its place in <see cref="MeasureList.All"/>.</summary>
    internal int Place
    {
        get
        {
            if (place < 0)
                place = MeasureList.PlaceOf(this);
            return place;
        }
    }

    /// <summary>How much it counts, 0 to 100.</summary>
    public int WeightIn(Weights weights) => Weight is null ? 0 : weights[Weight] ?? UsualWeight;

    /// <summary>How much it matters where measures are set side by side, 0 to 100.</summary>
    public virtual int MattersIn(Weights weights) => WeightIn(weights);

    /// <summary>The figure of a timetable; null where it has none.</summary>
    internal abstract int? Of(MeasuredTimetable timetable);

    /// <summary>How bad a figure is, 0 to <see cref="WorstBadness"/>, rounded half up; 0 where there is none.</summary>
    /// <param name="figure">The figure.</param>
    /// <param name="coursesInPlay">Courses that are not set aside, at least 1.</param>
    public virtual int BadnessOf(int figure, int coursesInPlay) => 0;

    /// <summary>A thousand times the share, rounded half up, no less than 0 and no more than the worst.</summary>
    private protected static int Share(int amount, int whole) =>
        amount <= 0 ? 0 : Math.Min(WorstBadness, (2 * WorstBadness * amount + whole) / (2 * whole));
}
