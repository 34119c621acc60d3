using System.Text.Json.Nodes;
using Microsoft.Data.Sqlite;

namespace Cumbre.Server.Tests;

/// <summary>From a heavy test to the next session, over the API and a real file.</summary>
public sealed class TrainingTests(SharedClub shared) : IClassFixture<SharedClub>, IAsyncLifetime
{
    private Caller coach = null!;

    public async ValueTask InitializeAsync() => coach = await shared.Club.Coach();

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    private async Task<Trainee> Ready(string increase = "two-in-a-row")
    {
        var athlete = await coach.NewAthlete(increase: increase);
        // Weighed early enough for sessions of the weeks before.
        (await athlete.Weigh(68.2m, "2026-02-01")).Ok.ToString();
        await athlete.OpenGate();
        return athlete;
    }

    [Fact]
    public async Task The_worked_example_comes_out_over_the_wire()
    {
        var athlete = await Ready();
        await athlete.Test("weighted-pull-up-heavy", 6, 15, 1);
        var max = (await athlete.Page())["oneRepMax"]!;
        Assert.Equal(
            (102.61m, 97.76m, 103.19m),
            (
                Math.Round((decimal)max["value"]!["value"]!["number"]!, 2),
                Math.Round((decimal)max["lowKg"]!, 2),
                Math.Round((decimal)max["highKg"]!, 2)
            )
        );

        var load = (await athlete.Plan("4 x 4 @ 80 % e1RM")).Ok["items"]![0]!["plan"]!["loads"]![0]!;
        Assert.Equal(
            (13.89m, 13.75m),
            (Math.Round((decimal)load["wantedKg"]!, 2), (decimal)load["made"]!["value"]!["number"]!)
        );
        Assert.Equal([10m, 2.5m, 1.25m], load["pieces"]!.AsArray().Select(p => (decimal)p!["size"]!["value"]!));
    }

    [Fact]
    public async Task What_was_planned_and_is_not_told_to_its_end_stays_in_view_for_two_weeks()
    {
        var athlete = await Ready();
        foreach (var day in new[] { "2026-03-01", "2026-03-02", "2026-03-16", "2026-03-17" })
            (await athlete.Plan("3 x 5 @ +5 kg", day, reason: "a test")).Ok.ToString();
        var begun = (await athlete.Plan("3 x 5 @ +5 kg", "2026-03-10", reason: "a test")).Ok;
        (await athlete.Log(begun, 1, 5)).Ok.ToString();
        await athlete.Train("3 x 5 @ +5 kg", "2026-03-12", 5, reason: "a test");
        var open = (await coach.Get($"{athlete.Path}/overview")).Ok["unlogged"]!.AsArray();
        Assert.Equal(
            [("2026-03-02", false), ("2026-03-10", true)],
            open.Select(s => ((string)s!["day"]!, (bool)s["begun"]!))
        );
    }

    [Fact]
    public async Task Two_clean_sessions_lead_to_a_decision_and_to_the_next_load()
    {
        var athlete = await Ready();
        await athlete.Train("3 x 8..10 @ +10 kg then +2.5 kg", "2026-03-09", 10);
        Assert.DoesNotContain((await athlete.Page())["decisions"]!.AsArray(), d => (string)d!["kind"]! == "AddLoad");
        var session = await athlete.Train("3 x 8..10 @ +10 kg then +2.5 kg", "2026-03-12", 10);
        Assert.Equal("AddLoad", (string)session.Decision()!["kind"]!);

        var decision = session.Decision()!;
        Assert.Equal(
            200,
            (
                await coach.Post(
                    $"/api/decisions/{decision["id"]}/accept",
                    new { line = (string?)null, reason = (string?)null }
                )
            ).Status
        );
        var page = await athlete.Page();
        Assert.DoesNotContain(page["decisions"]!.AsArray(), d => (string)d!["kind"]! == "AddLoad");
        Assert.Equal(
            ("3 x 8..10 @ +12.5 kg then +2.5 kg", Club.Today),
            ((string)page["next"]!["items"]![0]!["line"]!, (string)page["next"]!["day"]!)
        );
    }

    [Fact]
    public async Task A_decision_is_undone_until_the_first_set_is_logged()
    {
        var athlete = await Ready("one-clean-session");
        var decision = (await athlete.Train("3 x 5 @ +10 kg", "2026-03-12", 5)).Decision()!;
        var accept = $"/api/decisions/{decision["id"]}/accept";
        var undo = $"/api/decisions/{decision["id"]}/undo";

        await coach.Post(accept, new { line = (string?)null, reason = (string?)null });
        Assert.Equal(200, (await coach.Post(undo)).Status);
        var page = await athlete.Page();
        Assert.Null(page["next"]);
        Assert.Equal((string)decision["id"]!, (string)page.Decision()!["id"]!);

        await coach.Post(accept, new { line = (string?)null, reason = (string?)null });
        await athlete.Log((await athlete.Page())["next"]!, 1, 5);
        Assert.Equal(409, (await coach.Post(undo)).Status);
        Assert.Equal("Started", (string)(await athlete.Page())["next"]!["status"]!);
    }

