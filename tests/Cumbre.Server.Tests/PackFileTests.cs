using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;

namespace Cumbre.Server.Tests;

/// <summary>The pack that the tests of the phone run is one that the server makes.</summary>
public sealed partial class PackFileTests(SharedClub shared) : IClassFixture<SharedClub>
{
    private const string File = "src/cumbre-web/src/shared/testing/hour.json";

    private static readonly JsonSerializerOptions Written = new()
    {
        WriteIndented = true,
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    /// <summary>About an hour with every kind of clock.</summary>
    private static readonly string[] Lines =
    [
        "high-pull-up: 3 x 3 to chest fast rest 2:30",
        "weighted-pull-up: 3 x drop 4+6 @ +20 / 0 kg rest 3:00",
        "front-lever-tuck: hold 4 x 10 s rest 2:00",
        "push-up: every 1:00 x 6 do 5",
        "+ring-row: every 1:00 x 6 do 5",
        "parallel-bar-dip: 2 x rest-pause gap 15 s rest 2:00",
        "squat: 3 x 12 rest 1:00",
        "+single-arm-row: 3 x 8 each side rest 1:30",
        "pull-up: negative 2 x 2 lower 5 s rest 2:00",
    ];

    [Fact]
    public async Task The_pack_of_the_phones_tests_is_what_the_server_makes_now()
    {
        var stop = TestContext.Current.CancellationToken;
        var coach = await shared.Club.Coach();
        var (athlete, _, _) = await RunFixture.Planned(coach, Lines);
        var pack = (await Phone.Of(coach, athlete)).Pack.AsObject();
        Assert.InRange((int)pack["seconds"]!, 58 * 60, 62 * 60);
        pack["seal"] = "seal";
        pack["name"] = "Tess Trial";
        // What is looked up on demand is long, and nothing here asks for it.
        foreach (var item in pack["items"]!.AsArray())
        {
            item!["alternates"] = new JsonArray();
            item["choices"] = new JsonArray();
        }

        pack["heldBack"] = new JsonArray();
        var ids = new Dictionary<string, string>();
        var text = Ids()
            .Replace(pack.ToJsonString(Written), id =>
                ids.TryGetValue(id.Value, out var known)
                    ? known
                    : ids[id.Value] = $"00000000-0000-7000-8000-{ids.Count + 1:d12}"
            );
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (!System.IO.File.Exists(Path.Combine(folder!.FullName, "Cumbre.slnx")))
            folder = folder.Parent;
        var path = Path.Combine(folder.FullName, File);
        var before = System.IO.File.Exists(path) ? await System.IO.File.ReadAllTextAsync(path, stop) : "";
        if (before == text + "\n")
            return;
        await System.IO.File.WriteAllTextAsync(path, text + "\n", stop);
        Assert.Fail($"{File} was another, and is written anew: look at what changed, and commit it.");
    }

    [GeneratedRegex("[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}")]
    private static partial Regex Ids();
}
