using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Sessions;

namespace Cumbre.Core.Exchange;

/// <summary>Reads tables by a mapping. It keeps nothing but the item that it is at, whatever their length.</summary>
public sealed partial class TableReader
{
    /// <summary>So often it says how far it is.</summary>
    private const int RowsOfStep = 2000;

    private const int NameMaximum = 80,
        NoteMaximum = 200;

    private readonly ImportMapping mapping;
    private readonly ImportTerms terms;
    private readonly MappingGuess guess;
    private readonly DateOnly today;
    private readonly IImportSink sink;
    private readonly Dictionary<(NameOf, string), NameChoice> chosen;
    private readonly ILookup<(string, int), CellFix> fixes;
    private readonly Dictionary<(NameOf, string), NameRead> read = [];

    /// <param name="mapping">How.</param>
    /// <param name="terms">The names that are known.</param>
    /// <param name="today">Nothing was done after it.</param>
    /// <param name="sink">Takes what is found.</param>
    public TableReader(ImportMapping mapping, ImportTerms terms, DateOnly today, IImportSink sink)
    {
        (this.mapping, this.terms, this.today, this.sink) = (mapping, terms, today, sink);
        guess = new(terms, today);
        chosen = mapping.Names.GroupBy(n => (n.Of, n.Written)).ToDictionary(g => g.Key, g => g.Last());
        fixes = mapping.Fixes.ToLookup(f => (f.Sheet, f.Column));
    }

    /// <summary>A line that is left out, or whose fault was told.</summary>
    private sealed class SkippedException : Exception;

    /// <param name="sheets">Those of the mapping among them are read.</param>
    /// <param name="progress">Is told the rows that were read so far.</param>
    /// <param name="cancel">Stops between two rows.</param>
    public void Read(IEnumerable<Sheet> sheets, Action<long>? progress = null, CancellationToken cancel = default)
    {
        long rows = 0;
        foreach (var sheet in sheets.Where(s => mapping.Sheets.Contains(s.Name)))
        {
            var at = new SheetReader(this, sheet.Name);
            foreach (var row in sheet.Rows)
            {
                at.Row(row);
                if (++rows % RowsOfStep != 0)
                    continue;
                cancel.ThrowIfCancellationRequested();
                progress?.Invoke(rows);
            }

            at.Close();
        }

        progress?.Invoke(rows);
    }

    /// <summary>One sheet, from its header on.</summary>
    private sealed partial class SheetReader(TableReader table, string name)
    {
        private readonly ImportMapping mapping = table.mapping;
        private readonly List<Cell[]> head = [];
        private readonly Dictionary<ColumnRole, int[]> columns = [];
        private readonly Dictionary<int, Cell> above = [];
        private readonly HashSet<int> filled = [];
        private Cell[] header = [];
        private bool isOpen;
        private int number;
        private Cell[] row = [];
        private Pending? pending;

        /// <summary>Sets of one item that stand on several lines.</summary>
        private sealed record Pending(
            Who Who,
            DateOnly Day,
            string Session,
            Movement Movement,
            string Line,
            decimal? Rpe,
            bool Easy,
            MassEntry? BodyMass,
            Prescriptions.Prescription? Plan,
            int Row
        )
        {
            public List<DoneAmount> Sets { get; } = [];

            /// <summary>What the line of each set says more of it.</summary>
            public List<Func<LoggedSet, LoggedSet>> More { get; } = [];

            public int Last { get; set; }

            public bool IsSame(Pending other) =>
                (Who.Key, Day, Session, Movement.Slug, Line)
                == (other.Who.Key, other.Day, other.Session, other.Movement.Slug, other.Line);
        }

        public void Row(Cell[] cells)
        {
            number++;
            if (!isOpen)
            {
                if (mapping.HeaderRow == 0)
                    Open([]);
                else
                {
                    head.Add(cells);
                    if (head.Count < MappingGuess.RowsLooked)
                        return;
                    Begin();
                    return;
                }
            }

            Body(cells);
        }

        /// <summary>The header was among the first rows, or stands where the mapping says.</summary>
        private void Begin()
        {
            var at = table.guess.HeaderRow(head);
            at = IsHeader(mapping.HeaderRow) || at == 0 ? mapping.HeaderRow : at;
            Open(at <= head.Count ? head[at - 1] : []);
            number = at;
            foreach (var later in head.Skip(at).ToArray())
            {
                number++;
                Body(later);
            }

            number = Math.Max(number, head.Count);
        }

        /// <summary>Does the row have the headers of the mapping?</summary>
        private bool IsHeader(int at)
        {
            if (at > head.Count)
                return false;
            var texts = head[at - 1].Select(c => c.Text).ToHashSet(StringComparer.OrdinalIgnoreCase);
            return mapping.Columns.Count(c => c.Header.Length > 0 && texts.Contains(c.Header)) * 2
                > mapping.Columns.Count(c => c.Header.Length > 0);
        }

