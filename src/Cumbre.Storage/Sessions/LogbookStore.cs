using Cumbre.Core.Benchmarks;
using Cumbre.Core.Measures;

namespace Cumbre.Storage.Sessions;

/// <summary>What is asked of the log; null: any.</summary>
public sealed record LogFilter
{
    public Guid? Athlete { get; init; }

    /// <summary>Only these; null: everybody.</summary>
    public IReadOnlyCollection<Guid>? Among { get; init; }

    /// <summary>Slug.</summary>
    public string? Movement { get; init; }

    public DateOnly? From { get; init; }

    /// <summary>The last day.</summary>
    public DateOnly? To { get; init; }

    public FormVerdict? Form { get; init; }

    /// <summary>In a deload, or not.</summary>
    public bool? Easy { get; init; }

    /// <summary>Some pain was told, or a stop sign.</summary>
    public bool WithPain { get; init; }

    /// <summary>A set was logged before in its place.</summary>
    public bool Corrected { get; init; }

    /// <summary>At most so many reps in reserve were told.</summary>
    public int? Reserve { get; init; }

    /// <summary>Stands in the set-up, the fault, the note or the place of a pain, in whatever case.</summary>
    public string? Text { get; init; }
}

/// <summary>In which order sessions come.</summary>
public enum LogOrder
{
    Newest,
    Oldest,

    /// <summary>By the athlete's name, of each the newest first.</summary>
    Athlete,
}

/// <summary>By which figure sets come, the highest first.</summary>
public enum LogFigure
{
    /// <summary>Added; assistance is below nothing.</summary>
    Load,

    /// <summary>Clean reps, or seconds of a hold.</summary>
    Amount,

    /// <summary>As it was told, a stop sign above all figures.</summary>
    Pain,
}

/// <summary>The last session of a page.</summary>
public sealed record LogPlace(string Athlete, DateOnly Day, Guid Session);

/// <summary>A session that has sets which are asked for.</summary>
public sealed record LoggedSession(Guid Id, Guid AthleteId, string Athlete, DateOnly Day)
{
    public LogPlace Place => new(Athlete, Day, Id);
}

/// <summary>What the sets of an item that are asked for come to.</summary>
/// <param name="SessionId">Of the session.</param>
/// <param name="AthleteId">Whose.</param>
/// <param name="Day">Training day.</param>
/// <param name="Sets">So many.</param>
/// <param name="Reps">Clean ones, of sets that are counted in reps.</param>
/// <param name="Seconds">Held.</param>
/// <param name="AddedKgReps">Added kilograms times reps.</param>
/// <param name="BodyMassKg">Of the day; null: not known.</param>
/// <param name="Clean">Sets without a fault.</param>
/// <param name="Reserve">Reps in reserve together.</param>
/// <param name="ReserveTold">Of so many sets.</param>
/// <param name="Pain">Sets with some pain or a sign.</param>
public sealed record LoggedItemSum(
    Guid SessionId,
    Guid AthleteId,
    DateOnly Day,
    long Sets,
    long Reps,
    long Seconds,
    double AddedKgReps,
    double? BodyMassKg,
    long Clean,
    long Reserve,
    long ReserveTold,
    long Pain
);

/// <summary>A set that is asked for, with the body mass of its day.</summary>
public sealed record LoggedOfAthlete(Guid AthleteId, DateOnly Day, Mass? BodyMass, StoredSet Set);

/// <summary>Reads the log of everybody by what is asked of it.</summary>
public static class LogbookStore
{
    private const string KgOfSet = "(l.added_value * CASE l.added_unit WHEN 'Lb' THEN 0.45359237 ELSE 1.0 END)";

    private const string From = """
        FROM session s CROSS JOIN session_item i ON i.session_id = s.id CROSS JOIN logged_set l ON l.item_id = i.id
        """;

