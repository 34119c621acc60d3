using Cumbre.Core.Levers;

namespace Cumbre.Core.Figures;

/// <summary>The body that is drawn: the segments of the lever model, in metres and kilograms.</summary>
public sealed class FigureBody
{
    /// <summary>Shares of stature; this project's choices.</summary>
    private const double ShoulderFromMiddle = 0.105,
        HipFromMiddle = 0.05,
        PalmPastWrist = 0.012,
        BladeTravel = 0.025;

    private const double ReferenceStature = 1.741;

    public FigureBody(SegmentTable table, double statureMetres, double kilograms = 70, MeasuredLengths? lengths = null)
    {
        Table = table;
        Stature = statureMetres;
        Kilograms = kilograms;
        var measured = lengths ?? MeasuredLengths.None;
        Trunk = measured.Trunk ?? table.Trunk.Length * statureMetres;
        Thigh = measured.Thigh ?? table.Thigh.Length * statureMetres;
        Shank = measured.Shank ?? table.Shank.Length * statureMetres;
        var arm = (table.UpperArm.Length + table.Forearm.Length + table.Hand.Length) * statureMetres;
        var scale = (measured.Arm ?? arm) / arm * statureMetres;
        UpperArm = table.UpperArm.Length * scale;
        Forearm = table.Forearm.Length * scale;
        Hand = table.Hand.Length * scale;
        Foot = table.Foot.Length * statureMetres;
    }

    /// <summary>Of whom nothing is known.</summary>
    public static FigureBody Anybody { get; } = new(SegmentTable.Mean, ReferenceStature);

    public SegmentTable Table { get; }

    public double Stature { get; }

    public double Kilograms { get; }

    public double Trunk { get; }

    public double UpperArm { get; }

    public double Forearm { get; }

    public double Hand { get; }

    public double Thigh { get; }

    public double Shank { get; }

    public double Foot { get; }

    /// <summary>How many times as large as the body for which thicknesses are given.</summary>
    public double Scale => Stature / ReferenceStature;

    public double HeadCentre => Table.HeadCentre * Stature;

    public double Shoulder => ShoulderFromMiddle * Stature;

    public double Hip => HipFromMiddle * Stature;

    public double WaistFromHip => Table.WaistFromHip * Stature;

    public double Palm => PalmPastWrist * Stature;

    public double Blade => BladeTravel * Stature;
}
