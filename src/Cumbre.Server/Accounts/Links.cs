using System.Security.Claims;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Audit;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Identity;

namespace Cumbre.Server.Accounts;

/// <summary>A link that was just made: its text is told once, and kept nowhere.</summary>
/// <param name="Id">By which it is withdrawn.</param>
/// <param name="Path">From the club's address on; what follows the sign # never reaches a log.</param>
/// <param name="EndsAt">It is worth nothing from then on.</param>
public sealed record MadeLinkDto(Guid Id, string Path, DateTimeOffset EndsAt);

/// <summary>Makes links, and says what they hash to.</summary>
internal sealed class Links(TimeProvider time)
{
    public static TimeSpan InvitationLasts { get; } = TimeSpan.FromDays(7);

    public static TimeSpan RecoveryLasts { get; } = TimeSpan.FromDays(1);

    public DateTimeOffset Now => time.GetUtcNow();

    /// <summary>An older link to the same account is worth nothing from then on.</summary>
    public static MadeLinkDto Make(Db db, StoredLink link)
    {
        if (link.AccountId is { } account)
            LinkStore.RemoveOf(db, account);
        var token = Tokens.New();
        LinkStore.Add(db, link, Tokens.Hash(token));
        return new(link.Id, $"/join#{token}", link.EndsAt);
    }

    /// <summary>A link by which somebody chooses a new password.</summary>
    public MadeLinkDto Recover(Db db, AccountRow account, Guid? by) =>
        Make(
            db,
            new(
                Guid.CreateVersion7(),
                account.Id,
                account.AthleteId,
                account.Role,
                account.Name,
                false,
                null,
                Now,
                by,
                Now + RecoveryLasts
            )
        );

    public StoredLink? Find(Db db, string token) => LinkStore.Find(db, Tokens.Hash(token), Now);
}

/// <param name="Token">What follows the sign # in the link.</param>
public sealed record LinkRequest(string Token);

/// <summary>What a link is for.</summary>
/// <param name="Club">Of which club.</param>
/// <param name="Role">What they become, or are.</param>
/// <param name="Name">Whom it is for.</param>
/// <param name="Athlete">Of a guardian: whose.</param>
/// <param name="Recovers">A new password for an account that exists.</param>
/// <param name="SignInName">Of that account.</param>
/// <param name="EndsAt">It is worth nothing from then on.</param>
public sealed record LinkDto(
    string Club,
    string Role,
    string Name,
    string? Athlete,
    bool Recovers,
    string? SignInName,
    DateTimeOffset EndsAt
);

/// <param name="Token">What follows the sign # in the link.</param>
/// <param name="Name">As the club should say it; an athlete's own is taken from the roster.</param>
/// <param name="SignInName">Chosen; nothing where the account exists.</param>
/// <param name="Password">12 to 128 characters.</param>
public sealed record JoinRequest(string Token, string? Name, string? SignInName, string Password);

internal static class LinkEndpoints
{
    /// <summary>What a link is for. It is asked for in the body, as addresses are kept in logs.</summary>
    public static Results<Ok<LinkDto>, ProblemHttpResult> Look(
        LinkRequest request,
        HttpContext http,
        Database database,
        Links links,
        Throttle throttle
    )
    {
        IReadOnlyList<Brake> brakes = [Throttle.Address(http)];
        if (throttle.Begin(http, brakes) is { } wait)
            return (ProblemHttpResult)wait;
        var found = database.Read(db =>
        {
            if (links.Find(db, request.Token) is not { } link)
                return null;
            var account = link.AccountId is { } id ? AccountStore.ById(db, id) : null;
            return new LinkDto(
                AccountStore.Club(db)?.Name ?? "",
                link.Role,
                link.Name,
                link is { Role: Roles.Guardian, AthleteId: { } athlete } ? AthleteStore.Find(db, athlete)?.Name : null,
                account is not null,
                account?.SignInName,
                link.EndsAt
            );
        });
        if (found is null)
            return (ProblemHttpResult)Problems.NotFound(Words.LinkEnded);
        throttle.Succeed(brakes);
        return TypedResults.Ok(found);
    }

