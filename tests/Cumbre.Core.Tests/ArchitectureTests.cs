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

    [Fact]
    public void Folders_of_the_core_depend_one_way()
    {
        var arrows = Sources()
            .SelectMany(file =>
                Uses().Matches(File.ReadAllText(file)).Select(m => (From: FolderOf(file), To: m.Groups[1].Value))
            )
            .Where(a => a.From != a.To)
            .Distinct()
            .ToLookup(a => a.From, a => a.To);

        Assert.Empty(arrows["Measures"]);
        Assert.All(arrows["Explanations"], to => Assert.Equal("Measures", to));
        Assert.DoesNotContain("Decisions", arrows.SelectMany(a => a));
        foreach (var folder in arrows.Select(a => a.Key))
            Assert.False(Reaches(arrows, folder, folder, []), $"{folder} depends on itself in a circle");
    }

    private static bool Reaches(ILookup<string, string> arrows, string from, string goal, HashSet<string> seen) =>
        arrows[from].Any(to => to == goal || (seen.Add(to) && Reaches(arrows, to, goal, seen)));

    private static IEnumerable<string> Sources() =>
        Directory
            .EnumerateFiles(TestFiles.Root("src/Cumbre.Core"), "*.cs", SearchOption.AllDirectories)
            .Where(f =>
                !f.Contains("/obj/", StringComparison.Ordinal) && !f.Contains("/bin/", StringComparison.Ordinal)
            );

    private static string FolderOf(string file) => Path.GetFileName(Path.GetDirectoryName(file)!);

    [GeneratedRegex(@"^using Cumbre\.Core\.(\w+);", RegexOptions.Multiline)]
    private static partial Regex Uses();
}
