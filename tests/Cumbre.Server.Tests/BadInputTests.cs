namespace Cumbre.Server.Tests;

/// <summary>Every refusal names its field, and nothing is half written.</summary>
public sealed class BadInputTests(SharedClub shared) : IClassFixture<SharedClub>, IAsyncLifetime
{
    private Caller coach = null!;
    private Trainee athlete = null!;

    public async ValueTask InitializeAsync()
    {
        coach = await shared.Club.Coach();
        athlete = await coach.NewAthlete();
    }

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    [Theory]
    [InlineData(0)]
    [InlineData(-5)]
    [InlineData(900)]
    public async Task A_body_mass_out_of_range_says_the_range(int mass)
    {
        var answer = await athlete.Weigh(mass);
        Assert.Equal((400, "mass:outOfRange"), (answer.Status, answer.Field));
        Assert.Equal($"outOfRange value={mass} from=25 to=250", answer.Said);
        Assert.Single((await athlete.Page())["athlete"]!["bodyMasses"]!.AsArray());
    }

    [Theory]
    [InlineData("""{"day":"2026-03-16","mass":{"value":"seventy","unit":"Kg"}}""", "mass.value:fieldMissing")]
    [InlineData("""{"day":"2026-03-16","mass":{"unit":"Kg"}}""", "mass:fieldMissing")]
    [InlineData("""{"day":"2026-03-16","mass":{"value":70,"unit":"Stone"}}""", "mass.unit:fieldMissing")]
    [InlineData("""{"day":"someday","mass":{"value":70,"unit":"Kg"}}""", "day:fieldMissing")]
    public async Task A_value_of_the_wrong_kind_names_its_place(string body, string field)
    {
        var answer = await coach.PutRaw($"{athlete.Path}/body-masses/{Guid.CreateVersion7()}", body);
        Assert.Equal((400, field), (answer.Status, answer.Field));
    }

