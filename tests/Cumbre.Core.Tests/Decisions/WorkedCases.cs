using Cumbre.Core.Benchmarks;
using Cumbre.Core.Decisions;
using Cumbre.Core.Explanations;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Safety;

namespace Cumbre.Core.Tests.Decisions;

/// <summary>
/// Thirty-six decisions worked by hand, each by its number: common practice, no source, unless one is named. Masses
/// with Epley 1985 (from memory).
/// </summary>
public class WorkedCases
{
    private static Kit Plates(params (decimal Size, int Count)[] plates) =>
        new(plates.Select(p => new PieceStock(MassEntry.Kg(p.Size), p.Count)));

    // --- 1: straight sets, loaded
    [Theory]
    [InlineData(2, "AddLoad: 4 x 5 @ +21.25 kg 2 in reserve")]
    [InlineData(1, null)]
    public void Case_1_fives_with_two_in_reserve_twice_add_the_smallest_step(int reserve, string? says) =>
        Assert.Equal(
            says,
            new Trainee(72)
                .Did("2026-03-09", "weighted-dip", "4 x 5 @ +20 kg 2 in reserve", [5, 5, 5, 5], 2)
                .Did("2026-03-12", "weighted-dip", "4 x 5 @ +20 kg 2 in reserve", [5, 5, 5, 5], reserve)
                .Says("weighted-dip")
        );

    [Fact]
    public void Case_1_the_other_school_adds_after_one_clean_session() =>
        Assert.Equal(
            "AddLoad: 4 x 5 @ +21.25 kg 2 in reserve",
            new Trainee(72, "one-clean-session")
                .Did("2026-03-12", "weighted-dip", "4 x 5 @ +20 kg 2 in reserve", [5, 5, 5, 5], 2)
                .Says("weighted-dip")
        );

    [Fact]
    public void Case_2_a_coarse_kit_adds_reps_first() =>
        Assert.Equal(
            "AddReps: 4 x 6 @ +20 kg",
            new Trainee(80, kit: Plates((10, 3)))
                .Twice("weighted-chin-up", "4 x 5 @ +20 kg", [5, 5, 5, 5])
                .Says("weighted-chin-up")
        );

    [Fact]
    public void Case_3_pounds_step_by_the_first_plate_over_a_kilogram()
    {
        var kit = new Kit([new(MassEntry.Lb(5), 4), new(MassEntry.Lb(2.5m), 2), new(MassEntry.Lb(1.25m), 2)]);
        var body = MassEntry.Lb(150).Mass.Kilograms;
        Assert.Equal(
            "AddLoad: 3 x 6 @ +17.5 lb",
            new Trainee(body, kit: kit, unit: MassUnit.Lb)
                .Twice("weighted-pull-up", "3 x 6 @ +15 lb", [6, 6, 6])
                .Says("weighted-pull-up")
        );
    }

    private static Trainee CaseFour(int last)
    {
        var d = new Trainee();
        foreach (var day in new[] { "2026-03-02", "2026-03-05", "2026-03-09" })
            d.Did(
                day,
                "weighted-pull-up",
                "3 x 8..10 @ +10 kg then +2.5 kg",
                day == "2026-03-09" ? [10, 10, 10] : [9, 9, 8],
                role: ItemRole.Main
            );
        d.Did("2026-03-12", "weighted-pull-up", "3 x 8..10 @ +10 kg then +2.5 kg", [10, 10, last], role: ItemRole.Main);
        foreach (var day in new[] { "2026-03-16", "2026-03-19", "2026-03-23", "2026-03-26" })
            d.Plan(day, "weighted-pull-up", "3 x 8..10 @ +12.5 kg then +2.5 kg", ItemRole.Main);
        return d;
    }

    [Fact]
    public void Case_4_a_planned_increase_that_was_earned_is_confirmed_and_not_added_twice()
    {
        var d = CaseFour(10);
        var proposal = Assert.Single(d.Decide());
        Assert.Equal(
            (ProposalKind.AddLoad, true, "AddLoad: 3 x 8..10 @ +12.5 kg then +2.5 kg"),
            (proposal.Kind, proposal.Confirms, Trainee.Text(proposal))
        );
        Assert.Empty(PlanRevision.Of(proposal, d.Work(Trainee.Thursday), d.Planned, _ => Guid.NewGuid()));
    }

    [Fact]
    public void Case_4_one_that_was_not_earned_waits_a_week()
    {
        var d = CaseFour(9);
        var proposal = Assert.Single(d.Decide());
        Assert.Equal("Hold: 3 x 8..10 @ +10 kg then +2.5 kg", Trainee.Text(proposal));
        var changes = PlanRevision.Of(proposal, d.Work(Trainee.Thursday), d.Planned, _ => Guid.NewGuid());
        Assert.Equal([new DateOnly(2026, 3, 16), new DateOnly(2026, 3, 19)], changes.Select(c => c.Day));
        Assert.All(changes, c =>
            Assert.Equal("3 x 8..10 @ +10 kg then +2.5 kg", Notation.NotationPrinterText.Of(c.After!.Plan))
        );
    }

    [Fact]
    public void Case_5_light_days_keep_their_share_the_deload_its_half_and_a_line_by_hand_is_asked()
    {
        var e = new Trainee()
            .Twice("weighted-dip", "4 x 6 @ +25 kg", [6, 6, 6, 6], role: ItemRole.Hard)
            .Plan("2026-03-16", "weighted-dip", "4 x 6 @ +25 kg", ItemRole.Hard)
            .Plan("2026-03-19", "weighted-dip", "3 x 6 @ +15 kg", ItemRole.Light)
            .Plan("2026-03-21", "weighted-dip", "3 x 5 @ +23.75 kg")
            .Plan("2026-03-23", "weighted-dip", "2 x 6", ItemRole.Hard, easy: true);
        var proposal = Assert.Single(e.Decide());
        Assert.Equal("AddLoad: 4 x 6 @ +26.25 kg", Trainee.Text(proposal));
        var changes = PlanRevision.Of(proposal, e.Work(Trainee.Thursday), e.Planned, _ => Guid.NewGuid());
        Assert.Equal(
            [("4 x 6 @ +26.25 kg", false), ("3 x 6 @ +16.25 kg", false), ("3 x 5 @ +25 kg", true)],
            changes.Select(c => (Notation.NotationPrinterText.Of(c.After!.Plan), c.IsQuestion))
        );
    }

    [Fact]
    public void Case_6_a_range_goes_one_higher() =>
        Assert.Equal("AddReps: 3 x 9..11", new Trainee().Twice("chin-up", "3 x 8..10", [10, 10, 10]).Says("chin-up"));

    [Fact]
    public void Case_6_at_the_zones_top_the_next_movement_if_its_gate_is_met() =>
        Assert.Equal(
            "NextMovement: decline-push-up 3 x 8..12 2 in reserve",
            new Trainee()
                .Tested("close-push-up", "3 x 10")
                .Twice("close-push-up", "3 x 13..15", [15, 15, 15])
                .Says("close-push-up")
        );