    [Fact]
    public async Task Undo_gives_a_planned_session_its_old_line_back()
    {
        var athlete = await Ready("one-clean-session");
        var decision = (await athlete.Train("3 x 5 @ +10 kg", "2026-03-12", 5)).Decision()!;
        await athlete.Plan("3 x 5 @ +10 kg rest 2:00");
        await coach.Post(
            $"/api/decisions/{decision["id"]}/accept",
            new { line = (string?)null, reason = (string?)null }
        );
        Assert.Equal("3 x 5 @ +11.25 kg rest 2:00", (string)(await athlete.Page())["next"]!["items"]![0]!["line"]!);
        await coach.Post($"/api/decisions/{decision["id"]}/undo");
        Assert.Equal("3 x 5 @ +10 kg rest 2:00", (string)(await athlete.Page())["next"]!["items"]![0]!["line"]!);
    }

    [Fact]
    public async Task A_decision_can_be_taken_with_another_line()
    {
        var athlete = await Ready("one-clean-session");
        var decision = (await athlete.Train("3 x 5 @ +10 kg", "2026-03-12", 5)).Decision()!;
        var answer = await coach.Post(
            $"/api/decisions/{decision["id"]}/accept",
            new { line = "4 x 5 @ +12.5 kg", reason = (string?)null }
        );
        Assert.Equal("Edited", (string)answer.Ok["decision"]!["state"]!);
        Assert.Equal("4 x 5 @ +12.5 kg", (string)(await athlete.Page())["next"]!["items"]![0]!["line"]!);
        Assert.Equal(
            "line:lineUnreadable",
            (
                await coach.Post(
                    $"/api/decisions/{decision["id"]}/accept",
                    new { line = "4 x", reason = (string?)null }
                )
            ).Field
        );
        Assert.Equal(
            409,
            (
                await coach.Post(
                    $"/api/decisions/{decision["id"]}/accept",
                    new { line = (string?)null, reason = (string?)null }
                )
            ).Status
        );
    }

    [Fact]
    public async Task A_decision_put_off_leaves_the_desk_and_can_be_fetched_back()
    {
        var athlete = await Ready("one-clean-session");
        var id = (string)(await athlete.Train("3 x 5 @ +10 kg", "2026-03-12", 5)).Decision()!["id"]!;
        await coach.Post($"/api/decisions/{id}/later", new { until = (string?)null });
        var desk = (await coach.Get("/api/desk")).Ok;
        Assert.DoesNotContain(desk["rows"]!.AsArray().SelectMany(r => r!["decisions"]!.AsArray()), d =>
            (string)d!["id"]! == id
        );
        Assert.Contains(desk["taken"]!.AsArray(), d =>
            (string)d!["id"]! == id && (string)d["deferredUntil"]! == "2026-03-17"
        );
        await coach.Post($"/api/decisions/{id}/undo");
        Assert.Contains(
            (await coach.Get("/api/desk")).Ok["rows"]!.AsArray().SelectMany(r => r!["decisions"]!.AsArray()),
            d => (string)d!["id"]! == id
        );
    }

    [Fact]
    public async Task A_late_correction_supersedes_the_decision()
    {
        var athlete = await Ready("one-clean-session");
        var session = await athlete.Train("3 x 5 @ +10 kg", "2026-03-12", 5);
        var first = (string)session.Decision()!["id"]!;
        var set = session["items"]![0]!["sets"]![2]!;
        var corrected = (await athlete.Log(session, 3, 4, supersedes: Guid.Parse((string)set["id"]!))).Ok;
        Assert.Equal([5, 5, 4], corrected["items"]![0]!["sets"]!.AsArray().Select(s => (int)s!["reps"]!));
        Assert.Null(corrected.Decision());
        Assert.Equal(
            409,
            (
                await coach.Post($"/api/decisions/{first}/accept", new { line = (string?)null, reason = (string?)null })
            ).Status
        );
    }

