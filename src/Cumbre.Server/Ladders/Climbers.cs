using Cumbre.Core.Ladders;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Ladders;

namespace Cumbre.Server.Ladders;

/// <summary>
/// All athletes with their results, kept between key strokes while a ladder is edited: loading them reads the whole
/// log, placing them takes
/// milliseconds.
/// </summary>
public sealed class Climbers(Database database)
{
    private readonly Lock gate = new();
    private (long Writes, DateOnly Day, IReadOnlyList<Climber> Climbers)? last;

    public IReadOnlyList<Climber> On(DateOnly day)
    {
        // Taken before reading: a write in between makes the answer look old, never new.
        var writes = database.Writes;
        lock (gate)
        {
            if (last is { } known && known.Writes == writes && known.Day == day)
                return known.Climbers;
        }

        var climbers = database.Read(db => Read(db, day));
        lock (gate)
            last = (writes, day, climbers);
        return climbers;
    }

    private static IReadOnlyList<Climber> Read(Db db, DateOnly day)
    {
        var catalogue = CatalogueStore.Club(db).Catalogue;
        var coach = PlacementStore.All(db);
        return
        [
            .. SnapshotStore
                .LoadAll(db, day)
                .Select(a => new Climber(
                    a.Profile.Id,
                    a.Profile.Name,
                    a.Snapshot.Schools,
                    TrainingResults.Book(a.Snapshot, catalogue, day),
                    [.. coach[a.Profile.Id]]
                )),
        ];
    }
}
