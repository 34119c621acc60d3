namespace Cumbre.Storage.Sessions;

/// <summary>Pain of a place in a movement over some time.</summary>
/// <param name="Place">As it was said, in small letters.</param>
/// <param name="Movement">Slug.</param>
/// <param name="Athletes">So many.</param>
/// <param name="Days">On so many days, each athlete counted by themselves.</param>
/// <param name="Worst">0 to 10.</param>
/// <param name="Last">The last of the days.</param>
public sealed record PainCount(string Place, string Movement, long Athletes, long Days, long Worst, DateOnly Last);

/// <summary>What is asked of a whole club.</summary>
public static class ClubStore
{
    /// <summary>Pain from a level on, with each set that still stands, by place and movement; the most days first.</summary>
    public static IReadOnlyList<PainCount> Pain(
        Db db,
        DateOnly from,
        DateOnly to,
        int level,
        IReadOnlyCollection<Guid>? among
    ) =>
        db.Query<PainCount>(
            $"""
            SELECT lower(l.pain_place) AS place, i.movement, count(DISTINCT s.athlete_id) AS athletes,
              count(DISTINCT s.athlete_id || s.day) AS days, max(l.pain) AS worst, max(s.day) AS last
            FROM session s JOIN session_item i ON i.session_id = s.id JOIN logged_set l ON l.item_id = i.id
            WHERE s.day BETWEEN @from AND @to AND l.pain >= @level AND l.pain_place IS NOT NULL
              AND {SessionStore.NotSuperseded}
              {(among is null ? "" : "AND s.athlete_id IN @among")}
            GROUP BY lower(l.pain_place), i.movement ORDER BY days DESC, worst DESC, place, i.movement
            """,
            new
            {
                from,
                to,
                level = (long)level,
                among = Ids.In(among ?? []),
            }
        );

    /// <summary>The last day on which each athlete trained.</summary>
    public static IReadOnlyDictionary<Guid, DateOnly> LastTrained(Db db) =>
        db.Query<LastRow>(
                "SELECT athlete_id, max(day) AS day FROM session WHERE status <> 'Planned' GROUP BY athlete_id"
            )
            .ToDictionary(r => r.AthleteId, r => r.Day);

    private sealed record LastRow(Guid AthleteId, DateOnly Day);
}