    [Fact]
    public async Task A_set_is_stored_once_however_often_it_is_sent_and_never_overwritten()
    {
        var athlete = await Ready();
        var session = (await athlete.Plan("3 x 5 @ +10 kg")).Ok;
        var id = Guid.CreateVersion7();
        for (var i = 0; i < 3; i++)
            Assert.Single((await athlete.Log(session, 1, 5, id: id)).Ok["items"]![0]!["sets"]!.AsArray());
        Assert.Equal(409, (await athlete.Log(session, 1, 4)).Status);

        await using var connection = new SqliteConnection($"Data Source={shared.Club.DatabasePath}");
        await connection.OpenAsync(TestContext.Current.CancellationToken);
        await using var command = connection.CreateCommand();
        command.CommandText = "UPDATE logged_set SET reps = 99";
        var refused = await Assert.ThrowsAsync<SqliteException>(() =>
            command.ExecuteNonQueryAsync(TestContext.Current.CancellationToken)
        );
        Assert.Contains("append-only", refused.Message);
    }

    [Fact]
    public async Task The_plan_is_frozen_when_the_first_set_is_logged()
    {
        var athlete = await Ready();
        var session = (await athlete.Plan("3 x 5 @ +10 kg")).Ok;
        await athlete.Log(session, 1, 5);
        var refused = await athlete.Plan("3 x 5 @ +20 kg", version: 2, session: Guid.Parse((string)session["id"]!));
        Assert.Equal(
            (409, "3 x 5 @ +10 kg"),
            (refused.Status, (string)refused.Body!["current"]!["items"]![0]!["line"]!)
        );
        await athlete.Weigh(80);
        var shown = (await coach.Get($"{athlete.Path}/sessions/{session["id"]}")).Ok;
        Assert.Equal(78.2m, (decimal)shown["items"]![0]!["plan"]!["loads"]![0]!["systemKg"]!);
    }

    [Fact]
    public async Task Load_before_the_gate_needs_a_reason_which_is_kept()
    {
        var athlete = await coach.NewAthlete();
        Assert.Equal("overrideReason:overrideReason", (await athlete.Plan("3 x 5 @ +5 kg")).Field);
        Assert.Equal(200, (await athlete.Plan("3 x 5 @ 0 kg")).Status);
        var session = (await athlete.Plan("3 x 5 @ +5 kg", reason: "years of loaded rope climbing")).Ok;
        Assert.Equal("years of loaded rope climbing", (string)session["overrideReason"]!);
        Assert.Contains(session["items"]![0]!["plan"]!["cautions"]!.AsArray(), c => (string)c!["id"]! == "GateClosed");
        Assert.Equal(
            1L,
            await Scalar("SELECT count(*) FROM audit_value WHERE reason = 'years of loaded rope climbing'")
        );
    }

    [Fact]
    public async Task The_athletes_school_decides_and_the_other_is_shown()
    {
        var athlete = await coach.NewAthlete(loading: "rep-first");
        await athlete.Test("pull-up-max", 11);
        var gates = (await athlete.Page())["gates"]!.AsArray();
        Assert.Equal(
            [("reps first", true, true), ("base first", false, false)],
            gates.Select(g => ((string)g!["school"]!, (bool)g["decides"]!, (bool)g["open"]!))
        );
        Assert.Equal(200, (await athlete.Plan("3 x 5 @ +2.5 kg")).Status);
    }

    [Fact]
    public async Task A_result_says_what_it_opened()
    {
        var athlete = await coach.NewAthlete(loading: "rep-first");
        var answer = (await athlete.Test("pull-up-max", 10)).Ok;
        var change = answer["changes"]!.AsArray().Single(c => (string)c!["ladder"]! == "weighted-pull-up")!;
        Assert.Contains("First load", change["opened"]!.AsArray().Select(s => (string)s!));
        Assert.DoesNotContain((await athlete.Test("row-max", 3)).Ok["changes"]!.AsArray(), c =>
            (string)c!["ladder"]! == "weighted-pull-up"
        );
    }

    [Fact]
    public async Task Strong_pain_stops_the_movement_until_the_coach_clears_it()
    {
        var athlete = await Ready();
        var decision = (await athlete.Train("3 x 5 @ +10 kg", "2026-03-12", 5, pain: 7)).Decision()!;
        Assert.Equal("Refer", (string)decision["kind"]!);
        await coach.Post(
            $"/api/decisions/{decision["id"]}/accept",
            new { line = (string?)null, reason = (string?)null }
        );

        Assert.True((bool)(await athlete.Page())["held"]!);
        Assert.Equal("overrideReason:overrideReason", (await athlete.Plan("3 x 5 @ +10 kg")).Field);
        Assert.Equal(
            "reason:writeFinding",
            (await coach.Post($"{athlete.Path}/stops/clear", new { place = "right elbow", reason = " " })).Field
        );
        Assert.Equal(
            409,
            (
                await coach.Post($"{athlete.Path}/stops/clear", new { place = "left knee", reason = "another place" })
            ).Status
        );
        Assert.Equal(
            204,
            (
                await coach.Post(
                    $"{athlete.Path}/stops/clear",
                    new { place = "right elbow", reason = "seen by a physiotherapist, no findings" }
                )
            ).Status
        );
        var page = await athlete.Page();
        Assert.False((bool)page["held"]!);
        // The way back: four days were lost, and at least a tenth of the system comes off: (68.2 + 10) x 0.9 - 68.2 =
        // 2.18.
        Assert.Equal(
            ("Return", "3 x 5 @ +1.25 kg"),
            ((string)page.Decision()!["kind"]!, (string)page.Decision()!["next"]!["line"]!)
        );
        Assert.Equal(200, (await athlete.Plan("3 x 5 @ +10 kg")).Status);
    }

