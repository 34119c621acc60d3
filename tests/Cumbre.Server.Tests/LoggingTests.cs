using System.Text.Json.Nodes;
using Cumbre.Core.Movements;
using Cumbre.Core.Sessions;

namespace Cumbre.Server.Tests;

/// <summary>What is logged beside reps and load, and what happens to a session, over the API.</summary>
public sealed class LoggingTests(SharedClub shared) : IClassFixture<SharedClub>, IAsyncLifetime
{
    private Caller coach = null!;

    public async ValueTask InitializeAsync() => coach = await shared.Club.Coach();

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    private async Task<(Trainee Athlete, JsonNode Session)> Planned(
        string movement = "ring-row",
        string line = "2 x 8",
        string day = Club.Today
    )
    {
        var athlete = await coach.NewAthlete();
        (await athlete.Weigh(68.2m, "2026-02-01")).Ok.ToString();
        return (athlete, (await athlete.Plan(line, day, reason: "as always", movement: movement)).Ok);
    }

    private Task<Answer> Put(Trainee athlete, JsonNode session, object more, string? id = null, string then = "")
    {
        var set = JsonNode
            .Parse(
                """{"set":1,"part":1,"reps":8,"added":{"value":0,"unit":"Kg"},"reserve":null,"form":"Clean","pain":null,"painPlace":null,"supersedes":null}"""
            )!
            .AsObject();
        foreach (var (key, value) in System.Text.Json.JsonSerializer.SerializeToNode(more)!.AsObject().ToArray())
            set[key] = value?.DeepClone();
        var path = $"{athlete.Path}/sessions/{session["id"]}/sets/{id ?? Guid.CreateVersion7().ToString()}{then}";
        return then.Length == 0 ? coach.Put(path, set) : coach.Post(path, set);
    }

    private async Task<Answer> Change(Trainee athlete, JsonNode session, string verb, object body) =>
        verb is "move" or "split" or "easy"
            ? await coach.Post($"{athlete.Path}/sessions/{session["id"]}/{verb}", body)
            : await coach.Put($"{athlete.Path}/sessions/{session["id"]}/{verb}", body);

    [Fact]
    public async Task A_set_keeps_its_set_up_and_the_next_one_is_offered_the_same()
    {
        var (athlete, session) = await Planned();
        var told = new Dictionary<string, string>
        {
            ["strap mark"] = "6",
            ["ring material"] = "Wood",
            ["foot position"] = "",
        };
        var item = (await Put(athlete, session, new { setUp = told, note = " slow " })).Ok["items"]![0]!;
        Assert.Equal(
            """{"ring material":"wood","strap mark":"6"}""",
            item["sets"]![0]!["setUp"]!.ToJsonString(new() { WriteIndented = false })
        );
        Assert.Equal(("6", "slow"), ((string)item["lastSetUp"]!["strap mark"]!, (string)item["sets"]![0]!["note"]!));
        (await athlete.Finish(session)).Ok.ToString();
        var next = (await athlete.Plan("2 x 8", "2026-03-18", movement: "ring-row")).Ok["items"]![0]!;
        Assert.Equal("wood", (string)next["lastSetUp"]!["ring material"]!);
        Assert.Equal(
            ["strap mark", "foot position", "ring material"],
            next["setUp"]!.AsArray().Select(f => (string)f!["name"]!)
        );
    }

    // An answer that was lost is asked again: the same is no conflict with oneself, other figures are.
    [Fact]
    public async Task A_known_id_with_other_figures_is_a_conflict_and_the_same_is_not()
    {
        var (athlete, session) = await Planned();
        var set = Guid.CreateVersion7().ToString();
        Assert.Equal(200, (await Put(athlete, session, new { reps = 8 }, set)).Status);
        Assert.Equal(200, (await Put(athlete, session, new { reps = 8 }, set)).Status);
        var other = await Put(athlete, session, new { reps = 7 }, set);
        Assert.Equal(409, other.Status);
        Assert.Equal(8, (int)other.Body!["current"]!["items"]![0]!["sets"]![0]!["reps"]!);

        var id = Guid.CreateVersion7();
        Task<Answer> Test(int reps) =>
            coach.Put(
                $"{athlete.Path}/results/{id}",
                new
                {
                    benchmark = "push-up-max",
                    day = "2026-03-10",
                    reps,
                    form = "Clean",
                }
            );
        Assert.Equal((200, 200, 409), ((await Test(20)).Status, (await Test(20)).Status, (await Test(21)).Status));

        var mass = Guid.CreateVersion7();
        Task<Answer> Weigh(decimal value) =>
            coach.Put(
                $"{athlete.Path}/body-masses/{mass}",
                new { day = "2026-03-11", mass = new { value, unit = "Kg" } }
            );
        Assert.Equal((200, 200, 409), ((await Weigh(70)).Status, (await Weigh(70)).Status, (await Weigh(71)).Status));
    }

