using System.Text.Json.Nodes;

namespace Cumbre.Server.Tests;

/// <summary>Blocks over the API: storing, reading, conflicts, bad input, templates.</summary>
public sealed class BlockTests(SharedClub shared) : IClassFixture<SharedClub>, IAsyncLifetime
{
    private static readonly DateOnly Monday = new(2026, 3, 16);
    private Caller coach = null!;

    public async ValueTask InitializeAsync() => coach = await shared.Club.Coach();

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    private static JsonObject Session(int day, params string[] items) =>
        new()
        {
            ["id"] = Guid.CreateVersion7().ToString(),
            ["day"] = Monday.AddDays(day).ToString("yyyy-MM-dd"),
            ["title"] = "",
            ["warmUp"] = new JsonObject { ["seconds"] = 480, ["text"] = "wrists" },
            ["coolDown"] = new JsonObject { ["seconds"] = 0, ["text"] = null },
            ["fixed"] = false,
            ["items"] = new JsonArray([
                .. items.Select(i =>
                    (JsonNode)
                        new JsonObject
                        {
                            ["id"] = Guid.CreateVersion7().ToString(),
                            ["movement"] = i.Split(": ")[0],
                            ["line"] = i.Split(": ")[1],
                            ["joined"] = false,
                        }
                ),
            ]),
        };

    private static JsonObject Block(params JsonObject[] sessions) =>
        new()
        {
            ["name"] = "A block",
            ["start"] = "2026-03-16",
            ["kept"] = new JsonArray(),
            ["weeks"] = new JsonArray(
                new JsonObject
                {
                    ["kind"] = "Loading",
                    ["sessions"] = new JsonArray([
                        .. sessions.Where(s => Day(s) < Monday.AddDays(7)).Select(s => (JsonNode)s),
                    ]),
                },
                new JsonObject
                {
                    ["kind"] = "Easy",
                    ["sessions"] = new JsonArray([
                        .. sessions.Where(s => Day(s) >= Monday.AddDays(7)).Select(s => (JsonNode)s),
                    ]),
                }
            ),
        };

    private static DateOnly Day(JsonObject session) =>
        DateOnly.Parse((string)session["day"]!, System.Globalization.CultureInfo.InvariantCulture);

    private Task<Answer> Put(Trainee athlete, Guid id, JsonNode block, long version = 0) =>
        coach.Put($"{athlete.Path}/blocks/{id}", new { block, version });

    private async Task<(Trainee Athlete, Guid Id, JsonNode Stored)> Stored(params JsonObject[] sessions)
    {
        var athlete = await coach.NewAthlete();
        var id = Guid.CreateVersion7();
        return (athlete, id, (await Put(athlete, id, Block(sessions))).Ok);
    }

    [Fact]
    public async Task A_session_outside_the_block_is_taken_in_or_replaced()
    {
        var (athlete, other, _) = await Stored(
            Session(0, "pull-up: 3 x 5"),
            Session(2, "pull-up: 3 x 6"),
            Session(7, "pull-up: 3 x 7")
        );
        var id = Guid.CreateVersion7();
        var stored = (await Put(athlete, id, Block(Session(0, "push-up: 3 x 8")))).Ok;
        var outside = stored["outside"]!.AsArray();
        Assert.Equal(
            ["Pull-up 3 x 5", "Pull-up 3 x 6", "Pull-up 3 x 7"],
            outside.Select(o => (string)o!["items"]![0]!)
        );
        Assert.Equal("A block", (string)outside[0]!["ofBlock"]!);

        Task<Answer> Choose(int at, string choice, long version) =>
            coach.Post(
                $"{athlete.Path}/blocks/{id}/outside",
                new
                {
                    version,
                    session = outside[at]!["id"],
                    sessionVersion = outside[at]!["version"],
                    choice,
                }
            );

        // In place of the block's own on that day.
        var taken = (await Choose(0, "TakeInstead", Version(stored))).Ok;
        Assert.Equal(["pull-up"], Movements(taken, 0));
        Assert.Equal(2, taken["outside"]!.AsArray().Count);
        // Beside it, on a day that the block does not have; in an easy week it is easy.
        taken = (await Choose(2, "TakeIn", Version(taken))).Ok;
        Assert.Equal(["pull-up"], Movements(taken, 1));
        // Whoever holds an older block is told, and nothing happens.
        Assert.Equal(409, (await Choose(1, "Remove", Version(stored))).Status);
        Assert.Empty((await Choose(1, "Remove", Version(taken))).Ok["outside"]!.AsArray());
        var left = (await coach.Get($"{athlete.Path}/blocks/{other}")).Ok;
        Assert.Empty(left["block"]!["weeks"]!.AsArray().SelectMany(w => w!["sessions"]!.AsArray()));
        Assert.Equal(404, (await Choose(1, "Remove", Version(taken))).Status);
    }

