namespace Cumbre.Server.Tests;

/// <summary>New bests, over the API: told once to the coaches and once to the athlete.</summary>
public sealed class NewRecordTests(Cast cast) : IClassFixture<Cast>, IAsyncLifetime
{
    private Caller coach = null!;

    public async ValueTask InitializeAsync() => coach = await cast.SignIn("kim");

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    private async Task<Trainee> Trained(params (string Line, string Day, int Reps)[] sessions)
    {
        var athlete = await coach.NewAthlete(weighed: false);
        (await athlete.Weigh(70m, "2025-01-01")).Ok.ToString();
        foreach (var (line, day, reps) in sessions)
            await athlete.Train(line, day, reps, movement: "ring-row");
        return athlete;
    }

    private async Task<(decimal Value, decimal Before, string Day)[]> Untold(Trainee athlete, bool own = false) =>
        [
            .. (await coach.Get(own ? $"{athlete.Path}/records/new" : "/api/records"))
                .Ok.AsArray()
                .Where(r => (Guid)r!["athleteId"]! == athlete.Id)
                .Select(r => ((decimal)r!["value"]!, (decimal)r["before"]!, (string)r["day"]!)),
        ];

    [Fact]
    public async Task A_best_is_told_once_to_each_side()
    {
        var athlete = await Trained(
            ("2 x 8", "2025-06-02", 8),
            ("2 x 10", "2026-03-09", 10),
            ("2 x 10", "2026-03-12", 10)
        );
        // The first time beats nothing, the same again is none, and the best of long ago counts.
        Assert.Equal([(10m, 8m, "2026-03-09")], await Untold(athlete));
        var sessions = (await coach.Get("/api/records"))
            .Ok.AsArray()
            .Where(r => (Guid)r!["athleteId"]! == athlete.Id)
            .Select(r => (Guid)r!["sessionId"]!)
            .ToArray();
        (await coach.Put("/api/records/told", new { sessions })).Ok?.ToString();
        Assert.Empty(await Untold(athlete));
        Assert.Equal([(10m, 8m, "2026-03-09")], await Untold(athlete, own: true));
        (await coach.Put($"{athlete.Path}/records/told", new { sessions })).Ok?.ToString();
        Assert.Empty(await Untold(athlete, own: true));
    }

    [Fact]
    public async Task Another_tempo_is_another_style_with_a_record_of_its_own()
    {
        var athlete = await Trained(
            ("2 x 12", "2026-03-02", 12),
            ("2 x 8 tempo 3-1-1-0", "2026-03-05", 8),
            ("2 x 9 tempo 3-1-1-0", "2026-03-09", 9)
        );
        var record = (await coach.Get($"{athlete.Path}/records/new")).Ok.AsArray().Single()!;
        Assert.Equal(
            ("tempo 3-1-1-0", 9m, 8m),
            ((string)record["style"]!, (decimal)record["value"]!, (decimal)record["before"]!)
        );
    }

    [Fact]
    public async Task What_was_corrected_away_is_no_record_any_more()
    {
        var athlete = await Trained(("1 x 8", "2026-03-02", 8), ("1 x 12", "2026-03-09", 12));
        var log = (await coach.Get($"{athlete.Path}/log")).Ok["sessions"]!.AsArray();
        var last = log.Single(s => (string)s!["day"]! == "2026-03-09")!;
        async Task<Guid> Correct(Guid set, int reps)
        {
            var id = Guid.CreateVersion7();
            (
                await coach.Put(
                    $"{athlete.Path}/sessions/{last["id"]}/sets/{id}",
                    new
                    {
                        item = (Guid)last["items"]![0]!["id"]!,
                        set = 1,
                        part = 1,
                        reps,
                        added = new { value = 0, unit = "Kg" },
                        form = "Clean",
                        reserve = (int?)null,
                        pain = (int?)null,
                        painPlace = (string?)null,
                        supersedes = set,
                    }
                )
            ).Ok.ToString();
            return id;
        }

        var first = (Guid)last["items"]![0]!["sets"]![0]!["id"]!;
        (await coach.Put("/api/records/told", new { sessions = new[] { (Guid)last["id"]! } })).Ok?.ToString();
        var corrected = await Correct(first, 7);
        Assert.Empty(await Untold(athlete, own: true));
        await Correct(corrected, 9);
        Assert.Equal([(9m, 8m, "2026-03-09")], await Untold(athlete, own: true));
        // Another best than the one that was told.
        Assert.Equal([(9m, 8m, "2026-03-09")], await Untold(athlete));
    }

    [Fact]
    public async Task Nobody_tells_for_an_athlete_of_somebody_else_and_nothing_is_told_of_nothing()
    {
        Assert.Equal(
            "sessions:sessionsRange",
            (await coach.Put("/api/records/told", new { sessions = Array.Empty<Guid>() })).Field
        );
        var one = await Trained(("1 x 8", "2026-03-02", 8), ("1 x 12", "2026-03-09", 12));
        var other = await Trained();
        var session = (Guid)(await coach.Get($"{one.Path}/records/new")).Ok.AsArray().Single()!["sessionId"]!;
        (await coach.Put($"{other.Path}/records/told", new { sessions = new[] { session } })).Ok?.ToString();
        Assert.NotEmpty(await Untold(one, own: true));
    }
}
