using SkiaSharp;

namespace HourGrid.Formats.Timetables.Pictures;

/// <summary>A picture before it is written: shapes from back to front, in pixels from the top left.</summary>
/// <param name="Width">Pixels across.</param>
/// <param name="Height">Pixels down.</param>
/// <param name="Title">What it is a picture of.</param>
/// <param name="Description">What it shows, in words.</param>
/// <param name="Groups">Its shapes.</param>
internal sealed record Drawing(
    float Width,
    float Height,
    string Title,
    string Description,
    IReadOnlyList<ShapeGroup> Groups
);

/// <summary>Shapes that are one thing.</summary>
/// <param name="Title">What they are, in words; null for what is only there to look at.</param>
/// <param name="Shapes">The shapes, from back to front.</param>
internal sealed record ShapeGroup(string? Title, IReadOnlyList<Shape> Shapes);

/// <summary>One shape.</summary>
internal abstract record Shape;

/// <summary>A rectangle.</summary>
/// <param name="Box">Where.</param>
/// <param name="Fill">Its colour, or null for none.</param>
/// <param name="Radius">Of its corners.</param>
/// <param name="Edge">The colour of its edge, a pixel wide within the box; null for none.</param>
internal sealed record BoxShape(SKRect Box, string? Fill, float Radius = 0, Ink? Edge = null) : Shape;

/// <summary>A line.</summary>
/// <param name="From">Its beginning.</param>
/// <param name="To">Its end.</param>
/// <param name="Ink">Its colour.</param>
/// <param name="Width">How wide.</param>
/// <param name="Dash">Pixels of each dash and each gap; 0 for a whole line.</param>
internal sealed record LineShape(SKPoint From, SKPoint To, Ink Ink, float Width = 1, float Dash = 0) : Shape;

/// <summary>A filled outline, such as that of letters.</summary>
/// <param name="Path">The outline.</param>
/// <param name="Fill">Its colour.</param>
internal sealed record PathShape(SKPath Path, string Fill) : Shape;

/// <summary>A colour of which some of what is behind may be seen.</summary>
/// <param name="Colour">As <c>#rrggbb</c>.</param>
/// <param name="Opacity">0 to 1.</param>
internal readonly record struct Ink(string Colour, float Opacity = 1);