    [Fact]
    public async Task A_large_jump_needs_a_reason()
    {
        var athlete = await Ready();
        await athlete.Train("3 x 5 @ +10 kg", "2026-03-12", 5);
        Assert.Equal("overrideReason:overrideReason", (await athlete.Plan("3 x 5 @ +17.5 kg")).Field);
        Assert.Equal(200, (await athlete.Plan("3 x 5 @ +15 kg")).Status);
    }

    [Fact]
    public async Task A_removed_test_is_gone_from_the_estimate_and_kept_in_the_audit()
    {
        var athlete = await Ready();
        var result = (await athlete.Test("weighted-pull-up-heavy", 6, 15, 1)).Ok["result"]!;
        Assert.Equal(204, (await coach.Delete($"{athlete.Path}/results/{result["id"]}")).Status);
        Assert.Null((await athlete.Page())["oneRepMax"]);
        Assert.Equal(1L, await Audited(result["id"]!, "%"));
        Assert.Equal(404, (await coach.Delete($"{athlete.Path}/results/{result["id"]}")).Status);
    }

    [Fact]
    public async Task A_test_is_corrected_in_place_and_back_again()
    {
        var athlete = await Ready();
        var wrong = (await athlete.Test("weighted-pull-up-heavy", 6, 15, 1)).Ok["result"]!["id"];
        var right = await Correct(wrong!, 5);
        Assert.Equal(5, Assert.Single(await Reps()));
        await Correct(right, 6);
        Assert.Equal(6, Assert.Single(await Reps()));
        Assert.Equal(1L, await Audited(wrong!, "ResultCorrected"));
        Assert.Equal(1L, await Audited(right, "ResultCorrected"));

        async Task<JsonNode> Correct(JsonNode instead, int reps) =>
            (
                await athlete.Record(
                    new
                    {
                        benchmark = "weighted-pull-up-heavy",
                        day = "2026-03-02",
                        form = "Clean",
                        reps,
                        added = new { value = 15, unit = "Kg" },
                        reserve = 1,
                        instead,
                    }
                )
            ).Ok["result"]!["id"]!;

        async Task<int[]> Reps() =>
            [
                .. (await athlete.Page())["results"]!
                    .AsArray()
                    .Where(r => (string)r!["benchmark"]! == "weighted-pull-up-heavy")
                    .Select(r => (int)r!["reps"]!),
            ];
    }

    [Fact]
    public async Task A_started_session_of_an_earlier_day_counts_as_done()
    {
        var athlete = await Ready();
        var session = (await athlete.Plan("3 x 5 @ +10 kg", "2026-03-12")).Ok;
        await athlete.Log(session, 1, 5);
        Assert.Equal([false], (await athlete.Page())["history"]!.AsArray().Select(h => (bool)h!["clean"]!));
    }

    [Fact]
    public async Task Every_figure_on_the_wire_has_the_one_shape()
    {
        var athlete = await Ready();
        await athlete.Test("weighted-pull-up-heavy", 6, 15, 1);
        var page = await athlete.Page();
        Assert.All([page["bodyMass"]!, page["oneRepMax"]!["value"]!], figure =>
            Assert.Equal(
                ["rule", "inputs", "working", "rounding", "sources", "cautions", "exposures", "thresholds"],
                figure["why"]!.AsObject().Select(p => p.Key)
            )
        );
    }

    // The tests of a class share the club's file: a line of the audit is counted by what it is about.
    private Task<object?> Audited(JsonNode id, string what) =>
        Scalar(
            $"SELECT count(*) FROM audit_value v JOIN audit_entry e USING (seq) WHERE v.subject_id = x'{(Guid)id:N}' AND e.kind LIKE '{what}'"
        );

    private async Task<object?> Scalar(string sql)
    {
        await using var connection = new SqliteConnection($"Data Source={shared.Club.DatabasePath}");
        await connection.OpenAsync(TestContext.Current.CancellationToken);
        await using var command = connection.CreateCommand();
        command.CommandText = sql;
        return await command.ExecuteScalarAsync(TestContext.Current.CancellationToken);
    }
}
