using HourGrid.Core.Catalogue;
using SkiaSharp;

namespace HourGrid.Formats.Pictures;

/// <summary>A meeting of a section, ready to draw.</summary>
/// <param name="Course">Its course.</param>
/// <param name="Section">Its section.</param>
/// <param name="Meeting">When.</param>
/// <param name="Room">Where; may be empty.</param>
/// <param name="Colour">The colour of its course, 1 to 8.</param>
internal sealed record WeekClass(CourseId Course, Section Section, Meeting Meeting, string Room, int Colour);

/// <summary>A class in the band of its day. Its shape tells its component, its height the part of the term.</summary>
internal static class ClassBlock
{
    /// <summary>What is left free of a band above and below its classes.</summary>
    private const float Gap = 6;

    public static ShapeGroup Draw(
        WeekClass one,
        BandShare share,
        WeekAxis axis,
        SKRect band,
        Term term,
        PictureColours colours
    )
    {
        var inner = band.Height - 2 * Gap;
        var left = band.Left + axis.Along(one.Meeting.Time.Start) * band.Width;
        var top = band.Top + Gap + share.Top * inner;
        // Two that stand under each other are parted by a pixel.
        var height = share.Height * inner - (share.Height < 1 ? 1 : 0);
        var box = new SKRect(left, top, band.Left + axis.Along(one.Meeting.Time.End) * band.Width, top + height);
        var weeks = PictureWords.Weeks(one.Meeting.Weeks, term.WeekCount);
        return new(Said(one, weeks), [.. Block(one, box, colours), .. Words(one, box, share, weeks, colours)]);
    }

    private static IEnumerable<Shape> Block(WeekClass one, SKRect box, PictureColours colours)
    {
        var ink = colours["on-course"];
        yield return new BoxShape(box, colours.Course(one.Colour), 3, new(ink, 0.35f));
        switch (one.Section.Component)
        {
            case "lab":
                yield return new BoxShape(new(box.Left, box.Top, box.Left + 2, box.Bottom), ink);
                yield return new BoxShape(new(box.Left + 4, box.Top, box.Left + 6, box.Bottom), ink);
                break;
            case "recitation":
                yield return new LineShape(
                    new(box.Left, box.Bottom - 1),
                    new(box.Right, box.Bottom - 1),
                    new(ink),
                    Width: 2,
                    Dash: 4
                );
                break;
        }
    }

    private static IEnumerable<Shape> Words(
        WeekClass one,
        SKRect box,
        BandShare share,
        string weeks,
        PictureColours colours
    )
    {
        var left = box.Left + (one.Section.Component == "lab" ? 10 : 7);
        var width = box.Right - 3 - left;
        var code = one.Course.Value;
        // Where there is no room for the code a letter stands for it, and its colour.
        var isNarrow = PictureFont.Heavy.Width(code, 12) > width;
        var lines = new List<(PictureFont Font, string Text, float Size)>
        {
            (PictureFont.Heavy, isNarrow ? code[..1] : code, 12),
        };
        if (!isNarrow)
        {
            var component = PictureWords.Component(one.Section);
            lines.Add(
                PictureFont.Text.Width(component, 11) <= width
                    ? (PictureFont.Text, component, 11)
                    : (PictureFont.Text, PictureWords.ComponentShort(one.Section), 11)
            );
            if (weeks != "")
                lines.Add((PictureFont.Text, weeks, 11));
            if (share.Height == 1 && one.Room != "")
                lines.Add((PictureFont.Text, one.Room, 11));
        }
        var baseline = box.Top + (share.Height < 1 ? 13 : 16);
        foreach (var (font, text, size) in lines)
        {
            if (baseline > box.Bottom - 3)
                yield break;
            yield return new PathShape(
                font.Outline(font.Fit(text, size, width), size, left, baseline),
                colours["on-course"]
            );
            baseline += 14;
        }
    }

    private static string Said(WeekClass one, string weeks)
    {
        var time = one.Meeting.Time;
        string[] parts =
        [
            $"{one.Course} {PictureWords.Component(one.Section)}",
            $"{one.Meeting.Day} {PictureWords.Hours(time.Start, time.End)}",
            one.Room,
            weeks,
        ];
        return string.Join(", ", parts.Where(part => part != ""));
    }
}
