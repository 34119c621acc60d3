using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;
using Cumbre.Core.Exchange;

namespace Cumbre.Sheets;

/// <summary>Text with columns: which mark parts them, and whether its quotation marks can be trusted, is found out.</summary>
internal static class CsvReading
{
    /// <summary>A quoted field over so many lines was never closed.</summary>
    private const int LinesOfField = 20;

    private const int LinesLooked = 60;

    private static readonly char[] Marks = [';', '\t', ',', '|'];

    public static IEnumerable<Cell[]> Rows(string path)
    {
        var (mark, isQuoted) = Look(path);
        using var text = TextOf.Open(path);
        using var parser = new CsvParser(
            new ShortLines(text),
            new CsvConfiguration(CultureInfo.InvariantCulture)
            {
                Delimiter = $"{mark}",
                Mode = isQuoted ? CsvMode.RFC4180 : CsvMode.NoEscape,
                BadDataFound = null,
                IgnoreBlankLines = false,
                DetectColumnCountChanges = false,
                CacheFields = false,
                MaxFieldSize = ShortLines.Maximum,
            }
        );
        while (parser.Read())
        {
            var row = new Cell[parser.Count];
            for (var i = 0; i < row.Length; i++)
                row[i] = Cell.Of(Bare(isQuoted ? parser[i] : parser[i].Trim('"')));
            yield return row;
        }
    }

    /// <summary>
    /// A line so long is no row of a table, and would be taken into memory with every mark in it as a column.
    /// </summary>
    private sealed class ShortLines(TextReader inner) : TextReader
    {
        public const int Maximum = 1 << 20;

        private int length;

        public override int Read(char[] buffer, int index, int count)
        {
            var read = inner.Read(buffer, index, count);
            foreach (var c in buffer.AsSpan(index, read))
            {
                length = c is '\n' or '\r' ? 0 : length + 1;
                if (length > Maximum)
                    throw new InvalidDataException("A line is too long.");
            }

            return read;
        }

        protected override void Dispose(bool disposing)
        {
            if (disposing)
                inner.Dispose();
            base.Dispose(disposing);
        }
    }

    /// <summary>Before what would be a formula people and programs write an apostrophe that nobody sees.</summary>
    private static string Bare(string text) => text is ['\'', '=' or '+' or '-' or '@', ..] ? text[1..] : text;

    /// <summary>
    /// The mark that stands equally often on most lines, outside of quotation marks; and whether every quotation mark
    /// that opens a field is closed soon.
    /// </summary>
    private static (char Mark, bool IsQuoted) Look(string path)
    {
        using var text = TextOf.Open(path);
        var counts = Marks.ToDictionary(m => m, _ => new List<int> { 0 });
        int lines = 0,
            linesInField = 0;
        bool isOpen = false,
            wasClosed = false,
            isBroken = false,
            atStart = true;
        var buffer = new char[1 << 15];
        for (int read; (read = text.Read(buffer)) > 0; )
        {
            foreach (var c in buffer.AsSpan(0, read))
            {
                if (isOpen)
                {
                    if (c == '\n' && ++linesInField > LinesOfField)
                        isBroken = true;
                    (isOpen, wasClosed) = (c != '"', c == '"');
                    continue;
                }

                if (c == '"')
                {
                    // Doubled it is part of the field; inside of an open one it is a mark of seconds or inches.
                    if (wasClosed || atStart)
                        (isOpen, linesInField) = (true, atStart ? 0 : linesInField);
                    else
                        isBroken = true;
                    (atStart, wasClosed) = (false, false);
                    continue;
                }

                wasClosed = false;
                if (c == '\n' && lines++ < LinesLooked)
                {
                    foreach (var count in counts.Values)
                        count.Add(0);
                }
                else if (lines < LinesLooked && counts.TryGetValue(c, out var count))
                    count[^1]++;
                atStart = c == '\n' || Array.IndexOf(Marks, c) >= 0;
            }
        }

        return (Best(counts), !isBroken && !isOpen);
    }

    private static char Best(Dictionary<char, List<int>> counts) =>
        Marks
            .Select(m =>
            {
                var lines = counts[m].Where((_, i) => Marks.Any(x => counts[x][i] > 0)).ToArray();
                var usual = lines.Length == 0 ? 0 : lines.GroupBy(n => n).MaxBy(g => (g.Count(), g.Key))!.Key;
                return (Mark: m, Share: usual == 0 ? 0 : (double)lines.Count(n => n == usual) / lines.Length);
            })
            .MaxBy(m => m.Share)
            is { Share: > 0 } best
            ? best.Mark
            : ',';
}
