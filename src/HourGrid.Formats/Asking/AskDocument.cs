using System.Text.Json.Serialization;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Formats.Json;

namespace HourGrid.Formats.Asking;

/// <summary>An ask in the shape of its JSON form, for writing and for describing it. Reading is <see cref="AskJson"/>'s.</summary>
public sealed record AskDocument(
    string Format,
    int Version,
    string Term,
    IReadOnlyList<AskDocument.WantedCourseDocument> Wanted,
    IReadOnlyList<AskDocument.EitherOrDocument> EitherOr,
    AskDocument.CreditsDocument Credits,
    IReadOnlyList<AskDocument.TimeBlockDocument> TimeBlocks,
    IReadOnlyList<AskDocument.BreakDocument> Breaks,
    DayLimitsDocument DayLimits,
    AskDocument.CampusDocument Campus,
    IReadOnlyList<string> Modes,
    string Seats,
    IReadOnlyList<string> Registered,
    [property: JsonConverter(typeof(WeightsJson))] Weights Weights,
    AskDocument.OffDocument Off
)
{
    public sealed record WantedCourseDocument(
        string Course,
        string Role,
        IReadOnlyList<string> Keep,
        IReadOnlyList<string> RuleOut,
        IReadOnlyList<string> Instructors,
        IReadOnlyList<string> Modes,
        IReadOnlyList<string> Campuses,
        string? Seats
    );

    public sealed record EitherOrDocument(IReadOnlyList<string> Courses, TakeDocument Take, string Label);

    public sealed record TakeDocument(int Min, int Max);

    public sealed record CreditsDocument(decimal? Min, decimal? Max);

    public sealed record TimeBlockDocument(
        IReadOnlyList<string> Days,
        string Start,
        string End,
        string Strength,
        IReadOnlyList<int>? Weeks,
        string Label
    );

    public sealed record BreakDocument(
        IReadOnlyList<string> Days,
        string From,
        string To,
        int Minutes,
        string Strength
    );

    public sealed record CampusDocument(
        IReadOnlyList<string> Allowed,
        string? Preferred,
        bool RespectTravel,
        bool OnePerDay
    );

    public sealed record OffDocument(
        CreditsDocument Credits,
        IReadOnlyList<TimeBlockDocument> TimeBlocks,
        IReadOnlyList<BreakDocument> Breaks,
        DayLimitsDocument DayLimits,
        IReadOnlyList<string> Campuses,
        IReadOnlyList<string> Modes
    );

    public static AskDocument Of(Ask ask) =>
        new(
            AskJson.Format,
            1,
            ask.Term.Value,
            [
                .. ask.Wanted.Select(wanted => new WantedCourseDocument(
                    wanted.Course.Value,
                    Words.Roles.Write(wanted.Role),
                    Numbers(wanted.Keep),
                    Numbers(wanted.RuleOut),
                    wanted.Instructors,
                    [.. wanted.Modes.Select(Words.Modes.Write)],
                    [.. wanted.Campuses.Select(campus => campus.Value)],
                    wanted.Seats is { } seats ? Words.SeatsRules.Write(seats) : null
                )),
            ],
            [
                .. ask.EitherOr.Select(either => new EitherOrDocument(
                    [.. either.Courses.Select(course => course.Value)],
                    new(either.Min, either.Max),
                    either.Label
                )),
            ],
            Of(ask.Credits),
            [.. ask.TimeBlocks.Select(Of)],
            [.. ask.Breaks.Select(Of)],
            DayLimitsDocument.Of(ask.DayLimits),
            new(
                [.. ask.Campus.Allowed.Select(campus => campus.Value)],
                ask.Campus.Preferred?.Value,
                ask.Campus.RespectTravel,
                ask.Campus.OnePerDay
            ),
            [.. ask.Modes.Select(Words.Modes.Write)],
            Words.SeatsRules.Write(ask.Seats),
            Numbers(ask.Registered),
            ask.Weights,
            new(
                Of(ask.Off.Credits),
                [.. ask.Off.TimeBlocks.Select(Of)],
                [.. ask.Off.Breaks.Select(Of)],
                DayLimitsDocument.Of(ask.Off.DayLimits),
                [.. ask.Off.Campuses.Select(campus => campus.Value)],
                [.. ask.Off.Modes.Select(Words.Modes.Write)]
            )
        );

    private static CreditsDocument Of(CreditBounds bounds) => new(bounds.Min?.Value, bounds.Max?.Value);

    public static TimeBlockDocument Of(TimeBlock block) =>
        new(
            Words.Write(block.Days),
            block.Time.Start.ToString(),
            block.Time.End.ToString(),
            Words.Strengths.Write(block.Strength),
            block.Weeks == WeekSet.All ? null : [.. block.Weeks.Weeks()],
            block.Label
        );

    private static BreakDocument Of(Break wanted) =>
        new(
            Words.Write(wanted.Days),
            wanted.Window.Start.ToString(),
            wanted.Window.End.ToString(),
            wanted.Minutes,
            Words.Strengths.Write(wanted.Strength)
        );

    private static IReadOnlyList<string> Numbers(IReadOnlyList<RegistrationNumber> numbers) =>
        [.. numbers.Select(number => number.Value)];
}

[JsonSourceGenerationOptions(PropertyNamingPolicy = JsonKnownNamingPolicy.CamelCase, WriteIndented = true)]
[JsonSerializable(typeof(AskDocument))]
internal sealed partial class AskDocumentJson : JsonSerializerContext;
