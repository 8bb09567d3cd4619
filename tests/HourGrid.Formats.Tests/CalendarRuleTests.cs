using System.Globalization;
using System.Runtime.InteropServices;
using HourGrid.Core.Catalogue;
using HourGrid.Formats.Calendars;
using HourGrid.Formats.Json;
using Ical.Net.Evaluation;
using Calendar = Ical.Net.Calendar;

namespace HourGrid.Formats.Tests;

/// <summary>Rules of repetition as nobody would write them, and as everybody does.</summary>
public sealed class CalendarRuleTests
{
    private static readonly Term Term = new(new("T"), "Term", new(2027, 1, 11), new(2027, 5, 7), [], []);

    private static string File(string body) =>
        $"BEGIN:VCALENDAR\r\nVERSION:2.0\r\nBEGIN:VEVENT\r\nUID:1\r\nSUMMARY:Shift\r\n{body}\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n";

    private static string Why(string body) =>
        Assert.Single(CalendarReader.Read(File(body), Term, "America/Halifax").PassedOver).Why;

    /// <summary>Each would keep the library busy for seconds or for ever; it is passed over, and said why.</summary>
    [Theory]
    [InlineData(
        "DTSTART:19700101T090000\r\nRRULE:FREQ=DAILY\r\nEXRULE:FREQ=SECONDLY",
        "It has a rule of exceptions, which calendars no longer have."
    )]
    [InlineData("DTSTART:20270112T090000\r\nRRULE:FREQ=WEEKLY\r\nRRULE:FREQ=DAILY", "It repeats by several rules.")]
    [InlineData(
        "DTSTART:20100101T090000\r\nRRULE:FREQ=DAILY;COUNT=9000",
        "It repeats a number of times, from more than 10 years before the term."
    )]
    [InlineData(
        "DTSTART:20270112T090000\r\nRRULE:FREQ=YEARLY;BYWEEKNO=3",
        "It repeats by numbers of days or weeks of the year."
    )]
    [InlineData("DTSTART:19690101T090000\r\nRRULE:FREQ=DAILY", "It does not begin between 1970 and 2199.")]
    [InlineData("DTSTART:22000101T090000", "It does not begin between 1970 and 2199.")]
    [InlineData("DTSTART:20270112T090000\r\nRRULE:FREQ=SECONDLY", "It repeats within a day.")]
    [InlineData(
        "DTSTART:20270112T090000\r\nRRULE:FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=31\r\nRDATE:20270301T090000",
        "Its rule does not come true."
    )]
    [InlineData(
        "DTSTART;VALUE=DATE:20200101\r\nDTEND;VALUE=DATE:20270301\r\nRRULE:FREQ=DAILY",
        "It repeats, and is longer than 31 days."
    )]
    public void What_has_no_business_in_a_roster_is_passed_over(string body, string why) =>
        Assert.Equal(why, Why(body));

    [Theory]
    [InlineData("BYYEARDAY", 366)]
    [InlineData("BYWEEKNO", 53)]
    [InlineData("BYMONTHDAY", 31)]
    [InlineData("BYMONTH", 12)]
    [InlineData("BYSETPOS", 366)]
    public void A_list_of_a_hundred_thousand_is_bounded_or_passed_over(string part, int most)
    {
        var list = string.Join(',', Enumerable.Range(0, 100_000).Select(i => i % most + 1));
        var findings = CalendarReader.Read(
            File($"DTSTART:20270112T090000\r\nDTEND:20270112T100000\r\nRRULE:FREQ=YEARLY;{part}={list}"),
            Term,
            "America/Halifax"
        );
        Assert.Equal(1, findings.Found.Count + findings.PassedOver.Count);
    }

    [Fact]
    public void Many_single_dates_are_passed_over()
    {
        var dates = string.Join(
            ',',
            Enumerable
                .Range(0, 1_001)
                .Select(i =>
                    new DateTime(2027, 1, 12).AddDays(i).ToString("yyyyMMdd'T'090000", CultureInfo.InvariantCulture)
                )
        );
        Assert.Equal("It has more than 1000 single dates.", Why($"DTSTART:20270112T090000\r\nRDATE:{dates}"));
        Assert.Equal("It has more than 1000 single dates.", Why($"DTSTART:20270112T090000\r\nEXDATE:{dates}"));
    }

