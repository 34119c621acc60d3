using Cumbre.Core.Figures;
using Cumbre.Core.Ladders;
using Cumbre.Core.Movements;
using Cumbre.Server.Accounts;
using Cumbre.Storage;
using Cumbre.Storage.Ladders;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Ladders;

/// <summary>A movement's card.</summary>
public sealed record MovementCardDto(
    string Slug,
    string Name,
    IReadOnlyList<string> Aliases,
    Pattern Pattern,
    ArmMode Arms,
    bool EachSide,
    BenchmarkMeasure Measure,
    IReadOnlyList<string> SetUp,
    string Bottom,
    string Standard,
    IReadOnlyList<string> Cues,
    IReadOnlyList<string> Faults,
    IReadOnlyList<string> PrimeMovers,
    IReadOnlyList<string> CarriesTo,
    IReadOnlyList<string> Easier,
    IReadOnlyList<string> Harder,
    IReadOnlyList<string> Kit,
    IReadOnlyList<Core.Explanations.CautionId> Cautions,
    bool FailureHarmless,
    LoadCarrier? Load,
    IReadOnlyList<PoseEntry>? Poses = null,
    bool Own = false
)
{
    public static MovementCardDto Of(Movement m) =>
        new(
            m.Slug,
            m.Name,
            m.Aliases,
            m.Pattern,
            m.Arms,
            m.EachSide,
            m.Measure,
            m.SetUp,
            m.Bottom,
            m.Standard,
            m.Cues,
            m.Faults,
            m.PrimeMovers,
            m.CarriesTo,
            m.Easier,
            m.Harder,
            m.Kit,
            m.Cautions,
            m.FailureHarmless,
            m.Load,
            m.Poses,
            !Catalogue.Shipped.Movements.ContainsKey(m.Slug)
        );
}

/// <summary>A gate of a step as it is written, and the schools under which it stands.</summary>
public sealed record StepGateDto(string Gate, IReadOnlyDictionary<string, IReadOnlyList<string>> Schools);

/// <summary>A rung of the atlas; cues, faults and cautions are those of the movement and the step's own.</summary>
public sealed record LadderStepDto(
    string Slug,
    string Name,
    string Movement,
    string MovementName,
    string? SetUp,
    bool Preparation,
    IReadOnlyList<string> After,
    DemandKind DemandKind,
    IReadOnlyList<StepGateDto> Gates,
    string Opens,
    string Won,
    string Dose,
    int Weeks,
    string Standard,
    IReadOnlyList<string> Substitutes,
    IReadOnlyList<string> Cues,
    IReadOnlyList<string> Faults,
    IReadOnlyList<Core.Explanations.CautionId> Cautions
);

/// <summary>A ladder of the atlas.</summary>
/// <param name="Slug">Of the ladder.</param>
/// <param name="Name">As coaches say it.</param>
/// <param name="Skill">What stands at the summit.</param>
/// <param name="Pattern">Of its summit.</param>
/// <param name="About">What to know of it.</param>
/// <param name="DemandKind">What its heights mean.</param>
/// <param name="Schools">Questions that touch it.</param>
/// <param name="Steps">From the first to the summit.</param>
/// <param name="Own">The club's own.</param>
/// <param name="Edited">The club changed it.</param>
/// <param name="Flags">Edits under which the shipped ladder changed.</param>
public sealed record LadderDto(
    string Slug,
    string Name,
    string Skill,
    Pattern Pattern,
    string About,
    DemandKind DemandKind,
    IReadOnlyList<string> Schools,
    IReadOnlyList<LadderStepDto> Steps,
    bool Own,
    bool Edited,
    int Flags
)
{
    public static LadderDto Of(Ladder ladder, ClubAtlas club)
    {
        var state = club.States[ladder.Slug];
        return new(
            ladder.Slug,
            ladder.Name,
            ladder.Skill,
            ladder.Pattern,
            ladder.About,
            ladder.DemandKind,
            ladder.Schools,
            [.. ladder.Steps.Select(s => Step(ladder, s, club.Catalogue))],
            state.Own,
            state.Edited,
            state.Flags.Count
        );
    }

    private static LadderStepDto Step(Ladder ladder, LadderStep step, Catalogue catalogue)
    {
        var movement = catalogue.Movements[step.Movement];
        return new(
            step.Slug,
            step.Name,
            step.Movement,
            movement.Name,
            step.SetUp,
            step.Preparation,
            [.. step.After.Select(i => ladder.Steps[i].Slug)],
            step.Demand.Kind,
            [.. step.Gates.Select(g => new StepGateDto(GatePrinter.Print(g.Gate, catalogue.Names), g.Schools))],
            GatePrinter.Print(step.Opens, catalogue.Names),
            GatePrinter.Print(step.Won, catalogue.Names),
            step.Dose,
            step.Weeks,
            movement.Standard,
            step.Substitutes,
            [.. movement.Cues.Concat(step.Cues)],
            [.. movement.Faults.Concat(step.Faults)],
            [.. movement.Cautions.Concat(step.Cautions).Distinct()]
        );
    }
}

