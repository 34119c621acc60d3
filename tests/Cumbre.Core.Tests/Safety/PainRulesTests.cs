using Cumbre.Core.Benchmarks;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Notation;
using Cumbre.Core.Safety;
using Cumbre.Core.Sessions;

namespace Cumbre.Core.Tests.Safety;

// The scale is the pain-monitoring model (Thomee 1997, from memory); what a place holds is common practice, no source.
public class PainRulesTests
{
    private static readonly DateOnly Monday = new(2026, 3, 2);

    private static readonly Catalogue All = Catalogue.Shipped;

    private static readonly CheckIn[] NoCheckIns = [];

    private static readonly MorningAnswer[] NoMornings = [];

    private static Exposure Did(
        int day,
        string movement,
        int? pain = null,
        string? place = null,
        StopSign? sign = null
    ) =>
        new(
            new Guid(day + 1, 0, 0, new byte[8]),
            Monday.AddDays(day),
            movement,
            NotationParser.Parse("3 x 5").Plan!,
            [Mass.Zero, Mass.Zero, Mass.Zero],
            false,
            Mass.FromKilograms(70),
            [new LoggedSet(1, 1, 5, MassEntry.Kg(0), 2, FormVerdict.Clean, pain, place) { Sign = sign }]
        );

    private static IReadOnlyList<Stop> Stops(
        IReadOnlyList<Exposure> exposures,
        MorningAnswer[]? mornings = null,
        BenchmarkResult[]? results = null,
        CheckIn[]? checkIns = null,
        params StopClearance[] clearances
    ) =>
        PainRules.Stops(
            PainRules.Reports(exposures, results ?? [], checkIns ?? NoCheckIns, mornings ?? NoMornings, All),
            exposures,
            clearances,
            All
        );

    // The wrist hurts more in the handstand than in the row, which does not load it: both are held all the same.
    [Fact]
    public void Every_movement_in_which_a_place_hurt_is_held()
    {
        var stop = Assert.Single(
            Stops([Did(0, "weighted-row", 6, "right wrist"), Did(0, "wall-handstand", 7, "right wrist")])
        );
        Assert.Equal((7, "wall-handstand"), (stop.Because.Level, stop.Because.Movement));
        Assert.All((string[])["weighted-row", "wall-handstand"], slug =>
            Assert.NotEqual(Hold.None, PainRules.Holds(stop, All.Movements[slug], All))
        );
        Assert.Equal(
            Hold.None,
            PainRules.Holds(
                Assert.Single(Stops([Did(0, "wall-handstand", 7, "right wrist")])),
                All.Movements["weighted-row"],
                All
            )
        );
    }

