namespace Cumbre.Core.Figures;

/// <summary>Why a pose cannot be.</summary>
public enum PoseFault
{
    /// <summary>An angle outside what the joint allows.</summary>
    Joint,

    /// <summary>No numbers meet a contact.</summary>
    Contact,

    /// <summary>Something is under the floor.</summary>
    Floor,
}

/// <param name="Of">The angle, for instance <c>elbowRight</c>; empty where it is none.</param>
/// <param name="Value">Degrees of an angle, else millimetres.</param>
/// <param name="From">Of what is allowed.</param>
/// <param name="To">Of what is allowed.</param>
public sealed record PoseFinding(PoseFault Fault, string Of, double Value, double From, double To);

/// <summary>Angles of joints, contacts and the floor; all limits are this project's choices.</summary>
public static class PoseCheck
{
    /// <summary>Metres.</summary>
    private const double ContactMaximum = 0.004,
        FloorMaximum = 0.025;

    /// <summary>Degrees.</summary>
    private const double Slack = 0.05,
        WideGrip = 20;

    public static IReadOnlyList<PoseFinding> Findings(Figure figure)
    {
        var pose = figure.Pose;
        var findings = new List<PoseFinding>();
        void Angle(string of, double value, double from, double to)
        {
            if (value < from - Slack || value > to + Slack)
                findings.Add(new(PoseFault.Joint, of, Math.Round(value), from, to));
        }

        void Arm(string side, ArmAngles arm)
        {
            // With a wide grip the arms go all the way round.
            if (arm.Out < WideGrip)
                Angle($"shoulder{side}", Wrapped(arm.Flexion), -135, 190);
            Angle($"elbow{side}", arm.Elbow, -5, 155);
            Angle($"armOut{side}", arm.Out, -45, 180);
        }

        void Leg(string side, LegAngles leg)
        {
            Angle($"hip{side}", leg.Hip, -30, 140);
            Angle($"knee{side}", leg.Knee, 0, 160);
            Angle($"legOut{side}", leg.Out, -45, 80);
            Angle($"foot{side}", leg.Foot ?? Pose.Pointed, 5, 130);
        }

        Arm("Right", pose.Arm);
        Arm("Left", pose.ArmLeft ?? pose.Arm);
        Leg("Right", pose.Leg);
        Leg("Left", pose.LegLeft ?? pose.Leg);
        Angle("neck", pose.Neck, -60, 60);
        Angle("round", pose.Round, -50, 60);
        Angle("bladesUp", pose.BladesUp, -1, 1);
        Angle("bladesForward", pose.BladesForward, -1, 1);
        if (figure.Misfit > ContactMaximum)
            findings.Add(new(PoseFault.Contact, "", Math.Round(figure.Misfit * 1000), 0, ContactMaximum * 1000));
        if (figure.Floor is { } floor && floor - figure.Lowest is var below && below > FloorMaximum)
            findings.Add(new(PoseFault.Floor, "", Math.Round(below * 1000), 0, FloorMaximum * 1000));
        return findings;
    }

    /// <summary>An angle of the shoulder from -165 up to 195: an arm that went over the head and on.</summary>
    internal static double Wrapped(double degrees) => ((degrees + 165) % 360 + 360) % 360 - 165;
}
