using Cumbre.Core.Traces;
using Cumbre.Server.Hosting;
using Cumbre.Simulation;

namespace Cumbre.Server.Traces;

/// <summary>The device that is not there: five explosive pulls that tire, or somebody who pulls on a hook.</summary>
public sealed class SimulatedTraceRecorder : ITraceRecorder
{
    private const int Pulls = 5;

    public IReadOnlyList<Sample> Record(TraceKind kind, int turn)
    {
        var random = new Random(turn);
        if (kind == TraceKind.Force)
            return
            [
                .. SimulatedGauge
                    .Effort(350 + 200 * random.NextDouble(), 0.1 + 0.1 * random.NextDouble(), 0.015, turn)
                    .Select(s => new Sample(s.Seconds, s.Newtons)),
            ];
        var fastest = 2 + 0.8 * random.NextDouble();
        var tiring = 0.02 + 0.06 * random.NextDouble();
        return
        [
            .. SimulatedTracer
                .Set([.. Enumerable.Range(0, Pulls).Select(n => fastest * (1 - tiring * n))], turn)
                .Select(s => new Sample(s.Seconds, s.Metres)),
        ];
    }
}
