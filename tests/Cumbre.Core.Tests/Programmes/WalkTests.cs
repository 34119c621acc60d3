using Cumbre.Core.Benchmarks;
using Cumbre.Core.Movements;
using Cumbre.Core.Programmes;

namespace Cumbre.Core.Tests.Programmes;

/// <summary>The way through a session: orders by common practice (no source), times by the time model of the project.</summary>
public sealed class WalkTests
{
    private static readonly AthleteAtWork Athlete = Gym.Athlete(
        null,
        null,
        1995,
        Gym.Result("weighted-pull-up-heavy", Score.OfReps(5), 20),
        Gym.Result("pull-up-max", Score.OfReps(10)),
        Gym.Result("parallel-bar-dip-max", Score.OfReps(12))
    );

    private static SessionDose Session(params string[] lines) =>
        DoseReader.Of(
            new BlockSession(
                Guid.NewGuid(),
                Gym.Monday,
                "",
                new(300, null),
                new(0, null),
                [
                    .. lines.Select(l =>
                        l.TrimStart('+').Split(": ") is var parts
                            ? new BlockItem(Guid.NewGuid(), parts[0], parts[1], l[0] == '+')
                            : throw new InvalidOperationException()
                    ),
                ]
            ),
            Athlete
        );

    private static string Shown(SessionDose session) =>
        string.Join(
            " ",
            Walk.Of(session.Groups)
                .Select(s =>
                {
                    var effort = session.Items.ElementAt(s.Item).Resolved!.Efforts[s.Effort].Plan;
                    var side = effort.Side is { } x ? x.ToString()[..1] : "";
                    return $"{(char)('A' + s.Item)}{effort.Set}.{effort.Part}{side}"
                        + (s.RestSeconds > 0 ? $" ({s.Rest} {s.RestSeconds})" : "");
                })
        );

    [Theory]
    [InlineData("A1.1 (Set 150) A2.1 (Set 150) A3.1", "pull-up: 3 x 5 @ +10 kg rest 2:30")]
    // Exercises in turn rest once a round, by the longest rest of those that go on.
    [InlineData(
        "A1.1 B1.1 (Set 120) A2.1 B2.1 (Set 120) A3.1 (Set 120) A4.1",
        "pull-up: 4 x 5 rest 2:00",
        "+parallel-bar-dip: 2 x 8 rest 1:00"
    )]
    [InlineData(
        "A1.1 B1.1 (Set 120) A2.1 B2.1 (Set 90) B3.1",
        "pull-up: 2 x 5 rest 2:00",
        "+parallel-bar-dip: 3 x 8 rest 1:30"
    )]
    [InlineData("A1.1R A1.2L (Set 60) A2.1R A2.2L", "one-arm-hang: hold 2 x 8 s rest 1:00 right first")]
    [InlineData(
        "A1.1L A1.2R (Set 60) A2.1L A2.2R (Set 60) A3.1L",
        "one-arm-hang: hold 2 x 8 s rest 1:00 left first +1"
    )]
    [InlineData("A1.1 A1.2 A1.3 (Set 180) A2.1 A2.2 A2.3", "pull-up: 2 x drop 4+4+6 @ +20 / +10 / 0 kg rest 3:00")]
    [InlineData("A1.1 (Gap 30) A1.2 (Set 90) A2.1 (Gap 30) A2.2", "pull-up: 2 x rest-pause gap 10 breaths rest 1:30")]
    [InlineData("A1.1 (Gap 20) A1.2 (Set 150) A2.1 (Gap 20) A2.2", "pull-up: 2 x cluster 2+2 gap 20 s rest 2:30")]
    [InlineData("A1.1 (Gap 60) A1.2 (Gap 60) A1.3", "pull-up: pyramid 1-2-1")]
    // A slot of 90 s leaves 66 of 8 reps of 3 s; the other exercise has the next slot.
    [InlineData(
        "A1.1 (Slot 66) B1.1 (Slot 75) A2.1 (Slot 66) B2.1 (Slot 75) A3.1 (Slot 66) B3.1 (Slot 75)",
        "pull-up: every 1:30 x 3 do 8",
        "+parallel-bar-dip: every 1:30 x 3 do 5"
    )]
    // After a stretch one rests before the next exercise too.
    [InlineData(
        "A1.1 A1.2 (Set 60) B1.1 (Set 45) A2.1 A2.2 (Set 60) B2.1",
        "ring-curl: 2 x 10 + stretch 20 s rest 1:00",
        "+push-up: 2 x 10 rest 0:45"
    )]
    public void Efforts_follow_each_other_as_they_are_done(string expected, params string[] lines) =>
        Assert.Equal(expected, Shown(Session(lines)));

