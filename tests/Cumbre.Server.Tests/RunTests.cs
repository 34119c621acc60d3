using System.Text.Json.Nodes;

namespace Cumbre.Server.Tests;

/// <summary>Sessions run on devices: what a pack holds, and how what they report is merged.</summary>
public sealed class RunTests(SharedClub shared) : IClassFixture<SharedClub>, IAsyncLifetime
{
    private Caller coach = null!;

    public async ValueTask InitializeAsync() => coach = await shared.Club.Coach();

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    /// <summary>An athlete with a session of today in a block.</summary>
    private async Task<(Trainee Athlete, Guid Block, JsonNode Stored)> Planned(params string[] lines) =>
        await RunFixture.Planned(coach, lines);

    private async Task<JsonNode> Session(Phone phone, Trainee athlete) =>
        (await coach.Get($"{athlete.Path}/sessions/{phone.Pack["id"]}")).Ok;

    /// <summary>What is logged of each item: set.part reps at load.</summary>
    private static string Logged(JsonNode session) =>
        string.Join(
            " | ",
            session["items"]!
                .AsArray()
                .Select(i =>
                    string.Join(
                        ", ",
                        i!["sets"]!
                            .AsArray()
                            .Select(s =>
                                $"{s!["set"]}.{s["part"]} {s["seconds"] ?? s["reps"]} @ {s["added"]!["value"]}"
                            )
                    )
                )
        );

    [Fact]
    public async Task A_pack_holds_the_way_through_the_session_and_all_that_may_be_asked_on_it()
    {
        var (athlete, _, _) = await Planned(
            "weighted-pull-up: 2 x drop 4+6 @ +20 / 0 kg rest 3:00",
            "push-up: 2 x 8",
            "+ring-row: 2 x 8"
        );
        (await athlete.Train("3 x 5 @ +10 kg", "2026-03-12", 5, reason: "as always")).ToString();
        var pack = (await Phone.Of(coach, athlete)).Pack;
        Assert.Equal(
            ["0/0", "0/1", "0/2", "0/3", "1/0", "2/0", "1/1", "2/1"],
            pack["walk"]!.AsArray().Select(s => $"{s!["item"]}/{s["effort"]}")
        );
        Assert.Equal(
            (int)pack["seconds"]!,
            pack["walk"]!
                .AsArray()
                .Sum(s => (int)s!["prepareSeconds"]! + (int)s["workSeconds"]! + (int)s["restSeconds"]!)
        );
        var first = pack["items"]![0]!;
        Assert.Equal([20, 0], first["plan"]!["loads"]!.AsArray().Select(l => (int)l!["added"]!["value"]!));
        Assert.Equal([20], first["plan"]!["loads"]![0]!["pieces"]!.AsArray().Select(p => (int)p!["size"]!["value"]!));
        Assert.Equal("2026-03-12", (string)first["last"]!["day"]!);
        Assert.Contains(first["choices"]!.AsArray(), c => (decimal)c!["added"]!["value"]! == 21.25m);
        Assert.Equal(
            ["Eased", "Easier", "Easy"],
            first["alternates"]!.AsArray().Select(a => (string)a!["kind"]!).Distinct().Order()
        );
        // Pain in the wrist holds the push-up and not the pull.
        var wrist = pack["heldBack"]!.AsArray().Single(h => (string)h!["place"]! == "Wrist" && h["hurt"] is null)!;
        Assert.Equal([1], wrist["stopped"]!.AsArray().Select(i => (int)i!));
        Assert.Equal((3, 6), ((int)pack["limits"]!["easeFrom"]!, (int)pack["limits"]!["stopFrom"]!));
    }

