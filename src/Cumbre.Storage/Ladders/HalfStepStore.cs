using Cumbre.Core.Levers;

namespace Cumbre.Storage.Ladders;

/// <summary>A step between two that was taken into an athlete's ladder.</summary>
/// <param name="Id">Made by whoever took it.</param>
/// <param name="After">Slug of the easier step.</param>
/// <param name="Before">Slug of the harder one.</param>
/// <param name="Step">As the lab worked it out then.</param>
public sealed record TakenHalfStep(Guid Id, string After, string Before, HalfStep Step);

/// <summary>What coaches took from the lever lab.</summary>
public static class HalfStepStore
{
    /// <summary>By their demand.</summary>
    public static IReadOnlyList<TakenHalfStep> Of(Db db, Guid athleteId, string ladder) =>
        [
            .. db.Query<Row>(
                    """
                    SELECT id, after_step, before_step, kind, hip, knee, other_hip, other_knee, apart, kilograms, place, moment, share
                    FROM half_step WHERE athlete_id = @athleteId AND ladder = @ladder ORDER BY share, id
                    """,
                    new { athleteId, ladder }
                )
                .Select(r => r.Taken()),
        ];

    /// <summary>Adds it; the same id twice changes nothing.</summary>
    public static bool Add(Db db, Guid athleteId, string ladder, TakenHalfStep taken, Stamp stamp)
    {
        var (one, other) = (taken.Step.Posture.One, taken.Step.Posture.Other);
        return db.Run(
                """
                INSERT INTO half_step (id, athlete_id, ladder, after_step, before_step, kind, hip, knee, other_hip, other_knee, apart, kilograms, place, moment, share, written_at, written_by)
                VALUES (@Id, @athleteId, @ladder, @After, @Before, @kind, @Hip, @Knee, @otherHip, @otherKnee, @Abduction, @Kilograms, @place, @Moment, @Share, @WrittenAt, @By)
                ON CONFLICT (id) DO NOTHING
                """,
                new
                {
                    taken.Id,
                    athleteId,
                    ladder,
                    taken.After,
                    taken.Before,
                    kind = taken.Step.Kind.ToString(),
                    one.Hip,
                    one.Knee,
                    otherHip = other.Hip,
                    otherKnee = other.Knee,
                    one.Abduction,
                    taken.Step.Kilograms,
                    place = taken.Step.At.ToString(),
                    taken.Step.Moment,
                    taken.Step.Share,
                    WrittenAt = stamp.At,
                    stamp.By,
                }
            ) > 0;
    }

    /// <summary>False where there is none.</summary>
    public static bool Remove(Db db, Guid athleteId, string ladder, Guid id) =>
        db.Run(
            "DELETE FROM half_step WHERE id = @id AND athlete_id = @athleteId AND ladder = @ladder",
            new
            {
                id,
                athleteId,
                ladder,
            }
        ) > 0;

    private sealed record Row(
        Guid Id,
        string AfterStep,
        string BeforeStep,
        string Kind,
        double Hip,
        double Knee,
        double OtherHip,
        double OtherKnee,
        double Apart,
        double Kilograms,
        string Place,
        double Moment,
        double Share
    )
    {
        public TakenHalfStep Taken() =>
            new(
                Id,
                AfterStep,
                BeforeStep,
                new(
                    Enum.Parse<HalfStepKind>(Kind),
                    new(new(Hip, Knee, Apart), new(OtherHip, OtherKnee, Apart)),
                    Kilograms,
                    Enum.Parse<BodyPoint>(Place),
                    Moment,
                    Share
                )
            );
    }
}
