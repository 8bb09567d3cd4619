using System.Text;
using System.Text.Json.Nodes;
using System.Xml.Linq;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Timetables;
using HourGrid.Formats.Catalogue;
using HourGrid.Formats.Timetables.Pictures;
using SkiaSharp;

namespace HourGrid.Formats.Tests;

/// <summary>Pictures of a week: the geometry of the hour grid, its colours, and nothing that could be run.</summary>
public sealed class PicturesTests
{
    private static readonly XNamespace Svg = "http://www.w3.org/2000/svg";
    private static readonly DateOnly Monday = new(2027, 1, 11);

    private static readonly CatalogueSnapshot Spring = CatalogueJson
        .Read(File.ReadAllBytes(Repository.PathOf("demo", "saltmere.catalogue.json")))
        .Value.SnapshotOf(new("2027SP"))!;

    // Where the hours of a picture lie: pixels from its left and its top.
    private const float Left = 108;
    private const float Right = 1256;
    private const float Top = 96;
    private const float Band = 96;

    public static TheoryData<string> Cases() => [.. Weeks().Select(one => one["name"]!.GetValue<string>())];

    [Theory]
    [MemberData(nameof(Cases))]
    public void Classes_stand_where_the_hour_grid_has_them(string name)
    {
        var drawn = Weeks().Single(one => one["name"]!.GetValue<string>() == name);
        var snapshot = SnapshotOf(drawn);
        var boxes = Classes(WeekPicture.Svg(All(snapshot), snapshot.Term, Options()));
        string[] days = [.. drawn["days"]!.AsArray().Select(day => day!.GetValue<string>())];
        var (from, to) = (drawn["from"]!.GetValue<int>() * 60f, drawn["to"]!.GetValue<int>() * 60f);
        var meetings = drawn["meetings"]!.AsArray();
        Assert.Equal(meetings.Count, boxes.Count);
        foreach (var (i, meeting) in meetings.Index())
        {
            var (said, box) = boxes.Single(one =>
                one.Said.StartsWith($"C{meeting!["number"]} ", StringComparison.Ordinal)
            );
            var share = drawn["shares"]![i]!.AsArray().Select(part => part!.GetValue<float>()).ToArray();
            var top =
                Top + Array.IndexOf(days, meeting!["day"]!.GetValue<string>()) * Band + 6 + share[0] * (Band - 12);
            Assert.Equal(At("start"), box.Left, 0.02f);
            Assert.Equal(At("end"), box.Right, 0.02f);
            Assert.Equal(top, box.Top, 0.02f);
            Assert.Equal(top + share[1] * (Band - 12) - (share[1] < 1 ? 1 : 0), box.Bottom, 0.02f);
            Assert.EndsWith(drawn["weeks"]![i]!.GetValue<string>(), said, StringComparison.Ordinal);

            float At(string edge) => Left + (MinuteOf(meeting[edge]!).Value - from) / (to - from) * (Right - Left);
        }
    }

    [Theory]
    [InlineData(PictureTheme.Light, "#f4f5f1", "#ffffff")]
    [InlineData(PictureTheme.Dark, "#141a19", "#1b2221")]
    public void Png_has_the_colours_of_the_screen_at_twice_the_size(PictureTheme theme, string paper, string sheet)
    {
        var snapshot = SnapshotOf(
            Weeks()
                .Single(one => one["name"]!.GetValue<string>().StartsWith("the whole term", StringComparison.Ordinal))
        );
        var options = Options() with
        {
            Theme = theme,
            CourseColours = new Dictionary<CourseId, int> { [new("C1")] = 4 },
        };
        using var picture = SKBitmap.Decode(WeekPicture.Png(All(snapshot), snapshot.Term, options));
        Assert.Equal((2 * 1280, 2 * (96 + 5 * 96 + 24)), (picture.Width, picture.Height));
        Assert.Equal(SKColor.Parse(paper), picture.GetPixel(10, 10));
        // Tuesday is off; on Monday a class of C1 meets from 9:30 to 10:45, on an axis from 9 to 18.
        Assert.Equal(SKColor.Parse(sheet), picture.GetPixel(2 * 130, 2 * 240));
        Assert.Equal(SKColor.Parse("#f0ab8b"), picture.GetPixel(2 * 320, 2 * 180));
    }

    [Fact]
    public void Each_course_without_a_colour_is_given_one_that_is_not_taken()
    {
        var snapshot = SnapshotOf(
            Weeks().Single(one => one["name"]!.GetValue<string>().StartsWith("others", StringComparison.Ordinal))
        );
        var options = Options() with { CourseColours = new Dictionary<CourseId, int> { [new("C3")] = 1 } };
        var svg = XDocument.Load(new MemoryStream(WeekPicture.Svg(All(snapshot), snapshot.Term, options)));
        var fills = svg.Descendants(Svg + "g")
            .Where(group => group.Element(Svg + "title") is not null)
            .Select(group => group.Element(Svg + "rect")!.Attribute("fill")!.Value)
            .ToList();
        Assert.Equal(4, fills.Distinct().Count());
        Assert.Contains("#a9c9ec", fills);
    }

