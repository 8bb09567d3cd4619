using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Formats.Calendars;
using HourGrid.Formats.Json;

namespace HourGrid.Formats.Tests;

/// <summary>Hours out of calendars: what is found, in which weeks, by the campus's clocks; and what is refused or passed over.</summary>
public sealed class CalendarReaderTests
{
    private const string Halifax = "America/Halifax";

    // Week 1 begins on Monday, 11 January 2027; the clocks change on Sunday, 14 March, in week 9.
    private static readonly Term Term = new(new("T"), "Term", new(2027, 1, 11), new(2027, 5, 7), [], []);

    private static string File(params string[] events) =>
        "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//a//b//EN\r\n"
        + string.Concat(events.Select(one => $"BEGIN:VEVENT\r\n{one}\r\nEND:VEVENT\r\n"))
        + "END:VCALENDAR\r\n";

    private static CalendarFindings Read(params string[] events) => CalendarReader.Read(File(events), Term, Halifax);

    private static string Say(CalendarHours hours) =>
        string.Join(
            "; ",
            hours.Blocks.Select(block =>
                $"{string.Join(' ', block.Days.Days().Select(day => day.ToString()[..3]))} {block.Time.Start}-{block.Time.End} weeks {Weeks(block.Weeks)}"
            )
        );

    private static string Weeks(WeekSet weeks) => $"{weeks.Weeks().First()}..{weeks.Weeks().Last()}={weeks.Count}";

    [Theory]
    [InlineData(
        "DTSTART:20270112T080000\r\nDTEND:20270112T120000\r\nRRULE:FREQ=WEEKLY;UNTIL=20270507T000000",
        "Tue 08:00-12:00 weeks 1..17=17"
    )]
    [InlineData(
        "DTSTART:20270112T080000\r\nDTEND:20270112T120000\r\nRRULE:FREQ=WEEKLY;BYDAY=TU,TH;COUNT=8",
        "Tue Thu 08:00-12:00 weeks 1..4=4"
    )]
    [InlineData(
        "DTSTART:20270112T080000\r\nDURATION:PT90M\r\nRRULE:FREQ=WEEKLY;INTERVAL=2;COUNT=3",
        "Tue 08:00-09:30 weeks 1..5=3"
    )]
    [InlineData(
        "DTSTART:20270113T220000\r\nDTEND:20270114T060000\r\nRRULE:FREQ=WEEKLY;COUNT=2",
        "Wed 22:00-24:00 weeks 1..2=2; Thu 00:00-06:00 weeks 1..2=2"
    )]
    [InlineData(
        "DTSTART:20270112T080000\r\nDTEND:20270112T120000\r\nRRULE:FREQ=WEEKLY;COUNT=3\r\nEXDATE:20270119T080000",
        "Tue 08:00-12:00 weeks 1..3=2"
    )]
    [InlineData(
        "DTSTART:20260106T080000\r\nDTEND:20260106T120000\r\nRRULE:FREQ=WEEKLY",
        "Tue 08:00-12:00 weeks 1..17=17"
    )]
    [InlineData(
        "DTSTART:20270112T080000\r\nDTEND:20270112T120000\r\nRDATE:20270209T080000",
        "Tue 08:00-12:00 weeks 1..5=2"
    )]
    // Noon UTC is 8:00 in winter and 9:00 in summer.
    [InlineData(
        "DTSTART:20270308T120000Z\r\nDTEND:20270308T130000Z\r\nRRULE:FREQ=WEEKLY;COUNT=2",
        "Mon 08:00-09:00 weeks 9..9=1; Mon 09:00-10:00 weeks 10..10=1"
    )]
    [InlineData(
        "DTSTART;TZID=Europe/Lisbon:20270112T120000\r\nDTEND;TZID=Europe/Lisbon:20270112T130000\r\nRRULE:FREQ=WEEKLY;COUNT=2",
        "Tue 08:00-09:00 weeks 1..2=2"
    )]
    public void A_weekly_event_becomes_blocks_in_its_weeks(string one, string expected)
    {
        var found = Assert.Single(Read($"UID:1\r\nSUMMARY:Boatyard shift\r\n{one}").Found);
        Assert.Equal(expected, Say(found));
        Assert.True(found.IsWeekly);
        Assert.All(
            found.Blocks,
            block => Assert.Equal(("Boatyard shift", Strength.Cannot), (block.Label, block.Strength))
        );
    }

