using System.Security.Cryptography;
using System.Text;
using Microsoft.AspNetCore.WebUtilities;

namespace Cumbre.Server.Accounts;

/// <summary>Secrets that a machine chooses: given out once, and kept only as what they hash to.</summary>
internal static class Tokens
{
    private const int Bytes = 32;

    /// <summary>Without letters and digits that are taken for each other.</summary>
    private const string Readable = "ABCDEFGHJKLMNPQRSTUVWXYZ23456789";

    public static string New() => WebEncoders.Base64UrlEncode(RandomNumberGenerator.GetBytes(Bytes));

    /// <summary>Five bits a character, in two halves that can be read out.</summary>
    public static string NewReadable(int characters)
    {
        var text = RandomNumberGenerator.GetString(Readable, characters);
        return $"{text[..(characters / 2)]}-{text[(characters / 2)..]}";
    }

    public static byte[] Hash(string token) => SHA256.HashData(Encoding.UTF8.GetBytes(token));

    /// <summary>As it is typed: in any case, with or without its dash.</summary>
    public static byte[] HashReadable(string typed) => Hash(Plain(typed));

    public static bool AreSame(string typed, string readable) =>
        CryptographicOperations.FixedTimeEquals(HashReadable(typed), HashReadable(readable));

    private static string Plain(string typed) => string.Concat(typed.Where(char.IsLetterOrDigit)).ToUpperInvariant();
}
