namespace HourGrid.Data;

/// <summary>A step of undo, whatever it is of.</summary>
public interface IStepRow
{
    /// <summary>Its place among the steps of the same thing, the oldest first.</summary>
    int Number { get; }

    /// <summary>How much room it takes: the characters of its texts.</summary>
    int Size { get; }
}
