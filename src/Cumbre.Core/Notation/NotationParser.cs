using Cumbre.Core.Measures;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Notation;

/// <summary>Parses a whiteboard line into a structured plan. The grammar is in docs/notation.md.</summary>
public static class NotationParser
{
    /// <summary>Longer lines are refused unread.</summary>
    public const int LineMaximum = 300;

    /// <summary>Never throws: the result holds a plan or an error with its place.</summary>
    public static NotationResult Parse(string line)
    {
        if (line.Length > LineMaximum)
            return new(null, new(NotationFault.TooLong, LineMaximum, line.Length - LineMaximum, [], null, LineMaximum), []);
        var tokens = Lexer.Tokens(line);
        var parser = new Run(tokens);
        var plan = parser.Line();
        return new(parser.Error is null ? plan : null, parser.Error, tokens);
    }

    /// <summary>One pass over the tokens. After the first error every method returns at once, and the error stays.</summary>
    private sealed class Run(IReadOnlyList<Token> tokens)
    {
        private readonly Clauses clauses = new();
        private int next;

        public NotationError? Error { get; private set; }

        private Token Current => tokens[next];

        public Prescription? Line()
        {
            if (IsWord("top"))
                return TopAndBackOff();
            if (IsWord("drop"))
                return Drop(1);
            if (Current.Kind != TokenKind.Number)
                return Unexpected(Expectation.SetCount, Expectation.Top, Expectation.Drop);
            var sets = Whole(Expectation.SetCount, Limits.SetsMinimum, Limits.SetsMaximum);
            Times();
            if (Error is not null)
                return null;
            if (IsWord("drop"))
                return Drop(sets);
            if (Current.Kind != TokenKind.Number)
                return Unexpected(Expectation.RepCount, Expectation.Drop);
            return Straight(sets);
        }

        private Prescription? Straight(int sets)
        {
            var low = Reps();
            int? high = null;
            if (Error is null && Take(TokenKind.Range))
            {
                var place = Current;
                high = Reps();
                if (Error is null && high <= low)
                    Fail(NotationFault.RangeReversed, place, [Expectation.RepCount], low + 1, Limits.RepsMaximum);
            }

            Modifiers(Clause.Load | Clause.Effort | Clause.Tempo | Clause.Rest | (high is null ? 0 : Clause.Increment));
            if (Error is not null)
                return null;
            return high is { } top
                ? new DoubleProgression(sets, low, top, clauses.Load, clauses.Effort, clauses.Increment, clauses.Tempo, clauses.Rest)
                : new StraightSets(sets, low, clauses.Load, clauses.Effort, clauses.Tempo, clauses.Rest);
        }

        private Prescription? TopAndBackOff()
        {
            next++;
            var topSets = Whole(Expectation.SetCount, Limits.SetsMinimum, Limits.SetsMaximum);
            Times();
            var topReps = Reps();
            Modifiers(Clause.Load | Clause.Effort, stopAtBackOff: true);
            if (Error is not null)
                return null;
            Take(TokenKind.Comma);
            if (!TakeWord("back-off"))
                return Unexpected(Expectation.BackOff);
            var sets = Whole(Expectation.SetCount, Limits.SetsMinimum, Limits.SetsMaximum);
            Times();
            var reps = Reps();
            if (Error is null && !Take(TokenKind.At))
                return Unexpected(Expectation.BackOffPercent);
            if (Error is null && !Take(TokenKind.Minus))
                return Unexpected(Expectation.BackOffPercent);
            var percent = Number(Expectation.BackOffPercent, TopSetBackOff.BackOffMinimum, TopSetBackOff.BackOffMaximum);
            if (Error is null && !Take(TokenKind.Percent))
                return Unexpected(Expectation.PercentSign);
            if (Error is null && !TakeWord("top"))
                return Unexpected(Expectation.PercentTop);
            Modifiers(Clause.Tempo | Clause.Rest);
            return Error is null
                ? new TopSetBackOff(topSets, topReps, sets, reps, percent, clauses.Load, clauses.Effort, clauses.Tempo, clauses.Rest)
                : null;
        }

