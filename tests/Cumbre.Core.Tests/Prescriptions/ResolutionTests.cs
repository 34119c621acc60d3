using Cumbre.Core.Explanations;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Strength;
using Cumbre.Core.Tests.Loading;

namespace Cumbre.Core.Tests.Prescriptions;

public class ResolutionTests
{
    private static readonly DateOnly Day = new(2026, 3, 16);

    /// <summary>The worked example: 68.2 kg, +15 kg x 6 with 1 in reserve.</summary>
    private static ResolutionContext Context(
        Kit? kit = null,
        bool tested = true,
        decimal body = 68.2m,
        Mass? lastLoad = null,
        int? age = null
    )
    {
        var bodyMass = Explanation.For(RuleId.BodyMassOfDay).Build(Mass.FromKilograms(body));
        var max = OneRepMax.Estimate(new HeavySet(Mass.FromKilograms(68.2m), Mass.FromKilograms(15), 6, 1, Day));
        return new(bodyMass, tested ? max : null, 0, kit ?? KitTests.Cochera, lastLoad, age);
    }

    private static Prescription Plan(string line) => NotationParser.Parse(line).Plan!;

    private static ResolvedPrescription Resolve(string line, ResolutionContext? context = null) =>
        PrescriptionResolver.Resolve(Plan(line), context ?? Context()).Plan!;

    [Fact]
    public void Eighty_percent_of_the_worked_example_hangs_ten_two_and_a_half_and_one_and_a_quarter()
    {
        var load = Resolve("4 x 4 @ 80 % e1RM").Loads.Single();
        Assert.Equal(13.89m, Math.Round(load.Value.Wanted.Kilograms, 2));
        Assert.Equal(13.75m, load.Value.Made.Kilograms);
        Assert.Equal("10+2.5+1.25", KitTests.Pieces(load.Value.Pieces));

        var share = load.Why.Working.Single(s => s.Key == StepKey.ShareOf);
        Assert.Equal(82.09m, Math.Round(share.Result.Number!.Value, 2));
        Assert.Contains(load.Why.Rounding, r => r.Key == RoundingKey.Nearest && r.Args[1].Number == 13.75m);
    }

    [Fact]
    public void The_worked_example_in_pounds_is_the_same_body()
    {
        var kit = new Kit([
            new(MassEntry.Lb(2.5m), 2),
            new(MassEntry.Lb(5), 2),
            new(MassEntry.Lb(10), 2),
            new(MassEntry.Lb(25), 2),
        ]);
        var load = Resolve("4 x 4 @ 80 % e1RM", Context(kit)).Loads.Single().Value;
        // 13.89 kg is 30.6 lb; the nearest the pound plates make is 30.
        Assert.Equal(30.6m, Math.Round(load.Wanted.Pounds, 1));
        Assert.Equal(30m, load.Made.Pounds);
        Assert.Equal("25+5", KitTests.Pieces(load.Pieces));
    }

    // Inverse of Epley 1985 (from memory): system = e1RM / (1 + n / 30).
    [Fact]
    public void Reps_with_a_reserve_take_the_load_of_the_effective_reps()
    {
        var load = Resolve("3 x 8 2 in reserve").Loads.Single().Value;
        var expected = 83.2m * (1 + 7 / 30m) / (1 + 10 / 30m) - 68.2m;
        Assert.Equal((double)expected, (double)load.Wanted.Kilograms, 1e-6);
    }

    [Fact]
    public void A_share_of_body_mass_follows_the_body()
    {
        Assert.Equal(17.05m, Resolve("5 x 5 @ +25 % bm").Loads[0].Value.Wanted.Kilograms);
        Assert.Equal(20m, Resolve("5 x 5 @ +25 % bm", Context(body: 80)).Loads[0].Value.Wanted.Kilograms);
    }

    [Fact]
    public void Below_body_mass_the_answer_is_assistance()
    {
        var load = Resolve("3 x 8 @ 50 % e1RM").Loads.Single();
        Assert.Equal(68.2m - 102.6133m / 2, load.Value.Assistance.Kilograms, 3);
        Assert.Empty(load.Value.Pieces.Pieces);
        Assert.Contains(load.Why.Rounding, r => r.Key == RoundingKey.Assistance);
    }

    [Fact]
    public void Back_off_sets_lower_the_system_and_not_the_added_load()
    {
        var resolved = Resolve("top 1 x 4 @ +20 kg, back-off 3 x 8 @ -12 % top");
        Assert.Equal(20m, resolved.Loads[0].Value.Made.Kilograms);
        Assert.Equal((68.2m + 20) * 0.88m - 68.2m, resolved.Loads[1].Value.Wanted.Kilograms);
        Assert.Equal([20m, 10, 10, 10], resolved.Efforts.Select(e => e.Load.Value.Made.Kilograms));
    }

