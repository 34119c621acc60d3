using System.Text;
using Cumbre.Core.Lexing;
using Cumbre.Core.Measures;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Notation.Forms;

/// <summary><c>4 x 5</c>, <c>3 x 8..10 then +2.5 kg</c>, <c>5 x 3 fast</c>, <c>3 x 8..12 + stretch 15 s</c>.</summary>
internal sealed class RepsForm : Form
{
    public override string? Word => null;

    public override bool Leads => false;

    public override Prescription? Parse(Cursor cursor, int sets)
    {
        var (low, high) = cursor.RepRange();
        var range = high > low;
        cursor.MayFollow(range ? [Expectation.Stretch] : [Expectation.Range, Expectation.Stretch]);
        if (!cursor.Failed && cursor.Take(TokenKind.Plus))
        {
            if (!cursor.Require("stretch", Expectation.Stretch))
                return null;
            var stretch = Clauses.ReadSeconds(cursor, Expectation.StretchSeconds, RepsWithStretch.StretchMaximum);
            var held = new Clauses();
            held.Read(cursor, Clause.OfReps);
            return cursor.Unless(() => held.On(new RepsWithStretch(sets, low, high, stretch)));
        }

        var clauses = new Clauses();
        clauses.Read(cursor, Clause.OfReps | Clause.Fast | Clause.Timed | (range ? Clause.Increment : Clause.None));
        if (clauses is { Fast: true, Increment: not null } or { Fast: true, Timed: not null })
            cursor.Unexpected(Expectation.EndOfLine);
        return cursor.Unless<Prescription>(() =>
            clauses.Fast ? clauses.On(new ExplosiveSets(sets, low, high))
            : range ? clauses.On(new DoubleProgression(sets, low, high, clauses.Increment))
            : clauses.On(new StraightSets(sets, low))
        );
    }

    public override bool Head(StringBuilder line, Prescription plan)
    {
        switch (plan)
        {
            case StraightSets s:
                line.Append(I, $"{s.SetTotal} x {s.Reps}");
                return true;
            case DoubleProgression d:
                line.Append(I, $"{d.SetTotal} x {d.Low}..{d.High}");
                return true;
            case ExplosiveSets e:
                line.Append(I, $"{e.SetTotal} x {Range(e.Low, e.High)}");
                return true;
            case RepsWithStretch r:
                line.Append(I, $"{r.SetTotal} x {Range(r.Low, r.High)} + stretch {r.StretchSeconds} s");
                return true;
            default:
                return false;
        }
    }

    private static string Range(int low, int high) =>
        low == high ? low.ToString(I) : string.Create(I, $"{low}..{high}");
}

/// <summary><c>top 1 x 4 1 in reserve, back-off 3 x 8 @ -12 % top</c>.</summary>
internal sealed class TopForm : Form
{
    public override string Word => "top";

    public override Prescription? Parse(Cursor cursor, int sets)
    {
        var topSets = cursor.Sets();
        cursor.Times();
        var topReps = cursor.Reps();
        var clauses = new Clauses();
        clauses.Read(cursor, Clause.Load | Clause.Effort | Clause.SetUp, stop: c =>
            c.Current.Kind == TokenKind.Comma || c.Is("back-off")
        );
        if (cursor.Failed)
            return null;
        cursor.Take(TokenKind.Comma);
        if (!cursor.Require("back-off", Expectation.BackOff))
            return null;
        var backOffSets = cursor.Sets();
        cursor.Times();
        var reps = cursor.Reps();
        cursor.Require(TokenKind.At, Expectation.BackOffPercent);
        cursor.Require(TokenKind.Minus, Expectation.BackOffPercent);
        var percent = cursor.Number(
            Expectation.BackOffPercent,
            TopSetBackOff.BackOffMinimum,
            TopSetBackOff.BackOffMaximum
        );
        cursor.Require(TokenKind.Percent, Expectation.PercentSign);
        cursor.Require("top", Expectation.PercentTop);
        clauses.Read(cursor, Clause.OfReps & ~(Clause.Load | Clause.Effort | Clause.SetUp));
        return cursor.Unless(() => clauses.On(new TopSetBackOff(topSets, topReps, backOffSets, reps, percent)));
    }

