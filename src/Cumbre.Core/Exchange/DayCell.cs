using System.Globalization;
using System.Text.RegularExpressions;

namespace Cumbre.Core.Exchange;

/// <summary>In which order a written day has its parts, where the parts do not tell.</summary>
public enum DateOrder
{
    DayMonth,
    MonthDay,
}

/// <summary>Reads days as people write them.</summary>
public static partial class DayCell
{
    /// <summary>Days that spreadsheets count from 1899-12-30 on; these are 1954 to 2119.</summary>
    private const int SerialLeast = 20_000,
        SerialMost = 80_000;

    private static readonly DateOnly SerialStart = new(1899, 12, 30);

    /// <summary>By their first letters, in the languages of the people who keep such tables.</summary>
    private static readonly (int Month, string[] Begin)[] Months =
    [
        (1, ["jan", "ene", "gen", "janv"]),
        (2, ["feb", "fév", "fev"]),
        (3, ["mar", "mär", "mrz"]),
        (4, ["apr", "avr", "abr"]),
        (5, ["may", "mai", "mei", "mag", "maj"]),
        (6, ["jun", "juin", "giu"]),
        (7, ["jul", "juil", "lug"]),
        (8, ["aug", "aoû", "aou", "ago"]),
        (9, ["sep", "set"]),
        (10, ["oct", "okt", "ott", "out"]),
        (11, ["nov"]),
        (12, ["dec", "dez", "déc", "dic"]),
    ];

    /// <param name="cell">As it stands.</param>
    /// <param name="order">Where a day could be read both ways.</param>
    /// <param name="today">A day without a year is the last one that is not after it.</param>
    /// <returns>Null: it is no day.</returns>
    public static DateOnly? Read(Cell cell, DateOrder order, DateOnly today)
    {
        if (cell.Day is { } known)
            return known;
        if (cell.AsNumber() is { } number && number == Math.Truncate(number))
            return OfNumber((long)Math.Clamp(number, 0, 99_999_999));
        if (cell.Text.Length > Cell.FigureMaximum)
            return null;
        if (Iso().Match(cell.Text) is { Success: true } iso)
            return Make(Int(iso, 1), Int(iso, 2), Int(iso, 3));
        if (Figures().Match(cell.Text) is { Success: true } f)
        {
            var (a, b) = (Int(f, 1), Int(f, 2));
            var isDayFirst = a > 12 || (b <= 12 && order == DateOrder.DayMonth);
            var (day, month) = isDayFirst ? (a, b) : (b, a);
            return f.Groups[3].Success ? Make(Year(Int(f, 3)), month, day) : Latest(month, day, today);
        }

        if (Words().Match(cell.Text) is { Success: true } w && Month(w.Groups["m"].Value) is { } named)
        {
            var day = Int(w, w.Groups[1].Success ? 1 : 2);
            return w.Groups["y"].Success
                ? Make(Year(int.Parse(w.Groups["y"].Value, CultureInfo.InvariantCulture)), named, day)
                : Latest(named, day, today);
        }

        return null;
    }

    /// <summary>
    /// How the days of a table are written: the other order where one of them can be read in that alone. Null: all can
    /// be read both ways.
    /// </summary>
    public static DateOrder? Order(IEnumerable<Cell> cells)
    {
        foreach (var cell in cells)
        {
            if (cell.Day is not null || Figures().Match(cell.Text) is not { Success: true } f)
                continue;
            if (Int(f, 1) > 12 && Int(f, 2) <= 12)
                return DateOrder.DayMonth;
            if (Int(f, 2) > 12 && Int(f, 1) <= 12)
                return DateOrder.MonthDay;
            // Nobody writes the month first with points.
            if (cell.Text.Contains('.', StringComparison.Ordinal))
                return DateOrder.DayMonth;
        }

        return null;
    }

    /// <summary>Can it be read both ways?</summary>
    public static bool IsAmbiguous(Cell cell) =>
        cell.Day is null
        && cell.Text.Length <= Cell.FigureMaximum
        && Figures().Match(cell.Text) is { Success: true } f
        && Int(f, 1) <= 12
        && Int(f, 2) <= 12
        && Int(f, 1) != Int(f, 2);

    private static DateOnly? OfNumber(long number) =>
        number is >= SerialLeast and <= SerialMost ? SerialStart.AddDays((int)number)
        : number >= 19_000_101 ? Make((int)(number / 10_000), (int)(number / 100 % 100), (int)(number % 100))
        : null;

    private static int? Month(string word) =>
        Months
            .Where(m => m.Begin.Any(b => word.StartsWith(b, StringComparison.OrdinalIgnoreCase)))
            .Select(m => (int?)m.Month)
            .FirstOrDefault();

    private static int Year(int written) => written < 100 ? 2000 + written : written;

    private static DateOnly? Latest(int month, int day, DateOnly today) =>
        Make(today.Year, month, day) is { } now && now <= today ? now : Make(today.Year - 1, month, day);

    private static DateOnly? Make(int year, int month, int day) =>
        year is >= 1900 and <= 2200 && month is >= 1 and <= 12 && day >= 1 && day <= DateTime.DaysInMonth(year, month)
            ? new(year, month, day)
            : null;

    private static int Int(Match match, int group) =>
        int.Parse(match.Groups[group].Value, CultureInfo.InvariantCulture);

    private const string Weekday = @"^(?:\p{L}{2,10}\.?,?\s+)?",
        Clock = @"(?:[T\s]+\d{1,2}:\d{2}.*)?$";

    [GeneratedRegex(Weekday + @"(\d{4})[-./](\d{1,2})[-./](\d{1,2})" + Clock, RegexOptions.CultureInvariant, 1000)]
    private static partial Regex Iso();

    [GeneratedRegex(
        Weekday + @"(\d{1,2})\s?[-./]\s?(\d{1,2})(?:\s?[-./]\s?(\d{4}|\d{2}))?\.?" + Clock,
        RegexOptions.CultureInvariant,
        1000
    )]
    private static partial Regex Figures();

    [GeneratedRegex(
        @"^(?:\p{L}{2,10}\.?,?\s+)??(?:(\d{1,2})\.?(?:st|nd|rd|th)?[\s-]*(?:de\s+)?(?<m>\p{L}{3,10})|(?<m>\p{L}{3,10})\.?[\s-]*(\d{1,2})(?:st|nd|rd|th)?)"
            + @"\.?,?(?:[\s-]*(?:de\s+)?(?<y>\d{4}|\d{2}))?$",
        RegexOptions.CultureInvariant | RegexOptions.IgnoreCase,
        1000
    )]
    private static partial Regex Words();
}
