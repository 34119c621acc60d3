using System.Globalization;
using System.Text;
using System.Text.Json.Nodes;

namespace Cumbre.Server.Tests;

/// <summary>The log of everybody, over the API.</summary>
public sealed class LogbookTests(Cast cast) : IClassFixture<Cast>, IAsyncLifetime
{
    private Caller coach = null!;

    public async ValueTask InitializeAsync() => coach = await cast.SignIn("kim");

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    private async Task<Trainee> Trained(decimal kilograms = 70m)
    {
        var athlete = await coach.NewAthlete(weighed: false);
        (await athlete.Weigh(kilograms, Day(-400))).Ok.ToString();
        return athlete;
    }

    private static string Day(int ago) =>
        DateOnly
            .Parse(Club.Today, CultureInfo.InvariantCulture)
            .AddDays(ago)
            .ToString("O", CultureInfo.InvariantCulture);

    private async Task<JsonNode> Page(string query) => (await coach.Get($"/api/logbook?{query}")).Ok;

    private async Task<JsonNode> Sums(string query) => (await coach.Get($"/api/logbook/sums?{query}")).Ok;

    /// <summary>Day, movement and figures of each session: "Ring row 8, 8".</summary>
    private static string[] Shown(JsonNode page) =>
        [
            .. page["sessions"]!
                .AsArray()
                .Select(s =>
                    string.Join(
                        " | ",
                        s!["sets"]!
                            .AsArray()
                            .GroupBy(r => (string)r!["name"]!)
                            .Select(g =>
                                $"{g.Key} {string.Join(", ", g.Select(r => r!["set"]!["seconds"] ?? r["set"]!["reps"]))}"
                            )
                    )
                ),
        ];

    private static object Kg(decimal value) => new { value, unit = "Kg" };

    private Task<Answer> Put(Trainee athlete, JsonNode session, object set)
    {
        var body = System.Text.Json.JsonSerializer.SerializeToNode(set)!.AsObject();
        foreach (var name in (string[])["reserve", "pain", "painPlace", "supersedes"])
            body.TryAdd(name, null);
        return coach.Put($"{athlete.Path}/sessions/{session["id"]}/sets/{Guid.CreateVersion7()}", body);
    }

    private static async Task<string> Table(Caller caller, string path) =>
        Encoding.UTF8.GetString(await caller.Client.GetByteArrayAsync(path, TestContext.Current.CancellationToken));

    [Fact]
    public async Task Sets_are_found_by_what_is_asked_of_them()
    {
        var athlete = await Trained();
        await athlete.Train("2 x 8", Day(-20), 8, movement: "ring-row");
        await athlete.Train("2 x 6", Day(-10), 6, pain: 4, movement: "push-up");
        var session = (await athlete.Plan("2 x 8", Day(-3), movement: "ring-row")).Ok;
        var first = Guid.CreateVersion7();
        (await athlete.Log(session, 1, 9, 0, id: first)).Ok.ToString();
        (await athlete.Log(session, 1, 7, 0, form: "Broken", supersedes: first)).Ok.ToString();
        var whose = $"athlete={athlete.Id}";
        Assert.Equal(["Ring row 7", "Push-up 6, 6", "Ring row 8, 8"], Shown(await Page(whose)));
        Assert.Equal(["Ring row 8, 8", "Push-up 6, 6", "Ring row 7"], Shown(await Page(whose + "&order=Oldest")));
        Assert.Equal(["Ring row 7", "Ring row 8, 8"], Shown(await Page(whose + "&movement=ring-row")));
        Assert.Equal(["Push-up 6, 6"], Shown(await Page(whose + $"&from={Day(-10)}&to={Day(-10)}")));
        Assert.Equal(["Push-up 6"], Shown(await Page(whose + "&pain=true")));
        Assert.Equal(["Push-up 6, 6"], Shown(await Page(whose + "&text=RIGHT%20elb")));
        Assert.Equal(["Ring row 7"], Shown(await Page(whose + "&form=Broken")));
        Assert.Equal(["Ring row 7"], Shown(await Page(whose + "&corrected=true")));
        Assert.Equal(3, Shown(await Page(whose + "&reserve=1")).Length);
        Assert.Empty(Shown(await Page(whose + "&reserve=0")));
        Assert.Empty(Shown(await Page(whose + "&easy=true")));
        // What stands for anything in a search of the database stands for itself here.
        Assert.Empty(Shown(await Page(whose + "&text=%25")));
        var corrected = (await Page(whose + "&corrected=true"))["sessions"]![0]!["sets"]![0]!["set"]!;
        Assert.Equal(9, (int)corrected["was"]!["reps"]!);
    }

