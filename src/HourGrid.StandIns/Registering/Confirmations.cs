using System.Security.Cryptography;

namespace HourGrid.StandIns.Registering;

/// <summary>Numbers by which a student can hold a registration against the registrar, such as <c>7F3-K2Q-9TB</c>.</summary>
internal static class Confirmations
{
    /// <summary>Letters and digits that are not taken for each other.</summary>
    private const string Characters = "23456789ABCDEFGHJKMNPQRSTVWXYZ";

    public static string Next()
    {
        var drawn = RandomNumberGenerator.GetString(Characters, 9);
        return $"{drawn[..3]}-{drawn[3..6]}-{drawn[6..]}";
    }
}
