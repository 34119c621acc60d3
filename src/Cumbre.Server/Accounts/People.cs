using System.Security.Claims;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Audit;
using Cumbre.Storage.Privacy;
using Cumbre.Storage.Programmes;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Accounts;

/// <summary>Somebody of the club.</summary>
/// <param name="Id">Of the account.</param>
/// <param name="Name">As the club says it.</param>
/// <param name="SignInName">What is typed at sign-in.</param>
/// <param name="Role">owner, coach, athlete or guardian.</param>
/// <param name="SomeOnly">A coach who sees only those given to them.</param>
/// <param name="AthleteId">Of an athlete: who they are.</param>
/// <param name="Athletes">Given to a coach of some, or to a guardian.</param>
/// <param name="Groups">Given to a coach of some.</param>
/// <param name="Until">Of a guardian: the last day on which they see anything.</param>
/// <param name="SecondFactor">They sign in with a code as well.</param>
/// <param name="SeenAt">When a device of theirs last asked for something; null: none is signed in.</param>
/// <param name="EndedAt">Their access has ended.</param>
public sealed record PersonDto(
    Guid Id,
    string Name,
    string SignInName,
    string Role,
    bool SomeOnly,
    Guid? AthleteId,
    IReadOnlyList<Guid> Athletes,
    IReadOnlyList<Guid> Groups,
    DateOnly? Until,
    bool SecondFactor,
    DateTimeOffset? SeenAt,
    DateTimeOffset? EndedAt
)
{
    public static PersonDto Of(Person person) =>
        new(
            person.Account.Id,
            person.Account.Name,
            person.Account.SignInName,
            person.Account.Role,
            person.Account.SeesSomeOnly,
            person.Account.AthleteId,
            person.Athletes,
            person.Groups,
            person.Until,
            person.HasSecondFactor,
            person.SeenAt,
            person.Account.EndedAt
        );
}

/// <summary>A link that still lets somebody in.</summary>
/// <param name="Id">By which it is withdrawn.</param>
/// <param name="Name">Whom it is for.</param>
/// <param name="Role">What they become, or are.</param>
/// <param name="AthleteId">Who they are, or whose guardian.</param>
/// <param name="Recovers">A new password for an account that exists.</param>
/// <param name="MadeAt">When.</param>
/// <param name="EndsAt">It is worth nothing from then on.</param>
public sealed record OpenLinkDto(
    Guid Id,
    string Name,
    string Role,
    Guid? AthleteId,
    bool Recovers,
    DateTimeOffset MadeAt,
    DateTimeOffset EndsAt
)
{
    public static OpenLinkDto Of(StoredLink link) =>
        new(link.Id, link.Name, link.Role, link.AthleteId, link.AccountId is not null, link.MadeAt, link.EndsAt);
}

/// <param name="People">Everybody with an account, by name.</param>
/// <param name="Links">Those that still let somebody in.</param>
public sealed record PeopleDto(IReadOnlyList<PersonDto> People, IReadOnlyList<OpenLinkDto> Links);

/// <param name="Role">owner or coach.</param>
/// <param name="SomeOnly">A coach who sees only those given to them.</param>
/// <param name="Athletes">Given.</param>
/// <param name="Groups">Given with all their members, whoever these are.</param>
public sealed record PersonRequest(
    string Role,
    bool SomeOnly,
    IReadOnlyList<Guid> Athletes,
    IReadOnlyList<Guid> Groups
);

/// <param name="Ended">Their access ends, or is given back.</param>
/// <param name="Reason">For the audit; may be empty.</param>
public sealed record AccessRequest(bool Ended, string? Reason);

