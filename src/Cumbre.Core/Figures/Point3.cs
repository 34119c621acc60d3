namespace Cumbre.Core.Figures;

/// <summary>A place or a direction in metres: X to the right in the picture, Y up, Z toward whoever looks.</summary>
public readonly record struct Point3(double X, double Y, double Z)
{
    public static Point3 Zero { get; }

    public double Length => Math.Sqrt(X * X + Y * Y + Z * Z);

    public static Point3 operator +(Point3 a, Point3 b) => new(a.X + b.X, a.Y + b.Y, a.Z + b.Z);

    public static Point3 operator -(Point3 a, Point3 b) => new(a.X - b.X, a.Y - b.Y, a.Z - b.Z);

    public static Point3 operator *(Point3 a, double factor) => new(a.X * factor, a.Y * factor, a.Z * factor);

    /// <summary>The point that lies a share of the way to another.</summary>
    public Point3 Toward(Point3 other, double share) => this + (other - this) * share;
}
