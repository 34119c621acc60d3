namespace Cumbre.Core.Figures;

/// <summary>Finds the free numbers of a pose for a body by Newton steps.</summary>
public static class PoseSolver
{
    private const int StepsMaximum = 60;

    /// <summary>Metres.</summary>
    private const double Near = 1e-7;

    /// <summary>Degrees.</summary>
    private const double Probe = 0.01,
        StepMaximum = 12;

    /// <summary>The figure; where no numbers meet the conditions, it says by how much they are missed.</summary>
    public static Figure Resolve(Pose pose, FigureBody body)
    {
        var free = pose.Free.ToList();
        if (pose.Grip is not null && free.TrueForAll(f => f.Variable != PoseVariable.Out))
            free.Add((PoseVariable.Out, PoseCondition.Grip));
        var stay = pose.Stay is { } other ? Resolve(other, body) : null;
        var now = pose;
        var (figure, errors) = Look(now);
        for (var n = 0; n < StepsMaximum && Worst(errors) > Near; n++)
        {
            var slopes = new double[free.Count, free.Count];
            for (var c = 0; c < free.Count; c++)
            {
                var (_, probed) = Look(now.With(free[c].Variable, now[free[c].Variable] + Probe));
                for (var r = 0; r < free.Count; r++)
                    slopes[r, c] = (probed[r] - errors[r]) / Probe;
            }

            if (Solve(slopes, errors) is not { } step)
                break;
            for (var c = 0; c < free.Count; c++)
                now = now.With(
                    free[c].Variable,
                    now[free[c].Variable] - Math.Clamp(step[c], -StepMaximum, StepMaximum)
                );
            (figure, errors) = Look(now);
        }

        return new(Flat(now), body) { Misfit = Worst(errors) };

        (Figure, double[]) Look(Pose at)
        {
            var found = new Figure(Flat(at), body);
            return (found, [.. free.Select(f => Missed(f.Condition, found, stay))]);
        }
    }

    /// <summary>
    /// A position between two that are resolved: every number runs evenly, and what touches stays where it is. Nothing
    /// balances on the way: a movement has momentum.
    /// </summary>
    /// <param name="from">Start.</param>
    /// <param name="to">End.</param>
    /// <param name="share">0 to 1.</param>
    public static Figure Between(Figure from, Figure to, double share)
    {
        var (a, b) = (from.Pose, to.Pose);
        double Mix(double x, double y) => x + (y - x) * share;
        ArmAngles Arms(ArmAngles x, ArmAngles y) =>
            new(Mix(x.Flexion, y.Flexion), Mix(x.Elbow, y.Elbow), Mix(x.Out, y.Out), Mix(x.Twist, y.Twist));
        LegAngles Legs(LegAngles x, LegAngles y) =>
            new(
                Mix(x.Hip, y.Hip),
                Mix(x.Knee, y.Knee),
                Mix(x.Out, y.Out),
                x.Foot is null && y.Foot is null ? null : Mix(x.Foot ?? Pose.Pointed, y.Foot ?? Pose.Pointed)
            );
        var mixed = (share < 0.5 ? a : b) with
        {
            Trunk = Mix(a.Trunk, b.Trunk),
            Round = Mix(a.Round, b.Round),
            Neck = Mix(a.Neck, b.Neck),
            BladesUp = Mix(a.BladesUp, b.BladesUp),
            BladesForward = Mix(a.BladesForward, b.BladesForward),
            Arm = Arms(a.Arm, b.Arm),
            Leg = Legs(a.Leg, b.Leg),
            ArmLeft = a.ArmLeft is null && b.ArmLeft is null ? null : Arms(a.ArmLeft ?? a.Arm, b.ArmLeft ?? b.Arm),
            LegLeft = a.LegLeft is null && b.LegLeft is null ? null : Legs(a.LegLeft ?? a.Leg, b.LegLeft ?? b.Leg),
            Stay = a.Stay ?? b.Stay,
            Free = Contacts(a, b),
        };
        return Resolve(mixed, from.Body);
    }