    [Theory]
    [InlineData(
        "shoulder",
        "weighted-dip",
        "push-up pike-push-up planche-tuck front-lever-tuck human-flag-tuck wall-handstand bar-muscle-up "
            + "pull-up active-hang external-rotation side-lying-rotation stick-pass",
        "inverted-row-horizontal squat"
    )]
    [InlineData(
        "neck",
        "wall-handstand",
        "inverted-hang pike-push-up parallel-bar-dip chin-over-bar-hold",
        "pull-up inverted-row-horizontal"
    )]
    [InlineData(
        "inner elbow",
        "chin-up",
        "pull-up inverted-row-horizontal bar-muscle-up front-lever-tuck human-flag-tuck ring-curl false-grip-hang",
        "parallel-bar-dip push-up"
    )]
    [InlineData("elbow, front", "chin-up", "pull-up ring-curl", "parallel-bar-dip")]
    [InlineData(
        "outer elbow",
        "ring-dip",
        "parallel-bar-dip push-up ring-triceps-extension planche-tuck",
        "pull-up inverted-row-horizontal"
    )]
    [InlineData(
        "wrist",
        "planche-lean",
        "push-up planche-tuck false-grip-hang straight-bar-dip bar-muscle-up wrist-prep",
        "parallel-bar-dip pull-up front-lever-tuck"
    )]
    [InlineData(
        "hand, torn skin",
        "pull-up",
        "chin-up ring-row front-lever-tuck hanging-leg-raise",
        "push-up pike-push-up squat"
    )]
    [InlineData(
        "lower back",
        "hanging-leg-raise",
        "hollow-hold back-lever-full human-flag-full",
        "pull-up parallel-bar-dip"
    )]
    [InlineData("knee", "single-leg-squat", "squat calf-raise jumping-muscle-up", "pull-up push-up")]
    [InlineData("calf", "single-leg-squat", "squat jumping-muscle-up", "parallel-bar-dip")]
    [InlineData("ribs", "archer-pull-up", "pull-up chin-up", "inverted-row-horizontal parallel-bar-dip squat")]
    public void Pain_of_six_stops_what_hurts_its_pattern_and_what_loads_the_place(
        string place,
        string hurt,
        string stops,
        string stays
    )
    {
        var stop = Assert.Single(Stops([Did(0, hurt, 6, place)]));
        Assert.All(stops.Split(' ').Append(hurt), m =>
            Assert.NotEqual(Hold.None, PainRules.Holds(stop, All.Movements[m], All))
        );
        Assert.All(stays.Split(' '), m => Assert.Equal(Hold.None, PainRules.Holds(stop, All.Movements[m], All)));
    }

    [Fact]
    public void Vertical_pulls_stop_for_a_shoulder_only_from_six_on()
    {
        var place = PainPlace.Read("right shoulder");
        Hold At(bool severe) => PainRules.Holds(place, severe, All.Movements["weighted-dip"], All.Movements["pull-up"]);
        Assert.Equal((Hold.None, Hold.Whole), (At(false), At(true)));
    }

    [Fact]
    public void Squats_are_held_by_the_neck_and_the_lower_back_only_when_loaded()
    {
        foreach (var place in new[] { "neck", "lower back" })
        {
            Hold Squat(bool loaded) =>
                PainRules.Holds(PainPlace.Read(place), true, null, All.Movements["squat"], loaded);
            Assert.Equal((Hold.None, Hold.Whole), (Squat(false), Squat(true)));
        }
    }

    [Fact]
    public void The_sound_side_may_train_what_does_not_load_the_sore_one()
    {
        var stop = Assert.Single(Stops([Did(0, "single-arm-row", 6, "right elbow, inside")]));
        Assert.Equal(Hold.SoreSide, PainRules.Holds(stop, All.Movements["single-arm-row"], All));
        Assert.Equal(Hold.Whole, PainRules.Holds(stop, All.Movements["pull-up"], All));
    }

    [Theory]
    [InlineData(5, 0)]
    [InlineData(6, 1)]
    public void Six_is_the_level_that_stops(int pain, int stops) =>
        Assert.Equal(stops, Stops([Did(0, "weighted-dip", pain, "right shoulder")]).Count);

    [Theory]
    [InlineData(2, 0)]
    [InlineData(3, 1)]
    public void Three_again_at_the_next_exposure_of_what_loads_the_place_stops(int pain, int stops) =>
        Assert.Equal(
            stops,
            Stops([
                Did(0, "neutral-pull-up", 3, "inner elbow"),
                Did(2, "inverted-row-horizontal", pain, "inner elbow"),
            ]).Count
        );

    [Fact]
    public void A_painless_exposure_of_what_loads_the_place_stands_between()
    {
        Assert.Empty(
            Stops([Did(0, "chin-up", 3, "inner elbow"), Did(2, "ring-row"), Did(4, "chin-up", 3, "inner elbow")])
        );
        // A press does not load the inner elbow, so it stands between nothing.
        Assert.Single(
            Stops([Did(0, "chin-up", 3, "inner elbow"), Did(2, "push-up"), Did(4, "chin-up", 3, "inner elbow")])
        );
    }

