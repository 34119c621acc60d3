using System.Text.Json;
using Cumbre.Core.Lines;
using Cumbre.Storage.Privacy;

namespace Cumbre.Storage.Lines;

/// <summary>A line that was measured.</summary>
/// <param name="Id">Made by whoever measured it.</param>
/// <param name="Ladder">Slug.</param>
/// <param name="Step">Slug of the step that was asked.</param>
/// <param name="Day">Of the picture.</param>
/// <param name="Marks">Joints in the picture, px.</param>
/// <param name="Width">Of the picture, px.</param>
/// <param name="Height">Of the picture, px.</param>
/// <param name="Pictures">Of how many the marks are the mean.</param>
/// <param name="HasPicture">It is kept.</param>
/// <param name="KeptName">Who said that it may be kept; null: it is not.</param>
public sealed record StoredLine(
    Guid Id,
    string Ladder,
    string Step,
    DateOnly Day,
    SideMarks Marks,
    int Width,
    int Height,
    int Pictures,
    bool HasPicture,
    string? KeptName
);

/// <summary>A picture, and who said that it may be kept.</summary>
/// <param name="Base64">JPEG or PNG.</param>
public sealed record KeptPicture(string Base64, ConsentAs As, string Name);

/// <summary>Lines that were measured in pictures.</summary>
public static class LineStore
{
    /// <summary>Oldest first.</summary>
    public static IReadOnlyList<StoredLine> Of(Db db, Guid athleteId, string ladder) =>
        [
            .. db.Query<Row>(
                    """
                    SELECT id, ladder, step, day, marks, width, height, pictures, picture IS NOT NULL AS has_picture, kept_name
                    FROM line_measure WHERE athlete_id = @athleteId AND ladder = @ladder ORDER BY day, written_at, id
                    """,
                    new { athleteId, ladder }
                )
                .Select(r => r.ToLine()),
        ];

    /// <summary>Null: there is none, or it was not kept.</summary>
    public static string? Picture(Db db, Guid athleteId, Guid id) =>
        db.Query<string?>(
            "SELECT picture FROM line_measure WHERE id = @id AND athlete_id = @athleteId",
            new { id, athleteId }
        )
            is [var picture, ..]
            ? picture
            : null;

    /// <summary>Adds it; the same id twice changes nothing.</summary>
    public static bool Add(Db db, Guid athleteId, StoredLine line, KeptPicture? picture, Stamp stamp) =>
        db.Run(
            """
            INSERT INTO line_measure (id, athlete_id, ladder, step, day, marks, width, height, pictures, picture, kept_as, kept_name, written_at, written_by)
            VALUES (@Id, @athleteId, @Ladder, @Step, @Day, @marks, @Width, @Height, @Pictures, @picture, @keptAs, @keptName, @WrittenAt, @By)
            ON CONFLICT (id) DO NOTHING
            """,
            new
            {
                line.Id,
                athleteId,
                line.Ladder,
                line.Step,
                line.Day,
                marks = JsonSerializer.Serialize(line.Marks.Points.Select(p => new[] { p.X, p.Y })),
                line.Width,
                line.Height,
                line.Pictures,
                picture = picture?.Base64,
                keptAs = picture?.As.ToString(),
                keptName = picture?.Name,
                WrittenAt = stamp.At,
                stamp.By,
            }
        ) > 0;

    /// <summary>The line stays, its picture goes.</summary>
    public static bool Forget(Db db, Guid athleteId, Guid id) =>
        db.Run(
            "UPDATE line_measure SET picture = NULL, kept_as = NULL, kept_name = NULL WHERE id = @id AND athlete_id = @athleteId AND picture IS NOT NULL",
            new { id, athleteId }
        ) > 0;

    public static bool Remove(Db db, Guid athleteId, Guid id) =>
        db.Run("DELETE FROM line_measure WHERE id = @id AND athlete_id = @athleteId", new { id, athleteId }) > 0;

    private sealed record Row(
        Guid Id,
        string Ladder,
        string Step,
        DateOnly Day,
        string Marks,
        long Width,
        long Height,
        long Pictures,
        long HasPicture,
        string? KeptName
    )
    {
        public StoredLine ToLine() =>
            new(
                Id,
                Ladder,
                Step,
                Day,
                SideMarks.Of([
                    .. JsonSerializer.Deserialize<double[][]>(Marks)!.Select(p => new PicturePoint(p[0], p[1])),
                ]),
                (int)Width,
                (int)Height,
                (int)Pictures,
                HasPicture != 0,
                KeptName
            );
    }
}
