using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Ladders;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Programmes;
using static System.DayOfWeek;

namespace Cumbre.Simulation;

/// <summary>An invented athlete with a plain case, whose block a coach can judge at a glance.</summary>
/// <param name="Name">What the case is.</param>
/// <param name="Snapshot">Tests, body mass and plates.</param>
/// <param name="Intake">Days, minutes, goals and pain.</param>
/// <param name="Gear">What there is.</param>
public sealed record ModelAthlete(string Name, AthleteSnapshot Snapshot, Intake Intake, KitBook Gear)
{
    public AthleteAtWork On(DateOnly day) => new(Snapshot, Intake, Atlas.Shipped, Gear, [], day);
}

/// <summary>
/// Athletes on whom the generator is judged: six whose good blocks are known in outline, and others as different from
/// them and from each other as those who train with a coach are. All are invented.
/// </summary>
public static class ModelAthletes
{
    /// <summary>The first day of their blocks.</summary>
    public static DateOnly Start { get; } = new(2026, 4, 20);

    private static readonly DateOnly Tested = new(2026, 4, 14);

    /// <summary>Never a pull-up yet, three short sessions.</summary>
    public static ModelAthlete FirstPullUp { get; } =
        new Maker("first pull-up, 96 kg", 96)
        {
            Days = [Monday, Wednesday, Friday],
            Minutes = 45,
            Goals = ["pull-up"],
            Bands = [36, 23, 14],
            Gear = [GearKind.Bar, GearKind.Bar, GearKind.ParallelBars, GearKind.Box],
        }
            .Reps(("pull-up-max", 0), ("parallel-bar-dip-max", 0), ("push-up-max", 5), ("incline-push-up", 11))
            .Reps(("inverted-row-inclined", 9), ("scapular-pull-up", 8))
            .Seconds(("active-hang", 22), ("hollow-hold", 25))
            .Made();

    /// <summary>Strong enough in the pull-up, not yet high enough.</summary>
    public static ModelAthlete BarMuscleUp { get; } =
        new Maker("bar muscle-up, 70 kg", 70)
        {
            Days = [Monday, Wednesday, Friday],
            Minutes = 60,
            Goals = ["bar-muscle-up"],
            Gear = [GearKind.Bar, GearKind.Bar, GearKind.ParallelBars, GearKind.Rings, GearKind.Box],
        }
            .Reps(("pull-up-max", 8), ("chin-up-max", 9), ("parallel-bar-dip-max", 12), ("straight-bar-dip", 6))
            .Reps(("push-up-max", 22), ("row-max", 11), ("hanging-leg-raise", 8))
            .Sets(("close-push-up", 10, 3), ("explosive-pull-up", 3, 3))
            .Sides("single-arm-row", Score.OfReps(8), Score.OfReps(7))
            .With("high-pull-up", new Score(3, contact: Contact.Collarbone))
            .Made();

    /// <summary>Two levers at once, four days.</summary>
    public static ModelAthlete TwoLevers { get; } =
        new Maker("planche and front lever, 66 kg", 66)
        {
            Days = [Monday, Tuesday, Thursday, Saturday],
            Minutes = 75,
            Goals = ["front-lever", "planche"],
            Plates = [(1.25m, 2), (2.5m, 2), (5, 2), (10, 2)],
            Gear = [GearKind.Bar, GearKind.Bar, GearKind.ParallelBars, GearKind.Rings, GearKind.Box],
            StatureCm = 174.1m,
        }
            .Sets(("scapular-row-hang", 11, 1), ("front-lever-row", 6, 1))
            .Holds(("front-lever-tuck", 10, 3), ("front-lever-tuck", 13, 1), ("planche-tuck", 12, 1))
            .Holds(("planche-advanced-tuck", 4, 1), ("hollow-hold", 50, 1))
            .Heavy("weighted-pull-up-heavy", 10, 5, 1)
            .Reps(("pull-up-max", 12), ("chin-up-max", 13), ("parallel-bar-dip-max", 15), ("push-up-max", 30))
            .Reps(("pseudo-planche-push-up", 10), ("row-max", 15), ("hanging-leg-raise", 12))
            .Sides("single-arm-row", Score.OfReps(9), Score.OfReps(9))
            .Sides("single-leg-squat", Score.OfReps(5), Score.OfReps(5))
            .With("wrist-extension", new Score(degrees: 95))
            .Made();

