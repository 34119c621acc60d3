using Microsoft.Data.Sqlite;

namespace Cumbre.Tests;

/// <summary>
/// The demo's file as it is after its first start: made once, copied for each test, as its history takes longer to
/// simulate than most tests run.
/// </summary>
internal static class SeededFile
{
    private static readonly Lock Gate = new();
    private static string? template;

    /// <param name="path">Where the copy goes.</param>
    /// <param name="start">Starts the app on an empty folder and gives its database; asked once.</param>
    public static void CopyTo(string path, Func<(IAsyncDisposable App, string Database)> start)
    {
        lock (Gate)
            template ??= Make(start);
        File.Copy(template, path);
    }

    private static string Make(Func<(IAsyncDisposable App, string Database)> start)
    {
        var folder = Directory.CreateTempSubdirectory("cumbre-template-").FullName;
        AppDomain.CurrentDomain.ProcessExit += (_, _) => Directory.Delete(folder, recursive: true);
        var copy = Path.Combine(folder, "copy.db");
        var (app, database) = start();
        using (var connection = new SqliteConnection($"Data Source={database};Pooling=False"))
        {
            connection.Open();
            using var command = connection.CreateCommand();
            command.CommandText = "VACUUM INTO $copy";
            command.Parameters.AddWithValue("$copy", copy);
            command.ExecuteNonQuery();
        }

        app.DisposeAsync().AsTask().GetAwaiter().GetResult();
        return copy;
    }
}
