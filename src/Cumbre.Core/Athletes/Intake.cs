using System.Text.Json.Serialization;

namespace Cumbre.Core.Athletes;

/// <summary>What becomes of a skill in the coming weeks.</summary>
public enum GoalKind
{
    /// <summary>Worked toward; one or two at a time.</summary>
    Advance,

    /// <summary>Kept.</summary>
    Maintain,
}

/// <summary>A skill that the athlete wants.</summary>
/// <param name="Ladder">Slug.</param>
/// <param name="Kind">What becomes of it.</param>
public sealed record Goal(string Ladder, GoalKind Kind);

/// <summary>Where the athlete mostly trains, and with which kit.</summary>
public enum TrainingPlace
{
    /// <summary>With the club's kit.</summary>
    Hall,

    /// <summary>With the athlete's own.</summary>
    Home,
}

/// <summary>How the shoulders are; it decides how much mobility work is planned.</summary>
public enum ShoulderRange
{
    Loose,
    Usual,
    Tight,
}

/// <summary>An injury or pain that is there now.</summary>
/// <param name="Place">Body place, for instance <c>left elbow</c>.</param>
/// <param name="Level">0 to 10; 0: an old injury without pain.</param>
/// <param name="Note">In the coach's words.</param>
public sealed record Complaint(string Place, int Level, string? Note);

/// <summary>An answer to a question of clearance.</summary>
/// <param name="Yes">It applies.</param>
/// <param name="Cleared">A licensed professional has cleared it.</param>
public sealed record ClearanceAnswer(bool Yes, bool Cleared);

/// <summary>What an athlete says when they come in.</summary>
public sealed record Intake
{
    /// <summary>At most this many goals to advance at a time.</summary>
    public const int AdvanceMaximum = 2;

    public static Intake Empty { get; } = new();

    /// <summary>Years of regular training; null: not asked yet.</summary>
    public decimal? TrainingYears { get; init; }

    /// <summary>Days of the week; empty: not asked yet.</summary>
    public IReadOnlyList<DayOfWeek> Days { get; init; } = [];

    /// <summary>Minutes of a session; null: not asked yet.</summary>
    public int? Minutes { get; init; }

    public TrainingPlace Place { get; init; } = TrainingPlace.Hall;

    public ShoulderRange? Shoulders { get; init; }

    /// <summary>In order of weight.</summary>
    public IReadOnlyList<Goal> Goals { get; init; } = [];

    public IReadOnlyList<Complaint> Complaints { get; init; } = [];

    /// <summary>By the question's slug; a question without an answer was not asked yet.</summary>
    public IReadOnlyDictionary<string, ClearanceAnswer> Clearance { get; init; } =
        new Dictionary<string, ClearanceAnswer>();

    /// <summary>A guardian has consented, for a minor.</summary>
    public bool GuardianConsent { get; init; }

    /// <summary>The coach has gone through it to the end.</summary>
    public bool Finished { get; init; }

    /// <summary>Has all been asked that a block is made from? What the age answers by itself need not be.</summary>
    public bool IsWhole(int? birthYear) =>
        birthYear is not null
        && Goals.Count > 0
        && Days.Count > 0
        && Minutes is not null
        && Athletes.Clearance.Questions.All(q => q.IsByAge || Clearance.ContainsKey(q.Slug));

    [JsonIgnore]
    public IEnumerable<string> Advancing => Goals.Where(g => g.Kind == GoalKind.Advance).Select(g => g.Ladder);
}
