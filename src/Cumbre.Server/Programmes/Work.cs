using Cumbre.Core.Athletes;
using Cumbre.Core.Programmes;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Ladders;
using Cumbre.Storage.Loading;

namespace Cumbre.Server.Programmes;

/// <summary>Loads what a programme is read against.</summary>
internal static class Work
{
    public static (AthleteProfile Profile, AthleteAtWork Athlete)? Load(Db db, Guid athleteId, DateOnly today) =>
        SnapshotStore.Load(db, athleteId, today) is { } found ? (found.Profile, Of(db, found.Profile, found.Snapshot, today)) : null;

    /// <param name="db">The connection.</param>
    /// <param name="profile">The athlete.</param>
    /// <param name="snapshot">Their data.</param>
    /// <param name="known">What was known on this day is used.</param>
    public static AthleteAtWork Of(Db db, AthleteProfile profile, AthleteSnapshot snapshot, DateOnly known)
    {
        var owner = profile.Intake.Place == TrainingPlace.Hall ? KitStore.Club : profile.Id;
        return new(snapshot, profile.Intake, CatalogueStore.Club(db).Atlas, KitStore.Of(db, owner).Book, PlacementStore.Of(db, profile.Id), known);
    }
}