/// <param name="Role">owner, coach, athlete or guardian.</param>
/// <param name="Name">Whom it is for; of an athlete the roster says it.</param>
/// <param name="AthleteId">Who they are, or whose guardian.</param>
/// <param name="Until">Of a guardian: the last day on which they see anything.</param>
/// <param name="SomeOnly">A coach who sees only those given to them.</param>
/// <param name="Athletes">Given.</param>
/// <param name="Groups">Given.</param>
/// <param name="To">An address to which the link is written; null: it is handed over otherwise.</param>
public sealed record InvitationRequest(
    string Role,
    string? Name,
    Guid? AthleteId,
    DateOnly? Until,
    bool SomeOnly,
    IReadOnlyList<Guid> Athletes,
    IReadOnlyList<Guid> Groups,
    string? To
);

/// <summary>Who sees an athlete.</summary>
/// <param name="Accounts">Their own and their guardians'.</param>
/// <param name="Coaches">Names of those who coach them, the owner among them.</param>
/// <param name="Links">Open invitations and links to a new password.</param>
public sealed record AthleteAccessDto(
    IReadOnlyList<PersonDto> Accounts,
    IReadOnlyList<string> Coaches,
    IReadOnlyList<OpenLinkDto> Links
);

/// <param name="AccountId">Of the athlete, or of a guardian of theirs.</param>
public sealed record RecoveryRequest(Guid AccountId);

internal static class PeopleEndpoints
{
    /// <summary>No guardian is needed for longer.</summary>
    private const int GuardianYears = 18;

    public static void MapPeople(this IEndpointRouteBuilder api)
    {
        api.MapGet("/people", List).RequireAuthorization(Policies.Owner);
        api.MapPut("/people/{id:guid}", Change).RequireAuthorization(Policies.Owner);
        api.MapPut("/people/{id:guid}/access", SetAccess).RequireAuthorization(Policies.Owner);
        api.MapDelete("/people/{id:guid}", Erase).RequireAuthorization(Policies.Owner);
        api.MapPost("/invitations", Invite).RequireAuthorization(Policies.Coach);
        api.MapDelete("/invitations/{id:guid}", Withdraw).RequireAuthorization(Policies.Coach);
        api.MapPost("/links/look", LinkEndpoints.Look).AllowAnonymous();
        api.MapPost("/links/join", LinkEndpoints.Join).AllowAnonymous();
        api.MapPost("/links/take", LinkEndpoints.Take).RequireAuthorization(Policies.SignedIn);
        api.MapGet("/athletes/{athleteId:guid}/access", OfAthlete).RequireAuthorization(Policies.Coach);
        // Who withdrew their consent and lost their password still comes in to take their data with them.
        api.MapPost("/athletes/{athleteId:guid}/recovery", Recover)
            .RequireAuthorization(Policies.Coach)
            .WithMetadata(new WithoutConsent());
        api.MapPut("/athletes/{athleteId:guid}/access/{id:guid}", SetAccessAround)
            .RequireAuthorization(Policies.Coach)
            .WithMetadata(new WithoutConsent());
    }

    private static Ok<PeopleDto> List(Database database, Links links) =>
        TypedResults.Ok(
            database.Read(db => new PeopleDto(
                [.. PeopleStore.All(db).Select(PersonDto.Of)],
                [.. LinkStore.Open(db, links.Now).Select(OpenLinkDto.Of)]
            ))
        );

    private static Results<NoContent, ProblemHttpResult> Change(
        Guid id,
        PersonRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    ) =>
        database.Write<Results<NoContent, ProblemHttpResult>>(db =>
        {
            if (PeopleStore.All(db).FirstOrDefault(p => p.Account.Id == id) is not { } before)
                return (ProblemHttpResult)Problems.NotFound(Words.NoPerson);
            if (before.Account.Role is not (Roles.Owner or Roles.Coach))
                return (ProblemHttpResult)Problems.Conflict(Words.AccountOfAthlete, null);
            if (request.Role is not (Roles.Owner or Roles.Coach))
                throw Problems.Field("role", Words.RoleUnknown);
            if (before.Account.Role == Roles.Owner && request.Role != Roles.Owner && IsLastOwner(db, id))
                return (ProblemHttpResult)Problems.Conflict(Words.LastOwner, null);
            CheckGiven(db, request.Athletes, request.Groups);
            var someOnly = request is { Role: Roles.Coach, SomeOnly: true };
            AccountStore.SetRole(db, id, request.Role, someOnly);
            PeopleStore.Give(db, id, someOnly ? request.Athletes : [], someOnly ? request.Groups : [], clock.Now);
            var after = PeopleStore.All(db).First(p => p.Account.Id == id);
            AuditStore.Add(
                db,
                new(AuditKind.RoleChanged)
                {
                    Subject = id,
                    Before = Text(before),
                    After = Text(after),
                },
                clock.Stamp(Policies.IdOf(user))
            );
            return TypedResults.NoContent();
        });

