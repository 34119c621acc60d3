using Cumbre.Core.Athletes;

namespace Cumbre.Storage.Athletes;

/// <summary>The lists of an intake: goals, complaints, clearance. What is single lies with the athlete.</summary>
internal static class IntakeStore
{
    public static Intake Of(Db db, Guid athleteId)
    {
        var args = new { athleteId };
        return Make(
            db.Query<GoalRow>(
                "SELECT athlete_id, ladder, kind FROM athlete_goal WHERE athlete_id = @athleteId ORDER BY position",
                args
            ),
            db.Query<ComplaintRow>(
                "SELECT athlete_id, place, level, note FROM athlete_complaint WHERE athlete_id = @athleteId ORDER BY position",
                args
            ),
            db.Query<ClearanceRow>(
                "SELECT athlete_id, question, yes, cleared FROM athlete_clearance WHERE athlete_id = @athleteId",
                args
            )
        );
    }

    /// <summary>Of every athlete, with three queries.</summary>
    public static Func<Guid, Intake> All(Db db)
    {
        var goals = db.Query<GoalRow>("SELECT athlete_id, ladder, kind FROM athlete_goal ORDER BY position")
            .ToLookup(g => g.AthleteId);
        var complaints = db.Query<ComplaintRow>(
                "SELECT athlete_id, place, level, note FROM athlete_complaint ORDER BY position"
            )
            .ToLookup(c => c.AthleteId);
        var clearance = db.Query<ClearanceRow>("SELECT athlete_id, question, yes, cleared FROM athlete_clearance")
            .ToLookup(c => c.AthleteId);
        return id => Make(goals[id], complaints[id], clearance[id]);
    }

    /// <summary>Replaces them all.</summary>
    public static void Put(Db db, Guid athleteId, Intake intake)
    {
        foreach (var table in new[] { "athlete_goal", "athlete_complaint", "athlete_clearance" })
            db.Run($"DELETE FROM {table} WHERE athlete_id = @athleteId", new { athleteId });
        db.Run(
            "INSERT INTO athlete_goal (athlete_id, position, ladder, kind) VALUES (@athleteId, @position, @Ladder, @kind)",
            intake.Goals.Select(
                (g, position) =>
                    new
                    {
                        athleteId,
                        position,
                        g.Ladder,
                        kind = g.Kind.ToString(),
                    }
            )
        );
        db.Run(
            "INSERT INTO athlete_complaint (athlete_id, position, place, level, note) VALUES (@athleteId, @position, @Place, @Level, @Note)",
            intake.Complaints.Select(
                (c, position) =>
                    new
                    {
                        athleteId,
                        position,
                        c.Place,
                        c.Level,
                        c.Note,
                    }
            )
        );
        db.Run(
            "INSERT INTO athlete_clearance (athlete_id, question, yes, cleared) VALUES (@athleteId, @question, @Yes, @Cleared)",
            intake.Clearance.Select(c => new
            {
                athleteId,
                question = c.Key,
                c.Value.Yes,
                c.Value.Cleared,
            })
        );
    }

    private static Intake Make(
        IEnumerable<GoalRow> goals,
        IEnumerable<ComplaintRow> complaints,
        IEnumerable<ClearanceRow> clearance
    ) =>
        new()
        {
            Goals = [.. goals.Select(g => new Goal(g.Ladder, Enum.Parse<GoalKind>(g.Kind)))],
            Complaints = [.. complaints.Select(c => new Complaint(c.Place, (int)c.Level, c.Note))],
            Clearance = clearance.ToDictionary(
                c => c.Question,
                c => new ClearanceAnswer(c.Yes == 1, c.Cleared == 1),
                StringComparer.Ordinal
            ),
        };

    private sealed record GoalRow(Guid AthleteId, string Ladder, string Kind);

    private sealed record ComplaintRow(Guid AthleteId, string Place, long Level, string? Note);

    private sealed record ClearanceRow(Guid AthleteId, string Question, long Yes, long Cleared);
}
