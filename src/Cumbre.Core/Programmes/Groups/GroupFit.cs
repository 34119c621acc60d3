using Cumbre.Core.Explanations;
using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes.Generation;

namespace Cumbre.Core.Programmes.Groups;

/// <summary>
/// Fits an outline to one athlete: each station at their own rung, load and help, dosed and carried through the weeks
/// as in a generated block. The stations are the coach's, so that nothing of them is left out or mended away: what the
/// checks find stands as a caution.
/// </summary>
public static class GroupFit
{
    /// <param name="outline">For all.</param>
    /// <param name="athlete">One of them.</param>
    /// <param name="dose">The usual doses.</param>
    /// <param name="rules">Of the generator.</param>
    /// <param name="idOf">The id of a name within the athlete's block, see <see cref="GroupOutline.ItemName"/>.</param>
    /// <exception cref="ArgumentException">The athlete was never weighed.</exception>
    public static GeneratedBlock Fit(
        GroupOutline outline,
        AthleteAtWork athlete,
        DoseRules dose,
        GeneratorRules rules,
        Func<string, Guid> idOf
    )
    {
        if (athlete.BodyMass is null)
            throw new ArgumentException("a body mass is needed", nameof(athlete));
        var wish = new BlockWish(outline.Name, outline.Start, idOf)
        {
            Minutes = outline.Minutes,
            LoadingWeeks = outline.LoadingWeeks,
        };
        return new Run(outline, athlete, wish, dose, rules).Block();
    }

    private sealed class Run
    {
        private const int RestOfRound = 90;

        private readonly GroupOutline outline;
        private readonly AthleteAtWork athlete;
        private readonly BlockWish wish;
        private readonly DoseRules dose;
        private readonly GeneratorRules rules;
        private readonly Trainable gym;
        private readonly List<Notice> notices = [];
        private readonly Dictionary<string, Skill> skills = new(StringComparer.Ordinal);
        private readonly Selection selection;
        private readonly SessionBuilder builder;

        public Run(GroupOutline outline, AthleteAtWork athlete, BlockWish wish, DoseRules dose, GeneratorRules rules)
        {
            (this.outline, this.athlete, this.wish, this.dose, this.rules) = (outline, athlete, wish, dose, rules);
            gym = new(athlete, dose, rules);
            IntakeNotices.Add(athlete, wish, rules, notices);
            foreach (
                var slug in outline
                    .Days.SelectMany(d => d.Stations)
                    .Where(s => s.Kind == StationKind.Ladder)
                    .Select(s => s.Of)
                    .Distinct()
            )
            {
                if (athlete.Atlas.BySlug.TryGetValue(slug, out var ladder))
                    skills[slug] = Skills.One(ladder, true, gym, wish, rules, notices);
            }

            selection = new(gym, [.. skills.Values], rules, wish);
            builder = new(gym, [.. skills.Values], [], rules, wish, notices);
        }

        public GeneratedBlock Block()
        {
            DraftDay[] first = [.. outline.Days.OrderBy(d => GroupOutline.Weekday(d.Day)).Select(Day)];
            if (first.All(d => d.Items.Count == 0))
            {
                notices.RemoveAll(n => n.Id == NoticeId.StationEmpty);
                notices.Add(Notice.Of(NoticeId.NothingToTrain));
            }

            var proof = new Proof(athlete);
            foreach (var day in first)
            {
                proof.Mend(day);
                builder.Frames(day);
            }

            var patterns = skills.Values.Select(s => s.Ladder.Pattern).ToHashSet();
            var fit = new FitWeek(athlete, dose, rules, outline.Minutes, patterns, proof);
            var weeks = new Weeks(athlete, dose, rules, fit, proof) { AsWritten = true };
            var all = new List<IReadOnlyList<DraftDay>> { first };
            for (var week = 1; week < outline.LoadingWeeks; week++)
            {
                all.Add(weeks.Loading(first, all[^1], week));
                foreach (var day in all[^1])
                    proof.Mend(day);
            }

            if (outline.EasyWeek)
                all.Add(weeks.Easy(first, all[^1]));
            return new Mending(athlete, wish, dose, rules, notices).AsWritten(
                all,
                outline.EasyWeek ? WeekKind.Easy : WeekKind.Loading
            );
        }

        private DraftDay Day(OutlineDay day)
        {
            var items = new List<Draft>();
            foreach (var station in day.Stations)
            {
                var at = items.Count;
                items.AddRange(Of(station, day, items));
                foreach (var item in items.Skip(at))
                {
                    if (day.Sets is { } sets && Sets(item, station.Light ? (sets + 1) / 2 : sets) is { } fixedSets)
                        item.Replace(fixedSets);
                    item.SetsAreFixed = day.Sets is not null;
                    if (day.Form != GroupForm.Circuit)
                        continue;
                    item.Replace(item.Plan with { RestSeconds = RestOfRound });
                    item.Joined = item != items[0];
                }
            }

            var shape = new ShapeDay(GroupOutline.Weekday(day.Day), DayKind.Full);
            return new(shape, items) { Title = day.Title.Length > 0 ? day.Title : null };
        }

        private static Prescription? Sets(Draft item, int sets) =>
            item.Plan.WithSets(sets) is var plan && plan.SetCount == sets ? plan : null;