public static class LadderEndpoints
{
    public static void MapLadders(this IEndpointRouteBuilder api)
    {
        api.MapGet("/movements", Movements).RequireAuthorization(Policies.SignedIn);
        api.MapGet("/movements/{movement}/draft", OwnMovement.Get).RequireAuthorization(Policies.Coach);
        api.MapPut("/movements/{movement}", OwnMovement.Put).RequireAuthorization(Policies.Club);
        api.MapGet("/ladders", All).RequireAuthorization(Policies.SignedIn);
        api.MapGet("/ladders/retired", Retired).RequireAuthorization(Policies.Coach);
        api.MapGet("/ladders/{ladder}/club", ClubLadder.Handle).RequireAuthorization(Policies.Coach);
        api.MapGet("/ladders/{ladder}/draft", LadderDraft.Handle).RequireAuthorization(Policies.Coach);
        api.MapPost("/ladders/{ladder}/what-if", LadderDraft.WhatIf).RequireAuthorization(Policies.Club);
        api.MapGet("/review", ClubReviews.Handle).RequireAuthorization(Policies.Coach);
        api.MapGet("/ladders/export", LadderFiles.Export).RequireAuthorization(Policies.Coach);
        api.MapGet("/schemas/{name}", LadderFiles.PublishedSchema).RequireAuthorization(Policies.SignedIn);
        api.MapPost("/ladders/import/preview", LadderFiles.Preview).RequireAuthorization(Policies.Club);
        api.MapPost("/ladders/import", LadderFiles.Import).RequireAuthorization(Policies.Club);
        api.MapGet("/gates/completion", Completion).RequireAuthorization(Policies.Coach);
        api.MapPut("/ladders/{ladder}", LadderDraft.Put).RequireAuthorization(Policies.Club);
        api.MapPost("/ladders/{ladder}/restore", LadderDraft.Restore).RequireAuthorization(Policies.Club);
        api.MapGet("/athletes/{athleteId:guid}/ladders", AthleteLadders.Handle)
            .RequireAuthorization(Policies.OwnAthlete);
        api.MapGet("/athletes/{athleteId:guid}/ladders/{ladder}", AthleteLadder.Handle)
            .RequireAuthorization(Policies.OwnAthlete);
        api.MapGet("/athletes/{athleteId:guid}/ladders/{ladder}/lab", LabPage.Handle)
            .RequireAuthorization(Policies.Coach);
        api.MapPost("/athletes/{athleteId:guid}/ladders/{ladder}/lab/pose", LabPage.Pose)
            .RequireAuthorization(Policies.Coach);
        api.MapPut("/athletes/{athleteId:guid}/ladders/{ladder}/half-steps/{id:guid}", TakeHalfStep.Take)
            .RequireAuthorization(Policies.Coach);
        api.MapDelete("/athletes/{athleteId:guid}/ladders/{ladder}/half-steps/{id:guid}", TakeHalfStep.Remove)
            .RequireAuthorization(Policies.Coach);
        api.MapPut("/athletes/{athleteId:guid}/ladders/{ladder}/placement", SetPlacement.Handle)
            .RequireAuthorization(Policies.Coach);
        api.MapDelete("/athletes/{athleteId:guid}/ladders/{ladder}/placement", SetPlacement.GiveBack)
            .RequireAuthorization(Policies.Coach);
    }

    private static Ok<IReadOnlyList<MovementCardDto>> Movements(Database database) =>
        TypedResults.Ok<IReadOnlyList<MovementCardDto>>([
            .. database.Read(CatalogueStore.Club).Catalogue.Movements.Values.Select(MovementCardDto.Of),
        ]);

    /// <summary>What could be written at the cursor of a gate.</summary>
    private static Ok<IReadOnlyList<GateSuggestion>> Completion(string text, int cursor, Database database) =>
        TypedResults.Ok(GateCompletion.At(text, cursor, database.Read(CatalogueStore.Club).Catalogue.Names));

    private static Ok<IReadOnlyList<LadderDto>> All(Database database)
    {
        var club = database.Read(CatalogueStore.Club);
        return TypedResults.Ok<IReadOnlyList<LadderDto>>([.. club.Atlas.Ladders.Select(l => LadderDto.Of(l, club))]);
    }

    private static Ok<IReadOnlyList<RetiredLadder>> Retired(Database database) =>
        TypedResults.Ok(database.Read(CatalogueStore.Retired));
}
