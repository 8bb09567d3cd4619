using System.Reflection;
using System.Text.RegularExpressions;
using HourGrid.Core.Catalogue;
using HourGrid.Data;
using HourGrid.Formats.Asking;

namespace HourGrid.Server.Tests;

/// <summary>The arrows of the house point down only.</summary>
public sealed partial class ArchitectureTests
{
    private static readonly Dictionary<string, string[]> MayKnow = new()
    {
        ["HourGrid.Core"] = [],
        ["HourGrid.Formats"] = ["HourGrid.Core"],
        ["HourGrid.Data"] = ["HourGrid.Core"],
        ["HourGrid.Server"] = ["HourGrid.Core", "HourGrid.Formats", "HourGrid.Data"],
        ["HourGrid.Cli"] = ["HourGrid.Core", "HourGrid.Formats", "HourGrid.Data"],
    };

    private static readonly Assembly[] Assemblies =
    [
        typeof(Minute).Assembly,
        typeof(AskJson).Assembly,
        typeof(HourGridContext).Assembly,
        typeof(Program).Assembly,
        Assembly.Load("HourGrid.Cli"),
    ];

    [Fact]
    public void Projects_refer_only_downward()
    {
        foreach (var assembly in Assemblies)
        {
            var name = assembly.GetName().Name!;
            var referred = assembly
                .GetReferencedAssemblies()
                .Select(other => other.Name!)
                .Where(other => other.StartsWith("HourGrid.", StringComparison.Ordinal));
            Assert.Empty(referred.Except(MayKnow[name]));
        }
    }

    [Fact]
    public void Core_knows_nothing_but_the_base_library()
    {
        var referred = typeof(Minute).Assembly.GetReferencedAssemblies().Select(other => other.Name!).ToArray();
        Assert.All(referred, name => Assert.StartsWith("System.", name, StringComparison.Ordinal));
        Assert.DoesNotContain(
            referred,
            name => name is "System.Text.Json" or "System.Net.Http" or "System.Data.Common"
        );
    }

    /// <summary>Within Core, room by room: what it may know.</summary>
    [Theory]
    [InlineData("Work")]
    [InlineData("Catalogue")]
    [InlineData("Asking", "Catalogue")]
    [InlineData("Timetables", "Work", "Catalogue", "Asking")]
    [InlineData("Rules", "Work", "Catalogue", "Asking", "Timetables")]
    [InlineData("Measures", "Catalogue", "Asking", "Timetables")]
    [InlineData("Engine", "Work", "Catalogue", "Asking", "Timetables", "Rules", "Measures")]
    [InlineData("Searching", "Catalogue", "Asking", "Timetables")]
    [InlineData("PutBy", "Catalogue")]
    [InlineData("Records", "Catalogue")]
    [InlineData("Eligibility", "Catalogue", "Records")]
    [InlineData("Requirements", "Work", "Catalogue", "Records", "Eligibility")]
    [InlineData("Registration", "Catalogue", "Timetables", "PutBy")]
    [InlineData("Comparing", "Catalogue", "Asking", "Timetables", "Measures", "Engine")]
    public void Rooms_of_core_look_only_downward(string room, params string[] mayKnow)
    {
        var files = Directory.GetFiles(
            TestPaths.Repository("src", "HourGrid.Core", room),
            "*.cs",
            SearchOption.AllDirectories
        );
        foreach (var file in files)
        {
            var used = Namespaces().Matches(File.ReadAllText(file)).Select(match => match.Groups[1].Value);
            Assert.Empty(used.Except([room, .. mayKnow]));
        }
    }

    [Fact]
    public void Every_room_of_core_has_its_row()
    {
        var rooms = Directory
            .GetDirectories(TestPaths.Repository("src", "HourGrid.Core"))
            .Select(folder => Path.GetFileName(folder))
            .Except(["bin", "obj"]);
        var rows = typeof(ArchitectureTests)
            .GetMethod(nameof(Rooms_of_core_look_only_downward))!
            .GetCustomAttributes<InlineDataAttribute>()
            .Select(row => (string)row.Data[0]!);
        Assert.Equal(rooms.Order(), rows.Order());
    }

    /// <summary>Within the engine: what is compiled knows no count, a count knows no ranking, a ranking no answer.</summary>
    [Theory]
    [InlineData("Compiling", "Counting", "Ranking", "Answers")]
    [InlineData("Counting", "Ranking", "Answers")]
    [InlineData("Ranking", "Answers")]
    public void Rooms_of_the_engine_look_only_downward(string room, params string[] above)
    {
        foreach (var file in Directory.GetFiles(TestPaths.Repository("src", "HourGrid.Core", "Engine", room), "*.cs"))
        {
            var used = EngineRooms().Matches(File.ReadAllText(file)).Select(match => match.Groups[1].Value);
            Assert.Empty(used.Intersect(above));
        }
    }

