using Cumbre.Core.Explanations;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;

namespace Cumbre.Core.Programmes.Generation;

/// <summary>
/// Puts a block together: loading weeks and an easy week whose last session is the retest. The same input gives the
/// same block. It is
/// held against the checks of the dose panel before it is given out, so that none of them speaks on a fresh block.
/// </summary>
public static class BlockGenerator
{
    /// <param name="athlete">On the day, with goals, kit, schools and history.</param>
    /// <param name="wish">Name, start, and what differs from the intake.</param>
    /// <param name="dose">The usual doses.</param>
    /// <param name="rules">What the block is put together from.</param>
    /// <exception cref="RuleViolationException">The start is no Monday.</exception>
    /// <exception cref="ArgumentException">The athlete was never weighed, so that no load can be worked
    /// out.</exception>
    public static GeneratedBlock Generate(AthleteAtWork athlete, BlockWish wish, DoseRules dose, GeneratorRules rules)
    {
        if (wish.Start.DayOfWeek != DayOfWeek.Monday)
            throw new RuleViolationException(Violation.OutOfRange, "start");
        if (athlete.BodyMass is null)
            throw new ArgumentException("a body mass is needed", nameof(athlete));
        return new Run(athlete, wish, dose, rules).Block();
    }

    private sealed class Run
    {
        private readonly AthleteAtWork athlete;
        private readonly BlockWish wish;
        private readonly DoseRules dose;
        private readonly GeneratorRules rules;
        private readonly Trainable gym;
        private readonly List<Notice> notices = [];
        private readonly List<LeftOut> leftOut = [];

        public Run(AthleteAtWork athlete, BlockWish wish, DoseRules dose, GeneratorRules rules)
        {
            (this.athlete, this.wish, this.dose, this.rules) = (athlete, wish, dose, rules);
            gym = new(athlete, dose, rules);
        }

        public GeneratedBlock Block()
        {
            IntakeNotices.Add(athlete, wish, rules, notices);
            var skills = Skills.Of(gym, wish, rules, notices);
            NoticesOfSchools(skills);
            var builder = new SessionBuilder(
                gym,
                skills,
                WeekShape.Of(skills, wish, athlete, rules, notices),
                rules,
                wish,
                notices
            );
            var proof = new Proof(athlete);
            var fit = new FitWeek(athlete, dose, rules, builder.Minutes, PatternsOfGoals(skills), proof);
            var first = builder.FirstWeek();
            foreach (var day in first)
            {
                var planned = day.Items.Count > 0;
                leftOut.AddRange(fit.Minutes(day));
                if (planned && day.Items.Count == 0 && notices.All(n => n.Id != NoticeId.MinutesShort))
                    notices.Add(Notice.Of(NoticeId.MinutesShort, Quantity.Count(builder.Minutes)));
            }

            foreach (var day in first)
                proof.Mend(day);
            fit.Cap(first);
            fit.Balance(first);
            foreach (var day in first.Where(d => d.Items.Count > 0))
                builder.Frames(day);
            fit.Fill(first, builder.More);
            foreach (var day in first.Where(d => d.Items.Count > 0))
                builder.Frames(day);

            // Where nothing at all can be trained, the reasons of that are told and not what would follow from them.
            var trains = first.Any(d => d.Items.Count > 0);
            if (trains)
                NoticesOfGoals(skills, first);
            if (first.Any(fit.IsShorter))
                notices.Add(Notice.Of(NoticeId.ShorterOnPurpose));
            var weeks = new Weeks(athlete, dose, rules, fit, proof);
            var loading = new List<IReadOnlyList<DraftDay>> { first };
            for (var week = 1; week < (wish.LoadingWeeks ?? rules.LoadingWeeks); week++)
            {
                loading.Add(weeks.Loading(first, loading[^1], week));
                foreach (var day in loading[^1])
                {
                    proof.Mend(day);
                    fit.Trim(day);
                }
            }

            var last = weeks.Easy(first, loading[^1]);
            if (trains && IsNewcomer)
                TestsFirst(first, builder, fit);
            TestsLast(last, loading[^1], skills, builder, fit);
            if (!trains)
                notices.Add(Notice.Of(NoticeId.NothingToTrain));
            return new Mending(athlete, wish, dose, rules, notices).Mend([.. loading, last]) with
            {
                LeftOut = leftOut,
                Notices = notices,
            };
        }

        /// <summary>The patterns that the goals are made of: their own, those of their steps and of what holds them back.</summary>
        private static HashSet<Pattern> PatternsOfGoals(IReadOnlyList<Skill> skills) =>
            [
                .. skills
                    .Where(s => s.Advance)
                    .SelectMany(s =>
                        new[] { s.Ladder.Pattern, s.Movement?.Pattern, s.LimitingMovement?.Pattern }.OfType<Pattern>()
                    ),
            ];

        private bool IsNewcomer => !gym.Catalogue.Benchmarks.Keys.Any(athlete.Book.Has);

