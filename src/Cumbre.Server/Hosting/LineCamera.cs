using Cumbre.Core.Figures;
using Cumbre.Core.Lines;

namespace Cumbre.Server.Hosting;

/// <summary>What a camera saw of a hold.</summary>
/// <param name="Figure">What stood before it, to be drawn; null: a camera that takes real pictures.</param>
/// <param name="Pixels">Of a metre.</param>
/// <param name="Width">Of the picture, px.</param>
/// <param name="Height">Of the picture, px.</param>
/// <param name="Centre">The middle of the picture, metres from what is held.</param>
/// <param name="Marks">Joints in one picture after the other.</param>
public sealed record CameraShot(
    Figure? Figure,
    double Pixels,
    int Width,
    int Height,
    Point3 Centre,
    IReadOnlyList<SideMarks> Marks
);

/// <summary>
/// A camera that marks joints by itself: a second of pictures of a hold. The stand-in that ships is one; docs/devices.md
/// tells how another is put in its place.
/// </summary>
public interface ILineCamera
{
    /// <param name="pose">The line that is asked, on the athlete's proportions.</param>
    CameraShot Shoot(Figure pose);
}
