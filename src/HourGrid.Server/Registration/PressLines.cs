using System.Text.Json;
using HourGrid.Core.Registration;
using HourGrid.Formats.PutBy;
using HourGrid.Server.Registrar;

namespace HourGrid.Server.Registration;

/// <summary>Lines as they are sent to the registrar and kept.</summary>
internal static class PressLines
{
    public static LineToRegister Of(RegistrationLine line) =>
        new(
            line.Course.Value,
            [.. line.Sections.Select(number => number.Value)],
            WhenFullDocument.Words.Write(line.WhenFull),
            [.. line.Instead.Select(bundle => bundle.Select(number => number.Value).ToArray())],
            [.. line.GivingUp.Select(number => number.Value)],
            line.Group,
            line.Leaving
        );

    public static string Write(IReadOnlyList<LineToRegister> lines) =>
        JsonSerializer.Serialize(lines, JsonSerializerOptions.Web);

    public static IReadOnlyList<LineToRegister> Read(string json) =>
        JsonSerializer.Deserialize<IReadOnlyList<LineToRegister>>(json, JsonSerializerOptions.Web)!;
}
