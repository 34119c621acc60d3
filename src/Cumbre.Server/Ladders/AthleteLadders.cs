using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Explanations;
using Cumbre.Core.Ladders;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Server.Hosting;
using Cumbre.Server.Reading;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Ladders;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Ladders;

/// <summary>All ladders of an athlete.</summary>
/// <param name="AthleteId">Whose.</param>
/// <param name="Name">Whose.</param>
/// <param name="HasBodyMass">A test can be recorded.</param>
/// <param name="HasStature">Moments can be given in N m.</param>
/// <param name="Ladders">In the order of the atlas.</param>
public sealed record AthleteLaddersDto(
    Guid AthleteId,
    string Name,
    bool HasBodyMass,
    bool HasStature,
    IReadOnlyList<SmallRidge> Ladders
);

internal static class AthleteLadders
{
    public static Results<Ok<AthleteLaddersDto>, ProblemHttpResult> Handle(
        Guid athleteId,
        Database database,
        ClubClock clock
    ) =>
        database.Read(db =>
            SnapshotStore.Load(db, athleteId, clock.Today) is { } found
                ? new AthleteLaddersDto(
                    athleteId,
                    found.Profile.Name,
                    found.Snapshot.BodyMass.On(clock.Today) is not null,
                    found.Snapshot.StatureCm is not null,
                    Ridges(CatalogueStore.Club(db).Atlas, found.Snapshot, PlacementStore.Of(db, athleteId), clock.Today)
                )
                : null
        )
            is { } page
            ? TypedResults.Ok(page)
            : (ProblemHttpResult)Problems.NotFound(Words.NoAthlete);

    private static IReadOnlyList<SmallRidge> Ridges(
        Atlas atlas,
        AthleteSnapshot athlete,
        IReadOnlyList<CoachPlacement> coach,
        DateOnly today
    )
    {
        var book = TrainingResults.Book(athlete, atlas.Catalogue, today);
        var build = athlete.BuildOn(today);
        return
        [
            .. atlas.Ladders.Select(l =>
                SmallRidge.Of(
                    PlacementReport.Of(
                        l,
                        atlas,
                        athlete.Schools,
                        book,
                        build,
                        coach.FirstOrDefault(c => c.Ladder == l.Slug)
                    ),
                    atlas.Catalogue
                )
            ),
        ];
    }
}

/// <summary>A gate or an unlock standard as it stands.</summary>
/// <param name="Text">In the gate language.</param>
/// <param name="Open">Shown.</param>
/// <param name="OpenedOn">The day; null while it is not.</param>
/// <param name="Terms">The thresholds that decide, with have and need.</param>
/// <param name="Unmet">Those that keep it closed.</param>
public sealed record GateStateDto(
    string Text,
    bool Open,
    DateOnly? OpenedOn,
    IReadOnlyList<ThresholdEvidence> Terms,
    IReadOnlyList<ThresholdEvidence> Unmet
)
{
    public static GateStateDto Of(GateState gate, Catalogue catalogue) =>
        new(
            GatePrinter.Print(gate.Expression, catalogue.Names),
            gate.Open,
            gate.OpenedOn,
            [.. gate.Deciding.Select(t => PlacementReport.Evidence(t, catalogue))],
            [.. gate.Unmet.Select(t => PlacementReport.Evidence(t, catalogue))]
        );
}

/// <summary>A piece of evidence about a step.</summary>
/// <param name="Kind">What it says.</param>
/// <param name="Day">On which it was done.</param>
/// <param name="Text">What was done.</param>
/// <param name="Origin">A test, a set to failure or a training set.</param>
/// <param name="Side">Where the movement has sides.</param>
/// <param name="On">Name of the step on which it was done.</param>
public sealed record LedgerDto(
    EvidenceKind Kind,
    DateOnly Day,
    string Text,
    ResultOrigin Origin,
    Side? Side,
    string On
);

/// <summary>A step of the large ridge.</summary>
/// <param name="Slug">Of the step.</param>
/// <param name="Name">As under the ridge.</param>
/// <param name="Benchmark">Slug of the test that shows it.</param>
/// <param name="Status">Where it stands.</param>
/// <param name="Implied">Counted by a result on a later step only.</param>
/// <param name="Preparation">Support work.</param>
/// <param name="Share">Of the summit's demand, as a fraction.</param>
/// <param name="Demand">In N m, N or kg; null where there is none or the body is not known.</param>
/// <param name="DemandWhy">How the height came about.</param>
/// <param name="DemandKind">What it means.</param>
/// <param name="Gates">Those that hold under the athlete's schools.</param>
/// <param name="Opens">What opens the next.</param>
/// <param name="Won">The unlock standard.</param>
/// <param name="Best">The result that speaks for it, as it is written.</param>
/// <param name="BestDay">Its day.</param>
/// <param name="BestSide">Of two sides the weaker.</param>
/// <param name="Reachable">May be trained by the rule.</param>
/// <param name="Estimated">Other loads carry it: open, not shown.</param>
/// <param name="Contradicted">A newer test of it denies what a harder step implies.</param>
/// <param name="Ledger">Every piece of evidence, newest first.</param>
public sealed record PlacedStepDto(
    string Slug,
    string Name,
    string Benchmark,
    StepStatus Status,
    bool Implied,
    bool Preparation,
    decimal Share,
    Quantity? Demand,
    Explanation DemandWhy,
    DemandKind DemandKind,
    IReadOnlyList<GateStateDto> Gates,
    GateStateDto Opens,
    GateStateDto Won,
    string? Best,
    DateOnly? BestDay,
    Side? BestSide,
    bool Reachable,
    bool Estimated,
    bool Contradicted,
    IReadOnlyList<LedgerDto> Ledger
);

