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
    PressWrites writes,
    PressSender sender,
    PageNews news,
    TimeProvider clock
)
{
    /// <summary>
    /// Writes lines down and has them sent. The same key again is the same press; whoever sends it does not know what
    /// became of it.
    /// </summary>
    /// <returns>The press as it is written down.</returns>
    /// <exception cref="Requests.RefusedException">The key belongs to other lines.</exception>
    public async Task<PressRecord> PressAsync(
        string person,
        TermId term,
        string key,
        IReadOnlyList<LineToRegister> lines
    )
    {
        var sent = clock.GetUtcNow().UtcDateTime;
        var json = PressLines.Write(lines);
        var written = await writes.SaveAsync(async all =>
        {
            if (await all.Presses.AsNoTracking().SingleOrDefaultAsync(one => one.Key == key) is { } before)
                return (Row: before, IsNew: false);
            var row = new PressRow
            {
                Key = key,
                Person = person,
                TermId = term.Value,
                LinesJson = json,
                SentUtc = sent,
            };
            all.Presses.Add(row);
            return (Row: row, IsNew: true);
        });
        if (!written.IsNew)
        {
            var before = written.Row;
            if (before.Person != person || before.TermId != term.Value || before.LinesJson != json)
                throw Refusals.OtherPress();
            return RecordOf(before);
        }
        sender.Send(written.Row);
        // Other windows show that it was sent; the one that sent it knows.
        news.Tell(PageNews.Registration, new { term = term.Value, sent = key }, person);
        return RecordOf(written.Row);
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
