using Cumbre.Core.Measures;
using Cumbre.Core.Movements;

namespace Cumbre.Core.Safety;

/// <summary>Where pain was told.</summary>
public enum PainOrigin
{
    Set,
    Test,
    CheckIn,

    /// <summary>Asked again the morning after.</summary>
    Morning,
}

/// <summary>Pain, or a stop sign, as it was told.</summary>
/// <param name="Source">Id of the session, result or check-in.</param>
/// <param name="Day">Of the training that it belongs to; for a check-in its own day.</param>
/// <param name="Origin">Where it was told.</param>
/// <param name="Movement">Slug of the movement in which it hurt; null: none in particular.</param>
/// <param name="Level">0 to 10.</param>
/// <param name="Place">Where.</param>
/// <param name="Sign">A stop sign beside it.</param>
public sealed record PainReport(
    Guid Source,
    DateOnly Day,
    PainOrigin Origin,
    string? Movement,
    int Level,
    PainPlace Place,
    StopSign? Sign = null
);

/// <summary>What was said before a session.</summary>
/// <param name="Id">Made by whoever adds it.</param>
/// <param name="Day">The day.</param>
/// <param name="SleepHours">0 to 24; null: not asked.</param>
/// <param name="Soreness">0 to 10, 10 is very sore; null: not asked.</param>
/// <param name="Readiness">0 to 10, 10 is fresh; null: not asked.</param>
/// <param name="HardTraining">Other hard training in the last 24 h.</param>
public sealed record CheckIn(
    Guid Id,
    DateOnly Day,
    decimal? SleepHours,
    int? Soreness,
    int? Readiness,
    bool HardTraining
)
{
    public decimal? SleepHours { get; } = SleepHours is { } hours ? Guard.InRange("sleepHours", hours, 0, 24) : null;

    public int? Soreness { get; } = Scale("soreness", Soreness);

    public int? Readiness { get; } = Scale("readiness", Readiness);

    /// <summary>Was the easy version of the day taken; null: it was not offered, or not answered.</summary>
    public bool? TookEasy { get; init; }

    /// <summary>By place.</summary>
    public IReadOnlyList<CheckInPain> Pain { get; init; } = [];

    private static int? Scale(string field, int? value) =>
        value is { } v ? Guard.InRange(field, v, Limits.PainMinimum, Limits.PainMaximum) : null;
}

/// <summary>Pain told before a session.</summary>
public sealed record CheckInPain(int Level, PainPlace Place, StopSign? Sign = null);

/// <summary>What was trained beside the plan: climbing, running, a game.</summary>
/// <param name="Id">Made by whoever adds it.</param>
/// <param name="Day">The day.</param>
/// <param name="What">In the athlete's words.</param>
/// <param name="Minutes">1 to 600.</param>
/// <param name="Effort">1 to 10, 10 is all there was.</param>
public sealed record OtherTraining(Guid Id, DateOnly Day, string What, int Minutes, int Effort)
{
    /// <summary>From this effort on it counts as hard training (this project's choice).</summary>
    public const int HardFrom = 7;

    public int Minutes { get; } = Guard.InRange("minutes", Minutes, 1, 600);

    public int Effort { get; } = Guard.InRange("effort", Effort, 1, 10);

    public bool IsHard => Effort >= HardFrom;
}

/// <summary>The answer on the morning after a session: the worse of then and now is the pain of the session.</summary>
/// <param name="SessionId">Which session it belongs to.</param>
/// <param name="Level">0 to 10.</param>
/// <param name="Place">Null: no pain.</param>
/// <param name="Sign">A stop sign beside it.</param>
public sealed record MorningAnswer(Guid SessionId, int Level, PainPlace? Place, StopSign? Sign = null);

/// <summary>The coach lets a stopped place go on.</summary>
/// <param name="Day">On which it was cleared.</param>
/// <param name="Place">What was stopped.</param>
/// <param name="Reason">What was found, and by whom.</param>
public sealed record StopClearance(DateOnly Day, PainPlace Place, string Reason);

/// <summary>A stop: nothing that it holds is trained until the coach clears it.</summary>
/// <param name="Because">The report that opened it.</param>
/// <param name="Before">The report of the exposure before, where pain in the middle of the scale came twice.</param>
/// <param name="ClearedOn">Null: it holds.</param>
public sealed record Stop(PainReport Because, PainReport? Before, DateOnly? ClearedOn)
{
    public PainPlace Place => Because.Place;

    /// <summary>Every movement in which the place hurt so, that of <see cref="Because"/> and others since.</summary>
    public ValueList<string> Movements { get; init; } = Because.Movement is { } one ? [one] : [];

    public DateOnly Since => Because.Day;
}
