using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Explanations;
using Cumbre.Core.Ladders;
using Cumbre.Core.Levers;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using static Cumbre.Core.Tests.Ladders.Results;

namespace Cumbre.Core.Tests.Ladders;

// Rules of placement: common practice, no source.
public class PlacementTests
{
    private static readonly Ladder FrontLever = Atlas.Shipped.BySlug["front-lever"];

    /// <summary>Every ladder under every combination of the schools that touch it.</summary>
    public static TheoryData<string, string> LaddersAndSchools()
    {
        var rows = new TheoryData<string, string>();
        foreach (var ladder in Atlas.Shipped.Ladders)
        {
            IEnumerable<string> choices = [""];
            foreach (var question in ladder.Schools)
                choices =
                [
                    .. choices.SelectMany(c =>
                        Catalogue.Shipped.SchoolsBySlug[question].Choices.Select(s => $"{c}{question}={s.Slug};")
                    ),
                ];
            foreach (var choice in choices)
                rows.Add(ladder.Slug, choice);
        }

        return rows;
    }

    private static Schools Under(string choices) =>
        new(
            Catalogue.Shipped,
            choices
                .Split(';', StringSplitOptions.RemoveEmptyEntries)
                .Select(c => c.Split('='))
                .ToDictionary(c => c[0], c => c[1])
        );

    private static Placement Place(Ladder ladder, Schools schools, IEnumerable<BenchmarkResult> results) =>
        Placement.Of(ladder, schools, Book(results));

    private static PlacementReport Report(
        Ladder ladder,
        Schools schools,
        IEnumerable<BenchmarkResult> results,
        CoachPlacement? coach = null
    ) => PlacementReport.Of(ladder, Atlas.Shipped, schools, Book(results), BodyBuild.Unknown, coach);

    private static string? Training(Ladder ladder, params BenchmarkResult[] results) =>
        Place(ladder, Schools.Default, results).Training is { } step ? ladder.Steps[step].Slug : null;

    [Theory]
    [MemberData(nameof(LaddersAndSchools))]
    public void Every_ladder_can_be_walked_by_meeting_what_is_unmet(string slug, string choices)
    {
        var (ladder, schools) = (Atlas.Shipped.BySlug[slug], Under(choices));
        var results = new List<BenchmarkResult>();
        var visited = new HashSet<int>();
        for (var turn = 0; ; turn++)
        {
            Assert.True(turn <= 2 * ladder.Steps.Count, $"{slug} {choices}: no way on");
            var report = Report(ladder, schools, results);
            if (report.Placement.Training is { } training)
                visited.Add(training);
            if (report.Placement.Next is null)
                break;
            Assert.NotEmpty(report.Unmet);
            Assert.Contains(report.Limiting!.Term, report.Unmet);
            Assert.All(report.Unmet, t => Assert.True(t.Fraction >= report.Limiting.Term.Fraction));
            results.AddRange(report.Unmet.SelectMany(t => Reaching(t.Term)));
        }

        Assert.Equal(ladder.Steps.Count - 1, Place(ladder, schools, results).Training);
        Assert.True(visited.Count >= 2);
        results.AddRange(Reaching(ladder.Summit.Won));
        Assert.True(Place(ladder, schools, results).IsWon(ladder.Steps.Count - 1));
    }

