using System.Data.Common;

namespace HourGrid.Data;

/// <summary>The row of a query that is being read, value by value from left to right.</summary>
internal sealed class RowCursor(DbDataReader reader, ValuePool pool)
{
    private int at;

    /// <summary>Goes to the next row, if there is one.</summary>
    public bool Next()
    {
        at = 0;
        return reader.Read();
    }

    public string Text() => pool.Text(reader.GetString(at++));

    public string? OptionalText() => IsNothing() ? null : Text();

    public int Whole() => reader.GetInt32(at++);

    public int? OptionalWhole() => IsNothing() ? null : Whole();

    public bool Flag() => Whole() != 0;

    public T Word<T>()
        where T : struct, Enum => Enum.Parse<T>(Text());

    public DateOnly Date() => pool.Date(Text());

    public DateTime Moment() => pool.Moment(Text());

    public List<string> Texts() => pool.List(Text());

    public List<string>? OptionalTexts() => IsNothing() ? null : Texts();

    /// <summary>Whether there is no value, which is then passed over.</summary>
    private bool IsNothing()
    {
        if (!reader.IsDBNull(at))
            return false;
        at++;
        return true;
    }
}
