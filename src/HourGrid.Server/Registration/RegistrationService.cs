using HourGrid.Core.Catalogue;
using HourGrid.Core.PutBy;
using HourGrid.Core.Registration;
using HourGrid.Server.Catalogue;
using HourGrid.Server.Records;
using HourGrid.Server.Registrar;
using HourGrid.Server.Wording;

namespace HourGrid.Server.Registration;

/// <summary>What a student holds, what would come of lines, and the lines that make a choice or a change come true.</summary>
internal sealed class RegistrationService(
    KnownRecords records,
    RegistrarClient registrar,
    PressService presses,
    NoticeService notices,
    CurrentCatalogue catalogue,
    RegistrarClock registrarClock,
    TimeProvider clock
)
{
    /// <summary>All that stands about a student's registration for a term.</summary>
    public async Task<RegistrationRecord> OfAsync(string student, TermId term, CancellationToken cancellation)
    {
        var known = await StandingAsync(student, term, cancellation);
        var standing = known.Standing with
        {
            // The registrar's clock has gone on since.
            NowUtc = known.Standing.NowUtc + (clock.GetUtcNow() - known.AsOf),
        };
        registrarClock.Read(standing.NowUtc);
        return new(
            standing,
            known.AsOf.UtcDateTime,
            known.IsCurrent,
            catalogue.TimeZone,
            await presses.OfAsync(student, term, cancellation),
            await notices.OfAsync(student, term, cancellation),
            await notices.SeatNoticesOfAsync(student, term, standing.NowUtc, cancellation)
        );
    }

    /// <summary>The lines that register a choice, and what would come of them.</summary>
    public async Task<ReadinessRecord> ReadinessAsync(
        string student,
        TermId term,
        Choice choice,
        IReadOnlyList<RegistrationNumber> order,
        CancellationToken cancellation
    )
    {
        var held = HeldIn((await StandingAsync(student, term, cancellation)).Standing);
        LineToRegister[] lines = [.. ChoiceLines.Of(choice, held, order).Select(PressLines.Of)];
        return new(lines, lines.Length == 0 ? null : await CheckAsync(student, term, lines, cancellation));
    }

    /// <summary>What would come of lines if they were sent now.</summary>
    public async Task<RegistrationAnswer> CheckAsync(
        string student,
        TermId term,
        IReadOnlyList<LineToRegister> lines,
        CancellationToken cancellation
    )
    {
        try
        {
            return await registrar.CheckAsync(new(null, student, term.Value, lines), cancellation);
        }
        catch (RegistrarSilentException)
        {
            throw Refusals.RegistrarSilent();
        }
    }

    /// <summary>How to come from what is held to other sections.</summary>
    public async Task<ChangeRecord> ChangeAsync(
        string student,
        TermId term,
        IReadOnlySet<RegistrationNumber> sections,
        CancellationToken cancellation
    )
    {
        var held = HeldIn((await StandingAsync(student, term, cancellation)).Standing);
        var record = await records.OfAsync(student, cancellation);
        return ChangeRecord.Of(ChangePlan.Of(catalogue.Get(term.Value), held, sections, record.Record.Load.Maximum));
    }

    /// <summary>What a student holds and waits for.</summary>
    /// <exception cref="Requests.RefusedException">The registrar does not answer and never did.</exception>
    public async Task<KnownStanding> StandingAsync(string student, TermId term, CancellationToken cancellation) =>
        await records.StandingOfAsync(student, term, cancellation) ?? throw Refusals.RegistrarSilent();

    private static HeldCourse[] HeldIn(Standing standing) =>
        [
            .. standing.Held.Select(one => new HeldCourse(
                new(one.Course),
                [.. one.Sections.Select(number => new RegistrationNumber(number))]
            )),
        ];
}
