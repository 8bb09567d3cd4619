using System.CommandLine;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Formats.Answers;
using HourGrid.Formats.Asking;
using HourGrid.Formats.Catalogue;
using HourGrid.Formats.Json;
using HourGrid.Formats.Wording;

namespace HourGrid.Cli;

/// <summary><c>solve</c>: answers an ask against a catalogue and prints the answer as JSON.</summary>
internal static class SolveCommand
{
    private static readonly Option<FileInfo> Catalogue = new("--catalogue")
    {
        Description = "The catalogue file (docs/formats/catalogue.md).",
        Required = true,
    };

    private static readonly Option<FileInfo> AskFile = new("--ask")
    {
        Description = "The ask file (docs/formats/ask.md).",
        Required = true,
    };

    private static readonly Option<int> Top = Number("--top", "The best so many timetables.");
    private static readonly Option<int> Offset = Number("--offset", "Passes over so many of the best.");
    private static readonly Option<int> FallbacksOf = Number(
        "--fallbacks",
        "What to do if a section filled, for each section of the best so many timetables."
    );
    private static readonly Option<int> SpreadOf = Number(
        "--spread",
        "So many of the best week shapes that differ most from each other."
    );
    private static readonly Option<int> Budget = Number(
        "--budget-ms",
        "Milliseconds it may take; what is not known by then is said to be the least there is."
    );
    private static readonly Option<bool> Shapes = Flag("--shapes", "Ranks week shapes, each at its best timetable.");
    private static readonly Option<bool> Explain = Flag("--explain", "Why there is none, and what would help.");
    private static readonly Option<bool> Costs = Flag("--costs", "What each rule costs.");
    private static readonly Option<bool> Sections = Flag("--sections", "In how many timetables each section is.");

    private static readonly Option<bool> All = Flag(
        "--all",
        "Every timetable, a line of JSON each; with --budget-ms at most."
    );

    private static readonly Option<string[]> Courses = new("--what-if")
    {
        Description = "The count with this course added as a must; may be given again.",
    };

    public static Command Create()
    {
        var command = new Command("solve", "Answers an ask: counts, the best, standings, costs, reasons, fallbacks.")
        {
            Catalogue,
            AskFile,
            Top,
            Offset,
            Shapes,
            Explain,
            Costs,
            Sections,
            FallbacksOf,
            SpreadOf,
            Courses,
            Budget,
            All,
        };
        command.Validators.Add(result =>
        {
            var others = command.Options.Except([Catalogue, AskFile, Budget, All]);
            if (
                result.GetResult(All) is not null
                && others.FirstOrDefault(one => result.GetResult(one) is not null) is { } other
            )
                result.AddError($"--all prints lines of timetables and nothing else: leave {other.Name} out.");
        });
        command.SetAction(RunAsync);
        return command;
    }

    private static Option<int> Number(string name, string description)
    {
        var option = new Option<int>(name) { Description = description };
        option.Validators.Add(result =>
        {
            if (result.Tokens is not [var token] || !int.TryParse(token.Value, out var number) || number < 0)
                result.AddError($"{name} wants a whole number, 0 or more.");
        });
        return option;
    }

    private static Option<bool> Flag(string name, string description) => new(name) { Description = description };

    private static async Task<int> RunAsync(ParseResult parsed, CancellationToken cancellation)
    {
        var outlets = Outlets.Of(parsed);
        var parts = Parts(parsed);
        var warm = WarmUp.RunAsync(parts, cancellation);
        try
        {
            var catalogue = await InputFile.ReadAsync(
                "solve",
                parsed.GetRequiredValue(Catalogue),
                CatalogueJson.Read,
                outlets.Error,
                cancellation
            );
            var ask = await InputFile.ReadAsync(
                "solve",
                parsed.GetRequiredValue(AskFile),
                AskJson.Read,
                outlets.Error,
                cancellation
            );
            var snapshot =
                catalogue.SnapshotOf(ask.Term)
                ?? throw new AskRefusedException("term", AskFault.NoSuchTerm, ask.Term.Value);
            await warm;
            // What was read and thrown away is collected now, so that the answer is not stopped for it.
            GC.Collect();
            if (parsed.GetValue(All))
                EveryTimetable.Write(snapshot, ask, outlets.Bytes, parts.Budget, cancellation);
            else
                await outlets.Bytes.WriteAsync(AnswerFile.Write(snapshot, ask, parts, cancellation), cancellation);
            return 0;
        }
        catch (Exception problem)
            when (problem
                    is IOException
                        or UnauthorizedAccessException
                        or AskRefusedException
                        or AskTooLargeException
                        or FormatProblemsException
            )
        {
            await outlets.Error.WriteLineAsync($"hg solve: {WordsOf(problem)}");
            return InputFile.WrongInput;
        }
    }

    private static string WordsOf(Exception problem) =>
        problem switch
        {
            AskRefusedException refused => AskWords.Of(refused),
            AskTooLargeException tooLarge => AskWords.Of(tooLarge),
            _ => problem.Message,
        };

    private static AnswerParts Parts(ParseResult parsed) =>
        new()
        {
            Top = parsed.GetValue(Top),
            Offset = parsed.GetValue(Offset),
            Shapes = parsed.GetValue(Shapes),
            Explain = parsed.GetValue(Explain),
            Costs = parsed.GetValue(Costs),
            Sections = parsed.GetValue(Sections),
            Fallbacks = parsed.GetValue(FallbacksOf),
            Spread = parsed.GetValue(SpreadOf),
            WhatIf = [.. (parsed.GetValue(Courses) ?? []).Select(course => new CourseId(course))],
            Budget = parsed.GetResult(Budget) is null ? null : TimeSpan.FromMilliseconds(parsed.GetValue(Budget)),
        };
}
