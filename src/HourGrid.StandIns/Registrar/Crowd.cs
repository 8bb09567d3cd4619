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
        var now = clock.UtcNow;
        await using var campus = await contexts.CreateDbContextAsync(cancellation);
        // Of a term that is over, or not open yet, no seat moves.
        var terms = await campus
            .Phases.GroupBy(row => row.Term)
            .Where(phases => !phases.Any(phase => phase.Phase == "closed" && phase.FromUtc <= now))
            .Select(phases => phases.Key)
            .ToListAsync(cancellation);
        var open = await campus
            .Sections.Where(row => terms.Contains(row.Term) && row.Status == "Open")
            .OrderBy(row => row.Number)
            .Select(row => new { row.Term, row.Number })
            .ToListAsync(cancellation);
        if (open.Count == 0)
            return;
        var one = open[random.Next(open.Count)];
        var comes = random.Next(5) > 0;
        await writes.ChangeAsync(
            async (changed, events) =>
            {
                var section = (await changed.Sections.FindAsync([one.Term, one.Number], cancellation))!;
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

    [LoggerMessage(Level = LogLevel.Warning, Message = "A simulated student could not be seen to.")]
    private partial void LogMissed(Exception problem);
}
