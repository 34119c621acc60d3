namespace Cumbre.Storage;

/// <summary>A change as it was noted.</summary>
/// <param name="What">For instance <c>corrected: 9 reps to 10 reps</c>.</param>
/// <param name="At">When.</param>
/// <param name="By">Name of the account; null: it is gone.</param>
public sealed record AuditEntry(string What, DateTimeOffset At, string? By);

/// <summary>Who changed what against a rule, when and why.</summary>
public static class AuditStore
{
    /// <summary>What became of something, the newest first.</summary>
    public static IReadOnlyList<AuditEntry> Of(Db db, Guid subjectId) =>
        [
            .. db.Query<AuditEntry>(
                "SELECT a.what, a.at, n.name AS by FROM audit a LEFT JOIN account n ON n.id = a.by WHERE a.subject_id = @subjectId ORDER BY a.at DESC, a.id DESC",
                new { subjectId }
            ),
        ];

    public static void Add(Db db, Guid id, string subject, Guid subjectId, string what, string? reason, Stamp stamp) =>
        db.Run(
            "INSERT INTO audit (id, subject, subject_id, what, reason, at, by) VALUES (@id, @subject, @subjectId, @what, @reason, @At, @By)",
            new
            {
                id,
                subject,
                subjectId,
                what,
                reason,
                stamp.At,
                stamp.By,
            }
        );
}
