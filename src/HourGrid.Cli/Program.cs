using System.CommandLine;
using HourGrid.Cli;

var root = new RootCommand("Hour Grid on the command line.")
{
    SolveCommand.Create(),
    RequirementCommands.Audit(),
    RequirementCommands.EndInSight(),
    CatalogueCommands.Import(),
    CatalogueCommands.Export(),
};

// Parsing errors are wrong input too: one status for both.
var parsed = root.Parse(args);
if (parsed.Errors.Count > 0)
{
    await Console.Error.WriteLineAsync($"hg: {parsed.Errors[0].Message}");
    return InputFile.WrongInput;
}
return await parsed.InvokeAsync();