    [Fact]
    public async Task Of_one_movement_what_the_rules_compare_is_told_apart()
    {
        var athlete = await Trained();
        await athlete.Train("3 x 6 @ +10 kg", Day(-20), 6, reason: "as always");
        await athlete.Train("3 x 5 @ +10 kg", Day(-16), 5, reason: "as always");
        await athlete.Train("3 x 5 @ +12.5 kg", Day(-12), 5, reason: "as always");
        await athlete.Train("4 x 5 @ +12.5 kg", Day(-8), 5, reason: "as always");
        await athlete.Train("3 x 5 @ +12.5 kg", Day(-4), 4, reason: "as always");
        var page = await Page($"athlete={athlete.Id}&movement=weighted-pull-up");
        string? Told(JsonNode? session) =>
            session!["sets"]![0]!["compared"] is { } compared ? string.Join(", ", compared["unlike"]!.AsArray()) : null;
        // The number of sets is no other dose; what was reached does not matter.
        Assert.Equal([null, "", "", "Load", "Line, Load"], page["sessions"]!.AsArray().Select(Told));
        var unasked = await Page($"athlete={athlete.Id}");
        Assert.All(unasked["sessions"]!.AsArray(), s => Assert.Null(Told(s)));
    }

    [Fact]
    public async Task A_set_tells_all_that_it_was_and_who_wrote_it()
    {
        var athlete = await Trained();
        var session = (await athlete.Plan("2 x 8", Day(-3), movement: "ring-row")).Ok;
        Guid[] ids = [.. Enumerable.Range(0, 3).Select(_ => Guid.CreateVersion7())];
        (await athlete.Log(session, 1, 9, 0, id: ids[0])).Ok.ToString();
        (await athlete.Log(session, 1, 7, 0, id: ids[1], supersedes: ids[0])).Ok.ToString();
        (await athlete.Log(session, 1, 8, 0, id: ids[2], supersedes: ids[1])).Ok.ToString();
        string Path(Trainee of, Guid id) => $"{of.Path}/sessions/{session["id"]}/sets/{id}/history";
        var versions = (await coach.Get(Path(athlete, ids[2]))).Ok.AsArray();
        Assert.Equal([9, 7, 8], versions.Select(v => (int)v!["set"]!["reps"]!));
        Assert.All(versions, v => Assert.NotNull((string?)v!["by"]));
        Assert.Equal(404, (await coach.Get(Path(athlete, Guid.CreateVersion7()))).Status);
        // Another athlete's address does not lead to it.
        Assert.Equal(404, (await coach.Get(Path(await Trained(), ids[2]))).Status);
    }

    [Fact]
    public async Task Pages_follow_each_other_without_a_gap_in_every_order()
    {
        var athlete = await Trained();
        for (var i = 0; i < 35; i++)
            await athlete.Train("1 x 8", Day(-40 + i), 8, movement: "ring-row");
        foreach (var order in (string[])["Newest", "Oldest", "Athlete"])
        {
            var query = $"athlete={athlete.Id}&order={order}";
            var page = await Page(query);
            var rest = await Page($"{query}&after={page["after"]}");
            Assert.Equal((30, 5), (Shown(page).Length, Shown(rest).Length));
            Assert.Null(rest["after"]);
            var days = page["sessions"]!
                .AsArray()
                .Concat(rest["sessions"]!.AsArray())
                .Select(s => (string)s!["day"]!)
                .ToArray();
            Assert.Equal(35, days.Distinct().Count());
            Assert.Equal(order == "Oldest" ? days.Order() : days.OrderDescending(), days);
        }

        Assert.Equal(400, (await coach.Get("/api/logbook?after=zz")).Status);
    }

    [Fact]
    public async Task By_athlete_everybody_comes_once_and_of_one_name_too()
    {
        var athletes = new[] { await Trained(), await Trained() };
        foreach (var athlete in athletes)
            for (var i = 0; i < 20; i++)
                await athlete.Train("1 x 8", Day(-30 + i), 8, movement: "squat");
        var seen = new List<(string Athlete, string Day)>();
        string? after = "";
        while (after is not null)
        {
            var page = await Page($"movement=squat&order=Athlete{(after == "" ? "" : $"&after={after}")}");
            seen.AddRange(page["sessions"]!.AsArray().Select(s => ((string)s!["athlete"]!, (string)s["day"]!)));
            after = (string?)page["after"];
        }

        Assert.Equal(40, seen.Distinct().Count());
        Assert.Equal(40, seen.Count);
        Assert.Equal(2, seen.Zip(seen.Skip(1)).Count(p => p.First.Athlete != p.Second.Athlete) + 1);
    }

