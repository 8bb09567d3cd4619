using HourGrid.Data.Sketches;

namespace HourGrid.Data.Tests;

/// <summary>Writers take turns, in the order they came; whoever gives up or fails gives the turn on.</summary>
public sealed class WriteTurnsTests : IAsyncLifetime
{
    private readonly TestDatabase file = new();
    private readonly WriteTurns writes = new();

    public async ValueTask InitializeAsync() => await DatabaseFile.PrepareAsync(file.File);

    public ValueTask DisposeAsync()
    {
        writes.Dispose();
        file.Dispose();
        return ValueTask.CompletedTask;
    }

    [Fact]
    public async Task They_write_in_the_order_they_came()
    {
        var order = new List<int>();
        await using var first = file.Open();
        Task[] waiting;
        await using (var turn = await writes.BeginAsync(first, default))
        {
            waiting = [.. Enumerable.Range(0, 10).Select(WriteAsync)];
            Assert.Empty(order);
            await turn.CommitAsync(default);
        }
        await Task.WhenAll(waiting);
        Assert.Equal(Enumerable.Range(0, 10), order);
        await using var after = file.Open();
        Assert.Equal(10, after.Students.Count());

        async Task WriteAsync(int number)
        {
            await using var database = file.Open();
            await using var turn = await writes.BeginAsync(database, default);
            order.Add(number);
            database.Students.Add(new StudentRow { Id = Guid.NewGuid(), CreatedUtc = DateTime.UtcNow });
            await database.SaveChangesAsync();
            await turn.CommitAsync(default);
        }
    }

    [Fact]
    public async Task What_is_not_committed_did_not_happen_and_the_next_one_writes()
    {
        await using (var database = file.Open())
        await using (await writes.BeginAsync(database, default))
        {
            database.Students.Add(new StudentRow { Id = Guid.NewGuid(), CreatedUtc = DateTime.UtcNow });
            await database.SaveChangesAsync();
        }
        await using var next = file.Open();
        await using var turn = await writes.BeginAsync(next, default);
        Assert.Equal(0, next.Students.Count());
    }

    [Fact]
    public async Task Who_leaves_the_line_holds_up_nobody()
    {
        await using var first = file.Open();
        await using var second = file.Open();
        using var left = new CancellationTokenSource();
        Task<WriteTurn> leaving;
        await using (await writes.BeginAsync(first, default))
        {
            leaving = writes.BeginAsync(second, left.Token);
            await left.CancelAsync();
            await Assert.ThrowsAnyAsync<OperationCanceledException>(() => leaving);
        }
        await using var third = file.Open();
        await using var turn = await writes.BeginAsync(third, default);
        await turn.CommitAsync(default);
    }
}
