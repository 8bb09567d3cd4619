using System.Text.Json;
using System.Text.Json.Serialization;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Measures;

namespace HourGrid.Formats.Answers;

/// <summary>Measures as JSON: a field of each, times of day as text.</summary>
public sealed class MeasuresJson : JsonConverter<WeekMeasures>
{
    /// <inheritdoc/>
    public override void Write(Utf8JsonWriter writer, WeekMeasures value, JsonSerializerOptions options)
    {
        ArgumentNullException.ThrowIfNull(writer);
        ArgumentNullException.ThrowIfNull(value);
        writer.WriteStartObject();
        foreach (var measure in MeasureList.All)
            if (value[measure] is not { } figure)
                writer.WriteNull(measure.Name);
            else if (measure.Unit == MeasureUnit.TimeOfDay)
                writer.WriteString(measure.Name, new Minute(figure).ToString());
            else
                writer.WriteNumber(measure.Name, figure);
        writer.WriteEndObject();
    }

    /// <summary>Nobody sends measures.</summary>
    public override WeekMeasures Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
        throw new NotSupportedException("Measures are taken, not read.");
}
