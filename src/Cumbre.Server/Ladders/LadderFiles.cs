using System.Globalization;
using System.Security.Claims;
using System.Text.Json;
using System.Text.Json.Nodes;
using Cumbre.Core.Ladders;
using Cumbre.Core.Movements;
using Cumbre.Server.Accounts;
using Cumbre.Server.Figures;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Ladders;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Ladders;

/// <summary>A ladder of a file against what is in force.</summary>
public sealed record ImportedLadder(
    string Slug,
    string Name,
    bool IsNew,
    IReadOnlyList<LadderDifference> Differences,
    IReadOnlyList<MoverDto> Movers
);

/// <summary>What importing a file would do.</summary>
/// <param name="Problems">The first hundred; any at all, and nothing can be imported.</param>
/// <param name="ProblemCount">All of them.</param>
/// <param name="Ladders">New or changed ones.</param>
/// <param name="Unchanged">Names of ladders that are as they stand.</param>
/// <param name="Movements">Names of the movements that would be added.</param>
/// <param name="State">Of the club's ladders; the import asks that it is still the same.</param>
public sealed record ImportPreview(
    IReadOnlyList<FileProblem> Problems,
    int ProblemCount,
    IReadOnlyList<ImportedLadder> Ladders,
    IReadOnlyList<string> Unchanged,
    IReadOnlyList<string> Movements,
    long State
);

/// <param name="Text">The file.</param>
public sealed record PreviewRequest(string Text);

/// <param name="Text">The file.</param>
/// <param name="State">Of the preview.</param>
/// <param name="Reason">Why, 1 to 200 characters.</param>
public sealed record ImportRequest(string Text, long State, string Reason);

/// <summary>Ladders as a file: <c>catalogue/schemas/ladders-file.schema.json</c>.</summary>
internal static class LadderFiles
{
    private const int ProblemsShown = 100;
    private const string FormatName = "cumbre.ladders";
    private const string SchemaName = "ladders-file.schema.json";

    private static readonly SchemaFile File = new(
        FormatName,
        SchemaName,
        "ladders.schema.json",
        "movements.schema.json",
        "figures.schema.json"
    );

    public static Results<FileContentHttpResult, ProblemHttpResult> Export(
        string? slug,
        Database database,
        ClubClock clock
    )
    {
        var (file, missing) = database.Read(db =>
        {
            var club = CatalogueStore.Club(db);
            var wanted = club
                .States.Values.Where(s => slug is null ? s.Own || s.Edited : s.Entry.Slug == slug)
                .Select(s => s.Entry)
                .ToArray();
            var used = wanted
                .SelectMany(l => l.Steps)
                .SelectMany(s => (s.Substitutes ?? []).Append(s.Movement))
                .ToHashSet();
            var own = club.Catalogue.Movements.Values.Where(m =>
                used.Contains(m.Slug) && !Catalogue.Shipped.Movements.ContainsKey(m.Slug)
            );
            var file = new JsonObject
            {
                ["$schema"] = SchemaName,
                ["format"] = FormatName,
                ["version"] = 1,
                ["club"] = AccountStore.Club(db)?.Name ?? "",
                ["exportedOn"] = clock.Today.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
                ["movements"] = new JsonArray([.. own.Select(m => CatalogueJson.ToNode(m))]),
                ["ladders"] = new JsonArray([.. wanted.Select(l => CatalogueJson.ToNode(l))]),
            };
            return (file, slug is not null && wanted.Length == 0);
        });
        return missing
            ? (ProblemHttpResult)Problems.NotFound(Words.NoLadder)
            : TypedResults.File(
                JsonSerializer.SerializeToUtf8Bytes(file, Indented),
                "application/json",
                $"{slug ?? "ladders"}.cumbre.json"
            );
    }

    public static Results<FileContentHttpResult, ProblemHttpResult> PublishedSchema(string name) =>
        name
            is SchemaName
                or "ladders.schema.json"
                or "movements.schema.json"
                or "figures.schema.json"
                or "athlete-file.schema.json"
                or "archive-file.schema.json"
                or "club-archive.schema.json"
                or Programmes.BlockFile.SchemaName
            ? TypedResults.File(
                System.Text.Encoding.UTF8.GetBytes(CatalogueJson.Text($"schemas/{name}")),
                "application/schema+json",
                name
            )
            : (ProblemHttpResult)Problems.NotFound(Words.NoSchema);

    public static Ok<ImportPreview> Preview(
        PreviewRequest request,
        Database database,
        Climbers climbers,
        ClubClock clock
    )
    {
        var (club, state) = database.Read(db => (CatalogueStore.Club(db), CatalogueStore.State(db)));
        var read = Read(request.Text, club);
        if (read.Problems.Count > 0)
            return TypedResults.Ok(
                new ImportPreview([.. read.Problems.Take(ProblemsShown)], read.Problems.Count, [], [], [], state)
            );
        var everyone = climbers.On(clock.Today);
        var changes = read.Ladders.Select(l => (l.Entry, Change: Compare(l.Entry, l.Ladder, club, everyone))).ToArray();
        return TypedResults.Ok(
            new ImportPreview(
                [],
                0,
                [.. changes.Select(c => c.Change).OfType<ImportedLadder>()],
                [.. changes.Where(c => c.Change is null).Select(c => c.Entry.Name)],
                [.. read.Movements.Select(m => m.Name)],
                state
            )
        );
    }

