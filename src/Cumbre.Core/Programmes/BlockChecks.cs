using Cumbre.Core.Explanations;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Programmes;

/// <summary>
/// All cautions on a block, by week, session and item, each with its ways out. What is over already is not cautioned
/// about.
/// </summary>
public static class BlockChecks
{
    public static IReadOnlyList<ProgrammeCaution> Of(
        Block block,
        IReadOnlyList<WeekDose> doses,
        AthleteAtWork athlete,
        DoseRules rules
    )
    {
        var kept = block.Kept.DistinctBy(k => k.Key).ToDictionary(k => k.Key, k => k.Reason, StringComparer.Ordinal);
        var found = doses
            .SelectMany(w => OfWeek(w, athlete, rules))
            .Concat(OfDays(block, doses))
            .Concat(Jumps(doses, athlete));
        return
        [
            .. found
                .OrderBy(c => c.Week)
                .Select(c => kept.TryGetValue(c.Key, out var reason) ? c with { KeptBecause = reason } : c),
        ];
    }

    private static IEnumerable<ProgrammeCaution> OfWeek(WeekDose week, AthleteAtWork athlete, DoseRules rules)
    {
        var open = week.Sessions.Where(s => !s.Session.Fixed).ToArray();
        foreach (var session in open)
        {
            foreach (var item in session.Items)
            {
                foreach (var caution in ItemChecks.Of(item, week.Number, session.Session.Id, athlete, rules))
                    yield return caution;
            }

            foreach (
                var caution in Minutes(session, week.Number, athlete)
                    .Concat(Prilepin(session, week.Number, athlete, rules))
            )
                yield return caution;
        }

        if (open.Length == 0)
            yield break;
        foreach (
            var caution in HardSets(week, open)
                .Concat(Balance(week, open, rules))
                .Concat(Ramp(week, open))
                .Concat(Sides(week, open))
                .Concat(JointLoad(week, open, rules))
        )
            yield return caution;
    }

    private static IEnumerable<ProgrammeCaution> Minutes(SessionDose session, int week, AthleteAtWork athlete)
    {
        if (athlete.Intake.Minutes is not { } minutes || session.Seconds <= minutes * 60)
            yield break;
        var over = session.Seconds - minutes * 60;
        var remedies = new List<Remedy>();
        // From the end, as what stands last is what can best be missed.
        var last = session.Groups.Reverse().FirstOrDefault(g => g.Seconds >= over)
            ?? (session.Groups is [.., var end] ? end : null);
        if (JoinThatSaves(session, over) is { } join)
            remedies.Add(join);
        if (last is not null)
            remedies.Add(Remedy.Remove(last.Items[^1].Item.Id));
        yield return new(
            CautionId.MinutesOver,
            [Quantity.Count((session.Seconds + 59) / 60), Quantity.Count(minutes)],
            week,
            session.Session.Id,
            null,
            remedies
        );
    }

    /// <summary>Two neighbours of opposed patterns, or one with mobility, that save enough when done in turn.</summary>
    private static Remedy? JoinThatSaves(SessionDose session, int over)
    {
        for (var i = session.Groups.Count - 1; i > 0; i--)
        {
            if (
                session.Groups[i - 1].Items is not [{ Movement: { } a } first]
                || session.Groups[i].Items is not [{ Movement: { } b } second]
                || !Pairs(a.Pattern, b.Pattern)
            )
                continue;
            if (
                SessionTime.Groups([first, second with { Item = second.Item with { Joined = true } }])[0].SavedSeconds
                >= over
            )
                return new(RemedyKind.Join, second.Item.Id);
        }

        return null;
    }

    private static bool Pairs(Pattern a, Pattern b) =>
        a is Pattern.Mobility or Pattern.ShoulderBlade
        || b is Pattern.Mobility or Pattern.ShoulderBlade
        || (DoseReader.IsPull(a) && DoseReader.IsPush(b))
        || (DoseReader.IsPush(a) && DoseReader.IsPull(b));

