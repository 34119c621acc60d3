using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Privacy;

namespace Cumbre.Server.Privacy;

/// <summary>
/// What is kept no longer than it is needed: links, tries and sign-ins that have ended, and athletes who were archived
/// as long ago as the club has set.
/// </summary>
internal sealed class Housekeeping(
    Database database,
    ClubClock clock,
    Throttle throttle,
    Erasing erasing,
    ClockWatch watch,
    CumbreOptions options,
    ILogger<Housekeeping> log
) : BackgroundService
{
    private static readonly TimeSpan Step = TimeSpan.FromHours(1);

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        // The start is not kept waiting.
        await Task.Yield();
        using var timer = new PeriodicTimer(Step);
        do
        {
            try
            {
                Run();
            }
            catch (Exception e) when (e is IOException or Microsoft.Data.Sqlite.SqliteException)
            {
                log.LogError(e, "The hourly clearing up failed; it is tried again");
            }
        } while (await Next(timer, stoppingToken));
    }

    /// <summary>Whether there is a next time; that the app ends meanwhile is no fault.</summary>
    private static async Task<bool> Next(PeriodicTimer timer, CancellationToken stoppingToken)
    {
        try
        {
            return await timer.WaitForNextTickAsync(stoppingToken);
        }
        catch (OperationCanceledException)
        {
            return false;
        }
    }

    /// <summary>Once, now.</summary>
    public void Run()
    {
        throttle.Prune();
        LinkMail.RemoveEnded(database, options);
        var isBelieved = watch.IsBelieved();
        var due = database.Read(Due);
        if (due.Count > 0 && !isBelieved)
            log.LogWarning(
                "The date has leapt: {Count} athletes who would be erased by it are kept until it has held for three days",
                due.Count
            );
        if (!isBelieved)
            return;
        foreach (var athlete in due)
            erasing.Run(athlete, null);
    }

    /// <summary>On the day of the month on which they were archived, and later.</summary>
    private IReadOnlyList<AthleteProfile> Due(Db db) =>
        PrivacyStore.KeepMonths(db) is { } months
            ?
            [
                .. PrivacyStore
                    .ArchivedBefore(db, clock.Began(clock.Today.AddMonths(-(int)months).AddDays(1)))
                    .Select(a => AthleteStore.Find(db, a.Id))
                    .OfType<AthleteProfile>(),
            ]
            : [];
}
