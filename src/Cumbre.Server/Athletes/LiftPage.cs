using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Explanations;
using Cumbre.Core.Ladders;
using Cumbre.Server.Benchmarks;
using Cumbre.Server.Decisions;
using Cumbre.Server.Hosting;
using Cumbre.Server.Sessions;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Benchmarks;
using Cumbre.Storage.Decisions;
using Cumbre.Storage.Ladders;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Athletes;

/// <summary>An e1RM of a day with its range over the seven formulas, in kg of system.</summary>
public sealed record StrengthPointDto(DateOnly Day, decimal ValueKg, decimal LowKg, decimal HighKg, StrengthSource Source, decimal AddedKg, int Reps, int Reserve);

/// <summary>The newest e1RM.</summary>
public sealed record StrengthDto(Figure Value, decimal LowKg, decimal HighKg, DateOnly Day, int AgeDays, bool Stale, decimal AddedKg);

/// <summary>A gate under one school; <paramref name="Decides"/> marks the athlete's own.</summary>
public sealed record GateDto(string School, bool Decides, bool Open, DateOnly? OpenedOn, IReadOnlyList<ThresholdEvidence> Terms);

/// <summary>A stopped pattern, with the decision that stopped it.</summary>
public sealed record StopDto(Guid DecisionId, DateOnly Since);

/// <summary>All of an athlete's weighted pull-up.</summary>
public sealed record LiftPageDto(
    AthleteDto Athlete, Figure? BodyMass, StrengthDto? OneRepMax, IReadOnlyList<StrengthPointDto> Series, IReadOnlyList<GateDto> Gates, IReadOnlyList<ResultDto> Results,
    SessionDto? Next, IReadOnlyList<PastSessionDto> History, DecisionDto? Decision, StopDto? Stopped, bool NeedsClearance);

internal static class LiftPage
{
    private const int HistoryRows = 60;

    public static Results<Ok<LiftPageDto>, ProblemHttpResult> Handle(Guid athleteId, Database database, ClubClock clock)
    {
        var today = clock.Today;
        return database.Read(db => SnapshotStore.Load(db, athleteId, today) is { } found ? Page(db, found.Profile, found.Snapshot, today) : null) is { } page
            ? TypedResults.Ok(page)
            : (ProblemHttpResult)Problems.NotFound("athlete");
    }

    private static LiftPageDto Page(Db db, AthleteProfile profile, AthleteSnapshot snapshot, DateOnly today)
    {
        var atlas = CatalogueStore.Club(db).Atlas;
        var body = snapshot.BodyMass.On(today);
        var series = CurrentStrength.Series(snapshot, Lift.HeavyTest, today);
        var decisions = DecisionStore.Of(db, profile.Id);
        var next = SessionStore.Next(db, profile.Id, Lift.Movement, today);
        var open = decisions.FirstOrDefault(d => DecisionDto.IsOpen(d, today));
        return new(
            AthleteDto.Of(profile, AthleteStore.BodyMasses(db, profile.Id), today),
            body is null ? null : new(Quantity.Of(body.Value), body.Why),
            series is [.., var last] ? Newest(last, today) : null,
            [.. series.Select(p => new StrengthPointDto(
                p.Set.Day, p.Estimate.Value.Value.Kilograms, p.Estimate.Value.Low.Kilograms, p.Estimate.Value.High.Kilograms, p.Source, p.Set.Added.Kilograms, p.Set.Reps, p.Set.Reserve))],
            Gates(atlas, snapshot, today),
            [.. ResultStore.Of(db, profile.Id).OrderByDescending(r => r.Result.Day).ThenByDescending(r => r.Result.Id).Select(r => ResultDto.Of(r.Result, atlas.Catalogue))],
            next is null ? null : SessionReader.Read(db, next, profile, snapshot, today),
            [.. snapshot.Exposures.Where(e => e.Movement == Lift.Movement).OrderByDescending(e => e.Day).Take(HistoryRows).Select(PastSessionDto.Of)],
            open is null ? null : DecisionDto.Of(open, profile.Name),
            decisions.FirstOrDefault(DecisionDto.Stops) is { } stop ? new(stop.Id, stop.Proposal.Why.Exposures[0].Day) : null,
            profile.OpenClearances(today).Count > 0);
    }

    private static IReadOnlyList<GateDto> Gates(Atlas atlas, AthleteSnapshot snapshot, DateOnly today) =>
    [
        .. LoadGate.UnderEach(atlas, snapshot.Schools, TrainingResults.Book(snapshot, atlas.Catalogue, today)).Select(g =>
            new GateDto(g.School.Name, g.Decides, g.State.Open, g.State.OpenedOn, [.. g.State.Deciding.Select(t => PlacementReport.Evidence(t, atlas.Catalogue))])),
    ];

    private static StrengthDto Newest(StrengthPoint point, DateOnly today)
    {
        var max = point.Estimate.Value;
        return new(
            new(Quantity.Of(max.Value), point.Estimate.Why), max.Low.Kilograms, max.High.Kilograms, max.MeasuredOn, Staleness.Age(max.MeasuredOn, today),
            Staleness.IsStale(max.MeasuredOn, today), point.Set.Added.Kilograms);
    }
}
