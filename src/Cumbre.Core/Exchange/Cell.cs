using System.Globalization;
using System.Text.RegularExpressions;

namespace Cumbre.Core.Exchange;

/// <summary>A cell of somebody's table: what it shows, and what the file itself says that it is.</summary>
/// <param name="Text">Without space around it; empty: nothing.</param>
public readonly partial record struct Cell(string Text)
{
    public static Cell Empty { get; } = new("");

    /// <summary>Set where the file holds a number.</summary>
    public decimal? Number { get; private init; }

    /// <summary>Set where the file holds a day.</summary>
    public DateOnly? Day { get; private init; }

    /// <summary>Set where the file holds a time.</summary>
    public TimeSpan? Time { get; private init; }

    /// <summary>Characters of a cell, by ECMA-376 (from memory).</summary>
    public const int LengthMaximum = 32_767;

    /// <summary>Longer text is no number and no day.</summary>
    internal const int FigureMaximum = 60;

    public bool IsEmpty => string.IsNullOrEmpty(Text);

    /// <summary>Words, with the spaces of typewriters and machines as one.</summary>
    /// <remarks>What is longer than a spreadsheet's own cell can be is cut there.</remarks>
    public static Cell Of(string? text) =>
        string.IsNullOrEmpty(text) ? Empty : new(Tidy(text.Length > LengthMaximum ? text[..LengthMaximum] : text));

    public static Cell Of(decimal number) =>
        new(number.ToString("0.#########", CultureInfo.InvariantCulture)) { Number = number };

    public static Cell Of(DateOnly day) => new(day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture)) { Day = day };

    /// <summary>
    /// A time. Spreadsheets take 0:08 for hours and minutes; nobody holds for hours, so that a time without seconds is
    /// minutes and seconds.
    /// </summary>
    public static Cell Of(TimeSpan time)
    {
        var meant = time.Seconds == 0 && time.TotalHours < 24 ? time / 60 : time;
        return new($"{(int)meant.TotalMinutes}:{meant.Seconds:00}") { Time = meant };
    }

    /// <summary>
    /// The number in the cell; null: it is none. Comma and point are decimal marks, a unit behind it is passed over.
    /// </summary>
    public decimal? AsNumber()
    {
        if (Number is { } number)
            return number;
        if (Text.Length > FigureMaximum)
            return null;
        var match = Plain().Match(Text);
        return
            match.Success
            && decimal.TryParse(
                match.Groups[1].Value.Replace(',', '.').Replace('−', '-'),
                NumberStyles.AllowDecimalPoint | NumberStyles.AllowLeadingSign,
                CultureInfo.InvariantCulture,
                out var read
            )
            ? read
            : null;
    }

    private static string Tidy(string text)
    {
        var isPlain = true;
        foreach (var c in text)
            isPlain &= c is >= '!' and <= '~';
        return isPlain ? text : Spaces().Replace(text, " ").Trim();
    }

    [GeneratedRegex(@"[\s\u00A0\u200B\uFEFF]+", RegexOptions.CultureInvariant)]
    private static partial Regex Spaces();

    [GeneratedRegex(
        @"^([+\-−]?\d{1,12}(?:[.,]\d{1,9})?)\s*(?:kg|kgs|lb|lbs|s|sec|reps?|cm|years?|%)?\.?$",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant,
        1000
    )]
    private static partial Regex Plain();
}

/// <summary>A sheet of a file. Its rows are read once, in order; empty ones are among them, so that they can be counted.</summary>
/// <param name="Name">Of the sheet; of a file without sheets, that of the file.</param>
/// <param name="IsHidden">Whoever opens the file does not see it.</param>
/// <param name="Rows">Each with as many cells as it has.</param>
public sealed record Sheet(string Name, bool IsHidden, IEnumerable<Cell[]> Rows);
