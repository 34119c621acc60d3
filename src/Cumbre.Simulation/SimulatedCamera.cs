namespace Cumbre.Simulation;

/// <summary>
/// A camera that is not there: it sees a body from the side and marks its joints, each off by the error of somebody who
/// marks with care. Pure: chance comes from a seed.
/// </summary>
public static class SimulatedCamera
{
    /// <summary>Pictures of one hold: a second's worth.</summary>
    public const int Pictures = 10;

    public const int Width = 800,
        Height = 600;

    /// <summary>Standard error of each coordinate of a mark, px, for a body of 600 px from head to foot.</summary>
    private const double ErrorPixels = 2,
        BodyPixels = 600;

    /// <summary>Marks of one picture after the other.</summary>
    /// <param name="joints">As the camera sees them: right and up of the middle of its picture, metres.</param>
    /// <param name="stature">Of the body, metres: it fills 600 px.</param>
    /// <param name="seed">Of the error.</param>
    /// <returns>Right and down from the upper left corner, px, without an end.</returns>
    public static IEnumerable<(double X, double Y)[]> Marks(
        IReadOnlyList<(double X, double Y)> joints,
        double stature,
        int seed
    )
    {
        var random = new Random(seed);
        var scale = Scale(stature);
        while (true)
            yield return
            [
                .. joints.Select(j =>
                    (
                        Width / 2.0 + j.X * scale + ErrorPixels * Normal(random),
                        Height / 2.0 - j.Y * scale + ErrorPixels * Normal(random)
                    )
                ),
            ];
    }

    /// <summary>Pixels of a metre.</summary>
    public static double Scale(double stature) => BodyPixels / stature;

    /// <summary>Box and Muller 1958.</summary>
    private static double Normal(Random random) =>
        Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
}
