using HourGrid.Core.Records;
using HourGrid.Formats.Json;

namespace HourGrid.Formats.Records;

/// <summary>The words of a record.</summary>
internal static class RecordWords
{
    public static WordTable<TakenStatus> Statuses { get; } =
        new(
            ("completed", TakenStatus.Completed),
            ("underWay", TakenStatus.UnderWay),
            ("planned", TakenStatus.Planned)
        );

    public static WordTable<HoldClearing> Clearings { get; } =
        new(("reading", HoldClearing.Reading), ("office", HoldClearing.Office));

    public static WordTable<Approval> Approvals { get; } =
        new(("notNeeded", Approval.NotNeeded), ("needed", Approval.Needed), ("given", Approval.Given));

    public static WordTable<Grade> AllGrades { get; } =
        new([.. Grades.All.Select(text => (text, Grades.TryParse(text, out var grade) ? grade : default))]);
}
