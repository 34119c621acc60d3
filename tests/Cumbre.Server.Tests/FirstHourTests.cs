namespace Cumbre.Server.Tests;

/// <summary>What a new club has done, and how its people want to read.</summary>
public sealed class FirstHourTests : IAsyncLifetime
{
    private readonly Club club = new(demo: false);
    private Caller owner = null!;

    public async ValueTask InitializeAsync()
    {
        owner = club.Stranger();
        var created = await owner.Post(
            "/api/owner",
            new
            {
                clubName = "Kiln Yard",
                name = "Olga Tamm",
                signInName = "olga",
                password = "a sentence to remember",
                timeZone = "Europe/Madrid",
                setupCode = Club.SetupCode,
            }
        );
        Assert.Equal(204, created.Status);
    }

    public ValueTask DisposeAsync() => club.DisposeAsync();

    [Fact]
    public async Task Each_step_counts_once_it_is_done()
    {
        var empty = (await owner.Get("/api/first-hour")).Ok;
        Assert.All(["kit", "weighed", "tested", "published", "sent", "atWork"], step =>
            Assert.False((bool)empty[step]!)
        );
        Assert.Null(empty["athleteId"]);

        var athlete = await owner.NewAthlete();
        await athlete.Weigh(70);
        await athlete.Test("pull-up-max", 8);
        var begun = (await owner.Get("/api/first-hour")).Ok;
        Assert.Equal(athlete.Id.ToString(), (string)begun["athleteId"]!);
        Assert.Equal((true, true, false), ((bool)begun["weighed"]!, (bool)begun["tested"]!, (bool)begun["atWork"]!));
    }

    [Fact]
    public async Task Habits_are_kept_and_what_is_none_is_told_at_its_field()
    {
        Assert.Null((await owner.Get("/api/me")).Ok["account"]!["habits"]!["locale"]);
        var chosen = new
        {
            locale = "en-GB",
            hours = 12,
            firstDay = 7,
        };
        Assert.Equal(204, (await owner.Put("/api/me/habits", chosen)).Status);
        Assert.Equal(
            """{"locale":"en-GB","hours":12,"firstDay":7}""",
            (await owner.Get("/api/me")).Ok["account"]!["habits"]!.ToJsonString()
        );
        Assert.Equal("locale:wordUnknown", await Field("English", null, null));
        Assert.Equal("hours:wordUnknown", await Field(null, 13, null));
        Assert.Equal("firstDay:outOfRange", await Field(null, null, 8));
        Assert.Equal("firstDay:outOfRange", await Field(null, null, 0));
        Assert.Equal(
            204,
            (
                await owner.Put(
                    "/api/me/habits",
                    new
                    {
                        locale = (string?)null,
                        hours = (int?)null,
                        firstDay = (int?)null,
                    }
                )
            ).Status
        );

        async Task<string?> Field(string? locale, int? hours, int? firstDay) =>
            (
                await owner.Put(
                    "/api/me/habits",
                    new
                    {
                        locale,
                        hours,
                        firstDay,
                    }
                )
            ).Field;
    }
}