    [Fact]
    public void Case_6_else_slower_at_the_same_time_a_set() =>
        Assert.Equal(
            "Slower: 3 x 9..11 tempo 3-0-1-0",
            new Trainee()
                .Tested("wall-handstand", "20")
                .Twice("feet-raised-pike-push-up", "3 x 13..15", [15, 15, 15])
                .Says("feet-raised-pike-push-up")
        );

    [Theory]
    [InlineData(new[] { 4, 4, 3 }, "Easier: pike-push-up 3 x 7..9")]
    [InlineData(new[] { 5, 5, 5 }, null)]
    public void Case_7_under_the_zone_twice_is_too_hard(int[] reps, string? says) =>
        Assert.Equal(
            says,
            new Trainee()
                .Tested("pike-push-up", "12")
                .Twice("feet-raised-pike-push-up", "3 x 5..8", reps)
                .Says("feet-raised-pike-push-up")
        );

    [Fact]
    public void Case_7_a_practice_dose_is_under_the_zone_on_purpose() =>
        Assert.DoesNotContain(
            "Easier",
            new Trainee()
                .Tested("pull-up-max", "2")
                .Twice("pull-up", "6 x 1", [1, 1, 1, 1, 1, 1], role: ItemRole.Practice)
                .Says("pull-up")
                ?? ""
        );

    [Fact]
    public void Case_8_reps_until_the_reserve_is_met() =>
        Assert.Equal(
            "AddReps: 3 x 10 2 in reserve",
            new Trainee(70).Twice("push-up", "3 x 8 2 in reserve", [8, 8, 8], 4).Says("push-up")
        );

    // System 80 at 12 effective reps: 112; ten effective reps allow 84: +14, and the kit makes 13.75.
    [Theory]
    [InlineData(4, "AddLoad: 3 x 8 @ +13.75 kg 2 in reserve")]
    [InlineData(3, "AddLoad: 3 x 8 @ +11.25 kg 2 in reserve")]
    public void Case_8_load_until_the_reserve_is_met(int reserve, string says) =>
        Assert.Equal(
            says,
            new Trainee(70)
                .Twice("weighted-pull-up", "3 x 8 @ +10 kg 2 in reserve", [8, 8, 8], reserve)
                .Says("weighted-pull-up")
        );

    [Fact]
    public void Case_8_one_over_is_the_one_step_in_reps_too() =>
        Assert.Equal(
            "AddReps: 3 x 9 2 in reserve",
            new Trainee(70).Twice("push-up", "3 x 8 2 in reserve", [8, 8, 8], 3).Says("push-up")
        );

    [Fact]
    public void Case_9_one_book_more_and_no_mass_is_claimed()
    {
        var l = new Trainee().Books(14).Twice("inverted-row-horizontal", "3 x 10 @ 9 books", [10, 10, 10]);
        Assert.Equal("AddPiece: 3 x 10 @ 10 books", l.Says("inverted-row-horizontal"));
    }

    [Theory]
    [InlineData(true, "AddReps: 4 x 6")]
    [InlineData(false, "AddReps: sets 6, 6, 6, 5")]
    public void Case_10_a_raise_more_as_far_as_the_ramp_of_the_week_allows(bool twoHoldDays, string says)
    {
        var m = new Trainee()
            .Did("2026-03-05", "front-lever-raise", "4 x 5", [5, 5, 5, 5])
            .Did("2026-03-12", "front-lever-raise", "4 x 5", [5, 5, 5, 5])
            .Did("2026-03-10", "front-lever-advanced-tuck", "hold 5 x 6 s", [6, 6, 6, 6, 5]);
        if (twoHoldDays)
            m.Did("2026-03-08", "front-lever-advanced-tuck", "hold 5 x 6 s", [6, 6, 6, 6, 5]);
        Assert.Equal(says, m.Says("front-lever-raise"));
    }

    [Fact]
    public void Case_11_the_top_set_alone_decides_and_the_back_off_follows() =>
        Assert.Equal(
            "AddLoad: top 1 x 4 @ +41.25 kg 1 in reserve, back-off 3 x 8 @ -12 % top",
            new Trainee()
                .Twice(
                    "weighted-pull-up",
                    "top 1 x 4 @ +40 kg 1 in reserve, back-off 3 x 8 @ -12 % top",
                    [4, 8, 8, 6],
                    1
                )
                .Says("weighted-pull-up")
        );

    [Theory]
    [InlineData(6, "AddLoad: 2 x drop 4+4+6 @ +21.25 / +10 / 0 kg")]
    [InlineData(5, null)]
    public void Case_12_a_drop_set_grows_by_its_first_part(int last, string? says) =>
        Assert.Equal(
            says,
            new Trainee()
                .Did("2026-03-09", "weighted-dip", "2 x drop 4+4+6 @ +20 / +10 / 0 kg", [4, 4, 6, 4, 4, 6])
                .Did("2026-03-12", "weighted-dip", "2 x drop 4+4+6 @ +20 / +10 / 0 kg", [4, 4, 6, 4, 4, last])
                .Says("weighted-dip")
        );

    [Theory]
    [InlineData("push-up", "2 x rest-pause gap 30 s", 20, 22, null)]
    [InlineData("push-up", "2 x rest-pause gap 30 s", 21, 22, "NextMovement: close-push-up 2 x rest-pause gap 30 s")]
    [InlineData(
        "chin-up",
        "2 x rest-pause gap 30 s",
        7,
        7,
        "Easier: banded-pull-up 2 x rest-pause gap 30 s @ band 10 kg"
    )]
    [InlineData("chin-up", "2 x rest-pause gap 30 s", 8, 7, null)]
    [InlineData("weighted-dip", "2 x rest-pause gap 30 s @ +10 kg", 12, 13, null)]
    [InlineData(
        "weighted-dip",
        "2 x rest-pause gap 30 s @ +10 kg",
        13,
        13,
        "AddLoad: 2 x rest-pause gap 30 s @ +11.25 kg"
    )]
    public void Case_13_rest_pause_goes_by_its_opening_set(
        string movement,
        string line,
        int first,
        int second,
        string? says
    )
    {
        var p = new Trainee().Bands(10, 20).Tested("push-up-max", "3 x 15");
        p.Did("2026-03-09", movement, line, [first, 5, 10, 4]).Did("2026-03-12", movement, line, [second, 5, 10, 4]);
        Assert.Equal(says, p.Says(movement));
    }

