using System.Text.Json.Nodes;

namespace Cumbre.Server.Tests;

/// <summary>What a coach sees of sessions that run, and changes in them.</summary>
public sealed class LiveTests(SharedClub shared) : IClassFixture<SharedClub>, IAsyncLifetime
{
    private Caller coach = null!;

    public async ValueTask InitializeAsync() => coach = await shared.Club.Coach();

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    private async Task<JsonNode?> Live(Trainee athlete) =>
        (await coach.Get("/api/live/now")).Ok["sessions"]!
            .AsArray()
            .FirstOrDefault(s => (Guid)s!["athlete"]! == athlete.Id);

    [Fact]
    public async Task Who_trains_now_is_shown_with_the_next_set_the_rest_and_the_pain()
    {
        var (athlete, _, _) = await RunFixture.Planned(coach, "ring-row: 3 x 8 rest 2:00", "push-up: 2 x 10");
        Assert.Null(await Live(athlete));
        var phone = await Phone.Of(coach, athlete);
        phone.Do(0, 0, at: DateTimeOffset.UtcNow.AddSeconds(-150));
        phone.Do(0, 1, more: new { pain = 6, painPlace = "left elbow, inside" });
        await phone.Send();
        var live = (await Live(athlete))!;
        Assert.Equal(
            ("Ring row", 3, 3, 2, 5, "left elbow, inside", true),
            (
                (string)live["movement"]!,
                (int)live["set"]!,
                (int)live["sets"]!,
                (int)live["done"]!,
                (int)live["efforts"]!,
                (string)live["painPlace"]!,
                (bool)live["painStops"]!
            )
        );
        var rest = (DateTimeOffset)live["restUntil"]! - (DateTimeOffset)live["last"]!["doneAt"]!;
        Assert.Equal(120, rest.TotalSeconds, 0);
        // Two rests and two sets were planned for the time; a quarter of a minute of it is missing.
        Assert.InRange((int)live["behindSeconds"]!, -200, 60);
        phone.Note("Finish");
        await phone.Send();
        Assert.Null(await Live(athlete));
    }

    [Fact]
    public async Task Sets_of_the_sessions_page_and_one_that_was_taken_back_are_shown_too()
    {
        var (athlete, _, _) = await RunFixture.Planned(coach, "ring-row: 3 x 8 rest 2:00");
        var phone = await Phone.Of(coach, athlete);
        var session = (await coach.Get($"{athlete.Path}/sessions/{phone.Pack["id"]}")).Ok;
        var first = Guid.CreateVersion7();
        (await athlete.Log(session, 1, 8, 0, id: first)).Ok.ToString();
        var live = (await Live(athlete))!;
        Assert.Equal((1, 2), ((int)live["done"]!, (int)live["set"]!));
        var doneAt = (DateTimeOffset)live["last"]!["doneAt"]!;
        Assert.Equal(120, ((DateTimeOffset)live["restUntil"]! - doneAt).TotalSeconds, 0);
        // Who corrects a set does not do it again.
        (await athlete.Log(session, 1, 7, 0, supersedes: first)).Ok.ToString();
        live = (await Live(athlete))!;
        Assert.Equal((7, doneAt), ((int)live["last"]!["reps"]!, (DateTimeOffset)live["last"]!["doneAt"]!));
        var again = await Phone.Of(coach, athlete);
        again.Note("Withdraw", new { of = (string)live["last"]!["id"]! });
        await again.Send();
        live = (await Live(athlete))!;
        Assert.Equal((0, true), ((int)live["done"]!, live["last"] is null));
        Assert.Equal(200, (await coach.Get("/api/board")).Status);
    }

    [Fact]
    public async Task What_is_told_of_a_set_later_begins_no_new_rest()
    {
        var (athlete, _, _) = await RunFixture.Planned(coach, "ring-row: 3 x 8 rest 2:00");
        var phone = await Phone.Of(coach, athlete);
        var done = DateTimeOffset.UtcNow.AddSeconds(-90);
        var first = (string)phone.Do(0, 0, at: done)["id"]!;
        phone.Do(0, 0, more: new { reserve = 2, supersedes = first });
        await phone.Send();
        var live = (await Live(athlete))!;
        var rested =
            (DateTimeOffset)(await coach.Get("/api/live/now")).Ok["now"]! - (DateTimeOffset)live["last"]!["doneAt"]!;
        Assert.InRange(rested.TotalSeconds, 89, 120);
        Assert.Equal(2, (int)live["last"]!["reserve"]!);
    }

