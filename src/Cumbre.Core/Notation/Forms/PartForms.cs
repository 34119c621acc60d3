using System.Text;
using Cumbre.Core.Lexing;
using Cumbre.Core.Measures;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Notation.Forms;

/// <summary><c>2 x drop 4+4+6 @ +20 / +10 / 0 kg</c>.</summary>
internal sealed class DropForm : Form
{
    public override string Word => "drop";

    public override bool IsCounted => true;

    public override Prescription? Parse(Cursor cursor, int sets)
    {
        var parts = cursor.Series(TokenKind.Plus, Expectation.Plus, DropSet.PartsMinimum, DropSet.PartsMaximum);
        if (!cursor.Require(TokenKind.At, Expectation.Load))
            return null;
        var loads = Falling(cursor, parts.Length);
        var clauses = new Clauses();
        clauses.Read(
            cursor,
            Clause.Grip | Clause.Tempo | Clause.Rest | Clause.Pause | Clause.Sides | Clause.SetUp,
            parts.Length
        );
        return cursor.Unless(() => clauses.On(new DropSet(sets, [.. parts], [.. loads!])));
    }

    public override bool Head(StringBuilder line, Prescription plan)
    {
        if (plan is not DropSet d)
            return false;
        line.Append(I, $"{d.SetTotal} x drop {string.Join('+', d.Parts)} @ {NotationPrinter.Loads(d.Loads, " / ")}");
        return true;
    }

    private static IReadOnlyList<MassEntry>? Falling(Cursor cursor, int parts)
    {
        if (LoadList.Read(cursor, TokenKind.Slash, Expectation.Slash, parts) is not { } list)
            return null;
        var loads = list.Loads;
        for (var i = 1; i < loads.Count; i++)
        {
            if (loads[i].Mass < loads[i - 1].Mass)
                continue;
            var falling = loads.DistinctBy(l => l.Mass).OrderByDescending(l => l.Mass.Kilograms).ToArray();
            string[] mended =
                falling.Length == parts
                    ? [cursor.With(cursor.Span(list.Open), NotationPrinter.Loads(falling, " / "))]
                    : [];
            cursor.Fail(NotationFault.LoadsDoNotFall, list.Places[i], [Expectation.Load], ways: mended);
            return null;
        }

        return loads;
    }
}

/// <summary><c>2 x rest-pause gap 30 s rest 1:30</c>.</summary>
internal sealed class RestPauseForm : Form
{
    public override string Word => "rest-pause";

    public override bool IsCounted => true;

    public override Prescription? Parse(Cursor cursor, int sets)
    {
        var clauses = new Clauses();
        clauses.Read(cursor, (Clause.OfReps & ~Clause.Effort) | Clause.Gap);
        if (!cursor.Failed && clauses.Gap is null)
            cursor.Unexpected(Expectation.Gap);
        return cursor.Unless(() => clauses.On(new RestPause(sets, clauses.Gap!)));
    }

    public override bool Head(StringBuilder line, Prescription plan)
    {
        if (plan is not RestPause r)
            return false;
        line.Append(I, $"{r.SetTotal} x rest-pause gap {NotationPrinter.Gap(r.Gap)}");
        return true;
    }
}

/// <summary><c>3 x cluster 2+2+2 gap 20 s @ +30 kg</c>.</summary>
internal sealed class ClusterForm : Form
{
    public override string Word => "cluster";

    public override bool IsCounted => true;

    public override Prescription? Parse(Cursor cursor, int sets)
    {
        var pieces = cursor.Series(
            TokenKind.Plus,
            Expectation.Plus,
            ClusterSets.PiecesMinimum,
            ClusterSets.PiecesMaximum
        );
        var clauses = new Clauses();
        clauses.Read(cursor, Clause.OfReps | Clause.Gap);
        if (!cursor.Failed && clauses.Gap is null)
            cursor.Unexpected(Expectation.Gap);
        return cursor.Unless(() => clauses.On(new ClusterSets(sets, [.. pieces], clauses.Gap!)));
    }

    public override bool Head(StringBuilder line, Prescription plan)
    {
        if (plan is not ClusterSets c)
            return false;
        line.Append(I, $"{c.SetTotal} x cluster {string.Join('+', c.Pieces)} gap {NotationPrinter.Gap(c.Gap)}");
        return true;
    }
}

/// <summary><c>every 1:20 x 5 do 6</c>, <c>every 1:00 x 10 do 3..5</c>.</summary>
internal sealed class ClockForm : Form
{
    public override string Word => "every";

    public override Prescription? Parse(Cursor cursor, int sets)
    {
        var every = cursor.Duration(Expectation.Every, OnTheClock.EveryMinimum, OnTheClock.EveryMaximum);
        cursor.Times(Expectation.RoundCount);
        var rounds = cursor.Sets();
        cursor.Require("do", Expectation.Do);
        var (low, high) = cursor.RepRange();
        var clauses = new Clauses();
        clauses.Read(cursor, (Clause.OfReps & ~Clause.Rest) | Clause.Fast, rounds);
        return cursor.Unless(() =>
            clauses.On(new OnTheClock(every, rounds, low, clauses.Fast, high > low ? high : null))
        );
    }

    public override bool Head(StringBuilder line, Prescription plan)
    {
        if (plan is not OnTheClock c)
            return false;
        line.Append(
            I,
            $"every {NotationPrinter.Clock(c.EverySeconds)} x {c.Rounds} do {c.Reps}{(c.Most is { } most ? $"..{most}" : "")}"
        );
        return true;
    }
}

/// <summary><c>pyramid 1-3-5-7-5-3-1 in 8:00</c>, <c>pyramid 1-2-3-2-1 unbroken</c>.</summary>
internal sealed class PyramidForm : Form
{
    public override string Word => "pyramid";

    public override Prescription? Parse(Cursor cursor, int sets)
    {
        var rungs = cursor.Series(TokenKind.Minus, Expectation.Rung, Pyramid.RungsMinimum, Pyramid.RungsMaximum);
        var clauses = new Clauses();
        clauses.Read(cursor, (Clause.OfReps & ~Clause.Effort) | Clause.Timed | Clause.Unbroken);
        return cursor.Unless(() => clauses.On(new Pyramid([.. rungs], clauses.Unbroken)));
    }

    public override bool Head(StringBuilder line, Prescription plan)
    {
        if (plan is not Pyramid p)
            return false;
        line.Append(I, $"pyramid {string.Join('-', p.Rungs)}");
        return true;
    }
}
