using Cumbre.Core.Benchmarks;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;

namespace Cumbre.Core.Exchange;

public sealed partial class TableReader
{
    /// <content>What single cells say.</content>
    private sealed partial class SheetReader
    {
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
}
