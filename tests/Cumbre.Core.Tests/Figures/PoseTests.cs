using Cumbre.Core.Figures;
using Cumbre.Core.Levers;
using Cumbre.Core.Movements;

namespace Cumbre.Core.Tests.Figures;

/// <summary>Every pose of the catalogue can be held by bodies of every build, and weighs what the lever model says.</summary>
public sealed class PoseTests
{
    private static readonly FigureBody ReferenceMan = new(SegmentTable.Male, 1.741, 73.0);

    /// <summary>Short and tall, of both tables; the range is this project's choice.</summary>
    private static readonly FigureBody[] Builds =
    [
        new(SegmentTable.Male, 1.741),
        new(SegmentTable.Female, 1.735),
        new(SegmentTable.Female, 1.55),
        new(SegmentTable.Male, 1.62),
        new(SegmentTable.Female, 1.85),
        new(SegmentTable.Male, 1.95),
    ];

    public static TheoryData<string> Poses => [.. PoseBook.Shipped.Poses.Keys];

    public static TheoryData<string> Movements => [.. PoseBook.Shipped.Movements.Keys];

    [Fact]
    public void Every_movement_has_a_figure() =>
        Assert.Empty(Catalogue.Shipped.Movements.Keys.Except(PoseBook.Shipped.Movements.Keys));

    [Fact]
    public void No_pose_stands_in_the_book_for_nothing() =>
        Assert.Empty(
            PoseBook
                .Shipped.Poses.Keys.Except(PoseBook.Shipped.Movements.Values.SelectMany(m => m.Keys))
                .Except(PoseBook.Shipped.Forms.Values.SelectMany(f => f).Select(f => f.Wrong))
        );

    public static TheoryData<string, string> Faults =>
        [.. PoseBook.Shipped.Forms.SelectMany(f => f.Value.Select(x => (f.Key, x.Fault)))];

    // By about 10 degrees a line or an elbow breaks (common practice, no source); of heights a hand's breadth is seen.
    [Theory]
    [MemberData(nameof(Faults))]
    public void A_fault_is_seen_and_called_as_the_movement_calls_it(string movement, string name)
    {
        var fault = PoseBook.Shipped.Forms[movement].Single(f => f.Fault == name);
        Assert.Contains(name, Catalogue.Shipped.Movements[movement].Faults);
        if (fault.Mark is not { } mark)
            return;
        var (right, wrong) = (
            mark.Of(PoseSolver.Resolve(PoseBook.Shipped.Poses[fault.Right], ReferenceMan)),
            mark.Of(PoseSolver.Resolve(PoseBook.Shipped.Poses[fault.Wrong], ReferenceMan))
        );
        var least = mark.Kind == FormMarkKind.Height ? 30 : 10;
        Assert.True(Math.Abs(wrong - right) >= least, $"{right:0.0} right, {wrong:0.0} wrong");
        if (mark.Kind is FormMarkKind.Line or FormMarkKind.Level or FormMarkKind.Plumb)
            Assert.InRange(right, 0, 4);
    }

    [Theory]
    [InlineData("pull-up")]
    [InlineData("parallel-bar-dip")]
    [InlineData("push-up")]
    [InlineData("front-lever-full")]
    [InlineData("back-lever-full")]
    [InlineData("planche-full")]
    [InlineData("handstand")]
    [InlineData("bar-muscle-up")]
    public void Three_faults_at_least_are_drawn(string movement) =>
        Assert.InRange(PoseBook.Shipped.Forms[movement].Count, 3, 9);

    [Theory]
    [MemberData(nameof(Poses))]
    public void A_body_of_any_build_can_hold(string name)
    {
        foreach (var body in Builds)
        {
            var findings = PoseCheck.Findings(PoseSolver.Resolve(PoseBook.Shipped.Poses[name], body));
            Assert.True(findings.Count == 0, $"{body.Stature:0.00} m: {string.Join("; ", findings)}");
        }
    }

    [Theory]
    [MemberData(nameof(Movements))]
    public void A_body_can_go_from_position_to_position(string slug)
    {
        var keys = PoseBook.Shipped.Movements[slug].Keys;
        foreach (var body in Builds.Take(3))
        {
            var figures = keys.Select(k => PoseSolver.Resolve(PoseBook.Shipped.Poses[k], body)).ToArray();
            foreach (var (from, to) in figures.Zip(figures.Skip(1)))
            foreach (var share in (double[])[0.25, 0.5, 0.75])
            {
                var findings = PoseCheck.Findings(PoseSolver.Between(from, to, share));
                Assert.True(findings.Count == 0, $"{body.Stature:0.00} m at {share}: {string.Join("; ", findings)}");
            }
        }
    }

