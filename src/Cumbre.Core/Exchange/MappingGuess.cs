using System.Text.RegularExpressions;
using Cumbre.Core.Measures;

namespace Cumbre.Core.Exchange;

/// <summary>The first rows of a sheet.</summary>
public sealed record SheetHead(string Name, bool IsHidden, IReadOnlyList<Cell[]> Rows);

/// <summary>Finds out how a table is to be read, from its headers and first rows; whoever imports has the last word.</summary>
public sealed partial class MappingGuess(ImportTerms terms, DateOnly today)
{
    /// <summary>The header is among so many first rows, and so many are looked at.</summary>
    public const int RowsLooked = 60;

    private const int HeaderWithin = 20,
        HeaderMaximum = 200;

    /// <summary>Roles of which a table may have several columns, one for each set.</summary>
    private static readonly ColumnRole[] Many =
    [
        ColumnRole.Ignored,
        ColumnRole.Value,
        ColumnRole.Result,
        ColumnRole.Reps,
        ColumnRole.Load,
        ColumnRole.Seconds,
    ];

    private static readonly Dictionary<string, ColumnRole> Roles = new (ColumnRole Role, string Names)[]
    {
        (ColumnRole.Athlete, "athlete|name|athlete name|full name|client|person|member|who|nombre|atleta|sportler"),
        (
            ColumnRole.BirthYear,
            "birth|birth year|birthyear|year of birth|born|date of birth|birth date|birthday|dob|yob"
        ),
        (ColumnRole.Sex, "sex|gender|m f"),
        (ColumnRole.Stature, "stature|height|body height|height cm|staturecm|tall"),
        (
            ColumnRole.BodyMass,
            "bodyweight|body weight|bw|body mass|bodymass|bodyweightkg|weight in|peso corporal|körpergewicht"
        ),
        (ColumnRole.Day, "day|date|datum|fecha|when|training day|tag"),
        (ColumnRole.Week, "week|wk|woche|semana|week no"),
        (ColumnRole.Session, "session|workout|session title|training|unit of week|einheit"),
        (ColumnRole.SessionRpe, "session rpe|sessionrpe|srpe"),
        (ColumnRole.Deload, "deload|easy"),
        (ColumnRole.Movement, "movement|exercise|lift|skill|what|übung|ejercicio|drill"),
        (ColumnRole.Test, "test|benchmark"),
        (ColumnRole.Line, "line|plan|planned|prescription|programme|program|scheme|target|to do|dose"),
        (ColumnRole.Result, "result|done|performance|score|actual|did|log|set reps|set x reps|set and reps|best"),
        (ColumnRole.Set, "set|set no|set number|s"),
        (ColumnRole.Part, "part"),
        (ColumnRole.Reps, "rep|repetition|wdh|reps done|clean rep|r"),
        (ColumnRole.Total, "allrep|all rep|total rep|total"),
        (ColumnRole.Seconds, "second|sec|time|hold|hold time|duration|hold second"),
        (
            ColumnRole.Load,
            "load|added|added load|added weight|weight|kg|kgs|lb|lbs|extra weight|gewicht|peso|addedkg|plate"
        ),
        (ColumnRole.Unit, "unit|load unit"),
        (ColumnRole.Reserve, "reserve|rir|left|reps in reserve|in reserve|rep left"),
        (ColumnRole.Exertion, "rpe|exertion"),
        (ColumnRole.Side, "side|l r|left right|arm"),
        (ColumnRole.Contact, "contact|bar height reached|reached"),
        (ColumnRole.Form, "form|clean"),
        (ColumnRole.Fault, "fault"),
        (ColumnRole.SetUp, "setup|set up"),
        (ColumnRole.Pain, "pain|pain 0 10"),
        (ColumnRole.PainPlace, "pain place|painplace|where|place of pain|pain where"),
        (ColumnRole.Rested, "rested second|restedsecond|rested|rest|rest before"),
        (ColumnRole.Note, "note|comment|remark|feedback|bemerkung|notas"),
    }
        .SelectMany(r => r.Names.Split('|').Select(n => (Name: PlainName.Of(n), r.Role)))
        .DistinctBy(r => r.Name)
        .ToDictionary(r => r.Name, r => r.Role);

