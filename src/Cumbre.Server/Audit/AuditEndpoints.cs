using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Audit;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Audit;

/// <param name="Entries">The newest first.</param>
/// <param name="Older">There are older ones.</param>
public sealed record AuditPageDto(IReadOnlyList<AuditEntry> Entries, bool Older);

internal static class AuditEndpoints
{
    private const int PageSize = 50;

    public static void MapAudit(this IEndpointRouteBuilder api)
    {
        api.MapGet("/audit", All).RequireAuthorization(Policies.Owner);
        api.MapGet("/audit/check", Check).RequireAuthorization(Policies.Owner);
        api.MapGet("/athletes/{athleteId:guid}/audit", OfAthlete).RequireAuthorization(Policies.OwnAthlete);
    }

    /// <param name="database">The file.</param>
    /// <param name="clock">Of the club.</param>
    /// <param name="athlete">Whom it concerns.</param>
    /// <param name="account">Who did it.</param>
    /// <param name="kinds">Parted by commas; unknown ones fit nothing.</param>
    /// <param name="from">This day or later, in the club's zone.</param>
    /// <param name="until">This day or earlier.</param>
    /// <param name="below">Older than this entry.</param>
    private static Ok<AuditPageDto> All(
        Database database,
        ClubClock clock,
        Guid? athlete,
        Guid? account,
        string? kinds,
        DateOnly? from,
        DateOnly? until,
        long? below
    ) =>
        TypedResults.Ok(
            Page(
                database,
                new()
                {
                    Athlete = athlete,
                    Account = account,
                    Kinds = Kinds(kinds),
                    From = from is { } first ? clock.Began(Days.Within(first)) : null,
                    Until = until is { } last ? clock.Began(Days.Within(last).AddDays(1)) : null,
                    Below = below,
                }
            )
        );

    private static Ok<AuditPageDto> OfAthlete(Guid athleteId, Database database, string? kinds, long? below) =>
        TypedResults.Ok(
            Page(
                database,
                new()
                {
                    Athlete = athleteId,
                    Kinds = Kinds(kinds),
                    Below = below,
                }
            )
        );

    private static AuditPageDto Page(Database database, AuditQuery query)
    {
        var found = database.Read(db => AuditStore.Find(db, query with { Limit = PageSize + 1 }));
        return new([.. found.Take(PageSize)], found.Count > PageSize);
    }

    private static IReadOnlyList<AuditKind> Kinds(string? text) =>
        [
            .. (text ?? "")
                .Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
                .Where(k => Enum.TryParse<AuditKind>(k, out _))
                .Select(Enum.Parse<AuditKind>),
        ];

    /// <summary>Goes through the whole chain.</summary>
    /// <param name="database">The file.</param>
    /// <param name="noted">A seal that was kept elsewhere.</param>
    private static Ok<AuditVerdict> Check(Database database, string? noted) =>
        TypedResults.Ok(
            database.Read(db => AuditChain.Verify(db, string.IsNullOrWhiteSpace(noted) ? null : noted.Trim()))
        );
}