    private static long Version(JsonNode stored) => (long)stored["version"]!;

    private static IEnumerable<string> Movements(JsonNode stored, int week) =>
        stored["block"]!["weeks"]![week]!["sessions"]!
            .AsArray()
            .SelectMany(s => s!["items"]!.AsArray())
            .Select(i => (string)i!["movement"]!);

    private static JsonNode Item(JsonNode stored, int week = 0, int session = 0, int item = 0) =>
        stored["block"]!["weeks"]![week]!["sessions"]![session]!["items"]![item]!;

    [Fact]
    public async Task A_block_is_stored_with_its_lines_written_as_Cumbre_writes_them()
    {
        var (athlete, id, stored) = await Stored(
            Session(0, "pull-up: 4x5 REST 2min", "push-up: 3 x"),
            Session(7, "pull-up: 2 x 5")
        );
        Assert.Equal("4 x 5 rest 2:00", (string)Item(stored)["line"]!);
        // What cannot be read is kept as it was typed.
        Assert.Equal("3 x", (string)Item(stored, item: 1)["line"]!);
        Assert.Equal(1, (int)stored["reading"]!["weeks"]![0]!["sessions"]![0]!["unread"]!);
        var again = (await coach.Get($"{athlete.Path}/blocks/{id}")).Ok;
        Assert.Equal(stored["block"]!.ToJsonString(), again["block"]!.ToJsonString());
        Assert.Single((await coach.Get($"{athlete.Path}/blocks")).Ok.AsArray());
    }

    [Fact]
    public async Task Sending_the_same_block_twice_changes_nothing()
    {
        var (athlete, id, stored) = await Stored(Session(0, "pull-up: 4 x 5"));
        var again = (await Put(athlete, id, stored["block"]!.DeepClone(), (long)stored["version"]!)).Ok;
        Assert.Equal((long)stored["version"]! + 1, (long)again["version"]!);
        Assert.Equal(stored["block"]!.ToJsonString(), again["block"]!.ToJsonString());
    }

    [Fact]
    public async Task Creating_again_after_a_lost_answer_is_creating_once()
    {
        var block = Block(Session(0, "pull-up: 4x5"), Session(7, "pull-up: 2 x 5"));
        var (athlete, id) = (await coach.NewAthlete(), Guid.CreateVersion7());
        var first = (await Put(athlete, id, block)).Ok;
        Assert.Equal((long)first["version"]!, (long)(await Put(athlete, id, block.DeepClone())).Ok["version"]!);
        block["name"] = "Another";
        Assert.Equal(409, (await Put(athlete, id, block.DeepClone())).Status);
    }

    [Fact]
    public async Task A_change_sent_again_after_a_lost_answer_is_no_conflict_with_oneself()
    {
        var (athlete, id, stored) = await Stored(Session(0, "pull-up: 4 x 5"));
        var mine = stored["block"]!.DeepClone();
        mine["name"] = "Mine";
        var version = (long)stored["version"]!;
        var first = (await Put(athlete, id, mine.DeepClone(), version)).Ok;
        var again = (await Put(athlete, id, mine.DeepClone(), version)).Ok;
        Assert.Equal((long)first["version"]!, (long)again["version"]!);
    }

