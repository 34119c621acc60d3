using Cumbre.Core.Explanations;
using Cumbre.Core.Measures;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Decisions;

/// <summary>What the app may propose, the most cautious first: where two collide, the earlier wins.</summary>
public enum ProposalKind
{
    /// <summary>Stop the pattern and refer to licensed practice.</summary>
    Refer,

    /// <summary>An easy week.</summary>
    Deload,

    /// <summary>The same work at a lower load, because of pain.</summary>
    Ease,

    /// <summary>A lower system, because progress has stopped.</summary>
    BackOff,

    /// <summary>The same line again.</summary>
    Hold,

    /// <summary>More reps at the same load.</summary>
    AddReps,

    /// <summary>More load.</summary>
    AddLoad,
}

/// <summary>Why it is proposed. There is one open proposal per athlete, movement and cause.</summary>
public enum ProposalCause
{
    Pain,
    LoadingWeeks,
    EasyWeek,
    NoProgress,
    CleanSessions,
    NotYetClean,
    KitGap,
    Unfinished,
}

/// <summary>A decision offered to the coach. Nothing changes until it is accepted.</summary>
/// <param name="Kind">What.</param>
/// <param name="Cause">Why.</param>
/// <param name="Movement">For which movement (slug).</param>
/// <param name="BasisSessionId">The newest session that it rests on.</param>
/// <param name="NextDay">The day of the next session that it would plan.</param>
/// <param name="Before">The plan of the last exposure.</param>
/// <param name="Next">The plan that is proposed; null when the pattern stops.</param>
/// <param name="NextIsEasy">True when the next session belongs to an easy week.</param>
/// <param name="FromLoad">Load of the last exposure.</param>
/// <param name="ToLoad">Load that is proposed, with the reasons; null when the pattern stops.</param>
/// <param name="Why">The reasons of the proposal as a whole.</param>
/// <param name="Overruled">Less cautious proposals that this one overrules.</param>
public sealed record Proposal(
    ProposalKind Kind,
    ProposalCause Cause,
    string Movement,
    Guid BasisSessionId,
    DateOnly NextDay,
    Prescription Before,
    Prescription? Next,
    bool NextIsEasy,
    Mass FromLoad,
    Mass? ToLoad,
    Explanation Why,
    IReadOnlyList<ProposalKind> Overruled);
