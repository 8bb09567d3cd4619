using System.Text.Json.Nodes;

namespace HourGrid.Server.Tests;

/// <summary><c>audit</c>, <c>terms-ahead</c> and programmes in and out.</summary>
public sealed class RequirementCommandTests : IDisposable
{
    private static readonly string Catalogue = TestPaths.Repository("demo", "saltmere.catalogue.json");
    private static readonly string Coast = TestPaths.Repository("demo", "programmes", "coast.programme.json");
    private static readonly string Robotics = TestPaths.Repository("demo", "programmes", "robotics.programme.json");
    private static readonly string Wren = TestPaths.Repository("demo", "records", "wren-halloran.record.json");
    private static readonly string Mika = TestPaths.Repository("demo", "records", "mika-lund.record.json");

    private readonly DirectoryInfo folder = Directory.CreateTempSubdirectory("hour-grid-audit-");

    public void Dispose() => folder.Delete(recursive: true);

    [Fact]
    public void An_audit_without_a_catalogue_reads_subjects_and_numbers_from_codes()
    {
        var (status, output, error) = CommandLine.Run("audit", "--programme", Coast, "--record", Wren);
        Assert.Equal((0, ""), (status, error));
        var audit = JsonNode.Parse(output)!;
        Assert.Equal(
            ["short", "shortWithUnderWay", "shortCompleted", "credits", "nodes", "unused"],
            audit.AsObject().Select(field => field.Key)
        );
        Assert.Equal(["TID 210"], Courses(audit, "tides"));
        // Nothing has attributes without a catalogue.
        Assert.Empty(Courses(audit, "humanities"));
        Assert.Equal(96m, audit["credits"]!["needed"]!.GetValue<decimal>());
    }

    [Fact]
    public void An_audit_with_a_term_says_what_helps()
    {
        var (status, output, error) = CommandLine.Run(
            "audit",
            "--programme",
            Coast,
            "--record",
            Wren,
            "--catalogue",
            Catalogue,
            "--term",
            "2027SP"
        );
        Assert.Equal((0, ""), (status, error));
        var audit = JsonNode.Parse(output)!;
        Assert.Equal(["LOG 118", "PHI 130"], Courses(audit, "humanities"));
        var helps = audit["helps"]!.AsArray();
        Assert.Equal(
            helps.Select(help => help!["shortAfter"]!.GetValue<decimal>()).Order(),
            helps.Select(help => help!["shortAfter"]!.GetValue<decimal>())
        );
        var seminar = helps.Single(help => help!["course"]!.GetValue<string>() == "TID 410")!;
        Assert.False(seminar["eligible"]!.GetValue<bool>());
        Assert.Equal(["defences", "writing"], seminar["leaves"]!.AsArray().Select(leaf => leaf!.GetValue<string>()));
    }

    [Fact]
    public void Where_the_first_leaf_would_take_what_another_needs_the_assignment_is_still_the_best()
    {
        var (_, output, _) = CommandLine.Run(
            "audit",
            "--programme",
            Robotics,
            "--record",
            Mika,
            "--catalogue",
            Catalogue
        );
        var audit = JsonNode.Parse(output)!;
        // LOG 118 qualifies for the first of the three, and one after the other would give it there.
        Assert.Equal(["LOG 205"], Courses(audit, "reasoning"));
        Assert.Equal(["LOG 118", "MUS 101", "PHI 130"], Courses(audit, "humanities"));
        Assert.Equal(3m, audit["short"]!.GetValue<decimal>());
    }

