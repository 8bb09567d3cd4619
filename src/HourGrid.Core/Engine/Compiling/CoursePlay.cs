using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Timetables;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Compiling;

/// <summary>A course in play with its bundles folded into options.</summary>
public sealed class CoursePlay
{
    internal CoursePlay(
        OfferedCourse offered,
        WantedCourse wanted,
        int index,
        IReadOnlyList<FoundBundle> bundles,
        bool creditsMatter,
        bool mayBeLeftOut,
        IReadOnlySet<RegistrationNumber>? held,
        WorkLimit limit
    )
    {
        Offered = offered;
        Wanted = wanted;
        Index = index;
        Bundles = [.. bundles.Select(found => found.Bundle)];
        SectionsInPlay = bundles.SelectMany(found => found.Bundle.Sections).Distinct().Count();
        var itsHeld = held is null
            ? null
            : offered.Sections.Select(section => section.Number).Where(held.Contains).Order().ToArray();
        Options =
        [
            .. Fold(bundles, creditsMatter, itsHeld, limit),
            .. mayBeLeftOut
                ? [CourseOption.Absent(isChange: itsHeld is { Length: > 0 })]
                : Array.Empty<CourseOption>(),
        ];
    }

    /// <summary>The course as the term offers it.</summary>
    public OfferedCourse Offered { get; }

    /// <summary>What the ask says of it.</summary>
    public WantedCourse Wanted { get; }

    /// <summary>Its place among the wanted courses of the ask.</summary>
    public int Index { get; }

    /// <summary>Its bundles, ordered by arrangement and then by section in the catalogue's order.</summary>
    public IReadOnlyList<Bundle> Bundles { get; }

    /// <summary>How many of its sections stand in a bundle.</summary>
    public int SectionsInPlay { get; }

    /// <summary>Its choices, earliest in the week first, leaving out last.</summary>
    internal IReadOnlyList<CourseOption> Options { get; }

    private static IEnumerable<CourseOption> Fold(
        IReadOnlyList<FoundBundle> bundles,
        bool creditsMatter,
        RegistrationNumber[]? held,
        WorkLimit limit
    )
    {
        var shapes = bundles
            .GroupBy(found => found.Bundle.Meetings, MeetingLists.Comparer)
            .OrderBy(group => group.Key, MeetingLists.Comparer);
        var shape = 0;
        foreach (var group in shapes)
        {
            limit.ThrowIfOver();
            FoundBundle[] alike = [.. group];
            // Most stand alone, and there are many.
            var options = alike.Length == 1 ? [alike] : alike.GroupBy(KeyOf).Select(option => option.ToArray());
            foreach (var option in options)
            {
                var inOrder = Array.ConvertAll(option, found => found.Bundle);
                Array.Sort(inOrder, SectionLists.OfBundles);
                yield return new CourseOption
                {
                    Meetings = group.Key,
                    Bundles = inOrder,
                    Against = option[0].Against,
                    Shape = shape,
                    IsChange = IsChange(option[0]),
                };
            }
            shape++;
        }

        OptionKey KeyOf(FoundBundle found) =>
            new(creditsMatter ? found.Bundle.Credits : default, string.Join(',', found.Against), IsChange(found));

        bool IsChange(FoundBundle found) =>
            held is not null && !found.Bundle.Sections.Select(section => section.Number).SequenceEqual(held);
    }

    private readonly record struct OptionKey(Credits Credits, string Against, bool IsChange);
}
