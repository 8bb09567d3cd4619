namespace HourGrid.Core.Catalogue;

/// <summary>A field of study under whose code courses stand.</summary>
/// <param name="Code">Its code, as courses have it: <c>ACO</c>.</param>
/// <param name="Name">Its name: <c>Acoustics</c>.</param>
public sealed record Subject(string Code, string Name);