    [Fact]
    public async Task The_coach_changes_the_rest_of_an_exercise_and_the_phone_has_it_before_the_next_set()
    {
        var (athlete, _, _) = await RunFixture.Planned(coach, "weighted-pull-up: 4 x 5 @ +20 kg", "push-up: 2 x 10");
        var phone = await Phone.Of(coach, athlete);
        phone.Do(0, 0);
        phone.Do(0, 1);
        await phone.Send();
        var change = $"{athlete.Path}/sessions/{phone.Pack["id"]}/items/{phone.Item(0)}/change";
        Task<Answer> Change(object body) => coach.Post(change, body);
        var id = Guid.CreateVersion7();
        Assert.Equal(
            "line:lineUnreadable",
            (
                await Change(
                    new
                    {
                        id,
                        movement = "pull-up",
                        line = "4 x",
                        reason = "slow",
                    }
                )
            ).Field
        );
        Assert.Equal(
            "movement:movementNotChosen",
            (
                await Change(
                    new
                    {
                        id,
                        movement = "none",
                        line = "4 x 5",
                        reason = "slow",
                    }
                )
            ).Field
        );
        Assert.Equal(
            "reason:writeSkipReason",
            (
                await Change(
                    new
                    {
                        id,
                        movement = "pull-up",
                        line = "4 x 5",
                        reason = " ",
                    }
                )
            ).Field
        );
        var body = new
        {
            id,
            movement = "weighted-pull-up",
            line = "4 x 5 @ +15 kg",
            reason = "the pull slows down",
        };
        Assert.Equal(200, (await Change(body)).Status);
        // Sent twice, it is there once.
        Assert.Equal(200, (await Change(body)).Status);
        var pack = (await Phone.Of(coach, athlete)).Pack;
        Assert.Equal(
            ["4 x 5 @ +20 kg", "4 x 5 @ +15 kg", "2 x 10"],
            pack["items"]!.AsArray().Select(i => (string)i!["line"]!)
        );
        Assert.Equal("the pull slows down", (string)pack["items"]![0]!["ended"]!);
        Assert.Equal(phone.Item(0), (Guid)pack["items"]![1]!["insteadOf"]!);
        // The next set is the third, of the new form.
        var live = (await Live(athlete))!;
        Assert.Equal(("4 x 5 @ +15 kg", 3), ((string)live["line"]!, (int)live["set"]!));
        var later = await Phone.Of(coach, athlete);
        later.Do(1, 2);
        later.Do(1, 3);
        later.Do(2, 0);
        later.Do(2, 1);
        later.Note("Finish");
        Assert.All(Phone.Outcomes(await later.Send()), o => Assert.Equal("Kept", o));
        // Cut short by the coach, it is neither progress nor a failure.
        var session = (await coach.Get($"{athlete.Path}/sessions/{phone.Pack["id"]}")).Ok;
        Assert.DoesNotContain(session["decisions"]!.AsArray(), d => (string)d!["movement"]! == "weighted-pull-up");
    }

    [Fact]
    public async Task Another_movement_takes_over_where_the_bar_is_not_free()
    {
        var (athlete, _, _) = await RunFixture.Planned(coach, "pull-up: 3 x 5");
        var phone = await Phone.Of(coach, athlete);
        var answer = await coach.Post(
            $"{athlete.Path}/sessions/{phone.Pack["id"]}/items/{phone.Item(0)}/change",
            new
            {
                id = Guid.CreateVersion7(),
                movement = "ring-row",
                line = "3 x 10",
                reason = "bar not free",
            }
        );
        Assert.Equal("Started", (string)answer.Ok["status"]!);
        // A phone that was on its way with the old plan loses nothing.
        phone.Do(0, 0);
        Assert.Equal(["Kept"], Phone.Outcomes(await phone.Send()));
        var items = (await Phone.Of(coach, athlete)).Pack["items"]!.AsArray();
        Assert.Equal([1, 0], items.Select(i => i!["sets"]!.AsArray().Count));
    }

    [Fact]
    public async Task Changes_are_told_while_they_happen_and_all_of_it_to_whoever_connects_again()
    {
        var (athlete, _, _) = await RunFixture.Planned(coach, "ring-row: 3 x 8");
        var phone = await Phone.Of(coach, athlete);
        using var stop = CancellationTokenSource.CreateLinkedTokenSource(TestContext.Current.CancellationToken);
        var told = Listen(stop.Token).GetAsyncEnumerator(stop.Token);
        Assert.True(await told.MoveNextAsync());
        var before = Mark(told.Current, athlete);
        Assert.NotNull(before);
        phone.Do(0, 0);
        await phone.Send();
        string? after = null;
        while (after is null && await told.MoveNextAsync())
            after = Mark(told.Current, athlete);
        Assert.NotEqual(before, after);
        await stop.CancelAsync();

        using var again = CancellationTokenSource.CreateLinkedTokenSource(TestContext.Current.CancellationToken);
        await foreach (var all in Listen(again.Token))
        {
            Assert.Equal(after, Mark(all, athlete));
            break;
        }
    }

    private static string? Mark(JsonNode marks, Trainee athlete) =>
        (string?)marks.AsArray().FirstOrDefault(m => (Guid)m!["athlete"]! == athlete.Id)?["mark"];

    private async IAsyncEnumerable<JsonNode> Listen(
        [System.Runtime.CompilerServices.EnumeratorCancellation] CancellationToken stop
    )
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, "/api/live");
        using var response = await coach.Client.SendAsync(request, HttpCompletionOption.ResponseHeadersRead, stop);
        Assert.Equal("text/event-stream", response.Content.Headers.ContentType!.MediaType);
        using var reader = new StreamReader(await response.Content.ReadAsStreamAsync(stop));
        while (await reader.ReadLineAsync(stop) is { } line)
        {
            if (line.StartsWith("data: ", StringComparison.Ordinal))
                yield return JsonNode.Parse(line["data: ".Length..])!;
        }
    }
}
