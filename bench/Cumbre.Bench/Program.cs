using BenchmarkDotNet.Running;
using Cumbre.Bench;

// No argument: the percentiles of the plate solvers. Any argument goes to BenchmarkDotNet, for instance --filter '*'.
if (args.Length == 0)
    PlateReport.Run();
else
    BenchmarkSwitcher.FromAssembly(typeof(HotPaths).Assembly).Run(args);
