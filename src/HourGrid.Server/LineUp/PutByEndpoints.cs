using System.ComponentModel.DataAnnotations;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.PutBy;
using HourGrid.Server.Computing;
using HourGrid.Server.Requests;
using HourGrid.Server.Wording;
using HourGrid.Server.Workbench;

namespace HourGrid.Server.LineUp;

/// <summary>Answers about timetables that were put by.</summary>
internal static class PutByEndpoints
{
    public static void MapPutBy(this IEndpointRouteBuilder api)
    {
        var answers = api.MapGroup("/answers").RequireAuthorization().InTurn();
        answers.MapPost("/put-by", PutBy).WithName("PutBy");
        answers.MapPost("/compared", Compare).WithName("Compare");
        answers.MapPost("/survival", Survival).WithName("Survival");
        answers.MapPost("/nearest", Nearest).WithName("Nearest");
        answers.MapPost("/place", Place).WithName("Place");
        answers.MapPost("/name", Name).WithName("ProposeName");
    }

    private static PutByStatesRecord PutBy(
        Body<PutByRequest> body,
        PutByService putBy,
        CancellationToken cancellation
    ) => new(putBy.States(body.Value.Ask, body.Value.Timetables, cancellation));

    private static ComparisonRecord Compare(Body<ComparisonRequest> body, PutByService putBy) =>
        putBy.Compare(body.Value.Ask, body.Value.Timetables);

    private static SurvivalRecord Survival(
        Body<SectionsRequest> body,
        PutByService putBy,
        CancellationToken cancellation
    )
    {
        var (ask, sections) = body.Value;
        putBy.RequireAny(ask, sections);
        return putBy.Survival(ask, sections, cancellation) ?? throw Refusals.NoTimetable();
    }

    private static NearestRecord Nearest(
        Body<SectionsRequest> body,
        PutByService putBy,
        CancellationToken cancellation
    ) => putBy.Nearest(body.Value.Ask, body.Value.Sections, cancellation);

    private static PlaceRecord Place(
        Body<SectionsRequest> body,
        AnswerService answers,
        CancellationToken cancellation
    ) => answers.Place(body.Value.Ask, body.Value.Sections, cancellation);

    private static NameRecord Name(Body<NameRequest> body, PutByService putBy, CancellationToken cancellation)
    {
        var (ask, sections, taken) = body.Value;
        putBy.RequireAny(ask, sections);
        return new(putBy.Name(ask, sections, taken, cancellation));
    }
}

/// <param name="Ask">What is asked.</param>
/// <param name="Timetables">Timetables put by, each with an id of its own.</param>
internal sealed record PutByRequest(Ask Ask, IReadOnlyList<PutByTimetable> Timetables);

/// <param name="Ask">What is asked; its weights say what matters.</param>
/// <param name="Timetables">Timetables put by, each with an id of its own.</param>
internal sealed record ComparisonRequest(
    Ask Ask,
    [property: MinLength(1), MaxLength(TermPicks.MostInLineUp)] IReadOnlyList<PutByTimetable> Timetables
);

/// <param name="Ask">What is asked.</param>
/// <param name="Sections">The registration numbers of a timetable.</param>
/// <param name="Taken">Names it must not take.</param>
internal sealed record NameRequest(
    Ask Ask,
    [property: MaxLength(PutByTimetable.MostSections)] IReadOnlySet<RegistrationNumber> Sections,
    [property: MaxLength(200)] IReadOnlyList<string> Taken
);
