namespace Cumbre.Core.Prescriptions;

/// <summary>The zone of repetitions that a school trains in.</summary>
/// <param name="Low">Fewest.</param>
/// <param name="High">Most.</param>
public sealed record RepZone(int Low, int High)
{
    public static RepZone Growth { get; } = new(5, 15);

    /// <summary>
    /// By the school of the question <c>rep-zone</c>; where two zones are paired the second exercise takes the lighter
    /// one.
    /// </summary>
    public static RepZone Of(string school, bool second = false) =>
        school switch
        {
            "strength" => new(3, 6),
            "paired" => second ? new(15, 25) : new(8, 12),
            "capacity" => new(12, 25),
            _ => Growth,
        };
}

/// <summary>
/// The dose of a movement without load from the best clean set. The figures are common practice (no source) and this
/// project's choice.
/// </summary>
public static class RepDose
{
    /// <summary>Up to this best a dose is practice: more, shorter sets, and the zone does not hold.</summary>
    public const int PracticeUpTo = 6;

    /// <summary>Over this best a movement is too easy for plain sets of the growth zone.</summary>
    public const int RangeUpTo = 20;

    private const int PracticeRest = 150,
        SinglesUpTo = 2,
        Singles = 5,
        RangeWidth = 2,
        LevelLow = 8,
        LevelHigh = 12,
        AssistedLow = 5,
        AssistedHigh = 8,
        LegsHigh = 10;

    private const decimal TopShare = 0.75m;

    /// <summary>Null: at 0 no strict set is written, and above 20 the movement is too easy for sets by reps.</summary>
    /// <param name="best">Clean reps of the best set.</param>
    /// <param name="sets">Of a range.</param>
    /// <param name="zone">In which the reps land; null: the growth zone.</param>
    public static Prescription? For(int best, int sets = 3, RepZone? zone = null) =>
        best switch
        {
            <= 0 => null,
            > RangeUpTo when (zone ?? RepZone.Growth).High <= RepZone.Growth.High => null,
            <= SinglesUpTo => new StraightSets(Singles, 1) { RestSeconds = PracticeRest },
            // Half to two thirds of the best: a practice dose.
            <= PracticeUpTo => new StraightSets(sets + 1, best * 2 / 3) { RestSeconds = PracticeRest },
            _ => Range(best, sets, zone ?? RepZone.Growth),
        };

    /// <summary>Where a range from the best set ends: three quarters of it, rounded down.</summary>
    public static int TopOf(int best) => (int)Math.Floor(best * TopShare);

    /// <summary>The top of the range is 75 % of the best, the bottom two under it and at least 5.</summary>
    private static Prescription Range(int best, int sets, RepZone zone)
    {
        // A lower zone is for load and for harder movements: sets that leave many reps are no hard sets.
        var top = Math.Min(TopOf(best), Math.Max(zone.High, RepZone.Growth.High));
        var bottom = Math.Max(RepZone.Growth.Low, top - RangeWidth);
        return top > bottom ? new DoubleProgression(sets, bottom, top) : new StraightSets(sets, top);
    }

    /// <summary>Sets that find the level of what nothing is known of: stop with two in reserve.</summary>
    /// <param name="assisted">With help: shorter sets.</param>
    /// <param name="legs">Of a leg movement: a narrower range.</param>
    /// <param name="sets">2 or 3.</param>
    public static Prescription FindsLevel(bool assisted = false, bool legs = false, int sets = 3) =>
        new DoubleProgression(
            sets,
            assisted ? AssistedLow : LevelLow,
            assisted ? AssistedHigh
                : legs ? LegsHigh
                : LevelHigh
        )
        {
            Effort = new InReserve(2),
        };
}
