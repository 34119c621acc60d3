using Cumbre.Core.Explanations;

namespace Cumbre.Core.Programmes.Generation;

/// <summary>What a day of the split is for.</summary>
public enum DayKind
{
    Full,
    Pull,
    Push,
    StraightArm,
    Legs,
    Upper,
    Lower,
}

/// <summary>A training day of every week.</summary>
/// <param name="Weekday">0 is Monday.</param>
/// <param name="Kind">By the split.</param>
internal sealed record ShapeDay(int Weekday, DayKind Kind)
{
    /// <summary>Skills trained hard, light, and only kept.</summary>
    public List<Skill> Hard { get; } = [];

    public List<Skill> Light { get; } = [];

    public List<Skill> Kept { get; } = [];

    public IEnumerable<Skill> Skills => Hard.Concat(Light).Concat(Kept);

    public bool Pulls => Kind is DayKind.Full or DayKind.Pull or DayKind.Upper;

    public bool Pushes => Kind is DayKind.Full or DayKind.Push or DayKind.Upper;

    public DayOfWeek DayOfWeek => (DayOfWeek)((Weekday + 1) % 7);
}

/// <summary>
/// The week before it has exercises: which days are for what, and where each skill is hard and light.
/// </summary>
internal static class WeekShape
{
    private const int HoursOfDay = 24,
        DaysOfWeek = 7;

    public static IReadOnlyList<ShapeDay> Of(
        IReadOnlyList<Skill> skills,
        BlockWish wish,
        AthleteAtWork athlete,
        GeneratorRules rules,
        List<Notice> notices
    )
    {
        var asked = wish.Days ?? athlete.Intake.Days;
        if (asked.Count == 0)
        {
            asked = rules.DaysUnknown;
            notices.Add(Notice.Of(NoticeId.DaysUnknown, Quantity.Count(asked.Count)));
        }

        int[] weekdays = [.. asked.Select(d => ((int)d + DaysOfWeek - 1) % DaysOfWeek).Distinct().Order()];
        if (weekdays.Length > rules.DaysMaximum)
        {
            notices.Add(Notice.Of(NoticeId.DayLeftFree, Quantity.Count(rules.DaysMaximum)));
            weekdays = [.. weekdays.Take(rules.DaysMaximum)];
        }

        var kinds = KindsOf(athlete.Athlete.Schools["split"], weekdays.Length, notices);
        if (
            athlete.Athlete.Schools["muscle-up-training"] == "halves"
            && !kinds.Contains(DayKind.Pull)
            && skills.Any(s => s.Ladder.Slug.EndsWith("muscle-up", StringComparison.Ordinal))
        )
            notices.Add(Notice.Of(NoticeId.HalvesNeedSplit));
        ShapeDay[] days = [.. weekdays.Zip(kinds, (weekday, kind) => new ShapeDay(weekday, kind))];
        foreach (
            var skill in skills
                .Where(s => s.Movement is not null && !rules.IsBase(s.Ladder.Slug))
                .OrderBy(s => !s.Advance)
        )
            Place(skill, days, rules, notices);
        return days;
    }

    /// <summary>Days between two weekdays, the week after the week included.</summary>
    public static int Between(int a, int b) =>
        Math.Min((a - b + DaysOfWeek) % DaysOfWeek, (b - a + DaysOfWeek) % DaysOfWeek);

    private static DayKind[] KindsOf(string split, int count, List<Notice> notices)
    {
        DayKind[] cycle = split switch
        {
            "pull-push-legs" => [DayKind.Pull, DayKind.Push, DayKind.Legs],
            "upper-lower" => [DayKind.Upper, DayKind.Lower],
            _ => count switch
            {
                <= 3 => [DayKind.Full],
                4 => [DayKind.Pull, DayKind.Push, DayKind.StraightArm, DayKind.Full],
                5 => [DayKind.Pull, DayKind.Push, DayKind.StraightArm, DayKind.Pull, DayKind.Push],
                _ => [DayKind.Pull, DayKind.Push, DayKind.StraightArm, DayKind.Pull, DayKind.Push, DayKind.Full],
            },
        };
        if (count < cycle.Length)
        {
            notices.Add(Notice.Of(NoticeId.SplitNeedsDays, Quantity.Count(cycle.Length)));
            cycle = [DayKind.Full];
        }

        return [.. Enumerable.Range(0, count).Select(i => cycle[i % cycle.Length])];
    }