    [Theory]
    [InlineData("3 x cluster 2+2+2 gap 15 s @ +30 kg", "ShorterGap: 3 x cluster 2+2+2 gap 10 s @ +30 kg")]
    [InlineData("3 x cluster 2+2+2 gap 10 s @ +30 kg", "AddLoad: 3 x cluster 2+2+2 gap 10 s @ +31.25 kg")]
    public void Case_14_a_cluster_shortens_its_gap_and_then_loads(string line, string says) =>
        Assert.Equal(
            says,
            new Trainee().Twice("weighted-pull-up", line, [2, 2, 2, 2, 2, 2, 2, 2, 2]).Says("weighted-pull-up")
        );

    [Theory]
    [InlineData(17, 16, "NextMovement: decline-push-up 2 x max")]
    [InlineData(16, 16, null)]
    public void Case_15_open_sets_a_tenth_over_the_start_earn_the_harder_movement(
        int first,
        int second,
        string? says
    ) =>
        Assert.Equal(
            says,
            new Trainee()
                .Tested("close-push-up", "3 x 10")
                .Did("2026-03-02", "close-push-up", "2 x max", [16, 14])
                .Did("2026-03-12", "close-push-up", "2 x max", [first, second])
                .Says("close-push-up")
        );

    [Fact]
    public void Case_15_without_improvement_straight_sets_at_two_thirds_of_the_best()
    {
        var r = new Trainee();
        foreach (
            var (day, a, b) in new[]
            {
                ("2026-02-26", 16, 14),
                ("2026-03-02", 16, 14),
                ("2026-03-05", 15, 14),
                ("2026-03-09", 15, 15),
            }
        )
            r.Did(day, "close-push-up", "2 x max", [a, b]);
        Assert.Equal("BackOff: 2 x 10", r.Says("close-push-up"));
    }

    [Theory]
    [InlineData(20, 300, "Achieved")]
    [InlineData(20, 305, null)]
    [InlineData(19, 300, null)]
    public void Case_16_capacity_is_shown_within_its_rest_and_nothing_fails(int last, int rest, string? says)
    {
        var s = new Trainee().Did(
            "2026-03-12",
            "parallel-bar-dip",
            "5 x 20 rest 5:00",
            [20, 20, 20, 20, last],
            with: x => x with { RestedSeconds = rest }
        );
        Assert.Equal(
            says,
            s.Decide()
                .FirstOrDefault(p => p.Why.Thresholds.Any(t => t.Benchmark == "parallel-bar-dip-capacity"))
                ?.Kind.ToString()
        );
    }

    [Theory]
    [InlineData("every 1:20 x 5 do 6", "AddReps: every 1:20 x 5 do 7")]
    [InlineData("every 1:20 x 5 do 10", "ShorterSlot: every 1:15 x 5 do 10")]
    public void Case_17_on_the_clock_reps_then_a_shorter_slot(string line, string says)
    {
        var reps = line.EndsWith("10", StringComparison.Ordinal) ? 10 : 6;
        Assert.Equal(
            says,
            new Trainee().Twice("neutral-pull-up", line, [reps, reps, reps, reps, reps]).Says("neutral-pull-up")
        );
    }

    [Fact]
    public void Case_17_a_circuit_rests_less() =>
        Assert.Equal(
            "LessRest: 3 x 10 rest 1:15",
            new Trainee().Twice("push-up", "3 x 10 rest 1:30", [10, 10, 10], circuit: true).Says("push-up")
        );

    [Theory]
    [InlineData(7, "HigherTop: pyramid 1-3-5-9-5-3-1")]
    [InlineData(6, null)]
    public void Case_18_an_unbroken_pyramid_gets_a_higher_top_at_once(int top, string? says) =>
        Assert.Equal(
            says,
            new Trainee().Did("2026-03-12", "push-up", "pyramid 1-3-5-7-5-3-1", [1, 3, 5, top, 5, 3, 1]).Says("push-up")
        );

    [Theory]
    [InlineData(15, "LongerStretch: 3 x 8..12 + stretch 20 s")]
    [InlineData(12, null)]
    public void Case_19_the_stretch_grows_first(int stretch, string? says) =>
        Assert.Equal(
            says,
            new Trainee()
                .Did("2026-03-09", "ring-curl", "3 x 8..12 + stretch 15 s", [12, 15, 12, 15, 12, 15])
                .Did("2026-03-12", "ring-curl", "3 x 8..12 + stretch 15 s", [12, 15, 12, 15, 12, stretch])
                .Says("ring-curl")
        );

    [Fact]
    public void Case_19_at_its_longest_the_feet_go_further() =>
        Assert.Equal(
            "LessHelp: 3 x 8..12 + stretch 30 s feet 10 cm",
            new Trainee().Twice("ring-curl", "3 x 8..12 + stretch 30 s", [12, 30, 12, 30, 12, 30]).Says("ring-curl")
        );

    [Theory]
    [InlineData("negative 4 x 1 lower 9 s", "AddSeconds: negative 4 x 1 lower 10 s")]
    [InlineData("negative 4 x 1 lower 10 s", "Test")]
    public void Case_20_negatives_grow_to_ten_seconds_and_then_the_pull_up_is_tested(string line, string says)
    {
        var w = new Trainee().Twice("negative-pull-up", line, [1, 1, 1, 1]);
        Assert.Equal(says, w.Decide().Where(p => p.Movement == "negative-pull-up").Select(Trainee.Text).Single());
    }

    [Fact]
    public void Case_20_one_descent_that_was_not_clean_earns_nothing() =>
        Assert.Null(
            new Trainee()
                .Did("2026-03-09", "negative-pull-up", "negative 4 x 1 lower 9 s", [1, 1, 1, 1])
                .Did("2026-03-12", "negative-pull-up", "negative 4 x 1 lower 9 s", [1, 1, 1, 0])
                .Says("negative-pull-up")
        );

    [Theory]
    [InlineData("hold 5 x 6 s", "AddSeconds: hold 7, 7, 7, 6, 6 s")]
    [InlineData("hold 3 x 3 s", "AddSeconds: hold 4, 3, 3 s")]
    public void Case_21_seconds_grow_on_as_many_sets_as_the_ramp_allows(string line, string says)
    {
        var seconds = Notation.NotationPrinterText.Read(line).Sets().Select(s => s.Seconds!.Value).ToArray();
        Assert.Equal(
            says,
            new Trainee()
                .Did("2026-03-05", "planche-tuck", line, seconds)
                .Did("2026-03-12", "planche-tuck", line, seconds)
                .Says("planche-tuck")
        );
    }

