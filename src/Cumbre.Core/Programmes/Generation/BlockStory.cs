using Cumbre.Core.Athletes;
using Cumbre.Core.Explanations;
using Cumbre.Core.Ladders;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Programmes.Generation;

/// <summary>What a block does for a goal.</summary>
/// <param name="Goal">Name of the ladder.</param>
/// <param name="Step">In training; null: no gate is open yet.</param>
/// <param name="HeldBackBy">The threshold that is furthest away, in the notation of the gates; null: nothing.</param>
/// <param name="Hard">Sessions of a week in which it is trained hard.</param>
/// <param name="Light">In which it is light.</param>
public sealed record GoalStory(string Goal, string? Step, string? HeldBackBy, int Hard, int Light);

/// <summary>How a first dose was come by where nothing was measured.</summary>
public enum GuessKind
{
    /// <summary>The first session finds the level.</summary>
    Level,

    /// <summary>Reps reckoned from a related movement.</summary>
    Reps,

    /// <summary>A load reckoned from sets without load; a set of few reps tests it.</summary>
    Load,
}

/// <summary>What is guessed, and when it will be known.</summary>
public sealed record GuessStory(string Movement, GuessKind Kind, DateOnly KnownOn);

/// <summary>In what an item grows over the weeks.</summary>
public enum GrowthKind
{
    Sets,
    Load,
    Reps,
    Seconds,
    Slower,
    LessRest,
}

/// <summary>What grows in the same way.</summary>
public sealed record GrowthStory(GrowthKind Kind, IReadOnlyList<string> Movements);

/// <summary>A choice of a school that shows in the block.</summary>
public sealed record SchoolStory(string Question, string Choice);