    [Fact]
    public async Task The_packs_are_those_of_the_coming_week_and_of_what_was_begun()
    {
        var athlete = await coach.NewAthlete();
        (await athlete.Weigh(68.2m, "2026-02-01")).Ok.ToString();
        foreach (var day in (string[])["2026-03-13", "2026-03-15", "2026-03-16", "2026-03-22", "2026-03-23"])
            (await athlete.Plan("2 x 8", day, reason: "x", movement: "ring-row")).Ok.ToString();
        async Task<string[]> Days() =>
            [.. (await coach.Get($"{athlete.Path}/run")).Ok["packs"]!.AsArray().Select(p => (string)p!["day"]!)];
        Assert.Equal(["2026-03-16", "2026-03-22"], await Days());
        var begun = (await athlete.Plan("2 x 8", "2026-03-14", reason: "x", movement: "ring-row")).Ok;
        (await athlete.Log(begun, 1, 8, 0)).Ok.ToString();
        Assert.Equal(["2026-03-14", "2026-03-16", "2026-03-22"], await Days());
    }

    [Fact]
    public async Task A_set_that_is_sent_again_is_there_once_and_a_clock_that_is_off_does_no_harm()
    {
        var (athlete, _, _) = await Planned("ring-row: 2 x 8");
        var phone = await Phone.Of(coach, athlete, clockOff: TimeSpan.FromHours(-7));
        phone.Do(0, 0);
        await phone.Send(loseAnswer: true);
        Assert.Equal(["Kept", "Kept"], Phone.Outcomes(await phone.Send(twice: true)));
        var session = await Session(phone, athlete);
        Assert.Equal("1.1 8 @ 0", Logged(session));
        Assert.Equal("Started", (string)session["status"]!);
        var begun = (DateTimeOffset)(await Phone.Of(coach, athlete)).Pack["begunAt"]!;
        Assert.InRange(
            begun,
            DateTimeOffset.Parse("2026-03-16T00:00:00Z"),
            DateTimeOffset.Parse("2026-03-16T23:59:59Z")
        );
    }

    [Fact]
    public async Task Two_devices_that_say_the_same_have_logged_one_set()
    {
        var (athlete, _, _) = await Planned("ring-row: 2 x 8");
        var (own, tablet) = (await Phone.Of(coach, athlete), await Phone.Of(coach, athlete));
        own.Do(0, 0);
        tablet.Do(0, 0, more: new { reserve = 2 });
        Assert.Equal(["Kept"], Phone.Outcomes(await own.Send()));
        // The reserve that only the second tells is taken over.
        Assert.Equal(["Kept"], Phone.Outcomes(await tablet.Send()));
        own.Do(0, 0);
        Assert.Equal(["Same"], Phone.Outcomes(await own.Send()));
        var session = await Session(own, athlete);
        Assert.Equal("1.1 8 @ 0", Logged(session));
        Assert.Equal(2, (int)session["items"]![0]!["sets"]![0]!["reserve"]!);
    }

    [Theory]
    [InlineData("Stored", "1.1 8 @ 0, 2.1 8 @ 0")]
    [InlineData("Other", "1.1 6 @ 0, 2.1 8 @ 0")]
    [InlineData("Both", "1.1 8 @ 0, 2.1 8 @ 0, 3.1 6 @ 0")]
    public async Task Two_that_differ_are_asked_about_once(string answer, string then)
    {
        var (athlete, _, _) = await Planned("ring-row: 2 x 8");
        var (own, tablet) = (await Phone.Of(coach, athlete), await Phone.Of(coach, athlete));
        own.Do(0, 0);
        own.Do(0, 1);
        tablet.Do(0, 0, 6);
        await own.Send();
        var asked = (await tablet.Send())[0]!;
        Assert.Equal(("Asked", 8), ((string)asked["outcome"]!, (int)asked["stored"]!["reps"]!));
        var question = (await coach.Get($"{athlete.Path}/run")).Ok["asked"]![0]!;
        Assert.Equal((8, 6), ((int)question["stored"]!["reps"]!, (int)question["other"]!["reps"]!));
        own.Note("Answer", new { of = (string)asked["id"]!, answer });
        // Whoever answers later has nothing to choose any more.
        tablet.Note("Answer", new { of = (string)asked["id"]!, answer = "Other" });
        Assert.Equal(["Kept"], Phone.Outcomes(await own.Send()));
        Assert.Equal(["Same"], Phone.Outcomes(await tablet.Send()));
        Assert.Equal(then, Logged(await Session(own, athlete)));
        Assert.Empty((await coach.Get($"{athlete.Path}/run")).Ok["asked"]!.AsArray());
    }

