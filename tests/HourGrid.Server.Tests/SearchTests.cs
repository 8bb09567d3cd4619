using System.Text.Json.Nodes;

namespace HourGrid.Server.Tests;

/// <summary>Finding and narrowing, held against a plain filter over the catalogue file.</summary>
public sealed class SearchTests(RunningServer server) : IClassFixture<RunningServer>
{
    private static readonly Dictionary<string, string[]> Values = new()
    {
        ["subject"] = Distinct(PlainSearch.Courses.Select(course => PlainSearch.Text(course, "subject"))),
        ["attribute"] = Distinct(PlainSearch.Courses.SelectMany(course => PlainSearch.Texts(course, "attributes"))),
        ["level"] = ["undergraduate", "graduate"],
        ["credits"] = ["0-2", "3-3", "4-6", "1-20"],
        ["component"] = Distinct(PlainSearch.Sections.Select(section => PlainSearch.Text(section, "component"))),
        ["instructor"] = Distinct(PlainSearch.Sections.SelectMany(one => PlainSearch.Texts(one, "instructors"))),
        ["campus"] = ["HAR", "RDG", "KLN"],
        ["day"] = ["mon", "tue", "wed", "thu", "fri", "sat"],
        ["hours"] = ["09:00-18:00", "08:00-12:00", "13:00-21:00", "09:30-10:45"],
        ["seats"] = ["open", "waitlist"],
        ["mode"] = ["inPerson", "hybrid", "onlineLive", "online"],
        ["part"] = ["whole", "H1", "H2"],
    };

    private static readonly string[] Single = ["credits", "hours", "seats"];

    [Fact]
    public async Task Every_single_narrowing_shows_what_a_plain_filter_shows()
    {
        foreach (var (side, values) in Values)
        foreach (var value in values)
            await CheckAsync("", new() { [side] = [value] });
    }

    [Fact]
    public async Task Narrowings_together_and_with_words_show_what_a_plain_filter_shows()
    {
        var random = new Random(2027);
        string[] words = ["", "", "", "chart", "sound", "the", "tid", "l"];
        var narrowed = 0;
        for (var i = 0; i < 250; i++)
        {
            var narrowing = new Dictionary<string, string[]>();
            foreach (var side in random.GetItems(Values.Keys.ToArray(), random.Next(1, 6)).Distinct())
                narrowing[side] =
                [
                    .. random.GetItems(Values[side], Single.Contains(side) ? 1 : random.Next(1, 5)).Distinct(),
                ];
            narrowed += await CheckAsync(words[random.Next(words.Length)], narrowing);
        }
        Assert.True(narrowed > 100, $"Only {narrowed} of the searches brought anything back; too tame.");
    }

    /// <summary>Checks what is shown, and each figure of what is hidden; gives how many of those there were.</summary>
    private async Task<int> CheckAsync(string words, Dictionary<string, string[]> narrowing)
    {
        var among = words.Length == 0 ? PlainSearch.Offered : Ids(await SearchAsync(words, []));
        var found = await SearchAsync(words, narrowing);
        var shown = PlainSearch.Shown(among, narrowing);
        Assert.Equal(shown, Ids(found).Order(StringComparer.Ordinal));
        Assert.Equal(shown.Length, found["total"]!.GetValue<int>());
        Assert.Equal(among.Length, found["matches"]!.GetValue<int>());
        var told = found["loosenings"]!
            .AsArray()
            .ToDictionary(
                one => (PlainSearch.Text(one!, "by"), one!["value"]?.GetValue<string>()),
                one => one!["more"]!.GetValue<int>()
            );
        foreach (var (by, value) in Loosenings(narrowing))
        {
            var looser = new Dictionary<string, string[]>(narrowing) { [by] = Loosened(by, value, narrowing[by]) };
            var more = PlainSearch.Shown(among, looser).Length - shown.Length;
            Assert.Equal(more, told.GetValueOrDefault((by, value)));
        }
        Assert.Empty(told.Keys.Except(Loosenings(narrowing)));
        return told.Count;
    }

