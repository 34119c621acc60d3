using System.Globalization;
using Cumbre.Core.Explanations;
using Cumbre.Core.Programmes;
using Cumbre.Core.Programmes.Generation;
using Cumbre.Simulation;

namespace Cumbre.Bench;

/// <summary>
/// Prints the blocks of the model athletes as a coach would read them: the lines of the first week, what changes in the
/// weeks after, minutes and hard sets.
/// </summary>
internal static class BlockPrinter
{
    /// <param name="only">Part of a model's name, or the seed of a random athlete; null: all models.</param>
    /// <param name="schools">Choices in place of the athlete's own, each as <c>question=choice</c>.</param>
    public static void Run(string? only, IReadOnlyList<string> schools)
    {
        var choices = schools.Select(s => s.Split('=')).ToDictionary(s => s[0], s => s[^1], StringComparer.Ordinal);
        if (int.TryParse(only, NumberStyles.None, CultureInfo.InvariantCulture, out var seed))
        {
            var who = RandomAthletes.Make(seed, RandomDay);
            var model = new ModelAthlete($"random {seed}", who.Snapshot, who.Intake, who.Gear);
            foreach (var result in who.Snapshot.Results)
                Line(
                    $"   {result.Benchmark} {result.Side} {result.Score.Sets} x {result.Score.Reps} "
                        + $"{result.Score.Seconds} s {result.Added.Value} kg {result.Form}"
                );
            Line(string.Join(", ", who.Intake.Complaints.Select(c => $"{c.Place} {c.Level}")));
            Line(string.Join(", ", who.Gear.Gear.Select(g => $"{g.Kind} {g.HeightCm}")));
            Print(model, RandomDay, choices);
            return;
        }

        foreach (var model in ModelAthletes.Known.Concat(ModelAthletes.Others))
        {
            if (only is null || model.Name.Contains(only, StringComparison.OrdinalIgnoreCase))
                Print(model, ModelAthletes.Start, choices);
        }
    }

    private static readonly DateOnly RandomDay = new(2026, 3, 16);

    private static void Print(ModelAthlete model, DateOnly start, IReadOnlyDictionary<string, string> schools)
    {
        var athlete = schools.Aggregate(model.On(start), (a, choice) => a.Under(choice.Key, choice.Value));
        var made = BlockGenerator.Generate(
            athlete,
            new(model.Name, start, _ => Guid.NewGuid()),
            DoseRules.Shipped,
            GeneratorRules.Shipped
        );
        var weeks = DoseReader.Read(made.Block, athlete, DoseRules.Shipped);
        Line($"## {model.Name}: {model.Intake.Days.Count} x {model.Intake.Minutes} min");
        foreach (var goal in model.Intake.Advancing.Select(g => athlete.Atlas.BySlug[g]))
        {
            var training = athlete.Placements[goal.Slug].Training;
            var limiting = Core
                .Ladders.PlacementReport.Of(
                    goal,
                    athlete.Atlas,
                    athlete.Athlete.Schools,
                    athlete.Book,
                    athlete.Athlete.BuildOn(athlete.Today)
                )
                .Limiting;
            Line(
                $"   {goal.Name}: {(training is { } at ? goal.Steps[at].Name : "no gate open")}, "
                    + $"held back by {limiting?.Term.Term.Benchmark ?? "-"}"
            );
        }

        foreach (var notice in made.Notices)
            Line($"   ! {notice.Id} {string.Join(", ", notice.Args.Select(Text))}");
        foreach (var left in made.LeftOut)
            Line($"   - left out {left.Day}: {left.Movement}");
        for (var s = 0; s < weeks[0].Sessions.Count; s++)
            Session(made, weeks, s, athlete);
        foreach (var session in weeks[^1].Sessions)
            Line(
                $"  w{weeks.Count} {session.Session.Day.DayOfWeek.ToString()[..3]} {session.Session.Title}: "
                    + string.Join("; ", session.Items.Select(i => $"{i.Movement!.Name} `{i.Item.Line}`"))
            );
        Line(
            $"  hard sets w1/w{weeks.Count - 1}: "
                + string.Join(
                    ", ",
                    weeks[0]
                        .Patterns.Select(p =>
                            $"{Core.Movements.PatternNames.Of(p.Pattern)} {p.Sets}/{weeks[^2].Patterns.FirstOrDefault(q => q.Pattern == p.Pattern)?.Sets}"
                        )
                )
        );
        Line(
            $"  straight arm {string.Join(", ", weeks.Select(w => w.StraightArm.Value.ToString("0.#", CultureInfo.InvariantCulture)))}"
        );
        Console.WriteLine();
    }

    private static void Session(GeneratedBlock made, IReadOnlyList<WeekDose> weeks, int at, AthleteAtWork athlete)
    {
        var session = weeks[0].Sessions[at];
        var minutes = weeks
            .SkipLast(1)
            .Select(w => w.Sessions.FirstOrDefault(x => x.Session.Day.DayOfWeek == session.Session.Day.DayOfWeek))
            .Select(x => (x?.Seconds ?? 0) / 60.0);
        Line(
            $" **{session.Session.Day.DayOfWeek.ToString()[..3]} {session.Session.Title}** "
                + $"warm {session.Session.WarmUp.Seconds / 60.0:0.#} min, "
                + string.Join(" / ", minutes.Select(m => m.ToString("0", CultureInfo.InvariantCulture)))
                + $" min of {athlete.Intake.Minutes}, {session.Sets} sets"
        );
        foreach (var item in session.Items)
        {
            var later = weeks
                .Skip(1)
                .SkipLast(1)
                .Select(w =>
                    w.Sessions.FirstOrDefault(x => x.Session.Day.DayOfWeek == session.Session.Day.DayOfWeek)
                        ?.Items.FirstOrDefault(i => i.Movement == item.Movement && i.Item.Role == item.Item.Role)
                        ?.Item.Line
                )
                .ToArray();
            var before = item.Item.Line;
            var changes = new List<string>();
            for (var w = 0; w < later.Length; w++)
            {
                if (later[w] != before)
                    changes.Add($"w{w + 2} {later[w] ?? "-"}");
                before = later[w] ?? before;
            }

            var why = made.Why[item.Item.Id];
            Line(
                $"  - {(item.Item.Joined ? "+ " : "")}{item.Movement!.Name} `{item.Item.Line}` "
                    + $"({item.Seconds / 60.0:0.0}) {item.Item.Role} {string.Join(" | ", changes)}"
            );
            if (Environment.GetEnvironmentVariable("WHY") is not null)
            {
                var steps = why.Working.Select(x =>
                    $"{x.Key}({string.Join(",", x.Args.Select(Text))})={Text(x.Result)}"
                );
                Line($"      {string.Join("; ", steps)}");
            }
        }
    }

    private static string Text(Quantity quantity) =>
        quantity.Code
        ?? quantity.Date?.ToString("MMM d", CultureInfo.InvariantCulture)
        ?? quantity.Number?.ToString("0.##", CultureInfo.InvariantCulture)
        ?? "?";

    private static void Line(string line) => Console.WriteLine(line);
}
