using System.Runtime.CompilerServices;
using Cumbre.Core.Loading;
using Cumbre.Server.Hosting;
using Cumbre.Simulation;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Loading;

/// <summary>The gauge that is not there: a band of about 15 kg.</summary>
public sealed class SimulatedForceGauge(TimeProvider time) : IForceGauge
{
    public bool IsSimulated => true;

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

    public static Results<ServerSentEventsResult<GaugeReading>, ProblemHttpResult> Handle(
        GaugePlace place,
        IServiceProvider services,
        CancellationToken stop
    ) =>
        services.GetService<IForceGauge>() is { } gauge
            ? TypedResults.ServerSentEvents(Readings(place, gauge, stop), eventType: "reading")
            : (ProblemHttpResult)Problems.NotFound(Words.NoGauge);

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
