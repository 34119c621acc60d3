using System.Globalization;
using System.Text.Json;
using System.Text.Json.Nodes;
using Cumbre.Core.Notation;
using Cumbre.Core.Programmes;
using Cumbre.Server.Hosting;
using Cumbre.Server.Reading;
using Cumbre.Storage;
using Cumbre.Storage.Ladders;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Programmes;

/// <param name="Text">The file.</param>
/// <param name="Start">The Monday on which it starts for this athlete; null: as the file says.</param>
public sealed record BlockImportRequest(string Text, DateOnly? Start);

/// <summary>What importing a block would bring.</summary>
/// <param name="Problems">Any that keeps it out, and there is no block.</param>
/// <param name="Notes">What to look at in a block that can be taken: unknown movements, lines that cannot be
/// read.</param>
/// <param name="Block">With ids of its own; null: it cannot be taken.</param>
/// <param name="Reading">What it means for the athlete.</param>
public sealed record BlockImport(
    IReadOnlyList<FileProblem> Problems,
    IReadOnlyList<FileProblem> Notes,
    BlockBody? Block,
    BlockReading? Reading
);

/// <summary>
/// A block as a file: <c>catalogue/schemas/block-file.schema.json</c>. It holds what is planned; what it means follows
/// from the athlete.
/// </summary>
internal static class BlockFile
{
    public const string SchemaName = "block-file.schema.json";

    private const string FormatName = "cumbre.block";
    private const int ProblemsShown = 100;

    private static readonly SchemaFile File = new(FormatName, SchemaName);

