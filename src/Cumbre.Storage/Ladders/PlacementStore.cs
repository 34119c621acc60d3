using Cumbre.Core.Ladders;

namespace Cumbre.Storage.Ladders;

/// <summary>Steps that a coach set against the rule.</summary>
public static class PlacementStore
{
    private const string Columns = "athlete_id, ladder, step, reason, day";

    public static IReadOnlyList<CoachPlacement> Of(Db db, Guid athleteId) =>
        [
            .. db.Query<Row>($"SELECT {Columns} FROM coach_placement WHERE athlete_id = @athleteId", new { athleteId })
                .Select(r => r.ToPlacement()),
        ];

    public static ILookup<Guid, CoachPlacement> All(Db db) =>
        db.Query<Row>($"SELECT {Columns} FROM coach_placement").ToLookup(r => r.AthleteId, r => r.ToPlacement());

    /// <summary>Sets a step, in place of one set before.</summary>
    public static void Put(Db db, Guid athleteId, CoachPlacement placement, Stamp stamp) =>
        db.Run(
            """
            INSERT INTO coach_placement (athlete_id, ladder, step, reason, day, written_at, written_by)
            VALUES (@athleteId, @Ladder, @Step, @Reason, @Day, @At, @By)
            ON CONFLICT (athlete_id, ladder) DO UPDATE SET step = excluded.step, reason = excluded.reason, day = excluded.day, written_at = excluded.written_at, written_by = excluded.written_by
            """,
            new
            {
                athleteId,
                placement.Ladder,
                placement.Step,
                placement.Reason,
                placement.Day,
                stamp.At,
                stamp.By,
            }
        );

    /// <summary>Gives the ladder back to the rule; false when nothing was set.</summary>
    public static bool Remove(Db db, Guid athleteId, string ladder) =>
        db.Run(
            "DELETE FROM coach_placement WHERE athlete_id = @athleteId AND ladder = @ladder",
            new { athleteId, ladder }
        ) > 0;

    private sealed record Row(Guid AthleteId, string Ladder, string Step, string Reason, DateOnly Day)
    {
        public CoachPlacement ToPlacement() => new(Ladder, Step, Reason, Day);
    }
}
