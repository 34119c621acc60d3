using Cumbre.Core.Figures;
using Cumbre.Core.Levers;
using Cumbre.Core.Lines;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Simulation;

namespace Cumbre.Core.Tests.Lines;

/// <summary>The line meter against bodies whose angles and moments are known, drawn by another part of the core.</summary>
public sealed class LineReadingTests
{
    private const double Stature = 1.741;
    private static readonly FigureBody Drawn = new(SegmentTable.Male, Stature, 73.0);
    private static readonly LeverBody Body = new(SegmentTable.Male, Mass.FromKilograms(73.0m), Stature);

    private static readonly Joint[] Joints =
    [
        Joint.WristRight,
        Joint.ElbowRight,
        Joint.ShoulderRight,
        Joint.HipRight,
        Joint.KneeRight,
        Joint.AnkleRight,
    ];

    private static Figure Lever(string lever, double trunk, double hip, double knee, double elbow = 0)
    {
        var pose = PoseBook.Shipped.Poses[lever];
        return PoseSolver.Resolve(
            pose with
            {
                Trunk = pose.Trunk + trunk,
                Arm = pose.Arm with { Elbow = elbow },
                Leg = new(hip, knee),
                // A drawn shoulder lies off the middle by the blades, which a picture does not tell.
                BladesUp = 0,
                BladesForward = 0,
            },
            Drawn
        );
    }

    private static (double, double)[] Seen(Figure figure) => [.. Joints.Select(figure.Seen)];

    private static SideMarks Marks(Figure figure, bool mirrored = false) =>
        SideMarks.Of([
            .. Seen(figure)
                .Select(p => new PicturePoint((mirrored ? -1 : 1) * p.Item1 * 345 + 400, 300 - p.Item2 * 345)),
        ]);

    private static LineFacing FacingOf(string lever) =>
        lever.StartsWith("front", StringComparison.Ordinal) ? LineFacing.Up : LineFacing.Down;

    public static TheoryData<string, double, double, double, double> Lines =>
        new()
        {
            { "front-lever-full", 0, 0, 0, 0 },
            { "front-lever-full", 0, 90, 90, 0 },
            { "front-lever-full", 12, 30, 0, 0 },
            { "front-lever-full", -15, -10, 20, 0 },
            { "back-lever-full", 0, 20, 40, 0 },
            { "back-lever-full", 10, 0, 0, 0 },
            { "planche-full", 0, 15, 0, 0 },
            { "planche-full", -8, 90, 90, 0 },
        };

    [Theory]
    [MemberData(nameof(Lines))]
    public void Angles_and_moment_are_those_of_the_drawn_body(
        string lever,
        double trunk,
        double hip,
        double knee,
        double elbow
    )
    {
        var figure = Lever(lever, trunk, hip, knee, elbow);
        var facing = FacingOf(lever);
        foreach (var mirrored in new[] { false, true })
        {
            var reading = LineReading.Of(Marks(figure, mirrored), facing, Posture.Full, Body);
            Assert.Equal(hip, reading.Angles.Hip, 6);
            Assert.Equal(knee, reading.Angles.Knee, 6);
            Assert.Equal(elbow, reading.Angles.Elbow, 6);
            // Leaning clockwise lets the feet of a front lever rise, and those of the others sink.
            Assert.Equal(facing == LineFacing.Up ? trunk : -trunk, reading.Angles.Trunk, 6);
            Assert.InRange(reading.Moment(Body, facing, Posture.Full) / figure.ShoulderMoment(), 0.985, 1.015);
        }
    }

    [Fact]
    public void An_elbow_that_bends_is_seen_and_ten_degrees_break_the_line()
    {
        var bent = LineReading.Of(Marks(Lever("front-lever-full", 0, 0, 0, 25)), LineFacing.Up, Posture.Full);
        Assert.Equal(25, bent.Angles.Elbow, 6);
        Assert.False(bent.Holds);
        Assert.True(LineReading.Of(Marks(Lever("front-lever-full", 0, 9.9, 0)), LineFacing.Up, Posture.Full).Holds);
        Assert.False(LineReading.Of(Marks(Lever("front-lever-full", 0, 10.1, 0)), LineFacing.Up, Posture.Full).Holds);
        // The same hips are what the advanced tuck asks.
        var tuck = Lever("front-lever-full", 0, 90, 90);
        Assert.True(LineReading.Of(Marks(tuck), LineFacing.Up, Posture.AdvancedTuck).Holds);
        Assert.False(LineReading.Of(Marks(tuck), LineFacing.Up, Posture.Full).Holds);
    }