    [Fact]
    public void Nobody_waits_for_the_answer_any_more_when_the_client_has_left()
    {
        using var left = new CancellationTokenSource();
        left.Cancel();
        Assert.Throws<OperationCanceledException>(() =>
            CalendarReader.Read(File("DTSTART:20270112T090000"), Term, "America/Halifax", left.Token)
        );
    }

    /// <summary>Whatever a rule says, it is worked out in a moment. One that is slow by chance is given two more tries.</summary>
    [Fact]
    public void No_rule_takes_longer_than_a_moment()
    {
        var draw = new Random(26);
        Took(File(AnyRule(draw)));
        for (var i = 0; i < 20_000; i++)
        {
            var text = File(AnyRule(draw));
            var tries = 3;
            while (Took(text) > TimeSpan.FromMilliseconds(50))
                Assert.True(--tries > 0, text);
        }
    }

    /// <summary>What it kept its thread busy: others on the machine do not count.</summary>
    private static TimeSpan Took(string text)
    {
        var before = ThreadTime();
        var problem = Record.Exception(() => CalendarReader.Read(text, Term, "America/Halifax"));
        var took = ThreadTime() - before;
        Assert.True(problem is null or FormatProblemsException, $"{text}{problem}");
        return took;
    }

    private static TimeSpan ThreadTime()
    {
        const int ofThread = 3; // CLOCK_THREAD_CPUTIME_ID
        Assert.Equal(0, ClockGetTime(ofThread, out var time));
        return TimeSpan.FromSeconds(time.Seconds) + TimeSpan.FromMicroseconds(time.Nanoseconds / 1_000.0);
    }

    [DllImport("libc", EntryPoint = "clock_gettime")]
    [DefaultDllImportSearchPaths(DllImportSearchPath.SafeDirectories)]
    private static extern int ClockGetTime(int clock, out TimeOfClock time);

    [StructLayout(LayoutKind.Sequential)]
    private readonly struct TimeOfClock
    {
        public readonly long Seconds;
        public readonly long Nanoseconds;
    }

    /// <summary>A rule that began long before the term is worked out from shortly before it, with the same hours.</summary>
    [Fact]
    public void Beginning_later_changes_nothing_in_the_term()
    {
        var draw = new Random(27);
        var inTerm = 0;
        for (var i = 0; i < 2_000; i++)
        {
            var text = File(EndlessRule(draw));
            var plain = DatesByTheLibrary(text);
            Assert.True(plain.SequenceEqual(DatesRead(text)), text);
            inTerm += plain.Count;
        }
        Assert.True(inTerm > 10_000);
    }

    private static List<DateOnly> DatesRead(string text) =>
        [
            .. CalendarReader
                .Read(text, Term, "America/Halifax")
                .Found.SelectMany(one => one.Blocks)
                .SelectMany(block =>
                    from week in block.Weeks.Weeks()
                    from day in block.Days.Days()
                    select Term.FirstMonday.AddDays((week - 1) * 7 + (int)day)
                )
                .Order(),
        ];

    private static List<DateOnly> DatesByTheLibrary(string text)
    {
        var dates = new List<DateOnly>();
        try
        {
            foreach (var occurrence in Calendar.Load(text)!.Events.Single().GetOccurrences())
            {
                var date = occurrence.Period.StartTime.Date;
                if (date > Term.End)
                    break;
                if (date >= Term.FirstMonday)
                    dates.Add(date);
            }
        }
        catch (EvaluationOutOfRangeException)
        {
            // It went on to the year 9999 without another date.
        }
        return dates;
    }

    private static string EndlessRule(Random draw)
    {
        var start = new DateTime(2022, 1, 1, 9, 0, 0).AddDays(draw.Next(1_900));
        var rule = draw.Next(7) switch
        {
            0 => "FREQ=DAILY",
            1 => "FREQ=WEEKLY",
            2 =>
                $"FREQ=WEEKLY;BYDAY={Some(draw, "MO", "TU", "WE", "FR", "SU")};WKST={(draw.Next(2) == 0 ? "SU" : "MO")}",
            3 => "FREQ=MONTHLY",
            4 => $"FREQ=MONTHLY;BYDAY={draw.Next(1, 5)}{Some(draw, "MO").Split(',')[0]}",
            5 => $"FREQ=MONTHLY;BYMONTHDAY={draw.Next(1, 32)},-{draw.Next(1, 5)}",
            _ => "FREQ=YEARLY" + (draw.Next(2) == 0 ? $";BYMONTH={draw.Next(1, 6)}" : ""),
        };
        var interval = draw.Next(3) == 0 ? $";INTERVAL={draw.Next(1, 5)}" : "";
        var until = draw.Next(4) == 0 ? $";UNTIL={draw.Next(2023, 2029)}0320T090000" : "";
        return $"DTSTART:{start:yyyyMMdd'T'HHmmss}\r\nDURATION:PT1H\r\nRRULE:{rule}{interval}{until}";
    }

