using System.Globalization;
using System.Security.Claims;
using System.Text;
using CsvHelper;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Audit;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Sessions;

/// <summary>The sets that are asked for as a table, written page by page: a whole club is never in memory.</summary>
internal static class LogbookCsv
{
    private const int SessionsAtOnce = 200;

    /// <summary>A row of the table; figures are numbers in kg, and the load as it was logged stands beside.</summary>
    private sealed record Row(
        string Day,
        string Athlete,
        string Session,
        string Movement,
        string Line,
        int Set,
        int Part,
        int? Reps,
        int? AllReps,
        int? Seconds,
        decimal Added,
        string Unit,
        decimal AddedKg,
        decimal? BodyweightKg,
        decimal? SystemKg,
        decimal? OneRepMaxKg,
        int? Reserve,
        string Form,
        string? Fault,
        string? Contact,
        string SetUp,
        int? Pain,
        string? PainPlace,
        string? StopSign,
        int? RestedSeconds,
        decimal? SessionRpe,
        string Deload,
        string? Note,
        string? DoneAt,
        string? CorrectedFrom
    );

    public static PushStreamHttpResult Handle(
        [AsParameters] LogQuery query,
        LogOrder? order,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock,
        Reach reach
    )
    {
        database.WriteOnly(
            db =>
            {
                AuditStore.Add(
                    db,
                    new(AuditKind.Exported) { Athlete = query.Athlete, After = "sets.csv" },
                    clock.Stamp(Policies.IdOf(user))
                );
                return true;
            },
            _ => true
        );
        return TypedResults.Stream(
            stream => Write(stream, query.For(reach), order ?? LogOrder.Newest, database),
            CsvText.Type,
            "sets.csv"
        );
    }

    private static async Task Write(Stream stream, LogFilter filter, LogOrder order, Database database)
    {
        await using var text = new StreamWriter(stream, new UTF8Encoding(true));
        await using var csv = new CsvWriter(text, CultureInfo.InvariantCulture);
        csv.WriteHeader<Row>();
        await csv.NextRecordAsync();
        LogPlace? after = null;
        do
        {
            var (found, sessions) = database.Read(db =>
            {
                var found = LogbookStore.Sessions(db, filter, order, after, SessionsAtOnce);
                return (found, Logbook.Of(db, filter, found).ToArray());
            });
            foreach (var row in sessions.SelectMany(s => s.Sets.Select(set => RowOf(s, set))))
            {
                csv.WriteRecord(row);
                await csv.NextRecordAsync();
            }

            await csv.FlushAsync();
            after = found.Count < SessionsAtOnce ? null : found[^1].Place;
        } while (after is not null);
    }

    private static Row RowOf(LogbookSession session, LogbookSet row)
    {
        var set = row.Set;
        return new(
            CsvText.Cell(session.Day),
            CsvText.Cell(session.AthleteName),
            CsvText.Cell(session.Title),
            CsvText.Cell(row.Name),
            CsvText.Cell(row.Line),
            set.Set,
            set.Part,
            set.Seconds is null ? set.Reps : null,
            set.Total,
            set.Seconds,
            set.Added.Value,
            set.Added.Unit.ToString().ToLowerInvariant(),
            set.Added.Entry.Mass.Kilograms,
            session.BodyMassKg,
            row.SystemKg,
            row.OneRepMaxKg,
            set.Reserve,
            set.Form.ToString().ToLowerInvariant(),
            CsvText.Cell(set.Fault),
            set.Contact?.ToString().ToLowerInvariant(),
            CsvText.Cell(string.Join("; ", set.SetUp.Select(p => $"{p.Key} {p.Value}"))),
            set.Pain,
            CsvText.Cell(set.PainPlace),
            set.Sign?.ToString().ToLowerInvariant(),
            set.RestedSeconds,
            session.Effort,
            session.Easy ? "yes" : "",
            CsvText.Cell(set.Note),
            set.DoneAt?.ToString("yyyy-MM-ddTHH:mm:ssK", CultureInfo.InvariantCulture),
            set.Was is { } was ? $"{was.Seconds ?? was.Reps} at {was.Added.Value} {was.Added.Unit}" : null
        );
    }
}