    private static IEnumerable<(string By, string? Value)> Loosenings(Dictionary<string, string[]> narrowing)
    {
        foreach (var (side, values) in narrowing)
            if (side is "campus" or "mode")
                foreach (var other in Values[side].Except(values))
                    yield return (side, other);
            else if (side == "seats")
                foreach (var rule in values[0] == "open" ? new[] { "waitlist", "any" } : ["any"])
                    yield return (side, rule);
            else
                yield return (side, null);
    }

    private static string[] Loosened(string by, string? value, string[] values) =>
        by is "campus" or "mode" ? [.. values, value!]
        : by == "seats" && value == "waitlist" ? ["waitlist"]
        : [];

    [Theory]
    [InlineData("tid 210", "TID 210")]
    [InlineData("TID210", "TID 210")]
    [InlineData("  tid-210 ", "TID 210")]
    [InlineData("chart making", "CAR 305")]
    [InlineData("mkaing chart", "CAR 305")]
    [InlineData("Chárt", "CAR 305")]
    [InlineData("projection datum", "CAR 305")]
    [InlineData("calculs", "MTH 120")]
    public async Task Words_find_the_course_that_is_meant_first(string words, string first)
    {
        Assert.Equal(first, Ids(await SearchAsync(words, []))[0]);
    }

    [Fact]
    public async Task Registration_numbers_instructors_and_attributes_find_their_courses()
    {
        foreach (var section in PlainSearch.Sections.Where((_, i) => i % 17 == 0))
        {
            var number = PlainSearch.Text(section, "number");
            var course = PlainSearch.Courses.Single(one =>
                (one["sections"]?.AsArray() ?? []).Any(its =>
                    its!["number"]!.GetValue<string>() == number && PlainSearch.Text(its, "term") == "2027SP"
                )
            );
            Assert.Equal([PlainSearch.Text(course, "id")], Ids(await SearchAsync(number, [])));
            foreach (var instructor in PlainSearch.Texts(section, "instructors"))
            {
                var found = await SearchAsync(instructor, []);
                Assert.Contains(PlainSearch.Text(course, "id"), Ids(found));
                Assert.Contains(
                    found["offers"]!.AsArray(),
                    offer =>
                        PlainSearch.Text(offer!, "by") == "instructor"
                        && PlainSearch.Text(offer!, "value") == instructor
                );
            }
        }
        Assert.Equal(
            PlainSearch.Shown(
                PlainSearch.Offered,
                new Dictionary<string, string[]> { ["attribute"] = ["Quantitative"] }
            ),
            PlainSearch.Shown(
                Ids(await SearchAsync("quantitative", [])),
                new Dictionary<string, string[]> { ["attribute"] = ["Quantitative"] }
            )
        );
    }

    [Fact]
    public async Task Orders_and_pages_hold_every_course_once()
    {
        foreach (var order in new[] { "match", "code", "credits", "seats" })
        {
            var all = new List<JsonNode>();
            for (var first = 0; first < PlainSearch.Offered.Length; first += 20)
            {
                var page = await server
                    .Browser()
                    .GetAsync($"/api/terms/2027SP/search?sort={order}&first={first}&count=20")
                    .JsonAsync();
                all.AddRange(page["courses"]!.AsArray().OfType<JsonNode>());
            }
            Assert.Equal(
                PlainSearch.Offered,
                all.Select(one => PlainSearch.Text(one, "id")).Order(StringComparer.Ordinal)
            );
            if (order == "credits")
                Assert.Equal(all.Select(Credits).Order(), all.Select(Credits));
            if (order is "match" or "code")
                Assert.Equal(PlainSearch.Offered, all.Select(one => PlainSearch.Text(one, "id")));
        }

        static decimal Credits(JsonNode course) => course["minCredits"]!.GetValue<decimal>();
    }

