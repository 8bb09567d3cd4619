using System.Text;
using HourGrid.Data;
using HourGrid.Data.Requirements;
using HourGrid.Formats.Requirements;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Server.Requirements;

/// <summary>Programmes with which a server begins that has none.</summary>
internal static class FirstProgrammes
{
    private const string Files = "*.programme.json";

    /// <summary>Imports those of a folder, unless there is any.</summary>
    public static async Task ImportAsync(HourGridContext database, string folder, DateTime now)
    {
        if (await database.Programmes.AnyAsync())
            return;
        foreach (var file in Directory.EnumerateFiles(folder, Files).Order(StringComparer.Ordinal))
        {
            var bytes = await File.ReadAllBytesAsync(file);
            var programme = ProgrammeJson.Read(bytes).Value;
            database.Programmes.Add(
                new ProgrammeRow
                {
                    Id = programme.Id,
                    Name = programme.Name,
                    Json = Encoding.UTF8.GetString(ProgrammeJson.Write(programme)),
                    ImportedUtc = now,
                }
            );
        }
        await database.SaveChangesAsync();
    }
}
