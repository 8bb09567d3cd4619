using System.Globalization;
using System.Text;
using System.Xml;
using SkiaSharp;

namespace HourGrid.Formats.Timetables.Pictures;

/// <summary>Writes a drawing as SVG, with words for those who hear it.</summary>
internal static class SvgWriter
{
    private const string Svg = "http://www.w3.org/2000/svg";

    public static byte[] Write(Drawing drawing)
    {
        using var stream = new MemoryStream();
        var settings = new XmlWriterSettings { Encoding = new UTF8Encoding(false), Indent = true };
        using (var xml = XmlWriter.Create(stream, settings))
        {
            xml.WriteStartElement("svg", Svg);
            Numbers(xml, ("width", drawing.Width), ("height", drawing.Height));
            xml.WriteAttributeString(
                "viewBox",
                string.Create(CultureInfo.InvariantCulture, $"0 0 {drawing.Width} {drawing.Height}")
            );
            xml.WriteAttributeString("role", "img");
            xml.WriteElementString("title", Svg, Allowed(drawing.Title));
            xml.WriteElementString("desc", Svg, Allowed(drawing.Description));
            foreach (var group in drawing.Groups)
                Write(xml, group);
            xml.WriteEndElement();
        }
        return stream.ToArray();
    }

    private static void Write(XmlWriter xml, ShapeGroup group)
    {
        xml.WriteStartElement("g", Svg);
        if (group.Title is null)
            xml.WriteAttributeString("aria-hidden", "true");
        else
            xml.WriteElementString("title", Svg, Allowed(group.Title));
        foreach (var shape in group.Shapes)
            Write(xml, shape);
        xml.WriteEndElement();
    }

    private static void Write(XmlWriter xml, Shape shape)
    {
        switch (shape)
        {
            case BoxShape box:
                // An edge is drawn on the line between inside and outside; half a pixel further in, it is inside.
                var inset = box.Edge is null ? 0 : 0.5f;
                xml.WriteStartElement("rect", Svg);
                Numbers(
                    xml,
                    ("x", box.Box.Left + inset),
                    ("y", box.Box.Top + inset),
                    ("width", box.Box.Width - 2 * inset),
                    ("height", box.Box.Height - 2 * inset)
                );
                if (box.Radius > 0)
                    Numbers(xml, ("rx", box.Radius));
                xml.WriteAttributeString("fill", box.Fill ?? "none");
                if (box.Edge is { } edge)
                    Stroke(xml, edge, 1);
                break;
            case LineShape line:
                xml.WriteStartElement("line", Svg);
                Numbers(xml, ("x1", line.From.X), ("y1", line.From.Y), ("x2", line.To.X), ("y2", line.To.Y));
                Stroke(xml, line.Ink, line.Width);
                if (line.Dash > 0)
                    Numbers(xml, ("stroke-dasharray", line.Dash));
                break;
            case PathShape path:
                xml.WriteStartElement("path", Svg);
                xml.WriteAttributeString("fill", path.Fill);
                xml.WriteAttributeString("d", Data(path.Path));
                break;
        }
        xml.WriteEndElement();
    }

    private static void Stroke(XmlWriter xml, Ink ink, float width)
    {
        xml.WriteAttributeString("stroke", ink.Colour);
        Numbers(xml, ("stroke-opacity", ink.Opacity), ("stroke-width", width));
    }

    private static void Numbers(XmlWriter xml, params ReadOnlySpan<(string Name, float Value)> numbers)
    {
        foreach (var (name, value) in numbers)
            xml.WriteAttributeString(name, value.ToString("0.###", CultureInfo.InvariantCulture));
    }

    /// <summary>The path in the words of SVG, to a hundredth of a pixel: finer is never seen, and makes large files.</summary>
    private static string Data(SKPath path)
    {
        var data = new StringBuilder();
        using var verbs = path.CreateRawIterator();
        var points = new SKPoint[4];
        for (var verb = verbs.Next(points); verb != SKPathVerb.Done; verb = verbs.Next(points))
        {
            // The first point of a curve is where the last one ended.
            var (letter, from, to) = verb switch
            {
                SKPathVerb.Move => ('M', 0, 1),
                SKPathVerb.Line => ('L', 1, 2),
                SKPathVerb.Quad => ('Q', 1, 3),
                SKPathVerb.Cubic => ('C', 1, 4),
                SKPathVerb.Close => ('Z', 0, 0),
                _ => throw new NotSupportedException($"Letters have no {verb}."),
            };
            data.Append(letter);
            foreach (var point in points.AsSpan(from..to))
                data.Append(CultureInfo.InvariantCulture, $"{point.X:0.##} {point.Y:0.##} ");
        }
        return data.ToString();
    }

    /// <summary>XML has no place for some characters, not even escaped.</summary>
    private static string Allowed(string text)
    {
        var allowed = new StringBuilder(text.Length);
        foreach (var rune in text.EnumerateRunes())
            allowed.Append(
                rune.Value > char.MaxValue || XmlConvert.IsXmlChar((char)rune.Value) ? rune : Rune.ReplacementChar
            );
        return allowed.ToString();
    }
}
