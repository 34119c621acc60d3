using System.Globalization;
using System.Text.Json.Nodes;
using Cumbre.Server.Hosting;
using Microsoft.Extensions.Configuration;
using Serilog.Events;
using Serilog.Formatting.Compact;
using Serilog.Parsing;

namespace Cumbre.Server.Tests;

/// <summary>What the whole club lives with, and what a real club is not offered.</summary>
public sealed class ClubSettingsTests : IAsyncLifetime
{
    private readonly Cast cast = new();

    public ValueTask InitializeAsync() => cast.InitializeAsync();

    public ValueTask DisposeAsync() => cast.DisposeAsync();

    private static object Settings(
        string name = "Iron Quay",
        string timeZone = "Europe/Madrid",
        int[]? trainingDays = null,
        string unit = "Kg",
        int? firstDay = null
    ) =>
        new
        {
            name,
            timeZone,
            trainingDays = trainingDays ?? [1, 3, 5],
            unit,
            firstDay,
        };

    [Fact]
    public async Task The_owner_changes_what_the_club_lives_with()
    {
        Assert.Equal([1, 2, 3, 4, 5, 6, 7], Days((await cast.Kim.Get("/api/club")).Ok));
        var saved = (
            await cast.Olga.Put(
                "/api/club",
                Settings("Salt Quay", "Pacific/Auckland", [5, 1, 7, 1], unit: "Lb", firstDay: 7)
            )
        ).Ok;
        Assert.Equal([1, 5, 7], Days(saved));
        var me = (await cast.Kim.Get("/api/me")).Ok;
        Assert.Equal(("Salt Quay", "Lb", 7), ((string)me["club"]!, (string)me["clubUnit"]!, (int)me["clubFirstDay"]!));
        // Who comes in from now on thinks in pounds; who is here goes on as before.
        var nele = await cast.Join(await Cast.Invite(cast.Olga, "coach", "Nele Lagoon"), "nele");
        Assert.Equal("Lb", (string)(await nele.Get("/api/me")).Ok["account"]!["unit"]!);
        Assert.Equal("Kg", (string)me["account"]!["unit"]!);
        var entry = (await cast.Olga.Get("/api/audit?kinds=ClubChanged")).Ok["entries"]!.AsArray().Single()!;
        Assert.Equal("Salt Quay, Pacific/Auckland, 1,5,7, Lb, 7", (string)entry["after"]!);
        // The same again is no change.
        await cast.Olga.Put("/api/club", saved);
        Assert.Single((await cast.Olga.Get("/api/audit?kinds=ClubChanged")).Ok["entries"]!.AsArray());

        static IEnumerable<int> Days(JsonNode club) => club["trainingDays"]!.AsArray().Select(d => (int)d!);
    }

    [Theory]
    [InlineData("name", "", "UTC", 1, 1)]
    [InlineData("timeZone", "Iron Quay", "Mars/Olympus", 1, 1)]
    [InlineData("trainingDays", "Iron Quay", "UTC", 0, 1)]
    [InlineData("trainingDays", "Iron Quay", "UTC", 8, 1)]
    [InlineData("firstDay", "Iron Quay", "UTC", 7, 8)]
    [InlineData("firstDay", "Iron Quay", "UTC", 7, 0)]
    public async Task What_cannot_be_is_told_at_its_field(string field, string name, string zone, int day, int first)
    {
        var answer = await cast.Olga.Put("/api/club", Settings(name, zone, [day], firstDay: first));
        Assert.Equal((400, field), (answer.Status, answer.Field?.Split(':')[0]));
        var none = await cast.Olga.Put("/api/club", Settings(trainingDays: []));
        Assert.Equal("trainingDays:trainingDayLeast", none.Field);
    }

    private sealed class Noon : TimeProvider
    {
        public override DateTimeOffset GetUtcNow() => new(2026, 3, 16, 11, 30, 0, TimeSpan.Zero);
    }

    // The day of the club is that of its zone, also right after it was changed. 2026-03-16 11:30 UTC is the 17th in
    // Auckland (UTC+13 until 5 April, New Zealand's Time Act; from memory).
    [Fact]
    public async Task A_new_zone_is_a_new_day_at_once()
    {
        await using var club = new Club(demo: false, time: new Noon(), more: host =>
            host.UseSetting("Cumbre:Today", "now")
        );
        var olga = club.Stranger();
        Assert.Equal(204, (await olga.Post("/api/owner", Cast.Owner())).Status);
        Assert.Equal("2026-03-16", (string)(await olga.Get("/api/me")).Ok["today"]!);
        (await olga.Put("/api/club", Settings(timeZone: "Pacific/Auckland"))).Ok.ToString();
        Assert.Equal("2026-03-17", (string)(await olga.Get("/api/me")).Ok["today"]!);
    }

    // Seen before: a real club measured its bands with the stand-in, and could have believed it.
    [Fact]
    public async Task No_device_that_is_not_there_is_offered_to_a_real_club()
    {
        Assert.Equal("None", (string)(await cast.Olga.Get("/api/me")).Ok["gauge"]!);
        var answer = await cast.Olga.Get("/api/gauge?place=Bottom");
        Assert.Equal((404, "noGauge"), (answer.Status, answer.Said));
        await using var demo = new Club();
        Assert.Equal("Simulated", (string)(await (await demo.Coach()).Get("/api/me")).Ok["gauge"]!);
    }

    [Fact]
    public void The_log_repeats_nothing_that_was_typed()
    {
        using var output = new StringWriter();
        new ServerLog.WithoutWords(new CompactJsonFormatter()).Format(
            new(
                DateTimeOffset.UnixEpoch,
                LogEventLevel.Error,
                Thrown(),
                new MessageTemplateParser().Parse("Unhandled at {Route}"),
                [
                    new("Route", new ScalarValue("/api/athletes/{athleteId:guid}")),
                    new("RequestPath", new ScalarValue("/api/athletes/0197")),
                ]
            ),
            output
        );
        var line = JsonNode.Parse(output.ToString())!;
        Assert.Equal("/api/athletes/{athleteId:guid}", (string)line["Route"]!);
        Assert.Contains("System.FormatException", (string)line["@x"]!, StringComparison.Ordinal);
        Assert.Contains(nameof(Thrown), (string)line["@x"]!, StringComparison.Ordinal);
        Assert.DoesNotContain("Ben Skerry", output.ToString(), StringComparison.Ordinal);
        Assert.DoesNotContain("0197", output.ToString(), StringComparison.Ordinal);

        static Exception Thrown()
        {
            try
            {
                _ = int.Parse("Ben Skerry", CultureInfo.InvariantCulture);
                throw new InvalidOperationException("It has to be thrown.");
            }
            catch (FormatException e)
            {
                return e;
            }
        }
    }

    [Fact]
    public void A_form_of_log_that_is_none_is_told() =>
        Assert.Contains(
            "write text or json",
            Assert
                .Throws<SettingException>(() =>
                    CumbreOptions.From(
                        new ConfigurationBuilder()
                            .AddInMemoryCollection([KeyValuePair.Create("Cumbre:Log", (string?)"xml")])
                            .Build()
                    )
                )
                .Message,
            StringComparison.Ordinal
        );
}