    [Theory]
    [MemberData(nameof(LaddersAndSchools))]
    public void Every_gate_blocks_its_step_and_no_other_way_leads_on(string slug, string choices)
    {
        var (ladder, schools) = (Atlas.Shipped.BySlug[slug], Under(choices));
        for (var i = 0; i < ladder.Steps.Count; i++)
        {
            var step = ladder.Steps[i];
            // A step of several strengths asks for the way to each of them.
            var before =
                ladder.Strands.Count == 1
                    ? step.After.Take(1)
                    : Enumerable.Range(0, i).Where(a => !ladder.Steps[a].Preparation);
            var path = before.SelectMany(a => Reaching(ladder.Steps[a].Opens)).ToArray();
            var gates = step.Gates.Where(g => g.Holds(schools)).Select(g => g.Gate).ToArray();
            BenchmarkResult[] all = [.. path, .. gates.SelectMany(g => Reaching(g))];
            Assert.True(
                Place(ladder, schools, all).IsReachable(i),
                $"{slug}/{step.Slug} {choices} with all that is asked"
            );
            foreach (var gate in gates)
            {
                foreach (var term in gate is GateTerm or AllOf ? Required(gate) : [])
                {
                    // The shortfall alone, the results of the rest being as they were.
                    var without = all.Where(r => r.Benchmark != term.Benchmark).Concat(Missing(term));
                    Assert.False(
                        Place(ladder, schools, without).GatesMet(i),
                        $"{slug}/{step.Slug} {choices} without {term}"
                    );
                }
            }
        }
    }

    private static IEnumerable<GateTerm> Required(GateExpression gate) =>
        gate switch
        {
            GateTerm term => [term],
            AllOf all => all.Parts.OfType<GateTerm>(),
            _ => [],
        };

    [Fact]
    public void Without_results_the_gate_of_the_first_step_is_told()
    {
        var report = Report(Atlas.Shipped.BySlug["weighted-dip"], Schools.Default, []);
        Assert.Null(report.Placement.Training);
        Assert.Equal(0, report.Placement.Next);
        Assert.All(report.Unmet, t => Assert.Null(t.Have));
    }

    [Fact]
    public void Preparation_is_trained_until_the_first_step_opens_and_does_not_hold_back()
    {
        // The first that is not shown, then the next; six pull-ups are no eight.
        Assert.Equal("hang", Training(FrontLever));
        Assert.Equal("hang", Training(FrontLever, Reps("pull-up-max", 6)));
        Assert.Equal("scapular-row", Training(FrontLever, Reps("pull-up-max", 6), Seconds("active-hang", 30)));
        Assert.Equal("tuck", Training(FrontLever, Reps("pull-up-max", 8)));
        var placed = Place(FrontLever, Schools.Default, [Reps("pull-up-max", 8)]);
        Assert.Equal(StepStatus.Support, placed.StatusOf(0));
    }

    [Fact]
    public void Three_seconds_of_advanced_tuck_open_longer_lines_for_exposure_only()
    {
        var results = new[]
        {
            Reps("pull-up-max", 9),
            Seconds("front-lever-tuck", 10, sets: 3),
            Seconds("front-lever-advanced-tuck", 4),
        };
        var placed = Place(FrontLever, Schools.Default, results);
        Assert.Equal("one-leg", FrontLever.Steps[placed.Training!.Value].Slug);
        Assert.True(placed.ExposureOnly);
        Assert.Equal(StepStatus.Open, placed.StatusOf(4));
        var report = Report(FrontLever, Schools.Default, results);
        Assert.Contains(report.Training.Why.Cautions, c => c.Id == CautionId.ExposureOnly);
        Assert.False(
            Place(
                FrontLever,
                Schools.Default,
                [.. results, Seconds("front-lever-advanced-tuck", 10, sets: 3)]
            ).ExposureOnly
        );
    }

    [Fact]
    public void A_clean_result_implies_the_earlier_steps_but_not_preparation()
    {
        var placed = Place(
            FrontLever,
            Schools.Default,
            [Reps("pull-up-max", 12), Seconds("front-lever-straddle", 6, sets: 3)]
        );
        Assert.All([3, 4, 5, 6, 7], i => Assert.True(placed.IsWon(i), FrontLever.Steps[i].Slug));
        Assert.True(placed.IsImplied(3));
        Assert.False(placed.IsWon(0) || placed.IsWon(1) || placed.IsWon(2));
    }

    [Fact]
    public void An_exposure_opens_the_step_before_and_wins_those_before_it()
    {
        var placed = Place(
            FrontLever,
            Schools.Default,
            [Reps("pull-up-max", 12), Seconds("front-lever-one-leg", 2, side: Side.Left)]
        );
        Assert.True(placed.IsWon(3));
        Assert.True(placed.IsOpen(4));
        Assert.False(placed.IsWon(4));
    }

