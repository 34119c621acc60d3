using System.Text.Json.Nodes;

namespace Cumbre.Server.Tests;

/// <summary>An evening of tests, and the intake that decides what is tested.</summary>
public sealed class TestDayTests(SharedClub shared) : IClassFixture<SharedClub>, IAsyncLifetime
{
    private Caller coach = null!;

    public async ValueTask InitializeAsync() => coach = await shared.Club.Coach();

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    private static object Intake(
        object[]? goals = null,
        object[]? clearance = null,
        object[]? complaints = null,
        int? minutes = 60,
        decimal? years = 3,
        int[]? days = null,
        bool consent = false
    ) =>
        new
        {
            trainingYears = years,
            days = days ?? [1, 4],
            minutes,
            place = "Hall",
            shoulders = "Tight",
            goals = goals ?? [],
            complaints = complaints ?? [],
            clearance = clearance ?? [],
            guardianConsent = consent,
            finished = false,
        };

    private static object Goal(string ladder, string kind = "Advance") => new { ladder, kind };

    private async Task<Answer> PutIntake(Trainee athlete, object intake, int? birthYear = 1990)
    {
        var profile = (JsonObject)(await coach.Get(athlete.Path)).Ok;
        profile["intake"] = System.Text.Json.JsonSerializer.SerializeToNode(intake);
        profile["birthYear"] = birthYear;
        return await coach.Put(athlete.Path, profile);
    }

    private async Task<(Guid Day, string Path)> Sheet(IEnumerable<Guid> athletes, params string[] tests)
    {
        var id = Guid.CreateVersion7();
        (
            await coach.Put(
                $"/api/test-days/{id}",
                new
                {
                    day = Club.Today,
                    name = "March tests",
                    athletes,
                    tests,
                    version = 0,
                }
            )
        ).Ok.ToString();
        return (id, $"/api/test-days/{id}");
    }

    private Task<Answer> Cell(
        string path,
        Guid athlete,
        string benchmark,
        string text,
        string? side = null,
        Guid? id = null,
        string form = "Clean",
        int? pain = null,
        string? place = null,
        string[]? known = null
    ) =>
        coach.Put(
            $"{path}/cells/{id ?? Guid.CreateVersion7()}",
            new
            {
                athleteId = athlete,
                benchmark,
                side,
                text,
                form,
                setUp = (string?)null,
                pain,
                painPlace = place,
                known,
            }
        );

    [Fact]
    public async Task A_cell_that_somebody_else_filled_is_not_overwritten_unseen()
    {
        var athlete = await coach.NewAthlete();
        var (_, path) = await Sheet([athlete.Id], "pull-up-max");
        var id = Guid.CreateVersion7();
        Task<Answer> Write(string text, params string[] known) =>
            Cell(path, athlete.Id, "pull-up-max", text, id: id, known: known);
        // Eight devices that know it empty: one fills it, seven are told with what.
        var answers = await Task.WhenAll(Enumerable.Range(5, 8).Select(n => Write($"{n}", "")));
        Assert.Equal([200, 409, 409, 409, 409, 409, 409, 409], answers.Select(a => a.Status).Order());
        var won = 5 + Array.FindIndex(answers, a => a.Status == 200);
        Assert.All(answers.Where(a => a.Status == 409), a =>
            Assert.Equal($"{won}", (string)a.Body!["current"]!["text"]!)
        );
        // Sent again after a lost answer, and changed by whoever knows it or sent it.
        Assert.Equal(200, (await Write($"{won}", "")).Status);
        Assert.Equal(200, (await Write("20", "", $"{won}")).Status);
        // What stood there stays to be read.
        var before = Assert.Single((await coach.Get($"{path}/cells/{id}/history")).Ok.AsArray())!;
        Assert.Equal(
            ("ResultCorrected", $"{won}", "20"),
            ((string)before["kind"]!, (string)before["before"]!, (string)before["after"]!)
        );
        Assert.NotNull(before["by"]);
        Assert.Equal(409, (await Write("", $"{won}")).Status);
        // The same figure without the pain that another device noted with it would lose the pain.
        var hurt = await Cell(
            path,
            athlete.Id,
            "pull-up-max",
            "20",
            id: id,
            pain: 4,
            place: "left elbow",
            known: ["20"]
        );
        Assert.Equal(200, hurt.Status);
        Assert.Equal(409, (await Write("20", "")).Status);
        Assert.Equal(200, (await Write("", "20")).Status);
        Assert.Equal(409, (await Write("9", "20")).Status);
        Assert.Empty((await coach.Get(path)).Ok["cells"]!.AsArray());
    }

