using System.Globalization;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Notation;

namespace Cumbre.Core.Exchange;

public sealed partial class TableReader
{
    /// <content>Lines of athletes, weighings, tests and plans.</content>
    private sealed partial class SheetReader
    {
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
    }
}
