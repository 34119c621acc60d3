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
    private const int PracticeRest = 150,
        PracticeUpTo = 6,
        SinglesUpTo = 2,
        Singles = 5,
        RangeWidth = 2,
        RangeUpTo = 20;

    private const decimal TopShare = 0.75m;

    /// <summary>Null: at 0 no strict set is written, and above 20 the movement is too easy for sets by reps.</summary>
    /// <param name="best">Clean reps of the best set.</param>
    /// <param name="sets">Of a range.</param>
    public static Prescription? For(int best, int sets = 3) =>
        best switch
        {
            <= 0 or > RangeUpTo => null,
            <= SinglesUpTo => new StraightSets(Singles, 1) { RestSeconds = PracticeRest },
            // Half to two thirds of the best: a practice dose.
            <= PracticeUpTo => new StraightSets(sets + 1, best * 2 / 3) { RestSeconds = PracticeRest },
            _ => Range(best, sets),
        };

    /// <summary>The top of the range is 75 % of the best, the bottom two under it and at least 5.</summary>
    private static Prescription Range(int best, int sets)
    {
        var top = (int)Math.Floor(best * TopShare);
        var bottom = Math.Max(RepZone.Growth.Low, top - RangeWidth);
        return top > bottom ? new DoubleProgression(sets, bottom, top) : new StraightSets(sets, top);
    }

    /// <summary>Sets that find the level of what nothing is known of: stop with two in reserve.</summary>
    public static Prescription FindsLevel(bool assisted = false) =>
        new DoubleProgression(3, assisted ? 5 : 8, assisted ? 8 : 12) { Effort = new InReserve(2) };
}
