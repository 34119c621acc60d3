using Cumbre.Core.Explanations;
using Cumbre.Core.Loading;
using Cumbre.Core.Prescriptions;
using Cumbre.Server.Athletes;

namespace Cumbre.Server.Sessions;

/// <summary>One piece on the belt, or the vest.</summary>
public sealed record PieceDto(MassDto Size, bool IsVest)
{
    public static IReadOnlyList<PieceDto> Of(Loadout load) => [.. load.OneByOne.Select(p => new PieceDto(MassDto.Of(p.Size), p.IsVest))];
}

/// <summary>A load of the plan.</summary>
/// <param name="Made">What hangs on the athlete, with its reasons; negative is help that is needed.</param>
/// <param name="WantedKg">What the rule asks for.</param>
/// <param name="SystemKg">Body mass and load.</param>
/// <param name="ShareOfMax">Of the e1RM, 1 is all of it; null without a test.</param>
/// <param name="Pieces">Largest first.</param>
public sealed record LoadDto(Figure Made, decimal WantedKg, decimal SystemKg, decimal? ShareOfMax, IReadOnlyList<PieceDto> Pieces);

/// <summary>A set, or a part of a drop set.</summary>
/// <param name="Set">From 1.</param>
/// <param name="Part">From 1.</param>
/// <param name="RepsLow">Fewest.</param>
/// <param name="RepsHigh">Most.</param>
/// <param name="Role">Its part in the method.</param>
/// <param name="Grip">Null: any.</param>
/// <param name="Load">Index into the loads.</param>
/// <param name="TakeOff">Pieces to take off before it.</param>
/// <param name="RestAfterSeconds">0 before the next part and at the end.</param>
public sealed record EffortDto(int Set, int Part, int RepsLow, int RepsHigh, SetRole Role, Grip? Grip, int Load, IReadOnlyList<PieceDto> TakeOff, int RestAfterSeconds);

/// <summary>Four figures in seconds; lifting null is X.</summary>
public sealed record TempoDto(int Lowering, int Bottom, int? Lifting, int Top);

/// <summary>What a line means for an athlete on a day.</summary>
public sealed record ResolvedDto(
    string Line, IReadOnlyList<LoadDto> Loads, IReadOnlyList<EffortDto> Efforts, bool IsDrop, decimal DropDistanceKg, int SetTotal, int RepTotal, int TensionSeconds, int DurationSeconds,
    int RestSeconds, bool RestAssumed, int HardSets, int? Reserve, TempoDto? Tempo, IReadOnlyList<CautionNote> Cautions)
{
    public static ResolvedDto Of(ResolvedPrescription plan, ResolutionContext context, IReadOnlyList<CautionNote> cautions)
    {
        var loads = plan.Loads.ToList();
        return new(
            Core.Notation.NotationPrinter.Print(plan.Source),
            [.. loads.Select(l =>
            {
                var system = context.BodyMass.Value + l.Value.Made;
                return new LoadDto(
                    new(Quantity.Added(l.Value.Made), l.Why), l.Value.Wanted.Kilograms, system.Kilograms,
                    context.OneRepMax is { } max ? system / max.Value.Value : null, PieceDto.Of(l.Value.Pieces));
            })],
            [.. plan.Efforts.Select(e => new EffortDto(
                e.Plan.Set, e.Plan.Part, e.Plan.RepsLow, e.Plan.RepsHigh, e.Plan.Role, e.Plan.Grip, loads.IndexOf(e.Load),
                e.TakeOff is { } off ? PieceDto.Of(off) : [], e.RestAfterSeconds))],
            plan.Drop is not null,
            plan.Drop?.Distance.Kilograms ?? 0,
            plan.Efforts.Count(e => e.Plan.Part == 1),
            plan.RepTotal, plan.TensionSeconds, plan.DurationSeconds, plan.RestSeconds, plan.RestAssumed, plan.HardSets,
            ReserveOf(plan.Source),
            plan.Source.Tempo is { } t ? new(t.Lowering, t.Bottom, t.Lifting, t.Top) : null,
            cautions);
    }

    private static int? ReserveOf(Prescription plan) => plan switch
    {
        StraightSets s => s.Effort?.ReserveTarget,
        DoubleProgression d => d.Effort?.ReserveTarget,
        TopSetBackOff t => t.Effort?.ReserveTarget,
        _ => null,
    };
}
