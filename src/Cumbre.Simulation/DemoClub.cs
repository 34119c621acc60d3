using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;
using Cumbre.Core.Programmes;

namespace Cumbre.Simulation;

/// <summary>The invented club of the demo: every kind of decision occurs in it once.</summary>
public static class DemoClub
{
    public const string Name = "Cochera 9";

    /// <summary>Monday, Tuesday, Thursday and Saturday (ISO numbers).</summary>
    public const string TrainingDays = "1,2,4,6";

    /// <summary>The day on which the demo plays unless told otherwise.</summary>
    public static DateOnly Today { get; } = new(2026, 3, 16);

    /// <summary>Plates of the hall, with the belt and the vest.</summary>
    public static Kit Hall { get; } =
        new(
            [
                new(MassEntry.Kg(1.25m), 2),
                new(MassEntry.Kg(2.5m), 2),
                new(MassEntry.Kg(5), 2),
                new(MassEntry.Kg(10), 3),
                new(MassEntry.Kg(20), 1),
            ],
            vest: MassEntry.Kg(5)
        );

    /// <summary>Everything in the hall.</summary>
    public static KitBook HallBook(DateOnly today) =>
        new(
            Hall,
            [
                new(Id(1), "wide", 41, 33, 24, today.AddDays(-20)),
                new(Id(2), "middle", 20, 15, 10, today.AddDays(-20)),
                new(Id(3), "narrow", 12, 9, 6.5m, today.AddDays(-70)),
            ],
            [],
            [
                new(Id(4), GearKind.Bar, "high bar", 245, 180, null),
                new(Id(5), GearKind.Bar, "middle bar", 205, 150, null),
                new(Id(6), GearKind.Bar, "straight bar at the waist", 105, 140, null),
                new(Id(7), GearKind.ParallelBars, "parallel bars", 120, 52, null),
                new(Id(8), GearKind.Pole, "pole", 300, null, "vertical, 45 mm"),
                new(Id(9), GearKind.Rings, "rings", null, 50, "wood; strap marks 1 to 20"),
                new(Id(10), GearKind.Box, "box", 20, null, null),
                new(Id(11), GearKind.Box, "box", 30, null, null),
                new(Id(12), GearKind.Box, "box", 45, null, null),
                new(Id(13), GearKind.Box, "box", 60, null, null),
                new(Id(14), GearKind.Chain, "long chain", null, null, null),
                new(Id(15), GearKind.Mat, "mats", null, null, "four"),
            ]
        );

    /// <summary>A remote athlete's: a door bar and a backpack of books, one of them weighed.</summary>
    private static KitBook DoorBar { get; } =
        new(
            null,
            [],
            [new(Id(20), "book", 14, MassEntry.Kg(0.62m))],
            [new(Id(21), GearKind.Bar, "door bar", 201, 70, "rated for 130 kg")]
        );

    private static Guid Id(int number) => new($"01900000-0000-7000-8000-0000000b{number:x4}");

    private static Kit PoundPlates { get; } =
        new([new(MassEntry.Lb(2.5m), 2), new(MassEntry.Lb(5), 2), new(MassEntry.Lb(10), 2), new(MassEntry.Lb(25), 2)]);

    private static Kit VestOnly { get; } = new([], hasBelt: false, vest: MassEntry.Kg(5));

