using CsCheck;
using Cumbre.Core.Measures;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Tests.Notation;

/// <summary>Random plans of every method, with every modifier that it may carry: what any coach could write.</summary>
internal static class PlanGen
{
    private static readonly Gen<MassUnit> Unit = Gen.Bool.Select(kg => kg ? MassUnit.Kg : MassUnit.Lb);

    private static readonly Gen<LoadSpec?> Load = Gen.OneOf<LoadSpec?>(
        Gen.Const(() => (LoadSpec?)null),
        Gen.Select(Gen.Int[-200, 700], Unit)
            .Select((quarters, unit) => (LoadSpec?)new AddedLoad(new(quarters / 4m, unit))),
        Gen.Int[40, 240].Select(halves => (LoadSpec?)new ShareOfOneRepMax(halves / 2m)),
        Gen.Int[-90, 200].Select(percent => (LoadSpec?)new ShareOfBodyMass(percent)),
        Gen.Int[2, 200].Select(halves => (LoadSpec?)new BandHelp(MassEntry.Kg(halves / 2m))),
        Gen.Const(() => (LoadSpec?)new FootHelp()),
        Gen.Const(() => (LoadSpec?)new NamedBand("red")),
        Gen.Int[1, 100].Select(count => (LoadSpec?)new Counted(count, "books"))
    );

    private static readonly Gen<Effort?> Effort = Gen.OneOf<Effort?>(
        Gen.Const(() => (Effort?)null),
        Gen.Int[0, 10].Select(r => (Effort?)new InReserve(r)),
        Gen.Select(Gen.Int[0, 9], Gen.Int[1, 10]).Select((r, up) => (Effort?)new InReserve(r, Math.Min(10, r + up))),
        Gen.Const(() => (Effort?)new ToFailure())
    );

    private static readonly Gen<Tempo?> Tempo = Gen.OneOf(
        Gen.Const(() => (Tempo?)null),
        Gen.Select(Gen.Int[0, 30], Gen.Int[0, 30], Gen.Int[-1, 30], Gen.Int[0, 30])
            .Select((a, b, c, d) => (Tempo?)new Tempo(a, b, c < 0 ? null : c, d))
    );

    private static readonly Gen<int?> Rest = Gen.Int[-1, 1800].Select(s => s < 0 ? (int?)null : s);

    /// <summary>A range of rest, and a time to beat where the method takes one.</summary>
    private static Prescription Wider(Prescription plan, int more) =>
        plan with
        {
            RestMost = plan.RestSeconds is { } rest && more > 0 && rest + more <= 1800 ? rest + more : null,
            Timed = plan.IsTimed && more % 3 == 0 ? new(more == 0 ? null : 10 * more) : null,
        };

    private static readonly Gen<SidePlan?> Sides = Gen.Int[-3, 6].Select(s => s < 0 ? (SidePlan?)null : (SidePlan)s);

    /// <summary>A pause that agrees with the tempo.</summary>
    private static Gen<Pause?> PauseFor(Tempo? tempo) =>
        Gen.Select(Gen.Int[-3, 30], Gen.Bool)
            .Select(
                (seconds, top) =>
                {
                    var place = top ? PausePlace.Top : PausePlace.Bottom;
                    var agreed = tempo is { } t ? (top ? t.Top : t.Bottom) : seconds;
                    return seconds < 1 || agreed < 1 ? null : new Pause(agreed, place);
                }
            );

    private static Gen<ValueList<Grip>?> Grips(int parts) =>
        Gen.Select(Gen.Int[0, 4].Array[parts], Gen.Int[0, 2])
            .Select(
                (grips, how) =>
                    how == 0 ? null
                    : how == 1 ? (ValueList<Grip>?)[(Grip)grips[0]]
                    : new ValueList<Grip>([.. grips.Select(g => (Grip)g)])
            );

