using Cumbre.Core.Athletes;
using Cumbre.Core.Figures;
using Cumbre.Core.Ladders;
using Cumbre.Core.Levers;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;
using Cumbre.Server.Figures;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Ladders;
using Cumbre.Storage.Loading;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Ladders;

/// <summary>Help that makes a training hold possible.</summary>
/// <param name="At">Where it takes hold.</param>
/// <param name="Kilograms">So much.</param>
public sealed record LabHelpDto(BodyPoint At, double Kilograms);

/// <summary>Help at a place, week by week less.</summary>
/// <param name="Step">Name of the step.</param>
/// <param name="At">Where it takes hold.</param>
/// <param name="Weeks">To the last that needs help.</param>
public sealed record LabPlanDto(string Step, BodyPoint At, IReadOnlyList<HelpWeek> Weeks);

/// <summary>A lever of a ladder for an athlete.</summary>
/// <param name="Step">Slug.</param>
/// <param name="Name">As under the ridge.</param>
/// <param name="Movement">Slug.</param>
/// <param name="Moment">N m at the shoulders, of a flag N of each hand.</param>
/// <param name="Low">The least by two tables of segments and what the eye may miss of the line.</param>
/// <param name="High">The most.</param>
/// <param name="Share">Of the full line.</param>
/// <param name="ArmAngle">Degrees from the vertical; null: no angle holds it.</param>
/// <param name="Held">Seconds.</param>
/// <param name="Allowed">Seconds that the holds promise; null: above the maximum.</param>
/// <param name="Help">Empty: none is needed.</param>
public sealed record LabStepDto(
    string Step,
    string Name,
    string Movement,
    double Moment,
    double Low,
    double High,
    double Share,
    double? ArmAngle,
    double? Held,
    double? Allowed,
    IReadOnlyList<LabHelpDto> Help
);

/// <summary>A step between two.</summary>
/// <param name="AfterStep">Slug of the easier step.</param>
/// <param name="BeforeStep">Slug of the harder one.</param>
/// <param name="After">Name of the easier step.</param>
/// <param name="Before">Name of the harder one.</param>
/// <param name="Kind">How.</param>
/// <param name="Hip">Degrees of the line.</param>
/// <param name="Knee">Degrees.</param>
/// <param name="OtherHip">Of the other leg; null: as the one.</param>
/// <param name="OtherKnee">Of the other leg; null: as the one.</param>
/// <param name="Apart">Degrees of each leg from the midline.</param>
/// <param name="Kilograms">Of help or weight.</param>
/// <param name="At">Where it takes hold.</param>
/// <param name="Moment">N m at the shoulders, of a flag N of each hand.</param>
/// <param name="Share">Of the full line.</param>
/// <param name="Taken">The id of it on the athlete's ladder; null: it is not on it.</param>
public sealed record LabHalfStepDto(
    string AfterStep,
    string BeforeStep,
    string After,
    string Before,
    HalfStepKind Kind,
    double Hip,
    double Knee,
    double? OtherHip,
    double? OtherKnee,
    double Apart,
    double Kilograms,
    BodyPoint At,
    double Moment,
    double Share,
    Guid? Taken
)
{
    public static LabHalfStepDto Of(Ladder ladder, string after, string before, HalfStep half, Guid? taken)
    {
        var (one, other) = (half.Posture.One, half.Posture.Other);
        return new(
            after,
            before,
            NameOf(ladder, after),
            NameOf(ladder, before),
            half.Kind,
            one.Hip,
            one.Knee,
            other == one ? null : other.Hip,
            other == one ? null : other.Knee,
            one.Abduction,
            half.Kilograms,
            half.At,
            half.Moment,
            half.Share,
            taken
        );
    }

    /// <summary>A step that left the ladder keeps its slug.</summary>
    private static string NameOf(Ladder ladder, string step) =>
        ladder.Steps.FirstOrDefault(s => s.Slug == step)?.Name ?? step;
}

/// <summary>What the model says of an athlete's levers.</summary>
/// <param name="Maximum">N m that the holds speak for; null: none is long enough for the curve.</param>
/// <param name="Misfit">How far the holds are apart, as a share.</param>
/// <param name="Holds">How many speak.</param>
/// <param name="Kind">What the figures are: moments, or forces of each hand in a flag.</param>
/// <param name="WithWeights">Ankle weights and another bodyweight may be tried: never by minors.</param>
/// <param name="NeedsBody">Stature or body mass is unknown: there is nothing else.</param>
/// <param name="Steps">In order.</param>
/// <param name="HalfSteps">What bridges gaps that are too large.</param>
/// <param name="Plans">For the easiest step that needs help.</param>
public sealed record LabDto(
    double? Maximum,
    double? Misfit,
    int Holds,
    DemandKind Kind,
    bool WithWeights,
    bool NeedsBody,
    IReadOnlyList<LabStepDto> Steps,
    IReadOnlyList<LabHalfStepDto> HalfSteps,
    IReadOnlyList<LabPlanDto> Plans
);

