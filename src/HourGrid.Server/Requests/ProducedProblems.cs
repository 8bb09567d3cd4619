namespace HourGrid.Server.Requests;

/// <summary>Says in the API's description with what problems an endpoint answers; its body says it of itself.</summary>
internal static class ProducedProblems
{
    private const string Type = "application/problem+json";

    public static RouteHandlerBuilder ProducesProblems(this RouteHandlerBuilder endpoint) =>
        endpoint
            .ProducesProblem(StatusCodes.Status400BadRequest, Type)
            .ProducesProblem(StatusCodes.Status422UnprocessableEntity, Type);

    /// <summary>A change to an older version is answered with what there is now.</summary>
    public static RouteHandlerBuilder ProducesStale<T>(this RouteHandlerBuilder endpoint)
        where T : ProblemDetails => endpoint.Produces<T>(StatusCodes.Status409Conflict, Type);
}
