using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Ladders;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Safety;
using Cumbre.Core.Sessions;
using Cumbre.Storage.Benchmarks;
using Cumbre.Storage.Decisions;
using Cumbre.Storage.Ladders;
using Cumbre.Storage.Sessions;

namespace Cumbre.Storage.Athletes;

/// <summary>Loads all that the rules need about an athlete, with one query per table.</summary>
public static class SnapshotStore
{
    /// <param name="db">The connection.</param>
    /// <param name="id">The athlete.</param>
    /// <param name="today">A session that was started on an earlier day and never finished counts as done.</param>
    public static (AthleteProfile Profile, AthleteSnapshot Snapshot)? Load(Db db, Guid id, DateOnly today) =>
        Once(db, id, today) is { } read ? (read.Profile, read.Snapshot) : null;

    /// <summary>The same with every exposure there ever was, for what shows or exports all of it.</summary>
    public static (AthleteProfile Profile, AthleteSnapshot Snapshot)? LoadWhole(Db db, Guid id, DateOnly today) =>
        AthleteStore.Find(db, id) is { } profile
            ? (profile, Of(db, profile, SessionStore.Exposures(db, id, today), []))
            : null;

    /// <summary>The same with every exposure from a day on.</summary>
    public static (AthleteProfile Profile, AthleteSnapshot Snapshot)? LoadSince(
        Db db,
        Guid id,
        DateOnly today,
        DateOnly from
    ) =>
        AthleteStore.Find(db, id) is { } profile
            ? (profile, Of(db, profile, SessionStore.Exposures(db, id, today, from), []))
            : null;

    /// <summary>An athlete with every exposure that there ever was of one movement, and with none of another.</summary>
    /// <param name="db">The connection.</param>
    /// <param name="id">The athlete.</param>
    /// <param name="athlete">As they are loaded.</param>
    /// <param name="movement">Slug.</param>
    /// <param name="today">As for <see cref="Load"/>.</param>
    public static AthleteSnapshot OfMovement(
        Db db,
        Guid id,
        AthleteSnapshot athlete,
        string movement,
        DateOnly today
    ) =>
        athlete with
        {
            Shown = [],
            Exposures =
            [
                .. SessionStore
                    .ExposuresOf(db, id, movement, today)
                    .Select(e => e with { BodyMass = athlete.BodyMass.On(e.Day)?.Value ?? e.BodyMass }),
            ],
        };

    /// <summary>
    /// Gathers what training showed before the window, from where it was left, and notes it. Part of a write.
    /// </summary>
    public static AthleteSnapshot? Gather(Db db, Guid id, DateOnly today)
    {
        if (Once(db, id, today) is not { } read)
            return null;
        // What was read before may have been gathered since, at the same state of the log.
        if (StandingStore.GatheredOf(db, id) != read.Now)
            StandingStore.Gather(db, id, read.Now, read.Moved ? read.Evidence : null);
        return read.Snapshot;
    }

    private static Reading? Once(Db db, Guid id, DateOnly today) => db.Once(id, today, () => Read(db, id, today));

    /// <summary>
    /// Reads the log from the window on, or from the day that a stop needs; all of it where something older than the
    /// window was written. The answer is the same either way.
    /// </summary>
    private static Reading? Read(Db db, Guid id, DateOnly today)
    {
        if (AthleteStore.Find(db, id) is not { } profile)
            return null;
        var before = StandingStore.GatheredOf(db, id);
        var usable = before is { Anew: false, ShownUntil: not null };
        var known = usable ? before.ShownUntil!.Value : DateOnly.MinValue;
        var from =
            usable && before.StoppedSince is { } stopped && stopped.AddDays(-TrainingWindow.BeforeStop) < known
                ? stopped.AddDays(-TrainingWindow.BeforeStop)
                : known;
        var exposures = SessionStore.Exposures(db, id, today, from);
        var until = TrainingWindow.From(exposures.Count > 0 ? exposures[^1].Day : null);
        if (usable && until < known)
        {
            // The newest sessions are gone, and the window moves back.
            (usable, known) = (false, DateOnly.MinValue);
            exposures = SessionStore.Exposures(db, id, today);
            until = TrainingWindow.From(exposures.Count > 0 ? exposures[^1].Day : null);
        }

        var evidence = usable ? StandingStore.Evidence(db, id) : [];
        var whole = Of(db, profile, exposures, evidence);
        var moved = !usable || until > known;
        if (moved)
            evidence = EvidenceRecords.Fold(
                whole.Shown,
                TrainingResults.All(
                    [.. whole.Exposures.Where(e => e.Day >= known && e.Day < until)],
                    CatalogueStore.Club(db).Catalogue
                ),
                whole.Results
            );
        var since = StoppedSince(whole, CatalogueStore.Club(db).Catalogue, today);
        var keep =
            since is { } stop && stop.AddDays(-TrainingWindow.BeforeStop) < until
                ? stop.AddDays(-TrainingWindow.BeforeStop)
                : until;
        var shown = moved ? evidence : whole.Shown;
        return new(
            profile,
            whole with
            {
                Exposures = [.. whole.Exposures.Where(e => e.Day >= keep)],
                Shown = [.. shown.Where(r => r.Day < keep)],
            },
            new(until, false, since),
            moved,
            moved ? evidence : []
        );
    }

