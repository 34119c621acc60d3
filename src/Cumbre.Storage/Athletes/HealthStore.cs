using System.Text.Json;
using Cumbre.Core.Movements;
using Cumbre.Core.Safety;

namespace Cumbre.Storage.Athletes;

/// <summary>What an athlete told before and after sessions, and which stops the coach has cleared.</summary>
public static class HealthStore
{
    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web);

    private const string Taken = "Taken",
        Refused = "Refused";

    public static ILookup<Guid, CheckIn> CheckIns(Db db, Guid athleteId) =>
        db.Query<CheckInRow>(
                "SELECT id, athlete_id, day, sleep_hours, soreness, readiness, hard_training, pain_json, easy_answer FROM check_in WHERE athlete_id = @athleteId ORDER BY day",
                new { athleteId }
            )
            .ToLookup(r => r.AthleteId, r => r.ToCheckIn());

    public static ILookup<Guid, MorningAnswer> Mornings(Db db, Guid athleteId) =>
        db.Query<MorningRow>(
                """
                SELECT s.athlete_id, m.session_id, m.level, m.place, m.sign FROM morning_answer m JOIN session s ON s.id = m.session_id
                WHERE s.athlete_id = @athleteId ORDER BY s.day
                """,
                new { athleteId }
            )
            .ToLookup(
                r => r.AthleteId,
                r => new MorningAnswer(
                    r.SessionId,
                    (int)r.Level,
                    r.Place is null ? null : PainPlace.Read(r.Place),
                    SignOf(r.Sign)
                )
            );

    public static ILookup<Guid, StopClearance> Clearances(Db db, Guid athleteId) =>
        db.Query<ClearanceRow>(
                "SELECT athlete_id, day, place, reason FROM stop_clearance WHERE athlete_id = @athleteId ORDER BY day",
                new { athleteId }
            )
            .ToLookup(r => r.AthleteId, r => new StopClearance(r.Day, PainPlace.Read(r.Place), r.Reason));

    /// <summary>The check-in of a day, in place of one that was there.</summary>
    public static void Put(Db db, Guid athleteId, CheckIn checkIn, Stamp stamp) =>
        db.Run(
            """
            INSERT INTO check_in (id, athlete_id, day, sleep_hours, soreness, readiness, hard_training, pain_json, written_at, written_by)
            VALUES (@Id, @athleteId, @Day, @SleepHours, @Soreness, @Readiness, @HardTraining, @pain, @At, @By)
            ON CONFLICT (athlete_id, day) DO UPDATE SET sleep_hours = excluded.sleep_hours, soreness = excluded.soreness, readiness = excluded.readiness,
              hard_training = excluded.hard_training, pain_json = excluded.pain_json, written_at = excluded.written_at, written_by = excluded.written_by
            """,
            new
            {
                checkIn.Id,
                athleteId,
                checkIn.Day,
                checkIn.SleepHours,
                Soreness = (long?)checkIn.Soreness,
                Readiness = (long?)checkIn.Readiness,
                checkIn.HardTraining,
                pain = JsonSerializer.Serialize(
                    checkIn.Pain.Select(p => new PainJson(p.Level, p.Place.Said, p.Sign?.ToString())),
                    Json
                ),
                stamp.At,
                stamp.By,
            }
        );

    /// <summary>Keeps what was said to the easy version of a day.</summary>
    public static void AnswerEasy(Db db, Guid athleteId, DateOnly day, bool? taken) =>
        db.Run(
            "UPDATE check_in SET easy_answer = @answer WHERE athlete_id = @athleteId AND day = @day",
            new
            {
                athleteId,
                day,
                answer = taken is null ? null
                : taken.Value ? Taken
                : Refused,
            }
        );

    public static void Put(Db db, MorningAnswer answer, Stamp stamp) =>
        db.Run(
            """
            INSERT INTO morning_answer (session_id, level, place, sign, written_at, written_by) VALUES (@SessionId, @Level, @Place, @Sign, @At, @By)
            ON CONFLICT (session_id) DO UPDATE SET level = excluded.level, place = excluded.place, sign = excluded.sign, written_at = excluded.written_at, written_by = excluded.written_by
            """,
            new
            {
                answer.SessionId,
                Level = (long)answer.Level,
                Place = answer.Place?.Said,
                Sign = answer.Sign?.ToString(),
                stamp.At,
                stamp.By,
            }
        );

    public static void Add(Db db, Guid id, Guid athleteId, StopClearance clearance, Stamp stamp) =>
        db.Run(
            "INSERT INTO stop_clearance (id, athlete_id, day, place, reason, written_at, written_by) VALUES (@id, @athleteId, @Day, @Place, @Reason, @At, @By)",
            new
            {
                id,
                athleteId,
                clearance.Day,
                Place = clearance.Place.Said,
                clearance.Reason,
                stamp.At,
                stamp.By,
            }
        );

    public static ILookup<Guid, OtherTraining> Others(Db db, Guid athleteId) =>
        db.Query<OtherRow>(
                "SELECT id, athlete_id, day, what, minutes, effort FROM other_training WHERE athlete_id = @athleteId ORDER BY day, id",
                new { athleteId }
            )
            .ToLookup(r => r.AthleteId, r => new OtherTraining(r.Id, r.Day, r.What, (int)r.Minutes, (int)r.Effort));

    /// <summary>Adds what else was trained, or changes it.</summary>
    /// <returns>False where another athlete has this id.</returns>
    public static bool Put(Db db, Guid athleteId, OtherTraining other, Stamp stamp) =>
        db.Run(
            """
            INSERT INTO other_training (id, athlete_id, day, what, minutes, effort, written_at, written_by)
            VALUES (@Id, @athleteId, @Day, @What, @Minutes, @Effort, @At, @By)
            ON CONFLICT (id) DO UPDATE SET day = excluded.day, what = excluded.what, minutes = excluded.minutes, effort = excluded.effort,
              written_at = excluded.written_at, written_by = excluded.written_by WHERE athlete_id = excluded.athlete_id
            """,
            new
            {
                other.Id,
                athleteId,
                other.Day,
                other.What,
                Minutes = (long)other.Minutes,
                Effort = (long)other.Effort,
                stamp.At,
                stamp.By,
            }
        ) > 0;

    public static bool RemoveOther(Db db, Guid athleteId, Guid id) =>
        db.Run("DELETE FROM other_training WHERE id = @id AND athlete_id = @athleteId", new { id, athleteId }) > 0;

    internal static StopSign? SignOf(string? sign) => sign is null ? null : Enum.Parse<StopSign>(sign);

    private sealed record PainJson(int Level, string Place, string? Sign);

    private sealed record CheckInRow(
        Guid Id,
        Guid AthleteId,
        DateOnly Day,
        decimal? SleepHours,
        long? Soreness,
        long? Readiness,
        long HardTraining,
        string PainJson,
        string? EasyAnswer
    )
    {
        public CheckIn ToCheckIn() =>
            new(Id, Day, SleepHours, (int?)Soreness, (int?)Readiness, HardTraining == 1)
            {
                TookEasy = EasyAnswer is null ? null : EasyAnswer == Taken,
                Pain =
                [
                    .. JsonSerializer
                        .Deserialize<HealthStore.PainJson[]>(PainJson, Json)!
                        .Select(p => new CheckInPain(p.Level, PainPlace.Read(p.Place), SignOf(p.Sign))),
                ],
            };
    }

    private sealed record OtherRow(Guid Id, Guid AthleteId, DateOnly Day, string What, long Minutes, long Effort);

    private sealed record MorningRow(Guid AthleteId, Guid SessionId, long Level, string? Place, string? Sign);

    private sealed record ClearanceRow(Guid AthleteId, DateOnly Day, string Place, string Reason);
}