    [Fact]
    public async Task A_battery_is_proposed_for_the_goals_and_what_is_not_cleared_is_kept_out()
    {
        var athlete = await coach.NewAthlete();
        (
            await PutIntake(
                athlete,
                Intake(
                    [Goal("front-lever"), Goal("handstand", "Maintain")],
                    [
                        new
                        {
                            question = "glaucoma",
                            yes = true,
                            cleared = false,
                        },
                    ]
                )
            )
        ).Ok.ToString();
        var proposal = (await coach.Post("/api/test-days/proposal", new { athletes = new[] { athlete.Id } })).Ok;
        var battery = Assert.Single(proposal["athletes"]!.AsArray())!;
        Assert.Contains(battery["tests"]!.AsArray(), t => (string)t!["slug"]! == "pull-up-max");
        Assert.Contains(battery["blocked"]!.AsArray(), b => (string)b!["question"]! == "Glaucoma");
        Assert.True((int)battery["time"]!["value"]!["number"]! > 0);
        Assert.True(battery["tests"]!.AsArray().Count <= 6);
        Assert.Equal(
            ["Glaucoma"],
            (await coach.Get(athlete.Path)).Ok["openClearances"]!.AsArray().Select(q => (string)q!)
        );
    }

    [Fact]
    public async Task A_sheet_is_filled_cell_by_cell_corrected_and_emptied()
    {
        var athlete = await coach.NewAthlete();
        var (_, path) = await Sheet([athlete.Id], "pull-up-max", "front-lever-tuck", "one-arm-hang");
        var id = Guid.CreateVersion7();
        var answer = (await Cell(path, athlete.Id, "pull-up-max", "9", id: id)).Ok;
        Assert.Contains(answer["changes"]!.AsArray(), c =>
            (string)c!["ladder"]! == "front-lever" && c["opened"]!.AsArray().Any(s => (string)s! == "Tuck")
        );
        // Sent twice, as after a lost answer: once is stored.
        (await Cell(path, athlete.Id, "pull-up-max", "9", id: id)).Ok.ToString();
        (await Cell(path, athlete.Id, "pull-up-max", "11", id: id)).Ok.ToString();
        (await Cell(path, athlete.Id, "one-arm-hang", "12,5", "Left")).Ok.ToString();
        var sheet = (await coach.Get(path)).Ok;
        Assert.Equal(["11", "12.5 s"], sheet["cells"]!.AsArray().Select(c => (string)c!["text"]!).Order());
        (await Cell(path, athlete.Id, "pull-up-max", " ", id: id)).Ok.ToString();
        Assert.Single((await coach.Get(path)).Ok["cells"]!.AsArray());
        Assert.Null(
            (await athlete.Ladder("pull-up"))["steps"]!.AsArray().Single(s => (string)s!["slug"]! == "ten")!["best"]
        );
    }

    [Theory]
    [InlineData("pull-up-max", "nine", null, "text:cellUnreadable")]
    [InlineData("pull-up-max", "201", null, "text:outOfRange")]
    [InlineData("front-lever-tuck", "4000", null, "text:outOfRange")]
    [InlineData("pull-up-max", "9", "Left", "side:testNoSides")]
    [InlineData("one-arm-hang", "9", null, "side:testEachSide")]
    [InlineData("ghost", "9", null, "benchmark:testUnknown")]
    public async Task A_bad_cell_is_told_at_the_cell_and_nothing_is_stored(
        string benchmark,
        string text,
        string? side,
        string field
    )
    {
        var athlete = await coach.NewAthlete();
        var (_, path) = await Sheet([athlete.Id], "pull-up-max", "front-lever-tuck", "one-arm-hang");
        Assert.Equal(field, (await Cell(path, athlete.Id, benchmark, text, side)).Field);
        Assert.Empty((await coach.Get(path)).Ok["cells"]!.AsArray());
    }