    private static readonly JsonSerializerOptions Indented = new()
    {
        WriteIndented = true,
        Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    public static Results<FileContentHttpResult, ProblemHttpResult> Export(
        Guid athleteId,
        Guid blockId,
        int? version,
        Database database,
        ClubClock clock
    ) =>
        database.Read(db => Publish.Find(db, athleteId, blockId, version, clock)) is { } block
            ? TypedResults.File(
                JsonSerializer.SerializeToUtf8Bytes(Write(block, clock.Today), Indented),
                "application/json",
                $"{FileNames.Safe(block.Block.Name)}.cumbre.json"
            )
            : (ProblemHttpResult)Problems.NotFound(Words.NoVersion);

    /// <summary>Nothing is stored: the block is saved as any other once the coach takes it.</summary>
    public static Results<Ok<BlockImport>, ProblemHttpResult> Preview(
        Guid athleteId,
        BlockImportRequest request,
        Database database,
        ClubClock clock
    )
    {
        if (request.Start is { DayOfWeek: not DayOfWeek.Monday })
            throw Problems.Field("start", Words.StartNotMonday);
        var (found, catalogue) = database.Read(db =>
            (Work.Load(db, athleteId, clock.Today), CatalogueStore.Club(db).Catalogue)
        );
        if (found is not { } work)
            return (ProblemHttpResult)Problems.NotFound(Words.NoAthlete);
        var (file, problems) = File.Read(request.Text);
        if (file is null)
            return TypedResults.Ok(new BlockImport([.. problems.Take(ProblemsShown)], [], null, null));
        var start = request.Start
            ?? DateOnly.ParseExact((string)file["start"]!, "yyyy-MM-dd", CultureInfo.InvariantCulture);
        if (start.DayOfWeek != DayOfWeek.Monday || !Days.Holds(start))
            return TypedResults.Ok(new BlockImport([new("start", Words.FileStartNotMonday(start))], [], null, null));
        var notes = new List<FileProblem>();
        var block = Read(file, start, catalogue, notes);
        return TypedResults.Ok(
            new BlockImport(
                [],
                [.. notes.Take(ProblemsShown)],
                BlockBody.Of(block),
                BlockReading.Of(block, work.Athlete, null)
            )
        );
    }

    private static JsonObject Write(PublishedBlock block, DateOnly today)
    {
        var names = block.Items.ToDictionary(i => i.Id, i => i.Movement?.Name);
        return new()
        {
            ["$schema"] = SchemaName,
            ["format"] = FormatName,
            ["version"] = 1,
            ["club"] = block.Club,
            ["exportedOn"] = today.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
            ["athlete"] = block.AthleteName,
            ["name"] = block.Block.Name,
            ["start"] = block.Block.Start.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
            ["weeks"] = new JsonArray([
                .. block.Block.Weeks.Select(
                    (w, i) =>
                        (JsonNode)
                            new JsonObject
                            {
                                ["kind"] = w.Kind.ToString().ToLowerInvariant(),
                                ["sessions"] = new JsonArray([
                                    .. w.Sessions.Select(s => Session(s, block.Block.Start.AddDays(7 * i), names)),
                                ]),
                            }
                ),
            ]),
        };
    }

    private static JsonNode Session(SessionBody session, DateOnly monday, Dictionary<Guid, string?> names)
    {
        static JsonObject Frame(FrameBody frame) =>
            frame.Text is { } text
                ? new() { ["seconds"] = frame.Seconds, ["text"] = text }
                : new() { ["seconds"] = frame.Seconds };
        return new JsonObject
        {
            ["day"] = session.Day.DayNumber - monday.DayNumber,
            ["title"] = session.Title,
            ["warmUp"] = Frame(session.WarmUp),
            ["coolDown"] = Frame(session.CoolDown),
            ["items"] = new JsonArray([
                .. session.Items.Select(i =>
                {
                    var item = new JsonObject { ["movement"] = i.Movement, ["line"] = i.Line };
                    if (names.GetValueOrDefault(i.Id) is { } name)
                        item["name"] = name;
                    if (i.Joined)
                        item["joined"] = true;
                    return (JsonNode)item;
                }),
            ]),
        };
    }

    private static Block Read(
        JsonObject file,
        DateOnly start,
        Core.Movements.Catalogue catalogue,
        List<FileProblem> notes
    )
    {
        var weeks = file["weeks"]!
            .AsArray()
            .Select(
                (week, w) =>
                    new BlockWeek(
                        Enum.Parse<WeekKind>((string)week!["kind"]!, ignoreCase: true),
                        [
                            .. week["sessions"]!
                                .AsArray()
                                .Select(
                                    (session, s) =>
                                        new BlockSession(
                                            Guid.CreateVersion7(),
                                            start.AddDays(7 * w + (int)session!["day"]!),
                                            ((string?)session["title"] ?? "").Trim(),
                                            Framed(session["warmUp"]),
                                            Framed(session["coolDown"]),
                                            [
                                                .. session["items"]!
                                                    .AsArray()
                                                    .Select(
                                                        (item, i) =>
                                                            Item(
                                                                item!,
                                                                $"weeks[{w}].sessions[{s}].items[{i}]",
                                                                i == 0,
                                                                catalogue,
                                                                notes
                                                            )
                                                    ),
                                            ]
                                        )
                                ),
                        ]
                    )
            );
        return new(((string)file["name"]!).Trim(), start, [.. weeks], []);
    }

    private static Frame Framed(JsonNode? frame) =>
        frame is null
            ? new(0, null)
            : new((int)frame["seconds"]!, (string?)frame["text"] is { Length: > 0 } text ? text : null);

    private static BlockItem Item(
        JsonNode item,
        string path,
        bool first,
        Core.Movements.Catalogue catalogue,
        List<FileProblem> notes
    )
    {
        var (movement, line) = ((string)item["movement"]!, ((string)item["line"]!).Trim());
        if (!catalogue.Movements.ContainsKey(movement))
            notes.Add(new($"{path}.movement", Words.FileMovementUnknown(movement)));
        var written = WrittenLine.Typed(line);
        if (written.Error is { } error)
            notes.Add(new($"{path}.line", Words.FileLineUnreadable(line, error.Start + 1)));
        return new(Guid.CreateVersion7(), movement, written, !first && (bool?)item["joined"] == true);
    }
}
