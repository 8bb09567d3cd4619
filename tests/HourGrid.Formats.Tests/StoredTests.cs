using System.Text;
using System.Text.Json.Nodes;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Formats.Asking;
using HourGrid.Formats.PutBy;

namespace HourGrid.Formats.Tests;

/// <summary>What is stored is mended where it cannot be read, and never refused.</summary>
public sealed class StoredTests
{
    private static readonly TermId Spring = new("2027SP");

    [Fact]
    public void What_can_be_read_is_read_as_a_file_is()
    {
        var (ask, dropped) = AskJson.ReadStored(AskJsonTests.Full, Spring);
        Assert.Empty(dropped);
        Assert.Equivalent(AskJson.Read(Encoding.UTF8.GetBytes(AskJsonTests.Full)).Value, ask, strict: true);
    }

    [Theory]
    [InlineData("timeBlocks[0].end", "\"25:00\"")]
    [InlineData("timeBlocks[0].days", "[\"noday\"]")]
    [InlineData("wanted[0].role", "\"perhaps\"")]
    [InlineData("dayLimits.maxDays", "9")]
    [InlineData("credits", "7")]
    [InlineData("weights.idle", "101")]
    [InlineData("eitherOr[0].take", "{}")]
    [InlineData("format", "\"another\"")]
    [InlineData("wanted", "\"all\"")]
    public void One_wrong_part_is_left_out_and_told(string path, string value)
    {
        var root = JsonNode.Parse(AskJsonTests.Full)!;
        Put(root, path, JsonNode.Parse(value));
        var (ask, dropped) = AskJson.ReadStored(root.ToJsonString(), Spring);
        var written = Encoding.UTF8.GetString(AskJson.Write(ask));
        if (path is not ("format" or "wanted"))
            Assert.StartsWith(path.Split('[')[0].Split('.')[0], dropped[0].Path, StringComparison.Ordinal);
        // What is left is a file that nobody refuses.
        Assert.Equal(
            written,
            Encoding.UTF8.GetString(AskJson.Write(AskJson.Read(Encoding.UTF8.GetBytes(written)).Value))
        );
    }

    [Fact]
    public void A_wrong_limit_does_not_become_another_one()
    {
        var root = JsonNode.Parse(AskJsonTests.Full)!;
        Put(root, "dayLimits.maxDays", 9);
        var (ask, dropped) = AskJson.ReadStored(root.ToJsonString(), Spring);
        Assert.Null(ask.DayLimits.MaxDays);
        Assert.Equal(10, ask.DayLimits.MinutesBetween);
        Assert.Equal("dayLimits.maxDays", Assert.Single(dropped).Path);
    }

    [Fact]
    public void A_list_with_too_many_keeps_the_first_and_a_text_too_long_its_beginning()
    {
        var root = JsonNode.Parse(AskJsonTests.Full)!;
        var block = root["timeBlocks"]![0]!;
        block["label"] = new string('x', 300);
        root["timeBlocks"] = new JsonArray([.. Enumerable.Range(0, Ask.MaxRules + 3).Select(_ => block.DeepClone())]);
        var (ask, dropped) = AskJson.ReadStored(root.ToJsonString(), Spring);
        Assert.Equal(Ask.MaxRules, ask.TimeBlocks.Count);
        Assert.All(ask.TimeBlocks, one => Assert.Equal(200, one.Label.Length));
        Assert.NotEmpty(dropped);
    }

    [Theory]
    [InlineData("")]
    [InlineData("not JSON")]
    [InlineData("[1, 2]")]
    [InlineData("null")]
    [InlineData("{\"wanted\":[null, 3, {}]}")]
    public void Anything_at_all_gives_an_ask_of_the_term(string text)
    {
        var (ask, dropped) = AskJson.ReadStored(text, Spring);
        Assert.Equal(Spring, ask.Term);
        Assert.Empty(ask.Wanted);
        Assert.NotEmpty(dropped);
    }

    [Theory]
    [InlineData("[{\"id\":\"no id\"}]")]
    [InlineData("nothing")]
    [InlineData("{}")]
    public void A_shortlist_and_picks_are_mended_too(string text)
    {
        Assert.Empty(PutByJson.StoredShortlist(text).Value);
        var picks = PutByJson.StoredPicks(text).Value;
        Assert.Empty(picks.LineUp);
        Assert.Null(picks.Choice);
    }

    private static void Put(JsonNode root, string path, JsonNode? value)
    {
        var steps = path.Replace("]", "", StringComparison.Ordinal).Split('.', '[');
        foreach (var step in steps[..^1])
            root = int.TryParse(step, out var at) ? root[at]! : root[step]!;
        root[steps[^1]] = value;
    }
}
