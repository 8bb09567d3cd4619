using System.CommandLine;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Eligibility;
using HourGrid.Core.Records;
using HourGrid.Core.Requirements;
using HourGrid.Formats.Catalogue;
using HourGrid.Formats.Json;
using HourGrid.Formats.Records;
using HourGrid.Formats.Requirements;

namespace HourGrid.Cli;

/// <summary><c>audit</c>: what a record leaves a programme short of.</summary>
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

    private static async Task<int> RunAsync(
        string command,
        ParseResult parsed,
        Func<Input, byte[]> answer,
        CancellationToken cancellation
    )
    {
        try
        {
            var programme = await ReadAsync(ProgrammeFile, ProgrammeJson.Read);
            var record = await ReadAsync(RecordFile, RecordJson.Read);
            var catalogue = parsed.GetValue(CatalogueFile) is null
                ? null
                : await ReadAsync(CatalogueFile, CatalogueJson.Read);
            var input = new Input(programme, record, catalogue, new(catalogue?.Courses ?? []));
            await using var output = Console.OpenStandardOutput();
            await output.WriteAsync(answer(input), cancellation);
            await output.WriteAsync("\n"u8.ToArray(), cancellation);
            return 0;
        }
        catch (Exception problem)
            when (problem is IOException or UnauthorizedAccessException or FormatProblemsException)
        {
            await Console.Error.WriteLineAsync($"hg {command}: {problem.Message}");
            return InputFile.WrongInput;
        }

        Task<T> ReadAsync<T>(Option<FileInfo> option, Func<ReadOnlyMemory<byte>, Reading<T>> read) =>
            InputFile.ReadAsync(command, parsed.GetRequiredValue(option), read, cancellation);
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
