using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;

namespace Cumbre.Simulation;

/// <summary>A test that the simulated athlete does.</summary>
/// <param name="Benchmark">Slug.</param>
/// <param name="DaysAgo">Before the last day of the history.</param>
/// <param name="Score">What it counts.</param>
/// <param name="Side">Where the movement has sides.</param>
/// <param name="Added">Load; zero without one.</param>
/// <param name="Reserve">Reps left.</param>
public sealed record TestScript(
    string Benchmark,
    int DaysAgo,
    Score Score,
    Side? Side = null,
    MassEntry Added = default,
    int Reserve = 0
)
{
    public TestScript(string benchmark, int daysAgo, int reps)
        : this(benchmark, daysAgo, Score.OfReps(reps)) { }
}

/// <summary>One of the last sessions as it must come out; null reps leave it to the simulation.</summary>
public sealed record SessionScript(int[]? Reps, int? Pain = null, string? PainPlace = null);

/// <summary>A session of one movement as it came out, beside the loaded lift.</summary>
/// <param name="DaysAgo">Before the last day of the history.</param>
/// <param name="Movement">Slug.</param>
/// <param name="Line">As it was planned.</param>
/// <param name="Amounts">Reps or seconds, set by set and side by side.</param>
/// <param name="Reserve">Reps left in each set; null: not asked.</param>
public sealed record LogScript(int DaysAgo, string Movement, string Line, int[] Amounts, int? Reserve = null)
{
    /// <summary>How it was set up; empty: nobody said.</summary>
    public IReadOnlyDictionary<string, string> SetUp { get; init; } = new Dictionary<string, string>();

    /// <summary>In a deload.</summary>
    public bool Easy { get; init; }

    /// <summary>It finds the level: nothing was trained before it.</summary>
    public bool FindsLevel { get; init; }

    /// <summary>The line of the body sagged.</summary>
    public bool Sagged { get; init; }

    /// <summary>Pain in the first set, and where; null: none.</summary>
    public (int Level, string Place)? Hurt { get; init; }

    /// <summary>Done in turn with the log before it, in one session with it.</summary>
    public bool Joined { get; init; }
}

/// <summary>What is planned for a movement on a day to come, or with days below zero was on one that has gone.</summary>
public sealed record PlannedScript(int DaysAhead, string Movement, string Line);

/// <summary>What was proposed for a movement so many days ago was accepted that day.</summary>
public sealed record TakenScript(int DaysAgo, string Movement);

/// <summary>Training beside the plan.</summary>
public sealed record OtherScript(int DaysAgo, string What, int Minutes, int Effort);

/// <summary>Who is simulated, and what must happen to them.</summary>
public sealed record AthleteScript(string Name, decimal BodyMassKg)
{
    /// <summary>What is told before today's session: hours of sleep and soreness; null: nothing yet.</summary>
    public (decimal Sleep, int Soreness)? ToldToday { get; init; }

    /// <summary>A stop that the coach cleared: the day before today, the place and what was found.</summary>
    public (int DaysAgo, string Place, string Reason)? ClearedStop { get; init; }

    /// <summary>What else was trained.</summary>
    public IReadOnlyList<OtherScript> Others { get; init; } = [];

    public int? BirthYear { get; init; }

    public Sex? Sex { get; init; }

    public decimal? StatureCm { get; init; }

    public MassUnit Unit { get; init; } = MassUnit.Kg;

    /// <summary>Question to choice, where this athlete's differs from the club's.</summary>
    public IReadOnlyDictionary<string, string> SchoolOverrides { get; init; } = new Dictionary<string, string>();

    /// <summary>What was said when they came in.</summary>
    public Intake Intake { get; init; } = Intake.Empty;

    public Schools Schools => new(Catalogue.Shipped, SchoolOverrides);

    public bool Cleared { get; init; }

    public Kit Kit { get; init; } = Kit.Empty;

    /// <summary>What they have at home besides plates.</summary>
    public KitBook? Book { get; init; }

    /// <summary>Change of body mass in kg a week.</summary>
    public decimal DriftKgPerWeek { get; init; }

    /// <summary>Days since the last reading of the scale.</summary>
    public int LastWeighedDaysAgo { get; init; }

    /// <summary>The lift that is trained with load.</summary>
    public string Movement { get; init; } = "weighted-pull-up";

    /// <summary>The line of the first weighted session; null: none was trained.</summary>
    public string? FirstLine { get; init; }

    /// <summary>Weeks of weighted training before the last day.</summary>
    public int Weeks { get; init; }

    public IReadOnlyList<DayOfWeek> Days { get; init; } = [DayOfWeek.Monday, DayOfWeek.Thursday];

    /// <summary>How strong at the start: reps that the first load would allow when fresh.</summary>
    public double FreshReps { get; init; } = 10;

    /// <summary>Gain of the true maximum in kg of system a week.</summary>
    public double GainKgPerWeek { get; init; } = 0.35;

    /// <summary>A heavy set is tested this often in training; 0: never.</summary>
    public int HeavyTestEveryDays { get; init; } = 38;

    /// <summary>No heavy set is tested within this many days of the end.</summary>
    public int LastHeavyTestDaysAgo { get; init; } = 10;

    public IReadOnlyList<TestScript> Tests { get; init; } = [];

    /// <summary>The last sessions, in order.</summary>
    public IReadOnlyList<SessionScript> Finale { get; init; } = [];

    /// <summary>What was trained beside the loaded lift.</summary>
    public IReadOnlyList<LogScript> Logs { get; init; } = [];

    /// <summary>What the coach has decided.</summary>
    public IReadOnlyList<TakenScript> Taken { get; init; } = [];

    /// <summary>Single sessions that are planned.</summary>
    public IReadOnlyList<PlannedScript> Planned { get; init; } = [];

    /// <summary>What is planned from this week on; null: no block.</summary>
    public BlockScript? Block { get; init; }

    /// <summary>What was trained up to last week; null: no block.</summary>
    public PastBlockScript? PastBlock { get; init; }

    /// <summary>A session is planned for the day on which the history ends.</summary>
    public bool PlannedToday { get; init; }
}
