using Cumbre.Core.Athletes;
using Cumbre.Core.Explanations;
using Cumbre.Core.Lexing;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes;
using Cumbre.Server.Reading;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;

namespace Cumbre.Server.Sessions;

/// <summary>A plan held against an athlete: resolved, or with the problem that prevents it.</summary>
internal sealed record PlanReading(
    ResolvedPrescription? Plan,
    ResolutionContext? Context,
    ResolutionProblem? Problem,
    IReadOnlyList<CautionNote> NeedsReason,
    IReadOnlyList<CautionNote> Cautions
)
{
    public ResolvedDto? Dto => Plan is null ? null : ResolvedDto.Of(Plan, Context!, Cautions);
}

/// <summary>Resolves plans for an athlete of the store.</summary>
internal static class PlanReader
{
    /// <param name="db">The connection.</param>
    /// <param name="movement">Slug.</param>
    /// <param name="plan">The plan.</param>
    /// <param name="profile">The athlete.</param>
    /// <param name="snapshot">Their data.</param>
    /// <param name="day">The day of the session; a later day than today is resolved with what is known today.</param>
    /// <param name="today">Today.</param>
    /// <param name="reason">The coach's reason for planning against a caution, if there is one.</param>
    public static PlanReading Read(
        Db db,
        string movement,
        Prescription plan,
        AthleteProfile profile,
        AthleteSnapshot snapshot,
        DateOnly day,
        DateOnly today,
        string? reason
    ) => Read(Work.On(db, profile, snapshot, day < today ? day : today), movement, plan, today, reason);

    /// <summary>The same where the athlete is at hand already. A gate that has opened since is open.</summary>
    public static PlanReading Read(
        AthleteAtWork athlete,
        string movement,
        Prescription plan,
        DateOnly today,
        string? reason
    )
    {
        if (athlete.Atlas.Catalogue.Movements.GetValueOrDefault(movement) is not { } found)
            return new(null, null, ResolutionProblem.MovementUnknown, [], []);
        if (athlete.ContextOf(found) is not { } context)
            return new(null, null, ResolutionProblem.NoBodyMass, [], []);
        var resolution = PrescriptionResolver.Resolve(plan, context);
        if (resolution.Plan is not { } resolved)
            return new(null, context, resolution.Problem, [], []);

        var needs = ReasonAsked.For(found, resolved, athlete, today);
        var cautions = StandingCautions
            .For(resolved, found, context.BodyMass.Value, athlete.WaitsForClearance.Count > 0)
            .ToList();
        if (needs.Count > 0)
            cautions.InsertRange(
                0,
                string.IsNullOrEmpty(reason) ? needs : [CautionNote.Of(CautionId.KeptWithReason), .. needs]
            );
        return new(resolved, context, null, needs, cautions);
    }
}

/// <summary>A piece of a line, for its colouring.</summary>
public sealed record TokenDto(TokenKind Kind, int Start, int Length);

/// <summary>What a typed line means: either a plan or the first error, and what saving it would need.</summary>
/// <param name="Canonical">The line as Cumbre writes it; null while it has an error.</param>
/// <param name="Tokens">Of the line as typed.</param>
/// <param name="Error">With its place.</param>
/// <param name="Problem">The line is right, but the athlete lacks something.</param>
/// <param name="Plan">Loads, plates, time.</param>
/// <param name="NeedsReason">Cautions that ask for a reason before it is saved.</param>
/// <param name="Misfits">What the movement or the kit does not do.</param>
public sealed record LineMeaning(
    string? Canonical,
    IReadOnlyList<TokenDto> Tokens,
    NotationError? Error,
    ResolutionProblem? Problem,
    ResolvedDto? Plan,
    IReadOnlyList<CautionNote> NeedsReason,
    IReadOnlyList<Programmes.LineMisfit> Misfits
);
