using Cumbre.Core.Levers;

namespace Cumbre.Core.Lines;

/// <summary>How the body lies in a lever.</summary>
public enum LineFacing
{
    /// <summary>Front lever.</summary>
    Up,

    /// <summary>Back lever, planche.</summary>
    Down,
}

/// <summary>The angles of a line as a side picture shows them, in degrees.</summary>
/// <param name="Elbow">Bend; 0 straight.</param>
/// <param name="Arm">From the vertical, at the hand.</param>
/// <param name="Trunk">Off level: above 0 the hips are lower than the shoulders.</param>
/// <param name="Hip">Flexion; below 0 arched.</param>
/// <param name="Knee">Flexion; 0 straight.</param>
/// <param name="Line">Shoulder to ankle, off level: above 0 the feet are lower.</param>
public sealed record LineAngles(double Elbow, double Arm, double Trunk, double Hip, double Knee, double Line)
{
    public IReadOnlyList<double> All => [Elbow, Arm, Trunk, Hip, Knee, Line];

    /// <summary>Plane geometry; the side on which the head lies does not matter.</summary>
    public static LineAngles Of(SideMarks marks, LineFacing facing)
    {
        // Seen with the feet to the right, up positive.
        var mirrored = marks.Hip.X < marks.Shoulder.X ? -1 : 1;
        (double X, double Y) From(PicturePoint a, PicturePoint b) => (mirrored * (b.X - a.X), a.Y - b.Y);
        var trunk = From(marks.Shoulder, marks.Hip);
        var ventral = facing == LineFacing.Up ? 1 : -1;
        // Against the trunk, toward the front of the body.
        double Against((double X, double Y) v) =>
            ventral * Degrees(Math.Atan2(trunk.X * v.Y - trunk.Y * v.X, trunk.X * v.X + trunk.Y * v.Y));
        var thigh = Against(From(marks.Hip, marks.Knee));
        var shank = Against(From(marks.Knee, marks.Ankle));
        var (upper, fore) = (From(marks.Shoulder, marks.Elbow), From(marks.Elbow, marks.Hand));
        var arm = From(marks.Hand, marks.Shoulder);
        var line = From(marks.Shoulder, marks.Ankle);
        return new(
            Degrees(Math.Abs(Math.Atan2(upper.X * fore.Y - upper.Y * fore.X, upper.X * fore.X + upper.Y * fore.Y))),
            Degrees(Math.Atan2(Math.Abs(arm.X), Math.Abs(arm.Y))),
            Degrees(Math.Atan2(-trunk.Y, trunk.X)),
            thigh,
            Wrapped(thigh - shank),
            Degrees(Math.Atan2(-line.Y, line.X))
        );
    }

    private static double Wrapped(double degrees) => ((degrees + 180) % 360 + 360) % 360 - 180;

    private static double Degrees(double radians) => radians * 180 / Math.PI;
}

/// <summary>What a side picture says of a line that was asked.</summary>
/// <param name="Angles">As they are.</param>
/// <param name="Errors">One standard error of each angle in degrees, as the marks are placed.</param>
/// <param name="Apart">Of each leg from the midline, from how short the legs look; 0 where the line does not ask it.</param>
/// <param name="Off">By how much elbow, trunk, hip, knee miss what was asked, degrees; the sign is that of the angle.</param>
public sealed record LineReading(LineAngles Angles, LineAngles Errors, double Apart, LineOff Off)
{
    /// <summary>A hold stops when the line or an elbow breaks by about this (common practice, no source).</summary>
    public const double BreakDegrees = 10;

    /// <summary>
    /// How well a person or a camera places a mark: px of a body of <see cref="BodyPixels"/> from head to foot (this
    /// project's choice).
    /// </summary>
    public const double MarkPixels = 2,
        BodyPixels = 600;

    /// <summary>Hand to ankle over stature: 1.16 for men, 1.11 for women (de Leva 1996, from memory).</summary>
    private const double ChainOfStature = 1.13;

    private const double Probe = 0.01;

    /// <summary>Arms straight and trunk level, whatever the legs do.</summary>
    public bool Straight => Math.Max(Math.Abs(Off.Elbow), Math.Abs(Off.Trunk)) <= BreakDegrees;

    /// <summary>Nothing breaks the line.</summary>
    public bool Holds => Off.Worst <= BreakDegrees;

    /// <param name="marks">One picture, or the mean of several.</param>
    /// <param name="facing">Of the line.</param>
    /// <param name="asked">The line that was asked; of two legs the straighter one is marked.</param>
    /// <param name="body">Its proportions tell how far the legs are apart; null: they are as asked.</param>
    /// <param name="pictures">Of how many pictures the marks are the mean.</param>
    /// <param name="isFlag">Seen from the front, shoulder and hip marked in their middle: only the trunk is judged.</param>
    public static LineReading Of(
        SideMarks marks,
        LineFacing facing,
        Posture asked,
        LeverBody? body = null,
        int pictures = 1,
        bool isFlag = false
    )
    {
        var seen = LineAngles.Of(marks, facing);
        var leg = Straighter(asked);
        var (hip, apart) = LegOf(marks, seen.Hip, leg, body);
        var angles = seen with { Hip = hip };
        return new(
            angles,
            ErrorsOf(marks, facing, seen, pictures),
            apart,
            isFlag
                ? new(0, angles.Trunk, 0, 0)
                : new(angles.Elbow, angles.Trunk, angles.Hip - leg.Hip, angles.Knee - leg.Knee)
        );
    }

