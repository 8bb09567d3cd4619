namespace HourGrid.Core.Requirements.Assigning;

/// <summary>
/// A flow of least cost from a source to a sink, as large as pays: by shortest augmenting paths (Ahuja, Magnanti, Orlin,
/// "Network Flows", 1993, chapter 9). Costs may be negative; a network as it is built has no cycle.
/// </summary>
internal sealed class FlowNetwork
{
    private const int Source = 0;
    private const int Sink = 1;

    private readonly List<int> head = [];
    private readonly List<int> capacity = [];
    private readonly List<Int128> cost = [];
    private readonly List<List<int>> outOf =
    [
        [],
        [],
    ];

    /// <summary>Where everything comes from.</summary>
    public static int SourceNode => Source;

    /// <summary>Where everything goes.</summary>
    public static int SinkNode => Sink;

    /// <summary>A new node.</summary>
    public int AddNode()
    {
        outOf.Add([]);
        return outOf.Count - 1;
    }

    /// <summary>A new arc. Arcs stand in pairs: the one after it is the way back.</summary>
    public int AddArc(int from, int to, int most, Int128 costOfOne)
    {
        var arc = head.Count;
        head.Add(to);
        capacity.Add(most);
        cost.Add(costOfOne);
        outOf[from].Add(arc);
        head.Add(from);
        capacity.Add(0);
        cost.Add(-costOfOne);
        outOf[to].Add(arc + 1);
        return arc;
    }

    /// <summary>How much flows on an arc.</summary>
    public int FlowOn(int arc) => capacity[arc ^ 1];

    /// <summary>Sends one unit after the other, each on the cheapest path, while that costs less than nothing.</summary>
    public void SendWhatPays()
    {
        var distance = new Int128[outOf.Count];
        var arcTo = new int[outOf.Count];
        var isWaiting = new bool[outOf.Count];
        var waiting = new Queue<int>();
        while (true)
        {
            Array.Fill(distance, Int128.MaxValue);
            distance[Source] = 0;
            waiting.Enqueue(Source);
            while (waiting.TryDequeue(out var node))
            {
                isWaiting[node] = false;
                var here = distance[node];
                foreach (var arc in outOf[node])
                {
                    if (capacity[arc] == 0)
                        continue;
                    var there = here + cost[arc];
                    var next = head[arc];
                    if (there >= distance[next])
                        continue;
                    distance[next] = there;
                    arcTo[next] = arc;
                    if (isWaiting[next])
                        continue;
                    isWaiting[next] = true;
                    waiting.Enqueue(next);
                }
            }
            if (distance[Sink] == Int128.MaxValue || distance[Sink] >= 0)
                return;
            for (var node = Sink; node != Source; node = head[arcTo[node] ^ 1])
                Push(arcTo[node]);
        }
    }

    /// <summary>
    /// Turns a flow of least cost into the one among its equals that uses the first of the given arcs if any can, then the
    /// second, and so on. Each arc carries one unit at most.
    /// </summary>
    public void PreferInOrder(IReadOnlyList<int> arcs)
    {
        // What flows may become more or less if that costs nothing: a way back that is free makes it a circulation.
        AddArc(Sink, Source, int.MaxValue / 2, 0);
        capacity[^1] = int.MaxValue / 2;
        var potential = Potentials();
        var isLocked = new bool[head.Count];
        var arcTo = new int[outOf.Count];
        var isSeen = new bool[outOf.Count];
        var waiting = new Queue<int>();
        foreach (var arc in arcs)
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
                foreach (var arc in outOf[node])
                {
                    var next = head[arc];
                    if (
                        capacity[arc] == 0
                        || isLocked[arc]
                        || isSeen[next]
                        || cost[arc] + potential[node] - potential[next] != 0
                    )
                        continue;
                    isSeen[next] = true;
                    arcTo[next] = arc;
                    if (next == end)
                        return true;
                    waiting.Enqueue(next);
                }
            return false;
        }
    }

    /// <summary>Distances from a node that reaches all for nothing; with them no arc that is left costs less than nothing.</summary>
    private Int128[] Potentials()
    {
        var potential = new Int128[outOf.Count];
        var isWaiting = new bool[outOf.Count];
        Array.Fill(isWaiting, true);
        var waiting = new Queue<int>(Enumerable.Range(0, outOf.Count));
        while (waiting.TryDequeue(out var node))
        {
            isWaiting[node] = false;
            foreach (var arc in outOf[node])
            {
                var next = head[arc];
                if (capacity[arc] == 0 || potential[node] + cost[arc] >= potential[next])
                    continue;
                potential[next] = potential[node] + cost[arc];
                if (isWaiting[next])
                    continue;
                isWaiting[next] = true;
                waiting.Enqueue(next);
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
