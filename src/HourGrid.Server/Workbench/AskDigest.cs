using System.Security.Cryptography;
using System.Text.Json;
using HourGrid.Core.Asking;

namespace HourGrid.Server.Workbench;

/// <summary>
/// What tells an ask from every other. It is made of the ask itself, not of the file it would be written to: a field that is
/// added to asks is in it, whoever forgets to write it.
/// </summary>
internal static class AskDigest
{
    /// <summary>The digest, as hexadecimal digits.</summary>
    public static string Of(Ask ask) =>
        Convert.ToHexString(SHA256.HashData(JsonSerializer.SerializeToUtf8Bytes(ask)));
}
