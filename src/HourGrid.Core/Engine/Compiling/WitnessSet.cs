using HourGrid.Core.Rules;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Compiling;

/// <summary>
/// One way in which a rule can be broken, in the normal form <em>some witness survives</em>: see
/// <see cref="WitnessedRule"/>.
/// </summary>
/// <param name="Rule">The number of the rule.</param>
/// <param name="Witnesses">The ways in which it can be kept.</param>
internal sealed record WitnessSet(int Rule, IReadOnlyList<Witness> Witnesses)
{
    /// <summary>
    /// The rule with no witness that another one outlives, or null where some witness cannot be ruled out, so that
    /// the rule cannot be broken. Where all are ruled out from the start, it is kept with none.
    /// </summary>
    /// <param name="limit">How long it may take.</param>
    public WitnessSet? Reduced(WorkLimit limit)
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
