using Cumbre.Core.Measures;
using Cumbre.Core.Notation;

namespace Cumbre.Core.Tests.Notation;

/// <summary>
/// Lines as coaches write them (common practice, no source), with what they are read as; where a line can mean several
/// things it is asked, and the ways on are told.
/// </summary>
public class SpellingTests
{
    /// <summary>Written, a bar, what it is read as; several readings are asked.</summary>
    private const string Trial = """
        4x6-8 | 4 x 6..8
        4 x 6 to 8 | 4 x 6..8
        4 sets of 6-8 | 4 x 6..8
        4 sets of 6 | 4 x 6
        4 sets x 6 reps | 4 x 6
        3 sets 12 | 3 x 12
        3 sets of 8 reps | 3 x 8
        8 reps x 4 sets | 4 x 8
        5X5 | 5 x 5
        5×5 | 5 x 5
        5*5 | 5 x 5
        3x8. | 3 x 8
        4 x 6/6 | 4 x 6 each side
        3x8/8 | 3 x 8 each side
        3 x 8 per side | 3 x 8 each side
        3x8/side | 3 x 8 each side
        3 x 8 e/s | 3 x 8 each side
        3 x 8 each arm | 3 x 8 each side
        3 x 8 per leg | 3 x 8 each side
        3 x 8 L+R | 3 x 8 each side
        3 x 8 (each side) | 3 x 8 each side
        3 x 10 a side | 3 x 10 each side
        3 x 8 RIR 2 | 3 x 8 2 in reserve
        3 x 8 2 RIR | 3 x 8 2 in reserve
        3 x 8 @RIR 2 | 3 x 8 2 in reserve
        3 x 8 @ 2 RIR | 3 x 8 2 in reserve
        3 x 8, 2 in reserve | 3 x 8 2 in reserve
        3x8 (2 RIR) | 3 x 8 2 in reserve
        3 x 8 RIR2 | 3 x 8 2 in reserve
        3 x 8 rir: 1 | 3 x 8 1 in reserve
        3 x 8 2 reps in reserve | 3 x 8 2 in reserve
        3 x 8 2 in the tank | 3 x 8 2 in reserve
        3 x 8 2 reps left in the tank | 3 x 8 2 in reserve
        3 x 8 RIR 1-2 | 3 x 8 1..2 in reserve
        3 x 8 1-2 RIR | 3 x 8 1..2 in reserve
        3 x 8 1-2 reps in reserve | 3 x 8 1..2 in reserve
        3 x 8 2 left | 3 x 8 2 in reserve | 3 x 8 left first
        3 x 8 RPE 8 | 3 x 8 2 in reserve
        3 x 8 @ RPE 8 | 3 x 8 2 in reserve
        3x8 @RPE9 | 3 x 8 1 in reserve
        3 x 8 rpe 10 | 3 x 8 0 in reserve
        3 x 5 RPE 8.5 | 3 x 5 1..2 in reserve
        3 x 5 RPE 7-8 | 3 x 5 2..3 in reserve
        3 x 5 @8 | 3 x 5 2 in reserve | 3 x 5 @ +8 kg | 3 x 5 @ +8 lb
        3 x 5 @ 20 | 3 x 5 @ +20 kg | 3 x 5 @ +20 lb
        3 x 5 @ 80 | 3 x 5 @ 80 % e1RM | 3 x 5 @ +80 kg | 3 x 5 @ +80 lb
        top 1 x 4 RIR 1, backoff 3 x 8 @ -12% | top 1 x 4 1 in reserve, back-off 3 x 8 @ -12 % top
        EMOM 10 5 | every 1:00 x 10 do 5
        3 x AMRAP | 3 x max
        2 x max reps | 2 x max
        AMRAP | 1 x max
        max | 1 x max
        3 x to failure | 3 x max
        3 sets to failure | 3 x max
        EMOM 10 do 5 | every 1:00 x 10 do 5
        EMOM 10: 5 | every 1:00 x 10 do 5
        EMOM 10 min x 5 reps | every 1:00 x 10 do 5
        E2MOM 6 do 4 | every 2:00 x 6 do 4
        every 80s x 6: 5 | every 1:20 x 6 do 5
        every 80 sec x 6: 5 reps | every 1:20 x 6 do 5
        every minute x 8: 4 | every 1:00 x 8 do 4
        EMOM 10 do 3-5 | every 1:00 x 10 do 3..5
        every 90 s x 6: 3-4 reps | every 1:30 x 6 do 3..4
        10/8/6 | sets 10, 8, 6
        10/8/6 reps | sets 10, 8, 6
        3 x 10/8/6 | sets 10, 8, 6
        5,5,3,3 | sets 5, 5, 3, 3
        6, 6, 6, 5 rest 2 min | sets 6, 6, 6, 5 rest 2:00
        5/4/3 @ +10/+15/+20 kg | sets 5, 4, 3 @ +10, +15, +20 kg
        5/4/3 @ 10/15/20 kg rest 3' | sets 5, 4, 3 @ +10, +15, +20 kg rest 3:00
        5 @ 10, 4 @ 15, 3 @ 20 kg | sets 5, 4, 3 @ +10, +15, +20 kg
        1x5 @ +20kg, 2x5 @ +15kg | sets 5, 5, 5 @ +20, +15, +15 kg
        hold 7/7/6/6 s | hold 7, 7, 6, 6 s
        10-8-6 | sets 10, 8, 6 | pyramid 10-8-6
        1-3-5-3-1 | pyramid 1-3-5-3-1
        pyramid 1-3-5-7-5-3-1 in 8 min | pyramid 1-3-5-7-5-3-1 in 8:00
        pyramid 1-3-5-3-1 for time | pyramid 1-3-5-3-1 for time
        5 x 10 within 6:00 | 5 x 10 in 6:00
        2 x max 1 in reserve | 2 x practice 1 in reserve
        2 x max 2 RIR | 2 x practice 2 in reserve
        4 x 5 + 10 kg | 4 x 5 @ +10 kg
        4 x 5 +10kg | 4 x 5 @ +10 kg
        4 x 5 w/ 10 kg | 4 x 5 @ +10 kg
        4 x 5 with 10 kg | 4 x 5 @ +10 kg
        4 x 5 BW+10 kg | 4 x 5 @ +10 kg
        4 x 5 @ bw + 10 kg | 4 x 5 @ +10 kg
        4 x 5 10 kg | 4 x 5 @ +10 kg
        4 x 5 x 10kg | 4 x 5 @ +10 kg
        4 x 5 @ 10 kilos | 4 x 5 @ +10 kg
        4 x 5 @ 25 pounds | 4 x 5 @ +25 lb
        4 x 5 @ +10 | 4 x 5 @ +10 kg | 4 x 5 @ +10 lb
        4 x 5 BW+10 | 4 x 5 @ +10 kg | 4 x 5 @ +10 lb
        4 x 5 10 kg added | 4 x 5 @ +10 kg
        4 x 5 BW | 4 x 5
        4 x 5 @ bw | 4 x 5
        4 x 5 bodyweight | 4 x 5
        4 x 5 @ +25 % BW | 4 x 5 @ +25 % bm
        4 x 5 @ +25% bodyweight | 4 x 5 @ +25 % bm
        4 x 5 @ 80% | 4 x 5 @ 80 % e1RM
        4 x 5 @ 80 % 1RM | 4 x 5 @ 80 % e1RM
        4x5 @80%1RM | 4 x 5 @ 80 % e1RM
        4 x 5 80% 1RM | 4 x 5 @ 80 % e1RM
        4 x 5 @ 80% of max | 4 x 5 @ 80 % e1RM
        hold 5 x 60% | hold 5 x 60 % best
        3 x 6 band 15 kg | 3 x 6 @ band 15 kg
        3 x 6 @ red band | 3 x 6 @ band red
        3x8 w/ red band | 3 x 8 @ band red
        3 x 6 band red | 3 x 6 @ band red
        4 x 5 +10 | 4 x 5 @ +10 kg | 4 x 5 @ +10 lb
        3 x 6 @ band 15 | 3 x 6 @ band 15 kg | 3 x 6 @ band 15 lb
        4 x 5 tempo 31X0 | 4 x 5 tempo 3-1-X-0
        4 x 5 31X0 | 4 x 5 tempo 3-1-X-0
        4 x 5 @ 3010 | 4 x 5 tempo 3-0-1-0
        4 x 5 @3010 | 4 x 5 tempo 3-0-1-0
        4 x 5 tempo 3/1/X/0 | 4 x 5 tempo 3-1-X-0
        4 x 5 3/1/x/0 | 4 x 5 tempo 3-1-X-0
        4 x 5 3-1-x-0 | 4 x 5 tempo 3-1-X-0
        4 x 5 tempo 3-1-1 | 4 x 5 tempo 3-1-1-0
        4 x 5 tempo: 3 1 X 0 | 4 x 5 tempo 3-1-X-0
        4 x 5 rest 90 | 4 x 5 rest 1:30
        4 x 5 90 sec rest | 4 x 5 rest 1:30
        4 x 5 90s rest | 4 x 5 rest 1:30
        4 x 5 rest 2' | 4 x 5 rest 2:00
        4 x 5 2' | 4 x 5 rest 2:00
        4 x 5 2 min | 4 x 5 rest 2:00
        4 x 5 rest 2 | 4 x 5 rest 2:00
        4 x 5 rest 2 minutes | 4 x 5 rest 2:00
        4 x 5 rest 2'30 | 4 x 5 rest 2:30
        4 x 5 rest 2'30" | 4 x 5 rest 2:30
        4 x 5 rest: 2:30 | 4 x 5 rest 2:30
        4 x 5, rest 2:30 | 4 x 5 rest 2:30
        4 x 5 2:30 rest | 4 x 5 rest 2:30
        4 x 5 2 min between sets | 4 x 5 rest 2:00
        4 x 5 rest 60..90 s | 4 x 5 rest 1:00..1:30
        4 x 5 rest 60-90 | 4 x 5 rest 1:00..1:30
        4 x 5 60-90 s rest | 4 x 5 rest 1:00..1:30
        4 x 5 rest 1:30-2:00 | 4 x 5 rest 1:30..2:00
        4 x 5 rest 2-3 min | 4 x 5 rest 2:00..3:00
        4 x 5 no rest | 4 x 5 rest 0:00
        5 x 8s | hold 5 x 8 s
        5x8 sec hold | hold 5 x 8 s
        5 x 8 s hold | hold 5 x 8 s
        hold 5 x 8 | hold 5 x 8 s
        5 holds of 8 s | hold 5 x 8 s
        8 s x 5 | hold 5 x 8 s
        8 sec hold x 5 | hold 5 x 8 s
        hold 30 s | hold 1 x 30 s
        hold for 30 seconds | hold 1 x 30 s
        3 x 20" | hold 3 x 20 s
        3x10s/side | hold 3 x 10 s each side
        negatives 4x1 8s | negative 4 x 1 lower 8 s
        4 x 1 negatives 8 s | negative 4 x 1 lower 8 s
        4x1 ecc 8 s | negative 4 x 1 lower 8 s
        5 negatives of 8 s | negative 5 x 1 lower 8 s
        4 x 1 negative, 8 seconds | negative 4 x 1 lower 8 s
        2 x drop set 4+4+6 @ +20/+10/0 kg | 2 x drop 4+4+6 @ +20 / +10 / 0 kg
        top 1 x 4 1 in reserve, backoff 3 x 8 @ -12 % top | top 1 x 4 1 in reserve, back-off 3 x 8 @ -12 % top
        top 1 x 4 RIR 1, back off 3 x 8 @ -12 % top | top 1 x 4 1 in reserve, back-off 3 x 8 @ -12 % top
        2 x rest pause gap 30 s | 2 x rest-pause gap 30 s
        5 x 3 explosive | 5 x 3 fast
        5 x 3 explosive rest 3 min | 5 x 3 fast rest 3:00
        3 x 8 wide grip | 3 x 8 grip wide
        3 x 8 neutral-grip | 3 x 8 grip neutral
        3 x 5 chest to bar | 3 x 5 to chest
        3 x 8-10 then +2.5 kg | 3 x 8..10 then +2.5 kg
        3x8-12 @ +10kg, 2 RIR, rest 2' | 3 x 8..12 @ +10 kg 2 in reserve rest 2:00
        4x5 +12,5kg 31X0 rest 150 | 4 x 5 @ +12.5 kg tempo 3-1-X-0 rest 2:30
        3 sets of 5 per side, rest 90 | 3 x 5 each side rest 1:30
        """;