    /// <summary>Whoever asks the engine sees what is compiled as a whole, and answers; how they are found is its own.</summary>
    [Fact]
    public void Nobody_outside_looks_into_the_engine()
    {
        var outside = Directory
            .GetFiles(TestPaths.Repository("src"), "*.cs", SearchOption.AllDirectories)
            .Where(file =>
                !file.StartsWith(TestPaths.Repository("src", "HourGrid.Core", "Engine"), StringComparison.Ordinal)
            );
        foreach (var file in outside)
        {
            var used = EngineRooms().Matches(File.ReadAllText(file)).Select(match => match.Groups[1].Value);
            Assert.Empty(used.Except(["Answers"]));
        }
    }

    /// <summary>Within the server: what all features use knows none of them.</summary>
    [Theory]
    [InlineData("Computing")]
    [InlineData("Requests")]
    [InlineData("Steps")]
    [InlineData("Wording")]
    public void What_features_of_the_server_share_knows_none_of_them(string room)
    {
        foreach (var file in Directory.GetFiles(TestPaths.Repository("src", "HourGrid.Server", room), "*.cs"))
        {
            var used = ServerRooms().Matches(File.ReadAllText(file)).Select(match => match.Groups[1].Value);
            Assert.Empty(used.Except(["Computing", "Requests", "Steps", "Students", "Wording"]));
        }
    }

    /// <summary>
    /// Core gives facts, and the server words them in one room, so that another language is another room. What is said to
    /// programmers, in exceptions and logs, is no sentence of the product.
    /// </summary>
    [Theory]
    [InlineData("HourGrid.Core")]
    [InlineData("HourGrid.Server")]
    public void Sentences_are_made_in_the_rooms_of_wording(string project)
    {
        var found = Directory
            .GetFiles(TestPaths.Repository("src", project), "*.cs", SearchOption.AllDirectories)
            .Where(file => !file.Contains("/Wording/", StringComparison.Ordinal))
            .SelectMany(file =>
                Prose().Matches(ForStudents(File.ReadAllText(file))).Select(match => $"{file}: {match}")
            );
        Assert.Empty(found);
    }

    private static string ForStudents(string source) => ForProgrammers().Replace(source, "");

    /// <summary>Time is told by a clock that a test can set.</summary>
    [Fact]
    public void Nobody_looks_at_the_machines_clock()
    {
        foreach (var file in Directory.GetFiles(TestPaths.Repository("src"), "*.cs", SearchOption.AllDirectories))
            Assert.DoesNotMatch(@"\bDateTime(Offset)?\.(Utc)?Now\b", File.ReadAllText(file));
    }

    /// <summary>A folder of a project is a namespace, so that a name says where to look.</summary>
    [Fact]
    public void Namespaces_follow_folders()
    {
        var source = TestPaths.Repository("src");
        foreach (var file in Directory.GetFiles(source, "*.cs", SearchOption.AllDirectories))
        {
            var folder = Path.GetRelativePath(source, Path.GetDirectoryName(file)!).Replace('/', '.');
            if (
                folder.Contains(".obj", StringComparison.Ordinal) || folder.Contains(".bin", StringComparison.Ordinal)
            )
                continue;
            var declared = Declared().Match(File.ReadAllText(file));
            if (declared.Success)
                Assert.Equal(folder, declared.Groups[1].Value);
        }
    }

    /// <summary>A text with two words of small letters.</summary>
    [GeneratedRegex(@"""[^""\n]*\b[a-z]{2,} [a-z]{2,}\b[^""\n]*""")]
    private static partial Regex Prose();

    /// <summary>Comments, messages of exceptions and of the log, reasons given to the compiler.</summary>
    [GeneratedRegex("""//[^\n]*|Exception\((?s:.*?)\)\s*[;{]|Justification = .*|(?s:\[LoggerMessage\(.*?\)\])""")]
    private static partial Regex ForProgrammers();

    [GeneratedRegex(@"HourGrid\.Core\.(\w+)")]
    private static partial Regex Namespaces();

    [GeneratedRegex(@"HourGrid\.Core\.Engine\.(\w+)")]
    private static partial Regex EngineRooms();

    [GeneratedRegex(@"using HourGrid\.Server\.(\w+)")]
    private static partial Regex ServerRooms();

    [GeneratedRegex(@"^namespace ([\w.]+)", RegexOptions.Multiline)]
    private static partial Regex Declared();
}
