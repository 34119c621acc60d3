namespace Cumbre.Storage.Accounts;

/// <summary>How far a new club has come, with what the next steps go on from.</summary>
/// <param name="Kit">The gym kit was saved.</param>
/// <param name="AthleteId">The club's first athlete who is not archived.</param>
/// <param name="Weighed">An athlete has a bodyweight.</param>
/// <param name="Tested">A test result was recorded.</param>
/// <param name="BlockId">The newest block, of the athlete <paramref name="BlockOf"/>.</param>
/// <param name="BlockOf">Whose block it is.</param>
/// <param name="Published">A block was published.</param>
/// <param name="Logged">A set was logged: the club is at work.</param>
public sealed record FirstHourRow(
    long Kit,
    Guid? AthleteId,
    long Weighed,
    long Tested,
    Guid? BlockId,
    Guid? BlockOf,
    long Published,
    long Logged
);

public static class FirstHourStore
{
    public static FirstHourRow Read(Db db, Guid clubKit) =>
        db.One<FirstHourRow>(
            """
            SELECT EXISTS (SELECT 1 FROM kit_book WHERE owner_id = @clubKit) AS kit,
                   (SELECT id FROM athlete WHERE archived_at IS NULL ORDER BY id LIMIT 1) AS athlete_id,
                   EXISTS (SELECT 1 FROM body_mass) AS weighed,
                   EXISTS (SELECT 1 FROM benchmark_result) AS tested,
                   (SELECT id FROM block ORDER BY written_at DESC LIMIT 1) AS block_id,
                   (SELECT athlete_id FROM block ORDER BY written_at DESC LIMIT 1) AS block_of,
                   EXISTS (SELECT 1 FROM block_version) AS published,
                   EXISTS (SELECT 1 FROM logged_set) AS logged
            """,
            new { clubKit }
        )!;
}
