using System.Globalization;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Timetables;
using SkiaSharp;

namespace HourGrid.Formats.Timetables.Pictures;

/// <summary>What a picture of a week is made with.</summary>
/// <param name="Name">What the timetable is called.</param>
/// <param name="Theme">Which colours.</param>
/// <param name="CourseColours">The colour that a course has on the screen, 1 to 8; others are given the least used.</param>
public sealed record PictureOptions(
    string Name,
    PictureTheme Theme,
    IReadOnlyDictionary<CourseId, int> CourseColours
);

/// <summary>A picture of a timetable's week, as the hour grid shows it: hours across, days down.</summary>
public static class WeekPicture
{
    /// <summary>The number of colours that courses may have.</summary>
    public const int CourseColours = 8;

    private const float Width = 1280;
    private const float Margin = 24;
    private const float DayColumn = 84;
    private const float Band = 96;
    private const float TitleHeight = 48;
    private const float ScaleHeight = 24;
    private const float NoHoursHeight = 28;

    /// <summary>As SVG. Text stands in it as outlines, and in words for those who hear it.</summary>
    public static byte[] Svg(Timetable timetable, Term term, PictureOptions options) =>
        SvgWriter.Write(Draw(timetable, term, options));

    /// <summary>As PNG, of twice as many pixels each way as the SVG says.</summary>
    public static byte[] Png(Timetable timetable, Term term, PictureOptions options) =>
        PngWriter.Write(Draw(timetable, term, options));

    private static Drawing Draw(Timetable timetable, Term term, PictureOptions options)
    {
        var colours = PictureColours.Of(options.Theme);
        var classes = ClassesOf(timetable, term, options.CourseColours);
        var axis = WeekAxis.Fitting([.. classes.Select(one => one.Meeting)]);
        string[] noHours =
        [
            .. timetable.Bundles.SelectMany(bundle =>
                bundle
                    .Sections.Where(section => section.Meetings.Count == 0)
                    .Select(section =>
                        $"{bundle.Course.Course.Id} {section.Section.Component} {section.Section.Label}"
                    )
            ),
        ];
        var top = Margin + TitleHeight + ScaleHeight;
        var bottom = top + axis.Days.Count * Band;
        var height = bottom + (noHours.Length > 0 ? NoHoursHeight : 0) + Margin;
        var area = new SKRect(Margin + DayColumn, top, Width - Margin, bottom);

        var groups = new List<ShapeGroup>
        {
            new(
                null,
                [
                    new BoxShape(new(0, 0, Width, height), colours["paper"]),
                    .. Title(timetable, term, options, colours),
                ]
            ),
            new(null, [.. Scale(axis, area, colours)]),
        };
        foreach (var (row, day) in axis.Days.Index())
        {
            var band = new SKRect(area.Left, top + row * Band, area.Right, top + (row + 1) * Band);
            WeekClass[] ofDay = [.. classes.Where(one => one.Meeting.Day == day)];
            groups.Add(new(null, [.. DayBand(day, ofDay, axis, band, colours)]));
            var shares = BandShares.Of(
                [.. ofDay.Select(one => (one.Meeting, one.Section.Number.Value))],
                term.WeekCount
            );
            groups.AddRange(
                ofDay.Zip(shares, (one, share) => ClassBlock.Draw(one, share, axis, band, term, colours))
            );
        }
        groups.Add(new(null, [.. Edges(area, axis, colours), .. NoHours(noHours, bottom, colours)]));
        return new(
            Width,
            height,
            $"{options.Name}, {term.Name}",
            TimetableTexts.Plain(timetable, term, options.Name),
            groups
        );
    }