    /// <summary>
    /// Of one movement its items are looked up, of everything the days are followed: either way a page costs what it
    /// shows, and not what there is.
    /// </summary>
    private const string FromMovement = """
        FROM session_item i CROSS JOIN session s ON s.id = i.session_id CROSS JOIN logged_set l ON l.item_id = i.id
        """;

    /// <summary>Sessions with sets that are asked for.</summary>
    /// <param name="db">The connection.</param>
    /// <param name="filter">What is asked.</param>
    /// <param name="order">In which order.</param>
    /// <param name="after">The last one of the page before; null: the first page.</param>
    /// <param name="count">At most so many.</param>
    public static IReadOnlyList<LoggedSession> Sessions(
        Db db,
        LogFilter filter,
        LogOrder order,
        LogPlace? after,
        int count
    ) =>
        order == LogOrder.Athlete && filter.Athlete is null
            ? ByAthlete(db, filter, after, count)
            : ByDay(db, filter, order, after, count);

    /// <summary>
    /// One athlete after the other, until there are enough: everybody's sessions are never put in order at once.
    /// </summary>
    private static List<LoggedSession> ByAthlete(Db db, LogFilter filter, LogPlace? after, int count)
    {
        var all = db.Query<NamedRow>("SELECT id, name FROM athlete ORDER BY name, id")
            .Where(a => filter.Among?.Contains(a.Id) != false)
            .ToArray();
        // Who stands behind the last one of the page before; of a session that is gone by its name.
        var last = after is null
            ? null
            : db.One<OfSession>("SELECT athlete_id FROM session WHERE id = @Session", new { after.Session });
        var from =
            after is null ? 0
            : last is not null ? Math.Max(0, Array.FindIndex(all, a => a.Id == last.AthleteId))
            : all.TakeWhile(a => string.CompareOrdinal(a.Name, after.Athlete) < 0).Count();
        var found = new List<LoggedSession>();
        for (var i = from; i < all.Length && found.Count < count; i++)
        {
            found.AddRange(
                ByDay(
                    db,
                    filter with
                    {
                        Athlete = all[i].Id,
                    },
                    LogOrder.Newest,
                    i == from && all[i].Name == after?.Athlete ? after : null,
                    count - found.Count
                )
            );
        }

        return found;
    }

    private static List<LoggedSession> ByDay(Db db, LogFilter filter, LogOrder order, LogPlace? after, int count)
    {
        var of = Conditions(filter, sets: false);
        var isOldest = order == LogOrder.Oldest;
        if (after is not null)
            of.Add($"(s.day, s.id) {(isOldest ? ">" : "<")} (@AfterDay, @AfterId)");
        var by = isOldest ? "s.day, s.id" : "s.day DESC, s.id DESC";
        var sets = string.Join(" AND ", Conditions(filter, sets: true));
        // Days are followed, and whether a session has the movement is one look: few or many, a page costs little more
        // than what it shows.
        var items = filter.Movement is null ? "session_item i" : "session_item i INDEXED BY session_item_of_movement";
        var has =
            $"EXISTS (SELECT 1 FROM {items} CROSS JOIN logged_set l ON l.item_id = i.id WHERE i.session_id = s.id AND {sets})";
        return
        [
            .. db.Query<LoggedSession>(
                $"""
                SELECT s.id, s.athlete_id, a.name AS athlete, s.day FROM session s JOIN athlete a ON a.id = s.athlete_id
                WHERE {string.Join(" AND ", of)} AND {has} ORDER BY {by} LIMIT @count
                """,
                Args(filter, after, count)
            ),
        ];
    }

    /// <summary>The sets of some sessions that are asked for, with the id of the set that each corrects.</summary>
    public static ILookup<Guid, StoredSet> Sets(Db db, LogFilter filter, IReadOnlyCollection<Guid> sessions) =>
        db.Query<SetRow>(
                $"""
                SELECT {SessionStore.SetColumns} JOIN session_item i ON i.id = l.item_id
                WHERE i.session_id IN @Sessions AND {string.Join(" AND ", Conditions(filter, sets: true))}
                ORDER BY i.position, l.set_no, l.part_no, l.id
                """,
                Args(filter, null, 0, sessions)
            )
            .Select(r => r.ToStored())
            .ToLookup(s => s.ItemId);

