using System.Text.Json.Nodes;
using Cumbre.Core.Athletes;
using Cumbre.Core.Ladders;
using Cumbre.Core.Movements;

namespace Cumbre.Core.Tests.Ladders;

public class CatalogueTests
{
    private static Catalogue Shipped => Catalogue.Shipped;

    [Fact]
    public void The_catalogue_has_at_least_150_movements() =>
        Assert.True(Shipped.Movements.Count >= 150, $"{Shipped.Movements.Count}");

    [Fact]
    public void Every_movement_has_a_form_standard_faults_and_cautions() => Assert.All(Shipped.Movements.Values, m =>
        {
            Assert.True(m.Standard.Length > 20, m.Slug);
            Assert.NotEmpty(m.Faults);
            Assert.NotEmpty(m.Cautions);
            Assert.NotEmpty(m.PrimeMovers);
            Assert.NotEmpty(m.Kit);
        });

    [Fact]
    public void Neighbours_agree_that_the_easier_is_not_the_harder() => Assert.All(Shipped.Movements.Values, m =>
        {
            Assert.DoesNotContain(m.Slug, m.Easier.Concat(m.Harder));
            Assert.Empty(m.Easier.Intersect(m.Harder));
            Assert.All(m.Harder, h => Assert.DoesNotContain(h, Shipped.Movements[h].Harder.Where(x => x == m.Slug)));
        });

    [Fact]
    public void Straight_arm_work_carries_its_caution_and_is_never_taken_to_failure() =>
        Assert.All(
            Shipped.Movements.Values.Where(m => m.Pattern is Pattern.StraightArmPull or Pattern.StraightArmPush),
            m => Assert.Contains(Core.Explanations.CautionId.StraightArm, m.Cautions)
        );

    [Fact]
    public void Every_alias_leads_to_one_movement() =>
        Assert.Empty(
            Shipped
                .Movements.Values.SelectMany(m =>
                    m.Aliases.Append(m.Name).Select(n => (Name: n.ToUpperInvariant(), m.Slug))
                )
                .Distinct()
                .GroupBy(n => n.Name)
                .Where(g => g.Count() > 1)
                .Select(g => g.Key)
        );

    [Fact]
    public void What_counts_follows_the_school_of_the_athlete() =>
        Assert.All(Shipped.Schools.Where(q => q.Judges is not null), q =>
        {
            Assert.NotEmpty(q.Judges!);
            foreach (var movement in q.Judges!.Select(m => Shipped.Movements[m]))
            {
                string Of(SchoolChoice choice) =>
                    Schools.Default.With(Shipped, q.Slug, choice.Slug).StandardOf(movement, Shipped);
                Assert.All(q.Choices, c => Assert.Equal($"{movement.Standard} {c.What}", Of(c)));
            }
            Assert.Equal(
                "Seat",
                Schools.Default.StandardOf(Shipped.Movements["squat"] with { Standard = "Seat" }, Shipped)
            );
        });

    [Fact]
    public void Every_school_says_what_it_is_for_and_why_one_would_choose_it() => Assert.All(Shipped.Schools, q =>
        {
            Assert.True(q.Choices.Count >= 2, q.Slug);
            Assert.All(q.Choices, c => Assert.True(c.What.Length > 10 && c.Why.Length > 10, c.Slug));
        });

    [Fact]
    public void The_schools_that_rules_read_exist()
    {
        Assert.Equal("base-first", Schools.Default[Schools.Loading]);
        Assert.Equal(2, Schools.Default.CleanSessionsNeeded);
        Assert.Equal(
            1,
            new Schools(
                Shipped,
                new Dictionary<string, string> { [Schools.Increase] = Schools.OneCleanSession }
            ).CleanSessionsNeeded
        );
        Assert.Throws<KeyNotFoundException>(() =>
            new Schools(Shipped, new Dictionary<string, string> { [Schools.Increase] = "ghost" })
        );
    }

    [Fact]
    public void An_athletes_school_wins_over_the_clubs()
    {
        var club = new Dictionary<string, string> { [Schools.Loading] = "rep-first", ["statics"] = "after-capacity" };
        var schools = new Schools(Shipped, club, new Dictionary<string, string> { [Schools.Loading] = "base-first" });
        Assert.Equal(
            ("base-first", "after-capacity", "power-first"),
            (schools[Schools.Loading], schools["statics"], schools["muscle-up-entry"])
        );
    }

    [Fact]
    public void The_shipped_rules_are_in_range()
    {
        var rules = Shipped.Rules;
        Assert.True(rules.MinimumStepKg > 0 && rules.UsualStepKg >= rules.MinimumStepKg);
        Assert.True(rules.PainEaseFrom < rules.PainStopFrom);
        Assert.True(rules.ExposuresWithoutProgress >= 2 && rules.LoadingWeeks >= 2);
    }

    [Fact]
    public void Every_ladder_of_the_trade_is_there() =>
        Assert.Superset(
            new HashSet<string>([
                "pull-up",
                "push-up",
                "dip",
                "row",
                "weighted-pull-up",
                "weighted-dip",
                "weighted-push-up",
                "weighted-row",
                "bar-muscle-up",
                "ring-muscle-up",
                "front-lever",
                "back-lever",
                "planche",
                "human-flag",
                "handstand",
                "handstand-push-up",
                "ninety-degree-press",
                "one-arm-chin-up",
                "trunk",
                "legs",
            ]),
            Atlas.Shipped.BySlug.Keys.ToHashSet()
        );

