using System.Text.Json.Nodes;

namespace Cumbre.Server.Tests;

/// <summary>Placement, results of every measure and schools, over the API and a real file.</summary>
public sealed class LadderTests(SharedClub shared) : IClassFixture<SharedClub>, IAsyncLifetime
{
    private Caller coach = null!;

    public async ValueTask InitializeAsync() => coach = await shared.Club.Coach();

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    private static string? Training(JsonNode ladder) =>
        ladder["training"] is { } step ? (string?)ladder["steps"]![(int)step]!["slug"] : null;

    private static object Hold(
        string benchmark,
        decimal seconds,
        int sets = 1,
        string? side = null,
        string day = Club.Today
    ) =>
        new
        {
            benchmark,
            day,
            seconds,
            sets,
            side,
            form = "Clean",
        };

    [Fact]
    public async Task The_front_lever_is_walked_by_entering_results()
    {
        var athlete = await coach.NewAthlete();
        Assert.Equal("hang", Training(await athlete.Ladder("front-lever")));
        await athlete.Test("pull-up-max", 9);
        Assert.Equal("tuck", Training(await athlete.Ladder("front-lever")));
        var answer = (await athlete.Record(Hold("front-lever-tuck", 10, 3))).Ok;
        var change = Assert.Single(answer["changes"]!.AsArray(), c => (string)c!["ladder"]! == "front-lever")!;
        Assert.Equal(["Tuck"], change["won"]!.AsArray().Select(s => (string)s!));
        Assert.Equal(["Advanced tuck"], change["opened"]!.AsArray().Select(s => (string)s!));
        await athlete.Record(Hold("front-lever-advanced-tuck", 4));
        var page = await athlete.Ladder("front-lever");
        Assert.Equal(("one-leg", true), (Training(page), (bool)page["exposureOnly"]!));
        Assert.Equal("3 x 8 s", (string)page["limiting"]!["threshold"]!["need"]!);
        await athlete.Record(Hold("front-lever-one-leg", 8, 3, "Left"));
        Assert.Equal("one-leg", Training(await athlete.Ladder("front-lever")));
        await athlete.Record(Hold("front-lever-one-leg", 8, 3, "Right"));
        Assert.Equal("half-lay", Training(await athlete.Ladder("front-lever")));
    }

    [Fact]
    public async Task A_failed_test_says_what_it_closed_and_taking_it_back_opens_again()
    {
        var athlete = await coach.NewAthlete();
        await athlete.Weigh(68, "2026-03-01");
        await athlete.Record(
            new
            {
                benchmark = "pull-up-max",
                day = "2026-03-01",
                reps = 9,
                form = "Clean",
            }
        );
        var failed = (await athlete.Test("pull-up-max", 6)).Ok;
        Assert.Contains(failed["changes"]!.AsArray(), c =>
            (string)c!["ladder"]! == "front-lever" && c["closed"]!.AsArray().Any(s => (string)s! == "Tuck")
        );
        Assert.Equal(204, (await coach.Delete($"{athlete.Path}/results/{failed["result"]!["id"]}")).Status);
        Assert.Equal("tuck", Training(await athlete.Ladder("front-lever")));
    }

    [Fact]
    public async Task Moments_come_with_stature_and_shares_without()
    {
        var athlete = await coach.NewAthlete();
        var page = await athlete.Ladder("front-lever");
        Assert.False((bool)page["needsStature"]!);
        Assert.True((decimal)page["summitDemand"]!["number"]! > 200);
        var profile = (JsonObject)(await coach.Get(athlete.Path)).Ok;
        profile["statureCm"] = null;
        Assert.Equal(200, (await coach.Put(athlete.Path, profile)).Status);
        var without = await athlete.Ladder("front-lever");
        Assert.True((bool)without["needsStature"]!);
        Assert.Null(without["summitDemand"]);
        Assert.Equal(
            page["steps"]!.AsArray().Select(s => (decimal)s!["share"]!),
            without["steps"]!.AsArray().Select(s => (decimal)s!["share"]!)
        );
    }

