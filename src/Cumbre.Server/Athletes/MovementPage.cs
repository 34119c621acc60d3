using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Explanations;
using Cumbre.Core.Ladders;
using Cumbre.Core.Movements;
using Cumbre.Core.Programmes;
using Cumbre.Server.Benchmarks;
using Cumbre.Server.Hosting;
using Cumbre.Server.Reading;
using Cumbre.Server.Sessions;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Benchmarks;
using Cumbre.Storage.Decisions;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Athletes;

/// <summary>The newest e1RM.</summary>
public sealed record StrengthDto(
    Figure Value,
    decimal LowKg,
    decimal HighKg,
    DateOnly Day,
    int AgeDays,
    bool Stale,
    decimal AddedKg
);

/// <summary>A gate under one school; <paramref name="Decides"/> marks the athlete's own.</summary>
public sealed record GateDto(
    string School,
    bool Decides,
    bool Open,
    DateOnly? OpenedOn,
    IReadOnlyList<ThresholdEvidence> Terms
);

/// <summary>A stop that holds.</summary>
/// <param name="Place">As it was told.</param>
/// <param name="Level">0 to 10.</param>
/// <param name="Since">The day on which it was told.</param>
/// <param name="Holds">Patterns that it holds.</param>
public sealed record StopDto(string Place, int Level, DateOnly Since, IReadOnlyList<string> Holds)
{
    public static StopDto Of(Core.Safety.Stop s, AthleteAtWork athlete) =>
        new(
            s.Place.Said,
            s.Because.Level,
            s.Since,
            [.. Core.Decisions.DecisionEngine.HeldPatterns(athlete, s).Select(PatternNames.Of)]
        );
}

/// <summary>A movement that the athlete has trained, is planned for, or was tested in.</summary>
public sealed record MovementLink(string Slug, string Name);

/// <summary>All of an athlete's one movement.</summary>
/// <param name="Athlete">Who.</param>
/// <param name="Movement">Which.</param>
/// <param name="Movements">Those that have a page, by name.</param>
/// <param name="BodyMass">Of today.</param>
/// <param name="OneRepMax">Null: the movement is not loaded, or no test can be used.</param>
/// <param name="Gates">Of its added load; none: it has no gate.</param>
/// <param name="Results">Of all tests, newest first.</param>
/// <param name="Next">The next session with it.</param>
/// <param name="History">Its exposures, newest first.</param>
/// <param name="Decisions">About it, that wait.</param>
/// <param name="Stops">All that hold.</param>
/// <param name="Held">It is held by one of them.</param>
/// <param name="NeedsClearance">A question of clearance is open.</param>
/// <param name="Trend">Twelve weeks of it.</param>
public sealed record MovementPageDto(
    AthleteDto Athlete,
    MovementLink Movement,
    IReadOnlyList<MovementLink> Movements,
    Figure? BodyMass,
    StrengthDto? OneRepMax,
    IReadOnlyList<GateDto> Gates,
    IReadOnlyList<ResultDto> Results,
    SessionDto? Next,
    IReadOnlyList<PastSessionDto> History,
    IReadOnlyList<DecisionDto> Decisions,
    IReadOnlyList<StopDto> Stops,
    bool Held,
    bool NeedsClearance,
    TrendDto Trend
);

internal static class MovementPage
{
    private const int HistoryRows = 60;

    /// <param name="athleteId">Whose.</param>
    /// <param name="movement">Slug; null: the load that was trained last, else the first that a goal is about.</param>
    /// <param name="database">The store.</param>
    /// <param name="clock">Today.</param>
    public static Results<Ok<MovementPageDto>, ProblemHttpResult> Handle(
        Guid athleteId,
        string? movement,
        Database database,
        ClubClock clock
    )
    {
        var today = clock.Today;
        var (known, page) = database.Read(db =>
        {
            if (Work.Load(db, athleteId, today) is not var (profile, athlete))
                return (false, (MovementPageDto?)null);
            var slug = movement
                ?? athlete.Athlete.Exposures.LastOrDefault(e => e.IsLoaded)?.Movement
                ?? FirstLoaded(athlete);
            return (
                true,
                athlete.Atlas.Catalogue.Movements.TryGetValue(slug, out var found)
                    ? Page(db, profile, athlete, found, Known(db, athlete, profile.Id, today), today)
                    : null
            );
        });
        return page is null
            ? (ProblemHttpResult)Problems.NotFound(known ? Words.NoMovement : Words.NoAthlete)
            : TypedResults.Ok(page);
    }