    /// <summary>The lever model's own figures for the reference man (de Leva 1996 from memory, worked by hand).</summary>
    [Theory]
    [InlineData("tuck", 186.3, 25.4)]
    [InlineData("advanced-tuck", 226.9, 31.5)]
    [InlineData("one-leg", 241.4, 33.7)]
    [InlineData("straddle", 269.7, 38.3)]
    [InlineData("half-lay", 274.8, 39.2)]
    [InlineData("full", 296.4, 43.0)]
    public void The_drawn_lever_weighs_what_the_model_says(string posture, double moment, double arms)
    {
        var figure = PoseSolver.Resolve(PoseBook.Shipped.Poses[$"front-lever-{posture}"], ReferenceMan);
        Assert.InRange(figure.ShoulderMoment() / moment, 0.99, 1.01);
        Assert.InRange(figure.ArmAngle, arms - 0.3, arms + 0.3);
    }

    /// <summary>The lever model's own figures for the reference man, hands 0.9 m apart.</summary>
    [Theory]
    [InlineData("tuck", 648.1)]
    [InlineData("straddle", 738.2)]
    [InlineData("full", 767.8)]
    public void The_drawn_flag_pulls_what_the_model_says(string posture, double newton) =>
        Assert.InRange(
            PoseSolver.Resolve(PoseBook.Shipped.Poses[$"human-flag-{posture}"], ReferenceMan).FlagPull() / newton,
            0.99,
            1.01
        );

    /// <summary>The same postures in the model, for a body with lengths of its own.</summary>
    [Theory]
    [InlineData("front-lever-tuck", 125, 140, 0)]
    [InlineData("front-lever-advanced-tuck", 90, 90, 0)]
    [InlineData("back-lever-straddle", 0, 0, 45)]
    [InlineData("back-lever-full", 0, 0, 0)]
    [InlineData("planche-half-lay", 0, 90, 0)]
    public void Measured_lengths_change_picture_and_model_alike(string pose, double hip, double knee, double apart)
    {
        var lengths = new MeasuredLengths(Arm: 0.70, Trunk: 0.55, Thigh: 0.46, Shank: 0.41);
        var model = new LeverBody(
            SegmentTable.Female,
            Core.Measures.Mass.FromKilograms(61),
            1.70,
            lengths
        ).ShoulderMoment(Posture.Both(new(hip, knee, apart)));
        var figure = PoseSolver.Resolve(
            PoseBook.Shipped.Poses[pose],
            new FigureBody(SegmentTable.Female, 1.70, 61, lengths)
        );
        Assert.InRange(figure.ShoulderMoment() / model, 0.99, 1.01);
    }

    /// <summary>Suprak et al. 2011 (from memory): 69.2 % of body weight on the hands in the upper position.</summary>
    [Fact]
    public void The_push_up_carries_its_share_on_the_hands()
    {
        var figure = PoseSolver.Resolve(PoseBook.Shipped.Poses["push-up-up"], ReferenceMan);
        double Middle(Joint right, Joint left) => (figure[right].X + figure[left].X) / 2;
        var feet = Middle(Joint.BallRight, Joint.BallLeft);
        var hands = Middle(Joint.KnucklesRight, Joint.KnucklesLeft);
        Assert.InRange((figure.Centre.X - feet) / (hands - feet), 0.67, 0.73);
    }

    [Fact]
    public void A_pose_that_cannot_be_is_told()
    {
        PoseFault[] Of(Pose pose) =>
            [.. PoseCheck.Findings(PoseSolver.Resolve(pose, ReferenceMan)).Select(f => f.Fault)];
        var hang = PoseBook.Shipped.Poses["relaxed-hang"];
        Assert.Empty(Of(hang));
        // Both arms.
        Assert.Equal([PoseFault.Joint, PoseFault.Joint], Of(hang.With(PoseVariable.Elbow, 155.2)));
        Assert.Empty(Of(hang.With(PoseVariable.Elbow, 155)));
        Assert.Equal([PoseFault.Floor], Of(hang with { Kit = new(Apparatus.Bar, Height: 1.9) }));
        Assert.Equal(
            [PoseFault.Contact],
            Of(PoseBook.Shipped.Poses["push-up-up"] with { Kit = new(Apparatus.Floor, Box: 2.6) })
        );
    }

    [Fact]
    public void It_is_said_in_words()
    {
        var reading = PoseReading.Of(PoseSolver.Resolve(PoseBook.Shipped.Poses["front-lever-one-leg"], ReferenceMan));
        Assert.Equal(
            new(
                PoseHold.Hands,
                Apparatus.Bar,
                false,
                TrunkIs.LevelFaceUp,
                0,
                new(ArmIs.InFront, 55, 0),
                null,
                new(125, 140, 0),
                new(0, 0, 0)
            ),
            reading
        );
    }
}
