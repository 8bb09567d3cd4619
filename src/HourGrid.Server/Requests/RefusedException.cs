namespace HourGrid.Server.Requests;

/// <summary>
/// A request is refused, and its sender told why. Whoever finds out throws it; <see cref="ProblemSetup"/> makes the answer.
/// </summary>
/// <param name="details">What the sender is told; its status and sentence are set.</param>
internal sealed class RefusedException(ProblemDetails details) : Exception(details.Detail)
{
    public ProblemDetails Details => details;

    /// <summary>When to come again; null where that would change nothing.</summary>
    public TimeSpan? RetryAfter { get; init; }
}