    /// <summary>Uses a link up: makes the account, or gives it a new password, and signs in.</summary>
    public static async Task<IResult> Join(
        JoinRequest request,
        HttpContext http,
        Database database,
        ClubClock clock,
        Links links,
        Throttle throttle,
        IPasswordHasher<AccountRow> hasher,
        CumbreOptions options
    )
    {
        IReadOnlyList<Brake> brakes = [Throttle.Address(http)];
        if (throttle.Begin(http, brakes) is { } wait)
            return wait;
        var (problem, account, link) = database.Write(db => Use(db, request, links, clock, hasher));
        if (problem is not null)
        {
            if (link is not null)
                throttle.Succeed(brakes);
            return problem;
        }

        throttle.Succeed(brakes);
        Mail.Remove(link!.Id, options);
        await SignIn.Start(http, account!, kept: false);
        throttle.Know(http, account!.Id);
        return Results.NoContent();
    }

    private static (IResult? Problem, AccountRow? Account, StoredLink? Link) Use(
        Db db,
        JoinRequest request,
        Links links,
        ClubClock clock,
        IPasswordHasher<AccountRow> hasher
    )
    {
        if (links.Find(db, request.Token) is not { } link)
            return (Problems.NotFound(Words.LinkEnded), null, null);
        if (link.AccountId is { } id)
        {
            var known = AccountStore.ById(db, id)!;
            if (Passwords.Problem(request.Password, known.Name, known.SignInName) is { } weak)
                return (Problems.Fields(new FieldError("password", weak)), null, link);
            AccountStore.SetPassword(db, id, hasher.HashPassword(known, request.Password));
            // Whoever had the old password, or the old phone, is out.
            SignInStore.EndAll(db, id, null);
            TryStore.ForgetAll(db, id);
            FactorStore.Remove(db, id);
            LinkStore.RemoveOf(db, id);
            AuditStore.Add(
                db,
                new(AuditKind.PasswordRecovered) { Subject = id, Athlete = link.AthleteId },
                clock.Stamp(id)
            );
            return (null, known, link);
        }

        var name = Problems.Text(
            "name",
            link.Role == Roles.Athlete ? link.Name : request.Name,
            Words.WriteYourName,
            80
        );
        var signInName = Problems.Text("signInName", request.SignInName, Words.WriteSignInName, 120);
        if (AccountStore.BySignInName(db, signInName) is not null)
            return (Problems.Fields(new FieldError("signInName", Words.SignInNameTaken)), null, link);
        if (Passwords.Problem(request.Password, name, signInName, AccountStore.Club(db)!.Name) is { } problem)
            return (Problems.Fields(new FieldError("password", problem)), null, link);
        var athlete = link is { Role: Roles.Athlete, AthleteId: { } own } ? AthleteStore.Find(db, own) : null;
        var account = new AccountRow(
            Guid.CreateVersion7(),
            signInName,
            name,
            null,
            link.Role,
            athlete?.Id,
            (athlete?.Unit ?? AccountStore.UnitOfClub(db)).ToString(),
            SomeOnly: link.SeesSomeOnly ? 1 : 0
        );
        account = account with { PasswordHash = hasher.HashPassword(account, request.Password) };
        AccountStore.Add(db, account, clock.Now);
        if (link is { Role: Roles.Guardian, AthleteId: { } whose, Until: { } until })
            PeopleStore.AddGuardian(db, account.Id, whose, until);
        if (link.SeesSomeOnly)
        {
            var (athletes, groups) = LinkStore.Given(db, link.Id);
            PeopleStore.Give(db, account.Id, athletes, groups, clock.Now);
        }

        LinkStore.Remove(db, link.Id);
        AuditStore.Add(
            db,
            new(AuditKind.Joined)
            {
                Subject = account.Id,
                Athlete = link.AthleteId,
                After = link.Role,
            },
            clock.Stamp(account.Id)
        );
        return (null, account, link);
    }

    /// <summary>A guardian who is signed in takes a second child in by its link.</summary>
    public static Results<NoContent, ProblemHttpResult> Take(
        LinkRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock,
        Links links,
        CumbreOptions options
    )
    {
        var link = database.Write(db =>
        {
            if (
                !user.IsInRole(Roles.Guardian)
                || links.Find(db, request.Token)
                    is not { Role: Roles.Guardian, AthleteId: { } athlete, Until: { } until, AccountId: null } found
            )
                return null;
            PeopleStore.AddGuardian(db, Policies.IdOf(user), athlete, until);
            LinkStore.Remove(db, found.Id);
            AuditStore.Add(
                db,
                new(AuditKind.Joined)
                {
                    Subject = Policies.IdOf(user),
                    Athlete = athlete,
                    After = Roles.Guardian,
                },
                clock.Stamp(Policies.IdOf(user))
            );
            return found;
        });
        if (link is null)
            return (ProblemHttpResult)Problems.NotFound(Words.LinkEnded);
        Mail.Remove(link.Id, options);
        return TypedResults.NoContent();
    }
}