    /// <summary>Heavy loaded sets of one movement in a session against Prilepin's table (from memory).</summary>
    private static IEnumerable<ProgrammeCaution> Prilepin(
        SessionDose session,
        int week,
        AthleteAtWork athlete,
        DoseRules rules
    )
    {
        foreach (
            var lift in session
                .Items.Where(i =>
                    i.Resolved is { ShareOfMax: not null }
                    && i.Plan!.TargetReps <= Timing.HeavyReps
                    && i.Resolved.Loads.Any(l => l.Value.Made > Mass.Zero)
                )
                .GroupBy(i => i.Item.Movement)
        )
        {
            var share = lift.Max(i => i.Resolved!.ShareOfMax!.Value);
            if (rules.ZoneOf(share) is not { } zone)
                continue;
            // Lighter parts and back-offs belong to a zone of their own.
            int InZone(ItemReading item) =>
                item.Resolved!.Efforts.Where(e => ShareOf(e, item, athlete) * 100 > zone.From)
                    .Sum(e => e.Plan.RepsHigh);
            var reps = lift.Sum(InZone);
            if (reps <= zone.TotalTo)
                continue;
            var main = lift.MaxBy(InZone)!;
            var perSet = Math.Max(1, InZone(main) / Math.Max(1, main.Plan!.SetCount));
            var fewer = main.Plan.SetCount - (reps - zone.TotalTo + perSet - 1) / perSet;
            yield return new(
                CautionId.PrilepinOver,
                [Quantity.Reps(reps), Quantity.Reps(zone.TotalTo), Quantity.OfFraction(Math.Round(share, 3))],
                week,
                session.Session.Id,
                main.Item.Id,
                fewer >= 1 ? [Remedy.Write(main.Item.Id, main.Plan.WithSets(fewer))] : []
            );
        }
    }

    private static decimal ShareOf(AtomicEffort effort, ItemReading item, AthleteAtWork athlete)
    {
        var body = athlete.ContextOf(item.Movement!)!.BodyMass.Value;
        var heaviest = body + Mass.FromKilograms(item.Resolved!.Loads.Max(l => l.Value.Made.Kilograms));
        return item.Resolved.ShareOfMax!.Value * ((body + effort.Load.Value.Made) / heaviest);
    }

    private static IEnumerable<ProgrammeCaution> HardSets(WeekDose week, SessionDose[] open)
    {
        foreach (var pattern in week.Patterns.Where(p => p.Sets > p.To))
        {
            var main = open.SelectMany(s => s.Items)
                .Where(i => i.Movement?.Pattern == pattern.Pattern && i.Resolved is { HardSets: > 0 })
                .MaxBy(i => i.Resolved!.HardSets);
            yield return new(
                CautionId.HardSetsOver,
                [Quantity.Name(NameOf(pattern.Pattern)), Quantity.Sets(pattern.Sets), Quantity.Sets(pattern.To!.Value)],
                week.Number,
                null,
                null,
                Fewer(main, pattern.Sets - pattern.To.Value)
            )
            {
                About = pattern.Pattern.ToString(),
            };
        }
    }

    private static IEnumerable<ProgrammeCaution> Balance(WeekDose week, SessionDose[] open, DoseRules rules)
    {
        // A week with a handful of sets has no balance to speak of, and tests are no training.
        if (
            week.Pull + week.Push < rules.HardSets.Min(p => p.From) * 2
            || week.Unfinished
            || week.Kind == WeekKind.Retest
        )
            yield break;
        var pulls = week.Push == 0 || (decimal)week.Pull / week.Push > rules.PullToPushTo;
        if (!pulls && (decimal)week.Pull / week.Push >= rules.PullToPushFrom)
            yield break;
        var heavier = open.SelectMany(s => s.Items)
            .Where(i =>
                i.Resolved is { HardSets: > 1 }
                && (pulls ? DoseReader.IsBentPull(i.Movement!.Pattern) : DoseReader.IsBentPush(i.Movement!.Pattern))
            )
            .MaxBy(i => i.Resolved!.HardSets);
        var lighter = open.SelectMany(s => s.Items)
            .Where(i =>
                i.Resolved is { HardSets: > 0 }
                && (pulls ? DoseReader.IsBentPush(i.Movement!.Pattern) : DoseReader.IsBentPull(i.Movement!.Pattern))
            )
            .MinBy(i => i.Resolved!.HardSets);
        Remedy[] more =
            lighter is { Plan: { } plan, Item: var item }
            && plan.WithSets(plan.SetCount + 1) is var larger
            && larger != plan
                ? [Remedy.Write(item.Id, larger)]
                : [];
        yield return new(
            CautionId.PullToPushOff,
            [Quantity.Sets(week.Pull), Quantity.Sets(week.Push)],
            week.Number,
            null,
            null,
            [.. more, .. Fewer(heavier, 1)]
        );
    }

