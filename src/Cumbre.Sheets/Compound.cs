using System.Text;

namespace Cumbre.Sheets;

/// <summary>The container of old office files.</summary>
internal static class Compound
{
    /// <summary>A locked workbook is a stream of this name; names stand there in two bytes a letter.</summary>
    private static readonly byte[] Locked = Encoding.Unicode.GetBytes("EncryptedPackage");

    private const int ReadMost = 4 << 20;

    public static bool IsLocked(string path)
    {
        using var file = File.OpenRead(path);
        var bytes = new byte[(int)Math.Min(file.Length, ReadMost)];
        file.ReadExactly(bytes);
        return bytes.AsSpan().IndexOf(Locked) >= 0;
    }
}
