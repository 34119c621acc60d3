using System.Security.Claims;
using Cumbre.Core.Measures;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Identity;

namespace Cumbre.Server.Accounts;

public sealed record SignInRequest(string SignInName, string Password);

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
        await Start(context, account);
        return Results.NoContent();
    }

    public static Task Start(HttpContext context, AccountRow account)
    {
        var claims = new List<Claim>
        {
            new(ClaimTypes.NameIdentifier, account.Id.ToString()),
            new(ClaimTypes.Name, account.Name),
            new(ClaimTypes.Role, account.Role),
        };
        if (account.AthleteId is { } athlete)
            claims.Add(new(Policies.AthleteClaim, athlete.ToString()));
        return context.SignInAsync(
            CookieAuthenticationDefaults.AuthenticationScheme,
            new(new ClaimsIdentity(claims, CookieAuthenticationDefaults.AuthenticationScheme))
        );
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
        await SignIn.Start(context, account);
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
