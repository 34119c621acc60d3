using Cumbre.Core.Figures;
using Cumbre.Core.Lines;
using Cumbre.Server.Hosting;
using Cumbre.Simulation;

namespace Cumbre.Server.Lines;

/// <summary>The camera that is not there: it sees somebody who nearly holds the line that is asked.</summary>
public sealed class SimulatedLineCamera : ILineCamera
{
    /// <summary>Degrees on either side by which trunk, hips and knees miss the line.</summary>
    private const double MissMaximum = 12;

    private int shots;

    public CameraShot Shoot(Figure pose)
    {
        var seed = Interlocked.Increment(ref shots);
        var random = new Random(seed);
        double Miss() => (2 * random.NextDouble() - 1) * MissMaximum;
        var line = pose.Pose;
        // It stands beside whoever holds a lever, and before a flag.
        var view = line.View == PoseView.Front ? PoseView.Front : PoseView.Side;
        var held = PoseTurning.Bent(
            line with
            {
                View = view,
                Trunk = line.Trunk + Miss(),
            },
            Math.Abs(Miss()),
            Math.Abs(Miss())
        );
        var figure = PoseSolver.Resolve(held, pose.Body);
        var seen = Marked(figure);
        var centre = new Point3(
            (seen.Min(s => s.X) + seen.Max(s => s.X)) / 2,
            (seen.Min(s => s.Y) + seen.Max(s => s.Y)) / 2,
            0
        );
        return new(
            figure,
            SimulatedCamera.Scale(pose.Body.Stature),
            SimulatedCamera.Width,
            SimulatedCamera.Height,
            centre,
            [
                .. SimulatedCamera
                    .Marks([.. seen.Select(s => (s.X - centre.X, s.Y - centre.Y))], pose.Body.Stature, seed)
                    .Take(SimulatedCamera.Pictures)
                    .Select(m => SideMarks.Of([.. m.Select(p => new PicturePoint(p.X, p.Y))])),
            ]
        );
    }

    /// <summary>Of two legs that differ the straighter one is marked, of a flag the middle of the body.</summary>
    private static (double X, double Y)[] Marked(Figure figure)
    {
        var pose = figure.Pose;
        (double X, double Y) Middle(Joint right, Joint left)
        {
            var (a, b) = (figure.Seen(right), figure.Seen(left));
            return ((a.X + b.X) / 2, (a.Y + b.Y) / 2);
        }

        (double X, double Y)[] arm = [figure.Seen(Joint.WristRight), figure.Seen(Joint.ElbowRight)];
        if (pose.View == PoseView.Front)
            return
            [
                .. arm,
                figure.Seen(Joint.Shoulders),
                figure.Seen(Joint.Hips),
                Middle(Joint.KneeRight, Joint.KneeLeft),
                Middle(Joint.AnkleRight, Joint.AnkleLeft),
            ];
        var left = pose.LegLeft is { } other && other.Hip + other.Knee < pose.Leg.Hip + pose.Leg.Knee;
        return
        [
            .. arm,
            figure.Seen(Joint.ShoulderRight),
            figure.Seen(left ? Joint.HipLeft : Joint.HipRight),
            figure.Seen(left ? Joint.KneeLeft : Joint.KneeRight),
            figure.Seen(left ? Joint.AnkleLeft : Joint.AnkleRight),
        ];
    }
}