    // The reference man of the lever model (de Leva 1996, from memory): 60 s x 186.3 = 11,178; 2 x (9 s x 226.9 + 21 s
    // x 186.3) = 11,909 N m s.
    [Fact]
    public void Case_22_at_the_standard_the_next_step_comes_in_singles_and_this_one_gives_way()
    {
        var y = new Trainee(73) { StatureCm = 174.1m }
            .Tested("pull-up-max", "10")
            .Twice("front-lever-tuck", "hold 3 x 10 s", [10, 10, 10]);
        Assert.Equal("NextStep: front-lever-advanced-tuck hold 3 x 3 s, then hold 3 x 7 s", y.Says("front-lever-tuck"));
        var why = y.Decide().Single(p => p.Kind == ProposalKind.NextStep).Why;
        var week = why
            .Working.Where(w => w.Key is StepKey.WeekBefore or StepKey.WeekThen)
            .Select(w => w.Result.Number!.Value)
            .ToArray();
        Assert.InRange(week[0], 11_178 - 6, 11_178 + 6);
        Assert.InRange(week[1], 11_909 - 6, 11_909 + 6);
    }

    [Fact]
    public void Case_22_ten_ten_nine_is_not_the_standard() =>
        Assert.Null(
            new Trainee(73) { StatureCm = 174.1m }
                .Tested("pull-up-max", "10")
                .Did("2026-03-09", "front-lever-tuck", "hold 3 x 10 s", [10, 10, 10])
                .Did("2026-03-12", "front-lever-tuck", "hold 3 x 10 s", [10, 10, 9])
                .Says("front-lever-tuck")
        );

    [Fact]
    public void Case_23_a_split_hold_gets_fewer_pieces() =>
        Assert.Equal(
            "LongerPieces: hold 24 s in 2",
            new Trainee().Twice("l-sit", "hold 24 s in 3", [8, 8, 8]).Says("l-sit")
        );

    [Theory]
    [InlineData(22, null)]
    [InlineData(23, "Retest")]
    public void Case_23_practice_sets_have_no_step_of_their_own_but_a_trend(int best, string? says)
    {
        var z = new Trainee()
            .Tested("push-up-max", "20")
            .Twice("push-up", "2 x practice 1 in reserve", [best, best - 2]);
        Assert.Null(z.Says("push-up"));
        Assert.Equal(says, z.Says("push-up", beside: true));
    }

    [Fact]
    public void Case_24_contact_kept_leads_to_the_next_contact_at_its_gates_reps() =>
        Assert.Equal(
            "NextContact: 5 x 3 to belly fast",
            new Trainee().Twice("high-pull-up", "5 x 5 to chest fast", [5, 5, 5, 5, 5]).Says("high-pull-up")
        );

    [Theory]
    [InlineData(4, Contact.Chest)]
    [InlineData(5, Contact.Collarbone)]
    public void Case_24_a_set_that_ended_early_or_lower_is_no_failure(int reps, Contact contact) =>
        Assert.Null(
            new Trainee()
                .Did("2026-03-09", "high-pull-up", "5 x 5 to chest fast", [5, 5, 5, 5, 5])
                .Did("2026-03-12", "high-pull-up", "5 x 5 to chest fast", [5, 5, 5, 5, reps], with: s =>
                    s.Set == 5 ? s with { Contact = contact } : s
                )
                .Says("high-pull-up")
        );

    // A line that says by how much load it grows gets that load, with nothing on the belt yet as well.
    [Theory]
    [InlineData("weighted-dip", "2 x 6..8 then +2.5 kg", "AddLoad: 2 x 6..8 @ +2.5 kg then +2.5 kg")]
    [InlineData("weighted-dip", "2 x 8", "AddLoad: 2 x 8 @ +1.25 kg")]
    public void The_first_load_follows_clean_sets_without_one(string movement, string line, string says) =>
        Assert.Equal(says, new Trainee().Twice(movement, line, [8, 8]).Says(movement));

    // A box, like a contact, is not judged by the zone of reps: a rep short of the five is no call for an easier movement.
    [Fact]
    public void A_jump_on_a_box_is_not_too_hard_for_few_reps() =>
        Assert.Null(new Trainee().Twice("jumping-muscle-up", "3 x 5 box 60 cm", [4, 4, 4]).Says("jumping-muscle-up"));

    // Under five centimetres there is no box: the standard that was shown leads on, and nothing asks for a lower one.
    [Theory]
    [InlineData("3 x 5 box 10 cm", "LowerBox: 3 x 5 box 5 cm")]
    [InlineData("3 x 5 box 5 cm", null)]
    public void The_lowest_box_is_the_last_one(string line, string? says)
    {
        var jumper = new Trainee().Did("2026-03-12", "jumping-muscle-up", line, [5, 5, 5]);
        Assert.Equal(says, jumper.Says("jumping-muscle-up"));
        Assert.StartsWith("Achieved: negative-muscle-up negative", jumper.Says("jumping-muscle-up", beside: true));
    }

    // The first dose of what is lowered or loaded is that of its measure, and can be resolved.
    [Theory]
    [InlineData("negative-muscle-up", "negative 4 x 1 lower 5 s rest 2:30")]
    [InlineData("weighted-row", "3 x 5..8 @ +2.5 kg then +2.5 kg rest 2:30")]
    public void The_first_dose_fits_the_measure(string slug, string line) =>
        Assert.Equal(
            line,
            Cumbre.Core.Notation.NotationPrinter.Print(
                Cumbre.Core.Decisions.Neighbours.FirstDose(
                    new Trainee().Work(new(2026, 3, 16)),
                    Cumbre.Core.Movements.Catalogue.Shipped.Movements[slug]
                )
            )
        );

    // Stuck again with a band: what comes in its place is no fast work.
    [Fact]
    public void What_is_slow_is_not_replaced_by_what_is_fast()
    {
        var athlete = new Trainee()
            .Bands(30)
            .Did("2026-03-09", "banded-pull-up", "3 x 8", [8, 8, 8])
            .Work(new(2026, 3, 16));
        var movements = Cumbre.Core.Movements.Catalogue.Shipped.Movements;
        var other = Cumbre.Core.Decisions.Neighbours.SameLevel(athlete, movements["banded-pull-up"]);
        Assert.True(other is null || !movements[other.Movement].Fast);
    }

    // Sets of five fast reps are the most (handbook of the trade: 5 x 3 to 5); without a contact nothing says what is next.
    [Theory]
    [InlineData("4 x 4 fast", 4, "AddReps: 4 x 5 fast")]
    [InlineData("4 x 5 fast", 5, "Test")]
    public void Fast_reps_without_a_noted_contact_end_in_a_test_of_the_height(string line, int reps, string says) =>
        Assert.Equal(
            says,
            new Trainee()
                .Twice("high-pull-up", line, [reps, reps, reps, reps])
                .Says("high-pull-up", beside: says == "Test")
        );

    // Fast work that no contact scores gets its sets up to five, and then the harder movement.
    [Theory]
    [InlineData(4, "AddSet: 5 x 5 fast")]
    [InlineData(5, null)]
    public void Fast_work_without_contacts_gets_sets_up_to_five(int sets, string? says) =>
        Assert.Equal(
            says,
            new Trainee()
                .Twice("clap-push-up", $"{sets} x 5 fast", [.. Enumerable.Repeat(5, sets)])
                .Says("clap-push-up")
        );

