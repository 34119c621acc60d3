using BenchmarkDotNet.Running;
using Cumbre.Bench;

// No argument: the reports. Any argument goes to BenchmarkDotNet, for instance --filter '*'.
if (args.Length == 0)
{
    PlateReport.Run();
    PlacementReport.Run();
    BlockReport.Run();
    GeneratorReport.Run();
}
else
{
    BenchmarkSwitcher.FromAssembly(typeof(HotPaths).Assembly).Run(args);
}
