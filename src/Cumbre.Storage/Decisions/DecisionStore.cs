using System.Globalization;
using Cumbre.Core.Athletes;
using Cumbre.Core.Decisions;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Storage.Decisions;

/// <summary>Where a decision stands.</summary>
public enum DecisionState
{
    Proposed,
    Accepted,

    /// <summary>Accepted with another line than the proposed one.</summary>
    Edited,
    Deferred,
    Superseded,
}

/// <summary>What happened to a decision.</summary>
public enum DecisionEventKind
{
    Proposed,
    Accepted,
    Edited,
    Deferred,
    Undone,
    Superseded,

    /// <summary>The coach lets a stopped place go on, with a reason.</summary>
    Cleared,
}

/// <summary>A decision as it stands, with the snapshot of its proposal.</summary>
public sealed record StoredDecision(
    Guid Id,
    Guid AthleteId,
    string Movement,
    ItemRole? Role,
    ProposalKind Kind,
    ProposalCause Cause,
    Guid? BasisSessionId,
    DecisionState State,
    DateOnly? DeferredUntil,
    bool Cleared,
    Proposal Proposal
)
{
    /// <summary>What was decided or proposed before the log was corrected: its line; null: nothing was.</summary>
    public string? Renews { get; init; }
}

/// <summary>An event of a decision.</summary>
public sealed record StoredEvent(
    Guid Id,
    Guid DecisionId,
    DecisionEventKind Kind,
    string? PayloadJson,
    DateTimeOffset At,
    Guid? By
);

public static class DecisionStore
{
    private const string Columns =
        "id, athlete_id, movement, role, kind, cause, basis_session_id, state, deferred_until, cleared, proposal_json, renews FROM decision";

    public static StoredDecision? Find(Db db, Guid id) =>
        db.One<Row>($"SELECT {Columns} WHERE id = @id", new { id })?.ToStored();

    /// <summary>Decisions of an athlete that are open or were taken, newest first.</summary>
    public static IReadOnlyList<StoredDecision> Of(Db db, Guid athleteId) =>
        [
            .. db.Query<Row>(
                    $"SELECT {Columns} WHERE athlete_id = @athleteId AND state <> 'Superseded' ORDER BY id DESC",
                    new { athleteId }
                )
                .Select(r => r.ToStored()),
        ];

    /// <summary>What waits about an athlete, and what was taken on given evidence or on none, newest first.</summary>
    public static IReadOnlyList<StoredDecision> About(Db db, Guid athleteId, IReadOnlyCollection<Guid> sessions) =>
        [
            .. db.Query<Row>(
                    $"""
                    SELECT {Columns} WHERE athlete_id = @athleteId AND (state IN ('Proposed', 'Deferred')
                    OR state IN ('Accepted', 'Edited') AND (basis_session_id IS NULL OR basis_session_id IN @sessions)) ORDER BY id DESC
                    """,
                    new { athleteId, sessions = Ids.In(sessions) }
                )
                .Select(r => r.ToStored()),
        ];

    /// <summary>What waits for the coach about an athlete, that which was put off as well.</summary>
    public static IReadOnlyList<StoredDecision> Waiting(Db db, Guid athleteId) =>
        [
            .. db.Query<Row>(
                    $"SELECT {Columns} WHERE athlete_id = @athleteId AND state IN ('Proposed', 'Deferred') ORDER BY id",
                    new { athleteId }
                )
                .Select(r => r.ToStored()),
        ];

    /// <summary>What was decided about an athlete since an instant, for undo, each with its last time.</summary>
    public static IReadOnlyList<(StoredDecision Decision, DateTimeOffset At)> TakenSince(
        Db db,
        DateTimeOffset since,
        Guid athleteId
    )
    {
        var last = db.Query<LastRow>(
                """
                SELECT d.id, max(e.at) AS at FROM decision d JOIN decision_event e ON e.decision_id = d.id
                WHERE d.athlete_id = @athleteId AND d.state IN ('Accepted', 'Edited', 'Deferred') AND e.kind IN ('Accepted', 'Edited', 'Deferred') AND e.at >= @since
                GROUP BY d.id
                """,
                new { athleteId, since }
            )
            .ToDictionary(r => r.Id, r => r.At);
        return last.Count == 0
            ? []
            :
            [
                .. db.Query<Row>(
                        $"SELECT {Columns} WHERE athlete_id = @athleteId AND state IN ('Accepted', 'Edited', 'Deferred')",
                        new { athleteId }
                    )
                    .Where(r => last.ContainsKey(r.Id))
                    .Select(r => (r.ToStored(), DateTimeOffset.Parse(last[r.Id], CultureInfo.InvariantCulture))),
            ];
    }