    private static string Text(Person person) =>
        person.Account.SeesSomeOnly
            ? $"{person.Account.Role}: {person.Athletes.Count} + {person.Groups.Count}"
            : person.Account.Role;

    private static Results<NoContent, ProblemHttpResult> SetAccess(
        Guid id,
        AccessRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    ) => database.Write(db => Apply(db, id, null, request, user, clock));

    /// <summary>A coach ends the access of their own athlete, or of a guardian.</summary>
    private static Results<NoContent, ProblemHttpResult> SetAccessAround(
        Guid athleteId,
        Guid id,
        AccessRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    ) =>
        database.Write<Results<NoContent, ProblemHttpResult>>(db =>
            PeopleStore.AroundAthlete(db, athleteId).Any(a => a.Id == id)
                ? Apply(db, id, athleteId, request, user, clock)
                : (ProblemHttpResult)Problems.NotFound(Words.NoPerson)
        );

    private static Results<NoContent, ProblemHttpResult> Apply(
        Db db,
        Guid id,
        Guid? athlete,
        AccessRequest request,
        ClaimsPrincipal user,
        ClubClock clock
    )
    {
        if (AccountStore.ById(db, id) is not { } account)
            return (ProblemHttpResult)Problems.NotFound(Words.NoPerson);
        if (id == Policies.IdOf(user))
            return (ProblemHttpResult)Problems.Conflict(Words.OwnAccess, null);
        if (request.Ended && account.Role == Roles.Owner && IsLastOwner(db, id))
            return (ProblemHttpResult)Problems.Conflict(Words.LastOwner, null);
        if (request.Ended == account.EndedAt is not null)
            return TypedResults.NoContent();
        AccountStore.SetEnded(db, id, request.Ended ? clock.Now : null);
        if (request.Ended)
        {
            SignInStore.EndAll(db, id, null);
            LinkStore.RemoveOf(db, id);
        }

        AuditStore.Add(
            db,
            new(request.Ended ? AuditKind.AccessEnded : AuditKind.AccessGivenBack)
            {
                Subject = id,
                Athlete = athlete ?? account.AthleteId,
                Reason = string.IsNullOrWhiteSpace(request.Reason)
                    ? null
                    : Problems.Text("reason", request.Reason, Words.WriteReason, 200),
            },
            clock.Stamp(Policies.IdOf(user))
        );
        return TypedResults.NoContent();
    }

    /// <summary>Removes the account of somebody who is no athlete for good; what they wrote stays, without a name.</summary>
    private static Results<NoContent, ProblemHttpResult> Erase(
        Guid id,
        ClaimsPrincipal user,
        Database database,
        BackupKeeper keeper,
        ClubClock clock
    )
    {
        var (problem, erased) = database.Write<(IResult?, bool)>(db =>
        {
            if (AccountStore.ById(db, id) is not { } account)
                return (Problems.NotFound(Words.NoPerson), false);
            if (account.Role == Roles.Athlete)
                return (Problems.Conflict(Words.AccountOfAthlete, null), false);
            if (account.EndedAt is null)
                return (Problems.Conflict(Words.AccountStands, null), false);
            Erasure.Account(db, id, clock.Now);
            AuditStore.Add(db, new(AuditKind.AccountErased) { After = account.Role }, clock.Stamp(Policies.IdOf(user)));
            return (null, true);
        });
        if (erased)
        {
            database.Forget();
            keeper.Soon();
        }

        return problem is null ? TypedResults.NoContent() : (ProblemHttpResult)problem;
    }