    [Theory]
    [InlineData(11, "WeakerBand: 3 x 8..11 @ band 20 kg")]
    [InlineData(10, null)]
    public void Case_25_elevens_in_all_sets_earn_the_next_weaker_band(int reps, string? says) =>
        Assert.Equal(
            says,
            new Trainee()
                .Bands(30, 25, 20)
                .Twice("banded-pull-up", "3 x 8..11 @ band 25 kg", [reps, reps, reps])
                .Says("banded-pull-up")
        );

    [Fact]
    public void Within_the_week_of_a_deload_the_sets_are_halved_once()
    {
        var trainee = new Trainee();
        foreach (var day in new[] { "2026-02-12", "2026-02-19", "2026-02-26", "2026-03-05" })
            trainee.Did(day, "pull-up", "4 x 6", [6, 6, 6, 5]);
        Assert.Equal("Deload: 2 x 6", trainee.Says("pull-up"));
        Assert.Equal(
            "Deload: 2 x 6",
            trainee.Did("2026-03-09", "pull-up", "2 x 6", [6, 6], easy: true).Says("pull-up")
        );
    }

    // A new movement of the pattern does not start the count of loading weeks anew.
    [Fact]
    public void Four_loading_weeks_of_a_pattern_ask_for_a_deload_whatever_the_movement()
    {
        var trainee = new Trainee();
        foreach (var day in new[] { "2026-02-12", "2026-02-19" })
            trainee.Did(day, "chin-up", "4 x 6", [6, 6, 6, 5]);
        trainee.Did("2026-02-26", "pull-up", "4 x 6", [6, 6, 6, 5]);
        Assert.Null(trainee.Says("pull-up"));
        Assert.Equal("Deload: 2 x 6", trainee.Did("2026-03-05", "pull-up", "4 x 6", [6, 6, 6, 5]).Says("pull-up"));
    }

    // Ten pull-ups are known: a high pull begins with a few fast reps all the same, never with sets of ten.
    [Fact]
    public void An_explosive_movement_begins_with_few_fast_reps()
    {
        var athlete = new Trainee().Did("2026-03-09", "pull-up", "3 x 10", [10, 10, 10]).Work(new(2026, 3, 16));
        foreach (var slug in (string[])["high-pull-up", "explosive-pull-up", "explosive-push-up"])
        {
            var fast = Cumbre.Core.Movements.Catalogue.Shipped.Movements[slug];
            Assert.Equal(
                "4 x 3 fast",
                Cumbre.Core.Notation.NotationPrinter.Print(Cumbre.Core.Decisions.Neighbours.FirstDose(athlete, fast))
            );
        }

        // In another movement's place too.
        Assert.True(
            Cumbre
                .Core.Programmes.UsualDose.For(
                    Cumbre.Core.Movements.Catalogue.Shipped.Movements["explosive-pull-up"],
                    athlete
                )
                .IsFast
        );
    }

    // At the zone's top, slow and paused already, with no harder movement open: a set more, up to five.
    [Theory]
    [InlineData(4, "AddSet: 5 x 15 tempo 3-2-1-0")]
    [InlineData(5, null)]
    public void Sets_grow_to_five_and_no_further(int sets, string? says) =>
        Assert.Equal(
            says,
            new Trainee()
                .Twice("feet-raised-pike-push-up", $"{sets} x 15 tempo 3-2-1-0", [.. Enumerable.Repeat(15, sets)])
                .Says("feet-raised-pike-push-up")
        );

    [Fact]
    public void Eased_push_ups_on_parallettes_grow_again() =>
        Assert.Equal(
            "AddReps: 1 x 9 on parallettes",
            new Trainee().Twice("push-up", "1 x 8 on parallettes", [8]).Says("push-up")
        );

    // A step with a standard of its own uses that: 5 s for the banded flag, 3 x 3 for the banded muscle-up.
    [Theory]
    [InlineData(
        "banded-flag",
        "hold 4 x 4 s @ band 25 kg each side",
        4,
        8,
        "AddSeconds: hold 5, 4, 4, 4 s @ band 25 kg each side"
    )]
    [InlineData(
        "banded-flag",
        "hold 4 x 5 s @ band 25 kg each side",
        5,
        8,
        "WeakerBand: hold 4 x 5 s @ band 20 kg each side"
    )]
    [InlineData("banded-muscle-up", "3 x 2 @ band 25 kg", 2, 3, "AddReps: 3 x 3 @ band 25 kg")]
    [InlineData("banded-muscle-up", "3 x 3 @ band 25 kg", 3, 3, "WeakerBand: 3 x 3 @ band 20 kg")]
    public void A_band_goes_once_its_own_standard_is_reached(
        string movement,
        string line,
        int amount,
        int sets,
        string says
    ) =>
        Assert.Equal(
            says,
            new Trainee().Bands(30, 25, 20).Twice(movement, line, [.. Enumerable.Repeat(amount, sets)]).Says(movement)
        );

    [Fact]
    public void Case_25_a_clean_box_goes_five_centimetres_lower() =>
        Assert.Equal(
            "LowerBox: 3 x 5 box 55 cm",
            new Trainee().Did("2026-03-12", "jumping-muscle-up", "3 x 5 box 60 cm", [5, 5, 5]).Says("jumping-muscle-up")
        );

    [Fact]
    public void Case_25_a_pad_comes_off() =>
        Assert.Equal(
            "LessHelp: 4 x 5 pads 1",
            new Trainee()
                .Did("2026-03-12", "wall-handstand-push-up-back", "4 x 5 pads 2", [5, 5, 5, 5])
                .Says("wall-handstand-push-up-back")
        );

    [Fact]
    public void Case_26_a_level_that_was_found_is_dosed_once() =>
        Assert.Equal(
            "SetDose: hold 5 x 7 s",
            new Trainee()
                .Did("2026-03-12", "back-lever-tuck", "hold 3 x 8 s", [12, 10, 9], role: ItemRole.LevelFinding)
                .Says("back-lever-tuck")
        );

    [Fact]
    public void Case_26_mobility_never_makes_a_row()
    {
        var s = new Trainee();
        foreach (
            var day in new[] { "2026-02-02", "2026-02-09", "2026-02-16", "2026-02-23", "2026-03-02", "2026-03-09" }
        )
            s.Did(day, "stick-pass", "2 x 10", [10, 10])
                .Did(day, "wrist-prep", "hold 2 x 30 s", [30, 30])
                .Did(day, "external-rotation", "2 x 12 each side", [12, 12, 12, 12]);
        Assert.Empty(s.Decide());
    }

    private static Trainee Stuck(params int[][] sessions)
    {
        var b = new Trainee();
        foreach (var (reps, i) in sessions.Select((r, i) => (r, i)))
            b.Did(
                new DateOnly(2026, 3, 2).AddDays(3 * i).ToString("yyyy-MM-dd", null),
                "weighted-chin-up",
                "4 x 5 @ +25 kg",
                reps
            );
        return b;
    }

