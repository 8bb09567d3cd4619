namespace HourGrid.Core.Requirements.Assigning;

/// <summary>
/// A flow of least cost from several sources to a sink, by shortest augmenting paths, a source after the other (Ahuja,
/// Magnanti, Orlin, "Network Flows", 1993, chapter 9). Costs may be negative; a network as it is built has no cycle.
/// </summary>
internal sealed class FlowNetwork
{
    private const int Sink = 0;
    private const int NoArc = -1;

    // Arcs, and by node the first of those that go out of it; each arc knows the next.
    private int[] head = new int[64];
    private int[] capacity = new int[64];
    private int[] next = new int[64];
    private Int128[] cost = new Int128[64];
    private int[] first = [.. Enumerable.Repeat(NoArc, 32)];
    private int nodes = 1;
    private int arcs;

    /// <summary>Where everything goes.</summary>
    public static int SinkNode => Sink;

    /// <summary>A new node.</summary>
    public int AddNode()
    {
        if (nodes == first.Length)
        {
            Array.Resize(ref first, 2 * nodes);
            Array.Fill(first, NoArc, nodes, nodes);
        }
        return nodes++;
    }

    /// <summary>A new arc. Arcs stand in pairs: the one after it is the way back.</summary>
    public int AddArc(int from, int to, int most, Int128 costOfOne)
    {
        if (arcs == head.Length)
        {
            Array.Resize(ref head, 2 * arcs);
            Array.Resize(ref capacity, 2 * arcs);
            Array.Resize(ref next, 2 * arcs);
            Array.Resize(ref cost, 2 * arcs);
        }
        var arc = arcs;
        Add(from, to, most, costOfOne);
        Add(to, from, 0, -costOfOne);
        return arc;
    }

    private void Add(int from, int to, int most, Int128 costOfOne)
    {
        (head[arcs], capacity[arcs], cost[arcs], next[arcs]) = (to, most, costOfOne, first[from]);
        first[from] = arcs++;
    }

    /// <summary>How much flows on an arc.</summary>
    public int FlowOn(int arc) => capacity[arc ^ 1];

    /// <summary>Sends one unit from each of the sources, from one after the other on the path that is cheapest then.</summary>
    public void SendFrom(IReadOnlyCollection<int> sources)
    {
        var distance = new Int128[nodes];
        var arcTo = new int[nodes];
        var isWaiting = new bool[nodes];
        var waiting = new Queue<int>();
        foreach (var source in sources)
        {
            Array.Fill(distance, Int128.MaxValue);
            distance[source] = 0;
            waiting.Enqueue(source);
            while (waiting.TryDequeue(out var node))
            {
                isWaiting[node] = false;
                var here = distance[node];
                for (var arc = first[node]; arc != NoArc; arc = next[arc])
                {
                    if (capacity[arc] == 0)
                        continue;
                    var reached = here + cost[arc];
                    var there = head[arc];
                    if (reached >= distance[there])
                        continue;
                    distance[there] = reached;
                    arcTo[there] = arc;
                    // What has arrived goes nowhere else.
                    if (isWaiting[there] || there == Sink)
                        continue;
                    isWaiting[there] = true;
                    waiting.Enqueue(there);
                }
            }
            for (var node = Sink; node != source; node = head[arcTo[node] ^ 1])
                Push(arcTo[node]);
        }
    }

    /// <summary>
    /// Turns a flow of least cost into the one among its equals that uses the first of the given arcs if any can, then the
    /// second, and so on. Each arc carries one unit at most.
    /// </summary>
    public void PreferInOrder(IReadOnlyList<int> preferred)
    {
        var potential = Potentials();
        var isLocked = new bool[arcs];
        var arcTo = new int[nodes];
        var isSeen = new bool[nodes];
        var waiting = new Queue<int>();
        foreach (var arc in preferred)
        {
            var (from, to) = (head[arc ^ 1], head[arc]);
            if (FlowOn(arc) == 0 && cost[arc] + potential[from] - potential[to] == 0 && FindWay(to, from))
            {
                for (var node = from; node != to; node = head[arcTo[node] ^ 1])
                    Push(arcTo[node]);
                Push(arc);
            }
            isLocked[arc] = isLocked[arc ^ 1] = true;
        }

        // Along arcs on which one may go for nothing.
        bool FindWay(int start, int end)
        {
            Array.Clear(isSeen);
            waiting.Clear();
            isSeen[start] = true;
            waiting.Enqueue(start);
            while (waiting.TryDequeue(out var node))
                for (var arc = first[node]; arc != NoArc; arc = next[arc])
                {
                    var there = head[arc];
                    if (
                        capacity[arc] == 0
                        || isLocked[arc]
                        || isSeen[there]
                        || cost[arc] + potential[node] - potential[there] != 0
                    )
                        continue;
                    isSeen[there] = true;
                    arcTo[there] = arc;
                    if (there == end)
                        return true;
                    waiting.Enqueue(there);
                }
            return false;
        }
    }

    /// <summary>Distances from a node that reaches all for nothing; with them no arc that is left costs less than nothing.</summary>
    private Int128[] Potentials()
    {
        var potential = new Int128[nodes];
        var isWaiting = new bool[nodes];
        Array.Fill(isWaiting, true);
        var waiting = new Queue<int>(Enumerable.Range(0, nodes));
        while (waiting.TryDequeue(out var node))
        {
            isWaiting[node] = false;
            for (var arc = first[node]; arc != NoArc; arc = next[arc])
            {
                var there = head[arc];
                if (capacity[arc] == 0 || potential[node] + cost[arc] >= potential[there])
                    continue;
                potential[there] = potential[node] + cost[arc];
                if (isWaiting[there])
                    continue;
                isWaiting[there] = true;
                waiting.Enqueue(there);
            }
        }
        return potential;
    }

    private void Push(int arc)
    {
        capacity[arc]--;
        capacity[arc ^ 1]++;
    }
}