    /// <summary>The stamp counts, for each hour of a weekday, the sections that meet in it.</summary>
    [Fact]
    public async Task Week_stamps_count_the_sections_that_meet_in_each_hour()
    {
        string[] days = ["mon", "tue", "wed", "thu", "fri", "sat", "sun"];
        var found = await SearchAsync("", []);
        foreach (var course in found["courses"]!.AsArray())
        {
            var id = PlainSearch.Text(course!, "id");
            var held = PlainSearch.Courses.Single(one => PlainSearch.Text(one, "id") == id)["sections"]!
                .AsArray()
                .Where(section => PlainSearch.Sections.Contains(section))
                .ToArray();
            var stamp = course!["stamp"]!;
            var first = stamp["firstHour"]!.GetValue<int>();
            for (var day = 0; day < stamp["days"]!.AsArray().Count; day++)
            for (var hour = 0; hour < stamp["days"]![day]!.AsArray().Count; hour++)
                Assert.Equal(
                    held.Count(section => Meets(section!, days[day], first + hour)),
                    stamp["days"]![day]![hour]!.GetValue<int>()
                );
        }

        static bool Meets(JsonNode section, string day, int hour) =>
            (section["meetings"]?.AsArray() ?? []).Any(meeting =>
                PlainSearch.Texts(meeting!, "days").Contains(day)
                && string.CompareOrdinal(PlainSearch.Text(meeting!, "start"), $"{hour + 1:00}:00") < 0
                && string.CompareOrdinal(PlainSearch.Text(meeting!, "end"), $"{hour:00}:00") > 0
            );
    }

    [Theory]
    [InlineData("day=noday", "day", "one of mon, tue, wed, thu, fri, sat, sun")]
    [InlineData("hours=9-18", "hours", "hours such as 09:00-18:00")]
    [InlineData("hours=18:00-09:00", "hours", "hours such as 09:00-18:00")]
    [InlineData("credits=many", "credits", "a range of credits such as 3-4")]
    [InlineData("credits=4-3", "credits", "a range of credits such as 3-4")]
    [InlineData("mode=remote", "mode", "one of inPerson, hybrid, onlineLive, online")]
    [InlineData("seats=some", "seats", "one of open, waitlist, any")]
    [InlineData("sort=colour", "sort", "one of match, code, credits, seats")]
    [InlineData("first=-1", "first", "0 or more")]
    [InlineData("count=101", "count", "1 to 100")]
    public async Task A_narrowing_that_cannot_be_read_is_refused_with_its_place(
        string query,
        string path,
        string expected
    )
    {
        var refused = await server.Browser().GetAsync($"/api/terms/2027SP/search?{query}").JsonAsync(400);
        var problem = refused["problems"]!.AsArray().Single()!;
        Assert.Equal((path, expected), (PlainSearch.Text(problem, "path"), PlainSearch.Text(problem, "expected")));
    }

    [Fact]
    public async Task What_is_too_long_or_of_no_term_is_refused()
    {
        var browser = server.Browser();
        await browser.GetAsync($"/api/terms/2027SP/search?q={new string('a', 201)}").JsonAsync(400);
        await browser.GetAsync($"/api/terms/2027SP/search?subject={new string('a', 201)}").JsonAsync(400);
        await browser.GetAsync("/api/terms/1999XX/search").JsonAsync(404);
        await browser.GetAsync("/api/terms/1999XX/facets").JsonAsync(404);
    }

    private async Task<JsonNode> SearchAsync(string words, Dictionary<string, string[]> narrowing)
    {
        var query = narrowing
            .SelectMany(side => side.Value.Select(value => $"&{side.Key}={Uri.EscapeDataString(value)}"))
            .Prepend($"q={Uri.EscapeDataString(words)}");
        return await server.Browser().GetAsync($"/api/terms/2027SP/search?{string.Concat(query)}").JsonAsync();
    }

    private static string[] Ids(JsonNode found) =>
        [.. found["courses"]!.AsArray().Select(course => PlainSearch.Text(course!, "id"))];

    private static string[] Distinct(IEnumerable<string> values) =>
        [.. values.Where(one => one.Length > 0).Distinct().Order()];
}
