using System.Globalization;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Notation;
using Cumbre.Core.Sessions;

namespace Cumbre.Core.Exchange;

/// <summary>Reads tables by a mapping. It keeps nothing but the item that it is at, whatever their length.</summary>
public sealed class TableReader
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
    private sealed class SheetReader(TableReader table, string name)
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

        private void AthleteRow()
        {
            if (Of(ColumnRole.Athlete).IsEmpty)
                return;
            var who = ReadWho();
            var birth = ReadBirth();
            var sex = Of(ColumnRole.Sex) switch
            {
                { IsEmpty: true } => (Sex?)null,
                var c => c.Text.ToLowerInvariant()[0] switch
                {
                    'm' => Sex.Male,
                    'f' or 'w' => Sex.Female,
                    _ => throw Fault(ImportFaultId.ResultUnread, ColumnOf(ColumnRole.Sex)),
                },
            };
            var stature = ReadStature();
            table.sink.Athlete(who, new(birth, sex, stature));
            if (ReadMass(ColumnOf(ColumnRole.BodyMass)) is { } mass)
                table.sink.BodyMass(who, columns.ContainsKey(ColumnRole.Day) ? ReadDay() : table.today, mass);
        }

        private int? ReadBirth()
        {
            var cell = Of(ColumnRole.BirthYear);
            if (cell.IsEmpty)
                return null;
            var year =
                cell.AsNumber() is { } n && n is >= 1900 and <= 2100 ? (int)n
                : DayCell.Read(cell, mapping.Dates, table.today) is { } day ? day.Year
                : throw Fault(ImportFaultId.NumberUnread, ColumnOf(ColumnRole.BirthYear));
            return year >= table.today.Year - 100 && year <= table.today.Year - 5
                ? year
                : throw Fault(ImportFaultId.OutOfRange, ColumnOf(ColumnRole.BirthYear));
        }

        private decimal? ReadStature()
        {
            if (Number(ColumnRole.Stature) is not { } written)
                return null;
            // Metres are written as often as centimetres.
            var cm = written < 3 ? written * 100 : written;
            return cm is >= Limits.StatureMinimum and <= Limits.StatureMaximum
                ? cm
                : throw Fault(ImportFaultId.OutOfRange, ColumnOf(ColumnRole.Stature));
        }

        private MassEntry? ReadMass(int column)
        {
            var cell = At(column);
            if (cell.IsEmpty || IsNone(cell))
                return null;
            if (cell.AsNumber() is not { } value)
                throw Fault(ImportFaultId.NumberUnread, column);
            var entry = new MassEntry(value, UnitAt(column, cell));
            return entry.Mass.Kilograms is >= Limits.BodyMassMinimum and <= Limits.BodyMassMaximum
                ? entry
                : throw Fault(ImportFaultId.OutOfRange, column);
        }

        /// <summary>What the cell says, else its line, else its header, else the whole table.</summary>
        private MassUnit UnitAt(int column, Cell cell)
        {
            var said = cell.Number is null ? cell.Text : "";
            if (said.Contains("kg", StringComparison.OrdinalIgnoreCase))
                return MassUnit.Kg;
            if (said.Contains("lb", StringComparison.OrdinalIgnoreCase))
                return MassUnit.Lb;
            if (
                Of(ColumnRole.Unit).Text.ToLowerInvariant() is var unit
                && unit.StartsWith("kg", StringComparison.Ordinal)
            )
                return MassUnit.Kg;
            return unit.StartsWith("lb", StringComparison.Ordinal) ? MassUnit.Lb : UnitOfColumn(column);
        }

        private MassUnit UnitOfColumn(int column) =>
            mapping.Columns.FirstOrDefault(c => c.Index == column)?.Unit ?? mapping.Unit;

        private void MassRow()
        {
            if (columns.TryGetValue(ColumnRole.Value, out var values))
            {
                if (values.All(v => At(v).IsEmpty))
                    return;
                var day = ReadDay();
                foreach (var column in values)
                {
                    if (ReadMass(column) is { } mass)
                        table.sink.BodyMass(WhoOf(header[column].Text, column), day, mass);
                }

                return;
            }

            if (SaysNothing(ColumnRole.BodyMass))
                return;
            if (ReadMass(ColumnOf(ColumnRole.BodyMass)) is { } one)
                table.sink.BodyMass(ReadWho(), ReadDay(), one);
        }

        /// <summary>The weighing of the day, where the table has it beside the rest.</summary>
        private MassEntry? Weighed(Who who, DateOnly day)
        {
            if (ReadMass(ColumnOf(ColumnRole.BodyMass)) is not { } mass)
                return null;
            table.sink.BodyMass(who, day, mass);
            return mass;
        }

        private void TestRow()
        {
            if (columns.TryGetValue(ColumnRole.Value, out var values))
            {
                if (values.All(v => At(v).IsEmpty || IsNone(At(v))))
                    return;
                var who = ReadWho();
                foreach (var column in values.Where(v => !At(v).IsEmpty && !IsNone(At(v))))
                {
                    var (day, _, _) = Heading(header[column]);
                    var test = TestOf(day is null ? header[column] : Of(ColumnRole.Test), column);
                    if (test is not null)
                        Result(who, day ?? ReadDay(), test, column);
                }

                return;
            }

            if (SaysNothing(ColumnRole.Result, ColumnRole.Reps, ColumnRole.Seconds))
                return;
            var whose = ReadWho();
            var named = columns.ContainsKey(ColumnRole.Test)
                ? ColumnOf(ColumnRole.Test)
                : ColumnOf(ColumnRole.Movement);
            if (At(named).IsEmpty)
                throw Fault(ImportFaultId.TestMissing, named);
            if (TestOf(At(named), named) is { } known)
                Result(
                    whose,
                    ReadDay(),
                    known,
                    columns.ContainsKey(ColumnRole.Result) ? ColumnOf(ColumnRole.Result) : -1
                );
        }

        private void Result(Who who, DateOnly day, Benchmark test, int column)
        {
            var cell = column >= 0 ? At(column) : Composed(test);
            var at = column >= 0 ? column : ColumnOf(ColumnRole.Reps);
            var side = ReadSide();
            Weighed(who, day);
            var parts = Parts(cell, test, side);
            if (test.EachSide && parts.Any(p => p.Side is null))
                throw Fault(ImportFaultId.SideMissing, at, cell.Text);
            foreach (var (text, of) in parts)
            {
                WrittenResult? result;
                try
                {
                    result = ResultNotation.Parse(text, test.Measure, UnitAt(at, cell));
                }
                catch (RuleViolationException)
                {
                    throw Fault(ImportFaultId.OutOfRange, at, cell.Text);
                }

                if (result is null)
                    throw Fault(ImportFaultId.ResultUnread, at, cell.Text);
                table.sink.Test(who, new(day, test, result, of));
            }
        }

        /// <summary>A load and the reps with it in two columns are one result.</summary>
        private Cell Composed(Benchmark test)
        {
            var figure = Of(ColumnRole.Seconds) is { IsEmpty: false } s ? s : Of(ColumnRole.Reps);
            return test.Measure == BenchmarkMeasure.LoadTimesReps && Of(ColumnRole.Load) is { IsEmpty: false } load
                ? Cell.Of($"{(load.Text[0] is '+' or '-' ? "" : "+")}{load.Text} x {figure.Text}")
                : figure;
        }

        /// <summary><c>8 / 7</c> and <c>L 8 R 7</c> are the two sides of a test that has them.</summary>
        private static (string Text, Side? Side)[] Parts(Cell cell, Benchmark test, Side? side)
        {
            if (!test.EachSide || side is not null)
                return [(cell.Text, side)];
            var parts = cell.Text.Split(
                ['/', '|', ';'],
                StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries
            );
            if (parts.Length == 1)
                parts = cell.Text.Split(" R", 2, StringSplitOptions.TrimEntries);
            return parts.Length == 2
                ? [(Bare(parts[0]), Side.Left), (Bare(parts[1]), Side.Right)]
                : [(cell.Text, null)];

            static string Bare(string part) => part.TrimStart('L', 'R', 'l', 'r', ':', ' ');
        }

        private void OutlineRow()
        {
            if (SaysNothing(ColumnRole.Line))
                return;
            var week = Of(ColumnRole.Week);
            var figures = new string([.. week.Text.Where(char.IsAsciiDigit)]);
            if (
                !int.TryParse(figures, CultureInfo.InvariantCulture, out var number)
                || number is < 1 or > Programmes.Block.WeeksMaximum
            )
                throw Fault(ImportFaultId.WeekUnread, ColumnOf(ColumnRole.Week));
            if (ReadMovement() is not { } movement)
                return;
            var column = ColumnOf(ColumnRole.Line);
            var line = WrittenLine.Typed(At(column).Text, UnitOfColumn(column));
            if (line.Plan is null)
                throw Fault(ImportFaultId.LineUnread, column);
            table.sink.Line(
                new(
                    number,
                    Of(ColumnRole.Session).Text is { Length: > 0 } title ? title : Of(ColumnRole.Day).Text,
                    Weekday(Of(ColumnRole.Day).Text),
                    movement,
                    line
                )
            );
        }

        private static DayOfWeek? Weekday(string text) =>
            Enum.GetValues<DayOfWeek>()
                .Where(d =>
                    text.Length >= 2 && $"{d}".StartsWith(text.TrimEnd('.', 's'), StringComparison.OrdinalIgnoreCase)
                )
                .Select(d => (DayOfWeek?)d)
                .FirstOrDefault();

        private void SetRow()
        {
            if (columns.TryGetValue(ColumnRole.Value, out var values))
            {
                foreach (var column in values.Where(v => !At(v).IsEmpty && !IsNone(At(v))))
                {
                    var (day, _, named) = Heading(header[column]);
                    if ((day is null ? MovementOf(named ?? header[column].Text, column) : ReadMovement()) is { } wide)
                        Sets(ReadWho(), day ?? ReadDay(), wide, [column]);
                }

                return;
            }

            if (SaysNothing(ColumnRole.Result, ColumnRole.Reps, ColumnRole.Seconds, ColumnRole.Total))
                return;
            var who = ReadWho();
            if (ReadMovement() is { } movement)
                Sets(who, ReadDay(), movement, columns.GetValueOrDefault(ColumnRole.Result) ?? []);
        }

        private void Sets(Who who, DateOnly day, Movement movement, int[] results)
        {
            var sets = results.Length > 0 ? Told(movement, results) : Counted(movement);
            if (sets.Count == 0)
                throw Fault(ImportFaultId.ResultMissing, ColumnOf(ColumnRole.Reps));
            var weighed = Weighed(who, day);
            if (sets.Any(s => s.Added.Value > 0))
                movement = table.terms.WithLoad(movement);
            var item = new Pending(
                who,
                day,
                Cut(Of(ColumnRole.Session).Text, NameMaximum),
                movement,
                planOfCell is null ? Of(ColumnRole.Line).Text : "",
                Number(ColumnRole.SessionRpe) is { } rpe and >= 1 and <= 10 ? rpe : null,
                IsYes(Of(ColumnRole.Deload)),
                weighed,
                number
            );
            var no = Whole(ColumnRole.Set) ?? 0;
            var more = More(no);
            var isNext =
                pending is not null
                && pending.IsSame(item)
                && sets.Count == 1
                && planOfCell is null
                && (no == 0 || no >= pending.Last);
            if (!isNext)
            {
                Flush();
                pending = item;
            }

            pending!.Last = no;
            foreach (var set in sets)
            {
                pending.Sets.Add(set);
                pending.More.Add(more);
            }

            if (planOfCell is not null)
                Flush();
        }

        /// <summary>The plan that the cell of the line itself holds.</summary>
        private Prescriptions.Prescription? planOfCell;

        private List<DoneAmount> Told(Movement movement, int[] results)
        {
            planOfCell = null;
            var sets = new List<DoneAmount>();
            foreach (var column in results.Where(c => !At(c).IsEmpty && !IsNone(At(c))))
            {
                var read = DoneCell.Read(At(column), IsTimed(movement), UnitOfColumn(column));
                if (read is null)
                    throw Unread(column);
                if (results.Length == 1)
                    planOfCell = read.Plan;
                sets.AddRange(read.Sets);
            }

            var load = LoadAt(ColumnOf(ColumnRole.Load));
            var (reserve, side) = (ReadReserve(), ReadSide());
            return
            [
                .. sets.Select(s =>
                    s with
                    {
                        Added = s.Added.Value == 0 && load is { } own ? own : s.Added,
                        Reserve = s.Reserve ?? (sets.Count == 1 ? reserve : null),
                        Side = s.Side ?? side,
                    }
                ),
            ];
        }

        /// <summary>Reps or seconds in columns of their own: one set, several like it, or one in each pair of columns.</summary>
        private List<DoneAmount> Counted(Movement movement)
        {
            planOfCell = null;
            var loads = columns.GetValueOrDefault(ColumnRole.Load) ?? [];
            var counted =
                IsTimed(movement) && columns.TryGetValue(ColumnRole.Seconds, out var s) && s.Any(c => !At(c).IsEmpty)
                    ? s
                : columns.GetValueOrDefault(ColumnRole.Reps) is { } r && r.Any(c => !At(c).IsEmpty) ? r
                : columns.GetValueOrDefault(ColumnRole.Seconds) ?? columns.GetValueOrDefault(ColumnRole.Total) ?? [];
            var (reserve, side) = (ReadReserve(), ReadSide());
            var contact = ReadContact();
            var sets = new List<DoneAmount>();
            foreach (var column in counted.Where(c => !At(c).IsEmpty && !IsNone(At(c))))
            {
                var read = DoneCell.Read(At(column), IsTimed(movement), UnitOfColumn(column), lines: false);
                if (read is null)
                    throw Unread(column);
                var load = LoadAt(loads.LastOrDefault(l => l < column, loads.Length == 0 ? -1 : loads[0]));
                sets.AddRange(
                    read.Sets.Select(x =>
                        x with
                        {
                            Added = x.Added.Value == 0 && load is { } own ? own : x.Added,
                            Reserve = x.Reserve ?? reserve,
                            Side = x.Side ?? side,
                            Contact = x.Contact ?? contact,
                        }
                    )
                );
            }

            var times = columns.ContainsKey(ColumnRole.SetCount) ? Whole(ColumnRole.SetCount) ?? 1 : 1;
            if (times is < 1 or > Limits.SetsMaximum)
                throw Fault(ImportFaultId.OutOfRange, ColumnOf(ColumnRole.SetCount));
            return sets.Count == 1 && times > 1 ? [.. Enumerable.Repeat(sets[0], times)] : sets;
        }

        /// <summary>What columns beside say of the set; set and part where the table counts them itself.</summary>
        private Func<LoggedSet, LoggedSet> More(int no)
        {
            var part = Whole(ColumnRole.Part);
            var total = Whole(ColumnRole.Total);
            var isBroken =
                Of(ColumnRole.Form).Text.Contains("broken", StringComparison.OrdinalIgnoreCase)
                || Of(ColumnRole.Form).Text is "no" or "n" or "0";
            var pain = Whole(ColumnRole.Pain);
            var place = Of(ColumnRole.PainPlace).Text;
            if (pain is < Limits.PainMinimum or > Limits.PainMaximum)
                throw Fault(ImportFaultId.OutOfRange, ColumnOf(ColumnRole.Pain));
            if (pain > 0 && place.Length == 0)
                throw Fault(
                    ImportFaultId.PlaceMissing,
                    columns.ContainsKey(ColumnRole.PainPlace)
                        ? ColumnOf(ColumnRole.PainPlace)
                        : ColumnOf(ColumnRole.Pain)
                );
            var rested = Whole(ColumnRole.Rested);
            var note = Cut(Of(ColumnRole.Note).Text, NoteMaximum);
            var fault = Cut(Of(ColumnRole.Fault).Text, NoteMaximum);
            var setUp = Of(ColumnRole.SetUp).Text;
            return set => new LoggedSet(
                no > 0 ? no : set.Set,
                part ?? set.Part,
                set.Reps,
                set.Added,
                set.Reserve,
                isBroken ? FormVerdict.Broken : FormVerdict.Clean,
                pain,
                place.Length > 0 ? Cut(place, 60) : null,
                set.Seconds
            )
            {
                Contact = set.Contact,
                Total = total >= set.Reps ? total : null,
                RestedSeconds = rested is >= 0 and <= Limits.RestMaximum ? rested : null,
                Note = note.Length > 0 ? note : null,
                Fault = fault.Length > 0 ? fault : null,
                SetUp = SetUpOf(setUp),
            };
        }

        /// <summary>Parts as the log prints them, one behind the other; what is none is passed over.</summary>
        private static SetUpNotes SetUpOf(string text)
        {
            if (text.Length == 0)
                return SetUpNotes.None;
            var parts = text.Split(';', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)
                .Select(p =>
                    (Name: Known.FirstOrDefault(k => p.StartsWith(k + " ", StringComparison.Ordinal)), Text: p)
                )
                .Where(p => p.Name is not null)
                .Select(p => KeyValuePair.Create(p.Name!, p.Text[(p.Name!.Length + 1)..]));
            try
            {
                return new(parts);
            }
            catch (RuleViolationException)
            {
                return SetUpNotes.None;
            }
        }

        private static readonly string[] Known = [.. SetUpField.Names];

        private void Flush()
        {
            if (pending is not { } item)
                return;
            pending = null;
            var line = item.Line.Length is > 0 and <= NotationParser.LineMaximum
                ? NotationParser.Parse(item.Line, mapping.Unit).Plan
                : planOfCell;
            try
            {
                var done = DonePlan.Of(item.Movement, item.Sets, line, (set, i) => item.More[i](set));
                table.sink.Item(
                    item.Who,
                    new(item.Day, item.Session, item.Movement, done, item.Rpe, item.Easy, item.BodyMass)
                );
            }
            catch (RuleViolationException)
            {
                table.sink.Fault(
                    new(
                        name,
                        item.Row,
                        Math.Max(ColumnOf(ColumnRole.Reps), 0),
                        ImportFaultId.OutOfRange,
                        string.Join(", ", item.Sets.Select(s => s.Amount))
                    )
                );
            }
        }

        private static bool IsTimed(Movement movement) =>
            movement.IsHeld || movement.Measure == BenchmarkMeasure.SecondsPerDescent;

        private Who ReadWho()
        {
            if (columns.ContainsKey(ColumnRole.Athlete))
            {
                var column = ColumnOf(ColumnRole.Athlete);
                return At(column).IsEmpty
                    ? throw Fault(ImportFaultId.AthleteMissing, column)
                    : WhoOf(At(column).Text, column);
            }

            if (mapping.SheetIsAthlete)
                return WhoOf(name, 0);
            return mapping.Athlete is { } id && table.terms.AthletesById.TryGetValue(id, out var known)
                ? new(id, known.Name)
                : throw Fault(ImportFaultId.AthleteMissing, 0, "");
        }

        private Who WhoOf(string written, int column)
        {
            if (written.Length > NameMaximum)
                throw Fault(ImportFaultId.NameLong, column, written);
            if (table.chosen.TryGetValue((NameOf.Athlete, written), out var choice) && IsChosen(choice))
            {
                table.Report(new(NameOf.Athlete, written, NameMatch.Exact, choice.Choice, []));
                return choice.Choice == NameChoice.New ? new(null, written)
                    : Guid.TryParse(choice.Choice, out var id)
                    && table.terms.AthletesById.TryGetValue(id, out var known)
                        ? new(id, known.Name)
                    : throw new SkippedException();
            }

            var found = table.terms.Athletes.Find(written);
            var birth = columns.ContainsKey(ColumnRole.BirthYear) ? ReadBirth() : null;
            var one = found.Found
                ?? (
                    birth is null ? null
                    : found.Near.Where(a => found.Match == NameMatch.Several && a.BirthYear == birth).ToArray()
                        is [var only]
                        ? only
                    : null
                );
            // Somebody of the same name who was born in another year is somebody else.
            if (one is not null && birth is not null && one.BirthYear is { } other && other != birth)
                one = null;
            if (mapping.Kind == ImportKind.Athletes && one is null && found.Match != NameMatch.Several)
            {
                table.Report(
                    new(
                        NameOf.Athlete,
                        written,
                        NameMatch.Exact,
                        NameChoice.New,
                        [.. found.Near.Select(a => $"{a.Id}")]
                    )
                );
                return new(null, written);
            }

            table.Report(
                new(
                    NameOf.Athlete,
                    written,
                    one is null ? (found.Match == NameMatch.Several ? NameMatch.Several : NameMatch.Unknown)
                        : found.Match == NameMatch.Several ? NameMatch.Exact
                        : found.Match,
                    one is null ? null : $"{one.Id}",
                    [.. found.Near.Select(a => $"{a.Id}")]
                )
            );
            return one is not null
                ? new(one.Id, one.Name)
                : throw Fault(
                    found.Match == NameMatch.Several ? ImportFaultId.AthleteSeveral : ImportFaultId.AthleteUnknown,
                    column,
                    written
                );
        }

        /// <summary>Two of one name who were told apart by their year in the table are not chosen by the name.</summary>
        private bool IsChosen(NameChoice choice) =>
            choice.Choice is null or NameChoice.New
            || !columns.ContainsKey(ColumnRole.BirthYear)
            || ReadBirth() is null
            || !Guid.TryParse(choice.Choice, out var id)
            || table.terms.AthletesById.GetValueOrDefault(id)?.BirthYear is not { } year
            || year == ReadBirth();

        private DateOnly ReadDay()
        {
            var column = ColumnOf(ColumnRole.Day);
            var cell = At(column);
            if (cell.IsEmpty)
                throw Fault(ImportFaultId.DayMissing, column);
            if (DayCell.Read(cell, mapping.Dates, table.today) is not { } day)
                throw Fault(ImportFaultId.DayUnread, column);
            return day > table.today ? throw Fault(ImportFaultId.DayAhead, column) : day;
        }

        private Movement? ReadMovement()
        {
            var column = ColumnOf(ColumnRole.Movement);
            return At(column).IsEmpty
                ? throw Fault(ImportFaultId.MovementMissing, column)
                : MovementOf(At(column).Text, column);
        }

        /// <summary>Null: its lines are left out.</summary>
        private Movement? MovementOf(string written, int column)
        {
            if (table.chosen.TryGetValue((NameOf.Movement, written), out var choice))
            {
                table.Report(new(NameOf.Movement, written, NameMatch.Exact, choice.Choice, []));
                return choice.Choice is { } slug ? table.terms.Catalogue.Movements.GetValueOrDefault(slug) : null;
            }

            var found = Best(table.terms.Movements, written);
            table.Report(
                new(NameOf.Movement, written, found.Match, found.Found?.Slug, [.. found.Near.Select(m => m.Slug)])
            );
            return found.Found ?? throw Fault(ImportFaultId.MovementUnknown, column, written);
        }

        private Benchmark? TestOf(Cell cell, int column)
        {
            if (cell.IsEmpty)
                throw Fault(ImportFaultId.TestMissing, column);
            if (table.chosen.TryGetValue((NameOf.Test, cell.Text), out var choice))
            {
                table.Report(new(NameOf.Test, cell.Text, NameMatch.Exact, choice.Choice, []));
                return choice.Choice is { } slug ? table.terms.Catalogue.Benchmarks.GetValueOrDefault(slug) : null;
            }

            var found = Best(table.terms.Tests, cell.Text);
            table.Report(
                new(NameOf.Test, cell.Text, found.Match, found.Found?.Slug, [.. found.Near.Select(b => b.Slug)])
            );
            return found.Found ?? throw Fault(ImportFaultId.TestUnknown, column, cell.Text);
        }

        /// <summary>The name as it stands, or without its unit and number, whichever is surer.</summary>
        private static NameFound<T> Best<T>(Names<T> names, string written)
            where T : class
        {
            var whole = names.Find(written);
            return
                whole.Match == NameMatch.Exact || names.Find(MappingGuess.Core(written)) is not { Found: not null } bare
                ? whole
                : bare;
        }

        /// <summary>What a header says of the cells below it: a day, an athlete, or else the name of what was done.</summary>
        private (DateOnly? Day, string? Athlete, string? Name) Heading(Cell cell)
        {
            if (cell.Day is not null || (cell.Text.Any(char.IsDigit) && cell.AsNumber() is null))
            {
                if (DayCell.Read(cell, mapping.Dates, table.today) is { } day)
                    return (day, null, null);
            }

            var core = MappingGuess.Core(cell.Text);
            if (table.terms.Tests.Find(core).Found is not null || table.terms.Movements.Find(core).Found is not null)
                return (null, null, core);
            return table.terms.Athletes.Find(cell.Text).Found is not null
                ? (null, cell.Text, null)
                : (null, null, null);
        }

        private MassEntry? LoadAt(int column)
        {
            var cell = At(column);
            if (cell.IsEmpty || IsNone(cell))
                return null;
            if (cell.Text.ToLowerInvariant() is "bw" or "bm" or "bodyweight" or "none")
                return new(0, mapping.Unit);
            if (cell.AsNumber() is not { } value)
                throw Fault(ImportFaultId.NumberUnread, column);
            var entry = new MassEntry(value, UnitAt(column, cell));
            return entry.Mass.Kilograms is >= Limits.AddedLoadMinimum and <= Limits.AddedLoadMaximum
                ? entry
                : throw Fault(ImportFaultId.OutOfRange, column);
        }

        private decimal? Number(ColumnRole role)
        {
            var cell = Of(role);
            return cell.IsEmpty || IsNone(cell)
                ? null
                : cell.AsNumber() ?? throw Fault(ImportFaultId.NumberUnread, ColumnOf(role));
        }

        private int? Whole(ColumnRole role)
        {
            if (Number(role) is not { } number)
                return null;
            return number == Math.Truncate(number) && Math.Abs(number) < 100_000
                ? (int)number
                : throw Fault(ImportFaultId.NumberUnread, ColumnOf(role));
        }

        /// <summary>Of an exertion the reserve is what lacks to ten (common practice, no source).</summary>
        private int? ReadReserve()
        {
            if (columns.ContainsKey(ColumnRole.Reserve))
            {
                var reserve = Whole(ColumnRole.Reserve);
                return reserve is < Limits.ReserveMinimum or > Limits.ReserveMaximum
                    ? throw Fault(ImportFaultId.OutOfRange, ColumnOf(ColumnRole.Reserve))
                    : reserve;
            }

            if (Number(ColumnRole.Exertion) is not { } exertion)
                return null;
            return exertion is >= 1 and <= 10
                ? (int)Math.Floor(10 - exertion)
                : throw Fault(ImportFaultId.OutOfRange, ColumnOf(ColumnRole.Exertion));
        }

        private Side? ReadSide()
        {
            var cell = Of(ColumnRole.Side);
            return cell.IsEmpty
                ? null
                : cell.Text.ToLowerInvariant()[0] switch
                {
                    'l' => Side.Left,
                    'r' => Side.Right,
                    'b' or '-' => null,
                    _ => throw Fault(ImportFaultId.SideUnread, ColumnOf(ColumnRole.Side)),
                };
        }

        private Contact? ReadContact() =>
            Enum.TryParse<Contact>(Of(ColumnRole.Contact).Text, true, out var contact) && Enum.IsDefined(contact)
                ? contact
                : null;

        private static bool IsYes(Cell cell) =>
            cell.Text.ToLowerInvariant() is "yes" or "y" or "x" or "1" or "true" or "deload";

        private static string Cut(string text, int most) => text.Length <= most ? text : text[..most];
    }

    /// <summary>Each name is told once.</summary>
    private void Report(NameRead name)
    {
        if (read.TryAdd((name.Of, name.Written), name))
            sink.Read(name);
    }
}
