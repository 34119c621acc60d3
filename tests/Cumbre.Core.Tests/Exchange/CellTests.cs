using Cumbre.Core.Exchange;
using Cumbre.Core.Measures;

namespace Cumbre.Core.Tests.Exchange;

/// <summary>What coaches write into cells; the spellings are this project's own collection (common practice, no source).</summary>
public sealed class CellTests
{
    private static readonly DateOnly Today = new(2026, 3, 16);

    [Theory]
    [InlineData("12kg x 5,5,4", "5@12 5@12 4@12")]
    [InlineData("12,5 kg x 5/5/4", "5@12.5 5@12.5 4@12.5")]
    [InlineData("5,5,4 @ +12", "5@12 5@12 4@12")]
    [InlineData("5/5/4 +12.5kg", "5@12.5 5@12.5 4@12.5")]
    [InlineData("3x8", "8@0 8@0 8@0")]
    [InlineData("3x8 RIR 2", "8@0 r2 8@0 r2 8@0 r2")]
    [InlineData("10kg 2x5 rpe 8", "5@10 r2 5@10 r2")]
    [InlineData("8,8,7 RIR 1", "8@0 8@0 7@0 r1")]
    [InlineData("3 sets of 8 reps", "8@0 8@0 8@0")]
    [InlineData("10kg x 5; 12kg x 3", "5@10 3@12")]
    [InlineData("+20 x 5 r2", "5@20 r2")]
    [InlineData("+20 x 5 RPE 8", "5@20 r2")]
    [InlineData("5,5 @ 20kg 1 left", "5@20 5@20 r1")]
    [InlineData("bw x 10", "10@0")]
    [InlineData("BW+10kg x 5", "5@10")]
    [InlineData("-15 kg x 6", "6@-15")]
    [InlineData("band 15 kg x 6,6", "6@-15 6@-15")]
    [InlineData("15kg band 3x6", "6@-15 6@-15 6@-15")]
    [InlineData("25 lb x 5", "5@25lb")]
    [InlineData("12, 10, 8", "12@0 10@0 8@0")]
    [InlineData("12-10-8", "12@0 10@0 8@0")]
    [InlineData("10 reps", "10@0")]
    [InlineData("chest x 5", "5@0 Chest")]
    [InlineData("L 6", "6@0 Left")]
    [InlineData("4 x 5 @ +12.5 kg tempo 3-1-X-0 rest 2:30", "5@12.5 5@12.5 5@12.5 5@12.5")]
    [InlineData("sets 5, 4, 3 @ +10, +15, +20 kg", "5@10 4@15 3@20")]
    public void Reps_are_read(string cell, string sets) => Assert.Equal(sets, Told(Cell.Of(cell), timed: false));

    [Theory]
    [InlineData("0:08", "8@0")]
    [InlineData("0:08, 0:07", "8@0 7@0")]
    [InlineData("1:05", "65@0")]
    [InlineData("8s x 3", "8@0 8@0 8@0")]
    [InlineData("3 x 8 s", "8@0 8@0 8@0")]
    [InlineData("10,8,8 s", "10@0 8@0 8@0")]
    [InlineData("9.5", "9@0")]
    [InlineData("hold 5 x 8 s rest 2:00", "8@0 8@0 8@0 8@0 8@0")]
    public void Seconds_are_read(string cell, string sets) => Assert.Equal(sets, Told(Cell.Of(cell), timed: true));

    [Theory]
    [InlineData("did not train")]
    [InlineData("10kg 12kg x 5")]
    [InlineData("5,5,x")]
    [InlineData("0:08")]
    [InlineData("900kg x 5")]
    [InlineData("3 x 5 @ 80 % e1RM")]
    [InlineData("1,1,1,1,1,1,1,1,1,1,1,1,1,1,1,1,1,1,1,1,1")]
    public void What_is_no_set_is_not_guessed(string cell) =>
        Assert.Null(DoneCell.Read(Cell.Of(cell), timed: false, MassUnit.Kg));

    [Fact]
    public void A_time_of_a_spreadsheet_is_minutes_and_seconds()
    {
        Assert.Equal("8@0", Told(Cell.Of(new TimeSpan(0, 8, 0)), timed: true));
        Assert.Equal("65@0", Told(Cell.Of(new TimeSpan(1, 5, 0)), timed: true));
        Assert.Equal("65@0", Told(Cell.Of(new TimeSpan(0, 1, 5)), timed: true));
    }

