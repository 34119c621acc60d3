namespace Cumbre.Core.Tests;

/// <summary>Finds the project's own files from wherever the tests run.</summary>
internal static class TestFiles
{
    public static string Root(string relative)
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (folder is not null && !File.Exists(Path.Combine(folder.FullName, "Cumbre.slnx")))
            folder = folder.Parent;
        return Path.Combine(
            folder?.FullName ?? throw new InvalidOperationException("The tests run outside the project."),
            relative
        );
    }
}
