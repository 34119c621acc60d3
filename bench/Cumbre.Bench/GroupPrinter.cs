using Cumbre.Core.Programmes;
using Cumbre.Core.Programmes.Generation;
using Cumbre.Core.Programmes.Groups;
using Cumbre.Simulation;

namespace Cumbre.Bench;

/// <summary>A class and a circuit as the model athletes would do them side by side, to be read line by line.</summary>
internal static class GroupPrinter
{
    public static void Run()
    {
        var outline = Outline();
        foreach (var model in ModelAthletes.Known)
        {
            var athlete = model.On(ModelAthletes.Start);
            var made = GroupFit.Fit(outline, athlete, DoseRules.Shipped, GeneratorRules.Shipped, Ids());
            var alternates = new Alternates(athlete, DoseRules.Shipped, GeneratorRules.Shipped);
            Console.WriteLine($"\n== {model.Name}");
            foreach (var (week, w) in made.Block.Weeks.Select((week, i) => (week, i + 1)))
            {
                var doses = DoseReader.Read(made.Block, athlete, DoseRules.Shipped)[w - 1];
                foreach (var session in week.Sessions)
                {
                    var minutes = doses.Sessions.First(s => s.Session.Id == session.Id).Seconds / 60;
                    Console.WriteLine($" {w} {session.Day:ddd} {session.Title}, {minutes} min");
                    foreach (var item in session.Items)
                    {
                        var movement = athlete.Atlas.Catalogue.Movements[item.Movement];
                        var easier = w == 1 && item.Plan is { } plan ? alternates.Of(movement, plan) : null;
                        Console.WriteLine(
                            $"   {(item.Joined ? "+ " : "")}{movement.Name}  {item.Line}"
                                + (easier is null ? "" : $"   | easier: {easier.Movement.Name}  {easier.Line}")
                        );
                    }
                }
            }

            foreach (var notice in made.Notices)
                Console.WriteLine(
                    $"   ! {notice.Id} {string.Join(", ", notice.Args.Select(a => a.Code ?? $"{a.Number}"))}"
                );
            foreach (
                var caution in BlockChecks
                    .Of(made.Block, DoseReader.Read(made.Block, athlete, DoseRules.Shipped), athlete, DoseRules.Shipped)
                    .Where(c => c.KeptBecause is null)
                    .DistinctBy(c => (c.Id, c.About))
            )
                Console.WriteLine($"   ? week {caution.Week} {caution.Id} {caution.About}");
        }
    }

    private static GroupOutline Outline() =>
        new(
            "Evening class",
            ModelAthletes.Start,
            60,
            4,
            EasyWeek: true,
            [
                new(
                    DayOfWeek.Monday,
                    "Class",
                    GroupForm.Class,
                    null,
                    [
                        new("a", StationKind.Ladder, "front-lever"),
                        new("b", StationKind.Movement, "pull-up"),
                        new("c", StationKind.Movement, "parallel-bar-dip"),
                        new("d", StationKind.Pattern, "HorizontalPull"),
                        new("e", StationKind.Movement, "hollow-hold"),
                    ]
                ),
                new(
                    DayOfWeek.Thursday,
                    "Circuit",
                    GroupForm.Circuit,
                    3,
                    [
                        new("a", StationKind.Pattern, "VerticalPull"),
                        new("b", StationKind.Pattern, "HorizontalPush"),
                        new("c", StationKind.Pattern, "Legs"),
                        new("d", StationKind.Movement, "inverted-row-horizontal"),
                        new("e", StationKind.Movement, "hanging-leg-raise"),
                    ]
                ),
            ]
        );

    private static Func<string, Guid> Ids()
    {
        var ids = new Dictionary<string, Guid>();
        return name => ids.TryGetValue(name, out var id) ? id : ids[name] = Guid.NewGuid();
    }
}
