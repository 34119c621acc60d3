using Cumbre.Core.Figures;
using Cumbre.Core.Levers;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;

namespace Cumbre.Core.Tests.Figures;

/// <summary>Joints that are turned by hand: what holds stays, what is solved is solved again.</summary>
public sealed class PoseTurningTests
{
    private static readonly FigureBody Man = new(SegmentTable.Male, 1.741, 73.0);

    private static Figure Of(string pose) => PoseSolver.Resolve(PoseBook.Shipped.Poses[pose], Man);

    /// <summary>With nothing that is solved.</summary>
    private static Figure Freed(string pose) => PoseSolver.Resolve(Of(pose).Pose with { Free = [], Grip = null }, Man);

    public static TheoryData<string> Poses => [.. PoseBook.Shipped.Poses.Keys];

    [Theory]
    [InlineData("active-hang", PoseVariable.Hip, 60)]
    [InlineData("active-hang", PoseVariable.Knee, 60)]
    [InlineData("front-lever-full", PoseVariable.Hip, 90)]
    [InlineData("planche-full", PoseVariable.Knee, 45)]
    [InlineData("front-lever-one-leg", PoseVariable.HipLeft, 40)]
    public void Only_what_lies_beyond_goes_along(string name, PoseVariable variable, double value)
    {
        var before = Freed(name);
        var after = PoseTurning.Turn(before, variable, value);
        Assert.Equal(value, after.Pose[variable], 9);
        foreach (var joint in (Joint[])[Joint.WristRight, Joint.ShoulderRight, Joint.HipRight, Joint.HipLeft])
            Assert.InRange((after[joint] - before[joint]).Length, 0, 1e-9);
        var side = variable == PoseVariable.HipLeft ? Joint.AnkleLeft : Joint.AnkleRight;
        Assert.InRange((after[side] - before[side]).Length, 0.2, 2);
    }

    [Fact]
    public void A_trunk_turns_about_the_shoulders_while_the_arms_hold()
    {
        var before = Freed("active-hang");
        var after = PoseTurning.Turn(before, PoseVariable.Trunk, before.Pose.Trunk - 40);
        Assert.InRange((after[Joint.ShoulderRight] - before[Joint.ShoulderRight]).Length, 0, 1e-9);
        Assert.Equal(before.Pose.Arm.Flexion - 40, after.Pose.Arm.Flexion, 9);
    }

    [Fact]
    public void On_the_feet_the_legs_stay_while_the_trunk_leans()
    {
        var before = Freed("stand");
        var leaning = PoseTurning.Turn(before, PoseVariable.Trunk, before.Pose.Trunk + 30);
        Assert.InRange((leaning[Joint.HipRight] - before[Joint.HipRight]).Length, 0, 1e-9);
        Assert.True(leaning[Joint.Shoulders].X > before[Joint.Shoulders].X + 0.2);
        var handles = PoseTurning.Handles(before.Pose);
        Assert.Equal(Joint.Shoulders, handles.Single(h => h.Variable == PoseVariable.Trunk).Joint);
        Assert.Null(handles.Single(h => h.Variable == PoseVariable.Foot).Joint);
    }

    /// <summary>The lever balances again: its moment is that of the model for the new line (hips and knees at 45).</summary>
    [Fact]
    public void What_is_solved_is_solved_again()
    {
        var lever = new LeverBody(SegmentTable.Male, Mass.FromKilograms(73.0m), 1.741);
        var full = Of("front-lever-full");
        Assert.Equal(
            PoseCondition.Balance,
            PoseTurning.Handles(full.Pose).Single(h => h.Variable == PoseVariable.Arm).Solved
        );
        var bent = PoseTurning.Turn(PoseTurning.Turn(full, PoseVariable.Hip, 45), PoseVariable.Knee, 45);
        Assert.InRange(bent.Centre.X, -1e-6, 1e-6);
        var expected = lever.ShoulderMoment(Posture.Both(new(45, 45)));
        Assert.InRange(bent.ShoulderMoment() / expected, 0.995, 1.005);
        var arms = lever.ArmAngle(Posture.Both(new(45, 45)))!.Value;
        Assert.InRange(bent.ArmAngle, arms - 0.1, arms + 0.1);
        // 2 kg at the ankles cost what the model says, and help that takes them away is their weight.
        var weighted = new LeverBody(SegmentTable.Male, Mass.FromKilograms(73.0m), 1.741, null, Mass.FromKilograms(2));
        Assert.InRange(bent.ShoulderMoment(2) / weighted.ShoulderMoment(Posture.Both(new(45, 45))), 0.995, 1.005);
        Assert.Equal(
            2 * LeverBody.Gravity,
            bent.HelpFor(bent.ShoulderMoment(2) - bent.ShoulderMoment(), BodyPoint.Ankles),
            6
        );
    }

