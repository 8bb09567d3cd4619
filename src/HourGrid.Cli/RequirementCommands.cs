using System.CommandLine;
using System.CommandLine.Parsing;
using System.Globalization;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Eligibility;
using HourGrid.Core.Records;
using HourGrid.Core.Requirements;
using HourGrid.Core.Requirements.Ahead;
using HourGrid.Formats.Catalogue;
using HourGrid.Formats.Json;
using HourGrid.Formats.Records;
using HourGrid.Formats.Requirements;

namespace HourGrid.Cli;

/// <summary><c>audit</c> and <c>terms-ahead</c>: what a record leaves a programme short of, and when that can be done.</summary>
internal static class RequirementCommands
{
    private static readonly Option<FileInfo> ProgrammeFile = new("--programme")
    {
        Description = "The programme file (docs/formats/programme.md).",
        Required = true,
    };

    private static readonly Option<FileInfo> RecordFile = new("--record")
    {
        Description = "The record file (docs/formats/record.md).",
        Required = true,
    };

    private static readonly Option<FileInfo> CatalogueFile = new("--catalogue")
    {
        Description = "The catalogue file (docs/formats/catalogue.md): subjects, attributes and credits of courses.",
    };

    private static readonly Option<string> Term = new("--term")
    {
        Description = "A term of the catalogue: which of its courses make less short.",
    };

    private static readonly Option<int> Terms = new("--terms")
    {
        Description = $"Looks so many terms ahead, {TermsAheadQuestion.MostTerms} at most.",
        DefaultValueFactory = _ => TermsAheadQuestion.UsualTerms,
    };

    private static readonly Option<decimal?> Maximum = new("--maximum")
    {
        Description = "The most credits of a term; the record's where nothing is said.",
    };

    public static Command Audit()
    {
        var command = new Command("audit", "What a record leaves a programme short of, as JSON.")
        {
            ProgrammeFile,
            RecordFile,
            CatalogueFile,
            Term,
        };
        command.Validators.Add(result =>
        {
            if (result.GetResult(Term) is not null && result.GetResult(CatalogueFile) is null)
                result.AddError("--term wants a --catalogue.");
        });
        command.SetAction(AuditAsync);
        return command;
    }

    private static Task<int> AuditAsync(ParseResult parsed, CancellationToken cancellation) =>
        RunAsync(
            "audit",
            parsed,
            input =>
            {
                var audit = RequirementAudit.Of(
                    input.Programme,
                    input.Record,
                    input.Courses,
                    cancellation: cancellation
                );
                var helps = parsed.GetValue(Term) is { } term
                    ? HelpingCourses.Of(
                        input.Programme,
                        input.Courses,
                        QuestionOf(input, term),
                        cancellation: cancellation
                    )
                    : null;
                return AuditJson.Write(audit, helps);
            },
            cancellation
        );

    public static Command EndInSight()
    {
        var command = new Command(
            "terms-ahead",
            "When the programme can be complete, and what waiting costs, as JSON."
        )
        {
            ProgrammeFile,
            RecordFile,
            CatalogueFile,
            Term,
            Terms,
            Maximum,
        };
        command.Validators.Add(result =>
        {
            foreach (var needed in new Option[] { CatalogueFile, Term })
                if (result.GetResult(needed) is null)
                    result.AddError($"Option '{needed.Name}' is required.");
            if (result.GetResult(Terms) is { } terms && !IsNumber(terms, out var number))
                result.AddError($"--terms wants a whole number, 0 to {TermsAheadQuestion.MostTerms}.");
            if (
                result.GetResult(Maximum) is { Tokens: [var token] }
                && !(
                    decimal.TryParse(token.Value, CultureInfo.InvariantCulture, out var credits)
                    && Credits.TryOf(credits, out _)
                )
            )
                result.AddError($"--maximum wants credits, 0 to {Credits.Max}, two decimals at most.");
        });
        command.SetAction(TermsAheadAsync);
        return command;

        static bool IsNumber(OptionResult result, out int number)
        {
            number = 0;
            return result.Tokens.Count == 0
                || (
                    result.Tokens is [var token]
                    && int.TryParse(token.Value, NumberStyles.None, CultureInfo.InvariantCulture, out number)
                    && number <= TermsAheadQuestion.MostTerms
                );
        }
    }

    private static Task<int> TermsAheadAsync(ParseResult parsed, CancellationToken cancellation) =>
        RunAsync(
            "terms-ahead",
            parsed,
            input =>
            {
                var question = QuestionOf(input, parsed.GetRequiredValue(Term));
                return TermsAheadJson.Write(
                    TermsAhead.Of(
                        new(
                            input.Programme,
                            input.Record,
                            input.Courses,
                            TermCycle.Of(input.Catalogue!.Terms, input.Catalogue.Seasons, question.Term)
                        )
                        {
                            Terms = parsed.GetValue(Terms),
                            Maximum = parsed.GetValue(Maximum) is { } maximum
                                ? Credits.Of(maximum)
                                : input.Record.Load.Maximum,
                        },
                        question,
                        cancellation: cancellation
                    )
                );
            },
            cancellation
        );

    private static async Task<int> RunAsync(
        string command,
        ParseResult parsed,
        Func<Input, byte[]> answer,
        CancellationToken cancellation
    )
    {
        var outlets = Outlets.Of(parsed);
        try
        {
            var programme = await ReadAsync(ProgrammeFile, ProgrammeJson.Read);
            var record = await ReadAsync(RecordFile, RecordJson.Read);
            var catalogue = parsed.GetValue(CatalogueFile) is null
                ? null
                : await ReadAsync(CatalogueFile, CatalogueJson.Read);
            var input = new Input(programme, record, catalogue, new(catalogue?.Courses ?? []));
            await outlets.Bytes.WriteAsync(answer(input), cancellation);
            await outlets.Bytes.WriteAsync("\n"u8.ToArray(), cancellation);
            return 0;
        }
        catch (Exception problem)
            when (problem is IOException or UnauthorizedAccessException or FormatProblemsException)
        {
            await outlets.Error.WriteLineAsync($"hg {command}: {problem.Message}");
            return InputFile.WrongInput;
        }

        Task<T> ReadAsync<T>(Option<FileInfo> option, Func<ReadOnlyMemory<byte>, Reading<T>> read) =>
            InputFile.ReadAsync(command, parsed.GetRequiredValue(option), read, outlets.Error, cancellation);
    }

    /// <exception cref="FormatProblemsException">The catalogue has no such term.</exception>
    private static EligibilityQuestion QuestionOf(Input input, string term)
    {
        var terms = input.Catalogue!.Terms;
        return terms.Any(one => one.Id.Value == term)
            ? new(input.Record, new(term), terms.ToDictionary(one => one.Id, one => one.Start))
            : throw new FormatProblemsException([
                new("--term", term, $"one of {string.Join(", ", terms.Select(one => one.Id))}"),
            ]);
    }

    private sealed record Input(
        Programme Programme,
        StudentRecord Record,
        UniversityCatalogue? Catalogue,
        CourseBook Courses
    );
}