    [Fact]
    public async Task Pain_needs_a_place_and_an_id_belongs_to_one_athlete()
    {
        var (one, other) = (await coach.NewAthlete(), await coach.NewAthlete());
        var (_, path) = await Sheet([one.Id, other.Id], "pull-up-max");
        Assert.Equal("painPlace:painPlaceMissing", (await Cell(path, one.Id, "pull-up-max", "9", pain: 3)).Field);
        Assert.Equal("pain:outOfRange", (await Cell(path, one.Id, "pull-up-max", "9", pain: 11, place: "elbow")).Field);
        var id = Guid.CreateVersion7();
        (await Cell(path, one.Id, "pull-up-max", "9", id: id, pain: 2, place: "elbow")).Ok.ToString();
        Assert.Equal("resultId:resultOfAnother", (await Cell(path, other.Id, "pull-up-max", "9", id: id)).Field);
    }

    [Fact]
    public async Task Afterwards_it_tells_what_opened_what_is_noise_and_how_the_sides_stand()
    {
        var athlete = await coach.NewAthlete();
        await athlete.Weigh(68, "2026-02-01");
        await athlete.Test("pull-up-max", 8, day: "2026-02-01");
        await athlete.Test("push-up-max", 20, day: "2026-02-01");
        var (_, path) = await Sheet([athlete.Id], "pull-up-max", "push-up-max", "flag-hang-pushed-out");
        await Cell(path, athlete.Id, "pull-up-max", "9");
        await Cell(path, athlete.Id, "push-up-max", "26");
        await Cell(path, athlete.Id, "flag-hang-pushed-out", "7", "Left");
        await Cell(path, athlete.Id, "flag-hang-pushed-out", "4", "Right");
        var outcome = Assert.Single((await coach.Get($"{path}/outcome")).Ok.AsArray())!;
        var rows = outcome["rows"]!.AsArray();
        Assert.Equal(
            (1m, true, "8"),
            ((decimal)rows[0]!["difference"]!, (bool)rows[0]!["isNoise"]!, (string)rows[0]!["before"]!)
        );
        Assert.Equal((6m, false), ((decimal)rows[1]!["difference"]!, (bool)rows[1]!["isNoise"]!));
        var sides = Assert.Single(outcome["sides"]!.AsArray())!;
        Assert.Equal(("Right", "WeakerFirst"), ((string)sides["weaker"]!, (string)sides["advice"]!));
        Assert.Equal(0.4286m, (decimal)sides["fraction"]!, 4);
        Assert.NotEmpty(outcome["changes"]!.AsArray());
    }

    [Fact]
    public async Task The_sheet_is_a_csv_that_no_spreadsheet_takes_for_a_formula()
    {
        var athlete = await coach.NewAthlete();
        var profile = (JsonObject)(await coach.Get(athlete.Path)).Ok;
        profile["name"] = "=HYPERLINK(\"x\"), Tess";
        (await coach.Put(athlete.Path, profile)).Ok.ToString();
        var (_, path) = await Sheet([athlete.Id], "pull-up-max");
        await Cell(path, athlete.Id, "pull-up-max", "9");
        var csv = await coach.Client.GetStringAsync($"{path}/sheet.csv", TestContext.Current.CancellationToken);
        // Read back with a general-purpose reader.
        using var reader = new CsvHelper.CsvReader(
            new StringReader(csv.TrimStart('\uFEFF')),
            System.Globalization.CultureInfo.InvariantCulture
        );
        var line = (IDictionary<string, object>)Assert.Single(reader.GetRecords<dynamic>().ToArray());
        Assert.Equal(
            ("Pull-ups in one set", "9", "68.2"),
            ((string)line["Test"], (string)line["Result"], (string)line["BodyMassKg"])
        );
        Assert.StartsWith("'=", (string)line["Athlete"], StringComparison.Ordinal);
    }

