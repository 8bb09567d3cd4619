using HourGrid.StandIns.Campus;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.StandIns.Registrar;

/// <summary>What students ask of instructors and advisers, and codes that give the same.</summary>
internal static class Permissions
{
    /// <summary>The adviser's approval of a term: the one kind that is of no course.</summary>
    public const string Approval = "approval";

    public static IReadOnlyList<string> Kinds { get; } = ["consent", "prerequisite", "restriction", Approval];

    /// <summary>Notes what is asked; the same asked again while nobody has decided is the same.</summary>
    public static async Task<(PermissionRow? Row, string Why)> AskAsync(
        CampusContext campus,
        EventLog log,
        PermissionRequest asked,
        DateTime nowUtc
    )
    {
        if (asked.Kind is not { } kind || !Kinds.Contains(kind))
            return (null, $"kind: found \"{asked.Kind}\"; expected one of {string.Join(", ", Kinds)}.");
        if (await campus.Records.FindAsync(asked.Student) is not { } student)
            return (null, $"student: there is no student {asked.Student}.");
        if (kind == Approval && Advising.ApprovalOf(student, asked.Term) != Core.Records.Approval.Needed)
            return (null, $"kind: no approval of {asked.Term} is needed that was not given.");
        var course = kind == Approval ? null : asked.Course;
        if (
            kind != Approval
            && !await campus.Sections.AnyAsync(row => row.Term == asked.Term && row.Course == asked.Course)
        )
            return (null, $"course: {asked.Course} is not offered in {asked.Term}.");
        var same = await campus.Permissions.FirstOrDefaultAsync(row =>
            row.Student == asked.Student
            && row.Term == asked.Term
            && row.Course == course
            && row.Kind == kind
            // An approval that was taken back can be asked for again.
            && (row.IsGranted == null || (row.IsGranted == true && kind != Approval))
        );
        if (same is not null)
            return (same, "");
        var row = New(asked.Student, asked.Term, course, kind, asked.Words ?? "", nowUtc);
        campus.Permissions.Add(row);
        log.OfStudent("permission", asked.Student, asked.Term);
        return (row, "");
    }

    /// <summary>Takes a code: good once, for whoever is first.</summary>
    public static async Task<(PermissionRow? Row, string Why)> UseAsync(
        CampusContext campus,
        EventLog log,
        string student,
        string term,
        string code,
        DateTime nowUtc
    )
    {
        if (await campus.Slips.FindAsync(code.Trim()) is not { } paper || paper.Term != term)
            return (null, $"code: \"{code}\" is none of this term.");
        if (!await campus.Records.AnyAsync(row => row.Student == student))
            return (null, $"student: there is no student {student}.");
        if (paper.UsedBy is not null && paper.UsedBy != student)
            return (null, "code: somebody has used it already.");
        var row = await campus.Permissions.FirstOrDefaultAsync(one =>
            one.Student == student && one.Term == term && one.Course == paper.Course && one.Kind == paper.Kind
        );
        if (row is null)
            campus.Permissions.Add(row = New(student, term, paper.Course, paper.Kind, "", nowUtc));
        row.IsGranted = true;
        row.Answer = "By a code.";
        row.DecidedUtc = nowUtc;
        paper.UsedBy = student;
        log.OfStudent("permission", student, term);
        return (row, "");
    }

    /// <summary>Grants or refuses; a decision can be changed.</summary>
    public static async Task<bool> DecideAsync(
        CampusContext campus,
        EventLog log,
        int id,
        bool isGranted,
        string answer,
        DateTime nowUtc
    )
    {
        if (await campus.Permissions.FindAsync(id) is not { } row)
            return false;
        row.IsGranted = isGranted;
        row.Answer = answer;
        row.DecidedUtc = nowUtc;
        log.OfStudent("permission", row.Student, row.Term);
        if (row.Kind == Approval)
            await Advising.ApproveAsync(campus, log, row.Student, row.Term, isGranted);
        return true;
    }

    private static PermissionRow New(
        string student,
        string term,
        string? course,
        string kind,
        string words,
        DateTime nowUtc
    ) =>
        new()
        {
            Student = student,
            Term = term,
            Course = course,
            Kind = kind,
            Words = words,
            AskedUtc = nowUtc,
        };
}
