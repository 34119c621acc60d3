using Cumbre.Core.Explanations;
using Cumbre.Core.Ladders;
using Cumbre.Core.Movements;

namespace Cumbre.Server.Reading;

/// <summary>A step of a small ridge.</summary>
/// <param name="Share">Of the summit's demand, as a fraction.</param>
/// <param name="Status">Where it stands.</param>
public sealed record RidgePoint(decimal Share, StepStatus Status);

/// <summary>A ladder in small: the ridge and the flag.</summary>
/// <param name="Ladder">Slug.</param>
/// <param name="Name">Of the ladder.</param>
/// <param name="Steps">In order.</param>
/// <param name="Training">Position of the flag; null: nothing may be trained yet.</param>
/// <param name="TrainingName">Of that step.</param>
/// <param name="Next">Name of the next step; null at the summit.</param>
/// <param name="Limiting">What holds the athlete back most.</param>
/// <param name="SetByCoach">Against the rule.</param>
/// <param name="Started">Some step has a result.</param>
public sealed record SmallRidge(
    string Ladder,
    string Name,
    IReadOnlyList<RidgePoint> Steps,
    int? Training,
    string? TrainingName,
    string? Next,
    ThresholdEvidence? Limiting,
    bool SetByCoach,
    bool Started
)
{
    public static SmallRidge Of(PlacementReport report, Catalogue catalogue)
    {
        var placement = report.Placement;
        return new(
            placement.Ladder.Slug,
            placement.Ladder.Name,
            [.. report.Steps.Select(s => new RidgePoint(s.Demand.Value.Share, s.Status))],
            placement.Training,
            report.Training.Value,
            placement.Next is { } next ? placement.Ladder.Steps[next].Name : null,
            report.Limiting is { } limiting ? PlacementReport.Evidence(limiting.Term, catalogue) : null,
            report.Coach is not null,
            report.Steps.Any(s => s.Best is not null)
        );
    }
}
