namespace HourGrid.Data;

/// <summary>What is saved whole with every change, and keeps what it was before as steps of undo.</summary>
public interface ISteppedRow
{
    /// <summary>Grows with every change; a change that names an older one is refused.</summary>
    long Version { get; set; }

    /// <summary>The number of the step that holds now; undo and redo move it.</summary>
    int CurrentStep { get; set; }
}
