using System.Security.Claims;
using Cumbre.Core.Measures;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Athletes;
using Microsoft.AspNetCore.Antiforgery;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Accounts;

/// <summary>Who is signed in.</summary>
/// <param name="Id">Of the account.</param>
/// <param name="Name">As the club says it.</param>
/// <param name="Role">owner, coach, athlete or guardian.</param>
/// <param name="AthleteId">Of an athlete: who they are.</param>
/// <param name="Unit">In which they think.</param>
/// <param name="Habits">How they read dates and numbers.</param>
/// <param name="SomeOnly">A coach who sees only those given to them.</param>
/// <param name="Wards">Of a guardian: whom they may see today.</param>
public sealed record AccountDto(
    Guid Id,
    string Name,
    string Role,
    Guid? AthleteId,
    MassUnit Unit,
    Habits Habits,
    bool SomeOnly,
    IReadOnlyList<WardDto> Wards
);

/// <param name="Id">Of the athlete.</param>
/// <param name="Name">Theirs.</param>
public sealed record WardDto(Guid Id, string Name);

/// <summary>What the page needs first: the club, the day, the account, and the token for writes.</summary>
/// <param name="Club">Its name; null: nobody owns it yet.</param>
/// <param name="ClubUnit">Of whoever comes in and has not chosen.</param>
/// <param name="ClubFirstDay">Of the week, for whoever has not chosen; null: as their browser says.</param>
/// <param name="Gauge">What is there to measure a band with.</param>
/// <param name="Today">The training day.</param>
/// <param name="Demo">Demo data.</param>
/// <param name="NeedsOwner">The first start.</param>
/// <param name="Account">Null: nobody is signed in.</param>
/// <param name="CsrfToken">For writes.</param>
public sealed record MeDto(
    string? Club,
    MassUnit ClubUnit,
    int? ClubFirstDay,
    GaugeKind Gauge,
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
        IAntiforgery antiforgery,
        IServiceProvider services
    )
    {
        var (club, account) = database.Read(db =>
            (
                AccountStore.Club(db),
                user.Identity?.IsAuthenticated == true && AccountStore.ById(db, Policies.IdOf(user)) is { } found
                    ? Dto(found, Wards(db, found, clock.Today))
                    : null
            )
        );
        return TypedResults.Ok(
            new MeDto(
                club?.Name,
                Enum.Parse<MassUnit>(club?.Unit ?? nameof(MassUnit.Kg)),
                (int?)club?.FirstDay,
                Gauges.KindOf(services),
                clock.Today,
                options.Demo,
                club is null,
                account,
                antiforgery.GetAndStoreTokens(context).RequestToken!
            )
        );
    }

    private static IReadOnlyList<WardDto> Wards(Db db, AccountRow account, DateOnly today) =>
        account.Role != Roles.Guardian
            ? []
            :
            [
                .. Reach
                    .Read(db, account, today)
                    .Some!.Select(id => AthleteStore.Find(db, id))
                    .OfType<AthleteProfile>()
                    .OrderBy(a => a.Name, StringComparer.Ordinal)
                    .Select(a => new WardDto(a.Id, a.Name)),
            ];

    private static AccountDto Dto(AccountRow account, IReadOnlyList<WardDto> wards) =>
        new(
            account.Id,
            account.Name,
            account.Role,
            account.AthleteId,
            account.MassUnit,
            account.Habits,
            account.SeesSomeOnly,
            wards
        );
}
