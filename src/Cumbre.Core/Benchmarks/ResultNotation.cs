using System.Globalization;
using System.Text.RegularExpressions;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;

namespace Cumbre.Core.Benchmarks;

/// <summary>What a cell of a sheet says.</summary>
/// <param name="Score">What was counted.</param>
/// <param name="Added">The load; nothing for a test at body mass.</param>
/// <param name="Reserve">Reps left.</param>
public sealed record WrittenResult(Score Score, MassEntry Added, int Reserve);

/// <summary>
/// Reads a result as it is typed into a cell, by the measure of its test: <c>12</c>, <c>3 x 10</c>, <c>9.5</c>,
/// <c>chest x 5</c>, <c>+20 x 5</c>,
/// <c>+20 kg x 5 r2</c>, <c>5 x 20 within 4:30</c>. Comma and point are decimal marks; units may be left out. What is
/// printed elsewhere can be read here.
/// </summary>
public static partial class ResultNotation
{
    /// <summary>Longer than any result.</summary>
    public const int LengthMaximum = 40;

    /// <param name="text">The cell; not empty.</param>
    /// <param name="measure">Of the test.</param>
    /// <param name="unit">In which a load without a unit is meant.</param>
    /// <returns>Null when it cannot be read.</returns>
    /// <exception cref="RuleViolationException">A figure is outside its range.</exception>
    public static WrittenResult? Parse(string text, BenchmarkMeasure measure, MassUnit unit)
    {
        if (text.Length > LengthMaximum)
            return null;
        var written = text.Trim()
            .ToLowerInvariant()
            .Replace('×', 'x')
            .Replace('–', '-')
            .Replace('−', '-')
            .Replace(',', '.');
        return measure switch
        {
            BenchmarkMeasure.Reps => Of(Reps().Match(written), m => new Score(
                Whole(m, "reps", 1),
                Whole(m, "sets", 1)
            )),
            BenchmarkMeasure.Seconds => Of(Seconds().Match(written), m => new Score(
                1,
                Whole(m, "sets", 1),
                Number(m, "seconds")
            )),
            BenchmarkMeasure.SecondsPerDescent => Of(Descents().Match(written), m => new Score(
                Whole(m, "reps", 1),
                Whole(m, "sets", 1),
                Number(m, "seconds")
            )),
            BenchmarkMeasure.ContactHeight => Of(Contacts().Match(written), m => new Score(
                Whole(m, "reps", 1),
                contact: Enum.Parse<Contact>(m.Groups["contact"].Value, ignoreCase: true)
            )),
            BenchmarkMeasure.Capacity => Of(Capacity().Match(written), m => new Score(
                Whole(m, "reps", 1),
                Whole(m, "sets", 1),
                restSeconds: Whole(m, "minutes", 0) * 60 + Whole(m, "rest", 0)
            )),
            BenchmarkMeasure.Degrees => Of(Degrees().Match(written), m => new Score(degrees: Number(m, "degrees"))),
            _ => Load(Loads().Match(written), unit),
        };

        static WrittenResult? Of(Match match, Func<Match, Score> score) =>
            match.Success ? new(score(match), MassEntry.Kg(0), 0) : null;
    }

    /// <summary>An example of what a cell of this measure holds.</summary>
    public static string Example(BenchmarkMeasure measure) =>
        measure switch
        {
            BenchmarkMeasure.Reps => "12 or 3 x 10",
            BenchmarkMeasure.Seconds => "9.5 or 3 x 10",
            BenchmarkMeasure.SecondsPerDescent => "8 or 3 x 3 x 3",
            BenchmarkMeasure.ContactHeight => "chest x 5",
            BenchmarkMeasure.Capacity => "5 x 20 within 4:30",
            BenchmarkMeasure.Degrees => "95",
            _ => "+20 x 5, with 2 left: +20 x 5 r2",
        };

    private static WrittenResult? Load(Match match, MassUnit unit) =>
        match.Success
            ? new(
                new Score(Whole(match, "reps", 1), Whole(match, "sets", 1)),
                new(
                    Number(match, "load"),
                    match.Groups["unit"].Value switch
                    {
                        "kg" => MassUnit.Kg,
                        "lb" => MassUnit.Lb,
                        _ => unit,
                    }
                ),
                Whole(match, "reserve", 0)
            )
            : null;

    /// <summary>A number longer than an int is out of every range.</summary>
    private static int Whole(Match match, string group, int missing) =>
        match.Groups[group].Success
            ? (
                int.TryParse(match.Groups[group].Value, CultureInfo.InvariantCulture, out var value)
                    ? value
                    : int.MaxValue
            )
            : missing;

    private static decimal Number(Match match, string group) =>
        decimal.TryParse(match.Groups[group].Value, CultureInfo.InvariantCulture, out var value)
            ? value
            : decimal.MaxValue;

    private const string Set = @"(?:(?<sets>\d+) *x *)?";

    [GeneratedRegex($@"^{Set}(?<reps>\d+)(?: *reps?)?$")]
    private static partial Regex Reps();

    [GeneratedRegex($@"^{Set}(?<seconds>\d+(?:\.\d+)?)(?: *s)?$")]
    private static partial Regex Seconds();

    [GeneratedRegex(@"^(?:(?:(?<sets>\d+) *x *)?(?<reps>\d+) *x *)?(?<seconds>\d+(?:\.\d+)?)(?: *s)?$")]
    private static partial Regex Descents();

    [GeneratedRegex(@"^(?<contact>chin|collarbone|chest|belly|hip)(?: *x *(?<reps>\d+))?$")]
    private static partial Regex Contacts();

    [GeneratedRegex(@"^(?<sets>\d+) *x *(?<reps>\d+) *(?:within|/|in) *(?<minutes>\d+)(?::(?<rest>[0-5]\d))?$")]
    private static partial Regex Capacity();

    [GeneratedRegex(@"^(?<degrees>\d+(?:\.\d+)?)(?: *(?:°|degrees?))?$")]
    private static partial Regex Degrees();

    [GeneratedRegex(
        @"^(?<load>[+-]? *\d+(?:\.\d+)?) *(?<unit>kg|lb)? *x *(?:(?<sets>\d+) *x *)?(?<reps>\d+)(?: *(?:r|with) *(?<reserve>\d+)(?: *(?:left|in reserve))?)?$"
    )]
    private static partial Regex Loads();
}
