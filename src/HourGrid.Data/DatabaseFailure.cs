using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Data;

/// <summary>Tells apart why the database did not take a change.</summary>
public static class DatabaseFailure
{
    // Extended result codes of SQLite: https://www.sqlite.org/rescode.html
    private const int PrimaryKey = 1555;
    private const int Unique = 2067;

    /// <summary>Whether a row of the same key is there already: somebody else was first.</summary>
    public static bool IsAlreadyThere(DbUpdateException problem) =>
        problem.InnerException is SqliteException { SqliteExtendedErrorCode: PrimaryKey or Unique };
}
