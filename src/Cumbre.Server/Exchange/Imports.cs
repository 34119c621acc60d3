using System.Security.Claims;
using System.Text.Json;
using System.Text.Json.Serialization;
using Cumbre.Core.Exchange;
using Cumbre.Core.Ladders;
using Cumbre.Core.Measures;
using Cumbre.Core.Notation;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Sheets;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Audit;
using Cumbre.Storage.Exchange;
using Cumbre.Storage.Ladders;
using Cumbre.Storage.Privacy;
using Microsoft.AspNetCore.Http.Features;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Exchange;

/// <summary>Files on their way in: sent, looked at, read in, taken back.</summary>
internal static class Imports
{
    private const int ShownRows = 12,
        ShownCells = 500,
        FaultsShown = 200,
        NamesShown = 400,
        FilesShown = 30;

    private static readonly JsonSerializerOptions ProfileJson = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter() },
    };

    public static async Task<Results<Ok<ImportFileDto>, ProblemHttpResult>> Send(
        Guid id,
        string? name,
        HttpContext http,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock,
        Reach reach,
        ImportFiles files
    )
    {
        var title = Problems.Text("file", Path.GetFileName(name ?? ""), Words.ImportNameless, 200);
        if (http.Features.Get<IHttpMaxRequestBodySizeFeature>() is { IsReadOnly: false } limit)
            limit.MaxRequestBodySize = ImportFiles.LengthMaximum + 1;
        OpenFile file;
        try
        {
            file = await files.Keep(id, title, Policies.IdOf(user), http.Request.Body, http.RequestAborted);
        }
        catch (SheetException e)
        {
            throw Problems.Field("file", Said(e.Fault));
        }

        return TypedResults.Ok(database.Read(db => Told(db, file, UnitOf(db, user), clock, reach)));
    }

    /// <summary>Why a file is not read.</summary>
    private static Message Said(SheetFault fault) =>
        fault switch
        {
            SheetFault.Old => Words.ImportOld,
            SheetFault.Password => Words.ImportPassword,
            SheetFault.Damaged => Words.ImportDamaged,
            SheetFault.TooLarge => Words.ImportUnpacks,
            SheetFault.TooWide => Words.ImportTooWide(SheetFile.ColumnsMaximum),
            SheetFault.Empty => Words.ImportEmpty,
            _ => Words.ImportUnknown,
        };

    private static MassUnit UnitOf(Db db, ClaimsPrincipal user) =>
        Enum.Parse<MassUnit>(AccountStore.ById(db, Policies.IdOf(user))!.Unit);

    private static ImportFileDto Told(Db db, OpenFile file, MassUnit unit, ClubClock clock, Reach reach)
    {
        var guessed = new MappingGuess(Terms(db, reach), clock.Today).Of(file.Heads, unit);
        var profile = ImportStore.Profile(db, Headers(guessed));
        return new(
            file.Id,
            file.Name,
            [
                .. file
                    .Heads.Where(h => h.Rows.Any(r => r.Length > 0))
                    .Select(h => new TableSheetDto(
                        h.Name,
                        h.IsHidden,
                        [
                            .. h
                                .Rows.Take(ShownRows + guessed.HeaderRow)
                                .Select(r => r.Take(ShownCells).Select(c => c.Text).ToArray()),
                        ]
                    )),
            ],
            profile is { } known ? Remembered(known.MappingJson, guessed) : guessed,
            profile?.Name
        );
    }

    /// <summary>What was chosen for columns and names; which sheets there are and how they are written is this file's.</summary>
    private static ImportMapping Remembered(string json, ImportMapping guessed) =>
        JsonSerializer.Deserialize<ImportMapping>(json, ProfileJson) is { } kept
            ? kept with
            {
                Sheets = guessed.Sheets,
                HeaderRow = guessed.HeaderRow,
                Dates = guessed.Dates,
            }
            : guessed;

    /// <summary>By its headers a kind of table is known again.</summary>
    private static string Headers(ImportMapping mapping) =>
        string.Join('\u001f', mapping.Columns.Select(c => PlainName.Of(c.Header)));

    private static ImportTerms Terms(Db db, Reach reach) =>
        new(
            CatalogueStore.Club(db).Catalogue,
            [
                .. AthleteStore
                    .All(db)
                    .Where(a => reach.Holds(a.Id))
                    .Select(a => new KnownAthlete(a.Id, a.Name, a.BirthYear)),
            ]
        );

    /// <summary>Reads the whole file and tells what it would bring; nothing is written.</summary>
    public static Results<Ok<FilePreviewDto>, ProblemHttpResult> Preview(
        Guid id,
        ImportMapping mapping,
        HttpContext http,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock,
        Reach reach,
        ImportFiles files
    )
    {
        if (files.Find(id, Policies.IdOf(user)) is not { } file)
            return (ProblemHttpResult)Problems.NotFound(Words.NoImport);
        var terms = database.Read(db => Terms(db, reach));
        var gathered = Gather(file, mapping, terms, clock.Today, http.RequestAborted);
        file.Total = gathered.Rows;
        return TypedResults.Ok(database.Read(db => Told(db, file, mapping, gathered, terms)));
    }

    private static ImportGathering Gather(
        OpenFile file,
        ImportMapping mapping,
        ImportTerms terms,
        DateOnly today,
        CancellationToken cancel
    )
    {
        var gathered = new ImportGathering();
        try
        {
            new TableReader(mapping, terms, today, gathered).Read(file.Sheets, rows => gathered.Rows = rows, cancel);
        }
        catch (SheetException e)
        {
            throw Problems.Field("file", Said(e.Fault));
        }

        return gathered;
    }

    private static FilePreviewDto Told(
        Db db,
        OpenFile file,
        ImportMapping mapping,
        ImportGathering gathered,
        ImportTerms terms
    )
    {
        var weightless = Weightless(db, gathered, mapping).Select(s => s.Who.Key).ToHashSet();
        ReadNameDto[] names =
        [
            .. gathered
                .Names.Select(n => Told(db, n, terms, weightless))
                .OrderBy(n =>
                    n.NeedsBodyMass || n.ConsentWithdrawn || n.Found is null ? 0
                    : n.Match == NameMatch.Exact ? 2
                    : 1
                ),
        ];
        return new(
            gathered.Counts,
            gathered.People.Count(p => p.Who.Id is null),
            [.. names.Take(NamesShown)],
            gathered.Faults,
            [
                .. gathered
                    .Groups.Take(FaultsShown)
                    .Select(g => new CellFaultDto(
                        g.First.Sheet,
                        g.First.Row,
                        g.First.Column,
                        g.First.Id,
                        g.First.Written,
                        g.Count
                    )),
            ],
            [.. gathered.Sample.Select(s => Told(s.Who, s.Found))],
            IsAmbiguous(file, mapping),
            gathered.Faults == 0
                && weightless.Count == 0
                && !names.Any(n => n.ConsentWithdrawn)
                && Brings(gathered.Counts, mapping.Kind)
        );
    }

    private static bool Brings(ImportCounts counts, ImportKind kind) =>
        kind switch
        {
            ImportKind.Athletes => counts.Athletes,
            ImportKind.BodyMasses => counts.BodyMasses,
            ImportKind.Tests => counts.Tests,
            ImportKind.Sets => counts.Sets,
            _ => counts.Lines,
        } > 0;

    /// <summary>Days of the first rows that another order would read otherwise, while none tells the order.</summary>
    private static bool IsAmbiguous(OpenFile file, ImportMapping mapping)
    {
        Cell[] days =
        [
            .. file
                .Heads.Where(h => mapping.Sheets.Contains(h.Name))
                .SelectMany(h => MappingGuess.Days(mapping, [.. h.Rows.Skip(mapping.HeaderRow)])),
        ];
        return days.Any(DayCell.IsAmbiguous) && DayCell.Order(days) is null;
    }

    /// <summary>Of whom sets or tests are told, and no bodyweight is known or chosen.</summary>
    private static IEnumerable<Seen> Weightless(Db db, ImportGathering gathered, ImportMapping mapping) =>
        gathered.People.Where(p =>
            p.IsMeasured
            && p.Masses.Count == 0
            && !mapping.Names.Any(n =>
                n is { Of: NameOf.Athlete, BodyMass: not null }
                && (PlainName.Of(n.Written) == PlainName.Of(p.Who.Name) || n.Choice == $"{p.Who.Id}")
            )
            && (p.Who.Id is not { } id || AthleteStore.BodyMasses(db, id).Count == 0)
        );

    private static ReadNameDto Told(Db db, NameRead name, ImportTerms terms, HashSet<string> weightless)
    {
        var key =
            name.Of != NameOf.Athlete ? null
            : Guid.TryParse(name.Found, out var id) ? $"{id:N}"
            : PlainName.Of(name.Written);
        return new(
            name.Of,
            name.Written,
            name.Match,
            name.Found,
            name.Found is { } found ? Near(name.Of, found, terms)?.Name : null,
            [.. name.Near.Select(n => Near(name.Of, n, terms)).OfType<NameNear>()],
            key is not null && weightless.Contains(key),
            name.Of == NameOf.Athlete
                && Guid.TryParse(name.Found, out var whose)
                && ConsentStore.WithdrawnAt(db, whose) is not null
        );
    }

    private static NameNear? Near(NameOf of, string choice, ImportTerms terms) =>
        of switch
        {
            NameOf.Movement when terms.Catalogue.Movements.TryGetValue(choice, out var m) => new(choice, m.Name, null),
            NameOf.Test when terms.Catalogue.Benchmarks.TryGetValue(choice, out var b) => new(choice, b.Name, null),
            NameOf.Athlete when Guid.TryParse(choice, out var id) && terms.AthletesById.TryGetValue(id, out var a) =>
                new(choice, a.Name, a.BirthYear),
            _ => null,
        };

    private static SampleLineDto Told(Who who, object found) =>
        found switch
        {
            FoundItem item => new(who.Name, item.Day, null, item.Movement.Name, NotationPrinter.Print(item.Done.Plan)),
            FoundTest test => new(
                who.Name,
                test.Day,
                null,
                test.Benchmark.Name,
                string.Join(
                    ' ',
                    new[]
                    {
                        ResultPrinter.Print(test.Result.Score, test.Result.Added),
                        test.Side?.ToString().ToLowerInvariant(),
                    }.OfType<string>()
                )
            ),
            ValueTuple<DateOnly, MassEntry> mass => new(who.Name, mass.Item1, null, null, $"{mass.Item2}"),
            OutlineLine line => new(null, null, line.Week, line.Movement.Name, line.Line.Text),
            FoundAthlete athlete => new(
                who.Name,
                null,
                null,
                null,
                string.Join(
                    ", ",
                    new[]
                    {
                        $"{athlete.BirthYear}",
                        $"{athlete.Sex}".ToLowerInvariant(),
                        athlete.StatureCm is { } cm ? $"{cm:0.#} cm" : "",
                    }.Where(t => t.Length > 0)
                )
            ),
            _ => throw new InvalidOperationException($"{found} is nothing that a table brings."),
        };

    /// <summary>Reads the file in, in the background: all of it or nothing.</summary>
    public static Results<Ok<ImportProgressDto>, ProblemHttpResult> Run(
        Guid id,
        ImportMapping mapping,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock,
        Reach reach,
        ImportFiles files,
        ILogger<OpenFile> log
    )
    {
        var by = Policies.IdOf(user);
        if (files.Find(id, by) is not { } file)
            return (ProblemHttpResult)Problems.NotFound(Words.NoImport);
        lock (file)
        {
            // Pressed twice it runs once.
            if (file.State is ImportState.Running or ImportState.Done)
                return TypedResults.Ok(Progress(file));
            (file.State, file.Rows, file.Problem) = (ImportState.Running, 0, null);
        }

        var terms = database.Read(db => Terms(db, reach));
        var giveTo = Policies.IsClub(user) ? (Guid?)null : by;
        _ = Task.Run(() => Run(file, mapping, terms, database, clock, by, giveTo, log));
        return TypedResults.Ok(Progress(file));
    }

    private static void Run(
        OpenFile file,
        ImportMapping mapping,
        ImportTerms terms,
        Database database,
        ClubClock clock,
        Guid by,
        Guid? giveTo,
        ILogger log
    )
    {
        try
        {
            var gathered = Gather(file, mapping, terms, clock.Today, file.Cancel.Token);
            file.Total = gathered.Rows;
            if (gathered.Faults > 0 || database.Read(db => Weightless(db, gathered, mapping).Any()))
            {
                (file.Problem, file.State) = (Words.ImportFaulty(gathered.Faults), ImportState.Failed);
                return;
            }

            file.Result = database.Write(db =>
            {
                var stamp = clock.Stamp(by);
                using var run = new ImportRun(db, file, mapping, stamp);
                var result = run.Write(
                    gathered,
                    file.Sheets,
                    terms,
                    clock.Today,
                    giveTo,
                    rows => file.Rows = rows,
                    file.Cancel.Token
                );
                Keep(db, file, mapping, stamp);
                AuditStore.Add(db, new(AuditKind.Imported) { Subject = file.Id, After = file.Name }, stamp);
                return result;
            });
            file.State = ImportState.Done;
            File.Delete(file.Path);
        }
        catch (OperationCanceledException)
        {
            file.State = ImportState.Cancelled;
        }
        catch (FieldException e)
        {
            (file.Problem, file.State) = (e.Errors[0].Message, ImportState.Failed);
        }
        catch (ConflictException e)
        {
            (file.Problem, file.State) = (e.Said, ImportState.Failed);
        }
        catch (Exception e)
        {
            log.LogError(e, "A file could not be read in");
            (file.Problem, file.State) = (Words.ImportFailed, ImportState.Failed);
        }
    }

    /// <summary>A table of this kind is read like this again; what names people is not kept.</summary>
    private static void Keep(Db db, OpenFile file, ImportMapping mapping, Stamp stamp)
    {
        if (mapping.Kind == ImportKind.BodyMasses && mapping.Columns.Any(c => c.Role == ColumnRole.Value))
            return;
        var kept = mapping with
        {
            Sheets = [],
            Athlete = null,
            Fixes = [],
            Names = [.. mapping.Names.Where(n => n.Of != NameOf.Athlete)],
        };
        ImportStore.KeepProfile(db, Headers(mapping), file.Name, JsonSerializer.Serialize(kept, ProfileJson), stamp);
    }

    public static Results<Ok<ImportProgressDto>, ProblemHttpResult> Progress(
        Guid id,
        ClaimsPrincipal user,
        ImportFiles files
    ) =>
        files.Find(id, Policies.IdOf(user)) is { } file
            ? TypedResults.Ok(Progress(file))
            : (ProblemHttpResult)Problems.NotFound(Words.NoImport);

    private static ImportProgressDto Progress(OpenFile file) =>
        new(file.State, file.Rows, file.Total, file.Result, file.Problem);

    /// <summary>Stops it where it runs, and puts the file away.</summary>
    public static NoContent Discard(Guid id, ClaimsPrincipal user, ImportFiles files)
    {
        if (files.Find(id, Policies.IdOf(user)) is { } file)
            files.Remove(file);
        return TypedResults.NoContent();
    }

    /// <summary>The latest whose athletes are all within reach: a name of a file may tell of somebody.</summary>
    public static Ok<IReadOnlyList<ImportedDto>> List(Database database, Reach reach) =>
        TypedResults.Ok<IReadOnlyList<ImportedDto>>(
            database.Read(db =>
                ImportStore
                    .Latest(db, FilesShown)
                    .Where(f => reach.IsEverybody || reach.HoldsAll(ImportStore.AthletesOf(db, f.No)))
                    .Select(f => new ImportedDto(
                        f.Id,
                        f.Name,
                        Enum.Parse<ImportedKind>(f.Kind),
                        AccountStore.ById(db, f.WrittenBy)?.Name,
                        f.WrittenAt,
                        JsonSerializer.Deserialize<ImportResult>(f.CountsJson, JsonSerializerOptions.Web)!,
                        f.UndoneAt is not null
                    ))
                    .ToArray()
            )
        );

    public static Results<Ok<UndoneDto>, ProblemHttpResult> Undo(
        Guid id,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock,
        Reach reach
    )
    {
        var undone = database.Write(db =>
        {
            if (ImportStore.Find(db, id) is not { UndoneAt: null } file)
                return null;
            if (!reach.HoldsAll(ImportStore.AthletesOf(db, file.No)))
                return null;
            var stamp = clock.Stamp(Policies.IdOf(user));
            AuditStore.Add(db, new(AuditKind.ImportUndone) { Subject = id, Before = file.Name }, stamp);
            return ImportStore.Undo(db, file, stamp);
        });
        return undone is null
            ? (ProblemHttpResult)Problems.NotFound(Words.NoImport)
            : TypedResults.Ok(new UndoneDto(undone.Rows, undone.Athletes, undone.AthletesKept));
    }
}