    // 80 kg and 20 kg for five with one in reserve: 100 x (1 + 6 / 30) = 120 kg by Epley; 5 x 100 + 5 x 100 kg moved.
    [Fact]
    public async Task What_is_filtered_is_added_up_and_each_athletes_best_is_told()
    {
        var (strong, other) = (await Trained(80m), await Trained(60m));
        await strong.Train("2 x 5 @ +20 kg", Day(-9), 5, reason: "as always");
        await strong.Train("2 x 5 @ +10 kg", Day(-2), 5, reason: "as always");
        var session = (await other.Plan("hold 3 x 12 s", Day(-2), movement: "front-lever-tuck")).Ok;
        for (var set = 1; set <= 3; set++)
            (
                await Put(
                    other,
                    session,
                    new
                    {
                        set,
                        part = 1,
                        reps = 1,
                        seconds = 12,
                        added = Kg(0),
                        form = "Clean",
                    }
                )
            ).Ok.ToString();
        var load = await Sums($"athlete={strong.Id}&movement=weighted-pull-up");
        Assert.Equal(
            (4, 2, 1, 20, 1900m, 1m, 4, 4),
            (
                (int)load["sets"]!,
                (int)load["sessions"]!,
                (int)load["athletes"]!,
                (int)load["reps"]!,
                (decimal)load["volumeKg"]!,
                (decimal)load["meanReserve"]!,
                (int)load["reserveTold"]!,
                (int)load["clean"]!
            )
        );
        var best = load["bests"]![0]!;
        Assert.Equal(
            ("OneRepMax", 120m, Day(-9)),
            ((string)load["measure"]!, (decimal)best["value"]!, (string)best["day"]!)
        );
        Assert.True((decimal)best["low"]! < 120m && (decimal)best["high"]! >= 120m);
        Assert.Equal(4, load["weeks"]!.AsArray().Sum(w => (int)w!["sets"]!));
        Assert.All(load["weeks"]!.AsArray(), w =>
            Assert.Equal(
                DayOfWeek.Monday,
                DateOnly.Parse((string)w!["monday"]!, CultureInfo.InvariantCulture).DayOfWeek
            )
        );
        var held = await Sums($"athlete={other.Id}&movement=front-lever-tuck");
        Assert.Equal(
            ("Seconds", 12m, 36),
            ((string)held["measure"]!, (decimal)held["bests"]![0]!["value"]!, (int)held["seconds"]!)
        );
        Assert.Null((await Sums($"athlete={other.Id}"))["measure"]);
    }

    // 25 lb are 11.34 kg: above 10 kg, below 12.5 kg.
    [Fact]
    public async Task Sets_come_by_a_figure_whatever_its_unit_and_of_the_same_the_newest_first()
    {
        var athlete = await Trained();
        foreach (
            var (day, value, unit, reps) in new[]
            {
                (-9, 10m, "Kg", 6),
                (-8, 12.5m, "Kg", 4),
                (-7, 25m, "Lb", 5),
                (-6, 12.5m, "Kg", 3),
            }
        )
        {
            var session = (await athlete.Plan("1 x 5 @ +10 kg", Day(day), reason: "as always")).Ok;
            (
                await Put(
                    athlete,
                    session,
                    new
                    {
                        set = 1,
                        part = 1,
                        reps,
                        added = new { value, unit },
                        form = "Clean",
                    }
                )
            ).Ok.ToString();
        }

        async Task<string[]> By(string figure) =>
            [
                .. (await coach.Get($"/api/logbook/highest?athlete={athlete.Id}&by={figure}")).Ok["sessions"]!
                    .AsArray()
                    .Select(s => $"{s!["sets"]![0]!["set"]!["reps"]} at {s["sets"]![0]!["set"]!["added"]!["value"]}"),
            ];
        Assert.Equal(["3 at 12.5", "4 at 12.5", "5 at 25", "6 at 10"], await By("Load"));
        Assert.Equal(["6 at 10", "5 at 25", "4 at 12.5", "3 at 12.5"], await By("Amount"));
        Assert.Equal(400, (await coach.Get("/api/logbook/highest?by=Fame")).Status);
    }

