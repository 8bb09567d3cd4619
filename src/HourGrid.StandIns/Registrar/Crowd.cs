using HourGrid.Core.Catalogue;
using HourGrid.StandIns.Campus;
using HourGrid.StandIns.Registering;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.StandIns.Registrar;

/// <summary>How many simulated students there are, and how many lines they send a second.</summary>
public sealed class CrowdSettings
{
    public const double Calm = 0.5;
    public const int Usual = 200;
    public const double Rush = 200;

    public double LinesPerSecond { get; set; } = Calm;

    public int Students { get; set; } = Usual;

    /// <summary>The course they want above all; null where any.</summary>
    public string? Wants { get; set; }
}

/// <summary>
/// Simulated students, who do what students do: register, wait, swap and drop, each line through the same rules as
/// everybody’s. What they draw follows from a seed.
/// </summary>
internal sealed partial class Crowd(
    CrowdSettings settings,
    RegistrationTurns turns,
    CampusCatalogue catalogue,
    IDbContextFactory<CampusContext> contexts,
    CampusClock clock,
    ILogger<Crowd> log
) : BackgroundService
{
    private const int Seed = 2041;
    private const int Tries = 20;

    /// <summary>Lines of a rush are sent in handfuls.</summary>
    private static readonly TimeSpan Handful = TimeSpan.FromMilliseconds(50);

    private readonly Random random = new(Seed);

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        var due = 0.0;
        while (!stoppingToken.IsCancellationRequested)
            try
            {
                var pace = settings.LinesPerSecond;
                var pause = pace > 0 && pace < 1 / Handful.TotalSeconds ? TimeSpan.FromSeconds(1 / pace) : Handful;
                await Task.Delay(pause, stoppingToken);
                for (due += pace * pause.TotalSeconds; due >= 1; due--)
                    if (await DrawAsync(stoppingToken) is { } request)
                        _ = SendAsync(request);
            }
            catch (Exception problem) when (problem is not OperationCanceledException)
            {
                LogMissed(problem);
            }
    }

    private async Task SendAsync(RegistrationRequest request)
    {
        try
        {
            await turns.DoAsync(request);
        }
        catch (Exception problem)
        {
            LogMissed(problem);
        }
    }

    /// <summary>What somebody does next; null where no term takes registrations.</summary>
    private async Task<RegistrationRequest?> DrawAsync(CancellationToken cancellation)
    {
        await using var campus = await contexts.CreateDbContextAsync(cancellation);
        if (TermNow(campus) is not { } snapshot)
            return null;
        var term = snapshot.Term.Id.Value;
        var student = CrowdStudents.Number(random.Next(Math.Max(1, settings.Students)));
        var held = await campus
            .Registrations.AsNoTracking()
            .Where(row => row.Student == student && row.Term == term && row.DroppedUtc == null)
            .ToListAsync(cancellation);
        var line = random.Next(10) switch
        {
            0 when held.Count > 0 => Drop(held),
            1 when held.Count > 0 => Swap(snapshot, held),
            _ => Take(snapshot),
        };
        return line is null ? null : new($"{Guid.NewGuid():N}", student, term, [line]);
    }

    private CatalogueSnapshot? TermNow(CampusContext campus) =>
        catalogue
            .Whole.Terms.OrderByDescending(term => term.Start)
            .Where(term =>
                TermPhases.Of(campus, term.Id.Value).At(clock.UtcNow)
                    is TermPhases.ByTurn
                        or TermPhases.Open
                        or TermPhases.Change
            )
            .Select(term => catalogue.Of(term.Id.Value))
            .FirstOrDefault();

    private LineRecord? Take(CatalogueSnapshot snapshot)
    {
        for (var tried = 0; tried < Tries; tried++)
        {
            var wanted = settings.Wants is { } course ? snapshot.Find(new CourseId(course)) : null;
            var offered = wanted ?? snapshot.Courses[random.Next(snapshot.Courses.Count)];
            if (BundleOf(offered) is { } numbers)
                return new(
                    offered.Course.Id.Value,
                    numbers,
                    random.Next(3) == 0 ? LineRecord.Wait : LineRecord.Leave
                );
        }
        return null;
    }

    private LineRecord? Swap(CatalogueSnapshot snapshot, List<RegistrationRow> held)
    {
        var one = held[random.Next(held.Count)];
        return snapshot.Find(new CourseId(one.Course)) is { } offered && BundleOf(offered) is { } numbers
            ? new(one.Course, numbers, GivingUp: [one.Number])
            : null;
    }

    private LineRecord Drop(List<RegistrationRow> held)
    {
        var one = held[random.Next(held.Count)];
        return new(one.Course, [], GivingUp: [one.Number]);
    }

    /// <summary>A bundle of a course, drawn section by section; null where none was found.</summary>
    private string[]? BundleOf(OfferedCourse offered)
    {
        var arrangements = offered.SectionsOffered.GroupBy(section => section.Section.Arrangement).ToArray();
        if (arrangements.Length == 0)
            return null;
        for (var tried = 0; tried < Tries; tried++)
        {
            RegistrationNumber[] drawn =
            [
                .. arrangements[random.Next(arrangements.Length)]
                    .GroupBy(section => section.Section.Component)
                    .Select(component => component.ElementAt(random.Next(component.Count())).Number),
            ];
            if (Core.Timetables.WholeBundle.Of(offered, drawn.ToHashSet()) is not null)
                return [.. drawn.Select(number => number.Value)];
        }
        return null;
    }

    [LoggerMessage(Level = LogLevel.Warning, Message = "A simulated student could not be seen to.")]
    private partial void LogMissed(Exception problem);
}
