using System.Text.RegularExpressions;

namespace HourGrid.Formats.Timetables.Pictures;

/// <summary>Which of the two sets of colours a picture is in.</summary>
public enum PictureTheme
{
    /// <summary>Ink on light paper.</summary>
    Light,

    /// <summary>Light ink on dark paper.</summary>
    Dark,
}

/// <summary>The colours of the screen, by the names that the screen gives them.</summary>
internal sealed partial class PictureColours
{
    private readonly Dictionary<string, string> byName = [];

    private PictureColours(PictureTheme theme)
    {
        using var stream = typeof(PictureColours).Assembly.GetManifestResourceStream("tokens")!;
        using var reader = new StreamReader(stream);
        var parts = reader.ReadToEnd().Split("@media", 2);
        foreach (var part in theme == PictureTheme.Light ? parts[..1] : parts)
        foreach (Match token in Token().Matches(part))
            byName[token.Groups["name"].Value] = token.Groups["colour"].Value;
    }

    public static PictureColours Light { get; } = new(PictureTheme.Light);

    public static PictureColours Dark { get; } = new(PictureTheme.Dark);

    public static PictureColours Of(PictureTheme theme) => theme == PictureTheme.Light ? Light : Dark;

    /// <summary>As <c>#rrggbb</c>.</summary>
    public string this[string name] => byName[name];

    /// <summary>The colour of a course.</summary>
    /// <param name="number">1 to 8.</param>
    public string Course(int number) => byName[$"course-{number}"];

    [GeneratedRegex("--(?<name>[a-z0-9-]+): (?<colour>#[0-9a-f]{6})")]
    private static partial Regex Token();
}
