using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Ladders;
using Cumbre.Core.Movements;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Decisions;
using Cumbre.Storage.Ladders;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Athletes;

internal static class Roster
{
    public static Ok<IReadOnlyList<RosterRow>> Handle(Database database, ClubClock clock)
    {
        var today = clock.Today;
        return TypedResults.Ok(database.Read(db =>
        {
            var waiting = DecisionStore.Open(db, today).Select(d => d.AthleteId).ToHashSet();
            var stopped = DecisionStore.Stopped(db).ToHashSet();
            var next = SessionStore.NextDays(db, today);
            var atlas = CatalogueStore.Club(db).Atlas;
            return (IReadOnlyList<RosterRow>)[.. SnapshotStore.LoadAll(db, today).Select(a => Row(atlas, a.Profile, a.Snapshot, today) with
            {
                Waiting = waiting.Contains(a.Profile.Id),
                Stopped = stopped.Contains(a.Profile.Id),
                NextSession = next.TryGetValue(a.Profile.Id, out var day) ? day : null,
            })];
        }));
    }

    private static RosterRow Row(Atlas atlas, AthleteProfile profile, AthleteSnapshot snapshot, DateOnly today)
    {
        var max = CurrentStrength.Latest(snapshot, Lift.HeavyTest, today);
        var open = LoadGate.IsOpen(atlas, snapshot.Schools, TrainingResults.Book(snapshot, atlas.Catalogue, today));
        return new(
            profile.Id, profile.Name, snapshot.BodyMass.On(today)?.Value.Kilograms, max?.Value.Value.Kilograms, max?.Value.MeasuredOn,
            max is not null && Staleness.IsStale(max.Value.MeasuredOn, today), open, snapshot.Exposures is [.., var last] ? last.Day : null, null,
            false, false, profile.OpenClearances(today).Count > 0, snapshot.Results.Count);
    }
}

/// <summary>The movement that sessions are planned with, and its test.</summary>
internal static class Lift
{
    public const string Movement = "weighted-pull-up";

    public static Benchmark HeavyTest => Catalogue.Shipped.Benchmarks["weighted-pull-up-heavy"];
}
