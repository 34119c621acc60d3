using Cumbre.Core.Benchmarks;
using Cumbre.Core.Measures;

namespace Cumbre.Storage.Benchmarks;

/// <summary>A stored result; the side is empty where the test has none.</summary>
public sealed record StoredResult(Guid AthleteId, BenchmarkResult Result);

public static class ResultStore
{
    private const string Columns = "id, athlete_id, benchmark, day, reps, added_value, added_unit, reserve, body_mass_kg, form";

    public static IReadOnlyList<StoredResult> Of(Db db, Guid athleteId) =>
        [.. db.Query<Row>($"SELECT {Columns} FROM benchmark_result WHERE athlete_id = @athleteId ORDER BY day, id", new { athleteId }).Select(r => r.ToStored())];

    public static ILookup<Guid, BenchmarkResult> All(Db db) =>
        db.Query<Row>($"SELECT {Columns} FROM benchmark_result ORDER BY day, id").Select(r => r.ToStored()).ToLookup(r => r.AthleteId, r => r.Result);

    /// <summary>Adds a result; sending the same one again changes nothing.</summary>
    public static void Add(Db db, Guid athleteId, BenchmarkResult result, Stamp stamp) =>
        db.Run(
            """
            INSERT INTO benchmark_result (id, athlete_id, benchmark, day, reps, added_value, added_unit, reserve, body_mass_kg, form, written_at, written_by)
            VALUES (@Id, @athleteId, @Benchmark, @Day, @Reps, @AddedValue, @AddedUnit, @Reserve, @BodyMassKg, @Form, @At, @By)
            ON CONFLICT (id) DO NOTHING
            """,
            new
            {
                result.Id,
                athleteId,
                result.Benchmark,
                result.Day,
                Reps = (long)result.Reps,
                AddedValue = result.Added.Value,
                AddedUnit = result.Added.Unit.ToString(),
                Reserve = (long)result.Reserve,
                BodyMassKg = result.BodyMass.Kilograms,
                Form = result.Form.ToString(),
                stamp.At,
                stamp.By,
            });

    /// <summary>Takes a result back; false when there is none of this athlete.</summary>
    public static bool Remove(Db db, Guid athleteId, Guid id) =>
        db.Run("DELETE FROM benchmark_result WHERE id = @id AND athlete_id = @athleteId", new { id, athleteId }) > 0;

    private sealed record Row(
        Guid Id, Guid AthleteId, string Benchmark, DateOnly Day, long Reps, decimal AddedValue, string AddedUnit, long Reserve, decimal BodyMassKg, string Form)
    {
        public StoredResult ToStored() => new(
            AthleteId,
            new(Id, Benchmark, Day, (int)Reps, new(AddedValue, Enum.Parse<MassUnit>(AddedUnit)), (int)Reserve, Mass.FromKilograms(BodyMassKg), Enum.Parse<FormVerdict>(Form)));
    }
}
