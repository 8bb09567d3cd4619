using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Rules;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Answers;

/// <summary>How a timetable put by stands against an ask and a catalogue that may have changed since.</summary>
/// <param name="Broken">The rules it goes against, in the order of the ask; those of courses it lacks among them.</param>
/// <param name="NotAsked">Courses it takes that the ask does not want, or has set aside.</param>
/// <param name="Gone">Its sections that the catalogue has no more, or that are cancelled.</param>
/// <param name="NotWhole">Courses of which its sections are no bundle (any more).</param>
/// <param name="Clashes">Where its sections are in each other's way, whatever is asked.</param>
/// <param name="Fitting">The ask with what stands against it lifted; the timetable is one of its own if it is one at all.</param>
/// <param name="IsExact">Whether every rule was looked at.</param>
public sealed record BrokenAnswer(
    IReadOnlyList<Rule> Broken,
    IReadOnlyList<CourseId> NotAsked,
    IReadOnlyList<RegistrationNumber> Gone,
    IReadOnlyList<CourseId> NotWhole,
    IReadOnlyList<KeptClash> Clashes,
    Ask Fitting,
    bool IsExact
)
{
    /// <summary>Whether it is a timetable at all: all of it is there, whole, and can be attended.</summary>
    public bool IsTimetable => Gone.Count == 0 && NotWhole.Count == 0 && Clashes.Count == 0;

    /// <summary>Whether it is one of the ask's timetables; false as well where the time did not suffice to tell.</summary>
    public bool Holds => IsExact && IsTimetable && Broken.Count == 0 && NotAsked.Count == 0;
}

/// <summary>Finds what a timetable put by goes against.</summary>
/// <remarks>
/// A rule is broken when the timetable is none of the ask that holds this rule alone. So each is asked of the engine that
/// answers everything else, and no rule is written a second time. A break is asked together with the Can't blocks that the
/// timetable keeps, since they take room from it.
/// </remarks>
public static class BrokenRules
{
    /// <summary>What some sections go against.</summary>
    /// <param name="snapshot">The catalogue.</param>
    /// <param name="ask">The ask.</param>
    /// <param name="sections">The registration numbers put by, at least one.</param>
    /// <param name="budget">How long it may take; null for as long as it takes.</param>
    /// <param name="cancellation">Stops at any moment.</param>
    /// <exception cref="AskRefusedException">The ask names what the catalogue does not have.</exception>
    /// <exception cref="AskTooLargeException">It is too large to be answered.</exception>
    /// <exception cref="OperationCanceledException">The token was cancelled.</exception>
    public static BrokenAnswer Of(
        CatalogueSnapshot snapshot,
        Ask ask,
        IReadOnlySet<RegistrationNumber> sections,
        TimeSpan? budget = null,
        CancellationToken cancellation = default
    )
    {
        Problem.Check(snapshot, ask);
        var limit = new WorkLimit(budget, cancellation);
        var held = new HeldSections(snapshot, sections);
        RegistrationNumber[] gone =
        [
            .. sections
                .Where(number => snapshot.Find(number) is not { Section.Status: not SectionStatus.Cancelled })
                .Order(),
        ];
        var clashes = KeptClashes.Of(snapshot, held.Bare(ask.Term));
        CourseId[] notAsked =
        [
            .. held.Courses.Where(course =>
                ask.Wanted.FirstOrDefault(wanted => wanted.Course == course) is not { } wanted
                || !CourseRule.IsInPlay(ask, wanted)
            ),
        ];

        CourseId[] notWhole = [.. held.NotWhole];
        HashSet<Rule> rules = [];
        var isExact = true;
        try
        {
            if (gone.Length == 0 && notWhole.Length == 0 && clashes.Count == 0)
                rules = held.RulesBroken(ask, limit);
        }
        catch (OperationCanceledException)
        {
            cancellation.ThrowIfCancellationRequested();
            isExact = false;
        }
        Rule[] broken = [.. RuleList.Of(ask).Where(rule => rules.Contains(rule) || held.Lacks(ask, rule))];
        return new(broken, notAsked, gone, notWhole, clashes, held.Fitting(ask, broken), isExact);
    }
}