    public ImportMapping Of(IReadOnlyList<SheetHead> heads, MassUnit unit)
    {
        var shown = heads.Where(h => !h.IsHidden && h.Rows.Any(r => r.Length > 0)).ToArray();
        if (shown.Length == 0)
            shown = [.. heads.Take(1)];
        var first = shown.FirstOrDefault(h => HeaderRow(h.Rows) > 0) ?? shown[0];
        var row = HeaderRow(first.Rows);
        var body = first.Rows.Skip(row).Where(r => r.Length > 0).ToArray();
        var columns = Columns(row > 0 ? first.Rows[row - 1] : [], body);
        var mapping = new ImportMapping
        {
            HeaderRow = row,
            Unit = unit,
            Sheets = [.. shown.Where(h => row == 0 || IsLike(h, columns)).Select(h => h.Name)],
            Columns = columns,
            SheetIsAthlete =
                columns.All(c => c.Role != ColumnRole.Athlete)
                && (shown.Length > 1 || terms.Athletes.Find(first.Name).Found is not null)
                && !columns.Any(c => c.Role == ColumnRole.Value && IsAthlete(c.Header)),
        };
        var kind = Kind(mapping, body);
        return mapping with
        {
            Kind = kind,
            Columns = [.. columns.Select(c => c with { Role = For(kind, c.Role, columns) })],
            Dates = DayCell.Order(Days(mapping, body)) ?? DateOrder.DayMonth,
            SheetIsAthlete = mapping.SheetIsAthlete && kind != ImportKind.Outline,
        };
    }

    /// <summary>The cells that are read as days, with those of the header among them.</summary>
    public static IEnumerable<Cell> Days(ImportMapping mapping, IReadOnlyList<Cell[]> body) =>
        mapping
            .Columns.Where(c => c.Role == ColumnRole.Day)
            .SelectMany(c => body.Where(r => r.Length > c.Index).Select(r => r[c.Index]))
            .Concat(mapping.Columns.Where(c => c.Role == ColumnRole.Value).Select(c => Cell.Of(c.Header)));

    /// <summary>A role that a kind of table reads otherwise: what is a weight depends on what else stands there.</summary>
    private static ColumnRole For(ImportKind kind, ColumnRole role, IReadOnlyList<ColumnUse> columns) =>
        role == ColumnRole.Load
        && kind is ImportKind.BodyMasses or ImportKind.Athletes
        && columns.All(c => c.Role != ColumnRole.BodyMass)
            ? ColumnRole.BodyMass
        : role == ColumnRole.Result && kind == ImportKind.Outline && columns.All(c => c.Role != ColumnRole.Line)
            ? ColumnRole.Line
        // A diary of lines alone tells what was done by what was written.
        : role == ColumnRole.Line && kind == ImportKind.Sets && !columns.Any(c => Amounts.Contains(c.Role))
            ? ColumnRole.Result
        : role;

    private static readonly ColumnRole[] Amounts =
    [
        ColumnRole.Result,
        ColumnRole.Reps,
        ColumnRole.Seconds,
        ColumnRole.Total,
        ColumnRole.Value,
    ];

    private bool IsLike(SheetHead head, IReadOnlyList<ColumnUse> columns)
    {
        var row = HeaderRow(head.Rows);
        if (row == 0)
            return false;
        var own = Columns(head.Rows[row - 1], []).Select(c => c.Role).ToHashSet();
        return columns
            .Where(c => c.Role is not (ColumnRole.Ignored or ColumnRole.Note or ColumnRole.Value))
            .All(c => own.Contains(c.Role));
    }

