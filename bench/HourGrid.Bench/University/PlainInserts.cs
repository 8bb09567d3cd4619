using System.Diagnostics;
using Microsoft.Data.Sqlite;

namespace HourGrid.Bench.University;

/// <summary>The least that writing a catalogue can take: the same rows into the same tables, one prepared statement each.</summary>
internal static class PlainInserts
{
    private static readonly string[] Tables = ["Courses", "Sections", "Meetings", "SectionLinks"];

    /// <param name="path">A database that holds the catalogue.</param>
    /// <returns>Milliseconds from the first row to the commit.</returns>
    public static double Measure(string path)
    {
        var copy = path + ".plain";
        using var source = new SqliteConnection($"Data Source={path}");
        source.Open();
        using var target = new SqliteConnection($"Data Source={copy};Pooling=false");
        target.Open();
        using (var wal = target.CreateCommand())
        {
            wal.CommandText = "PRAGMA journal_mode = WAL; PRAGMA synchronous = FULL; PRAGMA foreign_keys = OFF;";
            wal.ExecuteNonQuery();
        }
        var rows = Tables.ToDictionary(table => table, table => (Create(source, target, table), Rows(source, table)));
        var start = Stopwatch.GetTimestamp();
        using (var transaction = target.BeginTransaction())
        {
            foreach (var (table, (columns, all)) in rows)
                Insert(target, transaction, table, columns, all);
            transaction.Commit();
        }
        return Stopwatch.GetElapsedTime(start).TotalMilliseconds;
    }

    /// <summary>Makes the table and its indexes; how many columns it has.</summary>
    private static int Create(SqliteConnection source, SqliteConnection target, string table)
    {
        using var schema = source.CreateCommand();
        schema.CommandText =
            "SELECT sql FROM sqlite_master WHERE tbl_name = $table AND sql IS NOT NULL ORDER BY type DESC";
        schema.Parameters.AddWithValue("$table", table);
        using var reader = schema.ExecuteReader();
        while (reader.Read())
        {
            using var make = target.CreateCommand();
            make.CommandText = reader.GetString(0);
            make.ExecuteNonQuery();
        }
        using var columns = source.CreateCommand();
        columns.CommandText = $"SELECT COUNT(*) FROM pragma_table_info('{table}')";
        return Convert.ToInt32(columns.ExecuteScalar(), System.Globalization.CultureInfo.InvariantCulture);
    }

    private static List<object[]> Rows(SqliteConnection source, string table)
    {
        using var select = source.CreateCommand();
        select.CommandText = $"SELECT * FROM {table}";
        using var reader = select.ExecuteReader();
        var rows = new List<object[]>();
        while (reader.Read())
        {
            var row = new object[reader.FieldCount];
            reader.GetValues(row);
            rows.Add(row);
        }
        return rows;
    }

    private static void Insert(
        SqliteConnection target,
        SqliteTransaction transaction,
        string table,
        int columns,
        List<object[]> rows
    )
    {
        using var insert = target.CreateCommand();
        insert.Transaction = transaction;
        insert.CommandText =
            $"INSERT INTO {table} VALUES ({string.Join(", ", Enumerable.Range(0, columns).Select(i => $"$c{i}"))})";
        for (var i = 0; i < columns; i++)
            insert.Parameters.Add(new SqliteParameter { ParameterName = $"$c{i}" });
        insert.Prepare();
        foreach (var row in rows)
        {
            for (var i = 0; i < columns; i++)
                insert.Parameters[i].Value = row[i];
            insert.ExecuteNonQuery();
        }
    }
}
