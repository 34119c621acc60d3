using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Explanations;
using Cumbre.Core.Ladders;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes;
using Cumbre.Core.Programmes.Generation;
using Cumbre.Core.Tests.Loading;

namespace Cumbre.Core.Tests.Programmes;

/// <summary>
/// How a block is put together for one athlete. The rules are common practice, no source, where none is named; figures
/// marked house are in docs/formulas.md.
/// </summary>
public class GeneratorTests
{
    private static readonly DayOfWeek[] FourDays =
    [
        DayOfWeek.Monday,
        DayOfWeek.Tuesday,
        DayOfWeek.Thursday,
        DayOfWeek.Saturday,
    ];

    private static readonly BenchmarkResult[] Intermediate =
    [
        Gym.Result("pull-up-max", Score.OfReps(12)),
        Gym.Result("chin-up-max", Score.OfReps(13)),
        Gym.Result("parallel-bar-dip-max", Score.OfReps(14)),
        Gym.Result("push-up-max", Score.OfReps(20)),
        Gym.Result("row-max", Score.OfReps(12)),
        Gym.Result("row-max", Score.OfReps(10, 3)),
        Gym.Result("weighted-pull-up-heavy", Score.OfReps(5), 20, 1),
        Gym.Result("front-lever-tuck", Score.OfSeconds(14, 3)),
        Gym.Result("front-lever-advanced-tuck", Score.OfSeconds(8, 2)),
        Gym.Result("wrist-extension", new Score(degrees: 92)),
        Gym.Result("pseudo-planche-push-up", Score.OfReps(9, 3)),
        Gym.Result("planche-tuck", Score.OfSeconds(7)),
    ];

    private static AthleteAtWork Athlete(
        Intake? intake = null,
        KitBook? gear = null,
        BenchmarkResult[]? results = null,
        Dictionary<string, string>? schools = null,
        Kit? kit = null,
        DateOnly? today = null,
        int born = 1995
    )
    {
        var day = today ?? Gym.Monday;
        var snapshot = new AthleteSnapshot(
            MassUnit.Kg,
            born,
            false,
            new Schools(Catalogue.Shipped, schools ?? []),
            kit ?? KitTests.Cochera,
            new([new(day.AddDays(-1), MassEntry.Kg(70))]),
            results ?? Intermediate,
            []
        )
        {
            Sex = Sex.Male,
            StatureCm = 174.1m,
        };
        return new(snapshot, intake ?? Said("front-lever", "planche"), Atlas.Shipped, gear ?? Hall, [], day);
    }

    private static KitBook Hall { get; } =
        Gym.Hall with
        {
            Gear =
            [
                .. Gym.Hall.Gear,
                new(Guid.NewGuid(), GearKind.Rings, "rings", null, null, null),
                new(Guid.NewGuid(), GearKind.Pole, "pole", null, null, null),
            ],
        };

    private static Intake Said(params string[] goals) =>
        new()
        {
            Days = FourDays,
            Minutes = 90,
            Goals = [.. goals.Select(g => new Goal(g, GoalKind.Advance))],
            Finished = true,
        };

    private static GeneratedBlock Make(AthleteAtWork athlete, DateOnly? start = null) =>
        BlockGenerator.Generate(athlete, Ids.Wish(start), DoseRules.Shipped, GeneratorRules.Shipped);

    private static IReadOnlyList<BlockSession> Week(GeneratedBlock made, int week = 1) =>
        made.Block.Weeks[week - 1].Sessions;

    private static int Day(BlockSession session) => ((int)session.Day.DayOfWeek + 6) % 7;

    private static IEnumerable<(BlockSession Session, BlockItem Item)> Of(
        GeneratedBlock made,
        string movement,
        int week = 1
    ) => Week(made, week).SelectMany(s => s.Items.Where(i => i.Movement == movement).Select(i => (s, i)));

    private static int Sets(BlockItem item) => NotationParser.Parse(item.Line).Plan!.SetCount;

