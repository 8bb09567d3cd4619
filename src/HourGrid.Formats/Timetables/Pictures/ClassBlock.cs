using HourGrid.Core.Catalogue;
using SkiaSharp;

namespace HourGrid.Formats.Timetables.Pictures;

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
    private const float LineHeight = 14;
    private const float WordSpace = 6;

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

    /// <summary>
    /// What stands in the block, each part on a line of its own; in one that is not as high as its band, beside each
    /// other as far as they go, so that the weeks are not what is left out.
    /// </summary>
    private static IEnumerable<Shape> Words(
        WeekClass one,
        SKRect box,
        BandShare share,
        string weeks,
        PictureColours colours
    )
    {
        var isShort = share.Height < 1;
        var left = box.Left + (one.Section.Component == "lab" ? 10 : 7);
        var right = box.Right - 3;
        var (x, baseline) = (left, box.Top + (isShort ? 13 : 16));
        foreach (var (font, text, size) in Parts(one, right - left, weeks))
        {
            var width = font.Width(text, size);
            if (x > left && (!isShort || x + width > right))
                (x, baseline) = (left, baseline + LineHeight);
            if (baseline > box.Bottom - 3)
                yield break;
            yield return new PathShape(
                font.Outline(font.Fit(text, size, right - x), size, x, baseline),
                colours["on-course"]
            );
            x += width + WordSpace;
        }
    }

    private static IEnumerable<(PictureFont Font, string Text, float Size)> Parts(
        WeekClass one,
        float width,
        string weeks
    )
    {
        var code = one.Course.Value;
        if (PictureFont.Heavy.Width(code, 12) > width)
        {
            // Where there is no room for the code a letter stands for it, and its colour.
            yield return (PictureFont.Heavy, code[..1], 12);
            yield break;
        }
        yield return (PictureFont.Heavy, code, 12);
        var component = PictureWords.Component(one.Section);
        yield return (
            PictureFont.Text,
            PictureFont.Text.Width(component, 11) <= width ? component : PictureWords.ComponentShort(one.Section),
            11
        );
        foreach (var text in new[] { weeks, one.Room }.Where(text => text != ""))
            yield return (PictureFont.Text, text, 11);
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