    private static readonly Gen<SetUp?> SetUps = Gen.Select(
            Gen.Int[-6, 4],
            Gen.Int[-6, 100],
            Gen.Int[-6, 20],
            Gen.Int[-6, 60],
            Gen.Int[-6, 4]
        )
        .Select(
            (contact, box, pads, strap, fingers) =>
                SetUp.OrNone(
                    new SetUp
                    {
                        To = contact < 0 ? null : (Core.Benchmarks.Contact)contact,
                        BoxCm = box < 1 ? null : box / 2m + 1,
                        FeetCm = box < 50 ? null : box * 1.5m,
                        Pads = pads < 0 ? null : pads,
                        Strap = strap < 0 ? null : strap,
                        Fingers = fingers < 0 ? null : fingers,
                        On = contact % 2 == 0 ? Surface.Parallettes : null,
                    }
                )
        );

    private static readonly Gen<int> Sets = Gen.Int[1, 20];

    private static readonly Gen<int> Reps = Gen.Int[1, 200];

    private static readonly Gen<Gap> Gap = Gen.Select(Gen.Bool, Gen.Int[1, 60], Gen.Int[1, 300])
        .Select((breaths, few, many) => breaths ? new Gap(few, GapUnit.Breaths) : new Gap(many));

    /// <summary>With all that reps may carry.</summary>
    private static Gen<Prescription> Full(
        Gen<Prescription> heads,
        int grips = 1,
        bool effort = true,
        bool rest = true,
        bool load = true
    ) =>
        Gen.Select(
                heads,
                load ? Load : Gen.Const(() => (LoadSpec?)null),
                effort ? Effort : Gen.Const(() => (Effort?)null),
                Tempo,
                rest ? Rest : Gen.Const(() => (int?)null),
                Sides,
                Grips(grips)
            )
            .SelectMany(
                (plan, l, e, t, r, s, g) =>
                    Gen.Select(PauseFor(t), SetUps, Gen.Int[-60, 120])
                        .Select(
                            (p, u, more) =>
                                Wider(
                                    plan with
                                    {
                                        Load = l,
                                        Effort = e,
                                        Tempo = t,
                                        RestSeconds = r,
                                        Sides = s,
                                        Grips = g,
                                        Pause = p,
                                        SetUp = u,
                                    },
                                    Math.Max(-1, more)
                                )
                        )
            );

    /// <summary>With what a hold or a lowering may carry.</summary>
    private static Gen<Prescription> Timed(Gen<Prescription> heads) =>
        Gen.Select(heads, Load, Rest, Sides, Grips(1), SetUps)
            .Select((plan, l, r, s, g, u) => plan with { Load = l, RestSeconds = r, Sides = s, Grips = g, SetUp = u });

    private static Gen<Prescription> Drop { get; } =
        Gen.Int[2, 4]
            .SelectMany(parts =>
                Full(
                    Gen.Select(Sets, Gen.Int[1, 30].Array[parts], Gen.Int[0, 400].Array[parts], Unit, Gen.Bool)
                        .Select(
                            (s, reps, quarters, unit, mixed) =>
                            {
                                // Falling and distinct by construction: sort, then spread.
                                var loads = quarters
                                    .OrderDescending()
                                    .Select(
                                        (q, i) =>
                                            new MassEntry(q / 4m + (parts - 1 - i), mixed || i > 0 ? unit : MassUnit.Kg)
                                    )
                                    .ToArray();
                                return (Prescription)new DropSet(s, [.. reps], [.. loads]);
                            }
                        ),
                    parts,
                    effort: false,
                    load: false
                )
            );