        private Prescription? Drop(int sets)
        {
            next++;
            var first = Current;
            var parts = new List<int> { Reps() };
            while (Error is null && Take(TokenKind.Plus))
                parts.Add(Reps());
            if (Error is not null)
                return null;
            if (parts.Count is < DropSet.PartsMinimum or > DropSet.PartsMaximum)
            {
                var end = tokens[next - 1];
                return parts.Count < DropSet.PartsMinimum
                    ? Unexpected(Expectation.Plus)
                    : Fail(NotationFault.OutOfRange, first with { Length = end.Start + end.Length - first.Start }, [Expectation.Plus], DropSet.PartsMinimum, DropSet.PartsMaximum);
            }

            if (!Take(TokenKind.At))
                return Unexpected(Expectation.Load);
            var loads = DropLoads(parts.Count);
            Modifiers(Clause.Grip | Clause.Tempo | Clause.Rest, parts.Count);
            return Error is null ? new DropSet(sets, parts, loads!, clauses.Grips, clauses.Tempo, clauses.Rest) : null;
        }

        /// <summary>Loads between strokes. A unit counts for the loads before it that have none.</summary>
        private List<MassEntry>? DropLoads(int parts)
        {
            var open = Current;
            var read = new List<(Token At, decimal Value, MassUnit? Unit)>();
            do
            {
                Take(TokenKind.Plus);
                var at = Current;
                var value = AnyNumber(Expectation.Load);
                if (Error is not null)
                    return null;
                read.Add((at, value, TryUnit()));
            }
            while (Take(TokenKind.Slash));

            if (read[^1].Unit is null)
                return Unexpected<List<MassEntry>>(read.Count < parts ? [Expectation.Slash, Expectation.Unit] : [Expectation.Unit]);
            if (read.Count != parts)
            {
                var end = tokens[next - 1];
                return Fail<List<MassEntry>>(NotationFault.PartsDiffer, open with { Length = end.Start + end.Length - open.Start }, [Expectation.Load], parts, parts);
            }

            var loads = new List<MassEntry>();
            for (var i = 0; i < read.Count; i++)
            {
                var entry = new MassEntry(read[i].Value, read.Skip(i).First(r => r.Unit is not null).Unit!.Value);
                if (!InRange(entry, 0, Limits.AddedLoadMaximum, read[i].At, Expectation.Load))
                    return null;
                if (i > 0 && entry.Mass >= loads[i - 1].Mass)
                    return Fail<List<MassEntry>>(NotationFault.LoadsDoNotFall, read[i].At, [Expectation.Load]);
                loads.Add(entry);
            }

            return loads;
        }

        private void Modifiers(Clause allowed, int parts = 0, bool stopAtBackOff = false)
        {
            while (Error is null && Current.Kind != TokenKind.End)
            {
                if (stopAtBackOff && (Current.Kind == TokenKind.Comma || IsWord("back-off")))
                    return;
                var at = Current;
                var clause = Recognise();
                if (clause == 0 || !allowed.HasFlag(clause))
                {
                    Unexpected(clause == Clause.Increment ? [Expectation.RepRange] : [.. ExpectedOf(allowed & ~clauses.Seen), stopAtBackOff ? Expectation.BackOff : Expectation.EndOfLine]);
                    return;
                }

                if (clauses.Seen.HasFlag(clause))
                {
                    Fail(NotationFault.Twice, at, []);
                    return;
                }

                clauses.Seen |= clause;
                Read(clause, parts);
            }
        }

        private static IEnumerable<Expectation> ExpectedOf(Clause clauses)
        {
            if (clauses.HasFlag(Clause.Load))
                yield return Expectation.Load;
            if ((clauses & ~Clause.Load) != 0)
                yield return Expectation.Modifier;
        }

        private Clause Recognise() => Current switch
        {
            { Kind: TokenKind.At } => Clause.Load,
            { Kind: TokenKind.Number } => Clause.Effort,
            { Kind: TokenKind.Word, Text: "to" } => Clause.Effort,
            { Kind: TokenKind.Word, Text: "then" } => Clause.Increment,
            { Kind: TokenKind.Word, Text: "tempo" } => Clause.Tempo,
            { Kind: TokenKind.Word, Text: "rest" } => Clause.Rest,
            { Kind: TokenKind.Word, Text: "grip" } => Clause.Grip,
            _ => 0,
        };

        private void Read(Clause clause, int parts)
        {
            if (clause != Clause.Effort || Current.Kind == TokenKind.Word)
                next++;
            switch (clause)
            {
                case Clause.Load:
                    clauses.Load = Load();
                    break;
                case Clause.Effort:
                    clauses.Effort = Effort();
                    break;
                case Clause.Increment:
                    clauses.Increment = Increment();
                    break;
                case Clause.Tempo:
                    clauses.Tempo = Tempo();
                    break;
                case Clause.Rest:
                    clauses.Rest = Rest();
                    break;
                case Clause.Grip:
                    clauses.Grips = Grips(parts);
                    break;
            }
        }

