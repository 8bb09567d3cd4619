using System.Globalization;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Records;
using HourGrid.Formats.Json;

namespace HourGrid.Formats.Records;

/// <summary>Reads a student's record.</summary>
internal static class RecordReader
{
    /// <summary>Of each list; a long life of study has a few hundred courses.</summary>
    private const int Most = 1_000;

    private const int LongestHold = 5_000;
    private const int LongestWords = 1_000;

    public static StudentRecord? Read(JsonPlace place)
    {
        var record = place.Object(
            "format",
            "version",
            "student",
            "name",
            "programmes",
            "level",
            "year",
            "standing",
            "adviser",
            "taken",
            "exams",
            "transfer",
            "load",
            "holds",
            "opening",
            "approvals",
            "recommended"
        );
        if (!place.IsObject)
            return null;
        SharedValues.CheckFormat(record, RecordJson.Format);
        return new()
        {
            Student = record["student"].FilledText(40),
            Name = record["name"].FilledText(),
            Programmes = record["programmes"].List(text => text.FilledText(), Most),
            Level = record.Or("level", "", text => text.Text()),
            Year = record.Or("year", "", text => text.Text()),
            Standing = record.Or("standing", "", text => text.Text()),
            Adviser = record.Or<string?>("adviser", null, text => text.FilledText(40)),
            Taken = record["taken"].List(Taken, Most),
            Exams = record["exams"].List(Exam, Most),
            Transfer = record["transfer"].List(Transfer, Most),
            Load = record.Or("load", new(null, null, null), Load),
            Holds = record["holds"].List(Hold, Most),
            Opening = ByTerm(record["opening"], Moment),
            Approvals = ByTerm(record["approvals"], one => one.Word(RecordWords.Approvals)),
            Recommended = record["recommended"].List(Recommendation, Most),
        };
    }

    private static TakenCourse? Taken(JsonPlace place)
    {
        var taken = place.Object("course", "term", "credits", "grade", "status");
        return place.IsObject
            ? new(
                SharedValues.Course(taken["course"]),
                new(taken["term"].FilledText(40)),
                Credits(taken["credits"]) ?? default,
                taken.Or<Grade?>("grade", null, grade => grade.Word(RecordWords.AllGrades)),
                taken["status"].Word(RecordWords.Statuses) ?? default
            )
            : null;
    }

    private static ExamResult? Exam(JsonPlace place)
    {
        var exam = place.Object("exam", "score", "countsAs", "credits");
        return place.IsObject
            ? new(
                exam["exam"].FilledText(),
                exam["score"].Number() ?? 0,
                exam["countsAs"].Values(course => (CourseId?)SharedValues.Course(course), Most),
                exam.Or<Credits?>("credits", null, Credits) ?? default
            )
            : null;
    }

    private static TransferCredit? Transfer(JsonPlace place)
    {
        var transfer = place.Object("as", "credits", "from");
        return place.IsObject
            ? new(
                SharedValues.Course(transfer["as"]),
                Credits(transfer["credits"]) ?? default,
                transfer.Or("from", "", text => text.Text())
            )
            : null;
    }

    private static CreditLoad Load(JsonPlace place)
    {
        var load = place.Object("fullTime", "award", "maximum");
        return new(
            load.Or("fullTime", null, Credits),
            load.Or("award", null, Credits),
            load.Or("maximum", null, Credits)
        );
    }

    private static Hold? Hold(JsonPlace place)
    {
        var hold = place.Object("id", "name", "office", "text", "clearedBy", "blocks");
        return place.IsObject
            ? new(
                hold["id"].FilledText(40),
                hold["name"].FilledText(),
                hold.Or("office", "", text => text.Text()),
                hold.Or("text", "", text => text.Text(LongestHold)),
                hold["clearedBy"].Word(RecordWords.Clearings) ?? default,
                hold["blocks"].List(text => text.FilledText(40), Most)
            )
            : null;
    }

    private static Recommendation? Recommendation(JsonPlace place)
    {
        var recommended = place.Object("course", "words");
        return place.IsObject
            ? new(
                SharedValues.Course(recommended["course"]),
                recommended.Or("words", "", text => text.Text(LongestWords))
            )
            : null;
    }

    private static Credits? Credits(JsonPlace place)
    {
        if (place.Number() is not { } amount)
            return null;
        if (Core.Catalogue.Credits.TryOf(amount, out var credits))
            return credits;
        place.Refuse($"0 to {Core.Catalogue.Credits.Max}, two decimals at most");
        return null;
    }

    private static DateTimeOffset? Moment(JsonPlace place)
    {
        if (
            DateTimeOffset.TryParseExact(
                place.Text(),
                "yyyy-MM-ddTHH:mm:sszzz",
                CultureInfo.InvariantCulture,
                DateTimeStyles.None,
                out var moment
            )
        )
            return moment;
        place.Refuse("a moment such as 2026-11-30T09:40:00-04:00");
        return null;
    }

    private static Dictionary<TermId, T> ByTerm<T>(JsonPlace place, Func<JsonPlace, T?> read)
        where T : struct
    {
        var byTerm = new Dictionary<TermId, T>();
        foreach (var (name, value) in place.Fields())
            if (read(value) is { } one)
                byTerm[new(name)] = one;
        return byTerm;
    }
}