        private IEnumerable<Draft> Of(Station station, OutlineDay day, List<Draft> items)
        {
            IEnumerable<Draft> drafts = station.Kind switch
            {
                StationKind.Ladder when skills.TryGetValue(station.Of, out var skill) => OfLadder(
                    station,
                    skill,
                    items
                ),
                StationKind.Pattern when Enum.TryParse<Pattern>(station.Of, out var pattern) => One(
                    OfPattern(station.Key, pattern, day, items)
                ),
                StationKind.Movement when gym.Catalogue.Movements.TryGetValue(station.Of, out var movement) => One(
                    OfMovement(station.Key, movement, day, items)
                ),
                _ => [],
            };
            var found = drafts.ToArray();
            if (found.Length == 0)
                notices.Add(Notice.Of(NoticeId.StationEmpty, Quantity.Name(NameOf(station))));
            return station.Light && station.Kind != StationKind.Ladder ? found.Select(SessionBuilder.Lightened) : found;
        }

        private static IEnumerable<Draft> One(Draft? draft) => draft is null ? [] : [draft];

        /// <summary>The skill as on its own days; where its first gate is unmet, what holds it back.</summary>
        private IEnumerable<Draft> OfLadder(Station station, Skill skill, List<Draft> items)
        {
            if (skill.Movement is not null)
                return builder.OfSkill(station.Key, skill, station.Light);
            if (
                skill.LimitingMovement is { } limiting
                && FirstDose.OfLimiting(station.Key, limiting, skill, gym) is { } draft
            )
                return [draft];
            return One(
                selection.Choose(station.Key, skill.Ladder.Pattern, RoleOf(skill.Ladder.Pattern), Taken(items), false)
            );
        }

        private Draft? OfPattern(string key, Pattern pattern, OutlineDay day, List<Draft> items) =>
            Chosen(key, pattern, day, items) is { } draft
                ? IsCircuit(day) && draft.IsPractice
                    ? OfMovement(key, draft.Movement, day, items)
                    : draft
                : null;

        /// <summary>In a circuit nothing is heavy: the round has no rest for it.</summary>
        private Draft? Chosen(string key, Pattern pattern, OutlineDay day, List<Draft> items) =>
            selection.Choose(
                key,
                pattern,
                RoleOf(pattern),
                Taken(items),
                false,
                IsCircuit(day) ? LoadedDay.Volume : null
            );

        private static bool IsCircuit(OutlineDay day) => day.Form == GroupForm.Circuit;

        /// <summary>
        /// The movement itself, else with help, else the nearest easier one that the athlete can do; where none is
        /// left, their own movement of the pattern.
        /// </summary>
        private Draft? OfMovement(string key, Movement wanted, OutlineDay day, List<Draft> items)
        {
            // Where a pattern was never tested its level is found as in any block, whatever is wanted.
            var finder = gym.LevelFinders(wanted.Pattern).Select(gym.Find).OfType<Movement>().FirstOrDefault();
            var role = RoleOf(wanted.Pattern);
            Draft? practice = null;
            foreach (
                var movement in Downward(wanted, gym)
                    .Where(m => finder is null || gym.CapacityOf(m).IsMeasured || m == finder)
            )
            {
                if (FirstDose.For(key, role, movement, gym, LoadedDay.Volume) is not { } draft)
                    continue;
                // Few reps far from failing are no station of a circuit, as long as an easier movement is there.
                if (IsCircuit(day) && draft.IsPractice)
                {
                    practice ??= draft;
                    continue;
                }

                if (movement != wanted)
                    draft.Because(
                        StepKey.StandsIn,
                        Quantity.Name(movement.Name),
                        Quantity.Name(wanted.Name),
                        Quantity.Name(gym.ObstacleTo(wanted)?.What ?? movement.Name)
                    );
                return draft;
            }

            return practice
                ?? (GroupOutline.Patterns.Contains(wanted.Pattern) ? Chosen(key, wanted.Pattern, day, items) : null);
        }

        private static string[] Taken(List<Draft> items) => [.. items.Select(i => i.Movement.Slug)];

        private string NameOf(Station station) =>
            station.Kind switch
            {
                StationKind.Ladder => athlete.Atlas.BySlug.GetValueOrDefault(station.Of)?.Name ?? station.Of,
                StationKind.Movement => gym.Catalogue.Movements.GetValueOrDefault(station.Of)?.Name ?? station.Of,
                _ => Enum.TryParse<Pattern>(station.Of, out var pattern) ? PatternNames.Of(pattern) : station.Of,
            };
    }

    /// <summary>The part that a pattern plays in a session that the coach wrote.</summary>
    internal static SlotRole RoleOf(Pattern pattern) =>
        pattern switch
        {
            Pattern.VerticalPull => SlotRole.MainPull,
            Pattern.VerticalPush => SlotRole.MainPush,
            Pattern.HorizontalPull => SlotRole.SecondPull,
            Pattern.HorizontalPush => SlotRole.SecondPush,
            Pattern.Legs => SlotRole.Legs,
            Pattern.Trunk => SlotRole.Trunk,
            Pattern.Mobility => SlotRole.Mobility,
            _ => SlotRole.Limiting,
        };

    /// <summary>
    /// The movement, its help, and the easier ones of its pattern, the nearest first; only what the athlete can do.
    /// </summary>
    internal static IEnumerable<Movement> Downward(Movement wanted, Trainable gym)
    {
        var seen = new HashSet<string>(StringComparer.Ordinal) { wanted.Slug };
        var queue = new Queue<Movement>([wanted]);
        while (queue.TryDequeue(out var movement))
        {
            if (gym.Can(movement))
                yield return movement;
            foreach (
                var next in new[] { movement.AssistedBy }
                    .OfType<string>()
                    .Concat(movement.Easier)
                    .Select(s => gym.Catalogue.Movements[s])
                    .Where(m => m.Pattern == wanted.Pattern && seen.Add(m.Slug))
                    .OrderByDescending(m => m.Slug == movement.AssistedBy)
                    .ThenByDescending(m => Level.Of(m, gym.Catalogue))
            )
                queue.Enqueue(next);
        }
    }
}