    private static IEnumerable<ProgrammeCaution> Ramp(WeekDose week, SessionDose[] open)
    {
        // The sums are rounded to whole figures: one of them is no growth.
        if (
            week.StraightArmMost is not { } most
            || week.StraightArm.Value <= Math.Ceiling(most)
            || week.Kind != WeekKind.Loading
        )
            yield break;
        Quantity Amount(decimal value) => week.ByMoment ? Quantity.MomentSeconds(value) : Quantity.Seconds((int)value);
        var main = open.SelectMany(s => s.Items)
            .Where(i => i.Resolved is { StraightArmSeconds: > 0 })
            .MaxBy(i => i.Resolved!.StraightArmSeconds);
        var remedies = new List<Remedy>();
        if (main is { Plan: { } plan, Resolved: { } resolved } && plan.SetCount > 1)
        {
            var each =
                (week.ByMoment ? (decimal)resolved.MomentSeconds!.Value : resolved.StraightArmSeconds) / plan.SetCount;
            var fewer = plan.SetCount - (int)Math.Ceiling((week.StraightArm.Value - most) / each);
            if (fewer >= 1 && plan.WithSets(fewer) is var smaller && smaller != plan)
                remedies.Add(Remedy.Write(main.Item.Id, smaller));
        }

        yield return new(
            CautionId.StraightArmRampOver,
            [Amount(week.StraightArm.Value), Amount(most)],
            week.Number,
            null,
            null,
            remedies
        );
    }

    private static IEnumerable<ProgrammeCaution> Sides(WeekDose week, SessionDose[] open)
    {
        if (week.SidesEven)
            yield break;
        var uneven = open.SelectMany(s => s.Items)
            .FirstOrDefault(i => i.Resolved is { } r && r.Left - r.Right != r.MoreOnLeft);
        yield return new(
            CautionId.SidesUneven,
            [Quantity.Count(week.Left), Quantity.Count(week.Right)],
            week.Number,
            null,
            null,
            uneven is { Plan: { } plan, Item: var item }
                ? [Remedy.Write(item.Id, plan with { Sides = SidePlan.Each })]
                : []
        );
    }

    private static IEnumerable<ProgrammeCaution> JointLoad(WeekDose week, SessionDose[] open, DoseRules rules)
    {
        bool Loads(ItemReading item) =>
            item.Resolved is { HardSets: > 0 }
            && (item.Plan is Negatives || item.Movement!.Cautions.Contains(CautionId.TwiceAWeek));
        var sessions = week.Sessions.Where(s => s.Items.Any(Loads)).ToArray();
        if (sessions.Length <= rules.HardSessionsOfJointLoad)
            yield break;
        var last = open.LastOrDefault(s => s.Items.Any(Loads))?.Items.First(Loads);
        yield return new(
            CautionId.TwiceAWeekOver,
            [Quantity.Count(sessions.Length), Quantity.Count(rules.HardSessionsOfJointLoad)],
            week.Number,
            null,
            null,
            last is null ? [] : [Remedy.Remove(last.Item.Id)]
        );
    }

    /// <summary>
    /// A load that is over the one before by more than 5 kg or 10 % of the system: the session before in the block, and
    /// for the first
    /// of a movement the last that was trained.
    /// </summary>
    private static IEnumerable<ProgrammeCaution> Jumps(IReadOnlyList<WeekDose> doses, AthleteAtWork athlete)
    {
        var last = new Dictionary<string, Mass>(StringComparer.Ordinal);
        foreach (
            var (week, session) in doses.SelectMany(w => w.Sessions.Select(s => (w, s))).OrderBy(s => s.s.Session.Day)
        )
        {
            foreach (
                var lift in session
                    .Items.Where(i => i.Resolved is not null && !IsTestByEstimate(i))
                    .GroupBy(i => i.Item.Movement)
            )
            {
                var heaviest = lift.MaxBy(i => i.Resolved!.Loads.Max(l => l.Value.Made.Kilograms))!;
                var load = Mass.FromKilograms(heaviest.Resolved!.Loads.Max(l => l.Value.Made.Kilograms));
                var context = athlete.ContextOf(heaviest.Movement!)!;
                var before = last.TryGetValue(lift.Key, out var planned) ? planned : context.LastLoad;
                if (
                    before is { } from
                    && load > from
                    && !session.Session.Fixed
                    && LoadResolver.IsLargeJump(context.BodyMass.Value, from, load)
                )
                    yield return new(
                        CautionId.JumpLarge,
                        [
                            Quantity.Added(load - from),
                            Quantity.OfFraction((load - from) / (context.BodyMass.Value + from)),
                        ],
                        week.Number,
                        session.Session.Id,
                        heaviest.Item.Id,
                        Smaller(heaviest, from, context)
                    );
                // An easy week is lighter on purpose, and a lighter day of the same week is nothing to step up from.
                if (week.Kind == WeekKind.Loading)
                    last[lift.Key] = last.TryGetValue(lift.Key, out var heaviestSoFar)
                        ? Mass.Max(heaviestSoFar, load)
                        : load;
            }
        }
    }

