using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Explanations;
using Cumbre.Core.Ladders;
using Cumbre.Core.Measures;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;
using Cumbre.Server.Athletes;
using Cumbre.Server.Decisions;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Decisions;
using Cumbre.Storage.Ladders;

namespace Cumbre.Server.Sessions;

/// <summary>Why a line that parses still has no loads.</summary>
public enum LineProblem
{
    /// <summary>No body mass is known on or before the day.</summary>
    NoBodyMass,
    NoOneRepMax,
    TooManyEffectiveReps,
}

/// <summary>A plan held against an athlete: resolved, or with the problem that prevents it.</summary>
internal sealed record PlanReading(ResolvedPrescription? Plan, ResolutionContext? Context, LineProblem? Problem, IReadOnlyList<CautionNote> NeedsReason, IReadOnlyList<CautionNote> Cautions)
{
    public ResolvedDto? Dto => Plan is null ? null : ResolvedDto.Of(Plan, Context!, Cautions);
}

/// <summary>Resolves plans for an athlete of the store.</summary>
internal static class PlanReader
{
    /// <param name="db">The connection.</param>
    /// <param name="plan">The plan.</param>
    /// <param name="profile">The athlete.</param>
    /// <param name="snapshot">Their data.</param>
    /// <param name="day">The day of the session; a later day than today is resolved with what is known today.</param>
    /// <param name="today">Today.</param>
    /// <param name="reason">The coach's reason for planning against a caution, if there is one.</param>
    public static PlanReading Read(Db db, Prescription plan, AthleteProfile profile, AthleteSnapshot snapshot, DateOnly day, DateOnly today, string? reason)
    {
        var known = day < today ? day : today;
        if (snapshot.BodyMass.On(known) is not { } body)
            return new(null, null, LineProblem.NoBodyMass, [], []);
        var max = CurrentStrength.Latest(snapshot, Lift.HeavyTest, known);
        var lastLoad = snapshot.Exposures.LastOrDefault(e => e.Movement == Lift.Movement && !e.Easy && e.Day <= known)?.TopLoad.Mass;
        var context = new ResolutionContext(body, max, max is null ? 0 : Staleness.Age(max.Value.MeasuredOn, known), profile.KitInUse, lastLoad, snapshot.AgeIn(day));
        var resolution = PrescriptionResolver.Resolve(plan, context);
        if (resolution.Plan is not { } resolved)
            return new(null, context, resolution.Problem == ResolutionProblem.NoOneRepMax ? LineProblem.NoOneRepMax : LineProblem.TooManyEffectiveReps, [], []);

        var needs = NeedsReason(db, resolved, profile, snapshot, today);
        var cautions = StandingCautions.For(resolved, body.Value, profile.OpenClearances(today).Count > 0).ToList();
        if (needs.Count > 0)
            cautions.InsertRange(0, string.IsNullOrEmpty(reason) ? needs : [CautionNote.Of(CautionId.KeptWithReason), .. needs]);
        return new(resolved, context, null, needs, cautions);
    }

    /// <summary>Cautions against which a session is only planned with a reason, which is kept.</summary>
    private static List<CautionNote> NeedsReason(Db db, ResolvedPrescription plan, AthleteProfile profile, AthleteSnapshot snapshot, DateOnly today)
    {
        var needs = new List<CautionNote>();
        if (DecisionStore.Of(db, profile.Id).Any(DecisionDto.Stops))
            needs.Add(CautionNote.Of(CautionId.PatternStopped));
        var atlas = CatalogueStore.Club(db).Atlas;
        if (plan.Loads.Any(l => l.Value.Made > Mass.Zero) && !LoadGate.IsOpen(atlas, snapshot.Schools, TrainingResults.Book(snapshot, atlas.Catalogue, today)))
            needs.Add(CautionNote.Of(CautionId.GateClosed));
        if (plan.Loads.SelectMany(l => l.Why.Cautions).FirstOrDefault(c => c.Id == CautionId.JumpLarge) is { } jump)
            needs.Add(jump);
        return needs;
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
public sealed record LineMeaning(
    string? Canonical, IReadOnlyList<TokenDto> Tokens, NotationError? Error, LineProblem? Problem, ResolvedDto? Plan, IReadOnlyList<CautionNote> NeedsReason);
