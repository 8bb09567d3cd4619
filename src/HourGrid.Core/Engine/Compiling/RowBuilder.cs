using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Compiling;

/// <summary>Writes the rows of a problem: what of later levels may stand beside an option, and which witnesses it leaves.</summary>
internal sealed class RowBuilder
{
    private readonly Problem problem;
    private readonly MeetingTable table;
    private readonly ConflictTable conflicts;
    private readonly int[] order;
    private readonly ulong[] ruledOut;
    private readonly int witnessWords;
    private readonly WorkLimit limit;

    public RowBuilder(Problem problem, MeetingTable table, ConflictTable conflicts, int[] order, WorkLimit limit)
    {
        this.problem = problem;
        this.table = table;
        this.conflicts = conflicts;
        this.order = order;
        this.limit = limit;
        witnessWords = problem.Layout.SumsAt - problem.Layout.First[^1];
        ruledOut = RuledOutByMeeting();
    }

    public void Build()
    {
        var first = problem.Layout.First;
        var whole = new ulong[conflicts.First[^1]];
        for (var level = 0; level < order.Length; level++)
        {
            var options = problem.Levels[level].Options.Count;
            for (var option = 0; option < options; option++)
            {
                limit.ThrowIfOver();
                var row = problem.RowOf(level, option);
                conflicts.Row(order[level], option, whole);
                for (var later = level + 1; later < order.Length; later++)
                    whole
                        .AsSpan(conflicts.First[order[later]], first[later + 1] - first[later])
                        .CopyTo(row[(first[later] - first[level + 1])..]);
                var witnesses = row[(first[^1] - first[level + 1])..];
                witnesses.Fill(ulong.MaxValue);
                foreach (var meeting in table.Of(order[level], option))
                    for (var word = 0; word < witnessWords; word++)
                        witnesses[word] &= ~ruledOut[meeting * witnessWords + word];
            }
        }
    }

    private ulong[] RuledOutByMeeting()
    {
        var masks = new ulong[table.Meetings.Length * witnessWords];
        for (var set = 0; set < problem.WitnessSets.Count; set++)
        for (var witness = 0; witness < problem.WitnessSets[set].Witnesses.Count; witness++)
        {
            limit.ThrowIfOver();
            var (word, shift) = problem.Layout.WitnessPlace(set, witness);
            var by = problem.WitnessSets[set].Witnesses[witness].RuledOutBy;
            for (var meeting = 0; meeting < table.Meetings.Length; meeting++)
                if ((by[meeting / 64] >> (meeting % 64) & 1) != 0)
                    masks[meeting * witnessWords + word - problem.Layout.First[^1]] |= 1UL << shift;
        }
        return masks;
    }
}
