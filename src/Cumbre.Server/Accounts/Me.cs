using System.Security.Claims;
using Cumbre.Core.Measures;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Microsoft.AspNetCore.Antiforgery;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Accounts;

/// <summary>Who is signed in.</summary>
public sealed record AccountDto(Guid Id, string Name, string Role, Guid? AthleteId, MassUnit Unit, Habits Habits);

/// <summary>What the page needs first: the club, the day, the account, and the token for writes.</summary>
public sealed record MeDto(
    string? Club,
    DateOnly Today,
    bool Demo,
    bool NeedsOwner,
    AccountDto? Account,
    string CsrfToken
);

internal static class Me
{
    public static Ok<MeDto> Handle(
        HttpContext context,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock,
        CumbreOptions options,
        IAntiforgery antiforgery
    )
    {
        var (club, account) = database.Read(db =>
            (
                AccountStore.Club(db),
                user.Identity?.IsAuthenticated == true ? AccountStore.ById(db, Policies.IdOf(user)) : null
            )
        );
        return TypedResults.Ok(
            new MeDto(
                club?.Name,
                clock.Today,
                options.Demo,
                club is null,
                account is null ? null : Dto(account),
                antiforgery.GetAndStoreTokens(context).RequestToken!
            )
        );
    }

    public static AccountDto Dto(AccountRow account) =>
        new(account.Id, account.Name, account.Role, account.AthleteId, account.MassUnit, account.Habits);
}