    [Fact]
    public async Task A_set_that_is_taken_back_counts_no_more_and_can_be_done_again()
    {
        var (athlete, _, _) = await Planned("ring-row: 2 x 8");
        var phone = await Phone.Of(coach, athlete);
        var set = phone.Do(0, 0, 20);
        phone.Note("Withdraw", new { of = (string)set["id"]! });
        phone.Do(0, 0, 7);
        phone.Do(0, 1, 8);
        phone.Note("Finish");
        Assert.Equal(["Kept", "Kept", "Kept", "Kept", "Kept"], Phone.Outcomes(await phone.Send()));
        Assert.Equal("1.1 7 @ 0, 2.1 8 @ 0", Logged(await Session(phone, athlete)));
        // Twenty were never done: no test and no record says so.
        var page = (await athlete.Page("ring-row")).ToJsonString();
        Assert.DoesNotContain(
            "20",
            string.Join(
                ' ',
                (await athlete.Page("ring-row"))["history"]!.AsArray().Select(h => h!["sets"]!.ToJsonString())
            )
        );
        Assert.NotEmpty(page);
        // Taking back what is gone already changes nothing.
        phone.Note("Withdraw", new { of = (string)set["id"]! });
        Assert.Equal(["Same"], Phone.Outcomes(await phone.Send()));
    }

    [Fact]
    public async Task A_session_that_was_deleted_meanwhile_is_there_again_as_it_was_shown()
    {
        var (athlete, block, stored) = await Planned("ring-row: 2 x 8", "push-up: 2 x 10");
        var phone = await Phone.Of(coach, athlete);
        stored["block"]!["weeks"]![0]!["sessions"] = new JsonArray();
        (
            await coach.Put(
                $"{athlete.Path}/blocks/{block}",
                new { block = stored["block"], version = (long)stored["version"]! }
            )
        ).Ok.ToString();
        Assert.Equal(404, (await coach.Get($"{athlete.Path}/sessions/{phone.Pack["id"]}")).Status);
        phone.Do(0, 0);
        phone.Do(1, 0);
        phone.Note("Finish");
        Assert.Equal(["Kept", "Kept", "Kept"], Phone.Outcomes(await phone.Send()));
        var session = await Session(phone, athlete);
        Assert.Equal(
            ("1.1 8 @ 0 | 1.1 10 @ 0", "Done", "Pull"),
            (Logged(session), (string)session["status"]!, (string)session["title"]!)
        );
    }

    [Fact]
    public async Task What_the_coach_changed_too_late_does_not_change_what_was_done()
    {
        var (athlete, block, stored) = await Planned("ring-row: 2 x 8", "push-up: 2 x 10");
        var phone = await Phone.Of(coach, athlete);
        var session = stored["block"]!["weeks"]![0]!["sessions"]![0]!;
        session["items"]![0]!["line"] = "4 x 12";
        session["items"]![1]!["movement"] = "parallel-bar-dip";
        session["items"]![1]!["id"] = Guid.CreateVersion7().ToString();
        session["day"] = "2026-03-18";
        (
            await coach.Put(
                $"{athlete.Path}/blocks/{block}",
                new { block = stored["block"], version = (long)stored["version"]! }
            )
        ).Ok.ToString();
        phone.Do(0, 0);
        phone.Do(0, 1);
        phone.Do(1, 0);
        Assert.Equal(["Kept", "Kept", "Kept"], Phone.Outcomes(await phone.Send()));
        var done = await Session(phone, athlete);
        // As it was shown, on its day; what was put in meanwhile stands behind it.
        Assert.Equal(["2 x 8", "2 x 10", "2 x 10"], done["items"]!.AsArray().Select(i => (string)i!["line"]!));
        Assert.Equal("2026-03-16", (string)done["day"]!);
        Assert.Equal("1.1 8 @ 0, 2.1 8 @ 0 | 1.1 10 @ 0 | ", Logged(done));
    }