    private static bool IsLastOwner(Db db, Guid id) =>
        AccountStore.All(db).All(a => a.Id == id || a.Role != Roles.Owner || a.EndedAt is not null);

    private static void CheckGiven(Db db, IReadOnlyList<Guid> athletes, IReadOnlyList<Guid> groups)
    {
        if (athletes.Any(a => AthleteStore.Find(db, a) is null))
            throw Problems.Field("athletes", Words.AthleteGone);
        if (groups.Any(g => GroupStore.Find(db, g) is null))
            throw Problems.Field("groups", Words.GroupGone);
    }

    private static Results<Ok<MadeLinkDto>, ProblemHttpResult> Invite(
        InvitationRequest request,
        HttpContext http,
        Database database,
        ClubClock clock,
        Links links,
        Reach reach,
        CumbreOptions options
    )
    {
        var user = http.User;
        var to = string.IsNullOrWhiteSpace(request.To) ? null : Mail.Address("to", request.To);
        var (problem, made, link, club) = database.Write<(IResult?, MadeLinkDto?, StoredLink?, string)>(db =>
        {
            if (Refusal(db, request, user, reach) is { } refusal)
                return (refusal, null, null, "");
            var athlete = request.AthleteId is { } id ? AthleteStore.Find(db, id) : null;
            var name =
                request.Role == Roles.Athlete
                    ? athlete!.Name
                    : Problems.Text("name", request.Name, Words.WritePersonName, 80);
            var someOnly = request is { Role: Roles.Coach, SomeOnly: true };
            var link = new StoredLink(
                Guid.CreateVersion7(),
                null,
                athlete?.Id,
                request.Role,
                name,
                someOnly,
                request.Role == Roles.Guardian ? Until(request.Until, clock.Today) : null,
                links.Now,
                Policies.IdOf(user),
                links.Now + Links.InvitationLasts
            );
            if (link is { Role: Roles.Athlete, AthleteId: { } own })
                LinkStore.RemoveOwn(db, own);
            var made = Links.Make(db, link);
            if (someOnly)
            {
                CheckGiven(db, request.Athletes, request.Groups);
                LinkStore.Give(db, link.Id, request.Athletes.Distinct(), request.Groups.Distinct());
            }

            AuditStore.Add(
                db,
                new(AuditKind.Invited)
                {
                    Subject = link.Id,
                    Athlete = athlete?.Id,
                    After = $"{request.Role}: {name}",
                },
                clock.Stamp(Policies.IdOf(user))
            );
            return (null, made, link, AccountStore.Club(db)!.Name);
        });
        if (problem is not null)
            return (ProblemHttpResult)problem;
        if (to is not null)
            LinkMail.Write(link!, to, club, $"{http.Request.Scheme}://{http.Request.Host}{made!.Path}", clock, options);
        return TypedResults.Ok(made!);
    }

    private static IResult? Refusal(Db db, InvitationRequest request, ClaimsPrincipal user, Reach reach)
    {
        switch (request.Role)
        {
            case Roles.Owner or Roles.Coach:
                return Policies.IsOwner(user) ? null : Results.Problem(Problems.Of(403, Words.OnlyOwnerInvites));
            case Roles.Athlete or Roles.Guardian:
                if (
                    request.AthleteId is not { } id
                    || !reach.Holds(id)
                    || AthleteStore.Find(db, id) is not { ArchivedAt: null } athlete
                )
                    return Problems.NotFound(Words.NoAthlete);
                return request.Role == Roles.Athlete && PeopleStore.AroundAthlete(db, id).Any(a => a.AthleteId == id)
                    ? Problems.Conflict(Words.AccountExists(athlete.Name), null)
                    : null;
            default:
                throw Problems.Field("role", Words.RoleUnknown);
        }
    }

