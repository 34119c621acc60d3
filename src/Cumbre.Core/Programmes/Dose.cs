using Cumbre.Core.Explanations;
using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Programmes;

/// <summary>The hard sets of a pattern in a week, and what is usual.</summary>
public sealed record PatternSets(Pattern Pattern, int Sets, int? From, int? To);

/// <summary>What a session costs.</summary>
/// <param name="Session">As written.</param>
/// <param name="Groups">Its items as they are done.</param>
/// <param name="Seconds">All of it.</param>
/// <param name="Sets">Working sets.</param>
/// <param name="HardSets">Of them hard.</param>
/// <param name="TensionSeconds">Under tension.</param>
/// <param name="Patterns">Hard sets by pattern.</param>
/// <param name="StraightArmSeconds">Of straight-arm work.</param>
/// <param name="Unread">Items that count for nothing, as their line or movement is to be mended.</param>
public sealed record SessionDose(
    BlockSession Session,
    IReadOnlyList<ItemGroup> Groups,
    int Seconds,
    int Sets,
    int HardSets,
    int TensionSeconds,
    IReadOnlyList<PatternSets> Patterns,
    int StraightArmSeconds,
    int Unread
)
{
    public IEnumerable<ItemReading> Items => Groups.SelectMany(g => g.Items);
}

/// <summary>What a week costs.</summary>
/// <param name="Number">From 1.</param>
/// <param name="Kind">What it is for.</param>
/// <param name="Sessions">By day.</param>
/// <param name="Patterns">Hard sets by pattern, with the usual range.</param>
/// <param name="Pull">Hard sets of pulling with bent arms.</param>
/// <param name="Push">Hard sets of pushing with bent arms.</param>
/// <param name="StraightArm">Straight-arm work, explained against the week before.</param>
/// <param name="StraightArmMost">The most that the ramp allows in the same measure; null: nothing before it to grow
/// from.</param>
/// <param name="ByMoment">The straight-arm figure is N m s; else seconds, as some moment is not known.</param>
/// <param name="StraightArmSeconds">In seconds, whatever the measure.</param>
/// <param name="Left">Reps or seconds of the left side by itself.</param>
/// <param name="Right">Reps or seconds of the right side by itself.</param>
/// <param name="MoreOnLeft">How much of the difference is sets that a weaker side was given: positive on the left,
/// negative on the right.</param>
/// <param name="VolumeLoad">System mass x reps in kg over the movements where it is known.</param>
public sealed record WeekDose(
    int Number,
    WeekKind Kind,
    IReadOnlyList<SessionDose> Sessions,
    IReadOnlyList<PatternSets> Patterns,
    int Pull,
    int Push,
    Explained<decimal> StraightArm,
    decimal? StraightArmMost,
    bool ByMoment,
    int StraightArmSeconds,
    int Left,
    int Right,
    int MoreOnLeft,
    decimal VolumeLoad
)
{
    public int HardSets => Patterns.Sum(p => p.Sets);

    public int TensionSeconds => Sessions.Sum(s => s.TensionSeconds);

    public int Seconds => Sessions.Sum(s => s.Seconds);

    /// <summary>Both sides do the same, but for the set more of a weaker one.</summary>
    public bool SidesEven => Left - Right == MoreOnLeft;

    /// <summary>Some item counts for nothing yet, so that sums across the week say little.</summary>
    public bool Unfinished => Sessions.Any(s => s.Unread > 0);

    /// <summary>Hard sets of pulling over those of pushing; null without pushing.</summary>
    public decimal? PullToPush => Push == 0 ? null : Math.Round((decimal)Pull / Push, 2);
}

/// <summary>Adds up what a block costs.</summary>
public static class DoseReader
{
    private static readonly Pattern[] Pulling = [Pattern.VerticalPull, Pattern.HorizontalPull, Pattern.StraightArmPull];
    private static readonly Pattern[] Pushing = [Pattern.VerticalPush, Pattern.HorizontalPush, Pattern.StraightArmPush];

    /// <summary>
    /// Pulling with bent arms: what is held in balance with pushing, as straight-arm work has a ramp of its own (common
    /// practice, no source).
    /// </summary>
    public static bool IsBentPull(Pattern pattern) => pattern is Pattern.VerticalPull or Pattern.HorizontalPull;

    /// <summary>The same for pushing.</summary>
    public static bool IsBentPush(Pattern pattern) => pattern is Pattern.VerticalPush or Pattern.HorizontalPush;

    public static bool IsPull(Pattern pattern) => Pulling.Contains(pattern);

    public static bool IsPush(Pattern pattern) => Pushing.Contains(pattern);

    public static IReadOnlyList<WeekDose> Read(Block block, AthleteAtWork athlete, DoseRules rules)
    {
        var weeks = new List<WeekDose>();
        SessionDose[]? before = null;
        for (var i = 0; i < block.Weeks.Count; i++)
        {
            var week = block.Weeks[i];
            SessionDose[] sessions = [.. week.Sessions.OrderBy(s => s.Day).Select(s => Of(s, athlete))];
            weeks.Add(Of(i + 1, week.Kind, sessions, before, rules));
            // An easy week is no week to grow from.
            if (week.Kind == WeekKind.Loading && sessions.Any(s => s.StraightArmSeconds > 0))
                before = sessions;
        }

        return weeks;
    }