    private static MovementPageDto Page(
        Db db,
        AthleteProfile profile,
        AthleteAtWork athlete,
        Movement movement,
        IReadOnlyList<MovementLink> known,
        DateOnly today
    )
    {
        var (snapshot, atlas) = (athlete.Athlete, athlete.Atlas);
        var whole = SnapshotStore.OfMovement(db, profile.Id, snapshot, movement.Slug, today);
        var series = atlas
            .Catalogue.BenchmarksOf(movement.Slug)
            .FirstOrDefault(b => b.Measure == BenchmarkMeasure.LoadTimesReps)
            is { } heavy
            ? CurrentStrength.Series(whole, heavy, today)
            : [];
        var next = SessionStore.Next(db, profile.Id, movement.Slug, today);
        var planned = Work.Planned(db, profile.Id, today);
        return new(
            AthleteDto.Of(profile, AthleteStore.BodyMasses(db, profile.Id), today),
            new(movement.Slug, movement.Name),
            known,
            athlete.BodyMass is { } body ? new(Quantity.Of(body.Value), body.Why) : null,
            series is [.., var last] ? Newest(last, today) : null,
            [
                .. LoadGate
                    .UnderEach(atlas, movement.Slug, snapshot.Schools, athlete.Book)
                    .Select(g => new GateDto(
                        g.School.Name,
                        g.Decides,
                        g.State.Open,
                        g.State.OpenedOn,
                        [.. g.State.Deciding.Select(t => PlacementReport.Evidence(t, atlas.Catalogue))]
                    )),
            ],
            [
                .. ResultStore
                    .Of(db, profile.Id)
                    .OrderByDescending(r => r.Result.Day)
                    .ThenByDescending(r => r.Result.Id)
                    .Select(r => ResultDto.Of(r.Result, atlas.Catalogue)),
            ],
            next is null ? null : SessionReader.Read(db, next, profile, snapshot, today),
            [.. whole.Exposures.OrderByDescending(e => e.Day).Take(HistoryRows).Select(PastSessionDto.Of)],
            [
                .. DecisionStore
                    .Waiting(db, profile.Id)
                    .Where(d => d.Movement == movement.Slug && DecisionDto.IsOpen(d, today))
                    .OrderBy(d => d.Kind)
                    .Select(d => DecisionDto.Of(db, d, profile.Name, athlete, planned)),
            ],
            [.. athlete.Stops.Select(s => StopDto.Of(s, athlete))],
            athlete.Holding(movement, loaded: true) is { Stopped: true },
            athlete.WaitsForClearance.Count > 0,
            TrendDto.Of(new(athlete, movement, whole.Exposures), atlas.Catalogue)
        );
    }

    /// <summary>The load that a goal is about, else the first of the catalogue that has a heavy test.</summary>
    private static string FirstLoaded(AthleteAtWork athlete)
    {
        string[] loaded =
        [
            .. athlete
                .Atlas.Catalogue.Benchmarks.Values.Where(b => b.Measure == BenchmarkMeasure.LoadTimesReps)
                .Select(b => b.Movement),
        ];
        var goals = athlete
            .Intake.Goals.Select(g => athlete.Atlas.BySlug.GetValueOrDefault(g.Ladder))
            .OfType<Ladder>()
            .SelectMany(l => l.Steps)
            .Select(s => s.Movement);
        return goals.FirstOrDefault(loaded.Contains) ?? loaded[0];
    }

    private static IReadOnlyList<MovementLink> Known(Db db, AthleteAtWork athlete, Guid athleteId, DateOnly today) =>
        [
            .. SessionStore
                .Trained(db, athleteId)
                .Concat(Work.Planned(db, athleteId, today).Select(p => p.Movement))
                .Concat(
                    athlete
                        .Athlete.Results.Select(r =>
                            athlete.Atlas.Catalogue.Benchmarks.GetValueOrDefault(r.Benchmark)?.Movement
                        )
                        .OfType<string>()
                )
                .Distinct()
                .Select(athlete.Atlas.Catalogue.Movements.GetValueOrDefault)
                .OfType<Movement>()
                .OrderBy(m => m.Name, StringComparer.Ordinal)
                .Select(m => new MovementLink(m.Slug, m.Name)),
        ];

    private static StrengthDto Newest(StrengthPoint point, DateOnly today)
    {
        var max = point.Estimate.Value;
        return new(
            new(Quantity.Of(max.Value), point.Estimate.Why),
            max.Low.Kilograms,
            max.High.Kilograms,
            max.MeasuredOn,
            Staleness.Age(max.MeasuredOn, today),
            Staleness.IsStale(max.MeasuredOn, today),
            point.Set.Added.Kilograms
        );
    }
}