    /// <summary>Worked for the reference man: 50.4 N at the ankles, 134.8 N at the hips and 188.0 N at the waist make the
    /// full lever cost what the advanced tuck costs.</summary>
    [Fact]
    public void Help_at_a_place_takes_its_moment_away()
    {
        var (full, tuck) = (Of("front-lever-full"), Of("front-lever-advanced-tuck"));
        var moment = full.ShoulderMoment() - tuck.ShoulderMoment();
        Assert.InRange(full.HelpFor(moment, BodyPoint.Ankles), 50.4 * 0.99, 50.4 * 1.01);
        Assert.InRange(full.HelpFor(moment, BodyPoint.Hips), 134.8 * 0.99, 134.8 * 1.01);
        Assert.InRange(full.HelpFor(moment, BodyPoint.Waist), 188.0 * 0.99, 188.0 * 1.01);
        Assert.Equal(0, full.HelpFor(-1, BodyPoint.Hips));
        // The planche falls to the other side of its hands.
        Assert.True(Of("planche-full").HelpFor(10, BodyPoint.Ankles) > 0);
    }

    [Theory]
    [MemberData(nameof(Poses))]
    public void A_joint_that_is_dragged_comes_as_near_as_its_segment_reaches(string name)
    {
        var figure = Of(name);
        foreach (var handle in PoseTurning.Handles(figure.Pose).Where(h => h is { Joint: not null, Solved: null }))
        {
            var joint = handle.Joint!.Value;
            // To where it is itself nothing moves, unless a multiple of 5 is as near.
            var (x, y) = figure.Seen(joint);
            Assert.Same(figure, PoseTurning.Drag(figure, joint, x, y));
            var goal = Math.Clamp(Math.Round((handle.Value + 25) / 5) * 5, handle.From, handle.To);
            var turned = PoseTurning.Turn(figure, handle.Variable, goal);
            if (turned.Misfit > 0.004)
                continue;
            var (goalX, goalY) = turned.Seen(joint);
            var dragged = PoseTurning.Drag(figure, joint, goalX, goalY);
            var (atX, atY) = dragged.Seen(joint);
            Assert.InRange(Math.Sqrt(Math.Pow(atX - goalX, 2) + Math.Pow(atY - goalY, 2)), 0, 0.002);
        }
    }

    [Theory]
    [MemberData(nameof(Poses))]
    public void A_pose_that_was_written_out_is_the_same(string name)
    {
        var pose = PoseBook.Shipped.Poses[name];
        var read = PoseBook.Shipped.Read(PoseBook.Shipped.Entry(pose));
        Assert.Equal(pose with { Free = [], Stay = null }, read with { Free = [], Stay = null });
        Assert.Equal(pose.Free, read.Free);
        Assert.Same(pose.Stay, read.Stay);
    }

    [Fact]
    public void A_handle_that_is_solved_or_none_is_not_dragged()
    {
        var lever = Of("front-lever-full");
        Assert.Same(lever, PoseTurning.Drag(lever, Joint.ShoulderRight, 0.5, -0.5));
        Assert.Same(lever, PoseTurning.Drag(lever, Joint.Chin, 0.5, -0.5));
    }
}
