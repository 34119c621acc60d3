using System.IO.Compression;
using System.Text;
using System.Text.Json.Nodes;

namespace Cumbre.Server.Tests;

/// <summary>Figures over the API: small, of every movement, and of an athlete's own proportions.</summary>
public sealed class FigureTests(SharedClub shared) : IClassFixture<SharedClub>
{
    private const int Coordinates = 28 * 3;

    private static long Packed(JsonNode node)
    {
        using var bytes = new MemoryStream();
        using (var gz = new GZipStream(bytes, CompressionLevel.SmallestSize, leaveOpen: true))
            gz.Write(Encoding.UTF8.GetBytes(node.ToJsonString()));
        return bytes.Length;
    }

    private static double Length(JsonNode pose, int from, int to)
    {
        int At(int joint, int axis) => (int)pose["points"]![3 * joint + axis]!;
        return Math.Sqrt(Enumerable.Range(0, 3).Sum(a => Math.Pow(At(from, a) - At(to, a), 2)));
    }

    [Fact]
    public async Task All_of_them_are_under_60_kB_packed()
    {
        var coach = await shared.Club.Coach();
        var figures = (await coach.Get("/api/figures")).Ok;
        Assert.InRange(Packed(figures), 10_000, 60_000);
        Assert.All(figures["poses"]!.AsArray(), p => Assert.Equal(Coordinates, p!["points"]!.AsArray().Count));
        var names = figures["poses"]!.AsArray().Select(p => (string)p!["name"]!).ToHashSet();
        foreach (var movement in (await coach.Get("/api/movements")).Ok.AsArray())
            if (!(bool)movement!["own"]!)
                Assert.All(figures["movements"]![(string)movement["slug"]!]!["keys"]!.AsArray(), k =>
                    Assert.Contains((string)k!, names)
                );
    }

    [Fact]
    public async Task A_movement_goes_from_its_first_position_to_its_last()
    {
        var coach = await shared.Club.Coach();
        var frames = (await coach.Get("/api/figures/bar-muscle-up/motion")).Ok.AsArray();
        var poses = (await coach.Get("/api/figures")).Ok["poses"]!.AsArray();
        JsonNode Pose(string name) => poses.Single(p => (string)p!["name"]! == name)!;
        // Five positions with seven between each two.
        Assert.Equal(4 * 8 + 1, frames.Count);
        Assert.Equal(Pose("active-hang")["points"]!.ToJsonString(), frames[0]!["points"]!.ToJsonString());
        Assert.Equal(Pose("bar-support")["points"]!.ToJsonString(), frames[^1]!["points"]!.ToJsonString());
        // No joint jumps: a tenth of a second at most apart, no point moves 30 cm.
        foreach (var (a, b) in frames.Zip(frames.Skip(1)))
            for (var i = 0; i < Coordinates; i++)
                Assert.InRange((int)b!["points"]![i]! - (int)a!["points"]![i]!, -300, 300);
        Assert.Equal(404, (await coach.Get("/api/figures/no-such-movement/motion")).Status);
    }

    [Fact]
    public async Task An_athlete_is_drawn_as_long_as_measured()
    {
        var coach = await shared.Club.Coach();
        var anybody = (await coach.Get("/api/figures")).Ok["poses"]!.AsArray();
        JsonNode Hang(JsonArray poses) => poses.Single(p => (string)p!["name"]! == "relaxed-hang")!;
        var athlete = await coach.NewAthlete();
        var profile = (await coach.Get(athlete.Path)).Ok;
        var own = (await coach.Get($"{athlete.Path}/figures")).Ok["poses"]!.AsArray();
        // Shoulder to elbow and hip to knee grow with stature.
        var scale = (double)(profile["profile"]?["statureCm"] ?? profile["statureCm"])! / 174.1;
        foreach (var (from, to) in (ReadOnlySpan<(int, int)>)[(6, 7), (10, 11)])
            Assert.InRange(Length(Hang(own), from, to) / Length(Hang(anybody), from, to) / scale, 0.9, 1.1);
        Assert.NotEqual(Hang(anybody)["points"]!.ToJsonString(), Hang(own)["points"]!.ToJsonString());
    }
}