    [Fact]
    public void A_drop_set_says_what_to_take_off()
    {
        var resolved = Resolve("2 x drop 4+4+6 @ +20 / +10 / 0 kg");
        Assert.Equal(
            ["", "10", "10", "", "10", "10"],
            resolved.Efforts.Select(e => e.TakeOff is { } off ? KitTests.Pieces(off) : "")
        );
        Assert.Equal([0, 0, 150, 0, 0, 0], resolved.Efforts.Select(e => e.RestAfterSeconds));
        Assert.Equal(28, resolved.RepTotal);
    }

    // Time model: sets x work + rests between + 20 s a set + 60 s to change; hand-worked.
    [Fact]
    public void Time_under_tension_and_duration_follow_the_time_model()
    {
        var resolved = Resolve("4 x 5 tempo 3-1-X-0 rest 2:30");
        Assert.Equal((100, 690, 20), (resolved.TensionSeconds, resolved.DurationSeconds, resolved.RepTotal));
    }

    [Fact]
    public void Without_a_tempo_a_rep_counts_three_seconds_and_the_usual_rest_is_told()
    {
        var resolved = Resolve("3 x 8");
        Assert.Equal((72, true, 90), (resolved.TensionSeconds, resolved.RestAssumed, resolved.RestSeconds));
    }

    [Theory]
    [InlineData("4 x 4 @ 80 % e1RM", ResolutionProblem.NoOneRepMax)]
    [InlineData("3 x 8 2 in reserve", ResolutionProblem.NoOneRepMax)]
    public void Without_a_test_a_load_from_the_maximum_is_refused(string line, ResolutionProblem problem) =>
        Assert.Equal(problem, PrescriptionResolver.Resolve(Plan(line), Context(tested: false)).Problem);

    [Fact]
    public void Over_twelve_effective_reps_no_load_is_guessed() =>
        Assert.Equal(
            ResolutionProblem.TooManyEffectiveReps,
            PrescriptionResolver.Resolve(Plan("3 x 10 3 in reserve"), Context()).Problem
        );

    // The caution's limits: over 10 % of the system mass or over 5 kg.
    [Theory]
    [InlineData("4 x 5 @ +12.5 kg", 7.5, false)]
    [InlineData("4 x 5 @ +15 kg", 7.5, true)]
    public void A_large_jump_asks_for_confirmation(string line, double last, bool cautioned) =>
        Assert.Equal(
            cautioned,
            Resolve(line, Context(lastLoad: Mass.FromKilograms((decimal)last)))
                .Loads[0]
                .Why.Cautions.Any(c => c.Id == CautionId.JumpLarge)
        );

    [Fact]
    public void A_load_over_the_maximum_is_cautioned() =>
        Assert.Contains(Resolve("1 x 1 @ +40 kg").Loads[0].Why.Cautions, c => c.Id == CautionId.AboveOneRepMax);

    [Fact]
    public void Under_sixteen_a_single_is_cautioned() =>
        Assert.Contains(Resolve("3 x 1 @ +5 kg", Context(age: 15)).Cautions, c => c.Id == CautionId.MinorNoSingle);

    [Fact]
    public void A_coarse_kit_says_so() =>
        Assert.Contains(
            Resolve("4 x 5 @ +15 kg", Context(new Kit([new(MassEntry.Kg(10), 1)]))).Loads[0].Why.Cautions,
            c => c.Id == CautionId.KitCoarse
        );

    [Fact]
    public void The_golden_path_from_line_to_efforts_and_back()
    {
        const string line = "2 x drop 4+4+6 @ +20 / +10 / 0 kg grip wide / medium / narrow tempo 3-1-X-0 rest 3:00";
        var plan = PrescriptionJson.Read(PrescriptionJson.Write(Plan(line)));
        var resolved = PrescriptionResolver.Resolve(plan, Context()).Plan!;

        Assert.Equal(6, resolved.Efforts.Count);
        Assert.Equal(
            [(4, 20m, Grip.Wide), (4, 10m, Grip.Medium), (6, 0m, Grip.Narrow)],
            resolved.Efforts.Take(3).Select(e => (e.Plan.RepsHigh, e.Load.Value.Made.Kilograms, e.Plan.Grip!.Value))
        );
        Assert.Equal(28 * 5, resolved.TensionSeconds);
        Assert.Equal(28 * 5 + 180 + 2 * 20 + 60, resolved.DurationSeconds);
        Assert.Equal(line, NotationPrinter.Print(resolved.Source));
    }
}
