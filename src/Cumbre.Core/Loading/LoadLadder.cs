using Cumbre.Core.Measures;

namespace Cumbre.Core.Loading;

/// <summary>A load that a kit can make.</summary>
/// <param name="Load">With its pieces.</param>
/// <param name="StepUp">To the next load; null at the top.</param>
/// <param name="Gap">The step up is wider than a usual increase.</param>
public sealed record LoadRung(Loadout Load, Mass? StepUp, bool Gap);

/// <summary>The ladder of loads that a kit can make, from nothing up, with its gaps.</summary>
public static class LoadLadder
{
    /// <summary>A wider step is a gap: more than a usual increase (common practice: 1 to 2.5 kg).</summary>
    public static readonly Mass UsualStep = Mass.FromKilograms(2.5m);

    private static readonly Mass Smallest = Mass.FromKilograms(0.01m);

    /// <param name="kit">The kit.</param>
    /// <param name="maximum">The most rungs; a kit of twelve sizes can have thousands.</param>
    public static IReadOnlyList<LoadRung> Of(Kit kit, int maximum = 200)
    {
        var loads = new List<Loadout> { kit.AtMost(Mass.Zero) };
        while (loads.Count <= maximum && kit.AtLeast(loads[^1].Total + Smallest) is { } next)
            loads.Add(next);
        return
        [
            .. loads
                .Take(maximum)
                .Select(
                    (load, i) =>
                    {
                        Mass? step = i + 1 < loads.Count ? loads[i + 1].Total - load.Total : null;
                        return new LoadRung(load, step, step > UsualStep);
                    }
                ),
        ];
    }
}
