using System.Globalization;
using System.Text;
using System.Text.Json.Nodes;

namespace Cumbre.Server.Tests;

/// <summary>How an athlete trained, over the API.</summary>
public sealed class TrendTests(SharedClub shared) : IClassFixture<SharedClub>, IAsyncLifetime
{
    private Caller coach = null!;

    public async ValueTask InitializeAsync() => coach = await shared.Club.Coach();

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    private async Task<Trainee> Trained()
    {
        var athlete = await coach.NewAthlete(weighed: false);
        (await athlete.Weigh(70m, "2024-01-01")).Ok.ToString();
        await athlete.Train("3 x 12", "2025-06-02", 12, movement: "ring-row");
        await athlete.Train("3 x 8", "2026-03-02", 8, movement: "ring-row");
        await athlete.Train("3 x 9", "2026-03-12", 9, movement: "ring-row");
        return athlete;
    }

    private async Task<string> Csv(string path)
    {
        var answer = await coach.Client.GetAsync(path, TestContext.Current.CancellationToken);
        Assert.Equal("text/csv", answer.Content.Headers.ContentType!.MediaType);
        var bytes = await answer.Content.ReadAsByteArrayAsync(TestContext.Current.CancellationToken);
        Assert.Equal(Encoding.UTF8.GetPreamble(), bytes[..3]);
        return Encoding.UTF8.GetString(bytes[3..]);
    }

    private static JsonNode Table(JsonNode trends, string figure) =>
        trends["tables"]!.AsArray().Single(t => (string)t!["figure"]! == figure)!;

    [Fact]
    public async Task Weeks_are_counted_back_from_today_and_zero_shows_everything()
    {
        var athlete = await Trained();
        var twelve = (await coach.Get($"{athlete.Path}/trends")).Ok;
        Assert.Equal(
            ("2025-12-22", "2026-03-16"),
            ((string)twelve["time"]!["from"]!, (string)twelve["time"]!["today"]!)
        );
        Assert.Equal([3, 3, 0], Values(Table(twelve, "HardSets"))[^3..]);
        var all = (await coach.Get($"{athlete.Path}/trends?weeks=0")).Ok;
        Assert.Equal("2025-06-02", (string)all["time"]!["from"]!);
        // 42 weeks, those without training among them.
        Assert.Equal(42, Table(all, "HardSets")["rows"]!.AsArray().Count);
        Assert.Equal(
            [("ring-row", 3)],
            all["movements"]!.AsArray().Select(m => ((string)m!["movement"]!, (int)m["days"]!))
        );
    }

    private static decimal?[] Values(JsonNode table) =>
        [.. table["rows"]!.AsArray().Select(r => (decimal?)r!["values"]![0])];

    [Theory]
    [InlineData("weeks=-1")]
    [InlineData("weeks=521")]
    public async Task A_time_out_of_range_is_told_at_its_field(string query)
    {
        var athlete = await coach.NewAthlete();
        Assert.Equal("weeks:trendWeeks", (await coach.Get($"{athlete.Path}/trends?{query}")).Field);
        Assert.Equal("weeks:trendWeeks", (await coach.Get($"{athlete.Path}/trends/ring-row?{query}")).Field);
    }

    [Fact]
    public async Task A_movement_has_its_points_of_the_time_that_is_asked()
    {
        var athlete = await Trained();
        var year = (await coach.Get($"{athlete.Path}/trends/ring-row?weeks=52")).Ok;
        var twelve = (await coach.Get($"{athlete.Path}/trends/ring-row")).Ok;
        Assert.Equal([12, 8, 9], Counts(year));
        Assert.Equal([8, 9], Counts(twelve));
        Assert.Empty(year["bodyMass"]!.AsArray());
        Assert.Equal(404, (await coach.Get($"{athlete.Path}/trends/no-such-movement")).Status);
    }

    private static decimal[] Counts(JsonNode trend) =>
        [.. trend["trend"]!["points"]!.AsArray().Select(p => (decimal)p!["counts"]!)];

    [Fact]
    public async Task A_load_has_the_bodyweight_beside_it()
    {
        var athlete = await coach.NewAthlete(weighed: false);
        (await athlete.Weigh(70m, "2026-03-09")).Ok.ToString();
        (await athlete.Weigh(71m, "2026-03-12")).Ok.ToString();
        (await athlete.Test("weighted-pull-up-heavy", 5, 20, day: "2026-03-09")).Ok.ToString();
        var trend = (await coach.Get($"{athlete.Path}/trends/weighted-pull-up")).Ok;
        Assert.Equal("OneRepMax", (string)trend["trend"]!["measure"]!);
        Assert.Equal([70m, 71m], trend["bodyMass"]!.AsArray().Select(m => (decimal)m!["kg"]!));
    }

    [Fact]
    public async Task An_empty_athlete_has_empty_trends()
    {
        var athlete = await coach.NewAthlete();
        var trends = (await coach.Get($"{athlete.Path}/trends?weeks=0")).Ok;
        Assert.Empty(trends["tables"]!.AsArray());
        Assert.Empty(trends["movements"]!.AsArray());
        Assert.Equal(404, (await coach.Get($"{athlete.Path}/trends.csv?figure=Pain")).Status);
    }

    [Fact]
    public async Task Every_chart_is_a_table_for_a_spreadsheet_and_the_export_is_noted()
    {
        var athlete = await Trained();
        var weeks = await Csv($"{athlete.Path}/trends.csv?figure=HardSets");
        Assert.StartsWith("Week of,horizontal pull,Partly known\r\n2025-12-22,0,\r\n", weeks, StringComparison.Ordinal);
        Assert.EndsWith("2026-03-02,3,\r\n2026-03-09,3,\r\n2026-03-16,0,yes\r\n", weeks, StringComparison.Ordinal);
        var points = (await Csv($"{athlete.Path}/trends.csv?movement=ring-row&weeks=0")).Split("\r\n");
        Assert.StartsWith("2025-06-02,,Reps,12,12,", points[1], StringComparison.Ordinal);
        Assert.StartsWith(
            "Day,Left,Right,",
            await Csv($"{athlete.Path}/trends.csv?movement=ring-row&sides=true"),
            StringComparison.Ordinal
        );
        Assert.StartsWith("Day,Sleep hours,", await Csv($"{athlete.Path}/trends.csv"), StringComparison.Ordinal);
        var audit = (await coach.Get($"/api/athletes/{athlete.Id}/audit")).Ok.ToJsonString();
        Assert.Contains("trends.csv", audit, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Blocks_and_their_deloads_lie_behind_the_charts()
    {
        var demo = (await coach.Get("/api/athletes")).Ok.AsArray().Single(a => (string)a!["name"]! == "Kasimir Lund")!;
        var time = (await coach.Get($"/api/athletes/{demo["id"]}/trends?weeks=52")).Ok["time"]!;
        var block = time["blocks"]!.AsArray().Single(b => (string)b!["name"]! == "Lever block")!;
        var from = DateOnly.Parse((string)block["start"]!, CultureInfo.InvariantCulture);
        Assert.Equal(DayOfWeek.Monday, from.DayOfWeek);
        Assert.All(time["deloads"]!.AsArray(), d =>
            Assert.Equal(DayOfWeek.Monday, DateOnly.Parse((string)d!, CultureInfo.InvariantCulture).DayOfWeek)
        );
    }
}
