using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Measures;
using HourGrid.Core.Timetables;
using HourGrid.Formats.Asking;
using HourGrid.Formats.Catalogue;
using HourGrid.Server.Wording;

namespace HourGrid.Server.Tests;

/// <summary>Sentences about timetables, and proposed names.</summary>
public sealed class WordingTests
{
    private static readonly Term Term = new(new("T"), "Term", new(2027, 1, 11), new(2027, 5, 7), [], []);
    private static readonly Campus[] Campuses = [new(new("HAR"), "Harbour"), new(new("RDG"), "Ridge")];

    [Theory]
    [InlineData(
        "1",
        "2",
        "A and B differ only in the ACO 220 recitation: Monday 12:30 or 11:00; B has 1 campus move less and 1 h 30 less between classes and ends 1 h 30 earlier."
    )]
    [InlineData(
        "1",
        "3",
        "A and B differ only in the ACO 220 recitation: Monday 12:30 or Tuesday 12:30; B has 1 class day more, 1 campus move less and 3 h 45 less between classes."
    )]
    [InlineData(
        "1",
        "4",
        "A and B differ only in the ACO 220 recitation: Monday 12:30–13:20 or 12:30–13:50; B has 1 campus move less and ends 30 min later."
    )]
    [InlineData(
        "1",
        "5",
        "A and B differ only in the ACO 220 recitation: at the same hours, Harbour or Ridge; B has 1 campus move less."
    )]
    [InlineData(
        "1",
        "6",
        "A and B differ only in the ACO 220 recitation: at the same hours, with R. Aldous or M. Lund; their weeks measure the same."
    )]
    [InlineData(
        "1",
        "7",
        "A and B differ only in the ACO 220 recitation: at the same hours, in H 1 or H 2; their weeks measure the same."
    )]
    [InlineData(
        "1",
        "8",
        "A and B differ only in the ACO 220 recitation: at the same hours, R1 or R8; their weeks measure the same."
    )]
    [InlineData(
        "1",
        "9",
        "A and B differ only in the ACO 220 recitation: Monday 12:30 in weeks 1–17 or 1–8; B has 0.5 campus moves less and 1 h 59 less between classes."
    )]
    [InlineData(
        "1",
        "10",
        "A and B differ only in the ACO 220 recitation: Monday 12:30 or no set hours; B has 1 campus move less and 3 h 45 less between classes and ends 4 h 35 earlier."
    )]
    [InlineData("1", "1", "A and B are the same timetable.")]
    public void A_pair_is_told_in_a_sentence(string one, string other, string expected)
    {
        var snapshot = Snapshot();
        var sentence = new DifferenceSentence(Campuses).Of(
            Compared("A", snapshot, "T", one),
            Compared("B", snapshot, "T", other)
        );
        Assert.Equal(expected, sentence);
    }

    [Fact]
    public void A_course_that_only_one_takes_is_told()
    {
        var snapshot = Snapshot();
        var sentence = new DifferenceSentence(Campuses).Of(
            Compared("A", snapshot, "T", "1"),
            Compared("B", snapshot, "1")
        );
        Assert.StartsWith("A and B differ in 1 course: TID 210, which only A takes; B has ", sentence);
    }

    [Fact]
    public void Of_many_courses_three_are_told_and_the_others_counted()
    {
        var snapshot = Snapshot();
        var sentence = new DifferenceSentence(Campuses).Of(
            Compared("A", snapshot, "T", "1"),
            Compared("B", snapshot, "2", "X0", "X1", "X2")
        );
        Assert.Contains(" differ in 5 courses: ", sentence);
        Assert.Contains(" and 2 more; ", sentence);
    }

    [Theory]
    [InlineData("busy-week.ask.json")]
    [InlineData("three-days-on-campus.ask.json")]
    public void A_name_tells_what_is_rare_and_is_never_taken_twice(string file)
    {
        var catalogue = CatalogueJson
            .Read(File.ReadAllBytes(TestPaths.Repository("demo", "saltmere.catalogue.json")))
            .Value;
        var ask = AskJson.Read(File.ReadAllBytes(TestPaths.Repository("demo", file))).Value;
        var best = Best.Of(Problem.Compile(catalogue.SnapshotOf(ask.Term)!, ask), 50).Timetables;
        Assert.NotEmpty(best);
        var others = best.Select(one => (one.Timetable, one.Measures)).ToList();
        var taken = new List<string>();
        foreach (var one in best)
        {
            var name = ProposedName.Of(one.Timetable, one.Measures, others, catalogue.Campuses, taken);
            Assert.DoesNotContain(name, taken);
            taken.Add(name);
            foreach (var day in Weekdays.All.Where(day => name.Contains($"no {day}s", StringComparison.Ordinal)))
                Assert.DoesNotContain(
                    one.Timetable.Sections.SelectMany(section => section.Meetings),
                    meeting => meeting.Day == day
                );
        }
    }

