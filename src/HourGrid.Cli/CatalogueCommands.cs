using System.CommandLine;
using System.Data.Common;
using System.Globalization;
using HourGrid.Core.Catalogue;
using HourGrid.Data.Catalogue;
using HourGrid.Formats.Catalogue;
using HourGrid.Formats.Json;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Cli;

/// <summary><c>import</c> and <c>export</c>: a catalogue into the database and out of it, as JSON or CSV.</summary>
internal static class CatalogueCommands
{
    private const int MostNamed = 20;

    private static readonly Argument<FileInfo> From = new("file")
    {
        Description =
            "A catalogue: .json (docs/formats/catalogue.md), or .csv (docs/formats/catalogue-csv.md); or a programme (docs/formats/programme.md).",
    };

    private static readonly Argument<FileInfo> To = new("file") { Description = "Where to write: .json or .csv." };

    private static readonly Option<DirectoryInfo> Data = new("--data")
    {
        Description = "The data folder of the server; it may be running.",
        Required = true,
    };

    private static readonly Option<string> OfProgramme = new("--programme")
    {
        Description = "Writes the programme with this id instead of the catalogue.",
    };

    private static readonly Option<bool> Remove = new("--remove")
    {
        Description =
            "Takes away what the file does not have, also where it is more than a tenth of a term's sections.",
    };

    public static Command Import()
    {
        var command = new Command(
            "import",
            "Imports a catalogue or a programme, all of it or nothing, and says what changed."
        )
        {
            From,
            Data,
            Remove,
        };
        command.SetAction(ImportAsync);
        return command;
    }

    public static Command Export()
    {
        var command = new Command(
            "export",
            "Writes the catalogue of the database, or one of its programmes, to a file."
        )
        {
            To,
            Data,
            OfProgramme,
        };
        command.Validators.Add(result =>
        {
            if (result.GetResult(OfProgramme) is not null && result.GetValue(To) is { } file && IsCsv(file))
                result.AddError("A programme is written as .json.");
        });
        command.SetAction(ExportAsync);
        return command;
    }

    private static async Task<int> ImportAsync(ParseResult parsed, CancellationToken cancellation)
    {
        var outlets = Outlets.Of(parsed);
        try
        {
            var file = parsed.GetRequiredValue(From);
            var isCsv = IsCsv(file);
            if (!isCsv && await ProgrammeFiles.IsProgrammeAsync(file, cancellation))
            {
                await using var into = await DataFolder.OpenAsync(parsed.GetRequiredValue(Data), cancellation);
                await outlets.Output.WriteLineAsync(
                    Plain(await ProgrammeFiles.ImportAsync(into, file, outlets.Error, cancellation))
                );
                return 0;
            }
            // The database is opened while a file that says everything by itself is read.
            var opening = Task.Run(
                () => DataFolder.OpenAsync(parsed.GetRequiredValue(Data), cancellation),
                cancellation
            );
            var reading = isCsv ? null : ReadAsync(CatalogueJson.Read);
            await using var database = await opening;
            var catalogue = await (reading ?? ReadAsync(await OverKeptAsync(database, cancellation)));
            var changes = await CatalogueImport.ImportAsync(
                database,
                catalogue,
                TimeProvider.System.GetUtcNow().UtcDateTime,
                parsed.GetValue(Remove),
                cancellation
            );
            await outlets.Output.WriteAsync(Plain(Say(catalogue, changes)));
            return 0;

            Task<UniversityCatalogue> ReadAsync(Func<ReadOnlyMemory<byte>, Reading<UniversityCatalogue>> read) =>
                InputFile.ReadAsync("import", file, read, outlets.Error, cancellation);
        }
        catch (RemovalRefusedException refused)
        {
            foreach (var removal in refused.Removals)
                await outlets.Error.WriteLineAsync(Plain($"hg import: {Say(removal)}"));
            await outlets.Error.WriteLineAsync(
                "hg import: nothing was changed. If the file is whole and this is meant, say so with --remove."
            );
            return InputFile.WrongInput;
        }
        catch (FormatProblemsException refused)
        {
            foreach (var problem in refused.Problems)
                await outlets.Error.WriteLineAsync(Plain($"hg import: {problem}"));
            await outlets.Error.WriteLineAsync("hg import: nothing was changed.");
            return InputFile.WrongInput;
        }
        catch (Exception problem)
            when (problem is IOException or UnauthorizedAccessException or CommandException or ImportUnderWayException
            )
        {
            await outlets.Error.WriteLineAsync($"hg import: {problem.Message} Nothing was changed.");
            return InputFile.WrongInput;
        }
        catch (Exception problem) when (problem is DbUpdateException or DbException)
        {
            await outlets.Error.WriteLineAsync(
                $"hg import: the catalogue cannot be kept: {problem.InnerException?.Message ?? problem.Message} Nothing was changed."
            );
            return InputFile.WrongInput;
        }
    }

