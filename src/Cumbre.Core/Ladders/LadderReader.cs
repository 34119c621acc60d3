using Cumbre.Core.Movements;

namespace Cumbre.Core.Ladders;

/// <summary>Reads a written ladder against the catalogue and collects everything that is wrong with it.</summary>
public sealed class LadderReader
{
    /// <summary>What a ridge can show and a coach can read.</summary>
    public const int StepsMaximum = 30,
        WeeksMaximum = 104,
        TextMaximum = 400;

    private static readonly string[] OnlyStrand = [""];

    private readonly LadderEntry entry;
    private readonly Catalogue catalogue;
    private readonly List<LadderSlip> slips = [];

    private LadderReader(LadderEntry entry, Catalogue catalogue) => (this.entry, this.catalogue) = (entry, catalogue);

    public static LadderReading Read(LadderEntry entry, Catalogue catalogue)
    {
        var reader = new LadderReader(entry, catalogue);
        var ladder = reader.Whole();
        return new(reader.slips.Count == 0 ? ladder : null, reader.slips);
    }

    private Ladder? Whole()
    {
        Text(entry.Slug, "name", entry.Name);
        Text(entry.Slug, "skill", entry.Skill);
        Text(entry.Slug, "about", entry.About);
        if (entry.Steps.Count == 0)
            Slip(LadderFault.NoSteps, entry.Slug, "steps");
        if (entry.Steps.Count > StepsMaximum)
            Slip(LadderFault.TooManySteps, entry.Slug, "steps", $"{StepsMaximum}");
        if (slips.Count > 0)
            return null;
        foreach (
            var twice in entry
                .Steps.Select((s, i) => (s.Slug, Index: i))
                .GroupBy(s => s.Slug)
                .SelectMany(g => g.Skip(1))
        )
            Slip(LadderFault.StepTwice, $"{entry.Slug}/{twice.Slug}", $"steps[{twice.Index}].slug", twice.Slug);
        var steps = entry.Steps.Select(Step).ToArray();
        // Paths through steps that cannot be told apart or found would only repeat the first slip.
        if (slips.Count == 0)
            CheckPaths(steps!);
        var schools = entry
            .Steps.SelectMany(s => s.Gates ?? [])
            .SelectMany(g => g.Schools?.Keys ?? [])
            .Concat(entry.Steps.SelectMany(s => s.PassedBy?.Keys ?? []))
            .Distinct();
        return slips.Count > 0
            ? null
            : new(
                entry.Slug,
                entry.Name,
                entry.Skill,
                entry.Pattern,
                entry.About,
                entry.DemandKind,
                [.. schools],
                steps!
            );
    }

    private LadderStep? Step(StepEntry step, int position)
    {
        var place = $"{entry.Slug}/{step.Slug}";
        var path = $"steps[{position}]";
        Text(place, $"{path}.name", step.Name);
        Text(place, $"{path}.dose", step.Dose);
        CheckMovement(place, $"{path}.movement", step.Movement);
        foreach (var (slug, i) in (step.Substitutes ?? []).Select((s, i) => (s, i)))
            CheckMovement(place, $"{path}.substitutes[{i}]", slug);
        if (!IsWhole(step.Demand))
            Slip(LadderFault.Demand, place, $"{path}.demand", step.Demand.Kind.ToString());
        if (step.Weeks is < 1 or > WeeksMaximum)
            Slip(LadderFault.Weeks, place, $"{path}.weeks");
        var after = After(place, path, step, position);
        var gates = (step.Gates ?? []).Select((g, i) => Gate($"{place}/gates[{i}]", $"{path}.gates[{i}]", g)).ToArray();
        var opens = Gate($"{place}/opens", $"{path}.opens", step.Opens);
        var won = step.Won is null ? opens : Gate($"{place}/won", $"{path}.won", step.Won);
        if (opens is null || won is null || gates.Any(g => g is null))
            return null;
        return new(
            step.Slug,
            step.Name,
            step.Movement,
            step.SetUp,
            step.Preparation,
            step.Exposure,
            after,
            step.Demand,
            gates!,
            opens,
            won,
            step.Dose,
            step.Weeks,
            step.Strands is { Count: > 0 } strands ? strands : OnlyStrand,
            Implied(place, path, step, position),
            step.Assisted,
            step.Substitutes ?? [],
            step.Cues ?? [],
            step.Faults ?? [],
            step.Cautions ?? []
        )
        {
            PassedBy = Schools(place, path, step.PassedBy),
        };
    }

