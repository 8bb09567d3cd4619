using System.Text;
using HourGrid.Core.Asking;
using HourGrid.Formats.Asking;
using HourGrid.Formats.Json;

namespace HourGrid.Formats.Tests;

public sealed class AskJsonTests
{
    internal const string Full = """
        { "format": "hour-grid-ask", "version": 1, "term": "2027SP",
          "wanted": [{ "course": "TID 210", "role": "must", "keep": ["10231"], "ruleOut": ["10240"],
              "instructors": ["R. Aldous"], "modes": ["hybrid"], "campuses": ["HAR"] },
            { "course": "CAR 305", "role": "ifItFits" }, { "course": "CAR 311", "role": "setAside" }],
          "eitherOr": [{ "courses": ["CAR 305", "CAR 311"], "take": { "min": 1, "max": 1 } }],
          "credits": { "min": 12, "max": 18.5 },
          "timeBlocks": [{ "days": ["tue"], "start": "08:00", "end": "12:00", "strength": "cannot", "weeks": [2, 3], "label": "Boatyard shift" }],
          "breaks": [{ "days": ["mon", "tue"], "from": "11:30", "to": "14:00", "minutes": 40, "strength": "ratherNot" }],
          "dayLimits": { "earliestStart": "09:00", "latestEnd": "18:00", "daysOff": ["sat"], "maxDays": 4, "maxMinutesPerDay": 400,
            "maxStretchMinutes": 240, "minutesBetween": 10 },
          "campus": { "allowed": ["HAR"], "preferred": "HAR", "respectTravel": false, "onePerDay": true },
          "modes": ["inPerson"], "seats": "waitlist", "registered": ["10231"],
          "weights": { "classDays": 1, "idle": 2, "laterStart": 3, "earlierFinish": 4, "stretch": 5, "moves": 6, "soft": 7,
            "breaksMissed": 8, "seats": 9, "away": 10, "wanted": 11 },
          "off": { "credits": { "min": 15 }, "timeBlocks": [{ "days": ["wed"], "start": "07:00", "end": "07:30" }],
            "breaks": [{ "days": ["fri"], "from": "11:00", "to": "13:00", "minutes": 30 }], "dayLimits": { "maxDays": 3 },
            "campuses": ["KLN"], "modes": ["online"] } }
        """;

    private static Ask Read(string json) => AskJson.Read(Encoding.UTF8.GetBytes(json)).Value;

    [Fact]
    public void Writing_and_reading_give_the_same_ask()
    {
        var ask = Read(Full);
        var written = AskJson.Write(ask);
        var again = AskJson.Read(written);
        Assert.Empty(again.IgnoredFields);
        Assert.Equal(Encoding.UTF8.GetString(written), Encoding.UTF8.GetString(AskJson.Write(again.Value)));
        Assert.Equivalent(ask, again.Value, strict: true);
        Assert.Equal([2, 3], again.Value.TimeBlocks[0].Weeks.Weeks());
        Assert.Equal(18.5m, again.Value.Credits.Max?.Value);
        Assert.Equal(10, again.Value.Weights["away"]);
    }

    [Fact]
    public void Left_out_fields_take_their_defaults()
    {
        var ask = Read(
            """{ "format": "hour-grid-ask", "version": 1, "term": "T", "wanted": [{ "course": "A 1" }] }"""
        );
        Assert.Equivalent(new Ask { Term = new("T"), Wanted = [new() { Course = new("A 1") }] }, ask, strict: true);
        Assert.True(ask.Campus.RespectTravel);
        Assert.Equal(SeatsAdmitted.Open, ask.Seats);
    }

    [Theory]
    [InlineData("\"course\": \"CAR 311\", ", "\"course\": \"TID 210\", ", "wanted[2].course", "each course once")]
    [InlineData("\"role\": \"must\"", "\"role\": \"want\"", "wanted[0].role", "one of must, ifItFits, setAside")]
    [InlineData(
        "[\"CAR 305\", \"CAR 311\"]",
        "[\"CAR 305\", \"GLZ 1\"]",
        "eitherOr[0].courses[1]",
        "a course that stands in wanted"
    )]
    [InlineData("\"max\": 1 }", "\"max\": 0 }", "eitherOr[0].take.max", "a whole number, 1 to 100")]
    [InlineData("18.5", "11", "credits.max", "12 or more")]
    [InlineData("\"end\": \"12:00\"", "\"end\": \"08:00\"", "timeBlocks[0].end", "a time after 08:00")]
    [InlineData("[2, 3]", "[2, 65]", "timeBlocks[0].weeks[1]", "a whole number, 1 to 64")]
    [InlineData("\"minutes\": 40", "\"minutes\": 151", "breaks[0].minutes", "a whole number, 1 to 150")]
    [InlineData("\"maxDays\": 4", "\"maxDays\": 8", "dayLimits.maxDays", "a whole number, 0 to 7")]
    [InlineData("\"respectTravel\": false", "\"respectTravel\": \"no\"", "campus.respectTravel", "true or false")]
    [InlineData("\"classDays\": 1", "\"classDays\": 101", "weights.classDays", "a whole number, 0 to 100")]
    [InlineData("\"end\": \"07:30\"", "\"end\": \"06:30\"", "off.timeBlocks[0].end", "a time after 07:00")]
    [InlineData("\"seats\": \"waitlist\"", "\"seats\": \"free\"", "seats", "one of open, waitlist, any")]
    public void What_is_wrong_is_refused_with_its_place(string right, string wrong, string path, string expected)
    {
        Assert.Contains(right, Full, StringComparison.Ordinal);
        var refused = Assert.Throws<FormatProblemsException>(() =>
            Read(Full.Replace(right, wrong, StringComparison.Ordinal))
        );
        Assert.Equal((path, expected), (refused.Problems[0].Path, refused.Problems[0].Expected));
    }

    [Fact]
    public void Lists_are_bounded()
    {
        var many = string.Join(",", Enumerable.Range(0, Ask.MaxWanted + 1).Select(i => $$"""{"course":"A {{i}}"}"""));
        var refused = Assert.Throws<FormatProblemsException>(() =>
            Read($$"""{ "format": "hour-grid-ask", "version": 1, "term": "T", "wanted": [{{many}}] }""")
        );
        Assert.Equal(("wanted", "100 at most"), (refused.Problems[0].Path, refused.Problems[0].Expected));
    }

    [Fact]
    public void The_demo_asks_are_read_without_a_warning()
    {
        foreach (var file in Directory.GetFiles(Repository.PathOf("demo"), "*.ask.json"))
            Assert.Empty(AskJson.Read(File.ReadAllBytes(file)).IgnoredFields);
    }
}
