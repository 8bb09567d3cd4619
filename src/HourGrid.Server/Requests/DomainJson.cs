using System.Text.Json;
using System.Text.Json.Serialization;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Eligibility;
using HourGrid.Core.PutBy;
using HourGrid.Core.Requirements.Ahead;
using HourGrid.Formats.Asking;
using HourGrid.Formats.Json;
using HourGrid.Formats.PutBy;
using HourGrid.Formats.Requirements;
using HourGrid.Formats.Sketches;
using HourGrid.Formats.Timetables.Pictures;

namespace HourGrid.Server.Requests;

/// <summary>What of the domain may stand in a request, with who reads it and the document that describes it.</summary>
internal static class DomainJson
{
    /// <summary>The documents that describe what is read by a format's own reader.</summary>
    public static IReadOnlyDictionary<Type, Type> Documents { get; } =
        new Dictionary<Type, Type>
        {
            [typeof(Ask)] = typeof(AskDocument),
            [typeof(IReadOnlyList<PutByTimetable>)] = typeof(IReadOnlyList<PutByDocument>),
            [typeof(TermPicks)] = typeof(PicksDocument),
            [typeof(AheadPlan)] = typeof(PlanDocument),
            [typeof(SketchContent)] = typeof(SketchDocument),
            [typeof(IReadOnlySet<RegistrationNumber>)] = typeof(IReadOnlyList<string>),
            [typeof(IReadOnlyList<CourseId>)] = typeof(IReadOnlyList<string>),
            [typeof(CourseId)] = typeof(string),
            [typeof(PictureTheme)] = typeof(string),
            [typeof(GrantKind)] = typeof(string),
        };

    public static void AddDomain(this JsonSerializerOptions json)
    {
        json.Converters.Add(new Reader<Ask>(element => AskJson.Read(element).Value));
        json.Converters.Add(new Reader<IReadOnlyList<PutByTimetable>>(element => PutByJson.Shortlist(element).Value));
        json.Converters.Add(new Reader<TermPicks>(element => PutByJson.Picks(element).Value));
        json.Converters.Add(new Reader<AheadPlan>(element => PlanJson.Read(element).Value));
        json.Converters.Add(new Reader<SketchContent>(element => SketchJson.Read(element).Value));
        json.Converters.Add(new Reader<RegistrationNumber>(element => new(Text(element))));
        json.Converters.Add(new Reader<CourseId>(element => new(Text(element))));
        json.Converters.Add(
            new Reader<IReadOnlySet<RegistrationNumber>>(element =>
                element.Deserialize<HashSet<RegistrationNumber>>(json)!
            )
        );
        json.Converters.Add(new Reader<PictureTheme>(element => Word(element, Themes)));
        json.Converters.Add(new Reader<GrantKind>(element => Word(element, Grants)));
    }

    private static readonly WordTable<PictureTheme> Themes = new(
        ("light", PictureTheme.Light),
        ("dark", PictureTheme.Dark)
    );

    /// <summary>What can be granted, as the registrar names it.</summary>
    public static WordTable<GrantKind> Grants { get; } =
        new(
            ("consent", GrantKind.Consent),
            ("prerequisite", GrantKind.Prerequisite),
            ("restriction", GrantKind.Restriction)
        );

    private static string Text(JsonElement element) =>
        element.ValueKind == JsonValueKind.String ? element.GetString()! : throw new JsonException();

    private static T Word<T>(JsonElement element, WordTable<T> words)
        where T : struct => words.TryRead(Text(element), out var value) ? value : throw new JsonException();

    /// <summary>Reads what is sent; answers have records of their own.</summary>
    private sealed class Reader<T>(Func<JsonElement, T> read) : JsonConverter<T>
    {
        public override bool HandleNull => true;

        public override T Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
            read(JsonElement.ParseValue(ref reader));

        public override void Write(Utf8JsonWriter writer, T value, JsonSerializerOptions options) =>
            throw new NotSupportedException($"{typeof(T).Name} is read, not written.");
    }
}