    /// <summary>The day of the oldest report on which a stop rests that was not cleared; null: none holds.</summary>
    private static DateOnly? StoppedSince(AthleteSnapshot athlete, Catalogue catalogue, DateOnly today)
    {
        var reports = PainRules.Reports(
            athlete.Exposures,
            athlete.Results,
            athlete.CheckIns,
            athlete.Mornings,
            catalogue
        );
        return PainRules
            .Stops([.. reports.Where(r => r.Day <= today)], athlete.Exposures, athlete.Clearances, catalogue)
            .Where(s => s.ClearedOn is null || s.ClearedOn > today)
            .Select(s => (DateOnly?)(s.Before is { } b && b.Day < s.Since ? b.Day : s.Since))
            .Min();
    }

    private static AthleteSnapshot Of(
        Db db,
        AthleteProfile profile,
        IReadOnlyList<Exposure> exposures,
        IReadOnlyList<BenchmarkResult> shown
    ) =>
        Of(
            profile,
            AthleteStore.BodyMasses(db, profile.Id),
            ResultStore.Of(db, profile.Id).Select(r => r.Result),
            exposures,
            HealthStore.CheckIns(db, profile.Id)[profile.Id],
            HealthStore.Mornings(db, profile.Id)[profile.Id],
            HealthStore.Clearances(db, profile.Id)[profile.Id],
            DecisionStore.Taken(db, profile.Id)[profile.Id],
            HealthStore.Others(db, profile.Id)[profile.Id],
            shown
        );

    private sealed record Reading(
        AthleteProfile Profile,
        AthleteSnapshot Snapshot,
        Gathered Now,
        bool Moved,
        IReadOnlyList<BenchmarkResult> Evidence
    );

    /// <summary>The same for every athlete who trains, or for every archived one.</summary>
    public static IReadOnlyList<(AthleteProfile Profile, AthleteSnapshot Snapshot)> LoadAll(
        Db db,
        DateOnly today,
        bool archived = false
    ) =>
        [
            .. AthleteStore
                .Everyone(db)
                .Where(p => p.ArchivedAt is not null == archived)
                .Select(p => Load(db, p.Id, today)!.Value),
        ];

    private static AthleteSnapshot Of(
        AthleteProfile profile,
        IEnumerable<StoredBodyMass> masses,
        IEnumerable<BenchmarkResult> results,
        IEnumerable<Exposure> exposures,
        IEnumerable<CheckIn> checkIns,
        IEnumerable<MorningAnswer> mornings,
        IEnumerable<StopClearance> clearances,
        IEnumerable<PastDecision> decided,
        IEnumerable<OtherTraining> others,
        IEnumerable<BenchmarkResult> shown
    )
    {
        var history = new BodyMassHistory(masses.Select(m => m.Reading));
        // A reading that was corrected, or came late, counts for what was done on its days; what was shown then stays
        // as it was shown.
        var means = new Dictionary<DateOnly, Mass?>();
        Mass OfDay(DateOnly day, Mass noted)
        {
            if (!means.TryGetValue(day, out var mean))
                means[day] = mean = history.On(day)?.Value;
            return mean ?? noted;
        }

        return new(
            profile.Unit,
            profile.BirthYear,
            profile.Cleared,
            profile.Schools,
            profile.KitInUse,
            history,
            [.. results.Select(r => r with { BodyMass = OfDay(r.Day, r.BodyMass) })],
            [.. exposures.Select(e => e with { BodyMass = OfDay(e.Day, e.BodyMass) })]
        )
        {
            Shown = [.. shown.Select(r => r with { BodyMass = OfDay(r.Day, r.BodyMass) })],
            Sex = profile.Sex,
            StatureCm = profile.StatureCm,
            Lengths = profile.Lengths,
            CheckIns = [.. checkIns],
            Mornings = [.. mornings],
            Clearances = [.. clearances],
            Decided = [.. decided],
            Others = [.. others],
        };
    }
}
