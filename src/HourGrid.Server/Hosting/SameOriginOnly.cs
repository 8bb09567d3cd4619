using HourGrid.Server.Wording;

namespace HourGrid.Server.Hosting;

/// <summary>
/// Refuses changes that another site's page sends with the student's cookie. Browsers say where a request comes
/// from in Sec-Fetch-Site and in Origin; programs that are no browsers send neither and carry no one's cookie.
/// </summary>
internal sealed class SameOriginOnly : IEndpointFilter
{
    public ValueTask<object?> InvokeAsync(EndpointFilterInvocationContext context, EndpointFilterDelegate next)
    {
        var request = context.HttpContext.Request;
        var from = request.Headers["Sec-Fetch-Site"].ToString();
        if (HttpMethods.IsGet(request.Method) || (from is "" or "same-origin" or "none" && IsOwn(request)))
            return next(context);
        throw Refusals.OtherSite();
    }

    /// <summary>Whether the page that sends it, where it says which, is of this very host.</summary>
    private static bool IsOwn(HttpRequest request)
    {
        var origin = request.Headers.Origin.ToString();
        return origin.Length == 0
            || string.Equals(origin, $"{request.Scheme}://{request.Host}", StringComparison.OrdinalIgnoreCase);
    }
}