/// <summary>A line in the lab, for an athlete.</summary>
/// <param name="Pose">The line, and at most one change of it.</param>
/// <param name="Ankles">On both ankles together; null: none.</param>
/// <param name="Body">Another bodyweight; null: as it is.</param>
public sealed record LabPoseRequest(PoseRequest Pose, MassEntry? Ankles = null, MassEntry? Body = null);

/// <summary>What a line asks of an athlete.</summary>
/// <param name="Posed">The line on the athlete's proportions.</param>
/// <param name="Moment">N m at the shoulders, of a flag N of each hand.</param>
/// <param name="Low">The least by two tables of segments and what the eye may miss of the line.</param>
/// <param name="High">The most.</param>
/// <param name="Share">Of the full line, without weights and at today's bodyweight.</param>
/// <param name="ArmAngle">Degrees from the vertical, as drawn.</param>
/// <param name="Allowed">Seconds that the holds promise; null: above the maximum, or no hold.</param>
/// <param name="Help">That makes a training hold possible; empty: none is needed.</param>
public sealed record LabPoseDto(
    PosedDto Posed,
    double Moment,
    double Low,
    double High,
    double Share,
    double ArmAngle,
    double? Allowed,
    IReadOnlyList<LabHelpDto> Help
);

/// <summary>The levers of an athlete, for the coach: help, weights and the steps between.</summary>
internal static class LabPage
{
    private const double ShareNear = 0.01;

    /// <param name="Ladder">Null: there is none by that name.</param>
    /// <param name="Report">Null with it.</param>
    internal sealed record Athlete(Ladder? Ladder, BodyBuild Build, PlacementReport? Report, bool IsAdult)
    {
        public LeverBody? Body(SegmentTable table) =>
            Build is { StatureCm: { } cm, BodyMass: { } mass }
                ? new(table, mass, (double)cm / 100, Build.Lengths)
                : null;

        public LeverLab? Lab =>
            Report is { } report
            && Body(SegmentTable.For(Build.Sex)) is { } body
            && Body(SegmentTable.Winter) is { } other
                ? LeverLab.Of(report, body, other, IsAdult)
                : null;
    }

    public static Results<Ok<LabDto>, ProblemHttpResult> Handle(
        Guid athleteId,
        string ladder,
        Database database,
        ClubClock clock
    )
    {
        var (athlete, taken, bands) = database.Read(db =>
            (
                Load(db, athleteId, ladder, clock.Today),
                HalfStepStore.Of(db, athleteId, ladder),
                KitStore
                    .Of(db, KitStore.Club)
                    .Book.Bands.Concat(KitStore.Of(db, athleteId).Book.Bands)
                    .DistinctBy(b => b.Id)
                    .ToArray()
            )
        );
        return athlete switch
        {
            null => (ProblemHttpResult)Problems.NotFound(Words.NoAthlete),
            { Ladder: null } => (ProblemHttpResult)Problems.NotFound(Words.NoLadder),
            { Lab: { } lab } => TypedResults.Ok(Of(lab, athlete.Ladder, athlete.IsAdult, taken, bands)),
            _ => TypedResults.Ok(new LabDto(null, null, 0, DemandKind.Moment, false, true, [], [], [])),
        };
    }