    /// <summary>
    /// A retest for which the estimate gives the load asks for what the athlete can do already; that it is heavier than
    /// the sets of the weeks before is its purpose.
    /// </summary>
    private static bool IsTestByEstimate(ItemReading item) =>
        item is { Item.Role: ItemRole.Retest, Plan: { Load: null, Effort: InReserve } };

    private static Remedy[] Smaller(ItemReading item, Mass from, ResolutionContext context)
    {
        if (item.Plan is null or DropSet)
            return [];
        var made = context.Kit.AtMost(LoadResolver.LargestStep(context.BodyMass.Value, from)).Total;
        var pounds = context.Kit.Pieces.Count > 0 && context.Kit.Pieces.All(p => p.Size.Unit == MassUnit.Lb);
        return
        [
            Remedy.Write(
                item.Item.Id,
                item.Plan with
                {
                    Load = new AddedLoad(MassEntry.Of(made, pounds ? MassUnit.Lb : MassUnit.Kg)),
                }
            ),
        ];
    }

    /// <summary>
    /// Straight-arm work of one direction, or hard pressing from the floor beside straight-arm pushing, on two days in
    /// a row.
    /// </summary>
    private static IEnumerable<ProgrammeCaution> OfDays(Block block, IReadOnlyList<WeekDose> doses)
    {
        var all = doses
            .SelectMany(w => w.Sessions.Select(s => (Week: w.Number, Dose: s)))
            .OrderBy(s => s.Dose.Session.Day)
            .ToArray();
        foreach (var (week, dose) in all.Where(s => !s.Dose.Session.Fixed))
        {
            var dayBefore = all.Where(s => s.Dose.Session.Day == dose.Session.Day.AddDays(-1))
                .Select(s => s.Dose)
                .ToArray();
            foreach (var (id, about) in Clashes(dayBefore, dose))
            {
                yield return new(
                    id,
                    [Quantity.On(dose.Session.Day.AddDays(-1))],
                    week,
                    dose.Session.Id,
                    null,
                    FreeDay(block, week, dose, [.. all.Select(s => s.Dose)]) is { } day
                        ? [new(RemedyKind.Move, null, dose.Session.Id, Day: day)]
                        : []
                )
                {
                    About = about,
                };
            }
        }
    }

    private static IEnumerable<(CautionId Id, string About)> Clashes(
        IReadOnlyList<SessionDose> before,
        SessionDose dose
    )
    {
        foreach (var pattern in new[] { Pattern.StraightArmPull, Pattern.StraightArmPush })
        {
            if (before.Any(s => Trains(s, pattern)) && Trains(dose, pattern))
                yield return (CautionId.StraightArmDays, pattern.ToString());
        }

        if (
            before.Any(s =>
                (Trains(s, Pattern.StraightArmPush) && PressesFromFloor(dose))
                || (PressesFromFloor(s) && Trains(dose, Pattern.StraightArmPush))
            )
        )
            yield return (CautionId.FloorPressDays, "floor");
    }

    private static bool Trains(SessionDose session, Pattern straightArm) =>
        session.Items.Any(i => i.Movement?.Pattern == straightArm && i.Resolved is { StraightArmSeconds: > 0 });

    private static bool PressesFromFloor(SessionDose session) =>
        session.Items.Any(i =>
            i.Movement is { Pattern: Pattern.HorizontalPush or Pattern.VerticalPush } m
            && m.IsOnFloor
            && i.Resolved is { HardSets: > 0 }
        );

    /// <summary>A day of the same week without a session and without the clash.</summary>
    private static DateOnly? FreeDay(Block block, int week, SessionDose dose, SessionDose[] all)
    {
        var monday = block.MondayOf(week - 1);
        foreach (var day in Enumerable.Range(0, 7).Select(monday.AddDays))
        {
            if (all.Any(s => s.Session.Day == day))
                continue;
            var moved = dose with { Session = dose.Session with { Day = day } };
            var before = all.Where(s => s.Session.Id != dose.Session.Id && s.Session.Day == day.AddDays(-1)).ToArray();
            var after = all.FirstOrDefault(s => s.Session.Id != dose.Session.Id && s.Session.Day == day.AddDays(1));
            if (!Clashes(before, moved).Any() && (after is null || !Clashes([moved], after).Any()))
                return day;
        }

        return null;
    }

    private static Remedy[] Fewer(ItemReading? item, int sets) =>
        item is { Plan: { } plan }
        && plan.SetCount > 1
        && plan.WithSets(Math.Max(1, plan.SetCount - sets)) is var fewer
        && fewer != plan
            ? [Remedy.Write(item.Item.Id, fewer)]
            : [];

    private static string NameOf(Pattern pattern) => PatternNames.Of(pattern);
}
