using Cumbre.Core.Explanations;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes;

namespace Cumbre.Core.Decisions;

/// <summary>
/// What the app may propose, the most cautious first: of those that speak for one movement the earlier wins and names
/// what it overrides. From
/// <see cref="WeakerSide"/> on they stand beside the others and override nothing.
/// </summary>
public enum ProposalKind
{
    /// <summary>Stop what pain holds, and refer to licensed practice.</summary>
    Refer,

    /// <summary>The same work made easier, because of pain.</summary>
    Ease,

    /// <summary>The way back after a stop was cleared.</summary>
    Return,

    /// <summary>A deload week.</summary>
    Deload,

    /// <summary>A lighter week at once, because of fatigue.</summary>
    LighterWeek,

    /// <summary>The line sagged: no more of it today. Twice running, <see cref="LighterWeek"/>.</summary>
    RestToday,

    /// <summary>Less load, reps or seconds, because progress has stopped.</summary>
    BackOff,

    /// <summary>Another variation, because progress has stopped again.</summary>
    Variation,

    /// <summary>An easier movement, or help.</summary>
    Easier,

    /// <summary>The planned increase waits a week.</summary>
    Hold,
    NextMovement,

    /// <summary>The next step of a hold in short singles, taken out of the one before.</summary>
    NextStep,

    /// <summary>The dose that the found level asks for.</summary>
    SetDose,
    AddLoad,
    AddReps,
    AddSeconds,
    AddSet,

    /// <summary>A slower lowering at the same time a set.</summary>
    Slower,
    AddPause,

    /// <summary>One counted piece more.</summary>
    AddPiece,
    WeakerBand,
    LowerBox,

    /// <summary>A pad or finger fewer, or the feet further away.</summary>
    LessHelp,
    NextContact,
    ShorterGap,
    ShorterSlot,
    LessRest,
    LongerStretch,
    LongerPieces,
    HigherTop,

    /// <summary>The weaker side first, and one set more for it.</summary>
    WeakerSide,

    /// <summary>The sides are even again.</summary>
    EvenSides,

    /// <summary>A standard was shown in training.</summary>
    Achieved,
    Test,
    Retest,
}

/// <summary>Why it is proposed. There is one open proposal per athlete, movement, role and cause.</summary>
public enum ProposalCause
{
    Pain,
    Cleared,
    LoadingWeeks,
    Fatigue,
    NoProgress,
    BelowZone,

    /// <summary>The plan carries an increase that was not earned.</summary>
    NotEarned,
    CleanSessions,

    /// <summary>More reps in reserve than were asked.</summary>
    Reserve,

    /// <summary>The next load of the kit is far away.</summary>
    KitGap,
    LevelFound,
    SideGap,
    StandardShown,

    /// <summary>A fresh test denies what a harder step implies.</summary>
    Contradicted,

    /// <summary>Practice sets have outgrown the test.</summary>
    Trend,

    /// <summary>Descents have reached their longest.</summary>
    DescentDone,

    /// <summary>Fast reps at their most, and how high they went was never noted.</summary>
    HeightUnknown,

    /// <summary>Clean jumps from the lowest box.</summary>
    LowestBox,

    /// <summary>Of decisions that earlier versions proposed.</summary>
    EasyWeek,

    /// <summary>Of decisions that earlier versions proposed.</summary>
    NotYetClean,

    /// <summary>Of decisions that earlier versions proposed.</summary>
    Unfinished,
}

/// <summary>A decision offered to the coach. Nothing changes until it is accepted.</summary>
/// <param name="Kind">What.</param>
/// <param name="Cause">Why.</param>
/// <param name="Movement">For which movement (slug).</param>
/// <param name="Role">For the items of which role; null: for all of the movement.</param>
/// <param name="BasisSessionId">The newest session that it rests on; null: it rests on a test or a check-in.</param>
/// <param name="BasisDay">The day of the newest evidence.</param>
/// <param name="NextDay">The day of the next session that it would plan.</param>
/// <param name="Before">The plan that it starts from; null: none.</param>
/// <param name="Next">What is trained then; null: the movement stops, or nothing changes.</param>
/// <param name="Why">The reasons.</param>
/// <param name="Overruled">Less cautious proposals that this one overrides.</param>
public sealed record Proposal(
    ProposalKind Kind,
    ProposalCause Cause,
    string Movement,
    ItemRole? Role,
    Guid? BasisSessionId,
    DateOnly BasisDay,
    DateOnly NextDay,
    Prescription? Before,
    MovementDose? Next,
    Explanation Why,
    IReadOnlyList<ProposalKind> Overruled
)
{
    /// <summary>Stands in the session before the item: the next step of a hold.</summary>
    public MovementDose? First { get; init; }

    /// <summary>The plan carries the increase already: accepting confirms it and changes nothing.</summary>
    public bool Confirms { get; init; }

    /// <summary>Where it hurts, for what pain asks.</summary>
    public string? Place { get; init; }

    /// <summary>Stands beside the others and overrides nothing.</summary>
    public bool IsBeside => Kind >= ProposalKind.WeakerSide;

    /// <summary>Accepting it can hurt nobody: several can be accepted together.</summary>
    public bool IsHarmless =>
        Kind
            is > ProposalKind.Hold
                and not (ProposalKind.NextMovement or ProposalKind.NextStep or ProposalKind.Test or ProposalKind.Retest)
        && !Large;

    /// <summary>The step in load asks the coach to confirm it.</summary>
    public bool Large => Why.Cautions.Any(c => c.Id == CautionId.JumpLarge);
}

/// <summary>An item of a coming session that has not begun.</summary>
/// <param name="Session">Of the session.</param>
/// <param name="Item">Of the item.</param>
/// <param name="Day">Of the session.</param>
/// <param name="Easy">In a deload week.</param>
/// <param name="Movement">Slug.</param>
/// <param name="Role">Null: written by hand.</param>
/// <param name="Plan">As it stands.</param>
public sealed record PlannedItem(
    Guid Session,
    Guid Item,
    DateOnly Day,
    bool Easy,
    string Movement,
    ItemRole? Role,
    Prescription Plan
);
