using System.Security.Claims;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Identity;

namespace Cumbre.Server.Accounts;

/// <summary>A device on which somebody is signed in.</summary>
/// <param name="Id">Of the sign-in.</param>
/// <param name="Device">As its browser names itself; empty: it does not.</param>
/// <param name="Kept">They stay signed in on it.</param>
/// <param name="BegunAt">When they signed in.</param>
/// <param name="SeenAt">When it last asked for something.</param>
/// <param name="IsThis">It is the one that asks.</param>
public sealed record DeviceDto(
    Guid Id,
    string Device,
    bool Kept,
    DateTimeOffset BegunAt,
    DateTimeOffset SeenAt,
    bool IsThis
);

internal static class Devices
{
    public static Ok<IReadOnlyList<DeviceDto>> List(ClaimsPrincipal user, Database database)
    {
        var here = Policies.SignInOf(user);
        return TypedResults.Ok<IReadOnlyList<DeviceDto>>([
            .. database
                .Read(db => SignInStore.Of(db, Policies.IdOf(user)))
                .Select(s => new DeviceDto(s.Id, s.Device, s.Kept, s.BegunAt, s.SeenAt, s.Id == here)),
        ]);
    }

    /// <summary>Ends one: what it holds is worth nothing from now on.</summary>
    public static Results<NoContent, ProblemHttpResult> End(
        Guid id,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    ) =>
        database.Write(db =>
        {
            if (!SignInStore.End(db, Policies.IdOf(user), id))
                return false;
            Note(db, user, clock, "ended a sign-in");
            return true;
        })
            ? TypedResults.NoContent()
            : (ProblemHttpResult)Problems.NotFound(Words.NoDevice);

    /// <summary>Ends all but the one that asks.</summary>
    public static NoContent EndOthers(ClaimsPrincipal user, Database database, ClubClock clock)
    {
        database.Write(db =>
        {
            if (SignInStore.EndAll(db, Policies.IdOf(user), Policies.SignInOf(user)) > 0)
                Note(db, user, clock, "ended all other sign-ins");
            return true;
        });
        return TypedResults.NoContent();
    }

    internal static void Note(Db db, ClaimsPrincipal user, ClubClock clock, string what) =>
        AuditStore.Add(
            db,
            Guid.CreateVersion7(),
            "account",
            Policies.IdOf(user),
            what,
            null,
            clock.Stamp(Policies.IdOf(user))
        );
}

/// <param name="Current">The password so far.</param>
/// <param name="Password">The new one.</param>
public sealed record PasswordRequest(string Current, string Password);

internal static class ChangePassword
{
    /// <summary>Every other device has to sign in again.</summary>
    public static IResult Handle(
        PasswordRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock,
        IPasswordHasher<AccountRow> hasher
    )
    {
        var account = database.Read(db => AccountStore.ById(db, Policies.IdOf(user)))!;
        if (
            account.PasswordHash is not { } hash
            || hasher.VerifyHashedPassword(account, hash, request.Current) == PasswordVerificationResult.Failed
        )
            return Problems.Fields(new FieldError("current", Words.PasswordWrong));
        if (Passwords.Problem(request.Password) is { } problem)
            return Problems.Fields(new FieldError("password", problem));
        database.Write(db =>
        {
            AccountStore.SetPassword(db, account.Id, hasher.HashPassword(account, request.Password));
            SignInStore.EndAll(db, account.Id, Policies.SignInOf(user));
            Devices.Note(db, user, clock, "changed the password");
            return true;
        });
        return Results.NoContent();
    }
}

/// <summary>What a password must be: long (ASVS 4.0, 2.1.1). Any character counts.</summary>
internal static class Passwords
{
    public const int Minimum = 12,
        Maximum = 200;

    /// <summary>Null: it can be taken.</summary>
    public static Message? Problem(string password) =>
        password.Length is < Minimum or > Maximum ? Words.PasswordShort(Minimum) : null;
}