    private static WeekClass[] ClassesOf(
        Timetable timetable,
        Term term,
        IReadOnlyDictionary<CourseId, int> courseColours
    )
    {
        CourseId[] courses = [.. timetable.Bundles.Select(bundle => bundle.Course.Course.Id)];
        var colours = courses
            .Where(courseColours.ContainsKey)
            .ToDictionary(course => course, course => courseColours[course]);
        foreach (var course in courses.Where(course => !colours.ContainsKey(course)))
            colours[course] = Enumerable
                .Range(1, CourseColours)
                .MinBy(colour => colours.Values.Count(one => one == colour));
        return
        [
            .. from one in DatedMeeting.Of(timetable, term)
            select new WeekClass(
                one.Course.Course.Id,
                one.Section.Section,
                new(one.Day, one.Pattern.Time, one.Weeks, one.Pattern.Campus),
                one.Pattern.Room,
                colours[one.Course.Course.Id]
            ),
        ];
    }

    private static IEnumerable<Shape> Title(
        Timetable timetable,
        Term term,
        PictureOptions options,
        PictureColours colours
    )
    {
        const float baseline = Margin + 22;
        var about = string.Create(CultureInfo.InvariantCulture, $"{term.Name}, {timetable.Credits} credits");
        var aboutLeft = Width - Margin - PictureFont.Text.Width(about, 14);
        var name = PictureFont.Heavy.Fit(options.Name, 24, aboutLeft - 2 * Margin);
        yield return Text(PictureFont.Heavy, name, 24, Margin, baseline, colours["ink"]);
        yield return Text(PictureFont.Text, about, 14, aboutLeft, baseline, colours["mute"]);
    }

    private static IEnumerable<Shape> Scale(WeekAxis axis, SKRect area, PictureColours colours)
    {
        foreach (var hour in axis.Hours)
        {
            var label = hour.ToString(CultureInfo.InvariantCulture);
            var centre = area.Left + axis.Along(new Minute(hour * 60)) * area.Width;
            var left = centre - PictureFont.Text.Width(label, 12) / 2;
            yield return Text(PictureFont.Text, label, 12, left, area.Top - 8, colours["mute"]);
        }
    }

    private static IEnumerable<Shape> DayBand(
        Weekday day,
        WeekClass[] classes,
        WeekAxis axis,
        SKRect band,
        PictureColours colours
    )
    {
        yield return new BoxShape(band, colours["sheet"]);
        foreach (var hour in axis.Hours)
        {
            var x = band.Left + axis.Along(new Minute(hour * 60)) * band.Width;
            yield return new LineShape(new(x, band.Top), new(x, band.Bottom), new(colours["hair"]));
        }
        var hours =
            classes.Length == 0
                ? "off"
                : PictureWords.Hours(
                    classes.Min(one => one.Meeting.Time.Start),
                    classes.Max(one => one.Meeting.Time.End)
                );
        yield return ToTheRight(PictureFont.Heavy, day.ToString()[..3], 14, band.Top + 22, "ink");
        yield return ToTheRight(PictureFont.Text, hours, 11, band.Top + 38, "mute");

        PathShape ToTheRight(PictureFont font, string text, float size, float baseline, string colour) =>
            Text(font, text, size, band.Left - 8 - font.Width(text, size), baseline, colours[colour]);
    }

    private static IEnumerable<Shape> Edges(SKRect area, WeekAxis axis, PictureColours colours)
    {
        for (var row = 0; row <= axis.Days.Count; row++)
        {
            var y = area.Top + row * Band;
            yield return new LineShape(new(Margin, y), new(area.Right, y), new(colours["rule"]));
        }
    }

    private static IEnumerable<Shape> NoHours(string[] sections, float bottom, PictureColours colours)
    {
        if (sections.Length == 0)
            yield break;
        var text = PictureFont.Text.Fit($"No set hours: {string.Join(", ", sections)}", 12, Width - 2 * Margin);
        yield return Text(PictureFont.Text, text, 12, Margin, bottom + 22, colours["mute"]);
    }

    private static PathShape Text(
        PictureFont font,
        string text,
        float size,
        float left,
        float baseline,
        string colour
    ) => new(font.Outline(text, size, left, baseline), colour);
}
