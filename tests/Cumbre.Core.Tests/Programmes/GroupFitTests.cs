using Cumbre.Core.Ladders;
using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes;
using Cumbre.Core.Programmes.Generation;
using Cumbre.Core.Programmes.Groups;
using Cumbre.Simulation;

namespace Cumbre.Core.Tests.Programmes;

/// <summary>One outline for athletes of very different level: those of the handbook's model blocks.</summary>
public class GroupFitTests
{
    private static readonly Station[] Stations =
    [
        new("pull", StationKind.Pattern, nameof(Pattern.VerticalPull)),
        new("push", StationKind.Movement, "push-up"),
        new("legs", StationKind.Pattern, nameof(Pattern.Legs)),
        new("row", StationKind.Movement, "inverted-row-horizontal"),
    ];

    private static GroupOutline Outline(GroupForm form, int? sets, params Station[] stations) =>
        new("Group", ModelAthletes.Start, 60, 4, true, [new(DayOfWeek.Tuesday, "Evening", form, sets, stations)]);

    private static GeneratedBlock Fit(GroupOutline outline, ModelAthlete model) =>
        GroupFit.Fit(outline, model.On(ModelAthletes.Start), DoseRules.Shipped, GeneratorRules.Shipped, new Ids().Of);

    private sealed class Ids
    {
        private readonly Dictionary<string, Guid> known = [];

        public Guid Of(string name) => known.TryGetValue(name, out var id) ? id : known[name] = Guid.NewGuid();
    }

    private static BlockItem At(GeneratedBlock made, int week, int item) =>
        made.Block.Weeks[week].Sessions[0].Items[item];

    public static TheoryData<string> Models => [.. ModelAthletes.Known.Select(m => m.Name)];

    private static ModelAthlete Named(string name) => ModelAthletes.Known.First(m => m.Name == name);

    [Theory]
    [MemberData(nameof(Models))]
    public void Everybody_does_the_same_rounds_of_their_own_exercises(string name)
    {
        var made = Fit(Outline(GroupForm.Circuit, 3, Stations), Named(name));
        Assert.Equal(5, made.Block.Weeks.Count);
        Assert.Equal(WeekKind.Easy, made.Block.Weeks[^1].Kind);
        foreach (var session in made.Block.Weeks.Take(4).SelectMany(w => w.Sessions))
        {
            Assert.Equal(DayOfWeek.Tuesday, session.Day.DayOfWeek);
            Assert.All(session.Items, i => Assert.Equal(3, i.Plan!.SetCount));
            Assert.Equal([false, .. session.Items.Skip(1).Select(_ => true)], session.Items.Select(i => i.Joined));
            // The work of a circuit is neither heavy nor single reps: there is no rest for either.
            Assert.All(session.Items, i => Assert.IsNotType<TopSetBackOff>(i.Plan));
        }

        // Half of three rounds, rounded down.
        Assert.All(made.Block.Weeks[^1].Sessions.SelectMany(s => s.Items), i => Assert.Equal(1, i.Plan!.SetCount));
    }

    [Fact]
    public void A_movement_is_done_with_the_athletes_own_help_or_rung()
    {
        // Handbook, model blocks: no pull-up and five push-ups; eight and twenty-two.
        var pull = Outline(GroupForm.Class, null, new Station("p", StationKind.Movement, "pull-up"));
        var beginner = At(Fit(pull, ModelAthletes.FirstPullUp), 0, 0);
        Assert.Equal("banded-pull-up", beginner.Movement);
        Assert.Equal(36m, Assert.IsType<BandHelp>(beginner.Plan!.Load).Entry.Value);
        Assert.Equal(("pull-up", "3 x 5..6 rest 2:00"), ItemOf(At(Fit(pull, ModelAthletes.BarMuscleUp), 0, 0)));
    }

    [Fact]
    public void Where_nothing_is_known_of_a_pattern_its_level_is_found_and_not_guessed()
    {
        var model = ModelAthletes.FirstPullUp;
        var unknown = model with
        {
            Snapshot = model.Snapshot with
            {
                Results = [.. model.Snapshot.Results.Where(r => r.Benchmark == "push-up-max")],
            },
        };
        var item = At(
            Fit(Outline(GroupForm.Class, null, new Station("p", StationKind.Movement, "pull-up")), unknown),
            0,
            0
        );
        Assert.Equal(("banded-pull-up", ItemRole.LevelFinding), (item.Movement, item.Role));
    }

