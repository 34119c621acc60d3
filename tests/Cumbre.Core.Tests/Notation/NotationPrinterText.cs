using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Tests.Notation;

/// <summary>Lines and plans in tests that speak of both.</summary>
internal static class NotationPrinterText
{
    public static string Of(Prescription plan) => NotationPrinter.Print(plan);

    public static Prescription Read(string line) =>
        NotationParser.Parse(line).Plan ?? throw new ArgumentException(line);
}