    [Theory]
    [InlineData("<script>alert(1)</script>\"'&]]>")]
    [InlineData("\u0000\u0008\uFFFE \uD800 lone")]
    [InlineData("مرحبا שלום 時間割 😀 Zażółć")]
    [InlineData("")]
    [InlineData("WWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWW")]
    public void Whatever_a_timetable_is_called_the_picture_holds_shapes_and_words_alone(string name)
    {
        var evil = Spring.Courses[0].Course with
        {
            Title = name,
            Sections =
            [
                .. Spring
                    .Courses[0]
                    .Course.Sections.Select(section =>
                        section with
                        {
                            Label = name,
                            Patterns = [.. section.Patterns.Select(pattern => pattern with { Room = name })],
                        }
                    ),
            ],
        };
        var snapshot = new CatalogueSnapshot(Spring.Term, Spring.Campuses, Spring.Travel, [evil]);
        var options = Options() with { Name = name };
        var svg = XDocument.Load(new MemoryStream(WeekPicture.Svg(All(snapshot), snapshot.Term, options)));
        string[] known = ["svg", "g", "title", "desc", "rect", "line", "path"];
        Assert.All(svg.Descendants(), element => Assert.Contains(element.Name.LocalName, known));
        Assert.All(
            svg.Descendants().Attributes(),
            attribute => Assert.DoesNotMatch("^(on|href|style)", attribute.Name.LocalName)
        );
        using var png = SKBitmap.Decode(WeekPicture.Png(All(snapshot), snapshot.Term, options));
        Assert.Equal(2560, png.Width);
    }

    [Fact]
    public void Everything_of_the_sample_world_can_be_drawn_and_is_told_in_words()
    {
        var svg = XDocument.Load(new MemoryStream(WeekPicture.Svg(All(Spring), Spring.Term, Options())));
        var told = svg.Root!.Element(Svg + "desc")!.Value;
        Assert.All(
            All(Spring).Sections,
            section => Assert.Contains(section.Number.Value, told, StringComparison.Ordinal)
        );
        Assert.Equal(All(Spring).Sections.Sum(section => section.Meetings.Count), Classes(svg).Count);
    }

    private static PictureOptions Options() => new("Mine", PictureTheme.Light, new Dictionary<CourseId, int>());

    private static Timetable All(CatalogueSnapshot snapshot) =>
        Timetable.Of(
            snapshot,
            snapshot.Courses.SelectMany(course => course.Sections).Select(section => section.Number).ToHashSet()
        );

    private static List<JsonNode> Weeks() =>
        [
            .. JsonNode.Parse(File.ReadAllText(Repository.PathOf("tests", "geometry", "weeks.json"), Encoding.UTF8))![
                "cases"
            ]!
                .AsArray()
                .Select(one => one!),
        ];

    private static List<(string Said, SKRect Box)> Classes(byte[] svg) =>
        Classes(XDocument.Load(new MemoryStream(svg)));

    /// <summary>The classes of a picture: what each is, and its outer box.</summary>
    private static List<(string Said, SKRect Box)> Classes(XDocument svg) =>
        [
            .. svg.Descendants(Svg + "g")
                .Where(group => group.Element(Svg + "title") is not null)
                .Select(group =>
                {
                    var box = group.Element(Svg + "rect")!;
                    // The line of the edge runs half a pixel within the box.
                    var (x, y) = (Of("x") - 0.5f, Of("y") - 0.5f);
                    return (
                        group.Element(Svg + "title")!.Value,
                        new SKRect(x, y, x + Of("width") + 1, y + Of("height") + 1)
                    );

                    float Of(string name) => (float)box.Attribute(name)!;
                }),
        ];

    /// <summary>A catalogue with a course for each meeting of a drawn week, named by its number.</summary>
    private static CatalogueSnapshot SnapshotOf(JsonNode drawn)
    {
        var weekCount = drawn["weekCount"]!.GetValue<int>();
        var term = new Term(new("T"), "Term", Monday, Monday.AddDays(weekCount * 7 - 1), [], []);
        var courses = drawn["meetings"]!.AsArray().Select(meeting => CourseOf(meeting!, term.Id));
        return new(term, [], new([]), [.. courses]);
    }

    private static Course CourseOf(JsonNode meeting, TermId term)
    {
        int[] weeks = [.. meeting["weeks"]!.AsArray().Select(week => week!.GetValue<int>())];
        var day = Weekdays.All.Single(one =>
            one.ToString().StartsWith(meeting["day"]!.GetValue<string>(), StringComparison.OrdinalIgnoreCase)
        );
        var number = meeting["number"]!.GetValue<string>();
        var pattern = new MeetingPattern(
            WeekdaySet.Of(day),
            new(MinuteOf(meeting["start"]!), MinuteOf(meeting["end"]!)),
            "",
            null,
            Monday.AddDays((weeks[0] - 1) * 7),
            Monday.AddDays(weeks[^1] * 7 - 1),
            weeks.Length > 1 ? weeks[1] - weeks[0] : 1
        );
        return new()
        {
            Id = new($"C{number}"),
            Subject = "C",
            Number = number,
            Title = "",
            Credits = new(default, default),
            Sections =
            [
                new()
                {
                    Number = new(number),
                    Label = "L01",
                    Term = term,
                    Component = "lecture",
                    Patterns = [pattern],
                },
            ],
        };
    }

    private static Minute MinuteOf(JsonNode text) =>
        Minute.TryParse(text.GetValue<string>(), out var minute)
            ? minute
            : throw new FormatException($"{text} is no time of day.");
}