    [Fact]
    public async Task Malformed_json_names_the_line()
    {
        var answer = await coach.PutRaw($"{athlete.Path}/body-masses/{Guid.CreateVersion7()}", "{\"day\": ");
        Assert.Equal(400, answer.Status);
        Assert.EndsWith(":jsonUnreadable", answer.Field, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_date_in_the_future_is_refused()
    {
        Assert.Equal("day:dayInFuture", (await athlete.Weigh(70, "2026-03-17")).Field);
        Assert.Equal("day:dayInFuture", (await athlete.Test("pull-up-max", 8, day: "2026-03-17")).Field);
    }

    [Theory]
    [InlineData("pull-up-max", -1, null, "reps:outOfRange")]
    [InlineData("pull-up-max", 1000, null, "reps:outOfRange")]
    [InlineData("pull-up-max", 8, 10, "added:testAtBodyweight")]
    [InlineData("weighted-pull-up-heavy", 5, null, "added:setLoadMissing")]
    [InlineData("weighted-pull-up-heavy", 5, 900, "added:outOfRange")]
    [InlineData("back-flip", 5, null, "benchmark:testUnknown")]
    public async Task A_test_out_of_range_is_refused_at_its_field(
        string benchmark,
        int reps,
        int? added,
        string field
    ) => Assert.Equal(field, (await athlete.Test(benchmark, reps, added)).Field);

    [Fact]
    public async Task A_reserve_over_ten_is_refused() =>
        Assert.Equal("reserve:outOfRange", (await athlete.Test("weighted-pull-up-heavy", 5, 10, 11)).Field);

    [Fact]
    public async Task Sixteen_effective_reps_are_kept_as_a_log_and_give_no_estimate()
    {
        var result = (await athlete.Test("weighted-pull-up-heavy", 13, 5, 3)).Ok["result"]!;
        Assert.Equal((16, false), ((int)result["effectiveReps"]!, (bool)result["givesEstimate"]!));
        var page = await athlete.Page();
        Assert.Single(page["results"]!.AsArray());
        Assert.Null(page["oneRepMax"]);
    }

    [Fact]
    public async Task A_test_before_the_first_body_mass_says_to_weigh_first()
    {
        var unweighed = await coach.NewAthlete(weighed: false);
        Assert.Equal("day:bodyweightMissingOn", (await unweighed.Test("pull-up-max", 8)).Field);
    }

    [Theory]
    [InlineData(0, 2, "kit.plates[1].size:outOfRange")]
    [InlineData(1000, 2, "kit.plates[1].size:outOfRange")]
    [InlineData(5, -1, "kit.plates[1].count:outOfRange")]
    [InlineData(5, 0, "kit.plates[1].count:outOfRange")]
    [InlineData(10, 2, "kit.plates:plateTwice")]
    public async Task An_impossible_plate_is_named_by_its_row(int size, int count, string field)
    {
        var answer = await coach.Put(
            athlete.Path,
            Trainee.Profile("Tess Trial", version: 1, kit: Trainee.Kit((10, 2), (size, count)))
        );
        Assert.Equal((400, field), (answer.Status, answer.Field));
        Assert.Equal(5, (await athlete.Page())["athlete"]!["kit"]!["plates"]!.AsArray().Count);
    }

    [Theory]
    [InlineData("4 x")]
    [InlineData("0 x 5")]
    [InlineData("4 x 5 @ +500 kg")]
    [InlineData("drop 4+4 @ +10")]
    [InlineData("4 x 5 tempo X-1-1-0")]
    [InlineData("4 x 5 tempo 3-1-1-99")]
    public async Task A_faulty_line_is_not_planned_and_its_place_is_told(string line)
    {
        Assert.Equal("line:lineUnreadable", (await athlete.Plan(line)).Field);
        var meaning = (
            await coach.Get($"{athlete.Path}/meaning?movement=weighted-pull-up&line={Uri.EscapeDataString(line)}")
        ).Ok;
        Assert.NotNull(meaning["error"]!["start"]);
        Assert.Null(meaning["plan"]);
        Assert.Null((await athlete.Page())["next"]);
    }

    [Theory]
    [InlineData("4 x 4 @ 80 % e1RM", "line:planHeavySetMissing")]
    [InlineData("3 x 10 4 in reserve", "line:planRepsOver")]
    public async Task A_line_that_lacks_something_says_what(string line, string field) =>
        Assert.Equal(field, (await athlete.Plan(line)).Field);

    [Fact]
    public async Task A_load_finer_than_the_kit_is_rounded_and_told()
    {
        await athlete.OpenGate();
        var plan = (await athlete.Plan("3 x 5 @ +1.9 kg")).Ok["items"]![0]!["plan"]!;
        Assert.Equal(2.5m, (decimal)plan["loads"]![0]!["made"]!["value"]!["number"]!);
        Assert.Equal("Nearest", (string)plan["loads"]![0]!["made"]!["why"]!["rounding"]![0]!["key"]!);
    }

    [Theory]
    [InlineData(-1, "reps:outOfRange")]
    [InlineData(1000, "reps:outOfRange")]
    public async Task Impossible_reps_are_not_logged(int reps, string field)
    {
        var session = (await athlete.Plan("3 x 5 @ 0 kg")).Ok;
        Assert.Equal(field, (await athlete.Log(session, 1, reps)).Field);
        Assert.Equal("Planned", (string)(await athlete.Page())["next"]!["status"]!);
    }

    [Fact]
    public async Task Pain_needs_a_place_and_a_scale_of_ten()
    {
        var session = (await athlete.Plan("3 x 5 @ 0 kg")).Ok;
        Assert.Equal("pain:outOfRange", (await athlete.Log(session, 1, 5, pain: 11, place: "wrist")).Field);
        Assert.Equal("painPlace:painPlaceMissing", (await athlete.Log(session, 1, 5, pain: 4)).Field);
    }

    [Fact]
    public async Task A_set_that_is_not_in_the_plan_is_refused()
    {
        var session = (await athlete.Plan("3 x 5 @ 0 kg")).Ok;
        Assert.Equal("set:setsMost", (await athlete.Log(session, 14, 5, 0)).Field);
    }

    [Fact]
    public async Task A_session_of_tomorrow_is_not_logged_today()
    {
        var session = (await athlete.Plan("3 x 5 @ 0 kg", "2026-03-17")).Ok;
        Assert.Equal("day:sessionOnOtherDay", (await athlete.Log(session, 1, 5)).Field);
    }

    [Fact]
    public async Task A_session_without_a_set_is_not_finished()
    {
        var session = (await athlete.Plan("3 x 5 @ 0 kg")).Ok;
        Assert.Equal("sets:finishEmpty", (await athlete.Finish(session)).Field);
    }

    [Fact]
    public async Task An_unknown_id_is_not_found()
    {
        var nobody = Guid.CreateVersion7();
        Assert.Equal(404, (await coach.Get($"/api/athletes/{nobody}/movement")).Status);
        Assert.Equal(404, (await coach.Get($"/api/athletes/{nobody}/meaning?movement=weighted-pull-up&line=4")).Status);
        Assert.Equal(
            404,
            (
                await coach.Put(
                    $"/api/athletes/{nobody}/body-masses/{nobody}",
                    new { day = Club.Today, mass = new { value = 70, unit = "Kg" } }
                )
            ).Status
        );
        Assert.Equal(404, (await coach.Get($"{athlete.Path}/sessions/{nobody}")).Status);
        Assert.Equal(404, (await coach.Post($"/api/decisions/{nobody}/undo")).Status);
        Assert.Equal(404, (await coach.Get("/api/athletes/not-an-id")).Status);
        Assert.Equal(404, (await coach.Get("/api/nothing-here")).Status);
    }

    [Theory]
    [InlineData("", "name:writeName")]
    [InlineData("   ", "name:writeName")]
    public async Task An_athlete_needs_a_name(string name, string field) =>
        Assert.Equal(field, (await coach.Put($"/api/athletes/{Guid.CreateVersion7()}", Trainee.Profile(name))).Field);

    [Fact]
    public async Task A_name_of_a_thousand_letters_is_refused() =>
        Assert.Equal(
            "name:textTooLong",
            (await coach.Put($"/api/athletes/{Guid.CreateVersion7()}", Trainee.Profile(new string('n', 1000)))).Field
        );

    [Fact]
    public async Task An_error_tells_no_stack_trace()
    {
        var answer = await coach.PutRaw(athlete.Path, "[]");
        Assert.Equal(400, answer.Status);
        Assert.DoesNotContain("   at ", answer.Body!.ToJsonString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Two_tabs_that_save_one_athlete_get_one_conflict_with_the_stored_state()
    {
        Assert.Equal(200, (await coach.Put(athlete.Path, Trainee.Profile("First tab", version: 1))).Status);
        var second = await coach.Put(athlete.Path, Trainee.Profile("Second tab", version: 1));
        Assert.Equal(
            (409, "First tab", 2),
            (second.Status, (string)second.Body!["current"]!["name"]!, (int)second.Body["current"]!["version"]!)
        );
        Assert.Equal(200, (await coach.Put(athlete.Path, Trainee.Profile("Second tab", version: 2))).Status);
    }

    [Fact]
    public async Task The_same_creation_sent_twice_is_done_once()
    {
        var id = Guid.CreateVersion7();
        Assert.Equal(200, (await coach.Put($"/api/athletes/{id}", Trainee.Profile("Twice Sent"))).Status);
        Assert.Equal(200, (await coach.Put($"/api/athletes/{id}", Trainee.Profile("Twice Sent"))).Status);
        Assert.Single((await coach.Get("/api/athletes")).Ok.AsArray(), a => (string)a!["name"]! == "Twice Sent");
    }
}