    [Fact]
    public void Single_and_all_day_events_are_told_apart_and_what_is_outside_is_left()
    {
        var found = Read(
            "UID:1\r\nDTSTART:20270112T080000\r\nDTEND:20270112T090000",
            "UID:2\r\nDTSTART;VALUE=DATE:20270113\r\nDTEND;VALUE=DATE:20270115",
            "UID:3\r\nDTSTART:20260112T080000\r\nDTEND:20260112T090000",
            "UID:4\r\nDTSTART:20280112T080000\r\nDTEND:20280112T090000\r\nRRULE:FREQ=DAILY"
        ).Found;
        Assert.Equal([(false, false), (false, true)], found.Select(one => (one.IsWeekly, one.IsAllDay)));
        Assert.Equal("Wed Thu 00:00-24:00 weeks 1..1=1", Say(found[1]));
    }

    [Fact]
    public void A_mark_of_byte_order_is_no_fault() =>
        Assert.Single(
            CalendarReader
                .Read("\uFEFF" + File("UID:1\r\nDTSTART:20270112T080000\r\nDTEND:20270112T090000"), Term, Halifax)
                .Found
        );

    [Fact]
    public void A_name_is_one_line_and_no_longer_than_a_label()
    {
        var found = Read(
            $"UID:1\r\nSUMMARY:One\\ntwo {new string('x', 200)}\r\nDTSTART:20270112T080000\r\nDTEND:20270112T090000"
        );
        Assert.StartsWith("One two xxx", found.Found[0].Label, StringComparison.Ordinal);
        Assert.Equal(80, found.Found[0].Label.Length);
    }

    /// <summary>Events that never end, repeat by the second, or are nonsense: each is bounded, and said or left out.</summary>
    [Theory]
    [InlineData("DTSTART:20270112T080000\r\nDTEND:20270112T080001\r\nRRULE:FREQ=SECONDLY")]
    [InlineData("DTSTART:20270112T080000\r\nDTEND:20270112T080100\r\nRRULE:FREQ=MINUTELY")]
    [InlineData("DTSTART:20270112T080000\r\nDTEND:20270112T083000\r\nRRULE:FREQ=HOURLY")]
    [InlineData(
        "DTSTART:20270112T080000\r\nDTEND:20270112T083000\r\nRRULE:FREQ=DAILY;BYHOUR=0,1,2,3,4,5,6,7,8;BYMINUTE=0,1,2,3,4,5;BYSECOND=1,2,3"
    )]
    [InlineData("DTSTART:00010101T000000\r\nDTEND:00010101T010000\r\nRRULE:FREQ=DAILY")]
    [InlineData("DTSTART:20270112T080000\r\nDTEND:20270120T080000")]
    [InlineData("SUMMARY:No beginning")]
    [InlineData("DTSTART:20270112T080000\r\nDTEND:20270112T090000\r\nRRULE:FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=31")]
    [InlineData("DTSTART:20270112T080000\r\nDTEND:20270112T070000")]
    [InlineData("DTSTART;TZID=Nowhere/Nothing:20270112T080000\r\nDTEND;TZID=Nowhere/Nothing:20270112T090000")]
    [InlineData("DTSTART:20270112T080000\r\nDURATION:P99999999W")]
    [InlineData("DTSTART:99991231T235959\r\nDTEND:99991231T235959\r\nRRULE:FREQ=DAILY")]
    [InlineData("DTSTART:20270112T080000\r\nDURATION:-PT1H")]
    public void What_makes_no_sense_is_passed_over(string one)
    {
        var good =
            "UID:2\r\nSUMMARY:Good\r\nDTSTART:20270112T080000\r\nDTEND:20270112T090000\r\nRRULE:FREQ=WEEKLY;COUNT=2";
        var findings = Read($"UID:1\r\nSUMMARY:Bad\r\n{one}", good);
        Assert.Equal(["Good"], findings.Found.Select(found => found.Label));
    }

