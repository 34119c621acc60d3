using Cumbre.Core.Measures;

namespace Cumbre.Core.Benchmarks;

/// <summary>How a set looked against the movement's form standard.</summary>
public enum FormVerdict
{
    /// <summary>Every counted rep met the standard.</summary>
    Clean,

    /// <summary>Form broke: the set does not count as clean.</summary>
    Broken,
}

/// <summary>
/// What was measured in one test. Whether it meets a threshold is computed, never stored. Guarded ranges: reps 1 to 200,
/// reserve 0 to 10, added load -150 to 200 kg, body mass 25 to 250 kg.
/// </summary>
public sealed record BenchmarkResult
{
    /// <exception cref="RuleViolationException">A figure is outside its range.</exception>
    public BenchmarkResult(Guid id, string benchmark, DateOnly day, int reps, MassEntry added, int reserve, Mass bodyMass, FormVerdict form)
    {
        Id = id;
        Benchmark = benchmark;
        Day = day;
        Reps = Guard.InRange("reps", reps, Limits.RepsMinimum, Limits.RepsMaximum);
        Added = Guard.InRange("added", added, Limits.AddedLoadMinimum, Limits.AddedLoadMaximum);
        Reserve = Guard.InRange("reserve", reserve, Limits.ReserveMinimum, Limits.ReserveMaximum);
        BodyMass = Mass.FromKilograms(Guard.InRange("bodyMass", bodyMass.Kilograms, Limits.BodyMassMinimum, Limits.BodyMassMaximum));
        Form = form;
    }

    public Guid Id { get; }

    /// <summary>The benchmark's slug.</summary>
    public string Benchmark { get; }

    public DateOnly Day { get; }

    public int Reps { get; }

    public MassEntry Added { get; }

    public int Reserve { get; }

    /// <summary>Body mass that day.</summary>
    public Mass BodyMass { get; }

    public FormVerdict Form { get; }
}