    private int[] After(string place, string path, StepEntry step, int position)
    {
        if (step.After is null)
            return position == 0 ? [] : [position - 1];
        var after = new List<int>();
        foreach (var (slug, i) in step.After.Select((s, i) => (s, i)))
        {
            if (entry.Steps.ToList().FindIndex(s => s.Slug == slug) is var found and >= 0)
                after.Add(found);
            else
                Slip(LadderFault.UnknownStep, place, $"{path}.after[{i}]", slug);
        }

        return [.. after];
    }

    private int[]? Implied(string place, string path, StepEntry step, int position)
    {
        var implied = new List<int>();
        foreach (var (slug, i) in (step.Implies ?? []).Select((s, i) => (s, i)))
        {
            if (entry.Steps.ToList().FindIndex(s => s.Slug == slug) is var found and >= 0 && found < position)
                implied.Add(found);
            else
                Slip(LadderFault.UnknownStep, place, $"{path}.implies[{i}]", slug);
        }

        return step.Implies is null ? null : [.. implied];
    }

    private StepGate? Gate(string place, string path, StepGateEntry gate)
    {
        var schools = Schools(place, path, gate.Schools);
        return Gate(place, $"{path}.gate", gate.Gate) is { } read ? new(schools, read) : null;
    }

    private IReadOnlyDictionary<string, IReadOnlyList<string>> Schools(
        string place,
        string path,
        IReadOnlyDictionary<string, IReadOnlyList<string>>? written
    )
    {
        var schools = written ?? new Dictionary<string, IReadOnlyList<string>>();
        foreach (var (question, choices) in schools)
        {
            if (!catalogue.SchoolsBySlug.TryGetValue(question, out var known))
            {
                Slip(LadderFault.UnknownQuestion, place, $"{path}.schools", question);
                continue;
            }

            foreach (var choice in choices.Where(c => known.Choices.All(k => k.Slug != c)))
                Slip(LadderFault.UnknownSchool, place, $"{path}.schools", choice);
        }

        return schools;
    }

    private GateExpression? Gate(string place, string path, string text)
    {
        var parsed = GateParser.Parse(text, catalogue.Names);
        if (parsed.Error is { } error)
            slips.Add(new(LadderFault.Gate, place, path, text, error));
        return parsed.Expression;
    }

    private void CheckMovement(string place, string path, string slug)
    {
        if (!catalogue.Movements.ContainsKey(slug))
            Slip(LadderFault.UnknownMovement, place, path, slug);
    }

    private void Text(string place, string path, string text)
    {
        if (string.IsNullOrWhiteSpace(text))
            Slip(LadderFault.EmptyText, place, path);
        else if (text.Length > TextMaximum)
            Slip(LadderFault.LongText, place, path, $"{TextMaximum}");
    }

    private static bool IsWhole(DemandSpec demand) =>
        demand.Kind switch
        {
            DemandKind.Moment or DemandKind.HandForce => demand.Posture is not null,
            DemandKind.SystemMass => demand
                is { AddedPercent: >= 0 and <= 300, Reps: > 0 and <= Measures.Limits.RepsMaximum },
            _ => demand.Percent is > 0 and <= 300,
        };

    /// <summary>Every step can be reached from the first one, and every step but the summit leads on.</summary>
    private void CheckPaths(LadderStep[] steps)
    {
        var reached = new HashSet<int>();
        while (
            Enumerable
                .Range(0, steps.Length)
                .Where(i => !reached.Contains(i) && (steps[i].After.Count == 0 || steps[i].After.Any(reached.Contains)))
                .ToArray()
                is { Length: > 0 } next
        )
            reached.UnionWith(next);
        for (var i = 0; i < steps.Length; i++)
        {
            var place = $"{entry.Slug}/{steps[i].Slug}";
            if (!reached.Contains(i))
                Slip(Circle(steps, i) ? LadderFault.Circle : LadderFault.Unreachable, place, $"steps[{i}].after");
            else if (steps[i].After.Count == 0 && i > 0)
                Slip(LadderFault.Unreachable, place, $"steps[{i}].after");
            else if (steps[i].After.Any(a => a >= i))
                Slip(LadderFault.OutOfOrder, place, $"steps[{i}].after");
        }

        // Preparation may stand beside the path. A path that is broken already says enough.
        for (var i = 0; i < steps.Length - 1 && slips.Count == 0; i++)
        {
            if (!steps[i].Preparation && !steps.Any(s => s.After.Contains(i)))
                Slip(LadderFault.LeadsNowhere, $"{entry.Slug}/{steps[i].Slug}", $"steps[{i}]");
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

    private void Slip(LadderFault fault, string place, string path, string name = "") =>
        slips.Add(new(fault, place, path, name));
}