    public static TheoryData<string> Broken =>
        [
            "",
            " ",
            "\0\0\0\0",
            "{}",
            "[]",
            "<html></html>",
            "number,day\r\n1,mon",
            "BEGIN:VCARD\r\nEND:VCARD",
            "VCALENDAR",
            "BEGIN:VEVENT\r\nEND:VEVENT",
            File("UID:1\r\nDTSTART:20270112T080000\r\nRRULE:FREQ=WEEKLY;INTERVAL=0"),
            new string('x', 2_000_000),
            "BEGIN:VCALENDAR\r\n" + new string('x', 1_000_000),
            File([.. Enumerable.Range(0, 1_100).Select(i => $"UID:{i}\r\nDTSTART:20270112T080000")]),
        ];

    [Theory]
    [MemberData(nameof(Broken))]
    public void What_is_no_calendar_is_refused_in_words(string text)
    {
        var problem = Assert.Throws<FormatProblemsException>(() => CalendarReader.Read(text, Term, Halifax));
        Assert.Equal("calendar", problem.Problems[0].Path);
    }

    /// <summary>As many events as are taken, each since long before the term, or never: the work on a file ends.</summary>
    [Theory]
    [InlineData("FREQ=DAILY", true)]
    [InlineData("FREQ=WEEKLY;BYDAY=MO;BYSETPOS=5", false)]
    [InlineData("FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=31", false)]
    public void As_many_events_as_are_taken_are_worked_out(string rule, bool takesPlace)
    {
        var findings = Read([
            .. Enumerable
                .Range(0, CalendarReader.MostEvents)
                .Select(i => $"UID:{i}\r\nDTSTART:19700101T080000\r\nDTEND:19700101T090000\r\nRRULE:{rule}"),
        ]);
        Assert.Equal(takesPlace, findings.Found.Count > 0);
        // On a machine that is taken, the time for a whole file may be over before.
        Assert.All(findings.PassedOver, one => Assert.Equal("The calendar takes too long to work out.", one.Why));
        if (takesPlace)
            Assert.Equal(CalendarReader.MostEvents, findings.Found.Count + findings.PassedOver.Count);
    }

    [Fact]
    public void An_event_of_every_day_since_long_before_the_term_is_found()
    {
        var found = Read("UID:1\r\nDTSTART:19700101T080000\r\nDTEND:19700101T090000\r\nRRULE:FREQ=DAILY").Found;
        Assert.Equal(
            "Mon Tue Wed Thu Fri 08:00-09:00 weeks 1..17=17; Sat Sun 08:00-09:00 weeks 1..16=16",
            Say(found[0])
        );
    }

    /// <summary>A good file cut off, with a line lost or a byte changed, anywhere: an answer or a refusal, never more.</summary>
    [Fact]
    public void A_damaged_file_never_breaks_the_reader()
    {
        var good = File(
            "UID:1\r\nSUMMARY:Shift\r\nDTSTART;TZID=Europe/Lisbon:20270112T120000\r\nDTEND;TZID=Europe/Lisbon:20270112T130000\r\nRRULE:FREQ=WEEKLY;BYDAY=TU;COUNT=20\r\nEXDATE;TZID=Europe/Lisbon:20270119T120000"
        );
        var damaged = Enumerable
            .Range(0, good.Length)
            .SelectMany(i => new[] { good[..i], good.Remove(i, 1), good[..i] + "\0;:" + good[i..] });
        foreach (var text in damaged)
        {
            var problem = Record.Exception(() => CalendarReader.Read(text, Term, Halifax));
            Assert.True(problem is null or FormatProblemsException, $"{problem}");
        }
    }
}
