using System.Security.Claims;
using Cumbre.Core.Measures;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Audit;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Identity;

namespace Cumbre.Server.Accounts;

/// <param name="SignInName">As it was chosen, in any case.</param>
/// <param name="Password">In clear, over the wire only.</param>
/// <param name="Kept">It is somebody's own device, on which they stay signed in.</param>
/// <param name="Code">Of their second factor; null: none was asked for yet.</param>
public sealed record SignInRequest(string SignInName, string Password, bool Kept = false, string? Code = null);

internal static class SignIn
{
    // A hash to check against when there is no such account, so that the answer takes as long.
    private static readonly string NoAccountHash = new PasswordHasher<AccountRow>().HashPassword(
        null!,
        Guid.NewGuid().ToString()
    );

    public static async Task<IResult> Handle(
        SignInRequest request,
        HttpContext context,
        Database database,
        ClubClock clock,
        Throttle throttle,
        SecondFactor factor,
        IPasswordHasher<AccountRow> hasher
    )
    {
        var name = request.SignInName.Trim();
        var account = database.Read(db => AccountStore.BySignInName(db, name));
        var brakes = throttle.Of(context, account?.Id, name);
        if (throttle.Begin(context, brakes) is { } wait)
            return wait;
        var verdict = hasher.VerifyHashedPassword(account!, account?.PasswordHash ?? NoAccountHash, request.Password);
        // Who was archived or has ended is told no more than who does not exist.
        if (
            account?.PasswordHash is null
            || verdict == PasswordVerificationResult.Failed
            || database.Read(db => SignInTickets.Entitled(db, account.Id)) is null
        )
        {
            Note(AuditKind.SignInFailed);
            return Problems.Fields(new FieldError("password", Words.SignInWrong));
        }

        if (database.Read(db => SecondFactor.IsOn(db, account.Id)))
        {
            if (string.IsNullOrWhiteSpace(request.Code))
            {
                // Not a failed try; those before it still count, or each would give free guesses at the code.
                throttle.Forgive(brakes);
                return Problems.Fields(new FieldError("code", Words.CodeMissing));
            }

            var (right, recovery) = database.Write(db => factor.Take(db, account.Id, request.Code));
            if (!right)
            {
                Note(AuditKind.SignInFailed);
                return Problems.Fields(new FieldError("code", Words.CodeWrong));
            }

            if (recovery)
                Note(AuditKind.RecoveryCodeUsed);
        }

        throttle.Succeed(brakes);
        if (verdict == PasswordVerificationResult.SuccessRehashNeeded)
            database.Write(db =>
            {
                AccountStore.SetPassword(db, account.Id, hasher.HashPassword(account, request.Password));
                return true;
            });
        await Start(context, account, request.Kept);
        throttle.Know(context, account.Id);
        return Results.NoContent();

        // What was typed as a name stays out of it: it may have been the password.
        void Note(AuditKind what) =>
            database.WriteOnly(
                db =>
                {
                    AuditStore.Add(
                        db,
                        new(what) { Subject = account?.Id, After = From(context) },
                        clock.Now,
                        account?.Id
                    );
                    return true;
                },
                _ => true
            );
    }

    /// <summary>Device and address, as they stand in the audit.</summary>
    internal static string From(HttpContext context) =>
        string.Join(
            ", ",
            new[]
            {
                DeviceName.Of(context.Request.Headers.UserAgent),
                context.Connection.RemoteIpAddress?.ToString() ?? "",
            }.Where(t => t.Length > 0)
        );

    /// <summary>Signs somebody in on the device that asks.</summary>
    public static Task Start(HttpContext context, AccountRow account, bool kept) =>
        context.SignInAsync(
            CookieAuthenticationDefaults.AuthenticationScheme,
            Principal(account, null),
            new()
            {
                IsPersistent = kept,
                ExpiresUtc = kept
                    ? context.RequestServices.GetRequiredService<TimeProvider>().GetUtcNow() + SignInLimits.Kept.Whole
                    : null,
            }
        );

    /// <summary>What an account may do, as it stands now.</summary>
    public static ClaimsPrincipal Principal(AccountRow account, Guid? signIn)
    {
        var claims = new List<Claim>
        {
            new(ClaimTypes.NameIdentifier, account.Id.ToString()),
            new(ClaimTypes.Name, account.Name),
            new(ClaimTypes.Role, account.Role),
        };
        if (account.AthleteId is { } athlete)
            claims.Add(new(Policies.AthleteClaim, athlete.ToString()));
        if (account.SeesSomeOnly)
            claims.Add(new(Policies.SomeOnlyClaim, "1"));
        if (signIn is { } id)
            claims.Add(new(SignInTickets.SignInClaim, id.ToString()));
        return new(new ClaimsIdentity(claims, CookieAuthenticationDefaults.AuthenticationScheme));
    }
}

internal static class SignOut
{
    public static async Task<IResult> Handle(HttpContext context, Database database, ClubClock clock)
    {
        var id = Policies.IdOf(context.User);
        database.WriteOnly(
            db =>
            {
                AuditStore.Add(db, new(AuditKind.SignedOut) { Subject = id }, clock.Stamp(id));
                return true;
            },
            _ => true
        );
        await context.SignOutAsync(CookieAuthenticationDefaults.AuthenticationScheme);
        return Results.NoContent();
    }
}

/// <param name="As"><c>coach</c> or <c>athlete</c>.</param>
public sealed record DemoSignInRequest(string As);

internal static class DemoSignIn
{
    public static async Task<IResult> Handle(
        DemoSignInRequest request,
        HttpContext context,
        Database database,
        CumbreOptions options
    )
    {
        if (!options.Demo)
            return Problems.NotFound(Words.NoPage);
        var role = request.As == Roles.Athlete ? Roles.Athlete : Roles.Owner;
        if (database.Read(db => AccountStore.FirstWithRole(db, role)) is not { } account)
            return Problems.NotFound(Words.NoAccount);
        await SignIn.Start(context, account, kept: true);
        return Results.NoContent();
    }
}

public sealed record UnitRequest(MassUnit Unit);

internal static class SetUnit
{
    public static IResult Handle(UnitRequest request, ClaimsPrincipal user, Database database)
    {
        database.Write(db =>
        {
            AccountStore.SetUnit(db, Policies.IdOf(user), request.Unit);
            return true;
        });
        return Results.NoContent();
    }
}
