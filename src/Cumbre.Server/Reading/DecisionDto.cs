using System.Text.Json;
using Cumbre.Core.Decisions;
using Cumbre.Core.Explanations;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes;
using Cumbre.Storage;
using Cumbre.Storage.Decisions;

namespace Cumbre.Server.Reading;

/// <summary>A movement with a line.</summary>
public sealed record DoseDto(string Movement, string Name, string Line)
{
    public static DoseDto? Of(MovementDose? dose, AthleteAtWork athlete) =>
        dose is null ? null : new(dose.Movement, NameOf(dose.Movement, athlete), NotationPrinter.Print(dose.Plan));

    internal static string NameOf(string movement, AthleteAtWork athlete) =>
        athlete.Atlas.Catalogue.Movements.GetValueOrDefault(movement)?.Name ?? movement;
}

/// <summary>What a decision does to an item of a coming session.</summary>
/// <param name="Item">Of the item.</param>
/// <param name="Day">Of the session.</param>
/// <param name="Before">Null: it is added.</param>
/// <param name="After">As it becomes.</param>
/// <param name="IsQuestion">It was written by hand: it is only changed when the coach says so.</param>
/// <param name="Asks">Cautions against which the line is only accepted with a reason.</param>
public sealed record RevisionDto(
    Guid Item,
    DateOnly Day,
    DoseDto? Before,
    DoseDto After,
    bool IsQuestion,
    IReadOnlyList<CautionNote> Asks
);

/// <summary>A session as evidence: whether it was clean, and set by set what was done and whether it met the plan.</summary>
public sealed record SeenSession(bool Clean, IReadOnlyList<SeenSet> Sets);

/// <param name="Reps">Or seconds, clean.</param>
/// <param name="Met">As it was planned, with clean form.</param>
public sealed record SeenSet(int Reps, bool Met);

/// <summary>What is asked of one decision at a time, and is long.</summary>
/// <param name="Changes">What accepting changes; of one that was taken, what it changed.</param>
/// <param name="Why">Reasons of the whole.</param>
public sealed record DecisionDetails(IReadOnlyList<RevisionDto> Changes, Explanation Why);

