using HourGrid.Core.Catalogue;
using HourGrid.Core.Records;
using HourGrid.Core.Requirements;

namespace HourGrid.Core.Tests.Plain;

/// <summary>The audit as its definition reads: every assignment is looked at.</summary>
internal sealed class PlainAudit
{
    private readonly Programme programme;
    private readonly IReadOnlyList<Course> catalogue;
    private readonly IReadOnlyList<Requirement.Leaf> leaves;
    private readonly List<Entry> entries;
    private readonly string[] courses;

    // By leaf, by course: the entry by which the course counts there, or null.
    private readonly Entry?[][] of;

    public PlainAudit(Programme programme, StudentRecord record, IReadOnlyList<Course> catalogue)
    {
        (this.programme, this.catalogue) = (programme, catalogue);
        leaves = [.. Flat(programme.Root).OfType<Requirement.Leaf>()];
        entries = EntriesOf(record);
        courses = [.. entries.Select(entry => entry.Course).Distinct().Order(StringComparer.Ordinal)];
        of =
        [
            .. leaves.Select(leaf =>
                courses
                    .Select(course =>
                        Qualifies(leaf.From, course)
                            ? Best(entries.Where(entry => entry.Course == course && CanCount(entry, leaf.MinGrade)))
                            : null
                    )
                    .ToArray()
            ),
        ];
    }

    /// <summary>One way for a course to count: 0 completed, 1 under way, 2 planned.</summary>
    internal sealed record Entry(string Course, int Status, Grade? Grade, decimal Credits, int Source, int Place);

    /// <summary>How many assignments there are.</summary>
    public double Assignments =>
        Pools()
            .Aggregate(
                1.0,
                (all, pool) =>
                    all * courses.Index().Aggregate(1.0, (of, one) => of * (1 + Options(pool, one.Index).Count))
            );

    /// <summary>The best: short over all, with under way, completed; and the pairs as leaf and course.</summary>
    public (decimal[] Short, List<(int Leaf, string Course)> Pairs) Best()
    {
        decimal[]? best = null;
        var bestPairs = new List<(int, string)>();
        var slots = Pools().SelectMany(pool => courses.Index().Select(one => (pool, one.Index))).ToArray();
        var pairs = new List<(int Leaf, int Course)>();
        Go(0);
        return (best!, bestPairs);

        void Go(int slot)
        {
            if (slot == slots.Length)
            {
                decimal[] found = [Short(pairs, 2), Short(pairs, 1), Short(pairs, 0)];
                var named = pairs.Select(pair => (pair.Leaf, courses[pair.Course])).Order(ByLeaf).ToList();
                if (best is null || Compare(found, named, best, bestPairs) < 0)
                    (best, bestPairs) = (found, named);
                return;
            }
            Go(slot + 1);
            foreach (var leaf in Options(slots[slot].pool, slots[slot].Index))
            {
                pairs.Add((leaf, slots[slot].Index));
                Go(slot + 1);
                pairs.RemoveAt(pairs.Count - 1);
            }
        }
    }

    /// <summary>By node in file order, how it stands by the best assignment.</summary>
    public List<(string Id, RequirementState State, decimal Short)> States(List<(int Leaf, string Course)> named)
    {
        var pairs = named.Select(pair => (pair.Leaf, Array.IndexOf(courses, pair.Course))).ToList();
        var result = new List<(string, RequirementState, decimal)>();
        Say(programme.Root, isNeeded: true);
        return result;

        void Say(Requirement node, bool isNeeded)
        {
            decimal[] by = [Short(node, pairs, 0), Short(node, pairs, 1), Short(node, pairs, 2)];
            var state =
                !isNeeded ? RequirementState.NotNeeded
                : by[0] == 0 ? RequirementState.Done
                : by[1] == 0 ? RequirementState.UnderWay
                : by[2] == 0 ? RequirementState.Planned
                : RequirementState.ShortBy;
            result.Add((node.Id, state, by[2]));
            if (node is Requirement.All all)
                foreach (var part in all.Of)
                    Say(part, isNeeded);
            if (node is Requirement.Any any)
            {
                var ranked = any
                    .Of.Select((part, place) => (part, place))
                    .OrderBy(one => Short(one.part, pairs, 2))
                    .ThenBy(one => Short(one.part, pairs, 1))
                    .ThenBy(one => Short(one.part, pairs, 0))
                    .ThenBy(one => one.place)
                    .Select(one => one.place)
                    .ToList();
                foreach (var (place, part) in any.Of.Index())
                    Say(part, isNeeded && (by[2] > 0 || ranked.IndexOf(place) < any.Take));
            }
        }
    }

    /// <summary>Credits of a status, each course once.</summary>
    public decimal Total(int status) =>
        courses
            .Select(course => Best(entries.Where(entry => entry.Course == course))!)
            .Where(entry => entry.Status == status)
            .Sum(entry => entry.Credits);

    /// <summary>Courses that count and are given to no leaf.</summary>
    public IEnumerable<string> Unused(List<(int Leaf, string Course)> pairs) =>
        courses.Except(pairs.Select(pair => pair.Course));

    private static readonly Comparer<(int Leaf, string Course)> ByLeaf = Comparer<(int Leaf, string Course)>.Create(
        (one, other) =>
            one.Leaf != other.Leaf ? one.Leaf.CompareTo(other.Leaf) : string.CompareOrdinal(one.Course, other.Course)
    );