    [Fact]
    public async Task The_loads_are_those_that_were_shown_though_the_bodyweight_changed()
    {
        var (athlete, _, _) = await Planned("pull-up: 2 x 5 @ +25 % bm");
        var phone = await Phone.Of(coach, athlete);
        (await athlete.Weigh(80m)).Ok.ToString();
        phone.Do(0, 0);
        (await phone.Send()).ToString();
        var load = (await Session(phone, athlete))["items"]![0]!["plan"]!["loads"]![0]!;
        Assert.Equal(17.5m, (decimal)load["made"]!["value"]!["number"]!);
    }

    [Fact]
    public async Task What_does_not_fit_is_kept_as_it_came_and_holds_up_nothing()
    {
        var (athlete, _, _) = await Planned("ring-row: 2 x 8");
        var phone = await Phone.Of(coach, athlete);
        phone.Do(0, 0, 400);
        phone.Do(0, 1, 8);
        phone.Note("Set", item: 0);
        phone.Note("Effort", new { effort = 12 });
        var results = await phone.Send();
        Assert.Equal(["Refused", "Kept", "Refused", "Refused"], Phone.Outcomes(results));
        Assert.Equal("outOfRange value=400 from=0 to=200", Answer.Told(results[0]!["message"]!));
        Assert.Equal("2.1 8 @ 0", Logged(await Session(phone, athlete)));
        // Nothing that arrived is gone: it is in the person's own export.
        Assert.Contains("400", (await coach.Get($"{athlete.Path}/export")).Ok["records"]!["runEntry"]!.ToJsonString());
    }

    [Fact]
    public async Task A_session_of_a_later_day_is_neither_begun_nor_changed_at_the_bar()
    {
        var athlete = await coach.NewAthlete();
        (await athlete.Weigh(68.2m, "2026-02-01")).Ok.ToString();
        var session = (await athlete.Plan("2 x 8", "2026-03-18", reason: "x", movement: "ring-row")).Ok;
        var phone = await Phone.Of(coach, athlete);
        phone.Do(0, 0);
        var form = phone.Pack["items"]![0]!["alternates"]!.AsArray().First(a => (string)a!["kind"]! == "Easier")!;
        phone.Note("Swap", new { to = (string)form["id"]!, reason = "tired" }, item: 0);
        Assert.Equal(["Refused", "Refused"], Phone.Outcomes(await phone.Send()));
        var change = await coach.Post(
            $"{athlete.Path}/sessions/{session["id"]}/items/{phone.Item(0)}/change",
            new
            {
                id = Guid.CreateVersion7(),
                movement = "ring-row",
                line = "2 x 6",
                reason = "tired",
            }
        );
        Assert.Equal("day:sessionOnOtherDay", change.Field);
        Assert.Equal("Planned", (string)(await Session(phone, athlete))["status"]!);
    }

    [Fact]
    public async Task A_skipped_item_that_was_done_after_all_was_not_skipped()
    {
        var (athlete, _, _) = await Planned("ring-row: 2 x 8", "push-up: 2 x 10");
        var (own, tablet) = (await Phone.Of(coach, athlete), await Phone.Of(coach, athlete));
        own.Note("Skip", new { reason = "no bar free" }, item: 0);
        tablet.Do(0, 0);
        await own.Send();
        Assert.Equal(["Kept"], Phone.Outcomes(await tablet.Send()));
        own.Note("Skip", new { reason = "time is up" }, item: 0);
        await own.Send();
        var item = (await Phone.Of(coach, athlete)).Pack["items"]![0]!;
        Assert.Equal((null, "time is up"), ((string?)item["skipped"], (string?)item["ended"]));
    }

