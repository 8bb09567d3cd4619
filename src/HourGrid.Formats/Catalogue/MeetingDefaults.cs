using HourGrid.Core.Catalogue;

namespace HourGrid.Formats.Catalogue;

/// <summary>What a meeting has where it does not say.</summary>
/// <param name="Campus">Its section's, for modes in a room.</param>
/// <param name="From">The first day of the part, else of the term.</param>
/// <param name="To">The last day of the part, else of the term.</param>
internal readonly record struct MeetingDefaults(CampusId? Campus, DateOnly From, DateOnly To)
{
    public static MeetingDefaults Of(DeliveryMode mode, CampusId? campus, string? partId, Term term)
    {
        var part = term.Parts.FirstOrDefault(one => one.Id == partId);
        return new(
            mode is DeliveryMode.Online or DeliveryMode.OnlineLive ? null : campus,
            part?.Start ?? term.Start,
            part?.End ?? term.End
        );
    }
}