    [Fact]
    public async Task The_table_has_numbers_as_numbers_and_no_formula()
    {
        var athlete = await Trained();
        var session = (await athlete.Plan("2 x 8", Day(-3), movement: "banded-pull-up", reason: "x")).Ok;
        (
            await Put(
                athlete,
                session,
                new
                {
                    set = 1,
                    part = 1,
                    reps = 8,
                    added = Kg(-15),
                    form = "Clean",
                    note = "=HYPERLINK(\"x\")",
                }
            )
        ).Ok.ToString();
        var text = await Table(coach, $"/api/logbook/sets.csv?athlete={athlete.Id}");
        Assert.StartsWith("\uFEFFDay,Athlete,Session,Movement,Line,Set,Part,Reps,AllReps,Seconds,Added,Unit,", text);
        var row = text.TrimEnd().Split("\r\n")[1];
        Assert.Contains(",8,,,-15,kg,-15,70,55,", row);
        Assert.Contains("'=HYPERLINK", row);
        Assert.Equal(2, text.TrimEnd().Split("\r\n").Length);
    }

    [Fact]
    public async Task Filters_are_kept_by_a_name_for_whoever_keeps_them_and_go_with_the_athlete_they_are_of()
    {
        var athlete = await Trained();
        async Task<string[]> Kept(Caller caller) =>
            [.. (await caller.Get("/api/logbook/views")).Ok.AsArray().Select(v => $"{v!["name"]}: {v["address"]}")];
        Task<Answer> Keep(string name, string address, Caller? who = null) =>
            (who ?? coach).Put("/api/logbook/views", new { name, address });
        Assert.Equal(204, (await Keep("Sore", "pain=yes")).Status);
        Assert.Equal(204, (await Keep("Tess", $"athlete={athlete.Id}")).Status);
        Assert.Equal(204, (await Keep("Sore", "pain=yes&form=Broken")).Status);
        Assert.Equal(["Sore: pain=yes&form=Broken", $"Tess: athlete={athlete.Id}"], await Kept(coach));
        var some = await cast.SignIn("lea");
        Assert.Empty(await Kept(some));
        Assert.Equal(400, (await Keep("Hers", $"athlete={athlete.Id}", some)).Status);
        Assert.Equal("name:writeName", (await Keep(" ", "pain=yes")).Field);
        Assert.Equal(400, (await Keep("Long", new string('x', 501))).Status);
        for (var i = 0; i < 28; i++)
            (await Keep($"n{i:d2}", "pain=yes")).ToString();
        Assert.Equal("name:filtersMost", (await Keep("One more", "pain=yes")).Field);
        Assert.Equal(204, (await Keep("n00", "form=Broken")).Status);
        Assert.Equal(204, (await coach.Delete("/api/logbook/views/Sore")).Status);
        Assert.DoesNotContain(await Kept(coach), v => v.StartsWith("Sore", StringComparison.Ordinal));
        (await coach.Put($"{athlete.Path}/archive", new { away = true })).ToString();
        Assert.InRange((await coach.Delete(athlete.Path)).Status, 200, 204);
        Assert.DoesNotContain(await Kept(coach), v => v.StartsWith("Tess", StringComparison.Ordinal));
    }

    [Fact]
    public async Task A_coach_of_some_reads_and_exports_theirs_alone()
    {
        var athlete = await Trained();
        await athlete.Train("1 x 8", Day(-5), 8, movement: "ring-row");
        var some = await cast.SignIn("lea");
        var others = (await some.Get("/api/logbook")).Ok["sessions"]!
            .AsArray()
            .Where(s => (Guid)s!["athlete"]! != cast.AnaId);
        Assert.Empty(others);
        Assert.Empty((await some.Get($"/api/logbook?athlete={athlete.Id}")).Ok["sessions"]!.AsArray());
        Assert.Equal(0, (int)(await some.Get($"/api/logbook/sums?athlete={athlete.Id}")).Ok["sets"]!);
        Assert.Single((await Table(some, $"/api/logbook/sets.csv?athlete={athlete.Id}")).TrimEnd().Split("\r\n"));
        // Who took something along is noted.
        Assert.Contains((await cast.Olga.Get($"/api/audit?athlete={athlete.Id}")).Ok["entries"]!.AsArray(), e =>
            (string)e!["kind"]! == "Exported" && (string?)e["after"] == "sets.csv"
        );
    }
}