    [Fact]
    public void A_ladder_gives_each_their_own_rung()
    {
        var lever = Outline(GroupForm.Class, null, new Station("l", StationKind.Ladder, "front-lever"));
        Assert.Equal(
            ["front-lever-advanced-tuck", "front-lever-tuck"],
            Fit(lever, ModelAthletes.TwoLevers).Block.Weeks[0].Sessions[0].Items.Select(i => i.Movement)
        );
        Assert.Equal("front-lever-tuck", At(Fit(lever, ModelAthletes.LeverAtHome), 0, 0).Movement);
        // The light day of the same has two sets of less than the hard day's seconds.
        var light = Outline(GroupForm.Class, null, new Station("l", StationKind.Ladder, "front-lever", Light: true));
        Assert.Equal(2, At(Fit(light, ModelAthletes.LeverAtHome), 0, 0).Plan!.SetCount);
    }

    [Fact]
    public void Pain_eases_a_station_and_says_so()
    {
        var made = Fit(
            Outline(GroupForm.Class, 3, new Station("p", StationKind.Movement, "push-up")),
            ModelAthletes.SoreWrist
        );
        Assert.Equal(Surface.Parallettes, At(made, 0, 0).Plan!.SetUp!.On);
        Assert.Contains(made.Notices, n => n.Id == NoticeId.PainEased);
    }

    [Fact]
    public void A_station_without_kit_is_empty_and_told()
    {
        // At home there is a bar and the floor: nothing to row on.
        var made = Fit(Outline(GroupForm.Circuit, 3, Stations), ModelAthletes.LeverAtHome);
        Assert.Equal(3, made.Block.Weeks[0].Sessions[0].Items.Count);
        Assert.Contains(made.Notices, n => n.Id == NoticeId.StationEmpty);
    }

    [Theory]
    [MemberData(nameof(Models))]
    public void Nothing_is_the_same_in_four_weeks_but_what_stays_on_purpose(string name)
    {
        var made = Fit(Outline(GroupForm.Class, null, Stations), Named(name));
        for (var item = 0; item < made.Block.Weeks[0].Sessions[0].Items.Count; item++)
            Assert.True(
                Enumerable.Range(0, 4).Select(week => At(made, week, item).Line).Distinct().Count() > 1,
                At(made, 0, item).Line
            );
    }

    [Fact]
    public void An_easier_alternate_is_help_or_the_rung_below_or_half_of_the_same()
    {
        Alternate? Of(ModelAthlete model, string movement, Prescription plan) =>
            new Alternates(model.On(ModelAthletes.Start), DoseRules.Shipped, GeneratorRules.Shipped).Of(
                Atlas.Shipped.Catalogue.Movements[movement],
                plan
            );
        var home = ModelAthletes.LeverAtHome;
        // 61 kg, bands of 12 and 25 kg: a tenth of the body is the lighter one.
        Assert.Equal(
            ("banded-pull-up", "4 x 8..12 @ band 12 kg 2 in reserve rest 2:00"),
            Of(home, "pull-up", new DoubleProgression(4, 5, 6) { RestSeconds = 120 }) is { } band
                ? (band.Movement.Slug, band.Line)
                : default
        );
        Assert.Equal(
            "front-lever-tuck",
            Of(ModelAthletes.TwoLevers, "front-lever-advanced-tuck", new HoldSets(3, 3))?.Movement.Slug
        );
        Assert.Equal("hold 3 x 7 s", Of(home, "hollow-hold", new HoldSets(3, 15))?.Line);
        // Half of five seconds is no hold.
        Assert.Null(Of(home, "hollow-hold", new HoldSets(3, 5)));
        // Who has never been asked for fewer reps than the easier one: lowering alone is never the easier way.
        Assert.NotEqual(
            "negative-pull-up",
            Of(ModelAthletes.BarMuscleUp, "pull-up", new DoubleProgression(3, 5, 6))?.Movement.Slug
        );
    }

    [Fact]
    public void Without_a_body_mass_nothing_is_fitted()
    {
        var model = ModelAthletes.BarMuscleUp;
        var unweighed = model with { Snapshot = model.Snapshot with { BodyMass = new([]) } };
        Assert.Throws<ArgumentException>(() => Fit(Outline(GroupForm.Class, null, Stations), unweighed));
    }

    private static (string, string) ItemOf(BlockItem item) => (item.Movement, item.Line);
}