/// <summary>A decision as the Desk shows it.</summary>
/// <param name="Id">Decision.</param>
/// <param name="AthleteId">Whose.</param>
/// <param name="AthleteName">Whose.</param>
/// <param name="Movement">Slug; empty: no movement in particular.</param>
/// <param name="MovementName">As it is called.</param>
/// <param name="Role">Of which items; null: all of the movement.</param>
/// <param name="Kind">What is proposed.</param>
/// <param name="Cause">Why.</param>
/// <param name="State">Where it stands.</param>
/// <param name="DeferredUntil">It comes back on this day.</param>
/// <param name="BasisDay">The day of the newest evidence.</param>
/// <param name="NextDay">The day of the session that it would plan.</param>
/// <param name="Before">Line that it starts from; null: none.</param>
/// <param name="Next">What is proposed; null: the movement stops, or nothing changes.</param>
/// <param name="First">Stands in the session before it.</param>
/// <param name="Confirms">The plan carries it already.</param>
/// <param name="Place">Where it hurts.</param>
/// <param name="Harmless">Several of these can be accepted together.</param>
/// <param name="Cleared">The stop was lifted.</param>
/// <param name="Renews">The line that was decided or proposed before the log was corrected; null: it was not.</param>
/// <param name="Overruled">Less cautious proposals that it overrules.</param>
/// <param name="Facts">What it goes by.</param>
/// <param name="Evidence">The last sessions, the newest first.</param>
/// <param name="ChangedItems">How many items of coming sessions accepting changes, or changed.</param>
/// <param name="Details">Null where many decisions are shown: each is asked for by its id.</param>
public sealed record DecisionDto(
    Guid Id,
    Guid AthleteId,
    string AthleteName,
    string Movement,
    string MovementName,
    ItemRole? Role,
    ProposalKind Kind,
    ProposalCause Cause,
    DecisionState State,
    DateOnly? DeferredUntil,
    DateOnly BasisDay,
    DateOnly NextDay,
    string? Before,
    DoseDto? Next,
    DoseDto? First,
    bool Confirms,
    string? Place,
    bool Harmless,
    bool Cleared,
    string? Renews,
    IReadOnlyList<ProposalKind> Overruled,
    IReadOnlyList<Fact> Facts,
    IReadOnlyList<SeenSession> Evidence,
    int ChangedItems,
    DecisionDetails? Details
)
{
    /// <summary>With its details.</summary>
    /// <param name="db">The connection.</param>
    /// <param name="d">The decision.</param>
    /// <param name="athleteName">Whose.</param>
    /// <param name="athlete">On the day.</param>
    /// <param name="planned">Items of coming sessions that have not begun.</param>
    public static DecisionDto Of(
        Db db,
        StoredDecision d,
        string athleteName,
        AthleteAtWork athlete,
        IReadOnlyList<PlannedItem> planned
    )
    {
        var changes = IsToAnswer(d)
            ? Revisions(d, athlete, planned)
                .Select(r => new RevisionDto(
                    r.Item,
                    r.Day,
                    DoseDto.Of(r.Before, athlete),
                    DoseDto.Of(r.After, athlete)!,
                    r.IsQuestion,
                    ReasonAsked.For(r.After, athlete)
                ))
                .ToArray()
            : AcceptedChanges
                .Of(db, d.Id)
                .Items.Select(i => new RevisionDto(
                    i.Item,
                    i.Day,
                    i.Before?.Dto(athlete),
                    i.After.Dto(athlete),
                    false,
                    []
                ))
                .ToArray();
        return InShort(d, athleteName, athlete, changes.Length) with { Details = new(changes, d.Proposal.Why) };
    }

    /// <summary>What a list shows of a decision: without its details.</summary>
    public static DecisionDto InShort(
        Db db,
        StoredDecision d,
        string athleteName,
        AthleteAtWork athlete,
        IReadOnlyList<PlannedItem> planned
    ) =>
        InShort(
            d,
            athleteName,
            athlete,
            IsToAnswer(d) ? Revisions(d, athlete, planned).Count : AcceptedChanges.Of(db, d.Id).Items.Count
        );

    private static bool IsToAnswer(StoredDecision d) => d.State is DecisionState.Proposed or DecisionState.Deferred;

    private static IReadOnlyList<ItemRevision> Revisions(
        StoredDecision d,
        AthleteAtWork athlete,
        IReadOnlyList<PlannedItem> planned
    ) => PlanRevision.Of(d.Proposal, athlete, planned, _ => Guid.Empty);

    private static DecisionDto InShort(StoredDecision d, string athleteName, AthleteAtWork athlete, int changes)
    {
        var p = d.Proposal;
        return new(
            d.Id,
            d.AthleteId,
            athleteName,
            d.Movement,
            DoseDto.NameOf(d.Movement, athlete),
            d.Role,
            d.Kind,
            d.Cause,
            d.State,
            d.DeferredUntil,
            p.BasisDay,
            p.NextDay,
            p.Before is null ? null : NotationPrinter.Print(p.Before),
            DoseDto.Of(p.Next, athlete),
            DoseDto.Of(p.First, athlete),
            p.Confirms,
            p.Place,
            p.IsHarmless,
            d.Cleared,
            d.Renews,
            p.Overruled,
            p.Why.Inputs,
            [
                .. p.Why.Exposures.Select(e => new SeenSession(
                    e.Clean,
                    [.. e.Sets.Select(s => new SeenSet(s.Reps, s.Met))]
                )),
            ],
            changes,
            null
        );
    }

    /// <summary>One decision by itself.</summary>
    public static DecisionDto Of(Db db, StoredDecision d, DateOnly today)
    {
        var (profile, athlete) = Work.Load(db, d.AthleteId, today)!.Value;
        return Of(db, d, profile.Name, athlete, Work.Planned(db, d.AthleteId, today));
    }

    /// <summary>Waits for the coach on this day.</summary>
    public static bool IsOpen(StoredDecision d, DateOnly today) => IsOpen(d.State, d.DeferredUntil, today);

    public static bool IsOpen(DecisionState state, DateOnly? deferredUntil, DateOnly today) =>
        state == DecisionState.Proposed || (state == DecisionState.Deferred && deferredUntil <= today);
}

/// <summary>An item before or after a decision.</summary>
internal sealed record ItemState(string Movement, string Plan, ItemRole? Role, string? Relief)
{
    public DoseDto Dto(AthleteAtWork athlete) =>
        new(Movement, DoseDto.NameOf(Movement, athlete), NotationPrinter.Print(PrescriptionJson.Read(Plan)));
}

/// <summary>What accepting did to an item.</summary>
internal sealed record AcceptedChange(Guid Session, Guid Item, DateOnly Day, ItemState? Before, ItemState After);

/// <summary>All that accepting changed, so that it can be undone exactly.</summary>
/// <param name="V">Of the schema.</param>
/// <param name="Created">A session that did not exist before; null: none was made.</param>
/// <param name="Items">Item by item.</param>
internal sealed record AcceptedChanges(int V, Guid? Created, IReadOnlyList<AcceptedChange> Items)
{
    public const int Version = 2;

    public string ToJson() => JsonSerializer.Serialize(this, WireJson.Options);

    /// <summary>
    /// Of the last time that the decision was taken; what an earlier version noted cannot be undone here any more.
    /// </summary>
    public static AcceptedChanges Of(Db db, Guid decisionId) =>
        DecisionStore
            .Events(db, decisionId)
            .LastOrDefault(e => e.Kind is DecisionEventKind.Accepted or DecisionEventKind.Edited)
            ?.PayloadJson
            is { } json
        && JsonSerializer.Deserialize<AcceptedChanges>(json, WireJson.Options) is { V: Version } changes
            ? changes
            : new(0, null, []);
}
