using Cumbre.Core.Traces;

namespace Cumbre.Server.Hosting;

/// <summary>What is recorded over time.</summary>
public enum TraceKind
{
    /// <summary>Height of the shoulders above the hang, metres.</summary>
    Pull,

    /// <summary>Force on a hook, newtons.</summary>
    Force,
}

/// <summary>
/// A device that records a quantity over time. The stand-in that ships is one; docs/devices.md tells how another is put in
/// its place. Without one, files are read.
/// </summary>
public interface ITraceRecorder
{
    /// <param name="kind">What is recorded.</param>
    /// <param name="turn">Counts recordings; a real device may ignore it.</param>
    IReadOnlyList<Sample> Record(TraceKind kind, int turn);
}
