using BenchmarkDotNet.Attributes;
using Cumbre.Core.Explanations;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Strength;

namespace Cumbre.Bench;

/// <summary>
/// What runs at each key stroke: parse, resolve, print. The floor is copying the line character by character.
/// </summary>
[MemoryDiagnoser]
public class HotPaths
{
    private const string Line = "2 x drop 4+4+6 @ +20 / +10 / 0 kg grip wide / medium / narrow tempo 3-1-X-0 rest 3:00";

    private static readonly Kit Kit = new([
        new(MassEntry.Kg(1.25m), 2),
        new(MassEntry.Kg(2.5m), 2),
        new(MassEntry.Kg(5), 2),
        new(MassEntry.Kg(10), 3),
        new(MassEntry.Kg(20), 1),
    ]);

    private static readonly ResolutionContext Context = new(
        Explanation.For(RuleId.BodyMassOfDay).Build(Mass.FromKilograms(68.2m)),
        OneRepMax.Estimate(
            new HeavySet(Mass.FromKilograms(68.2m), Mass.FromKilograms(15), 6, 1, new DateOnly(2026, 3, 16))
        ),
        0,
        Kit
    );

    private static readonly Prescription Drop = NotationParser.Parse(Line).Plan!;
    private static readonly Prescription Percent = NotationParser.Parse("4 x 4 @ 80 % e1RM").Plan!;

    [Benchmark(Baseline = true)]
    public int CopyTheLine()
    {
        var sum = 0;
        foreach (var c in Line.ToCharArray())
            sum += c;
        return sum;
    }

    [Benchmark]
    public object ParseADropSet() => NotationParser.Parse(Line);

    [Benchmark]
    public object PrintADropSet() => NotationPrinter.Print(Drop);

    [Benchmark]
    public object ResolveADropSet() => PrescriptionResolver.Resolve(Drop, Context);

    [Benchmark]
    public object ResolveAPercent() => PrescriptionResolver.Resolve(Percent, Context);
}
