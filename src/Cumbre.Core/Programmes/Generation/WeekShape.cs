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

    public bool IsUpper => Pulls || Pushes || Kind == DayKind.StraightArm;

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

        var straight = skills.Any(k => k.Movement is not null && k.IsStraightArm && !rules.IsBase(k.Ladder.Slug));
        var kinds = KindsOf(athlete, skills, weekdays, straight, rules, notices);
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

    /// <summary>
    /// The kinds of the days in the order in which the fewest days running train the same pattern hard.
    /// </summary>
    private static DayKind[] KindsOf(
        AthleteAtWork athlete,
        IReadOnlyList<Skill> skills,
        int[] weekdays,
        bool straight,
        GeneratorRules rules,
        List<Notice> notices
    )
    {
        var schools = athlete.Athlete.Schools;
        var halves =
            schools["muscle-up-training"] == "halves"
            && skills.Any(k => k.Advance && rules.InHalves.Contains(k.Ladder.Slug));
        DayKind[] cycle = schools["split"] switch
        {
            "pull-push-legs" => [DayKind.Pull, DayKind.Push, DayKind.Legs],
            "upper-lower" => [DayKind.Upper, DayKind.Lower],
            _ when halves => [DayKind.Pull, DayKind.Push],
            _ => ByDays(weekdays, straight),
        };
        if (weekdays.Length < cycle.Length)
        {
            notices.Add(Notice.Of(NoticeId.SplitNeedsDays, Quantity.Count(cycle.Length)));
            cycle = ByDays(weekdays, straight);
        }

        var kinds = Enumerable.Range(0, weekdays.Length).Select(i => cycle[i % cycle.Length]).ToArray();
        // A turn that ends after its first day would pull twice and push once.
        if (kinds.Count(k => k == DayKind.Pull) > kinds.Count(k => k == DayKind.Push) && kinds[^1] == DayKind.Pull)
            kinds[^1] = DayKind.Upper;
        if (halves && !kinds.Contains(DayKind.Pull))
            notices.Add(Notice.Of(NoticeId.HalvesNeedSplit));
        return schools["split"] == "by-days" ? InBestOrder(kinds, weekdays) : kinds;
    }

    /// <summary>
    /// Up to three days are full body, unless two of them follow each other; more are pull, push, straight arms where
    /// there is such work, and full body (common practice, no source).
    /// </summary>
    private static DayKind[] ByDays(int[] weekdays, bool straight)
    {
        var third = straight ? DayKind.StraightArm : DayKind.Full;
        var running = weekdays.Any(a => weekdays.Any(b => a != b && Between(a, b) == 1));
        return weekdays.Length switch
        {
            1 => [DayKind.Full],
            2 => running ? [DayKind.Pull, DayKind.Push] : [DayKind.Full, DayKind.Full],
            3 => running ? [DayKind.Pull, DayKind.Push, DayKind.Full] : [DayKind.Full, DayKind.Full, DayKind.Full],
            4 => [DayKind.Pull, DayKind.Push, third, DayKind.Full],
            5 => [DayKind.Pull, DayKind.Push, third, DayKind.Pull, DayKind.Push],
            _ => [DayKind.Pull, DayKind.Push, third, DayKind.Pull, DayKind.Push, DayKind.Full],
        };
    }

    private static DayKind[] InBestOrder(DayKind[] kinds, int[] weekdays)
    {
        var best = kinds;
        var least = Clashes(kinds, weekdays);
        foreach (var other in Orders(kinds, 0))
        {
            if (least == 0)
                break;
            if (Clashes(other, weekdays) is var clashes && clashes < least)
                (best, least) = ([.. other], clashes);
        }

        return best;
    }

    private static IEnumerable<DayKind[]> Orders(DayKind[] kinds, int from)
    {
        if (from == kinds.Length - 1)
        {
            yield return kinds;
            yield break;
        }

        for (var i = from; i < kinds.Length; i++)
        {
            DayKind[] next = [.. kinds];
            (next[from], next[i]) = (next[i], next[from]);
            foreach (var order in Orders(next, from + 1))
                yield return order;
        }
    }

    /// <summary>Days running that pull, and that push.</summary>
    private static int Clashes(DayKind[] kinds, int[] weekdays)
    {
        var clashes = 0;
        for (var i = 0; i < kinds.Length; i++)
        {
            var next = (i + 1) % kinds.Length;
            if (i == next || Between(weekdays[i], weekdays[next]) != 1)
                continue;
            clashes +=
                (Pulls(kinds[i]) && Pulls(kinds[next]) ? 1 : 0) + (Pushes(kinds[i]) && Pushes(kinds[next]) ? 1 : 0);
        }

        return clashes;
    }

    private static bool Pulls(DayKind kind) => kind is DayKind.Full or DayKind.Pull or DayKind.Upper;

    private static bool Pushes(DayKind kind) => kind is DayKind.Full or DayKind.Push or DayKind.Upper;

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
