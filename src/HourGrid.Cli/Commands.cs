using System.CommandLine;

namespace HourGrid.Cli;

/// <summary>The commands, and one run of one of them.</summary>
internal static class Commands
{
    private static readonly RootCommand Root = new("Hour Grid on the command line.")
    {
        SolveCommand.Create(),
        RequirementCommands.Audit(),
        RequirementCommands.EndInSight(),
        CatalogueCommands.Import(),
        CatalogueCommands.Export(),
    };

    /// <returns>The exit status.</returns>
    public static async Task<int> RunAsync(IReadOnlyList<string> arguments, Outlets outlets)
    {
        // Parsing errors are wrong input too: one status for both.
        var parsed = Root.Parse(arguments);
        if (parsed.Errors.Count > 0)
        {
            await outlets.Error.WriteLineAsync($"hg: {parsed.Errors[0].Message}");
            return InputFile.WrongInput;
        }
        return await parsed.InvokeAsync(outlets);
    }
}
