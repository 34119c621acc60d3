using System.Globalization;
using System.Text;
using CsvHelper;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Hosting;

/// <summary>Tables as text that a spreadsheet opens: with a mark of its encoding, numbers as numbers.</summary>
internal static class CsvText
{
    public const string Type = "text/csv; charset=utf-8";

    /// <summary>
    /// Words that begin like a formula must not become one in a spreadsheet; figures stay figures, those below zero too.
    /// </summary>
    public static string Cell(string? text) =>
        text is [var first, ..] && "=+-@\t\r".Contains(first, StringComparison.Ordinal) ? $"'{text}" : text ?? "";

    public static string Cell(DateOnly day) => day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);

    /// <param name="name">Of the file, without its ending.</param>
    /// <param name="columns">Their titles.</param>
    /// <param name="rows">Words, days, figures, or null for an empty cell.</param>
    public static FileContentHttpResult File(
        string name,
        IEnumerable<string> columns,
        IEnumerable<IEnumerable<object?>> rows
    )
    {
        using var bytes = new MemoryStream();
        using (var text = new StreamWriter(bytes, new UTF8Encoding(true)))
        using (var csv = new CsvWriter(text, CultureInfo.InvariantCulture))
        {
            foreach (var column in columns)
                csv.WriteField(Cell(column));
            foreach (var row in rows)
            {
                csv.NextRecord();
                foreach (var cell in row)
                {
                    switch (cell)
                    {
                        case string words:
                            csv.WriteField(Cell(words));
                            break;
                        case DateOnly day:
                            csv.WriteField(Cell(day));
                            break;
                        default:
                            csv.WriteField(cell);
                            break;
                    }
                }
            }

            csv.NextRecord();
        }

        return TypedResults.File(bytes.ToArray(), Type, $"{FileNames.Safe(name)}.csv");
    }
}
