using Cumbre.Core.Benchmarks;
using Cumbre.Core.Lexing;
using Cumbre.Core.Measures;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Notation;

/// <summary>What may follow the head of a line. Each may stand once.</summary>
[Flags]
internal enum Clause
{
    None = 0,
    Load = 1,
    Effort = 2,
    Increment = 4,
    Tempo = 8,
    Rest = 16,
    Grip = 32,
    Sides = 64,
    Pause = 128,
    Fast = 256,
    Gap = 512,
    Lower = 1024,
    SetUp = 2048,
    Timed = 4096,
    Unbroken = 8192,

    /// <summary>What every method that is counted in reps may carry.</summary>
    OfReps = Load | Effort | Tempo | Rest | Grip | Sides | Pause | SetUp,
}

/// <summary>Reads the clauses after the head of a line.</summary>
internal sealed class Clauses
{
    public Clause Seen { get; private set; }

    public LoadSpec? Load { get; private set; }

    public Effort? Effort { get; private set; }

    public MassEntry? Increment { get; private set; }

    public Tempo? Tempo { get; private set; }

    public int? Rest { get; private set; }

    public int? RestMost { get; private set; }

    public TimeToBeat? Timed { get; private set; }

    public bool Unbroken { get; private set; }

    public IReadOnlyList<Grip>? Grips { get; private set; }

    public SidePlan? Sides { get; private set; }

    public Pause? Pause { get; private set; }

    public bool Fast { get; private set; }

    public Gap? Gap { get; private set; }

    public int Lower { get; private set; } = 1;

    public SetUp SetUp { get; private set; } = new();

    /// <summary>Reads on to the end of the line, or to where <paramref name="stop"/> says.</summary>
    /// <param name="cursor">At the first clause.</param>
    /// <param name="allowed">What this method may carry.</param>
    /// <param name="grips">How many grips besides one may be written; 1: only one.</param>
    /// <param name="stop">Where another head begins.</param>
    public void Read(Cursor cursor, Clause allowed, int grips = 1, Func<Cursor, bool>? stop = null)
    {
        while (!cursor.Failed && !cursor.AtEnd)
        {
            if (stop?.Invoke(cursor) == true)
                return;
            var at = cursor.Current;
            var clause = Recognise(cursor);
            if (clause == Clause.None)
            {
                cursor.Unexpected([
                    .. ExpectedOf(allowed & ~Seen),
                    stop is null ? Expectation.EndOfLine : Expectation.BackOff,
                ]);
                return;
            }

            if (!allowed.HasFlag(clause))
            {
                Refuse(cursor, clause, at, grips);
                return;
            }

            // A set-up has several parts; each may stand once.
            if (Seen.HasFlag(clause) && clause != Clause.SetUp)
            {
                cursor.Fail(NotationFault.Twice, at, []);
                return;
            }

            Seen |= clause;
            Read(cursor, clause, grips);
        }

        cursor.MayFollow(Opening(allowed & ~Seen));
        if (stop is null)
            Agree(cursor);
    }

    /// <summary>Puts what was read on a plan.</summary>
    public T On<T>(T plan)
        where T : Prescription =>
        plan with
        {
            Load = Load,
            Effort = Effort,
            Tempo = Tempo,
            RestSeconds = Rest,
            RestMost = RestMost,
            Timed = Timed,
            Sides = Sides,
            Pause = Pause,
            Grips = Grips is null ? null : [.. Grips],
            SetUp = SetUp.OrNone(SetUp),
        };

    private static void Refuse(Cursor cursor, Clause clause, Token at, int grips)
    {
        if (clause == Clause.Increment)
        {
            cursor.Unexpected(Expectation.RepRange);
            return;
        }

        // The clause is read to its end, so that the way on is the line without it.
        new Clauses().Read(cursor, clause, grips);
        if (!cursor.Failed)
        {
            var piece = cursor.Span(at);
            cursor.Fail(NotationFault.NotInThisMethod, piece, [], ways: cursor.Without(piece));
        }
    }

    private static IEnumerable<Expectation> ExpectedOf(Clause clauses)
    {
        if (clauses.HasFlag(Clause.Load))
            yield return Expectation.Load;
        if ((clauses & ~Clause.Load) != 0)
            yield return Expectation.Modifier;
    }

