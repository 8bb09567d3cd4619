using CsCheck;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Registration;
using HourGrid.Core.Tests.Drawn;

namespace HourGrid.Core.Tests;

/// <summary>From what is held to a timetable: each step can be done, and no plan has more of them.</summary>
public sealed class ChangePlanTests
{
    private const int Courses = 5;
    private const int Hours = 6;

    /// <summary>Courses with a section at each hour: what is held and what is wanted are hours, each once; -1 for none.</summary>
    private static readonly Gen<(int[] Held, int[] Wanted)> Drawn = Gen.Select(
        Gen.Shuffle(Enumerable.Range(0, Hours).ToArray()),
        Gen.Shuffle(Enumerable.Range(0, Hours).ToArray()),
        Gen.Int[0, 3].Array[Courses],
        Gen.Int[0, 3].Array[Courses],
        (held, wanted, without, unwanted) =>
            (
                held.Take(Courses).Select((hour, at) => without[at] == 0 ? -1 : hour).ToArray(),
                wanted.Take(Courses).Select((hour, at) => unwanted[at] == 0 ? -1 : hour).ToArray()
            )
    );

    private static readonly CatalogueSnapshot Snapshot = Made.Snapshot(
        Enumerable
            .Range(0, Courses)
            .Select(course =>
                Enumerable
                    .Range(0, Hours)
                    .Select(hour =>
                        Made.Section(
                            NumberOf(course, hour).Value,
                            Made.Weekly(480 + 60 * hour, 530 + 60 * hour, Weekday.Monday)
                        )
                    )
            )
    );

    [Fact]
    public void Each_step_can_be_done_and_ends_at_what_is_wanted() =>
        Drawn.Sample(
            (held, wanted) =>
            {
                var plan = PlanOf(held, wanted);
                var hours = (int[])held.Clone();
                foreach (var step in StepsOf(plan))
                {
                    var after = (int[])hours.Clone();
                    foreach (var line in step)
                    foreach (var number in line.GivingUp)
                    {
                        Assert.Equal(hours[CourseOf(number)], HourOf(number));
                        after[CourseOf(number)] = -1;
                    }
                    foreach (var line in step)
                    foreach (var number in line.Sections)
                        after[CourseOf(number)] = HourOf(number);
                    var taken = after.Where(hour => hour >= 0).ToArray();
                    Assert.Distinct(taken);
                    hours = after;
                }
                Assert.Equal(wanted, hours);
                Assert.Equal(
                    Enumerable.Range(0, Courses).Count(course => held[course] != wanted[course]),
                    plan.Changes
                );
                // A seat is given up only in a step that takes another, but for what is simply dropped, and that goes last.
                Assert.All(
                    plan.Lines.SkipWhile(line => line.Sections.Count > 0),
                    line => Assert.Empty(line.Sections)
                );
            },
            iter: Draws.Of(3000)
        );

    [Fact]
    public void No_plan_has_more_steps() =>
        Drawn.Sample(
            (held, wanted) =>
            {
                var plan = PlanOf(held, wanted);
                int[] takes =
                [
                    .. Enumerable
                        .Range(0, Courses)
                        .Where(course => wanted[course] >= 0 && held[course] != wanted[course]),
                ];
                // What is dropped gives its hours to whoever comes first.
                var start = held.Select((hour, course) => wanted[course] < 0 ? -1 : hour).ToArray();
                Assert.Equal(
                    MostSteps(start, wanted, takes),
                    StepsOf(plan).Count(step => step.Any(line => line.Sections.Count > 0))
                );
            },
            iter: Draws.Of(1000)
        );

    [Fact]
    public void What_exceeds_the_credits_that_may_be_carried_gives_up_what_is_dropped_in_the_same_step()
    {
        // Three courses of three credits may be carried: one goes for each that comes.
        var plan = ChangePlan.Of(
            Snapshot,
            [Held(0, 0), Held(1, 1), Held(2, 2)],
            new HashSet<RegistrationNumber> { NumberOf(0, 0), NumberOf(3, 3), NumberOf(4, 4) },
            Credits.Of(9)
        );
        Assert.Equal((0, 2, 2), (plan.Swaps, plan.Drops, plan.Adds));
        Assert.Equal(2, plan.Lines.Count);
        Assert.All(plan.Lines, line => Assert.Single(line.GivingUp));
    }

    /// <summary>The most steps by which some courses can come to their hours, by trying every order and every grouping.</summary>
    private static int MostSteps(int[] now, int[] wanted, int[] left)
    {
        if (left.Length == 0)
            return 0;
        var most = 0;
        for (var chosen = 1; chosen < 1 << left.Length; chosen++)
        {
            var after = (int[])now.Clone();
            for (var at = 0; at < left.Length; at++)
                if ((chosen & (1 << at)) != 0)
                    after[left[at]] = wanted[left[at]];
            var taken = after.Where(hour => hour >= 0).ToArray();
            if (taken.Distinct().Count() < taken.Length)
                continue;
            int[] rest = [.. left.Where((_, at) => (chosen & (1 << at)) == 0)];
            most = Math.Max(most, 1 + MostSteps(after, wanted, rest));
        }
        return most;
    }

    private static List<RegistrationLine[]> StepsOf(ChangePlan plan) =>
        [
            .. plan
                .Lines.Select((line, at) => (line, key: line.Group is { } group ? -group : at))
                .GroupBy(one => one.key)
                .Select(step => step.Select(one => one.line).ToArray()),
        ];

    private static ChangePlan PlanOf(int[] held, int[] wanted) =>
        ChangePlan.Of(
            Snapshot,
            [.. held.Index().Where(one => one.Item >= 0).Select(one => Held(one.Index, one.Item))],
            wanted.Index().Where(one => one.Item >= 0).Select(one => NumberOf(one.Index, one.Item)).ToHashSet()
        );

    private static HeldCourse Held(int course, int hour) => new(new($"C{course}"), [NumberOf(course, hour)]);

    private static RegistrationNumber NumberOf(int course, int hour) => new($"{course}{hour}");

    private static int CourseOf(RegistrationNumber number) => number.Value[0] - '0';

    private static int HourOf(RegistrationNumber number) => number.Value[1] - '0';
}