    private static async Task<int> ExportAsync(ParseResult parsed, CancellationToken cancellation)
    {
        var outlets = Outlets.Of(parsed);
        try
        {
            var file = parsed.GetRequiredValue(To);
            var isCsv = IsCsv(file);
            await using var database = await DataFolder.OpenAsync(parsed.GetRequiredValue(Data), cancellation);
            if (parsed.GetValue(OfProgramme) is { } programme)
            {
                await WriteAsync(
                    await ProgrammeFiles.ExportAsync(database, programme, cancellation)
                        ?? throw new CommandException($"There is no programme {programme} in the database.")
                );
                await outlets.Output.WriteLineAsync(Plain($"{file.Name}: programme {programme}"));
                return 0;
            }
            var catalogue = await KeptAsync(database, cancellation);
            await WriteAsync(isCsv ? CatalogueCsv.Write(catalogue) : CatalogueJson.Write(catalogue));
            await outlets.Output.WriteLineAsync($"{file.Name}: {Counted(catalogue)}");
            return 0;

            // A file that is there is only replaced once the new one is whole.
            async Task WriteAsync(byte[] bytes)
            {
                var part = file.FullName + ".part";
                await File.WriteAllBytesAsync(part, bytes, cancellation);
                File.Move(part, file.FullName, overwrite: true);
            }
        }
        catch (Exception problem) when (problem is IOException or UnauthorizedAccessException or CommandException)
        {
            await outlets.Error.WriteLineAsync($"hg export: {problem.Message}");
            return InputFile.WrongInput;
        }
    }

    private static bool IsCsv(FileInfo file) =>
        file.Extension.ToLowerInvariant() switch
        {
            ".csv" => true,
            ".json" => false,
            var other => throw new CommandException(
                $"{file.Name}: found a file ending in \"{other}\"; expected .json or .csv."
            ),
        };

    private static async Task<Func<ReadOnlyMemory<byte>, Reading<UniversityCatalogue>>> OverKeptAsync(
        Data.HourGridContext database,
        CancellationToken cancellation
    )
    {
        var kept = await KeptAsync(database, cancellation);
        return bytes => CatalogueCsv.Read(bytes, kept);
    }

    private static async Task<UniversityCatalogue> KeptAsync(
        Data.HourGridContext database,
        CancellationToken cancellation
    ) =>
        (await CatalogueReading.ReadAsync(database, cancellation))?.Catalogue
        ?? throw new CommandException(
            "The database holds no catalogue yet. Import one as JSON first: only that has terms and campuses."
        );

    private static string Counted(UniversityCatalogue catalogue) =>
        string.Create(
            CultureInfo.InvariantCulture,
            $"{catalogue.Courses.Count} courses, {catalogue.Courses.Sum(course => course.Sections.Count)} sections, {catalogue.Terms.Count} terms"
        );

    private static string Say(TermRemoval removal)
    {
        var named = removal.Gone.Take(MostNamed).Select(one => $"{one.Number} ({one.Course} {one.Before!.Label})");
        var more = removal.Gone.Count > MostNamed ? $", and {removal.Gone.Count - MostNamed} more" : "";
        return $"{removal.Gone.Count} of {removal.Of} sections of {removal.Term} would go: {string.Join(", ", named)}{more}";
    }

    /// <summary>What comes from a file may hold characters that a terminal obeys.</summary>
    private static string Plain(string text) =>
        string.Concat(text.Select(one => char.IsControl(one) && one is not ('\n' or '\r') ? '\uFFFD' : one));

    private static string Say(UniversityCatalogue catalogue, CatalogueChanges changes)
    {
        var text = new StringWriter(CultureInfo.InvariantCulture);
        text.WriteLine($"{catalogue.Institution}: {Counted(catalogue)}");
        Line("courses new", changes.NewCourses.Select(course => course.Value));
        Line("courses gone", changes.GoneCourses.Select(course => course.Value));
        foreach (var (change, name) in Names)
            Line(
                $"sections {name}",
                changes
                    .Sections.Where(one => one.Change == change)
                    .Select(one => $"{one.Number} ({one.Course} {(one.After ?? one.Before)!.Label})")
            );
        return text.ToString();

        void Line(string what, IEnumerable<string> things)
        {
            var all = things.ToArray();
            var named = string.Join(", ", all.Take(MostNamed));
            var more = all.Length > MostNamed ? $", and {all.Length - MostNamed} more" : "";
            text.WriteLine(all.Length == 0 ? $"{what}: 0" : $"{what}: {all.Length}: {named}{more}");
        }
    }

    private static readonly (SectionChange Change, string Name)[] Names =
    [
        (SectionChange.New, "new"),
        (SectionChange.Gone, "gone"),
        (SectionChange.Moved, "moved"),
        (SectionChange.Seats, "with other seats"),
        (SectionChange.Other, "otherwise changed"),
    ];

    private sealed class CommandException(string message) : Exception(message);
}