        private LoadSpec? Load()
        {
            var sign = Sign();
            var at = Current;
            var value = sign * AnyNumber(Expectation.Load);
            if (Error is not null)
                return null;
            if (Take(TokenKind.Percent))
            {
                if (TakeWord("e1rm"))
                    return InRange(value, ShareOfOneRepMax.Minimum, ShareOfOneRepMax.Maximum, at, Expectation.Load) ? new ShareOfOneRepMax(value) : null;
                if (TakeWord("bm"))
                    return InRange(value, ShareOfBodyMass.Minimum, ShareOfBodyMass.Maximum, at, Expectation.Load) ? new ShareOfBodyMass(value) : null;
                return Unexpected<LoadSpec>(Expectation.PercentBase);
            }

            if (TryUnit() is not { } unit)
                return Unexpected<LoadSpec>(Expectation.UnitOrPercent);
            var entry = new MassEntry(value, unit);
            return InRange(entry, Limits.AddedLoadMinimum, Limits.AddedLoadMaximum, at, Expectation.Load) ? new AddedLoad(entry) : null;
        }

        private Effort? Effort()
        {
            if (Current.Kind == TokenKind.Number)
            {
                var reserve = Whole(Expectation.InReserve, Limits.ReserveMinimum, Limits.ReserveMaximum);
                if (Error is null && !(TakeWord("in") && TakeWord("reserve")))
                    return Unexpected<Effort>(Expectation.InReserve);
                return Error is null ? new InReserve(reserve) : null;
            }

            return TakeWord("failure") ? new ToFailure() : Unexpected<Effort>(Expectation.Failure);
        }

        private MassEntry? Increment()
        {
            Take(TokenKind.Plus);
            var at = Current;
            var value = AnyNumber(Expectation.Increment);
            if (Error is not null)
                return null;
            if (TryUnit() is not { } unit)
            {
                Unexpected(Expectation.Unit);
                return null;
            }

            var entry = new MassEntry(value, unit);
            return InRange(entry, DoubleProgression.IncrementMinimum, DoubleProgression.IncrementMaximum, at, Expectation.Increment) ? entry : null;
        }

        private Tempo? Tempo()
        {
            var lowering = Phase(Expectation.TempoLowering);
            Dash();
            var bottom = Phase(Expectation.TempoBottom);
            Dash();
            int? lifting = null;
            if (Error is null && !Take(TokenKind.Times))
                lifting = Phase(Expectation.TempoLifting);
            Dash();
            var top = Phase(Expectation.TempoTop);
            return Error is null ? new Tempo(lowering, bottom, lifting, top) : null;
        }

        private int Phase(Expectation expected)
        {
            if (Error is null && Current.Kind == TokenKind.Times)
            {
                Fail(NotationFault.FastOnlyWhenLifting, Current, [expected], 0, Limits.TempoPhaseMaximum);
                return 0;
            }

            return Whole(expected, 0, Limits.TempoPhaseMaximum);
        }

        private void Dash()
        {
            if (Error is null && !Take(TokenKind.Minus))
                Unexpected(Expectation.TempoDash);
        }

        private int? Rest()
        {
            var at = Current;
            var value = AnyNumber(Expectation.Duration);
            if (Error is not null)
                return null;
            decimal seconds;
            if (Take(TokenKind.Colon))
            {
                if (Current is not { Kind: TokenKind.Number, IsWhole: true, Length: 2, Number: < 60 } second || !at.IsWhole)
                {
                    Unexpected(Expectation.TwoDigitSeconds);
                    return null;
                }

                next++;
                seconds = value * 60 + second.Number;
            }
            else if (TakeWord("s"))
            {
                seconds = value;
            }
            else if (TakeWord("min"))
            {
                seconds = value * 60;
            }
            else
            {
                Unexpected(Expectation.DurationUnit);
                return null;
            }

            if (seconds != Math.Floor(seconds))
            {
                Fail(NotationFault.NotWhole, at, [Expectation.Duration]);
                return null;
            }

            return InRange(seconds, 0, Limits.RestMaximum, at, Expectation.Duration) ? (int)seconds : null;
        }

