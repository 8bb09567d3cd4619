namespace HourGrid.Core.Requirements;

/// <summary>A degree and what it asks for.</summary>
/// <param name="Id">Its id, such as <c>COAST</c>.</param>
/// <param name="Name">Its name, by which records name it, too.</param>
/// <param name="From">From when it holds, such as <c>2024</c>; may be empty.</param>
/// <param name="Credits">All credits it asks for, each course once.</param>
/// <param name="Root">What it asks for.</param>
public sealed record Programme(string Id, string Name, string From, TotalCredits Credits, Requirement Root)
{
    /// <summary>All its requirements in the order of the file: a node before what is in it.</summary>
    public IReadOnlyList<Requirement> InOrder { get; } = [.. Flatten(Root)];

    /// <summary>Its leaves in the order of the file.</summary>
    public IReadOnlyList<Requirement.Leaf> Leaves => [.. InOrder.OfType<Requirement.Leaf>()];

    private static IEnumerable<Requirement> Flatten(Requirement node) =>
        node switch
        {
            Requirement.All all => [node, .. all.Of.SelectMany(Flatten)],
            Requirement.Any any => [node, .. any.Of.SelectMany(Flatten)],
            _ => [node],
        };
}