/// <summary>What holds the athlete back most, and what to train for it.</summary>
public sealed record LimitingDto(
    ThresholdEvidence Threshold,
    string Movement,
    string MovementName,
    string? Dose,
    int Weeks
);

/// <summary>A step set by the coach.</summary>
public sealed record CoachPlacementDto(string Step, string Reason, DateOnly Day, string? ByRule);

/// <summary>An athlete on one ladder.</summary>
public sealed record AthleteLadderDto(
    string Ladder,
    string Name,
    DemandKind DemandKind,
    Quantity? SummitDemand,
    IReadOnlyList<PlacedStepDto> Steps,
    int? Training,
    int? Next,
    bool ExposureOnly,
    Explanation Why,
    IReadOnlyList<ThresholdEvidence> Unmet,
    LimitingDto? Limiting,
    CoachPlacementDto? Coach,
    bool NeedsStature,
    IReadOnlyList<LabHalfStepDto> HalfSteps
);

internal static class AthleteLadder
{
    public static Results<Ok<AthleteLadderDto>, ProblemHttpResult> Handle(
        Guid athleteId,
        string ladder,
        Database database,
        ClubClock clock
    )
    {
        if (database.Read(db => CatalogueStore.Club(db).Atlas.BySlug.GetValueOrDefault(ladder)) is not { } found)
            return (ProblemHttpResult)Problems.NotFound(Words.NoLadder);
        return database.Read(db => Read(db, athleteId, found, clock.Today)) is { } page
            ? TypedResults.Ok(page)
            : (ProblemHttpResult)Problems.NotFound(Words.NoAthlete);
    }

    public static AthleteLadderDto? Read(Db db, Guid athleteId, Ladder ladder, DateOnly today)
    {
        if (SnapshotStore.Load(db, athleteId, today) is not { } found)
            return null;
        var athlete = found.Snapshot;
        var atlas = CatalogueStore.Club(db).Atlas;
        var coach = PlacementStore.Of(db, athleteId).FirstOrDefault(c => c.Ladder == ladder.Slug);
        var report = PlacementReport.Of(
            ladder,
            atlas,
            athlete.Schools,
            TrainingResults.Book(athlete, atlas.Catalogue, today),
            athlete.BuildOn(today),
            coach
        );
        var placement = report.Placement;
        var modelled = ladder.DemandKind is DemandKind.Moment or DemandKind.HandForce;
        return new(
            ladder.Slug,
            ladder.Name,
            ladder.DemandKind,
            report.Steps[^1].Demand.Value.Absolute,
            [.. report.Steps.Select((s, i) => Step(s, placement.IsReachable(i), ladder.Steps, atlas.Catalogue))],
            placement.Training,
            placement.Next,
            placement.ExposureOnly,
            report.Training.Why,
            [.. report.Unmet.Select(t => PlacementReport.Evidence(t, atlas.Catalogue))],
            Limiting(report.Limiting, atlas.Catalogue),
            coach is null
                ? null
                : new(
                    coach.Step,
                    coach.Reason,
                    coach.Day,
                    placement.ByRule is { } rule ? ladder.Steps[rule].Name : null
                ),
            modelled && athlete.StatureCm is null,
            [
                .. HalfStepStore
                    .Of(db, athleteId, ladder.Slug)
                    .Select(t => LabHalfStepDto.Of(ladder, t.After, t.Before, t.Step, t.Id)),
            ]
        );
    }

    private static PlacedStepDto Step(
        StepReport s,
        bool reachable,
        IReadOnlyList<LadderStep> steps,
        Catalogue catalogue
    ) =>
        new(
            s.Step.Slug,
            s.Step.Name,
            s.Won.Terms[0].Term.Benchmark,
            s.Status,
            s.Implied,
            s.Step.Preparation,
            s.Demand.Value.Share,
            s.Demand.Value.Absolute,
            s.Demand.Why,
            s.Demand.Value.Kind,
            [.. s.Gates.Select(g => GateStateDto.Of(g, catalogue))],
            GateStateDto.Of(s.Opens, catalogue),
            GateStateDto.Of(s.Won, catalogue),
            s.Best is null ? null : ResultPrinter.Print(s.Best),
            s.Best?.Day,
            s.Best?.Side,
            reachable,
            s.Estimated,
            s.Contradicted,
            [
                .. s.Ledger.Select(e => new LedgerDto(
                    e.Kind,
                    e.Result.Day,
                    ResultPrinter.Print(e.Result),
                    e.Result.Origin,
                    e.Result.Side,
                    steps[e.Step].Name
                )),
            ]
        );

    private static LimitingDto? Limiting(LimitingFactor? limiting, Catalogue catalogue) =>
        limiting is null
            ? null
            : new(
                PlacementReport.Evidence(limiting.Term, catalogue),
                limiting.Movement,
                catalogue.Movements[limiting.Movement].Name,
                limiting.Dose,
                limiting.Weeks
            );
}
