using System.Text.Json;
using HourGrid.Server.News;
using HourGrid.Server.Registrar;

namespace HourGrid.Server.Records;

/// <summary>Has records read again of which the registrar tells that something changed, and tells their students' pages.</summary>
internal sealed class RecordListener(KnownRecords records, PageNews news) : IRegistrarListener
{
    private const string Clock = "clock";

    public bool MustReadAgain => false;

    public Task<long?> ReadAsync(RegistrarClient registrar, CancellationToken cancellation)
    {
        // What is remembered may have changed while nothing was heard.
        records.AgeAll();
        return Task.FromResult<long?>(null);
    }

    public Task TakeAsync(IReadOnlyList<RegistrarEvent> events, CancellationToken cancellation)
    {
        // What is held is no part of a record.
        foreach (var one in events.Where(one => !one.IsOfStanding))
        {
            if (one.Kind == Clock)
            {
                // Everybody's turn is at another time than it seemed.
                records.AgeAll();
                news.Tell(PageNews.Missed, new { });
                continue;
            }
            using var what = JsonDocument.Parse(one.Json);
            if (what.RootElement.TryGetProperty("student", out var student))
            {
                records.Age(student.GetString()!);
                news.Tell(PageNews.Record, new { }, student.GetString());
            }
        }
        return Task.CompletedTask;
    }

    public void Lose() { }
}