    /// <summary>Of a straddle the picture shows how short the legs look; of one leg, the straight one is marked.</summary>
    [Fact]
    public void Legs_that_a_picture_hides_are_told_from_the_rest()
    {
        var pose = PoseBook.Shipped.Poses["front-lever-full"];
        foreach (var hip in new[] { 0.0, 12, -8 })
        {
            var legs = new LegAngles(hip, 0, 40);
            var straddle = PoseSolver.Resolve(pose with { Leg = legs, BladesUp = 0, BladesForward = 0 }, Drawn);
            var reading = LineReading.Of(Marks(straddle), LineFacing.Up, Posture.Straddle(45), Body);
            Assert.Equal(40, reading.Apart, 6);
            Assert.Equal(hip, reading.Angles.Hip, 6);
            Assert.InRange(
                reading.Moment(Body, LineFacing.Up, Posture.Straddle(45))
                    / Body.ShoulderMoment(Posture.Both(new(hip, 0, 40))),
                0.999,
                1.001
            );
        }

        var one = LineReading.Of(Marks(Lever("front-lever-full", 0, 0, 0)), LineFacing.Up, Posture.OneLeg, Body);
        Assert.Equal(Posture.OneLeg.One, one.PostureOf(Posture.OneLeg).One);
        Assert.InRange(
            one.Moment(Body, LineFacing.Up, Posture.OneLeg) / Body.ShoulderMoment(Posture.OneLeg),
            0.999,
            1.001
        );
    }

    /// <summary>
    /// 200 holds before the simulated camera, whose marks are off by 2 px for a body of 600 px, a second of ten pictures
    /// each: every angle lies within 2 degrees of the truth in 95 %. A single picture says the line as well, hips and
    /// elbows not: its own errors say so.
    /// </summary>
    [Fact]
    public void Holds_before_the_simulated_camera_are_measured_within_2_degrees()
    {
        var random = new Random(22);
        var (held, single, told) = (new List<double>(), new List<double>(), new List<double>());
        for (var i = 0; i < 200; i++)
        {
            var lever = i % 2 == 0 ? "front-lever-full" : "planche-full";
            var figure = Lever(
                lever,
                random.NextDouble() * 30 - 15,
                random.NextDouble() * 100,
                random.NextDouble() * 100,
                random.NextDouble() * 20
            );
            var truth = LineAngles.Of(Marks(figure), FacingOf(lever)).All;
            var pictures = SimulatedCamera
                .Marks(Seen(figure), Stature, i)
                .Take(SimulatedCamera.Pictures)
                .Select(m => SideMarks.Of([.. m.Select(p => new PicturePoint(p.X, p.Y))]))
                .ToArray();
            var mean = SideMarks.Mean(pictures)!;
            var reading = LineReading.Of(mean, FacingOf(lever), Posture.Full, Body, pictures.Length);
            held.AddRange(reading.Angles.All.Zip(truth, (a, b) => Math.Abs(a - b)));
            var first = LineReading.Of(pictures[0], FacingOf(lever), Posture.Full, Body);
            single.Add(Math.Abs(first.Angles.Line - truth[5]));
            told.AddRange(
                first.Angles.All.Zip(truth, (a, b) => a - b).Zip(first.Errors.All, (off, error) => off / error)
            );
        }

        Assert.InRange(held.Count(d => d <= 2) / (double)held.Count, 0.95, 1);
        Assert.InRange(single.Count(d => d <= 2) / (double)single.Count, 0.95, 1);
        // What is told as one standard error is one: 68 % of a normal error lie within it.
        Assert.InRange(told.Count(d => Math.Abs(d) <= 1) / (double)told.Count, 0.63, 0.73);
    }

    [Fact]
    public void A_body_that_moves_between_the_pictures_is_no_hold()
    {
        var still = Marks(Lever("front-lever-full", 0, 0, 0));
        var moved = Marks(Lever("front-lever-full", 0, 12, 0));
        Assert.NotNull(SideMarks.Mean([still, still]));
        Assert.Null(SideMarks.Mean([still, moved]));
        Assert.Throws<RuleViolationException>(() => SideMarks.Mean([]));
        Assert.Throws<RuleViolationException>(() => SideMarks.Of([.. still.Points.Take(5)]));
        Assert.Throws<RuleViolationException>(() => SideMarks.Of([.. still.Points.Take(5), still.Points[4]]));
        Assert.Throws<RuleViolationException>(() =>
            SideMarks.Of([.. still.Points.Take(5), new PicturePoint(double.NaN, 0)])
        );
    }

    // Common practice, no source: a line that sinks means rest from it today; twice, a lighter week.
    [Theory]
    [InlineData(LineAdvice.None, new double[] { 2 })]
    [InlineData(LineAdvice.None, new double[] { 2, 6.9 })]
    [InlineData(LineAdvice.Rest, new double[] { 2, 7 })]
    [InlineData(LineAdvice.Rest, new double[] { 8, 2, 7 })]
    [InlineData(LineAdvice.Rest, new double[] { 2, 6.9, 12 })]
    [InlineData(LineAdvice.LighterWeek, new double[] { 2, 7, 12 })]
    [InlineData(LineAdvice.None, new double[] { 2, 7, 12, 12 })]
    [InlineData(LineAdvice.None, new double[] { })]
    [InlineData(LineAdvice.None, new double[] { -20, -8 })]
    [InlineData(LineAdvice.None, new double[] { -8, 0 })]
    [InlineData(LineAdvice.Rest, new double[] { -4, 1 })]
    public void A_line_that_sinks_asks_for_rest(LineAdvice advice, double[] lines) =>
        Assert.Equal(advice, LineSink.Of(lines));
}
