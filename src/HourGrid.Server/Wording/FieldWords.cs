using System.Collections;
using System.ComponentModel.DataAnnotations;
using System.Text.Json;
using HourGrid.Core.Catalogue;
using HourGrid.Formats.Json;
using HourGrid.Formats.Timetables.Pictures;

namespace HourGrid.Server.Wording;

/// <summary>What a field of a request holds and what it should, in words.</summary>
internal static class FieldWords
{
    public const string NotNegative = "0 or more";
    public const string CreditRange = "a range of credits such as 3-4";
    public const string HourRange = "hours such as 09:00-18:00";

    public static string Characters(int count) => $"{count} characters";

    public static string Values(int count) => $"{count} values";

    public static string AtMost(int most) => $"{most} at most";

    public static string Range(int least, int most) => $"{least} to {most}";

    public static string Whole(int least, int most) => $"a whole number, {Range(least, most)}";

    public static string OneOf(string words) => $"one of {words}";

    public static string Found(JsonElement? field) =>
        field is { ValueKind: not JsonValueKind.Null } value ? FormatProblem.Show(value.GetRawText()) : "nothing";

    public static string Expected(Type type, IReadOnlyList<ValidationAttribute> bounds)
    {
        var kind = Kinds.GetValueOrDefault(type, type.IsAssignableTo(typeof(IEnumerable)) ? "a list" : "an object");
        var most = bounds.OfType<MaxLengthAttribute>().SingleOrDefault()?.Length;
        var least = bounds.OfType<MinLengthAttribute>().SingleOrDefault()?.Length;
        return (bounds.OfType<RangeAttribute>().SingleOrDefault(), most) switch
        {
            ({ } range, _) => $"{kind}, {range.Minimum} to {range.Maximum}",
            (_, { } length) when type == typeof(string) => $"{kind} of {length} characters at most",
            (_, { } length) when least is { } one => $"{kind}, {one} to {length}",
            (_, { } length) => $"{kind}, {length} at most",
            _ => kind,
        };
    }

    private static readonly Dictionary<Type, string> Kinds = new()
    {
        [typeof(int)] = "a whole number",
        [typeof(long)] = "a whole number",
        [typeof(string)] = "text",
        [typeof(IReadOnlyList<string>)] = "a list of texts",
        [typeof(IReadOnlyList<Guid>)] = "a list of ids",
        [typeof(IReadOnlyList<CourseId>)] = "a list of courses",
        [typeof(IReadOnlySet<RegistrationNumber>)] = "a list of registration numbers",
        [typeof(IReadOnlyDictionary<string, int>)] = "an object of whole numbers",
        [typeof(PictureTheme)] = "light or dark",
    };
}
