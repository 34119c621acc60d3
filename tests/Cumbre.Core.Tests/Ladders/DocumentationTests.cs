using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using Cumbre.Core.Athletes;
using Cumbre.Core.Ladders;
using Cumbre.Core.Movements;
using static Cumbre.Core.Tests.Ladders.Results;

namespace Cumbre.Core.Tests.Ladders;

/// <summary>What the pages of docs/ tell a coach or a developer to do is done here, with the pages' own text.</summary>
public partial class DocumentationTests
{
    [Fact]
    public void A_ladder_added_as_the_page_says_can_be_walked()
    {
        var page = Page("ladders.md");
        var movements = Shipped("movements.json");
        movements["movements"]!.AsArray().Add(Block(page, "movement"));
        var ladders = Shipped("ladders.json");
        ladders["ladders"]!.AsArray().Add(Block(page, "ladder"));
        Schemas.Check((string)movements["$schema"]!, movements);
        Schemas.Check((string)ladders["$schema"]!, ladders);
        var figures = JsonNode.Parse(CatalogueJson.Text("figures.json"))!;
        Schemas.Check((string)figures["$schema"]!, figures);

        var catalogue = new Catalogue(
            CatalogueJson.Parse<MovementFile>("movements.json", movements.ToJsonString()),
            CatalogueJson.Parse<BenchmarkFile>("benchmarks.json", Shipped("benchmarks.json").ToJsonString()),
            CatalogueJson.Parse<SchoolFile>("schools.json", Shipped("schools.json").ToJsonString()),
            Catalogue.Shipped.Rules
        );
        var atlas = new Atlas(CatalogueJson.Parse<LadderFile>("ladders.json", ladders.ToJsonString()), catalogue);

        var grip = atlas.BySlug["grip"];
        Assert.Equal(Atlas.Shipped.Ladders.Count + 1, atlas.Ladders.Count);
        Assert.Equal("towel-hang", catalogue.Names.Find("hang from a towel")?.Slug);

        // By hand: 45 s open the towel hang, its gate of five pull-ups holds it back, and both together train it.
        Assert.Equal("hang", Training(grip, Seconds("active-hang", 45)));
        Assert.Equal("towel", Training(grip, Seconds("active-hang", 45), Reps("pull-up-max", 5)));
        Assert.Equal("one-arm", Training(grip, Seconds("towel-hang", 20), Reps("pull-up-max", 5)));
    }

    [Fact]
    public void Every_gate_of_the_page_is_read_and_printed_as_it_stands()
    {
        var gates = TableRow().Matches(Page("gates.md")).Select(m => m.Groups[1].Value).ToArray();
        Assert.True(gates.Length >= 12, $"{gates.Length} gates");
        Assert.All(gates, gate => Assert.Equal(gate, GatePrinter.Print(Gate(gate), Catalogue.Shipped.Names)));
    }

    private static string? Training(Ladder ladder, params Core.Benchmarks.BenchmarkResult[] results) =>
        Placement.Of(ladder, Schools.Default, Book(results)).Training is { } step ? ladder.Steps[step].Slug : null;

    private static string Page(string name) => File.ReadAllText(Path.Combine(TestFiles.Root("docs"), name));

    private static JsonNode Block(string page, string name)
    {
        var start = page.IndexOf($"```json {name}\n", StringComparison.Ordinal);
        Assert.True(start >= 0, $"the page has no block {name}");
        start = page.IndexOf('\n', start);
        return JsonNode.Parse(page[start..page.IndexOf("```", start, StringComparison.Ordinal)])!;
    }

    private static JsonNode Shipped(string file) =>
        JsonNode.Parse(File.ReadAllText(Path.Combine(TestFiles.Root("catalogue"), file)))!;

    [GeneratedRegex(@"^\| `([^`]+)` \|", RegexOptions.Multiline)]
    private static partial Regex TableRow();
}
