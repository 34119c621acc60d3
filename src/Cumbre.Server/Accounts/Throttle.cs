using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;

namespace Cumbre.Server.Accounts;

/// <summary>How long a try waits after so many that failed.</summary>
/// <param name="Free">So many fail without a wait.</param>
/// <param name="Most">No wait is longer.</param>
internal sealed record Patience(int Free, TimeSpan Most)
{
    /// <summary>A name, from devices that are not known: at most some dozen guesses a day in the long run.</summary>
    public static Patience Name { get; } = new(5, TimeSpan.FromHours(1));

    /// <summary>An address, which many may share.</summary>
    public static Patience Address { get; } = new(20, TimeSpan.FromMinutes(15));

    /// <summary>A device on which its owner has signed in before.</summary>
    public static Patience Device { get; } = new(10, TimeSpan.FromMinutes(5));

    /// <summary>One second after the last free try, then twice as long each time.</summary>
    public TimeSpan After(long failed)
    {
        const int Doublings = 20;
        return failed < Free
            ? TimeSpan.Zero
            : new[] { TimeSpan.FromSeconds(Math.Pow(2, Math.Min(failed - Free, Doublings))), Most }.Min();
    }
}

/// <summary>What one try is slowed down by.</summary>
/// <param name="Key">A hash.</param>
/// <param name="Patience">With it.</param>
internal sealed record Brake(byte[] Key, Patience Patience);

/// <summary>
/// Slows down guesses by name and by address. Who asks from a device on which they have signed in before is slowed down
/// by their own slips alone, so that nobody can lock them out.
/// </summary>
internal sealed class Throttle(Database database, TimeProvider time, CumbreOptions options)
{
    private static readonly TimeSpan DeviceKept = TimeSpan.FromDays(180);

    private string Cookie => options.CookieName + "-device";

    /// <summary>The brakes of a try at an account.</summary>
    /// <param name="http">Of the request.</param>
    /// <param name="account">Null: there is none of this name, which answers alike.</param>
    /// <param name="name">As it was typed.</param>
    public IReadOnlyList<Brake> Of(HttpContext http, Guid? account, string name)
    {
        if (
            account is { } id
            && http.Request.Cookies[Cookie] is { Length: > 0 } device
            && database.Read(db => TryStore.IsKnown(db, id, Tokens.Hash(device)))
        )
            return [new(Tokens.Hash($"device {id} {device}"), Patience.Device)];
        return
        [
            new(Tokens.Hash($"name {account?.ToString() ?? name.ToUpperInvariant()}"), Patience.Name),
            Address(http),
        ];
    }

    public static Brake Address(HttpContext http) =>
        new(Tokens.Hash($"address {http.Connection.RemoteIpAddress}"), Patience.Address);

    /// <summary>
    /// Counts a try as failed before it is looked at, so that many at once are no way around; null: it may be looked
    /// at.
    /// </summary>
    public IResult? Begin(HttpContext http, IReadOnlyList<Brake> brakes)
    {
        var now = time.GetUtcNow();
        var wait = Write(db =>
        {
            var longest = brakes
                .Select(b => (b.Patience, Failed: TryStore.Failed(db, b.Key)))
                .Where(b => b.Failed is not null)
                .Select(b => b.Failed!.LastAt + b.Patience.After(b.Failed.Count) - now)
                .DefaultIfEmpty(TimeSpan.Zero)
                .Max();
            if (longest <= TimeSpan.Zero)
                foreach (var brake in brakes)
                    TryStore.Fail(db, brake.Key, now);
            return longest;
        });
        if (wait <= TimeSpan.Zero)
            return null;
        var seconds = (int)Math.Ceiling(wait.TotalSeconds);
        http.Response.Headers.RetryAfter = seconds.ToString(System.Globalization.CultureInfo.InvariantCulture);
        return Results.Problem(Problems.Of(429, Words.TriesWait(seconds)));
    }

    /// <summary>
    /// The try was right: the slips of this name are forgotten. An address keeps its own, as whoever has an account
    /// there could otherwise clear them between guesses at others.
    /// </summary>
    public void Succeed(IReadOnlyList<Brake> brakes) =>
        Write(db =>
        {
            foreach (var brake in brakes)
                if (brake.Patience == Patience.Address)
                    TryStore.Forgive(db, brake.Key);
                else
                    TryStore.Succeed(db, brake.Key);
            return true;
        });

    /// <summary>The try was neither right nor wrong: it does not count, and those before it still do.</summary>
    public void Forgive(IReadOnlyList<Brake> brakes) =>
        Write(db =>
        {
            foreach (var brake in brakes)
                TryStore.Forgive(db, brake.Key);
            return true;
        });

    /// <summary>From now on this device is known as one of an account's.</summary>
    public void Know(HttpContext http, Guid account)
    {
        var device = http.Request.Cookies[Cookie] is { Length: > 0 } known ? known : Tokens.New();
        http.Response.Cookies.Append(
            Cookie,
            device,
            new()
            {
                HttpOnly = true,
                SameSite = SameSiteMode.Strict,
                Secure = http.Request.IsHttps,
                MaxAge = DeviceKept,
            }
        );
        Write(db =>
        {
            TryStore.Know(db, account, Tokens.Hash(device), time.GetUtcNow());
            return true;
        });
    }

    /// <summary>What is older than it is of use leaves the file.</summary>
    public void Prune()
    {
        var now = time.GetUtcNow();
        Write(db =>
        {
            TryStore.Prune(db, now - TimeSpan.FromDays(1), now - DeviceKept);
            LinkStore.Prune(db, now);
            SignInStore.Prune(db, now - SignInLimits.Kept.Idle, now - SignInLimits.Shared.Whole);
            return true;
        });
    }

    private T Write<T>(Func<Db, T> work) => database.WriteOnly(work, _ => true);
}