    private static SlotRole Role(GeneratedBlock made, BlockItem item) =>
        Enum.Parse<SlotRole>(made.Why[item.Id].Rule.Args[0].Code!);

    [Fact]
    public void A_block_has_four_loading_weeks_and_an_easy_one_that_ends_in_the_retest()
    {
        var made = Make(Athlete());
        Assert.Equal(
            [WeekKind.Loading, WeekKind.Loading, WeekKind.Loading, WeekKind.Loading, WeekKind.Retest],
            made.Block.Weeks.Select(w => w.Kind)
        );
        Assert.Equal("Tests", Week(made, 5)[^1].Title);
        Assert.All(Week(made, 5)[^1].Items, i => Assert.Equal(SlotRole.Test, Role(made, i)));
        Assert.Contains(Week(made, 5)[^1].Items, i => i.Movement == "front-lever-one-leg");
    }

    [Fact]
    public void Four_days_are_pull_push_straight_arm_and_full_body() =>
        Assert.Equal(
            ["Front lever hard, pull", "Planche hard, push", "Front lever light, planche light, legs", "Full body"],
            Week(Make(Athlete())).Select(s => s.Title)
        );

    [Fact]
    public void Each_skill_is_hard_once_and_light_once_two_or_three_days_apart()
    {
        var made = Make(Athlete());
        foreach (var skill in new[] { "front-lever-advanced-tuck", "planche-tuck" })
        {
            var placed = Of(made, skill).ToArray();
            Assert.Equal([SlotRole.SkillHard, SlotRole.SkillLight], placed.Select(p => Role(made, p.Item)));
            Assert.InRange(Day(placed[1].Session) - Day(placed[0].Session), 2, 3);
            Assert.True(Sets(placed[1].Item) < Sets(placed[0].Item));
        }
    }

    [Fact]
    public void Upper_body_days_hold_two_pulls_and_two_pushes_the_pull_first()
    {
        var made = Make(Athlete(Said("front-lever") with { Days = [DayOfWeek.Monday, DayOfWeek.Thursday] }));
        foreach (var session in Week(made))
        {
            var mains = session
                .Items.Select(i => Role(made, i))
                .Where(r => r is SlotRole.MainPull or SlotRole.MainPush or SlotRole.SecondPull or SlotRole.SecondPush);
            Assert.Equal([SlotRole.MainPull, SlotRole.MainPush, SlotRole.SecondPull, SlotRole.SecondPush], mains);
        }
    }

    [Fact]
    public void Schools_decide_whether_the_push_comes_first_and_the_skill_last()
    {
        var made = Make(
            Athlete(
                Said("front-lever") with
                {
                    Days = [DayOfWeek.Monday, DayOfWeek.Thursday],
                },
                schools: new() { ["first-exercise"] = "push", ["skill-order"] = "last" }
            )
        );
        var roles = Week(made)[0].Items.Select(i => Role(made, i)).ToList();
        Assert.True(roles.IndexOf(SlotRole.MainPush) < roles.IndexOf(SlotRole.MainPull));
        Assert.True(
            roles.FindIndex(r => r is SlotRole.SkillHard or SlotRole.SkillLight) > roles.IndexOf(SlotRole.SecondPull)
        );
    }

    [Fact]
    public void The_second_day_of_weighted_pulling_takes_another_grip()
    {
        var made = Make(
            Athlete(Said("weighted-pull-up") with { Days = [DayOfWeek.Monday, DayOfWeek.Wednesday, DayOfWeek.Friday] })
        );
        var mains = Week(made).SelectMany(s => s.Items).Where(i => Role(made, i) == SlotRole.MainPull).ToArray();
        Assert.Contains(mains, i => i.Movement == "weighted-pull-up");
        var other = mains.First(i => i.Movement == "weighted-chin-up");
        Assert.Contains(made.Why[other.Id].Working, s => s.Key == StepKey.OtherGrip);
        // It starts a twentieth of the system under the lift that it varies (house): 70 kg and 20 kg for 5 with one left
        // are an e1RM of 108 kg.
        var chin = Assert.IsType<AddedLoad>(NotationParser.Parse(other.Line).Plan!.Load).Entry.Value;
        var pull = Assert
            .IsType<AddedLoad>(NotationParser.Parse(mains.First(i => i.Movement == "weighted-pull-up").Line).Plan!.Load)
            .Entry.Value;
        Assert.True(chin < pull, $"{chin} and {pull}");
    }

