namespace HourGrid.Server.Steps;

/// <param name="Version">The version from which to step.</param>
internal sealed record StepRequest(long Version);