    [Fact]
    public async Task Eight_writers_of_a_block_give_one_winner_and_seven_conflicts()
    {
        var (athlete, id, stored) = await Stored(Session(0, "pull-up: 4 x 5"));
        var answers = await Task.WhenAll(
            Enumerable
                .Range(0, 8)
                .Select(i =>
                {
                    var mine = stored["block"]!.DeepClone();
                    mine["name"] = $"Mine {i}";
                    return Put(athlete, id, mine, (long)stored["version"]!);
                })
        );
        Assert.Equal([200, 409, 409, 409, 409, 409, 409, 409], answers.Select(a => a.Status).Order());
    }

    [Fact]
    public async Task A_stale_write_is_refused_with_what_is_stored_and_keeps_nothing()
    {
        var (athlete, id, stored) = await Stored(Session(0, "pull-up: 4 x 5"));
        var mine = stored["block"]!.DeepClone();
        var theirs = stored["block"]!.DeepClone();
        theirs["weeks"]![0]!["sessions"]![0]!["items"]![0]!["line"] = "5 x 5";
        var version = (long)(await Put(athlete, id, theirs, (long)stored["version"]!)).Ok["version"]!;
        mine["name"] = "Mine";
        var refused = await Put(athlete, id, mine, (long)stored["version"]!);
        Assert.Equal((409, "5 x 5"), (refused.Status, (string)Item(refused.Body!["current"]!)["line"]!));
        Assert.Equal("A block", (string)refused.Body!["current"]!["block"]!["name"]!);
        Assert.Equal("Mine", (string)(await Put(athlete, id, mine, version)).Ok["block"]!["name"]!);
    }

    [Fact]
    public async Task A_decision_or_a_logged_set_makes_an_open_editor_stale()
    {
        var (athlete, id, stored) = await Stored(Session(0, "pull-up: 2 x 5"), Session(2, "pull-up: 2 x 5"));
        var session = (
            await coach.Get($"{athlete.Path}/sessions/{stored["block"]!["weeks"]![0]!["sessions"]![0]!["id"]}")
        ).Ok;
        Assert.Equal(2, session["items"]![0]!["plan"]!["efforts"]!.AsArray().Count);
        (await athlete.Log(session, 1, 5)).Ok.ToString();
        var refused = await Put(athlete, id, stored["block"]!.DeepClone(), (long)stored["version"]!);
        Assert.Equal(409, refused.Status);
        var now = refused.Body!["current"]!;
        Assert.True((bool)now["block"]!["weeks"]![0]!["sessions"]![0]!["fixed"]!);

        // What has begun cannot be written over, whatever the version.
        var changed = now["block"]!.DeepClone();
        changed["weeks"]![0]!["sessions"]![0]!["items"]![0]!["line"] = "9 x 9";
        Assert.Equal(409, (await Put(athlete, id, changed, (long)now["version"]!)).Status);
        var other = now["block"]!.DeepClone();
        other["weeks"]![0]!["sessions"]![1]!["items"]![0]!["line"] = "3 x 5";
        Assert.Equal(
            "3 x 5",
            (string)Item((await Put(athlete, id, other, (long)now["version"]!)).Ok, session: 1)["line"]!
        );
    }

    [Fact]
    public async Task An_item_moves_from_one_session_to_another()
    {
        var (athlete, id, stored) = await Stored(Session(0, "pull-up: 2 x 5", "push-up: 3 x 8"), Session(2));
        var block = stored["block"]!.DeepClone();
        var sessions = block["weeks"]![0]!["sessions"]!;
        var item = sessions[0]!["items"]![1]!.DeepClone();
        sessions[0]!["items"]!.AsArray().RemoveAt(1);
        sessions[1]!["items"]!.AsArray().Add(item);
        var moved = (await Put(athlete, id, block, (long)stored["version"]!)).Ok;
        Assert.Equal((string)item["id"]!, (string)Item(moved, session: 1)["id"]!);
    }

