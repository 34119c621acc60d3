namespace Cumbre.Storage.Sessions;

/// <summary>What stands about an athlete on a wall.</summary>
/// <param name="Name">As they chose; null: their first name.</param>
/// <param name="Pain">They agreed that pain is shown.</param>
public sealed record WallChoice(string? Name, bool Pain);

/// <summary>A session on the board.</summary>
/// <param name="SessionId">Which.</param>
/// <param name="Station">As the coach set it; null: as the exercise asks.</param>
public sealed record BoardPlace(Guid SessionId, string? Station);

public static class BoardStore
{
    public static WallChoice Wall(Db db, Guid athleteId) =>
        db.Query<WallRow>("SELECT name, pain FROM wall WHERE athlete_id = @athleteId", new { athleteId })
            .Select(r => new WallChoice(r.Name, r.Pain == 1))
            .FirstOrDefault()
        ?? new(null, false);

    public static void Put(Db db, Guid athleteId, string name, bool pain, Stamp stamp) =>
        db.Run(
            """
            INSERT INTO wall (athlete_id, name, pain, written_at, written_by) VALUES (@athleteId, @name, @pain, @At, @By)
            ON CONFLICT (athlete_id) DO UPDATE SET name = excluded.name, pain = excluded.pain, written_at = excluded.written_at,
              written_by = excluded.written_by
            """,
            new
            {
                athleteId,
                name,
                pain,
                stamp.At,
                stamp.By,
            }
        );

    /// <summary>In the order of the coach; those of other days are gone.</summary>
    public static IReadOnlyList<BoardPlace> Places(Db db, DateOnly today) =>
        [
            .. db.Query<PlaceRow>(
                    """
                    SELECT p.session_id, p.station FROM session s JOIN board_place p ON p.session_id = s.id
                    WHERE s.day = @today ORDER BY p.position
                    """,
                    new { today }
                )
                .Select(r => new BoardPlace(r.SessionId, r.Station)),
        ];

    /// <summary>In place of those that were there; what the caller may not see stays.</summary>
    public static void Put(Db db, IReadOnlyList<BoardPlace> places, IReadOnlyCollection<Guid> instead)
    {
        foreach (var id in instead)
            db.Run("DELETE FROM board_place WHERE session_id = @id", new { id });
        for (var i = 0; i < places.Count; i++)
            db.Run(
                "INSERT INTO board_place (session_id, station, position) VALUES (@SessionId, @Station, @position)",
                new
                {
                    places[i].SessionId,
                    places[i].Station,
                    position = (long)i,
                }
            );
    }

    private sealed record WallRow(string Name, long Pain);

    private sealed record PlaceRow(Guid SessionId, string? Station);
}
