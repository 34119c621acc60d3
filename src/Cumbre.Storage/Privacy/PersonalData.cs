namespace Cumbre.Storage.Privacy;

/// <summary>The rows of a table that are an athlete's own.</summary>
/// <param name="Table">Of the schema.</param>
/// <param name="Of">A condition on <c>@id</c>, the athlete.</param>
public sealed record PersonalRows(string Table, string Of)
{
    /// <summary>Columns that are never given out, not even to the person: what signs them in.</summary>
    public IReadOnlyList<string> Secret { get; init; } = [];

    /// <summary>What can be worked out from the other rows again: it is erased, and no part of an export.</summary>
    public bool IsDerived { get; init; }
}

/// <summary>
/// Where the file holds a person, and where it holds none. Export and erasure go by this list alone, and a test reads
/// the schema: a table that stands in neither half fails it, so that no later feature forgets a person.
/// </summary>
public static class PersonalData
{
    private const string OwnSessions = "SELECT id FROM session WHERE athlete_id = @id",
        OwnItems = $"SELECT id FROM session_item WHERE session_id IN ({OwnSessions})",
        OwnBlocks = "SELECT id FROM block WHERE athlete_id = @id",
        OwnDecisions = "SELECT id FROM decision WHERE athlete_id = @id";

    private const string Own = "athlete_id = @id";

    /// <summary>What refers to another row stands before it, so that the rows can go in this order.</summary>
    public static IReadOnlyList<PersonalRows> Rows { get; } =
    [
        new(
            "audit",
            $"""
            subject_id = @id
            OR subject_id IN ({OwnSessions}) OR subject_id IN ({OwnItems}) OR subject_id IN ({OwnBlocks})
            OR subject_id IN ({OwnDecisions})
            OR subject_id IN (SELECT id FROM logged_set WHERE item_id IN ({OwnItems}))
            OR subject_id IN (SELECT id FROM benchmark_result WHERE athlete_id = @id)
            OR subject_id IN (SELECT id FROM body_mass WHERE athlete_id = @id)
            OR subject_id IN (SELECT id FROM check_in WHERE athlete_id = @id)
            """
        ),
        new("decision_event", $"decision_id IN ({OwnDecisions})"),
        new("decision", Own),
        new("logged_set", $"item_id IN ({OwnItems})"),
        new("morning_answer", $"session_id IN ({OwnSessions})"),
        new("session_item", $"session_id IN ({OwnSessions})"),
        new("session", Own),
        new("block_generated", $"block_id IN ({OwnBlocks})"),
        new("block_version", $"block_id IN ({OwnBlocks})"),
        new("block_group_member", Own),
        new("block", Own),
        new("check_in", Own),
        new("other_training", Own),
        new("stop_clearance", Own),
        new("benchmark_result", Own),
        new("body_mass", Own),
        new("coach_placement", Own),
        new("test_day_athlete", Own),
        new("athlete_goal", Own),
        new("athlete_complaint", Own),
        new("athlete_clearance", Own),
        new("athlete_school", Own),
        new("kit_piece", Own),
        new("kit_book", "owner_id = @id"),
        new("evidence", Own) { IsDerived = true },
        new("standing", Own) { IsDerived = true },
        new("sign_in", "account_id IN (SELECT id FROM account WHERE athlete_id = @id)") { Secret = ["key_hash"] },
        new("account", Own) { Secret = ["password_hash"] },
        new("athlete", "id = @id"),
    ];

    /// <summary>
    /// Tables of the club: nobody's, though their words may mention somebody. What was written by an account keeps its
    /// id, which says nothing once the account is gone.
    /// </summary>
    public static IReadOnlyList<string> Nobodys { get; } =
    [
        "block_group",
        "catalogue_version",
        "changelog",
        "club",
        "club_school",
        "erasure",
        "template",
        "test_day",
        "test_day_test",
    ];
}