    private static IEnumerable<Expectation> Opening(Clause clauses)
    {
        foreach (
            var (clause, expectation) in new[]
            {
                (Clause.Lower, Expectation.Lower),
                (Clause.Gap, Expectation.Gap),
                (Clause.Load, Expectation.Load),
                (Clause.Effort, Expectation.Effort),
                (Clause.Increment, Expectation.Then),
                (Clause.Tempo, Expectation.Tempo),
                (Clause.Rest, Expectation.Rest),
                (Clause.Sides, Expectation.Sides),
                (Clause.Pause, Expectation.Pause),
                (Clause.Grip, Expectation.Grips),
                (Clause.Fast, Expectation.Fast),
                (Clause.Timed, Expectation.TimeToBeat),
                (Clause.Unbroken, Expectation.Unbroken),
                (Clause.SetUp, Expectation.SetUp),
            }
        )
        {
            if (clauses.HasFlag(clause))
                yield return expectation;
        }
    }

    private static Clause Recognise(Cursor cursor) =>
        cursor.Current switch
        {
            { Kind: TokenKind.At } => Clause.Load,
            { Kind: TokenKind.Number } => cursor.Following is { Kind: TokenKind.Word, Text: "finger" or "fingers" }
                ? Clause.SetUp
                : Clause.Effort,
            { Kind: TokenKind.Word, Text: "to" }
                when cursor.Following.Kind == TokenKind.Word
                    && Enum.TryParse<Contact>(cursor.Following.Text, ignoreCase: true, out _) => Clause.SetUp,
            { Kind: TokenKind.Word, Text: var word } => word switch
            {
                "to" or "last" => Clause.Effort,
                "then" => Clause.Increment,
                "tempo" => Clause.Tempo,
                "rest" => Clause.Rest,
                "grip" => Clause.Grip,
                "each" or "left" or "right" => Clause.Sides,
                "pause" => Clause.Pause,
                "fast" => Clause.Fast,
                "in" or "for" => Clause.Timed,
                "unbroken" => Clause.Unbroken,
                "gap" => Clause.Gap,
                "lower" => Clause.Lower,
                "box" or "pads" or "feet" or "strap" or "on" => Clause.SetUp,
                _ => Clause.None,
            },
            _ => Clause.None,
        };

    private void Read(Cursor cursor, Clause clause, int grips)
    {
        if (
            clause is not (Clause.Sides or Clause.SetUp)
            && (clause != Clause.Effort || cursor.Current.Kind == TokenKind.Word)
        )
            cursor.Skip();
        switch (clause)
        {
            case Clause.Load:
                Load = ReadLoad(cursor);
                break;
            case Clause.Effort:
                Effort = ReadEffort(cursor);
                break;
            case Clause.Increment:
                Increment = ReadIncrement(cursor);
                break;
            case Clause.Tempo:
                tempoAt = cursor.Current;
                Tempo = ReadTempo(cursor);
                tempoAt = cursor.Failed ? tempoAt : cursor.Span(tempoAt);
                break;
            case Clause.Rest:
                (Rest, RestMost) = ReadRest(cursor);
                break;
            case Clause.Timed:
                Timed = ReadTimed(cursor);
                break;
            case Clause.Unbroken:
                Unbroken = true;
                break;
            case Clause.Grip:
                Grips = ReadGrips(cursor, grips);
                break;
            case Clause.Sides:
                Sides = ReadSides(cursor);
                break;
            case Clause.Pause:
                pauseAt = cursor.Previous;
                Pause = ReadPause(cursor);
                pauseAt = cursor.Failed ? pauseAt : cursor.Span(pauseAt);
                break;
            case Clause.Fast:
                Fast = true;
                break;
            case Clause.Gap:
                Gap = ReadGap(cursor);
                break;
            case Clause.SetUp:
                SetUp = ReadSetUp(cursor, SetUp);
                break;
            case Clause.Lower:
                Lower = ReadSeconds(cursor, Expectation.LowerSeconds, Limits.TempoPhaseMaximum);
                break;
        }
    }

    private Token tempoAt,
        pauseAt;

    /// <summary>A pause that the tempo denies is an error; the way on is the tempo with the pause in it.</summary>
    private void Agree(Cursor cursor)
    {
        if (cursor.Failed || Pause is not { } pause || Tempo is not { } tempo || pause.In(tempo) == pause.Seconds)
            return;
        var mended =
            pause.Place == PausePlace.Bottom
                ? new Tempo(tempo.Lowering, pause.Seconds, tempo.Lifting, tempo.Top)
                : new Tempo(tempo.Lowering, tempo.Bottom, tempo.Lifting, pause.Seconds);
        var text = cursor.With(tempoAt, mended.ToString());
        cursor.Fail(NotationFault.PauseAgainstTempo, pauseAt, [], ways: text);
    }

