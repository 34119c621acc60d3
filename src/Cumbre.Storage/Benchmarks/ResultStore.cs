using Cumbre.Core.Benchmarks;
using Cumbre.Core.Measures;

namespace Cumbre.Storage.Benchmarks;

/// <summary>A stored result, and whose it is.</summary>
public sealed record StoredResult(Guid AthleteId, BenchmarkResult Result);

public static class ResultStore
{
    private const string Columns =
        "id, athlete_id, benchmark, day, reps, sets, seconds, contact, degrees, rest_seconds, added_value, added_unit, reserve, side, set_up, body_mass_kg, form, pain, pain_place, sign";

    public static IReadOnlyList<StoredResult> Of(Db db, Guid athleteId) =>
        [
            .. db.Query<Row>(
                    $"SELECT {Columns} FROM benchmark_result WHERE athlete_id = @athleteId ORDER BY day, id",
                    new { athleteId }
                )
                .Select(r => r.ToStored()),
        ];

    public static ILookup<Guid, BenchmarkResult> All(Db db) =>
        db.Query<Row>($"SELECT {Columns} FROM benchmark_result ORDER BY day, id")
            .Select(r => r.ToStored())
            .ToLookup(r => r.AthleteId, r => r.Result);

    public static IReadOnlyList<StoredResult> OfTestDay(Db db, Guid testDayId) =>
        [
            .. db.Query<Row>(
                    $"SELECT {Columns} FROM benchmark_result WHERE test_day_id = @testDayId ORDER BY id",
                    new { testDayId }
                )
                .Select(r => r.ToStored()),
        ];

    /// <summary>Of whom a result is; null when there is none.</summary>
    public static Guid? OwnerOf(Db db, Guid id) =>
        db.Query<Guid>("SELECT athlete_id FROM benchmark_result WHERE id = @id", new { id })
            .Select(o => (Guid?)o)
            .FirstOrDefault();

    /// <summary>Adds a result; sending the same one again changes nothing.</summary>
    /// <param name="db">The connection.</param>
    /// <param name="athleteId">Whose.</param>
    /// <param name="result">What was measured.</param>
    /// <param name="stamp">Who wrote it.</param>
    /// <param name="testDayId">The evening into whose grid it was typed.</param>
    public static void Add(Db db, Guid athleteId, BenchmarkResult result, Stamp stamp, Guid? testDayId = null) =>
        db.Run(
            $"""
            INSERT INTO benchmark_result ({Columns}, written_at, written_by, test_day_id)
            VALUES (@Id, @athleteId, @Benchmark, @Day, @Reps, @Sets, @Seconds, @Contact, @Degrees, @RestSeconds, @AddedValue, @AddedUnit, @Reserve, @Side, @SetUp, @BodyMassKg, @Form,
              @Pain, @PainPlace, @Sign, @At, @By, @testDayId)
            ON CONFLICT (id) DO NOTHING
            """,
            new
            {
                result.Id,
                athleteId,
                result.Benchmark,
                result.Day,
                Reps = (long)result.Score.Reps,
                Sets = (long)result.Score.Sets,
                result.Score.Seconds,
                Contact = result.Score.Contact?.ToString(),
                result.Score.Degrees,
                RestSeconds = (long?)result.Score.RestSeconds,
                AddedValue = result.Added.Value,
                AddedUnit = result.Added.Unit.ToString(),
                Reserve = (long)result.Reserve,
                Side = result.Side?.ToString(),
                result.SetUp,
                BodyMassKg = result.BodyMass.Kilograms,
                Form = result.Form.ToString(),
                Pain = (long?)result.Pain,
                result.PainPlace,
                Sign = result.Sign?.ToString(),
                stamp.At,
                stamp.By,
                testDayId,
            }
        );

    /// <summary>Takes a result back; false when there is none of this athlete.</summary>
    public static bool Remove(Db db, Guid athleteId, Guid id) =>
        db.Run("DELETE FROM benchmark_result WHERE id = @id AND athlete_id = @athleteId", new { id, athleteId }) > 0;

    private sealed record Row(
        Guid Id,
        Guid AthleteId,
        string Benchmark,
        DateOnly Day,
        long Reps,
        long Sets,
        decimal? Seconds,
        string? Contact,
        decimal? Degrees,
        long? RestSeconds,
        decimal AddedValue,
        string AddedUnit,
        long Reserve,
        string? Side,
        string? SetUp,
        decimal BodyMassKg,
        string Form,
        long? Pain,
        string? PainPlace,
        string? Sign
    )
    {
        public StoredResult ToStored()
        {
            var score = new Score(
                (int)Reps,
                (int)Sets,
                Seconds,
                Contact is null ? null : Enum.Parse<Contact>(Contact),
                Degrees,
                (int?)RestSeconds
            );
            var result = new BenchmarkResult(
                Id,
                Benchmark,
                Day,
                score,
                new(AddedValue, Enum.Parse<MassUnit>(AddedUnit)),
                (int)Reserve,
                Mass.FromKilograms(BodyMassKg),
                Enum.Parse<FormVerdict>(Form)
            )
            {
                Side = Side is null ? null : Enum.Parse<Side>(Side),
                SetUp = SetUp,
                Sign = Athletes.HealthStore.SignOf(Sign),
            };
            return new(AthleteId, result.WithPain((int?)Pain, PainPlace));
        }
    }
}
