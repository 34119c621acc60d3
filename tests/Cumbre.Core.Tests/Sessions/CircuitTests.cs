using Cumbre.Core.Prescriptions;
using Cumbre.Core.Sessions;

namespace Cumbre.Core.Tests.Sessions;

public class CircuitTests
{
    // A letter an item: x an exercise, d a drill; + is done in turn with the one before. Common practice, no source.
    [Theory]
    [InlineData("", "")]
    [InlineData("x", "-")]
    [InlineData("x +x", "--")]
    [InlineData("x +d", "--")]
    [InlineData("x +x +d", "---")]
    [InlineData("x +x +x", "ooo")]
    [InlineData("x +d +x +x", "o-oo")]
    [InlineData("x x +x +x x +x", "-ooo--")]
    [InlineData("+x +x +x", "ooo")]
    public void Three_exercises_in_turn_are_a_circuit(string items, string circuit) =>
        Assert.Equal(
            circuit,
            string.Concat(
                Circuit
                    .Of([
                        .. items
                            .Split(' ', StringSplitOptions.RemoveEmptyEntries)
                            .Select(i => (i[0] == '+', i[^1] == 'd' ? ItemRole.Preparation : (ItemRole?)null)),
                    ])
                    .Select(c => c ? 'o' : '-')
            )
        );
}
