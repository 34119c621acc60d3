using System.Security.Claims;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Audit;
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
    private const int EventsShown = 20;

    /// <summary>What of a sign-in its owner is told: also what somebody else tried.</summary>
    private static readonly AuditKind[] Told =
    [
        AuditKind.SignedIn,
        AuditKind.SignInFailed,
        AuditKind.PasswordChanged,
        AuditKind.PasswordRecovered,
        AuditKind.RecoveryLinkMade,
        AuditKind.SecondFactorOn,
        AuditKind.SecondFactorOff,
        AuditKind.RecoveryCodeUsed,
        AuditKind.RoleChanged,
    ];

    /// <summary>What happened to one's own account, the newest first.</summary>
    public static Ok<IReadOnlyList<AuditEntry>> Events(ClaimsPrincipal user, Database database) =>
        TypedResults.Ok<IReadOnlyList<AuditEntry>>([
            .. database
                .Read(db => AuditStore.Of(db, Policies.IdOf(user)))
                .Where(e => Told.Contains(e.Kind))
                .Take(EventsShown),
        ]);

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
            Note(db, user, clock, AuditKind.SignInEnded);
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
                Note(db, user, clock, AuditKind.SignInsEnded);
            return true;
        });
        return TypedResults.NoContent();
    }

    private static void Note(Db db, ClaimsPrincipal user, ClubClock clock, AuditKind what) =>
        AuditStore.Add(db, new(what) { Subject = Policies.IdOf(user) }, clock.Stamp(Policies.IdOf(user)));
}

/// <param name="Current">The password so far.</param>
/// <param name="Password">The new one.</param>
public sealed record PasswordRequest(string Current, string Password);

internal static class ChangePassword
{
    /// <summary>Every other device has to sign in again.</summary>
    public static IResult Handle(
        PasswordRequest request,
        HttpContext http,
        Database database,
        ClubClock clock,
        OwnPassword own,
        IPasswordHasher<AccountRow> hasher
    )
    {
        var (account, refusal) = own.Check(http, request.Current, "current");
        if (refusal is not null)
            return refusal;
        if (Passwords.Problem(request.Password, account.Name, account.SignInName) is { } problem)
            return Problems.Fields(new FieldError("password", problem));
        database.Write(db =>
        {
            AccountStore.SetPassword(db, account.Id, hasher.HashPassword(account, request.Password));
            SignInStore.EndAll(db, account.Id, Policies.SignInOf(http.User));
            AuditStore.Add(db, new(AuditKind.PasswordChanged) { Subject = account.Id }, clock.Stamp(account.Id));
            return true;
        });
        return Results.NoContent();
    }
}
