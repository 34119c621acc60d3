namespace Cumbre.Server.Tests;

public class FirstStartTests
{
    private static object Owner(string password = "a long sentence", string zone = "Europe/Madrid") =>
        new
        {
            clubName = "Kiln Yard",
            name = "Olga",
            signInName = "olga",
            password,
            timeZone = zone,
            setupCode = Club.SetupCode,
        };

    [Fact]
    public async Task The_first_start_asks_for_the_owner_and_then_never_again()
    {
        await using var club = new Club(demo: false);
        var owner = club.Stranger();
        Assert.True((bool)(await owner.Get("/api/me")).Ok["needsOwner"]!);
        Assert.Equal(204, (await owner.Post("/api/owner", Owner())).Status);

        var me = (await owner.Get("/api/me")).Ok;
        Assert.Equal(
            ("Kiln Yard", "owner", false),
            ((string)me["club"]!, (string)me["account"]!["role"]!, (bool)me["needsOwner"]!)
        );
        Assert.Equal(409, (await club.Stranger().Post("/api/owner", Owner())).Status);
    }

    [Fact]
    public async Task The_owner_signs_out_and_in_again()
    {
        await using var club = new Club(demo: false);
        var owner = club.Stranger();
        await owner.Post("/api/owner", Owner());
        Assert.Equal(204, (await owner.Post("/api/sign-out")).Status);
        Assert.Equal(401, (await owner.Get("/api/athletes")).Status);
        Assert.Equal(
            "password:signInWrong",
            (await owner.Post("/api/sign-in", new { signInName = "olga", password = "another sentence" })).Field
        );
        Assert.Equal(
            "password:signInWrong",
            (await owner.Post("/api/sign-in", new { signInName = "nobody", password = "a long sentence" })).Field
        );
        Assert.Equal(
            204,
            (await owner.Post("/api/sign-in", new { signInName = "OLGA", password = "a long sentence" })).Status
        );
        Assert.Equal(200, (await owner.Get("/api/athletes")).Status);
    }

    [Fact]
    public async Task Every_list_of_an_empty_club_can_be_read()
    {
        await using var club = new Club(demo: false);
        var owner = club.Stranger();
        await owner.Post("/api/owner", Owner());
        var lists = AuthorizationTests
            .Endpoints(club)
            .Select(e => e.Name)
            .Where(n =>
                n.StartsWith("GET /api/", StringComparison.Ordinal) && !n.Contains('{', StringComparison.Ordinal)
            )
            .Select(n => n["GET ".Length..])
            .ToArray();
        Assert.Superset(
            new HashSet<string> { "/api/desk", "/api/athletes", "/api/test-days", "/api/programmes", "/api/outbox" },
            lists.ToHashSet()
        );
        foreach (var list in lists)
        {
            using var answer = await owner.Client.GetAsync(
                list,
                HttpCompletionOption.ResponseHeadersRead,
                TestContext.Current.CancellationToken
            );
            Assert.True((int)answer.StatusCode is 200 or 400, $"{list}: {answer.StatusCode}");
        }
    }

    [Theory]
    [InlineData("short", "Europe/Madrid", "password:passwordShort")]
    [InlineData("a long sentence", "Mars/Olympus", "timeZone:timeZoneUnknown")]
    public async Task What_is_wrong_is_said_at_its_field(string password, string zone, string field)
    {
        await using var club = new Club(demo: false);
        Assert.Equal(field, (await club.Stranger().Post("/api/owner", Owner(password, zone))).Field);
    }

    [Fact]
    public async Task A_password_is_never_stored_as_it_was_typed()
    {
        await using var club = new Club(demo: false);
        await club.Stranger().Post("/api/owner", Owner("a very secret sentence"));
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Assert.All(Directory.GetFiles(club.Data, "cumbre.db*"), file =>
            Assert.DoesNotContain(
                "a very secret sentence",
                System.Text.Encoding.Latin1.GetString(Read(file)),
                StringComparison.Ordinal
            )
        );

        static byte[] Read(string file)
        {
            using var stream = new FileStream(file, FileMode.Open, FileAccess.Read, FileShare.ReadWrite);
            using var copy = new MemoryStream();
            stream.CopyTo(copy);
            return copy.ToArray();
        }
    }
}
