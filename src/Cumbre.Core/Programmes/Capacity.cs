using Cumbre.Core.Benchmarks;
using Cumbre.Core.Ladders;
using Cumbre.Core.Movements;
using Cumbre.Core.Strength;

namespace Cumbre.Core.Programmes;

/// <summary>From what it is known how much an athlete can do, the most trusted first.</summary>
public enum KnownBy
{
    Test,

    /// <summary>A clean training set: at least so much.</summary>
    Training,

    /// <summary>A related movement.</summary>
    Estimate,
    Nothing,
}

/// <summary>What an athlete can do of a movement in one clean set without load.</summary>
/// <param name="By">From what it is known.</param>
/// <param name="Reps">Null: it is not counted in reps, or unknown. Zero is known.</param>
/// <param name="HoldSeconds">Null: it is not held, or unknown.</param>
/// <param name="Day">Of the result; null: it is estimated or unknown.</param>
/// <param name="From">The related movement of an estimate.</param>
public sealed record Capacity(KnownBy By, int? Reps, decimal? HoldSeconds, DateOnly? Day, Movement? From)
{
    public static Capacity Unknown { get; } = new(KnownBy.Nothing, null, null, null, null);

    public bool IsMeasured => By is KnownBy.Test or KnownBy.Training;

    /// <summary>
    /// The best clean result; without one an estimate from another rung of a ladder by the shares of body weight that
    /// both move, and never more than was shown on the easier of the two (this project's choice).
    /// </summary>
    public static Capacity Of(Movement movement, AthleteAtWork athlete)
    {
        var bests = athlete.BestsOf(movement);
        if (bests.Reps is null && bests.HoldSeconds is null)
            return Estimated(movement, athlete) ?? Unknown;
        var results = athlete
            .Atlas.Catalogue.BenchmarksOf(movement.Slug)
            .SelectMany(b => athlete.Book.Of(b.Slug))
            .Where(r => r.Score.Reps == bests.Reps || r.Score.Seconds == bests.HoldSeconds)
            .ToArray();
        var last = results.LastOrDefault(r => r.Origin != ResultOrigin.TrainingSet) ?? results.LastOrDefault();
        return new(
            last?.Origin == ResultOrigin.TrainingSet ? KnownBy.Training : KnownBy.Test,
            bests.Reps,
            bests.HoldSeconds,
            last?.Day,
            null
        );
    }

    /// <summary>
    /// The reps of a best set at another share of the body: Epley both ways up to 12 reps, O'Conner both ways above
    /// (from memory; this project's choice where the two meet). At least 0.
    /// </summary>
    /// <param name="best">Reps of the best set, 1 and up.</param>
    /// <param name="from">The share that was moved, over 0.</param>
    /// <param name="to">The share that is asked about, over 0.</param>
    public static int RepsAt(int best, decimal from, decimal to)
    {
        var perRep = PerRep(best);
        return Math.Max(0, (int)Math.Floor((from / to * (1 + best * perRep) - 1) / perRep));
    }

    /// <summary>What one more rep adds to the maximum: a thirtieth by Epley, a fortieth by O'Conner above 12.</summary>
    public static decimal PerRep(int best) => best <= OneRepMax.EffectiveRepsMaximum ? 1 / 30m : 1 / 40m;

    private static Capacity? Estimated(Movement movement, AthleteAtWork athlete)
    {
        if (movement.Measure != BenchmarkMeasure.Reps)
            return null;
        foreach (var at in athlete.StepsOf(movement.Slug))
        {
            if (at.Step is not { Assisted: false, Demand: { Kind: DemandKind.BodyShare, Percent: { } share } })
                continue;
            var near = at
                .Ladder.Steps.Where(s =>
                    s is { Assisted: false, Demand: { Kind: DemandKind.BodyShare, Percent: not null } }
                    && s.Movement != movement.Slug
                )
                .DistinctBy(s => s.Movement)
                .Select(s => (Movement: athlete.Atlas.Catalogue.Movements[s.Movement], Share: s.Demand.Percent!.Value))
                .Where(s =>
                    s.Movement.Measure == BenchmarkMeasure.Reps
                    && s.Movement.Pattern == movement.Pattern
                    && s.Movement.EachSide == movement.EachSide
                )
                .OrderBy(s => Math.Abs(s.Share - share))
                .Select(s => (s.Movement, s.Share, athlete.BestsOf(s.Movement).Reps))
                .FirstOrDefault(s => s.Reps > 0);
            if (near.Reps is not { } known)
                continue;
            var reps = RepsAt(known, near.Share, share);
            return new(KnownBy.Estimate, near.Share < share ? Math.Min(known, reps) : reps, null, null, near.Movement);
        }

        return null;
    }
}
