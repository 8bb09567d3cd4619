using HourGrid.Core.Catalogue;
using HourGrid.Core.PutBy;
using HourGrid.Core.Timetables;

namespace HourGrid.Core.Registration;

/// <summary>How to come from what is held to a timetable, by steps none of which lets a held seat go for nothing.</summary>
/// <param name="Lines">The lines in the order to be done; those of one group are one step.</param>
/// <param name="Swaps">Courses held that are taken in other sections.</param>
/// <param name="Drops">Courses held that are not taken any more.</param>
/// <param name="Adds">Courses taken that are not held.</param>
public sealed record ChangePlan(IReadOnlyList<RegistrationLine> Lines, int Swaps, int Drops, int Adds)
{
    /// <summary>The plan with the most steps, and so the fewest that need each other.</summary>
    /// <remarks>
    /// What takes hours at which another course is held has to come after that one has left them; those in a circle are
    /// one step. The strongly connected components of that graph are the finest partition into steps that can be put in
    /// an order (Tarjan, 1972).
    /// </remarks>
    /// <param name="snapshot">The catalogue.</param>
    /// <param name="held">What is held.</param>
    /// <param name="target">The sections to hold in the end.</param>
    /// <param name="maximum">The credits that may be held at any time; null for no limit.</param>
    public static ChangePlan Of(
        CatalogueSnapshot snapshot,
        IReadOnlyList<HeldCourse> held,
        IReadOnlySet<RegistrationNumber> target,
        Credits? maximum = null
    )
    {
        ArgumentNullException.ThrowIfNull(snapshot);
        var wanted = Timetable.Of(snapshot, target).Bundles;
        var before = held.ToDictionary(
            one => one.Course,
            one => new Holding(one, Timetable.Of(snapshot, one.Sections.ToHashSet()).Bundles)
        );
        Taking[] takes =
        [
            .. wanted
                .Select(bundle => new Taking(bundle, before.GetValueOrDefault(bundle.Course.Course.Id)))
                .Where(take => take.Swapped is null || !take.Swapped.Is(take.Bundle)),
        ];
        var drops = before
            .Values.Where(one => wanted.All(bundle => bundle.Course.Course.Id != one.Of.Course))
            .ToList();
        var (swaps, dropped) = (takes.Count(take => take.Swapped is not null), drops.Count);
        return new(new Ordering(takes, drops, maximum).Lines(before.Values), swaps, dropped, takes.Length - swaps);
    }

    /// <summary>How many courses change.</summary>
    public int Changes => Swaps + Drops + Adds;

    private sealed record Holding(HeldCourse Of, IReadOnlyList<Bundle> Bundles)
    {
        public IReadOnlyList<Meeting> Meetings { get; } = [.. Bundles.SelectMany(bundle => bundle.Meetings)];

        public Credits Credits { get; } = Bundles.Aggregate(default(Credits), (sum, bundle) => sum + bundle.Credits);

        public bool Is(Bundle bundle) =>
            Of.Sections.ToHashSet().SetEquals(bundle.Sections.Select(section => section.Number));
    }

    private sealed record Taking(Bundle Bundle, Holding? Swapped);

    /// <summary>Puts what is taken in an order, with what is dropped where it has to be.</summary>
    private sealed class Ordering(Taking[] takes, List<Holding> drops, Credits? maximum)
    {
        private static readonly ConflictCheck Hours = new(travel: null, minutesBetween: 0);

        public List<RegistrationLine> Lines(IEnumerable<Holding> held)
        {
            var credits = held.Sum(one => one.Credits.Value);
            var lines = new List<RegistrationLine>();
            var groups = 0;
            var components = StrongComponents.Of(takes.Length, Needed);
            foreach (var component in components)
            {
                int? group = component.Count > 1 ? ++groups : null;
                credits += component.Sum(at =>
                    takes[at].Bundle.Credits.Value - (takes[at].Swapped?.Credits.Value ?? 0)
                );
                foreach (var at in component)
                {
                    var leaving = drops.Where(drop => Clash(takes[at], drop)).ToList();
                    credits -= leaving.Sum(drop => drop.Credits.Value);
                    drops.RemoveAll(leaving.Contains);
                    lines.Add(LineOf(takes[at], leaving, group));
                }
                // The largest first, so that the fewest have to go before their time.
                while (maximum is { } most && credits > most.Value && drops.Count > 0)
                {
                    var largest = drops.MaxBy(drop => drop.Credits.Value)!;
                    drops.Remove(largest);
                    credits -= largest.Credits.Value;
                    lines[^1] = lines[^1] with { GivingUp = [.. lines[^1].GivingUp, .. largest.Of.Sections] };
                }
            }
            lines.AddRange(
                drops.Select(drop => new RegistrationLine(drop.Of.Course, []) { GivingUp = drop.Of.Sections })
            );
            return lines;
        }

        /// <summary>What has to be done before something is taken: swaps that leave its hours.</summary>
        private IEnumerable<int> Needed(int at) =>
            Enumerable
                .Range(0, takes.Length)
                .Where(other => other != at && takes[other].Swapped is { } swapped && Clash(takes[at], swapped));

        private static bool Clash(Taking take, Holding holding) =>
            take.Swapped != holding && Hours.Conflict(take.Bundle.Meetings, holding.Meetings);

        private static RegistrationLine LineOf(Taking take, IReadOnlyList<Holding> leaving, int? group) =>
            new(take.Bundle.Course.Course.Id, [.. take.Bundle.Sections.Select(section => section.Number)])
            {
                WhenFull = WhenFull.Leave,
                GivingUp = [.. take.Swapped?.Of.Sections ?? [], .. leaving.SelectMany(drop => drop.Of.Sections)],
                Group = group,
            };
    }
}