    private static LoadSpec? ReadLoad(Cursor cursor)
    {
        if (cursor.Take("feet"))
            return new FootHelp();
        if (cursor.Take("band"))
        {
            if (cursor.Current is { Kind: TokenKind.Word, Text: var called } && Vocabulary.CanBeABand(called))
            {
                cursor.Skip();
                return new NamedBand(called);
            }

            return ReadMass(cursor, Expectation.BandLoad, BandHelp.Minimum, BandHelp.Maximum) is { } help
                ? new BandHelp(help)
                : null;
        }

        var signed = cursor.Current.Kind is TokenKind.Plus or TokenKind.Minus;
        var sign = cursor.Sign();
        var at = cursor.Current;
        var value = sign * cursor.AnyNumber(Expectation.Load);
        if (cursor.Failed)
            return null;
        if (cursor.Take(TokenKind.Percent))
        {
            if (cursor.Take("e1rm"))
                return cursor.InRange(value, ShareOfOneRepMax.Minimum, ShareOfOneRepMax.Maximum, at, Expectation.Load)
                    ? new ShareOfOneRepMax(value)
                    : null;
            if (cursor.Take("bm"))
                return cursor.InRange(value, ShareOfBodyMass.Minimum, ShareOfBodyMass.Maximum, at, Expectation.Load)
                    ? new ShareOfBodyMass(value)
                    : null;
            cursor.Unexpected(Expectation.PercentBase);
            return null;
        }

        if (cursor.TryUnit() is { } unit)
        {
            var entry = new MassEntry(value, unit);
            return cursor.InRange(entry, Limits.AddedLoadMinimum, Limits.AddedLoadMaximum, at, Expectation.Load)
                ? new AddedLoad(entry)
                : null;
        }

        if (
            !signed
            && at.IsWhole
            && cursor.Current is { Kind: TokenKind.Word, Text: var name }
            && Vocabulary.CanBeAPiece(name)
        )
        {
            cursor.Skip();
            return cursor.InRange(value, 1, Loading.CountedLoad.CountMaximum, at, Expectation.Load)
                ? new Counted((int)value, name)
                : null;
        }

        cursor.Unexpected(Expectation.UnitOrPercent);
        return null;
    }

    /// <summary>The word that opens it is taken, unless it is a number: <c>last to failure</c> has one more.</summary>
    private static Effort? ReadEffort(Cursor cursor)
    {
        if (cursor.Current is { Kind: TokenKind.Word, Text: "to" })
        {
            cursor.Skip();
            return cursor.Require("failure", Expectation.Failure) ? new LastToFailure() : null;
        }

        if (cursor.Current.Kind != TokenKind.Number)
            return cursor.Require("failure", Expectation.Failure) ? new ToFailure() : null;
        var reserve = cursor.Whole(Expectation.InReserve, Limits.ReserveMinimum, Limits.ReserveMaximum);
        int? most = null;
        if (cursor.Take(TokenKind.Range))
        {
            var at = cursor.Current;
            most = cursor.Whole(Expectation.InReserve, Limits.ReserveMinimum, Limits.ReserveMaximum);
            Rises(cursor, reserve, most.Value, at, Expectation.InReserve, Limits.ReserveMaximum);
        }

        return cursor.Require("in", Expectation.InReserve) && cursor.Require("reserve", Expectation.InReserve)
            ? new InReserve(reserve, most)
            : null;
    }

    /// <summary><c>2:30</c>, <c>1:00..1:30</c>; in a range of <c>60..90 s</c> the unit stands once.</summary>
    private static (int Least, int? Most) ReadRest(Cursor cursor)
    {
        var shared = cursor.Following.Kind == TokenKind.Range && cursor.Current.Kind == TokenKind.Number;
        var at = cursor.Current;
        if (shared)
        {
            var low = cursor.AnyNumber(Expectation.Duration);
            cursor.Skip();
            var second = cursor.Current;
            var high = cursor.AnyNumber(Expectation.Duration);
            var minutes = cursor.Take("min");
            if (!minutes)
                cursor.Require("s", Expectation.DurationUnit);
            var factor = minutes ? 60 : 1;
            if (
                cursor.Failed
                || !cursor.InRange(low * factor, 0, Limits.RestMaximum, at, Expectation.Duration)
                || !cursor.InRange(high * factor, 0, Limits.RestMaximum, second, Expectation.Duration)
            )
                return default;
            Rises(cursor, low, high, second, Expectation.Duration, Limits.RestMaximum / factor);
            return ((int)(low * factor), (int)(high * factor));
        }

        var rest = cursor.Duration(Expectation.Duration, 0, Limits.RestMaximum);
        if (!cursor.Take(TokenKind.Range))
            return (rest, null);
        at = cursor.Current;
        var most = cursor.Duration(Expectation.Duration, 0, Limits.RestMaximum);
        Rises(cursor, rest, most, at, Expectation.Duration, Limits.RestMaximum);
        return (rest, most);
    }