/// <summary>
/// A block in a paragraph: what it is for, what holds each goal back, what is guessed and when it will be known, what
/// changes from week to week, and whose choices it shows. Read from the block as it stands.
/// </summary>
public sealed record BlockStory(
    IReadOnlyList<GoalStory> Goals,
    IReadOnlyList<GuessStory> Guesses,
    IReadOnlyList<GrowthStory> Growth,
    IReadOnlyList<SchoolStory> Schools
)
{
    /// <param name="block">As it stands.</param>
    /// <param name="why">Of the generated items.</param>
    /// <param name="athlete">Whose.</param>
    public static BlockStory Of(Block block, IReadOnlyDictionary<Guid, Explanation> why, AthleteAtWork athlete)
    {
        var loading = block.Weeks.Where(w => w.Kind == WeekKind.Loading && w.Sessions.Count > 0).ToArray();
        var items = loading
            .SelectMany(w => w.Sessions.SelectMany(s => s.Items.Select(i => (Session: s, Item: i))))
            .Where(i => i.Item.Role != ItemRole.Retest)
            .ToArray();
        return new(
            [
                .. athlete
                    .Intake.Advancing.Take(Intake.AdvanceMaximum)
                    .Where(athlete.Atlas.BySlug.ContainsKey)
                    .Select(g => Goal(athlete.Atlas.BySlug[g], loading, athlete)),
            ],
            Guessed(items, why, athlete),
            Grown(loading, athlete),
            SchoolsOf(items, why)
        );
    }

    private static GoalStory Goal(Ladder ladder, BlockWeek[] loading, AthleteAtWork athlete)
    {
        var placement = athlete.Placements[ladder.Slug];
        var limiting = athlete.ReportOn(ladder).Limiting;
        var steps = ladder.Steps.Where(s => !s.Preparation).Select(s => s.Movement).ToHashSet(StringComparer.Ordinal);
        if (limiting is not null)
            steps.Add(limiting.Movement);
        // Where a ladder begins with its preparation, that is what is worked on.
        if (placement.Training is { } worked)
            steps.Add(ladder.Steps[worked].Movement);
        // A week that begins with tests, or whose first days are over, is no measure.
        var week = loading.MaxBy(w => w.Sessions.Count(s => s.Items.Any(i => i.Role != ItemRole.Retest)));
        var days = (week?.Sessions ?? [])
            .Select(s => s.Items.Where(i => steps.Contains(i.Movement) && i.Role != ItemRole.Retest).ToArray())
            .Where(d => d.Length > 0)
            .ToArray();
        var light = days.Count(d => d.All(i => i.Role is ItemRole.Light or ItemRole.Kept or ItemRole.Practice));
        return new(
            ladder.Name,
            placement.Training is { } at ? ladder.Steps[at].Name : null,
            limiting?.Term.Term is { } term
                ? $"{athlete.Atlas.Catalogue.Benchmarks[term.Benchmark].Name} {GatePrinter.Figure(term.Target)}"
                : null,
            days.Length - light,
            light
        );
    }

    private static GuessStory[] Guessed(
        (BlockSession Session, BlockItem Item)[] items,
        IReadOnlyDictionary<Guid, Explanation> why,
        AthleteAtWork athlete
    )
    {
        GuessKind? KindOf(BlockItem item)
        {
            var steps = why.TryGetValue(item.Id, out var told) ? told.Working.Select(s => s.Key).ToArray() : [];
            return steps.Contains(StepKey.GuessedLoad) ? GuessKind.Load
                : item.Role == ItemRole.LevelFinding ? GuessKind.Level
                : steps.Contains(StepKey.EstimatedFrom) ? GuessKind.Reps
                : null;
        }

        return
        [
            .. items
                .OrderBy(i => i.Session.Day)
                .Select(i => (i.Session.Day, i.Item.Movement, Kind: KindOf(i.Item)))
                .Where(i => i.Kind is not null)
                .DistinctBy(i => i.Movement)
                .Select(i => new GuessStory(Name(i.Movement, athlete), i.Kind!.Value, i.Day)),
        ];
    }

    private static GrowthStory[] Grown(BlockWeek[] loading, AthleteAtWork athlete) =>
        [
            .. loading
                .SelectMany(w => w.Sessions.SelectMany(s => s.Items.Select(i => (s.Day.DayOfWeek, Item: i))))
                .Where(i => i.Item.Role is not (ItemRole.Retest or ItemRole.Preparation) && i.Item.Plan is not null)
                .GroupBy(i => (i.DayOfWeek, i.Item.Movement))
                .SelectMany(g =>
                    Kinds(g.First().Item.Plan!, [.. g.Select(i => i.Item.Plan!)]).Select(k => (Kind: k, g.Key.Movement))
                )
                .Distinct()
                .GroupBy(g => g.Kind)
                .OrderBy(g => g.Key)
                .Select(g => new GrowthStory(g.Key, [.. g.Select(x => Name(x.Movement, athlete)).Distinct()])),
        ];

    private static IEnumerable<GrowthKind> Kinds(Prescription first, Prescription[] weeks)
    {
        if (weeks.Any(w => w.SetCount > first.SetCount))
            yield return GrowthKind.Sets;
        if (weeks.Any(w => LoadOf(w) > LoadOf(first)))
            yield return GrowthKind.Load;
        if (weeks.Any(w => w.GetType() == first.GetType() && w is not TopSetBackOff && w.TargetReps > first.TargetReps))
            yield return GrowthKind.Reps;
        if (weeks.Any(w => SecondsOf(w) > SecondsOf(first)))
            yield return GrowthKind.Seconds;
        if (weeks.Any(w => w.Tempo?.Lowering > first.Tempo?.Lowering))
            yield return GrowthKind.Slower;
        if (weeks.Any(w => w.RestSeconds < first.RestSeconds))
            yield return GrowthKind.LessRest;
    }

    private static decimal LoadOf(Prescription plan) =>
        plan.Load switch
        {
            AddedLoad added => added.Entry.Mass.Kilograms,
            Counted counted => counted.Count,
            _ => 0,
        };

    private static int SecondsOf(Prescription plan) =>
        plan switch
        {
            HoldSets hold => hold.Seconds ?? 0,
            VariedHolds holds => holds.Seconds.Max(),
            Negatives negatives => negatives.LowerSeconds,
            RepsWithStretch stretch => stretch.StretchSeconds,
            _ => 0,
        };

    private static SchoolStory[] SchoolsOf(
        (BlockSession Session, BlockItem Item)[] items,
        IReadOnlyDictionary<Guid, Explanation> why
    ) =>
        [
            .. items
                .Where(i => why.ContainsKey(i.Item.Id))
                .SelectMany(i => why[i.Item.Id].Working)
                .Where(s => s.Key == StepKey.BySchool && s.Args.Count == 2)
                .Select(s => new SchoolStory(s.Args[0].Code!, s.Args[1].Code!))
                .Distinct(),
        ];

    private static string Name(string slug, AthleteAtWork athlete) =>
        athlete.Atlas.Catalogue.Movements.GetValueOrDefault(slug)?.Name ?? slug;
}
