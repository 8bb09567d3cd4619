using System.Text;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Records;
using HourGrid.Formats.Records;
using HourGrid.StandIns.Campus;

namespace HourGrid.StandIns.Registrar;

/// <summary>What an adviser writes into a student's record: approvals of terms, and courses that are recommended.</summary>
internal static class Advising
{
    public static Approval ApprovalOf(RecordRow row, string term) =>
        Read(row).Approvals.GetValueOrDefault(new(term), Approval.NotNeeded);

    /// <summary>Gives the approval of a term, or takes it back.</summary>
    /// <returns>Whether there is such a student.</returns>
    public static Task<bool> ApproveAsync(
        CampusContext campus,
        EventLog log,
        string student,
        string term,
        bool isGiven
    ) =>
        ChangeAsync(
            campus,
            log,
            student,
            term,
            record =>
                record with
                {
                    Approvals = new Dictionary<TermId, Approval>(record.Approvals)
                    {
                        [new(term)] = isGiven ? Approval.Given : Approval.Needed,
                    },
                }
        );

    /// <summary>Recommends a course, with words that take the place of those before.</summary>
    /// <returns>Whether there is such a student.</returns>
    public static Task<bool> RecommendAsync(
        CampusContext campus,
        EventLog log,
        string student,
        CourseId course,
        string words
    ) =>
        ChangeAsync(
            campus,
            log,
            student,
            "",
            record => record with { Recommended = [.. Without(record, course), new(course, words)] }
        );

    /// <summary>Recommends a course no longer.</summary>
    /// <returns>Whether there is such a student.</returns>
    public static Task<bool> WithdrawAsync(CampusContext campus, EventLog log, string student, CourseId course) =>
        ChangeAsync(campus, log, student, "", record => record with { Recommended = [.. Without(record, course)] });

    private static IEnumerable<Recommendation> Without(StudentRecord record, CourseId course) =>
        record.Recommended.Where(one => one.Course != course);

    private static async Task<bool> ChangeAsync(
        CampusContext campus,
        EventLog log,
        string student,
        string term,
        Func<StudentRecord, StudentRecord> change
    )
    {
        if (await campus.Records.FindAsync(student) is not { } row)
            return false;
        row.Json = Encoding.UTF8.GetString(RecordJson.Write(change(Read(row))));
        log.OfStudent("approval", student, term);
        return true;
    }

    private static StudentRecord Read(RecordRow row) => RecordJson.Read(Encoding.UTF8.GetBytes(row.Json)).Value;
}
