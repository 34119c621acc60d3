using System.Globalization;
using System.Security.Claims;
using System.Text;
using CsvHelper;
using CsvHelper.Configuration;
using CsvHelper.TypeConversion;
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
    private const int RowsAtOnce = 1000;

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
        csv.Context.TypeConverterCache.AddConverter<string>(new CellText());
        csv.WriteHeader<LogRow>();
        await csv.NextRecordAsync();
        var rows = 0;
        foreach (var row in LogRow.All(filter, order, database))
        {
            csv.WriteRecord(row);
            await csv.NextRecordAsync();
            if (++rows % RowsAtOnce == 0)
                await csv.FlushAsync();
        }
    }

    /// <summary>Words that begin like a formula become none.</summary>
    private sealed class CellText : StringConverter
    {
        public override string ConvertToString(object? value, IWriterRow row, MemberMapData memberMapData) =>
            CsvText.Cell((string?)value);
    }
}
