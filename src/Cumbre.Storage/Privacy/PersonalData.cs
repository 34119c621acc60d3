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

    private const string Own = "athlete_id = @id",
        OwnAccount = "SELECT id FROM account WHERE athlete_id = @id",
        OfOwnAccount = $"account_id IN ({OwnAccount})";

    /// <summary>What refers to another row stands before it, so that the rows can go in this order.</summary>
    public static IReadOnlyList<PersonalRows> Rows { get; } =
    [
        new("audit_value", $"athlete_id = @id OR account_id IN ({OwnAccount})") { Secret = ["salt"] },
        new("consent", Own),
        new("run_entry", Own),
        new("board_place", $"session_id IN ({OwnSessions})"),
        new("wall", Own),
        new("import_athlete", Own),
        new("log_view", $"athlete_id = @id OR {OfOwnAccount}"),
        new("record", Own) { IsDerived = true },
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
        new("half_step", Own),
        new("line_measure", Own),
        new("test_day_athlete", Own),
        new("athlete_goal", Own),
        new("athlete_complaint", Own),
        new("athlete_clearance", Own),
        new("athlete_school", Own),
        new("kit_piece", Own),
        new("kit_book", "owner_id = @id"),
        new("evidence", Own) { IsDerived = true },
        new("standing", Own) { IsDerived = true },
        new("link_athlete", Own),
        new("link", $"{Own} OR {OfOwnAccount}") { Secret = ["token_hash"] },
        new("coach_athlete", Own),
        new("guardian", Own),
        new("sign_in", OfOwnAccount) { Secret = ["key_hash"] },
        new("known_device", OfOwnAccount) { Secret = ["key_hash"] },
        new("recovery_code", OfOwnAccount) { Secret = ["code_hash"] },
        new("second_factor", OfOwnAccount) { Secret = ["secret"] },
        new("account", Own) { Secret = ["password_hash"] },
        new("athlete", "id = @id"),
    ];

    /// <summary>
    /// Tables of the club: nobody's, though their words may mention somebody. What was written by an account keeps its
    /// id, which says nothing once the account is gone.
    /// </summary>
    public static IReadOnlyList<string> Nobodys { get; } =
    [
        "access_state",
        "audit_entry",
        "block_group",
        "catalogue_version",
        "changelog",
        "club",
        "club_school",
        "coach_group",
        "ended",
        "erasure",
        "failed_try",
        "import_file",
        "import_profile",
        "link_group",
        "privacy_text",
        "template",
        "test_day",
        "test_day_test",
    ];
}
