namespace Cumbre.Core.Notation;

/// <summary>What an example shows.</summary>
public enum ExampleOf
{
    Straight,
    ByOneRepMax,
    ByReserve,
    ByBand,
    ByFeet,
    ByBodyMass,
    ByCount,
    DoubleProgression,
    TopSet,
    Drop,
    RestPause,
    RestPauseBreaths,
    Cluster,
    Hold,
    HoldOfBest,
    BrokenHold,
    Negative,
    Clock,
    ClockFast,
    Pyramid,
    Max,
    Practice,
    Stretch,
    Explosive,
    EachSide,
    WeakerFirst,
    WeakerMore,
    OneSide,
    PauseRep,
    Varied,
    Ramping,
    VariedHold,
    ToContact,
    Box,
    Pads,
    PyramidInTime,
    PyramidUnbroken,
    ClockRange,
    ReserveRange,
    RestRange,
}

/// <summary>A line of the help card.</summary>
/// <param name="Shows">What it is an example of.</param>
/// <param name="Line">Canonical.</param>
/// <param name="Also">Another way to write the same; null: none is usual.</param>
public sealed record Example(ExampleOf Shows, string Line, string? Also = null);

/// <summary>
/// The help card: one line for each thing that can be said. docs/notation.md has the same lines, and a test runs them.
/// </summary>
public static class Examples
{
    public static IReadOnlyList<Example> All { get; } =
    [
        new(ExampleOf.Straight, "4 x 5 @ +12.5 kg tempo 3-1-X-0 rest 2:30", "4x5 +12.5kg 31X0, 2'30 rest"),
        new(ExampleOf.ByOneRepMax, "4 x 5 @ 80 % e1RM", "4x5 80%"),
        new(ExampleOf.ByReserve, "3 x 8 2 in reserve", "3x8 RIR 2"),
        new(ExampleOf.ByBand, "3 x 6 @ band 15 kg", "3x6 band 15 kg"),
        new(ExampleOf.ByFeet, "3 x 8 @ feet"),
        new(ExampleOf.ByBodyMass, "5 x 5 @ +25 % bm 1 in reserve", "5x5 @ +25% BW, 1 RIR"),
        new(ExampleOf.ByCount, "3 x 10 @ 9 books"),
        new(ExampleOf.DoubleProgression, "3 x 8..10 then +2.5 kg", "3x8-10 then +2.5kg"),
        new(
            ExampleOf.TopSet,
            "top 1 x 4 1 in reserve, back-off 3 x 8 @ -12 % top",
            "top 1x4 RIR 1, backoff 3x8 @ -12%"
        ),
        new(ExampleOf.Drop, "2 x drop 4+4+6 @ +20 / +10 / 0 kg grip wide / medium / narrow rest 3:00"),
        new(ExampleOf.RestPause, "2 x rest-pause gap 30 s rest 1:30"),
        new(ExampleOf.RestPauseBreaths, "2 x rest-pause gap 10 breaths"),
        new(ExampleOf.Cluster, "3 x cluster 2+2+2 gap 20 s @ +30 kg"),
        new(ExampleOf.Hold, "hold 5 x 8 s rest 2:00", "5x8s rest 2'"),
        new(ExampleOf.HoldOfBest, "hold 4 x 60 % best rest 2:00", "hold 4 x 60% rest 2'"),
        new(ExampleOf.BrokenHold, "hold 24 s in 3"),
        new(ExampleOf.Negative, "negative 4 x 1 lower 8 s @ +5 kg each side"),
        new(ExampleOf.Clock, "every 1:20 x 5 do 6", "every 80s x 5: 6"),
        new(ExampleOf.ClockFast, "every 1:20 x 4 do 3 fast"),
        new(ExampleOf.ClockRange, "every 1:00 x 10 do 3..5", "EMOM 10 do 3-5"),
        new(ExampleOf.ReserveRange, "3 x 5 1..2 in reserve", "3x5 RPE 8.5"),
        new(ExampleOf.RestRange, "4 x 5 rest 1:00..1:30", "4x5 rest 60-90"),
        new(ExampleOf.Pyramid, "pyramid 1-3-5-7-5-3-1"),
        new(ExampleOf.PyramidInTime, "pyramid 1-3-5-3-1 in 8:00", "1-3-5-3-1 within 8 min"),
        new(ExampleOf.PyramidUnbroken, "pyramid 1-2-3-2-1 unbroken"),
        new(ExampleOf.Max, "2 x max", "2 x AMRAP"),
        new(ExampleOf.Practice, "2 x practice"),
        new(ExampleOf.Stretch, "3 x 8..12 + stretch 15 s rest 1:00"),
        new(ExampleOf.Explosive, "5 x 3 fast rest 3:00", "5x3 explosive rest 3 min"),
        new(ExampleOf.EachSide, "3 x 6 each side tempo 2-0-1-1 rest 1:30"),
        new(ExampleOf.WeakerFirst, "hold 4 x 5 s left first rest 2:00"),
        new(ExampleOf.WeakerMore, "hold 4 x 5 s left first +1 rest 2:00"),
        new(ExampleOf.OneSide, "1 x 4 left only"),
        new(ExampleOf.PauseRep, "4 x 5 pause 2 s bottom"),
        new(ExampleOf.Varied, "sets 6, 6, 6, 5", "6/6/6/5"),
        new(ExampleOf.Ramping, "sets 5, 4, 3 @ +10, +15, +20 kg", "5/4/3 @ 10/15/20 kg"),
        new(ExampleOf.VariedHold, "hold 7, 7, 7, 6, 6 s", "hold 7/7/7/6/6 s"),
        new(ExampleOf.ToContact, "5 x 5 to chest fast"),
        new(ExampleOf.Box, "3 x 5 box 60 cm"),
        new(ExampleOf.Pads, "4 x 5 pads 2"),
    ];
}
