using Cumbre.Core.Benchmarks;
using Cumbre.Core.Explanations;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes;
using Cumbre.Core.Sessions;
using Cumbre.Server.Athletes;
using Cumbre.Server.Reading;
using Cumbre.Server.Sessions;
using Cumbre.Storage.Sessions;

namespace Cumbre.Server.Running;

/// <summary>A load as it is put on, and as it is logged.</summary>
/// <param name="Added">In the unit of its pieces where they share one, so that it is exact; negative is assistance.</param>
/// <param name="Pieces">Largest first.</param>
/// <param name="Band">Name of the band that helps.</param>
/// <param name="ByFeet">The feet help.</param>
/// <param name="Counted">For instance 9 books.</param>
public sealed record PackLoad(
    MassDto Added,
    IReadOnlyList<PieceDto> Pieces,
    string? Band,
    bool ByFeet,
    CountedPieces? Counted
)
{
    public static PackLoad Of(LoadDto load) =>
        new(
            Exact(Mass.FromKilograms(load.Made.Value.Number ?? 0), load.Pieces),
            load.Pieces,
            load.Band,
            load.ByFeet,
            load.Counted
        );

    public static PackLoad Of(Loadout load)
    {
        var pieces = PieceDto.Of(load);
        return new(Exact(load.Total, pieces), pieces, null, false, null);
    }

    public static PackLoad Of(Band band, Mass help) =>
        new(MassDto.Of(MassEntry.Kg(-Math.Round(help.Kilograms, 2))), [], band.Name, false, null);

    private static MassDto Exact(Mass made, IReadOnlyList<PieceDto> pieces) =>
        pieces.Select(p => p.Size.Unit).Distinct().ToArray() is [var unit]
            ? new(pieces.Sum(p => p.Size.Value), unit)
            : new(Math.Round(made.Kilograms, 2), MassUnit.Kg);
}

/// <summary>What is done, expanded into efforts, so that a phone only walks and compares.</summary>
/// <param name="Line">The whiteboard line.</param>
/// <param name="Loads">Of the efforts, each once.</param>
/// <param name="Efforts">In order.</param>
/// <param name="Beats">Of one repetition; empty: nothing sets a pace.</param>
/// <param name="Reserve">Asked for; null: not asked.</param>
/// <param name="ToTheEnd">Some set is taken until nothing is left.</param>
/// <param name="Contact">That every repetition is to reach.</param>
/// <param name="Breaths">A gap inside a set is counted in so many; null: in seconds.</param>
/// <param name="Timed">The whole is done against the clock.</param>
/// <param name="BeatSeconds">The time to beat; null: it is only taken.</param>
/// <param name="PauseSeconds">A pause in each repetition that no tempo names; null: none.</param>
/// <param name="PauseAt">Where.</param>
/// <param name="RestSeconds">Between sets.</param>
public sealed record PackPlan(
    string Line,
    IReadOnlyList<PackLoad> Loads,
    IReadOnlyList<EffortDto> Efforts,
    IReadOnlyList<Beat> Beats,
    int? Reserve,
    bool ToTheEnd,
    Contact? Contact,
    int? Breaths,
    bool Timed,
    int? BeatSeconds,
    int? PauseSeconds,
    PausePlace? PauseAt,
    int RestSeconds
)
{
    public static PackPlan Of(ResolvedDto shown, Prescription plan, Movement? movement) =>
        new(
            shown.Line,
            [.. shown.Loads.Select(PackLoad.Of)],
            shown.Efforts,
            movement is null ? [] : Pacing.Of(plan, movement),
            shown.Reserve,
            plan.ToTheEnd,
            plan.SetUp?.To,
            (plan as RestPause)?.Gap is { Unit: GapUnit.Breaths } r ? r.Count
                : (plan as ClusterSets)?.Gap is { Unit: GapUnit.Breaths } c ? c.Count
                : null,
            plan.Timed is not null,
            plan.Timed?.Seconds,
            plan.Tempo is null ? plan.Pause?.Seconds : null,
            plan.Tempo is null ? plan.Pause?.Place : null,
            shown.RestSeconds
        );
}

/// <summary>Why an item may be done in another form.</summary>
public enum AlternateKind
{
    /// <summary>For pain in the middle of the scale.</summary>
    Eased,

    /// <summary>An easier exercise, or less of the same.</summary>
    Easier,

