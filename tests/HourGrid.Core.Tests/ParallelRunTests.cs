using HourGrid.Core.Work;

namespace HourGrid.Core.Tests;

/// <summary>Work that several threads do together.</summary>
public sealed class ParallelRunTests
{
    [Theory]
    [InlineData(0)]
    [InlineData(1)]
    [InlineData(1_000)]
    public void Each_thing_is_given_once(int count)
    {
        var given = new int[count];
        ParallelRun.ForEach(count, one => Interlocked.Increment(ref given[one]));
        Assert.All(given, times => Assert.Equal(1, times));
    }

    [Fact]
    public void What_fails_on_another_thread_fails_here_once_all_have_done()
    {
        var working = 0;
        var here = Environment.CurrentManagedThreadId;
        using var begun = new ManualResetEventSlim();
        Assert.Throws<ArithmeticException>(() =>
            ParallelRun.ForEach(
                1_000,
                _ =>
                {
                    Interlocked.Increment(ref working);
                    try
                    {
                        if (Environment.CurrentManagedThreadId != here || Environment.ProcessorCount == 1)
                        {
                            begun.Set();
                            throw new ArithmeticException();
                        }
                        begun.Wait();
                    }
                    finally
                    {
                        Interlocked.Decrement(ref working);
                    }
                }
            )
        );
        Assert.Equal(0, working);
    }
}