    [Fact]
    public void A_name_prefers_what_no_other_has()
    {
        var snapshot = Snapshot();
        var early = Compared("A", snapshot, "T", "2");
        var late = Compared("B", snapshot, "T", "1");
        (Timetable, WeekMeasures)[] both = [(early.Timetable, early.Measures), (late.Timetable, late.Measures)];
        Assert.Equal(
            "done by 11:50, 2 h 15 between classes",
            ProposedName.Of(early.Timetable, early.Measures, both, Campuses, [])
        );
    }

    [Fact]
    public void Survival_is_summed_up_by_what_has_no_swap()
    {
        var snapshot = Snapshot();
        SectionSurvival Of(string number, Rescue rescue, bool isRegistered = false) =>
            new(
                snapshot.Find(new RegistrationNumber(number))!,
                snapshot.CourseOf(new(number))!.Course.Id,
                isRegistered,
                rescue,
                null,
                null,
                [],
                true
            );
        Assert.Equal(
            "1 of 2 sections has a straight swap; TID 210 lecture L1 has 10 seats and none.",
            SurvivalSentence.Of([Of("T", Rescue.None), Of("1", Rescue.StraightSwap)])
        );
        Assert.Equal(
            "No section has a straight swap; ACO 220 recitation R1 has 10 seats and only another timetable.",
            SurvivalSentence.Of([Of("1", Rescue.OtherTimetable), Of("T", Rescue.None, isRegistered: true)])
        );
        Assert.Equal(
            "All 2 sections have a straight swap.",
            SurvivalSentence.Of([Of("T", Rescue.StraightSwap), Of("1", Rescue.StraightSwap)])
        );
        Assert.Equal("Every section is registered.", SurvivalSentence.Of([Of("T", Rescue.None, isRegistered: true)]));
    }

    private static Compared Compared(string name, CatalogueSnapshot snapshot, params string[] numbers)
    {
        var timetable = Timetable.Of(snapshot, numbers.Select(number => new RegistrationNumber(number)).ToHashSet());
        return new(
            name,
            timetable,
            new TimetableMeasurer(snapshot, new() { Term = Term.Id, Wanted = [] }).Of(timetable)
        );
    }

    /// <summary>A lecture on Monday morning at Ridge, and recitations that differ from the first in one thing each.</summary>
    private static CatalogueSnapshot Snapshot()
    {
        var recitation = Section("1", "recitation", At("12:30", "13:20"));
        return new(
            Term,
            Campuses,
            new([]),
            [
                Course(
                    "TID 210",
                    Section("T", "lecture", At("08:00", "08:45") with { Campus = new("RDG") }) with
                    {
                        Label = "L1",
                    }
                ),
                Course(
                    "ACO 220",
                    recitation,
                    Section("2", "recitation", At("11:00", "11:50") with { Campus = new("RDG") }),
                    Section("3", "recitation", At("12:30", "13:20", Weekday.Tuesday)),
                    Section("4", "recitation", At("12:30", "13:50") with { Campus = new("RDG") }),
                    Section("5", "recitation", At("12:30", "13:20") with { Campus = new("RDG") }),
                    Section("6", "recitation", At("12:30", "13:20")) with
                    {
                        Instructors = ["M. Lund"],
                    },
                    Section("7", "recitation", At("12:30", "13:20") with { Room = "H 2" }),
                    Section("8", "recitation", At("12:30", "13:20")),
                    Section("9", "recitation", At("12:30", "13:20") with { To = new(2027, 3, 5) }),
                    Section("10", "recitation")
                ),
                .. Enumerable.Range(0, 3).Select(i => Course($"X {i}", Section($"X{i}", "lecture"))),
            ]
        );
    }

    private static Course Course(string id, params Section[] sections) =>
        new()
        {
            Id = new(id),
            Subject = id[..3],
            Number = "1",
            Title = "",
            Credits = CreditRange.Of(Credits.Of(3)),
            Sections = sections,
        };

    private static Section Section(string number, string component, params MeetingPattern[] patterns) =>
        new()
        {
            Number = new(number),
            Label = $"R{number}",
            Term = Term.Id,
            Component = component,
            Instructors = ["R. Aldous"],
            Seats = new(10, 0, 0, 0),
            Patterns = patterns,
        };

    private static MeetingPattern At(string from, string to, Weekday day = Weekday.Monday)
    {
        Assert.True(Minute.TryParse(from, out var start));
        Assert.True(Minute.TryParse(to, out var end));
        return new(WeekdaySet.Of(day), new(start, end), "H 1", new("HAR"), Term.Start, Term.End, 1);
    }
}
