using System.Security.Claims;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using Cumbre.Core.Benchmarks;
using Cumbre.Server.Accounts;
using Cumbre.Server.Benchmarks;
using Cumbre.Server.Hosting;
using Cumbre.Server.Privacy;
using Cumbre.Server.Reading;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Audit;
using Cumbre.Storage.Benchmarks;
using Cumbre.Storage.Ladders;
using Cumbre.Storage.Privacy;
using Cumbre.Storage.Programmes;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Athletes;

/// <param name="Away">Put away, or taken back.</param>
public sealed record ArchiveRequest(bool Away);

internal static class Archive
{
    private static readonly JsonSerializerOptions Indented = new(WireJson.Options) { WriteIndented = true };

    public static Results<NoContent, ProblemHttpResult> Put(
        Guid athleteId,
        ArchiveRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    )
    {
        var done = database.Write(db =>
        {
            if (!AthleteStore.Archive(db, athleteId, request.Away ? clock.Now : null))
                return false;
            AuditStore.Add(
                db,
                new(request.Away ? AuditKind.Archived : AuditKind.TakenBack) { Athlete = athleteId },
                clock.Stamp(Policies.IdOf(user))
            );
            // What rules depend on may have changed while they were away.
            if (!request.Away)
                db.Reconsider(athleteId);
            return true;
        });
        return done ? TypedResults.NoContent() : (ProblemHttpResult)Problems.NotFound(Words.NoAthlete);
    }

    /// <summary>Everything that is stored of an athlete, as JSON by the published schema.</summary>
    public static Results<FileContentHttpResult, ProblemHttpResult> Export(
        Guid athleteId,
        Database database,
        ClubClock clock,
        CumbreOptions options
    ) =>
        File(athleteId, database, clock, options) is not var (name, file)
            ? (ProblemHttpResult)Problems.NotFound(Words.NoAthlete)
            : TypedResults.File(
                JsonSerializer.SerializeToUtf8Bytes(file, Indented),
                "application/json",
                $"{FileNames.Safe(name)}.cumbre.json"
            );

    /// <summary>The same as a page to read.</summary>
    public static Results<FileContentHttpResult, ProblemHttpResult> ExportPage(
        Guid athleteId,
        Database database,
        ClubClock clock,
        CumbreOptions options
    ) =>
        File(athleteId, database, clock, options) is not var (name, file)
            ? (ProblemHttpResult)Problems.NotFound(Words.NoAthlete)
            : TypedResults.File(
                Encoding.UTF8.GetBytes(ReadableFile.Html(file)),
                "text/html; charset=utf-8",
                $"{FileNames.Safe(name)}.html"
            );

    private static (string Name, JsonObject File)? File(
        Guid athleteId,
        Database database,
        ClubClock clock,
        CumbreOptions options
    )
    {
        var file = database.Read(db =>
            SnapshotStore.LoadWhole(db, athleteId, clock.Today) is { } found
                ? new
                {
                    format = "cumbre.athlete",
                    version = 2,
                    exportedOn = clock.Today,
                    athlete = GetAthlete.Read(db, athleteId, clock.Today),
                    results = ResultStore
                        .Of(db, athleteId)
                        .Select(r => ResultDto.Of(r.Result, CatalogueStore.Club(db).Catalogue))
                        .ToArray(),
                    sessions = found
                        .Snapshot.Exposures.Select(e => new
                        {
                            e.Day,
                            e.Movement,
                            e.Easy,
                            sets = e
                                .Sets.Select(s => new
                                {
                                    s.Set,
                                    s.Part,
                                    s.Reps,
                                    added = MassDto.Of(s.Added),
                                    s.Reserve,
                                    form = s.Form.ToString(),
                                    clean = s.Form == FormVerdict.Clean,
                                })
                                .ToArray(),
                        })
                        .ToArray(),
                    records = PersonalRecords.Of(db, athleteId),
                    messages = Mail.Of(
                            athleteId,
                            found.Profile.Name,
                            [.. BlockStore.Of(db, athleteId).Select(b => b.Id)],
                            options
                        )
                        .Select(m => new
                        {
                            m.At,
                            m.To,
                            m.Subject,
                            m.Text,
                        })
                        .ToArray(),
                }
                : null
        );
        return file is null
            ? null
            : (file.athlete!.Name, (JsonObject)JsonSerializer.SerializeToNode(file, WireJson.Options)!);
    }
}