    /// <summary>
    /// Four evenings toward the front lever: straight-arm work, a drop set, a pair, one side at a time, the clock.
    /// </summary>
    private static BlockScript LeverBlock { get; } =
        new(
            "Lever block",
            [
                new(
                    DayOfWeek.Monday,
                    "Pull",
                    "Scapular pulls, band rows, inverted hang",
                    [
                        new("front-lever-advanced-tuck", "hold 4 x 60 % best rest 2:00"),
                        new("weighted-pull-up", null),
                        new("pull-up", "2 x drop 4+4+6 @ +10 / +5 / 0 kg grip wide / medium / narrow rest 3:00"),
                        new("inverted-row-horizontal", "3 x 8..12 rest 1:30"),
                        new("push-up", "3 x 10..15 rest 1:00", Joined: true),
                    ],
                    "Hang and breathe"
                ),
                new(
                    DayOfWeek.Tuesday,
                    "Push",
                    "Wrists, shoulder circles with a stick",
                    [
                        new("parallel-bar-dip", "4 x 6 tempo 3-1-X-0 rest 2:30"),
                        new("straight-bar-dip", "3 x 6 2 in reserve rest 2:00"),
                        new("pike-push-up", "3 x 5..8 rest 1:30"),
                        new("hollow-hold", "hold 3 x 30 s rest 1:00"),
                    ]
                ),
                new(
                    DayOfWeek.Thursday,
                    "Lever, light",
                    "Scapular pulls, inverted hang",
                    [
                        new("front-lever-tuck", "hold 24 s in 3 rest 0:45"),
                        new("high-pull-up", "every 1:20 x 4 do 3 fast"),
                        new("ring-row", "3 x 8..12 rest 1:30"),
                        new("push-up", "4 x 12 tempo 2-1-X-0 rest 1:30"),
                        new("squat", "3 x 10..15 rest 1:30"),
                    ]
                ),
                new(
                    DayOfWeek.Saturday,
                    "Both",
                    "Wrists, scapular dips",
                    [
                        new("straight-bar-dip", "4 x 6 rest 2:00"),
                        new("human-flag-tuck", "hold 4 x 3 s left first rest 2:00"),
                        new("push-up", "3 x 12 + stretch 15 s rest 1:00"),
                    ]
                ),
            ]
        );

    /// <summary>Enters the muscle-up by many pull-ups rather than by high ones.</summary>
    private static IReadOnlyDictionary<string, string> VolumeFirst { get; } =
        new Dictionary<string, string> { ["muscle-up-entry"] = "volume-first" };

    private static Dictionary<string, string> Told(params (string Part, string Value)[] parts) =>
        parts.ToDictionary(p => p.Part, p => p.Value);

    private const string Tens = "3 x 8..10 @ +5 kg then +2.5 kg rest 2:00";

    /// <summary>The athletes and their histories up to <paramref name="today"/>.</summary>
    public static IReadOnlyList<SimulatedAthlete> Athletes(DateOnly today) =>
        [.. Scripts.Select((script, i) => Simulator.Run(script, 1000 + i, today))];

    /// <summary>A finished intake: years of training, minutes, the skills to advance, the skills to keep.</summary>
    private static Intake Said(
        decimal years,
        int minutes,
        string[] advance,
        string[]? maintain = null,
        ShoulderRange shoulders = ShoulderRange.Usual
    ) =>
        new()
        {
            TrainingYears = years,
            Days = [DayOfWeek.Monday, DayOfWeek.Tuesday, DayOfWeek.Thursday],
            Minutes = minutes,
            Shoulders = shoulders,
            Goals =
            [
                .. advance.Select(l => new Goal(l, GoalKind.Advance)),
                .. (maintain ?? []).Select(l => new Goal(l, GoalKind.Maintain)),
            ],
            Clearance = Clearance
                .Questions.Where(q => !q.IsByAge)
                .ToDictionary(q => q.Slug, _ => new ClearanceAnswer(false, false)),
            Finished = true,
        };

    private static TestScript[] Base(int daysAgo, int pullUps, int chinUps, int dips, int pushUps, int rows) =>
        [
            new("pull-up-max", daysAgo, pullUps),
            new("chin-up-max", daysAgo, chinUps),
            new("parallel-bar-dip-max", daysAgo, dips),
            new("push-up-max", daysAgo, pushUps),
            new("row-max", daysAgo, rows),
        ];

    private static TestScript Hold(string benchmark, int daysAgo, decimal seconds, int sets = 1) =>
        new(benchmark, daysAgo, Score.OfSeconds(seconds, sets));

    private static TestScript[] Sides(string benchmark, int daysAgo, decimal left, decimal right) =>
        [
            new(benchmark, daysAgo, Score.OfSeconds(left), Side.Left),
            new(benchmark, daysAgo, Score.OfSeconds(right), Side.Right),
        ];

    private static TestScript Contacts(int daysAgo, Contact contact, int reps) =>
        new("high-pull-up", daysAgo, new Score(reps, contact: contact));

    private static TestScript Wrists(int daysAgo) => new("wrist-extension", daysAgo, new Score(degrees: 92));