    [Fact]
    public async Task Two_coaches_who_change_one_test_day_are_both_offered_and_bad_ones_are_refused()
    {
        var athlete = await coach.NewAthlete();
        var (id, path) = await Sheet([athlete.Id], "pull-up-max");
        object Request(
            string[] tests,
            long version,
            Guid[]? athletes = null,
            string name = "March tests",
            string day = Club.Today
        ) =>
            new
            {
                day,
                name,
                athletes = athletes ?? [athlete.Id],
                tests,
                version,
            };
        (await coach.Put(path, Request(["pull-up-max", "row-max"], 1))).Ok.ToString();
        var conflict = await coach.Put(path, Request(["push-up-max"], 1));
        Assert.Equal((409, 2), (conflict.Status, conflict.Body!["current"]!["tests"]!.AsArray().Count));
        Assert.Equal("tests[0]:testUnknown", (await coach.Put(path, Request(["ghost"], 2))).Field);
        Assert.Equal("athletes:athletesRange", (await coach.Put(path, Request(["row-max"], 2, []))).Field);
        Assert.Equal(
            "athletes[0]:sheetAthleteGone",
            (await coach.Put(path, Request(["row-max"], 2, [Guid.CreateVersion7()]))).Field
        );
        Assert.Equal("name:writeName", (await coach.Put(path, Request(["row-max"], 2, name: " "))).Field);
        Assert.Equal("day:dayInFuture", (await coach.Put(path, Request(["row-max"], 2, day: "2026-03-17"))).Field);
        Assert.Contains((await coach.Get("/api/test-days")).Ok.AsArray(), d => (string)d!["id"]! == id.ToString());
        Assert.Equal(204, (await coach.Delete(path)).Status);
        Assert.Equal(404, (await coach.Get(path)).Status);
    }

    [Fact]
    public async Task An_athlete_who_was_removed_while_their_test_was_open_elsewhere_is_told_and_the_others_go_on()
    {
        var (one, other) = (await coach.NewAthlete(), await coach.NewAthlete());
        var (_, path) = await Sheet([one.Id, other.Id], "pull-up-max");
        (await Cell(path, one.Id, "pull-up-max", "9")).Ok.ToString();
        Assert.Equal(409, (await coach.Delete(one.Path)).Status);
        Assert.Equal(204, (await coach.Put($"{one.Path}/archive", new { away = true })).Status);
        Assert.Equal(200, (await coach.Delete(one.Path)).Status);
        var refused = await Cell(path, one.Id, "pull-up-max", "10");
        Assert.Equal((404, "sheetAthleteGone"), (refused.Status, refused.Said));
        (await Cell(path, other.Id, "pull-up-max", "10")).Ok.ToString();
        Assert.Single((await coach.Get(path)).Ok["athletes"]!.AsArray());
    }

    [Fact]
    public async Task An_athlete_is_archived_restored_exported_and_removed_with_all_that_is_theirs()
    {
        var athlete = await coach.NewAthlete();
        await athlete.OpenGate();
        await athlete.Train("3 x 5 @ +5 kg", Club.Today, 5, reason: "a test");
        await coach.Put($"{athlete.Path}/archive", new { away = true });
        Assert.DoesNotContain((await coach.Get("/api/athletes")).Ok.AsArray(), r =>
            (string)r!["id"]! == athlete.Id.ToString()
        );
        await coach.Put($"{athlete.Path}/archive", new { away = false });
        Assert.Contains((await coach.Get("/api/athletes")).Ok.AsArray(), r =>
            (string)r!["id"]! == athlete.Id.ToString()
        );
        var file = JsonNode.Parse(
            await coach.Client.GetStringAsync($"{athlete.Path}/export", TestContext.Current.CancellationToken)
        )!;
        Assert.Equal((4, 1), (file["results"]!.AsArray().Count, file["sessions"]!.AsArray().Count));
        await coach.Put($"{athlete.Path}/archive", new { away = true });
        Assert.Equal(200, (await coach.Delete(athlete.Path)).Status);
        Assert.Equal(404, (await coach.Get(athlete.Path)).Status);
    }

