using System.Text.Json.Serialization;
using HourGrid.Core.Catalogue;
using HourGrid.Core.PutBy;
using HourGrid.Formats.Json;

namespace HourGrid.Formats.PutBy;

/// <summary>A timetable put by in the shape of its JSON form. Reading is <see cref="PutByJson"/>'s.</summary>
public sealed record PutByDocument(string Id, string Name, string Note, IReadOnlyList<SeenSectionDocument> Sections)
{
    public static PutByDocument Of(PutByTimetable one) =>
        new(one.Id.ToString(), one.Name, one.Note, [.. one.Sections.Select(SeenSectionDocument.Of)]);
}

/// <summary>A section as it was seen.</summary>
public sealed record SeenSectionDocument(
    string Number,
    string Course,
    string Component,
    string Label,
    IReadOnlyList<SeenMeetingDocument> Meetings
)
{
    public static SeenSectionDocument Of(SeenSection section) =>
        new(
            section.Number.Value,
            section.Course.Value,
            section.Component,
            section.Label,
            [.. section.Meetings.Select(SeenMeetingDocument.Of)]
        );
}

/// <summary>A weekday's meeting of it.</summary>
public sealed record SeenMeetingDocument(
    string Day,
    string Start,
    string End,
    IReadOnlyList<int> Weeks,
    string? Campus
)
{
    public static SeenMeetingDocument Of(Meeting meeting) =>
        new(
            Words.Days.Write(meeting.Day),
            meeting.Time.Start.ToString(),
            meeting.Time.End.ToString(),
            [.. meeting.Weeks.Weeks()],
            meeting.Campus?.Value
        );
}

/// <summary>What is picked for a term, in the shape of its JSON form.</summary>
public sealed record PicksDocument(
    IReadOnlyList<LineUpPlaceDocument> LineUp,
    LineUpPlaceDocument? Baseline,
    ChoiceDocument? Choice
)
{
    public static PicksDocument Of(TermPicks picks) =>
        new(
            [.. picks.LineUp.Select(LineUpPlaceDocument.Of)],
            picks.Baseline is { } baseline ? LineUpPlaceDocument.Of(baseline) : null,
            picks.Choice is { } choice ? ChoiceDocument.Of(choice) : null
        );
}

/// <summary>Which timetable of which sketch's shortlist.</summary>
public sealed record LineUpPlaceDocument(string Sketch, string Timetable)
{
    public static LineUpPlaceDocument Of(LineUpPlace place) =>
        new(place.Sketch.ToString(), place.Timetable.ToString());
}

/// <summary>The choice and what is prepared for it.</summary>
public sealed record ChoiceDocument(
    string Sketch,
    PutByDocument Timetable,
    IReadOnlyList<PreparedFallbackDocument> Fallbacks,
    PutByDocument? Second,
    IReadOnlyList<WhenFullDocument> WhenFull
)
{
    public static ChoiceDocument Of(Choice choice) =>
        new(
            choice.Sketch.ToString(),
            PutByDocument.Of(choice.Timetable),
            [
                .. choice.Fallbacks.Select(fallback => new PreparedFallbackDocument(
                    fallback.Section.Value,
                    [.. fallback.Instead.Select(SeenSectionDocument.Of)]
                )),
            ],
            choice.Second is { } second ? PutByDocument.Of(second) : null,
            [.. choice.WhenFull.Select(WhenFullDocument.Of)]
        );
}

/// <summary>What to do where a course is full: <c>leave</c>, <c>wait</c> or <c>waitLast</c>.</summary>
public sealed record WhenFullDocument(string Course, string WhenFull)
{
    /// <summary>How they are written.</summary>
    public static WordTable<WhenFull> Words { get; } =
        new(
            ("leave", Core.PutBy.WhenFull.Leave),
            ("wait", Core.PutBy.WhenFull.Wait),
            ("waitLast", Core.PutBy.WhenFull.WaitLast)
        );

    public static WhenFullDocument Of(CourseWhenFull one) => new(one.Course.Value, Words.Write(one.WhenFull));
}

/// <summary>What to take if a section fills.</summary>
public sealed record PreparedFallbackDocument(string Section, IReadOnlyList<SeenSectionDocument> Instead);

[JsonSourceGenerationOptions(PropertyNamingPolicy = JsonKnownNamingPolicy.CamelCase)]
[JsonSerializable(typeof(IReadOnlyList<PutByDocument>))]
[JsonSerializable(typeof(PicksDocument))]
internal sealed partial class PutByDocumentJson : JsonSerializerContext;
