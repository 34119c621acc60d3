using System.Text.Json.Nodes;

namespace Cumbre.Server.Tests;

/// <summary>Generating blocks over the API: preview, taking, generating again, and what is refused.</summary>
public sealed class GenerateTests(SharedClub shared) : IClassFixture<SharedClub>, IAsyncLifetime
{
    private Caller coach = null!;

    public async ValueTask InitializeAsync() => coach = await shared.Club.Coach();

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    private static object Wish(
        string start = "2026-03-16",
        int? minutes = 60,
        string[]? days = null,
        int? loadingWeeks = null,
        string name = "Generated"
    ) =>
        new
        {
            name,
            start,
            days = days ?? ["Monday", "Thursday"],
            minutes,
            loadingWeeks,
        };

    private Task<Answer> Preview(string path, Guid id, object? wish = null) =>
        coach.Post($"{path}/blocks/{id}/generate", wish ?? Wish());

    private Task<Answer> Take(string path, Guid id, object? wish = null, long version = 0) =>
        coach.Put($"{path}/blocks/{id}/generated", new { wish = wish ?? Wish(), version });

    private static JsonNode Session(JsonNode block, int week = 0, int session = 0) =>
        block["weeks"]![week]!["sessions"]![session]!;

    private async Task<string> PathOf(string name) =>
        $"/api/athletes/{(await coach.Get("/api/programmes")).Ok.AsArray().Single(r => (string)r!["athleteName"]! == name)!["athleteId"]}";

    [Fact]
    public async Task A_preview_stores_nothing_and_what_is_taken_is_what_was_shown()
    {
        var athlete = await coach.NewAthlete();
        var id = Guid.CreateVersion7();
        var shown = (await Preview(athlete.Path, id)).Ok;
        Assert.Empty((await coach.Get($"{athlete.Path}/blocks")).Ok.AsArray());
        var taken = (await Take(athlete.Path, id)).Ok;
        Assert.Equal(shown["block"]!["weeks"]!.ToJsonString(), taken["block"]!["weeks"]!.ToJsonString());
        Assert.Empty(taken["reading"]!["cautions"]!.AsArray());
        Assert.NotNull(taken["generated"]);
    }

    [Fact]
    public async Task Every_demo_athlete_gets_a_block_without_cautions_or_is_told_why_not()
    {
        // A club of its own: the others of this class make athletes, some of them without a body mass.
        await using var club = new Club();
        coach = await club.Coach();
        foreach (var row in (await coach.Get("/api/programmes")).Ok.AsArray())
        {
            var (path, name) = ($"/api/athletes/{row!["athleteId"]}", (string)row["athleteName"]!);
            var shown = (await Preview(path, Guid.CreateVersion7(), Wish(minutes: null, days: null))).Ok;
            var sessions = shown["block"]!["weeks"]!.AsArray().Sum(w => w!["sessions"]!.AsArray().Count);
            Assert.Empty(shown["reading"]!["cautions"]!.AsArray());
            if (name == "Levi Sorel")
                Assert.Contains(shown["notices"]!.AsArray(), n => (string)n!["id"]! == "ClearanceOpen");
            else
                Assert.True(sessions >= 10, $"{name}: {sessions}");
            var items = shown["block"]!["weeks"]!
                .AsArray()
                .SelectMany(w => w!["sessions"]!.AsArray())
                .SelectMany(s => s!["items"]!.AsArray())
                .Select(i => (string)i!["id"]!)
                .ToHashSet();
            Assert.Equal(items, shown["why"]!.AsArray().Select(w => (string)w!["item"]!).ToHashSet());
        }
    }

