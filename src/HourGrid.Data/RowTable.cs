using System.Data.Common;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata;
using Microsoft.EntityFrameworkCore.Storage;

namespace HourGrid.Data;

/// <summary>
/// Writes many rows of one table through a prepared statement, within the transaction that has begun. Columns and the way
/// values are stored come from the model; nothing is tracked.
/// </summary>
internal sealed class RowTable<T> : IDisposable
    where T : class
{
    private readonly Column[] columns;
    private readonly DbCommand insert;

    public RowTable(DbContext database)
    {
        var entity = database.Model.FindEntityType(typeof(T))!;
        var table = StoreObjectIdentifier.Table(entity.GetTableName()!);
        columns = [.. entity.GetProperties().Select(property => new Column(property, table))];
        insert = database.Database.GetDbConnection().CreateCommand();
        insert.Transaction = database.Database.CurrentTransaction!.GetDbTransaction();
        insert.CommandText =
            $"INSERT INTO \"{table.Name}\" ({string.Join(", ", columns.Select(column => $"\"{column.Name}\""))}) "
            + $"VALUES ({string.Join(", ", columns.Select(column => column.Parameter))})";
        foreach (var column in columns)
        {
            var parameter = insert.CreateParameter();
            parameter.ParameterName = column.Parameter;
            insert.Parameters.Add(parameter);
        }
        insert.Prepare();
    }

    public void Insert(T row)
    {
        for (var i = 0; i < columns.Length; i++)
            insert.Parameters[i].Value = columns[i].ValueOf(row);
        insert.ExecuteNonQuery();
    }

    public void InsertAll(IEnumerable<T> rows)
    {
        foreach (var row in rows)
            Insert(row);
    }

    public void Dispose() => insert.Dispose();

    private sealed class Column(IProperty property, StoreObjectIdentifier table)
    {
        private readonly Func<object?, object?>? convert = property.GetTypeMapping().Converter?.ConvertToProvider;

        public string Name { get; } = property.GetColumnName(table)!;

        public string Parameter => $"@{Name}";

        /// <summary>The value as it is stored; nothing where the database is to number the row.</summary>
        public object ValueOf(T row)
        {
            if (property.ValueGenerated != ValueGenerated.Never && property.GetGetter().HasSentinelValue(row))
                return DBNull.Value;
            var value = property.GetGetter().GetClrValue(row);
            return (convert is null || value is null ? value : convert(value)) ?? DBNull.Value;
        }
    }
}
