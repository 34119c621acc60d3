using Cumbre.Core.Measures;

namespace Cumbre.Core.Movements;

/// <summary>A place of the body that can hurt. Which movements load it is data of the movement.</summary>
public enum BodyPlace
{
    Shoulder,
    Neck,

    /// <summary>Nobody said which side of the joint: both are meant.</summary>
    Elbow,

    /// <summary>The inner side, or the front.</summary>
    ElbowInner,

    /// <summary>The outer side, or the back.</summary>
    ElbowOuter,
    Wrist,

    /// <summary>Torn skin among it.</summary>
    Hand,
    LowerBack,
    Hip,
    Knee,
    Ankle,
    Calf,

    /// <summary>Any other place: it holds the movement and its pattern.</summary>
    Elsewhere,
}

/// <summary>Where it hurts: a place, its side where it has one, and the words in which it was said.</summary>
public sealed record PainPlace(BodyPlace Place, Side? Side, string Said)
{
    private static readonly (string Word, BodyPlace Place)[] Words =
    [
        ("shoulder", BodyPlace.Shoulder),
        ("neck", BodyPlace.Neck),
        ("wrist", BodyPlace.Wrist),
        ("hand", BodyPlace.Hand),
        ("palm", BodyPlace.Hand),
        ("finger", BodyPlace.Hand),
        ("skin", BodyPlace.Hand),
        ("lower back", BodyPlace.LowerBack),
        ("low back", BodyPlace.LowerBack),
        ("hip", BodyPlace.Hip),
        ("knee", BodyPlace.Knee),
        ("ankle", BodyPlace.Ankle),
        ("calf", BodyPlace.Calf),
    ];

    /// <summary>Reads a place as people write it: "right elbow, inside", "back of the left elbow", "ribs".</summary>
    public static PainPlace Read(string text)
    {
        var said = text.Trim();
        var words = said.ToLowerInvariant();
        Side? side =
            words.Contains("left", StringComparison.Ordinal) ? Measures.Side.Left
            : words.Contains("right", StringComparison.Ordinal) ? Measures.Side.Right
            : null;
        return new(PlaceOf(words), side, said);
    }

    /// <summary>
    /// The same place: an elbow without its side of the joint is either, and an unnamed side is either side.
    /// </summary>
    public bool IsSameAs(PainPlace other) =>
        (Covers(other.Place) || other.Covers(Place))
        && (Side is null || other.Side is null || Side == other.Side)
        && (Place != BodyPlace.Elsewhere || SaidTheSame(other));

    /// <summary>Does pain here count for a movement that loads the given place?</summary>
    public bool Covers(BodyPlace loaded) =>
        Place == loaded || (Place == BodyPlace.Elbow && loaded is BodyPlace.ElbowInner or BodyPlace.ElbowOuter);

    private bool SaidTheSame(PainPlace other) => string.Equals(Said, other.Said, StringComparison.OrdinalIgnoreCase);

    private static BodyPlace PlaceOf(string words)
    {
        if (words.Contains("elbow", StringComparison.Ordinal))
            return Any(words, "inner", "inside", "medial", "front") ? BodyPlace.ElbowInner
                : Any(words, "outer", "outside", "lateral", "back") ? BodyPlace.ElbowOuter
                : BodyPlace.Elbow;
        foreach (var (word, place) in Words)
        {
            if (words.Contains(word, StringComparison.Ordinal))
                return place;
        }

        return words is "back" ? BodyPlace.LowerBack : BodyPlace.Elsewhere;
    }

    private static bool Any(string words, params string[] parts) =>
        parts.Any(p => words.Contains(p, StringComparison.Ordinal));
}
