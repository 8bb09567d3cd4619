using HourGrid.Core.Catalogue;

namespace HourGrid.Server.Wording;

/// <summary>What students are told in the page and by mail.</summary>
internal static class NoticeWords
{
    public const string Seat = "seat";
    private const string LetIn = "letIn";
    private const string PassedOver = "passedOver";
    private const string Removed = "removed";

    /// <summary>Whether something that happened is told.</summary>
    public static bool IsTold(string? what) => what is LetIn or PassedOver or Removed;

    /// <summary>As in <c>There is a seat: TID 210 L01 (10214) and B19 (10231).</c></summary>
    public static string SeatFree(CatalogueSnapshot snapshot, IReadOnlyList<string> numbers)
    {
        var said = numbers
            .Select(number => new RegistrationNumber(number))
            .GroupBy(number => snapshot.CourseOf(number)?.Course.Id.Value ?? "")
            .Select(course =>
                $"{course.Key} {Saying.List([.. course.Select(number => $"{snapshot.Find(number)?.Section.Label} ({number.Value})")])}"
            );
        return $"There is a seat: {string.Join(", ", said)}. Whoever registers first has it.";
    }

    public static string Of(string what, string course, string why) =>
        what switch
        {
            LetIn => $"You were let in: {course} is registered.",
            PassedOver => $"A seat of {course} went to another, since {LowerFirst(why)} You keep your place.",
            Removed => $"You do not wait for {course} any more: {LowerFirst(why)}",
            _ => throw new ArgumentOutOfRangeException(nameof(what)),
        };

    public static string SubjectOf(string what) =>
        what switch
        {
            Seat => "There is a seat",
            LetIn => "You were let in",
            PassedOver => "A seat went to another",
            Removed => "You do not wait any more",
            _ => throw new ArgumentOutOfRangeException(nameof(what)),
        };

    private static string LowerFirst(string sentence) =>
        sentence.Length > 1 && char.IsLower(sentence[1])
            ? char.ToLowerInvariant(sentence[0]) + sentence[1..]
            : sentence;
}