    [Fact]
    public async Task A_step_set_by_the_coach_is_marked_and_given_back()
    {
        var athlete = await coach.NewAthlete();
        var path = $"{athlete.Path}/ladders/planche/placement";
        var set = (await coach.Put(path, new { step = "straddle", reason = "held it before a wrist injury" })).Ok;
        Assert.Equal("straddle", Training(set));
        Assert.Equal("held it before a wrist injury", (string)set["coach"]!["reason"]!);
        Assert.Equal("PlacedByCoach", (string)set["why"]!["rule"]!["id"]!);
        Assert.NotEqual("straddle", Training((await coach.Delete(path)).Ok));
        Assert.Equal(400, (await coach.Put(path, new { step = "moonwalk", reason = "why not" })).Status);
        Assert.Equal("reason:writeReason", (await coach.Put(path, new { step = "tuck", reason = " " })).Field);
        Assert.Equal(
            404,
            (await coach.Put($"{athlete.Path}/ladders/moon/placement", new { step = "tuck", reason = "x" })).Status
        );
    }

    [Fact]
    public async Task The_clubs_school_holds_unless_the_athlete_has_their_own()
    {
        var own = await coach.NewAthlete(loading: "base-first");
        var other = Guid.CreateVersion7();
        var profile = JsonNode.Parse(System.Text.Json.JsonSerializer.Serialize(Trainee.Profile("As the club")))!;
        profile["schools"] = new JsonArray();
        Assert.Equal(200, (await coach.Put($"/api/athletes/{other}", profile)).Status);
        Assert.Equal(200, (await coach.Put("/api/schools/loading", new { choice = "rep-first" })).Status);
        Assert.Equal(
            "reps first",
            (string)
                (await new Trainee(coach, other).Page())["gates"]!.AsArray().Single(g => (bool)g!["decides"]!)![
                    "school"
                ]!
        );
        Assert.Equal(
            "base first",
            (string)(await own.Page())["gates"]!.AsArray().Single(g => (bool)g!["decides"]!)!["school"]!
        );
        Assert.Equal(400, (await coach.Put("/api/schools/loading", new { choice = "no-first" })).Status);
        Assert.Equal(404, (await coach.Put("/api/schools/weather", new { choice = "rain" })).Status);
    }

    [Fact]
    public async Task All_athletes_stand_as_flags_on_a_ladder()
    {
        var athlete = await coach.NewAthlete();
        await athlete.Test("pull-up-max", 9);
        var flags = (await coach.Get("/api/ladders/front-lever/club")).Ok["flags"]!.AsArray();
        var mine = flags.Single(f => (Guid)f!["athleteId"]! == athlete.Id)!;
        Assert.Equal(3, (int)mine["training"]!);
        Assert.Equal(404, (await coach.Get("/api/ladders/moon/club")).Status);
    }

    [Fact]
    public async Task The_atlas_is_served_whole()
    {
        Assert.True((await coach.Get("/api/movements")).Ok.AsArray().Count >= 150);
        var ladders = (await coach.Get("/api/ladders")).Ok.AsArray();
        Assert.Contains(ladders, l => (string)l!["slug"]! == "human-flag" && l["steps"]!.AsArray().Count == 13);
        Assert.Equal(22, (await coach.Get("/api/schools")).Ok.AsArray().Count);
    }

