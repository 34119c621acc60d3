using Cumbre.Core.Explanations;
using Cumbre.Core.Movements;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Programmes.Generation;

/// <summary>The part that an exercise plays in a session.</summary>
public enum SlotRole
{
    SkillHard,
    SkillLight,
    SkillKept,

    /// <summary>Work for what holds a goal back.</summary>
    Limiting,
    MainPull,
    MainPush,
    SecondPull,
    SecondPush,
    Isolation,
    Trunk,
    Legs,
    Mobility,

    /// <summary>A test at the end of the block, or before a newcomer's first.</summary>
    Test,
}

/// <summary>An exercise on its way into a block, with the reasons collected so far.</summary>
internal sealed class Draft(string key, SlotRole role, Movement movement, Prescription plan)
{
    private readonly List<Fact> inputs = [];
    private readonly List<WorkingStep> steps = [];
    private IReadOnlyList<ThresholdEvidence> thresholds = [];
    private int choices;
    private Prescription current = plan;
    private ItemReading? reading;

    /// <summary>Its name within the session: the same in every week and in every generation.</summary>
    public string Key { get; } = key;

    public SlotRole Role { get; } = role;

    public Movement Movement { get; } = movement;

    public Prescription Plan
    {
        get => current;
        private set => (current, reading) = (value, null);
    }

    public Skill? Skill { get; init; }

    public bool Joined { get; set; }

    /// <summary>Its sets are those of a whole group: it grows and is mended in another way.</summary>
    public bool SetsAreFixed { get; set; }

    /// <summary>Its dose is a guess or an estimate, to be held against the first session.</summary>
    public bool IsGuess { get; set; }

    /// <summary>Nothing is known of it: it is dosed anew after its first session.</summary>
    public bool FindsLevel { get; init; }

    /// <summary>Below the zone on purpose, as few reps are there.</summary>
    public bool IsPractice { get; init; }

    /// <summary>Eased, as it loads what hurts.</summary>
    public bool IsEased { get; set; }

    public string Line => NotationPrinter.Print(Plan);

    public bool IsStraightArm => Movement.Pattern is Pattern.StraightArmPull or Pattern.StraightArmPush;

    /// <summary>Short singles of a step that is not earned for volume yet.</summary>
    public bool IsExposure =>
        Skill is { StepBefore: not null } && Movement == Skill.Movement && Plan is HoldSets or VariedHolds;

    public bool IsMain => Role is SlotRole.MainPull or SlotRole.MainPush;

    public bool IsSecond => Role is SlotRole.SecondPull or SlotRole.SecondPush;

    /// <summary>The part that decisions know it by.</summary>
    public ItemRole ItemRole =>
        Role switch
        {
            SlotRole.Test => ItemRole.Retest,
            SlotRole.Mobility => ItemRole.Preparation,
            _ when Movement.Pattern == Pattern.Mobility => ItemRole.Preparation,
            _ when Plan is PracticeSets => ItemRole.Practice,
            SlotRole.SkillLight => ItemRole.Light,
            SlotRole.SkillKept => ItemRole.Kept,
            _ when FindsLevel => ItemRole.LevelFinding,
            SlotRole.SkillHard => ItemRole.Hard,
            SlotRole.Limiting => ItemRole.Limiting,
            _ when IsPractice => ItemRole.Practice,
            SlotRole.MainPull or SlotRole.MainPush => ItemRole.Main,
            SlotRole.SecondPull or SlotRole.SecondPush => ItemRole.Second,
            _ => ItemRole.Support,
        };

    /// <summary>It goes on as it is: it prepares, protects, is light on purpose, or ends before it is hard.</summary>
    public bool StaysTheSame =>
        ItemRole is ItemRole.Preparation or ItemRole.Light or ItemRole.Kept or ItemRole.Retest
        || Plan is PracticeSets
        || Plan.IsFast
        || Movement.Pattern == Pattern.ShoulderBlade;

    /// <summary>Does it count as a working set, as against what prepares or loosens?</summary>
    public bool IsWork =>
        Role is not SlotRole.Mobility && Movement.Pattern is not (Pattern.Mobility or Pattern.ShoulderBlade);

    /// <summary>The sets that it was meant to have, before minutes took any.</summary>
    public int FullSets { get; set; } = plan.SetCount;

    /// <summary>It trains what holds a goal back, whatever its slot.</summary>
    public bool HoldsBack { get; set; }

    /// <summary>A goal asks for it beside its steps: it gives way after what no goal asks for.</summary>
    public bool ServesGoal { get; set; }