    [Fact]
    public void Terms_ahead_are_those_of_the_exact_search()
    {
        var (status, output, error) = CommandLine.Run(
            "terms-ahead",
            "--programme",
            Coast,
            "--record",
            Wren,
            "--catalogue",
            Catalogue,
            "--term",
            "2027SP"
        );
        Assert.Equal((0, ""), (status, error));
        var ahead = JsonNode.Parse(output)!;
        Assert.Equal((3, true), (ahead["terms"]!.GetValue<int>(), ahead["exact"]!.GetValue<bool>()));
        Assert.Equal(3, ahead["plan"]!.AsArray().Count);
        var shore = ahead["waiting"]!.AsArray().Single(one => one!["course"]!.GetValue<string>() == "TID 240")!;
        Assert.Equal((3, 5), (shore["now"]!.GetValue<int>(), shore["later"]!.GetValue<int>()));
        (_, output, _) = CommandLine.Run(
            "terms-ahead",
            "--programme",
            Coast,
            "--record",
            Wren,
            "--catalogue",
            Catalogue,
            "--term",
            "2027SP",
            "--terms",
            "2"
        );
        ahead = JsonNode.Parse(output)!;
        Assert.Null(ahead["terms"]);
        Assert.Null(ahead["plan"]);
    }

    [Theory]
    [InlineData(
        "--term wants a --catalogue",
        "audit",
        "--programme",
        "COAST",
        "--record",
        "WREN",
        "--term",
        "2027SP"
    )]
    [InlineData(
        "expected one of 2026AU, 2027SP",
        "audit",
        "--programme",
        "COAST",
        "--record",
        "WREN",
        "--catalogue",
        "CAT",
        "--term",
        "X"
    )]
    [InlineData("format", "audit", "--programme", "WREN", "--record", "WREN")]
    [InlineData("required", "terms-ahead", "--programme", "COAST", "--record", "WREN")]
    [InlineData(
        "0 to 16",
        "terms-ahead",
        "--programme",
        "COAST",
        "--record",
        "WREN",
        "--catalogue",
        "CAT",
        "--term",
        "2027SP",
        "--terms",
        "17"
    )]
    [InlineData(
        "--maximum wants credits",
        "terms-ahead",
        "--programme",
        "COAST",
        "--record",
        "WREN",
        "--catalogue",
        "CAT",
        "--term",
        "2027SP",
        "--maximum",
        "-1"
    )]
    public void What_is_wrong_is_said_in_one_line(string sentence, params string[] arguments)
    {
        var (status, output, error) = CommandLine.Run([
            .. arguments.Select(argument =>
                argument switch
                {
                    "COAST" => Coast,
                    "WREN" => Wren,
                    "CAT" => Catalogue,
                    _ => argument,
                }
            ),
        ]);
        Assert.Equal((2, ""), (status, output));
        Assert.Contains(sentence, error, StringComparison.Ordinal);
        Assert.Single(error.Trim().Split('\n'), line => line.StartsWith("hg", StringComparison.Ordinal));
    }

    [Fact]
    public void A_programme_goes_into_the_database_beside_the_catalogue_and_out_again()
    {
        var data = Path.Combine(folder.FullName, "data");
        Assert.Contains(
            "COAST, Coastal science: new",
            CommandLine.Run("import", Coast, "--data", data).Output,
            StringComparison.Ordinal
        );
        Assert.Contains(
            "as it was",
            CommandLine.Run("import", Coast, "--data", data).Output,
            StringComparison.Ordinal
        );
        var file = Path.Combine(folder.FullName, "out.json");
        Assert.Equal(0, CommandLine.Run("export", file, "--programme", "COAST", "--data", data).Status);
        Assert.Equal(
            JsonNode.Parse(File.ReadAllText(Coast))!.ToJsonString(),
            JsonNode.Parse(File.ReadAllText(file))!.ToJsonString()
        );
        Assert.Equal(2, CommandLine.Run("export", file, "--programme", "NONE", "--data", data).Status);
        File.WriteAllText(
            file,
            File.ReadAllText(Coast).Replace("\"take\": 1,", "\"take\": -1,", StringComparison.Ordinal)
        );
        var (status, _, error) = CommandLine.Run("import", file, "--data", data);
        Assert.Equal(2, status);
        Assert.Contains("requirements.all[0].all[0].take", error, StringComparison.Ordinal);
    }

    private static string[] Courses(JsonNode audit, string node) =>
        [
            .. audit["nodes"]!.AsArray().Single(one => one!["id"]!.GetValue<string>() == node)!["courses"]!
                .AsArray()
                .Select(course => course!.GetValue<string>()),
        ];
}
