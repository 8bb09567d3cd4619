using System.Text.Json;
using System.Text.Json.Serialization;
using HourGrid.Core.Asking;
using HourGrid.Core.Measures;
using HourGrid.Formats.Json;

namespace HourGrid.Formats.Asking;

/// <summary>Weights as JSON: a field of each measure that has one.</summary>
public sealed class WeightsJson : JsonConverter<Weights>
{
    private static readonly string[] Names = [.. MeasureList.Weighed.Select(measure => measure.Weight!)];

    /// <summary>Reads them; what is absent counts as it usually does.</summary>
    internal static Weights Read(JsonPlace place)
    {
        var weights = place.Object(Names);
        return MeasureList.Weighed.Aggregate(
            new Weights(),
            (all, measure) =>
                all.With(
                    measure.Weight!,
                    weights.Or(measure.Weight!, measure.UsualWeight, weight => weight.Whole(0, Weights.Most))
                )
        );
    }

    /// <inheritdoc/>
    public override void Write(Utf8JsonWriter writer, Weights value, JsonSerializerOptions options)
    {
        ArgumentNullException.ThrowIfNull(writer);
        writer.WriteStartObject();
        foreach (var measure in MeasureList.Weighed)
            writer.WriteNumber(measure.Weight!, measure.WeightIn(value));
        writer.WriteEndObject();
    }

    /// <summary>Asks are read with the place of every problem, see <see cref="AskJson"/>.</summary>
    public override Weights Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
        throw new NotSupportedException("Weights are read by the reader of asks.");
}
