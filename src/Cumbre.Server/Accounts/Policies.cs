using System.Security.Claims;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Athletes;
using Microsoft.AspNetCore.Authorization;

namespace Cumbre.Server.Accounts;

/// <summary>
/// Who may do what. Every endpoint names one of these or says that it is for everybody; the fallback denies. Where an
/// athlete stands in the route, all but <see cref="SignedIn"/> ask whether they are within reach of who asks.
/// </summary>
public static class Policies
{
    /// <summary>The owner alone.</summary>
    public const string Owner = "Owner";

    /// <summary>What the whole club lives with: owner, and coaches who see all athletes.</summary>
    public const string Club = "Club";

    /// <summary>Owner or coach.</summary>
    public const string Coach = "Coach";

    /// <summary>Owner, coach, or the athlete whose id stands in the route; a guardian of theirs may read.</summary>
    public const string OwnAthlete = "OwnAthlete";

    /// <summary>The same, and a guardian may write as well: what they consent to.</summary>
    public const string OwnPerson = "OwnPerson";

    /// <summary>Anyone who is signed in.</summary>
    public const string SignedIn = "SignedIn";

    public const string AthleteClaim = "athlete";

    /// <summary>Of a coach who sees only some athletes.</summary>
    public const string SomeOnlyClaim = "some-only";

    public static void Add(AuthorizationOptions options)
    {
        options.FallbackPolicy = new AuthorizationPolicyBuilder().RequireAssertion(_ => false).Build();
        foreach (var policy in (string[])[Owner, Club, Coach, OwnAthlete, OwnPerson, SignedIn])
            options.AddPolicy(policy, p => p.RequireAuthenticatedUser().AddRequirements(new May(policy)));
    }

    public static bool IsCoach(ClaimsPrincipal user) => user.IsInRole(Roles.Owner) || user.IsInRole(Roles.Coach);

    public static bool IsOwner(ClaimsPrincipal user) => user.IsInRole(Roles.Owner);

    /// <summary>Owner, or a coach of all athletes.</summary>
    public static bool IsClub(ClaimsPrincipal user) => IsCoach(user) && !user.HasClaim(c => c.Type == SomeOnlyClaim);

    /// <summary>The sign-in by which somebody asks.</summary>
    public static Guid? SignInOf(ClaimsPrincipal user) =>
        Guid.TryParse(user.FindFirstValue(SignInTickets.SignInClaim), out var id) ? id : null;

    public static Guid IdOf(ClaimsPrincipal user) => Guid.Parse(user.FindFirstValue(ClaimTypes.NameIdentifier)!);

    /// <summary>The athlete whose id stands in the route; null: none does.</summary>
    public static Guid? AthleteOf(HttpContext http) =>
        http.GetRouteValue("athleteId") is string text && Guid.TryParse(text, out var id) ? id : null;

    public static bool IsReading(HttpContext http) =>
        HttpMethods.IsGet(http.Request.Method) || HttpMethods.IsHead(http.Request.Method);

    /// <summary>Whom the caller of a request may see; nobody when none is signed in.</summary>
    internal static Reach ReachOf(IServiceProvider services)
    {
        var http = services.GetRequiredService<IHttpContextAccessor>().HttpContext;
        if (http?.User is not { Identity.IsAuthenticated: true } user)
            return Reach.Of([]);
        var today = services.GetRequiredService<Hosting.ClubClock>().Today;
        return services
            .GetRequiredService<Database>()
            .Read(db =>
                AccountStore.ById(db, IdOf(user)) is { } account ? Reach.Read(db, account, today) : Reach.Of([])
            );
    }
}

/// <summary>On an endpoint that makes an athlete: one who does not exist is within everybody's reach.</summary>
internal sealed class MakesAthlete;

/// <summary>On an endpoint that works after consent was withdrawn: archive, erase, consent anew, end an access.</summary>
internal sealed class WithoutConsent;

/// <param name="Policy">One of <see cref="Policies"/>.</param>
internal sealed record May(string Policy) : IAuthorizationRequirement;

/// <summary>Answers <see cref="May"/> by the role, the athlete in the route and the caller's reach.</summary>
internal sealed class MayHandler(Database database) : AuthorizationHandler<May>
{
    protected override Task HandleRequirementAsync(AuthorizationHandlerContext context, May requirement)
    {
        if (context.Resource is HttpContext http && Allows(context.User, requirement.Policy, http))
            context.Succeed(requirement);
        return Task.CompletedTask;
    }

    private bool Allows(ClaimsPrincipal user, string policy, HttpContext http) =>
        policy switch
        {
            Policies.Owner => Policies.IsOwner(user),
            Policies.Club => Policies.IsClub(user) && Reaches(http),
            Policies.Coach => Policies.IsCoach(user) && Reaches(http),
            Policies.OwnAthlete => (!user.IsInRole(Roles.Guardian) || Policies.IsReading(http)) && Reaches(http),
            Policies.OwnPerson => Reaches(http),
            _ => true,
        };

    private bool Reaches(HttpContext http) =>
        Policies.AthleteOf(http) is not { } athlete
        || http.RequestServices.GetRequiredService<Reach>().Holds(athlete)
        || (
            http.GetEndpoint()?.Metadata.GetMetadata<MakesAthlete>() is not null
            && database.Read(db => AthleteStore.Find(db, athlete)) is null
        );
}
