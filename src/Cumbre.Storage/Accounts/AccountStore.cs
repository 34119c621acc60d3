using Cumbre.Core.Measures;

namespace Cumbre.Storage.Accounts;

/// <summary>Someone who can sign in.</summary>
/// <param name="Id">Of the account.</param>
/// <param name="SignInName">What is typed at sign-in.</param>
/// <param name="Name">As the club says it.</param>
/// <param name="PasswordHash">Null: nobody signs in by a password.</param>
/// <param name="Role">One of <see cref="Roles"/>.</param>
/// <param name="AthleteId">Of an athlete: who they are.</param>
/// <param name="Unit">In which they think.</param>
public sealed record AccountRow(
    Guid Id,
    string SignInName,
    string Name,
    string? PasswordHash,
    string Role,
    Guid? AthleteId,
    string Unit,
    string? Locale = null,
    long? Hours = null,
    long? FirstDay = null,
    long SomeOnly = 0,
    DateTimeOffset? EndedAt = null
)
{
    /// <summary>A coach who sees only athletes and groups that are given to them.</summary>
    public bool SeesSomeOnly => SomeOnly == 1;

    public MassUnit MassUnit => Enum.Parse<MassUnit>(Unit);

    public Habits Habits => new(Locale, (int?)Hours, (int?)FirstDay);
}

/// <summary>What somebody is in the club.</summary>
public static class Roles
{
    public const string Owner = "owner",
        Coach = "coach",
        Athlete = "athlete",
        Guardian = "guardian";
}

/// <summary>How somebody reads dates, numbers and clocks; null where their browser says.</summary>
/// <param name="Locale">A language with a region, for instance <c>en-GB</c>.</param>
/// <param name="Hours">Of the clock: 12 or 24.</param>
/// <param name="FirstDay">Of the week: 1 is Monday, 7 Sunday.</param>
public sealed record Habits(string? Locale, int? Hours, int? FirstDay);

/// <summary>The club. Training days are ISO numbers, Monday = 1.</summary>
public sealed record ClubRow(
    string Name,
    string TimeZone,
    string TrainingDays,
    string Unit = nameof(MassUnit.Kg),
    long? FirstDay = null
)
{
    public IReadOnlyList<DayOfWeek> Days =>
        [
            .. TrainingDays
                .Split(',', StringSplitOptions.RemoveEmptyEntries)
                .Select(d => (DayOfWeek)(int.Parse(d, System.Globalization.CultureInfo.InvariantCulture) % 7)),
        ];
}

public static class AccountStore
{
    private const string Columns =
        "id, sign_in_name, name, password_hash, role, athlete_id, unit, locale, hours, first_day, some_only, ended_at";

    public static ClubRow? Club(Db db) =>
        db.One<ClubRow>("SELECT name, time_zone, training_days, unit, first_day FROM club");

    public static void PutClub(Db db, ClubRow club) =>
        db.Run(
            """
            UPDATE club SET name = @Name, time_zone = @TimeZone, training_days = @TrainingDays, unit = @Unit,
              first_day = @FirstDay
            """,
            club
        );

    /// <summary>Of whoever comes in and has not chosen.</summary>
    public static MassUnit UnitOfClub(Db db) => Enum.Parse<MassUnit>(Club(db)?.Unit ?? nameof(MassUnit.Kg));

    public static void AddClub(Db db, ClubRow club, DateTimeOffset at) =>
        db.Run(
            "INSERT INTO club (id, name, time_zone, training_days, created_at) VALUES (1, @Name, @TimeZone, @TrainingDays, @at)",
            new
            {
                club.Name,
                club.TimeZone,
                club.TrainingDays,
                at,
            }
        );

    public static AccountRow? BySignInName(Db db, string name) =>
        db.One<AccountRow>($"SELECT {Columns} FROM account WHERE sign_in_name = @name", new { name });

    public static AccountRow? ById(Db db, Guid id) =>
        db.One<AccountRow>($"SELECT {Columns} FROM account WHERE id = @id", new { id });

    /// <summary>Everybody, by name.</summary>
    public static IReadOnlyList<AccountRow> All(Db db) =>
        db.Query<AccountRow>($"SELECT {Columns} FROM account ORDER BY name, id");

    internal static IReadOnlyList<AccountRow> Where(Db db, string condition, object args) =>
        db.Query<AccountRow>($"SELECT {Columns} FROM account WHERE {condition} ORDER BY name, id", args);

    /// <summary>In which unit somebody writes.</summary>
    public static MassUnit UnitOf(Db db, Guid id) => ById(db, id)?.MassUnit ?? MassUnit.Kg;

    public static AccountRow? FirstWithRole(Db db, string role) =>
        db.One<AccountRow>($"SELECT {Columns} FROM account WHERE role = @role ORDER BY id LIMIT 1", new { role });

    public static void Add(Db db, AccountRow account, DateTimeOffset at) =>
        db.Run(
            """
            INSERT INTO account (id, sign_in_name, name, password_hash, role, athlete_id, unit, created_at, some_only)
            VALUES (@Id, @SignInName, @Name, @PasswordHash, @Role, @AthleteId, @Unit, @at, @SomeOnly)
            """,
            new
            {
                account.Id,
                account.SignInName,
                account.Name,
                account.PasswordHash,
                account.Role,
                account.AthleteId,
                account.Unit,
                account.SomeOnly,
                at,
            }
        );

    public static void SetRole(Db db, Guid id, string role, bool seesSomeOnly) =>
        db.Run(
            "UPDATE account SET role = @role, some_only = @seesSomeOnly WHERE id = @id",
            new
            {
                id,
                role,
                seesSomeOnly,
            }
        );

    /// <summary>Ends somebody's access, or gives it back.</summary>
    public static void SetEnded(Db db, Guid id, DateTimeOffset? at) =>
        db.Run("UPDATE account SET ended_at = @at WHERE id = @id", new { id, at });

    public static void SetPassword(Db db, Guid id, string hash) =>
        db.Run("UPDATE account SET password_hash = @hash WHERE id = @id", new { id, hash });

    public static void SetUnit(Db db, Guid id, MassUnit unit) =>
        db.Run("UPDATE account SET unit = @unit WHERE id = @id", new { id, unit = unit.ToString() });

    public static void SetHabits(Db db, Guid id, Habits habits) =>
        db.Run(
            "UPDATE account SET locale = @Locale, hours = @Hours, first_day = @FirstDay WHERE id = @id",
            new
            {
                id,
                habits.Locale,
                habits.Hours,
                habits.FirstDay,
            }
        );
}
