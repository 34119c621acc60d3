using System.Globalization;
using Cumbre.Core.Measures;

namespace Cumbre.Core.Sessions;

/// <summary>How one part of a set-up is written down.</summary>
public enum SetUpMeasure
{
    Centimetres,

    /// <summary>A mark, or a number of things.</summary>
    Count,

    /// <summary>One of a few words.</summary>
    Choice,

    /// <summary>The coach's own words.</summary>
    Text,
}

/// <summary>
/// One part of how an exercise is set up, for instance the mark of the strap. A movement names the parts that matter
/// for it.
/// </summary>
/// <param name="Name">As the catalogue writes it.</param>
/// <param name="Measure">How it is written down.</param>
/// <param name="Most">The highest figure; 0 where there is none.</param>
/// <param name="Words">Those to choose from, or that are offered.</param>
public sealed record SetUpField(string Name, SetUpMeasure Measure, decimal Most, IReadOnlyList<string> Words)
{
    /// <summary>A note in the coach's own words has at most this many characters.</summary>
    public const int TextMaximum = 40;

    private static readonly Dictionary<string, SetUpField> Known = new SetUpField[]
    {
        new("box height", SetUpMeasure.Centimetres, Prescriptions.SetUp.BoxMaximum, []),
        new("distance from the wall", SetUpMeasure.Centimetres, Prescriptions.SetUp.FeetMaximum, []),
        new("hand-to-waist distance", SetUpMeasure.Centimetres, 100, []),
        new("hand height", SetUpMeasure.Centimetres, Prescriptions.SetUp.FeetMaximum, []),
        new("elbow distance", SetUpMeasure.Centimetres, 150, []),
        new("bar height", SetUpMeasure.Centimetres, Prescriptions.SetUp.FeetMaximum, []),
        new("foot position", SetUpMeasure.Centimetres, Prescriptions.SetUp.FeetMaximum, []),
        new("strap mark", SetUpMeasure.Count, Prescriptions.SetUp.StrapMaximum, []),
        new("pad height", SetUpMeasure.Count, Prescriptions.SetUp.PadsMaximum, []),
        new("fingers of the second hand", SetUpMeasure.Count, Prescriptions.SetUp.FingersMaximum, []),
        new("plate of the machine", SetUpMeasure.Count, 100, []),
        new("ring material", SetUpMeasure.Choice, 0, ["wood", "plastic", "metal"]),
        new("lean", SetUpMeasure.Choice, 0, ["upright", "slight", "forward"]),
        new("range", SetUpMeasure.Choice, 0, ["full", "ninety", "partial"]),
        new("elbow first", SetUpMeasure.Choice, 0, ["both", "left", "right"]),
        new(
            "grip and width",
            SetUpMeasure.Text,
            0,
            ["shoulder width", "narrow", "wide", "neutral", "false grip", "mixed grip"]
        ),
    }.ToDictionary(f => f.Name, StringComparer.Ordinal);

    /// <summary>The parts whose measure is known.</summary>
    public static IReadOnlyCollection<string> Names => Known.Keys;

    /// <summary>A part that only a club's own movement names is told in words.</summary>
    public static SetUpField Of(string name) => Known.GetValueOrDefault(name) ?? new(name, SetUpMeasure.Text, 0, []);

    /// <summary>The value as it is kept, so that the same set-up is always written the same way.</summary>
    /// <exception cref="RuleViolationException">No number, outside its range, or none of the words.</exception>
    public string Read(string written)
    {
        var text = written.Trim();
        switch (Measure)
        {
            case SetUpMeasure.Text:
                Guard.InRange(Name, text.Length, 1, TextMaximum);
                return text;
            case SetUpMeasure.Choice:
                return Words.FirstOrDefault(w => w.Equals(text, StringComparison.OrdinalIgnoreCase))
                    ?? throw new RuleViolationException(Violation.NoSuchWord, Name);
            default:
                if (
                    !decimal.TryParse(
                        text,
                        NumberStyles.AllowDecimalPoint,
                        CultureInfo.InvariantCulture,
                        out var number
                    ) || (Measure == SetUpMeasure.Count && number != Math.Truncate(number))
                )
                    throw new RuleViolationException(Violation.NoNumber, Name);
                return Guard
                    .InRange(Name, Math.Round(number, 1), 0, Most)
                    .ToString("0.#", CultureInfo.InvariantCulture);
        }
    }
}

/// <summary>How a set was set up, as far as it was told: part by part.</summary>
public sealed class SetUpNotes : IEquatable<SetUpNotes>
{
    private readonly SortedDictionary<string, string> parts;

    /// <param name="told">Values by the name of their part; empty ones are left out.</param>
    /// <exception cref="RuleViolationException">A value does not fit its part.</exception>
    public SetUpNotes(IEnumerable<KeyValuePair<string, string>> told)
    {
        parts = new(StringComparer.Ordinal);
        foreach (var (name, value) in told.Where(t => !string.IsNullOrWhiteSpace(t.Value)))
            parts[name] = SetUpField.Of(name).Read(value);
    }

    public static SetUpNotes None { get; } = new([]);

    /// <summary>What the line itself says of the parts that the movement has.</summary>
    public static SetUpNotes Planned(Prescriptions.SetUp? plan, IReadOnlyList<string> parts)
    {
        var said = new (string Part, decimal? Value)[]
        {
            ("box height", plan?.BoxCm),
            ("foot position", plan?.FeetCm),
            ("strap mark", plan?.Strap),
            ("pad height", plan?.Pads),
            ("fingers of the second hand", plan?.Fingers),
        };
        return new(
            said.Where(x => x.Value is not null && parts.Contains(x.Part))
                .Select(x => KeyValuePair.Create(x.Part, x.Value!.Value.ToString(CultureInfo.InvariantCulture)))
        );
    }

    public IReadOnlyDictionary<string, string> Parts => parts;

    public bool IsEmpty => parts.Count == 0;

    /// <summary>The parts that both tell, and tell differently. What nobody told is no difference.</summary>
    public IReadOnlyList<string> DifferencesTo(SetUpNotes other) =>
        [
            .. parts
                .Where(p =>
                    other.parts.TryGetValue(p.Key, out var value)
                    && !value.Equals(p.Value, StringComparison.OrdinalIgnoreCase)
                )
                .Select(p => p.Key),
        ];

    /// <summary>These, and of the older ones what these do not tell.</summary>
    public SetUpNotes Over(SetUpNotes older) =>
        IsEmpty ? older
        : older.IsEmpty ? this
        : new(older.parts.Where(p => !parts.ContainsKey(p.Key)).Concat(parts));

    public bool Equals(SetUpNotes? other) => other is not null && parts.SequenceEqual(other.parts);

    public override bool Equals(object? obj) => Equals(obj as SetUpNotes);

    public override int GetHashCode() => parts.Aggregate(0, (hash, p) => HashCode.Combine(hash, p.Key, p.Value));

    public override string ToString() =>
        string.Join(
            ", ",
            parts.Select(p =>
                SetUpField.Of(p.Key).Measure == SetUpMeasure.Centimetres
                    ? $"{p.Key} {p.Value} cm"
                    : $"{p.Key} {p.Value}"
            )
        );
}
