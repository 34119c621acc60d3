using System.Security.Cryptography;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Audit;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.WebUtilities;

namespace Cumbre.Server.Accounts;

/// <summary>How long a sign-in lasts.</summary>
/// <param name="Idle">Without a request.</param>
/// <param name="Whole">In all.</param>
internal sealed record SignInLimits(TimeSpan Idle, TimeSpan Whole)
{
    /// <summary>On somebody's own device.</summary>
    public static SignInLimits Kept { get; } = new(TimeSpan.FromDays(7), TimeSpan.FromDays(30));

    /// <summary>On a shared one (ASVS 4.0, 3.3.2: twelve hours, or half an hour without a request).</summary>
    public static SignInLimits Shared { get; } = new(TimeSpan.FromMinutes(30), TimeSpan.FromHours(12));

    public static SignInLimits Of(bool kept) => kept ? Kept : Shared;
}

/// <summary>
/// Keeps sign-ins on the server: the cookie holds only a key. So a cookie that was copied is worth nothing once its
/// sign-in has ended, and what an account may do is read anew with every request.
/// </summary>
internal sealed class SignInTickets(Database database, TimeProvider time, ClubClock clock) : ITicketStore
{
    private const int KeyBytes = 32;

    /// <summary>Between two notes that a device was seen: reading writes no more often.</summary>
    private static readonly TimeSpan SeenStep = TimeSpan.FromMinutes(1);

    /// <summary>Of the principal: which sign-in it is.</summary>
    public const string SignInClaim = "sign-in";

    public Task<string> StoreAsync(AuthenticationTicket ticket) =>
        StoreAsync(ticket, new DefaultHttpContext(), CancellationToken.None);

    public Task<string> StoreAsync(AuthenticationTicket ticket, HttpContext context, CancellationToken cancel)
    {
        var key = RandomNumberGenerator.GetBytes(KeyBytes);
        var now = time.GetUtcNow();
        var signIn = new StoredSignIn(
            Guid.CreateVersion7(),
            Policies.IdOf(ticket.Principal),
            DeviceName.Of(context.Request.Headers.UserAgent),
            ticket.Properties.IsPersistent,
            now,
            now
        );
        Write(db =>
        {
            SignInStore.Add(db, signIn, SHA256.HashData(key));
            AuditStore.Add(
                db,
                new(AuditKind.SignedIn) { Subject = signIn.AccountId, After = SignIn.From(context) },
                clock.Stamp(signIn.AccountId)
            );
        });
        return Task.FromResult(WebEncoders.Base64UrlEncode(key));
    }

    public Task<AuthenticationTicket?> RetrieveAsync(string key)
    {
        if (HashOf(key) is not { } hash)
            return Task.FromResult<AuthenticationTicket?>(null);
        var now = time.GetUtcNow();
        var (signIn, account) = database.Read(db =>
            SignInStore.Find(db, hash) is { } found ? (found, Entitled(db, found.AccountId)) : (null, null)
        );
        if (signIn is null)
            return Task.FromResult<AuthenticationTicket?>(null);
        var limits = SignInLimits.Of(signIn.Kept);
        var ends = signIn.BegunAt + limits.Whole;
        if (account is null || now >= ends || now >= signIn.SeenAt + limits.Idle)
        {
            Write(db => SignInStore.EndByKey(db, hash));
            return Task.FromResult<AuthenticationTicket?>(null);
        }

        if (now >= signIn.SeenAt + SeenStep)
            Write(db => SignInStore.Seen(db, signIn.Id, now));
        return Task.FromResult<AuthenticationTicket?>(
            new(
                SignIn.Principal(account, signIn.Id),
                new AuthenticationProperties { IsPersistent = signIn.Kept, ExpiresUtc = ends },
                CookieAuthenticationDefaults.AuthenticationScheme
            )
        );
    }

    /// <summary>A sign-in is not renewed under another key; that it was seen is noted as it is read.</summary>
    public Task RenewAsync(string key, AuthenticationTicket ticket) => Task.CompletedTask;

    public Task RemoveAsync(string key)
    {
        if (HashOf(key) is { } hash)
            Write(db => SignInStore.EndByKey(db, hash));
        return Task.CompletedTask;
    }

    /// <summary>
    /// The account, if it may still come in: one whose access has ended, and an athlete who was archived, may not.
    /// </summary>
    public static AccountRow? Entitled(Db db, Guid accountId) =>
        AccountStore.ById(db, accountId) is { EndedAt: null } account
        && (account.AthleteId is not { } athlete || AthleteStore.Find(db, athlete) is { ArchivedAt: null })
            ? account
            : null;

    private static byte[]? HashOf(string key)
    {
        try
        {
            return SHA256.HashData(WebEncoders.Base64UrlDecode(key));
        }
        catch (FormatException)
        {
            return null;
        }
    }

    /// <summary>Nothing of the training follows from a sign-in.</summary>
    private void Write(Action<Db> work) =>
        database.WriteOnly(
            db =>
            {
                work(db);
                return true;
            },
            _ => true
        );
}

/// <summary>What a browser calls itself, in a few words for the list of devices.</summary>
internal static class DeviceName
{
    // The first that fits: each names those before it as well.
    private static readonly (string Token, string Name)[] Browsers =
    [
        ("Edg", "Edge"),
        ("Firefox", "Firefox"),
        ("Chrome", "Chrome"),
        ("Safari", "Safari"),
    ];

    private static readonly (string Token, string Name)[] Systems =
    [
        ("Android", "Android"),
        ("iPhone", "iPhone"),
        ("iPad", "iPad"),
        ("Windows", "Windows"),
        ("Mac OS", "macOS"),
        ("Linux", "Linux"),
    ];

    public static string Of(string? userAgent)
    {
        string? First((string Token, string Name)[] among) =>
            among.FirstOrDefault(a => userAgent?.Contains(a.Token, StringComparison.Ordinal) == true).Name;
        return (First(Browsers), First(Systems)) switch
        {
            ({ } browser, { } system) => $"{browser} on {system}",
            ({ } browser, null) => browser,
            (null, { } system) => system,
            _ => "",
        };
    }
}
