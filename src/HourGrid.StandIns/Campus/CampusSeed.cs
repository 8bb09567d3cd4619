using System.Text.Json;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Records;
using HourGrid.Core.Timetables;
using HourGrid.Formats.Records;

namespace HourGrid.StandIns.Campus;

/// <summary>The campus as it begins: people, records, phases, seats of the catalogue.</summary>
/// <param name="People">Who can sign in.</param>
/// <param name="Terms">The phases of terms.</param>
/// <param name="Slips">Slips of paper whose codes give permissions.</param>
/// <param name="InstructorLetsIn">Sections of which the instructor lets in from the waitlist.</param>
internal sealed record CampusSeed(
    IReadOnlyList<CampusSeed.Person> People,
    IReadOnlyList<CampusSeed.TermPhases> Terms,
    IReadOnlyList<CampusSeed.Slip> Slips,
    IReadOnlyList<CampusSeed.Place> InstructorLetsIn
)
{
    private const int MostLookedAt = 4;

    public sealed record Person(string Id, string Name, string Role, IReadOnlyList<string>? Teaches);

    public sealed record TermPhases(string Term, IReadOnlyDictionary<string, DateTimeOffset> Phases);

    public sealed record Slip(string Code, string Term, string Course, string Kind);

    public sealed record Place(string Term, string Number);

    /// <summary>Reads it from a folder with <c>campus.json</c>, <c>records</c>, and the file of a catalogue.</summary>
    public static async Task PlantAsync(
        CampusContext campus,
        string folder,
        CampusCatalogue catalogue,
        CancellationToken cancellation
    )
    {
        await using var file = File.OpenRead(Path.Combine(folder, "campus.json"));
        var seed = (
            await JsonSerializer.DeserializeAsync<CampusSeed>(file, JsonSerializerOptions.Web, cancellation)
        )!;
        campus.Clocks.Add(new() { Id = 1 });
        campus.People.AddRange(seed.People.Select(one => PersonOf(one.Id, one.Name, one.Role, one.Teaches ?? [])));
        campus.Phases.AddRange(
            seed.Terms.SelectMany(term =>
                term.Phases.Select(phase => new PhaseRow
                {
                    Term = term.Term,
                    Phase = phase.Key,
                    FromUtc = phase.Value.UtcDateTime,
                })
            )
        );
        campus.Slips.AddRange(
            seed.Slips.Select(slip => new SlipRow
            {
                Code = slip.Code,
                Term = slip.Term,
                Course = slip.Course,
                Kind = slip.Kind,
            })
        );
        foreach (var path in Directory.EnumerateFiles(Path.Combine(folder, "records"), "*.record.json").Order())
            AddRecord(campus, RecordJson.Read(await File.ReadAllBytesAsync(path, cancellation)).Value);
        var instructors = seed.InstructorLetsIn.Select(one => (one.Term, one.Number)).ToHashSet();
        var crowd = 0;
        var begun = seed.Terms.Where(term => term.Phases.Count > 1).Select(term => term.Term).ToHashSet();
        foreach (var course in catalogue.Whole.Courses)
        foreach (var section in course.Sections)
        {
            var row = SectionOf(course, section);
            row.IsLetInByInstructor = instructors.Contains((row.Term, row.Number));
            campus.Sections.Add(row);
            // Who waits already is one of the crowd, from the other end than those who come and go.
            if (
                row.Waitlisted > 0
                && begun.Contains(row.Term)
                && BundleWith(catalogue.Of(row.Term)!, section) is { } sections
            )
                for (var place = 1; place <= row.Waitlisted; place++)
                    campus.Waiting.Add(
                        WaitingFor(row, sections, CrowdStudents.Number(CrowdStudents.Count - 1 - crowd++), place)
                    );
        }
        await campus.SaveChangesAsync(cancellation);
    }

    private static void AddRecord(CampusContext campus, StudentRecord record)
    {
        campus.People.Add(PersonOf(record.Student, record.Name, Roles.Student, []));
        campus.Records.Add(
            new()
            {
                Student = record.Student,
                Json = System.Text.Encoding.UTF8.GetString(RecordJson.Write(record with { Holds = [] })),
            }
        );
        campus.Holds.AddRange(
            record.Holds.Select(hold => new HoldRow
            {
                Student = record.Student,
                Id = hold.Id,
                Name = hold.Name,
                Office = hold.Office,
                Text = hold.Text,
                IsClearedByReading = hold.ClearedBy == HoldClearing.Reading,
                Blocks = [.. hold.Blocks],
            })
        );
    }

    private static PersonRow PersonOf(string id, string name, string role, IReadOnlyList<string> teaches) =>
        new()
        {
            Id = id,
            Name = name,
            Role = role,
            Mail = $"{id.ToLowerInvariant()}@saltmere.example",
            Teaches = [.. teaches],
        };

    /// <summary>Some bundle with a section; of other components, the first few are looked at.</summary>
    private static IReadOnlyList<string>? BundleWith(CatalogueSnapshot term, Section section)
    {
        var offered = term.CourseOf(section.Number)!;
        var looked = offered
            .SectionsOffered.Where(other => other.Section.Arrangement == section.Arrangement)
            .GroupBy(other => other.Section.Component)
            .SelectMany(component =>
                component.Key == section.Component
                    ? component.Where(other => other.Number == section.Number)
                    : component
                        .OrderByDescending(other =>
                            other.Section.LinkedTo.Contains(section.Number) || section.LinkedTo.Contains(other.Number)
                        )
                        .Take(MostLookedAt)
            )
            .Select(other => other.Number)
            .ToHashSet();
        return WholeBundle.Among(offered, looked) is [var first, ..]
            ? [.. first.Sections.Select(one => one.Number.Value)]
            : null;
    }

    /// <summary>Somebody who waits for a bundle of which one section is full.</summary>
    private static WaitingRow WaitingFor(
        SectionRow section,
        IReadOnlyList<string> sections,
        string student,
        int place
    ) =>
        new()
        {
            Student = student,
            Term = section.Term,
            Course = section.Course,
            Sections = [.. sections],
            WaitsOn = [section.Number],
            FirstPlace = place,
            AtUtc = DateTime.UnixEpoch,
        };

    /// <summary>A section as the catalogue has it.</summary>
    public static SectionRow SectionOf(Course course, Section section) =>
        new()
        {
            Term = section.Term.Value,
            Number = section.Number.Value,
            Course = course.Id.Value,
            Capacity = section.Seats.Capacity,
            Enrolled = section.Seats.Enrolled,
            WaitlistCapacity = section.Seats.WaitlistCapacity,
            Waitlisted = section.Seats.Waitlisted,
            SeatsShared = section.SeatsShared,
            Status = section.Status.ToString(),
        };
}