    /// <summary>Strength with the belt, four days.</summary>
    public static ModelAthlete TwoLifts { get; } =
        new Maker("weighted pull-up and dip, 74 kg", 74)
        {
            Days = [Monday, Tuesday, Thursday, Saturday],
            Minutes = 75,
            Goals = ["weighted-pull-up", "weighted-dip"],
            Plates = [(1.25m, 2), (2.5m, 2), (5, 2), (10, 2), (20, 1)],
            Gear = [GearKind.Bar, GearKind.Bar, GearKind.ParallelBars, GearKind.Rings, GearKind.Box],
        }
            .Heavy("weighted-pull-up-heavy", 20, 5, 0)
            .Heavy("weighted-dip", 30, 5, 0)
            .Heavy("weighted-chin-up", 15, 6, 2)
            .Reps(("pull-up-max", 14), ("inverted-row-feet-raised", 12), ("ring-push-up", 14), ("row-max", 15))
            .Reps(("feet-raised-pike-push-up", 8), ("hanging-leg-raise", 12), ("push-up-max", 30))
            .Reps(("parallel-bar-dip-max", 20))
            .Sides("single-leg-squat", Score.OfReps(6), Score.OfReps(6))
            .Seconds(("hollow-hold", 50), ("active-hang", 50))
            .Made();

    /// <summary>A flag that is uneven, and a wrist that hurts.</summary>
    public static ModelAthlete SoreWrist { get; } =
        new Maker("flag and handstand push-up, sore wrist, 60 kg", 60)
        {
            Days = [Monday, Wednesday, Friday],
            Minutes = 60,
            Goals = ["human-flag", "handstand-push-up"],
            Gear = [GearKind.Bar, GearKind.Bar, GearKind.Pole, GearKind.ParallelBars, GearKind.Mat],
            Pain = ("right wrist", 3),
        }
            .Sides("diagonal-hang", Score.OfSeconds(9), Score.OfSeconds(6))
            .Sides("one-arm-hang", Score.OfSeconds(14), Score.OfSeconds(11))
            .Sets(("pause-pull-up", 5, 3))
            .Sides("hanging-side-leg-raise", Score.OfReps(9), Score.OfReps(7))
            .Reps(("pull-up-max", 9), ("neutral-pull-up", 10), ("parallel-bar-dip-max", 14), ("row-max", 12))
            .Reps(("pike-push-up", 9), ("feet-raised-pike-push-up", 4))
            .Seconds(("wall-handstand", 35))
            .Made();

    /// <summary>Two short sessions at home.</summary>
    public static ModelAthlete LeverAtHome { get; } =
        new Maker("front lever at home, 61 kg", 61)
        {
            Days = [Monday, Thursday],
            Minutes = 40,
            Goals = ["front-lever"],
            Bands = [25, 12],
            Gear = [GearKind.Bar],
            StatureCm = 170,
        }
            .Seconds(("front-lever-tuck", 10))
            .Reps(("pull-up-max", 9), ("chin-up-max", 10), ("pike-push-up", 10), ("push-up-max", 24))
            .Reps(("scapular-row-hang", 8))
            .Made();

    public static IReadOnlyList<ModelAthlete> Known { get; } =
    [FirstPullUp, BarMuscleUp, TwoLevers, TwoLifts, SoreWrist, LeverAtHome];