    public DropKind DropKind =>
        Role switch
        {
            SlotRole.SecondPull or SlotRole.SecondPush or SlotRole.Legs or SlotRole.Trunk when HoldsBack =>
                DropKind.Limiting,
            SlotRole.Legs or SlotRole.Trunk when ServesGoal => DropKind.Kept,
            SlotRole.SkillHard => DropKind.SkillHard,
            SlotRole.SkillLight => DropKind.SkillLight,
            SlotRole.SkillKept => DropKind.Kept,
            SlotRole.Limiting => DropKind.Limiting,
            SlotRole.MainPull or SlotRole.MainPush or SlotRole.Test => DropKind.Main,
            SlotRole.SecondPull or SlotRole.SecondPush => DropKind.Second,
            SlotRole.Isolation => DropKind.Isolation,
            SlotRole.Trunk => DropKind.Trunk,
            SlotRole.Legs => DropKind.Legs,
            _ => DropKind.Mobility,
        };

    public Draft Input(InputKey key, Quantity value)
    {
        inputs.Add(new(key, value));
        return this;
    }

    public Draft Step(StepKey key, Quantity result, params Quantity[] args)
    {
        steps.Add(new(key, args, result));
        return this;
    }

    /// <summary>A reason for the choice of the exercise: these stand before those of its dose.</summary>
    public Draft Because(StepKey key, Quantity result, params Quantity[] args)
    {
        steps.Insert(choices++, new(key, args, result));
        return this;
    }

    public Draft Evidence(IReadOnlyList<ThresholdEvidence> rows)
    {
        thresholds = rows;
        return this;
    }

    /// <summary>The same as work on a skill.</summary>
    public Draft For(Skill skill) => Moved(Movement, Plan, skill);

    /// <summary>Another movement in its place.</summary>
    public Draft With(Movement movement, Prescription plan) => Moved(movement, plan, Skill);

    /// <summary>Another plan that says the same.</summary>
    public void Replace(Prescription plan) => Plan = plan;

    /// <summary>Another plan, with the reason.</summary>
    public void Rewrite(Prescription plan, StepKey key, Quantity result, params Quantity[] args)
    {
        Plan = plan;
        Step(key, result, args);
    }

    /// <summary>Another plan, whose line is the result of the reason.</summary>
    public void Rewrite(Prescription plan, StepKey key, params Quantity[] args) =>
        Rewrite(plan, key, Quantity.Name(NotationPrinter.Print(plan)), args);

    /// <summary>The same in another week.</summary>
    public Draft Copy()
    {
        var copy = Moved(Movement, Plan, Skill);
        copy.reading = reading;
        return copy;
    }

    private Draft Moved(Movement movement, Prescription plan, Skill? skill)
    {
        var copy = new Draft(Key, Role, movement, plan)
        {
            Skill = skill,
            Joined = Joined,
            SetsAreFixed = SetsAreFixed,
            IsGuess = IsGuess,
            FindsLevel = FindsLevel,
            IsPractice = IsPractice,
            IsEased = IsEased,
            FullSets = FullSets,
            HoldsBack = HoldsBack,
            ServesGoal = ServesGoal,
            thresholds = thresholds,
            choices = choices,
        };
        copy.inputs.AddRange(inputs);
        copy.steps.AddRange(steps);
        return copy;
    }

    /// <summary>What it means for the athlete; a draft belongs to one.</summary>
    public ItemReading Read(AthleteAtWork athlete)
    {
        if (reading is null || reading.Item.Joined != Joined)
            reading = athlete.Read(new(Guid.Empty, Movement.Slug, WrittenLine.Of(Plan), Joined));
        return reading;
    }

    public Explanation Why()
    {
        var why = Explanation
            .For(RuleId.ItemChosen, Quantity.Word(Role))
            .Source(SourceId.CommonPractice, SourceId.House);
        foreach (var input in inputs)
            why.Input(input.Key, input.Value);
        foreach (var step in steps)
            why.Step(step.Key, step.Result, [.. step.Args]);
        return why.Thresholds(thresholds).Build();
    }
}

/// <summary>A session on its way into a block.</summary>
internal sealed class DraftDay(ShapeDay shape, List<Draft> items)
{
    public ShapeDay Shape { get; } = shape;

    public List<Draft> Items { get; } = items;

    /// <summary>In the coach's words; null: by what is in it.</summary>
    public string? Title { get; init; }

    public Frame WarmUp { get; set; } = new(0, null);

    public Frame CoolDown { get; set; } = new(0, null);

    public DraftDay Copy() =>
        new(Shape, [.. Items.Select(i => i.Copy())])
        {
            Title = Title,
            WarmUp = WarmUp,
            CoolDown = CoolDown,
        };

    /// <summary>Working sets: what prepares or loosens is not counted, two sides are one set.</summary>
    public int WorkingSets => Items.Where(i => i.IsWork).Sum(i => i.Plan.SetCount);

    public int Seconds(AthleteAtWork athlete) =>
        WarmUp.Seconds
        + CoolDown.Seconds
        + SessionTime.Groups([.. Items.Select(i => i.Read(athlete))]).Sum(g => g.Seconds);
}
