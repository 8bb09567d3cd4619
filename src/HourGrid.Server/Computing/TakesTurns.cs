namespace HourGrid.Server.Computing;

/// <summary>Endpoints that compute, which is all they do: their handlers wait for nothing.</summary>
internal static class TakesTurns
{
    /// <summary>Computes when it is the sender's turn.</summary>
    public static T InTurn<T>(this T endpoints)
        where T : IEndpointConventionBuilder => endpoints.InTurn(isWhole: false);

    /// <summary>The same for what does not yield to others while it works.</summary>
    public static T InTurnWhole<T>(this T endpoints)
        where T : IEndpointConventionBuilder => endpoints.InTurn(isWhole: true);

    private static T InTurn<T>(this T endpoints, bool isWhole)
        where T : IEndpointConventionBuilder =>
        endpoints.AddEndpointFilter(
            async (context, next) =>
            {
                var http = context.HttpContext;
                var answer = await http
                    .RequestServices.GetRequiredService<StudentQueue>()
                    .RunAsync(() => next(context), http.RequestAborted, isWhole);
                return await answer;
            }
        );
}
