using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Decisions;
using Cumbre.Core.Measures;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes;
using Cumbre.Core.Safety;
using Cumbre.Core.Sessions;

namespace Cumbre.Simulation;

/// <summary>A session that was trained, or is planned when it has no sets.</summary>
public sealed record SimulatedSession(
    Guid Id,
    Guid ItemId,
    DateOnly Day,
    string Movement,
    Prescription Plan,
    bool Easy,
    IReadOnlyList<Mass> PlannedLoads,
    Mass BodyMass,
    IReadOnlyList<(Guid Id, LoggedSet Set)> Sets
)
{
    /// <summary>Of the whole session, 1 to 10; null: not told.</summary>
    public decimal? Effort { get; init; }

    /// <summary>What the item is for; null: nothing in particular.</summary>
    public ItemRole? Role { get; init; }

    /// <summary>One item of a session whose items are done in turn; the others have the same id.</summary>
    public bool InCircuit { get; init; }

    public Exposure ToExposure() =>
        new(Id, Day, Movement, Plan, PlannedLoads, Easy, BodyMass, [.. Sets.Select(s => s.Set)])
        {
            Role = Role,
            InCircuit = InCircuit,
        };
}

/// <summary>A simulated athlete with all that would be in the store.</summary>
public sealed record SimulatedAthlete(
    Guid Id,
    AthleteScript Script,
    IReadOnlyList<(Guid Id, BodyMassReading Reading)> BodyMasses,
    IReadOnlyList<BenchmarkResult> Results,
    IReadOnlyList<SimulatedSession> Sessions
)
{
    /// <summary>What was told before sessions.</summary>
    public IReadOnlyList<CheckIn> CheckIns { get; init; } = [];

    public IReadOnlyList<OtherTraining> Others { get; init; } = [];

    /// <summary>What was proposed and accepted, each on its day.</summary>
    public IReadOnlyList<(Guid Id, DateOnly Day, Proposal Proposal)> Taken { get; init; } = [];

    /// <summary>What is planned from this week on, with its id; null: no block.</summary>
    public (Guid Id, Block Block)? Block { get; init; }

    /// <summary>Id and first day of the block that ended last week; null: there was none.</summary>
    public (Guid Id, DateOnly Start)? PastBlock { get; init; }

    /// <summary>Is it a session of the block that ended?</summary>
    public bool IsOfPast(SimulatedSession session) =>
        PastBlock is { } past
        && session.Day >= past.Start
        && session.Day < past.Start.AddDays(7 * Script.PastBlock!.Weeks.Count);
}
