using System.Data.Common;

namespace HourGrid.Data;

/// <summary>
/// Reads whole tables where nothing else may be waited for: a query of EF has to be compiled first.
/// </summary>
internal sealed class RowSource(DbConnection connection)
{
    private readonly ValuePool pool = new();

    /// <summary>A row for each that the query gives, made of its values in their order.</summary>
    public List<T> All<T>(string query, Func<RowCursor, T> read) => [.. Each(query, read)];

    /// <summary>A column, or a value that stands for it in catalogues that were written before there was one.</summary>
    public string ColumnOr(string table, string column, string value) =>
        All($"SELECT COUNT(*) FROM pragma_table_info('{table}') WHERE name = '{column}'", row => row.Flag()).Single()
            ? column
            : value;

    /// <summary>The same, one after the other: only who keeps them keeps them in memory.</summary>
    public IEnumerable<T> Each<T>(string query, Func<RowCursor, T> read)
    {
        using var command = connection.CreateCommand();
        command.CommandText = query;
        using var reader = command.ExecuteReader();
        var row = new RowCursor(reader, pool);
        while (row.Next())
            yield return read(row);
    }
}
