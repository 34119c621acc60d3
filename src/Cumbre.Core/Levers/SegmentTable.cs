using Cumbre.Core.Measures;

namespace Cumbre.Core.Levers;

/// <summary>The proportions of one body segment.</summary>
/// <param name="Mass">Share of body mass, 0 to 1; of one side where there are two.</param>
/// <param name="Centre">Where its centre of mass lies, as a share of its length from the first end.</param>
/// <param name="Length">Share of stature.</param>
public sealed record Segment(double Mass, double Centre, double Length);

/// <summary>
/// Body proportions from which the static levers are worked out. Masses are shares of body mass that sum to one,
/// lengths
/// are shares of stature.
/// </summary>
/// <param name="HeadCentre">Distance of the head's centre from the mid-shoulder, headward.</param>
/// <param name="HeadMass">Share of body mass.</param>
/// <param name="Trunk">Mid-shoulder to mid-hip.</param>
/// <param name="UpperArm">Shoulder to elbow.</param>
/// <param name="Forearm">Elbow to wrist.</param>
/// <param name="Hand">Wrist to the third knuckle.</param>
/// <param name="Thigh">Hip to knee.</param>
/// <param name="Shank">Knee to ankle.</param>
/// <param name="Foot">Heel to toe.</param>
/// <param name="WaistFromHip">Distance of the navel from the mid-hip.</param>
public sealed record SegmentTable(
    double HeadMass,
    double HeadCentre,
    Segment Trunk,
    Segment UpperArm,
    Segment Forearm,
    Segment Hand,
    Segment Thigh,
    Segment Shank,
    Segment Foot,
    double WaistFromHip
)
{
    private const double MaleStature = 1741,
        FemaleStature = 1735;

    /// <summary>Men, after de Leva 1996 (values from memory).</summary>
    public static SegmentTable Male { get; } =
        DeLeva(
            MaleStature,
            (6.94, 50.02, 242.9),
            (43.46, 43.10, 515.5),
            (2.71, 57.72, 281.7),
            (1.62, 45.74, 268.9),
            (0.61, 79.00, 86.2),
            (14.16, 40.95, 422.2),
            (4.33, 43.95, 440.3),
            (1.37, 44.15, 258.1),
            cervicaleToHip: 603.3,
            waistFromHip: 145.7
        );

    /// <summary>Women, after de Leva 1996 (values from memory).</summary>
    public static SegmentTable Female { get; } =
        DeLeva(
            FemaleStature,
            (6.68, 48.41, 243.7),
            (42.57, 37.82, 497.9),
            (2.55, 57.54, 275.1),
            (1.38, 45.59, 264.3),
            (0.56, 74.74, 78.0),
            (14.78, 36.12, 368.5),
            (4.81, 43.52, 438.6),
            (1.29, 40.14, 228.3),
            cervicaleToHip: 614.8,
            waistFromHip: 181.5
        );

    /// <summary>
    /// A second opinion for anybody: Winter 2009 after Dempster 1955, lengths after Drillis and Contini 1966 (values from
    /// memory). The centre of head and neck is placed so that the full line of the reference man comes to the 279.9 N m
    /// that are told of this table.
    /// </summary>
    public static SegmentTable Winter { get; } =
        new(
            HeadMass: 0.081,
            HeadCentre: 0.1109,
            Trunk: new(0.497, 0.50, 0.288),
            UpperArm: new(0.028, 0.436, 0.186),
            Forearm: new(0.016, 0.430, 0.146),
            Hand: new(0.006, 0.506, 0.050),
            Thigh: new(0.100, 0.433, 0.245),
            Shank: new(0.0465, 0.433, 0.246),
            Foot: new(0.0145, 0.50, 0.152),
            WaistFromHip: 0.0837
        );

    /// <summary>The mean of both, for athletes of neither sex or whose sex is not recorded.</summary>
    public static SegmentTable Mean { get; } = Between(Male, Female);

    public static SegmentTable For(Sex? sex) =>
        sex switch
        {
            Sex.Male => Male,
            Sex.Female => Female,
            _ => Mean,
        };

    private static SegmentTable DeLeva(
        double stature,
        (double Mass, double Centre, double Length) head,
        (double, double, double) trunk,
        (double, double, double) upperArm,
        (double, double, double) forearm,
        (double, double, double) hand,
        (double, double, double) thigh,
        (double, double, double) shank,
        (double, double, double) foot,
        double cervicaleToHip,
        double waistFromHip
    )
    {
        // The printed masses sum to 99.99 or 100 percent: normalised, so that no mass is lost.
        var percent =
            head.Mass
            + trunk.Item1
            + 2 * (upperArm.Item1 + forearm.Item1 + hand.Item1 + thigh.Item1 + shank.Item1 + foot.Item1);
        Segment Of((double Mass, double Centre, double Length) s) =>
            new(s.Mass / percent, s.Centre / 100, s.Length / stature);
        // The head runs from the vertex down to the cervicale, which lies above the mid-shoulder.
        var headCentre = (cervicaleToHip - trunk.Item3 + head.Length * (1 - head.Centre / 100)) / stature;
        return new(
            head.Mass / percent,
            headCentre,
            Of(trunk),
            Of(upperArm),
            Of(forearm),
            Of(hand),
            Of(thigh),
            Of(shank),
            Of(foot),
            waistFromHip / stature
        );
    }

    private static SegmentTable Between(SegmentTable a, SegmentTable b)
    {
        static Segment Mid(Segment x, Segment y) =>
            new((x.Mass + y.Mass) / 2, (x.Centre + y.Centre) / 2, (x.Length + y.Length) / 2);
        return new(
            (a.HeadMass + b.HeadMass) / 2,
            (a.HeadCentre + b.HeadCentre) / 2,
            Mid(a.Trunk, b.Trunk),
            Mid(a.UpperArm, b.UpperArm),
            Mid(a.Forearm, b.Forearm),
            Mid(a.Hand, b.Hand),
            Mid(a.Thigh, b.Thigh),
            Mid(a.Shank, b.Shank),
            Mid(a.Foot, b.Foot),
            (a.WaistFromHip + b.WaistFromHip) / 2
        );
    }
}
