using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Timetables;

/// <summary>
/// The links among the sections of one course. A link declared by either side binds both: once any lab names a
/// lecture, that lecture goes only with labs it is linked to.
/// </summary>
internal sealed class SectionLinks
{
    private readonly Dictionary<RegistrationNumber, Dictionary<string, HashSet<RegistrationNumber>>> linked = [];

    public SectionLinks(OfferedCourse offered)
    {
        var byNumber = offered.Sections.ToDictionary(section => section.Number);
        foreach (var section in offered.Sections)
        foreach (var number in section.Section.LinkedTo)
        {
            if (!byNumber.TryGetValue(number, out var other))
                continue;
            Bind(section, other);
            Bind(other, section);
        }
    }

    /// <summary>Whether two sections of different components may stand in one bundle.</summary>
    public bool Allow(OfferedSection one, OfferedSection other) => Binds(one, other) && Binds(other, one);

    private bool Binds(OfferedSection section, OfferedSection other) =>
        !linked.TryGetValue(section.Number, out var byComponent)
        || !byComponent.TryGetValue(other.Section.Component, out var numbers)
        || numbers.Contains(other.Number);

    private void Bind(OfferedSection section, OfferedSection other)
    {
        if (!linked.TryGetValue(section.Number, out var byComponent))
            linked[section.Number] = byComponent = [];
        if (!byComponent.TryGetValue(other.Section.Component, out var numbers))
            byComponent[other.Section.Component] = numbers = [];
        numbers.Add(other.Number);
    }
}