    [Fact]
    public async Task A_hold_of_a_block_is_logged_in_seconds()
    {
        var (athlete, _, stored) = await Stored(Session(0, "front-lever-tuck: hold 2 x 8 s", "pull-up: 1 x 5"));
        var session = (
            await coach.Get($"{athlete.Path}/sessions/{stored["block"]!["weeks"]![0]!["sessions"]![0]!["id"]}")
        ).Ok;
        var hold = session["items"]![0]!;
        object Set(int? seconds) =>
            new
            {
                set = 1,
                part = 1,
                reps = 1,
                seconds,
                added = new { value = 0, unit = "Kg" },
                reserve = (int?)null,
                form = "Clean",
                pain = (int?)null,
                painPlace = (string?)null,
                supersedes = (Guid?)null,
                item = (Guid?)hold["id"]!.GetValue<Guid>(),
            };
        Assert.Equal(
            "seconds:secondsMissing",
            (await coach.Put($"{athlete.Path}/sessions/{session["id"]}/sets/{Guid.CreateVersion7()}", Set(null))).Field
        );
        var logged = (
            await coach.Put($"{athlete.Path}/sessions/{session["id"]}/sets/{Guid.CreateVersion7()}", Set(9))
        ).Ok;
        Assert.Equal(9, (int)logged["items"]![0]!["sets"]![0]!["seconds"]!);
        Assert.Equal(200, (await athlete.Finish(logged)).Status);
    }

    [Fact]
    public async Task A_new_body_mass_resolves_what_has_not_begun_and_lists_what_changed()
    {
        var athlete = await coach.NewAthlete(weighed: false);
        (await athlete.Weigh(68.2m, "2026-03-08")).Ok.ToString();
        (await athlete.Test("weighted-pull-up-heavy", 6, 15, 1, day: "2026-03-08")).Ok.ToString();
        var id = Guid.CreateVersion7();
        // The worked example: 80 % of 102.61 at 68.2 kg is +13.89, the plates make 13.75.
        var stored = (
            await Put(athlete, id, Block(Session(1, "weighted-pull-up: 4 x 4 @ 80 % e1RM", "pull-up: 3 x 8")))
        ).Ok;
        Assert.Empty(stored["anew"]!.AsArray());
        (await athlete.Weigh(66)).Ok.ToString();
        var now = (await coach.Get($"{athlete.Path}/blocks/{id}")).Ok;
        var anew = now["anew"]!.AsArray().Single()!;
        // The reading of eight days ago is out of the mean, and stays that of the test: 82.09 - 66 = 16.09, of which
        // the plates make 16.25.
        Assert.Equal((13.75m, 16.25m), ((decimal)anew["loadsKgBefore"]![0]!, (decimal)anew["loadsKg"]![0]!));
        Assert.Equal(204, (await coach.Post($"{athlete.Path}/blocks/{id}/seen")).Status);
        Assert.Empty((await coach.Get($"{athlete.Path}/blocks/{id}")).Ok["anew"]!.AsArray());
    }

    [Fact]
    public async Task Bad_input_is_told_with_its_place()
    {
        var athlete = await coach.NewAthlete();
        async Task<string?> Field(Action<JsonObject> spoil)
        {
            var block = Block(Session(0, "pull-up: 3 x 8"));
            spoil(block);
            return (await Put(athlete, Guid.CreateVersion7(), block)).Field;
        }

        Assert.Equal("start:startNotMonday", await Field(b => b["start"] = "2026-03-17"));
        Assert.Equal("name:writeName", await Field(b => b["name"] = " "));
        Assert.Equal("weeks:weeksRange", await Field(b => b["weeks"] = new JsonArray()));
        Assert.Equal(
            "weeks[0].sessions[0].day:dayOutsideWeek",
            await Field(b => b["weeks"]![0]!["sessions"]![0]!["day"] = "2026-03-30")
        );
        Assert.Equal(
            "weeks[0].sessions[0].items:itemsMost",
            await Field(b =>
                b["weeks"]![0]!["sessions"]![0] = Session(0, [.. Enumerable.Repeat("pull-up: 3 x 8", 300)])
            )
        );
        Assert.Equal(
            "weeks[0].sessions[0].items[0].line:lineTooLong",
            await Field(b => b["weeks"]![0]!["sessions"]![0]!["items"]![0]!["line"] = new string('4', 10_000))
        );
        Assert.Equal(
            "weeks[0].sessions[0].items[0].movement:movementNotChosen",
            await Field(b => b["weeks"]![0]!["sessions"]![0]!["items"]![0]!["movement"] = "Pull up!")
        );
        Assert.Equal(
            "weeks[0].sessions[0].warmUp.seconds:minutesRange",
            await Field(b => b["weeks"]![0]!["sessions"]![0]!["warmUp"]!["seconds"] = -1)
        );
        Assert.Equal(
            "weeks:idsTwice",
            await Field(b => b["weeks"]![0]!["sessions"]!.AsArray().Add(b["weeks"]![0]!["sessions"]![0]!.DeepClone()))
        );
        Assert.Equal(
            "kept[0].reason:writeReason",
            await Field(b => b["kept"] = new JsonArray(new JsonObject { ["key"] = "x", ["reason"] = "" }))
        );
    }

