namespace Cumbre.Server.Hosting;

/// <summary>Names for files that a browser keeps.</summary>
internal static class FileNames
{
    private static readonly char[] Unsafe = [.. "\\/:*?\"<>|;,\r\n\t"];

    public static string Safe(string name)
    {
        var safe = string.Concat(name.Select(c => Unsafe.Contains(c) || char.IsControl(c) ? ' ' : c)).Trim();
        return safe.Length == 0 ? "file" : safe;
    }
}
