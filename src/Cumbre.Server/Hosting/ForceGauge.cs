namespace Cumbre.Server.Hosting;

/// <summary>
/// A force gauge: newtons, ten times a second. The stand-in that ships is one; docs/devices.md tells how another is put
/// in its place.
/// </summary>
public interface IForceGauge
{
    /// <summary>A stand-in answers.</summary>
    bool IsSimulated => false;

    /// <summary>Samples until the caller has enough.</summary>
    /// <param name="place">Where the band is held: bottom, middle or top of the movement.</param>
    /// <param name="stop">The caller is gone.</param>
    IAsyncEnumerable<double> Stream(GaugePlace place, CancellationToken stop);
}

/// <summary>Where a band is held.</summary>
public enum GaugePlace
{
    Bottom,
    Middle,
    Top,

    /// <summary>Only of the stand-in: held by somebody who does not hold still.</summary>
    Swinging,
}

/// <summary>What is there to measure a band with.</summary>
public enum GaugeKind
{
    /// <summary>Nothing: figures are typed in.</summary>
    None,

    Attached,

    /// <summary>The stand-in, in the demo alone.</summary>
    Simulated,
}

internal static class Gauges
{
    /// <summary>What is there to measure a band with.</summary>
    public static GaugeKind KindOf(IServiceProvider services) =>
        services.GetService<IForceGauge>() switch
        {
            null => GaugeKind.None,
            { IsSimulated: true } => GaugeKind.Simulated,
            _ => GaugeKind.Attached,
        };
}