    // Each with a message at its place, and a way on.
    [Fact]
    public async Task A_line_that_goes_wrong_says_where_and_why()
    {
        (string Item, string? Fault, string? Problem)[] cases =
        [
            ("pull-up: 4 x", "Unexpected", null),
            ("pull-up: 0 x 5", "OutOfRange", null),
            ("pull-up: 4 x 5 @ +500 kg", "OutOfRange", null),
            ("pull-up: hold 5 x 0 s", "OutOfRange", null),
            ("pull-up: 2 x drop 4+4 @ +10", "Unexpected", null),
            ("pull-up: drop 4+4+6 @ 0 / 10 / 20 kg", "LoadsDoNotFall", null),
            ("front-lever-tuck: hold 5 x 8 s tempo 3-1-X-0", "NotInThisMethod", null),
            ("pull-up: 4 x 5 tempo 3-1-X-0 pause 2 s bottom", "PauseAgainstTempo", null),
            ("pull-up: 3 x 6 @ band 55 kg", null, "NoSuchBand"),
            ("pull-up: 3 x 6 @ 3 anvils", null, "NoSuchCounted"),
            ("weighted-pull-up: 4 x 5 @ 80 % e1RM", null, "NoOneRepMax"),
            ("front-lever-tuck: hold 4 x 60 % best", null, "NoBestHold"),
            ("retired-long-ago: 3 x 8", null, "MovementUnknown"),
        ];
        var athlete = await coach.NewAthlete();
        foreach (var (item, fault, problem) in cases)
        {
            var session = Session(0, item);
            var reading = (
                await coach.Post($"{athlete.Path}/blocks/reading?session={session["id"]}", Block(session))
            ).Ok;
            var meaning = reading["items"]![0]!;
            Assert.Equal(
                (item, fault, problem),
                (item, (string?)meaning["error"]?["fault"], (string?)meaning["problem"])
            );
            Assert.Null(meaning["plan"]);
            if (problem == "NoSuchBand")
                Assert.NotEmpty(meaning["bands"]!.AsArray());
            Assert.Equal(1, (int)reading["weeks"]![0]!["sessions"]![0]!["unread"]!);
        }
    }

    [Fact]
    public async Task Reading_a_block_stores_nothing()
    {
        var athlete = await coach.NewAthlete();
        var session = Session(0, "pull-up: every 0:10 x 4 do 8");
        var reading = (await coach.Post($"{athlete.Path}/blocks/reading?session={session["id"]}", Block(session))).Ok;
        var caution = reading["cautions"]!.AsArray().Single(c => (string)c!["id"]! == "WorkOverSlot")!;
        Assert.Equal("every 0:40 x 4 do 8", (string)caution["remedies"]![0]!["line"]!);
        Assert.Empty((await coach.Get($"{athlete.Path}/blocks")).Ok.AsArray());
    }