    /// <summary>The line that was really held: legs as measured, the other one as asked where they differ.</summary>
    public Posture PostureOf(Posture asked)
    {
        var held = new LegPose(Angles.Hip, Math.Max(0, Angles.Knee), Apart);
        return asked.One == asked.Other ? new(held, held)
            : Straighter(asked) == asked.One ? new(held, asked.Other)
            : new(asked.One, held);
    }

    /// <summary>N m at the shoulders of what was held, tilted as it was.</summary>
    public double Moment(LeverBody body, LineFacing facing, Posture asked) =>
        body.ShoulderMoment(PostureOf(asked), facing == LineFacing.Up ? -Angles.Trunk : Angles.Trunk);

    private static LegPose Straighter(Posture posture) =>
        posture.One.Hip + posture.One.Knee <= posture.Other.Hip + posture.Other.Knee ? posture.One : posture.Other;

    /// <summary>
    /// A leg that stands apart looks shorter, and its hip more bent: of a straight one, sin h = r sin p and cos h cos a =
    /// r cos p, where r is how long it looks and p the angle that is seen.
    /// </summary>
    private static (double Hip, double Apart) LegOf(SideMarks marks, double seen, LegPose leg, LeverBody? body)
    {
        if (leg.Abduction == 0 || body is null)
            return (seen, leg.Abduction);
        var looks = (marks.Ankle - marks.Hip).Length / ((marks.Hip - marks.Shoulder).Length * body.LegOfTrunk);
        var (sine, cosine) = Math.SinCos(seen * Math.PI / 180);
        var hip = Math.Asin(Math.Clamp(looks * sine, -1, 1));
        var apart = Math.Acos(Math.Clamp(looks * cosine / Math.Cos(hip), 0, 1));
        return (hip * 180 / Math.PI, apart * 180 / Math.PI);
    }

    /// <summary>Each coordinate moved a little: how much the angles follow, and so how far the marks' error goes.</summary>
    private static LineAngles ErrorsOf(SideMarks marks, LineFacing facing, LineAngles angles, int pictures)
    {
        var sigma = MarkPixels * marks.Length / (BodyPixels * ChainOfStature) / Math.Sqrt(pictures);
        var sums = new double[angles.All.Count];
        var points = marks.Points.ToArray();
        for (var i = 0; i < points.Length; i++)
            foreach (var (x, y) in ((double, double)[])[(Probe, 0), (0, Probe)])
            {
                var moved = points.ToArray();
                moved[i] = new(points[i].X + x, points[i].Y + y);
                var there = LineAngles.Of(SideMarks.Of(moved), facing).All;
                for (var a = 0; a < sums.Length; a++)
                    sums[a] += Math.Pow((there[a] - angles.All[a]) / Probe * sigma, 2);
            }

        var e = sums.Select(Math.Sqrt).ToArray();
        return new(e[0], e[1], e[2], e[3], e[4], e[5]);
    }
}

/// <summary>By how much a line misses what was asked, in degrees.</summary>
/// <param name="Elbow">Its bend: straight is asked.</param>
/// <param name="Trunk">Off level.</param>
/// <param name="Hip">More flexion than asked.</param>
/// <param name="Knee">More flexion than asked.</param>
public sealed record LineOff(double Elbow, double Trunk, double Hip, double Knee)
{
    public double Worst => new[] { Elbow, Trunk, Hip, Knee }.Max(Math.Abs);
}

/// <summary>What a line that sinks asks for.</summary>
public enum LineAdvice
{
    None,

    /// <summary>Rest from it today.</summary>
    Rest,

    /// <summary>It sank twice running: a lighter week.</summary>
    LighterWeek,
}

/// <summary>A line that sinks against the time before means rest from it (common practice, no source).</summary>
public static class LineSink
{
    /// <summary>Degrees of the line from shoulder to ankle (this project's choice).</summary>
    public const double Degrees = 5;

    /// <param name="lines">Off level, above 0 the feet are lower; oldest first, of one step.</param>
    public static LineAdvice Of(IReadOnlyList<double> lines)
    {
        // Feet that come down to level do not sink.
        bool Sank(int at) => at > 0 && lines[at] > 0 && lines[at] - lines[at - 1] >= Degrees;
        var last = lines.Count - 1;
        return !Sank(last) ? LineAdvice.None
            : Sank(last - 1) ? LineAdvice.LighterWeek
            : LineAdvice.Rest;
    }
}
