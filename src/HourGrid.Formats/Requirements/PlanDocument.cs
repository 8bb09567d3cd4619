using HourGrid.Core.Requirements.Ahead;

namespace HourGrid.Formats.Requirements;

/// <summary>A plan of terms ahead in the shape of its JSON form.</summary>
/// <param name="Entries">What was put where, in order.</param>
public sealed record PlanDocument(IReadOnlyList<PlanDocument.EntryDocument> Entries)
{
    /// <summary>One course or one requirement in a term.</summary>
    public sealed record EntryDocument(string Id, string Term, string? Course, RequirementDocument? Requirement);

    /// <summary>A requirement of a programme.</summary>
    public sealed record RequirementDocument(string Programme, string Id);

    public static PlanDocument Of(AheadPlan plan)
    {
        ArgumentNullException.ThrowIfNull(plan);
        return new([
            .. plan.Entries.Select(entry => new EntryDocument(
                entry.Id,
                entry.Term.Value,
                entry.Course?.Value,
                entry.Requirement is { } of ? new(of.Programme, of.Id) : null
            )),
        ]);
    }
}