    // A bar load is never carried over to rings: they start a tenth of the system under their lift (house). 70 kg and
    // 20 kg for 5 with one left are an e1RM of 108 kg; 97.2 kg allow +11.0 kg for 4 with two left, +10 kg by the plates.
    [Fact]
    public void Where_rings_are_the_school_the_heavy_pull_is_done_on_them_and_starts_anew()
    {
        var made = Make(Athlete(Said("weighted-pull-up"), schools: new() { ["implement"] = "rings" }));
        var main = Week(made).SelectMany(s => s.Items).First(i => Role(made, i) == SlotRole.MainPull);
        Assert.Equal("weighted-ring-pull-up", main.Movement);
        Assert.Equal(10m, Assert.IsType<AddedLoad>(NotationParser.Parse(main.Line).Plan!.Load).Entry.Value);
        Assert.Contains(made.Why[main.Id].Working, s => s.Key == StepKey.OnRings);
    }

    // The wave 3, 4, 4, 5 (house).
    [Fact]
    public void Main_exercises_wave_their_sets_over_the_weeks()
    {
        DayOfWeek[] days = [DayOfWeek.Monday, DayOfWeek.Wednesday, DayOfWeek.Friday];
        var made = Make(Athlete(Said("pull-up") with { Days = days, Minutes = 75 }));
        var waves = Week(made)
            .SelectMany((s, day) => s.Items.Where(i => i.Role == ItemRole.Main).Select(i => (i.Movement, day)))
            .Select(m =>
                string.Join(
                    ' ',
                    Enumerable
                        .Range(1, 4)
                        .Select(w => Sets(Week(made, w)[m.day].Items.First(i => i.Movement == m.Movement)))
                )
            )
            .ToArray();
        Assert.Contains(waves, w => w[^1] > w[0] && w[^1] == '5');
        // Small work pays for it, and none has fewer sets than it began with.
        Assert.All(waves, w => Assert.True(w[^1] >= w[0], w));
    }

    // At most 10 % a week (house), by moment x seconds; the best hold is 8 s, so that 60 % of it are 4 s and 70 % are 5
    // s.
    [Fact]
    public void Straight_arm_holds_are_never_waved_and_grow_by_seconds()
    {
        var made = Make(Athlete());
        int Total(int week) =>
            new[] { "front-lever-advanced-tuck", "front-lever-one-leg" }.Sum(m =>
                Of(made, m, week).Sum(i => NotationParser.Parse(i.Item.Line).Plan!.Sets().Sum(s => s.Seconds!.Value))
            );
        Assert.Equal("hold 4 x 4 s rest 2:00", Of(made, "front-lever-advanced-tuck").First().Item.Line);
        for (var week = 2; week <= 4; week++)
            Assert.InRange(Total(week), Total(week - 1), Total(week - 1) * 1.1);
        Assert.True(Total(4) > Total(1));
    }

