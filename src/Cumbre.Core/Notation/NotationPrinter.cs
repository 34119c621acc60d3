using System.Globalization;
using System.Text;
using Cumbre.Core.Measures;
using Cumbre.Core.Notation.Forms;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Notation;

/// <summary>Prints a plan as its canonical line; parsing the line gives the same plan.</summary>
public static class NotationPrinter
{
    public static string Print(Prescription plan)
    {
        var line = new StringBuilder();
        if (!FormTable.All.Any(f => f.Head(line, plan)))
            throw new ArgumentOutOfRangeException(nameof(plan), plan, "unknown method");
        Load(line, plan);
        if (plan.SetUp is { } setUp)
            SetUpOf(line, setUp);
        if (plan.Effort is InReserve reserve)
            line.Append(I, $" {reserve.Reps}{(reserve.Most is { } most ? $"..{most}" : "")} in reserve");
        else if (plan.Effort is ToFailure)
            line.Append(" to failure");
        else if (plan.Effort is LastToFailure)
            line.Append(" last to failure");
        if (plan is TopSetBackOff t)
            line.Append(I, $", back-off {t.BackOffSets} x {t.BackOffReps} @ -{Number(t.BackOffPercent)} % top");
        if (plan is Pyramid { Unbroken: true })
            line.Append(" unbroken");
        if (plan.Timed is { } timed)
            line.Append(timed.Seconds is { } beat ? $" in {Clock(beat)}" : " for time");
        if (IsFast(plan))
            line.Append(" fast");
        if (plan is DoubleProgression { Increment: { } step })
            line.Append(I, $" then {Signed(step)}");
        if (plan.Sides is { } sides)
            line.Append(' ').Append(Sides(sides));
        Manner(line, plan);
        if (plan.RestSeconds is { } rest)
            line.Append(I, $" rest {Clock(rest)}{(plan.RestMost is { } longest ? $"..{Clock(longest)}" : "")}");
        return line.ToString();
    }

    /// <summary>
    /// How each rep is done: speed, grip, pause and tempo, as a line says it; empty: as usual. Reps of two styles cannot
    /// be compared.
    /// </summary>
    public static string Style(Prescription plan)
    {
        var line = new StringBuilder(IsFast(plan) ? " fast" : "");
        Manner(line, plan);
        return line.ToString().TrimStart();
    }

    private static bool IsFast(Prescription plan) => plan is ExplosiveSets or OnTheClock { Fast: true };

    private static void Manner(StringBuilder line, Prescription plan)
    {
        if (plan.Grips is { } grips)
            line.Append(" grip ").AppendJoin(" / ", grips.Select(g => g.ToString().ToLowerInvariant()));
        if (plan.Pause is { } pause)
            line.Append(I, $" pause {pause.Seconds} s {(pause.Place == PausePlace.Bottom ? "bottom" : "top")}");
        if (plan.Tempo is { } tempo)
            line.Append(" tempo ").Append(tempo);
    }

    /// <summary>Minutes and seconds as on a board: 2:30.</summary>
    public static string Clock(int seconds) => string.Create(I, $"{seconds / 60}:{seconds % 60:00}");

    internal static string Gap(Gap gap) =>
        string.Create(I, $"{gap.Count} {(gap.Unit == GapUnit.Breaths ? gap.Count == 1 ? "breath" : "breaths" : "s")}");

    internal static string Loads(IReadOnlyList<MassEntry> loads, string mark)
    {
        var oneUnit = loads.All(l => l.Unit == loads[0].Unit);
        return string.Join(mark, loads.Select((l, i) => oneUnit && i < loads.Count - 1 ? Value(l) : Signed(l)));
    }

    internal static string Number(decimal value) => value.ToString("0.####", I);

    private static CultureInfo I => CultureInfo.InvariantCulture;

    private static void Load(StringBuilder line, Prescription plan)
    {
        var text = plan.Load switch
        {
            AddedLoad added => Signed(added.Entry),
            ShareOfOneRepMax share => $"{Number(share.Percent)} % e1RM",
            ShareOfBodyMass share => $"{Sign(share.Percent)}{Number(Math.Abs(share.Percent))} % bm",
            BandHelp band => $"band {Number(band.Entry.Value)} {Unit(band.Entry)}",
            NamedBand named => $"band {named.Name}",
            FootHelp => "feet",
            Counted counted => string.Create(I, $"{counted.Count} {counted.Name}"),
            _ => null,
        };
        if (text is not null)
            line.Append(" @ ").Append(text);
    }

    private static void SetUpOf(StringBuilder line, SetUp setUp)
    {
        if (setUp.To is { } contact)
            line.Append(" to ").Append(contact.ToString().ToLowerInvariant());
        if (setUp.BoxCm is { } box)
            line.Append(I, $" box {Number(box)} cm");
        if (setUp.Pads is { } pads)
            line.Append(I, $" pads {pads}");
        if (setUp.FeetCm is { } feet)
            line.Append(I, $" feet {Number(feet)} cm");
        if (setUp.Strap is { } strap)
            line.Append(I, $" strap {strap}");
        if (setUp.On is { } surface)
            line.Append(" on ").Append(surface.ToString().ToLowerInvariant());
        if (setUp.Fingers is { } fingers)
            line.Append(I, $" {fingers} {(fingers == 1 ? "finger" : "fingers")}");
    }

    private static string Sides(SidePlan sides) =>
        sides switch
        {
            SidePlan.LeftFirst => "left first",
            SidePlan.RightFirst => "right first",
            SidePlan.LeftMore => "left first +1",
            SidePlan.RightMore => "right first +1",
            SidePlan.LeftOnly => "left only",
            SidePlan.RightOnly => "right only",
            _ => "each side",
        };

    private static string Signed(MassEntry entry) => $"{Value(entry)} {Unit(entry)}";

    private static string Unit(MassEntry entry) => entry.Unit == MassUnit.Lb ? "lb" : "kg";

    private static string Value(MassEntry entry) => Sign(entry.Value) + Number(Math.Abs(entry.Value));

    private static string Sign(decimal value) =>
        value > 0 ? "+"
        : value < 0 ? "-"
        : "";
}
