namespace Cumbre.Server.Tests;

/// <summary>What devices wrote down over time, as text over the API.</summary>
public sealed class TraceTests(SharedClub shared) : IClassFixture<SharedClub>
{
    private async Task<(Caller Coach, string Path)> Of(string name = "Kasimir Lund")
    {
        var coach = await shared.Club.Coach();
        var athlete = (await coach.Get("/api/athletes")).Ok.AsArray().Single(a => (string)a!["name"]! == name)!["id"];
        return (coach, $"/api/athletes/{athlete}/traces");
    }

    private static async Task<string> Recorded(Caller coach, string path, string kind, int turn) =>
        (string)(await coach.Get($"{path}/record?kind={kind}&turn={turn}")).Ok["text"]!;

    [Fact]
    public async Task A_set_of_pulls_is_read_from_text_with_either_decimal_mark()
    {
        var (coach, path) = await Of();
        var text = await Recorded(coach, path, "Pull", 4);
        Assert.StartsWith("seconds,metres\n", text, StringComparison.Ordinal);
        var set = (await coach.Post($"{path}/pull", new { text })).Ok;
        Assert.Equal(5, set["set"]!["pulls"]!.AsArray().Count);
        Assert.InRange(set["points"]!.AsArray().Count, 300, 900);
        Assert.All(set["set"]!["pulls"]!.AsArray(), p => Assert.NotNull(p!["contact"]));
        // The same as another part of the world writes it, without titles.
        var other = text[(text.IndexOf('\n', StringComparison.Ordinal) + 1)..].Replace(',', ';').Replace('.', ',');
        Assert.Equal(
            set["set"]!.ToJsonString(),
            (await coach.Post($"{path}/pull", new { text = other })).Ok["set"]!.ToJsonString()
        );
    }

    [Fact]
    public async Task Two_sides_are_compared_and_one_alone_is_told()
    {
        var (coach, path) = await Of();
        var (left, right) = (await Recorded(coach, path, "Force", 1), await Recorded(coach, path, "Force", 3));
        var both = (await coach.Post($"{path}/force", new { left, right })).Ok;
        var (a, b) = ((double)both["left"]!["held"]!, (double)both["right"]!["held"]!);
        Assert.Equal((Math.Max(a, b) - Math.Min(a, b)) / Math.Max(a, b), (double)both["gap"]!["gap"]!, 9);
        Assert.Equal(b >= a, (bool)both["gap"]!["rightIsStronger"]!);
        var one = (await coach.Post($"{path}/force", new { left, right = "" })).Ok;
        Assert.Null(one["right"]);
        Assert.Null(one["gap"]);
    }

    [Theory]
    [InlineData("", "text:traceShort")]
    [InlineData("seconds,metres\n0,0\nx,1\n", "text:traceLine")]
    [InlineData("seconds,metres\n0\n", "text:traceLine")]
    public async Task Text_that_is_no_trace_is_told_with_its_line(string text, string field)
    {
        var (coach, path) = await Of();
        Assert.Equal(field, (await coach.Post($"{path}/pull", new { text })).Field);
    }

    [Fact]
    public async Task Values_out_of_their_range_and_pulls_that_are_none_are_told()
    {
        var (coach, path) = await Of();
        string Lines(Func<int, string> value) =>
            string.Join('\n', Enumerable.Range(0, 30).Select(n => $"0.{n:00},{value(n)}"));
        Assert.Equal("text:traceUnfit", (await coach.Post($"{path}/pull", new { text = Lines(_ => "4.1") })).Field);
        Assert.Equal(200, (await coach.Post($"{path}/pull", new { text = Lines(_ => "0.1") })).Status);
        Assert.Equal(
            "right:traceNoPull",
            (await coach.Post($"{path}/force", new { left = "", right = Lines(_ => "0") })).Field
        );
        Assert.Equal(
            404,
            (await coach.Post($"/api/athletes/{Guid.NewGuid()}/traces/pull", new { text = Lines(_ => "0.1") })).Status
        );
    }
}
