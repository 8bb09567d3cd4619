using System.Text.Json;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Records;
using HourGrid.Formats.Catalogue;
using HourGrid.Formats.Records;

namespace HourGrid.StandIns.Campus;

/// <summary>The campus as it begins: people, records, phases, seats of the catalogue.</summary>
/// <param name="People">Who can sign in.</param>
/// <param name="Terms">The phases of terms.</param>
/// <param name="Slips">Slips of paper whose codes give permissions.</param>
internal sealed record CampusSeed(
    IReadOnlyList<CampusSeed.Person> People,
    IReadOnlyList<CampusSeed.TermPhases> Terms,
    IReadOnlyList<CampusSeed.Slip> Slips
)
{
    public sealed record Person(string Id, string Name, string Role, IReadOnlyList<string>? Teaches);

    public sealed record TermPhases(string Term, IReadOnlyDictionary<string, DateTimeOffset> Phases);

    public sealed record Slip(string Code, string Term, string Course, string Kind);

    /// <summary>Reads it from a folder with <c>campus.json</c>, <c>records</c>, and the file of a catalogue.</summary>
    public static async Task PlantAsync(
        CampusContext campus,
        string folder,
        string catalogue,
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
        var read = CatalogueJson.Read(await File.ReadAllBytesAsync(catalogue, cancellation)).Value;
        campus.Sections.AddRange(
            read.Courses.SelectMany(course => course.Sections.Select(section => SectionOf(course, section)))
        );
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

    private static SectionRow SectionOf(Course course, Section section) =>
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
