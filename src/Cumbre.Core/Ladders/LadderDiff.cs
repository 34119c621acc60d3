using System.Text.Json.Nodes;
using Cumbre.Core.Movements;

namespace Cumbre.Core.Ladders;

/// <summary>What happened to a field or a step.</summary>
public enum DiffKind
{
    Changed,
    StepAdded,
    StepRemoved,

    /// <summary>The steps that both have stand in another order.</summary>
    Reordered,
}

/// <summary>One difference between two writings of a ladder.</summary>
/// <param name="Kind">What happened.</param>
/// <param name="Step">Slug of the step; null for the ladder itself.</param>
/// <param name="StepName">As it is called in the newer writing.</param>
/// <param name="Field">As in the file, for instance <c>opens</c>; null where a step came or went.</param>
/// <param name="From">As written before; null: nothing stood there.</param>
/// <param name="To">As written now; null: nothing stands there.</param>
public sealed record LadderDifference(
    DiffKind Kind,
    string? Step,
    string? StepName,
    string? Field,
    string? From,
    string? To
);

/// <summary>An edit that met a change of the shipped ladder underneath it; the edit was kept.</summary>
/// <param name="Step">Slug of the step; null for the ladder itself.</param>
/// <param name="StepName">Name of the step.</param>
/// <param name="Field">The field; null: the step as a whole.</param>
/// <param name="Was">As it shipped when the edit was made.</param>
/// <param name="Ships">As it ships now.</param>
/// <param name="Kept">The club's.</param>
public sealed record UpgradeFlag(
    string? Step,
    string? StepName,
    string? Field,
    string? Was,
    string? Ships,
    string? Kept
);

/// <summary>A shipped ladder with a club's edits over it.</summary>
public sealed record MergedLadder(LadderEntry Entry, IReadOnlyList<UpgradeFlag> Flags);

/// <summary>
/// Compares and merges ladders field by field. A club's edit is the difference between what shipped when it was made
/// and what
/// the club wrote; fields that the club left alone follow the shipped ladder when that changes.
/// </summary>
public static class LadderDiff
{
    private const string Steps = "steps";

    /// <summary>Everything that differs, in the order of the file.</summary>
    public static IReadOnlyList<LadderDifference> Between(LadderEntry before, LadderEntry after)
    {
        var (a, b) = (Parts.Of(before), Parts.Of(after));
        var differences = Fields(null, null, a.Own, b.Own).ToList();
        foreach (var (slug, step) in b.Steps)
        {
            var name = NameOf(step);
            if (a.Steps.TryGetValue(slug, out var old))
                differences.AddRange(Fields(slug, name, old, step));
            else
                differences.Add(new(DiffKind.StepAdded, slug, name, null, null, name));
        }

        differences.AddRange(
            a.Steps.Where(s => !b.Steps.ContainsKey(s.Key))
                .Select(s => new LadderDifference(
                    DiffKind.StepRemoved,
                    s.Key,
                    NameOf(s.Value),
                    null,
                    NameOf(s.Value),
                    null
                ))
        );
        var (was, now) = (a.Order.Where(b.Steps.ContainsKey), b.Order.Where(a.Steps.ContainsKey));
        if (!was.SequenceEqual(now))
            differences.Add(new(DiffKind.Reordered, null, null, Steps, Names(was, a), Names(now, b)));
        return differences;
    }

    /// <summary>
    /// The ladder as it ships now, with what the club changed since <paramref name="shippedThen"/> over it.
    /// </summary>
    /// <param name="shippedThen">As it shipped when the club wrote its own.</param>
    /// <param name="club">As the club wrote it.</param>
    /// <param name="shippedNow">As it ships now.</param>
    public static MergedLadder Merge(LadderEntry shippedThen, LadderEntry club, LadderEntry shippedNow)
    {
        var (then, mine, now) = (Parts.Of(shippedThen), Parts.Of(club), Parts.Of(shippedNow));
        var flags = new List<UpgradeFlag>();
        var merged = MergeFields(null, null, then.Own, mine.Own, now.Own, flags);
        var steps = new Dictionary<string, JsonObject>(StringComparer.Ordinal);
        foreach (var (slug, step) in mine.Steps)
        {
            var before = then.Steps.GetValueOrDefault(slug);
            if (before is null)
                steps[slug] = step;
            else if (now.Steps.TryGetValue(slug, out var ships))
                steps[slug] = MergeFields(slug, NameOf(step), before, step, ships, flags);
            else if (!JsonNode.DeepEquals(before, step))
            {
                // It is gone from the shipped ladder, but the club had worked on it.
                steps[slug] = step;
                flags.Add(new(slug, NameOf(step), null, NameOf(before), null, NameOf(step)));
            }
        }

        foreach (var (slug, ships) in now.Steps.Where(s => !mine.Steps.ContainsKey(s.Key)))
        {
            if (!then.Steps.TryGetValue(slug, out var before))
            {
                steps[slug] = ships;
                flags.Add(new(slug, NameOf(ships), null, null, NameOf(ships), NameOf(ships)));
            }
            else if (!JsonNode.DeepEquals(before, ships))
            {
                // The club took this step out; it stays out.
                flags.Add(new(slug, NameOf(ships), null, NameOf(before), NameOf(ships), null));
            }
        }

        merged[Steps] = new JsonArray([
            .. Order(then.Order, mine.Order, now.Order).Where(steps.ContainsKey).Select(s => steps[s].DeepClone()),
        ]);
        return new(CatalogueJson.Parse<LadderEntry>(Atlas.File, merged.ToJsonString()), flags);
    }