    /// <summary>The row with the most known headers; 0: no row has two.</summary>
    public int HeaderRow(IReadOnlyList<Cell[]> rows)
    {
        var best = rows.Take(HeaderWithin)
            .Select((r, i) => (Row: i + 1, Known: r.Select(RoleOf).Where(x => x != ColumnRole.Ignored).ToArray()))
            .Where(r => r.Known.Length >= 2 && r.Known.Any(k => k != ColumnRole.Value))
            .OrderByDescending(r => r.Known.Where(k => k != ColumnRole.Value).Distinct().Count() + r.Known.Length * 0.1)
            .ThenBy(r => r.Row)
            .FirstOrDefault();
        return best.Row;
    }

    /// <summary>What the header itself says; a column of a table without headers is known by its cells.</summary>
    private List<ColumnUse> Columns(Cell[] header, IReadOnlyList<Cell[]> body)
    {
        var width = Math.Max(header.Length, body.Count == 0 ? 0 : body.Max(r => r.Length));
        var columns = new List<ColumnUse>();
        for (var i = 0; i < width; i++)
        {
            var cell = i < header.Length ? header[i] : Cell.Empty;
            var role = header.Length > 0 ? RoleOf(cell) : ByCells(body, i);
            if (
                columns.FirstOrDefault(c => c.Role == role && role != ColumnRole.Ignored) is { } same
                && (
                    !Many.Contains(role) || (role is not (ColumnRole.Value or ColumnRole.Result) && !IsNext(same, cell))
                )
            )
                role = ColumnRole.Ignored;
            columns.Add(new(i, cell.Text, role, UnitOf(cell.Text)));
        }

        return columns;
    }

    /// <summary>"Reps 2" goes on after "Reps 1", and "Reps" after "Reps"; "Added kg" says "Added" once more.</summary>
    private static bool IsNext(ColumnUse first, Cell header) => Core(first.Header) == Core(header.Text);

    private ColumnRole RoleOf(Cell header)
    {
        if (header.IsEmpty || header.Text.Length > 60)
            return ColumnRole.Ignored;
        if (header.Day is not null)
            return ColumnRole.Value;
        if (header.Number is not null)
            return ColumnRole.Ignored;
        var core = Core(header.Text);
        // A number behind it makes it one of several sets.
        var isNumbered = core.Length > 0 && Numbered().IsMatch(header.Text.Trim());
        if (Roles.TryGetValue(core, out var role))
        {
            if (role == ColumnRole.Set && (isNumbered || header.Text.Trim().EndsWith('s')) && core == "set")
                return isNumbered ? ColumnRole.Result : ColumnRole.SetCount;
            return role == ColumnRole.Set && isNumbered ? ColumnRole.Result : role;
        }

        return
            DayIn(header) is not null
            || terms.Tests.Find(core) is { Found: not null }
            || terms.Movements.Find(core) is { Found: not null }
            || IsAthlete(header.Text)
            ? ColumnRole.Value
            : ColumnRole.Ignored;
    }

    private DateOnly? DayIn(Cell header) =>
        header.Text.Any(char.IsDigit) && header.AsNumber() is null
            ? DayCell.Read(header, DateOrder.DayMonth, today) ?? DayCell.Read(header, DateOrder.MonthDay, today)
            : null;

    private bool IsAthlete(string header) => terms.Athletes.Find(header) is { Match: NameMatch.Exact };

