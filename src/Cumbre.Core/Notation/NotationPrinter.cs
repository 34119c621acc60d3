using System.Globalization;
using System.Text;
using Cumbre.Core.Measures;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Notation;

/// <summary>Prints a plan as its canonical line; parsing the line gives the same plan.</summary>
public static class NotationPrinter
{
    public static string Print(Prescription plan)
    {
        var line = new StringBuilder();
        switch (plan)
        {
            case StraightSets s:
                line.Append(I, $"{s.SetTotal} x {s.Reps}");
                LoadAndEffort(line, s.Load, s.Effort);
                break;
            case DoubleProgression d:
                line.Append(I, $"{d.SetTotal} x {d.Low}..{d.High}");
                LoadAndEffort(line, d.Load, d.Effort);
                if (d.Increment is { } step)
                    line.Append(I, $" then {Signed(step)}");
                break;
            case TopSetBackOff t:
                line.Append(I, $"top {t.TopSets} x {t.TopReps}");
                LoadAndEffort(line, t.Load, t.Effort);
                line.Append(I, $", back-off {t.BackOffSets} x {t.BackOffReps} @ -{Number(t.BackOffPercent)} % top");
                break;
            case DropSet d:
                line.Append(I, $"{d.SetTotal} x drop {string.Join('+', d.Parts)} @ {Loads(d.Loads)}");
                if (d.Grips is { } grips)
                    line.Append(" grip ").AppendJoin(" / ", grips.Select(g => g.ToString().ToLowerInvariant()));
                break;
            default:
                throw new ArgumentOutOfRangeException(nameof(plan), plan, "unknown method");
        }

        if (plan.Tempo is { } tempo)
            line.Append(" tempo ").Append(tempo);
        if (plan.RestSeconds is { } rest)
            line.Append(I, $" rest {Clock(rest)}");
        return line.ToString();
    }

    /// <summary>Minutes and seconds as on a board: 2:30.</summary>
    public static string Clock(int seconds) => string.Create(I, $"{seconds / 60}:{seconds % 60:00}");

    private static CultureInfo I => CultureInfo.InvariantCulture;

    private static void LoadAndEffort(StringBuilder line, LoadSpec? load, Effort? effort)
    {
        var text = load switch
        {
            AddedLoad added => Signed(added.Entry),
            ShareOfOneRepMax share => $"{Number(share.Percent)} % e1RM",
            ShareOfBodyMass share => $"{Sign(share.Percent)}{Number(Math.Abs(share.Percent))} % bm",
            _ => null,
        };
        if (text is not null)
            line.Append(" @ ").Append(text);
        if (effort is InReserve reserve)
            line.Append(I, $" {reserve.Reps} in reserve");
        else if (effort is ToFailure)
            line.Append(" to failure");
    }

    private static string Loads(IReadOnlyList<MassEntry> loads)
    {
        var oneUnit = loads.All(l => l.Unit == loads[0].Unit);
        return string.Join(" / ", loads.Select((l, i) => oneUnit && i < loads.Count - 1 ? Value(l) : Signed(l)));
    }

    private static string Signed(MassEntry entry) => $"{Value(entry)} {(entry.Unit == MassUnit.Lb ? "lb" : "kg")}";

    private static string Value(MassEntry entry) => Sign(entry.Value) + Number(Math.Abs(entry.Value));

    private static string Sign(decimal value) => value > 0 ? "+" : value < 0 ? "-" : "";

    private static string Number(decimal value) => value.ToString("0.####", I);
}
