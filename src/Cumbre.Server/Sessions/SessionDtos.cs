using System.Text.Json;
using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Decisions;
using Cumbre.Core.Explanations;
using Cumbre.Core.Movements;
using Cumbre.Core.Notation;
using Cumbre.Core.Sessions;
using Cumbre.Server.Athletes;
using Cumbre.Server.Decisions;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Decisions;
using Cumbre.Storage.Sessions;

namespace Cumbre.Server.Sessions;

/// <summary>A set as it stands after corrections.</summary>
public sealed record SetDto(Guid Id, int Set, int Part, int Reps, MassDto Added, int? Reserve, FormVerdict Form, int? Pain, string? PainPlace)
{
    public static SetDto Of(StoredSet s) => new(s.Id, s.Set.Set, s.Set.Part, s.Set.Reps, MassDto.Of(s.Set.Added), s.Set.Reserve, s.Set.Form, s.Set.Pain, s.Set.PainPlace);
}

/// <summary>What the movement asks for, beside the session.</summary>
public sealed record MovementDto(string Slug, string Name, string Bottom, string Standard, IReadOnlyList<string> Faults, bool FailureHarmless);

/// <summary>A session with its plan and what was logged.</summary>
/// <param name="Id">Session.</param>
/// <param name="AthleteId">Whose.</param>
/// <param name="AthleteName">Whose.</param>
/// <param name="Day">Training day.</param>
/// <param name="Status">Planned, started or done.</param>
/// <param name="Easy">Part of an easy week.</param>
/// <param name="OverrideReason">Why it was planned against a caution.</param>
/// <param name="Version">For the next write.</param>
/// <param name="Line">The whiteboard line.</param>
/// <param name="Plan">Resolved; frozen once the first set is logged.</param>
/// <param name="Problem">Why there is none.</param>
/// <param name="Movement">Form standard and faults.</param>
/// <param name="Sets">Logged.</param>
/// <param name="Decision">What it led to, while that waits.</param>
public sealed record SessionDto(
    Guid Id, Guid AthleteId, string AthleteName, DateOnly Day, SessionStatus Status, bool Easy, string? OverrideReason, long Version, string Line, ResolvedDto? Plan, LineProblem? Problem,
    MovementDto Movement, IReadOnlyList<SetDto> Sets, DecisionDto? Decision);

/// <summary>A logged session in the history.</summary>
public sealed record PastSessionDto(Guid Id, DateOnly Day, string Line, bool Easy, decimal TopKg, IReadOnlyList<SetEvidence> Sets, bool Clean, int? WorstPain)
{
    public static PastSessionDto Of(Exposure e)
    {
        var judged = ExposureJudgement.Of(e);
        return new(e.SessionId, e.Day, NotationPrinter.Print(e.Plan), e.Easy, e.TopLoad.Mass.Kilograms, judged.Evidence.Sets, judged.Clean, e.WorstPain?.Pain);
    }
}

internal static class SessionReader
{
    public static SessionDto? Find(Db db, Guid athleteId, Guid sessionId, DateOnly today) =>
        SessionStore.Find(db, sessionId) is { } session && session.AthleteId == athleteId && SnapshotStore.Load(db, athleteId, today) is { } found
            ? Read(db, session, found.Profile, found.Snapshot, today)
            : null;

    public static SessionDto Read(Db db, StoredSession session, AthleteProfile profile, AthleteSnapshot snapshot, DateOnly today)
    {
        // Once started, the athlete keeps the plan as it was shown, whatever changes around it.
        var shown = session.Item.Frozen?.ShownJson is { } json ? JsonSerializer.Deserialize<ResolvedDto>(json, WireJson.Options) : null;
        var reading = shown is null ? PlanReader.Read(db, session.Item.Plan, profile, snapshot, session.Day, today, session.OverrideReason) : null;
        var movement = Catalogue.Shipped.Movements[session.Item.Movement];
        var decision = DecisionStore.Of(db, profile.Id).FirstOrDefault(d => DecisionDto.IsOpen(d, today));
        return new(
            session.Id, session.AthleteId, profile.Name, session.Day, session.Status, session.Easy, session.OverrideReason, session.Version,
            NotationPrinter.Print(session.Item.Plan), shown ?? reading?.Dto, reading?.Problem,
            new(movement.Slug, movement.Name, movement.Bottom, movement.Standard, movement.Faults, movement.FailureHarmless),
            [.. SessionStore.Sets(db, session.Item.Id).Select(SetDto.Of)],
            decision is null ? null : DecisionDto.Of(decision, profile.Name));
    }
}
