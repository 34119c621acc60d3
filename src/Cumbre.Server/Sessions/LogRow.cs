using System.Globalization;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Sessions;

namespace Cumbre.Server.Sessions;

/// <summary>A row of the log as a table; figures are numbers in kg, and the load as it was logged stands beside.</summary>
internal sealed record LogRow(
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
)
{
    private const int SessionsAtOnce = 200;

    /// <summary>The sets that are asked for, read page by page: a whole club is never in memory.</summary>
    public static IEnumerable<LogRow> All(LogFilter filter, LogOrder order, Database database)
    {
        LogPlace? after = null;
        do
        {
            var (found, sessions) = database.Read(db =>
            {
                var found = LogbookStore.Sessions(db, filter, order, after, SessionsAtOnce);
                return (found, Logbook.Of(db, filter, found).ToArray());
            });
            foreach (var row in sessions.SelectMany(s => s.Sets.Select(set => Of(s, set))))
                yield return row;
            after = found.Count < SessionsAtOnce ? null : found[^1].Place;
        } while (after is not null);
    }

    private static LogRow Of(LogbookSession session, LogbookSet row)
    {
        var set = row.Set;
        return new(
            CsvText.Cell(session.Day),
            session.AthleteName,
            session.Title,
            row.Name,
            row.Line,
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
            set.Fault,
            set.Contact?.ToString().ToLowerInvariant(),
            string.Join("; ", set.SetUp.Select(p => $"{p.Key} {p.Value}")),
            set.Pain,
            set.PainPlace,
            set.Sign?.ToString().ToLowerInvariant(),
            set.RestedSeconds,
            session.Effort,
            session.Easy ? "yes" : "",
            set.Note,
            set.DoneAt?.ToString("yyyy-MM-ddTHH:mm:ssK", CultureInfo.InvariantCulture),
            set.Was is { } was ? $"{was.Seconds ?? was.Reps} at {was.Added.Value} {was.Added.Unit}" : null
        );
    }
}