    /// <summary>How many sets are asked for, counted no further than to a most.</summary>
    public static int Count(Db db, LogFilter filter, int most) =>
        (int)
            db.One<CountRow>(
                $"SELECT count(*) AS count FROM (SELECT 1 {Whole(filter)} LIMIT @count)",
                Args(filter, null, most)
            )!.Count;

    /// <summary>The sets with the highest figure, of the same the newest first, each with its session.</summary>
    /// <param name="db">The connection.</param>
    /// <param name="filter">What is asked: few enough to be put in order at once.</param>
    /// <param name="by">Which figure.</param>
    /// <param name="count">At most so many.</param>
    public static IReadOnlyList<(Guid Set, LoggedSession Session)> Highest(
        Db db,
        LogFilter filter,
        LogFigure by,
        int count
    )
    {
        var figure = by switch
        {
            LogFigure.Load => KgOfSet,
            LogFigure.Amount => "coalesce(l.seconds, l.reps)",
            _ => "(CASE WHEN l.sign IS NULL THEN coalesce(l.pain, 0) ELSE 100 + coalesce(l.pain, 0) END)",
        };
        return
        [
            .. db.Query<HighRow>(
                    $"""
                    SELECT l.id AS set_id, s.id, s.athlete_id, a.name AS athlete, s.day
                    {Whole(filter, "JOIN athlete a ON a.id = s.athlete_id")}
                    ORDER BY {figure} DESC, s.day DESC, l.id DESC LIMIT @count
                    """,
                    Args(filter, null, count)
                )
                .Select(r => (r.SetId, new LoggedSession(r.Id, r.AthleteId, r.Athlete, r.Day))),
        ];
    }

    /// <summary>What the sets come to, item by item.</summary>
    public static IReadOnlyList<LoggedItemSum> Sums(Db db, LogFilter filter) =>
        [
            .. db.Query<LoggedItemSum>(
                $"""
                SELECT s.id AS session_id, s.athlete_id, s.day, count(*) AS sets,
                  coalesce(sum(CASE WHEN l.seconds IS NULL THEN l.reps END), 0) AS reps,
                  coalesce(sum(l.seconds), 0) AS seconds,
                  coalesce(sum(CASE WHEN l.seconds IS NULL THEN l.reps * {KgOfSet} END), 0.0) AS added_kg_reps,
                  CAST(json_extract(i.frozen_json, '$.bodyMassKg') AS REAL) AS body_mass_kg,
                  sum(l.form = 'Clean') AS clean, coalesce(sum(l.reserve), 0) AS reserve, count(l.reserve) AS reserve_told,
                  sum(coalesce(l.pain, 0) > 0 OR l.sign IS NOT NULL) AS pain
                {Whole(filter)} GROUP BY i.id
                """,
                Args(filter, null, 0)
            ),
        ];

    /// <summary>Every set with the body mass of its day, for instance to find the best of each athlete.</summary>
    public static IReadOnlyList<LoggedOfAthlete> Each(Db db, LogFilter filter)
    {
        var sets = db.Query<SetRow>(
                $"SELECT {SessionStore.SetColumns.Replace("FROM logged_set l", "", StringComparison.Ordinal)} {Whole(filter)}",
                Args(filter, null, 0)
            )
            .Select(r => r.ToStored())
            .ToArray();
        var of = db.Query<OfItem>(
                $"""
                SELECT DISTINCT i.id, s.athlete_id, s.day, CAST(json_extract(i.frozen_json, '$.bodyMassKg') AS REAL) AS body_mass_kg
                {Whole(filter)}
                """,
                Args(filter, null, 0)
            )
            .ToDictionary(r => r.Id);
        return
        [
            .. sets.Select(s =>
            {
                var item = of[s.ItemId];
                return new LoggedOfAthlete(
                    item.AthleteId,
                    item.Day,
                    item.BodyMassKg is { } kg ? Mass.FromKilograms(Math.Round((decimal)kg, 2)) : null,
                    s
                );
            }),
        ];
    }

