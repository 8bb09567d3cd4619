using HourGrid.Core.Work;
using SkiaSharp;

namespace HourGrid.Formats.Timetables.Pictures;

/// <summary>Paints a drawing as PNG.</summary>
internal static class PngWriter
{
    /// <summary>Pixels of the picture for each pixel of the drawing: sharp on dense screens and on paper.</summary>
    private const float Scale = 2;

    /// <summary>
    /// Rows are mostly like those above them. Trying every filter and the hardest compression takes five times as long and
    /// makes the file a quarter smaller.
    /// </summary>
    private static readonly SKPngEncoderOptions Encoding = new(SKPngEncoderFilterFlags.Up, 3);

    public static byte[] Write(Drawing drawing)
    {
        var info = new SKImageInfo(
            (int)MathF.Ceiling(drawing.Width * Scale),
            (int)MathF.Ceiling(drawing.Height * Scale),
            SKColorType.Rgba8888,
            SKAlphaType.Opaque
        );
        using var surface = SKSurface.Create(info);
        surface.Canvas.Scale(Scale);
        foreach (var shape in drawing.Groups.SelectMany(group => group.Shapes))
        {
            Worker.Yield();
            Paint(surface.Canvas, shape);
        }
        using var image = surface.Snapshot();
        using var pixels = image.PeekPixels();
        using var png =
            pixels.Encode(Encoding) ?? throw new InvalidOperationException("The picture cannot be encoded.");
        return png.ToArray();
    }

    private static void Paint(SKCanvas canvas, Shape shape)
    {
        switch (shape)
        {
            case BoxShape box:
                if (box.Fill is { } fill)
                    using (var paint = Filled(fill))
                        canvas.DrawRoundRect(box.Box, box.Radius, box.Radius, paint);
                if (box.Edge is { } edge)
                    using (var paint = Stroked(edge, 1))
                        canvas.DrawRoundRect(SKRect.Inflate(box.Box, -0.5f, -0.5f), box.Radius, box.Radius, paint);
                break;
            case LineShape line:
                using (var paint = Stroked(line.Ink, line.Width))
                using (var dashes = line.Dash > 0 ? SKPathEffect.CreateDash([line.Dash, line.Dash], 0) : null)
                {
                    paint.PathEffect = dashes;
                    canvas.DrawLine(line.From, line.To, paint);
                }
                break;
            case PathShape path:
                using (var paint = Filled(path.Fill))
                    canvas.DrawPath(path.Path, paint);
                break;
        }
    }

    private static SKPaint Filled(string colour) => new() { Color = SKColor.Parse(colour), IsAntialias = true };

    private static SKPaint Stroked(Ink ink, float width) =>
        new()
        {
            Color = SKColor.Parse(ink.Colour).WithAlpha((byte)MathF.Round(ink.Opacity * byte.MaxValue)),
            IsAntialias = true,
            IsStroke = true,
            StrokeWidth = width,
        };
}
