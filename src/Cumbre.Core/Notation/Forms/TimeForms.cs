using System.Text;
using Cumbre.Core.Lexing;
using Cumbre.Core.Measures;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Notation.Forms;

/// <summary><c>negative 4 x 1 lower 8 s</c>.</summary>
internal sealed class NegativeForm : Form
{
    public override string Word => "negative";

    public override Prescription? Parse(Cursor cursor, int sets)
    {
        var total = cursor.Sets();
        cursor.Times();
        var reps = cursor.Reps();
        var clauses = new Clauses();
        // It has only the lowering figure: no tempo, no pause.
        clauses.Read(cursor, Clause.Lower | Clause.Load | Clause.Rest | Clause.Grip | Clause.Sides | Clause.SetUp);
        if (!cursor.Failed && !clauses.Seen.HasFlag(Clause.Lower))
            cursor.Unexpected(Expectation.Lower);
        return cursor.Unless(() => clauses.On(new Negatives(total, reps, clauses.Lower)));
    }

    public override bool Head(StringBuilder line, Prescription plan)
    {
        if (plan is not Negatives n)
            return false;
        line.Append(I, $"negative {n.SetTotal} x {n.Reps} lower {n.LowerSeconds} s");
        return true;
    }
}

/// <summary><c>hold 5 x 8 s</c>, <c>hold 7, 7, 6 s</c>, <c>hold 5 x 60 % best</c>, <c>hold 24 s in 3</c>.</summary>
internal sealed class HoldForm : Form
{
    private const Clause Allowed = Clause.Load | Clause.Rest | Clause.Grip | Clause.Sides | Clause.SetUp;

    public override string Word => "hold";

    public override Prescription? Parse(Cursor cursor, int sets)
    {
        var at = cursor.Current;
        var first = cursor.Whole(Expectation.HoldSets, 1, HoldSets.SecondsMaximum);
        if (cursor.Failed)
            return null;
        if (cursor.Take("s"))
            return Broken(cursor, at, first);
        if (cursor.Current.Kind == TokenKind.Comma)
            return Varied(cursor, at, first);
        if (
            !cursor.Require(TokenKind.Times, Expectation.Times, Expectation.SecondsUnit)
            || !cursor.InRange(first, Limits.SetsMinimum, Limits.SetsMaximum, at, Expectation.SetCount)
        )
            return null;
        var figure = cursor.Current;
        var value = cursor.AnyNumber(Expectation.HoldSeconds);
        if (cursor.Take(TokenKind.Percent))
        {
            cursor.Require("best", Expectation.PercentBest);
            if (!cursor.Failed)
                cursor.InRange(
                    value,
                    HoldSets.PercentMinimum,
                    HoldSets.PercentMaximum,
                    figure,
                    Expectation.HoldSeconds
                );
            var share = new Clauses();
            share.Read(cursor, Allowed);
            return cursor.Unless(() => share.On(new HoldSets(first, null, value)));
        }

        if (
            !cursor.Failed
            && cursor.InRange(value, 1, HoldSets.SecondsMaximum, figure, Expectation.HoldSeconds)
            && !figure.IsWhole
        )
            cursor.Fail(NotationFault.NotWhole, figure, [Expectation.HoldSeconds]);
        cursor.Require("s", Expectation.SecondsUnit);
        var clauses = new Clauses();
        clauses.Read(cursor, Allowed);
        return cursor.Unless(() => clauses.On(new HoldSets(first, (int)value)));
    }

    public override bool Head(StringBuilder line, Prescription plan)
    {
        switch (plan)
        {
            case HoldSets { Seconds: { } seconds } h:
                line.Append(I, $"hold {h.SetTotal} x {seconds} s");
                return true;
            case HoldSets h:
                line.Append(I, $"hold {h.SetTotal} x {NotationPrinter.Number(h.BestPercent!.Value)} % best");
                return true;
            case VariedHolds v:
                line.Append(I, $"hold {string.Join(", ", v.Seconds)} s");
                return true;
            case BrokenHold b:
                line.Append(I, $"hold {b.TotalSeconds} s in {b.Pieces}");
                return true;
            default:
                return false;
        }
    }

    /// <summary>Seconds of each set between commas; equal ones are straight holds.</summary>
    private static Prescription? Varied(Cursor cursor, Token at, int first)
    {
        var seconds = new List<int> { first };
        while (!cursor.Failed && cursor.Take(TokenKind.Comma))
            seconds.Add(cursor.Whole(Expectation.HoldSeconds, 1, HoldSets.SecondsMaximum));
        cursor.Require("s", Expectation.SecondsUnit);
        if (!cursor.Failed && seconds.Count > Limits.SetsMaximum)
            cursor.Fail(
                NotationFault.OutOfRange,
                cursor.Span(at),
                [Expectation.SetCount],
                Limits.SetsMinimum,
                Limits.SetsMaximum
            );
        var clauses = new Clauses();
        clauses.Read(cursor, Allowed);
        return cursor.Unless(() => clauses.On(VariedHolds.Of(seconds)));
    }

    private static BrokenHold? Broken(Cursor cursor, Token at, int total)
    {
        cursor.Require("in", Expectation.InPieces);
        var pieces = cursor.Whole(Expectation.InPieces, 2, Limits.SetsMaximum);
        if (!cursor.Failed && total % pieces != 0)
        {
            var longer = Math.Min(
                total + pieces - total % pieces,
                HoldSets.SecondsMaximum - HoldSets.SecondsMaximum % pieces
            );
            cursor.Fail(
                NotationFault.NotInEqualPieces,
                at,
                [Expectation.HoldSeconds],
                longer - pieces,
                longer,
                cursor.With(at, (longer - pieces).ToString(I)),
                cursor.With(at, longer.ToString(I))
            );
        }

        var clauses = new Clauses();
        clauses.Read(cursor, Allowed);
        return cursor.Unless(() => clauses.On(new BrokenHold(total, pieces)));
    }
}
