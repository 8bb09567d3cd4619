namespace HourGrid.Server.Tests;

/// <summary>Many students save at once: each save is taken, and is there.</summary>
public sealed class ManyWritersTests(RunningServer server) : IClassFixture<RunningServer>
{
    private const int Students = 24;
    private const int Saves = 8;

    [Fact]
    public async Task Every_save_is_taken()
    {
        var saved = await Task.WhenAll(Enumerable.Range(0, Students).Select(_ => SaveOftenAsync()));
        Assert.All(saved, courses => Assert.Equal(["TID 210", "ACO 220"], courses));
    }

    private async Task<string[]> SaveOftenAsync()
    {
        using var student = await server.StudentAsync();
        var sketch = await student.OpenSketchAsync();
        for (var i = 1; i <= Saves; i++)
        {
            var ask = i % 2 == 0 ? Requests.AskFor("TID 210", "ACO 220") : Requests.AskFor("TID 210");
            sketch = (await student.SaveAsync(sketch, ask).JsonAsync())["sketch"]!;
        }
        return (await student.OpenSketchAsync()).Courses();
    }
}