    [Fact]
    public void Every_file_names_its_schema_and_fits_it()
    {
        var root = TestFiles.Root("catalogue");
        var files = Directory.GetFiles(root, "*.json");
        Assert.NotEmpty(files);
        foreach (var file in files)
        {
            var data = JsonNode.Parse(File.ReadAllText(file))!;
            Schemas.Check((string)data["$schema"]!, data);
        }
    }

    // A slip in a file is told with the file, the place and the cause.
    [Theory]
    [InlineData(
        "a gate that names no benchmark",
        "steps[3].gates[0].gate",
        "flying carpet >= 3 reps",
        "front-lever/tuck/gates[0]",
        "UnknownName at character 1"
    )]
    [InlineData(
        "an unknown unit",
        "steps[3].opens",
        "tuck front lever >= 3 furlongs",
        "front-lever/tuck/opens",
        "ExpectedFigure at character 23"
    )]
    [InlineData(
        "a negative threshold",
        "steps[3].opens",
        "tuck front lever >= -3 s",
        "front-lever/tuck/opens",
        "UnknownCharacter"
    )]
    [InlineData(
        "a threshold of nothing",
        "steps[3].opens",
        "tuck front lever >= 0 s",
        "front-lever/tuck/opens",
        "OutOfRange"
    )]
    [InlineData("a missing movement", "steps[3].movement", "ghost", "front-lever/tuck", "no movement ghost")]
    [InlineData("a circle", "steps[4].after[0]", "full", "front-lever/advanced-tuck", "circle")]
    [InlineData("an unreachable step", "steps[4].after[0]", "", "front-lever/advanced-tuck", "cannot be reached")]
    [InlineData("a step that leads nowhere", "steps[5].after[0]", "tuck", "front-lever/advanced-tuck", "leads nowhere")]
    [InlineData("a step twice", "steps[4].slug", "tuck", "front-lever/tuck", "stands twice")]
    [InlineData(
        "an unknown school",
        "steps[3].gates[1].schools.statics[0]",
        "never",
        "front-lever/tuck/gates[1]",
        "no school never"
    )]
    [InlineData("an unknown word", "demandKind", "weightlessness", "$.ladders[0].demandKind", "could not be converted")]
    public void A_slip_in_the_ladders_is_named(string slip, string path, string value, string place, string cause)
    {
        var error = Assert.Throws<CatalogueException>(() =>
            new Atlas(CatalogueJson.Parse<LadderFile>("ladders.json", FrontLeverWith(path, value)), Shipped)
        );
        Assert.Equal("ladders.json", error.File);
        Assert.True(
            error.Place == place && error.Cause.Contains(cause, StringComparison.Ordinal),
            $"{slip}: {error.Message}"
        );
    }

    [Fact]
    public void Two_movements_of_one_slug_are_named()
    {
        var movement = Shipped.Movements["pull-up"] with { Aliases = [], CarriesTo = [], Easier = [], Harder = [] };
        var error = Assert.Throws<CatalogueException>(() => Build([movement, movement]));
        Assert.Equal(("movements.json", "pull-up", "stands twice"), (error.File, error.Place, error.Cause));
    }

    [Fact]
    public void A_neighbour_that_does_not_exist_is_named() =>
        Assert.Equal(
            "no movement ghost",
            Assert
                .Throws<CatalogueException>(() => Build([Shipped.Movements["pull-up"] with { CarriesTo = ["ghost"] }]))
                .Cause
        );

    [Fact]
    public void A_benchmark_of_a_missing_movement_is_named()
    {
        var file = new BenchmarkFile(Protocols, [new("b", "B", "b", "ghost", BenchmarkMeasure.Reps, "p")]);
        Assert.Equal(
            "no movement ghost",
            Assert.Throws<CatalogueException>(() => new Catalogue(new([]), file, new([]), Shipped.Rules)).Cause
        );
    }

    [Fact]
    public void An_unknown_field_is_named() =>
        Assert.Contains(
            "wings",
            Assert
                .Throws<CatalogueException>(() =>
                    CatalogueJson.Parse<SchoolFile>("schools.json", """{ "schools": [], "wings": 2 }""")
                )
                .Message
        );

    private static Dictionary<BenchmarkMeasure, string> Protocols =>
        Enum.GetValues<BenchmarkMeasure>().ToDictionary(m => m, _ => "p");

    private static Catalogue Build(IReadOnlyList<Movement> movements) =>
        new(new(movements), new(Protocols, []), new([]), Shipped.Rules);

    /// <summary>
    /// The front lever alone, with one value changed; an empty value makes an empty list of what stood there.
    /// </summary>
    private static string FrontLeverWith(string path, string value)
    {
        var file = JsonNode.Parse(File.ReadAllText(Path.Combine(TestFiles.Root("catalogue"), "ladders.json")))!;
        var lever = file["ladders"]!.AsArray().Single(l => (string)l!["slug"]! == "front-lever")!.DeepClone();
        JsonNode at = lever;
        var parts = path.Replace("[", ".[", StringComparison.Ordinal).Split('.');
        for (var i = 0; i < parts.Length - 1; i++)
        {
            if (at is JsonObject o && !o.ContainsKey(parts[i]))
                o[parts[i]] = new JsonArray("placeholder");
            at = parts[i].StartsWith('[') ? at.AsArray()[int.Parse(parts[i][1..^1])]! : at[parts[i]]!;
        }

        if (parts[^1].StartsWith('[') && value.Length == 0)
            at.AsArray().Clear();
        else if (parts[^1].StartsWith('['))
            at.AsArray()[int.Parse(parts[^1][1..^1])] = value;
        else
            at[parts[^1]] = value;
        return new JsonObject { ["ladders"] = new JsonArray(lever) }.ToJsonString();
    }
}
