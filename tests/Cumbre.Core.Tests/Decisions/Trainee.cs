using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Decisions;
using Cumbre.Core.Ladders;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes;
using Cumbre.Core.Safety;
using Cumbre.Core.Sessions;
using Cumbre.Core.Tests.Loading;

namespace Cumbre.Core.Tests.Decisions;

/// <summary>
/// An athlete whose log is told as a coach would: on this day, by this line, these reps. What a case does not say is as
/// usual: clean, same set-up,
/// no pain, two clean sessions in a row, plates from 1.25 kg.
/// </summary>
internal sealed class Trainee(
    decimal bodyMass = 75,
    string school = "two-in-a-row",
    Kit? kit = null,
    MassUnit unit = MassUnit.Kg
)
{
    /// <summary>The last day of the log unless told otherwise: a Thursday.</summary>
    public static readonly DateOnly Thursday = new(2026, 3, 12);

    private readonly List<Exposure> exposures = [];

    /// <summary>What was done last.</summary>
    public Exposure Last => exposures[^1];
    private readonly List<BenchmarkResult> results = [];
    private readonly List<MorningAnswer> mornings = [];
    private readonly List<StopClearance> clearances = [];
    private readonly List<PastDecision> decided = [];
    private readonly List<PlannedItem> planned = [];
    private readonly List<Band> bands = [];
    private readonly List<CountedLoad> counted = [];
    private readonly List<Goal> goals = [];

    public Intake Intake { get; set; } = new() { Days = [DayOfWeek.Monday, DayOfWeek.Thursday] };

    public decimal? StatureCm { get; set; }

    public Trainee Bands(params decimal[] kilograms)
    {
        bands.AddRange(kilograms.Select((k, i) => new Band(Guid.NewGuid(), $"band {i}", k, k, k, new(2026, 3, 1))));
        return this;
    }

    public Trainee Books(int count)
    {
        counted.Add(new(Guid.NewGuid(), "book", count, null));
        return this;
    }

    public Trainee Wants(string ladder)
    {
        goals.Add(new(ladder, GoalKind.Advance));
        return this;
    }

    /// <summary>The same session twice: Monday and Thursday.</summary>
    public Trainee Twice(
        string movement,
        string line,
        int[] amounts,
        int? reserve = null,
        Func<LoggedSet, LoggedSet>? with = null,
        ItemRole? role = null,
        bool circuit = false
    ) =>
        Did("2026-03-09", movement, line, amounts, reserve, with, role, circuit: circuit)
            .Did("2026-03-12", movement, line, amounts, reserve, with, role, circuit: circuit);

    public Trainee Did(
        string day,
        string movement,
        string line,
        int[] amounts,
        int? reserve = null,
        Func<LoggedSet, LoggedSet>? with = null,
        ItemRole? role = null,
        bool easy = false,
        int? pain = null,
        string? place = null,
        StopSign? sign = null,
        int position = 0,
        bool circuit = false
    )
    {
        var plan = NotationParser.Parse(line).Plan ?? throw new ArgumentException(line);
        var at = DateOnly.Parse(day);
        var context = Work(at).ContextOf(Catalogue.Shipped.Movements[movement])!;
        var resolved = PrescriptionResolver.Resolve(plan, context).Plan;
        var rows = plan.Sets();
        var sets = amounts.Select(
            (amount, i) =>
            {
                var p = rows[i];
                var made = resolved?.Efforts[i].Load.Value.Made ?? Mass.Zero;
                var set = new LoggedSet(
                    p.Set,
                    p.Part,
                    p.Seconds is null ? amount : 1,
                    MassEntry.Of(made, unit),
                    reserve,
                    FormVerdict.Clean,
                    i == 0 ? pain : null,
                    place,
                    p.Seconds is null ? null : amount
                )
                {
                    Sign = i == 0 ? sign : null,
                };
                return with?.Invoke(set) ?? set;
            }
        );
        exposures.Add(
            new(
                Guid.NewGuid(),
                at,
                movement,
                plan,
                [.. rows.Select((_, i) => resolved?.Efforts[i].Load.Value.Made ?? Mass.Zero)],
                easy,
                Mass.FromKilograms(bodyMass),
                [.. sets]
            )
            {
                Role = role,
                Position = position,
                InCircuit = circuit,
            }
        );
        return this;
    }

    public Trainee Tested(string benchmark, string result, string day = "2026-03-02", Side? side = null)
    {
        var test = Catalogue.Shipped.Benchmarks[benchmark];
        var read = ResultNotation.Parse(result, test.Measure, unit) ?? throw new ArgumentException(result);
        results.Add(
            new(
                Guid.NewGuid(),
                benchmark,
                DateOnly.Parse(day),
                read.Score,
                read.Added,
                read.Reserve,
                Mass.FromKilograms(bodyMass),
                FormVerdict.Clean
            )
            {
                Side = side,
            }
        );
        return this;
    }

    public Trainee NextMorning(int pain, string place)
    {
        mornings.Add(new(exposures[^1].SessionId, pain, PainPlace.Read(place)));
        return this;
    }

    public Trainee Cleared(string day, string place)
    {
        clearances.Add(new(DateOnly.Parse(day), PainPlace.Read(place), "seen by a physiotherapist"));
        return this;
    }

    public Trainee Took(string movement, ProposalKind kind, string day)
    {
        decided.Add(new(movement, kind.ToString(), DateOnly.Parse(day)));
        return this;
    }

    public Trainee Plan(string day, string movement, string line, ItemRole? role = null, bool easy = false)
    {
        planned.Add(
            new(
                Guid.NewGuid(),
                Guid.NewGuid(),
                DateOnly.Parse(day),
                easy,
                movement,
                role,
                NotationParser.Parse(line).Plan ?? throw new ArgumentException(line)
            )
        );
        return this;
    }

    public IReadOnlyList<PlannedItem> Planned => planned;

    public AthleteAtWork Work(DateOnly today) =>
        new(
            new AthleteSnapshot(
                unit,
                null,
                false,
                new(Catalogue.Shipped, new Dictionary<string, string> { [Schools.Increase] = school }),
                kit ?? KitTests.Cochera,
                new([new(new(2026, 1, 1), MassEntry.Of(Mass.FromKilograms(bodyMass), unit))]),
                [.. results],
                [.. exposures]
            )
            {
                Mornings = mornings,
                Clearances = clearances,
                Decided = decided,
                StatureCm = StatureCm,
                Sex = StatureCm is null ? null : Sex.Male,
            },
            Intake with
            {
                Goals = goals,
            },
            Atlas.Shipped,
            new(null, bands, counted, []),
            [],
            today
        );

    public IReadOnlyList<Proposal> Decide(string? today = null)
    {
        var day = today is null
            ? exposures.Count > 0
                ? exposures.Max(e => e.Day)
                : Thursday
            : DateOnly.Parse(today);
        return DecisionEngine.Decide(
            Work(day),
            planned,
            Catalogue.Shipped.Rules,
            [DayOfWeek.Monday, DayOfWeek.Thursday]
        );
    }

    /// <summary>
    /// What the log of one movement calls for: kind and the line that becomes of it, with the movement where it is
    /// another. Null: nothing.
    /// </summary>
    public string? Says(string movement, string? today = null, bool beside = false, ProposalCause? of = null)
    {
        var all = Decide(today)
            .Where(p => p.Movement == movement && (of is { } cause ? p.Cause == cause : p.IsBeside == beside))
            .ToArray();
        return all.Length == 0 ? null : Text(all[0]);
    }

    public static string Text(Proposal p)
    {
        string Dose(MovementDose dose) =>
            (dose.Movement == p.Movement ? "" : dose.Movement + " ") + NotationPrinter.Print(dose.Plan);
        return p.Kind
            + (
                p.First is { } first ? $": {Dose(first)}, then {Dose(p.Next!)}"
                : p.Next is { } next ? ": " + Dose(next)
                : ""
            );
    }
}