    [Fact]
    public async Task Who_is_put_away_is_not_on_the_desk_even_with_a_decision_waiting()
    {
        var desk = (await coach.Get("/api/desk")).Ok;
        var waiting = desk["rows"]!.AsArray().Select(d => (string)d!["athleteId"]!).ToArray();
        var away = (string)
            desk["sessions"]!.AsArray().Select(s => s!["athleteId"]!).First(a => waiting.Contains((string)a!))!;
        Assert.Equal(204, (await coach.Put($"/api/athletes/{away}/archive", new { away = true })).Status);
        var after = (await coach.Get("/api/desk")).Ok;
        Assert.Equal(waiting.Length - 1, after["rows"]!.AsArray().Count);
        Assert.DoesNotContain(after["sessions"]!.AsArray(), s => (string)s!["athleteId"]! == away);
        Assert.Equal(204, (await coach.Put($"/api/athletes/{away}/archive", new { away = false })).Status);
        Assert.Equal(waiting.Length, (await coach.Get("/api/desk")).Ok["rows"]!.AsArray().Count);
    }

    [Theory]
    [InlineData("advance", "intake.goals:advanceMost")]
    [InlineData("ladder", "intake.goals[0].ladder:ladderUnknown")]
    [InlineData("twice", "intake.goals[1].ladder:goalTwice")]
    [InlineData("minutes", "intake.minutes:outOfRange")]
    [InlineData("years", "intake.trainingYears:outOfRange")]
    [InlineData("day", "intake.days[1]:weekdayUnknown")]
    [InlineData("pain", "intake.complaints[0].level:outOfRange")]
    [InlineData("place", "intake.complaints[0].place:writeWhere")]
    [InlineData("question", "intake.clearance[0].question:clearanceUnknown")]
    public async Task A_slip_in_the_intake_is_told_at_its_field(string slip, string field)
    {
        var athlete = await coach.NewAthlete();
        var intake = slip switch
        {
            "advance" => Intake([Goal("planche"), Goal("front-lever"), Goal("handstand")]),
            "ladder" => Intake([Goal("moon-walk")]),
            "twice" => Intake([Goal("planche"), Goal("planche", "Maintain")]),
            "minutes" => Intake(minutes: 5),
            "years" => Intake(years: 99),
            "day" => Intake(days: [1, 8]),
            "pain" => Intake(
                complaints:
                [
                    new
                    {
                        place = "elbow",
                        level = 11,
                        note = (string?)null,
                    },
                ]
            ),
            "place" => Intake(
                complaints:
                [
                    new
                    {
                        place = " ",
                        level = 2,
                        note = (string?)null,
                    },
                ]
            ),
            _ => Intake(
                clearance:
                [
                    new
                    {
                        question = "under-18",
                        yes = true,
                        cleared = true,
                    },
                ]
            ),
        };
        Assert.Equal(field, (await PutIntake(athlete, intake)).Field);
    }

    [Theory]
    [InlineData(2014, "Under 18", true)]
    [InlineData(1936, "Over 60", false)]
    public async Task A_child_of_12_and_a_person_of_90_are_taken_in_and_asked_for_clearance(
        int birthYear,
        string question,
        bool consent
    )
    {
        var athlete = await coach.NewAthlete();
        var stored = (await PutIntake(athlete, Intake(), birthYear)).Ok;
        Assert.Equal([question], stored["openClearances"]!.AsArray().Select(q => (string)q!));
        Assert.Equal(consent, (bool)stored["consentMissing"]!);
        // A change that says nothing of the intake leaves it alone.
        var profile = (JsonObject)stored;
        profile.Remove("intake");
        Assert.Equal("Tight", (string)(await coach.Put(athlete.Path, profile)).Ok["intake"]!["shoulders"]!);
    }
}
