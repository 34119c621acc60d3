using System.Runtime.CompilerServices;
using Cumbre.Core.Loading;
using Cumbre.Simulation;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Loading;

/// <summary>
/// A force gauge: newtons, ten times a second. The stand-in that ships is one; docs/devices.md tells how another is put
/// in its place.
/// </summary>
public interface IForceGauge
{
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

/// <summary>The gauge that is not there: a band of about 15 kg.</summary>
public sealed class SimulatedForceGauge(TimeProvider time) : IForceGauge
{
    public async IAsyncEnumerable<double> Stream(GaugePlace place, [EnumeratorCancellation] CancellationToken stop)
    {
        var newtons = place switch
        {
            GaugePlace.Bottom => 206,
            GaugePlace.Middle => 147,
            _ => 98,
        };
        foreach (var sample in SimulatedGauge.Pull(newtons, (int)place + 1, place == GaugePlace.Swinging))
        {
            yield return sample;
            await Task.Delay(TimeSpan.FromSeconds(1.0 / SimulatedGauge.SamplesPerSecond), time, stop);
        }
    }
}

internal static class GaugeStream
{
    /// <summary>A tab that was forgotten does not stream for ever.</summary>
    private const int SamplesMaximum = 600;

    public static ServerSentEventsResult<GaugeReading> Handle(
        GaugePlace place,
        IForceGauge gauge,
        CancellationToken stop
    ) => TypedResults.ServerSentEvents(Readings(place, gauge, stop), eventType: "reading");

    private static async IAsyncEnumerable<GaugeReading> Readings(
        GaugePlace place,
        IForceGauge gauge,
        [EnumeratorCancellation] CancellationToken stop
    )
    {
        var window = new SteadyWindow();
        var count = 0;
        await foreach (var newtons in gauge.Stream(place, stop).WithCancellation(stop))
        {
            yield return window.Add(newtons);
            if (++count == SamplesMaximum)
                yield break;
        }
    }
}
