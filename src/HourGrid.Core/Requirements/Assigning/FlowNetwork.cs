namespace HourGrid.Core.Requirements.Assigning;

/// <summary>
/// A flow of least cost from several sources to a sink, by cancelling negative cycles, which label correcting finds (Ahuja,
/// Magnanti, Orlin, "Network Flows", 1993, chapters 5 and 9): from a flow that is nearly so there are few. Costs may be negative; a
/// network as it is built has no cycle.
/// </summary>
internal sealed class FlowNetwork
{
    private const int Sink = 0;
    private const int NoArc = -1;

    // Arcs, and by node the first of those that go out of it; each arc knows the next.
    private readonly Arc[] arcs;
    private readonly int[] first;
    private int arcCount;
    private int nodeCount = 1;

    // With them no arc that is left costs less than nothing.
    private Int128[] potential = [];

    /// <param name="mostNodes">As many nodes as it will have at most, the sink apart.</param>
    /// <param name="mostArcs">As many arcs.</param>
    public FlowNetwork(int mostNodes, int mostArcs)
    {
        arcs = new Arc[2 * mostArcs];
        first = new int[mostNodes + 1];
        Array.Fill(first, NoArc);
    }

    /// <summary>Where everything goes.</summary>
    public static int SinkNode => Sink;

    /// <summary>A new node.</summary>
    public int AddNode() => nodeCount++;

    /// <summary>A new arc. Arcs stand in pairs: the one after it is the way back.</summary>
    public int AddArc(int from, int to, int most, Int128 costOfOne)
    {
        var arc = arcCount;
        Add(from, to, most, costOfOne);
        Add(to, from, 0, -costOfOne);
        return arc;
    }

    private void Add(int from, int to, int most, Int128 costOfOne)
    {
        arcs[arcCount] = new()
        {
            Cost = costOfOne,
            Head = to,
            Capacity = most,
            Next = first[from],
        };
        first[from] = arcCount++;
    }

    /// <summary>How much flows on an arc.</summary>
    public int FlowOn(int arc) => arcs[arc ^ 1].Capacity;

    /// <summary>Sends one unit along an arc and on to the sink, at each node by what costs least of what is left.</summary>
    public void Send(int along)
    {
        Push(along);
        for (var node = arcs[along].Head; node != Sink; node = arcs[along].Head)
            Push(along = Cheapest(node));
    }

    private int Cheapest(int node)
    {
        var best = NoArc;
        for (var arc = first[node]; arc != NoArc; arc = arcs[arc].Next)
            // Not back where it came from.
            if ((arc & 1) == 0 && arcs[arc].Capacity > 0 && (best == NoArc || arcs[arc].Cost < arcs[best].Cost))
                best = arc;
        return best;
    }

    /// <summary>
    /// Makes what flows cost the least: sends a unit around cycles that cost less than nothing until there are none.
    /// </summary>
    public void Improve()
    {
        potential = new Int128[nodeCount];
        var arcTo = new int[nodeCount];
        Array.Fill(arcTo, NoArc);
        var isWaiting = new bool[nodeCount];
        Array.Fill(isWaiting, true);
        var waiting = new Queue<int>(Enumerable.Range(0, nodeCount));
        while (waiting.TryDequeue(out var node))
        {
            isWaiting[node] = false;
            for (var arc = first[node]; arc != NoArc; arc = arcs[arc].Next)
            {
                var there = arcs[arc].Head;
                if (arcs[arc].Capacity == 0 || potential[node] + arcs[arc].Cost >= potential[there])
                    continue;
                if (IsBehind(node, there))
                {
                    GoAround(arc);
                    // What is left of its arcs is other now; it waits again.
                    break;
                }
                potential[there] = potential[node] + arcs[arc].Cost;
                arcTo[there] = arc;
                Wait(there);
            }
        }

        // Whether a node is reached through another.
        bool IsBehind(int node, int other)
        {
            while (node != other && arcTo[node] != NoArc)
                node = arcs[arcTo[node] ^ 1].Head;
            return node == other;
        }

        // From the arc's end along the arcs by which its beginning is reached.
        void GoAround(int arc)
        {
            var end = arcs[arc].Head;
            Push(arc);
            for (var node = arcs[arc ^ 1].Head; ; node = arcs[arc ^ 1].Head)
            {
                Wait(node);
                if (node == end)
                    break;
                arc = arcTo[node];
                arcTo[node] = NoArc;
                Push(arc);
            }
        }

        void Wait(int node)
        {
            if (isWaiting[node])
                return;
            isWaiting[node] = true;
            waiting.Enqueue(node);
        }
    }

    /// <summary>
    /// Turns a flow of least cost into the one among its equals that uses the first of the given arcs if any can, then the
    /// second, and so on. Each arc carries one unit at most.
    /// </summary>
    public void PreferInOrder(IReadOnlyList<int> preferred)
    {
        var isLocked = new bool[arcCount];
        var arcTo = new int[nodeCount];
        var isSeen = new bool[nodeCount];
        var waiting = new Queue<int>();
        foreach (var arc in preferred)
        {
            var (from, to) = (arcs[arc ^ 1].Head, arcs[arc].Head);
            if (FlowOn(arc) == 0 && arcs[arc].Cost + potential[from] - potential[to] == 0 && FindWay(to, from))
            {
                for (var node = from; node != to; node = arcs[arcTo[node] ^ 1].Head)
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
                for (var arc = first[node]; arc != NoArc; arc = arcs[arc].Next)
                {
                    var there = arcs[arc].Head;
                    if (
                        arcs[arc].Capacity == 0
                        || isLocked[arc]
                        || isSeen[there]
                        || arcs[arc].Cost + potential[node] - potential[there] != 0
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

    private void Push(int arc)
    {
        arcs[arc].Capacity--;
        arcs[arc ^ 1].Capacity++;
    }

    private struct Arc
    {
        public Int128 Cost;
        public int Head;
        public int Capacity;
        public int Next;
    }
}