    /// <summary><c>in 8:00</c>, <c>for time</c>.</summary>
    private static TimeToBeat? ReadTimed(Cursor cursor)
    {
        if (cursor.Previous.Text == "for")
            return cursor.Require("time", Expectation.ForTime) ? new TimeToBeat(null) : null;
        var seconds = cursor.Duration(Expectation.TimeToBeat, TimeToBeat.Minimum, TimeToBeat.Maximum);
        return cursor.Failed ? null : new TimeToBeat(seconds);
    }

    private static void Rises(Cursor cursor, decimal low, decimal high, Token at, Expectation expected, decimal most)
    {
        if (!cursor.Failed && high <= low)
            cursor.Fail(NotationFault.RangeReversed, at, [expected], low + 1, most);
    }

    private static MassEntry? ReadIncrement(Cursor cursor)
    {
        cursor.Take(TokenKind.Plus);
        return ReadMass(
            cursor,
            Expectation.Increment,
            DoubleProgression.IncrementMinimum,
            DoubleProgression.IncrementMaximum
        );
    }

    private static MassEntry? ReadMass(Cursor cursor, Expectation expected, decimal minimum, decimal maximum)
    {
        var at = cursor.Current;
        var value = cursor.AnyNumber(expected);
        if (cursor.Failed)
            return null;
        if (cursor.TryUnit() is not { } unit)
        {
            cursor.Unexpected(Expectation.Unit);
            return null;
        }

        var entry = new MassEntry(value, unit);
        return cursor.InRange(entry, minimum, maximum, at, expected) ? entry : null;
    }

    private static Tempo? ReadTempo(Cursor cursor)
    {
        var lowering = Phase(cursor, Expectation.TempoLowering);
        Dash(cursor);
        var bottom = Phase(cursor, Expectation.TempoBottom);
        Dash(cursor);
        int? lifting = null;
        if (!cursor.Failed && !cursor.Take(TokenKind.Times))
            lifting = Phase(cursor, Expectation.TempoLifting);
        Dash(cursor);
        var top = Phase(cursor, Expectation.TempoTop);
        return cursor.Failed ? null : new Tempo(lowering, bottom, lifting, top);
    }

    private static int Phase(Cursor cursor, Expectation expected)
    {
        if (!cursor.Failed && cursor.Current.Kind == TokenKind.Times)
        {
            cursor.Fail(NotationFault.FastOnlyWhenLifting, cursor.Current, [expected], 0, Limits.TempoPhaseMaximum);
            return 0;
        }

        return cursor.Whole(expected, 0, Limits.TempoPhaseMaximum);
    }

    private static void Dash(Cursor cursor) => cursor.Require(TokenKind.Minus, Expectation.TempoDash);

    private static List<Grip>? ReadGrips(Cursor cursor, int parts)
    {
        var open = cursor.Current;
        var grips = new List<Grip>();
        do
        {
            if (
                cursor.Current.Kind != TokenKind.Word
                || !Enum.TryParse<Grip>(cursor.Current.Text, ignoreCase: true, out var grip)
            )
            {
                cursor.Unexpected(Expectation.Grip);
                return null;
            }

            grips.Add(grip);
            cursor.Skip();
        } while (cursor.Take(TokenKind.Slash));

        if (grips.Count == parts || grips.Count == 1)
            return grips;
        cursor.Fail(NotationFault.PartsDiffer, cursor.Span(open), [Expectation.Grip], parts, parts);
        return null;
    }