    /// <summary>Of the easy version of the day: it takes the item's place as a whole.</summary>
    Easy,
}

/// <summary>Another form of an item.</summary>
/// <param name="Id">The item that it becomes when it is taken; of the easy version the item's own.</param>
/// <param name="Kind">What it is for.</param>
/// <param name="Places">Where pain leads to it; empty: it is not for pain.</param>
/// <param name="Movement">The same, or an easier one.</param>
/// <param name="Plan">Its efforts.</param>
public sealed record PackAlternate(
    Guid Id,
    AlternateKind Kind,
    IReadOnlyList<BodyPlace> Places,
    PackMovement Movement,
    PackPlan Plan
);

/// <summary>What a movement asks for at the bar.</summary>
/// <param name="Slug">Stable name.</param>
/// <param name="Name">As coaches say it.</param>
/// <param name="Bottom">What its bottom is.</param>
/// <param name="Standard">What counts.</param>
/// <param name="Cues">Short.</param>
/// <param name="Faults">What breaks the standard.</param>
/// <param name="EachSide">Done on each side by itself.</param>
/// <param name="Held">Held, not repeated.</param>
/// <param name="AsksContact">How high the bar reached is logged.</param>
/// <param name="Drill">Mobility or preparation: no reserve is asked of it.</param>
/// <param name="SetUp">The parts of its set-up that are written down.</param>
public sealed record PackMovement(
    string Slug,
    string Name,
    string Bottom,
    string Standard,
    IReadOnlyList<string> Cues,
    IReadOnlyList<string> Faults,
    bool EachSide,
    bool Held,
    bool AsksContact,
    bool Drill,
    IReadOnlyList<SetUpField> SetUp
)
{
    public static PackMovement Of(string slug, Movement? movement, Prescription? plan, AthleteAtWork athlete) =>
        movement is null
            ? new(slug, slug, "", "", [], [], false, false, false, false, [])
            : new(
                slug,
                movement.Name,
                movement.Bottom,
                athlete.Athlete.Schools.StandardOf(movement, athlete.Atlas.Catalogue),
                movement.Cues,
                movement.Faults,
                movement.EachSide,
                movement.IsHeld,
                movement.Measure == BenchmarkMeasure.ContactHeight || plan?.SetUp?.To is not null,
                movement.Pattern is Pattern.Mobility or Pattern.ShoulderBlade,
                [.. movement.SetUp.Select(SetUpField.Of)]
            );
}

/// <summary>What was done of a movement last time.</summary>
public sealed record LastTime(DateOnly Day, IReadOnlyList<SetDto> Sets);

/// <summary>A stop, or pain told before, that holds an item.</summary>
public sealed record HeldItem(string Place, int Level, bool Stopped);

/// <summary>An item of a pack.</summary>
/// <param name="Id">Of the item.</param>
/// <param name="Movement">What is done.</param>
/// <param name="Joined">In turn with the one before.</param>
/// <param name="Plan">Null: its line cannot be read or resolved, and nothing can be logged.</param>
/// <param name="Problem">Why.</param>
/// <param name="Line">As it is written.</param>
/// <param name="Sets">Logged, as they stand.</param>
/// <param name="SetUp">As last time, or as the line says.</param>
/// <param name="Last">Null: it was never done.</param>
/// <param name="Held">Null: nothing holds it.</param>
/// <param name="Cautions">Of the item.</param>
/// <param name="Choices">Loads that the kit makes, lightest first; empty where none is put on.</param>
/// <param name="Alternates">Other forms.</param>
/// <param name="Skipped">Why it is left out.</param>
/// <param name="Ended">Why its rest is left out.</param>
/// <param name="InsteadOf">The item whose rest it took over.</param>
public sealed record PackItem(
    Guid Id,
    PackMovement Movement,
    bool Joined,
    PackPlan? Plan,
    ResolutionProblem? Problem,
    string Line,
    IReadOnlyList<SetDto> Sets,
    IReadOnlyDictionary<string, string> SetUp,
    LastTime? Last,
    HeldItem? Held,
    IReadOnlyList<CautionNote> Cautions,
    IReadOnlyList<PackLoad> Choices,
    IReadOnlyList<PackAlternate> Alternates,
    string? Skipped,
    string? Ended,
    Guid? InsteadOf
);

