using Cumbre.Core.Explanations;
using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes;
using Cumbre.Core.Safety;

namespace Cumbre.Core.Decisions;

/// <summary>
/// Reads the log of an athlete and proposes what to do next, movement by movement; no rule knows one by name.
/// </summary>
public static class DecisionEngine
{
    /// <summary>
    /// All that the log calls for, the most cautious first. The same log read twice proposes the same.
    /// </summary>
    /// <param name="athlete">The athlete, with stops, placements and results as of the day.</param>
    /// <param name="planned">Items of coming sessions that have not begun.</param>
    /// <param name="rules">The figures of the rules.</param>
    /// <param name="clubDays">On which days the club trains, for an athlete who named none.</param>
    public static IReadOnlyList<Proposal> Decide(
        AthleteAtWork athlete,
        IReadOnlyList<PlannedItem> planned,
        DecisionRules rules,
        IReadOnlyCollection<DayOfWeek> clubDays
    )
    {
        IReadOnlyCollection<DayOfWeek> days = athlete.Intake.Days.Count > 0 ? athlete.Intake.Days : clubDays;
        var nextDay = TrainingCalendar.Next(days, null, athlete.Today, 0);
        var found = new List<Proposal>(athlete.Stops.Select(s => Refer(athlete, s, nextDay)));
        found.AddRange(Standards.Contradicted(athlete, nextDay));
        foreach (
            var group in athlete
                .Athlete.Exposures.Where(e => e.Day <= athlete.Today && e.Sets.Count > 0)
                .GroupBy(e => e.Movement)
        )
        {
            if (
                !athlete.Atlas.Catalogue.Movements.TryGetValue(group.Key, out var movement)
                || athlete.ContextOf(movement) is null
            )
                continue;
            found.AddRange(OfMovement(athlete, movement, [.. group.OrderBy(e => e.Day)], planned, rules, days));
        }

        return [.. found.OrderBy(p => p.Kind).ThenBy(p => p.NextDay)];
    }

    private static IEnumerable<Proposal> OfMovement(
        AthleteAtWork athlete,
        Movement movement,
        IReadOnlyList<Sessions.Exposure> exposures,
        IReadOnlyList<PlannedItem> planned,
        DecisionRules rules,
        IReadOnlyCollection<DayOfWeek> days
    )
    {
        // While it is stopped no decision is made about its load.
        if (
            athlete.Stops.Any(s =>
                PainRules.Holds(s, movement, athlete.Atlas.Catalogue, exposures[^1].IsLoaded) != Hold.None
            )
        )
            return [];
        Situation[] roles =
        [
            .. SeriesOf(exposures)
                .Select(series => new Situation(
                    athlete,
                    movement,
                    series.Role,
                    series.Exposures,
                    planned,
                    rules,
                    days
                )),
        ];
        var newest = roles.MaxBy(s => s.All[^1].Exposure.Day)!;
        var answers = new List<Proposal>();
        if (Whole(newest, IsTrained(athlete, movement)) is { } whole)
            answers.Add(whole);
        if (!IsTrained(athlete, movement))
            return answers;
        foreach (var s in roles)
        {
            if (Own(s, out var beside) is { } own)
                answers.Add(own);
            answers.AddRange(beside);
        }

        return Settled(answers);
    }

    /// <summary>Mobility and preparation go on: they never grow, and make no row of their own.</summary>
    private static bool IsTrained(AthleteAtWork athlete, Movement movement) =>
        movement.Pattern is not (Pattern.Mobility or Pattern.ShoulderBlade)
        || athlete.StepsOf(movement.Slug).Any(s => !s.Step.Preparation);

    /// <summary>What concerns the movement as a whole: pain, the way back, a deload, fatigue.</summary>
    private static Proposal? Whole(Situation s, bool trained)
    {
        Proposal?[] found = trained
            ? [CautionRules.Ease(s), CautionRules.Return(s), CautionRules.Deload(s), CautionRules.Fatigue(s)]
            : [CautionRules.Ease(s), CautionRules.Return(s)];
        Proposal[] all = [.. found.OfType<Proposal>().OrderBy(p => p.Kind)];
        if (all.Length == 0)
            return null;
        var winner = all[0];
        // The deload's session of a sore movement is eased as well.
        if (winner is { Kind: ProposalKind.Ease, Next: { } eased } && all.Any(p => p.Kind == ProposalKind.Deload))
            winner = winner with
            {
                Next = eased with
                {
                    Plan =
                        Adjust.Deload(eased.Plan) is var half
                        && eased.Plan.Load is not null
                        && !Adjust.IsAddedLoad(eased.Plan.Load)
                            ? half
                            : half with
                            {
                                Load = eased.Plan.Load,
                            },
                },
            };
        return winner with { Overruled = [.. all.Skip(1).Select(p => p.Kind)] };
    }