    [Fact]
    public async Task A_block_says_what_it_is_for_before_it_is_taken_and_after()
    {
        var path = await PathOf("Ilse Marquina");
        var id = Guid.CreateVersion7();
        var wish = Wish(start: "2027-01-04", minutes: 75);
        var story = (await Preview(path, id, wish)).Ok["story"]!;
        Assert.Equal(["Front lever", "Bar muscle-up"], story["goals"]!.AsArray().Select(g => (string)g!["goal"]!));
        Assert.All(story["goals"]!.AsArray(), g => Assert.True((int)g!["hard"]! >= 1 && g["heldBackBy"] is not null));
        Assert.NotEmpty(story["growth"]!.AsArray());
        Assert.NotEmpty(story["guesses"]!.AsArray());
        (await Take(path, id, wish)).Ok.ToString();
        var stored = (await coach.Get($"{path}/blocks/{id}/generated")).Ok["story"]!;
        Assert.Equal(story.ToJsonString(), stored.ToJsonString());
    }

    [Fact]
    public async Task The_same_wish_under_another_school_says_what_would_be_otherwise_and_stores_nothing()
    {
        var path = await PathOf("Ilse Marquina");
        var id = Guid.CreateVersion7();
        Task<Answer> Under(string question, string choice) =>
            coach.Post(
                $"{path}/blocks/{id}/generate/under",
                new
                {
                    wish = Wish(minutes: 75),
                    question,
                    choice,
                }
            );
        var other = (await Under("effort", "failure")).Ok;
        Assert.Equal(
            ("leave 1 to 3 in reserve", "to technical failure"),
            ((string)other["now"]!, (string)other["choice"]!)
        );
        Assert.Contains(other["differences"]!.AsArray(), d =>
            ((string?)d!["line"])?.Contains("last to failure", StringComparison.Ordinal) == true
        );
        Assert.DoesNotContain(other["differences"]!.AsArray(), d =>
            ((string?)d!["lineBefore"])?.Contains("last to failure", StringComparison.Ordinal) == true
        );
        // The choice in force changes nothing.
        Assert.Empty((await Under("effort", "reserve")).Ok["differences"]!.AsArray());
        Assert.Equal(400, (await Under("effort", "never")).Status);
        Assert.Equal(400, (await Under("tastes", "reserve")).Status);
        Assert.DoesNotContain((await coach.Get($"{path}/blocks")).Ok.AsArray(), b =>
            (string)b!["id"]! == id.ToString()
        );
    }

    [Fact]
    public async Task A_line_written_by_hand_is_done_on_paper()
    {
        var athlete = await coach.NewAthlete();
        var id = Guid.CreateVersion7();
        var block = (await Take(athlete.Path, id)).Ok["block"]!;
        var session = (string)Session(block)["id"]!;
        async Task<JsonNode> Read(string line)
        {
            var item = Session(block)["items"]![0]!;
            item["movement"] = "pull-up";
            item["line"] = line;
            return (await coach.Post($"{athlete.Path}/blocks/reading?session={session}", block)).Ok["items"]!.AsArray()[
                0
            ]!;
        }

        (await athlete.Test("pull-up-max", 6)).Ok.ToString();
        var tooMuch = (await Read("4 x 6 rest 2:00"))["onPaper"]!;
        // A best of 6 is taken for 6.5, and 5.85 for the second set.
        Assert.Equal(("Fails", 2), ((string)tooMuch["verdict"]!, (int)tooMuch["failsAt"]!));
        Assert.NotEmpty(tooMuch["from"]!["inputs"]!.AsArray());
        Assert.Equal("Fits", (string)(await Read("4 x 4 rest 2:00"))["onPaper"]!["verdict"]!);
        Assert.Null((await Read("3 x max"))["onPaper"]);
    }

    [Fact]
    public async Task Sessions_that_are_planned_already_are_named()
    {
        var shown = (await Preview(await PathOf("Iker Varga"), Guid.CreateVersion7())).Ok;
        Assert.Equal(
            "2026-03-16",
            (string)
                shown["notices"]!.AsArray().Single(n => (string)n!["id"]! == "PlannedAlready")!["args"]![1]!["date"]!
        );
    }