    private static string Some(Random draw, params string[] from) =>
        string.Join(',', from.Where(_ => draw.Next(2) == 0).DefaultIfEmpty(from[0]));

    /// <summary>Parts of rules in any number and order, sensible values and senseless ones.</summary>
    private static string AnyRule(Random draw)
    {
        string[] frequencies =
        [
            "SECONDLY",
            "MINUTELY",
            "HOURLY",
            "DAILY",
            "DAILY",
            "WEEKLY",
            "WEEKLY",
            "MONTHLY",
            "MONTHLY",
            "YEARLY",
            "YEARLY",
        ];
        string[] days = ["MO", "TU", "WE", "TH", "FR", "SA", "SU"];
        string Numbers(int from, int to) =>
            string.Join(
                ',',
                Enumerable
                    .Range(0, draw.Next(3) == 0 ? draw.Next(1, 400) : draw.Next(1, 4))
                    .Select(_ => draw.Next(from, to))
            );
        (string Name, Func<string> Value)[] parts =
        [
            ("INTERVAL", () => $"{draw.Next(3) switch { 0 => draw.Next(-1, 3), 1 => draw.Next(1, 2_000), _ => 1 }}"),
            ("COUNT", () => $"{draw.Next(1, 1 << draw.Next(1, 31))}"),
            ("UNTIL", () => $"{draw.Next(1960, 9999)}0101T000000"),
            (
                "BYDAY",
                () =>
                    string.Join(
                        ',',
                        Enumerable
                            .Range(0, draw.Next(1, 12))
                            .Select(_ => (draw.Next(2) == 0 ? $"{draw.Next(-6, 7)}" : "") + days[draw.Next(7)])
                    )
            ),
            ("BYMONTHDAY", () => Numbers(-31, 32)),
            ("BYYEARDAY", () => Numbers(-366, 367)),
            ("BYWEEKNO", () => Numbers(-53, 54)),
            ("BYMONTH", () => Numbers(1, 13)),
            ("BYSETPOS", () => Numbers(-366, 367)),
            ("BYHOUR", () => Numbers(0, 24)),
            ("WKST", () => days[draw.Next(7)]),
        ];
        var chosen = parts.Where(part => draw.Next(part.Name is "BYYEARDAY" or "BYWEEKNO" or "BYHOUR" ? 20 : 4) == 0);
        var rule = string.Join(
            ';',
            chosen
                .Select(part => $"{part.Name}={part.Value()}")
                .Prepend($"FREQ={frequencies[draw.Next(frequencies.Length)]}")
        );
        var start = new DateTime(1971, 1, 1, draw.Next(24), 0, 0).AddDays(
            draw.Next(4) == 0 ? draw.Next(25_000) : 20_400 + draw.Next(200)
        );
        var more = draw.Next(6) switch
        {
            0 => "\r\nEXRULE:FREQ=DAILY",
            1 => $"\r\nEXDATE:{start.AddDays(7):yyyyMMdd'T'HHmmss}",
            2 => $"\r\nRDATE:{start.AddDays(3):yyyyMMdd'T'HHmmss}",
            _ => "",
        };
        return draw.Next(5) == 0
            ? $"DTSTART;VALUE=DATE:{start:yyyyMMdd}\r\nDTEND;VALUE=DATE:{start.AddDays(draw.Next(1, 4_000)):yyyyMMdd}\r\nRRULE:{rule}{more}"
            : $"DTSTART:{start:yyyyMMdd'T'HHmmss}{(draw.Next(2) == 0 ? "Z" : "")}\r\nDURATION:PT{draw.Next(0, 30)}H\r\nRRULE:{rule}{more}";
    }
}