    [Theory]
    [InlineData("left elbow", 0)]
    [InlineData("elbow", 1)]
    [InlineData("right elbow, outside", 0)]
    public void Twice_is_counted_in_one_place_and_on_one_side(string before, int stops) =>
        Assert.Equal(stops, Stops([Did(0, "chin-up", 4, before), Did(2, "chin-up", 4, "right elbow, inside")]).Count);

    [Theory]
    [InlineData(StopSign.Pop)]
    [InlineData(StopSign.Numbness)]
    [InlineData(StopSign.NightPain)]
    public void A_stop_sign_stops_at_any_level(StopSign sign) =>
        Assert.Equal(sign, Assert.Single(Stops([Did(0, "weighted-dip", 1, "shoulder", sign)])).Because.Sign);

    [Fact]
    public void Every_set_item_and_origin_is_read()
    {
        // Eight in the first of three items, and in a test, a check-in and the next morning.
        var day = new[] { Did(0, "weighted-dip", 8, "right shoulder"), Did(0, "push-up"), Did(0, "squat") };
        Assert.Equal("weighted-dip", Assert.Single(Stops(day)).Because.Movement);
        var test = new BenchmarkResult(
            Guid.NewGuid(),
            "pull-up-max",
            Monday,
            Score.OfReps(4),
            MassEntry.Kg(0),
            0,
            Mass.FromKilograms(70),
            FormVerdict.Clean
        ).WithPain(7, "left elbow");
        Assert.Equal("pull-up", Assert.Single(Stops([], results: [test])).Because.Movement);
        Assert.Equal(
            PainOrigin.CheckIn,
            Assert
                .Single(
                    Stops(
                        [],
                        checkIns:
                        [
                            new(Guid.NewGuid(), Monday, 7, 2, 6, false) { Pain = [new(6, PainPlace.Read("knee"))] },
                        ]
                    )
                )
                .Because.Origin
        );
        var told = Did(0, "weighted-dip", 2, "shoulder");
        Assert.Equal(
            (6, PainOrigin.Morning),
            Assert.Single(Stops([told], [new(told.SessionId, 6, PainPlace.Read("shoulder"))])) is { } s
                ? (s.Because.Level, s.Because.Origin)
                : default
        );
    }

    [Fact]
    public void A_stop_lasts_until_it_is_cleared_and_pain_after_it_is_a_new_one()
    {
        var exposures = new[]
        {
            Did(0, "weighted-dip", 7, "right shoulder"),
            Did(20, "weighted-dip", 3, "right shoulder"),
        };
        Assert.Null(Assert.Single(Stops(exposures)).ClearedOn);
        var cleared = new StopClearance(
            Monday.AddDays(14),
            PainPlace.Read("right shoulder"),
            "seen by a physiotherapist"
        );
        Assert.Equal(Monday.AddDays(14), Assert.Single(Stops(exposures, clearances: cleared)).ClearedOn);
        var again = Did(21, "weighted-dip", 6, "right shoulder");
        Assert.Equal(
            [Monday.AddDays(14), null],
            Stops([.. exposures, again], clearances: cleared).Select(s => s.ClearedOn)
        );
    }

    [Theory]
    [InlineData("right elbow", BodyPlace.Elbow, Side.Right)]
    [InlineData("Inside of the left elbow", BodyPlace.ElbowInner, Side.Left)]
    [InlineData("outer elbow", BodyPlace.ElbowOuter, null)]
    [InlineData("back", BodyPlace.LowerBack, null)]
    [InlineData("torn skin", BodyPlace.Hand, null)]
    [InlineData("upper back", BodyPlace.Elsewhere, null)]
    [InlineData("", BodyPlace.Elsewhere, null)]
    public void Places_are_read_as_people_write_them(string text, BodyPlace place, Side? side) =>
        Assert.Equal((place, side), (PainPlace.Read(text).Place, PainPlace.Read(text).Side));

    [Fact]
    public void Every_movement_that_is_trained_says_what_it_loads() =>
        Assert.All(All.Movements.Values, m => Assert.NotNull(m.Loads));
}