    // Eight devices send the first set at once: one is logged, seven are told what is there.
    [Fact]
    public async Task Eight_writers_at_once_give_one_winner_and_seven_conflicts()
    {
        var (athlete, session) = await Planned();
        var answers = await Task.WhenAll(
            Enumerable.Range(0, 8).Select(i => Put(athlete, session, new { reps = 8 + i }))
        );
        Assert.Equal([200, 409, 409, 409, 409, 409, 409, 409], answers.Select(a => a.Status).Order());
    }

    [Fact]
    public async Task Eight_plans_of_one_session_give_one_winner_and_a_plan_sent_twice_stands()
    {
        var (athlete, id) = (await coach.NewAthlete(), Guid.CreateVersion7());
        Task<Answer> Plan(int reps) =>
            coach.Put(
                $"{athlete.Path}/sessions/{id}",
                new
                {
                    day = "2026-03-16",
                    movement = "push-up",
                    line = $"3 x {reps}",
                    easy = false,
                    overrideReason = (string?)null,
                    version = 0,
                }
            );
        var answers = await Task.WhenAll(Enumerable.Range(5, 8).Select(Plan));
        Assert.Equal([200, 409, 409, 409, 409, 409, 409, 409], answers.Select(a => a.Status).Order());
        var won = 5 + Array.FindIndex(answers, a => a.Status == 200);
        Assert.Equal((200, 409), ((await Plan(won)).Status, (await Plan(won + 1)).Status));
    }

    public static TheoryData<string> EverySetUp =>
        [.. Catalogue.Shipped.Movements.Values.SelectMany(m => m.SetUp).Distinct().Order(StringComparer.Ordinal)];

    // Every part of a set-up that the catalogue knows: logged, corrected, and a series of its own.
    [Theory, MemberData(nameof(EverySetUp))]
    public async Task Each_part_of_a_set_up_is_kept_corrected_and_compared(string part)
    {
        var movement = Catalogue
            .Shipped.Movements.Values.Where(m => m.SetUp.Contains(part))
            .OrderBy(m => m.Measure)
            .First();
        var line =
            movement.Measure switch
            {
                BenchmarkMeasure.Seconds => "hold 2 x 5 s",
                BenchmarkMeasure.SecondsPerDescent => "negative 2 x 1 lower 5 s",
                BenchmarkMeasure.LoadTimesReps => "2 x 5 @ +5 kg",
                BenchmarkMeasure.ContactHeight => "2 x 5 fast",
                _ => "2 x 5",
            } + (movement.EachSide ? " each side" : "");
        var timed = movement.Measure == BenchmarkMeasure.Seconds;
        var added = new { value = movement.Measure == BenchmarkMeasure.LoadTimesReps ? 5 : 0, unit = "Kg" };
        var field = SetUpField.Of(part);
        var (one, other) = field.Words is [var first, var second, ..] ? (first, second) : ("1", "2");
        var (athlete, session) = await Planned(movement.Slug, line);
        var id = Guid.CreateVersion7().ToString();

        Assert.Equal(one, await Logged(one, id, null));
        Assert.Equal(other, await Logged(other, null, id));
        (await athlete.Finish(session)).Ok.ToString();

        var trend = (await athlete.Page(movement.Slug))["trend"]!;
        Assert.Contains($"{part} {other}", trend["records"]!.ToJsonString());
        Assert.DoesNotContain($"{part} {one}", trend["records"]!.ToJsonString());

        async Task<string> Logged(string value, string? set, string? instead)
        {
            var told = new
            {
                reps = timed ? 1 : 5,
                seconds = timed ? 5 : (int?)null,
                added,
                setUp = new Dictionary<string, string> { [part] = value },
                supersedes = instead,
            };
            var item = (await Put(athlete, session, told, set)).Ok["items"]![0]!;
            return (string)item["sets"]![0]!["setUp"]![part]!;
        }
    }

