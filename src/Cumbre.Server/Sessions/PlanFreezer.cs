using Cumbre.Server.Reading;
using Cumbre.Storage.Sessions;

namespace Cumbre.Server.Sessions;

/// <summary>What a plan resolves to, as it is kept once its session has begun.</summary>
internal static class PlanFreezer
{
    /// <summary>Null: it cannot be resolved.</summary>
    public static FrozenPlan? Of(PlanReading reading) =>
        reading.Plan is { } plan
            ? new(
                [.. plan.Efforts.Select(e => e.Load.Value.Made.Kilograms)],
                reading.Context!.BodyMass.Value.Kilograms,
                ResolvedDto.Kept.Write(reading.Dto!)
            )
            : null;
}