    public static Gen<Prescription> Any { get; } =
        Gen.OneOf(
            Full(Gen.Select(Sets, Reps).Select((s, r) => (Prescription)new StraightSets(s, r))),
            Full(
                Gen.Select(Sets, Gen.Int[1, 100], Gen.Int[1, 100], Gen.Int[0, 40], Unit)
                    .Select(
                        (s, low, up, inc, unit) =>
                            (Prescription)new DoubleProgression(s, low, low + up, inc == 0 ? null : new(inc / 2m, unit))
                    )
            ),
            Full(
                Gen.Select(Sets, Gen.Int[1, 100], Gen.Int[0, 100])
                    .Select((s, low, up) => (Prescription)new ExplosiveSets(s, low, low + up))
            ),
            Full(
                Gen.Select(Sets, Gen.Int[1, 100], Gen.Int[0, 100], Gen.Int[1, 120])
                    .Select((s, low, up, hold) => (Prescription)new RepsWithStretch(s, low, low + up, hold))
            ),
            Full(
                Gen.Select(Sets, Reps, Sets, Reps, Gen.Int[2, 120])
                    .Select((ts, tr, bs, br, halves) => (Prescription)new TopSetBackOff(ts, tr, bs, br, halves / 2m))
            ),
            // A maximum with some in reserve is written as practice.
            Full(Sets.Select(s => (Prescription)new MaxSets(s))).Where(p => p.Effort is not InReserve),
            Full(Sets.Select(s => (Prescription)new PracticeSets(s))),
            Drop,
            Full(Gen.Select(Sets, Gap).Select((s, gap) => (Prescription)new RestPause(s, gap)), effort: false),
            Full(
                Gen.Select(Sets, Gen.Int[1, 30].Array[2, 10], Gap)
                    .Select((s, pieces, gap) => (Prescription)new ClusterSets(s, [.. pieces], gap))
            ),
            Full(
                Gen.Select(Gen.Int[5, 600], Gen.Const(4), Gen.Int[1, 100], Gen.Int[-50, 100], Gen.Bool)
                    .Select(
                        (every, rounds, reps, up, fast) =>
                            (Prescription)new OnTheClock(every, rounds, reps, fast, up > 0 ? reps + up : null)
                    ),
                grips: 4,
                rest: false
            ),
            Full(
                Gen.Select(Gen.Int[1, 200].Array[2, 20], Gen.Bool)
                    .Select((rungs, unbroken) => (Prescription)new Pyramid([.. rungs], unbroken)),
                effort: false
            ),
            Timed(
                Gen.Select(Sets, Reps, Gen.Int[1, 30]).Select((s, r, lower) => (Prescription)new Negatives(s, r, lower))
            ),
            Timed(Gen.Select(Sets, Gen.Int[1, 600]).Select((s, seconds) => (Prescription)new HoldSets(s, seconds))),
            Timed(
                Gen.Select(Sets, Gen.Int[20, 200])
                    .Select((s, halves) => (Prescription)new HoldSets(s, null, halves / 2m))
            ),
            Full(
                Gen.Select(Gen.Int[1, 30].Array[2, 12], Gen.Int[1, 30])
                    .Select((reps, up) => (Prescription)new VariedSets([.. reps.Append(reps[0] + up).Take(20)]))
                    .Where(p => p is VariedSets v && v.Reps.Distinct().Count() > 1)
            ),
            Full(
                Gen.Select(Gen.Int[1, 30].Array[2, 8], Gen.Int[0, 60], Unit)
                    .Select(
                        (reps, quarters, unit) =>
                            (Prescription)
                                new VariedSets(
                                    [.. reps],
                                    [.. reps.Select((_, i) => new MassEntry((quarters + i) / 4m, unit))]
                                )
                    ),
                load: false
            ),
            Timed(
                Gen.Select(Gen.Int[1, 60].Array[2, 19], Gen.Int[1, 30])
                    .Select((s, up) => (Prescription)new VariedHolds([.. s.Append(s[0] + up)]))
            ),
            Timed(
                Gen.Select(Gen.Int[2, 20], Gen.Int[1, 30])
                    .Select((pieces, each) => (Prescription)new BrokenHold(pieces * each, pieces))
            )
        );
}
