using HourGrid.Core.Work;
using SkiaSharp;

namespace HourGrid.Formats.Timetables.Pictures;

/// <summary>
/// Text as outlines, in the typeface of the screen, so that a picture looks the same wherever it is opened. A letter
/// that the typeface lacks is drawn as an empty box; the whole text stands beside the outlines in words.
/// </summary>
internal sealed class PictureFont
{
    private const string Family = "atkinson-hyperlegible-next";

    // What the first lacks may be in the second: letters are parted by script, as the web asks for them.
    private readonly SKTypeface[] typefaces;

    private PictureFont(int weight) =>
        typefaces = [Load($"{Family}-latin-{weight}-normal"), Load($"{Family}-latin-ext-{weight}-normal")];

    /// <summary>For text.</summary>
    public static PictureFont Text { get; } = new(500);

    /// <summary>For what is looked for first.</summary>
    public static PictureFont Heavy { get; } = new(700);

    /// <summary>How wide a text stands, in pixels.</summary>
    public float Width(string text, float size) => Letters(text, size).Sum(letter => letter.Advance);

    /// <summary>The outlines of a text.</summary>
    /// <param name="text">What to write.</param>
    /// <param name="size">Its size in pixels.</param>
    /// <param name="left">Where it begins.</param>
    /// <param name="baseline">On what it stands.</param>
    public SKPath Outline(string text, float size, float left, float baseline)
    {
        Worker.Yield();
        var outline = new SKPath();
        foreach (var (glyph, typeface, advance) in Letters(text, size))
        {
            using var font = Sized(typeface, size);
            using var letter = font.GetGlyphPath(glyph);
            if (letter is not null)
                outline.AddPath(letter, left, baseline);
            left += advance;
        }
        return outline;
    }

    /// <summary>As much of a text as fits, with an ellipsis where it is cut; empty where not even a letter fits.</summary>
    public string Fit(string text, float size, float width)
    {
        if (Width(text, size) <= width)
            return text;
        var runes = text.EnumerateRunes().ToArray();
        for (var kept = runes.Length - 1; kept > 0; kept--)
        {
            var cut = string.Concat(runes[..kept]).TrimEnd() + "\u2026";
            if (Width(cut, size) <= width)
                return cut;
        }
        return "";
    }

    private IEnumerable<(ushort Glyph, SKTypeface Typeface, float Advance)> Letters(string text, float size)
    {
        foreach (var rune in text.EnumerateRunes())
        {
            var typeface = typefaces.FirstOrDefault(one => one.ContainsGlyph(rune.Value)) ?? typefaces[0];
            var glyph = typeface.GetGlyph(rune.Value);
            using var font = Sized(typeface, size);
            yield return (glyph, typeface, font.GetGlyphWidths([glyph])[0]);
        }
    }

    private static SKFont Sized(SKTypeface typeface, float size) =>
        new(typeface, size) { Hinting = SKFontHinting.None, Subpixel = true };

    private static SKTypeface Load(string name)
    {
        using var stream = typeof(PictureFont).Assembly.GetManifestResourceStream(name)!;
        using var data = SKData.Create(stream);
        return SKTypeface.FromData(data);
    }
}