    public static IReadOnlyList<ModelAthlete> Others { get; } =
    [
        new Maker("never tested, ring muscle-up, 82 kg", 82)
        {
            Days = [Tuesday, Friday],
            Minutes = 60,
            Goals = ["ring-muscle-up"],
            Gear = [GearKind.Bar, GearKind.Rings],
        }.Made(),
        new Maker("two levers in two sessions of 20 min, 71 kg", 71)
        {
            Days = [Tuesday, Saturday],
            Minutes = 20,
            Goals = ["planche", "front-lever"],
            Plates = [(5, 2), (10, 2)],
            Gear = [GearKind.Bar, GearKind.ParallelBars],
        }
            .Reps(("pull-up-max", 14), ("parallel-bar-dip-max", 18), ("push-up-max", 35), ("row-max", 14))
            .Reps(("pseudo-planche-push-up", 9))
            .Seconds(("front-lever-tuck", 14), ("planche-tuck", 8))
            .With("wrist-extension", new Score(degrees: 92))
            .Made(),
        new Maker("handstand push-up with strong dips, 65 kg", 65)
        {
            Days = [Monday, Wednesday, Friday],
            Minutes = 60,
            Goals = ["handstand-push-up"],
            Gear = [GearKind.Bar, GearKind.Bar, GearKind.ParallelBars, GearKind.Box, GearKind.Mat],
        }
            .Reps(("parallel-bar-dip-max", 14), ("pull-up-max", 6), ("push-up-max", 25), ("row-max", 9))
            .Made(),
        new Maker("sore inner elbow, weighted pull-up, 78 kg", 78)
        {
            Days = [Monday, Wednesday, Saturday],
            Minutes = 60,
            Goals = ["weighted-pull-up"],
            Plates = [(1.25m, 2), (2.5m, 2), (5, 2), (10, 1)],
            Gear = [GearKind.Bar, GearKind.Bar, GearKind.ParallelBars, GearKind.Rings],
            Pain = ("inner elbow", 3),
        }
            .Heavy("weighted-pull-up-heavy", 15, 5, 1)
            .Reps(("pull-up-max", 12), ("parallel-bar-dip-max", 15), ("push-up-max", 28), ("row-max", 13))
            .Made(),
        new Maker("heavy beginner without a band, 104 kg", 104)
        {
            Days = [Monday, Thursday],
            Minutes = 50,
            Goals = ["pull-up"],
            Gear = [GearKind.Bar, GearKind.Bar, GearKind.Box],
        }
            .Reps(("pull-up-max", 0), ("push-up-max", 3))
            .Made(),
        new Maker("flag beginner with eight dips, 58 kg", 58)
        {
            Days = [Tuesday, Thursday, Saturday],
            Minutes = 50,
            Goals = ["human-flag"],
            Gear = [GearKind.Bar, GearKind.Bar, GearKind.Pole, GearKind.ParallelBars],
        }
            .Reps(("pull-up-max", 7), ("parallel-bar-dip-max", 8), ("push-up-max", 18), ("row-max", 10))
            .Made(),
        new Maker("one-arm chin-up, 63 kg", 63)
        {
            Days = [Monday, Tuesday, Thursday, Friday],
            Minutes = 90,
            Goals = ["one-arm-chin-up"],
            Plates = [(1.25m, 2), (2.5m, 2), (5, 2), (10, 2), (20, 1)],
            Gear = [GearKind.Bar, GearKind.Bar, GearKind.ParallelBars, GearKind.Rings, GearKind.Box],
        }
            .Reps(("pull-up-max", 20), ("parallel-bar-dip-max", 25), ("push-up-max", 45), ("row-max", 22))
            .Heavy("weighted-pull-up-heavy", 40, 4, 1)
            .Sides("one-arm-hang", Score.OfSeconds(25), Score.OfSeconds(21))
            .Sides("archer-pull-up", Score.OfReps(6, 3), Score.OfReps(5, 3))
            .Made(),
        new Maker("straddle planche, 90 min, 69 kg", 69)
        {
            Days = [Monday, Wednesday, Thursday, Saturday],
            Minutes = 90,
            Goals = ["planche", "back-lever"],
            Plates = [(2.5m, 2), (5, 2), (10, 2)],
            Gear = [GearKind.Bar, GearKind.Bar, GearKind.ParallelBars, GearKind.Rings, GearKind.Box],
            StatureCm = 178,
        }
            .Reps(("pull-up-max", 17), ("parallel-bar-dip-max", 26), ("push-up-max", 50), ("row-max", 18))
            .Reps(("pseudo-planche-push-up", 14))
            .Heavy("weighted-dip", 30, 5, 1)
            .Holds(("planche-tuck", 25, 3), ("planche-advanced-tuck", 12, 3), ("planche-one-leg", 5, 1))
            .Holds(("rear-hang", 30, 1), ("back-lever-tuck", 15, 3), ("back-lever-advanced-tuck", 8, 1))
            .With("wrist-extension", new Score(degrees: 98))
            .Made(),
        new Maker("eight pull-ups and a belt, 68 kg", 68)
        {
            Days = [Monday, Wednesday, Friday],
            Minutes = 60,
            Goals = ["weighted-pull-up"],
            Plates = [(1.25m, 2), (2.5m, 2), (5, 2)],
            Gear = [GearKind.Bar, GearKind.Bar, GearKind.ParallelBars, GearKind.Box],
        }
            .Reps(("pull-up-max", 8), ("chin-up-max", 9), ("parallel-bar-dip-max", 13), ("push-up-max", 24))
            .Reps(("row-max", 12))
            .Made(),
        new Maker("older beginner, no goal, three days, 88 kg", 88)
        {
            Days = [Monday, Wednesday, Friday],
            Minutes = 40,
            Goals = [],
            Bands = [40, 20],
            Gear = [GearKind.Bar, GearKind.Bar, GearKind.ParallelBars, GearKind.Box],
        }
            .Reps(("pull-up-max", 2), ("parallel-bar-dip-max", 3), ("push-up-max", 10), ("row-max", 6))
            .Made(),
        new Maker("weighted dip at home with books, 75 kg", 75)
        {
            Days = [Monday, Wednesday, Friday],
            Minutes = 45,
            Goals = ["weighted-dip"],
            Books = 12,
            Gear = [GearKind.Bar, GearKind.ParallelBars],
        }
            .Reps(("pull-up-max", 11), ("parallel-bar-dip-max", 22), ("push-up-max", 45), ("row-max", 12))
            .Made(),
    ];

