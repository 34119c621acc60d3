using Cumbre.Core.Explanations;
using Cumbre.Core.Movements;

namespace Cumbre.Core.Ladders;

/// <summary>ladders.json; gates and thresholds are written in the gate language.</summary>
public sealed record LadderFile(IReadOnlyList<LadderEntry> Ladders);

public sealed record LadderEntry(
    string Slug, string Name, string Skill, Pattern Pattern, string About, DemandKind DemandKind, IReadOnlyList<StepEntry> Steps);

/// <param name="After">Slugs of the steps before; null: the step above it in the file.</param>
/// <param name="Won">Null: the same as <paramref name="Opens"/>.</param>
public sealed record StepEntry(
    string Slug, string Name, string Movement, DemandSpec Demand, string Opens, string Dose, int Weeks, string? SetUp = null, bool Preparation = false, bool Exposure = false,
    IReadOnlyList<string>? After = null, IReadOnlyList<StepGateEntry>? Gates = null, string? Won = null, IReadOnlyList<string>? Substitutes = null,
    IReadOnlyList<string>? Cues = null, IReadOnlyList<string>? Faults = null, IReadOnlyList<CautionId>? Cautions = null);

/// <param name="Gate">In the gate language.</param>
/// <param name="Schools">Question to the choices under which it holds; null: under all.</param>
public sealed record StepGateEntry(string Gate, IReadOnlyDictionary<string, IReadOnlyList<string>>? Schools = null);

/// <summary>All ladders, read and checked against the catalogue.</summary>
public sealed class Atlas
{
    private const string File = "ladders.json";

    private static readonly Lazy<Atlas> Embedded = new(() => new(CatalogueJson.ReadEmbedded<LadderFile>(File), Catalogue.Shipped));

    /// <exception cref="CatalogueException">A gate cannot be read, a name or slug does not exist, steps form a circle or cannot be reached.</exception>
    public Atlas(LadderFile file, Catalogue catalogue)
    {
        Catalogue = catalogue;
        BySlug = CatalogueJson.Index(File, file.Ladders.Select(l => new Reader(l, catalogue).Read()), l => l.Slug);
        Ladders = [.. BySlug.Values];
    }

    /// <summary>The ladders that ship with the app.</summary>
    public static Atlas Shipped => Embedded.Value;

    public Catalogue Catalogue { get; }

    /// <summary>In the order in which they are shown.</summary>
    public IReadOnlyList<Ladder> Ladders { get; }

    public IReadOnlyDictionary<string, Ladder> BySlug { get; }

    private sealed class Reader(LadderEntry entry, Catalogue catalogue)
    {
        public Ladder Read()
        {
            if (entry.Steps.Count == 0)
                throw Fail(entry.Slug, "has no steps");
            CatalogueJson.Index(File, entry.Steps, s => $"{entry.Slug}/{s.Slug}");
            var steps = entry.Steps.Select(Step).ToArray();
            CheckPaths(steps);
            var schools = entry.Steps.SelectMany(s => s.Gates ?? []).SelectMany(g => g.Schools?.Keys ?? []).Distinct();
            return new(entry.Slug, entry.Name, entry.Skill, entry.Pattern, entry.About, entry.DemandKind, [.. schools], steps);
        }

        private LadderStep Step(StepEntry step, int position)
        {
            var place = $"{entry.Slug}/{step.Slug}";
            CheckMovement(place, step.Movement);
            foreach (var slug in step.Substitutes ?? [])
                CheckMovement(place, slug);
            CheckDemand(place, step.Demand);
            var opens = Gate($"{place}/opens", step.Opens);
            return new(
                step.Slug, step.Name, step.Movement, step.SetUp, step.Preparation, step.Exposure, After(place, step, position), step.Demand, [.. (step.Gates ?? []).Select((g, i) => Gate(place, g, i))], opens,
                step.Won is null ? opens : Gate($"{place}/won", step.Won), step.Dose, step.Weeks, step.Substitutes ?? [], step.Cues ?? [], step.Faults ?? [], step.Cautions ?? []);
        }