        private List<Grip>? Grips(int parts)
        {
            var open = Current;
            var grips = new List<Grip>();
            do
            {
                if (Current.Kind != TokenKind.Word || !Enum.TryParse<Grip>(Current.Text, ignoreCase: true, out var grip))
                    return Unexpected<List<Grip>>(Expectation.Grip);
                grips.Add(grip);
                next++;
            }
            while (Take(TokenKind.Slash));

            if (grips.Count == parts)
                return grips;
            var end = tokens[next - 1];
            return Fail<List<Grip>>(NotationFault.PartsDiffer, open with { Length = end.Start + end.Length - open.Start }, [Expectation.Grip], parts, parts);
        }

        private int Reps() => Whole(Expectation.RepCount, Limits.RepsMinimum, Limits.RepsMaximum);

        private void Times()
        {
            if (Error is null && !Take(TokenKind.Times))
                Unexpected(Expectation.Times);
        }

        private int Whole(Expectation expected, int minimum, int maximum)
        {
            var at = Current;
            var value = Number(expected, minimum, maximum);
            if (Error is null && !at.IsWhole)
                Fail(NotationFault.NotWhole, at, [expected], minimum, maximum);
            return Error is null ? (int)value : minimum;
        }

        private decimal Number(Expectation expected, decimal minimum, decimal maximum)
        {
            var at = Current;
            var value = AnyNumber(expected);
            return Error is null && InRange(value, minimum, maximum, at, expected) ? value : minimum;
        }

        private decimal AnyNumber(Expectation expected)
        {
            if (Error is not null)
                return 0;
            if (Current.Kind != TokenKind.Number)
            {
                Unexpected(expected);
                return 0;
            }

            var value = Current.Number;
            next++;
            return value;
        }

        private int Sign()
        {
            if (Take(TokenKind.Minus))
                return -1;
            Take(TokenKind.Plus);
            return 1;
        }

        private MassUnit? TryUnit()
        {
            if (TakeWord("kg"))
                return MassUnit.Kg;
            return TakeWord("lb") || TakeWord("lbs") ? MassUnit.Lb : null;
        }

        private bool InRange(decimal value, decimal minimum, decimal maximum, Token at, Expectation expected)
        {
            if (value >= minimum && value <= maximum)
                return true;
            Fail(NotationFault.OutOfRange, at, [expected], minimum, maximum);
            return false;
        }

        private bool InRange(MassEntry entry, decimal minimum, decimal maximum, Token at, Expectation expected)
        {
            if (entry.Mass.Kilograms >= minimum && entry.Mass.Kilograms <= maximum)
                return true;
            Fail(NotationFault.OutOfRange, at, [expected], Mass.FromKilograms(minimum).In(entry.Unit), Mass.FromKilograms(maximum).In(entry.Unit));
            return false;
        }

        private bool Take(TokenKind kind)
        {
            if (Error is not null || Current.Kind != kind)
                return false;
            next++;
            return true;
        }

        private bool IsWord(string text) => Current.Kind == TokenKind.Word && Current.Text == text;

        private bool TakeWord(string text)
        {
            if (Error is not null || !IsWord(text))
                return false;
            next++;
            return true;
        }

        private Prescription? Unexpected(params Expectation[] expected) => Unexpected<Prescription>(expected);

        private T? Unexpected<T>(params Expectation[] expected)
            where T : class => Fail<T>(NotationFault.Unexpected, Current, expected);

        private Prescription? Fail(NotationFault fault, Token at, Expectation[] expected, decimal? minimum = null, decimal? maximum = null) =>
            Fail<Prescription>(fault, at, expected, minimum, maximum);

        private T? Fail<T>(NotationFault fault, Token at, Expectation[] expected, decimal? minimum = null, decimal? maximum = null)
            where T : class
        {
            Error ??= new(fault, at.Start, at.Length, expected, minimum, maximum);
            return null;
        }
    }

    [Flags]
    private enum Clause
    {
        Load = 1,
        Effort = 2,
        Increment = 4,
        Tempo = 8,
        Rest = 16,
        Grip = 32,
    }

    /// <summary>What the modifiers of a line gave; each may stand once.</summary>
    private sealed class Clauses
    {
        public Clause Seen;
        public LoadSpec? Load;
        public Effort? Effort;
        public MassEntry? Increment;
        public Tempo? Tempo;
        public int? Rest;
        public List<Grip>? Grips;
    }
}