    [Theory]
    [InlineData("pull-up: 4 x 5 @ +12.5 kg tempo 3-1-X-0 rest 2:30")]
    [InlineData("pull-up: 2 x drop 4+4+6 @ +20 / +10 / 0 kg rest 3:00", "parallel-bar-dip: 3 x 8..10 rest 1:30")]
    [InlineData("pull-up: every 1:20 x 5 do 6", "+parallel-bar-dip: every 1:20 x 5 do 6")]
    [InlineData("one-arm-hang: hold 3 x 8 s rest 2:00 left first +1", "+parallel-bar-dip: 4 x 6 rest 1:30")]
    [InlineData("pull-up: pyramid 1-3-5-3-1", "pull-up: top 1 x 4 @ +20 kg, back-off 3 x 8 @ -12 % top")]
    [InlineData("ring-curl: 3 x 8..12 + stretch 15 s rest 1:00", "+push-up: 3 x 10 rest 1:00")]
    [InlineData("pull-up: 5 x 3 fast rest 3:00", "pull-up: negative 4 x 1 lower 8 s", "parallel-bar-dip: 2 x max")]
    [InlineData("pull-up: 2 x rest-pause gap 30 s rest 1:30", "parallel-bar-dip: hold 24 s in 3")]
    public void The_way_takes_as_long_as_the_session_says(params string[] lines)
    {
        var session = Session(lines);
        Assert.All(session.Items, i => Assert.NotNull(i.Resolved));
        Assert.Equal(session.Seconds, session.Session.WarmUp.Seconds + Walk.Of(session.Groups).Sum(s => s.Seconds));
    }

    [Fact]
    public void Of_two_with_other_rounds_those_that_go_on_rest()
    {
        // A rests 120 s twice beside B, and B alone 90 s twice more.
        var session = Session("pull-up: 3 x 5 rest 2:00", "+parallel-bar-dip: 5 x 8 rest 1:30");
        Assert.Equal(
            2 * 120 + 2 * 90,
            Walk.Of(session.Groups).Where(s => s.Rest == WalkRest.Set).Sum(s => s.RestSeconds)
        );
    }

    [Fact]
    public void A_line_that_cannot_be_read_has_no_efforts() => Assert.Empty(Walk.Of(Session("pull-up: 4 x").Groups));

    [Theory]
    [InlineData("pull-up", "3 x 4 tempo 3-1-X-0", "Lift 1 fast, Top 0, Lower 3, Bottom 1")]
    [InlineData("parallel-bar-dip", "3 x 4 tempo 3-1-2-0", "Lower 3, Bottom 1, Lift 2, Top 0")]
    [InlineData("pull-up", "negative 3 x 1 lower 8 s", "Lower 8")]
    [InlineData("pull-up", "3 x 4", "")]
    [InlineData("hollow-hold", "hold 3 x 20 s", "")]
    public void A_pull_starts_from_the_bottom_and_a_press_from_the_top(string movement, string line, string expected) =>
        Assert.Equal(
            expected,
            string.Join(
                ", ",
                Pacing
                    .Of(UsualDose.Read(line), Athlete.Atlas.Catalogue.Movements[movement])
                    .Select(b => $"{b.Phase} {b.Seconds}{(b.Fast ? " fast" : "")}")
            )
        );

    [Theory]
    // The table of places of the handbook of the trade (common practice, no source).
    [InlineData(BodyPlace.Wrist, null, "dip", "dip")]
    [InlineData(BodyPlace.ElbowInner, null, "pull-up row", "pull-up row")]
    [InlineData(BodyPlace.Shoulder, null, "dip", "pull-up dip")]
    [InlineData(BodyPlace.Knee, null, "squat", "squat")]
    [InlineData(BodyPlace.Elsewhere, null, "", "")]
    // Whatever hurts is held itself, with its pattern.
    [InlineData(BodyPlace.Elsewhere, "row", "row", "row")]
    public void Pain_holds_back_what_loads_its_place_and_what_hurt(
        BodyPlace place,
        string? hurt,
        string eased,
        string stopped
    )
    {
        (string Name, string Slug)[] session =
        [
            ("pull-up", "pull-up"),
            ("row", "ring-row"),
            ("dip", "straight-bar-dip"),
            ("squat", "squat"),
        ];
        var table = HeldBack.Table([
            .. session.Select(s => (Athlete.Atlas.Catalogue.Movements.GetValueOrDefault(s.Slug), false)),
        ]);
        var at = hurt is null ? (int?)null : Array.FindIndex(session, s => s.Name == hurt);
        var row = table.Single(t => t.Place == place && t.Hurt == at);
        Assert.Equal(eased, string.Join(" ", row.Eased.Select(i => session[i].Name)));
        Assert.Equal(stopped, string.Join(" ", row.Stopped.Select(i => session[i].Name)));
    }
}
