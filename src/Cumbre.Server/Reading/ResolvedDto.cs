using Cumbre.Core.Explanations;
using Cumbre.Core.Loading;
using Cumbre.Core.Prescriptions;
using Cumbre.Server.Hosting;

namespace Cumbre.Server.Reading;

/// <summary>One piece on the belt, over the shoulders or in the vest, or the vest.</summary>
public sealed record PieceDto(MassDto Size, PieceSort Sort)
{
    public static IReadOnlyList<PieceDto> Of(Loadout load) =>
        [.. load.OneByOne.Select(p => new PieceDto(MassDto.Of(p.Size), p.Sort))];
}

/// <summary>A load of the plan.</summary>
/// <param name="Made">What hangs on the athlete, with its reasons; negative is help that is needed.</param>
/// <param name="WantedKg">What the rule asks for.</param>
/// <param name="SystemKg">Body mass and load.</param>
/// <param name="ShareOfMax">Of the e1RM, 1 is all of it; null without a test.</param>
/// <param name="Pieces">Largest first.</param>
/// <param name="Band">Name of the band that helps; null: none does.</param>
/// <param name="ByFeet">The feet help; judged by reps.</param>
/// <param name="Counted">For instance 9 books; null: nothing is counted.</param>
/// <param name="IsWeighed">False: the mass that is moved is not known.</param>
public sealed record LoadDto(
    Figure Made,
    decimal WantedKg,
    decimal SystemKg,
    decimal? ShareOfMax,
    IReadOnlyList<PieceDto> Pieces,
    string? Band,
    bool ByFeet,
    CountedPieces? Counted,
    bool IsWeighed
);

/// <summary>Counted pieces.</summary>
public sealed record CountedPieces(int Count, string Name);

/// <summary>What comes next after a success.</summary>
/// <param name="Kind">In what it grows.</param>
/// <param name="By">By what, where the method leaves it to the movement; null: nothing of it grows, as in a drill.</param>
/// <param name="Line">Null where only the kit or the ladder can tell.</param>
public sealed record ProgressionDto(ProgressionKind Kind, GrowthMeasure? By, string? Line);

/// <summary>A set, or a part of a drop set.</summary>
/// <param name="Set">From 1.</param>
/// <param name="Part">From 1.</param>
/// <param name="RepsLow">Fewest.</param>
/// <param name="RepsHigh">Most.</param>
/// <param name="Role">Its part in the method.</param>
/// <param name="Grip">Null: any.</param>
/// <param name="Load">Index into the loads.</param>
/// <param name="TakeOff">Pieces to take off before it.</param>
/// <param name="RestAfterSeconds">0 at the end.</param>
/// <param name="Seconds">Of a hold; null: it is counted in reps.</param>
/// <param name="Side">Null: both at once.</param>
public sealed record EffortDto(
    int Set,
    int Part,
    int RepsLow,
    int RepsHigh,
    SetRole Role,
    Grip? Grip,
    int Load,
    IReadOnlyList<PieceDto> TakeOff,
    int RestAfterSeconds,
    int? Seconds,
    Core.Measures.Side? Side
);

/// <summary>Four figures in seconds; lifting null is X.</summary>
public sealed record TempoDto(int Lowering, int Bottom, int? Lifting, int Top);

/// <summary>What a line means for an athlete on a day.</summary>
public sealed record ResolvedDto(
    string Line,
    IReadOnlyList<LoadDto> Loads,
    IReadOnlyList<EffortDto> Efforts,
    bool IsDrop,
    decimal DropDistanceKg,
    int SetTotal,
    int RepTotal,
    int TensionSeconds,
    int DurationSeconds,
    int RestSeconds,
    bool RestAssumed,
    int HardSets,
    int? Reserve,
    TempoDto? Tempo,
    IReadOnlyList<CautionNote> Cautions,
    int StraightArmSeconds,
    decimal? VolumeLoadKg,
    int Left,
    int Right,
    int? RestInSlot,
    ProgressionDto? Progression
)
{
    /// <summary>How the plan of a session that has begun is kept.</summary>
    public static ShownDocument<ResolvedDto> Kept { get; } = new();

    public static ResolvedDto Of(
        ResolvedPrescription plan,
        ResolutionContext context,
        IReadOnlyList<CautionNote> cautions
    )
    {
        var loads = plan.Loads.ToList();
        return new(
            Core.Notation.NotationPrinter.Print(plan.Source),
            [
                .. loads.Select(l =>
                {
                    var system = context.BodyMass.Value + l.Value.Made;
                    return new LoadDto(
                        new(Quantity.Added(l.Value.Made), l.Why),
                        l.Value.Wanted.Kilograms,
                        system.Kilograms,
                        context.OneRepMax is { } max && l.Value.IsWeighed ? system / max.Value.Value : null,
                        PieceDto.Of(l.Value.Pieces),
                        l.Value.Band?.Name,
                        l.Value.ByFeet,
                        l.Value.Counted is { } c ? new(c.Count, c.Name) : null,
                        l.Value.IsWeighed
                    );
                }),
            ],
            [
                .. plan.Efforts.Select(e => new EffortDto(
                    e.Plan.Set,
                    e.Plan.Part,
                    e.Plan.RepsLow,
                    e.Plan.RepsHigh,
                    e.Plan.Role,
                    e.Plan.Grip,
                    loads.IndexOf(e.Load),
                    e.TakeOff is { } off ? PieceDto.Of(off) : [],
                    e.RestAfterSeconds,
                    e.Plan.Seconds,
                    e.Plan.Side
                )),
            ],
            plan.Drop is not null,
            plan.Drop?.Distance.Kilograms ?? 0,
            plan.Efforts.Count(e => e.Plan.Part == 1),
            plan.RepTotal,
            plan.TensionSeconds,
            plan.DurationSeconds,
            plan.RestSeconds,
            plan.RestAssumed,
            plan.HardSets,
            plan.Source.Effort?.ReserveTarget,
            plan.Source.Tempo is { } t ? new(t.Lowering, t.Bottom, t.Lifting, t.Top) : null,
            cautions,
            plan.StraightArmSeconds,
            plan.VolumeLoad is { } volume ? Math.Round(volume, 1) : null,
            plan.Left,
            plan.Right,
            plan.RestInSlot,
            new(
                plan.Progression.Kind,
                plan.Progression.By,
                plan.Progression.Next is { } next ? Core.Notation.NotationPrinter.Print(next) : null
            )
        );
    }
}
