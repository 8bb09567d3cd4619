namespace HourGrid.StandIns.Registrar;

/// <summary>What goes wrong on purpose, so that it can be seen and tested what Hour Grid does then.</summary>
public sealed class FaultSettings
{
    private int losing;
    private Losing what;

    /// <summary>What of an answer to a registration is lost after it was done.</summary>
    public enum Losing
    {
        Nothing,

        /// <summary>All of it: the connection is cut.</summary>
        Answer,

        /// <summary>The connection is cut in the middle of it.</summary>
        HalfOfAnswer,
    }

    /// <summary>How long every answer takes.</summary>
    public TimeSpan Delay { get; set; }

    /// <summary>Whether every request is answered 503.</summary>
    public bool IsDown { get; set; }

    /// <summary>Whether answers are no JSON.</summary>
    public bool IsNonsense { get; set; }

    /// <summary>Has so many of the next answers to registrations lost.</summary>
    public void Lose(Losing lost, int answers)
    {
        what = lost;
        Interlocked.Exchange(ref losing, answers);
    }

    /// <summary>How many answers are still to be lost.</summary>
    public int Left => Volatile.Read(ref losing);

    /// <summary>Whether the next answer is to be lost in this way.</summary>
    public bool LosesNext(Losing lost)
    {
        if (what != lost || Left == 0)
            return false;
        if (Interlocked.Decrement(ref losing) >= 0)
            return true;
        Interlocked.Exchange(ref losing, 0);
        return false;
    }
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
