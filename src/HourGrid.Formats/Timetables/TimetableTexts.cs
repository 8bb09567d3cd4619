using System.Globalization;
using System.Text;
using CsvHelper;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Timetables;
using HourGrid.Formats.Catalogue;
using HourGrid.Formats.Json;

namespace HourGrid.Formats.Timetables;

/// <summary>A timetable for a spreadsheet and as plain text: <c>docs/formats/timetable.md</c>.</summary>
public static class TimetableTexts
{
    private static readonly string[] Columns =
    [
        "number",
        "course",
        "title",
        "component",
        "section",
        "credits",
        "day",
        "start",
        "end",
        "weeks",
        "firstDate",
        "lastDate",
        "room",
        "campus",
        "instructors",
    ];

    /// <summary>As CSV, a row a weekly meeting; a section without set hours has one row. No cell is run as a formula.</summary>
    public static string Csv(Timetable timetable, Term term)
    {
        using var text = new StringWriter(CultureInfo.InvariantCulture);
        using (var csv = new CsvWriter(text, CsvText.Format))
        {
            foreach (var column in Columns)
                csv.WriteField(column);
            csv.NextRecord();
            foreach (var row in Rows(timetable, term))
            {
                foreach (var cell in row)
                    csv.WriteField(cell);
                csv.NextRecord();
            }
        }
        return text.ToString();
    }

    /// <summary>As plain text: the sections with their numbers, and the week day by day.</summary>
    public static string Plain(Timetable timetable, Term term, string name)
    {
        var text = new StringBuilder();
        text.Append(CultureInfo.InvariantCulture, $"{name}\n{term.Name}, {timetable.Credits} credits\n\n");
        foreach (var bundle in timetable.Bundles)
        foreach (var section in bundle.Sections)
        {
            text.Append(CultureInfo.InvariantCulture, $"{section.Number}  {Name(bundle.Course, section)}");
            text.Append(CultureInfo.InvariantCulture, $", {bundle.Course.Course.Title}");
            if (section.Section.Instructors.Count > 0)
                text.Append(CultureInfo.InvariantCulture, $", {string.Join(" and ", section.Section.Instructors)}");
            text.Append(section.Meetings.Count == 0 ? ", no set hours\n" : "\n");
        }
        var meetings = DatedMeeting.Of(timetable, term).ToLookup(meeting => meeting.Day);
        foreach (var day in Weekdays.All.Where(day => meetings[day].Any()))
        {
            text.Append(CultureInfo.InvariantCulture, $"\n{day}\n");
            foreach (var meeting in meetings[day].OrderBy(meeting => meeting.Pattern.Time))
            {
                var (start, end) = (meeting.Pattern.Time.Start, meeting.Pattern.Time.End);
                text.Append(
                    CultureInfo.InvariantCulture,
                    $"  {start}-{end}  {Name(meeting.Course, meeting.Section)}"
                );
                if (meeting.Pattern.Room != "")
                    text.Append(CultureInfo.InvariantCulture, $", {meeting.Pattern.Room}");
                if (meeting.Weeks.Count < term.WeekCount - 1)
                    text.Append(CultureInfo.InvariantCulture, $", weeks {Weeks(meeting)}");
                text.Append('\n');
            }
        }
        return text.ToString();
    }

    private static string Name(OfferedCourse course, OfferedSection section) =>
        $"{course.Course.Id} {section.Section.Component} {section.Section.Label}";

    private static string Weeks(DatedMeeting meeting) => string.Join(' ', meeting.Weeks.Weeks());

    private static IEnumerable<string[]> Rows(Timetable timetable, Term term)
    {
        var meetings = DatedMeeting.Of(timetable, term).ToLookup(meeting => meeting.Section);
        foreach (var bundle in timetable.Bundles)
        foreach (var section in bundle.Sections)
        {
            string[] of =
            [
                section.Number.Value,
                bundle.Course.Course.Id.Value,
                bundle.Course.Course.Title,
                section.Section.Component,
                section.Section.Label,
                bundle.Credits.ToString(),
            ];
            var instructors = string.Join("; ", section.Section.Instructors);
            if (!meetings[section].Any())
                yield return [.. of, "", "", "", "", "", "", "", section.Section.TaughtOn?.Value ?? "", instructors];
            foreach (var meeting in meetings[section])
                yield return
                [
                    .. of,
                    Words.Days.Write(meeting.Day),
                    meeting.Pattern.Time.Start.ToString(),
                    meeting.Pattern.Time.End.ToString(),
                    Weeks(meeting),
                    Date(meeting.Dates, first: true),
                    Date(meeting.Dates, first: false),
                    meeting.Pattern.Room,
                    meeting.Pattern.Campus?.Value ?? "",
                    instructors,
                ];
        }
    }

    private static string Date(IReadOnlyList<DateOnly> dates, bool first) =>
        dates.Count == 0 ? "" : (first ? dates[0] : dates[^1]).ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);
}
