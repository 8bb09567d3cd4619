using System.Globalization;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Data.Catalogue;

/// <summary>The files in which catalogues stand, beside the database: one for each import, and no more than two of them.</summary>
/// <param name="folder">The data folder.</param>
internal sealed class CatalogueFiles(string folder)
{
    private const UnixFileMode Owner = UnixFileMode.UserRead | UnixFileMode.UserWrite;

    /// <summary>What is written goes to the disk in pieces: all at once, it would stand before the saves of others there.</summary>
    private const int RowsAtATime = 2000;

    private const string Prefix = "catalogue-";
    private const string Extension = ".db";

    /// <summary>Those of the folder in which a database is.</summary>
    public static CatalogueFiles Beside(string database) => new(Path.GetDirectoryName(Path.GetFullPath(database))!);

    /// <summary>The numbers of the imports that have a file, the newest first.</summary>
    public IEnumerable<int> Imports() =>
        Directory
            .EnumerateFiles(folder, $"{Prefix}*{Extension}")
            .Select(file => Path.GetFileNameWithoutExtension(file)[Prefix.Length..])
            .Select(number => int.TryParse(number, CultureInfo.InvariantCulture, out var import) ? import : 0)
            .Where(import => import > 0)
            .OrderDescending();

    /// <summary>Opens the file of an import for reading.</summary>
    /// <exception cref="SqliteException">There is none, or it cannot be read.</exception>
    public SqliteConnection Open(int import)
    {
        var connection = new SqliteConnection(
            new SqliteConnectionStringBuilder
            {
                DataSource = PathOf(import),
                Mode = SqliteOpenMode.ReadOnly,
                Pooling = false,
            }.ConnectionString
        );
        connection.Open();
        return connection;
    }

    /// <summary>Writes a catalogue into a file that no import names yet; it is on the disk when this returns.</summary>
    /// <returns>Where it is; <see cref="Keep"/> gives it its name.</returns>
    public string Write(KeptRows rows)
    {
        var part = Path.Combine(folder, $"{Prefix}{Guid.NewGuid():N}.part");
        try
        {
            using var disk = new FileStream(
                part,
                new FileStreamOptions
                {
                    Mode = FileMode.CreateNew,
                    Access = FileAccess.Write,
                    Share = FileShare.ReadWrite,
                    UnixCreateMode = Owner,
                }
            );
            var options = new DbContextOptionsBuilder<CatalogueContext>().UseSqlite(
                new SqliteConnectionStringBuilder
                {
                    DataSource = part,
                    ForeignKeys = true,
                    Pooling = false,
                }.ConnectionString
            );
            using (var database = new CatalogueContext(options.Options))
                Write(database, rows, disk);
            disk.Flush(flushToDisk: true);
            return part;
        }
        catch
        {
            File.Delete(part);
            throw;
        }
    }

    /// <summary>Gives a file that was written the name of its import.</summary>
    public void Keep(string part, int import) => File.Move(part, PathOf(import), overwrite: true);

    /// <summary>Lets nobody else import until it is disposed, and clears away what killed imports left.</summary>
    /// <exception cref="ImportUnderWayException">Somebody else imports.</exception>
    public IDisposable HoldForImport()
    {
        FileStream held;
        try
        {
            held = new(
                Path.Combine(folder, "import.lock"),
                FileMode.OpenOrCreate,
                FileAccess.ReadWrite,
                FileShare.None
            );
        }
        catch (IOException problem) when (File.Exists(Path.Combine(folder, "import.lock")))
        {
            throw new ImportUnderWayException(problem);
        }
        foreach (var part in Directory.EnumerateFiles(folder, $"{Prefix}*.part"))
            File.Delete(part);
        return held;
    }

    /// <summary>Deletes the files of all imports but this one and the one before.</summary>
    public void DropBefore(int import)
    {
        foreach (var older in Imports().Where(other => other < import).Skip(1))
            File.Delete(PathOf(older));
    }

    private static void Write(CatalogueContext database, KeptRows rows, FileStream disk)
    {
        database.Database.OpenConnection();
        // Whatever is written before the end is thrown away with the file.
        database.Database.ExecuteSqlRaw("PRAGMA journal_mode = OFF; PRAGMA synchronous = OFF;");
        database.Database.EnsureCreated();
        using var transaction = database.Database.BeginTransaction();
        Insert([rows.Head.Catalogue]);
        Insert(rows.Head.Subjects);
        Insert(rows.Head.Campuses);
        Insert(rows.Head.Travel);
        Insert(rows.Head.Terms);
        Insert(rows.Head.Terms.SelectMany(term => term.Parts));
        Insert(rows.Head.Terms.SelectMany(term => term.NoClass));
        Insert(rows.Courses);
        Insert(rows.Sections);
        Insert(rows.Sections.SelectMany(section => section.Meetings));
        Insert(rows.Sections.SelectMany(section => section.Links));
        transaction.Commit();

        void Insert<T>(IEnumerable<T> all)
            where T : class
        {
            using var table = new RowTable<T>(database);
            foreach (var some in all.Chunk(RowsAtATime))
            {
                table.InsertAll(some);
                disk.Flush(flushToDisk: true);
            }
        }
    }

    private string PathOf(int import) =>
        Path.Combine(folder, string.Create(CultureInfo.InvariantCulture, $"{Prefix}{import}{Extension}"));
}
