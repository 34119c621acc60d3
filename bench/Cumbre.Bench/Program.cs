using System.Globalization;
using BenchmarkDotNet.Running;
using Cumbre.Bench;

// No argument: the reports. "year" and a count: athletes under the rules. Any argument goes to BenchmarkDotNet, for instance --filter '*'.
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
else
{
    BenchmarkSwitcher.FromAssembly(typeof(HotPaths).Assembly).Run(args);
}
