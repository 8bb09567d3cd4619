using System.Threading.Channels;
using HourGrid.StandIns.Campus;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.StandIns.Registering;

/// <summary>
/// Takes requests in the order they come, and does all that wait in one transaction (group commit): one after the other in
/// memory, on the disk together, and only then is anybody answered. A request that is not on the disk was not done.
/// </summary>
internal sealed class RegistrationTurns(CampusWrites writes, CampusCatalogue catalogue) : BackgroundService
{
    /// <summary>So that who comes first does not wait for too many.</summary>
    private const int MostTogether = 100;

    private readonly Channel<Waiting> queue = Channel.CreateUnbounded<Waiting>();

    /// <summary>Does a request; one with a key that was answered before gets that answer.</summary>
    /// <exception cref="RequestRefusedException">It cannot be looked at at all.</exception>
    public async Task<RegistrationAnswer> DoAsync(RegistrationRequest request)
    {
        var waiting = new Waiting(request, new(TaskCreationOptions.RunContinuationsAsynchronously));
        await queue.Writer.WriteAsync(waiting);
        return await waiting.Answer.Task;
    }

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        var together = new List<Waiting>();
        while (await queue.Reader.WaitToReadAsync(stoppingToken))
        {
            together.Clear();
            while (together.Count < MostTogether && queue.Reader.TryRead(out var next))
                together.Add(next);
            await DoTogetherAsync(together);
        }
    }

    private async Task DoTogetherAsync(List<Waiting> together)
    {
        try
        {
            var answers = await writes.ChangeAsync(
                (campus, log) => Task.FromResult(Answers(campus, log, together)),
                CancellationToken.None
            );
            foreach (var (waiting, answer) in together.Zip(answers))
                answer.GiveTo(waiting.Answer);
        }
        catch (Exception problem) when (together.Count > 1 && problem is DbUpdateException or SqliteException)
        {
            // One that cannot be written does not take the others along.
            foreach (var one in together)
                await DoTogetherAsync([one]);
        }
        catch (Exception problem)
        {
            foreach (var one in together)
                one.Answer.TrySetException(problem);
        }
    }

    private Outcome[] Answers(CampusContext campus, EventLog log, List<Waiting> together)
    {
        var keys = together.Select(one => one.Request.Key!).ToArray();
        var answered = campus.AnsweredRequests.Where(row => keys.Contains(row.Key)).ToDictionary(row => row.Key);
        var books = new Dictionary<string, TermBooks>();
        foreach (var group in together.GroupBy(one => one.Request.Term))
            if (catalogue.Of(group.Key) is { } snapshot)
            {
                var terms = books[group.Key] = new(campus, log, catalogue, snapshot);
                terms.ReadAhead(
                    [.. group.Select(one => one.Request.Student)],
                    [.. group.SelectMany(one => RequestRun.SectionsOf(one.Request))]
                );
            }
        var outcomes = together
            .Select(one =>
            {
                var request = one.Request;
                var asked = RegistrationJson.Write(request);
                if (answered.TryGetValue(request.Key!, out var before))
                    return before.Asked == asked
                        ? new Outcome(RegistrationJson.Read<RegistrationAnswer>(before.Json), null)
                        : new(null, new RequestRefusedException("key: it was used for another request."));
                if (!books.TryGetValue(request.Term, out var terms))
                    return new(null, new RequestRefusedException($"term: there is no term {request.Term}."));
                if (terms.Student(request.Student) is null)
                    return new(null, new RequestRefusedException($"student: there is no student {request.Student}."));
                var answer = new RequestRun(terms, catalogue).Do(request);
                var row = new AnsweredRequestRow
                {
                    Key = request.Key!,
                    Student = request.Student,
                    Asked = asked,
                    Json = RegistrationJson.Write(answer),
                    AtUtc = log.NowUtc,
                };
                campus.AnsweredRequests.Add(row);
                answered.Add(row.Key, row);
                return new(answer, null);
            })
            .ToArray();
        foreach (var one in books.Values)
            one.TellSeats();
        // Numbers are given when it is saved; it is undone with the rest if the rest fails.
        campus.SaveChanges();
        return WithStandings(campus, log, books, together, outcomes);
    }

    /// <summary>With what each student holds now, which is not kept: the same key later is told how things are then.</summary>
    private Outcome[] WithStandings(
        CampusContext campus,
        EventLog log,
        Dictionary<string, TermBooks> books,
        List<Waiting> together,
        Outcome[] outcomes
    )
    {
        // Where nothing happened, all are known by their keys.
        var last = log.LastId ?? campus.Events.Max(row => (long?)row.Id) ?? 0;
        var done = together.Zip(outcomes).Where(one => one.Second.Answer is not null).ToArray();
        var standings = done.GroupBy(one => one.First.Request.Term)
            .ToDictionary(
                term => term.Key,
                term =>
                    Standing.Of(
                        campus,
                        books[term.Key],
                        catalogue,
                        [.. term.Select(one => one.First.Request.Student).Distinct()],
                        last
                    )
            );
        return
        [
            .. together.Zip(
                outcomes,
                (one, outcome) =>
                    outcome.Answer is { } answer
                        ? outcome with
                        {
                            Answer = answer with { Standing = standings[one.Request.Term][one.Request.Student] },
                        }
                        : outcome
            ),
        ];
    }

    private sealed record Waiting(RegistrationRequest Request, TaskCompletionSource<RegistrationAnswer> Answer);

    private sealed record Outcome(RegistrationAnswer? Answer, RequestRefusedException? Refused)
    {
        public void GiveTo(TaskCompletionSource<RegistrationAnswer> waiting)
        {
            if (Refused is { } refused)
                waiting.TrySetException(refused);
            else
                waiting.TrySetResult(Answer!);
        }
    }
}

/// <summary>A request that cannot be looked at, with what was found where.</summary>
internal sealed class RequestRefusedException(string why) : Exception(why);
