using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;
using Cumbre.Core.Measures;
using Cumbre.Core.Traces;
using Cumbre.Server.Hosting;

namespace Cumbre.Server.Traces;

/// <summary>Samples of a device as text: seconds in the first column, the value in the second, a line of titles or none.</summary>
internal static class TraceCsv
{
    /// <exception cref="FieldException">A line is no sample, or the samples are no trace.</exception>
    public static Trace Read(string path, string text, double least, double most)
    {
        var first = text.AsSpan(0, Math.Max(0, text.IndexOf('\n', StringComparison.Ordinal)));
        // With a decimal comma the columns are parted by something else.
        var delimiter =
            first.Contains(';') ? ";"
            : first.Contains('\t') ? "\t"
            : ",";
        using var reader = new StringReader(text);
        using var csv = new CsvParser(
            reader,
            new CsvConfiguration(CultureInfo.InvariantCulture)
            {
                Delimiter = delimiter,
                Mode = CsvMode.NoEscape,
                BadDataFound = null,
            }
        );
        var samples = new List<Sample>();
        while (csv.Read())
        {
            if (csv.Record is not [var seconds, var value, ..])
                throw Problems.Field(path, Words.TraceLine(csv.Row));
            if (Number(seconds) is { } s && Number(value) is { } v)
                samples.Add(new(s, v));
            else if (csv.Row > 1)
                throw Problems.Field(path, Words.TraceLine(csv.Row));
            if (samples.Count > Trace.SamplesMaximum)
                throw Problems.Field(path, Words.TraceLong(Trace.SamplesMaximum));
        }

        if (samples.Count < Trace.SamplesMinimum)
            throw Problems.Field(path, Words.TraceShort(Trace.SamplesMinimum));
        try
        {
            return new(samples, least, most);
        }
        catch (RuleViolationException)
        {
            throw Problems.Field(path, Words.TraceUnfit((decimal)least, (decimal)most));
        }
    }

    public static string Write(string value, IEnumerable<Sample> samples) =>
        string.Join(
            '\n',
            samples
                .Select(s => string.Create(CultureInfo.InvariantCulture, $"{s.Seconds:0.###},{s.Value:0.####}"))
                .Prepend($"seconds,{value}")
        ) + "\n";

    private static double? Number(string text) =>
        double.TryParse(text.Trim().Replace(',', '.'), NumberStyles.Float, CultureInfo.InvariantCulture, out var number)
            ? number
            : null;
}