        private int[] After(string place, StepEntry step, int position)
        {
            if (step.After is null)
                return position == 0 ? [] : [position - 1];
            return
            [
                .. step.After.Select(slug => entry.Steps.ToList().FindIndex(s => s.Slug == slug) is var found and >= 0 ? found : throw Fail(place, $"no step {slug} in this ladder")),
            ];
        }

        private StepGate Gate(string place, StepGateEntry gate, int number)
        {
            var where = $"{place}/gates[{number}]";
            var schools = gate.Schools ?? new Dictionary<string, IReadOnlyList<string>>();
            foreach (var (question, choices) in schools)
            {
                if (!catalogue.SchoolsBySlug.TryGetValue(question, out var known))
                    throw Fail(where, $"no question {question} among the schools");
                foreach (var choice in choices.Where(c => known.Choices.All(k => k.Slug != c)))
                    throw Fail(where, $"{question} has no school {choice}");
            }

            return new(schools, Gate(where, gate.Gate));
        }

        private GateExpression Gate(string place, string text)
        {
            var parsed = GateParser.Parse(text, catalogue.Names);
            return parsed.Error is { } error
                ? throw Fail(place, $"\"{text}\": {error.Fault} at character {error.Start + 1}{(error.Name is null ? "" : $" ({error.Name})")}")
                : parsed.Expression!;
        }

        private void CheckMovement(string place, string slug)
        {
            if (!catalogue.Movements.ContainsKey(slug))
                throw Fail(place, $"no movement {slug}");
        }

        private static void CheckDemand(string place, DemandSpec demand)
        {
            var whole = demand.Kind switch
            {
                DemandKind.Moment or DemandKind.HandForce => demand.Posture is not null,
                DemandKind.SystemMass => demand is { AddedPercent: >= 0, Reps: > 0 },
                _ => demand.Percent is > 0,
            };
            if (!whole)
                throw Fail(place, $"the demand of kind {demand.Kind} lacks its figure");
        }

        /// <summary>Every step can be reached from a first one, and every step but the summit leads on.</summary>
        private void CheckPaths(IReadOnlyList<LadderStep> steps)
        {
            var reached = new HashSet<int>();
            while (Enumerable.Range(0, steps.Count).Where(i => !reached.Contains(i) && (steps[i].After.Count == 0 || steps[i].After.Any(reached.Contains))).ToArray() is { Length: > 0 } next)
                reached.UnionWith(next);
            for (var i = 0; i < steps.Count; i++)
            {
                var place = $"{entry.Slug}/{steps[i].Slug}";
                if (!reached.Contains(i))
                    throw Fail(place, Circle(steps, i) ? "its steps form a circle" : "cannot be reached from a first step");
                if (steps[i].After.Count == 0 && i > 0)
                    throw Fail(place, "cannot be reached from the first step");
                if (steps[i].After.Any(a => a >= i))
                    throw Fail(place, "follows a step that stands after it: its steps form a circle or are out of order");
            }

            // Preparation may stand beside the path.
            for (var i = 0; i < steps.Count - 1; i++)
            {
                if (!steps[i].Preparation && !steps.Any(s => s.After.Contains(i)))
                    throw Fail($"{entry.Slug}/{steps[i].Slug}", "leads nowhere");
            }
        }

        private static bool Circle(IReadOnlyList<LadderStep> steps, int from)
        {
            var seen = new HashSet<int>();
            var open = new Stack<int>(steps[from].After);
            while (open.TryPop(out var i))
            {
                if (i == from)
                    return true;
                if (!seen.Add(i))
                    continue;
                foreach (var before in steps[i].After)
                    open.Push(before);
            }

            return false;
        }

        private static CatalogueException Fail(string place, string cause) => new(File, place, cause);
    }
}
