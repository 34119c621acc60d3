using System.Text;
using Cumbre.Core.Exchange;
using Cumbre.Core.Ladders;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Notation;
using Cumbre.Core.Programmes;
using Cumbre.Core.Tests.Programmes;

namespace Cumbre.Core.Tests;

/// <summary>
/// What is typed or sent is read in a time that does not grow faster than its length: long repetitions of what each
/// reader knows, at a length and at eight times that length. Work is counted in bytes that were allocated, which is the
/// same on every machine; an expression that looks back again and again runs into its limit and throws.
/// </summary>
public sealed class BoundedTests
{
    private const int Short = 2_000,
        Times = 8;

    public static TheoryData<string> Pieces =>
        [
            " ",
            "1",
            "1 ",
            "1x",
            "3 x 5 @ ",
            "+2.5 kg ",
            "((",
            "\"",
            "a1 ",
            "-",
            "_#",
            "kg (",
            ",;",
            ":",
            "left ",
            "and (",
            "pull-up-max >= 8 and ",
            "x y, ",
            "\t\u00A0",
            "é",
            "\uD83D\uDCAA",
        ];

    private static long Work(Action<string> read, string piece, int length)
    {
        var text = new StringBuilder(length + piece.Length);
        while (text.Length < length)
            text.Append(piece);
        var whole = text.ToString();
        read(whole);
        var before = GC.GetAllocatedBytesForCurrentThread();
        read(whole);
        return GC.GetAllocatedBytesForCurrentThread() - before;
    }

    private static void IsLinear(Action<string> read, string piece)
    {
        var (few, many) = (Work(read, piece, Short), Work(read, piece, Short * Times));
        Assert.True(
            many <= 2 * Times * Math.Max(few, 4_096),
            $"{few} bytes for {Short} characters, {many} for {Times} times as many"
        );
    }

    [Theory]
    [MemberData(nameof(Pieces))]
    public void Lines(string piece) => IsLinear(text => NotationParser.Parse(text, MassUnit.Kg), piece);

    [Theory]
    [MemberData(nameof(Pieces))]
    public void Gates(string piece) => IsLinear(text => GateParser.Parse(text, Catalogue.Shipped.Names), piece);

    // Up to the characters and lines that the page takes: as one line, and as many.
    [Theory]
    [MemberData(nameof(Pieces))]
    public void Several_lines(string piece)
    {
        var own = new OwnLine(Gym.Athlete(), MassUnit.Kg);
        IsLinear(text => SeveralLines.Read(text, own), piece);
        IsLinear(text => SeveralLines.Read(text, own), piece + "pull-up\n");
    }

    [Theory]
    [MemberData(nameof(Pieces))]
    public void Cells(string piece) =>
        IsLinear(
            text =>
            {
                var cell = Cell.Of(text);
                cell.AsNumber();
                DayCell.Read(cell, DateOrder.DayMonth, new(2026, 3, 16));
                DayCell.IsAmbiguous(cell);
                DoneCell.Read(cell, timed: false, MassUnit.Kg);
                DoneCell.Read(cell, timed: true, MassUnit.Lb);
            },
            piece
        );

    [Theory]
    [MemberData(nameof(Pieces))]
    public void Headers(string piece) =>
        IsLinear(
            text =>
                new MappingGuess(new(Catalogue.Shipped, []), new(2026, 3, 16)).Of(
                    [
                        new(
                            "t",
                            false,
                            [
                                [Cell.Of("Day"), Cell.Of(text)],
                                [Cell.Of("2026-03-01"), Cell.Of(text)],
                            ]
                        ),
                    ],
                    MassUnit.Kg
                ),
            piece
        );

    // At the length up to which each is read at all: every piece, repeated, and in pairs.
    [Fact]
    public void The_longest_line_that_is_read_ends()
    {
        foreach (var first in Pieces)
        foreach (var second in Pieces)
        {
            var text = new StringBuilder();
            while (text.Length < NotationParser.LineMaximum)
                text.Append((string)first).Append((string)second);
            var line = text.ToString()[..NotationParser.LineMaximum];
            NotationParser.Parse(line, MassUnit.Kg);
            DoneCell.Read(Cell.Of(line[..DoneCell.LengthMaximum]), timed: true, MassUnit.Kg);
        }
    }

    [Fact]
    public void A_cell_is_cut_where_a_spreadsheet_ends_it()
    {
        Assert.Equal(Cell.LengthMaximum, Cell.Of(new string('a', Cell.LengthMaximum)).Text.Length);
        Assert.Equal(Cell.LengthMaximum, Cell.Of(new string('a', Cell.LengthMaximum + 1)).Text.Length);
    }
}
