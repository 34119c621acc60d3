using Microsoft.Data.Sqlite;

namespace Cumbre.Storage;

/// <summary>Why the file of a club is not opened.</summary>
public enum FileTrouble
{
    /// <summary>Another process serves this folder.</summary>
    InUse,

    /// <summary>A newer version of the app has written it.</summary>
    Newer,

    /// <summary>It is no database, or parts of it cannot be read.</summary>
    Damaged,

    /// <summary>It can be read and not written.</summary>
    ReadOnly,
}

/// <summary>The file of a club is not opened: nothing was changed in it.</summary>
/// <param name="trouble">Why.</param>
/// <param name="told">A plain sentence for whoever starts the app.</param>
public sealed class FileTroubleException(FileTrouble trouble, string told) : Exception(told)
{
    public FileTrouble Trouble { get; } = trouble;
}

/// <summary>The folder of a club, which one process serves at a time and nobody else on the machine reads.</summary>
public sealed class ClubFolder : IDisposable
{
    /// <summary>The name of the file in it.</summary>
    public const string File = "cumbre.db";

    private const UnixFileMode OwnerOnly = UnixFileMode.UserRead | UnixFileMode.UserWrite;

    private readonly FileStream held;

    /// <param name="folder">Made when it is missing.</param>
    /// <exception cref="FileTroubleException">Another process holds it.</exception>
    public ClubFolder(string folder)
    {
        Make(folder);
        try
        {
            held = new(Path.Combine(folder, "cumbre.lock"), FileMode.OpenOrCreate, FileAccess.Write, FileShare.None);
        }
        catch (IOException e) when (e is not (DirectoryNotFoundException or PathTooLongException))
        {
            throw new FileTroubleException(
                FileTrouble.InUse,
                $"Another Cumbre serves {folder} already: stop it, or choose another folder with --data."
            );
        }

        Guard(held.Name);
    }

    /// <summary>Made for its owner alone; one that stands already stays as it was set.</summary>
    public static DirectoryInfo Make(string folder) =>
        OperatingSystem.IsWindows()
            ? Directory.CreateDirectory(folder)
            : Directory.CreateDirectory(folder, OwnerOnly | UnixFileMode.UserExecute);

    /// <summary>A file that holds what is known of people is its owner's alone.</summary>
    public static void Guard(string file)
    {
        if (!OperatingSystem.IsWindows() && System.IO.File.Exists(file))
            System.IO.File.SetUnixFileMode(file, OwnerOnly);
    }

    public void Dispose() => held.Dispose();

    /// <summary>What SQLite says of a file that cannot be used, as a trouble; null: it says something else.</summary>
    internal static FileTroubleException? Told(SqliteException e, string path)
    {
        const int readOnly = 8,
            corrupt = 11,
            cannotOpen = 14,
            noDatabase = 26;
        return e.SqliteErrorCode switch
        {
            readOnly => new(
                FileTrouble.ReadOnly,
                $"{path} cannot be written: make it its user's own, or free the disk."
            ),
            cannotOpen => new(FileTrouble.ReadOnly, $"{path} cannot be opened: look at who owns it and its folder."),
            corrupt or noDatabase => Damaged(path),
            _ => null,
        };
    }

    internal static FileTroubleException Damaged(string path) =>
        new(
            FileTrouble.Damaged,
            $"{path} is damaged and was left as it is: --list-backups names the backups, "
                + "--restore NAME --yes restores one and keeps this file beside it."
        );
}