    public static TheoryData<string, string> Lines { get; } =
        new(
            Trial
                .Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
                .Select(l => l.Split(" | ", 2))
                .Select(l => (l[0], l[1]))
        );

    [Theory, MemberData(nameof(Lines))]
    public void What_coaches_write_is_read_or_asked(string written, string reading)
    {
        var result = NotationParser.Parse(written);
        Assert.Equal(
            reading,
            result.Plan is { } plan ? NotationPrinter.Print(plan) : string.Join(" | ", result.Error!.Ways)
        );
    }

    // A load without a unit is in the one that coach and athlete share; a share or an exertion is still asked.
    [Theory]
    [InlineData("4 x 5 @ +10", MassUnit.Kg, "4 x 5 @ +10 kg")]
    [InlineData("4 x 5 BW+10", MassUnit.Lb, "4 x 5 @ +10 lb")]
    [InlineData("4 x 5 +10", MassUnit.Kg, "4 x 5 @ +10 kg")]
    [InlineData("5/4/3 @ 10/15/20", MassUnit.Kg, "sets 5, 4, 3 @ +10, +15, +20 kg")]
    [InlineData("3 x 6 @ band 15", MassUnit.Lb, "3 x 6 @ band 15 lb")]
    [InlineData("3 x 5 @8", MassUnit.Kg, "3 x 5 2 in reserve | 3 x 5 @ +8 kg")]
    [InlineData("3 x 5 @ 80", MassUnit.Lb, "3 x 5 @ 80 % e1RM | 3 x 5 @ +80 lb")]
    [InlineData("4 x 5 @ 10 lb", MassUnit.Kg, "4 x 5 @ +10 lb")]
    public void A_load_without_a_unit_is_in_the_shared_one(string written, MassUnit unit, string reading)
    {
        var result = NotationParser.Parse(written, unit);
        Assert.Equal(
            reading,
            result.Plan is { } plan ? NotationPrinter.Print(plan) : string.Join(" | ", result.Error!.Ways)
        );
    }

