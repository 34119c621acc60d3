using Cumbre.Core.Decisions;
using Cumbre.Core.Measures;
using Cumbre.Simulation;

namespace Cumbre.Core.Tests.Simulation;

public class SimulatorTests
{
    private static readonly DateOnly Today = new(2026, 3, 16);

    private static AthleteScript Script(double gain) =>
        new("Sim", 70)
        {
            Kit = DemoClub.Hall,
            FirstLine = "3 x 8..10 @ +5 kg then +2.5 kg",
            Weeks = 26,
            FreshReps = 12,
            GainKgPerWeek = gain,
        };

    private static SimulatedAthlete Run(double gain, int seed = 1) => Simulator.Run(Script(gain), seed, Today);

    [Fact]
    public void Another_seed_is_another_history() =>
        Assert.NotEqual(
            Run(0.4).Sessions.SelectMany(s => s.Sets.Select(x => x.Set.Reps)),
            Run(0.4, seed: 2).Sessions.SelectMany(s => s.Sets.Select(x => x.Set.Reps))
        );

    [Fact]
    public void Who_grows_stronger_ends_with_more_load_than_who_does_not()
    {
        static decimal LastLoad(SimulatedAthlete a) =>
            a.Sessions.Where(s => !s.Easy).TakeLast(6).Max(s => s.PlannedLoads[0].Kilograms);
        for (var seed = 1; seed <= 5; seed++)
            Assert.True(LastLoad(Run(0.9, seed)) > LastLoad(Run(0, seed)));
    }

    // Common practice, no source: four loading weeks, then an easy one.
    [Fact]
    public void Never_are_there_five_loading_weeks_in_a_row()
    {
        var sessions = Run(0.5).Sessions.Select(s => (s.Day, s.Easy)).ToList();
        for (var monday = TrainingCalendar.Monday(Today); monday > Today.AddDays(-180); monday = monday.AddDays(-7))
            Assert.True(TrainingCalendar.LoadingWeeksBefore(monday, sessions) <= 4);
    }

    [Fact]
    public void No_step_up_is_over_ten_percent_of_the_system()
    {
        var trained = Run(0.9).Sessions.Where(s => !s.Easy).ToList();
        foreach (var (before, after) in trained.Zip(trained.Skip(1)))
        {
            var step = after.PlannedLoads[0] - before.PlannedLoads[0];
            Assert.True(step <= Mass.Zero || step <= (before.BodyMass + before.PlannedLoads[0]) * 0.1m);
        }
    }

    [Fact]
    public void Only_loads_that_the_kit_makes_are_moved() =>
        Assert.All(Run(0.6).Sessions.SelectMany(s => s.PlannedLoads), load =>
            Assert.Equal(load, DemoClub.Hall.Nearest(load).Total)
        );
}
