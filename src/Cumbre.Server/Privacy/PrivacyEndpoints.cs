using System.Security.Claims;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Audit;
using Cumbre.Storage.Privacy;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Privacy;

/// <param name="AthleteId">Who is in the archive.</param>
/// <param name="Name">Theirs.</param>
/// <param name="ArchivedAt">Since when.</param>
/// <param name="ErasedFrom">From this day on they are erased by the club's rule; null: only by hand.</param>
public sealed record KeptPersonDto(Guid AthleteId, string Name, DateTimeOffset ArchivedAt, DateOnly? ErasedFrom);

/// <summary>That somebody was erased.</summary>
/// <param name="At">When.</param>
/// <param name="ByRule">By the club's rule on how long it keeps people.</param>
/// <param name="Rows">How many rows of the file, in all.</param>
/// <param name="Mentions">Words of others in which the name was struck out.</param>
/// <param name="Messages">Files of the outbox.</param>
/// <param name="Copies">Older copies of the file.</param>
public sealed record KeptReceiptDto(DateTimeOffset At, bool ByRule, int Rows, int Mentions, int Messages, int Copies);

/// <param name="KeepMonths">After which an archived athlete is erased; null: only by hand.</param>
/// <param name="Archived">Who is in the archive, the longest first.</param>
/// <param name="Receipts">The newest first.</param>
public sealed record RetentionDto(
    int? KeepMonths,
    IReadOnlyList<KeptPersonDto> Archived,
    IReadOnlyList<KeptReceiptDto> Receipts
);

/// <param name="KeepMonths">1 to 240; null: only by hand.</param>
public sealed record RetentionRequest(int? KeepMonths);

internal static class PrivacyEndpoints
{
    private const int MonthsMaximum = 240;

    public static void MapPrivacy(this IEndpointRouteBuilder api)
    {
        api.MapGet("/privacy-text", Consents.GetText).AllowAnonymous();
        api.MapPut("/privacy-text", Consents.PutText).RequireAuthorization(Policies.Owner);
        api.MapGet("/retention", GetRetention).RequireAuthorization(Policies.Owner);
        api.MapPut("/retention", PutRetention).RequireAuthorization(Policies.Owner);
        api.MapGet("/athletes/{athleteId:guid}/consents", Consents.Get).RequireAuthorization(Policies.OwnAthlete);
        api.MapPut("/athletes/{athleteId:guid}/consents/{id:guid}", Consents.Put)
            .RequireAuthorization(Policies.OwnPerson)
            .WithMetadata(new WithoutConsent());
        api.MapPost("/athletes/{athleteId:guid}/consents/withdraw", Consents.Withdraw)
            .RequireAuthorization(Policies.OwnPerson)
            .WithMetadata(new WithoutConsent());
    }

    private static Ok<RetentionDto> GetRetention(Database database, ClubClock clock) =>
        TypedResults.Ok(database.Read(db => Read(db, clock)));

    private static RetentionDto Read(Db db, ClubClock clock)
    {
        var months = (int?)PrivacyStore.KeepMonths(db);
        return new(
            months,
            [
                .. PrivacyStore
                    .ArchivedBefore(db, clock.Now.AddDays(1))
                    .Select(a => new KeptPersonDto(
                        a.Id,
                        a.Name,
                        a.At,
                        months is { } m ? clock.DayOf(a.At).AddMonths(m) : null
                    )),
            ],
            [
                .. Erasure
                    .Kept(db)
                    .Select(r => new KeptReceiptDto(
                        r.At,
                        r.By is null,
                        r.Receipt.Rows.Values.Sum(),
                        r.Receipt.Mentions,
                        r.Receipt.Messages,
                        r.Receipt.Copies
                    )),
            ]
        );
    }

    private static Ok<RetentionDto> PutRetention(
        RetentionRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    )
    {
        if (request.KeepMonths is < 1 or > MonthsMaximum)
            throw Problems.Field("keepMonths", Words.KeepRange(MonthsMaximum));
        return TypedResults.Ok(
            database.Write(db =>
            {
                var before = PrivacyStore.KeepMonths(db);
                PrivacyStore.SetKeepMonths(db, request.KeepMonths);
                AuditStore.Add(
                    db,
                    new(AuditKind.RetentionChanged) { Before = $"{before}", After = $"{request.KeepMonths}" },
                    clock.Stamp(Policies.IdOf(user))
                );
                return Read(db, clock);
            })
        );
    }
}
