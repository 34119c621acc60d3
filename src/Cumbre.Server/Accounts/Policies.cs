using System.Security.Claims;
using Microsoft.AspNetCore.Authorization;

namespace Cumbre.Server.Accounts;

/// <summary>
/// Who may do what. Every endpoint names one of these or says that it is for everybody; the fallback denies.
/// </summary>
public static class Policies
{
    /// <summary>Owner or coach.</summary>
    public const string Coach = "Coach";

    /// <summary>Owner, coach, or the athlete whose id stands in the route.</summary>
    public const string OwnAthlete = "OwnAthlete";

    /// <summary>Anyone who is signed in.</summary>
    public const string SignedIn = "SignedIn";

    public const string AthleteClaim = "athlete";

    public static void Add(AuthorizationOptions options)
    {
        options.FallbackPolicy = new AuthorizationPolicyBuilder().RequireAssertion(_ => false).Build();
        options.AddPolicy(SignedIn, p => p.RequireAuthenticatedUser());
        options.AddPolicy(Coach, p => p.RequireAuthenticatedUser().RequireRole("owner", "coach"));
        options.AddPolicy(OwnAthlete, p =>
            p.RequireAuthenticatedUser()
                .RequireAssertion(context =>
                    IsCoach(context.User)
                    || (
                        context.Resource is HttpContext http
                        && http.GetRouteValue("athleteId") is string id
                        && Guid.TryParse(id, out var wanted)
                        && Guid.TryParse(context.User.FindFirstValue(AthleteClaim), out var own)
                        && wanted == own
                    )
                )
        );
    }

    public static bool IsCoach(ClaimsPrincipal user) => user.IsInRole("owner") || user.IsInRole("coach");

    /// <summary>The sign-in by which somebody asks.</summary>
    public static Guid? SignInOf(ClaimsPrincipal user) =>
        Guid.TryParse(user.FindFirstValue(SignInTickets.SignInClaim), out var id) ? id : null;

    public static Guid IdOf(ClaimsPrincipal user) => Guid.Parse(user.FindFirstValue(ClaimTypes.NameIdentifier)!);
}