    // House: a new straight-arm step starts at half the dose for two weeks.
    [Fact]
    public void A_new_step_starts_at_half_its_dose_for_two_weeks()
    {
        // Timed too short for volume; a hold that was timed long enough is not new.
        BenchmarkResult[] fresh =
        [
            .. Intermediate.Where(r => !r.Benchmark.StartsWith("front-lever", StringComparison.Ordinal)),
        ];
        GeneratedBlock Timed(int seconds) =>
            Make(
                Athlete(
                    Said("front-lever"),
                    results: [.. fresh, Gym.Result("front-lever-tuck", Score.OfSeconds(seconds))]
                )
            );
        var (made, old) = (Timed(4), Timed(5));
        int SetsOf(GeneratedBlock block, int week) => Of(block, "front-lever-tuck", week).Max(i => Sets(i.Item));
        Assert.Equal((3, 3), (SetsOf(made, 1), SetsOf(made, 2)));
        Assert.Equal(5, SetsOf(old, 1));
        bool IsHalved(GeneratedBlock block) =>
            block.Why[Of(block, "front-lever-tuck").First().Item.Id].Working.Any(s => s.Key == StepKey.NewStepShare);
        Assert.Equal((true, false), (IsHalved(made), IsHalved(old)));
    }

    [Fact]
    public void A_skill_that_is_kept_gets_about_a_third_of_the_volume()
    {
        var advanced = Make(Athlete(Said("front-lever")));
        var kept = Make(
            Athlete(
                Said("planche") with
                {
                    Goals = [new("planche", GoalKind.Advance), new("front-lever", GoalKind.Maintain)],
                }
            )
        );
        int Seconds(GeneratedBlock block) =>
            Of(block, "front-lever-advanced-tuck")
                .Sum(i => NotationParser.Parse(i.Item.Line).Plan!.Sets().Sum(s => s.Seconds!.Value));
        Assert.InRange((double)Seconds(kept) / Seconds(advanced), 0.25, 0.45);
        Assert.Single(Of(kept, "front-lever-advanced-tuck"));
    }

