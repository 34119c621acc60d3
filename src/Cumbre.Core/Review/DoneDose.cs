using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes;
using Cumbre.Core.Sessions;

namespace Cumbre.Core.Review;

/// <summary>What was really done of a movement in a session, in the terms in which a plan's dose is told.</summary>
/// <param name="Day">Of the session.</param>
/// <param name="Pattern">Of the movement.</param>
/// <param name="HardSets">Sets with four or fewer reps in reserve, a set in parts once.</param>
/// <param name="VolumeLoad">System mass x reps in kg; null where the moved mass is not known.</param>
/// <param name="StraightArmSeconds">0 for other patterns.</param>
/// <param name="MomentSeconds">Shoulder moment x seconds, N m s; null where no moment is known.</param>
public sealed record DoneDose(
    DateOnly Day,
    Pattern Pattern,
    int HardSets,
    decimal? VolumeLoad,
    int StraightArmSeconds,
    double? MomentSeconds
)
{
    /// <summary>Of everything that was done, oldest first; what the catalogue has no more is left out.</summary>
    /// <param name="athlete">Whose body the moments are of.</param>
    /// <param name="exposures">Oldest first.</param>
    public static IReadOnlyList<DoneDose> All(AthleteAtWork athlete, IEnumerable<Exposure> exposures)
    {
        var catalogue = athlete.Atlas.Catalogue;
        var holds = athlete
            .Athlete.Results.Where(r => r.Score.Seconds is not null)
            .OrderBy(r => r.Day)
            .ToLookup(r => catalogue.Benchmarks.GetValueOrDefault(r.Benchmark)?.Movement);
        var best = new Dictionary<string, decimal>(StringComparer.Ordinal);
        var doses = new List<DoneDose>();
        foreach (var exposure in exposures.OrderBy(e => e.Day))
        {
            if (!catalogue.Movements.TryGetValue(exposure.Movement, out var movement))
                continue;
            var tested = holds[movement.Slug].Where(r => r.Day <= exposure.Day).Max(r => r.Score.Seconds);
            var shown = best.TryGetValue(movement.Slug, out var b) ? (decimal?)b : null;
            doses.Add(
                Of(
                    exposure,
                    movement,
                    tested is null || shown > tested ? shown : tested,
                    athlete.ContextOf(movement)?.MomentNm / (double?)athlete.BodyMass?.Value.Kilograms
                )
            );
            var longest = exposure.Sets.Max(s => s.Seconds) ?? 0;
            if (longest > (shown ?? 0))
                best[movement.Slug] = longest;
        }

        return doses;
    }

    /// <param name="exposure">What was done.</param>
    /// <param name="movement">Its movement.</param>
    /// <param name="bestHold">The longest hold that was known on the day, in seconds; null: none was.</param>
    /// <param name="momentPerKilogram">Shoulder moment in N m for each kg of body mass; null: not known.</param>
    public static DoneDose Of(Exposure exposure, Movement movement, decimal? bestHold, double? momentPerKilogram)
    {
        DoneSet[] rows = [.. exposure.RowsWithExtra().Where(r => r.Set is not null && r.Amount > 0)];
        var seconds = rows.Sum(r =>
            PrescriptionResolver.StraightArmSecondsOf(
                movement,
                r.Set!.Seconds,
                r.Set.CleanReps,
                (exposure.Plan as Negatives)?.LowerSeconds
            )
        );
        return new(
            exposure.Day,
            movement.Pattern,
            HardSetsOf(exposure.Plan, movement, rows, bestHold),
            PrescriptionResolver.MovesWholeBody(movement) && !IsUnweighed(exposure.Plan)
                ? rows.Where(r => r.Set!.Seconds is null)
                    .Sum(r => (r.Set!.Total ?? r.Set.Reps) * (exposure.BodyMass + r.Set.Added.Mass).Kilograms)
                : null,
            seconds,
            momentPerKilogram is { } moment ? moment * (double)exposure.BodyMass.Kilograms * seconds : null
        );
    }

    private static bool IsUnweighed(Prescription plan) => plan.Load is FootHelp or Counted;

    /// <summary>
    /// What was told of the reserve decides, then what the plan asked for; what nobody knows counts as hard, as in the
    /// dose of a plan.
    /// </summary>
    private static int HardSetsOf(Prescription plan, Movement movement, DoneSet[] rows, decimal? bestHold)
    {
        if (!PrescriptionResolver.CanBeHard(movement.Pattern))
            return 0;
        var sets = rows.Where(r => r.Planned.Role != SetRole.Stretch).GroupBy(r => r.Planned.Set).ToArray();
        if (plan.IsFast)
            return sets.Length / 2;
        return sets.Count(parts => parts.Any(r => IsHard(plan, r, bestHold)));
    }

    private static bool IsHard(Prescription plan, DoneSet row, decimal? bestHold)
    {
        var set = row.Set!;
        if (set.FailedAt is not null || plan.ToTheEnd)
            return true;
        if (set.Seconds is { } seconds)
            return bestHold is not { } best || seconds >= best * PrescriptionResolver.HardHoldShare;
        if (set.Reserve is { } reserve)
            return reserve <= PrescriptionResolver.HardReserve;
        return plan.Effort is not ({ } effort and not LastToFailure)
            || row.Planned.Role == SetRole.BackOff
            || effort.ReserveTarget <= PrescriptionResolver.HardReserve;
    }
}