    [Fact]
    public async Task A_key_stroke_sends_one_session_and_reads_the_whole_block()
    {
        var (athlete, id, stored) = await Stored(Session(0, "pull-up: 4 x 5"), Session(2, "push-up: 3 x 10"));
        var typed = stored["block"]!.DeepClone();
        Item(new JsonObject { ["block"] = typed }, session: 1)["line"] = "4 x 12 rest 2:00";
        var session = typed["weeks"]![0]!["sessions"]![1]!;
        Task<Answer> Stroke(long version) =>
            coach.Post(
                $"{athlete.Path}/blocks/{id}/reading?session={session["id"]}",
                new JsonObject { ["version"] = version, ["sessions"] = new JsonArray(session.DeepClone()) }
            );
        var whole = (await coach.Post($"{athlete.Path}/blocks/reading?session={session["id"]}", typed.DeepClone())).Ok;
        var version = (long)stored["version"]!;
        Assert.Equal(whole.ToJsonString(), (await Stroke(version)).Ok.ToJsonString());
        Assert.Equal(409, (await Stroke(version + 1)).Status);
        var now = (await coach.Get($"{athlete.Path}/blocks/{id}")).Ok;
        Assert.Equal(stored["block"]!.ToJsonString(), now["block"]!.ToJsonString());

        // What was stored meanwhile is read, though the block was kept from the stroke before.
        var newer = (long)(await Put(athlete, id, typed.DeepClone(), version)).Ok["version"]!;
        Assert.Equal(409, (await Stroke(version)).Status);
        Assert.Equal(whole.ToJsonString(), (await Stroke(newer)).Ok.ToJsonString());
    }

    [Fact]
    public async Task Any_figure_of_a_block_can_be_asked_for_its_reasons()
    {
        var athlete = await coach.NewAthlete();
        var session = Session(0, "pull-up: 4 x 5 tempo 3-1-X-0 rest 2:30");
        var item = (string)session["items"]![0]!["id"]!;
        var block = Block(session);
        Task<Answer> Why(string figure, int week = 1, string? of = null) =>
            coach.Post(
                $"{athlete.Path}/blocks/why",
                new
                {
                    block = block.DeepClone(),
                    figure,
                    week,
                    session = (string)session["id"]!,
                    item = of,
                    pattern = figure == "HardSets" ? "vertical pull" : null,
                }
            );
        Assert.Equal(690, (int)(await Why("ItemTime", of: item)).Ok["value"]!["number"]!);
        Assert.Equal(4, (int)(await Why("HardSets")).Ok["value"]!["number"]!);
        Assert.Equal(690 + 480, (int)(await Why("SessionTime")).Ok["value"]!["number"]!);
        Assert.Equal(404, (await Why("ItemTime", of: Guid.NewGuid().ToString())).Status);
        Assert.Equal(404, (await Why("PullToPush", week: 9)).Status);
    }

    [Fact]
    public async Task A_kept_caution_is_audited_and_comes_back_kept()
    {
        var (athlete, id, stored) = await Stored(Session(0, "front-lever-full: hold 3 x 5 s"));
        var caution = stored["reading"]!["cautions"]!.AsArray().Single(c => (string)c!["id"]! == "StepLocked")!;
        var block = stored["block"]!.DeepClone();
        block["kept"] = new JsonArray(
            new JsonObject { ["key"] = (string)caution["key"]!, ["reason"] = "shown in the hall yesterday" }
        );
        var kept = (await Put(athlete, id, block, (long)stored["version"]!)).Ok;
        Assert.Equal(
            "shown in the hall yesterday",
            (string)
                kept["reading"]!["cautions"]!.AsArray().Single(c => (string)c!["id"]! == "StepLocked")!["keptBecause"]!
        );
    }

