using System.Globalization;
using BenchmarkDotNet.Running;
using Cumbre.Bench;

// No argument: the reports. "year" and a count: athletes under the rules. "club", the address of a running demo, its
// file, clients and seconds: its pages. "blocks", part of a name and schools as question=choice: the blocks of the
// model athletes; "placement" and "generator": their speed alone; "group": a class and a circuit of theirs; "figures"
// and the seed of the first athlete: what a coach would count in 300 blocks; "coverage": how many forecasts hold. "import", the
// address of a running demo, its file and rows: a table of sets read in. Any
// other argument goes to BenchmarkDotNet, for instance --filter '*'.
if (args.Length == 0)
{
    PlateReport.Run();
    PlacementReport.Run();
    BlockReport.Run();
    GeneratorReport.Run();
}
else if (args is ["year", ..])
{
    YearReport.Run(args.Length > 1 ? int.Parse(args[1], CultureInfo.InvariantCulture) : 1000);
}
else if (args is ["figures", ..])
{
    BlockFigures.Run(args.Length > 1 ? int.Parse(args[1], CultureInfo.InvariantCulture) : 0);
}
else if (args is ["blocks", ..])
{
    BlockPrinter.Run(args.Length > 1 ? args[1] : null, [.. args.Skip(2)]);
}
else if (args is ["generator"])
{
    GeneratorReport.Speed();
}
else if (args is ["placement"])
{
    PlacementReport.Run();
}
else if (args is ["coverage"])
{
    CoverageReport.Run();
}
else if (args is ["group"])
{
    GroupPrinter.Run();
}
else if (args is ["club", var address, var file, ..])
{
    int Count(int at) => args.Length > at ? int.Parse(args[at], CultureInfo.InvariantCulture) : 0;
    using var report = new ClubReport(address, file);
    await report.Run(Count(3), Count(4));
}
else if (args is ["import", var server, var database, ..])
{
    await ImportReport.Run(
        server,
        database,
        args.Length > 3 ? int.Parse(args[3], CultureInfo.InvariantCulture) : 1_000_000
    );
}
else if (args is ["fuzz", var lines, ..])
{
    int Count(int at, int usual) => args.Length > at ? int.Parse(args[at], CultureInfo.InvariantCulture) : usual;
    return Fuzz.Run(lines, Count(2, 1_000_000), Count(3, 1));
}
else
{
    BenchmarkSwitcher.FromAssembly(typeof(HotPaths).Assembly).Run(args);
}

return 0;
