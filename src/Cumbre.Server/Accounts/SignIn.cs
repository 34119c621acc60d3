using System.Security.Claims;
using Cumbre.Core.Measures;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Identity;

namespace Cumbre.Server.Accounts;

/// <param name="SignInName">As it was chosen, in any case.</param>
/// <param name="Password">In clear, over the wire only.</param>
/// <param name="Kept">It is somebody's own device, on which they stay signed in.</param>
public sealed record SignInRequest(string SignInName, string Password, bool Kept = false);

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
        IPasswordHasher<AccountRow> hasher
    )
    {
        var account = database.Read(db => AccountStore.BySignInName(db, request.SignInName.Trim()));
        var verdict = hasher.VerifyHashedPassword(account!, account?.PasswordHash ?? NoAccountHash, request.Password);
        if (account?.PasswordHash is null || verdict == PasswordVerificationResult.Failed)
            return Problems.Fields(new FieldError("password", Words.SignInWrong));
        // Who was archived or has ended is told no more than who does not exist.
        if (database.Read(db => SignInTickets.Entitled(db, account.Id)) is null)
            return Problems.Fields(new FieldError("password", Words.SignInWrong));
        await Start(context, account, request.Kept);
        return Results.NoContent();
    }

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
        if (signIn is { } id)
            claims.Add(new(SignInTickets.SignInClaim, id.ToString()));
        return new(new ClaimsIdentity(claims, CookieAuthenticationDefaults.AuthenticationScheme));
    }
}

internal static class SignOut
{
    public static async Task<IResult> Handle(HttpContext context)
    {
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
        var role = request.As == "athlete" ? "athlete" : "owner";
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