    [Fact]
    public async Task Of_two_skips_the_later_one_holds_whichever_comes_first()
    {
        var (athlete, _, _) = await Planned("ring-row: 2 x 8", "push-up: 2 x 10");
        var (own, tablet) = (await Phone.Of(coach, athlete), await Phone.Of(coach, athlete));
        var now = DateTimeOffset.UtcNow;
        own.Note("Skip", new { reason = "no bar free" }, item: 0, at: now.AddMinutes(-10));
        tablet.Note("Skip", new { reason = (string?)null }, item: 0, at: now.AddMinutes(-5));
        await tablet.Send();
        Assert.Equal(["Same"], Phone.Outcomes(await own.Send()));
        Assert.Null((string?)(await Phone.Of(coach, athlete)).Pack["items"]![0]!["skipped"]);
    }

    [Fact]
    public async Task An_eased_form_takes_over_the_rest_and_is_no_failure()
    {
        var (athlete, _, _) = await Planned("weighted-pull-up: 3 x 5 @ +20 kg");
        var phone = await Phone.Of(coach, athlete);
        var eased = phone.Pack["items"]![0]!["alternates"]!
            .AsArray()
            .First(a => (string)a!["kind"]! == "Eased" && a["places"]!.AsArray().Any(p => (string)p! == "Shoulder"))!;
        Assert.Equal("3 x 5 @ +10 kg", (string)eased["plan"]!["line"]!);
        phone.Do(0, 0, more: new { pain = 4, painPlace = "right shoulder" });
        phone.Note("Swap", new { to = (string)eased["id"]!, reason = "right shoulder 4" }, item: 0);
        foreach (var set in (int[])[2, 3])
        {
            phone.Do(0, 0, more: new { set, added = new { value = 10, unit = "Kg" } })["item"] = (string)eased["id"]!;
        }
        phone.Note("Finish");
        Assert.All(Phone.Outcomes(await phone.Send(twice: true)), o => Assert.Equal("Kept", o));
        var done = await Session(phone, athlete);
        Assert.Equal("1.1 5 @ 20 | 2.1 5 @ 10, 3.1 5 @ 10", Logged(done));
        Assert.Equal("Ease", (string)done["decisions"]![0]!["kind"]!);
    }

    [Fact]
    public async Task The_easy_version_is_taken_without_a_signal_as_it_is_with_one()
    {
        var (athlete, _, _) = await Planned("ring-row: 4 x 8");
        var phone = await Phone.Of(coach, athlete);
        phone.Note(
            "CheckIn",
            new
            {
                checkIn = new
                {
                    day = Club.Today,
                    sleepHours = 5,
                    soreness = 8,
                    readiness = 3,
                    hardTraining = false,
                    pain = Array.Empty<object>(),
                },
            }
        );
        phone.Note("Easy", new { take = true });
        phone.Do(0, 0);
        phone.Note("Effort", new { effort = 6.5m });
        phone.Note("Finish");
        Assert.All(Phone.Outcomes(await phone.Send()), o => Assert.Equal("Kept", o));
        var done = await Session(phone, athlete);
        Assert.Equal(
            ("2 x 8", "4 x 8"),
            ((string)done["items"]![0]!["line"]!, (string)done["items"]![0]!["lineBeforeEasy"]!)
        );
        Assert.Equal(6.5m, (decimal)done["effort"]!);
    }

    [Fact]
    public async Task A_forged_seal_brings_no_plan_and_a_foreign_one_neither()
    {
        var (athlete, block, stored) = await Planned("ring-row: 2 x 8");
        var (other, _, _) = await Planned("push-up: 2 x 8");
        var phone = await Phone.Of(coach, athlete);
        stored["block"]!["weeks"]![0]!["sessions"] = new JsonArray();
        (
            await coach.Put(
                $"{athlete.Path}/blocks/{block}",
                new { block = stored["block"], version = (long)stored["version"]! }
            )
        ).Ok.ToString();
        var entry = phone.Do(0, 0);
        foreach (
            var seal in (string[])
                ["", "nonsense", $"{phone.Pack["seal"]}x", (string)(await Phone.Of(coach, other)).Pack["seal"]!]
        )
        {
            entry["id"] = Guid.CreateVersion7().ToString();
            var answer = await coach.Post(
                phone.Path,
                new
                {
                    sentAt = DateTimeOffset.UtcNow,
                    seals = new[] { seal },
                    entries = new[] { entry },
                }
            );
            Assert.Equal(
                ("Refused", "noSession"),
                ((string)answer.Ok[0]!["outcome"]!, (string)answer.Ok[0]!["message"]!["code"]!)
            );
        }
    }

