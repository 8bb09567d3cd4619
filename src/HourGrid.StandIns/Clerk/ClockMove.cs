using HourGrid.StandIns.Campus;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.StandIns.Clerk;

/// <summary>Moves the registrar’s clock.</summary>
internal sealed class ClockMove(CampusWrites writes, CampusClock clock, TimeProvider machine)
{
    /// <summary>So that a moment is so many seconds ahead; stays where there is no such moment.</summary>
    /// <returns>Whether there is such a moment.</returns>
    public async Task<bool> ToAsync(
        string term,
        Func<CampusContext, Task<DateTime?>> moment,
        int seconds,
        CancellationToken cancellation
    )
    {
        var moved = await writes.ChangeAsync(
            async (campus, log) =>
            {
                if (await moment(campus) is not { } at)
                    return (TimeSpan?)null;
                var by = at - TimeSpan.FromSeconds(seconds) - machine.GetUtcNow().UtcDateTime;
                // Whole seconds, and never too few: now is not a moment before.
                var ahead = (long)Math.Ceiling(by.TotalSeconds);
                (await campus.Clocks.SingleAsync(cancellation)).AheadSeconds = ahead;
                log.Clock(term);
                return TimeSpan.FromSeconds(ahead);
            },
            cancellation
        );
        if (moved is { } ahead)
            clock.Ahead = ahead;
        return moved is not null;
    }
}
