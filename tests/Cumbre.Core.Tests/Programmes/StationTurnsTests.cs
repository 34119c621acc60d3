using Cumbre.Core.Programmes;

namespace Cumbre.Core.Tests.Programmes;

public sealed class StationTurnsTests
{
    private static readonly DateTimeOffset Now = new(2026, 3, 16, 19, 2, 0, TimeSpan.Zero);
    private static readonly Guid[] Who = [.. Enumerable.Range(1, 5).Select(i => new Guid(i, 0, 0, new byte[8]))];

    private static string Turns(int places, params (string Station, int ReadyIn)[] all) =>
        string.Join(
            ", ",
            StationTurns
                .Of(
                    [.. all.Select((a, i) => new AtStation(Who[i], a.Station, Now.AddSeconds(a.ReadyIn)))],
                    new Dictionary<string, int> { ["bar"] = places },
                    Now
                )
                .Select(t => t.Turn + (t.After is { } after ? $" {Array.IndexOf(Who, after)}" : ""))
        );

    [Theory]
    // Alone one goes when the rest is over, at the very second.
    [InlineData("Go", 1, "bar", 0)]
    [InlineData("Rest", 1, "bar", 1)]
    // Two share a bar: the one who is ready goes, the other comes after, rested or not.
    [InlineData("Go, After 0", 1, "bar", -10, "bar", 40)]
    [InlineData("After 1, Go", 1, "bar", -10, "bar", -20)]
    // Nobody is ready yet: both rest.
    [InlineData("Rest, Rest", 1, "bar", 20, "bar", 40)]
    // With two bars two go at once, and the third comes after the first.
    [InlineData("Go, Go, After 0", 2, "bar", -20, "bar", -10, "bar", 30)]
    [InlineData("Go, Rest", 2, "bar", -20, "bar", 10)]
    // Another station is another queue.
    [InlineData("Go, Go", 1, "bar", -10, "rings", -5)]
    public void Who_is_ready_longest_goes_first(string expected, int places, params object[] all) =>
        Assert.Equal(expected, Turns(places, [.. all.Chunk(2).Select(a => ((string)a[0], (int)a[1]))]));
}
