using System.Security.Claims;
using System.Text.RegularExpressions;
using Cumbre.Core.Figures;
using Cumbre.Core.Ladders;
using Cumbre.Core.Movements;
using Cumbre.Server.Accounts;
using Cumbre.Server.Figures;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Audit;
using Cumbre.Storage.Benchmarks;
using Cumbre.Storage.Ladders;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Ladders;

/// <param name="Version">The stored one; 0 to add it.</param>
/// <param name="Reason">Why, 1 to 200 characters.</param>
/// <param name="Entry">The whole movement.</param>
public sealed record MovementRequest(int Version, string Reason, MovementCardDto Entry);

/// <summary>A movement of the club's own, to be edited.</summary>
/// <param name="Entry">As it is now.</param>
/// <param name="Version">The stored one.</param>
/// <param name="Versions">All of them, newest first.</param>
public sealed record OwnMovementDto(MovementCardDto Entry, int Version, IReadOnlyList<MovementVersionDto> Versions);

/// <summary>A version of a movement of the club's own.</summary>
/// <param name="Version">1, 2, 3.</param>
/// <param name="At">When.</param>
/// <param name="By">Who.</param>
/// <param name="Reason">Why.</param>
/// <param name="Entry">The movement as it was.</param>
public sealed record MovementVersionDto(
    int Version,
    DateTimeOffset At,
    string By,
    string Reason,
    MovementCardDto Entry
);

/// <summary>Movements that a club adds to the catalogue; a shipped one is not changed.</summary>
internal static partial class OwnMovement
{
    private const int ListMaximum = 20,
        PosesMaximum = 4;

    public static Results<Ok<OwnMovementDto>, ProblemHttpResult> Get(string movement, Database database) =>
        database.Read(db => Read(db, movement)) is { } own
            ? TypedResults.Ok(own)
            : (ProblemHttpResult)Problems.NotFound(Words.NoOwnMovement);

    public static Results<Ok<OwnMovementDto>, ProblemHttpResult> Put(
        string movement,
        MovementRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    )
    {
        var reason = Problems.Text("reason", request.Reason, Words.WriteReason, 200);
        if (!Slug().IsMatch(movement))
            throw Problems.Field("entry.slug", Words.SlugForm);
        if (Catalogue.Shipped.Movements.ContainsKey(movement))
            throw Problems.Field("entry.name", Words.MovementNameTaken);
        var entry = ToMovement(movement, request.Entry);
        var (written, now) = database.Write(db =>
        {
            Check(db, entry);
            var stamp = clock.Stamp(Policies.IdOf(user));
            var written = CatalogueStore.Add(
                db,
                CatalogueKind.Movement,
                movement,
                request.Version,
                null,
                entry,
                reason,
                stamp
            );
            if (written == Written.Done)
                AuditStore.Add(
                    db,
                    new(AuditKind.MovementWritten) { After = $"{movement}: {request.Version + 1}", Reason = reason },
                    stamp
                );
            return (written, Read(db, movement));
        });
        return written == Written.Done
            ? TypedResults.Ok(now!)
            : (ProblemHttpResult)Problems.Conflict(Words.MovementChanged, now);
    }

    private static OwnMovementDto? Read(Db db, string slug) =>
        CatalogueStore.Movement(db, slug) is [{ Entry: { } entry, Version: var version }, ..] versions
            ? new(
                MovementCardDto.Of(entry),
                version,
                [
                    .. versions
                        .Where(v => v.Entry is not null)
                        .Select(v => new MovementVersionDto(
                            v.Version,
                            v.At,
                            v.By,
                            v.Reason,
                            MovementCardDto.Of(v.Entry!)
                        )),
                ]
            )
            : null;

    private static Movement ToMovement(string slug, MovementCardDto m)
    {
        var standard = Problems.Text("entry.standard", m.Standard, Words.WriteStandard, 400);
        if (standard.Length < 20)
            throw Problems.Field("entry.standard", Words.StandardShort);
        if (m.Faults.All(string.IsNullOrWhiteSpace))
            throw Problems.Field("entry.faults", Words.FaultMissing);
        if (m.Cautions.Count == 0)
            throw Problems.Field("entry.cautions", Words.CautionMissing);
        return new()
        {
            Slug = slug,
            Name = Problems.Text("entry.name", m.Name, Words.WriteName, 60),
            Aliases = Texts("entry.aliases", m.Aliases),
            Pattern = m.Pattern,
            Arms = m.Arms,
            EachSide = m.EachSide,
            Measure = m.Measure,
            SetUp = Texts("entry.setUp", m.SetUp),
            Bottom = Problems.Text("entry.bottom", m.Bottom, Words.WriteBottom, 60),
            Standard = standard,
            Cues = Texts("entry.cues", m.Cues),
            Faults = Texts("entry.faults", m.Faults),
            PrimeMovers = Texts("entry.primeMovers", m.PrimeMovers),
            CarriesTo = m.CarriesTo,
            Easier = m.Easier,
            Harder = m.Harder,
            Kit = Texts("entry.kit", m.Kit),
            Cautions = m.Cautions,
            FailureHarmless = m.FailureHarmless,
            Load = m.Load,
            Poses = Poses(m.Poses ?? []),
        };
    }

    private static IReadOnlyList<PoseEntry> Poses(IReadOnlyList<PoseEntry> poses)
    {
        if (poses.Count > PosesMaximum)
            throw Problems.Field("entry.poses", Words.EntriesMost(PosesMaximum));
        return Posing.Problem(poses) is { } problem ? throw Problems.Field("entry.poses", problem.Message) : poses;
    }

    private static IReadOnlyList<string> Texts(string path, IReadOnlyList<string> texts)
    {
        var kept = texts.Select(t => t.Trim()).Where(t => t.Length > 0).ToArray();
        return kept.Length <= ListMaximum && kept.All(t => t.Length <= 120)
            ? kept
            : throw Problems.Field(path, Words.EntriesMost(ListMaximum));
    }

    /// <summary>
    /// It fits the catalogue, the club's ladders still hold together, and results that were recorded keep their
    /// meaning.
    /// </summary>
    private static void Check(Db db, Movement entry)
    {
        var club = CatalogueStore.Club(db);
        if (
            club.Catalogue.Movements.TryGetValue(entry.Slug, out var before)
            && (before.Measure != entry.Measure || before.EachSide != entry.EachSide)
            && ResultStore.All(db).SelectMany(r => r).Any(r => r.Benchmark == entry.Slug)
        )
            throw Problems.Field("entry.measure", Words.MeasureRecorded);
        var own = club
            .Catalogue.Movements.Values.Where(m =>
                !Catalogue.Shipped.Movements.ContainsKey(m.Slug) && m.Slug != entry.Slug
            )
            .Append(entry)
            .ToArray();
        Catalogue catalogue;
        try
        {
            catalogue = Catalogue.Shipped.With(own);
        }
        catch (CatalogueException e)
        {
            throw Problems.Field("entry.name", Words.MovementUnfit(e.Cause));
        }

        var broken = club
            .States.Values.Where(s => s.Slips.Count == 0)
            .FirstOrDefault(s => LadderReader.Read(s.Entry, catalogue).Ladder is null);
        if (broken is not null)
            throw Problems.Field("entry.name", Words.LadderBroken(broken.Entry.Name));
    }

    [GeneratedRegex("^[a-z0-9]+(-[a-z0-9]+)*$")]
    private static partial Regex Slug();
}