    private ColumnRole ByCells(IReadOnlyList<Cell[]> body, int column)
    {
        var cells = body.Where(r => r.Length > column && !r[column].IsEmpty).Select(r => r[column]).ToArray();
        if (cells.Length == 0)
            return ColumnRole.Ignored;
        if (
            Most(c =>
                c.Day is not null
                || (c.Text.Length > 5 && DayCell.Read(c, DateOrder.DayMonth, today) is not null)
                || (c.Text.Length > 5 && DayCell.Read(c, DateOrder.MonthDay, today) is not null)
            )
        )
            return ColumnRole.Day;
        if (Most(c => terms.Athletes.Find(c.Text).Found is not null))
            return ColumnRole.Athlete;
        if (Most(c => terms.Movements.Find(c.Text).Found is not null))
            return ColumnRole.Movement;
        return Most(c => DoneCell.Read(c, timed: true, MassUnit.Kg) is not null && c.AsNumber() is null)
            ? ColumnRole.Result
            : ColumnRole.Ignored;

        bool Most(Func<Cell, bool> says) => cells.Count(says) * 2 > cells.Length;
    }

    private ImportKind Kind(ImportMapping mapping, IReadOnlyList<Cell[]> body)
    {
        var roles = mapping.Columns.Select(c => c.Role).ToHashSet();
        var hasWho = roles.Contains(ColumnRole.Athlete);
        if (
            roles.Contains(ColumnRole.Week)
            && roles.Contains(ColumnRole.Movement)
            && (roles.Contains(ColumnRole.Line) || (roles.Contains(ColumnRole.Result) && !hasWho))
        )
            return ImportKind.Outline;
        if (roles.Contains(ColumnRole.Test))
            return ImportKind.Tests;
        var values = mapping.Columns.Where(c => c.Role == ColumnRole.Value).ToArray();
        if (roles.Contains(ColumnRole.Movement))
            return ImportKind.Sets;
        if (values.Length > 0 && values.All(v => IsAthlete(v.Header)))
            return ImportKind.BodyMasses;
        if (values.Length > 0)
        {
            // Sets are lists; a test is one figure.
            var cells = values
                .SelectMany(v => body.Where(r => r.Length > v.Index && !r[v.Index].IsEmpty).Select(r => r[v.Index]))
                .Take(200)
                .ToArray();
            return
                cells.Count(c => DoneCell.Read(c, timed: true, MassUnit.Kg) is { Sets.Count: > 1 }) * 4 > cells.Length
                ? ImportKind.Sets
                : ImportKind.Tests;
        }

        return roles.Contains(ColumnRole.BirthYear)
            || roles.Contains(ColumnRole.Sex)
            || roles.Contains(ColumnRole.Stature)
                ? ImportKind.Athletes
            : roles.Contains(ColumnRole.Day) && (roles.Contains(ColumnRole.BodyMass) || roles.Contains(ColumnRole.Load))
                ? ImportKind.BodyMasses
            : hasWho && !roles.Contains(ColumnRole.Day) ? ImportKind.Athletes
            : ImportKind.Sets;
    }

    /// <summary>The header without its unit and its number.</summary>
    internal static string Core(string header) =>
        PlainName.Of(Numbered().Replace(UnitWord().Replace(Head(header), " ").Trim(), ""));

    /// <summary>A header says in its first words what it is.</summary>
    private static string Head(string header) => header[..Math.Min(header.Length, HeaderMaximum)].Trim();

    private static MassUnit? UnitOf(string header) =>
        UnitWord().Match(Head(header)) is not { Success: true } m ? null
        : m.Value.Contains("kg", StringComparison.OrdinalIgnoreCase) ? MassUnit.Kg
        : m.Value.Contains("lb", StringComparison.OrdinalIgnoreCase) ? MassUnit.Lb
        : null;

    [GeneratedRegex(
        @"[\(\[]\s*(?:kgs?|lbs?|s|secs?|seconds|reps?|cm|m:ss|clean|0-10|max)\s*[\)\]]|(?<=\S)[\s,_]+(?:in\s+)?(?:kgs?|lbs?|secs?|seconds|cm)\.?$",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant,
        1000
    )]
    private static partial Regex UnitWord();

    [GeneratedRegex(@"(?<=[A-Za-zäöüß.])[\s_#]*\d{1,2}$", RegexOptions.CultureInvariant, 1000)]
    private static partial Regex Numbered();
}
