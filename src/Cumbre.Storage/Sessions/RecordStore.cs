using Cumbre.Core.Measures;
using Cumbre.Core.Review;

namespace Cumbre.Storage.Sessions;

/// <summary>A best that a session brought.</summary>
/// <param name="SessionId">Of the session.</param>
/// <param name="AthleteId">Whose.</param>
/// <param name="AthleteName">Whose.</param>
/// <param name="Movement">Slug.</param>
/// <param name="SetUp">As it was told; empty: nothing was.</param>
/// <param name="Style">As a line says it; empty: as usual.</param>
/// <param name="Side">Null: both at once.</param>
/// <param name="Measure">In what it is followed.</param>
/// <param name="Value">In this measure.</param>
/// <param name="Before">The best until then.</param>
/// <param name="BeforeDay">When that was.</param>
/// <param name="Day">Of the session.</param>
public sealed record StoredRecord(
    Guid SessionId,
    Guid AthleteId,
    string AthleteName,
    string Movement,
    string SetUp,
    string Style,
    Side? Side,
    TrendMeasure Measure,
    decimal Value,
    decimal Before,
    DateOnly BeforeDay,
    DateOnly Day
);

/// <summary>To whom records are told.</summary>
public enum RecordTo
{
    Coach,
    Athlete,
}

/// <summary>New bests, until they have been told.</summary>
public static class RecordStore
{
    private const string Columns = """
        r.session_id, r.athlete_id, a.name AS athlete_name, r.movement, r.set_up, r.style, r.side, r.measure,
        r.value, r.before, r.before_day, r.day
        FROM record r JOIN athlete a ON a.id = r.athlete_id
        """;

    /// <summary>What a session brought in a movement, in place of what stood there; what was told stays told.</summary>
    public static void Put(
        Db db,
        StoredSession session,
        string movement,
        TrendMeasure measure,
        IReadOnlyList<NewRecord> records
    )
    {
        var told = db.Query<Told>(
                """
                SELECT set_up, style, side, coach_told_at, athlete_told_at FROM record
                WHERE session_id = @Id AND movement = @movement
                """,
                new { session.Id, movement }
            )
            .ToDictionary(t => (t.SetUp, t.Style, t.Side));
        db.Run("DELETE FROM record WHERE session_id = @Id AND movement = @movement", new { session.Id, movement });
        foreach (var record in records)
        {
            var side = record.Side?.ToString() ?? "";
            var before = told.GetValueOrDefault((record.SetUp, record.Style, side));
            db.Run(
                """
                INSERT INTO record (session_id, movement, set_up, style, side, athlete_id, measure, value, before, before_day,
                  day, coach_told_at, athlete_told_at)
                VALUES (@Id, @movement, @SetUp, @Style, @side, @AthleteId, @measure, @Value, @Before, @BeforeDay,
                  @Day, @coach, @athlete)
                """,
                new
                {
                    session.Id,
                    movement,
                    record.SetUp,
                    record.Style,
                    side,
                    session.AthleteId,
                    measure = measure.ToString(),
                    record.Value,
                    record.Before,
                    record.BeforeDay,
                    session.Day,
                    coach = before?.CoachToldAt,
                    athlete = before?.AthleteToldAt,
                }
            );
        }
    }

    /// <summary>Of athletes who train, untold to the coaches, newest first.</summary>
    public static IReadOnlyList<StoredRecord> ForCoach(Db db, DateOnly from) =>
        [
            .. db.Query<Row>(
                    $"""
                    SELECT {Columns} WHERE r.day >= @from AND r.coach_told_at IS NULL AND a.archived_at IS NULL
                    ORDER BY r.day DESC, a.name, r.movement
                    """,
                    new { from }
                )
                .Select(r => r.ToStored()),
        ];

    /// <summary>Untold to the athlete, newest first.</summary>
    public static IReadOnlyList<StoredRecord> ForAthlete(Db db, Guid athleteId, DateOnly from) =>
        [
            .. db.Query<Row>(
                    $"""
                    SELECT {Columns} WHERE r.athlete_id = @athleteId AND r.day >= @from AND r.athlete_told_at IS NULL
                    ORDER BY r.day DESC, r.movement
                    """,
                    new { athleteId, from }
                )
                .Select(r => r.ToStored()),
        ];

    /// <summary>All of these sessions have been told.</summary>
    public static void Tell(Db db, RecordTo to, IReadOnlyCollection<Guid> sessions, DateTimeOffset at)
    {
        var column = to == RecordTo.Coach ? "coach_told_at" : "athlete_told_at";
        db.Run(
            $"UPDATE record SET {column} = @at WHERE session_id IN @sessions AND {column} IS NULL",
            new { at, sessions = Ids.In(sessions) }
        );
    }

    private sealed record Row(
        Guid SessionId,
        Guid AthleteId,
        string AthleteName,
        string Movement,
        string SetUp,
        string Style,
        string Side,
        string Measure,
        decimal Value,
        decimal Before,
        DateOnly BeforeDay,
        DateOnly Day
    )
    {
        public StoredRecord ToStored() =>
            new(
                SessionId,
                AthleteId,
                AthleteName,
                Movement,
                SetUp,
                Style,
                Side.Length == 0 ? null : Enum.Parse<Side>(Side),
                Enum.Parse<TrendMeasure>(Measure),
                Value,
                Before,
                BeforeDay,
                Day
            );
    }

    private sealed record Told(
        string SetUp,
        string Style,
        string Side,
        DateTimeOffset? CoachToldAt,
        DateTimeOffset? AthleteToldAt
    );
}