/// <summary>What pain asks for, and when the easy version is offered; a phone compares with it.</summary>
public sealed record PackLimits(int EaseFrom, int StopFrom, decimal EasySleepUnder, int EasySorenessFrom)
{
    public static PackLimits Now { get; } =
        new(
            Core.Safety.PainRules.EaseFrom,
            Core.Safety.PainRules.StopFrom,
            Core.Safety.Readiness.ShortNight,
            Core.Safety.Readiness.VerySore
        );
}

/// <summary>A session with all that running it takes, also without a signal.</summary>
/// <param name="Id">Of the session.</param>
/// <param name="AthleteId">Whose.</param>
/// <param name="Name">Whose.</param>
/// <param name="Unit">In which they think.</param>
/// <param name="Day">Training day.</param>
/// <param name="Title">May be empty.</param>
/// <param name="Status">How far it is.</param>
/// <param name="Easy">Of a deload.</param>
/// <param name="Version">Of the session when the pack was made.</param>
/// <param name="WarmUp">As planned.</param>
/// <param name="CoolDown">As planned.</param>
/// <param name="Seconds">All of it, by the time model.</param>
/// <param name="Items">In order.</param>
/// <param name="Walk">The way through it, effort by effort.</param>
/// <param name="HeldBack">What pain at a place would hold.</param>
/// <param name="Limits">Thresholds to compare with.</param>
/// <param name="CheckIn">Null: nothing was told yet.</param>
/// <param name="Effort">Of the whole session.</param>
/// <param name="BegunAt">When its first set was done.</param>
/// <param name="Seal">What the server knows it by when entries come back.</param>
public sealed record SessionPack(
    Guid Id,
    Guid AthleteId,
    string Name,
    MassUnit Unit,
    DateOnly Day,
    string Title,
    SessionStatus Status,
    bool Easy,
    long Version,
    Frame WarmUp,
    Frame CoolDown,
    int Seconds,
    IReadOnlyList<PackItem> Items,
    IReadOnlyList<WalkStep> Walk,
    IReadOnlyList<HeldBack> HeldBack,
    PackLimits Limits,
    CheckInDto? CheckIn,
    decimal? Effort,
    DateTimeOffset? BegunAt,
    string Seal
);

/// <summary>A session of the week, in short.</summary>
public sealed record WeekSession(Guid Id, DateOnly Day, string Title, SessionStatus Status);

/// <summary>An item of today that a decision of the coach changed.</summary>
/// <param name="Session">Of the item.</param>
/// <param name="Item">Which.</param>
/// <param name="Before">As it was.</param>
/// <param name="After">As it is.</param>
/// <param name="Decision">Why.</param>
public sealed record ItemChanged(Guid Session, Guid Item, DoseDto Before, DoseDto After, DecisionDto Decision);

/// <summary>The coach's words with the newest published version.</summary>
public sealed record CoachNote(string Text, DateTimeOffset At);

/// <summary>A session that asks how the morning after was.</summary>
public sealed record MorningAsked(Guid Session, DateOnly Day, string Title);

/// <summary>Two entries of one set that differ: somebody chooses, once.</summary>
/// <param name="Id">Of the entry that waits.</param>
/// <param name="Session">Of the set.</param>
/// <param name="Item">Of the set.</param>
/// <param name="Stored">As it stands; null: it was taken back meanwhile.</param>
/// <param name="Other">As the other device has it.</param>
public sealed record AskedEntry(Guid Id, Guid Session, Guid Item, SetDto? Stored, SetDto Other);

/// <summary>What an athlete's phone keeps: the coming week, and what waits for an answer.</summary>
/// <param name="Today">The club's day.</param>
/// <param name="Now">The server's clock.</param>
/// <param name="Packs">Of today and six days on, and of what was begun before and is not finished.</param>
/// <param name="Week">From its Monday on, and as far as the packs.</param>
/// <param name="Block">In which the day lies.</param>
/// <param name="Changed">What is other than it was, and why.</param>
/// <param name="Note">Null: nothing was written.</param>
/// <param name="Mornings">Sessions that ask.</param>
/// <param name="Asked">Of all sessions.</param>
public sealed record RunWeek(
    DateOnly Today,
    DateTimeOffset Now,
    IReadOnlyList<SessionPack> Packs,
    IReadOnlyList<WeekSession> Week,
    BlockLine? Block,
    IReadOnlyList<ItemChanged> Changed,
    CoachNote? Note,
    IReadOnlyList<MorningAsked> Mornings,
    IReadOnlyList<AskedEntry> Asked
);