    /// <summary>
    /// The club's order where it made one, else the shipped; steps that only the other has follow the one before them.
    /// </summary>
    private static List<string> Order(IReadOnlyList<string> then, IReadOnlyList<string> mine, IReadOnlyList<string> now)
    {
        var own = !then.Where(mine.Contains).SequenceEqual(mine.Where(then.Contains));
        var (lead, other) = own ? (mine, now) : (now, mine);
        var order = lead.ToList();
        for (var i = 0; i < other.Count; i++)
        {
            if (order.Contains(other[i]))
                continue;
            var before = other.Take(i).LastOrDefault(order.Contains);
            order.Insert(before is null ? 0 : order.IndexOf(before) + 1, other[i]);
        }

        return order;
    }

    private static JsonObject MergeFields(
        string? step,
        string? name,
        JsonObject then,
        JsonObject mine,
        JsonObject now,
        List<UpgradeFlag> flags
    )
    {
        var merged = new JsonObject();
        foreach (var field in Keys(now, mine))
        {
            var (was, kept, ships) = (then[field], mine[field], now[field]);
            var edited = !JsonNode.DeepEquals(was, kept);
            if (edited && !JsonNode.DeepEquals(was, ships) && !JsonNode.DeepEquals(kept, ships))
                flags.Add(new(step, name, field, Text(was), Text(ships), Text(kept)));
            if ((edited ? kept : ships) is { } value)
                merged[field] = value.DeepClone();
        }

        return merged;
    }

    private static IEnumerable<LadderDifference> Fields(
        string? step,
        string? name,
        JsonObject before,
        JsonObject after
    ) =>
        Keys(before, after)
            .Where(f => !JsonNode.DeepEquals(before[f], after[f]))
            .Select(f => (Field: f, From: Without(before[f], after[f]), To: Without(after[f], before[f])))
            .Select(d => new LadderDifference(DiffKind.Changed, step, name, d.Field, d.From, d.To));

    /// <summary>
    /// Of a list only what the other does not have; two lists of the same in another order are told whole.
    /// </summary>
    private static string? Without(JsonNode? value, JsonNode? other)
    {
        if (value is not JsonArray list || other is not JsonArray others)
            return Text(value);
        var own = list.Where(item => !others.Any(o => JsonNode.DeepEquals(o, item))).ToArray();
        var same = own.Length == 0 && others.All(o => list.Any(item => JsonNode.DeepEquals(o, item)));
        return same ? Text(list)
            : own.Length == 0 ? null
            : string.Join("; ", own.Select(Text));
    }

    private static IEnumerable<string> Keys(JsonObject a, JsonObject b) =>
        a.Select(p => p.Key).Concat(b.Select(p => p.Key)).Distinct();

    private static string Names(IEnumerable<string> slugs, Parts parts) =>
        string.Join(", ", slugs.Select(s => NameOf(parts.Steps[s])));

    private static string NameOf(JsonObject step) => (string)step["name"]!;

    /// <summary>A value as a person would write it.</summary>
    private static string? Text(JsonNode? value) =>
        value switch
        {
            null => null,
            JsonArray list => string.Join("; ", list.Select(Text)),
            JsonObject fields when fields["gate"] is { } gate => fields["schools"] is JsonObject schools
                ? $"{gate} under {Choices(schools)}"
                : gate.ToString(),
            JsonObject fields => string.Join(", ", fields.Select(f => $"{f.Key} {Text(f.Value)}")),
            _ => value.ToString(),
        };

    /// <summary>A choice's slug is its name with hyphens.</summary>
    private static string Choices(JsonObject schools) =>
        string.Join(" or ", schools.SelectMany(s => s.Value!.AsArray()).Select(c => c!.ToString().Replace('-', ' ')));

    /// <summary>A ladder's own fields, and its steps by slug.</summary>
    private sealed record Parts(
        JsonObject Own,
        IReadOnlyList<string> Order,
        IReadOnlyDictionary<string, JsonObject> Steps
    )
    {
        public static Parts Of(LadderEntry entry)
        {
            var own = CatalogueJson.ToNode(entry);
            var steps = own[LadderDiff.Steps]!.AsArray().Select(s => s!.AsObject()).ToArray();
            own.Remove(LadderDiff.Steps);
            return new(
                own,
                [.. steps.Select(s => (string)s["slug"]!)],
                steps.ToDictionary(s => (string)s["slug"]!, StringComparer.Ordinal)
            );
        }
    }
}
