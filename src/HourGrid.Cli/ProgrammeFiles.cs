using System.Globalization;
using System.Text;
using System.Text.Json;
using HourGrid.Data;
using HourGrid.Formats.Json;
using HourGrid.Formats.Requirements;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Cli;

/// <summary>Programmes into the database and out of it.</summary>
internal static class ProgrammeFiles
{
    /// <summary>Whether a file says that it is a programme.</summary>
    public static async Task<bool> IsProgrammeAsync(FileInfo file, CancellationToken cancellation)
    {
        // A catalogue may be large: only a file small enough to be a programme is looked into.
        if (!file.Exists || file.Length > ProgrammeLimits.FileBytes)
            return false;
        try
        {
            using var document = JsonDocument.Parse(await File.ReadAllBytesAsync(file.FullName, cancellation));
            return document.RootElement.ValueKind == JsonValueKind.Object
                && document.RootElement.TryGetProperty("format", out var format)
                && format.ValueKind == JsonValueKind.String
                && format.GetString() == ProgrammeJson.Format;
        }
        catch (JsonException)
        {
            // Who reads it as a catalogue says where it breaks.
            return false;
        }
    }

    /// <summary>Imports one in the place of an older one with its id, and says what it is.</summary>
    /// <exception cref="FormatProblemsException">The file cannot be used.</exception>
    public static async Task<string> ImportAsync(
        HourGridContext database,
        FileInfo file,
        TextWriter warnings,
        CancellationToken cancellation
    )
    {
        var programme = await InputFile.ReadAsync("import", file, ProgrammeJson.Read, warnings, cancellation);
        var json = Encoding.UTF8.GetString(ProgrammeJson.Write(programme));
        var row = await database.Programmes.SingleOrDefaultAsync(one => one.Id == programme.Id, cancellation);
        var what =
            row is null ? "new"
            : row.Json == json ? "as it was"
            : "changed";
        if (row is null)
            database.Programmes.Add(
                row = new()
                {
                    Id = programme.Id,
                    Name = programme.Name,
                    Json = json,
                }
            );
        (row.Name, row.Json, row.ImportedUtc) = (programme.Name, json, TimeProvider.System.GetUtcNow().UtcDateTime);
        await database.SaveChangesAsync(cancellation);
        return string.Create(
            CultureInfo.InvariantCulture,
            $"{programme.Id}, {programme.Name}: {what}; {programme.Leaves.Count} of its {programme.InOrder.Count} requirements ask for courses"
        );
    }

    /// <summary>A programme of the database as a file; null where there is none with this id.</summary>
    public static async Task<byte[]?> ExportAsync(
        HourGridContext database,
        string programme,
        CancellationToken cancellation
    ) =>
        await database
            .Programmes.Where(one => one.Id == programme)
            .Select(one => one.Json)
            .SingleOrDefaultAsync(cancellation)
            is { } json
            ? Encoding.UTF8.GetBytes(json)
            : null;
}