    // Each slip is told at its field.
    public static TheoryData<string, object, string, string> Slips =>
        new()
        {
            {
                "no seconds",
                new
                {
                    benchmark = "front-lever-tuck",
                    day = Club.Today,
                    seconds = -1,
                    form = "Clean",
                },
                "seconds",
                "outOfRange value=-1 from=0 to=3600"
            },
            {
                "over an hour",
                new
                {
                    benchmark = "front-lever-tuck",
                    day = Club.Today,
                    seconds = 4000,
                    form = "Clean",
                },
                "seconds",
                "outOfRange value=4000 from=0 to=3600"
            },
            {
                "seconds for reps",
                new
                {
                    benchmark = "pull-up-max",
                    day = Club.Today,
                    reps = 5,
                    seconds = 12,
                    form = "Clean",
                },
                "seconds",
                "measureUnexpected test=Pull-ups in one set measure=reps given=seconds"
            },
            {
                "reps for seconds",
                new
                {
                    benchmark = "front-lever-tuck",
                    day = Club.Today,
                    reps = 5,
                    seconds = 12,
                    form = "Clean",
                },
                "reps",
                "measureUnexpected test=Tuck front lever measure=seconds given=reps"
            },
            {
                "nothing counted",
                new
                {
                    benchmark = "front-lever-tuck",
                    day = Club.Today,
                    form = "Clean",
                },
                "seconds",
                "holdMissing"
            },
            {
                "a side too many",
                new
                {
                    benchmark = "pull-up-max",
                    day = Club.Today,
                    reps = 5,
                    side = "Left",
                    form = "Clean",
                },
                "side",
                "sideUnexpected test=Pull-ups in one set"
            },
            {
                "a side too few",
                new
                {
                    benchmark = "one-arm-hang",
                    day = Club.Today,
                    seconds = 12,
                    form = "Clean",
                },
                "side",
                "sideMissing test=One-arm hang"
            },
            {
                "pain eleven",
                new
                {
                    benchmark = "pull-up-max",
                    day = Club.Today,
                    reps = 5,
                    pain = 11,
                    painPlace = "right elbow",
                    form = "Clean",
                },
                "pain",
                "outOfRange value=11 from=0 to=10"
            },
            {
                "pain nowhere",
                new
                {
                    benchmark = "pull-up-max",
                    day = Club.Today,
                    reps = 5,
                    pain = 4,
                    form = "Clean",
                },
                "painPlace",
                "painPlaceMissing"
            },
            {
                "before birth",
                new
                {
                    benchmark = "pull-up-max",
                    day = "1989-05-05",
                    reps = 5,
                    form = "Clean",
                },
                "day",
                "beforeBirth day=1989-05-05 birth=1990"
            },
            {
                "no contact",
                new
                {
                    benchmark = "high-pull-up",
                    day = Club.Today,
                    reps = 5,
                    form = "Clean",
                },
                "contact",
                "contactMissing"
            },
            {
                "no rest",
                new
                {
                    benchmark = "pull-up-capacity",
                    day = Club.Today,
                    reps = 20,
                    sets = 5,
                    form = "Clean",
                },
                "restSeconds",
                "restMissing"
            },
            {
                "no such test",
                new
                {
                    benchmark = "moonwalk",
                    day = Club.Today,
                    reps = 5,
                    form = "Clean",
                },
                "benchmark",
                "testUnknown test=moonwalk"
            },
            {
                "sets beyond count",
                new
                {
                    benchmark = "pull-up-max",
                    day = Club.Today,
                    reps = 5,
                    sets = 21,
                    form = "Clean",
                },
                "sets",
                "outOfRange value=21 from=1 to=20"
            },
        };

    [Theory]
    [MemberData(nameof(Slips))]
    public async Task A_slip_in_a_result_is_told_at_its_field(string slip, object result, string field, string words)
    {
        var athlete = await coach.NewAthlete();
        var answer = await athlete.Record(result);
        Assert.True(
            answer is { Status: 400 }
                && answer.Field!.StartsWith($"{field}:", StringComparison.Ordinal)
                && answer.Said == words,
            $"{slip}: {answer.Status} {answer.Said}"
        );
    }

    [Fact]
    public async Task A_stature_of_17_metres_is_told_at_its_field()
    {
        var athlete = await coach.NewAthlete();
        var profile = (JsonObject)(await coach.Get(athlete.Path)).Ok;
        profile["statureCm"] = 1700;
        var answer = await coach.Put(athlete.Path, profile);
        Assert.Equal((400, "statureCm:outOfRange"), (answer.Status, answer.Field));
        profile["statureCm"] = 170;
        profile["lengths"]!["armCm"] = 7;
        Assert.Equal("lengths.armCm:outOfRange", (await coach.Put(athlete.Path, profile)).Field);
        profile["lengths"]!["armCm"] = null;
        profile["schools"] = new JsonArray(new JsonObject { ["question"] = "loading", ["choice"] = "never" });
        Assert.Equal("schools[0].choice:schoolUnknown", (await coach.Put(athlete.Path, profile)).Field);
    }

    [Fact]
    public async Task What_was_measured_comes_back_as_it_was_written()
    {
        var athlete = await coach.NewAthlete();
        await athlete.Record(
            new
            {
                benchmark = "one-arm-hang",
                day = Club.Today,
                seconds = 12.5,
                sets = 2,
                side = "Right",
                setUp = "band of 8 kg",
                pain = 2,
                painPlace = "left shoulder",
                form = "Clean",
            }
        );
        await athlete.Record(
            new
            {
                benchmark = "pull-up-capacity",
                day = Club.Today,
                reps = 18,
                sets = 5,
                restSeconds = 280,
                form = "Broken",
            }
        );
        var results = (await athlete.Page())["results"]!.AsArray();
        var hang = results.Single(r => (string)r!["benchmark"]! == "one-arm-hang")!;
        Assert.Equal(
            ("2 x 12.5 s", "Right", "band of 8 kg", 2),
            ((string)hang["figure"]!, (string)hang["side"]!, (string)hang["setUp"]!, (int)hang["pain"]!)
        );
        Assert.Equal(
            "5 x 18 within 4:40",
            (string)results.Single(r => (string)r!["benchmark"]! == "pull-up-capacity")!["figure"]!
        );
    }
}