    [Fact]
    public void One_pull_up_is_no_try_at_ten()
    {
        var ladder = Atlas.Shipped.BySlug["pull-up"];
        Assert.Equal("five", Training(ladder, Reps("pull-up-max", 1)));
        Assert.Equal("ten", Training(ladder, Reps("pull-up-max", 6)));
        Assert.Equal("capacity", Training(ladder, Reps("pull-up-max", 11)));
    }

    [Fact]
    public void Of_alternatives_the_one_that_was_tried_is_trained()
    {
        var ladder = Atlas.Shipped.BySlug["planche"];
        BenchmarkResult[] open =
        [
            Of("wrist-extension", new Score(degrees: 95)),
            Reps("push-up-max", 20),
            Reps("pseudo-planche-push-up", 9),
            Seconds("planche-tuck", 10, sets: 3),
            Seconds("planche-advanced-tuck", 10, sets: 3),
        ];
        Assert.Equal("one-leg", Training(ladder, open));
        Assert.Equal("half-lay", Training(ladder, [.. open, Seconds("planche-half-lay", 3)]));
        Assert.Equal("straddle", Training(ladder, [.. open, Seconds("planche-half-lay", 6, sets: 3)]));
    }

    [Fact]
    public void Handstand_first_asks_a_free_handstand_before_the_tuck()
    {
        var ladder = Atlas.Shipped.BySlug["planche"];
        BenchmarkResult[] direct =
        [
            Of("wrist-extension", new Score(degrees: 90)),
            Reps("push-up-max", 15),
            Reps("pseudo-planche-push-up", 8),
            Seconds("frog-stand", 30),
        ];
        var first = Under("planche-entry=handstand-first");
        Assert.Equal("tuck", Training(ladder, direct));
        Assert.NotEqual("tuck", ladder.Steps[Place(ladder, first, direct).Training!.Value].Slug);
        Assert.Equal(
            "tuck",
            ladder.Steps[Place(ladder, first, [.. direct, Seconds("handstand", 10)]).Training!.Value].Slug
        );
    }

    [Theory]
    [InlineData("power-first", new[] { "high-pull-up", "straight-bar-dip" })]
    [InlineData("volume-first", new[] { "pull-up-max" })]
    [InlineData(
        "balanced-base",
        new[] { "pull-up-capacity", "parallel-bar-dip-capacity", "push-up-capacity", "high-pull-up" }
    )]
    public void Each_school_asks_its_own_before_the_muscle_up(string school, string[] asked)
    {
        var ladder = Atlas.Shipped.BySlug["bar-muscle-up"];
        var jumping = ladder.Steps.Single(s => s.Slug == "jumping");
        var gates = jumping
            .Gates.Where(g => g.Holds(Under($"muscle-up-entry={school}")))
            .SelectMany(g => g.Gate.Terms)
            .Select(t => t.Benchmark)
            .Distinct();
        Assert.Equal(asked.Order(), gates.Order());
    }

    [Fact]
    public void A_side_that_is_weaker_decides_the_flag()
    {
        var ladder = Atlas.Shipped.BySlug["human-flag"];
        BenchmarkResult[] both(decimal left, decimal right) =>
            [Seconds("human-flag-tuck", left, side: Side.Left), Seconds("human-flag-tuck", right, side: Side.Right)];
        Assert.Equal("straddle", Training(ladder, both(7, 5)));
        var report = Report(ladder, Schools.Default, both(7, 4));
        Assert.Equal("tuck", ladder.Steps[report.Placement.Training!.Value].Slug);
        Assert.Equal((Side.Right, 4m), (report.Limiting!.Term.Have!.Side, report.Limiting.Term.Have.Score.Seconds));
    }

