using System.Text.Json;

namespace HourGrid.StandIns.Campus;

/// <summary>Notes what happens in a change, for who listens.</summary>
internal sealed class EventLog(CampusContext campus, DateTime nowUtc)
{
    private EventRow? last;

    public bool HasAny => last is not null;

    /// <summary>The number of what happened last, once it is saved; null where nothing happened.</summary>
    public long? LastId => last?.Id;

    /// <summary>When it happens, by the registrar’s clock.</summary>
    public DateTime NowUtc => nowUtc;

    /// <summary>The seats of a section are others now.</summary>
    public void Seats(SectionRow section) => Add("seats", section.Term, null, Registrar.SeatsRecord.Of(section));

    /// <summary>Something of a student's changed: what, by the kind.</summary>
    public void OfStudent(string kind, string student, string term) =>
        Add(kind, term, student, new { student, term });

    /// <summary>What a student holds or waits for is other than before.</summary>
    public void Registration(
        string student,
        string term,
        string what,
        string course,
        IReadOnlyList<string> sections,
        string why = ""
    ) =>
        Add(
            "registration",
            term,
            student,
            new
            {
                student,
                term,
                what,
                course,
                sections,
                why,
            }
        );

    /// <summary>The clock or the phases of a term were moved.</summary>
    public void Clock(string term) => Add("clock", term, null, new { term });

    private void Add(string kind, string term, string? student, object what)
    {
        last = new()
        {
            Kind = kind,
            Term = term,
            Student = student,
            Json = JsonSerializer.Serialize(what, JsonSerializerOptions.Web),
            AtUtc = nowUtc,
        };
        campus.Events.Add(last);
    }
}
