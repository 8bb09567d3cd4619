using System.Security.Cryptography;
using Microsoft.IdentityModel.Tokens;

namespace HourGrid.StandIns.SignIn;

/// <summary>
/// The key that the sign-in signs with, kept beside its data: who relies on it knows it by its public half, and must not be
/// told another by every start.
/// </summary>
internal static class SigningKey
{
    private const int Bits = 2048;

    /// <param name="folder">Where the data are; it exists.</param>
    public static RsaSecurityKey ReadOrMake(string folder)
    {
        var file = Path.Combine(folder, "sign-in.pem");
        var key = RSA.Create(Bits);
        if (File.Exists(file))
        {
            key.ImportFromPem(File.ReadAllText(file));
            return new RsaSecurityKey(key);
        }
        // Whole or not at all: half a key would stop every later start.
        var part = $"{file}.part";
        File.Delete(part);
        var owner = new FileStreamOptions
        {
            Mode = FileMode.CreateNew,
            Access = FileAccess.Write,
            UnixCreateMode = UnixFileMode.UserRead | UnixFileMode.UserWrite,
        };
        using (var text = new StreamWriter(part, owner))
            text.Write(key.ExportPkcs8PrivateKeyPem());
        File.Move(part, file);
        return new RsaSecurityKey(key);
    }
}
