namespace HourGrid.StandIns.Tests;

/// <summary>What stands in for others shares the rules with Hour Grid, and nothing that it keeps or serves.</summary>
public sealed class ArchitectureTests
{
    [Fact]
    public void The_stand_ins_know_the_rules_and_formats_alone() =>
        Assert.Equal(
            ["HourGrid.Core", "HourGrid.Formats"],
            typeof(Program)
                .Assembly.GetReferencedAssemblies()
                .Select(other => other.Name!)
                .Where(name => name.StartsWith("HourGrid.", StringComparison.Ordinal))
                .Order(StringComparer.Ordinal)
        );
}
