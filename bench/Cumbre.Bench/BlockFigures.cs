using System.Globalization;
using Cumbre.Core.Athletes;
using Cumbre.Core.Ladders;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes;
using Cumbre.Core.Programmes.Generation;
using Cumbre.Simulation;

namespace Cumbre.Bench;

/// <summary>
/// What a coach would count in the blocks of 300 seeded athletes, under their own schools and under each other choice:
/// sets nobody can do, goals without exposure, items that never change, minutes used, retests, titles.
/// </summary>
internal static class BlockFigures
{
    private const int Athletes = 300;

    private static readonly DateOnly Monday = new(2026, 3, 16);

    private sealed record One(RandomAthlete Who, AthleteAtWork Work, GeneratedBlock Made, IReadOnlyList<WeekDose> Dose)
    {
        public WeekDose[] Loading { get; } = [.. Dose.Where(w => w.Kind == WeekKind.Loading)];

        public IEnumerable<ItemReading> Items =>
            Loading.SelectMany(w => w.Sessions).SelectMany(s => s.Items).Where(i => i.Item.Role != ItemRole.Retest);
    }

    /// <param name="first">Seed of the first athlete: others, to see how far a figure hangs on who they are.</param>
    public static void Run(int first)
    {
        One[] all = [.. Enumerable.Range(0, Athletes).Select(s => Make(RandomAthletes.Make(first + s, Monday)))];
        var trained = all.Where(a => a.Items.Any()).ToArray();
        Console.WriteLine($"{Athletes} athletes, {trained.Length} of them train anything");
        Count(
            "strict sets on a best of 0",
            all.SelectMany(a => a.Items.Where(i => a.Work.BestsOf(i.Movement!).Reps == 0))
        );
        Count(
            "sets by reserve on a best of 1 to 3",
            all.SelectMany(a =>
                a.Items.Where(i =>
                    i.Plan is { Effort: InReserve, Load: null } and not PracticeSets
                    && a.Work.BestsOf(i.Movement!).Reps is > 0 and <= 3
                )
            )
        );
        Count(
            "items that their twin cannot do on paper",
            all.SelectMany(a =>
                a.Loading.SelectMany(w => w.Sessions)
                    .SelectMany(s => s.Items.Zip(DryRun.Of([.. s.Items], a.Work)))
                    .Where(x => x is { Second.Verdict: DryRunVerdict.Fails, First.Item.Role: not ItemRole.Retest })
                    .Select(x => x.First)
            )
        );
        var loaded = all.SelectMany(a =>
                a.Items.Where(i => i.Movement!.Measure == BenchmarkMeasure.LoadTimesReps)
                    .Select(i => (a.Work, Load: i.Resolved!.Loads.Max(l => l.Value.Made.Kilograms)))
            )
            .ToArray();
        var smallest = loaded.Count(l =>
            l.Load > 0 && l.Load == l.Work.Athlete.Kit.AtLeast(Mass.FromKilograms(1))?.Total.Kilograms
        );
        Console.WriteLine($"loaded items at the smallest load of the kit: {smallest} of {loaded.Length}");
        Console.WriteLine($"goals to advance without exposure and without a word: {all.Sum(Unserved)}");
        Series(trained);
        Minutes(trained);
        var pulls = trained.Select(a =>
            a.Loading[0].Patterns.FirstOrDefault(p => p.Pattern == Pattern.VerticalPull)?.Sets ?? 0
        );
        Console.WriteLine($"hard sets of vertical pull, median: {Median(pulls.Select(p => (double)p)):0}");
        Retests(trained);
        Titles(all);
        Schools(all);
    }

    private static One Make(RandomAthlete who)
    {
        var work = new AthleteAtWork(who.Snapshot, who.Intake, Atlas.Shipped, who.Gear, [], Monday);
        var made = BlockGenerator.Generate(
            work,
            new("Block", Monday, _ => Guid.NewGuid()),
            DoseRules.Shipped,
            GeneratorRules.Shipped
        );
        return new(who, work, made, DoseReader.Read(made.Block, work, DoseRules.Shipped));
    }

    private static void Count(string what, IEnumerable<ItemReading> items) =>
        Console.WriteLine($"{what}: {items.Count()}");

    private static int Unserved(One a) =>
        a
            .Work.Intake.Advancing.Take(Intake.AdvanceMaximum)
            .Where(a.Work.Atlas.BySlug.ContainsKey)
            .Select(g => a.Work.Atlas.BySlug[g])
            .Count(ladder =>
            {
                var steps = ladder.Steps.Select(s => s.Movement).ToHashSet();
                return !a.Items.Any(i => steps.Contains(i.Item.Movement) || i.Movement!.Pattern == ladder.Pattern)
                    && !a.Made.Notices.Any(n =>
                        n.Id is NoticeId.NothingToTrain or NoticeId.PatternMissing
                        || n.Args.Any(x => x.Code == ladder.Name)
                    );
            });