    [Fact]
    public void Case_27_three_sessions_without_progress_back_off_a_tenth_of_the_system() =>
        Assert.Equal(
            "BackOff: 4 x 5 @ +15 kg",
            Stuck([5, 5, 4, 4], [5, 5, 4, 4], [5, 4, 4, 4], [5, 5, 4, 3]).Says("weighted-chin-up")
        );

    [Fact]
    public void Case_27_a_better_last_session_is_progress() =>
        Assert.Null(Stuck([5, 5, 4, 4], [5, 5, 4, 4], [5, 4, 4, 4], [5, 5, 5, 4]).Says("weighted-chin-up"));

    [Fact]
    public void Case_27_stuck_again_later_is_another_variation_and_not_the_same_answer() =>
        // 70 kg + 25 kg, a tenth less: 85.5 kg, so 15 kg on the belt; no maximum of the other lift is known.
        Assert.Equal(
            "Variation: weighted-pull-up 4 x 5 @ +15 kg",
            Stuck([5, 5, 4, 4], [5, 5, 4, 4], [5, 4, 4, 4], [5, 5, 4, 3])
                .Tested("pull-up-max", "12")
                .Tested("push-up-max", "20")
                .Tested("row-max", "12")
                .Tested("parallel-bar-dip-max", "12")
                .Took("weighted-chin-up", ProposalKind.BackOff, "2026-02-02")
                .Says("weighted-chin-up")
        );

    // A lift that nothing replaces goes on in other sets: many reps become few, few become many with a tenth less.
    [Theory]
    [InlineData("3 x 6..8 @ +20 kg", 7, "Variation: 5 x 4 @ +20 kg")]
    [InlineData("4 x 5 @ +20 kg", 4, "Variation: 3 x 6..8 @ +10 kg")]
    public void Case_27_a_lift_without_a_like_goes_on_in_other_sets(string line, int reps, string says)
    {
        var stuck = new Trainee().Took("weighted-dip", ProposalKind.BackOff, "2026-02-02");
        for (var i = 0; i < 4; i++)
            stuck.Did(
                new DateOnly(2026, 3, 2).AddDays(3 * i).ToString("yyyy-MM-dd", null),
                "weighted-dip",
                line,
                [.. Enumerable.Repeat(reps, line[0] - '0')]
            );
        Assert.Equal(says, stuck.Says("weighted-dip"));
    }

    [Fact]
    public void Case_27_a_stuck_hold_loses_a_third_of_its_seconds()
    {
        var p = new Trainee();
        for (var i = 0; i < 4; i++)
            p.Did(
                new DateOnly(2026, 3, 2).AddDays(3 * i).ToString("yyyy-MM-dd", null),
                "planche-tuck",
                "hold 5 x 9 s",
                [9, 9, 8, 8, 7]
            );
        Assert.Equal("BackOff: hold 5 x 6 s", p.Says("planche-tuck"));
    }

    // The standard of the step is shown, and it hurt: nothing harder is offered beside.
    [Theory]
    [InlineData(null, true)]
    [InlineData(3, false)]
    public void What_hurts_is_offered_nothing_harder_beside(int? pain, bool offered) =>
        Assert.Equal(
            offered,
            new Trainee()
                .Did(
                    "2026-03-12",
                    "split-squat",
                    "3 x 10 each side",
                    [10, 10, 10, 10, 10, 10],
                    pain: pain,
                    place: pain is null ? null : "left knee"
                )
                .Decide()
                .Any(p => p.Kind == ProposalKind.Achieved)
        );

    private static Trainee Neutral(int pain) =>
        new Trainee()
            .Did("2026-03-09", "neutral-pull-up", "4 x 6 @ +20 kg", [6, 6, 6, 6])
            .Did("2026-03-12", "neutral-pull-up", "4 x 6 @ +20 kg", [6, 6, 6, 6], pain: pain, place: "inner elbow");

    [Fact]
    public void Case_28_pain_of_three_keeps_the_movement_a_tenth_lighter_and_overrides_more_load()
    {
        var proposal = Assert.Single(Neutral(3).Decide());
        Assert.Equal("Ease: 4 x 6 @ +10 kg", Trainee.Text(proposal));
        Assert.Contains(ProposalKind.AddLoad, proposal.Overruled);
    }

    [Theory]
    [InlineData(3, ProposalKind.Refer)]
    [InlineData(2, null)]
    public void Case_28_three_again_at_the_next_row_stops(int pain, ProposalKind? kind)
    {
        var c = Neutral(3)
            .Did("2026-03-16", "inverted-row-horizontal", "3 x 8", [8, 8, 8], pain: pain, place: "inner elbow");
        Assert.Equal(kind, c.Decide().FirstOrDefault(p => p.Kind == ProposalKind.Refer)?.Kind);
    }

    [Fact]
    public void Case_28_a_two_at_first_leaves_the_load_to_progress() =>
        Assert.Equal("AddLoad: 4 x 6 @ +21.25 kg", Neutral(2).Says("neutral-pull-up"));

    [Fact]
    public void Case_28_a_chin_up_first_goes_neutral() =>
        Assert.Equal(
            "Ease: 3 x 8 grip neutral",
            new Trainee()
                .Did("2026-03-12", "chin-up", "3 x 8", [8, 8, 8], pain: 3, place: "right elbow, inside")
                .Says("chin-up")
        );

    // What turns over the bar cannot be gripped so: it is made easier in its own way.
    [Fact]
    public void Case_28_a_muscle_up_does_not_go_neutral() =>
        Assert.DoesNotContain(
            "neutral",
            new Trainee()
                .Did("2026-03-12", "bar-muscle-up", "3 x 3", [3, 3, 3], pain: 3, place: "right elbow, inside")
                .Says("bar-muscle-up")
        );

    [Fact]
    public void Case_28_a_sore_wrist_goes_onto_parallettes() =>
        Assert.Equal(
            "Ease: hold 5 x 6 s on parallettes",
            new Trainee()
                .Did("2026-03-12", "planche-tuck", "hold 5 x 6 s", [6, 6, 6, 6, 6], pain: 4, place: "left wrist")
                .Says("planche-tuck")
        );

    [Fact]
    public void Case_28_torn_skin_stops_bars_and_rings_at_any_level() =>
        Assert.Equal(
            ProposalKind.Refer,
            new Trainee().Did("2026-03-12", "pull-up", "3 x 8", [8, 8, 8], pain: 3, place: "torn skin").Decide()[0].Kind
        );

