using CsCheck;
using Cumbre.Core.Measures;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Tests.Notation;

/// <summary>Random plans of every method: what any coach could write.</summary>
internal static class PlanGen
{
    private static readonly Gen<MassUnit> Unit = Gen.Bool.Select(kg => kg ? MassUnit.Kg : MassUnit.Lb);

    private static readonly Gen<LoadSpec?> Load = Gen.OneOf<LoadSpec?>(
        Gen.Const(() => (LoadSpec?)null),
        Gen.Select(Gen.Int[-200, 700], Unit).Select((quarters, unit) => (LoadSpec?)new AddedLoad(new(quarters / 4m, unit))),
        Gen.Int[40, 240].Select(halves => (LoadSpec?)new ShareOfOneRepMax(halves / 2m)),
        Gen.Int[-90, 200].Select(percent => (LoadSpec?)new ShareOfBodyMass(percent)));

    private static readonly Gen<Effort?> Effort = Gen.OneOf<Effort?>(
        Gen.Const(() => (Effort?)null), Gen.Int[0, 10].Select(r => (Effort?)new InReserve(r)), Gen.Const(() => (Effort?)new ToFailure()));

    private static readonly Gen<Tempo?> Tempo = Gen.OneOf(
        Gen.Const(() => (Tempo?)null),
        Gen.Select(Gen.Int[0, 30], Gen.Int[0, 30], Gen.Int[-1, 30], Gen.Int[0, 30]).Select((a, b, c, d) => (Tempo?)new Tempo(a, b, c < 0 ? null : c, d)));

    private static readonly Gen<int?> Rest = Gen.Int[-1, 1800].Select(s => s < 0 ? (int?)null : s);

    private static readonly Gen<int> Sets = Gen.Int[1, 20];

    private static readonly Gen<int> Reps = Gen.Int[1, 200];

    private static readonly Gen<Prescription> Straight =
        Gen.Select(Sets, Reps, Load, Effort, Tempo, Rest).Select((s, r, l, e, t, rest) => (Prescription)new StraightSets(s, r, l, e, t, rest));

    private static readonly Gen<Prescription> Twofold =
        Gen.Select(Sets, Gen.Int[1, 100], Gen.Int[1, 100], Load, Effort, Gen.Select(Gen.Int[0, 40], Unit), Tempo, Rest).Select((s, low, up, l, e, inc, t, rest) =>
            (Prescription)new DoubleProgression(s, low, low + up, l, e, inc.Item1 == 0 ? null : new(inc.Item1 / 2m, inc.Item2), t, rest));

    private static readonly Gen<Prescription> Top =
        Gen.Select(Sets, Reps, Sets, Reps, Gen.Int[2, 120], Load, Effort, Gen.Select(Tempo, Rest)).Select((ts, tr, bs, br, halves, l, e, rest) =>
            (Prescription)new TopSetBackOff(ts, tr, bs, br, halves / 2m, l, e, rest.Item1, rest.Item2));

    private static readonly Gen<Prescription> Drop =
        Gen.Int[2, 4].SelectMany(parts => Gen.Select(
            Sets, Gen.Int[1, 30].Array[parts], Gen.Int[0, 400].Array[parts], Gen.Select(Unit, Gen.Bool), Gen.Int[0, 4].Array[parts], Gen.Bool, Gen.Select(Tempo, Rest)).Select((s, reps, quarters, unit, grips, hasGrips, rest) =>
        {
            // Falling and distinct by construction: sort, then spread.
            var loads = quarters.OrderDescending().Select((q, i) => new MassEntry(q / 4m + (parts - 1 - i), unit.Item2 || i > 0 ? unit.Item1 : MassUnit.Kg)).ToArray();
            return (Prescription)new DropSet(s, reps, loads, hasGrips ? [.. grips.Select(g => (Grip)g)] : null, rest.Item1, rest.Item2);
        }));

    public static Gen<Prescription> Any { get; } = Gen.OneOf(Straight, Twofold, Top, Drop);
}
