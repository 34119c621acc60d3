using System.Security.Claims;
using Cumbre.Core.Explanations;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Server.Reading;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Audit;
using Cumbre.Storage.Loading;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Loading;

/// <summary>A measured band.</summary>
/// <param name="Id">Made by whoever adds it.</param>
/// <param name="Name">1 to 60 characters.</param>
/// <param name="BottomKg">Help at the bottom, 0.1 to 150.</param>
/// <param name="MiddleKg">At most that of the bottom.</param>
/// <param name="TopKg">At most that of the middle.</param>
/// <param name="MeasuredOn">Not after today.</param>
public sealed record BandDto(
    Guid Id,
    string Name,
    decimal BottomKg,
    decimal MiddleKg,
    decimal TopKg,
    DateOnly MeasuredOn
);

/// <summary>What a band gives.</summary>
public sealed record BandHelpDto(Guid Id, Figure Help, bool Stale);

/// <summary>Load that is counted.</summary>
/// <param name="Id">Made by whoever adds it.</param>
/// <param name="Name">Of one.</param>
/// <param name="Count">1 to 100.</param>
/// <param name="Unit">Of one; null: never weighed.</param>
public sealed record CountedDto(Guid Id, string Name, int Count, MassDto? Unit);

/// <summary>A load that the kit makes.</summary>
/// <param name="Kg">The load.</param>
/// <param name="Pieces">That make it.</param>
/// <param name="StepUpKg">To the next; null at the top.</param>
/// <param name="Gap">Wider than a usual increase.</param>
public sealed record RungDto(decimal Kg, IReadOnlyList<MassDto> Pieces, decimal? StepUpKg, bool Gap);

/// <summary>A kit book as it is written.</summary>
/// <param name="Kit">Plates, belt and vest; null: they are left as they stand, or nothing is written down yet.</param>
/// <param name="Bands">Measured bands.</param>
/// <param name="Counted">Counted loads.</param>
/// <param name="Gear">Everything else.</param>
/// <param name="Version">0 before it is written.</param>
/// <param name="HasNoGear">There is none but floor and wall; ignored beside a list.</param>
public sealed record KitBookRequest(
    KitDto? Kit,
    IReadOnlyList<BandDto> Bands,
    IReadOnlyList<CountedDto> Counted,
    IReadOnlyList<Gear> Gear,
    long Version,
    bool HasNoGear = false
);

/// <summary>A kit book with what can be reckoned from it.</summary>
/// <param name="Name">The club's or the athlete's.</param>
/// <param name="Kit">As written.</param>
/// <param name="Bands">As written.</param>
/// <param name="Helps">What each band gives.</param>
/// <param name="Counted">As written.</param>
/// <param name="Gear">As written.</param>
/// <param name="Version">Of the book.</param>
/// <param name="Loads">What can be hung, from nothing up.</param>
/// <param name="MoreLoads">There are more than are listed.</param>
/// <param name="UsualStepKg">A usual increase: a wider step is a gap.</param>
/// <param name="HasNoGear">There is none but floor and wall.</param>
public sealed record KitBookDto(
    string Name,
    KitDto? Kit,
    IReadOnlyList<BandDto> Bands,
    IReadOnlyList<BandHelpDto> Helps,
    IReadOnlyList<CountedDto> Counted,
    IReadOnlyList<Gear> Gear,
    long Version,
    IReadOnlyList<RungDto> Loads,
    bool MoreLoads,
    decimal UsualStepKg,
    bool HasNoGear
);

public static class KitEndpoints
{
    private const int RowsMaximum = 60,
        RungsShown = 200;

    public static void MapKit(this IEndpointRouteBuilder api)
    {
        api.MapGet("/kit", (Database database, ClubClock clock) => Get(KitStore.Club, database, clock))
            .RequireAuthorization(Policies.SignedIn);
        api.MapPut("/kit", (KitBookRequest request, ClaimsPrincipal user, Database database, ClubClock clock) =>
                Put(KitStore.Club, request, user, database, clock)
            )
            .RequireAuthorization(Policies.Club);
        api.MapGet("/athletes/{athleteId:guid}/kit", (Guid athleteId, Database database, ClubClock clock) =>
                Get(athleteId, database, clock)
            )
            .RequireAuthorization(Policies.OwnAthlete);
        api.MapPut(
                "/athletes/{athleteId:guid}/kit",
                (Guid athleteId, KitBookRequest request, ClaimsPrincipal user, Database database, ClubClock clock) =>
                    Put(athleteId, request, user, database, clock)
            )
            .RequireAuthorization(Policies.OwnAthlete);
        api.MapGet("/gauge", GaugeStream.Handle).RequireAuthorization(Policies.Coach);
    }

    private static Results<Ok<KitBookDto>, ProblemHttpResult> Get(Guid owner, Database database, ClubClock clock) =>
        database.Read(db => Read(db, owner, clock.Today)) is { } book
            ? TypedResults.Ok(book)
            : (ProblemHttpResult)Problems.NotFound(Words.NoAthlete);