        /// <summary>A newcomer's first session is the battery.</summary>
        private void TestsFirst(IReadOnlyList<DraftDay> week, SessionBuilder builder, FitWeek fit)
        {
            notices.Add(Notice.Of(NoticeId.NoTests));
            if (week.Count == 0 || Retest.Battery(gym, notices) is not { Count: > 0 } tests)
                return;
            foreach (var left in PutTests(week[0], tests, builder, fit))
                leftOut.Add(LeftOutOf(week[0], left));
        }

        /// <summary>The last session of the easy week is the retest; where it does not hold the tests, the last two are.</summary>
        private void TestsLast(
            IReadOnlyList<DraftDay> week,
            IReadOnlyList<DraftDay> trained,
            IReadOnlyList<Skill> skills,
            SessionBuilder builder,
            FitWeek fit
        )
        {
            var days = week.Where(d => d.Items.Count > 0).ToArray();
            if (days.Length == 0)
                return;
            var tests = Retest.Of(gym, skills, trained, notices);
            if (tests.Count == 0)
            {
                notices.Add(Notice.Of(NoticeId.NothingToTest));
                return;
            }

            var left = PutTests(days[^1], tests, builder, fit);
            if (left.Count > 0 && days.Length > 2)
                left = PutTests(days[^2], left, builder, fit);
            foreach (var draft in left)
                leftOut.Add(LeftOutOf(days[^1], draft));
            // What is tested on the next day is not tired the day before.
            if (days.Length > 1 && days[^1].Shape.Weekday - days[^2].Shape.Weekday == 1)
                days[^2]
                    .Items.RemoveAll(i =>
                        i.Role != SlotRole.Test && (i.IsStraightArm || Trainable.PressesFromFloor(i.Movement))
                    );
        }

        private LeftOut LeftOutOf(DraftDay day, Draft draft) =>
            new(day.Shape.DayOfWeek, DropKind.Main, draft.Movement.Name, draft.Read(athlete).Seconds);

        /// <summary>What does not fit is given back.</summary>
        private static IReadOnlyList<Draft> PutTests(
            DraftDay day,
            IReadOnlyList<Draft> tests,
            SessionBuilder builder,
            FitWeek fit
        )
        {
            day.Items.Clear();
            day.Items.AddRange(tests);
            builder.Frames(day);
            var left = new List<Draft>();
            while (fit.IsOver(day) && day.Items.Count > 1)
            {
                // What decides a goal that is worked on stays longest.
                var last = day.Items.FindLastIndex(i => !i.HoldsBack);
                var least = day.Items[last >= 0 ? last : ^1];
                left.Insert(0, least);
                day.Items.Remove(least);
                builder.Frames(day);
            }

            return left;
        }

        /// <summary>A goal that nothing of the week serves is said, whatever the reason.</summary>
        private void NoticesOfGoals(IReadOnlyList<Skill> skills, IReadOnlyList<DraftDay> week)
        {
            foreach (var skill in skills.Where(s => s.Advance))
            {
                var steps = skill.Ladder.Steps.Select(s => s.Movement).ToHashSet(StringComparer.Ordinal);
                var serves = week.SelectMany(d => d.Items)
                    .Any(i =>
                        i.Skill == skill
                        || i.Movement == skill.LimitingMovement
                        || steps.Contains(i.Movement.Slug)
                        || (rules.IsBase(skill.Ladder.Slug) && i.Movement.Pattern == skill.Ladder.Pattern)
                    );
                if (!serves && !notices.Any(n => n.Args.Any(a => a.Code == skill.Ladder.Name)))
                    notices.Add(
                        skill.Movement is null && athlete.Placements[skill.Ladder.Slug].Training is { } at
                            ? Skills.NotTrainable(skill.Ladder, at, gym)
                            : Notice.Of(NoticeId.GoalGivesWay, Quantity.Name(skill.Ladder.Name))
                    );
            }
        }

        private void NoticesOfSchools(IReadOnlyList<Skill> skills)
        {
            var schools = athlete.Athlete.Schools;
            if (
                schools["overload"] == "leverage"
                && skills.FirstOrDefault(s =>
                    gym.Catalogue.Movements[s.Ladder.Summit.Movement].Measure == BenchmarkMeasure.LoadTimesReps
                )
                    is { } loaded
            )
                notices.Add(Notice.Of(NoticeId.LeverageAgainstLoad, Quantity.Name(loaded.Ladder.Name)));
            if (
                schools["implement"] == "rings"
                && athlete.Gear.IsGearKnown
                && athlete.Gear.Gear.All(g => g.Kind != Loading.GearKind.Rings)
            )
                notices.Add(Notice.Of(NoticeId.RingsMissing));
            if (schools["effort"] == "failure")
                notices.Add(Notice.Of(NoticeId.FailureOnlyWhereHarmless));
        }
    }
}