    private static SidePlan? ReadSides(Cursor cursor)
    {
        if (cursor.Take("each"))
        {
            if (!cursor.Require("side", Expectation.EachSide))
                return null;
            if (!cursor.Is("left") && !cursor.Is("right"))
                return SidePlan.Each;
        }

        var left = cursor.Take("left");
        if (!left)
            cursor.Take("right");
        if (cursor.Take("first"))
            return ReadMore(cursor, left ? Side.Left : Side.Right);
        if (cursor.Take("only"))
            return left ? SidePlan.LeftOnly : SidePlan.RightOnly;
        cursor.Unexpected(Expectation.SideOrder);
        return null;
    }

    /// <summary>One set more for the side that begins: "+1".</summary>
    private static SidePlan? ReadMore(Cursor cursor, Side first)
    {
        if (!cursor.Take(TokenKind.Plus))
            return SidePlans.WeakerFirst(first, oneMore: false);
        cursor.Whole(Expectation.OneMore, 1, 1);
        return cursor.Failed ? null : SidePlans.WeakerFirst(first, oneMore: true);
    }

    private static Pause? ReadPause(Cursor cursor)
    {
        var seconds = ReadSeconds(cursor, Expectation.PauseSeconds, Limits.TempoPhaseMaximum);
        if (cursor.Failed)
            return null;
        if (cursor.Take("bottom"))
            return new Pause(seconds, PausePlace.Bottom);
        return cursor.Require("top", Expectation.PausePlace) ? new Pause(seconds, PausePlace.Top) : null;
    }

    private static Gap? ReadGap(Cursor cursor)
    {
        var at = cursor.Current;
        var count = cursor.Whole(Expectation.Gap, 1, Prescriptions.Gap.SecondsMaximum);
        if (cursor.Failed)
            return null;
        if (cursor.Take("breaths") || cursor.Take("breath"))
            return cursor.InRange(count, 1, Prescriptions.Gap.BreathsMaximum, at, Expectation.Gap)
                ? new Gap(count, GapUnit.Breaths)
                : null;
        return cursor.Require("s", Expectation.SecondsOrBreaths) ? new Gap(count) : null;
    }

    /// <summary>One part of a set-up, added to those before it.</summary>
    private static SetUp ReadSetUp(Cursor cursor, SetUp before)
    {
        var at = cursor.Current;
        if (at.Kind == TokenKind.Number)
        {
            var fingers = cursor.Whole(Expectation.FingerCount, 0, SetUp.FingersMaximum);
            cursor.Skip();
            return Once(before.Fingers, before with { Fingers = fingers });
        }

        cursor.Skip();
        switch (at.Text)
        {
            case "to":
                var contact = Enum.Parse<Contact>(cursor.Current.Text, ignoreCase: true);
                cursor.Skip();
                return Once(before.To, before with { To = contact });
            case "box":
                return Once(
                    before.BoxCm,
                    before with
                    {
                        BoxCm = Centimetres(Expectation.BoxHeight, 1, SetUp.BoxMaximum),
                    }
                );
            case "feet":
                return Once(
                    before.FeetCm,
                    before with
                    {
                        FeetCm = Centimetres(Expectation.FeetPlace, 0, SetUp.FeetMaximum),
                    }
                );
            case "on":
                var known =
                    Enum.TryParse<Surface>(cursor.Current.Text, ignoreCase: true, out var surface)
                    && cursor.Current.Kind == TokenKind.Word;
                if (!known)
                    cursor.Unexpected(Expectation.Surface);
                else
                    cursor.Skip();
                return Once(before.On, before with { On = surface });
            case "pads":
                return Once(
                    before.Pads,
                    before with
                    {
                        Pads = cursor.Whole(Expectation.PadCount, 0, SetUp.PadsMaximum),
                    }
                );
            default:
                return Once(
                    before.Strap,
                    before with
                    {
                        Strap = cursor.Whole(Expectation.StrapMark, 0, SetUp.StrapMaximum),
                    }
                );
        }

        decimal Centimetres(Expectation expected, decimal minimum, decimal maximum)
        {
            var value = cursor.Number(expected, minimum, maximum);
            cursor.Require("cm", Expectation.Centimetres);
            return value;
        }

        SetUp Once<T>(T? written, SetUp now)
            where T : struct
        {
            if (written is not null)
                cursor.Fail(NotationFault.Twice, cursor.Span(at), []);
            return cursor.Failed ? before : now;
        }
    }

    /// <summary>Whole seconds with their unit.</summary>
    public static int ReadSeconds(Cursor cursor, Expectation expected, int maximum)
    {
        var seconds = cursor.Whole(expected, 1, maximum);
        cursor.Require("s", Expectation.SecondsUnit);
        return seconds;
    }
}
