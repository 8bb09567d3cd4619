using HourGrid.Core.Catalogue;
using HourGrid.Core.Registration;
using HourGrid.Core.Timetables;
using HourGrid.Data;
using HourGrid.Server.Catalogue;
using HourGrid.Server.News;
using HourGrid.Server.Registrar;
using HourGrid.Server.Wording;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Server.Registration;

/// <summary>What students are told in the page, and of which seats they want to be told.</summary>
internal sealed class NoticeService(
    HourGridContext database,
    WriteTurns writes,
    SeatWatch watch,
    CurrentCatalogue catalogue,
    PageNews news,
    TimeProvider clock
)
{
    private const int MostSeatNotices = 100;

    /// <summary>So many are shown, the latest.</summary>
    public const int MostShown = 100;

    /// <summary>What a student was told in a term, the latest first.</summary>
    public async Task<IReadOnlyList<NoticeRecord>> OfAsync(
        string person,
        TermId term,
        CancellationToken cancellation
    ) =>
        [
            .. (
                await database
                    .Notices.AsNoTracking()
                    .Where(row => row.Person == person && row.TermId == term.Value)
                    .OrderByDescending(row => row.Id)
                    .Take(MostShown)
                    .ToListAsync(cancellation)
            ).Select(row => new NoticeRecord(
                row.Id,
                row.Kind,
                Noticed(row.Sections, term),
                row.Sentence,
                DateTime.SpecifyKind(row.AtUtc, DateTimeKind.Utc),
                row.SeenUtc is not null,
                row.Kind == NoticeWords.Seat && row.SeenUtc is null ? LinesFor(row.Sections, term) : []
            )),
        ];

    /// <summary>The seats of which a student still wants to be told.</summary>
    public async Task<IReadOnlyList<SeatNoticeRecord>> SeatNoticesOfAsync(
        string person,
        TermId term,
        DateTime registrarNowUtc,
        CancellationToken cancellation
    ) =>
        [
            .. (
                await database
                    .SeatNotices.AsNoTracking()
                    .Where(row => row.Person == person && row.TermId == term.Value && row.ToldUtc == null)
                    .Where(row => row.EndsUtc == null || row.EndsUtc > registrarNowUtc)
                    .OrderBy(row => row.Id)
                    .ToListAsync(cancellation)
            ).Select(row => new SeatNoticeRecord(
                row.Id,
                Noticed(row.Sections, term),
                row.EndsUtc is { } ends ? DateTime.SpecifyKind(ends, DateTimeKind.Utc) : null
            )),
        ];

    /// <summary>Notes that a student wants to be told when all of some sections have a seat. Asked twice is asked once.</summary>
    /// <exception cref="Requests.RefusedException">There are too many already.</exception>
    public async Task AskAsync(
        string person,
        TermId term,
        IReadOnlySet<RegistrationNumber> sections,
        DateTime? endsUtc,
        CancellationToken cancellation
    )
    {
        List<string> numbers = [.. sections.Select(number => number.Value).Order(StringComparer.Ordinal)];
        await using (var transaction = await writes.BeginAsync(database, cancellation))
        {
            var open = await database
                .SeatNotices.Where(row => row.Person == person && row.TermId == term.Value && row.ToldUtc == null)
                .ToListAsync(cancellation);
            if (open.Find(row => row.Sections.SequenceEqual(numbers)) is { } same)
                same.EndsUtc = endsUtc;
            else if (open.Count >= MostSeatNotices)
                throw Refusals.ManyNotices(MostSeatNotices);
            else
                database.SeatNotices.Add(
                    new()
                    {
                        Person = person,
                        TermId = term.Value,
                        Sections = numbers,
                        CreatedUtc = clock.GetUtcNow().UtcDateTime,
                        EndsUtc = endsUtc,
                    }
                );
            await database.SaveChangesAsync(cancellation);
            await transaction.CommitAsync(cancellation);
        }
        news.Tell(PageNews.Registration, new { term = term.Value }, person);
        // A seat may be there already.
        await watch.LookAsync(cancellation);
    }

    /// <summary>A student does not want to be told any more.</summary>
    public async Task TakeBackAsync(string person, TermId term, long id, CancellationToken cancellation)
    {
        await using (var transaction = await writes.BeginAsync(database, cancellation))
        {
            await database
                .SeatNotices.Where(row => row.Id == id && row.Person == person && row.TermId == term.Value)
                .ExecuteDeleteAsync(cancellation);
            await transaction.CommitAsync(cancellation);
        }
        news.Tell(PageNews.Registration, new { term = term.Value }, person);
    }

    /// <summary>A student has seen some; what came meanwhile was not.</summary>
    public async Task SeenAsync(string person, TermId term, IReadOnlyList<long> ids, CancellationToken cancellation)
    {
        await using (var transaction = await writes.BeginAsync(database, cancellation))
        {
            await database
                .Notices.Where(row => row.Person == person && row.TermId == term.Value && row.SeenUtc == null)
                .Where(row => ids.Contains(row.Id))
                .ExecuteUpdateAsync(
                    row => row.SetProperty(one => one.SeenUtc, clock.GetUtcNow().UtcDateTime),
                    cancellation
                );
            await transaction.CommitAsync(cancellation);
        }
        news.Tell(PageNews.Registration, new { term = term.Value }, person);
    }

    private IReadOnlyList<LineToRegister> LinesFor(IReadOnlyList<string> numbers, TermId term)
    {
        var snapshot = catalogue.Get(term.Value);
        var courses = HeldCourse.Among(snapshot, numbers.Select(number => new RegistrationNumber(number)));
        return courses.All(one => WholeBundle.Of(snapshot.Find(one.Course)!, one.Sections.ToHashSet()) is not null)
            ? [.. courses.Select(one => PressLines.Of(new(one.Course, one.Sections)))]
            : [];
    }

    private IReadOnlyList<NoticedSection> Noticed(IReadOnlyList<string> numbers, TermId term)
    {
        var snapshot = catalogue.Get(term.Value);
        return [.. numbers.Select(number => NoticedSection.Of(number, snapshot))];
    }
}
