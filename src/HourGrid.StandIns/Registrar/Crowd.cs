using HourGrid.StandIns.Campus;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.StandIns.Registrar;

/// <summary>How many seats a second the simulated students take and give.</summary>
public sealed class CrowdSettings
{
    public const double Calm = 0.5;

    public double ChangesPerSecond { get; set; } = Calm;
}

/// <summary>Simulated students: each takes a seat of some section, or gives one up, now and then.</summary>
internal sealed partial class Crowd(
    CrowdSettings settings,
    CampusWrites writes,
    IDbContextFactory<CampusContext> contexts,
    CampusClock clock,
    ILogger<Crowd> log
) : BackgroundService
{
    private const int Seed = 2041;

    private IReadOnlyList<(string Term, string Number)>? sections;

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        var random = new Random(Seed);
        while (!stoppingToken.IsCancellationRequested)
            try
            {
                var pace = settings.ChangesPerSecond;
                await Task.Delay(TimeSpan.FromSeconds(pace > 0 ? 1 / pace : 1), stoppingToken);
                if (pace > 0)
                    await ComeOrGoAsync(random, stoppingToken);
            }
            catch (DbUpdateException problem)
            {
                LogMissed(problem);
            }
    }

    private async Task ComeOrGoAsync(Random random, CancellationToken cancellation)
    {
        // Which sections there are does not change; whether one is open is seen when somebody comes.
        sections ??= await SectionsAsync(cancellation);
        if (sections.Count == 0)
            return;
        var (term, number) = sections[random.Next(sections.Count)];
        var comes = random.Next(5) > 0;
        await writes.ChangeAsync(
            async (changed, events) =>
            {
                var section = (await changed.Sections.FindAsync([term, number], cancellation))!;
                if (section.Status != "Open" || await IsOverAsync(changed, term, cancellation))
                    return false;
                // Nobody takes what is not there; a pool is filled by all its sections together.
                var taken = section.SeatsShared is null
                    ? section.Enrolled
                    : await changed
                        .Sections.Where(row => row.Term == section.Term && row.SeatsShared == section.SeatsShared)
                        .SumAsync(row => row.Enrolled, cancellation);
                if (comes ? taken >= section.Capacity : section.Enrolled == 0)
                    return false;
                section.Enrolled += comes ? 1 : -1;
                events.Seats(section);
                return true;
            },
            cancellation
        );
    }

    private async Task<IReadOnlyList<(string Term, string Number)>> SectionsAsync(CancellationToken cancellation)
    {
        await using var campus = await contexts.CreateDbContextAsync(cancellation);
        var all = await campus
            .Sections.OrderBy(row => row.Term)
            .ThenBy(row => row.Number)
            .Select(row => new { row.Term, row.Number })
            .ToListAsync(cancellation);
        return [.. all.Select(row => (row.Term, row.Number))];
    }

    /// <summary>Whether a term is closed: then no seat of it moves.</summary>
    private Task<bool> IsOverAsync(CampusContext campus, string term, CancellationToken cancellation)
    {
        var now = clock.UtcNow;
        return campus.Phases.AnyAsync(
            row => row.Term == term && row.Phase == "closed" && row.FromUtc <= now,
            cancellation
        );
    }

    [LoggerMessage(Level = LogLevel.Warning, Message = "A simulated student could not be seen to.")]
    private partial void LogMissed(Exception problem);
}
