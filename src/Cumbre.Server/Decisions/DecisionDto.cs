using Cumbre.Core.Decisions;
using Cumbre.Core.Explanations;
using Cumbre.Core.Notation;
using Cumbre.Server.Athletes;
using Cumbre.Storage.Decisions;

namespace Cumbre.Server.Decisions;

/// <summary>A decision as the Desk shows it.</summary>
/// <param name="Id">Decision.</param>
/// <param name="AthleteId">Whose.</param>
/// <param name="AthleteName">Whose.</param>
/// <param name="Movement">Slug.</param>
/// <param name="Kind">What is proposed.</param>
/// <param name="Cause">Why.</param>
/// <param name="State">Where it stands.</param>
/// <param name="DeferredUntil">It comes back on this day.</param>
/// <param name="NextDay">The day of the session that it would plan.</param>
/// <param name="Before">Line of the last session.</param>
/// <param name="Next">Line that is proposed; null when the pattern stops.</param>
/// <param name="NextIsEasy">Belongs to an easy week.</param>
/// <param name="FromKg">Load of the last session.</param>
/// <param name="To">Load that is proposed, with its reasons.</param>
/// <param name="Why">Reasons of the whole.</param>
/// <param name="Overruled">Less cautious proposals that it overrules.</param>
public sealed record DecisionDto(
    Guid Id, Guid AthleteId, string AthleteName, string Movement, ProposalKind Kind, ProposalCause Cause, DecisionState State, DateOnly? DeferredUntil, DateOnly NextDay,
    string Before, string? Next, bool NextIsEasy, decimal FromKg, Figure? To, Explanation Why, IReadOnlyList<ProposalKind> Overruled)
{
    public static DecisionDto Of(StoredDecision d, string athleteName) => new(
        d.Id, d.AthleteId, athleteName, d.Movement, d.Kind, d.Cause, d.State, d.DeferredUntil, d.Proposal.NextDay, NotationPrinter.Print(d.Proposal.Before),
        d.Proposal.Next is null ? null : NotationPrinter.Print(d.Proposal.Next), d.Proposal.NextIsEasy, d.Proposal.FromLoad.Kilograms,
        d.Proposal.ToLoad is { } to ? new(Quantity.Added(to), d.Proposal.Why) : null, d.Proposal.Why, d.Proposal.Overruled);

    /// <summary>Waits for the coach on this day.</summary>
    public static bool IsOpen(StoredDecision d, DateOnly today) =>
        d.State == DecisionState.Proposed || (d.State == DecisionState.Deferred && d.DeferredUntil <= today);

    /// <summary>Stops its movement until it is cleared.</summary>
    public static bool Stops(StoredDecision d) => d is { Kind: ProposalKind.Refer, State: DecisionState.Accepted or DecisionState.Edited, Cleared: false };
}
