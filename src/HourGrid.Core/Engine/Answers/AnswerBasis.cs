using System.Runtime.InteropServices;
using System.Security.Cryptography;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Rules;

namespace HourGrid.Core.Engine.Answers;

/// <summary>
/// What the answers of an ask rest on. Asks of one catalogue with the same basis have the same answers, whatever seats are
/// taken meanwhile: hours that are taken count for the classes they meet, wherever exactly they lie, and seats for whether
/// there are any.
/// </summary>
/// <param name="Ask">The ask, with nothing in it that its answers do not depend on. Its rules have the paths they had.</param>
/// <param name="SectionFacts">
/// Tells apart which sections the ask's hours meet, and which have a seat or a place in the waitlist: a digest, as
/// hexadecimal digits.
/// </param>
public sealed record AnswerBasis(Ask Ask, string SectionFacts)
{
    private static readonly MinuteInterval AnyTime = new(new(0), new(1));
    private static readonly WeekdaySet AnyDay = WeekdaySet.Of(Weekday.Monday);

    /// <summary>Ends a section; no number of a rule. So is what is taken off it, for seats and for a waitlist.</summary>
    private const int EndOfSection = -1;
    private const int WithSeats = 1;
    private const int WithWaitlist = 2;

    /// <summary>For every answer: counts, ranking, standings and costs.</summary>
    /// <exception cref="AskRefusedException">The ask names what the catalogue does not have.</exception>
    /// <exception cref="AskTooLargeException">It is too large to be answered.</exception>
    public static AnswerBasis Of(CatalogueSnapshot snapshot, Ask ask)
    {
        Problem.Check(snapshot, ask);
        var limits = ask.DayLimits;
        var basis = ask with
        {
            TimeBlocks = [.. ask.TimeBlocks.Select(block => Plain(block, ask.Breaks))],
            DayLimits = limits with
            {
                EarliestStart = limits.EarliestStart is null ? null : AnyTime.Start,
                LatestEnd = limits.LatestEnd is null ? null : AnyTime.End,
                DaysOff = limits.DaysOff.Count == 0 ? default : AnyDay,
            },
            Off = new(),
        };
        return new(basis, Digest(snapshot, ask));
    }

    /// <summary>For counts, standings and costs, which do not depend on what is merely preferred.</summary>
    /// <exception cref="AskRefusedException">The ask names what the catalogue does not have.</exception>
    /// <exception cref="AskTooLargeException">It is too large to be answered.</exception>
    public static AnswerBasis OfCounts(CatalogueSnapshot snapshot, Ask ask) =>
        Of(
            snapshot,
            ask with
            {
                Weights = new(),
                Campus = ask.Campus with { Preferred = null },
                TimeBlocks = [.. ask.TimeBlocks.Select(block => IsHard(block.Strength) ? block : Plain(block))],
                Breaks =
                [
                    .. ask.Breaks.Select(one => IsHard(one.Strength) ? one : new(AnyDay, AnyTime, 1, one.Strength)),
                ],
            }
        );

    /// <summary>Hours that only keep classes away; those in the way of a break, or merely preferred, stay as they are.</summary>
    private static TimeBlock Plain(TimeBlock block, IReadOnlyList<Break> breaks) =>
        IsHard(block.Strength) && !breaks.Any(one => MayNarrow(block, one))
            ? Plain(block)
            : block with
            {
                Label = "",
            };

    private static TimeBlock Plain(TimeBlock block) => new(AnyDay, AnyTime, block.Strength, WeekSet.All, "");

    private static bool MayNarrow(TimeBlock block, Break one) =>
        (block.Days.Bits & one.Days.Bits) != 0 && block.Time.Overlaps(one.Window);

    private static bool IsHard(Strength strength) => strength == Strength.Cannot;

    /// <summary>
    /// Which rules about hours each section of a course in play goes against, and whether it has a seat or a place in the
    /// waitlist.
    /// </summary>
    private static string Digest(CatalogueSnapshot snapshot, Ask ask)
    {
        var hours = new HourRules(new RuleForms(RuleList.Of(ask)));
        var against = new List<int>();
        foreach (var wanted in ask.Wanted.Where(wanted => CourseRule.IsInPlay(ask, wanted)))
        foreach (var section in snapshot.Find(wanted.Course)!.Sections)
        {
            var first = against.Count;
            for (var i = 0; i < section.Meetings.Count; i++)
                against.AddRange(hours.Against(section.Meetings[i]));
            var added = CollectionsMarshal.AsSpan(against)[first..];
            added.Sort();
            var count = Distinct(added);
            against.RemoveRange(first + count, added.Length - count);
            against.Add(
                EndOfSection
                    - (section.FreeSeats > 0 ? WithSeats : 0)
                    - (section.FreeWaitlistPlaces > 0 ? WithWaitlist : 0)
            );
        }
        return Convert.ToHexString(SHA256.HashData(MemoryMarshal.AsBytes(CollectionsMarshal.AsSpan(against))));
    }

    /// <summary>Puts each number of a sorted list once at its beginning.</summary>
    /// <returns>How many there are.</returns>
    private static int Distinct(Span<int> sorted)
    {
        var count = 0;
        foreach (var number in sorted)
            if (count == 0 || sorted[count - 1] != number)
                sorted[count++] = number;
        return count;
    }
}