    private static int Compare(
        decimal[] one,
        List<(int Leaf, string Course)> oneList,
        decimal[] other,
        List<(int Leaf, string Course)> otherList
    )
    {
        for (var i = 0; i < one.Length; i++)
            if (one[i] != other[i])
                return one[i].CompareTo(other[i]);
        if (oneList.Count != otherList.Count)
            return oneList.Count.CompareTo(otherList.Count);
        for (var i = 0; i < oneList.Count; i++)
            if (ByLeaf.Compare(oneList[i], otherList[i]) is var order and not 0)
                return order;
        return 0;
    }

    private IEnumerable<string> Pools() => leaves.Select(leaf => leaf.Counting).Distinct();

    private List<int> Options(string pool, int course) =>
        [
            .. Enumerable
                .Range(0, leaves.Count)
                .Where(leaf => leaves[leaf].Counting == pool && of[leaf][course] is not null),
        ];

    private decimal Short(List<(int Leaf, int Course)> pairs, int worst) => Short(programme.Root, pairs, worst);

    private decimal Short(Requirement node, List<(int Leaf, int Course)> pairs, int worst)
    {
        switch (node)
        {
            case Requirement.All all:
                return all.Of.Sum(part => Short(part, pairs, worst));
            case Requirement.Any any:
                return any.Of.Select(part => Short(part, pairs, worst)).Order().Take(any.Take).Sum();
            case Requirement.Leaf leaf:
                var place = leaves.Index().First(one => ReferenceEquals(one.Item, leaf)).Index;
                var given = pairs
                    .Where(pair => pair.Leaf == place && of[place][pair.Course]!.Status <= worst)
                    .Select(pair => of[place][pair.Course]!)
                    .ToList();
                return leaf.Need is LeafNeed.Courses courses
                    ? Math.Max(0, courses.Count - given.Count) * courses.Each.Value
                    : Math.Max(0, ((LeafNeed.InCredits)leaf.Need).Amount.Value - given.Sum(one => one.Credits));
            default:
                throw new InvalidOperationException();
        }
    }

    private static bool CanCount(Entry entry, Grade? minimum) =>
        entry.Grade is not { } grade || minimum is not { } least || Rank(grade) >= Rank(least);

    // P reaches every minimum from C down.
    private static int Rank(Grade grade) => grade == Grade.Passed ? (int)Grade.C : (int)grade;

    private static Entry? Best(IEnumerable<Entry> entries) =>
        entries
            .OrderBy(entry => entry.Status)
            .ThenByDescending(entry => entry.Grade ?? Grade.A)
            .ThenBy(entry => entry.Source)
            .ThenBy(entry => entry.Place)
            .FirstOrDefault();

    private bool Qualifies(CourseFilter filter, string id)
    {
        if (filter.Except.Any(one => one.Value == id))
            return false;
        if (filter.Courses.Any(one => one.Value == id))
            return true;
        var known = catalogue.FirstOrDefault(course => course.Id.Value == id);
        var subject = known?.Subject ?? id.Split(' ')[0];
        var number = known?.Number ?? id.Split(' ')[1];
        var digits = string.Concat(number.TakeWhile(char.IsDigit));
        var given = new List<bool>();
        if (filter.Subjects.Count > 0)
            given.Add(filter.Subjects.Contains(subject));
        if (filter.Attributes.Count > 0)
            given.Add(filter.Attributes.Any(one => known is not null && known.Attributes.Contains(one)));
        if (filter.Numbers is { } numbers)
            given.Add(
                digits.Length > 0
                    && int.Parse(digits, System.Globalization.CultureInfo.InvariantCulture) is var value
                    && (numbers.Min is null || value >= numbers.Min)
                    && (numbers.Max is null || value <= numbers.Max)
            );
        return given.Count > 0 && given.All(one => one);
    }

    private List<Entry> EntriesOf(StudentRecord record)
    {
        var result = new List<Entry>();
        foreach (var taken in record.Taken)
        {
            if (
                taken.Status == TakenStatus.Completed
                && taken.Grade is { } grade
                && grade is not (Grade.F or Grade.Withdrawn)
            )
                Add(taken.Course, 0, grade, taken.Credits.Value, 0);
            if (taken.Status == TakenStatus.UnderWay)
                Add(taken.Course, 1, null, taken.Credits.Value, 0);
            if (taken.Status == TakenStatus.Planned)
                Add(
                    taken.Course,
                    2,
                    null,
                    catalogue.FirstOrDefault(course => course.Id == taken.Course)?.Credits.Min.Value
                        ?? taken.Credits.Value,
                    0
                );
        }
        foreach (var exam in record.Exams)
        foreach (var course in exam.CountsAs)
            Add(course, 0, null, exam.Credits.Value, 1);
        foreach (var transfer in record.Transfer)
            Add(transfer.As, 0, null, transfer.Credits.Value, 2);
        return result;

        void Add(CourseId course, int status, Grade? grade, decimal credits, int source) =>
            result.Add(new(course.Value, status, grade, credits, source, result.Count));
    }

    private static IEnumerable<Requirement> Flat(Requirement node) =>
        node switch
        {
            Requirement.All all => all.Of.SelectMany(Flat).Prepend(node),
            Requirement.Any any => any.Of.SelectMany(Flat).Prepend(node),
            _ => [node],
        };
}
