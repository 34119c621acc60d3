namespace Cumbre.Storage.Accounts;

/// <summary>Whom an account may see: everybody, or some.</summary>
public sealed class Reach
{
    private readonly IReadOnlySet<Guid>? some;

    private Reach(IReadOnlySet<Guid>? some) => this.some = some;

    public static Reach Everybody { get; } = new(null);

    public static Reach Of(IEnumerable<Guid> athletes) => new(athletes.ToHashSet());

    public bool IsEverybody => some is null;

    /// <summary>Null: everybody.</summary>
    public IReadOnlyCollection<Guid>? Some => some;

    public bool Holds(Guid athleteId) => some?.Contains(athleteId) != false;

    public bool HoldsAll(IEnumerable<Guid> athletes) => athletes.All(Holds);

    /// <summary>Read anew each time: what was given or taken holds at once.</summary>
    /// <param name="db">The file.</param>
    /// <param name="account">Who asks.</param>
    /// <param name="today">A guardian sees until the day that was written for them, that day included.</param>
    public static Reach Read(Db db, AccountRow account, DateOnly today) =>
        account.Role switch
        {
            Roles.Owner => Everybody,
            Roles.Coach when !account.SeesSomeOnly => Everybody,
            Roles.Coach => Of(
                db.Query<Guid>("SELECT athlete_id FROM coach_reach WHERE account_id = @Id", new { account.Id })
            ),
            Roles.Guardian => Of(
                db.Query<Guid>(
                    "SELECT athlete_id FROM guardian WHERE account_id = @Id AND until >= @today",
                    new { account.Id, today }
                )
            ),
            _ => Of(account.AthleteId is { } own ? [own] : []),
        };
}
