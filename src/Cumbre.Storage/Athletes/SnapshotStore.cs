using Cumbre.Core.Athletes;
using Cumbre.Core.Measures;
using Cumbre.Core.Safety;
using Cumbre.Storage.Benchmarks;
using Cumbre.Storage.Decisions;
using Cumbre.Storage.Sessions;

namespace Cumbre.Storage.Athletes;

/// <summary>Loads all that the rules need about an athlete, with one query per table.</summary>
public static class SnapshotStore
{
    /// <param name="db">The connection.</param>
    /// <param name="id">The athlete.</param>
    /// <param name="today">A session that was started on an earlier day and never finished counts as done.</param>
    public static (AthleteProfile Profile, AthleteSnapshot Snapshot)? Load(Db db, Guid id, DateOnly today) =>
        AthleteStore.Find(db, id) is { } profile
            ? (
                profile,
                Of(
                    profile,
                    AthleteStore.BodyMasses(db, id),
                    ResultStore.Of(db, id).Select(r => r.Result),
                    SessionStore.Exposures(db, id, today),
                    HealthStore.CheckIns(db, id)[id],
                    HealthStore.Mornings(db, id)[id],
                    HealthStore.Clearances(db, id)[id],
                    DecisionStore.Taken(db, id)[id],
                    HealthStore.Others(db, id)[id]
                )
            )
            : null;

    /// <summary>
    /// The same for every athlete who trains, or for every archived one, with the same number of queries.
    /// </summary>
    public static IReadOnlyList<(AthleteProfile Profile, AthleteSnapshot Snapshot)> LoadAll(
        Db db,
        DateOnly today,
        bool archived = false
    )
    {
        var masses = AthleteStore.AllBodyMasses(db);
        var results = ResultStore.All(db);
        var exposures = SessionStore.AllExposures(db, today);
        var (checkIns, mornings, clearances, taken, others) = (
            HealthStore.CheckIns(db, null),
            HealthStore.Mornings(db, null),
            HealthStore.Clearances(db, null),
            DecisionStore.Taken(db, null),
            HealthStore.Others(db, null)
        );
        return
        [
            .. AthleteStore
                .Everyone(db)
                .Where(p => p.ArchivedAt is not null == archived)
                .Select(p =>
                    (
                        p,
                        Of(
                            p,
                            masses[p.Id],
                            results[p.Id],
                            exposures[p.Id],
                            checkIns[p.Id],
                            mornings[p.Id],
                            clearances[p.Id],
                            taken[p.Id],
                            others[p.Id]
                        )
                    )
                ),
        ];
    }

    private static AthleteSnapshot Of(
        AthleteProfile profile,
        IEnumerable<StoredBodyMass> masses,
        IEnumerable<Core.Benchmarks.BenchmarkResult> results,
        IEnumerable<Core.Sessions.Exposure> exposures,
        IEnumerable<CheckIn> checkIns,
        IEnumerable<MorningAnswer> mornings,
        IEnumerable<StopClearance> clearances,
        IEnumerable<PastDecision> decided,
        IEnumerable<OtherTraining> others
    )
    {
        var history = new BodyMassHistory(masses.Select(m => m.Reading));
        // A reading that was corrected, or came late, counts for what was done on its days; what was shown then stays
        // as it was shown.
        Mass OfDay(DateOnly day, Mass noted) => history.On(day)?.Value ?? noted;
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
