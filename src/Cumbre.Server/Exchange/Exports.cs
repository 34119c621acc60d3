using System.Globalization;
using System.Security.Claims;
using Cumbre.Core.Ladders;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Server.Sessions;
using Cumbre.Sheets;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Audit;
using Cumbre.Storage.Benchmarks;
using Cumbre.Storage.Ladders;
using Cumbre.Storage.Programmes;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Exchange;

/// <summary>Everything as a workbook: a sheet for each table.</summary>
internal static class Exports
{
    private const string XlsxType = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet";

    public static Results<FileStreamHttpResult, ProblemHttpResult> Book(
        [AsParameters] LogQuery query,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock,
        Reach reach
    )
    {
        if (query.Athlete is { } id && !reach.Holds(id))
            return (ProblemHttpResult)Problems.NotFound(Words.NoAthlete);
        Note(database, clock, user, query.Athlete, "cumbre.xlsx");
        // A workbook is packed as a whole, and a request cannot wait on the disk: it is written beside and sent after.
        var path = Path.GetTempFileName();
        var file = new FileStream(
            path,
            FileMode.Create,
            FileAccess.ReadWrite,
            FileShare.None,
            81_920,
            FileOptions.DeleteOnClose | FileOptions.Asynchronous
        );
        try
        {
            Workbook.Write(file, Tables(query, database, reach));
            file.Position = 0;
            return TypedResults.Stream(file, XlsxType, $"cumbre-{clock.Today:yyyy-MM-dd}.xlsx");
        }
        catch
        {
            file.Dispose();
            throw;
        }
    }

    public static void Note(Database database, ClubClock clock, ClaimsPrincipal user, Guid? athlete, string file) =>
        database.WriteOnly(
            db =>
            {
                AuditStore.Add(
                    db,
                    new(AuditKind.Exported) { Athlete = athlete, After = file },
                    clock.Stamp(Policies.IdOf(user))
                );
                return true;
            },
            _ => true
        );

    /// <summary>Those who are asked for and within reach, by name.</summary>
    public static IReadOnlyList<AthleteProfile> Asked(Db db, Guid? athlete, Reach reach) =>
        [.. AthleteStore.Everyone(db).Where(a => reach.Holds(a.Id) && (athlete is null || a.Id == athlete))];

    private static IEnumerable<TableOut> Tables(LogQuery query, Database database, Reach reach)
    {
        var (athletes, catalogue) = database.Read(db =>
            (Asked(db, query.Athlete, reach), CatalogueStore.Club(db).Catalogue)
        );
        bool IsAsked(DateOnly day) =>
            day >= (query.From ?? DateOnly.MinValue) && day <= (query.To ?? DateOnly.MaxValue);
        string NameOf(string movement) => catalogue.Movements.GetValueOrDefault(movement)?.Name ?? movement;
        yield return new(
            "Athletes",
            ["Athlete", "Birth year", "Sex", "Height (cm)", "Archived"],
            athletes.Select(a =>
                new object?[]
                {
                    a.Name,
                    a.BirthYear,
                    a.Sex?.ToString().ToLowerInvariant(),
                    a.StatureCm,
                    a.ArchivedAt is null ? null : "yes",
                }
            )
        );
        yield return new(
            "Bodyweights",
            ["Athlete", "Day", "Bodyweight", "Unit"],
            athletes.SelectMany(a =>
                database
                    .Read(db => AthleteStore.BodyMasses(db, a.Id))
                    .Where(m => IsAsked(m.Reading.Day))
                    .OrderBy(m => m.Reading.Day)
                    .Select(m =>
                        new object?[] { a.Name, m.Reading.Day, m.Reading.Entry.Value, Unit(m.Reading.Entry.Unit) }
                    )
            )
        );
        yield return new(
            "Tests",
            ["Athlete", "Day", "Test", "Result", "Side", "Reserve", "Bodyweight (kg)", "Form", "Set-up"],
            athletes.SelectMany(a =>
                database
                    .Read(db => ResultStore.Of(db, a.Id))
                    .Select(r => r.Result)
                    .Where(r => IsAsked(r.Day))
                    .Select(r =>
                        new object?[]
                        {
                            a.Name,
                            r.Day,
                            catalogue.Benchmarks.GetValueOrDefault(r.Benchmark)?.Name ?? r.Benchmark,
                            ResultPrinter.Print(r),
                            r.Side?.ToString().ToLowerInvariant(),
                            r.Reserve,
                            r.BodyMass.Kilograms,
                            r.Form.ToString().ToLowerInvariant(),
                            r.SetUp,
                        }
                    )
            )
        );
        yield return new("Sets", LogColumns, LogRow.All(query.For(reach), LogOrder.Oldest, database).Select(Cells));
        yield return new(
            "Blocks",
            ["Athlete", "Block", "Week", "Day", "Session", "Movement", "Line"],
            athletes.SelectMany(a =>
                database.Read(db =>
                    BlockStore
                        .Of(db, a.Id)
                        .SelectMany(b =>
                            SessionStore
                                .OfBlock(db, b.Id)
                                .SelectMany(s =>
                                    s.Items.Select(i =>
                                        new object?[]
                                        {
                                            a.Name,
                                            b.Name,
                                            (s.Day.DayNumber - b.Start.DayNumber) / 7 + 1,
                                            s.Day,
                                            s.Title,
                                            NameOf(i.Movement),
                                            i.Line,
                                        }
                                    )
                                )
                        )
                        .ToArray()
                )
            )
        );
    }

    private static string Unit(Core.Measures.MassUnit unit) => unit.ToString().ToLowerInvariant();

    private static readonly System.Reflection.PropertyInfo[] LogProperties = typeof(LogRow).GetProperties();

    private static readonly string[] LogColumns = [.. LogProperties.Select(p => p.Name)];

    private static object?[] Cells(LogRow row) =>
        [
            .. LogProperties.Select(p =>
                p.Name == nameof(LogRow.Day)
                    ? DateOnly.ParseExact(row.Day, "yyyy-MM-dd", CultureInfo.InvariantCulture)
                    : p.GetValue(row)
            ),
        ];
}
