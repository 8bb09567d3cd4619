using HourGrid.Core.Catalogue;
using HourGrid.Core.PutBy;

namespace HourGrid.Core.Registration;

/// <summary>Makes the lines that register a choice.</summary>
public static class ChoiceLines
{
    /// <summary>
    /// One line for each course of the choice that is not held as it is chosen, those first whose sections are the most
    /// urgent. A course held in other sections is swapped. A prepared fallback goes along where it changes that course
    /// alone; what would change others, too, cannot be decided by one line.
    /// </summary>
    /// <param name="choice">The choice.</param>
    /// <param name="held">What the student holds.</param>
    /// <param name="order">Sections in the order to get them; those it does not name come last, as the choice has them.</param>
    public static IReadOnlyList<RegistrationLine> Of(
        Choice choice,
        IReadOnlyList<HeldCourse> held,
        IReadOnlyList<RegistrationNumber> order
    )
    {
        ArgumentNullException.ThrowIfNull(choice);
        var places = order.Index().ToDictionary(pair => pair.Item, pair => pair.Index);
        return
        [
            .. choice
                .Timetable.Sections.GroupBy(section => section.Course)
                .Select(course => (Course: course.Key, Numbers: course.Select(section => section.Number).ToArray()))
                .Where(course =>
                    !held.Any(one => one.Course == course.Course && IsSame(one.Sections, course.Numbers))
                )
                .OrderBy(course => course.Numbers.Min(number => places.GetValueOrDefault(number, int.MaxValue)))
                .Select(course => new RegistrationLine(course.Course, course.Numbers)
                {
                    WhenFull = choice.WhenFull.FirstOrDefault(one => one.Course == course.Course).WhenFull,
                    Instead = InsteadOf(choice, course.Numbers),
                    GivingUp = held.FirstOrDefault(one => one.Course == course.Course)?.Sections ?? [],
                }),
        ];
    }

    /// <summary>The bundles that prepared fallbacks take in the place of some sections, all else as it is; each once.</summary>
    private static List<IReadOnlyList<RegistrationNumber>> InsteadOf(Choice choice, RegistrationNumber[] numbers)
    {
        var bundles = new List<IReadOnlyList<RegistrationNumber>>();
        var rest = choice.Timetable.Numbers.Except(numbers).ToHashSet();
        foreach (var fallback in choice.Fallbacks.Where(fallback => numbers.Contains(fallback.Section)))
        {
            var instead = fallback.Instead.Select(section => section.Number).ToHashSet();
            RegistrationNumber[] bundle = [.. instead.Except(rest).Order()];
            if (
                rest.IsSubsetOf(instead)
                && bundle.Length > 0
                && !IsSame(bundle, numbers)
                && !bundles.Exists(one => IsSame(one, bundle))
            )
                bundles.Add(bundle);
        }
        return bundles;
    }

    private static bool IsSame(IReadOnlyList<RegistrationNumber> one, IReadOnlyList<RegistrationNumber> other) =>
        one.ToHashSet().SetEquals(other);
}