    /// <summary>What concerns one role: no progress, an increase that was not earned, or one that was.</summary>
    private static Proposal? Own(Situation s, out IReadOnlyList<Proposal> beside)
    {
        var achieved = Standards.Achieved(s);
        beside = [.. new[] { SideRule.Of(s), achieved, Standards.Trend(s) }.OfType<Proposal>()];
        if ((CautionRules.Sag(s) ?? CautionRules.Stuck(s)) is { } stuck)
            return stuck;
        var growth = Progress.Of(s);
        // A standard that leads to the next movement says it already.
        if (achieved?.Next is not null && growth?.Kind == ProposalKind.NextMovement)
            growth = null;
        var rise = PlannedRise.Of(s);
        if (growth is null)
            return rise is null || s.CleanRun > 0 && s.CleanRun < s.Needed && s.Counting[^1].Reached && rise.InSameWeek
                ? null
                : rise.NotEarned();
        var proposal = s.Propose(growth.Kind, growth.Cause, growth.Next, growth.Why) with { First = growth.First };
        return rise is not null && growth.Kind >= ProposalKind.AddLoad && rise.IsWithin(growth.Next!.Plan)
            ? proposal with
            {
                Next = new(s.Movement.Slug, rise.Plan),
                Confirms = true,
            }
            : proposal;
    }

    /// <summary>
    /// Of what speaks for the movement the most cautious wins and names the others; what stands beside stays.
    /// </summary>
    private static IReadOnlyList<Proposal> Settled(IReadOnlyList<Proposal> answers)
    {
        // What hurts, or comes back from a stop, is not offered anything harder beside.
        var spared = answers.Any(p => p.Kind is ProposalKind.Ease or ProposalKind.Return);
        Proposal[] beside =
        [
            .. answers.Where(p =>
                p.IsBeside && !(spared && p.Kind is (ProposalKind.Achieved or ProposalKind.Test or ProposalKind.Retest))
            ),
        ];
        Proposal[] main = [.. answers.Where(p => !p.IsBeside).OrderBy(p => p.Kind)];
        if (main.Length == 0)
            return beside;
        // A word about the whole movement overrides those about its roles; between roles each speaks for itself.
        var whole = main.FirstOrDefault(p => p.Role is null && p.Kind <= ProposalKind.LighterWeek);
        return whole is null
            ? [.. main, .. beside]
            :
            [
                whole with
                {
                    Overruled = [.. whole.Overruled.Concat(main.Where(p => p != whole).Select(p => p.Kind)).Distinct()],
                },
                .. beside,
            ];
    }

    private static Proposal Refer(AthleteAtWork athlete, Stop stop, DateOnly nextDay)
    {
        var report = stop.Because;
        var why = Explanation
            .For(RuleId.StopForPain, Quantity.Pain(PainRules.StopFrom))
            .Input(InputKey.PainReported, Quantity.Pain(report.Level))
            .Input(InputKey.PainPlace, Quantity.Slug(report.Place.Said));
        if (stop.Before is { } before)
            why.Input(InputKey.PainReported, Quantity.Pain(before.Level));
        if (report.Sign is { } sign)
            why.Input(InputKey.StopSign, Quantity.Word(sign));
        foreach (var pattern in HeldPatterns(athlete, stop))
            why.Step(StepKey.StopsPattern, Quantity.Name(PatternNames.Of(pattern)));
        why.Source(SourceId.Thomee1997)
            .Caution(CautionId.StopSigns)
            .Caution(CautionId.NotMedicalAdvice)
            .Caution(CautionId.AskNextMorning);
        var session = report.Origin is PainOrigin.Set or PainOrigin.Morning ? report.Source : (Guid?)null;
        return new(
            ProposalKind.Refer,
            ProposalCause.Pain,
            report.Movement ?? "",
            null,
            session,
            report.Day,
            nextDay,
            null,
            null,
            why.Build(),
            []
        )
        {
            Place = report.Place.Said,
        };
    }

    /// <summary>The patterns of which a stop holds most movements that the athlete could train.</summary>
    public static IReadOnlyList<Pattern> HeldPatterns(AthleteAtWork athlete, Stop stop) =>
        [
            .. athlete
                .Atlas.Catalogue.Movements.Values.GroupBy(m => m.Pattern)
                .Where(g =>
                    g.Count(m => PainRules.Holds(stop, m, athlete.Atlas.Catalogue) != Hold.None) * 2 > g.Count()
                )
                .Select(g => g.Key)
                .Order(),
        ];

    /// <summary>
    /// Exposures by role; those without one belong to the only other role there is, or stand for themselves.
    /// </summary>
    private static IEnumerable<(ItemRole? Role, IReadOnlyList<Sessions.Exposure> Exposures)> SeriesOf(
        IReadOnlyList<Sessions.Exposure> exposures
    )
    {
        var roles = exposures.Select(e => e.Role).OfType<ItemRole>().Distinct().ToArray();
        ItemRole? only = roles is [var one] ? one : null;
        return exposures.GroupBy(e => e.Role ?? only).Select(g => (g.Key, (IReadOnlyList<Sessions.Exposure>)[.. g]));
    }
}