    public static Results<Ok<LabPoseDto>, ProblemHttpResult> Pose(
        Guid athleteId,
        string ladder,
        LabPoseRequest request,
        Database database,
        FigureCache figures,
        ClubClock clock
    )
    {
        var (athlete, book) = database.Read(db => (Load(db, athleteId, ladder, clock.Today), figures.Of(db).Book));
        if (athlete is not { Lab: { } lab } || athlete.Build is not { StatureCm: { } cm, BodyMass: { } mass })
            return (ProblemHttpResult)Problems.NotFound(Words.NoLab);
        if (!athlete.IsAdult && (request.Ankles ?? request.Body) is not null)
            throw Problems.Field(request.Ankles is null ? "body" : "ankles", Words.LabAdultsOnly);
        var ankles = In("ankles", request.Ankles, 0, 0, (decimal)HalfSteps.AnkleWeightMaximum);
        var kilograms = In(
            "body",
            request.Body,
            (double)mass.Kilograms,
            Limits.BodyMassMinimum,
            Limits.BodyMassMaximum
        );
        FigureBody Body(SegmentTable table) => new(table, (double)cm / 100, kilograms, athlete.Build.Lengths);
        var figure = Posing.Resolve(book, request.Pose, Body(SegmentTable.For(athlete.Build.Sex)));
        double Demanded(Figure line) =>
            lab.Kind == DemandKind.HandForce ? line.FlagPull(ankles) : line.ShoulderMoment(ankles);
        var moment = Demanded(figure);
        var other = Body(SegmentTable.Winter);
        var near = PostureDoubt
            .Missed.Select(m => PoseTurning.Bent(figure.Pose, m.Hip, m.Knee))
            .SelectMany(pose => new[] { figure.Body, other }.Select(body => Demanded(PoseSolver.Resolve(pose, body))))
            .ToArray();
        return TypedResults.Ok(
            new LabPoseDto(
                PosedDto.Of(book, figure),
                moment,
                near.Min(),
                near.Max(),
                moment / lab.Full,
                figure.ArmAngle,
                lab.Fit?.Seconds(moment),
                lab.Kind == DemandKind.Moment && lab.Fit?.MomentFor(LeverLab.TrainingHold) is { } possible
                    ?
                    [
                        .. Enum.GetValues<BodyPoint>()
                            .Select(at => new LabHelpDto(at, figure.HelpFor(moment - possible, at) / LeverBody.Gravity))
                            .Where(h => h.Kilograms > 0),
                    ]
                    : []
            )
        );
    }

    private static double In(string path, MassEntry? entry, double usual, decimal from, decimal to) =>
        entry is { } written
            ? (double)Problems.At("", () => Guard.InRange(path, written, from, to)).Mass.Kilograms
            : usual;

    /// <summary>Null: no such athlete; without a ladder: none by that name.</summary>
    internal static Athlete? Load(Db db, Guid athleteId, string ladder, DateOnly today)
    {
        if (SnapshotStore.Load(db, athleteId, today) is not { } loaded)
            return null;
        var atlas = CatalogueStore.Club(db).Atlas;
        var athlete = loaded.Snapshot;
        var build = athlete.BuildOn(today);
        if (atlas.BySlug.GetValueOrDefault(ladder) is not { } found)
            return new(null, build, null, false);
        var report = PlacementReport.Of(
            found,
            atlas,
            athlete.Schools,
            TrainingResults.Book(athlete, atlas.Catalogue, today),
            build,
            PlacementStore.Of(db, athleteId).FirstOrDefault(c => c.Ladder == ladder)
        );
        return new(found, build, report, athlete.AgeIn(today) is >= Clearance.Adult);
    }

    /// <summary>The same step: the body weighs a little more or less from week to week.</summary>
    internal static bool Near(HalfStep a, HalfStep b) => Math.Abs(a.Share - b.Share) < ShareNear;

    private static LabDto Of(
        LeverLab lab,
        Ladder ladder,
        bool isAdult,
        IReadOnlyList<TakenHalfStep> taken,
        IReadOnlyList<Band> bands
    ) =>
        new(
            lab.Fit?.Maximum,
            lab.Fit?.Misfit,
            lab.Fit?.Holds ?? 0,
            lab.Kind,
            isAdult,
            false,
            [
                .. lab.Steps.Select(s => new LabStepDto(
                    ladder.Steps[s.Step].Slug,
                    ladder.Steps[s.Step].Name,
                    ladder.Steps[s.Step].Movement,
                    s.Moment,
                    s.Low,
                    s.High,
                    s.Share,
                    s.ArmAngle,
                    s.Held,
                    s.Allowed,
                    [.. s.Help.Select(h => new LabHelpDto(h.Key, h.Value))]
                )),
            ],
            [
                .. lab.Gaps.SelectMany(g =>
                    g.HalfSteps.Select(h =>
                        LabHalfStepDto.Of(
                            ladder,
                            ladder.Steps[g.After].Slug,
                            ladder.Steps[g.Before].Slug,
                            h,
                            taken.FirstOrDefault(t => t.Step.Kind == h.Kind && t.Step.At == h.At && Near(t.Step, h))?.Id
                        )
                    )
                ),
            ],
            lab.Steps.Where(s => s.Help.Count > 0).MinBy(s => s.Share) is { } first
                ?
                [
                    .. first.Help.Select(h => new LabPlanDto(
                        ladder.Steps[first.Step].Name,
                        h.Key,
                        HelpPlan.Of(h.Value, bands)
                    )),
                ]
                : []
        );
}
