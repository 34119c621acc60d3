using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;

namespace Cumbre.Server.Standings;

/// <summary>
/// Keeps every standing up to date: those that a write touches right after it, and those that a new day, a new version
/// of the rules or a change for everybody made old a few at a time. The work is done on a reading of the log, and kept
/// under the write lock only when the log still says the same.
/// </summary>
internal sealed class StandingKeeper(
    Database database,
    ClubClock clock,
    Reconciler reconciler,
    ILogger<StandingKeeper> log
) : BackgroundService, IConsequences
{
    private const int WithAWrite = 20,
        AtATime = 4,
        Tries = 3;

    private static readonly TimeSpan Pause = TimeSpan.FromSeconds(2),
        PauseAfterTrouble = TimeSpan.FromSeconds(30);

    public bool IsSoon(int touched) => touched <= WithAWrite;

    public IReadOnlyList<Guid> Stale(Db db) => StandingStore.Stale(db);

    /// <summary>
    /// Works out what follows for few; of a change for everybody it follows soon. Where it fails what was written
    /// stays written, and <see cref="Advance"/> tries again.
    /// </summary>
    public void Follow(IReadOnlyDictionary<Guid, bool> reconsidered, IReadOnlyList<Guid> stale)
    {
        var touched = reconsidered.Keys.Union(stale).ToArray();
        if (!IsSoon(touched.Length))
            return;
        try
        {
            foreach (var id in touched)
                Renew(id, reconsidered.ContainsKey(id), reconsidered.GetValueOrDefault(id));
        }
        catch (Exception e)
        {
            log.LogError(e, "What follows from a write could not be worked out yet.");
        }
    }

    /// <summary>Brings a few standings up to date; false: all of them are.</summary>
    public bool Advance()
    {
        var due = database.Read(db => StandingStore.Due(db, clock.Today, Standing.Rules, AtATime));
        foreach (var id in due)
            // A new day, a school or a ladder can change what is proposed.
            Renew(id, database.Read(db => AthleteStore.Find(db, id)) is { ArchivedAt: null }, corrected: false);
        return due.Count > 0;
    }

    private void Renew(Guid id, bool reconsider, bool corrected)
    {
        for (var left = Tries; left > 0; left--)
        {
            var seq = database.Read(db => Prepare(db, id, reconsider, corrected));
            if (
                seq is { } at
                && database.WriteOnly(db => Keep(db, id, left > 1 ? at : null, reconsider, corrected), k => k)
            )
                return;
        }
    }

    /// <summary>All that costs time, read into the caches; null: there is nothing to do.</summary>
    private long? Prepare(Db db, Guid id, bool reconsider, bool corrected)
    {
        // Another write's work may have come first, and would not ask again what a correction asks.
        if (!corrected && StandingStore.IsFresh(db, id, clock.Today, Standing.Rules))
            return null;
        var seq = StandingStore.Seq(db, id);
        if (reconsider)
            reconciler.Said(db, id);
        Standing.Prepare(db, id, clock);
        return seq;
    }

    /// <summary>False: somebody wrote meanwhile, and what was prepared is no longer true.</summary>
    private bool Keep(Db db, Guid id, long? prepared, bool reconsider, bool corrected)
    {
        if (prepared is { } at && StandingStore.Seq(db, id) != at)
            return false;
        if (reconsider)
            reconciler.Run(db, id, corrected);
        Standing.Derive(db, id, clock);
        return true;
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