    private static AthleteScript[] Scripts { get; } =
    [
        // Earns more load: two clean sessions.
        new("Ilse Marquina", 71.4m)
        {
            Others = [new(2, "bouldering", 90, 7), new(9, "bouldering", 90, 6)],
            Intake = Said(4, 75, ["front-lever", "bar-muscle-up"], ["weighted-pull-up"]),
            Sex = Sex.Female,
            StatureCm = 168,
            BirthYear = 1994,
            Kit = Hall,
            DriftKgPerWeek = -0.05m,
            FreshReps = 12.5,
            FirstLine = Tens,
            Weeks = 23,
            PlannedToday = true,
            GainKgPerWeek = 0.45,
            HeavyTestEveryDays = 32,
            Logs =
            [
                new(9, "high-pull-up", "5 x 5 to chest fast", [5, 5, 5, 5, 5])
                {
                    SetUp = Told(("grip and width", "shoulder width")),
                },
                new(2, "high-pull-up", "5 x 5 to chest fast", [5, 5, 5, 5, 5])
                {
                    SetUp = Told(("grip and width", "shoulder width")),
                },
                new(10, "front-lever-advanced-tuck", "hold 5 x 4 s rest 2:00", [4, 4, 4, 4, 4]),
                new(3, "front-lever-advanced-tuck", "hold 5 x 4 s rest 2:00", [4, 4, 4, 4, 4]),
            ],
            Tests =
            [
                .. Base(170, 12, 13, 16, 28, 15),
                .. Base(33, 13, 14, 18, 30, 16),
                Contacts(63, Contact.Collarbone, 5),
                Contacts(33, Contact.Chest, 5),
                new("straight-bar-dip", 33, 7),
                Hold("front-lever-tuck", 33, 11, 3),
                Hold("front-lever-advanced-tuck", 12, 4),
                Hold("handstand", 20, 6),
                Wrists(90),
                new("handstand-kick-up", 20, 5),
            ],
            Finale = [new([10, 10, 9]), new([10, 10, 10]), new([10, 10, 10])],
        },
        // Stuck for three sessions.
        new("Kasimir Lund", 78.2m)
        {
            Intake = Said(6, 90, ["front-lever", "bar-muscle-up"], ["planche"], ShoulderRange.Tight),
            Block = LeverBlock,
            Sex = Sex.Male,
            StatureCm = 181,
            BirthYear = 1989,
            Kit = Hall,
            SchoolOverrides = VolumeFirst,
            DriftKgPerWeek = -0.1m,
            FreshReps = 12.5,
            FirstLine = Tens,
            Weeks = 18,
            PlannedToday = true,
            GainKgPerWeek = 0.3,
            Tests =
            [
                .. Base(140, 11, 12, 14, 24, 12),
                .. Base(26, 12, 12, 15, 25, 13),
                Hold("active-hang", 140, 46),
                new("scapular-row-hang", 140, new Score(10, 3)),
                Hold("front-lever-tuck", 98, 9, 3),
                Hold("front-lever-tuck", 56, 12, 3),
                Hold("front-lever-advanced-tuck", 42, 5, 2),
                Hold("front-lever-advanced-tuck", 26, 7, 3),
                Hold("front-lever-advanced-tuck", 5, 9, 3),
                Wrists(26),
                new("pseudo-planche-push-up", 26, 9),
                Hold("planche-tuck", 26, 7, 2),
                Contacts(26, Contact.Chest, 5),
                new("straight-bar-dip", 26, 9),
                .. Sides("human-flag-tuck", 26, 5, 7),
            ],
            Finale =
            [
                new([10, 10, 10]),
                new([9, 9, 9]),
                new([10, 9, 9]),
                new([9, 8, 8]),
                new([9, 8, 7]),
                new([8, 8, 8]),
            ],
        },
        // Four loading weeks behind.
        new("Wanda Osei", 62.7m)
        {
            Intake = Said(5, 75, ["human-flag", "bar-muscle-up"], ["handstand"], ShoulderRange.Loose),
            Sex = Sex.Female,
            StatureCm = 165,
            BirthYear = 1997,
            Kit = Hall,
            SchoolOverrides = VolumeFirst,
            FirstLine = "top 1 x 4 @ +7.5 kg 1 in reserve, back-off 3 x 8 @ -12 % top rest 2:30",
            Weeks = 24,
            FreshReps = 7,
            PlannedToday = true,
            Days = [DayOfWeek.Tuesday, DayOfWeek.Saturday],
            Logs =
            [
                new(12, "feet-raised-pike-push-up", "3 x 5..8 rest 2:00", [4, 4, 3]),
                new(5, "feet-raised-pike-push-up", "3 x 5..8 rest 2:00", [4, 4, 3]),
                new(5, "hanging-side-leg-raise", "3 x 8 each side rest 1:00", [8, 8, 8, 8, 8, 8]),
            ],
            Tests =
            [
                .. Base(175, 9, 10, 12, 20, 12),
                .. Base(20, 12, 13, 15, 25, 14),
                new("pause-pull-up", 60, new Score(5, 3)),
                .. Sides("one-arm-hang", 60, 14, 16),
                .. Sides("diagonal-hang", 60, 12, 13),
                Hold("wall-handstand", 60, 62),
                new("handstand-kick-up", 40, 6),
                Hold("handstand", 12, 8),
                Wrists(60),
                new("pike-push-up", 60, 9),
                new("feet-raised-pike-push-up", 20, 6),
                Contacts(20, Contact.Chest, 5),
                new("straight-bar-dip", 20, 10),
            ],
        },
        // Elbow pain twice.
        new("Bruno Achterberg", 84.6m)
        {
            Intake = Said(8, 60, ["back-lever"], ["weighted-pull-up"], ShoulderRange.Tight) with
            {
                Complaints = [new("right elbow", 3, "inside, when gripping")],
            },
            Sex = Sex.Male,
            StatureCm = 183,
            BirthYear = 1981,
            Kit = Hall,
            FreshReps = 12.5,
            FirstLine = Tens,
            Weeks = 16,
            Days = [DayOfWeek.Tuesday, DayOfWeek.Saturday],
            Tests =
            [
                .. Base(120, 10, 11, 13, 25, 12),
                Hold("rear-hang-feet", 70, 22),
                Hold("rear-hang", 60, 24),
                Hold("back-lever-tuck", 40, 8, 3),
            ],
            Finale = [new([9, 9, 9], 3, "right elbow"), new([8, 8, 7], 4, "right elbow")],
        },
        // A stale benchmark.
        new("Iker Varga", 76.0m)
        {
            Intake = Said(3, 75, ["bar-muscle-up"], ["weighted-pull-up"]),
            Sex = Sex.Male,
            StatureCm = 178,
            BirthYear = 1999,
            Kit = Hall,
            FirstLine = "3 x 8 @ +10 kg tempo 3-1-X-0 rest 2:00",
            Weeks = 17,
            FreshReps = 12,
            PlannedToday = true,
            GainKgPerWeek = 0.4,
            HeavyTestEveryDays = 45,
            LastHeavyTestDaysAgo = 56,
            Logs =
            [
                new(3, "jumping-muscle-up", "3 x 5 box 60 cm rest 2:30", [5, 5, 5])
                {
                    SetUp = Told(("grip and width", "shoulder width"), ("elbow first", "both")),
                },
            ],
            Tests =
            [
                .. Base(130, 14, 15, 20, 35, 18),
                Contacts(56, Contact.Belly, 3),
                Contacts(56, Contact.Chest, 5),
                new("straight-bar-dip", 56, 11),
                new("jumping-muscle-up", 50, new Score(5, 3)),
                new("negative-muscle-up", 30, new Score(3, 3, 3)),
                new("banded-muscle-up", 12, new Score(2, 3)),
            ],
            Finale = [new([8, 8, 7]), new([8, 8, 8]), new([8, 8, 8])],
        },
        // Has just opened the gate.
        new("Noor Bakkali", 57.8m)
        {
            Intake = Said(1.5m, 60, ["weighted-pull-up", "dip"]),
            Sex = Sex.Female,
            StatureCm = 163,
            BirthYear = 2001,
            Kit = Hall,
            Weeks = 8,
            PlannedToday = false,
            Logs =
            [
                new(10, "parallel-bar-dip", "3 x 8 2 in reserve rest 2:00", [8, 8, 8], 4),
                new(3, "parallel-bar-dip", "3 x 8 2 in reserve rest 2:00", [8, 8, 8], 4),
            ],
            Tests =
            [
                .. Base(60, 3, 4, 7, 12, 8),
                .. Base(4, 6, 7, 10, 17, 11),
                new("assisted-dip", 60, new Score(10, 3)),
                new("banded-pull-up", 60, 12),
                new("negative-pull-up", 55, new Score(seconds: 8)),
            ],
        },
        // A newcomer without tests.
        new("Oto Sandvik", 92.5m)
        {
            Sex = Sex.Male,
            BirthYear = 1992,
            Kit = Hall,
            Weeks = 1,
            LastWeighedDaysAgo = 2,
        },
        // Thinks in pounds.
        new("Marlow Quist", 88.4m)
        {
            // A short night and a sore body: the easy version of the day is offered.
            ToldToday = (5.5m, 7),
            Intake = Said(9, 60, ["ring-muscle-up", "weighted-dip"], ["weighted-pull-up"]) with
            {
                Place = TrainingPlace.Home,
            },
            Sex = Sex.Male,
            StatureCm = 186,
            BirthYear = 1985,
            Unit = MassUnit.Lb,
            Kit = PoundPlates,
            FirstLine = "4 x 6 @ +10 lb rest 2:30",
            Weeks = 13,
            FreshReps = 11,
            PlannedToday = true,
            GainKgPerWeek = 0.5,
            Taken = [new(35, "weighted-dip")],
            PastBlock = new(
                "Dips and rings",
                [
                    WeekKind.Loading,
                    WeekKind.Loading,
                    WeekKind.Easy,
                    WeekKind.Loading,
                    WeekKind.Loading,
                    WeekKind.Retest,
                ],
                new Dictionary<string, string>
                {
                    ["weighted-pull-up"] = "Pull",
                    ["weighted-dip"] = "Push",
                    ["ring-dip"] = "Rings",
                    ["false-grip-hang"] = "Grip",
                },
                [
                    new(-34, "false-grip-hang", "hold 3 x 12 s rest 2:00"),
                    new(-13, "false-grip-hang", "hold 3 x 12 s rest 2:00"),
                ]
            ),
            Logs =
            [
                Dips(57, [7, 6, 6]),
                Dips(53, [7, 7, 6]),
                Dips(50, [7, 6, 6]) with
                {
                    Easy = true,
                },
                Dips(43, [7, 6, 6]),
                Dips(39, [6, 6, 6]),
                Dips(36, [7, 6, 5]),
                Dips(32, [8, 8, 8], "+10 lb"),
                Dips(29, [7, 6, 6]),
                Dips(25, [6, 6, 6]),
                Dips(18, [7, 6, 6]),
                Dips(11, [6, 6, 6]) with
                {
                    Easy = true,
                },
                Dips(4, [6, 6, 5]),
                new(9, "ring-dip", "3 x 3..5 rest 2:30", [5, 5, 5])
                {
                    SetUp = Told(("strap mark", "12"), ("ring material", "wood")),
                },
                new(2, "ring-dip", "3 x 3..5 rest 2:30", [5, 5, 5])
                {
                    SetUp = Told(("strap mark", "12"), ("ring material", "wood")),
                },
            ],
            Tests =
            [
                .. Base(95, 10, 11, 12, 22, 12),
                new("weighted-dip", 44, Score.OfReps(8, 3), Added: MassEntry.Lb(20)),
                new("ring-dip", 44, 4),
                new("ring-dip", 3, 5),
                Hold("ring-support-turned-out", 44, 22),
                Hold("ring-support-turned-out", 3, 27),
                Hold("false-grip-hang", 44, 16),
                Hold("false-grip-hang", 3, 17),
                new("false-grip-row", 12, new Score(8, 3)),
            ],
            Finale = [new([6, 6, 6, 5]), new([6, 6, 6, 6])],
        },
        // Trains remotely with a door bar and a vest: the next step of the kit is a large one.
        new("Yara Benavent", 54.3m)
        {
            Intake = Said(4, 45, ["one-arm-chin-up"], ["trunk"]) with { Place = TrainingPlace.Home },
            Book = DoorBar,
            StatureCm = 161,
            BirthYear = 1990,
            Kit = VestOnly,
            SchoolOverrides = new Dictionary<string, string>
            {
                [Schools.Loading] = "rep-first",
                [Schools.Increase] = Schools.OneCleanSession,
                ["muscle-up-entry"] = "volume-first",
            },
            FirstLine = "4 x 5 @ +5 kg rest 2:30",
            Weeks = 7,
            FreshReps = 8,
            GainKgPerWeek = 0.5,
            LastWeighedDaysAgo = 16,
            Logs =
            [
                new(9, "pull-up", "3 x 6 @ 5 books rest 2:30", [6, 6, 6]),
                new(3, "pull-up", "3 x 6 @ 5 books rest 2:30", [6, 6, 6]),
            ],
            Tests =
            [
                new("pull-up-max", 50, 11),
                new("archer-pull-up", 30, new Score(4, 3), Side.Left),
                new("archer-pull-up", 30, new Score(5, 3), Side.Right),
                Hold("l-sit", 30, 18),
                new("hanging-leg-raise", 30, new Score(10, 3)),
            ],
            Finale = [new([9, 9, 9, 9])],
        },
        // A minor who needs clearance and a guardian's consent.
        new("Levi Sorel", 61.2m)
        {
            Intake = Said(1, 60, ["handstand", "bar-muscle-up"]),
            Sex = Sex.Male,
            StatureCm = 174,
            BirthYear = 2009,
            Kit = Hall,
            Weeks = 6,
            Tests =
            [
                .. Base(11, 7, 8, 9, 18, 10),
                Wrists(11),
                Hold("wall-handstand", 11, 35),
                new("pike-push-up", 11, 8),
            ],
        },
        // Drop sets.
        new("Petra Holm", 66.9m)
        {
            Others = [new(1, "running", 40, 4)],
            Intake = Said(12, 60, ["human-flag"], ["weighted-pull-up"]),
            Sex = Sex.Female,
            StatureCm = 170,
            BirthYear = 1968,
            Kit = Hall,
            FirstLine = "2 x drop 4+4+6 @ +15 / +7.5 / 0 kg grip wide / medium / narrow rest 3:00",
            Weeks = 11,
            FreshReps = 11,
            PlannedToday = true,
            GainKgPerWeek = 0.35,
            Logs = [new(3, "flag-hang-bent", "hold 3 x 8 s each side rest 2:00", [8, 6, 8, 6, 8, 6])],
            Planned = [new(4, "flag-hang-bent", "hold 3 x 10 s each side rest 2:00")],
            Tests =
            [
                .. Base(80, 9, 10, 11, 18, 12),
                new("pause-pull-up", 80, new Score(5, 3)),
                .. Sides("one-arm-hang", 80, 15, 12),
                .. Sides("diagonal-hang", 70, 14, 11),
                Hold("wall-handstand", 70, 40),
                new("hanging-side-leg-raise", 60, new Score(8, 3), Side.Left),
                new("hanging-side-leg-raise", 60, new Score(8, 3), Side.Right),
                .. Sides("flag-hang-bent", 40, 12, 10),
                .. Sides("flag-hang-pushed-out", 20, 7, 4),
            ],
        },
        // Trains without load, each thing by another method.
        new("Tove Halloran", 62.8m)
        {
            Intake = Said(2, 75, ["ring-muscle-up"], ["trunk"]),
            Sex = Sex.Female,
            StatureCm = 169,
            BirthYear = 1998,
            Kit = Hall,
            Logs =
            [
                .. Twice("ring-triceps-extension", "3 x 15 rest 1:30", [15, 15, 15]),
                .. Twice("push-up", "pyramid 1-3-5-7-5-3-1 rest 1:00", [1, 3, 5, 7, 5, 3, 1]),
                .. Twice("inverted-row-inclined", "3 x 15 rest 1:30", [15, 15, 15]),
                .. Twice("ring-curl", "3 x 8..12 + stretch 15 s rest 1:00", [12, 15, 12, 15, 12, 15]),
                .. Twice("nordic-curl", "3 x 15 tempo 3-0-1-0 rest 2:00", [15, 15, 15]),
                .. Twice("side-plank", "hold 3 x 20 s right first +1 rest 1:00", [20, 20, 20, 20, 20, 20, 20]),
                .. Twice("l-sit", "hold 24 s in 3 rest 0:30", [8, 8, 8]),
                .. Twice("calf-raise", "3 x 15 tempo 3-2-1-0 rest 1:00", [15, 15, 15]),
                .. InTurn(
                    new(3, "squat", "3 x 15 rest 1:00", [15, 15, 15]),
                    new(3, "inverted-row-horizontal", "3 x 8 rest 1:00", [8, 8, 8]),
                    new(3, "incline-push-up", "3 x 10 rest 1:00", [10, 10, 9])
                ),
            ],
            Tests = [.. Base(45, 5, 6, 8, 22, 14), Hold("l-sit", 45, 15), Hold("ring-support-turned-out", 45, 12)],
        },
        // Comes back after years: bands, negatives, and a sore elbow.
        new("Dagmar Roe", 71.5m)
        {
            Intake = Said(0.5m, 60, ["weighted-pull-up"]),
            Sex = Sex.Female,
            StatureCm = 172,
            BirthYear = 1979,
            Kit = Hall,
            Logs =
            [
                .. Twice("banded-pull-up", "3 x 8..11 @ band 15 kg rest 2:00", [11, 11, 11]),
                new(4, "chin-up", "2 x practice rest 3:00", [3, 3]),
                .. Twice("negative-pull-up", "negative 4 x 1 lower 10 s rest 2:00", [10, 10, 10, 10]),
                new(9, "inverted-row-underhand", "3 x 8 2 in reserve rest 1:30", [8, 8, 8], 2),
                new(2, "inverted-row-underhand", "3 x 8 2 in reserve rest 1:30", [8, 8, 8], 2)
                {
                    Hurt = (3, "left elbow, inside"),
                },
                new(2, "push-up", "3 x 8..12 2 in reserve rest 1:30", [9, 8, 8], 2) { FindsLevel = true },
            ],
            Tests = [.. Base(60, 1, 2, 3, 9, 8)],
        },
        // Tired, and back after a stop.
        new("Silas Okonjo", 80.3m)
        {
            Intake = Said(7, 90, ["planche", "bar-muscle-up"], ["handstand"]),
            Sex = Sex.Male,
            StatureCm = 179,
            BirthYear = 1993,
            Kit = Hall,
            ClearedStop = (1, "left knee", "seen by the physiotherapist, squats to a box without pain"),
            Logs =
            [
                .. Twice("weighted-dip", "3 x cluster 2+2+2 gap 20 s @ +20 kg rest 2:30", [2, 2, 2, 2, 2, 2, 2, 2, 2]),
                .. Twice("push-up", "every 1:20 x 5 do 15", [15, 15, 15, 15, 15]),
                .. Twice("planche-tuck", "hold 3 x 10 s rest 2:00", [10, 10, 10]),
                .. Twice("wall-handstand-push-up-back", "3 x 5 pads 2 rest 2:00", [5, 5, 5]),
                new(2, "wall-handstand", "hold 3 x 30 s rest 1:30", [30, 28, 25]) { Sagged = true },
                new(9, "long-lever-plank", "hold 3 x 30 s rest 1:00", [30, 26, 22]) { Sagged = true },
                new(2, "long-lever-plank", "hold 3 x 30 s rest 1:00", [28, 24, 20]) { Sagged = true },
                new(17, "split-squat", "3 x 10 each side rest 1:30", [10, 10, 10, 10, 10, 10])
                {
                    Hurt = (6, "left knee"),
                },
            ],
            Tests =
            [
                .. Base(40, 12, 13, 18, 34, 16),
                Wrists(40),
                Hold("planche-tuck", 40, 12, 3),
                new("pseudo-planche-push-up", 40, 10),
                Hold("wall-handstand", 40, 45),
                new("weighted-dip", 40, Score.OfReps(8, 3), Added: MassEntry.Kg(20)),
            ],
        },
    ];

    private static LogScript Dips(int daysAgo, int[] reps, string load = "+20 lb") =>
        new(daysAgo, "weighted-dip", $"3 x 6..8 @ {load} rest 2:30", reps);

    /// <summary>Movements done in turn, in two sessions a week apart.</summary>
    private static LogScript[] InTurn(params LogScript[] logs)
    {
        LogScript[] newer = [.. logs.Select((l, i) => l with { Joined = i > 0 })];
        return [.. newer, .. newer.Select(l => l with { DaysAgo = l.DaysAgo + 7 })];
    }

    /// <summary>The same in two sessions a week apart.</summary>
    private static LogScript[] Twice(string movement, string line, int[] amounts) =>
        [new(9, movement, line, amounts), new(2, movement, line, amounts)];
}
