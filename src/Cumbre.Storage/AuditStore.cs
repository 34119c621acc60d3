namespace Cumbre.Storage;

/// <summary>Who changed what against a rule, when and why.</summary>
public static class AuditStore
{
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
