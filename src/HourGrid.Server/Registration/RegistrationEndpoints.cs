using System.Security.Claims;
using HourGrid.Core.Catalogue;
using HourGrid.Server.Catalogue;
using HourGrid.Server.Records;
using HourGrid.Server.Registrar;
using HourGrid.Server.Requests;
using HourGrid.Server.Wording;

namespace HourGrid.Server.Registration;

/// <summary>Registering: what is held, what would come of it, the press, and being told of seats.</summary>
internal static class RegistrationEndpoints
{
    public static void MapRegistration(this IEndpointRouteBuilder api)
    {
        var registration = api.MapGroup("/terms/{term}/registration").RequireAuthorization().LimitAtOnce();
        registration.MapGet("/", OfAsync).WithName("Registration");
        registration.MapPost("/readiness", ReadinessAsync).WithName("Readiness");
        registration.MapPost("/checks", CheckAsync).WithName("CheckLines");
        registration.MapPost("/changes", ChangeAsync).WithName("ChangeTo");
        registration.MapPost("/presses", PressAsync).WithName("Press");
        registration.MapGet("/presses", PressesAsync).WithName("Presses");
        registration.MapPost("/seat-notices", AskToBeToldAsync).WithName("AddSeatNotice");
        registration.MapDelete("/seat-notices/{id:long}", TakeBackAsync).WithName("RemoveSeatNotice");
        registration.MapPost("/notices/seen", SeenAsync).WithName("NoticesSeen");
    }

    private static Task<RegistrationRecord> OfAsync(
        string term,
        ClaimsPrincipal user,
        RegistrationService registration,
        CurrentCatalogue catalogue,
        CancellationToken cancellation
    ) => registration.OfAsync(EligibleCourses.NumberOf(user), IdOf(term, catalogue), cancellation);

    private static Task<ReadinessRecord> ReadinessAsync(
        string term,
        Body<ReadinessRequest> body,
        ClaimsPrincipal user,
        RegistrationService registration,
        CurrentCatalogue catalogue,
        CancellationToken cancellation
    ) =>
        registration.ReadinessAsync(
            EligibleCourses.NumberOf(user),
            IdOf(term, catalogue),
            body.Value.Picks.Choice ?? throw Refusals.NothingChosen(),
            [.. body.Value.Order.Select(number => new RegistrationNumber(number))],
            cancellation
        );

    private static Task<RegistrationAnswer> CheckAsync(
        string term,
        Body<CheckRequest> body,
        ClaimsPrincipal user,
        RegistrationService registration,
        CurrentCatalogue catalogue,
        CancellationToken cancellation
    ) =>
        registration.CheckAsync(
            EligibleCourses.NumberOf(user),
            IdOf(term, catalogue),
            body.Value.Lines,
            cancellation
        );

    private static Task<ChangeRecord> ChangeAsync(
        string term,
        Body<ChangeRequest> body,
        ClaimsPrincipal user,
        RegistrationService registration,
        CurrentCatalogue catalogue,
        CancellationToken cancellation
    ) =>
        registration.ChangeAsync(
            EligibleCourses.NumberOf(user),
            IdOf(term, catalogue),
            body.Value.Sections,
            cancellation
        );

    /// <summary>Written down, and sent from there: what becomes of it is told when it is known.</summary>
    private static Task<PressRecord> PressAsync(
        string term,
        Body<PressRequest> body,
        ClaimsPrincipal user,
        PressService presses,
        CurrentCatalogue catalogue
    ) => presses.PressAsync(EligibleCourses.NumberOf(user), IdOf(term, catalogue), body.Value.Key, body.Value.Lines);

    /// <summary>What was sent is known here also while the registrar says nothing.</summary>
    private static async Task<PressesRecord> PressesAsync(
        string term,
        ClaimsPrincipal user,
        PressService presses,
        CurrentCatalogue catalogue,
        CancellationToken cancellation
    ) =>
        new(
            catalogue.TimeZone,
            await presses.OfAsync(EligibleCourses.NumberOf(user), IdOf(term, catalogue), cancellation)
        );

    private static async Task<SeatNoticesRecord> AskToBeToldAsync(
        string term,
        Body<SeatNoticeRequest> body,
        ClaimsPrincipal user,
        RegistrationService registration,
        NoticeService notices,
        RegistrarClock registrarClock,
        CurrentCatalogue catalogue,
        CancellationToken cancellation
    )
    {
        var student = EligibleCourses.NumberOf(user);
        var snapshot = catalogue.Get(term);
        foreach (var number in body.Value.Sections)
            if (snapshot.Find(number) is null)
                throw Refusals.NoSuchSection(number.Value, snapshot.Term);
        var standing = await registration.StandingAsync(student, snapshot.Term.Id, cancellation);
        await notices.AskAsync(
            student,
            snapshot.Term.Id,
            body.Value.Sections,
            standing.Standing.PhaseEndsUtc,
            cancellation
        );
        return new(await notices.SeatNoticesOfAsync(student, snapshot.Term.Id, registrarClock.UtcNow, cancellation));
    }

    private static async Task<SeatNoticesRecord> TakeBackAsync(
        string term,
        long id,
        ClaimsPrincipal user,
        NoticeService notices,
        RegistrarClock registrarClock,
        CurrentCatalogue catalogue,
        CancellationToken cancellation
    )
    {
        var (student, ofTerm) = (EligibleCourses.NumberOf(user), IdOf(term, catalogue));
        await notices.TakeBackAsync(student, ofTerm, id, cancellation);
        return new(await notices.SeatNoticesOfAsync(student, ofTerm, registrarClock.UtcNow, cancellation));
    }

    private static async Task<NoticesRecord> SeenAsync(
        string term,
        Body<SeenRequest> body,
        ClaimsPrincipal user,
        NoticeService notices,
        CurrentCatalogue catalogue,
        CancellationToken cancellation
    )
    {
        var (student, ofTerm) = (EligibleCourses.NumberOf(user), IdOf(term, catalogue));
        await notices.SeenAsync(student, ofTerm, body.Value.Notices, cancellation);
        return new(await notices.OfAsync(student, ofTerm, cancellation));
    }

    private static TermId IdOf(string term, CurrentCatalogue catalogue) => catalogue.Get(term).Term.Id;
}