    private sealed class Maker(string name, decimal bodyMass)
    {
        private readonly List<BenchmarkResult> results = [];
        private readonly SeededIds ids = new(new Random(name.Length));

        public DayOfWeek[] Days { get; init; } = [];

        public int Minutes { get; init; }

        public string[] Goals { get; init; } = [];

        public decimal[] Bands { get; init; } = [];

        public (decimal Size, int Count)[] Plates { get; init; } = [];

        public GearKind[] Gear { get; init; } = [];

        public int Books { get; init; }

        public (string Place, int Level)? Pain { get; init; }

        public decimal? StatureCm { get; init; }

        public Maker With(string test, Score score, decimal added = 0, int reserve = 0, Side? side = null)
        {
            results.Add(
                new(
                    ids.Next(Tested),
                    test,
                    Tested,
                    score,
                    MassEntry.Kg(added),
                    reserve,
                    Mass.FromKilograms(bodyMass),
                    FormVerdict.Clean
                )
                {
                    Side = side,
                }
            );
            return this;
        }

        public Maker Reps(params (string Test, int Best)[] tests) => Sets([.. tests.Select(t => (t.Test, t.Best, 1))]);

        public Maker Sets(params (string Test, int Reps, int Sets)[] tests)
        {
            foreach (var (test, reps, sets) in tests)
                With(test, Score.OfReps(reps, sets));
            return this;
        }

        public Maker Seconds(params (string Test, int Best)[] tests) =>
            Holds([.. tests.Select(t => (t.Test, t.Best, 1))]);

        public Maker Holds(params (string Test, int Seconds, int Sets)[] tests)
        {
            foreach (var (test, seconds, sets) in tests)
                With(test, Score.OfSeconds(seconds, sets));
            return this;
        }

        public Maker Heavy(string test, decimal added, int reps, int reserve) =>
            With(test, Score.OfReps(reps), added, reserve);

        public Maker Sides(string test, Score left, Score right) =>
            With(test, left, side: Side.Left).With(test, right, side: Side.Right);

        public ModelAthlete Made()
        {
            var bars = 0;
            return new(
                name,
                new(
                    MassUnit.Kg,
                    1995,
                    true,
                    new Schools(Catalogue.Shipped, []),
                    Plates.Length == 0
                        ? Kit.Empty
                        : new([.. Plates.Select(p => new PieceStock(MassEntry.Kg(p.Size), p.Count))]),
                    new([new(Tested, MassEntry.Kg(bodyMass))]),
                    results,
                    []
                )
                {
                    Sex = Sex.Male,
                    StatureCm = StatureCm,
                },
                new()
                {
                    Days = Days,
                    Minutes = Minutes,
                    Goals = [.. Goals.Select(g => new Goal(g, GoalKind.Advance))],
                    Complaints = Pain is { } pain ? [new(pain.Place, pain.Level, null)] : [],
                    Finished = true,
                },
                new(
                    null,
                    [.. Bands.Select(b => new Band(ids.Next(Tested), $"band {b}", b, b, b, Tested))],
                    Books > 0 ? [new(ids.Next(Tested), "book", Books, null)] : [],
                    [
                        .. Gear.Select(k => new Gear(
                            ids.Next(Tested),
                            k,
                            k.ToString(),
                            // Of several bars the second is the low one.
                            k == GearKind.Bar
                                ? bars++ == 0
                                    ? 230
                                    : 100
                                : null,
                            null,
                            null
                        )),
                    ]
                )
            );
        }
    }
}