    // With some left it is no maximum; with a load on it nobody knows which: it asks for reps, at the word.
    [Theory]
    [InlineData("2 x max 1 in reserve @ +10 kg")]
    [InlineData("2 x max @ 80 % e1RM 2 in reserve")]
    public void A_maximum_with_some_left_asks_for_reps_under_a_load(string line)
    {
        var error = NotationParser.Parse(line).Error!;
        Assert.Equal(NotationFault.ReserveOfMax, error.Fault);
        Assert.Equal("max", line.Substring(error.Start, error.Length));
    }

    // What is read is whole: a word that nothing is known of is never passed over.
    [Theory]
    [InlineData("3 x 8 slowly")]
    [InlineData("3 x 8 2 rir monday")]
    [InlineData("4 sets of")]
    [InlineData("3 x 8 @ green")]
    [InlineData("rest 90")]
    [InlineData("EMOM 105")]
    [InlineData("4 x 6/8")]
    [InlineData("4 x 5 -10 kg band")]
    [InlineData("3 x 8 2-3 left")]
    [InlineData("4 x 10/8/6")]
    [InlineData("some pull-ups")]
    public void What_is_not_understood_stays_an_error_without_a_guess(string written)
    {
        var error = NotationParser.Parse(written).Error!;
        Assert.NotEqual(NotationFault.Ambiguous, error.Fault);
        Assert.Empty(error.Ways);
    }
}