    private static Results<Ok<KitBookDto>, ProblemHttpResult> Put(
        Guid owner,
        KitBookRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    )
    {
        var book = ToBook(request, clock.Today);
        var (written, now) = database.Write(db =>
        {
            var ofClub = owner == KitStore.Club;
            var profile = ofClub ? null : AthleteStore.Find(db, owner);
            if (!ofClub && profile is null)
                return (Written.Missing, null);
            var stamp = clock.Stamp(Policies.IdOf(user));
            var written = KitStore.Put(db, owner, ofClub ? book : book with { Kit = null }, request.Version, stamp);
            if (written == Written.Done && ofClub)
                AuditStore.Add(db, new(AuditKind.ClubKitChanged), stamp);
            // What an athlete can hang lies with the profile.
            if (written == Written.Done && profile is not null && book.Kit is { } kit)
            {
                written = AthleteStore.Put(db, profile with { Kit = kit }, clock.Now);
                db.Reconsider(owner, corrected: true);
            }

            return (written, Read(db, owner, clock.Today));
        });
        return written switch
        {
            Written.Done => TypedResults.Ok(now!),
            Written.Missing => (ProblemHttpResult)Problems.NotFound(Words.NoAthlete),
            _ => (ProblemHttpResult)Problems.Conflict(Words.KitChanged, now),
        };
    }

    private static KitBookDto? Read(Db db, Guid owner, DateOnly today)
    {
        var profile = owner == KitStore.Club ? null : AthleteStore.Find(db, owner);
        if (owner != KitStore.Club && profile is null)
            return null;
        var (book, version) = KitStore.Of(db, owner);
        var kit = profile?.Kit ?? book.Kit ?? Kit.Empty;
        var body = profile is null
            ? (Mass?)null
            : new Core.Athletes.BodyMassHistory(AthleteStore.BodyMasses(db, owner).Select(m => m.Reading))
                .On(today)
                ?.Value;
        var ladder = LoadLadder.Of(kit, RungsShown);
        return new(
            profile?.Name ?? Storage.Accounts.AccountStore.Club(db)?.Name ?? "",
            profile is not null ? KitDto.Of(profile.Kit)
                : book.Kit is null ? null
                : KitDto.Of(book.Kit),
            [.. book.Bands.Select(b => new BandDto(b.Id, b.Name, b.BottomKg, b.MiddleKg, b.TopKg, b.MeasuredOn))],
            [
                .. book
                    .Bands.Select(b => (b, Help: b.Help(today, body)))
                    .Select(b => new BandHelpDto(
                        b.b.Id,
                        new(Quantity.Of(b.Help.Value), b.Help.Why),
                        b.b.IsStale(today)
                    )),
            ],
            [
                .. book.Counted.Select(c => new CountedDto(
                    c.Id,
                    c.Name,
                    c.Count,
                    c.Unit is { } unit ? MassDto.Of(unit) : null
                )),
            ],
            book.Gear,
            version,
            [
                .. ladder.Select(r => new RungDto(
                    r.Load.Total.Kilograms,
                    [.. r.Load.OneByOne.Select(p => MassDto.Of(p.Size))],
                    r.StepUp?.Kilograms,
                    r.Gap
                )),
            ],
            ladder.Count == RungsShown && ladder[^1].StepUp is not null,
            LoadLadder.UsualStep.Kilograms,
            book.HasNoGear
        );
    }

    private static KitBook ToBook(KitBookRequest request, DateOnly today)
    {
        if (request.Bands.Count + request.Counted.Count + request.Gear.Count > RowsMaximum)
            throw Problems.Field("gear", Words.KitRowsMost(RowsMaximum));
        return new(
            request.Kit?.ToKit("kit"),
            [
                .. request.Bands.Select(
                    (b, i) =>
                        Problems.At($"bands[{i}].", () =>
                            new Band(
                                b.Id,
                                Problems.Text($"bands[{i}].name", b.Name, Words.WriteName, 60),
                                b.BottomKg,
                                b.MiddleKg,
                                b.TopKg,
                                Problems.NotInFuture($"bands[{i}].measuredOn", b.MeasuredOn, today)
                            )
                        )
                ),
            ],
            [
                .. request.Counted.Select(
                    (c, i) =>
                        Problems.At($"counted[{i}].", () =>
                            new CountedLoad(
                                c.Id,
                                Problems.Text($"counted[{i}].name", c.Name, Words.WritePiece, 60),
                                c.Count,
                                c.Unit?.Entry
                            )
                        )
                ),
            ],
            [
                .. request.Gear.Select(
                    (g, i) =>
                        new Gear(
                            g.Id,
                            g.Kind,
                            Problems.Text($"gear[{i}].name", g.Name, Words.WriteName, 60),
                            Length($"gear[{i}].", "heightCm", g.HeightCm),
                            Length($"gear[{i}].", "widthCm", g.WidthCm),
                            string.IsNullOrWhiteSpace(g.Note)
                                ? null
                                : Problems.Text($"gear[{i}].note", g.Note, Words.WriteNote, 200)
                        )
                ),
            ]
        )
        {
            HasNoGear = request.HasNoGear && request.Gear.Count == 0,
        };
    }

    private static decimal? Length(string path, string field, decimal? cm) =>
        cm is { } value ? Problems.At(path, () => Guard.InRange(field, value, 0, 500)) : null;
}
