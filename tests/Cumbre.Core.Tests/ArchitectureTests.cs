using System.Text.RegularExpressions;

namespace Cumbre.Core.Tests;

/// <summary>The rules of the house that the compiler does not check.</summary>
public partial class ArchitectureTests
{
    [Fact]
    public void The_core_refers_to_no_package_and_to_nothing_that_does_input_or_output()
    {
        string[] allowed =
        [
            "System.Runtime",
            "System.Collections",
            "System.Collections.Concurrent",
            "System.Linq",
            "System.Text.Json",
            "System.Text.Encodings.Web",
            "System.Runtime.InteropServices",
            "System.Text.RegularExpressions",
            "System.Memory",
            "System.Private.CoreLib",
        ];
        var references = typeof(Core.Measures.Mass).Assembly.GetReferencedAssemblies().Select(a => a.Name!);
        Assert.All(references, name => Assert.Contains(name, allowed));
    }

    [Fact]
    public void The_core_asks_no_clock_and_no_file() =>
        Assert.All(Sources(), file =>
            Assert.DoesNotMatch(
                @"DateTime\.(Now|UtcNow)|DateTimeOffset\.(Now|UtcNow)|Guid\.NewGuid|Guid\.CreateVersion7|\bFile\.|\bDirectory\.|\bHttp",
                File.ReadAllText(file)
            )
        );

    [Theory]
    [InlineData("Cumbre.Core")]
    [InlineData("Cumbre.Server")]
    public void Folders_depend_one_way(string project)
    {
        var arrows = Arrows(project);
        Assert.NotEmpty(arrows);
        foreach (var folder in arrows.Select(a => a.Key))
            Assert.False(Reaches(arrows, folder, folder, []), $"{folder} depends on itself in a circle");
    }

    [Fact]
    public void The_lowest_folders_of_the_core_stay_low()
    {
        var arrows = Arrows("Cumbre.Core");
        Assert.Empty(arrows["Measures"]);
        Assert.All(arrows["Explanations"], to => Assert.Equal("Measures", to));
        Assert.DoesNotContain("Decisions", arrows.SelectMany(a => a));
    }

    /// <summary>
    /// From folder to folder: what a file opens with a using line, and what it names by its folder without one.
    /// </summary>
    private static ILookup<string, string> Arrows(string project)
    {
        var files = Sources(project)
            .Where(f => FolderOf(f) != project)
            .Select(f => (Folder: FolderOf(f), Text: Comment().Replace(File.ReadAllText(f), "")))
            .ToArray();
        var types = files
            .SelectMany(f => Declared().Matches(f.Text).Select(m => (f.Folder, Type: m.Groups[1].Value)))
            .ToHashSet();
        var opened = new Regex($@"^using {Regex.Escape(project)}\.(\w+);", RegexOptions.Multiline);
        return files
            .SelectMany(f =>
                opened
                    .Matches(f.Text)
                    .Select(m => m.Groups[1].Value)
                    .Concat(
                        Qualified()
                            .Matches(f.Text)
                            .Select(m => (Folder: m.Groups[1].Value, Type: m.Groups[2].Value))
                            .Where(types.Contains)
                            .Select(m => m.Folder)
                    )
                    .Select(to => (From: f.Folder, To: to))
            )
            .Where(a => a.From != a.To)
            .Distinct()
            .ToLookup(a => a.From, a => a.To);
    }

    private static bool Reaches(ILookup<string, string> arrows, string from, string goal, HashSet<string> seen) =>
        arrows[from].Any(to => to == goal || (seen.Add(to) && Reaches(arrows, to, goal, seen)));

    private static IEnumerable<string> Sources(string project = "Cumbre.Core") =>
        Directory
            .EnumerateFiles(TestFiles.Root($"src/{project}"), "*.cs", SearchOption.AllDirectories)
            .Where(f =>
                !f.Contains("/obj/", StringComparison.Ordinal) && !f.Contains("/bin/", StringComparison.Ordinal)
            );

    private static string FolderOf(string file) => Path.GetFileName(Path.GetDirectoryName(file)!);

    [GeneratedRegex(@"\b(?:class|record|struct|enum|interface) ([A-Z]\w*)")]
    private static partial Regex Declared();

    [GeneratedRegex(@"(?<!Storage\.)\b([A-Z]\w*)\.([A-Z]\w*)")]
    private static partial Regex Qualified();

    [GeneratedRegex(@"^\s*//.*$", RegexOptions.Multiline)]
    private static partial Regex Comment();
}
