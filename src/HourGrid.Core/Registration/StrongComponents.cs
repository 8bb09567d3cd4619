namespace HourGrid.Core.Registration;

/// <summary>The strongly connected components of a graph, by Tarjan's algorithm (1972).</summary>
internal sealed class StrongComponents
{
    private readonly Func<int, IEnumerable<int>> needed;
    private readonly int[] number;
    private readonly int[] lowest;
    private readonly bool[] isOnStack;
    private readonly Stack<int> stack = [];
    private readonly List<IReadOnlyList<int>> found = [];
    private int visited;

    private StrongComponents(int count, Func<int, IEnumerable<int>> needed)
    {
        this.needed = needed;
        number = new int[count];
        lowest = new int[count];
        isOnStack = new bool[count];
    }

    /// <summary>The components, each after those that it needs; the nodes of one in ascending order.</summary>
    /// <param name="count">Nodes.</param>
    /// <param name="needed">The nodes that one needs.</param>
    public static IReadOnlyList<IReadOnlyList<int>> Of(int count, Func<int, IEnumerable<int>> needed)
    {
        var search = new StrongComponents(count, needed);
        for (var node = 0; node < count; node++)
            if (search.number[node] == 0)
                search.Visit(node);
        return search.found;
    }

    private void Visit(int node)
    {
        number[node] = lowest[node] = ++visited;
        stack.Push(node);
        isOnStack[node] = true;
        foreach (var next in needed(node))
            if (number[next] == 0)
            {
                Visit(next);
                lowest[node] = Math.Min(lowest[node], lowest[next]);
            }
            else if (isOnStack[next])
                lowest[node] = Math.Min(lowest[node], number[next]);
        if (lowest[node] < number[node])
            return;
        var component = new List<int>();
        do
        {
            component.Add(stack.Peek());
            isOnStack[stack.Peek()] = false;
        } while (stack.Pop() != node);
        component.Sort();
        found.Add(component);
    }
}