    /// <summary>Finds the best pair of a hard and a light day, or a single day for what is only kept.</summary>
    private static void Place(Skill skill, ShapeDay[] days, GeneratorRules rules, List<Notice> notices)
    {
        var free = days.Where(d => IsFree(skill, d, days)).ToArray();
        if (free.Length == 0)
        {
            notices.Add(Notice.Of(NoticeId.GoalWithoutDay, Quantity.Name(skill.Ladder.Name)));
            return;
        }

        if (!skill.Advance)
        {
            free.MaxBy(d => Fit(skill, d) - 2 * d.Skills.Count())!.Kept.Add(skill);
            return;
        }

        var pairs = free.SelectMany(hard =>
                free.Where(light => light != hard && IsApart(skill, hard, light, rules))
                    .Select(light => (Hard: hard, Light: light))
            )
            .ToArray();
        if (pairs.Length == 0)
        {
            free.MaxBy(d => Score(skill, d))!.Hard.Add(skill);
            notices.Add(Notice.Of(NoticeId.LightDayMissing, Quantity.Name(skill.Ladder.Name)));
            return;
        }

        var best = pairs.MaxBy(p =>
            Score(skill, p.Hard) + LightFit(skill, p.Light) + (FollowsSoon(p.Hard, p.Light, rules) ? 3 : 0)
        );
        best.Hard.Hard.Add(skill);
        best.Light.Light.Add(skill);
    }

    private static bool IsApart(Skill skill, ShapeDay hard, ShapeDay light, GeneratorRules rules)
    {
        var days = Between(hard.Weekday, light.Weekday);
        return days * HoursOfDay >= rules.HardToLightFromHours
            && days * HoursOfDay <= rules.HardToLightToHours
            && (!skill.IsStraightArm || days > 1);
    }

    /// <summary>The light day within the hours after the hard one, not only before the next.</summary>
    private static bool FollowsSoon(ShapeDay hard, ShapeDay light, GeneratorRules rules)
    {
        var hours = (light.Weekday - hard.Weekday + DaysOfWeek) % DaysOfWeek * HoursOfDay;
        return hours >= rules.HardToLightFromHours && hours <= rules.HardToLightToHours;
    }

    /// <summary>
    /// Straight-arm work of the same direction never stands on this day already, the day before or the day after.
    /// </summary>
    private static bool IsFree(Skill skill, ShapeDay day, ShapeDay[] days) =>
        !skill.IsStraightArm
        || !days.Any(d =>
            Between(d.Weekday, day.Weekday) <= 1
            && d.Skills.Any(s => s != skill && s.IsStraightArm && s.Movement!.Pattern == skill.Movement!.Pattern)
        );

    private static int Score(Skill skill, ShapeDay hard) =>
        3 * Fit(skill, hard) - 5 * hard.Hard.Count - hard.Light.Count;

    private static int LightFit(Skill skill, ShapeDay light) =>
        (
            light.Kind == DayKind.StraightArm ? 3
            : light.Kind == DayKind.Full ? 2
            : Fit(skill, light)
        )
        - light.Hard.Count
        - 2 * light.Light.Count;

    /// <summary>A lever goes with the heavy pull, a planche with the dips.</summary>
    private static int Fit(Skill skill, ShapeDay day) =>
        day.Kind switch
        {
            DayKind.Full or DayKind.Upper => 2,
            DayKind.Pull => DoseReader.IsPush(skill.Movement!.Pattern) ? 0 : 3,
            DayKind.Push => DoseReader.IsPull(skill.Movement!.Pattern) ? 0 : 3,
            DayKind.StraightArm => 1,
            _ => 0,
        };
}
