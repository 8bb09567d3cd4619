using HourGrid.Core.Asking;

namespace HourGrid.Core.Rules;

/// <summary>The way from one campus to another must fit between two classes.</summary>
public sealed class TravelRule() : ConflictRule("campus.respectTravel")
{
    internal static IEnumerable<TravelRule> Of(Ask ask) => ask.Campus.RespectTravel ? [new()] : [];

    /// <inheritdoc/>
    public override Ask Without(Ask ask) => ask with { Campus = ask.Campus with { RespectTravel = false } };
}