    public static TheoryData<string, string> Refused =>
        new()
        {
            { """{"setUp":{"box height":"40"}}""", "setUp.box height:setUpUnknown" },
            { """{"setUp":{"strap mark":"high"}}""", "setUp.strap mark:numberMissing" },
            { """{"setUp":{"ring material":"glass"}}""", "setUp.ring material:wordUnknown" },
            { """{"reps":400}""", "reps:outOfRange" },
            { """{"reps":9,"total":8,"form":"Broken"}""", "total:allRepsFewer" },
            { """{"fault":"load swings","form":"Broken"}""", "fault:faultUnknown" },
            { """{"pain":3}""", "painPlace:painPlaceMissing" },
            { """{"sign":"Pop"}""", "painPlace:painPlaceMissing" },
            { """{"set":13}""", "set:setsMost" },
            { """{"set":3,"part":2}""", "set:setsMost" },
        };

    [Theory]
    [MemberData(nameof(Refused))]
    public async Task What_cannot_be_is_refused_at_its_field(string more, string field)
    {
        var (athlete, session) = await Planned();
        Assert.Equal(field, (await Put(athlete, session, JsonNode.Parse(more)!)).Field);
        Assert.Equal("Planned", (string)(await coach.Get($"{athlete.Path}/sessions/{session["id"]}")).Ok["status"]!);
    }

    [Fact]
    public async Task A_set_beyond_the_plan_is_logged_up_to_ten()
    {
        var (athlete, session) = await Planned();
        (await Put(athlete, session, new { set = 12 })).Ok.ToString();
        Assert.Equal(12, (int)(await Put(athlete, session, new { set = 1 })).Ok["items"]![0]!["sets"]![1]!["set"]!);
    }

    [Fact]
    public async Task A_correction_says_before_it_is_saved_what_it_changes_and_keeps_both_values()
    {
        var athlete = await coach.NewAthlete();
        (await athlete.Weigh(68.2m, "2026-02-01")).Ok.ToString();
        JsonNode session = null!;
        var last = Guid.CreateVersion7();
        foreach (var day in new[] { "2026-03-09", "2026-03-12" })
        {
            session = (await athlete.Plan("2 x 8..10", day, movement: "ring-row")).Ok;
            (await Put(athlete, session, new { set = 1, reps = 10 })).Ok.ToString();
            (
                await Put(athlete, session, new { set = 2, reps = 10 }, day == "2026-03-12" ? last.ToString() : null)
            ).Ok.ToString();
            (await athlete.Finish(session)).Ok.ToString();
        }

        var corrected = new
        {
            set = 2,
            reps = 9,
            supersedes = last.ToString(),
        };
        var preview = (await Put(athlete, session, corrected, then: "/preview")).Ok;
        Assert.Equal("AddReps", (string)Assert.Single(preview["gone"]!.AsArray())!["kind"]!);
        Assert.Empty(preview["come"]!.AsArray());
        // Nothing is written by looking.
        var before = (await coach.Get($"{athlete.Path}/sessions/{session["id"]}")).Ok;
        Assert.Equal((10, 1), ((int)before["items"]![0]!["sets"]![1]!["reps"]!, before["decisions"]!.AsArray().Count));
        var after = (await Put(athlete, session, corrected)).Ok;
        var set = after["items"]![0]!["sets"]![1]!;
        Assert.Equal((9, 10, 0), ((int)set["reps"]!, (int)set["was"]!["reps"]!, after["decisions"]!.AsArray().Count));
        Assert.Equal(409, (await Put(athlete, session, corrected, then: "/preview")).Status);
    }

