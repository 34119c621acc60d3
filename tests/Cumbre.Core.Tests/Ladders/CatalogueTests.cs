using System.Text.Json;
using Cumbre.Core.Athletes;
using Cumbre.Core.Movements;

namespace Cumbre.Core.Tests.Ladders;

public class CatalogueTests
{
    [Fact]
    public void Every_movement_has_a_form_standard_and_faults() =>
        Assert.All(Catalogue.Shipped.Movements.Values, m =>
        {
            Assert.True(m.Standard.Length > 20, m.Slug);
            Assert.NotEmpty(m.Faults);
            Assert.NotEqual("", m.Bottom);
        });

    [Fact]
    public void The_gate_has_thresholds_for_every_loading_school() =>
        Assert.All(Enum.GetNames<LoadingSchool>(), school => Assert.NotEmpty(Catalogue.Shipped.Gates["weighted-pull-up"].Schools[school]));

    [Fact]
    public void The_shipped_rules_are_in_range()
    {
        var rules = Catalogue.Shipped.Rules;
        Assert.True(rules.MinimumStepKg > 0 && rules.UsualStepKg >= rules.MinimumStepKg);
        Assert.True(rules.PainEaseFrom < rules.PainStopFrom);
        Assert.True(rules.ExposuresWithoutProgress >= 2 && rules.LoadingWeeks >= 2);
    }

    [Fact]
    public void A_benchmark_of_a_missing_movement_is_named() =>
        Assert.Contains("no movement ghost", Assert.Throws<InvalidDataException>(() => new Catalogue(
            [], [new Benchmark("b", "B", "ghost", BenchmarkMeasure.Reps, "p")], [], Catalogue.Shipped.Rules)).Message);

    [Fact]
    public void A_gate_on_a_missing_benchmark_is_named() =>
        Assert.Contains("no benchmark ghost", Assert.Throws<InvalidDataException>(() => new Catalogue(
            [], [], [new Gate("g", "G", new Dictionary<string, IReadOnlyList<GateTerm>> { ["BaseFirst"] = [new(["ghost"], 1, 1)] })], Catalogue.Shipped.Rules)).Message);

    [Fact]
    public void The_same_slug_twice_is_named()
    {
        var movement = Catalogue.Shipped.Movements["pull-up"];
        Assert.Contains("stands twice", Assert.Throws<InvalidDataException>(() => new Catalogue([movement, movement], [], [], Catalogue.Shipped.Rules)).Message);
    }

    /// <summary>Every catalogue file names its schema, has the properties that the schema requires, and no others.</summary>
    [Fact]
    public void Every_file_fits_the_outline_of_its_schema()
    {
        var root = TestFiles.Root("catalogue");
        var files = Directory.GetFiles(root, "*.json");
        Assert.NotEmpty(files);
        foreach (var file in files)
        {
            using var data = JsonDocument.Parse(File.ReadAllText(file));
            using var schema = JsonDocument.Parse(File.ReadAllText(Path.Combine(root, data.RootElement.GetProperty("$schema").GetString()!)));
            SchemaOutline.Check(Path.GetFileName(file), data.RootElement, schema.RootElement);
        }
    }
}