    private static void Series(One[] all)
    {
        var (count, same) = (0, 0);
        foreach (var a in all)
        {
            foreach (
                var series in a
                    .Loading.SelectMany(w =>
                        w.Sessions.SelectMany(s => s.Items.Select(i => (s.Session.Day.DayOfWeek, Item: i)))
                    )
                    .GroupBy(i => (i.DayOfWeek, i.Item.Item.Movement))
                    .Where(g => g.Count() == a.Loading.Length && g.All(i => Grows(i.Item)))
            )
            {
                count++;
                if (series.Select(i => i.Item.Item.Line).Distinct().Count() == 1)
                    same++;
            }
        }

        Print(
            $"items alike in all four weeks, but for what stays on purpose: {same} of {count} ({100.0 * same / count:0.0} %)"
        );
    }

    private static bool Grows(ItemReading item) =>
        item.Item.Role
            is not (ItemRole.Preparation or ItemRole.Practice or ItemRole.Light or ItemRole.Kept or ItemRole.Retest)
        && !item.Plan!.IsFast
        && item.Movement!.Pattern is not (Pattern.ShoulderBlade or Pattern.Mobility);

    private static void Minutes(One[] all)
    {
        var shares = new List<double>();
        foreach (var a in all)
        {
            var minutes = a.Who.Intake.Minutes ?? GeneratorRules.Shipped.MinutesUnknown;
            foreach (var week in a.Loading)
            {
                if (!IsShort(a, week))
                    continue;
                shares.AddRange(
                    week.Sessions.Where(s => s.Items.Any(i => i.Item.Role != ItemRole.Retest))
                        .Select(s => s.Seconds / 60.0 / minutes)
                );
            }
        }

        Print($"share of the minutes used while a pattern is short, median: {Median(shares):0.00}");
        foreach (var minutes in new[] { 45, 60, 90, 120 })
        {
            var sizes = all.Take(60)
                .Select(a => Make(a.Who with { Intake = a.Who.Intake with { Minutes = minutes } }))
                .SelectMany(a => a.Loading.Take(1).SelectMany(w => w.Sessions))
                .Select(s => s.Seconds / 60.0);
            Print($"  a session of {minutes} min takes, median: {Median(sizes):0}");
        }
    }

    private static bool IsShort(One a, WeekDose week)
    {
        var goals = a
            .Work.Intake.Advancing.Where(a.Work.Atlas.BySlug.ContainsKey)
            .Select(g => a.Work.Atlas.BySlug[g].Pattern);
        return DoseRules.Shipped.HardSets.Any(p =>
            p.Pattern < Pattern.StraightArmPull
            && (week.Patterns.FirstOrDefault(x => x.Pattern == p.Pattern)?.Sets ?? 0)
                < p.Middle(goals.Contains(p.Pattern))
        );
    }

    private static void Retests(One[] all)
    {
        var (none, strange) = (0, 0);
        foreach (var a in all)
        {
            var known = a.Items.Select(i => i.Item.Movement).ToHashSet();
            var tested = a.Dose[^1]
                .Sessions.SelectMany(s => s.Items)
                .Where(i => i.Item.Role == ItemRole.Retest)
                .Select(i => i.Item.Movement)
                .ToArray();
            none += tested.Length == 0 ? 1 : 0;
            strange += tested.Length > 0 && !tested.Any(known.Contains) ? 1 : 0;
        }

        Console.WriteLine($"retest weeks without a test: {none}, that test only what was not trained: {strange}");
    }

    private static void Titles(One[] all)
    {
        var days = all.SelectMany(a => a.Loading.SelectMany(w => w.Sessions)).ToArray();
        var straight = days.Where(s => s.Session.Title.Contains("traight", StringComparison.Ordinal)).ToArray();
        Console.WriteLine(
            $"straight-arm days without straight-arm work: {straight.Count(s => s.StraightArmSeconds == 0)} of {straight.Length}"
        );
    }

    private static void Schools(One[] all)
    {
        foreach (var question in Catalogue.Shipped.Schools)
        {
            foreach (var choice in question.Choices.Skip(1))
            {
                var changed = all.Take(100)
                    .Count(a =>
                        Lines(Make(Under(a.Who, question, question.Choices[0].Slug)))
                        != Lines(Make(Under(a.Who, question, choice.Slug)))
                    );
                Console.WriteLine($"  {question.Slug}, {choice.Name}: changes {changed} of 100 blocks");
            }
        }
    }

    private static RandomAthlete Under(RandomAthlete who, SchoolQuestion question, string choice) =>
        who with
        {
            Snapshot = who.Snapshot with
            {
                Schools = new(
                    Catalogue.Shipped,
                    Catalogue.Shipped.Schools.ToDictionary(
                        q => q.Slug,
                        q => q.Slug == question.Slug ? choice : who.Snapshot.Schools[q.Slug]
                    )
                ),
            },
        };

    private static string Lines(One a) =>
        string.Join(
            '\n',
            a.Dose.SelectMany(w =>
                w.Sessions.SelectMany(s => s.Items.Select(i => $"{s.Session.Day} {i.Item.Movement} {i.Item.Line}"))
            )
        );

    private static double Median(IEnumerable<double> values) =>
        values.Order().ToArray() is { Length: > 0 } sorted ? sorted[sorted.Length / 2] : 0;

    private static void Print(FormattableString line) => Console.WriteLine(line.ToString(CultureInfo.InvariantCulture));
}