    /// <summary>Body mass of the day, by item, of those that were resolved.</summary>
    public static IReadOnlyDictionary<Guid, decimal> BodyMasses(Db db, IReadOnlyCollection<Guid> sessions) =>
        db.Query<MassRow>(
                """
                SELECT id, CAST(json_extract(frozen_json, '$.bodyMassKg') AS REAL) AS body_mass_kg FROM session_item
                WHERE session_id IN @sessions AND frozen_json IS NOT NULL
                """,
                new { sessions = Ids.In(sessions) }
            )
            .ToDictionary(r => r.Id, r => Math.Round((decimal)r.BodyMassKg, 2));

    private static string Whole(LogFilter filter, string and = "") =>
        $"{(filter.Movement is null ? From : FromMovement)} {and} WHERE "
        + string.Join(" AND ", [.. Conditions(filter, sets: false), .. Conditions(filter, sets: true)]);

    /// <param name="filter">What is asked.</param>
    /// <param name="sets">What is asked of sets; else of sessions.</param>
    private static List<string> Conditions(LogFilter filter, bool sets)
    {
        List<string> all = sets ? [SessionStore.NotSuperseded] : ["s.status <> 'Planned'"];
        void If(bool asked, string condition)
        {
            if (asked)
                all.Add(condition);
        }
        if (!sets)
        {
            If(filter.Athlete is not null, "s.athlete_id = @Athlete");
            If(filter.Among is not null, "s.athlete_id IN @Among");
            If(filter.From is not null, "s.day >= @From");
            If(filter.To is not null, "s.day <= @To");
            If(filter.Easy is not null, "s.easy = @Easy");
            return all;
        }

        If(filter.Movement is not null, "i.movement = @Movement");
        If(filter.Form is not null, "l.form = @Form");
        If(filter.WithPain, "(l.pain > 0 OR l.sign IS NOT NULL)");
        If(filter.Corrected, "l.supersedes IS NOT NULL");
        If(filter.Reserve is not null, "l.reserve <= @Reserve");
        If(
            filter.Text is not null,
            """
            (l.note LIKE @Text ESCAPE '\' OR l.fault LIKE @Text ESCAPE '\'
              OR l.set_up_json LIKE @Text ESCAPE '\' OR l.pain_place LIKE @Text ESCAPE '\')
            """
        );
        return all;
    }

    private static object Args(
        LogFilter filter,
        LogPlace? after,
        int count,
        IReadOnlyCollection<Guid>? sessions = null
    ) =>
        new
        {
            filter.Athlete,
            Among = Ids.In(filter.Among ?? []),
            filter.Movement,
            filter.From,
            filter.To,
            filter.Easy,
            Form = filter.Form?.ToString(),
            filter.Reserve,
            Text = filter.Text is { } text ? $"%{Escaped(text)}%" : null,
            AfterDay = after?.Day,
            AfterId = after?.Session,
            Sessions = Ids.In(sessions ?? []),
            count,
        };

    private static string Escaped(string text) =>
        text.Replace("\\", "\\\\", StringComparison.Ordinal)
            .Replace("%", "\\%", StringComparison.Ordinal)
            .Replace("_", "\\_", StringComparison.Ordinal);

    private sealed record CountRow(long Count);

    private sealed record HighRow(Guid SetId, Guid Id, Guid AthleteId, string Athlete, DateOnly Day);

    private sealed record NamedRow(Guid Id, string Name);

    private sealed record OfSession(Guid AthleteId);

    private sealed record MassRow(Guid Id, double BodyMassKg);

    private sealed record OfItem(Guid Id, Guid AthleteId, DateOnly Day, double? BodyMassKg);
}
