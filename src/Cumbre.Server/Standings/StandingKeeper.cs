using Cumbre.Server.Decisions;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;

namespace Cumbre.Server.Standings;

/// <summary>
/// Keeps every standing up to date: those that a write touches within it, and those that a new day, a new version of
/// the rules or a change for everybody made old a few at a time, so that nobody's write waits for them.
/// </summary>
internal sealed class StandingKeeper(
    Database database,
    ClubClock clock,
    Reconciler reconciler,
    ILogger<StandingKeeper> log
) : BackgroundService
{
    private const int WithAWrite = 3,
        AtATime = 4;

    private static readonly TimeSpan Pause = TimeSpan.FromSeconds(2),
        PauseAfterTrouble = TimeSpan.FromSeconds(30);

    /// <summary>
    /// Works out what a write makes stale, where it concerns few; of a change for everybody the rest follows soon.
    /// </summary>
    public Action Settle(Db db)
    {
        var before = StandingStore.Stale(db).ToHashSet();
        return () =>
        {
            var touched = StandingStore.Stale(db).Where(id => !before.Contains(id)).ToArray();
            if (touched.Length > WithAWrite)
                return;
            foreach (var id in touched)
                Standing.Derive(db, id, clock);
        };
    }

    /// <summary>Brings a few standings up to date; false: all of them are.</summary>
    public bool Advance()
    {
        var due = database.Read(db => StandingStore.Due(db, clock.Today, Standing.Rules, AtATime));
        foreach (var id in due)
            database.Write(db =>
            {
                // A new day, a school or a ladder can change what is proposed.
                if (AthleteStore.Find(db, id) is { ArchivedAt: null })
                    reconciler.Run(db, id);
                Standing.Derive(db, id, clock);
                return true;
            });
        return due.Count > 0;
    }

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        // The app answers while this goes on.
        await Task.Yield();
        while (!stoppingToken.IsCancellationRequested)
        {
            var (more, pause) = (false, Pause);
            try
            {
                more = Advance();
            }
            catch (Exception e) when (e is not OperationCanceledException)
            {
                // The pages go on with what the log says; one athlete's trouble must not end the app.
                log.LogError(e, "A standing could not be worked out.");
                pause = PauseAfterTrouble;
            }

            if (!more)
                await Task.Delay(pause, stoppingToken).ContinueWith(_ => { }, TaskScheduler.Default);
        }
    }
}
