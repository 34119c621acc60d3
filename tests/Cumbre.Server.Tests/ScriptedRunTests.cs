using System.Text.Json.Nodes;

namespace Cumbre.Server.Tests;

/// <summary>
/// Sessions, each on two devices at once, over a network that cuts, loses answers and sends twice: nothing is lost and
/// nothing is doubled. The numbers are made by chance from a fixed seed; a few sessions in every run, and two hundred by
/// <c>CUMBRE_RUNS=200</c>.
/// </summary>
public sealed class ScriptedRunTests(SharedClub shared) : IClassFixture<SharedClub>
{
    private const int Few = 20,
        EntriesOfOne = 50;

    private static readonly string[] Lines =
    [
        "ring-row: 12 x 8",
        "push-up: 5 x 10",
        "+hollow-hold: hold 5 x 20 s",
        "pull-up: 3 x drop 4+4 @ +10 / 0 kg",
        "one-arm-hang: hold 3 x 8 s",
        "parallel-bar-dip: 2 x rest-pause gap 30 s",
    ];

    [Fact]
    public async Task Nothing_is_lost_and_nothing_is_doubled()
    {
        var coach = await shared.Club.Coach();
        var random = new Random(20260316);
        var entries = 0;
        var sessions = int.TryParse(Environment.GetEnvironmentVariable("CUMBRE_RUNS"), out var many) ? many : Few;
        for (var i = 0; i < sessions; i++)
            entries += await Session(coach, random);
        Assert.InRange(entries, sessions * EntriesOfOne, int.MaxValue);
    }

    private static async Task<int> Session(Caller coach, Random random)
    {
        var (athlete, _, _) = await RunFixture.Planned(coach, Lines);
        Phone[] devices = [await Phone.Of(coach, athlete), await Phone.Of(coach, athlete)];
        var sent = new Dictionary<string, JsonObject>();
        var outcomes = new Dictionary<string, string>();
        var asked = new List<string>();
        var items = devices[0].Pack["items"]!.AsArray().Count;
        foreach (var item in Enumerable.Range(0, items))
        foreach (
            var effort in Enumerable.Range(0, devices[0].Pack["items"]![item]!["plan"]!["efforts"]!.AsArray().Count)
        )
        {
            // Mostly one device logs, sometimes both: the same, or something else.
            var one = devices[random.Next(2)];
            var amount = random.Next(4, 12);
            Keep(one.Do(item, effort, amount));
            if (random.Next(3) == 0)
                Keep(
                    (one == devices[0] ? devices[1] : devices[0]).Do(
                        item,
                        effort,
                        random.Next(3) > 0 ? amount : amount + 1
                    )
                );
            if (random.Next(12) == 0)
            {
                var mistaken = sent.Values.Last(e =>
                    (string)e["kind"]! == "Set" && devices[0].Waiting.Contains(e) | devices[1].Waiting.Contains(e)
                );
                var device = devices.First(d => d.Waiting.Contains(mistaken));
                Keep(device.Note("Withdraw", new { of = (string)mistaken["id"]! }));
                Keep(device.Do(item, effort, amount));
            }
            if (random.Next(6) == 0)
                await Send(devices[random.Next(2)]);
        }

        // At the end the network holds.
        while (devices.Any(d => d.Waiting.Count > 0))
            await Send(devices[random.Next(2)]);
        foreach (var id in asked.Distinct().ToArray())
            Keep(devices[0].Note("Answer", new { of = id, answer = random.Next(2) == 0 ? "Stored" : "Other" }));
        while (devices[0].Waiting.Count > 0)
            await Send(devices[0]);

        await Check(coach, athlete, sent, outcomes, devices[0]);
        return sent.Count;

        void Keep(JsonObject entry) => sent[(string)entry["id"]!] = entry;

        async Task Send(Phone device)
        {
            if (device.Waiting.Count == 0 || random.Next(4) == 0)
                return;
            var results = await device.Send(
                loseAnswer: random.Next(4) == 0,
                most: random.Next(3) == 0 ? random.Next(1, 4) : null,
                twice: random.Next(5) == 0
            );
            foreach (var result in results)
            {
                var (id, outcome) = ((string)result!["id"]!, (string)result["outcome"]!);
                Assert.Contains(id, sent.Keys);
                // Whoever asks again is told the same.
                Assert.Equal(outcome, outcomes.GetValueOrDefault(id, outcome));
                outcomes[id] = outcome;
                if (outcome == "Asked" && result["stored"] is not null)
                    asked.Add(id);
            }
        }
    }

    private static async Task Check(
        Caller coach,
        Trainee athlete,
        Dictionary<string, JsonObject> sent,
        Dictionary<string, string> outcomes,
        Phone phone
    )
    {
        // Every entry was answered, and none refused.
        Assert.Equal(sent.Keys.Order(), outcomes.Keys.Order());
        Assert.DoesNotContain("Refused", outcomes.Values);
        var session = (await coach.Get($"{athlete.Path}/sessions/{phone.Pack["id"]}")).Ok;
        var logged = session["items"]!
            .AsArray()
            .SelectMany(i => i!["sets"]!.AsArray().Select(s => (Item: (string)i["id"]!, Set: s!)))
            .ToArray();
        // One set at each place, and a set at every place of the plan.
        Assert.Equal(
            session["items"]!
                .AsArray()
                .SelectMany(i => i!["plan"]!["efforts"]!.AsArray().Select(e => $"{i["id"]} {e!["set"]}.{e["part"]}"))
                .Order(),
            logged.Select(l => $"{l.Item} {l.Set["set"]}.{l.Set["part"]}").Order()
        );
        // What stands was sent by somebody, as it stands.
        Assert.All(logged, l =>
        {
            var entry = sent[(string)l.Set["id"]!];
            Assert.Equal((string)entry["item"]!, l.Item);
            Assert.Equal((int)entry["set"]!["reps"]!, (int)l.Set["reps"]!);
            Assert.Equal((int?)entry["set"]!["seconds"], (int?)l.Set["seconds"]);
        });
        Assert.Empty((await coach.Get($"{athlete.Path}/run")).Ok["asked"]!.AsArray());
    }
}
