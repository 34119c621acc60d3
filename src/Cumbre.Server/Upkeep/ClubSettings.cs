using System.Security.Claims;
using Cumbre.Core.Measures;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Audit;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Upkeep;

/// <summary>What the whole club lives with.</summary>
/// <param name="Name">1 to 80 characters.</param>
/// <param name="TimeZone">IANA name; training days are dates there.</param>
/// <param name="TrainingDays">ISO numbers, Monday = 1: on which athletes train who have chosen no days of their own.</param>
/// <param name="Unit">Of whoever comes in and has not chosen.</param>
/// <param name="FirstDay">
/// Of the week, 1 is Monday, 7 Sunday, for whoever has not chosen; null: as their browser says.
/// </param>
public sealed record ClubSettingsDto(
    string Name,
    string TimeZone,
    IReadOnlyList<int> TrainingDays,
    MassUnit Unit,
    int? FirstDay
);

internal static class ClubSettings
{
    private const int NameMaximum = 80,
        Week = 7;

    public static void MapClubSettings(this IEndpointRouteBuilder api)
    {
        api.MapGet("/club", Get).RequireAuthorization(Policies.Coach);
        api.MapPut("/club", Put).RequireAuthorization(Policies.Owner);
    }

    private static Results<Ok<ClubSettingsDto>, ProblemHttpResult> Get(Database database) =>
        database.Read(AccountStore.Club) is { } club
            ? TypedResults.Ok(Dto(club))
            : (ProblemHttpResult)Problems.NotFound(Words.NoSuchThing);

    private static Ok<ClubSettingsDto> Put(
        ClubSettingsDto request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    )
    {
        var name = Problems.Text("name", request.Name, Words.WriteClubName, NameMaximum);
        if (!TimeZoneInfo.TryFindSystemTimeZoneById(request.TimeZone, out _))
            throw Problems.Field("timeZone", Words.TimeZoneUnknown(request.TimeZone));
        int[] days = [.. request.TrainingDays.Distinct().Order()];
        if (days is [] || days.Any(d => d is < 1 or > Week))
            throw Problems.Field("trainingDays", Words.TrainingDayLeast);
        if (request.FirstDay is < 1 or > Week)
            throw Problems.Field("firstDay", Words.FirstDayRange);
        var club = new ClubRow(
            name,
            request.TimeZone,
            string.Join(',', days),
            request.Unit.ToString(),
            request.FirstDay
        );
        var saved = database.Write(db =>
        {
            var before = AccountStore.Club(db);
            if (before == club)
                return club;
            AccountStore.PutClub(db, club);
            AuditStore.Add(
                db,
                new(AuditKind.ClubChanged) { Before = Told(before), After = Told(club) },
                clock.Stamp(Policies.IdOf(user))
            );
            return club;
        });
        clock.ReadZone();
        return TypedResults.Ok(Dto(saved));
    }

    private static string Told(ClubRow? club) =>
        club is null ? "" : $"{club.Name}, {club.TimeZone}, {club.TrainingDays}, {club.Unit}, {club.FirstDay}";

    private static ClubSettingsDto Dto(ClubRow club) =>
        new(
            club.Name,
            club.TimeZone,
            [.. club.Days.Select(d => d == DayOfWeek.Sunday ? Week : (int)d)],
            Enum.Parse<MassUnit>(club.Unit),
            (int?)club.FirstDay
        );
}