    /// <summary>Feet, grip and level hands hold all the way if either end says so; what ends a movement, only if
    /// both do.</summary>
    private static List<(PoseVariable, PoseCondition)> Contacts(Pose a, Pose b)
    {
        var kept = new List<(PoseVariable Variable, PoseCondition Condition)>();
        foreach (var free in a.Free.Concat(b.Free))
        {
            var holds = free.Condition switch
            {
                PoseCondition.Feet
                or PoseCondition.FootLeft
                or PoseCondition.Stay
                or PoseCondition.Grip
                or PoseCondition.Level
                or PoseCondition.Upright
                or PoseCondition.Knees => true,
                PoseCondition.Wall or PoseCondition.Seat => Has(a, free.Condition) && Has(b, free.Condition),
                _ => false,
            };
            if (holds && kept.TrueForAll(k => k.Condition != free.Condition && k.Variable != free.Variable))
                kept.Add(free);
        }

        return kept;
    }

    private static bool Has(Pose pose, PoseCondition condition) => pose.Free.Any(f => f.Condition == condition);

    /// <summary>Feet that stand are flat on the floor.</summary>
    private static Pose Flat(Pose pose)
    {
        if (pose.Hold != PoseHold.Feet)
            return pose;
        LegAngles Of(LegAngles leg) =>
            leg.Foot is null ? leg with { Foot = 90 + pose.Trunk - leg.Hip + leg.Knee } : leg;
        return pose with { Leg = Of(pose.Leg), LegLeft = pose.LegLeft is { } left ? Of(left) : null };
    }

    private static double Missed(PoseCondition condition, Figure figure, Figure? stay)
    {
        var ground = (figure.Floor ?? 0) + (figure.Pose.Kit.Box ?? 0);
        switch (condition)
        {
            case PoseCondition.Balance:
                return figure.Centre.X;
            case PoseCondition.Feet:
                return figure.FeetLowest() - ground;
            case PoseCondition.FootLeft:
                return figure.FeetLowest(leftOnly: true) - ground;
            case PoseCondition.Plumb:
                return figure[Joint.ElbowRight].X - figure[Joint.WristRight].X;
            case PoseCondition.Grip:
                var apart = figure[Joint.KnucklesRight] - figure[Joint.KnucklesLeft];
                return (figure.Pose.View == PoseView.Front ? apart.Length : Math.Abs(apart.Z))
                    - figure.Pose.Grip!.Value;
            case PoseCondition.Wall:
                return figure.FromWall();
            case PoseCondition.Level:
                return figure[Joint.KnucklesLeft].Y - figure[Joint.KnucklesRight].Y;
            case PoseCondition.Upright:
                return figure[Joint.KnucklesLeft].X - figure[Joint.KnucklesRight].X;
            case PoseCondition.Head:
                return figure.HeadLowest - (figure.Floor ?? 0);
            case PoseCondition.Knees:
                return figure.KneesLowest - (figure.Floor ?? 0);
            case PoseCondition.Seat:
                return figure.HipsLowest - (figure.Floor ?? 0);
            case PoseCondition.Stay:
                var point = stay!.FootPoint();
                return figure[point].X - stay[point].X;
            default:
                throw new ArgumentOutOfRangeException(nameof(condition));
        }
    }

    private static double Worst(double[] errors) => errors.Length == 0 ? 0 : errors.Max(Math.Abs);

    /// <summary>Gauss with the largest pivot; null: the numbers do not decide it.</summary>
    private static double[]? Solve(double[,] slopes, double[] errors)
    {
        var n = errors.Length;
        var y = errors.ToArray();
        for (var i = 0; i < n; i++)
        {
            var pivot = i;
            for (var r = i + 1; r < n; r++)
                if (Math.Abs(slopes[r, i]) > Math.Abs(slopes[pivot, i]))
                    pivot = r;
            if (Math.Abs(slopes[pivot, i]) < 1e-12)
                return null;
            for (var c = 0; c < n; c++)
                (slopes[i, c], slopes[pivot, c]) = (slopes[pivot, c], slopes[i, c]);
            (y[i], y[pivot]) = (y[pivot], y[i]);
            for (var r = 0; r < n; r++)
            {
                if (r == i)
                    continue;
                var factor = slopes[r, i] / slopes[i, i];
                for (var c = i; c < n; c++)
                    slopes[r, c] -= factor * slopes[i, c];
                y[r] -= factor * y[i];
            }
        }

        return [.. y.Select((value, i) => value / slopes[i, i])];
    }
}
