using Cumbre.Core.Athletes;
using Cumbre.Core.Explanations;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Programmes.Generation;

/// <summary>
/// Fills the days of the first week: skills, main and second exercises, what supports them, warm-up and cool-down.
/// </summary>
internal sealed class SessionBuilder(
    Trainable gym,
    IReadOnlyList<Skill> skills,
    IReadOnlyList<ShapeDay> shape,
    GeneratorRules rules,
    BlockWish wish,
    List<Notice> notices
)
{
    private const int MobilityReps = 10,
        TightDrills = 2,
        TextMaximum = 200,
        LimitingSessions = 2,
        SetsForAll = 15,
        StretchSeconds = 15;

    /// <summary>Of the key of an item that carries the volume beside short singles.</summary>
    public const string BeforeSuffix = "-before";

    private const decimal LongSession = 0.7m;

    private readonly List<int> legDays = [];

    private readonly Selection selection = new(gym, skills, rules, wish);
    private readonly List<(string Movement, int Day)> limitingTaken = [];

    private Schools Schools => gym.Athlete.Athlete.Schools;

    private DraftDay[] week = [];

    private bool LegsNear(DraftDay day) =>
        week.Any(d =>
            WeekShape.Between(d.Shape.Weekday, day.Shape.Weekday) == 1
            && d.Items.Any(i => i.Movement.Pattern == Pattern.Legs)
        );

    public IReadOnlyList<DraftDay> FirstWeek()
    {
        var days = week = [.. shape.Select((day, i) => new DraftDay(day, Fill(day, i)))];
        var any = days.Any(d => d.Items.Count > 0);
        foreach (
            var pattern in new[]
            {
                Pattern.VerticalPull,
                Pattern.HorizontalPull,
                Pattern.VerticalPush,
                Pattern.HorizontalPush,
            }.Where(p => any && !days.Any(d => d.Items.Any(i => i.Movement.Pattern == p)))
        )
        {
            if (
                days.Any(d => d.Shape.Pulls && DoseReader.IsPull(pattern))
                || days.Any(d => d.Shape.Pushes && DoseReader.IsPush(pattern))
            )
                notices.Add(
                    Notice.Of(
                        NoticeId.PatternMissing,
                        Quantity.Name(PatternNames.Of(pattern)),
                        Quantity.Word(gym.WhyNone(gym.Catalogue.Movements.Values.Where(m => m.Pattern == pattern)))
                    )
                );
        }

        foreach (var day in days)
            Frames(day);
        return days;
    }

    /// <summary>
    /// Warm-up for the joints that a session loads, ramp sets before a loaded lift, easier rungs before a skill; never
    /// over its share of the time.
    /// </summary>
    public void Frames(DraftDay day)
    {
        var patterns = day.Items.Select(i => i.Movement.Pattern).ToHashSet();
        var drills = rules
            .WarmUp.Where(d => d.Patterns.Any(patterns.Contains) && d.Unless?.Any(patterns.Contains) != true)
            .Select(d => (d.Seconds, d.Text))
            .ToList();
        if (day.Items.Any(i => i.Skill is not null))
            drills.Add((rules.EasierRungSeconds, "easier steps of today's ladder"));
        var lifts = day.Items.Count(i =>
            i.IsMain && i.Read(gym.Athlete).Resolved?.Loads.Any(l => l.Value.Made > Mass.Zero) == true
        );
        if (lifts > 0)
            drills.Add((rules.RampSeconds * lifts, "one or two ramp sets"));
        else if (day.Items.Any(i => i.IsMain))
            drills.Add((rules.RampSeconds, "an easier set of the first lift"));
        var most = (int)(Minutes * 60 * rules.FrameShare);
        var coolDown = Math.Min(rules.CoolDownSeconds, most / 3);
        // What the session has room for, once it is filled.
        var room = Minutes * 60 - coolDown - (day.Seconds(gym.Athlete) - day.WarmUp.Seconds - day.CoolDown.Seconds);
        var warmUp = Math.Min(drills.Sum(d => d.Seconds), most - coolDown);
        if (room > 0)
            warmUp = Math.Min(warmUp, room);
        // Whole half minutes are easier to read on a sheet.
        day.WarmUp = new(warmUp / 30 * 30, Text(drills.Select(d => d.Text)));
        day.CoolDown = new(coolDown / 30 * 30, rules.CoolDown);
    }

    public int Minutes { get; } = wish.Minutes ?? gym.Athlete.Intake.Minutes ?? rules.MinutesUnknown;

    private static string? Text(IEnumerable<string> drills)
    {
        var text = "";
        foreach (var drill in drills.Where(d => text.Length + d.Length + 2 <= TextMaximum))
            text += text.Length == 0 ? char.ToUpperInvariant(drill[0]) + drill[1..] : "; " + drill;
        return text.Length == 0 ? null : text;
    }

    private List<Draft> Fill(ShapeDay day, int index)
    {
        var items = new List<Draft>();
        foreach (var skill in day.Hard)
            items.AddRange(Hard(skill, "skill-" + skill.Ladder.Slug));
        foreach (var skill in day.Light)
            items.AddRange(Light(skill, "skill-" + skill.Ladder.Slug));
        foreach (var skill in day.Kept)
            Add(items, Kept(skill));
        Limiting(day, items);
        foreach (var item in items)
            selection.Count(item.Movement);
        foreach (var drill in day.Light.Where(s => s.Advance).SelectMany(selection.DrillsOf).Take(1))
        {
            if (
                items.All(i => i.Movement != drill)
                && FirstDose.For("school", SlotRole.Limiting, drill, gym) is { } draft
            )
                items.Add(draft.Because(StepKey.BySchool, Quantity.Name(drill.Name), Quantity.Name(drill.Name)));
        }

        // A skill with bent arms is the hard work of its pattern on its hard day.
        bool IsTaken(Pattern pattern) => items.Any(i => i.Role == SlotRole.SkillHard && i.Movement.Pattern == pattern);
        var skipped = Skipped(index);
        if (day.Pulls && !IsTaken(Pattern.VerticalPull))
            Add(items, Choose("mainPull", Pattern.VerticalPull, SlotRole.MainPull, items, day));
        if (day.Pushes && skipped != Pattern.VerticalPush && !IsTaken(Pattern.VerticalPush))
            Add(items, Choose("mainPush", Pattern.VerticalPush, SlotRole.MainPush, items, day));
        if (day.Pulls && skipped != Pattern.HorizontalPull)
            Add(items, Choose("secondPull", Pattern.HorizontalPull, SlotRole.SecondPull, items, day));
        if (day.Pushes && skipped != Pattern.HorizontalPush)
            Add(items, Choose("secondPush", Pattern.HorizontalPush, SlotRole.SecondPush, items, day));
        if (day.Kind == DayKind.Pull)
            Add(items, Isolation("isolation", rules.Isolation.Pull, items));
        if (day.Kind == DayKind.Push)
            Add(items, Isolation("isolation", rules.Isolation.Push, items));
        // Where nothing of the upper body can be trained, legs and trunk fill the day.
        var lower =
            day.Kind is DayKind.Legs or DayKind.Lower || !items.Any(i => i.IsMain || i.IsSecond || i.Skill is not null);
        if (lower)
            Add(items, Choose("legs", Pattern.Legs, SlotRole.Legs, items, day));
        // Legs and trunk take turns where the upper body fills the day, unless one of them is a goal.
        bool IsGoal(Pattern pattern) => skills.Any(s => s.Advance && s.Ladder.Pattern == pattern);
        var legsBefore = legDays.Any(d => WeekShape.Between(d, day.Weekday) == 1);
        if (
            lower
            || IsGoal(Pattern.Legs)
            || (
                !legsBefore
                && (day.Kind is DayKind.StraightArm or DayKind.Push || (day.Kind == DayKind.Full && index % 2 == 1))
            )
        )
            Add(items, Choose("legs2", Pattern.Legs, SlotRole.Legs, items, day));
        if (
            lower
            || IsGoal(Pattern.Trunk)
            || day.Kind is DayKind.StraightArm or DayKind.Pull
            || (day.Kind is DayKind.Full or DayKind.Upper && index % 2 == 0)
        )
            Add(items, Choose("trunk", Pattern.Trunk, SlotRole.Trunk, items, day));
        AddMobility(items, index);
        foreach (var item in items)
            item.FullSets = item.Plan.SetCount;
        if (items.Any(i => i.Role == SlotRole.Legs))
            legDays.Add(day.Weekday);
        return InOrder(items);
    }

    /// <summary>
    /// Of three full days that hold few sets each one leaves out a base pattern that belongs to no goal, in turn, so
    /// that legs and trunk find a place (this project's choice).
    /// </summary>
    private Pattern? Skipped(int index)
    {
        if (shape.Count(d => d.Kind == DayKind.Full) < 3 || gym.Dose.SetsIn(Minutes) >= SetsForAll)
            return null;
        Pattern[] free =
        [
            .. new[] { Pattern.VerticalPush, Pattern.HorizontalPush, Pattern.HorizontalPull }.Where(p =>
                !skills.Any(s => s.Advance && (s.Ladder.Pattern == p || s.Movement?.Pattern == p))
            ),
        ];
        return free.Length == 0 ? null : free[index % free.Length];
    }

    private static void Add(List<Draft> items, Draft? draft)
    {
        if (draft is not null)
            items.Add(draft);
    }

    private Draft? Choose(string key, Pattern pattern, SlotRole role, List<Draft> items, ShapeDay day) =>
        selection.Choose(key, pattern, role, [.. items.Select(i => i.Movement.Slug)], AwayFromFloor(day));

    private bool AwayFromFloor(ShapeDay day) =>
        shape.Any(d =>
            WeekShape.Between(d.Weekday, day.Weekday) == 1
            && d.Skills.Any(s => s.Movement!.Pattern == Pattern.StraightArmPush)
        );

    /// <summary>
    /// What else a day can hold while there is time and some pattern is short of sets, the first choice first: a base
    /// pattern that the day does not have, isolation with stretch, legs, trunk, what protects the joints, mobility.
    /// </summary>
    public IEnumerable<Draft> More(DraftDay day)
    {
        var items = day.Items;
        bool Has(Pattern pattern) => items.Any(i => i.Movement.Pattern == pattern && i.IsWork);
        // A skill has taken the place of the main exercise: in a long session there is room for both.
        if (day.Seconds(gym.Athlete) < Minutes * 60 * LongSession)
        {
            foreach (
                var (trains, pattern, role) in new[]
                {
                    (day.Shape.Pulls, Pattern.VerticalPull, SlotRole.MainPull),
                    (day.Shape.Pushes, Pattern.VerticalPush, SlotRole.MainPush),
                }
            )
            {
                if (
                    trains
                    && !items.Any(i => i.Role == role)
                    && Choose("more-" + role, pattern, role, items, day.Shape) is { } main
                )
                    yield return main;
            }
        }

        if (
            day.Shape.Kind == DayKind.StraightArm
            && Choose("secondPull", Pattern.HorizontalPull, SlotRole.SecondPull, items, day.Shape) is { } row
        )
            yield return row;
        foreach (
            var (key, pattern, role) in new[]
            {
                ("legs3", Pattern.Legs, SlotRole.Legs),
                ("trunk2", Pattern.Trunk, SlotRole.Trunk),
            }
        )
        {
            if (
                (!Has(pattern) || !day.Shape.IsUpper)
                && !(pattern == Pattern.Legs && LegsNear(day))
                && Choose(key, pattern, role, items, day.Shape) is { } draft
            )
                yield return draft;
        }

        if (!day.Shape.IsUpper)
            yield break;
        foreach (var small in Small(day))
            yield return small;
    }

    /// <summary>Work for the blades and joints that the day loads: it takes minutes and no recovery.</summary>
    private IEnumerable<Draft> Small(DraftDay day)
    {
        var items = day.Items;
        foreach (
            var movement in OfTheDay(day.Shape)
                .SelectMany(s => Selection.SupportsOf(s, rules))
                .Select(gym.Find)
                .OfType<Movement>()
                .Where(m => m.Pattern == Pattern.ShoulderBlade && m.Arms == ArmMode.Straight)
                .Where(m => items.All(i => i.Movement != m) && selection.Uses(m.Slug) < LimitingSessions)
                .Take(1)
        )
        {
            if (FirstDose.For("blades", SlotRole.Isolation, movement, gym) is not { } blades)
                continue;
            selection.Count(movement);
            yield return blades;
        }

        foreach (var alternatives in rules.Protective)
        {
            if (
                alternatives.Select(gym.Find).OfType<Movement>().FirstOrDefault() is { } movement
                && items.All(i => i.Movement != movement)
                && FirstDose.For("protect-" + alternatives[0], SlotRole.Mobility, movement, gym) is { } draft
            )
                yield return draft.Step(
                    StepKey.Protects,
                    Quantity.Name(movement.Name),
                    Quantity.Name(string.Join(", ", movement.PrimeMovers))
                );
        }

        foreach (
            var movement in rules
                .Mobility.Select(gym.Find)
                .OfType<Movement>()
                .Where(m => items.All(i => i.Movement != m))
                .Take(1)
        )
        {
            if (FirstDose.For("loosen", SlotRole.Mobility, movement, gym) is { } draft)
                yield return draft.Step(StepKey.LoosensAlone, Quantity.Name(movement.Name));
        }
    }

    /// <summary>The skills of a day; where it has none, those that no day has.</summary>
    private IEnumerable<Skill> OfTheDay(ShapeDay day) =>
        day.Skills.Any()
            ? day.Skills.Where(s => s.Advance)
            : skills.Where(s => s.Advance && !shape.Any(d => d.Skills.Contains(s)));

    /// <summary>A skill on its hard or light day, under a key of the caller's.</summary>
    public IEnumerable<Draft> OfSkill(string key, Skill skill, bool light) =>
        light ? Light(skill, key) : Hard(skill, key);

    private IEnumerable<Draft> Hard(Skill skill, string key)
    {
        if (skill.StepBefore is null)
            return FirstDose.OfSkill(key, SlotRole.SkillHard, skill, gym) is { } draft
                ? [Named(NewStep(draft, skill), skill)]
                : [];
        return
        [
            Named(FirstDose.Singles(key, SlotRole.SkillHard, skill, gym), skill),
            Named(FirstDose.OfStepBefore(key + BeforeSuffix, SlotRole.SkillHard, skill, gym), skill),
        ];
    }

    private IEnumerable<Draft> Light(Skill skill, string key)
    {
        // Speed and height are one quality: the light day of fast work pulls to the place that is reached already.
        if (
            skill is { StepBefore: null, Movement.Fast: true }
            && HeightOf(skill) is { } height
            && FirstDose.For(key, SlotRole.SkillLight, height, gym) is { } high
        )
            return [Lightened(Named(high.For(skill), skill))];
        if (skill.StepBefore is null)
            return FirstDose.OfSkill(key, SlotRole.SkillLight, skill, gym) is { } draft
                ? [Lightened(Named(NewStep(draft, skill), skill))]
                : [];
        return
        [
            Named(FirstDose.Singles(key, SlotRole.SkillLight, skill, gym, LimitingSessions), skill),
            Lightened(Named(FirstDose.OfStepBefore(key + BeforeSuffix, SlotRole.SkillLight, skill, gym), skill)),
        ];
    }

    /// <summary>The movement by which later steps of a fast one are measured, if its height was shown; null: none.</summary>
    private Movement? HeightOf(Skill skill) =>
        skill
            .Ladder.Steps.Select(s => gym.Catalogue.Movements[s.Movement])
            .FirstOrDefault(m =>
                m != skill.Movement
                && m.Measure == BenchmarkMeasure.ContactHeight
                && m.Pattern == skill.Movement!.Pattern
                && gym.Catalogue.BenchmarksOf(m.Slug).Any(b => gym.Athlete.Book.Has(b.Slug))
                && gym.Can(m)
            );

    internal static Draft Lightened(Draft draft)
    {
        var light = FirstDose.Light(draft.Plan);
        draft.Rewrite(light, StepKey.LightShare, Quantity.Sets(light.SetCount));
        return draft;
    }

    private Draft? Kept(Skill skill)
    {
        var key = "kept-" + skill.Ladder.Slug;
        var plain = skill.StepBefore is null
            ? FirstDose.OfSkill(key, SlotRole.SkillKept, skill, gym)
            : FirstDose.OfStepBefore(key, SlotRole.SkillKept, skill, gym);
        if (plain is null)
            return null;
        var draft = Named(plain, skill);
        // The week that advances the skill has a hard day and a light one; of both together a third is left.
        var week = draft.Plan.SetCount + Portion(draft.Plan.SetCount, rules.LightShare);
        var sets = Math.Max(1, (int)Math.Round(week * rules.KeptShare, MidpointRounding.AwayFromZero));
        draft.Rewrite(
            Fewer(draft.Plan, Math.Min(sets, draft.Plan.SetCount)),
            StepKey.KeptShare,
            Quantity.Sets(sets),
            Quantity.Sets(week)
        );
        return draft;
    }

    private Draft Named(Draft draft, Skill skill)
    {
        draft.Input(InputKey.ForGoal, Quantity.Name(skill.Ladder.Name));
        if (skill.StandsInFor is { } first)
            draft.Because(
                StepKey.StandsIn,
                Quantity.Name(skill.Movement!.Name),
                Quantity.Name(first.First.Name),
                Quantity.Name(first.Why.What)
            );
        else if (skill.Step is { } step)
            draft.Because(StepKey.LevelOfStep, Quantity.Name(step.Name), Quantity.Name(skill.Ladder.Name));
        if (skill.Limiting is { } limiting)
            draft
                .Because(
                    StepKey.HoldsBack,
                    Quantity.Name(Skills.Threshold(limiting, gym)),
                    Quantity.Name(skill.Ladder.Name)
                )
                .Evidence([Ladders.PlacementReport.Evidence(limiting.Term, gym.Catalogue)]);
        return draft;
    }

    /// <summary>The three short holds that find a level are the least already (this project's choice).</summary>
    private Draft NewStep(Draft draft, Skill skill) =>
        skill.IsNew && draft is { IsStraightArm: true, FindsLevel: false }
            ? Share(draft, rules.NewStepShare, StepKey.NewStepShare, Quantity.Weeks(rules.NewStepWeeks))
            : draft;

    private static Draft Share(Draft draft, decimal share, StepKey key, params Quantity[] args)
    {
        var sets = Portion(draft.Plan.SetCount, share);
        draft.Rewrite(Fewer(draft.Plan, sets), key, Quantity.Sets(sets), args);
        return draft;
    }

    /// <summary>So many sets, and none more for a weaker side: that is for the hard day.</summary>
    internal static Prescription Fewer(Prescription plan, int sets) =>
        plan.WithSets(sets) with
        {
            Sides = plan.Sides.WithoutMore(),
        };

    /// <summary>A share of the sets, rounded up, at least one.</summary>
    internal static int Portion(int sets, decimal share) => Math.Max(1, (int)Math.Ceiling(sets * share));

    /// <summary>Work for what holds a goal back, twice a week, where no main exercise can be that.</summary>
    private void Limiting(ShapeDay day, List<Draft> items)
    {
        var limitingDays = limitingTaken.ToLookup(t => t.Movement, StringComparer.Ordinal);
        foreach (var skill in skills.Where(s => s is { Advance: true, LimitingMovement: not null }))
        {
            var movement = skill.LimitingMovement!;
            if (
                IsBasePattern(movement)
                || items.Any(i => i.Movement.Slug == movement.Slug)
                || limitingDays[movement.Slug].Count() >= LimitingSessions
            )
                continue;
            if (
                !Suits(movement, day)
                || StraightArmNear(movement, day)
                || limitingDays[movement.Slug].Any(d => WeekShape.Between(d.Day, day.Weekday) == 1)
            )
                continue;
            if (FirstDose.OfLimiting("limiting-" + skill.Ladder.Slug, movement, skill, gym) is not { } draft)
                continue;
            // The second day of an explosive or straight-arm movement is a light one.
            if (limitingDays[movement.Slug].Any() && (draft.Plan.IsFast || draft.IsStraightArm))
                Lightened(draft);
            limitingTaken.Add((movement.Slug, day.Weekday));
            items.Add(draft);
        }
    }

    private bool IsBasePattern(Movement movement) =>
        movement.Pattern
            is Pattern.VerticalPull
                or Pattern.HorizontalPull
                or Pattern.VerticalPush
                or Pattern.HorizontalPush
        && rules.IsBaseMovement(movement.Slug)
        && !movement.Fast
        && movement.Measure is BenchmarkMeasure.Reps or BenchmarkMeasure.LoadTimesReps;

    private static bool Suits(Movement movement, ShapeDay day) =>
        DoseReader.IsPull(movement.Pattern) ? day.Pulls
        : DoseReader.IsPush(movement.Pattern) ? day.Pushes
        : day.Kind is not (DayKind.Legs or DayKind.Lower);

    private bool StraightArmNear(Movement movement, ShapeDay day) =>
        movement.Pattern is Pattern.StraightArmPull or Pattern.StraightArmPush
        && shape.Any(d =>
            WeekShape.Between(d.Weekday, day.Weekday) <= 1 && d.Skills.Any(s => s.Movement!.Pattern == movement.Pattern)
        );

    private Draft? Isolation(string key, IReadOnlyList<string> slugs, List<Draft> items)
    {
        if (
            slugs.Select(gym.Find).OfType<Movement>().FirstOrDefault(m => items.All(i => i.Movement != m))
            is not { } movement
        )
            return null;
        var dosed = FirstDose.For(key, SlotRole.Isolation, movement, gym);
        if (dosed is null || movement.Measure == BenchmarkMeasure.Seconds)
            return dosed;
        // Pulling movements end in a loaded stretch; of what nothing is known the level comes first.
        if (DoseReader.IsPull(movement.Pattern))
            dosed.Replace(
                dosed.Plan is DoubleProgression range
                    ? new RepsWithStretch(range.SetTotal, range.Low, range.High, StretchSeconds).Like(range) with
                    {
                        Effort = null,
                    }
                    : dosed.Plan
            );
        return dosed.Step(StepKey.LongPosition, Quantity.Name(string.Join(", ", movement.PrimeMovers)));
    }

    /// <summary>
    /// Drills in turn with the last main exercise, as active recovery: more for tight shoulders, none for loose ones.
    /// </summary>
    private void AddMobility(List<Draft> items, int index)
    {
        var count = gym.Athlete.Intake.Shoulders switch
        {
            ShoulderRange.Loose => 0,
            ShoulderRange.Tight => TightDrills,
            _ => 1,
        };
        var drills = rules.Mobility.Select(gym.Find).OfType<Movement>().ToArray();
        for (var i = 0; i < Math.Min(count, drills.Length); i++)
            items.Add(
                new Draft(
                    "mobility" + i,
                    SlotRole.Mobility,
                    drills[(index + i) % drills.Length],
                    new StraightSets(2, MobilityReps) { RestSeconds = 0 }
                )
                {
                    Joined = true,
                }
            );
    }

    /// <summary>
    /// Skills first when fresh, or last by school; pull before push or the other way; then second exercises, small
    /// ones, trunk, legs.
    /// </summary>
    private List<Draft> InOrder(List<Draft> items)
    {
        var skillLast = Schools["skill-order"] == "last";
        var pushFirst = Schools["first-exercise"] == "push";
        int Rank(Draft draft) =>
            draft.Role switch
            {
                SlotRole.SkillHard or SlotRole.SkillLight or SlotRole.SkillKept or SlotRole.Limiting => (
                    skillLast ? 40 : 0
                )
                    + (
                        draft.Plan.IsFast ? 0
                        : draft.IsStraightArm ? 1
                        : 2
                    ),
                SlotRole.MainPull => pushFirst ? 11 : 10,
                SlotRole.MainPush => pushFirst ? 10 : 11,
                SlotRole.SecondPull => pushFirst ? 21 : 20,
                SlotRole.SecondPush => pushFirst ? 20 : 21,
                SlotRole.Isolation => 30,
                // A tired trunk spoils a squat, not the other way round (common practice, no source).
                SlotRole.Legs => 32,
                SlotRole.Trunk => 34,
                _ => 50,
            };
        var ordered = items.Where(i => i.Role != SlotRole.Mobility).OrderBy(Rank).ToList();
        var drills = items.Where(i => i.Role == SlotRole.Mobility).ToArray();
        var host =
            ordered.FindLastIndex(i => i.IsSecond) is var second and >= 0 ? second
            : ordered.FindLastIndex(i => i.IsMain) is var main and >= 0 ? main
            : ordered.Count - 1;
        foreach (var drill in drills)
        {
            if (host >= 0)
                drill.Step(
                    StepKey.LoosensBetween,
                    Quantity.Name(drill.Movement.Name),
                    Quantity.Name(ordered[host].Movement.Name)
                );
            else
                drill.Step(StepKey.LoosensAlone, Quantity.Name(drill.Movement.Name));
        }

        ordered.InsertRange(host + 1, drills);
        if (ordered.Count > 0)
            ordered[0].Joined = false;
        return ordered;
    }
}
