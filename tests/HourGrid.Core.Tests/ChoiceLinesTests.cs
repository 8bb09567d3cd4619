using HourGrid.Core.Catalogue;
using HourGrid.Core.PutBy;
using HourGrid.Core.Registration;

namespace HourGrid.Core.Tests;

public sealed class ChoiceLinesTests
{
    private static readonly Choice Choice = new(
        Guid.Empty,
        new(Guid.Empty, "The plan", "", [Seen("A", "1"), Seen("A", "2"), Seen("B", "3")]),
        [
            // Of the one course alone; of both; the same again by its other section.
            new(new("1"), [Seen("A", "4"), Seen("A", "2"), Seen("B", "3")]),
            new(new("3"), [Seen("A", "4"), Seen("A", "2"), Seen("B", "5")]),
            new(new("2"), [Seen("A", "4"), Seen("A", "2"), Seen("B", "3")]),
        ],
        null
    )
    {
        WhenFull = [new(new("B"), WhenFull.Wait)],
    };

    [Fact]
    public void A_course_is_a_line_with_what_was_prepared_for_it_alone()
    {
        var lines = ChoiceLines.Of(Choice, [], [new("3"), new("1"), new("2")]);
        Assert.Equal(["B 3", "A 1 2"], lines.Select(Said));
        Assert.Equal(["", "2 4"], lines.Select(line => string.Join('|', line.Instead.Select(Numbers))));
        Assert.Equal([WhenFull.Wait, WhenFull.Leave], lines.Select(line => line.WhenFull));
    }

    [Fact]
    public void What_is_held_as_chosen_is_left_alone_and_what_is_held_otherwise_is_swapped()
    {
        var held = ChoiceLines.Of(Choice, [new(new("A"), [new("2"), new("1")])], []);
        Assert.Equal(["B 3"], held.Select(Said));
        var other = ChoiceLines.Of(Choice, [new(new("B"), [new("5")])], []);
        Assert.Equal(["A 1 2", "B 3"], other.Select(Said));
        Assert.Equal("5", Numbers(other[1].GivingUp));
    }

    private static string Said(RegistrationLine line) => $"{line.Course} {Numbers(line.Sections)}";

    private static string Numbers(IEnumerable<RegistrationNumber> numbers) =>
        string.Join(' ', numbers.Select(number => number.Value));

    private static SeenSection Seen(string course, string number) => new(new(number), new(course), "lecture", "", []);
}