    public static Results<Ok<ImportPreview>, ProblemHttpResult> Import(
        ImportRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    )
    {
        var reason = Problems.Text("reason", request.Reason, Words.WriteImportReason, 200);
        return database.Write<Results<Ok<ImportPreview>, ProblemHttpResult>>(db =>
        {
            var (club, state) = (CatalogueStore.Club(db), CatalogueStore.State(db));
            if (state != request.State)
                return (ProblemHttpResult)Problems.Conflict(Words.LadderPreviewOld, null);
            var read = Read(request.Text, club);
            if (read.Problems.Count > 0)
                return TypedResults.Ok(
                    new ImportPreview([.. read.Problems.Take(ProblemsShown)], read.Problems.Count, [], [], [], state)
                );
            var stamp = clock.Stamp(Policies.IdOf(user));
            foreach (var movement in read.Movements)
                CatalogueStore.Add(db, CatalogueKind.Movement, movement.Slug, 0, null, movement, reason, stamp);
            var changed = read
                .Ladders.Select(l => Compare(l.Entry, l.Ladder, club, []))
                .OfType<ImportedLadder>()
                .ToArray();
            foreach (var entry in read.Ladders.Select(l => l.Entry).Where(e => changed.Any(c => c.Slug == e.Slug)))
                LadderDraft.Store(
                    db,
                    entry.Slug,
                    CatalogueStore.Ladder(db, entry.Slug) is [var newest, ..] ? newest.Version : 0,
                    entry,
                    reason,
                    stamp
                );
            return TypedResults.Ok(
                new ImportPreview([], 0, changed, [], [.. read.Movements.Select(m => m.Name)], CatalogueStore.State(db))
            );
        });
    }

    private static ImportedLadder? Compare(
        LadderEntry entry,
        Ladder ladder,
        ClubAtlas club,
        IReadOnlyList<Climber> everyone
    )
    {
        if (!club.States.TryGetValue(entry.Slug, out var state))
            return new(entry.Slug, entry.Name, true, [], []);
        var differences = LadderDiff.Between(state.Entry, entry);
        if (differences.Count == 0)
            return null;
        var movers = club.Atlas.BySlug.TryGetValue(entry.Slug, out var now)
            ? LadderWhatIf.Movers(now, ladder, everyone)
            : [];
        return new(entry.Slug, entry.Name, false, differences, [.. movers.Select(MoverDto.Of)]);
    }

    private sealed record FileReading(
        IReadOnlyList<FileProblem> Problems,
        IReadOnlyList<(LadderEntry Entry, Ladder Ladder)> Ladders,
        IReadOnlyList<Movement> Movements
    )
    {
        public static FileReading Of(params IReadOnlyList<FileProblem> problems) => new(problems, [], []);
    }

    /// <summary>
    /// Is it JSON, does it fit the schema, and do its ladders hold together? Each question is only asked when the one
    /// before is answered.
    /// </summary>
    private static FileReading Read(string text, ClubAtlas club)
    {
        var (whole, problems) = File.Read(text);
        return whole is null ? FileReading.Of(problems) : Meaning(whole, club);
    }

    private static FileReading Meaning(JsonObject file, ClubAtlas club)
    {
        var problems = new List<FileProblem>();
        var written = (file["movements"] as JsonArray ?? [])
            .Select(m => CatalogueJson.Parse<Movement>("file", m!.ToJsonString()))
            .ToArray();
        var movements = written.Where(m => !club.Catalogue.Movements.ContainsKey(m.Slug)).ToArray();
        for (var i = 0; i < written.Length; i++)
            if (Posing.Problem(written[i].Poses) is { } unheld)
                problems.Add(new($"movements[{i}].poses[{unheld.Position}]", unheld.Message));
        var catalogue = club.Catalogue;
        try
        {
            catalogue = club.Catalogue.With(movements);
        }
        catch (CatalogueException e)
        {
            problems.Add(new($"movements: {e.Place}", Words.MovementUnfit(e.Cause)));
        }

        var ladders = new List<(LadderEntry, Ladder)>();
        var slugs = new HashSet<string>();
        foreach (var (node, i) in file["ladders"]!.AsArray().Select((n, i) => (n, i)))
        {
            var entry = CatalogueJson.Parse<LadderEntry>("file", node!.ToJsonString()).Normalised(catalogue.Names);
            if (!slugs.Add(entry.Slug))
                problems.Add(new($"ladders[{i}].slug", Words.FileLadderTwice(entry.Slug)));
            var reading = LadderReader.Read(entry, catalogue);
            problems.AddRange(
                reading
                    .Slips.Select(LadderProblem.Of)
                    .Select(p => new FileProblem(
                        p.Gate is { } gate
                            ? $"ladders[{i}].{p.Path}, character {gate.Start + 1}"
                            : $"ladders[{i}].{p.Path}",
                        p.Message
                    ))
            );
            if (reading.Ladder is { } ladder)
                ladders.Add((entry, ladder));
        }

        return problems.Count > 0 ? FileReading.Of(problems) : new([], ladders, movements);
    }

    private static readonly JsonSerializerOptions Indented = new()
    {
        WriteIndented = true,
        Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };
}