    [Fact]
    public async Task An_item_is_skipped_with_a_reason_and_comes_back()
    {
        var (athlete, session) = await Planned();
        var path = $"items/{session["items"]![0]!["id"]}/skip";
        Assert.Equal("reason:writeSkipReason", (await Change(athlete, session, path, new { reason = " " })).Field);
        Assert.Equal(
            "bar taken",
            (string)(await Change(athlete, session, path, new { reason = "bar taken" })).Ok["items"]![0]!["skipped"]!
        );
        Assert.Equal("item:itemSkipped", (await Put(athlete, session, new { })).Field);
        (await Change(athlete, session, path, new { reason = (string?)null })).Ok.ToString();
        (await Put(athlete, session, new { })).Ok.ToString();
        Assert.Equal("reason:itemLogged", (await Change(athlete, session, path, new { reason = "late" })).Field);
        Assert.Equal(
            404,
            (await Change(athlete, session, $"items/{Guid.CreateVersion7()}/skip", new { reason = "late" })).Status
        );
    }

    [Fact]
    public async Task A_session_moves_to_a_free_day_even_a_past_one_and_not_onto_another()
    {
        var (athlete, session) = await Planned();
        var other = (await athlete.Plan("2 x 5", "2026-03-19", movement: "pull-up")).Ok;
        Assert.Equal(
            "day:dayTaken",
            (await Change(athlete, session, "move", new { day = "2026-03-19", version = 1 })).Field
        );
        Assert.Equal(
            "day:dayTooFar",
            (await Change(athlete, session, "move", new { day = "2027-03-18", version = 1 })).Field
        );
        Assert.Equal(409, (await Change(athlete, session, "move", new { day = "2026-03-18", version = 7 })).Status);
        Assert.Equal(
            "2026-03-10",
            (string)(await Change(athlete, session, "move", new { day = "2026-03-10", version = 1 })).Ok["day"]!
        );
        (await Put(athlete, session, new { })).Ok.ToString();
        Assert.Equal(409, (await Change(athlete, session, "move", new { day = "2026-03-11", version = 3 })).Status);
        Assert.Equal("2026-03-19", (string)(await coach.Get($"{athlete.Path}/sessions/{other["id"]}")).Ok["day"]!);
    }

    [Fact]
    public async Task A_session_is_split_over_two_days()
    {
        var (athlete, session) = await Planned();
        session = (
            await athlete.Plan(
                "2 x 5",
                Club.Today,
                version: 1,
                session: Guid.Parse((string)session["id"]!),
                movement: "pull-up"
            )
        ).Ok;
        var items = session["items"]!.AsArray().Select(i => (string)i!["id"]!).ToArray();
        Assert.Equal(2, items.Length);
        var id = Guid.CreateVersion7();
        Assert.Equal(
            "items:splitChoice",
            (
                await Change(
                    athlete,
                    session,
                    "split",
                    new
                    {
                        id,
                        items,
                        day = "2026-03-18",
                        version = 2,
                    }
                )
            ).Field
        );
        Assert.Equal(
            "items:splitChoice",
            (
                await Change(
                    athlete,
                    session,
                    "split",
                    new
                    {
                        id,
                        items = Array.Empty<string>(),
                        day = "2026-03-18",
                        version = 2,
                    }
                )
            ).Field
        );
        var stays = (
            await Change(
                athlete,
                session,
                "split",
                new
                {
                    id,
                    items = items[..1],
                    day = "2026-03-18",
                    version = 2,
                }
            )
        ).Ok;
        Assert.Equal("pull-up", (string)Assert.Single(stays["items"]!.AsArray())!["movement"]!["slug"]!);
        var goes = (await coach.Get($"{athlete.Path}/sessions/{id}")).Ok;
        Assert.Equal(
            ("2026-03-18", "ring-row"),
            ((string)goes["day"]!, (string)Assert.Single(goes["items"]!.AsArray())!["movement"]!["slug"]!)
        );
    }

    [Fact]
    public async Task Effort_of_the_session_is_told_in_halves_once_it_has_begun()
    {
        var (athlete, session) = await Planned();
        Assert.Equal("effort:nothingLogged", (await Change(athlete, session, "effort", new { effort = 7 })).Field);
        (await Put(athlete, session, new { })).Ok.ToString();
        foreach (var wrong in new[] { 0.5m, 10.5m, 7.2m })
            Assert.Equal(
                "effort:effortRange",
                (await Change(athlete, session, "effort", new { effort = wrong })).Field
            );
        Assert.Equal(7.5m, (decimal)(await Change(athlete, session, "effort", new { effort = 7.5m })).Ok["effort"]!);
        Assert.Null((await Change(athlete, session, "effort", new { effort = (decimal?)null })).Ok["effort"]);
    }