    [Theory]
    [InlineData(6, ProposalKind.Refer)]
    [InlineData(5, ProposalKind.Ease)]
    public void Case_29_six_stops_and_five_eases(int pain, ProposalKind kind)
    {
        var d = new Trainee()
            .Did("2026-03-09", "weighted-dip", "3 x 6 @ +12.5 kg", [6, 6, 6])
            .Did("2026-03-12", "weighted-dip", "3 x 6 @ +12.5 kg", [6, 6, 6], pain: pain, place: "right shoulder");
        var proposal = d.Decide()[0];
        Assert.Equal((kind, "weighted-dip"), (proposal.Kind, proposal.Movement));
    }

    [Fact]
    public void Case_29_no_load_decision_is_made_for_what_a_stop_holds()
    {
        var d = new Trainee()
            .Twice("weighted-push-up", "3 x 8 @ +5 kg", [8, 8, 8])
            .Twice("weighted-row", "3 x 8 @ +5 kg", [8, 8, 8])
            .Did("2026-03-12", "weighted-dip", "3 x 6 @ +12.5 kg", [6, 6, 6], pain: 7, place: "right shoulder");
        Assert.Equal(
            [("weighted-dip", ProposalKind.Refer), ("weighted-row", ProposalKind.AddLoad)],
            d.Decide().Select(p => (p.Movement, p.Kind))
        );
    }

    [Fact]
    public void Case_30_the_next_morning_and_a_pop_stop_as_well()
    {
        Trainee Dip(int pain, StopSign? sign = null) =>
            new Trainee(78).Did(
                "2026-03-12",
                "weighted-dip",
                "3 x 6 @ +12.5 kg",
                [6, 6, 6],
                pain: pain,
                place: "shoulder",
                sign: sign
            );
        Assert.Equal(ProposalKind.Refer, Dip(2).NextMorning(6, "shoulder").Decide()[0].Kind);
        Assert.Equal(ProposalKind.Refer, Dip(1, StopSign.Pop).Decide()[0].Kind);
        Assert.Empty(Dip(2).Decide());
    }

    // 78 + 12.5 = 90.5; a tenth less is 81.45, and the kit makes +2.5 under it; two weeks lose a third of the sets.
    [Fact]
    public void Case_30_after_fourteen_days_the_return_is_lighter_and_pain_is_asked_each_time()
    {
        var d = new Trainee(78)
            .Did("2026-03-01", "weighted-dip", "3 x 6 @ +12.5 kg", [6, 6, 6], pain: 7, place: "shoulder")
            .Cleared("2026-03-15", "shoulder");
        var proposal = Assert.Single(d.Decide("2026-03-15"));
        Assert.Equal("Return: 2 x 6 @ +2.5 kg", Trainee.Text(proposal));
        Assert.Contains(proposal.Why.Cautions, c => c.Id == CautionId.AskEverySet);
    }

    [Fact]
    public void Case_30_straight_arm_work_returns_a_step_lower()
    {
        var d = new Trainee()
            .Tested("planche-tuck", "3 x 10", "2026-02-20")
            .Did("2026-03-01", "planche-advanced-tuck", "hold 5 x 4 s", [4, 4, 4, 4, 4], pain: 7, place: "shoulder")
            .Cleared("2026-03-15", "shoulder");
        Assert.StartsWith("Return: planche-tuck ", d.Says("planche-advanced-tuck", "2026-03-15"));
    }

    private static string? AfterThree(
        string movement,
        string line,
        int[] before,
        int[] after,
        int? reserve = null,
        Contact? then = null
    )
    {
        var t = new Trainee();
        for (var i = 0; i < 5; i++)
        {
            var fallen = i >= 3;
            t.Did(
                new DateOnly(2026, 2, 26).AddDays(3 * i).ToString("yyyy-MM-dd", null),
                movement,
                line,
                fallen ? after : before,
                reserve,
                fallen && then is { } contact ? s => s with { Contact = contact } : null
            );
        }

        return t.Decide().FirstOrDefault(p => p.Kind == ProposalKind.LighterWeek) is { } p ? Trainee.Text(p) : null;
    }

    [Theory]
    [InlineData("pull-up", "1 x 10", 10, 9, false)]
    [InlineData("parallel-bar-dip", "1 x 20", 20, 18, true)]
    [InlineData("parallel-bar-dip", "1 x 20", 20, 19, false)]
    [InlineData("front-lever-tuck", "hold 1 x 10 s", 10, 9, false)]
    [InlineData("front-lever-tuck", "hold 1 x 12 s", 12, 10, true)]
    public void Case_31_two_running_are_down_by_a_tenth_and_by_more_than_the_noise(
        string movement,
        string line,
        int before,
        int after,
        bool lighter
    ) => Assert.Equal(lighter, AfterThree(movement, line, [before], [after]) is not null);

    [Theory]
    [InlineData(8, true)]
    [InlineData(9, false)]
    public void Case_31_loaded_work_is_down_at_five_percent_of_the_estimate(int after, bool lighter) =>
        Assert.Equal(lighter, AfterThree("weighted-dip", "1 x 10 @ +25 kg", [10], [after]) is not null);

    [Fact]
    public void Case_31_a_contact_one_place_lower_is_fatigue() =>
        Assert.Equal(
            "LighterWeek: 1 x 3 to belly fast",
            AfterThree("high-pull-up", "3 x 3 to belly fast", [3, 3, 3], [3, 3, 3], then: Contact.Chest)
        );

    [Fact]
    public void Case_32_the_same_work_harder_twice_overrides_more_load()
    {
        var t = new Trainee();
        for (var i = 0; i < 5; i++)
            t.Did(
                new DateOnly(2026, 2, 26).AddDays(3 * i).ToString("yyyy-MM-dd", null),
                "weighted-row",
                "4 x 6 @ +20 kg 2 in reserve",
                [6, 6, 6, 6],
                i < 3 ? 3 : 2
            );
        var proposal = Assert.Single(t.Decide());
        Assert.Equal(ProposalKind.LighterWeek, proposal.Kind);
        Assert.Contains(ProposalKind.AddLoad, proposal.Overruled);
    }

    // Half the sets, and help of an eighth of 80 kg.
    [Fact]
    public void Case_32_pain_beside_four_loading_weeks_eases_the_deload()
    {
        var t = new Trainee(80).Bands(20, 10);
        foreach (
            var (day, i) in new[] { "2026-02-12", "2026-02-19", "2026-02-26", "2026-03-05" }.Select((d, i) => (d, i))
        )
            t.Did(
                day,
                "parallel-bar-dip",
                "4 x 8",
                [8, 8, 8, 7],
                pain: i == 3 ? 4 : null,
                place: i == 3 ? "outer elbow" : null
            );
        var proposal = t.Decide("2026-03-09")[0];
        Assert.Equal("Ease: assisted-dip 2 x 8 @ band 10 kg", Trainee.Text(proposal));
        Assert.Contains(ProposalKind.Deload, proposal.Overruled);
    }