    [Fact]
    public async Task Missed_weeks_shift_the_block_without_storing_it()
    {
        var (athlete, _, stored) = await Stored(Session(0, "pull-up: 6 x 5 @ +10 kg"));
        var shifted = (
            await coach.Post(
                $"{athlete.Path}/blocks/shift",
                new
                {
                    block = stored["block"]!.DeepClone(),
                    week = 1,
                    missed = 2,
                }
            )
        ).Ok;
        Assert.Equal(("Less", 4), ((string)shifted["rule"]!, shifted["block"]!["weeks"]!.AsArray().Count));
        Assert.Equal("2026-03-30", (string)shifted["block"]!["weeks"]![2]!["sessions"]![0]!["day"]!);
        Assert.Equal(
            "missed:outOfRange",
            (
                await coach.Post(
                    $"{athlete.Path}/blocks/shift",
                    new
                    {
                        block = stored["block"]!.DeepClone(),
                        week = 1,
                        missed = 0,
                    }
                )
            ).Field
        );
    }

    [Fact]
    public async Task A_template_is_fitted_to_others_and_applied_once()
    {
        var (athlete, id, _) = await Stored(Session(0, "weighted-pull-up: 4 x 5 @ +10 kg", "push-up: 3 x 8"));
        var template = Guid.CreateVersion7();
        Assert.Equal(
            "toWeek:blockWeeksTo",
            (
                await coach.Put(
                    $"/api/templates/{template}",
                    new
                    {
                        name = "Pull",
                        athleteId = athlete.Id,
                        blockId = id,
                        fromWeek = 1,
                        toWeek = 3,
                    }
                )
            ).Field
        );
        var kept = (
            await coach.Put(
                $"/api/templates/{template}",
                new
                {
                    name = "Pull",
                    athleteId = athlete.Id,
                    blockId = id,
                    fromWeek = 1,
                    toWeek = 1,
                }
            )
        ).Ok;
        Assert.Equal((1, 1, 2), ((int)kept["weeks"]!, (int)kept["sessions"]!, (int)kept["items"]!));
        var other = await coach.NewAthlete();
        var target = new
        {
            athletes = new[] { new { athleteId = other.Id, blockId = Guid.CreateVersion7() } },
            start = "2026-03-23",
            name = (string?)null,
        };
        Assert.Equal(
            "start:startNotMonday",
            (
                await coach.Post(
                    $"/api/templates/{template}/fit",
                    new
                    {
                        target.athletes,
                        start = "2026-03-24",
                        target.name,
                    }
                )
            ).Field
        );
        (await coach.Post($"/api/templates/{template}/fit", target)).Ok.ToString();
        Assert.Empty((await coach.Get($"{other.Path}/blocks")).Ok.AsArray());
        (await coach.Post($"/api/templates/{template}/apply", target)).Ok.ToString();
        (await coach.Post($"/api/templates/{template}/apply", target)).Ok.ToString();
        var block = (await coach.Get($"{other.Path}/blocks/{target.athletes[0].blockId}")).Ok;
        Assert.Equal("2026-03-23", (string)block["block"]!["weeks"]![0]!["sessions"]![0]!["day"]!);
        Assert.Single((await coach.Get($"{other.Path}/blocks")).Ok.AsArray());
        Assert.Equal(204, (await coach.Delete($"/api/templates/{template}")).Status);
        Assert.Equal(404, (await coach.Post($"/api/templates/{template}/fit", target)).Status);
    }

    [Fact]
    public async Task Removing_a_block_keeps_what_was_logged()
    {
        var (athlete, id, stored) = await Stored(Session(0, "pull-up: 1 x 5"), Session(2, "pull-up: 1 x 5"));
        var session = (
            await coach.Get($"{athlete.Path}/sessions/{stored["block"]!["weeks"]![0]!["sessions"]![0]!["id"]}")
        ).Ok;
        (await athlete.Log(session, 1, 5)).Ok.ToString();
        Assert.Equal(409, (await coach.Delete($"{athlete.Path}/blocks/{id}?version={stored["version"]}")).Status);
        var version = (long)(await coach.Get($"{athlete.Path}/blocks/{id}")).Ok["version"]!;
        Assert.Equal(204, (await coach.Delete($"{athlete.Path}/blocks/{id}?version={version}")).Status);
        Assert.Equal(200, (await coach.Get($"{athlete.Path}/sessions/{session["id"]}")).Status);
        Assert.Equal(
            404,
            (await coach.Get($"{athlete.Path}/sessions/{stored["block"]!["weeks"]![0]!["sessions"]![1]!["id"]}")).Status
        );
    }