    [Fact]
    public async Task Taking_twice_after_a_lost_answer_is_taking_once()
    {
        var athlete = await coach.NewAthlete();
        var id = Guid.CreateVersion7();
        var first = (await Take(athlete.Path, id)).Ok;
        var second = (await Take(athlete.Path, id)).Ok;
        Assert.Equal(
            (first["version"]!.ToJsonString(), first["block"]!.ToJsonString()),
            (second["version"]!.ToJsonString(), second["block"]!.ToJsonString())
        );
    }

    [Fact]
    public async Task Generating_again_keeps_the_coachs_hand_and_tells_only_what_changes()
    {
        var athlete = await coach.NewAthlete();
        var id = Guid.CreateVersion7();
        var taken = (await Take(athlete.Path, id)).Ok;
        Assert.Empty((await Preview(athlete.Path, id)).Ok["changes"]!.AsArray());

        var block = taken["block"]!.DeepClone();
        // What would go when there is less time.
        var items = Session(block, session: 1)["items"]!.AsArray();
        var gone = (await Preview(athlete.Path, id, Wish(minutes: 30))).Ok["changes"]!
            .AsArray()
            .Where(c => (string)c!["kind"]! == "Removed")
            .Select(c => (string)c!["item"]!)
            .ToHashSet();
        var edit = items.Last(i => gone.Contains((string)i!["id"]!))!;
        var mine = edit["id"]!.ToString();
        edit["line"] = "2 x 3 2 in reserve";
        var edited = (
            await coach.Put($"{athlete.Path}/blocks/{id}", new { block, version = (long)taken["version"]! })
        ).Ok;

        var again = (await Preview(athlete.Path, id, Wish(minutes: 30))).Ok;
        var kept = again["changes"]!.AsArray().Single(c => (string)c!["item"]! == mine)!;
        Assert.Equal(("KeptByHand", "2 x 3 2 in reserve"), ((string)kept["kind"]!, (string)kept["lineBefore"]!));
        Assert.Contains(again["changes"]!.AsArray(), c => (string)c!["kind"]! == "Removed");
        var stored = (await Take(athlete.Path, id, Wish(minutes: 30), (long)edited["version"]!)).Ok;
        Assert.Contains(Session(stored["block"]!, session: 1)["items"]!.AsArray(), i =>
            (string)i!["id"]! == mine && (string)i["line"]! == "2 x 3 2 in reserve"
        );
        // The reasons that are kept are those of the newest generation.
        Assert.Equal(30, (int)(await coach.Get($"{athlete.Path}/blocks/{id}/generated")).Ok["wish"]!["minutes"]!);
    }

    [Fact]
    public async Task A_block_written_by_hand_keeps_everything_when_it_is_generated_around()
    {
        var athlete = await coach.NewAthlete();
        var id = Guid.CreateVersion7();
        var session = new
        {
            id = Guid.CreateVersion7(),
            day = "2026-03-17",
            title = "Mine",
            warmUp = new { seconds = 300, text = (string?)null },
            coolDown = new { seconds = 0, text = (string?)null },
            items = new[]
            {
                new
                {
                    id = Guid.CreateVersion7(),
                    movement = "pull-up",
                    line = "3 x 5",
                    joined = false,
                },
            },
            @fixed = false,
        };
        var stored = (
            await coach.Put(
                $"{athlete.Path}/blocks/{id}",
                new
                {
                    block = new
                    {
                        name = "By hand",
                        start = "2026-03-16",
                        weeks = new[] { new { kind = "Loading", sessions = new[] { session } } },
                        kept = Array.Empty<object>(),
                    },
                    version = 0,
                }
            )
        ).Ok;
        Assert.Equal(404, (await coach.Get($"{athlete.Path}/blocks/{id}/generated")).Status);
        var taken = (await Take(athlete.Path, id, version: (long)stored["version"]!)).Ok;
        Assert.Contains(taken["block"]!["weeks"]![0]!["sessions"]!.AsArray(), s =>
            (string)s!["title"]! == "Mine" && (string)s["items"]![0]!["line"]! == "3 x 5"
        );
        Assert.Equal(("By hand", 5), ((string)taken["block"]!["name"]!, taken["block"]!["weeks"]!.AsArray().Count));
    }

