using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Backups;

namespace Cumbre.Server.Hosting;

/// <summary>Why the newest try to make a backup failed.</summary>
/// <param name="At">When.</param>
/// <param name="Reason">As the machine tells it.</param>
public sealed record BackupTrouble(DateTimeOffset At, string Reason);

/// <summary>
/// Makes a backup on every day on which the app runs, and keeps as many as the rotation says. A demo is made anew and
/// not backed up by itself.
/// </summary>
internal sealed class BackupKeeper(
    ClubFiles files,
    Database database,
    ClubClock clock,
    TimeProvider time,
    CumbreOptions options,
    ILogger<BackupKeeper> log
) : BackgroundService
{
    private static readonly TimeSpan Step = TimeSpan.FromMinutes(20);

    private readonly SemaphoreSlim asked = new(0);

    /// <summary>Null: the newest try went well.</summary>
    public BackupTrouble? Trouble { get; private set; }

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        // The start is not kept waiting.
        await Task.Yield();
        try
        {
            while (true)
            {
                Run();
                await asked.WaitAsync(Step, stoppingToken);
            }
        }
        catch (OperationCanceledException) when (stoppingToken.IsCancellationRequested) { }
    }

    /// <summary>Somebody was erased: the backups forget them at once, and nobody waits for it.</summary>
    public void Soon() => asked.Release();

    public override void Dispose()
    {
        asked.Dispose();
        base.Dispose();
    }

    /// <summary>How many backups hold an athlete.</summary>
    public int CountOf(Guid athleteId) => Forgetting.Count(files.Shelf, athleteId);

    /// <summary>Whoever was erased leaves the backups.</summary>
    public void Forget()
    {
        try
        {
            if (Forgetting.Run(database, files.Shelf, time.GetUtcNow()) is > 0 and var count)
                log.LogInformation("{Count} backups were written anew without who was erased", count);
        }
        catch (BackupException e)
        {
            Trouble = new(time.GetUtcNow(), e.Message);
            log.LogError("{Reason}", e.Message);
        }
    }

    /// <summary>Once, now: forgets who was erased, and makes the backup of today if there is none yet.</summary>
    public void Run()
    {
        database.Reflect();
        if (files.Mirror.Trouble is { } behind)
            log.LogError(behind, "What has ended could not be noted beside the backups; it is tried again");
        Forget();
        if (options.Demo || database.Read(AccountStore.Club) is null)
            return;
        var today = clock.DayOf(time.GetUtcNow());
        if (files.Shelf.All().Any(b => b.Kind == BackupKind.Daily && clock.DayOf(b.At) == today))
            return;
        try
        {
            Make(BackupKind.Daily);
        }
        catch (BackupException)
        {
            // It was told, and is tried again.
        }
    }

    /// <summary>Makes one now, and removes what the rotation no longer keeps.</summary>
    /// <exception cref="BackupException">It could not be made.</exception>
    public Backup Make(BackupKind kind)
    {
        try
        {
            var made = database.BackUp(files.Shelf, kind, time.GetUtcNow());
            Trouble = null;
            log.LogInformation("Backup {Name}, {Bytes} bytes, was written and read back", made.Name, made.Bytes);
            foreach (var gone in files.Shelf.Rotate())
                log.LogInformation("Backup {Name} was removed by the rotation", gone.Name);
            return made;
        }
        catch (BackupException e)
        {
            Trouble = new(time.GetUtcNow(), e.Message);
            log.LogError("{Reason}", e.Message);
            throw;
        }
    }
}