    public static SessionDose Of(BlockSession session, AthleteAtWork athlete)
    {
        var groups = SessionTime.Groups([.. session.Items.Select(athlete.Read)]);
        var items = groups.SelectMany(g => g.Items).ToArray();
        var resolved = items.Where(i => i.Resolved is not null).ToArray();
        return new(
            session,
            groups,
            SessionTime.Of(session, groups),
            resolved.Sum(i => i.Resolved!.Efforts.Count(e => e.Plan.Part == 1)),
            resolved.Sum(i => i.Resolved!.HardSets),
            resolved.Sum(i => i.Resolved!.TensionSeconds),
            [
                .. resolved
                    .GroupBy(i => i.Movement!.Pattern)
                    .Select(g => new PatternSets(g.Key, g.Sum(i => i.Resolved!.HardSets), null, null))
                    .Where(p => p.Sets > 0)
                    .OrderBy(p => p.Pattern),
            ],
            resolved.Sum(i => i.Resolved!.StraightArmSeconds),
            items.Length - resolved.Length
        );
    }

    private static WeekDose Of(
        int number,
        WeekKind kind,
        SessionDose[] sessions,
        SessionDose[]? before,
        DoseRules rules
    )
    {
        int SetsOf(Pattern pattern) => sessions.Sum(s => s.Patterns.Where(p => p.Pattern == pattern).Sum(p => p.Sets));
        var resolved = sessions
            .SelectMany(s => s.Items)
            .Select(i => i.Resolved)
            .OfType<ResolvedPrescription>()
            .ToArray();
        var byMoment = HasMoments(sessions) && (before is null || HasMoments(before));
        var now = StraightArmOf(sessions, byMoment);
        decimal? most = before is null
            ? null
            : StraightArmOf(before, byMoment) * (1 + rules.StraightArmRampPercent / 100);
        return new(
            number,
            kind,
            sessions,
            [
                .. rules
                    .HardSets.Select(p => new PatternSets(p.Pattern, SetsOf(p.Pattern), p.From, p.To))
                    .Where(p => p.Sets > 0 || p.Pattern < Pattern.StraightArmPull),
            ],
            Pulling.Where(IsBentPull).Sum(SetsOf),
            Pushing.Where(IsBentPush).Sum(SetsOf),
            Explain(sessions, before, byMoment, now, most, rules),
            most,
            byMoment,
            sessions.Sum(s => s.StraightArmSeconds),
            resolved.Sum(r => r.Left),
            resolved.Sum(r => r.Right),
            resolved.Sum(r => r.MoreOnLeft),
            resolved.Sum(r => r.VolumeLoad ?? 0)
        );
    }

    private static bool HasMoments(SessionDose[] sessions) =>
        sessions
            .SelectMany(s => s.Items)
            .Where(i => i.Resolved is { StraightArmSeconds: > 0 })
            .All(i => i.Resolved!.MomentSeconds is not null);

    private static decimal StraightArmOf(IEnumerable<SessionDose> sessions, bool byMoment) =>
        sessions
            .SelectMany(s => s.Items)
            .Sum(i =>
                i.Resolved is not { StraightArmSeconds: > 0 } r ? 0
                : byMoment ? (decimal)Math.Round(r.MomentSeconds!.Value)
                : r.StraightArmSeconds
            );

    private static Explained<decimal> Explain(
        SessionDose[] sessions,
        SessionDose[]? before,
        bool byMoment,
        decimal now,
        decimal? most,
        DoseRules rules
    )
    {
        Quantity Amount(decimal value) => byMoment ? Quantity.MomentSeconds(value) : Quantity.Seconds((int)value);
        var why = Explanation
            .For(RuleId.StraightArmRamp, Quantity.OfPercent(rules.StraightArmRampPercent))
            .Source(SourceId.House);
        foreach (var item in sessions.SelectMany(s => s.Items).Where(i => i.Resolved is { StraightArmSeconds: > 0 }))
        {
            if (byMoment)
                why.Step(
                    StepKey.MomentTimesSeconds,
                    Amount((decimal)Math.Round(item.Resolved!.MomentSeconds!.Value)),
                    Quantity.Name(item.Movement!.Name),
                    Quantity.Moment(item.Resolved.MomentSeconds.Value / item.Resolved.StraightArmSeconds),
                    Quantity.Seconds(item.Resolved.StraightArmSeconds)
                );
            else
                why.Step(
                    StepKey.SecondsOf,
                    Quantity.Seconds(item.Resolved!.StraightArmSeconds),
                    Quantity.Name(item.Movement!.Name)
                );
        }

        if (before is not null)
            why.Step(StepKey.WeekBefore, Amount(StraightArmOf(before, byMoment)))
                .Step(StepKey.MostByRamp, Amount(most!.Value), Quantity.OfPercent(rules.StraightArmRampPercent));
        if (byMoment && now > 0)
            why.Source(SourceId.DeLeva1996).Caution(CautionId.ModelLimits);
        return why.Build(now);
    }
}
