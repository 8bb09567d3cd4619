using System.Text;
using System.Text.Json.Nodes;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.PutBy;
using HourGrid.Formats.Asking;
using HourGrid.Formats.Catalogue;

namespace HourGrid.Server.Tests;

/// <summary>The best timetables of an ask in the sample world's spring, to be put by.</summary>
internal sealed class SpringTimetables(JsonNode ask)
{
    private const int Most = 20;

    public static CatalogueSnapshot Spring { get; } =
        CatalogueJson
            .Read(File.ReadAllBytes(TestPaths.Repository("demo", "saltmere.catalogue.json")))
            .Value.SnapshotOf(new("2027SP"))!;

    private readonly IReadOnlyList<RankedTimetable> best = Best.Of(
        Problem.Compile(Spring, AskJson.Read(Encoding.UTF8.GetBytes(ask.ToJsonString())).Value),
        Most
    ).Timetables;

    public RankedTimetable Of(int rank) => best[rank - 1];

    /// <summary>The one of a rank, from 1 on.</summary>
    public PutByTimetable PutBy(int rank, string name = "Kept") =>
        new(
            Guid.NewGuid(),
            name,
            "With Mika",
            [
                .. Of(rank)
                    .Timetable.Sections.Select(section =>
                        SeenSection.Of(Spring.CourseOf(section.Number)!.Course.Id, section)
                    ),
            ]
        );
}