    public override bool Head(StringBuilder line, Prescription plan)
    {
        if (plan is not TopSetBackOff t)
            return false;
        line.Append(I, $"top {t.TopSets} x {t.TopReps}");
        return true;
    }
}

/// <summary><c>sets 6, 6, 6, 5</c>, <c>sets 5, 4, 3 @ +10, +15, +20 kg</c>.</summary>
internal sealed class VariedForm : Form
{
    public override string Word => "sets";

    public override Prescription? Parse(Cursor cursor, int sets)
    {
        var reps = cursor.Series(TokenKind.Comma, Expectation.NextSet, VariedSets.SetsLeast, Limits.SetsMaximum);
        IReadOnlyList<MassEntry>? loads = null;
        if (!cursor.Failed && SeveralLoads(cursor))
        {
            cursor.Skip();
            loads = LoadList.Read(cursor, TokenKind.Comma, Expectation.NextSet, reps.Length)?.Loads;
        }

        var clauses = new Clauses();
        clauses.Read(cursor, Clause.Timed | (loads is null ? Clause.OfReps : Clause.OfReps & ~Clause.Load));
        return cursor.Unless(() => loads is null ? clauses.On(VariedSets.Of(reps)) : Loaded(clauses, reps, loads));
    }

    public override bool Head(StringBuilder line, Prescription plan)
    {
        if (plan is not VariedSets v)
            return false;
        line.Append(I, $"sets {string.Join(", ", v.Reps)}");
        if (v.Loads is { } loads)
            line.Append(" @ ").Append(NotationPrinter.Loads(loads, ", "));
        return true;
    }

    /// <summary>Equal loads of equal sets are one load, which the clauses must not take away again.</summary>
    private static Prescription Loaded(Clauses clauses, int[] reps, IReadOnlyList<MassEntry> loads)
    {
        var plan = VariedSets.Of(reps, loads);
        return clauses.On(plan) with { Load = plan.Load };
    }

    /// <summary>A comma between loads tells that each set has its own.</summary>
    private static bool SeveralLoads(Cursor cursor) =>
        cursor.Current.Kind == TokenKind.At && cursor.Ahead(TokenKind.Comma);
}

/// <summary><c>2 x max</c>.</summary>
internal sealed class MaxForm : Form
{
    public override string Word => "max";

    public override bool IsCounted => true;

    public override Prescription? Parse(Cursor cursor, int sets)
    {
        var word = cursor.Previous;
        var clauses = new Clauses();
        clauses.Read(cursor, Clause.OfReps);
        // With some left it is no maximum: practice at body mass, and with a load on it reps have to be said.
        if (clauses is { Effort: InReserve, Load.Adds: true })
            cursor.Fail(NotationFault.ReserveOfMax, word, [Expectation.RepCount]);
        return cursor.Unless<Prescription>(() =>
            clauses.Effort is InReserve ? clauses.On(new PracticeSets(sets)) : clauses.On(new MaxSets(sets))
        );
    }

    public override bool Head(StringBuilder line, Prescription plan)
    {
        if (plan is not MaxSets m)
            return false;
        line.Append(I, $"{m.SetTotal} x {(m is { Effort: InReserve, Load: not { Adds: true } } ? "practice" : "max")}");
        return true;
    }
}

/// <summary><c>2 x practice</c>.</summary>
internal sealed class PracticeForm : Form
{
    public override string Word => "practice";

    public override bool IsCounted => true;

    public override Prescription? Parse(Cursor cursor, int sets)
    {
        var clauses = new Clauses();
        clauses.Read(cursor, Clause.OfReps);
        return cursor.Unless(() => clauses.On(new PracticeSets(sets)));
    }

    public override bool Head(StringBuilder line, Prescription plan)
    {
        if (plan is not PracticeSets p)
            return false;
        line.Append(I, $"{p.SetTotal} x practice");
        return true;
    }
}
