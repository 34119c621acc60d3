using System.Text.Json;
using Cumbre.Core.Decisions;
using Cumbre.Server.Decisions;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Microsoft.Extensions.DependencyInjection;

namespace Cumbre.Server.Tests;

public class DemoTests
{
    [Fact]
    public async Task Every_kind_of_decision_waits_on_the_demos_desk()
    {
        await using var club = new Club();
        var coach = await club.Coach();
        var rows = (await coach.Get("/api/desk")).Ok["rows"]!.AsArray();
        var decisions = rows.SelectMany(r => r!["decisions"]!.AsArray()).ToArray();
        Assert.Distinct(rows.Select(r => (string)r!["athleteId"]!));
        var kinds = decisions.Select(d => (string)d!["kind"]!).ToHashSet();
        Assert.Superset(Enum.GetValues<ProposalKind>().Select(k => k.ToString()).ToHashSet(), kinds);
        Assert.Equal("Refer", (string)decisions[0]!["kind"]!);
    }

    [Fact]
    public async Task The_demo_has_a_newcomer_an_open_gate_a_stale_test_pounds_and_a_minor()
    {
        await using var club = new Club();
        var coach = await club.Coach();
        var roster = (await coach.Get("/api/athletes")).Ok.AsArray();
        Assert.InRange(roster.Count, 12, 16);
        Assert.Contains(roster, a => (int)a!["testCount"]! == 0);
        Assert.Contains(roster, a => (int)a!["testCount"]! > 0 && a["lastSession"] is null);
        Assert.Contains(roster, a => (bool)a!["oneRepMaxStale"]!);
        Assert.Contains(roster, a => a!["openClearances"]!.AsArray().Count > 0);
        Assert.Contains((await coach.Get("/api/desk")).Ok["retests"]!.AsArray(), r => (bool)r!["overdue"]!);
    }

    /// <summary>Its text is put together from parts that were written before; the API document promises one record.</summary>
    [Fact]
    public async Task The_desk_travels_as_its_record_does()
    {
        await using var club = new Club();
        var coach = await club.Coach();
        var sent = (await coach.Get("/api/desk")).Ok;
        var (desk, _) = club
            .Services.GetRequiredService<Database>()
            .Read(db => Desk.Read(db, club.Services.GetRequiredService<ClubClock>(), Reach.Everybody));
        Assert.NotEmpty(desk.Rows);
        Assert.NotEmpty(desk.Sessions);
        Assert.Equal(JsonSerializer.Serialize(desk, WireJson.Options), sent.ToJsonString(WireJson.Options));
    }

    [Fact]
    public async Task Health_answers()
    {
        await using var club = new Club();
        Assert.Equal(200, (await club.Stranger().Get("/health")).Status);
    }
}
