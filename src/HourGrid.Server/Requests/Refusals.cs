using Microsoft.AspNetCore.Http.HttpResults;

namespace HourGrid.Server.Requests;

/// <summary>Refusals that several endpoints give.</summary>
internal static class Refusals
{
    public static ProblemHttpResult NoSuchTerm(string term) =>
        TypedResults.Problem(
            statusCode: StatusCodes.Status404NotFound,
            detail: $"There is no term {term} in the catalogue."
        );
}