    [Fact]
    public async Task The_form_and_the_line_say_the_same()
    {
        var athlete = await coach.NewAthlete();
        var session = Session(0, "pull-up: 2 x drop 4+4+6 @ +20 / +10 / 0 kg grip wide / medium / narrow rest 3:00");
        var structure = (await coach.Post($"{athlete.Path}/blocks/reading?session={session["id"]}", Block(session))).Ok[
            "items"
        ]![0]!["structure"]!;
        structure["setTotal"] = 3;
        Assert.Equal(
            "3 x drop 4+4+6 @ +20 / +10 / 0 kg grip wide / medium / narrow rest 3:00",
            (string)(await coach.Post("/api/notation/line", structure)).Ok["line"]!
        );
        structure["setTotal"] = 40;
        Assert.Equal("sets:outOfRange", (await coach.Post("/api/notation/line", structure)).Field);
        Assert.Equal(":planUnreadable", (await coach.Post("/api/notation/line", new { method = "unheard-of" })).Field);
        Assert.Equal(
            ":lineUnreadableIn",
            (
                await coach.Post(
                    "/api/notation/line",
                    new
                    {
                        method = "hold",
                        setTotal = 3,
                        seconds = 8,
                        tempo = new
                        {
                            lowering = 3,
                            bottom = 1,
                            lifting = 1,
                            top = 0,
                        },
                    }
                )
            ).Field
        );
    }

    [Fact]
    public async Task The_help_card_and_the_completions_are_there()
    {
        Assert.True((await coach.Get("/api/notation")).Ok.AsArray().Count > 20);
        Assert.Contains((await coach.Get("/api/notation/completions?line=4%20x%205%20te&cursor=8")).Ok.AsArray(), s =>
            (string)s!["text"]! == "tempo 3-1-X-0"
        );
        Assert.Empty(
            (await coach.Get($"/api/notation/completions?line={new string('4', 400)}&cursor=400")).Ok.AsArray()
        );
    }

    [Fact]
    public async Task Every_example_of_the_help_card_has_a_meaning()
    {
        var roster = (await coach.Get("/api/athletes")).Ok.AsArray();
        string PathOf(string name) => $"/api/athletes/{roster.Single(a => (string)a!["name"]! == name)!["id"]}";
        foreach (var example in (await coach.Get("/api/notation")).Ok.AsArray())
        {
            var shows = (string)example!["shows"]!;
            // Books lie at home, bands in the hall.
            var path = PathOf(shows == "ByCount" ? "Yara Benavent" : "Kasimir Lund");
            var session = Session(
                0,
                $"{(shows.StartsWith("Hold", StringComparison.Ordinal) ? "front-lever-advanced-tuck" : "weighted-pull-up")}: {(string)example["line"]!}"
            );
            var meaning = (await coach.Post($"{path}/blocks/reading?session={session["id"]}", Block(session))).Ok[
                "items"
            ]![0]!;
            Assert.True(meaning["plan"] is not null, $"{example["line"]}: {meaning["problem"]}");
            Assert.Equal((string)example["line"]!, (string)meaning["canonical"]!);
        }
    }

    [Fact]
    public async Task The_picker_and_the_substitutes_know_the_athlete()
    {
        var athlete = await coach.NewAthlete();
        var all = (await coach.Get($"{athlete.Path}/movements")).Ok.AsArray();
        Assert.True(all.Count > 150);
        var pullUp = all.Single(m => (string)m!["slug"]! == "pull-up")!;
        Assert.Null((string?)pullUp["kitMissing"]);
        Assert.True((int)pullUp["level"]! > 1);
        Assert.All((await coach.Get($"{athlete.Path}/substitutes?movement=pull-up")).Ok.AsArray(), s =>
            Assert.NotEqual("pull-up", (string)s!["slug"]!)
        );
        Assert.Equal(404, (await coach.Get($"{athlete.Path}/substitutes?movement=nothing")).Status);
    }
}
