using System.Collections.Concurrent;
using System.Text;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Eligibility;
using HourGrid.Core.Records;
using HourGrid.Formats.Records;
using HourGrid.StandIns.Campus;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.StandIns.Registering;

/// <summary>
/// The books of a term during one change: sections, students, lines. What is read is read once, many at a time where it is
/// known before who comes; what changes is written when the change is saved.
/// </summary>
internal sealed class TermBooks(
    CampusContext campus,
    EventLog log,
    CampusCatalogue catalogue,
    CatalogueSnapshot snapshot
)
{
    private static readonly ConcurrentDictionary<string, (string Json, StudentRecord Record)> Parsed = [];

    private readonly Dictionary<string, StudentFile?> students = [];
    private readonly Dictionary<string, SectionRow?> sections = [];
    private readonly Dictionary<string, SectionRow[]> pools = [];
    private readonly HashSet<SectionRow> changed = [];
    private readonly Dictionary<string, WaitingRow[]> waitingOf = [];

    // All of them, once anything is done to a line; until then those of each student who was read are enough.
    private List<WaitingRow>? waiting;

    public CatalogueSnapshot Snapshot => snapshot;

    public EventLog Log => log;

    public DateTime NowUtc => log.NowUtc;

    public string Term { get; } = snapshot.Term.Id.Value;

    public TermPhases Phases { get; } = TermPhases.Of(campus, snapshot.Term.Id.Value);

    /// <summary>Reads what is known to be needed, in a handful of questions for all.</summary>
    public void ReadAhead(IReadOnlyCollection<string> who, IReadOnlyCollection<string> numbers)
    {
        var unread = who.Where(student => !students.ContainsKey(student)).Distinct().ToArray();
        if (unread.Length > 0)
        {
            var records = campus.Records.AsNoTracking().Where(row => unread.Contains(row.Student)).ToArray();
            var holds = campus
                .Holds.AsNoTracking()
                .Where(row => unread.Contains(row.Student) && row.ClearedUtc == null)
                .OrderBy(row => row.Id)
                .ToLookup(row => row.Student);
            var granted = campus
                .Permissions.AsNoTracking()
                .Where(row => unread.Contains(row.Student) && row.Term == Term && row.IsGranted == true)
                .ToLookup(row => row.Student);
            var held = campus
                .Registrations.Where(row =>
                    unread.Contains(row.Student) && row.Term == Term && row.DroppedUtc == null
                )
                .OrderBy(row => row.Id)
                .ToLookup(row => row.Student);
            var inLine = campus
                .Waiting.Where(row => unread.Contains(row.Student) && row.Term == Term && row.EndedUtc == null)
                .OrderBy(row => row.Id)
                .ToLookup(row => row.Student);
            foreach (var student in unread)
                waitingOf[student] = [.. inLine[student]];
            foreach (var student in unread)
                students[student] = RecordOf(student, records) is { } record
                    ? new(
                        record,
                        [.. holds[student]],
                        granted[student].Select(GrantOf).OfType<Grant>().ToHashSet(),
                        [
                            .. held[student]
                                .GroupBy(row => row.Confirmation)
                                .Select(bundle => new HeldBundle(new(bundle.First().Course), [.. bundle])),
                        ]
                    )
                    : null;
        }
        var wanted = numbers.Where(number => !sections.ContainsKey(number)).Distinct().ToArray();
        if (wanted.Length == 0)
            return;
        var rows = campus.Sections.Where(row => row.Term == Term && wanted.Contains(row.Number)).ToArray();
        foreach (var number in wanted)
            sections[number] = rows.FirstOrDefault(row => row.Number == number);
    }

    /// <summary>A student; null where there is none.</summary>
    public StudentFile? Student(string student)
    {
        ReadAhead([student], []);
        return students[student];
    }

    /// <summary>The seats of a section; null where the term has none of this number.</summary>
    public SectionRow? Section(string number)
    {
        ReadAhead([], [number]);
        return sections[number];
    }

    /// <summary>The sections that share a pool of seats.</summary>
    public IReadOnlyList<SectionRow> PoolOf(SectionRow section)
    {
        if (section.SeatsShared is not { } pool)
            return [section];
        if (!pools.TryGetValue(pool, out var all))
            pools[pool] = all = [.. campus.Sections.Where(row => row.Term == Term && row.SeatsShared == pool)];
        return all;
    }

    /// <summary>Seats that are free; of a pool, those of the pool.</summary>
    public int FreeSeats(SectionRow section) =>
        section.Status == nameof(SectionStatus.Open)
            ? Math.Max(0, section.Capacity - PoolOf(section).Sum(row => row.Enrolled))
            : 0;

    /// <summary>Everybody who waits, who waited longest first.</summary>
    public IReadOnlyList<WaitingRow> Waiting =>
        waiting ??= [.. campus.Waiting.Where(row => row.Term == Term && row.EndedUtc == null).OrderBy(row => row.Id)];

    /// <summary>The places in line of one student, the oldest first.</summary>
    public IReadOnlyList<WaitingRow> WaitingOf(string student)
    {
        ReadAhead([student], []);
        return waiting is null ? waitingOf[student] : [.. waiting.Where(row => row.Student == student)];
    }

    /// <summary>Gives a student the seats of a bundle.</summary>
    public HeldBundle Register(string student, string course, IReadOnlyList<string> numbers)
    {
        var confirmation = Confirmations.Next();
        var bundle = new HeldBundle(
            new(course),
            [
                .. numbers.Select(number => new RegistrationRow
                {
                    Student = student,
                    Term = Term,
                    Course = course,
                    Number = number,
                    Confirmation = confirmation,
                    AtUtc = log.NowUtc,
                }),
            ]
        );
        campus.Registrations.AddRange(bundle.Rows);
        Student(student)?.Held.Add(bundle);
        foreach (var number in numbers)
            Enrol(number, 1);
        return bundle;
    }

    /// <summary>Takes a bundle from a student.</summary>
    public void Drop(string student, HeldBundle bundle, string why)
    {
        foreach (var row in bundle.Rows)
        {
            (row.DroppedUtc, row.Why) = (log.NowUtc, why);
            Enrol(row.Number, -1);
        }
        Student(student)!.Held.Remove(bundle);
        log.Registration(student, Term, LineResult.Dropped, bundle.Course.Value, bundle.Numbers);
    }

    /// <summary>Puts a student at the end of a line.</summary>
    public WaitingRow Wait(
        string student,
        string course,
        IReadOnlyList<string> numbers,
        IReadOnlyList<string> waitsOn,
        IReadOnlyList<string> givingUp
    )
    {
        _ = Waiting;
        var row = new WaitingRow
        {
            Student = student,
            Term = Term,
            Course = course,
            Sections = [.. numbers],
            WaitsOn = [.. waitsOn],
            GivingUp = [.. givingUp],
            AtUtc = log.NowUtc,
        };
        campus.Waiting.Add(row);
        waiting!.Add(row);
        Count(row, 1);
        row.FirstPlace = WaitingPlace.Find(this, row).Place;
        return row;
    }

    /// <summary>Ends a place in a line.</summary>
    public void EndWaiting(WaitingRow row, string end, string why)
    {
        _ = Waiting;
        (row.EndedUtc, row.End, row.Why) = (log.NowUtc, end, why);
        waiting!.Remove(row);
        Count(row, -1);
        log.Registration(row.Student, Term, end, row.Course, row.Sections);
        // Who stood behind has moved up.
        foreach (var behind in Waiting.Where(other => other.WaitsOn.Intersect(row.WaitsOn).Any()))
            if (behind.Id == 0 || behind.Id > row.Id)
                log.OfStudent("place", behind.Student, Term);
    }

    /// <summary>Notes that the seats of a section are others.</summary>
    public void Changed(SectionRow section) => changed.Add(section);

    /// <summary>Tells of the seats that changed, each section once.</summary>
    public void TellSeats()
    {
        foreach (var section in changed)
            log.Seats(section);
    }

    private void Enrol(string number, int by)
    {
        if (Section(number) is not { } section)
            return;
        section.Enrolled += by;
        changed.Add(section);
    }

    private void Count(WaitingRow row, int by)
    {
        foreach (var number in row.WaitsOn)
            if (Section(number) is { } section)
            {
                section.Waitlisted += by;
                changed.Add(section);
            }
    }

    private StudentRecord? RecordOf(string student, RecordRow[] rows)
    {
        if (Array.Find(rows, one => one.Student == student) is not { } row)
            return catalogue.Crowd.Find(student);
        if (!Parsed.TryGetValue(row.Student, out var known) || known.Json != row.Json)
            Parsed[row.Student] = known = (row.Json, RecordJson.Read(Encoding.UTF8.GetBytes(row.Json)).Value);
        return known.Record;
    }

    private static Grant? GrantOf(PermissionRow row) =>
        row.Course is { } course && Enum.TryParse<GrantKind>(row.Kind, ignoreCase: true, out var kind)
            ? new(new(course), kind)
            : null;
}
