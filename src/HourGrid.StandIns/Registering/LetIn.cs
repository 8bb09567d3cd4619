using HourGrid.StandIns.Campus;

namespace HourGrid.StandIns.Registering;

/// <summary>Lets in from the lines: when a seat is free, the first against whom nothing stands.</summary>
internal sealed class LetIn(TermBooks books, CampusCatalogue catalogue)
{
    private readonly LineFindings findings = new(books, catalogue);

    /// <summary>Sees to the lines of sections that may have a seat again, and to those from whom that frees others.</summary>
    public void After(IEnumerable<string> freed)
    {
        var open = Pools(freed);
        for (var again = true; again; )
        {
            again = false;
            foreach (var row in books.Waiting.Where(row => row.Sections.Exists(open.Contains)).ToArray())
            {
                if (IsInstructors(row) || !MayHaveSeats(row) || Try(row) is not { } givenUp)
                    continue;
                open.UnionWith(Pools(givenUp));
                again |= givenUp.Length > 0;
            }
        }
    }

    /// <summary>Sees to all lines: a turn may have begun, a term have closed.</summary>
    public void Everywhere()
    {
        books.ReadAhead([], [.. books.Waiting.SelectMany(row => row.Sections)]);
        if (books.Phases.IsOver(books.NowUtc))
            foreach (var row in books.Waiting.ToArray())
                books.EndWaiting(row, WaitingEnds.Removed, "Registration for this term is over.");
        else
            After(books.Waiting.SelectMany(row => row.Sections).ToArray());
    }

    /// <summary>Lets one in though it is the instructor who decides.</summary>
    /// <returns>Why not; empty where it was done.</returns>
    public string ByInstructor(WaitingRow row)
    {
        if (Try(row) is not { } givenUp)
            return row.PassedOver.Length > 0 ? row.PassedOver : "There is no seat.";
        After(givenUp);
        return "";
    }

    /// <summary>Whether it is worth looking closer: who gives nothing up needs a free seat everywhere.</summary>
    private bool MayHaveSeats(WaitingRow row) =>
        row.GivingUp.Count > 0
        || row.Sections.TrueForAll(number => books.Section(number) is { } section && books.FreeSeats(section) > 0);

    private bool IsInstructors(WaitingRow row) =>
        row.WaitsOn.Exists(number => books.Section(number)?.IsLetInByInstructor == true);

    /// <returns>The sections that were given up for it; null where it was not let in.</returns>
    private string[]? Try(WaitingRow row)
    {
        if (books.Student(row.Student) is not { } file)
            return null;
        // What it was to give up may be gone by other ways.
        var step = Step.Of(
            books,
            row.Student,
            file,
            [(row.Course, row.Sections)],
            row.GivingUp.Where(number => file.HolderOf(number) is not null)
        );
        if (step.Full(books, step.Takes[0]).Any())
            return null;
        var against = findings
            .OfStudent(file)
            .Concat(findings.OfTaking(step, step.Takes[0]))
            .Concat(findings.OfLoad(step))
            .ToArray();
        if (against.Length > 0)
        {
            var why = string.Join(" ", against.Select(finding => finding.Sentence).Distinct());
            if (row.PassedOver != why)
            {
                row.PassedOver = why;
                books.Log.Registration(row.Student, books.Term, "passedOver", row.Course, row.Sections, why);
            }
            return null;
        }
        string[] givenUp = [.. step.GivesUp.SelectMany(bundle => bundle.Numbers)];
        step.Do(books, $"Given up for {row.Course}, as you had said.");
        books.EndWaiting(row, WaitingEnds.LetIn, "A seat was free, and it was your turn.");
        return givenUp;
    }

    /// <summary>The sections with all those that share their seats.</summary>
    private HashSet<string> Pools(IEnumerable<string> numbers) =>
        [.. numbers.Select(books.Section).OfType<SectionRow>().SelectMany(books.PoolOf).Select(row => row.Number)];
}
