using System.Security.Claims;
using Cumbre.Core.Athletes;
using Cumbre.Core.Decisions;
using Cumbre.Core.Programmes;
using Cumbre.Server.Accounts;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Ladders;
using Cumbre.Storage.Loading;
using Cumbre.Storage.Sessions;

namespace Cumbre.Server.Reading;

/// <summary>Loads what a programme is read against.</summary>
internal static class Work
{
    public static (AthleteProfile Profile, AthleteAtWork Athlete)? Load(Db db, Guid athleteId, DateOnly today) =>
        SnapshotStore.Load(db, athleteId, today) is { } found
            ? (found.Profile, On(db, found.Profile, found.Snapshot, today))
            : null;

    /// <summary>How somebody writes lines for an athlete.</summary>
    public static OwnLine Writing(Db db, AthleteAtWork athlete, ClaimsPrincipal user) =>
        new(athlete, AccountStore.UnitOf(db, Policies.IdOf(user)));

    /// <summary>As they were on a day, worked out once for each state of the log.</summary>
    /// <param name="db">The connection.</param>
    /// <param name="profile">The athlete.</param>
    /// <param name="snapshot">As it is loaded, not the whole of it.</param>
    /// <param name="day">What was known on this day is used.</param>
    public static AthleteAtWork On(Db db, AthleteProfile profile, AthleteSnapshot snapshot, DateOnly day) =>
        db.Once(profile.Id, day, () => Of(db, profile, snapshot, day))!;

    /// <summary>Everybody who trains, or who is put away, with one query per table.</summary>
    public static IReadOnlyDictionary<Guid, (AthleteProfile Profile, AthleteAtWork Athlete)> LoadAll(
        Db db,
        DateOnly today,
        bool archived = false
    )
    {
        var atlas = CatalogueStore.Club(db).Atlas;
        var books = KitStore.All(db);
        var placed = PlacementStore.All(db);
        return SnapshotStore
            .LoadAll(db, today, archived)
            .ToDictionary(
                a => a.Profile.Id,
                a =>
                    (
                        a.Profile,
                        new AthleteAtWork(
                            a.Snapshot,
                            a.Profile.Intake,
                            atlas,
                            books.GetValueOrDefault(OwnerOf(a.Profile)) ?? Core.Loading.KitBook.Empty,
                            [.. placed[a.Profile.Id]],
                            today
                        )
                    )
            );
    }

    /// <param name="db">The connection.</param>
    /// <param name="profile">The athlete.</param>
    /// <param name="snapshot">Their data.</param>
    /// <param name="known">What was known on this day is used.</param>
    private static AthleteAtWork Of(Db db, AthleteProfile profile, AthleteSnapshot snapshot, DateOnly known) =>
        new(
            snapshot,
            profile.Intake,
            CatalogueStore.Club(db).Atlas,
            KitStore.Of(db, OwnerOf(profile)).Book,
            PlacementStore.Of(db, profile.Id),
            known
        );

    /// <summary>Items of sessions that have not begun, from a day on; read once for each state of the log.</summary>
    public static IReadOnlyList<PlannedItem> Planned(Db db, Guid athleteId, DateOnly from) =>
        db.Once<PlannedItem[]>(athleteId, from, () =>
            [
                .. SessionStore
                    .Coming(db, athleteId, from)
                    .SelectMany(s =>
                        s.Items.Where(i => i.Plan is not null && i.Skipped is null)
                            .Select(i => new PlannedItem(
                                s.Id,
                                i.Id,
                                s.Day,
                                s.Easy || i.Relief == Relief.Deload,
                                i.Movement,
                                i.Role,
                                i.Plan!
                            ))
                    ),
            ]
        )!;

    /// <summary>Whose gear is at hand where they train.</summary>
    private static Guid OwnerOf(AthleteProfile profile) =>
        profile.Intake.Place == TrainingPlace.Hall ? KitStore.Club : profile.Id;
}
