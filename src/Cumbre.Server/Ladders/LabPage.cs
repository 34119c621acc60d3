using Cumbre.Core.Athletes;
using Cumbre.Core.Ladders;
using Cumbre.Core.Levers;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Ladders;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Ladders;

/// <summary>Help that makes a training hold possible.</summary>
/// <param name="At">Where it takes hold.</param>
/// <param name="Kilograms">So much.</param>
public sealed record LabHelpDto(BodyPoint At, double Kilograms);

/// <summary>A lever of a ladder for an athlete.</summary>
/// <param name="Step">Slug.</param>
/// <param name="Name">As under the ridge.</param>
/// <param name="Movement">Slug.</param>
/// <param name="Moment">N m at the shoulders.</param>
/// <param name="OtherMoment">By a second table of segments.</param>
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
    double OtherMoment,
    double Share,
    double? ArmAngle,
    double? Held,
    double? Allowed,
    IReadOnlyList<LabHelpDto> Help
);

/// <summary>A step between two.</summary>
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
/// <param name="Share">Of the full line.</param>
public sealed record LabHalfStepDto(
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
    double Share
);

/// <summary>What the model says of an athlete's levers.</summary>
/// <param name="Maximum">N m that the holds speak for; null: none is long enough for the curve.</param>
/// <param name="Misfit">How far the holds are apart, as a share.</param>
/// <param name="Holds">How many speak.</param>
/// <param name="NeedsBody">Stature or body mass is unknown: there is nothing else.</param>
/// <param name="Steps">In order.</param>
/// <param name="HalfSteps">What bridges gaps that are too large.</param>
public sealed record LabDto(
    double? Maximum,
    double? Misfit,
    int Holds,
    bool NeedsBody,
    IReadOnlyList<LabStepDto> Steps,
    IReadOnlyList<LabHalfStepDto> HalfSteps
);

/// <summary>The levers of an athlete, for the coach: help, weights and the steps between.</summary>
internal static class LabPage
{
    public static Results<Ok<LabDto>, ProblemHttpResult> Handle(
        Guid athleteId,
        string ladder,
        Database database,
        ClubClock clock
    ) =>
        database.Read<Results<Ok<LabDto>, ProblemHttpResult>>(db =>
        {
            var atlas = CatalogueStore.Club(db).Atlas;
            if (atlas.BySlug.GetValueOrDefault(ladder) is not { } found)
                return (ProblemHttpResult)Problems.NotFound(Words.NoLadder);
            if (SnapshotStore.Load(db, athleteId, clock.Today) is not { } loaded)
                return (ProblemHttpResult)Problems.NotFound(Words.NoAthlete);
            var athlete = loaded.Snapshot;
            var build = athlete.BuildOn(clock.Today);
            if (build is not { StatureCm: { } cm, BodyMass: { } mass })
                return TypedResults.Ok(new LabDto(null, null, 0, true, [], []));
            var report = PlacementReport.Of(
                found,
                atlas,
                athlete.Schools,
                TrainingResults.Book(athlete, atlas.Catalogue, clock.Today),
                build,
                PlacementStore.Of(db, athleteId).FirstOrDefault(c => c.Ladder == ladder)
            );
            var lab = LeverLab.Of(
                report,
                Body(SegmentTable.For(build.Sex)),
                Body(SegmentTable.Winter),
                athlete.AgeIn(clock.Today) is >= Clearance.Adult
            );
            return TypedResults.Ok(Of(lab, found));

            LeverBody Body(SegmentTable table) => new(table, mass, (double)cm / 100, build.Lengths);
        });

    private static LabDto Of(LeverLab lab, Ladder ladder) =>
        new(
            lab.Fit?.Maximum,
            lab.Fit?.Misfit,
            lab.Fit?.Holds ?? 0,
            false,
            [
                .. lab.Steps.Select(s => new LabStepDto(
                    ladder.Steps[s.Step].Slug,
                    ladder.Steps[s.Step].Name,
                    ladder.Steps[s.Step].Movement,
                    s.Moment,
                    s.OtherMoment,
                    s.Share,
                    s.ArmAngle,
                    s.Held,
                    s.Allowed,
                    [.. s.Help.Select(h => new LabHelpDto(h.Key, h.Value))]
                )),
            ],
            [
                .. lab.Gaps.SelectMany(g =>
                    g.HalfSteps.Select(h => new LabHalfStepDto(
                        ladder.Steps[g.After].Name,
                        ladder.Steps[g.Before].Name,
                        h.Kind,
                        h.Posture.One.Hip,
                        h.Posture.One.Knee,
                        h.Posture.Other == h.Posture.One ? null : h.Posture.Other.Hip,
                        h.Posture.Other == h.Posture.One ? null : h.Posture.Other.Knee,
                        h.Posture.One.Abduction,
                        h.Kilograms,
                        h.At,
                        h.Share
                    ))
                ),
            ]
        );
}
