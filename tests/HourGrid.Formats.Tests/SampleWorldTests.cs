using HourGrid.Core.Catalogue;
using HourGrid.Formats.Catalogue;

namespace HourGrid.Formats.Tests;

/// <summary>The sample world is believable, and holds everything that makes the job hard.</summary>
public sealed class SampleWorldTests
{
    private static readonly UniversityCatalogue World = CatalogueJson
        .Read(File.ReadAllBytes(Repository.PathOf("demo", "saltmere.catalogue.json")))
        .Value;

    private static readonly CatalogueSnapshot Spring = World.SnapshotOf(new("2027SP"))!;
    private static readonly CatalogueSnapshot Autumn = World.SnapshotOf(new("2026AU"))!;

    private static IEnumerable<OfferedSection> Sections(CatalogueSnapshot term) =>
        term.Courses.SelectMany(course => course.Sections);

    [Fact]
    public void It_is_large_enough()
    {
        Assert.True(Spring.Courses.Count(course => course.Sections.Count > 0) >= 60);
        Assert.True(Sections(Spring).Count() >= 350);
        Assert.InRange(Sections(Autumn).Count(), 60, Sections(Spring).Count() - 1);
        Assert.Equal(3, Spring.Campuses.Count);
    }

    [Fact]
    public void No_field_of_it_is_unknown_to_the_format() =>
        Assert.Empty(
            CatalogueJson.Read(File.ReadAllBytes(Repository.PathOf("demo", "saltmere.catalogue.json"))).IgnoredFields
        );

    [Theory]
    [InlineData("2027SP")]
    [InlineData("2026AU")]
    public void No_instructor_is_in_two_places_at_once(string term)
    {
        var snapshot = World.SnapshotOf(new(term))!;
        var taught =
            from section in Sections(snapshot)
            from instructor in section.Section.Instructors
            from meeting in section.Meetings
            group (section, meeting) by instructor;
        foreach (var instructor in taught)
        foreach (var (one, other) in Pairs(instructor.ToArray()))
        {
            var gap =
                one.meeting.Campus is { } from && other.meeting.Campus is { } to
                    ? snapshot.Travel.Between(from, to)
                    : 0;
            Assert.False(
                Clash(one.meeting, other.meeting, gap) && !SameClass(one.section, other.section),
                $"{instructor.Key} has {one.section.Number} and {other.section.Number} at once."
            );
        }
    }

    [Theory]
    [InlineData("2027SP")]
    [InlineData("2026AU")]
    public void No_room_holds_two_classes_at_once(string term)
    {
        var snapshot = World.SnapshotOf(new(term))!;
        var used =
            from section in Sections(snapshot)
            from pattern in section.Section.Patterns
            where pattern.Room.Length > 0
            from meeting in pattern.MeetingsIn(snapshot.Term)
            group (section, meeting) by pattern.Room;
        foreach (var room in used)
        {
            Assert.Single(room.Select(use => use.meeting.Campus).Distinct());
            foreach (var (one, other) in Pairs(room.ToArray()))
                Assert.False(
                    Clash(one.meeting, other.meeting, 0) && !SameClass(one.section, other.section),
                    $"{room.Key} holds {one.section.Number} and {other.section.Number} at once."
                );
        }
    }

    [Fact]
    public void Meetings_keep_standard_patterns()
    {
        int[] lengths = [50, 75, 90, 110, 150, 160, 170];
        foreach (var section in Sections(Spring).Concat(Sections(Autumn)))
        foreach (var meeting in section.Meetings)
        {
            Assert.Contains(meeting.Time.Length, lengths);
            Assert.Equal(0, meeting.Time.Start.Value % 10);
            Assert.InRange(meeting.Time.Start.Value, 8 * 60, 20 * 60);
            Assert.NotEqual(Weekday.Sunday, meeting.Day);
        }
    }

    [Fact]
    public void Every_hard_thing_is_there()
    {
        var sections = Sections(Spring).ToArray();
        var components = Spring
            .Courses.Select(course => course.Sections.Select(s => s.Section.Component).Distinct().Count())
            .ToArray();
        Assert.Contains(3, components);
        Assert.Contains(
            Spring.Courses,
            course => course.Sections.Select(s => s.Section.Arrangement).Distinct().Count() == 2
        );
        Assert.Contains(sections, s => s.Section is { Component: "lab", LinkedTo.Count: 1 });
        Assert.Contains(sections, s => s.Section is { Component: "recitation", LinkedTo.Count: 0 });
        Assert.Contains(sections, s => s.Section is { Component: "recitation", LinkedTo.Count: > 1 });
        Assert.Contains(sections, s => s.Section.Part == "H1");
        Assert.Contains(sections, s => s.Section.Part == "H2");
        Assert.Contains(sections, s => s.Section.Patterns.Any(pattern => pattern.EveryWeeks == 2));
        Assert.Contains(sections, s => s.Meetings.Any(meeting => meeting.Time.Start.Value >= 18 * 60));
        Assert.Contains(sections, s => s.Meetings.Any(meeting => meeting.Day == Weekday.Saturday));
        Assert.Contains(sections, s => s.Section.Mode == DeliveryMode.Online && s.Meetings.Count == 0);
        Assert.Contains(sections, s => s.Section.Mode == DeliveryMode.OnlineLive && s.Meetings.Count > 0);
        Assert.Contains(
            sections,
            s => s.Section.Mode == DeliveryMode.Hybrid && s.Meetings.Select(m => m.Campus).Distinct().Count() == 2
        );
        Assert.Contains(sections, s => s is { FreeSeats: 0, FreeWaitlistPlaces: > 0 });
        Assert.Contains(
            sections.GroupBy(s => s.Section.SeatsShared),
            pool => pool.Key is not null && pool.Count() > 1
        );
        Assert.Contains(sections, s => s.Section.Status == SectionStatus.Cancelled);
        Assert.Contains(sections, s => s.Section.Consent);
        Assert.Contains(
            Spring.Courses,
            course =>
                course
                    .Sections.Where(s => s.Meetings.Count > 0)
                    .GroupBy(s => (s.Section.Component, string.Join(";", s.Meetings)))
                    .Any(alike => alike.SelectMany(s => s.Section.Instructors).Distinct().Count() > 1)
        );
    }

    [Fact]
    public void Titles_and_descriptions_are_filled_and_labels_tell_sections_apart()
    {
        foreach (var offered in Spring.Courses)
        {
            Assert.True(offered.Course.Description.Length >= 30, offered.Course.Id.Value);
            Assert.Equal(offered.Sections.Count, offered.Sections.Select(s => s.Section.Label).Distinct().Count());
        }
    }

    // A cross-listed class is one class under two registration numbers.
    private static bool SameClass(OfferedSection one, OfferedSection other) =>
        one.Number == other.Number || (one.Section.SeatsShared is { } pool && pool == other.Section.SeatsShared);

    private static bool Clash(Meeting one, Meeting other, int gap) =>
        one.Day == other.Day
        && one.Weeks.Overlaps(other.Weeks)
        && one.Time.Start.Value < other.Time.End.Value + gap
        && other.Time.Start.Value < one.Time.End.Value + gap;

    private static IEnumerable<(T, T)> Pairs<T>(T[] items) =>
        from i in Enumerable.Range(0, items.Length)
        from j in Enumerable.Range(i + 1, items.Length - i - 1)
        select (items[i], items[j]);
}