        private void Open(Cell[] cells)
        {
            (header, isOpen) = (cells, true);
            var found = new List<(ColumnRole Role, int Column)>();
            var taken = new HashSet<int>();
            foreach (var use in mapping.Columns.Where(c => c.Role != ColumnRole.Ignored))
            {
                var column = use.Index;
                // Another sheet may have its columns in another order.
                if (
                    use.Header.Length > 0
                    && !(column < cells.Length && Is(cells[column], use.Header))
                    && use.Role != ColumnRole.Value
                )
                    column = Array.FindIndex(cells, c => Is(c, use.Header));
                if (column >= 0 && taken.Add(column))
                    found.Add((use.Role, column));
            }

            // The values of another sheet are what its own header names.
            if (mapping.Columns.Any(c => c.Role == ColumnRole.Value))
            {
                found.RemoveAll(f => f.Role == ColumnRole.Value);
                var known = mapping.Columns.ToDictionary(c => (c.Index, c.Header), c => c.Role);
                var others = found.Select(f => f.Column).ToHashSet();
                found.AddRange(
                    Enumerable
                        .Range(0, cells.Length)
                        .Where(i => !cells[i].IsEmpty && !others.Contains(i))
                        .Where(i =>
                            known.TryGetValue((i, cells[i].Text), out var role)
                                ? role == ColumnRole.Value
                                : Heading(cells[i]) is not (null, null, null)
                        )
                        .Select(i => (ColumnRole.Value, i))
                );
            }

            foreach (var role in found.GroupBy(f => f.Role))
                columns[role.Key] = [.. role.Select(f => f.Column)];

            static bool Is(Cell cell, string text) => cell.Text.Equals(text, StringComparison.OrdinalIgnoreCase);
        }

        public void Close()
        {
            if (!isOpen && mapping.HeaderRow > 0)
                Begin();
            Flush();
        }

        private void Body(Cell[] cells)
        {
            if (!cells.Any(c => !c.IsEmpty))
                return;
            row = Fixed(cells);
            Fill();
            try
            {
                switch (mapping.Kind)
                {
                    case ImportKind.Athletes:
                        AthleteRow();
                        break;
                    case ImportKind.BodyMasses:
                        MassRow();
                        break;
                    case ImportKind.Tests:
                        TestRow();
                        break;
                    case ImportKind.Outline:
                        OutlineRow();
                        break;
                    default:
                        SetRow();
                        break;
                }
            }
            catch (SkippedException) { }
        }

        /// <summary>The row with what somebody corrected in it.</summary>
        private Cell[] Fixed(Cell[] cells)
        {
            if (table.fixes.Count == 0)
                return cells;
            var copy = cells.ToArray();
            for (var i = 0; i < copy.Length; i++)
            {
                if (
                    table
                        .fixes[(name, i)]
                        .LastOrDefault(f => f.From == cells[i].Text && (f.Row is null || f.Row == number))
                    is not { } fix
                )
                    continue;
                if (fix.To is null)
                    return [];
                copy[i] = Cell.Of(fix.To);
            }

            return copy;
        }

        /// <summary>Who, when and what are written once where the lines below say the same.</summary>
        private void Fill()
        {
            filled.Clear();
            if (!mapping.FillDown || row.All(c => c.IsEmpty))
                return;
            foreach (
                var role in (ColumnRole[])
                    [ColumnRole.Athlete, ColumnRole.Day, ColumnRole.Week, ColumnRole.Session, ColumnRole.Movement]
            )
            {
                if (!columns.TryGetValue(role, out var found))
                    continue;
                var column = found[0];
                if (column < row.Length && !row[column].IsEmpty)
                {
                    above[column] = row[column];
                    // A new day or athlete says everything anew.
                    if (role is ColumnRole.Athlete or ColumnRole.Day or ColumnRole.Week)
                    {
                        foreach (var below in (ColumnRole[])[ColumnRole.Session, ColumnRole.Movement])
                        {
                            if (columns.TryGetValue(below, out var c) && !(c[0] < row.Length && !row[c[0]].IsEmpty))
                                above.Remove(c[0]);
                        }
                    }
                }
                else if (above.TryGetValue(column, out var known))
                {
                    if (column >= row.Length)
                        Array.Resize(ref row, column + 1);
                    row[column] = known;
                    filled.Add(column);
                }
            }
        }

        private Cell At(int column) => column >= 0 && column < row.Length ? row[column] : Cell.Empty;

        private int ColumnOf(ColumnRole role) => columns.TryGetValue(role, out var found) ? found[0] : -1;

        private Cell Of(ColumnRole role) => At(ColumnOf(role));

        private SkippedException Fault(ImportFaultId id, int column, string? written = null)
        {
            table.sink.Fault(new(name, number, Math.Max(column, 0), id, written ?? At(column).Text));
            return new();
        }

        private SkippedException Unread(int column) =>
            Fault(At(column).AsNumber() is null ? ImportFaultId.ResultUnread : ImportFaultId.OutOfRange, column);

        /// <summary>A line of words and notes alone, between those that say something.</summary>
        private bool SaysNothing(params ColumnRole[] roles) =>
            roles.All(r =>
                !columns.TryGetValue(r, out var found)
                || found.All(c => At(c).IsEmpty || filled.Contains(c) || IsNone(At(c)))
            );

        private static bool IsNone(Cell cell) => cell.Text is "-" or "–" or "—" or "/" or "x" or "n/a" or "N/A" or ".";
    }

    /// <summary>Each name is told once.</summary>
    private void Report(NameRead name)
    {
        if (read.TryAdd((name.Of, name.Written), name))
            sink.Read(name);
    }
}
