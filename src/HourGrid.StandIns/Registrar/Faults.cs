namespace HourGrid.StandIns.Registrar;

/// <summary>What goes wrong on purpose, so that it can be seen and tested what Hour Grid does then.</summary>
public sealed class FaultSettings
{
    /// <summary>How long every answer takes.</summary>
    public TimeSpan Delay { get; set; }

    /// <summary>Whether every request is answered 503.</summary>
    public bool IsDown { get; set; }

    /// <summary>Whether answers are no JSON.</summary>
    public bool IsNonsense { get; set; }
}

/// <summary>Makes the registrar's service fail as it is told to.</summary>
internal sealed class Faults(FaultSettings settings) : IEndpointFilter
{
    public async ValueTask<object?> InvokeAsync(EndpointFilterInvocationContext context, EndpointFilterDelegate next)
    {
        if (settings.Delay > TimeSpan.Zero)
            await Task.Delay(settings.Delay, context.HttpContext.RequestAborted);
        if (settings.IsDown)
            return TypedResults.StatusCode(StatusCodes.Status503ServiceUnavailable);
        return settings.IsNonsense ? TypedResults.Text("<p>It works!</p>", "application/json") : await next(context);
    }
}