    /// <summary>What was accepted, oldest first, by athlete.</summary>
    public static ILookup<Guid, PastDecision> Taken(Db db, Guid athleteId) =>
        db.Query<TakenRow>(
                """
                SELECT d.athlete_id, d.movement, d.kind, max(e.at) AS at FROM decision d JOIN decision_event e ON e.decision_id = d.id AND e.kind IN ('Accepted', 'Edited')
                WHERE d.state IN ('Accepted', 'Edited') AND d.athlete_id = @athleteId GROUP BY d.id ORDER BY max(e.at)
                """,
                new { athleteId }
            )
            .ToLookup(
                r => r.AthleteId,
                r => new PastDecision(
                    r.Movement,
                    r.Kind,
                    DateOnly.ParseExact(r.At[..10], "yyyy-MM-dd", CultureInfo.InvariantCulture)
                )
            );

    public static void Add(Db db, StoredDecision decision, StoredEvent proposed) =>
        AddEvent(
            db,
            proposed,
            db.Run(
                """
                INSERT INTO decision (id, athlete_id, movement, role, kind, cause, basis_session_id, state, proposal_json, created_at, place, renews)
                VALUES (@Id, @AthleteId, @Movement, @Role, @Kind, @Cause, @BasisSessionId, @State, @json, @At, @Place, @Renews)
                """,
                new
                {
                    decision.Id,
                    decision.AthleteId,
                    decision.Movement,
                    Role = decision.Role?.ToString(),
                    Kind = decision.Kind.ToString(),
                    Cause = decision.Cause.ToString(),
                    decision.BasisSessionId,
                    State = decision.State.ToString(),
                    json = ProposalJson.Write(decision.Proposal),
                    proposed.At,
                    decision.Proposal.Place,
                    decision.Renews,
                }
            )
        );

    /// <summary>Records an event and the state that it leads to.</summary>
    public static void Move(Db db, Guid id, DecisionState state, DateOnly? deferredUntil, StoredEvent happened) =>
        AddEvent(
            db,
            happened,
            db.Run(
                "UPDATE decision SET state = @state, deferred_until = @deferredUntil WHERE id = @id",
                new
                {
                    id,
                    state = state.ToString(),
                    deferredUntil,
                }
            )
        );

    /// <summary>The same proposal as it stands today.</summary>
    public static void Renew(Db db, Guid id, Proposal proposal) =>
        db.Run(
            "UPDATE decision SET proposal_json = @json WHERE id = @id",
            new { id, json = ProposalJson.Write(proposal) }
        );

    /// <summary>Records that a stop was cleared; the decision stands as it was taken.</summary>
    public static void Clear(Db db, Guid id, StoredEvent cleared) =>
        AddEvent(db, cleared, db.Run("UPDATE decision SET cleared = 1 WHERE id = @id", new { id }));

    /// <summary>Events of a decision, oldest first.</summary>
    public static IReadOnlyList<StoredEvent> Events(Db db, Guid id) =>
        [
            .. db.Query<EventRow>(
                    "SELECT id, decision_id, kind, payload_json, at, by FROM decision_event WHERE decision_id = @id ORDER BY at, id",
                    new { id }
                )
                .Select(e => new StoredEvent(
                    e.Id,
                    e.DecisionId,
                    Enum.Parse<DecisionEventKind>(e.Kind),
                    e.PayloadJson,
                    e.At,
                    e.By
                )),
        ];

    private static void AddEvent(Db db, StoredEvent happened, int rows)
    {
        if (rows == 0)
            throw new InvalidOperationException("The decision is gone.");
        db.Run(
            "INSERT INTO decision_event (id, decision_id, kind, payload_json, at, by) VALUES (@Id, @DecisionId, @Kind, @PayloadJson, @At, @By)",
            new
            {
                happened.Id,
                happened.DecisionId,
                Kind = happened.Kind.ToString(),
                happened.PayloadJson,
                happened.At,
                happened.By,
            }
        );
    }

    private sealed record Row(
        Guid Id,
        Guid AthleteId,
        string Movement,
        string? Role,
        string Kind,
        string Cause,
        Guid? BasisSessionId,
        string State,
        DateOnly? DeferredUntil,
        long Cleared,
        string ProposalJson,
        string? Renews
    )
    {
        public StoredDecision ToStored() =>
            new(
                Id,
                AthleteId,
                Movement,
                Role is null ? null : Enum.Parse<ItemRole>(Role),
                Enum.Parse<ProposalKind>(Kind),
                Enum.Parse<ProposalCause>(Cause),
                BasisSessionId,
                Enum.Parse<DecisionState>(State),
                DeferredUntil,
                Cleared == 1,
                Decisions.ProposalJson.Read(ProposalJson)
            )
            {
                Renews = Renews,
            };
    }

    private sealed record LastRow(Guid Id, string At);

    private sealed record TakenRow(Guid AthleteId, string Movement, string Kind, string At);

    private sealed record EventRow(
        Guid Id,
        Guid DecisionId,
        string Kind,
        string? PayloadJson,
        DateTimeOffset At,
        Guid? By
    );
}