    [Fact]
    public void A_stale_result_opens_nothing_but_an_open_step_stays()
    {
        Assert.Equal("tuck", Training(FrontLever, Reps("pull-up-max", 9, 300)));
        // The two gates of one step were never shown within six weeks of each other.
        var dip = Atlas.Shipped.BySlug["weighted-dip"];
        var old = Report(dip, Under("loading=rep-first"), [Reps("parallel-bar-dip-max", 12, 300)]);
        Assert.Equal(0, old.Placement.Training);
        var apart = Report(
            dip,
            Schools.Default,
            [
                Reps("parallel-bar-dip-max", 12, 300),
                Reps("chin-up-max", 8, 100),
                Reps("push-up-max", 20),
                Reps("row-max", 12),
            ]
        );
        Assert.Null(apart.Placement.Training);
        Assert.Contains(apart.Training.Why.Cautions, c => c.Id == CautionId.RetestToOpen);
    }

    // Several steps share the test of the weighted pull-up: what is trained for a threshold is the dose of the step
    // that asks for it.
    [Fact]
    public void The_dose_and_the_weeks_are_those_of_the_step_that_asks_for_the_threshold()
    {
        var ladder = Atlas.Shipped.BySlug["weighted-pull-up"];
        var report = Report(
            ladder,
            Schools.Default,
            [
                Reps("chin-up-max", 8),
                Reps("push-up-max", 20),
                Reps("row-max", 12),
                Reps("parallel-bar-dip-max", 12),
                Load("weighted-pull-up-heavy", 20, 5),
            ]
        );
        var training = ladder.Steps[report.Placement.Training!.Value];
        Assert.True(report.Placement.Training > 0);
        Assert.Equal((training.Dose, training.Weeks), (report.Limiting!.Dose, report.Limiting.Weeks));
    }

    [Fact]
    public void The_limiting_factor_is_the_least_fraction_and_ties_go_to_the_longer_work()
    {
        var dip = Atlas.Shipped.BySlug["weighted-dip"];
        var report = Report(
            dip,
            Schools.Default,
            [Reps("parallel-bar-dip-max", 9), Reps("chin-up-max", 4), Reps("push-up-max", 6), Reps("row-max", 9)]
        );
        Assert.Equal("push-up-max", report.Limiting!.Term.Term.Benchmark);
        Assert.Equal("push-up", report.Limiting.Movement);
        var tied = Report(dip, Schools.Default, [Reps("parallel-bar-dip-max", 10), Reps("chin-up-max", 5)]);
        Assert.Equal(2, tied.Unmet.Count(t => t.Fraction == 0));
        Assert.True(tied.Limiting!.Weeks >= 4);
    }

    [Fact]
    public void A_step_set_by_the_coach_keeps_its_reason_and_the_rules_own_place_is_told()
    {
        var coach = new CoachPlacement("front-lever", "straddle", "held it for years before an injury", Today);
        var report = Report(FrontLever, Schools.Default, [Reps("pull-up-max", 9)], coach);
        Assert.Equal(
            ("straddle", "tuck"),
            (
                FrontLever.Steps[report.Placement.Training!.Value].Slug,
                FrontLever.Steps[report.Placement.ByRule!.Value].Slug
            )
        );
        Assert.Equal(RuleId.PlacedByCoach, report.Training.Why.Rule.Id);
        Assert.Contains(report.Training.Why.Inputs, i => i.Value.Code == coach.Reason);
    }

    [Fact]
    public void Training_shows_an_unlock_standard()
    {
        var exposure = new Core.Sessions.Exposure(
            Guid.NewGuid(),
            Today,
            "weighted-pull-up",
            new Core.Prescriptions.StraightSets(3, 10),
            [],
            false,
            Body,
            [
                new(1, 1, 10, MassEntry.Kg(2.5m), 1, FormVerdict.Clean),
                new(2, 1, 10, MassEntry.Kg(2.5m), 1, FormVerdict.Clean),
                new(3, 1, 9, MassEntry.Kg(2.5m), 0, FormVerdict.Clean),
            ]
        );
        var shown = TrainingResults.Of(exposure, Catalogue.Shipped).Select(r => (r.Score.Sets, r.Score.Reps)).ToArray();
        Assert.Equal([(2, 10), (3, 9)], shown);
    }
}