    [Theory]
    [InlineData("2026-01-12", "2026-01-12")]
    [InlineData("12.01.2026", "2026-01-12")]
    [InlineData("12.1.26", "2026-01-12")]
    [InlineData("12/1/2026", "2026-01-12")]
    [InlineData("1/13/2026", "2026-01-13")]
    [InlineData("Mon 12.1.2026", "2026-01-12")]
    [InlineData("12 Jan 2026", "2026-01-12")]
    [InlineData("Jan 12, 2026", "2026-01-12")]
    [InlineData("12. März 2026", "2026-03-12")]
    [InlineData("12 de enero de 2026", "2026-01-12")]
    [InlineData("2026-01-12T18:30:00", "2026-01-12")]
    [InlineData("20260112", "2026-01-12")]
    [InlineData("46034", "2026-01-12")]
    [InlineData("16.3.", "2026-03-16")]
    [InlineData("17.3.", "2025-03-17")]
    public void Days_are_read(string written, string day) =>
        Assert.Equal(DateOnly.Parse(day, null), DayCell.Read(Cell.Of(written), DateOrder.DayMonth, Today));

    [Theory]
    [InlineData("31.2.2026")]
    [InlineData("rest")]
    [InlineData("12")]
    [InlineData("2026-13-01")]
    [InlineData("deload week 3")]
    public void What_is_no_day_is_none(string written) =>
        Assert.Null(DayCell.Read(Cell.Of(written), DateOrder.DayMonth, Today));

    [Fact]
    public void The_order_of_days_follows_from_those_that_can_be_read_one_way()
    {
        Cell[] Of(params string[] days) => [.. days.Select(Cell.Of)];
        Assert.Equal(DateOrder.MonthDay, DayCell.Order(Of("1/2/2026", "1/13/2026")));
        Assert.Equal(DateOrder.DayMonth, DayCell.Order(Of("1/2/2026", "13/1/2026")));
        Assert.Equal(DateOrder.DayMonth, DayCell.Order(Of("1.2.2026")));
        Assert.Null(DayCell.Order(Of("1/2/2026", "3/4/2026")));
        Assert.Equal(new DateOnly(2026, 1, 2), DayCell.Read(Cell.Of("1/2/2026"), DateOrder.MonthDay, Today));
        Assert.True(DayCell.IsAmbiguous(Cell.Of("1/2/2026")));
        Assert.False(DayCell.IsAmbiguous(Cell.Of("2/2/2026")));
        Assert.False(DayCell.IsAmbiguous(Cell.Of("13/2/2026")));
    }

    [Fact]
    public void Names_are_found_as_people_write_them()
    {
        var names = new Names<string>([
            ("pull-up", ["Pull-up"]),
            ("front-lever", ["Full front lever"]),
            ("jose", ["José Ángel Ruiz", "Ruiz, José Ángel"]),
            ("ada1", ["Ada Lind"]),
            ("ada2", ["Ada Lind"]),
        ]);
        Assert.Equal((NameMatch.Exact, "pull-up"), Of("PULL UPS"));
        Assert.Equal((NameMatch.Exact, "pull-up"), Of("pullups"));
        Assert.Equal((NameMatch.Slip, "pull-up"), Of("pul-up"));
        Assert.Equal((NameMatch.Exact, "front-lever"), Of("full FL"));
        Assert.Equal((NameMatch.Exact, "jose"), Of("jose angel ruiz"));
        Assert.Equal((NameMatch.Several, null), Of("Ada Lind"));
        Assert.Equal((NameMatch.Unknown, null), Of("Muscle snatch"));
        Assert.Contains("front-lever", names.Find("front lever").Near);

        (NameMatch, string?) Of(string name) => (names.Find(name).Match, names.Find(name).Found);
    }

    private static string? Told(Cell cell, bool timed) =>
        DoneCell.Read(cell, timed, MassUnit.Kg) is { } read
            ? string.Join(
                ' ',
                read.Sets.Select(s =>
                    FormattableString.Invariant(
                        $"{s.Amount}@{s.Added.Value:0.#}{(s.Added.Unit == MassUnit.Lb ? "lb" : "")}"
                    )
                    + (s.Contact is { } c ? $" {c}" : "")
                    + (s.Side is { } side ? $" {side}" : "")
                    + (s.Reserve is { } r ? $" r{r}" : "")
                )
            )
            : null;
}
