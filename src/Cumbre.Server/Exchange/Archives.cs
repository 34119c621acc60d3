using System.Security.Claims;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Audit;
using Cumbre.Storage.Exchange;
using Microsoft.AspNetCore.Http.Features;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Exchange;

/// <summary>
/// Athletes with all that is known of their training, as JSON by <c>catalogue/schemas/archive-file.schema.json</c>: out of
/// one club and into another, where everything says the same.
/// </summary>
internal static class Archives
{
    /// <summary>Bytes of an archive, which is read as a whole; this project's choice.</summary>
    private const int LengthMaximum = 200 << 20;

    private static readonly SchemaFile Format = new("cumbre.archive", "archive-file.schema.json")
    {
        LengthMaximum = LengthMaximum,
    };

    public static PushStreamHttpResult Write(
        Guid? athlete,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock,
        Reach reach
    )
    {
        Exports.Note(database, clock, user, athlete, "archive.json");
        var asked = database.Read(db => Exports.Asked(db, athlete, reach));
        return TypedResults.Stream(
            stream => Write(stream, asked, clock.Today, database),
            "application/json",
            $"cumbre-{clock.Today:yyyy-MM-dd}.archive.json"
        );
    }

    /// <summary>One athlete after another: a whole club is never in memory.</summary>
    private static async Task Write(
        Stream stream,
        IReadOnlyList<AthleteProfile> athletes,
        DateOnly today,
        Database database
    )
    {
        await using var json = new Utf8JsonWriter(stream);
        json.WriteStartObject();
        json.WriteString("format", "cumbre.archive");
        json.WriteNumber("version", 1);
        json.WriteString("exportedOn", $"{today:yyyy-MM-dd}");
        json.WriteStartArray("athletes");
        foreach (var athlete in athletes)
        {
            json.WriteStartObject();
            json.WriteString("name", athlete.Name);
            json.WritePropertyName("records");
            database.Read(db => ArchiveStore.Of(db, athlete.Id)).WriteTo(json);
            json.WriteEndObject();
            await json.FlushAsync();
        }

        json.WriteEndArray();
        json.WriteEndObject();
        await json.FlushAsync();
    }

    /// <summary>What an archive would bring; it is written and taken back.</summary>
    public static async Task<Ok<ArchiveAnswer>> Check(HttpContext http, Database database, ClubClock clock)
    {
        var (file, problems) = await Read(http);
        return TypedResults.Ok(
            file is null
                ? new ArchiveAnswer(problems, [])
                : database.WriteOnly(
                    db => Add(db, file, Guid.CreateVersion7(), "check", clock.Stamp(Policies.IdOf(http.User))),
                    _ => false
                )
        );
    }

    /// <summary>Takes over those who are not here yet: all of it or nothing.</summary>
    public static async Task<Ok<ArchiveAnswer>> Add(
        Guid id,
        string? name,
        HttpContext http,
        Database database,
        ClubClock clock
    )
    {
        var title = Problems.Text("file", Path.GetFileName(name ?? ""), Words.ImportNameless, 200);
        var (file, problems) = await Read(http);
        if (file is null)
            return TypedResults.Ok(new ArchiveAnswer(problems, []));
        var stamp = clock.Stamp(Policies.IdOf(http.User));
        return TypedResults.Ok(
            database.Write(
                db =>
                {
                    var answer = Add(db, file, id, title, stamp);
                    AuditStore.Add(db, new(AuditKind.Imported) { Subject = id, After = title }, stamp);
                    return answer;
                },
                answer => answer.Problems.Count == 0
            )
        );
    }

    private static async Task<(JsonObject? File, IReadOnlyList<FileProblem> Problems)> Read(HttpContext http)
    {
        if (http.Features.Get<IHttpMaxRequestBodySizeFeature>() is { IsReadOnly: false } limit)
            limit.MaxRequestBodySize = LengthMaximum;
        using var text = new StreamReader(http.Request.Body, Encoding.UTF8);
        return Format.Read(await text.ReadToEndAsync(http.RequestAborted));
    }

    private static ArchiveAnswer Add(Db db, JsonObject file, Guid id, string name, Stamp stamp)
    {
        var no = ImportStore.Begin(db, id, name, ImportedKind.Archive, stamp);
        var athletes = new List<ArchivedAthlete>();
        var since = new Dictionary<Guid, DateOnly>();
        var sets = 0;
        var at = 0;
        try
        {
            foreach (var athlete in file["athletes"]!.AsArray())
            {
                var place = $"athletes[{at++}]";
                var records = athlete!["records"]!.AsObject();
                if (!Guid.TryParse(records["athlete"]![0]?["id"]?.ToString(), out var athleteId))
                    throw new ArchiveException($"{place}.records.athlete[0].id");
                var known = AthleteStore.Find(db, athleteId) is not null;
                var counts = known
                    ? new Dictionary<string, int>()
                    : ArchiveStore.Add(db, records, no, $"{place}.records");
                athletes.Add(
                    new(
                        (string)athlete["name"]!,
                        known,
                        counts.GetValueOrDefault("session"),
                        counts.GetValueOrDefault("benchmark_result")
                    )
                );
                if (known)
                    continue;
                sets += counts.GetValueOrDefault("logged_set");
                since[athleteId] = DateOnly.MinValue;
                // What is read wrongly fails here, and not when a page first asks for it.
                _ = SnapshotStore.LoadWhole(db, athleteId, DateOnly.FromDateTime(stamp.At.UtcDateTime));
                db.Reconsider(athleteId, corrected: true);
            }
        }
        catch (ArchiveException e)
        {
            return new([new(e.Place, Words.ArchiveMisfit)], []);
        }
        catch (Exception e)
            when (e
                    is JsonException
                        or InvalidDataException
                        or InvalidOperationException
                        or FormatException
                        or OverflowException
                        or ArgumentException
                        or System.Data.DataException
                        or Core.Measures.RuleViolationException
            )
        {
            return new([new($"athletes[{at - 1}].records", Words.ArchiveMisfit)], []);
        }

        var fresh = athletes.Count(a => !a.IsKnown);
        var result = new ImportResult(
            new(0, fresh, 0, athletes.Sum(a => a.Tests), athletes.Sum(a => a.Sessions), sets),
            fresh,
            0,
            0
        );
        ImportStore.End(db, no, JsonSerializer.Serialize(result, JsonSerializerOptions.Web), since);
        return new([], athletes);
    }
}