    [Fact]
    public async Task A_stale_take_is_refused_with_what_is_stored()
    {
        var athlete = await coach.NewAthlete();
        var id = Guid.CreateVersion7();
        var taken = (await Take(athlete.Path, id)).Ok;
        var version = (long)taken["version"]!;
        await coach.Put($"{athlete.Path}/blocks/{id}", new { block = taken["block"], version });
        var refused = await Take(athlete.Path, id, Wish(minutes: 30), version);
        Assert.Equal((409, version + 1), (refused.Status, (long)refused.Body!["current"]!["version"]!));
    }

    [Fact]
    public async Task Why_an_item_is_there_is_kept_with_the_block()
    {
        var path = await PathOf("Ilse Marquina");
        var id = Guid.CreateVersion7();
        await Take(path, id);
        var items = (await coach.Get($"{path}/blocks/{id}/generated")).Ok["items"]!.AsArray();
        var lever = items.First(i => (string)i!["movement"]! == "Advanced tuck front lever")!;
        Assert.Equal("SkillHard", (string)lever["role"]!);
        // Her best is 4 s: short singles, and the tuck carries the volume until the standard of the step is met.
        Assert.Contains(lever["why"]!["working"]!.AsArray(), s => (string)s!["key"]! == "ShortSingles");
        var tuck = items.First(i => (string)i!["movement"]! == "Tuck front lever")!;
        Assert.Contains(tuck["why"]!["working"]!.AsArray(), s => (string)s!["key"]! == "SecondsFromBest");
        Assert.Contains(tuck["why"]!["thresholds"]!.AsArray(), t => (string)t!["name"]! == "Advanced tuck front lever");
    }

    [Theory]
    [InlineData("2026-03-17", 60, null, "Generated", "start:startNotMonday")]
    [InlineData("2026-03-16", 9, null, "Generated", "minutes:outOfRange")]
    [InlineData("2026-03-16", 241, null, "Generated", "minutes:outOfRange")]
    [InlineData("2026-03-16", 60, 9, "Generated", "loadingWeeks:outOfRange")]
    [InlineData("2026-03-16", 60, null, " ", "name:writeName")]
    public async Task What_cannot_be_asked_for_is_said_at_the_field(
        string start,
        int minutes,
        int? loadingWeeks,
        string name,
        string field
    )
    {
        var athlete = await coach.NewAthlete();
        var answer = await Preview(athlete.Path, Guid.CreateVersion7(), Wish(start, minutes, null, loadingWeeks, name));
        Assert.Equal((true, field), (answer.Status is 400 or 422, answer.Field));
    }

    [Fact]
    public async Task Who_was_never_weighed_is_weighed_first()
    {
        var athlete = await coach.NewAthlete(weighed: false);
        Assert.Equal("bodyweight:bodyweightMissingHere", (await Preview(athlete.Path, Guid.CreateVersion7())).Field);
    }

    [Fact]
    public async Task A_block_without_a_session_is_not_stored()
    {
        var path = await PathOf("Levi Sorel");
        var id = Guid.CreateVersion7();
        Assert.Equal("wish:nothingTrainable", (await Take(path, id)).Field);
        Assert.Equal(404, (await coach.Get($"{path}/blocks/{id}")).Status);
    }

    [Fact]
    public async Task A_block_keeps_its_start_and_its_athlete()
    {
        var (one, other) = (await coach.NewAthlete(), await coach.NewAthlete());
        var id = Guid.CreateVersion7();
        await Take(one.Path, id);
        Assert.Equal("start:startElsewhere", (await Preview(one.Path, id, Wish("2026-03-23"))).Field);
        Assert.Equal(404, (await Preview(other.Path, id)).Status);
        Assert.Equal(404, (await coach.Get($"{other.Path}/blocks/{id}/generated")).Status);
    }
}