    [Fact]
    public async Task The_athlete_is_told_what_changed_and_why()
    {
        var (athlete, _, _) = await Planned("weighted-pull-up: 3 x 5 @ +20 kg");
        foreach (var day in (string[])["2026-03-10", "2026-03-12"])
            (await athlete.Train("3 x 5 @ +20 kg", day, 5, reason: "as always")).ToString();
        Assert.Empty((await coach.Get($"{athlete.Path}/run")).Ok["changed"]!.AsArray());
        var decision = (await athlete.Page()).Decision()!;
        (
            await coach.Post(
                $"/api/decisions/{decision["id"]}/accept",
                new { line = (string?)null, reason = "as always" }
            )
        ).Ok.ToString();
        var changed = (await coach.Get($"{athlete.Path}/run")).Ok["changed"]!.AsArray().Single()!;
        Assert.Equal(
            ("3 x 5 @ +20 kg", "3 x 5 @ +21.25 kg", "CleanSessions"),
            (
                (string)changed["before"]!["line"]!,
                (string)changed["after"]!["line"]!,
                (string)changed["decision"]!["cause"]!
            )
        );
    }

    [Fact]
    public async Task The_proposals_follow_what_came_in_later()
    {
        var (athlete, _, _) = await Planned("weighted-pull-up: 3 x 5 @ +20 kg");
        (await athlete.Train("3 x 5 @ +20 kg", "2026-03-12", 5, reason: "as always")).ToString();
        var phone = await Phone.Of(coach, athlete);
        foreach (var effort in (int[])[0, 1, 2])
            phone.Do(0, effort);
        phone.Note("Finish");
        await phone.Send();
        Assert.Equal("AddLoad", (string)(await Session(phone, athlete)).Decision()!["kind"]!);
    }
}

/// <summary>Sessions of today for tests of running.</summary>
internal static class RunFixture
{
    /// <summary>An athlete with a session of today in a block; "+" joins an item with the one before.</summary>
    public static async Task<(Trainee Athlete, Guid Block, JsonNode Stored)> Planned(
        Caller coach,
        params string[] lines
    )
    {
        var athlete = await coach.NewAthlete();
        (await athlete.Weigh(70m, "2026-02-01")).Ok.ToString();
        (await athlete.Weigh(70m)).Ok.ToString();
        var id = Guid.CreateVersion7();
        var block = new JsonObject
        {
            ["name"] = "A block",
            ["start"] = "2026-03-16",
            ["kept"] = new JsonArray(),
            ["weeks"] = new JsonArray(
                new JsonObject
                {
                    ["kind"] = "Loading",
                    ["sessions"] = new JsonArray(
                        new JsonObject
                        {
                            ["id"] = Guid.CreateVersion7().ToString(),
                            ["day"] = Club.Today,
                            ["title"] = "Pull",
                            ["fixed"] = false,
                            ["warmUp"] = new JsonObject { ["seconds"] = 0, ["text"] = null },
                            ["coolDown"] = new JsonObject { ["seconds"] = 0, ["text"] = null },
                            ["items"] = new JsonArray([
                                .. lines.Select(l =>
                                {
                                    var parts = l.TrimStart('+').Split(": ", 2);
                                    return (JsonNode)
                                        new JsonObject
                                        {
                                            ["id"] = Guid.CreateVersion7().ToString(),
                                            ["movement"] = parts[0],
                                            ["line"] = parts[1],
                                            ["joined"] = l[0] == '+',
                                        };
                                }),
                            ]),
                        }
                    ),
                }
            ),
        };
        return (athlete, id, (await coach.Put($"{athlete.Path}/blocks/{id}", new { block, version = 0 })).Ok);
    }
}
