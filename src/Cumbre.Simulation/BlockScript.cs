using Cumbre.Core.Decisions;
using Cumbre.Core.Movements;
using Cumbre.Core.Notation;
using Cumbre.Core.Programmes;

namespace Cumbre.Simulation;

/// <summary>One exercise of a scripted session.</summary>
/// <param name="Movement">Slug.</param>
/// <param name="Line">Null: the weighted session that the history planned for the day.</param>
/// <param name="Joined">Done in turn with the one before.</param>
public sealed record LineScript(string Movement, string? Line, bool Joined = false);

/// <summary>A session of each week.</summary>
public sealed record SessionDayScript(
    DayOfWeek Day,
    string Title,
    string WarmUp,
    IReadOnlyList<LineScript> Lines,
    string? CoolDown = null
);

/// <summary>
/// A block that begins in the week in which the history ends: four loading weeks, an easy one, a retest.
/// </summary>
public sealed record BlockScript(string Name, IReadOnlyList<SessionDayScript> Days)
{
    private const int WarmUpSeconds = 480,
        CoolDownSeconds = 150;

    /// <summary>Sets over those of the script, week by week; straight-arm work is never waved.</summary>
    private static readonly int[] Wave = [0, 1, 1, 2];

    internal Block Build(SeededIds ids, DateOnly today, SimulatedSession? planned)
    {
        var start = TrainingCalendar.Monday(today);
        var weeks = new List<BlockWeek>();
        for (var week = 0; week < Wave.Length + 2; week++)
        {
            var kind =
                week < Wave.Length ? WeekKind.Loading
                : week == Wave.Length ? WeekKind.Easy
                : WeekKind.Retest;
            weeks.Add(new(kind, [.. Days.Select(d => Session(d, start.AddDays(7 * week), week, kind, ids, planned))]));
        }

        return new(Name, start, weeks, []);
    }

    private static BlockSession Session(
        SessionDayScript script,
        DateOnly monday,
        int week,
        WeekKind kind,
        SeededIds ids,
        SimulatedSession? planned
    )
    {
        var day = monday.AddDays(((int)script.Day + 6) % 7);
        var today = planned?.Day == day ? planned : null;
        return new(
            today?.Id ?? ids.Next(day),
            day,
            script.Title,
            new(WarmUpSeconds, script.WarmUp),
            new(CoolDownSeconds, script.CoolDown),
            [
                .. script.Lines.Select(l =>
                    l.Line is { } line
                        ? new BlockItem(ids.Next(day), l.Movement, InWeek(l.Movement, line, week, kind), l.Joined)
                        : new BlockItem(
                            today?.ItemId ?? ids.Next(day),
                            l.Movement,
                            today is null || planned is null
                                ? InWeek(l.Movement, NotationPrinter.Print(planned!.Plan), week, kind)
                                : NotationPrinter.Print(planned.Plan),
                            l.Joined
                        )
                ),
            ]
        );
    }

    private static string InWeek(string movement, string line, int week, WeekKind kind)
    {
        var plan = NotationParser.Parse(line).Plan ?? throw new ArgumentException(line);
        var pattern = Catalogue.Shipped.Movements[movement].Pattern;
        if (kind != WeekKind.Loading)
            return NotationPrinter.Print(plan.WithSets((plan.SetCount + 1) / 2));
        var waved =
            pattern is Pattern.VerticalPull or Pattern.VerticalPush && plan.ClockSeconds is null && plan.SetCount > 1;
        return waved ? NotationPrinter.Print(plan.WithSets(plan.SetCount + Wave[week])) : line;
    }
}

/// <summary>
/// A block whose last day was the Sunday before the history ends: what was trained in its weeks are its sessions.
/// </summary>
/// <param name="Name">In the coach's words.</param>
/// <param name="Weeks">What each week was for.</param>
/// <param name="Titles">Of the sessions, by the first movement trained in them.</param>
/// <param name="Missed">Planned in it, and not done.</param>
public sealed record PastBlockScript(
    string Name,
    IReadOnlyList<WeekKind> Weeks,
    IReadOnlyDictionary<string, string> Titles,
    IReadOnlyList<PlannedScript> Missed
)
{
    public DateOnly Start(DateOnly today) => TrainingCalendar.Monday(today).AddDays(-7 * Weeks.Count);
}