    [Theory]
    [InlineData(5.5, 7, true)]
    [InlineData(6.0, 9, false)]
    [InlineData(5.5, 6, false)]
    public void Case_33_a_short_night_and_a_sore_body_are_offered_half_the_sets(
        double sleep,
        int soreness,
        bool offered
    ) =>
        Assert.Equal(
            offered,
            Readiness.OffersEasy(new(Guid.NewGuid(), Trainee.Thursday, (decimal)sleep, soreness, null, false))
        );

    [Fact]
    public void Case_33_the_easy_version_is_for_the_day() =>
        Assert.Equal(
            "2 x 6 @ +15 kg",
            Notation.NotationPrinterText.Of(Adjust.EasyVersion(Notation.NotationPrinterText.Read("4 x 6 @ +15 kg")))
        );

    [Theory]
    [InlineData(1, "RestToday")]
    [InlineData(2, "LighterWeek")]
    public void Case_33_a_line_that_sags_is_rested_and_twice_asks_for_a_lighter_week(int times, string says)
    {
        var t = new Trainee();
        for (var i = 0; i < 2; i++)
            t.Did(
                i == 0 ? "2026-03-09" : "2026-03-12",
                "human-flag-tuck",
                "hold 4 x 3 s left first",
                [3, 3, 3, 3, 3, 3, 3, 3],
                with: s => s with { Sagged = i >= 2 - times && s.Set == 4 }
            );
        Assert.Equal(says, t.Decide()[0].Kind.ToString());
    }

    [Theory]
    [InlineData(8, 10, "WeakerSide: 3 x 8 left first +1")]
    [InlineData(11, 13, "WeakerSide: 3 x 10 left first +1")]
    [InlineData(17, 20, null)]
    [InlineData(9, 10, null)]
    public void Case_34_the_weaker_side_begins_and_does_one_set_more(int left, int right, string? says)
    {
        var t = new Trainee().Did(
            "2026-03-12",
            "single-arm-row",
            "3 x 8..10 each side",
            [left, right, left, right, left, right]
        );
        Assert.Equal(says, t.Says("single-arm-row", of: ProposalCause.SideGap));
    }

    [Fact]
    public void Case_34_five_and_six_seconds_are_one_second_apart() =>
        Assert.Null(
            new Trainee()
                .Did("2026-03-12", "diagonal-hang", "hold 2 x 5 s each side", [5, 6, 5, 6])
                .Says("diagonal-hang", of: ProposalCause.SideGap)
        );

    [Theory]
    [InlineData(10, 11, "EvenSides: 3 x 10 each side")]
    [InlineData(9, 10, null)]
    public void Case_34_it_ends_under_ten_percent(int left, int right, string? says) =>
        Assert.Equal(
            says,
            new Trainee()
                .Did(
                    "2026-03-12",
                    "single-arm-row",
                    "3 x 10 left first +1",
                    [left, right, left, right, left, right, left]
                )
                .Says("single-arm-row", of: ProposalCause.SideGap)
        );

    [Theory]
    [InlineData(
        "banded-flag",
        "hold 4 x 4 s @ band 10 kg left first +1",
        "Deload: hold 2 x 4 s @ band 10 kg left first"
    )]
    [InlineData("banded-pull-up", "4 x 8 @ band 20 kg", "Deload: 2 x 8 @ band 20 kg")]
    public void Case_34_a_deload_takes_no_band_off(string movement, string line, string says)
    {
        var t = new Trainee().Bands(20, 10);
        var plan = Notation.NotationPrinterText.Read(line);
        foreach (var day in new[] { "2026-02-12", "2026-02-19", "2026-02-26", "2026-03-05" })
            t.Did(day, movement, line, [.. plan.Sets().Select(s => (s.Seconds ?? s.RepsHigh) - 1)]);
        Assert.Equal(says, t.Says(movement, "2026-03-09"));
    }

    [Fact]
    public void Case_35_a_standard_shown_in_training_leads_to_the_next_movement()
    {
        var t = new Trainee().Did("2026-03-12", "inverted-row-horizontal", "3 x 10 2 in reserve", [10, 10, 10], 2);
        Assert.Equal(
            "Achieved: inverted-row-feet-raised 3 x 8..12 2 in reserve",
            t.Says("inverted-row-horizontal", beside: true)
        );
    }

    [Theory]
    [InlineData("2026-03-16", false)]
    [InlineData("2026-03-17", true)]
    public void Case_35_a_wanted_test_is_overdue_after_six_weeks(string today, bool overdue)
    {
        var t = new Trainee()
            .Wants("bar-muscle-up")
            .Tested("explosive-pull-up", "5 x 5", "2026-02-02")
            .Tested("high-pull-up", "chest x 5", "2026-02-02")
            .Tested("high-pull-up", "belly x 2", "2026-02-02");
        Assert.Equal(
            overdue,
            Standards.DueTests(t.Work(DateOnly.Parse(today)), 14).Single(d => d.Benchmark == "high-pull-up").Overdue
        );
    }

    [Fact]
    public void Case_35_a_contradicted_step_is_tested_again()
    {
        var t = new Trainee().Wants("human-flag").Tested("pause-pull-up", "3 x 5");
        foreach (var side in new[] { Side.Left, Side.Right })
            t.Tested("one-arm-hang", "3", side: side).Tested("diagonal-hang", "10", side: side);
        Assert.Equal(
            ("one-arm-hang", ProposalKind.Test, ProposalCause.Contradicted),
            t.Decide("2026-03-12").Select(p => (p.Movement, p.Kind, p.Cause)).Single()
        );
    }

    [Fact]
    public void Case_36_what_was_shown_in_training_is_achieved_and_what_is_estimated_is_not()
    {
        var t = new Trainee()
            .Tested("chin-up-max", "8")
            .Tested("push-up-max", "20")
            .Tested("row-max", "12")
            .Tested("parallel-bar-dip-max", "12")
            .Did("2026-03-12", "weighted-pull-up", "1 x 5 @ +35 kg", [5]);
        Assert.Contains(t.Decide(), p => p.Kind == ProposalKind.Achieved);
        var placed = t.Work(Trainee.Thursday).Placements["weighted-pull-up"];
        Assert.Equal((true, true, false), (placed.IsWon(2), placed.IsEstimated(3), placed.IsWon(3)));
    }

    // Monday, Wednesday and Friday in the intake: the next day is one of them, whatever days the club trains.
    [Fact]
    public void The_next_session_falls_on_a_day_of_the_athlete()
    {
        var t = new Trainee { Intake = new() { Days = [DayOfWeek.Monday, DayOfWeek.Wednesday, DayOfWeek.Friday] } };
        t.Did("2026-03-11", "chin-up", "3 x 8..10", [10, 10, 10])
            .Did("2026-03-13", "chin-up", "3 x 8..10", [10, 10, 10]);
        Assert.Equal(new DateOnly(2026, 3, 16), Assert.Single(t.Decide()).NextDay);
    }
}
