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
        } while (await timer.WaitForNextTickAsync(stoppingToken));
    }

    /// <summary>Once, now.</summary>
    public void Run()
    {
        throttle.Prune();
        Programmes.Outbox.RemoveEnded(database, options);
        foreach (var athlete in database.Read(db => Due(db, clock.Now)))
            erasing.Run(athlete, null);
    }

    private static IReadOnlyList<AthleteProfile> Due(Db db, DateTimeOffset now) =>
        PrivacyStore.KeepMonths(db) is { } months
            ?
            [
                .. PrivacyStore
                    .ArchivedBefore(db, now.AddMonths(-(int)months))
                    .Select(a => AthleteStore.Find(db, a.Id))
                    .OfType<AthleteProfile>(),
            ]
            : [];
}
