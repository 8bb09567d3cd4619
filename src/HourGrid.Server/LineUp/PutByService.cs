using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Comparing;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Measures;
using HourGrid.Core.PutBy;
using HourGrid.Core.Timetables;
using HourGrid.Server.Catalogue;
using HourGrid.Server.Requests;
using HourGrid.Server.Wording;
using HourGrid.Server.Workbench;

namespace HourGrid.Server.LineUp;

/// <summary>Answers about timetables that were put by: how they stand, how they survive, how they differ.</summary>
internal sealed class PutByService(CurrentCatalogue catalogue, AnswerService answers)
{
    private static readonly TimeSpan LongestDetail = TimeSpan.FromSeconds(3);

    /// <summary>Sections of which the term has at least one.</summary>
    /// <exception cref="RefusedException">It has none of them.</exception>
    public void RequireAny(Ask ask, IReadOnlySet<RegistrationNumber> sections)
    {
        var snapshot = catalogue.SnapshotOf(ask);
        if (!sections.Any(number => snapshot.Find(number) is not null))
            throw Refusals.NotOfTerm();
    }

    /// <summary>How timetables put by stand against an ask and the catalogue of now.</summary>
    public IReadOnlyList<PutByStateRecord> States(
        Ask ask,
        IReadOnlyList<PutByTimetable> shortlist,
        CancellationToken cancellation
    )
    {
        var snapshot = catalogue.SnapshotOf(ask);
        var until = LongestDetail / Math.Max(1, shortlist.Count);
        return
        [
            .. shortlist.Select(one =>
            {
                var broken = BrokenRules.Of(snapshot, ask, one.Numbers, until, cancellation);
                var timetable = Timetable.Of(snapshot, one.Numbers);
                return PutByStateRecord.Of(
                    broken,
                    SectionNews.Of(snapshot, one.Sections),
                    timetable,
                    timetable.Sections.Count == 0 ? null : new TimetableMeasurer(snapshot, ask).Of(timetable)
                );
            }),
        ];
    }

    /// <summary>How a timetable survives each of its sections filling up; null where it is none any more.</summary>
    public SurvivalRecord? Survival(
        Ask ask,
        IReadOnlySet<RegistrationNumber> sections,
        CancellationToken cancellation
    )
    {
        var snapshot = catalogue.SnapshotOf(ask);
        var broken = BrokenRules.Of(snapshot, ask, sections, LongestDetail, cancellation);
        if (!broken.IsTimetable)
            return null;
        var found = Core.Engine.Answers.Survival.Of(snapshot, broken.Fitting, sections, LongestDetail, cancellation);
        return SurvivalRecord.Of(found, sections);
    }

    /// <summary>The timetable of an ask nearest to some sections.</summary>
    public NearestRecord Nearest(Ask ask, IReadOnlySet<RegistrationNumber> sections, CancellationToken cancellation)
    {
        var nearest = Core.Engine.Answers.Nearest.To(
            catalogue.SnapshotOf(ask),
            ask,
            sections,
            LongestDetail,
            cancellation
        );
        return NearestRecord.Of(nearest);
    }

    /// <summary>A name for a timetable, from what few others of the ask have.</summary>
    public string Name(
        Ask ask,
        IReadOnlySet<RegistrationNumber> sections,
        IReadOnlyList<string> taken,
        CancellationToken cancellation
    )
    {
        var snapshot = catalogue.SnapshotOf(ask);
        var timetable = Timetable.Of(snapshot, sections);
        var others = answers.Best(ask, cancellation).Select(one => (one.Timetable, one.Measures)).ToArray();
        return ProposedName.Of(
            timetable,
            new TimetableMeasurer(snapshot, ask).Of(timetable),
            others,
            snapshot.Campuses,
            taken
        );
    }

    /// <summary>Timetables side by side, by the measures and weights of one ask.</summary>
    public ComparisonRecord Compare(Ask ask, IReadOnlyList<PutByTimetable> timetables)
    {
        var snapshot = catalogue.SnapshotOf(ask);
        var measures = new TimetableMeasurer(snapshot, ask);
        Compared[] compared =
        [
            .. timetables
                .Index()
                .Select(pair =>
                {
                    var timetable = Timetable.Of(snapshot, pair.Item.Numbers);
                    return timetable.Sections.Count > 0
                        ? new Compared(pair.Item.Name, timetable, measures.Of(timetable))
                        : throw Refusals.TimetableGone(pair.Index);
                }),
        ];
        var sentence = new DifferenceSentence(snapshot.Campuses);
        return new(
            [.. MeasureRows.Of([.. compared.Select(one => one.Measures)], ask.Weights).Select(MeasureRowRecord.Of)],
            [
                .. from first in Enumerable.Range(0, compared.Length)
                from second in Enumerable.Range(first + 1, compared.Length - first - 1)
                select new PairRecord(first, second, sentence.Of(compared[first], compared[second])),
            ]
        );
    }
}
