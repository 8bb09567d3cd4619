namespace HourGrid.Server.Hosting;

/// <summary>
/// Refuses changes that another site's page sends with the student's cookie. Browsers say where a request comes
/// from in Sec-Fetch-Site; programs that are no browsers send nothing and carry no one's cookie.
/// </summary>
internal sealed class SameOriginOnly : IEndpointFilter
{
    public ValueTask<object?> InvokeAsync(EndpointFilterInvocationContext context, EndpointFilterDelegate next)
    {
        var request = context.HttpContext.Request;
        var from = request.Headers["Sec-Fetch-Site"].ToString();
        if (HttpMethods.IsGet(request.Method) || from is "" or "same-origin" or "none")
            return next(context);
        return ValueTask.FromResult<object?>(
            TypedResults.Problem(
                statusCode: StatusCodes.Status403Forbidden,
                detail: "Changes are only taken from Hour Grid's own pages."
            )
        );
    }
}
