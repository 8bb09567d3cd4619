namespace HourGrid.Cli;

internal static class Program
{
    private static async Task<int> Main(string[] arguments)
    {
        await using var output = Console.OpenStandardOutput();
        return await Commands.RunAsync(arguments, new Outlets(output, Console.Error));
    }
}
