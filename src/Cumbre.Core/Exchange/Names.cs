using Cumbre.Core.Lexing;

namespace Cumbre.Core.Exchange;

/// <summary>How a written name was understood.</summary>
public enum NameMatch
{
    Exact,

    /// <summary>A slip of the keyboard away from one name alone.</summary>
    Slip,

    /// <summary>Several have that name.</summary>
    Several,
    Unknown,
}

/// <param name="Match">How it was understood.</param>
/// <param name="Found">The one; null: none, or several.</param>
/// <param name="Near">What else may be meant, the nearest first.</param>
public sealed record NameFound<T>(NameMatch Match, T? Found, IReadOnlyList<T> Near)
    where T : class;

/// <summary>Finds things by the names that people write: in any case, with or without accents, hyphens and plural.</summary>
public sealed class Names<T>
    where T : class
{
    private const int NearMost = 5,
        SlipsOfShort = 1,
        SlipsOfLong = 2,
        ShortLetters = 5,
        LongLetters = 9,
        KnownMost = 20_000;

    private readonly Dictionary<string, T[]> byName;
    private readonly Dictionary<string, NameFound<T>> known = new(StringComparer.Ordinal);

    /// <param name="things">With every name that each goes by; the first that has a name has it.</param>
    public Names(IEnumerable<(T Thing, IEnumerable<string> Names)> things)
    {
        byName = things
            .SelectMany(t => t.Names.Select(PlainName.Of).Distinct().Select(n => (Name: n, t.Thing)))
            .Where(t => t.Name.Length > 0)
            .GroupBy(t => t.Name, StringComparer.Ordinal)
            .ToDictionary(g => g.Key, g => g.Select(t => t.Thing).Distinct().ToArray(), StringComparer.Ordinal);
    }

    public NameFound<T> Find(string written)
    {
        if (known.TryGetValue(written, out var before))
            return before;
        var found = Look(PlainName.Of(written));
        if (known.Count < KnownMost)
            known[written] = found;
        return found;
    }

    private NameFound<T> Look(string name)
    {
        if (byName.TryGetValue(name, out var exact))
            return exact.Length == 1
                ? new(NameMatch.Exact, exact[0], [])
                : new(NameMatch.Several, null, [.. exact.Take(NearMost)]);
        if (name.Length == 0)
            return new(NameMatch.Unknown, null, []);
        var slips =
            name.Length >= LongLetters ? SlipsOfLong
            : name.Length >= ShortLetters ? SlipsOfShort
            : 0;
        (T Thing, int Slips)[] near =
        [
            .. byName
                .Where(n => Math.Abs(n.Key.Length - name.Length) <= slips + 1)
                .SelectMany(n => n.Value.Select(t => (Thing: t, Slips: Slips.Between(n.Key, name))))
                .Where(n => n.Slips <= slips + 1)
                .GroupBy(n => n.Thing)
                .Select(g => (g.Key, g.Min(n => n.Slips)))
                .OrderBy(n => n.Item2),
        ];
        if (near.Length > 0 && near[0].Slips <= slips && (near.Length == 1 || near[1].Slips > near[0].Slips))
            return new(NameMatch.Slip, near[0].Thing, [.. near.Skip(1).Take(NearMost).Select(n => n.Thing)]);
        var words = name.Split(' ').ToHashSet();
        return new(
            NameMatch.Unknown,
            null,
            [
                .. near.Select(n => n.Thing)
                    .Concat(
                        byName
                            .Select(n => (n.Value, Same: n.Key.Split(' ').Count(words.Contains), n.Key.Length))
                            .Where(n => n.Same > 0)
                            .OrderByDescending(n => n.Same)
                            .ThenBy(n => n.Length)
                            .SelectMany(n => n.Value)
                    )
                    .Distinct()
                    .Take(NearMost),
            ]
        );
    }
}
