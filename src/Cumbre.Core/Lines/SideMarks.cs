using System.Text.Json.Serialization;
using Cumbre.Core.Measures;

namespace Cumbre.Core.Lines;

/// <summary>A place in a picture, in px: to the right and down.</summary>
public readonly record struct PicturePoint([property: JsonRequired] double X, [property: JsonRequired] double Y)
{
    public static PicturePoint operator -(PicturePoint a, PicturePoint b) => new(a.X - b.X, a.Y - b.Y);

    public double Length => Math.Sqrt(X * X + Y * Y);
}

/// <summary>Joints that are marked in a picture from the side, of the near arm and the near leg.</summary>
public sealed record SideMarks(
    PicturePoint Hand,
    PicturePoint Elbow,
    PicturePoint Shoulder,
    PicturePoint Hip,
    PicturePoint Knee,
    PicturePoint Ankle
)
{
    public const int Count = 6;

    /// <summary>Every two neighbours lie so far apart at least, px: else there is no angle between them.</summary>
    public const double ApartMinimum = 8;

    private const double CoordinateMaximum = 20_000;

    public IReadOnlyList<PicturePoint> Points => [Hand, Elbow, Shoulder, Hip, Knee, Ankle];

    /// <summary>From the hand down to the ankle, px.</summary>
    public double Length => Points.Zip(Points.Skip(1)).Sum(p => (p.Second - p.First).Length);

    /// <exception cref="RuleViolationException">Not six points in a picture, or two neighbours at one place.</exception>
    public static SideMarks Of(IReadOnlyList<PicturePoint> points)
    {
        Guard.InRange("marks", points.Count, Count, Count);
        foreach (var point in points)
            if (!(Math.Abs(point.X) <= CoordinateMaximum && Math.Abs(point.Y) <= CoordinateMaximum))
                throw new RuleViolationException(Violation.OutOfRange, "marks", null, 0, (decimal)CoordinateMaximum);
        foreach (var (a, b) in points.Zip(points.Skip(1)))
            if ((b - a).Length < ApartMinimum)
                throw new RuleViolationException(
                    Violation.OutOfRange,
                    "marks",
                    (decimal)Math.Round((b - a).Length, 1),
                    (decimal)ApartMinimum,
                    (decimal)CoordinateMaximum
                );
        return new(points[0], points[1], points[2], points[3], points[4], points[5]);
    }

    /// <summary>
    /// The mean of several pictures of one hold; null where the body moved between them: a mark that wanders by more than
    /// <see cref="StillShare"/> of the body's length is no hold.
    /// </summary>
    /// <exception cref="RuleViolationException">No picture, or one that is none.</exception>
    public static SideMarks? Mean(IReadOnlyList<SideMarks> pictures)
    {
        Guard.InRange("frames", pictures.Count, 1, PicturesMaximum);
        var all = pictures.Select(p => p.Points).ToArray();
        var mean = Enumerable
            .Range(0, Count)
            .Select(i => new PicturePoint(all.Average(p => p[i].X), all.Average(p => p[i].Y)))
            .ToArray();
        var marks = Of(mean);
        var wander = all.Max(p => Enumerable.Range(0, Count).Max(i => (p[i] - mean[i]).Length));
        return wander <= StillShare * marks.Length ? marks : null;
    }

    /// <summary>Of the length from hand to ankle (this project's choice).</summary>
    public const double StillShare = 0.03;

    public const int PicturesMaximum = 100;
}