    /// <summary>The law of the place says when somebody comes of age; so a day is written, and none is worked out.</summary>
    private static DateOnly Until(DateOnly? until, DateOnly today)
    {
        var last = today.AddYears(GuardianYears);
        return until is { } day && day > today && day <= last
            ? day
            : throw Problems.Field("until", Words.GuardianUntil(last));
    }

    private static Results<NoContent, ProblemHttpResult> Withdraw(
        Guid id,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock,
        Reach reach,
        CumbreOptions options
    )
    {
        var gone = database.Write(db =>
        {
            if (LinkStore.ById(db, id) is not { } link || !MaySee(link, user, reach))
                return false;
            LinkStore.Remove(db, id);
            AuditStore.Add(
                db,
                new(AuditKind.InvitationWithdrawn)
                {
                    Subject = id,
                    Athlete = link.AthleteId,
                    After = $"{link.Role}: {link.Name}",
                },
                clock.Stamp(Policies.IdOf(user))
            );
            return true;
        });
        if (!gone)
            return (ProblemHttpResult)Problems.NotFound(Words.NoInvitation);
        Mail.Remove(id, options);
        return TypedResults.NoContent();
    }

    private static bool MaySee(StoredLink link, ClaimsPrincipal user, Reach reach) =>
        link.AthleteId is { } athlete ? reach.Holds(athlete) : Policies.IsOwner(user);

    private static Results<Ok<AthleteAccessDto>, ProblemHttpResult> OfAthlete(
        Guid athleteId,
        Database database,
        Links links
    ) =>
        database.Read<Results<Ok<AthleteAccessDto>, ProblemHttpResult>>(db =>
        {
            if (AthleteStore.Find(db, athleteId) is null)
                return (ProblemHttpResult)Problems.NotFound(Words.NoAthlete);
            var people = PeopleStore.All(db);
            var groups = GroupStore
                .All(db)
                .Where(g => g.Members.Any(m => m.AthleteId == athleteId))
                .Select(g => g.Id)
                .ToHashSet();
            return TypedResults.Ok(
                new AthleteAccessDto(
                    [
                        .. people
                            .Where(p =>
                                p.Account.AthleteId == athleteId
                                || (p.Account.Role == Roles.Guardian && p.Athletes.Contains(athleteId))
                            )
                            .Select(PersonDto.Of),
                    ],
                    [
                        .. people
                            .Where(p => p.Account is { EndedAt: null, Role: Roles.Owner or Roles.Coach })
                            .Where(p =>
                                !p.Account.SeesSomeOnly
                                || p.Athletes.Contains(athleteId)
                                || p.Groups.Any(groups.Contains)
                            )
                            .Select(p => p.Account.Name),
                    ],
                    [.. LinkStore.Open(db, links.Now).Where(l => l.AthleteId == athleteId).Select(OpenLinkDto.Of)]
                )
            );
        });

    /// <summary>A link by which an athlete, or a guardian of theirs, chooses a new password.</summary>
    private static Results<Ok<MadeLinkDto>, ProblemHttpResult> Recover(
        Guid athleteId,
        RecoveryRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock,
        Links links
    ) =>
        database.Write<Results<Ok<MadeLinkDto>, ProblemHttpResult>>(db =>
        {
            if (
                PeopleStore.AroundAthlete(db, athleteId).FirstOrDefault(a => a.Id == request.AccountId)
                is not { } account
            )
                return (ProblemHttpResult)Problems.NotFound(Words.NoPerson);
            if (account.EndedAt is not null)
                return (ProblemHttpResult)Problems.Conflict(Words.AccountEnded, null);
            AuditStore.Add(
                db,
                new(AuditKind.RecoveryLinkMade) { Subject = account.Id, Athlete = athleteId },
                clock.Stamp(Policies.IdOf(user))
            );
            return TypedResults.Ok(links.Recover(db, account, Policies.IdOf(user)));
        });
}