    [Fact]
    public void An_item_tells_the_step_that_is_won_and_the_one_that_is_trained()
    {
        var made = Make(Athlete(Said("front-lever")));
        var row = Week(made).SelectMany(s => s.Items).First(i => i.Movement == "inverted-row-feet-raised");
        var why = made.Why[row.Id];
        Assert.Equal("Feet elevated", why.Working.Single(s => s.Key == StepKey.LevelOfStep).Result.Code);
        Assert.Equal(
            ("Horizontal", "horizontal row >= 3 x 10 reps"),
            why.Working.Single(s => s.Key == StepKey.WonStep) is var won ? (won.Args[0].Code, won.Result.Code) : default
        );
        Assert.Contains(why.Inputs, i =>
            i.Key == InputKey.PrimeMovers && i.Value.Code!.Contains("mid trapezius", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void The_weaker_side_begins_both_do_its_number_and_it_does_one_set_more()
    {
        var athlete = Athlete(
            Said("human-flag"),
            results:
            [
                .. Intermediate,
                Gym.Result("pause-pull-up", Score.OfReps(5, 3)),
                Gym.Result("one-arm-hang", Score.OfSeconds(20), side: Side.Left),
                Gym.Result("one-arm-hang", Score.OfSeconds(12), side: Side.Right),
                Gym.Result("diagonal-hang", Score.OfSeconds(9), side: Side.Left),
                Gym.Result("diagonal-hang", Score.OfSeconds(5), side: Side.Right),
            ]
        );
        var made = Make(athlete);
        var hang = Of(made, "diagonal-hang").First().Item;
        var plan = Assert.IsType<HoldSets>(NotationParser.Parse(hang.Line).Plan);
        // 60 % of the weaker side's 5 s.
        Assert.Equal((SidePlan.RightMore, 3), (plan.Sides, plan.Seconds));
        var weeks = DoseReader.Read(made.Block, athlete, DoseRules.Shipped);
        Assert.All(weeks, w => Assert.True(w.SidesEven));
        Assert.True(weeks[0].Right > weeks[0].Left);
        // Not in the easy week, where half of the sets are done.
        Assert.DoesNotContain(made.Block.Weeks[^1].Sessions.SelectMany(s => s.Items), i =>
            i.Line.Contains("first +1", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void Warm_up_starts_with_the_wrists_where_hands_bear_load_and_ramps_before_load()
    {
        var made = Make(Athlete());
        Assert.StartsWith("Wrist prep", Week(made)[1].WarmUp.Text, StringComparison.Ordinal);
        Assert.InRange(Week(made)[1].WarmUp.Seconds, 300, 900);
        Assert.Contains(
            "ramp sets",
            Week(made)
                .First(s => s.Items.Any(i => i.Movement.StartsWith("weighted", StringComparison.Ordinal)))
                .WarmUp.Text!,
            StringComparison.Ordinal
        );
    }

    [Theory]
    [InlineData(1950)]
    [InlineData(2012)]
    public void Where_nobody_may_train_yet_only_the_reasons_of_that_are_told(int born)
    {
        var made = Make(Athlete(Said("front-lever"), results: [], born: born));
        Assert.Equal(
            [NoticeId.ClearanceOpen, NoticeId.ConsentMissing, NoticeId.NothingToTrain],
            made.Notices.Select(n => n.Id).Append(NoticeId.ConsentMissing).Distinct().Order()
        );
    }

    [Fact]
    public void A_new_step_of_which_nothing_is_known_is_found_by_three_short_holds_on_its_hard_day()
    {
        // The figures are those of a block that a coach would sign: 3 x 3 s where it is new, 2 x 3 s on the light day.
        var made = Make(
            Athlete(
                Said("front-lever"),
                results: [.. Intermediate.Where(r => !r.Benchmark.StartsWith("front-lever", StringComparison.Ordinal))]
            )
        );
        var holds = Of(made, "front-lever-tuck").ToArray();
        Assert.Equal(["hold 3 x 3 s rest 2:30", "hold 2 x 3 s rest 2:30"], holds.Select(h => h.Item.Line));
        Assert.Equal([ItemRole.LevelFinding, ItemRole.Light], holds.Select(h => h.Item.Role));
    }

    [Fact]
    public void A_newcomer_gets_the_battery_first_and_sets_that_find_the_level()
    {
        var made = Make(Athlete(Said("front-lever"), results: []));
        Assert.Contains(made.Notices, n => n.Id == NoticeId.NoTests);
        Assert.Equal("Tests", Week(made)[0].Title);
        Assert.Superset(
            new HashSet<string> { "pull-up", "parallel-bar-dip", "push-up", "inverted-row-horizontal" },
            Week(made)[0].Items.Select(i => i.Movement).ToHashSet()
        );
        Assert.Contains(Week(made).Skip(1).SelectMany(s => s.Items), i =>
            i is { Role: ItemRole.LevelFinding, Line: var line }
            && line.Contains("2 in reserve", StringComparison.Ordinal)
        );
    }

    // ---- What does not fit ----

    // The one figure that a goal hangs on is what a short first session is for (common practice, no source).
    [Fact]
    public void A_newcomers_short_first_session_tests_what_decides_the_goal()
    {
        string[] Tests(string goal) =>
            [.. Week(Make(Athlete(Said(goal) with { Minutes = 10 }, results: [])))[0].Items.Select(i => i.Movement)];
        Assert.Contains("inverted-row-horizontal", Tests("weighted-row"));
        Assert.DoesNotContain("inverted-row-horizontal", Tests("front-lever"));
        Assert.Contains("pull-up", Tests("front-lever"));
    }

    [Fact]
    public void Six_goals_in_two_days_advance_two_and_keep_the_rest_as_far_as_there_are_days()
    {
        var made = Make(
            Athlete(
                Said("front-lever", "planche", "back-lever", "human-flag", "handstand", "bar-muscle-up") with
                {
                    Days = [DayOfWeek.Monday, DayOfWeek.Thursday],
                }
            )
        );
        Assert.Equal(4, made.Notices.Count(n => n.Id == NoticeId.GoalOnlyKept));
        Assert.True(Week(made).Count == 2);
    }

    [Fact]
    public void Fifteen_minutes_hold_the_skill_and_say_what_gave_way()
    {
        var made = Make(Athlete(Said("front-lever") with { Minutes = 15 }));
        Assert.NotEmpty(made.LeftOut);
        Assert.All(Week(made), s => Assert.NotEmpty(s.Items));
        // By the stated order: small things go before main exercises, and the skill last.
        Assert.Contains(made.LeftOut, l => l.Kind == DropKind.Trunk);
        Assert.Equal(2, Of(made, "front-lever-advanced-tuck").Count());
    }

    [Fact]
    public void Ten_minutes_leave_out_a_skill_that_takes_longer_and_keep_what_fits()
    {
        var made = Make(Athlete(Said("front-lever") with { Minutes = 10, Days = [DayOfWeek.Monday] }));
        Assert.All(made.Block.Weeks.SelectMany(w => w.Sessions), s => Assert.NotEmpty(s.Items));
        Assert.Contains(made.LeftOut, l => l.Kind == DropKind.SkillHard);
    }

    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public void Without_any_kit_the_floor_is_trained_on_and_what_is_missing_is_said(bool mat)
    {
        var made = Make(
            Athlete(
                Said("front-lever"),
                gear: KitBook.Empty with
                {
                    HasNoGear = !mat,
                    Gear = mat ? [new(Guid.NewGuid(), GearKind.Mat, "mat", null, null, null)] : [],
                },
                kit: Kit.Empty
            )
        );
        Assert.DoesNotContain(made.Notices, n => n.Id == NoticeId.KitUnknown);
        Assert.Contains(made.Notices, n => n.Id == NoticeId.GoalNotTrainable && n.Args[1].Code == "Kit");
        Assert.Contains(made.Notices, n =>
            n.Id == NoticeId.PatternMissing && (n.Args[0].Code, n.Args[1].Code) == ("vertical pull", "Kit")
        );
        Assert.NotEmpty(Week(made)[0].Items);
    }

    [Fact]
    public void A_kit_that_nobody_wrote_down_is_said_to_be_taken_for_granted() =>
        Assert.Contains(Make(Athlete(gear: KitBook.Empty)).Notices, n => n.Id == NoticeId.KitUnknown);

    [Fact]
    public void Nothing_that_is_stopped_is_written_and_what_hurts_less_is_eased()
    {
        var athlete = Athlete(
            Said("front-lever") with
            {
                Complaints = [new("left shoulder", 7, null), new("knee", 5, null), new("lower back", 4, null)],
            }
        );
        var made = Make(athlete);
        Assert.Contains(made.Notices, n => n.Id == NoticeId.PainStop && n.Args[0].Code == "left shoulder");
        Assert.Equal(2, made.Notices.Count(n => n.Id == NoticeId.PainEased));
        Movement[] trained =
        [
            .. made
                .Block.Weeks.SelectMany(w => w.Sessions)
                .SelectMany(s => s.Items)
                .Select(i => Catalogue.Shipped.Movements[i.Movement]),
        ];
        Assert.DoesNotContain(trained, m => athlete.Holding(m) is { Stopped: true });
        // 3 to 5 eases and does not empty the day (pain-monitoring model, Thomee 1997, from memory).
        Assert.Contains(trained, m => m.Pattern == Pattern.Legs);
        // Rows do not load a shoulder.
        Assert.Contains(trained, m => m.Pattern == Pattern.HorizontalPull);
        // What protects a shoulder is not done with one that is stopped.
        Assert.DoesNotContain(trained, m => m.PrimeMovers.Contains("rotator cuff"));
        Assert.DoesNotContain(trained, m => m.Slug is "stick-pass" or "overhead-opener");
    }

    [Fact]
    public void A_goal_whose_first_gate_is_unmet_trains_what_the_gate_asks()
    {
        var made = Make(
            Athlete(
                Said("weighted-dip"),
                results:
                [
                    Gym.Result("pull-up-max", Score.OfReps(12)),
                    Gym.Result("parallel-bar-dip-max", Score.OfReps(6)),
                    Gym.Result("push-up-max", Score.OfReps(20)),
                    Gym.Result("row-max", Score.OfReps(12)),
                ]
            )
        );
        var notice = made.Notices.Single(n => n.Id == NoticeId.GateUnmet);
        Assert.Equal(
            ("Weighted dip", true),
            (notice.Args[0].Code, notice.Args[1].Code!.Contains("10", StringComparison.Ordinal))
        );
        Assert.NotEmpty(Of(made, "parallel-bar-dip"));
    }

    [Fact]
    public void A_goal_that_is_won_is_kept_and_said_to_be_won()
    {
        var made = Make(
            Athlete(Said("handstand"), results: [.. Intermediate, Gym.Result("handstand", Score.OfSeconds(40))])
        );
        Assert.Contains(made.Notices, n => n.Id == NoticeId.GoalWon && n.Args[0].Code == "Handstand");
        Assert.Single(Of(made, "handstand"));
    }

    [Fact]
    public void Schools_that_contradict_each_other_or_the_week_are_named_and_one_of_them_gives_way()
    {
        var made = Make(
            Athlete(
                Said("weighted-pull-up", "bar-muscle-up") with
                {
                    Days = [DayOfWeek.Monday, DayOfWeek.Thursday],
                },
                gear: Gym.Hall,
                schools: new()
                {
                    ["overload"] = "leverage",
                    ["split"] = "pull-push-legs",
                    ["muscle-up-training"] = "halves",
                    ["implement"] = "rings",
                    ["effort"] = "failure",
                }
            )
        );
        Assert.Superset(
            new HashSet<NoticeId>
            {
                NoticeId.LeverageAgainstLoad,
                NoticeId.SplitNeedsDays,
                NoticeId.HalvesNeedSplit,
                NoticeId.RingsMissing,
                NoticeId.FailureOnlyWhereHarmless,
            },
            made.Notices.Select(n => n.Id).ToHashSet()
        );
        Assert.NotEmpty(Of(made, "weighted-pull-up"));
        Assert.All(Week(made), s => Assert.Contains("ull", s.Title, StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("2026-12-14")]
    [InlineData("2026-03-23")]
    public void A_block_over_the_turn_of_the_year_or_of_the_clock_keeps_its_weekdays(string monday)
    {
        var start = DateOnly.Parse(monday, System.Globalization.CultureInfo.InvariantCulture);
        var made = Make(Athlete(today: start), start);
        Assert.Equal(20, made.Block.Weeks.Sum(w => w.Sessions.Count));
        Assert.All(made.Block.Weeks.SelectMany((w, i) => w.Sessions.Select((s, n) => (s, i, n))), x =>
            Assert.Equal((FourDays[x.n], start.AddDays(7 * x.i)), (x.s.Day.DayOfWeek, x.s.Day.AddDays(-Day(x.s))))
        );
    }

    [Fact]
    public void Days_of_the_first_week_that_are_over_are_left_out()
    {
        var made = Make(Athlete(today: Gym.Monday.AddDays(2)));
        Assert.Equal([3, 5], Week(made).Select(Day));
        Assert.Contains(made.Notices, n => n.Id == NoticeId.DaysOver);
    }

    [Fact]
    public void A_start_on_another_day_than_a_Monday_is_refused() =>
        Assert.Throws<RuleViolationException>(() => Make(Athlete(), Gym.Monday.AddDays(1)));

    // 80 kg and 45 kg for 3 with one left are an e1RM of 141.7 kg: five with one left are 118.1 kg, +37.5 kg by the
    // plates. That the sets of ten before it are lighter is no reason to test less.
    [Fact]
    public void A_retest_by_the_estimate_is_not_made_lighter_because_the_weeks_before_were()
    {
        var made = Make(
            Athlete(
                Said("one-arm-chin-up") with
                {
                    Days = [DayOfWeek.Monday, DayOfWeek.Wednesday, DayOfWeek.Friday],
                    Minutes = 75,
                },
                results:
                [
                    Gym.Result("pull-up-max", Score.OfReps(16)),
                    Gym.Result("chin-up-max", Score.OfReps(17)),
                    Gym.Result("parallel-bar-dip-max", Score.OfReps(20)),
                    Gym.Result("push-up-max", Score.OfReps(40)),
                    Gym.Result("row-max", Score.OfReps(20)),
                    Gym.Result("weighted-pull-up-heavy", Score.OfReps(3), 45, 1),
                ]
            )
        );
        var test = Assert.Single(Of(made, "weighted-pull-up", 5), i => Role(made, i.Item) == SlotRole.Test);
        Assert.Equal("1 x 5 1 in reserve rest 3:00", test.Item.Line);
        Assert.DoesNotContain(made.Why[test.Item.Id].Working, s => s.Key == StepKey.MendedByCheck);
    }

    // The story of a block counts the days of what is trained, also where a ladder begins with its preparation.
    [Fact]
    public void A_goal_whose_step_is_a_preparation_is_told_with_its_days()
    {
        var athlete = Athlete(
            Said("handstand") with
            {
                Days = [DayOfWeek.Tuesday, DayOfWeek.Thursday, DayOfWeek.Saturday],
            },
            results: [Gym.Result("push-up-max", Score.OfReps(14)), Gym.Result("wall-handstand", Score.OfSeconds(25))]
        );
        var made = Make(athlete);
        Assert.Equal(2, Of(made, "pike-hold").Count());
        var goal = Assert.Single(BlockStory.Of(made.Block, made.Why, athlete).Goals);
        Assert.Equal(("Pike hold", 1, 1), (goal.Step, goal.Hard, goal.Light));
    }

    // Six pike push-ups, with the feet on the floor, say nothing about hanging from a bar: the pull begins with a band.
    [Theory]
    [InlineData("pike-push-up", "banded-pull-up")]
    [InlineData("parallel-bar-dip-max", "chin-up")]
    public void Only_who_lifts_the_whole_body_finds_the_level_of_a_pull_without_help(string test, string finder)
    {
        var made = Make(
            Athlete(
                Said("handstand-push-up") with
                {
                    Days = [DayOfWeek.Monday, DayOfWeek.Wednesday, DayOfWeek.Friday],
                },
                results: [Gym.Result("push-up-max", Score.OfReps(13)), Gym.Result(test, Score.OfReps(6))]
            )
        );
        Assert.NotEmpty(Of(made, finder));
    }

    // A lifter of 91 kg with four days of 90 minutes: no session is under 85 % of them without a word.
    [Fact]
    public void A_session_that_leaves_minutes_over_is_told()
    {
        var athlete = Athlete(
            Said("weighted-pull-up", "weighted-dip") with
            {
                Days = [DayOfWeek.Monday, DayOfWeek.Tuesday, DayOfWeek.Thursday, DayOfWeek.Friday],
            },
            results:
            [
                Gym.Result("weighted-pull-up-heavy", Score.OfReps(5), 40),
                Gym.Result("weighted-dip", Score.OfReps(5), 62.5m),
                Gym.Result("pull-up-max", Score.OfReps(18)),
                Gym.Result("push-up-max", Score.OfReps(45)),
                Gym.Result("row-max", Score.OfReps(18)),
                Gym.Result("parallel-bar-dip-max", Score.OfReps(28)),
            ]
        );
        var made = Make(athlete);
        var shortest = DoseReader.Read(made.Block, athlete, DoseRules.Shipped)[0].Sessions.Min(s => s.Seconds);
        Assert.Equal(shortest < 90 * 60 * 0.85, made.Notices.Any(n => n.Id == NoticeId.ShorterOnPurpose));
        Assert.Contains(Of(made, "weighted-pull-up"), i => Sets(i.Item) == 5);
    }
}
