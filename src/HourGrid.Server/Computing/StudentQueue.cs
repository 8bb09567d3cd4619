using HourGrid.Server.Requests;

namespace HourGrid.Server.Computing;

/// <summary>The queue for who sent the request.</summary>
internal sealed class StudentQueue(FairQueue queue, IHttpContextAccessor http)
{
    /// <inheritdoc cref="FairQueue.RunAsync"/>
    public Task<T> RunAsync<T>(Func<T> work, CancellationToken cancellation, bool isWhole = false) =>
        queue.RunAsync(RequestLimits.WhoAsks(http.HttpContext!), isWhole, work, cancellation);
}
