using Cumbre.Core.Benchmarks;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Notation;
using Cumbre.Core.Sessions;

namespace Cumbre.Core.Exchange;

public sealed partial class TableReader
{
    /// <content>Lines of what was done: sets gathered to items.</content>
    private sealed partial class SheetReader
    {
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
                planOfCell,
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
                : item.Plan;
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
    }
}
