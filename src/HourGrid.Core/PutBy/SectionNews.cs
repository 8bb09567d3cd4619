using HourGrid.Core.Catalogue;

namespace HourGrid.Core.PutBy;

/// <summary>What became of the sections of a timetable since it was put by.</summary>
/// <param name="Gone">Those that the catalogue has no more, or that are cancelled.</param>
/// <param name="Moved">Those that meet at other hours, in other weeks or on another campus than they did.</param>
/// <param name="Full">Those of which no seat is left.</param>
public sealed record SectionNews(
    IReadOnlyList<RegistrationNumber> Gone,
    IReadOnlyList<RegistrationNumber> Moved,
    IReadOnlyList<RegistrationNumber> Full
)
{
    /// <summary>The news of some sections, each in the order given.</summary>
    /// <param name="snapshot">The catalogue.</param>
    /// <param name="seen">The sections as they were.</param>
    public static SectionNews Of(CatalogueSnapshot snapshot, IReadOnlyList<SeenSection> seen)
    {
        var now = seen.Select(one => (Seen: one, Now: Held(snapshot, one.Number))).ToArray();
        return new(
            [.. now.Where(pair => pair.Now is null).Select(pair => pair.Seen.Number)],
            [
                .. now.Where(pair => pair.Now is { } section && !section.Meetings.SequenceEqual(pair.Seen.Meetings))
                    .Select(pair => pair.Seen.Number),
            ],
            [.. now.Where(pair => pair.Now is { FreeSeats: 0 }).Select(pair => pair.Seen.Number)]
        );
    }

    private static OfferedSection? Held(CatalogueSnapshot snapshot, RegistrationNumber number) =>
        snapshot.Find(number) is { Section.Status: not SectionStatus.Cancelled } section ? section : null;
}
