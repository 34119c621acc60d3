using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Decisions;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Sessions;
using Cumbre.Core.Tests.Loading;

namespace Cumbre.Core.Tests.Decisions;

/// <summary>A log written as a coach would tell it: on this day, by this line, these reps at this load.</summary>
internal sealed class LogBook(string increase = "two-in-a-row", Kit? kit = null, decimal bodyMass = 71.4m, MassUnit unit = MassUnit.Kg)
{
    public static readonly DayOfWeek[] TrainingDays = [DayOfWeek.Monday, DayOfWeek.Tuesday, DayOfWeek.Thursday, DayOfWeek.Saturday];

    private readonly List<Exposure> exposures = [];

    public LogBook Did(string day, string line, decimal added, int[] reps, FormVerdict form = FormVerdict.Clean, int? reserve = null, int? pain = null, string? place = null, bool easy = false)
    {
        var plan = NotationParser.Parse(line).Plan ?? throw new ArgumentException(line);
        var planned = plan.Sets();
        // A drop set's loads are its own; otherwise every set moved the same load.
        var loads = plan is DropSet drop ? planned.Select(s => drop.Loads[s.Part - 1]).ToArray() : [.. planned.Select(_ => new MassEntry(added, unit))];
        var sets = reps.Select((r, i) => new LoggedSet(planned[i].Set, planned[i].Part, r, loads[i], reserve, form, i == 0 ? pain : null, place));
        exposures.Add(new(Guid.NewGuid(), DateOnly.Parse(day), "weighted-pull-up", plan, [.. loads.Select(l => l.Mass)], easy, Mass.FromKilograms(bodyMass), [.. sets]));
        return this;
    }

    /// <summary>A session in which another load was moved than the plan had.</summary>
    public LogBook DidAt(string day, string line, decimal planned, decimal moved, int[] reps)
    {
        Did(day, line, moved, reps);
        exposures[^1] = exposures[^1] with { PlannedLoads = [.. reps.Select(_ => Mass.FromKilograms(planned))] };
        return this;
    }

    public Proposal? Decide(string today)
    {
        var day = DateOnly.Parse(today);
        var athlete = new AthleteSnapshot(
            unit, null, false, new(Catalogue.Shipped, new Dictionary<string, string> { [Schools.Increase] = increase }), kit ?? KitTests.Cochera,
            new([new(day, MassEntry.Kg(bodyMass))]), [], exposures);
        return DecisionEngine.Decide(athlete, "weighted-pull-up", Catalogue.Shipped.Rules, TrainingDays, day);
    }
}
