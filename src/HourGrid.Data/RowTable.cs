using System.Data.Common;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata;
using Microsoft.EntityFrameworkCore.Storage;

namespace HourGrid.Data;

/// <summary>
/// Writes many rows of one table through prepared statements, within the transaction that has begun. Columns and the way
/// values are stored come from the model; nothing is tracked.
/// </summary>
internal sealed class RowTable<T> : IDisposable
    where T : class
{
    private readonly Column[] keys;
    private readonly Column[] all;
    private readonly Lazy<DbCommand> insert;
    private readonly Lazy<DbCommand> update;
    private readonly Lazy<DbCommand> delete;

    public RowTable(HourGridContext database)
    {
        var entity = database.Model.FindEntityType(typeof(T))!;
        var table = StoreObjectIdentifier.Table(entity.GetTableName()!);
        all = [.. entity.GetProperties().Select(property => new Column(property, table))];
        keys = [.. all.Where(column => column.IsKey)];
        var others = all.Except(keys).ToArray();
        var name = Quoted(table.Name);
        var where = string.Join(" AND ", keys.Select(Assigned));
        insert = Prepared(
            $"INSERT INTO {name} ({string.Join(", ", all.Select(column => Quoted(column.Name)))}) "
                + $"VALUES ({string.Join(", ", all.Select(column => column.Parameter))})",
            all
        );
        update = Prepared($"UPDATE {name} SET {string.Join(", ", others.Select(Assigned))} WHERE {where}", all);
        delete = Prepared($"DELETE FROM {name} WHERE {where}", keys);

        Lazy<DbCommand> Prepared(string sql, Column[] columns) =>
            new(() =>
            {
                var command = database.Database.GetDbConnection().CreateCommand();
                command.Transaction = database.Database.CurrentTransaction!.GetDbTransaction();
                command.CommandText = sql;
                foreach (var column in columns)
                {
                    var parameter = command.CreateParameter();
                    parameter.ParameterName = column.Parameter;
                    command.Parameters.Add(parameter);
                }
                command.Prepare();
                return command;
            });
    }

    public void Insert(T row) => Run(insert.Value, all, row);

    /// <summary>Overwrites the row with the same key.</summary>
    public void Update(T row) => Run(update.Value, all, row);

    /// <summary>Deletes the row with the same key.</summary>
    public void Delete(T row) => Run(delete.Value, keys, row);

    /// <summary>Whether two rows hold the same in all columns but some.</summary>
    public bool AreSame(T one, T other, params ReadOnlySpan<string> but)
    {
        foreach (var column in all)
            if (!but.Contains(column.Property) && !Equals(column.ValueOf(one), column.ValueOf(other)))
                return false;
        return true;
    }

    public void Dispose()
    {
        foreach (var command in new[] { insert, update, delete })
            if (command.IsValueCreated)
                command.Value.Dispose();
    }

    private static void Run(DbCommand command, Column[] columns, T row)
    {
        for (var i = 0; i < columns.Length; i++)
            command.Parameters[i].Value = columns[i].ValueOf(row);
        command.ExecuteNonQuery();
    }

    private static string Quoted(string name) => $"\"{name}\"";

    private static string Assigned(Column column) => $"{Quoted(column.Name)} = {column.Parameter}";

    private sealed class Column(IProperty property, StoreObjectIdentifier table)
    {
        private readonly Func<object?, object?>? convert = property.GetTypeMapping().Converter?.ConvertToProvider;

        public string Name { get; } = property.GetColumnName(table)!;

        public string Property => property.Name;

        public string Parameter => $"@{Name}";

        public bool IsKey => property.IsPrimaryKey();

        /// <summary>The value as it is stored.</summary>
        public object ValueOf(T row)
        {
            var value = property.GetGetter().GetClrValue(row);
            return (convert is null || value is null ? value : convert(value)) ?? DBNull.Value;
        }
    }
}
