namespace Cumbre.Storage.Athletes;

/// <summary>Choices where practitioners disagree: the club's, and those in which an athlete differs from it.</summary>
public static class SchoolStore
{
    public static IReadOnlyDictionary<string, string> OfClub(Db db) =>
        db.Query<Choice>("SELECT question, choice AS slug FROM club_school")
            .ToDictionary(c => c.Question, c => c.Slug, StringComparer.Ordinal);

    public static void PutClub(Db db, string question, string choice) =>
        db.Run(
            "INSERT INTO club_school (question, choice) VALUES (@question, @choice) ON CONFLICT (question) DO UPDATE SET choice = excluded.choice",
            new { question, choice }
        );

    public static IReadOnlyDictionary<string, string> Of(Db db, Guid athleteId) =>
        db.Query<Choice>(
                "SELECT question, choice AS slug FROM athlete_school WHERE athlete_id = @athleteId",
                new { athleteId }
            )
            .ToDictionary(c => c.Question, c => c.Slug, StringComparer.Ordinal);

    public static ILookup<Guid, KeyValuePair<string, string>> All(Db db) =>
        db.Query<Owned>("SELECT athlete_id, question, choice AS slug FROM athlete_school")
            .ToLookup(c => c.AthleteId, c => KeyValuePair.Create(c.Question, c.Slug));

    /// <summary>Replaces all that an athlete differs in.</summary>
    public static void Put(Db db, Guid athleteId, IReadOnlyDictionary<string, string> choices)
    {
        db.Run("DELETE FROM athlete_school WHERE athlete_id = @athleteId", new { athleteId });
        db.Run(
            "INSERT INTO athlete_school (athlete_id, question, choice) VALUES (@athleteId, @Question, @Choice)",
            choices.Select(c => new
            {
                athleteId,
                Question = c.Key,
                Choice = c.Value,
            })
        );
    }

    private sealed record Choice(string Question, string Slug);

    private sealed record Owned(Guid AthleteId, string Question, string Slug);
}
