namespace HourGrid.Core.Tests.Drawn;

/// <summary>How many cases a test draws: <c>./hg test --long</c> draws many more.</summary>
internal static class Draws
{
    private static readonly int Factor = int.TryParse(Environment.GetEnvironmentVariable("HG_DRAWS"), out var factor)
        ? factor
        : 1;

    public static int Of(int usual) => usual * Factor;
}
