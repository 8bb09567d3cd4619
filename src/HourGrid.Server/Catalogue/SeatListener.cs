using System.Text.Json;
using HourGrid.Server.News;
using HourGrid.Server.Registrar;

namespace HourGrid.Server.Catalogue;

/// <summary>Keeps the seats of the catalogue as the registrar tells them, and tells open pages.</summary>
internal sealed class SeatListener(CurrentCatalogue catalogue, PageNews news) : IRegistrarListener
{
    private const string Seats = "seats";

    /// <summary>The import whose terms were read.</summary>
    private int import;

    /// <summary>A newer catalogue may have brought terms that were not read yet.</summary>
    public bool MustReadAgain => import != catalogue.Import;

    public async Task<long?> ReadAsync(RegistrarClient registrar, CancellationToken cancellation)
    {
        import = catalogue.Import;
        long? last = null;
        var all = new List<SectionSeats>();
        foreach (var term in catalogue.Terms)
        {
            var seats = await registrar.SeatsAsync(term.Id, cancellation);
            last = Math.Min(last ?? seats.LastEvent, seats.LastEvent);
            all.AddRange(seats.Sections);
        }
        await KeepAsync(all, cancellation);
        return last;
    }

    public async Task TakeAsync(IReadOnlyList<RegistrarEvent> events, CancellationToken cancellation)
    {
        await KeepAsync(
            [
                .. events
                    .Where(one => one.Kind == Seats)
                    .Select(one => JsonSerializer.Deserialize<SectionSeats>(one.Json, JsonSerializerOptions.Web)!),
            ],
            cancellation
        );
    }

    public void Lose()
    {
        if (catalogue.AreSeatsLive)
            news.Tell(PageNews.Live, new { });
        catalogue.LoseSeats();
    }

    private async Task KeepAsync(IReadOnlyList<SectionSeats> seats, CancellationToken cancellation)
    {
        var wereLive = catalogue.AreSeatsLive;
        var changes = await catalogue.TakeSeatsAsync(seats, cancellation);
        if (!wereLive)
            news.Tell(PageNews.Live, new { });
        foreach (var ofTerm in changes.GroupBy(change => change.Term))
            news.TellSeats(
                ofTerm.Key.Value,
                ofTerm.Select(change => new CourseSeatNews(change.Course.Value, change.HasTurned))
            );
    }
}
