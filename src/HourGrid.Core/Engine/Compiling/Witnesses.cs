using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Compiling;

/// <summary>
/// A rule on one day, in the normal form <em>some witness survives</em>: each witness is one way in which the rule can
/// be kept, a meeting rules some of them out, and the rule is broken once none is left.
/// </summary>
/// <param name="Wish">The number of the wish.</param>
/// <param name="Witnesses">The ways in which it can be kept.</param>
internal sealed record WitnessRule(int Wish, IReadOnlyList<Witness> Witnesses)
{
    /// <summary>
    /// The rule with no witness that another one outlives, or null where some witness cannot be ruled out, so that
    /// the rule cannot be broken. Where all are ruled out from the start, it is kept with none.
    /// </summary>
    /// <param name="limit">How long it may take.</param>
    public WitnessRule? Reduced(WorkLimit limit)
    {
        if (Witnesses.Any(witness => witness.Blocked.Length == 0 && witness.RuledOutBy.All(word => word == 0)))
            return null;
        var kept = new List<Witness>();
        foreach (var witness in Witnesses)
        {
            limit.ThrowIfOver();
            if (kept.Any(other => other.Outlives(witness)))
                continue;
            kept.RemoveAll(witness.Outlives);
            kept.Add(witness);
        }
        return this with { Witnesses = kept };
    }
}

/// <summary>One way in which a rule can be kept.</summary>
/// <param name="RuledOutBy">A bit for each distinct meeting that rules it out.</param>
/// <param name="Blocked">Numbers of the wishes that rule it out from the start, unless they are lifted.</param>
internal sealed record Witness(ulong[] RuledOutBy, int[] Blocked)
{
    public bool Outlives(Witness other)
    {
        for (var word = 0; word < RuledOutBy.Length; word++)
            if ((RuledOutBy[word] & ~other.RuledOutBy[word]) != 0)
                return false;
        return Blocked.All(other.Blocked.Contains);
    }
}