    private Task<Answer> CheckIn(Trainee athlete, object sleep, int soreness, string day = Club.Today) =>
        coach.Put(
            $"{athlete.Path}/check-ins/{Guid.CreateVersion7()}",
            new
            {
                day,
                sleepHours = sleep,
                soreness,
                readiness = 5,
                hardTraining = false,
                pain = Array.Empty<object>(),
            }
        );

    // Case 33: 5.5 h and soreness 7 offer half the sets at the same load, today only.
    [Fact]
    public async Task The_easy_version_of_the_day_is_taken_goes_back_or_is_refused()
    {
        var (athlete, session) = await Planned("weighted-pull-up", "4 x 6 @ +15 kg");
        Assert.Equal("take:easyNotOffered", (await Change(athlete, session, "easy", new { take = true })).Field);
        Assert.Equal("day:dayInFuture", (await CheckIn(athlete, 5.5m, 7, "2026-03-17")).Field);
        Assert.Equal(204, (await CheckIn(athlete, 5.5m, 7)).Status);
        Assert.True((bool)(await coach.Get($"{athlete.Path}/sessions/{session["id"]}")).Ok["easyOffered"]!);
        var easy = (await Change(athlete, session, "easy", new { take = true })).Ok;
        Assert.Equal(
            ("2 x 6 @ +15 kg", "4 x 6 @ +15 kg"),
            ((string)easy["items"]![0]!["line"]!, (string)easy["items"]![0]!["lineBeforeEasy"]!)
        );
        Assert.True((bool)easy["checkIn"]!["tookEasy"]!);
        Assert.Equal(
            "2 x 6 @ +15 kg",
            (string)(await Change(athlete, session, "easy", new { take = true })).Ok["items"]![0]!["line"]!
        );
        var back = (await Change(athlete, session, "easy", new { take = false })).Ok;
        Assert.Equal(
            ("4 x 6 @ +15 kg", false),
            ((string)back["items"]![0]!["line"]!, (bool)back["checkIn"]!["tookEasy"]!)
        );
        Assert.False((bool)back["easyOffered"]!);
    }

    [Theory]
    [InlineData(6.0, 9)]
    [InlineData(5.5, 6)]
    public async Task A_longer_night_or_less_soreness_offers_nothing(double sleep, int soreness)
    {
        var (athlete, session) = await Planned();
        Assert.Equal(204, (await CheckIn(athlete, sleep, soreness)).Status);
        Assert.False((bool)(await coach.Get($"{athlete.Path}/sessions/{session["id"]}")).Ok["easyOffered"]!);
    }

    [Fact]
    public async Task Other_training_is_a_line_with_minutes_and_effort()
    {
        var athlete = await coach.NewAthlete();
        var path = $"{athlete.Path}/other-training/{Guid.CreateVersion7()}";
        object Line(string what = "climbing", int minutes = 90, int effort = 8, string day = Club.Today) =>
            new
            {
                day,
                what,
                minutes,
                effort,
            };
        Assert.Equal("what:writeActivity", (await coach.Put(path, Line(" "))).Field);
        Assert.Equal("minutes:outOfRange", (await coach.Put(path, Line(minutes: 0))).Field);
        Assert.Equal("minutes:outOfRange", (await coach.Put(path, Line(minutes: 601))).Field);
        Assert.Equal("effort:outOfRange", (await coach.Put(path, Line(effort: 11))).Field);
        Assert.Equal("day:dayInFuture", (await coach.Put(path, Line(day: "2026-03-17"))).Field);
        Assert.True((bool)(await coach.Put(path, Line())).Ok["isHard"]!);
        Assert.False((bool)(await coach.Put(path, Line(effort: 6))).Ok["isHard"]!);
        Assert.Equal(204, (await coach.Delete(path)).Status);
        Assert.Equal(404, (await coach.Delete(path)).Status);
    }
}
