namespace Cumbre.Core.Figures;

/// <summary>What shows a fault of form.</summary>
public enum FormMarkKind
{
    /// <summary>Three joints that should lie in one line as it is seen: degrees off it.</summary>
    Line,

    /// <summary>The angle at the second of three joints, degrees.</summary>
    Angle,

    /// <summary>The first joint over the second, millimetres.</summary>
    Height,

    /// <summary>The line of two joints against level, degrees.</summary>
    Level,

    /// <summary>The line of two joints against upright, degrees.</summary>
    Plumb,
}

/// <param name="Joints">Two or three, as the kind asks.</param>
public sealed record FormMark(FormMarkKind Kind, IReadOnlyList<Joint> Joints)
{
    /// <summary>Read off a figure: angles of a joint as they are, everything else as it is seen.</summary>
    public double Of(Figure figure)
    {
        var (a, b) = (figure[Joints[0]], figure[Joints[1]]);
        switch (Kind)
        {
            case FormMarkKind.Height:
                return (a.Y - b.Y) * 1000;
            case FormMarkKind.Level:
                return Degrees(Math.Atan2(Math.Abs(b.Y - a.Y), Math.Abs(b.X - a.X)));
            case FormMarkKind.Plumb:
                return Degrees(Math.Atan2(Math.Abs(b.X - a.X), Math.Abs(b.Y - a.Y)));
            default:
                var c = figure[Joints[2]];
                var (x, y) = (a - b, c - b);
                if (Kind == FormMarkKind.Line)
                    (x, y) = (x with { Z = 0 }, y with { Z = 0 });
                var cosine = (x.X * y.X + x.Y * y.Y + x.Z * y.Z) / (x.Length * y.Length);
                var angle = Degrees(Math.Acos(Math.Clamp(cosine, -1, 1)));
                return Kind == FormMarkKind.Angle ? angle : 180 - angle;
        }
    }

    private static double Degrees(double radians) => radians * 180 / Math.PI;
}

/// <summary>A fault of a movement beside the right position.</summary>
/// <param name="Fault">As the movement names it.</param>
/// <param name="Right">Name of a pose.</param>
/// <param name="Wrong">Name of a pose.</param>
/// <param name="Mark">What shows it; null: only the pictures do.</param>
public sealed record FormFault(string Fault, string Right, string Wrong, FormMark? Mark = null);
