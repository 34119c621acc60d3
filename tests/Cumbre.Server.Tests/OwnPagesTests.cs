using System.Text.Json.Nodes;

namespace Cumbre.Server.Tests;

/// <summary>What an athlete reads and writes about themselves, over the API.</summary>
public sealed class OwnPagesTests(SharedClub shared) : IClassFixture<SharedClub>, IAsyncLifetime
{
    private Caller coach = null!;

    public async ValueTask InitializeAsync() => coach = await shared.Club.Coach();

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    private async Task<Trainee> Weighed()
    {
        var athlete = await coach.NewAthlete();
        (await athlete.Weigh(70m, "2025-05-01")).Ok.ToString();
        return athlete;
    }

    [Fact]
    public async Task The_log_comes_in_pages_of_twelve_days_and_every_session_once()
    {
        var athlete = await Weighed();
        var first = new DateOnly(2026, 1, 5);
        for (var i = 0; i < 14; i++)
            await athlete.Train("2 x 8", first.AddDays(2 * i).ToString("O"), 8, movement: "ring-row");
        (await athlete.Plan("2 x 8", movement: "ring-row")).Ok.ToString();
        var page = (await coach.Get($"{athlete.Path}/log")).Ok;
        var rest = (await coach.Get($"{athlete.Path}/log?before={page["before"]}")).Ok;
        Assert.Equal((12, 2), (page["sessions"]!.AsArray().Count, rest["sessions"]!.AsArray().Count));
        Assert.Null(rest["before"]);
        // What is only planned is in no log.
        Assert.Equal(
            Enumerable.Range(0, 14).Select(i => first.AddDays(2 * (13 - i)).ToString("O")),
            page["sessions"]!.AsArray().Concat(rest["sessions"]!.AsArray()).Select(s => (string)s!["day"]!)
        );
    }

    [Fact]
    public async Task The_log_shows_sets_as_they_stand_and_why_something_was_left_out()
    {
        var (athlete, _, _) = await RunFixture.Planned(coach, "ring-row: 2 x 8", "push-up: 2 x 8");
        var phone = await Phone.Of(coach, athlete);
        var first = (string)phone.Do(0, 0, 6)["id"]!;
        phone.Do(0, 0, 7, new { supersedes = first });
        phone.Note("Skip", new { reason = "out of time" }, item: 1);
        await phone.Send();
        var items = (await coach.Get($"{athlete.Path}/log")).Ok["sessions"]![0]!["items"]!.AsArray();
        Assert.Equal(["Ring row", "Push-up"], items.Select(i => (string)i!["name"]!));
        Assert.Equal([7], items[0]!["sets"]!.AsArray().Select(s => (int)s!["reps"]!));
        Assert.Equal((null, "out of time"), ((string?)items[0]!["skipped"], (string?)items[1]!["skipped"]));
        var empty = (await coach.Get($"{(await Weighed()).Path}/log")).Ok;
        Assert.Equal((0, true), (empty["sessions"]!.AsArray().Count, empty["before"] is null));
    }

    [Fact]
    public async Task Records_are_the_best_of_all_time_each_in_its_own_measure()
    {
        var (athlete, _, _) = await RunFixture.Planned(
            coach,
            "front-lever-tuck: hold 2 x 8 s",
            "high-pull-up: 2 x 3 to chest fast"
        );
        (await athlete.Weigh(70m, "2025-05-01")).Ok.ToString();
        // Long before the window in which training is read every day.
        await athlete.Train("3 x 12", "2025-06-01", 12, movement: "ring-row");
        await athlete.Train("3 x 8", "2026-03-02", 8, movement: "ring-row");
        var phone = await Phone.Of(coach, athlete);
        phone.Do(0, 0, 7);
        phone.Do(0, 1, 8);
        phone.Do(1, 0);
        phone.Do(1, 1, 2);
        phone.Note("Finish");
        await phone.Send();
        var records = (await coach.Get($"{athlete.Path}/records")).Ok.AsArray();
        Assert.Equal(
            [
                ("High pull-up", "Contact", 2m, "2026-03-16"),
                ("Tuck front lever", "Seconds", 8m, "2026-03-16"),
                ("Ring row", "Reps", 12m, "2025-06-01"),
            ],
            records.Select(r =>
                (
                    (string)r!["name"]!,
                    (string)r["measure"]!,
                    (decimal)r["records"]![0]!["value"]!,
                    (string)r["records"]![0]!["day"]!
                )
            )
        );
        Assert.Equal(404, (await coach.Get($"/api/athletes/{Guid.CreateVersion7()}/records")).Status);
    }

    [Fact]
    public async Task What_hangs_at_home_is_written_with_the_rest_of_the_kit_and_is_what_is_hung()
    {
        var athlete = await coach.NewAthlete();
        await athlete.OpenGate();
        var profile = (JsonObject)(await coach.Get(athlete.Path)).Ok;
        profile["intake"]!["place"] = "Home";
        (await coach.Put(athlete.Path, profile)).Ok.ToString();
        object Book(long version, object? kit) =>
            new
            {
                kit,
                bands = Array.Empty<object>(),
                counted = Array.Empty<object>(),
                gear = Array.Empty<object>(),
                version,
            };
        async Task<decimal> Hung() =>
            (decimal)
                (await athlete.Plan("3 x 5 @ +5 kg", reason: "a test")).Ok["items"]![0]!["plan"]!["loads"]![0]![
                    "made"
                ]!["value"]!["number"]!;
        var stored = (await coach.Put($"{athlete.Path}/kit", Book(0, Trainee.Kit((7, 1))))).Ok;
        Assert.Equal(7m, (decimal)stored["kit"]!["plates"]![0]!["size"]!["value"]!);
        Assert.Equal(7m, await Hung());
        // A request that says nothing of plates leaves them.
        (await coach.Put($"{athlete.Path}/kit", Book(1, null))).Ok.ToString();
        Assert.Equal(7m, await Hung());
        // What is refused changes neither plates nor bands.
        Assert.Equal(409, (await coach.Put($"{athlete.Path}/kit", Book(1, Trainee.Kit((3, 1))))).Status);
        Assert.Equal(7m, await Hung());
    }
}
