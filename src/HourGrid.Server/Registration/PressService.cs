using System.Text.Json;
using HourGrid.Core.Catalogue;
using HourGrid.Data;
using HourGrid.Data.Registration;
using HourGrid.Server.News;
using HourGrid.Server.Registrar;
using HourGrid.Server.Wording;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Server.Registration;

/// <summary>What a person sent to the registrar, and what came of it.</summary>
internal sealed class PressService(
    HourGridContext database,
    WriteTurns writes,
    PressSender sender,
    PageNews news,
    TimeProvider clock
)
{
    /// <summary>
    /// Writes lines down and has them sent. The same key again is the same press; whoever sends it does not know what
    /// became of it.
    /// </summary>
    /// <exception cref="Requests.RefusedException">The key belongs to other lines.</exception>
    public async Task PressAsync(
        string person,
        TermId term,
        string key,
        IReadOnlyList<LineToRegister> lines,
        CancellationToken cancellation
    )
    {
        var row = new PressRow
        {
            Key = key,
            Person = person,
            TermId = term.Value,
            LinesJson = PressLines.Write(lines),
            SentUtc = clock.GetUtcNow().UtcDateTime,
        };
        await using (var transaction = await writes.BeginAsync(database, cancellation))
        {
            if (
                await database.Presses.AsNoTracking().SingleOrDefaultAsync(one => one.Key == key, cancellation) is
                { } before
            )
            {
                if (before.Person != person || before.TermId != row.TermId || before.LinesJson != row.LinesJson)
                    throw Refusals.OtherPress();
                return;
            }
            database.Presses.Add(row);
            await database.SaveChangesAsync(cancellation);
            await transaction.CommitAsync(cancellation);
        }
        sender.Send(row.Id, person);
        // Other windows show that it was sent.
        news.Tell(PageNews.Registration, new { term = term.Value }, person);
    }

    /// <summary>All that a person sent in a term, the first first.</summary>
    public async Task<IReadOnlyList<PressRecord>> OfAsync(
        string person,
        TermId term,
        CancellationToken cancellation
    ) =>
        [
            .. (
                await database
                    .Presses.AsNoTracking()
                    .Where(row => row.Person == person && row.TermId == term.Value)
                    .OrderBy(row => row.Id)
                    .ToListAsync(cancellation)
            ).Select(RecordOf),
        ];

    private static PressRecord RecordOf(PressRow row) =>
        new(
            row.Key,
            Utc(row.SentUtc),
            row.AnsweredUtc is { } answered ? Utc(answered) : null,
            PressLines.Read(row.LinesJson),
            row.AnswerJson is { } json
                ? JsonSerializer.Deserialize<RegistrationAnswer>(json, JsonSerializerOptions.Web)
                : null,
            row.Refused
        );

    private static DateTime Utc(DateTime time) => DateTime.SpecifyKind(time, DateTimeKind.Utc);
}
