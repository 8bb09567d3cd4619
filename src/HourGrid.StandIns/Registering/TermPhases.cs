using HourGrid.Core.Records;
using HourGrid.StandIns.Campus;

namespace HourGrid.StandIns.Registering;

/// <summary>The phases of a term, and who may register when.</summary>
/// <param name="Term">The term.</param>
/// <param name="Phases">Its phases in the order of time.</param>
internal sealed record TermPhases(string Term, IReadOnlyList<PhaseRow> Phases)
{
    public const string ByTurn = "byTurn";
    public const string Open = "open";
    public const string Change = "change";
    public const string Closed = "closed";

    public static TermPhases Of(CampusContext campus, string term) =>
        new(term, [.. campus.Phases.Where(row => row.Term == term).OrderBy(row => row.FromUtc)]);

    /// <summary>The phase at a moment; null before the first.</summary>
    public string? At(DateTime nowUtc) => Phases.LastOrDefault(row => row.FromUtc <= nowUtc)?.Phase;

    /// <summary>When the phase at a moment ends; null for the last.</summary>
    public DateTime? EndsAfter(DateTime nowUtc) => Phases.FirstOrDefault(row => row.FromUtc > nowUtc)?.FromUtc;

    /// <summary>Whether nothing can be registered any more.</summary>
    public bool IsOver(DateTime nowUtc) => Phases.Count == 0 || At(nowUtc) == Closed;

    /// <summary>From when a student may register: their own opening, or when the term opens for all.</summary>
    public DateTime? OpensFor(StudentRecord record)
    {
        var forAll = Phases.FirstOrDefault(row => row.Phase is Open or Change)?.FromUtc;
        var byTurn = Phases.FirstOrDefault(row => row.Phase == ByTurn)?.FromUtc;
        if (byTurn is not { } first || !record.Opening.TryGetValue(new(Term), out var own))
            return forAll;
        var turn = own.UtcDateTime > first ? own.UtcDateTime : first;
        return forAll is { } all && all < turn ? all : turn;
    }
}
