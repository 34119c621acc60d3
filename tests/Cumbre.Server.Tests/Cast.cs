using System.Text.Json.Nodes;

namespace Cumbre.Server.Tests;

/// <summary>
/// A real club with everybody in it: an owner, a coach of all, two coaches of some, three athletes who sign in, and the
/// guardian of one. Each came in by a link.
/// </summary>
public sealed class Cast : IAsyncLifetime
{
    public const string Password = "four words of nobody";

    public Club Club { get; private set; } = null!;

    /// <summary>Runs the club.</summary>
    public Caller Olga { get; private set; } = null!;

    /// <summary>Coaches everybody.</summary>
    public Caller Kim { get; private set; } = null!;

    /// <summary>Coaches Ana alone.</summary>
    public Caller Lea { get; private set; } = null!;

    /// <summary>Coaches Ben and Cem.</summary>
    public Caller Moe { get; private set; } = null!;

    public Caller Ana { get; private set; } = null!;

    public Caller Ben { get; private set; } = null!;

    public Caller Cem { get; private set; } = null!;

    /// <summary>The guardian of Ana.</summary>
    public Caller Gil { get; private set; } = null!;

    public Guid AnaId { get; } = Guid.CreateVersion7();

    public Guid BenId { get; } = Guid.CreateVersion7();

    public Guid CemId { get; } = Guid.CreateVersion7();

    public static object Owner(string password = Password, string code = Club.SetupCode) =>
        new
        {
            clubName = "Iron Quay",
            name = "Olga Reef",
            signInName = "olga",
            password,
            timeZone = "Europe/Madrid",
            setupCode = code,
        };

    public async ValueTask InitializeAsync()
    {
        Club = new(demo: false);
        Olga = Club.Stranger();
        Assert.Equal(204, (await Olga.Post("/api/owner", Owner())).Status);
        foreach (var (id, name) in new[] { (AnaId, "Ana Shoal"), (BenId, "Ben Skerry"), (CemId, "Cem Tide") })
        {
            (await Olga.Put($"/api/athletes/{id}", Trainee.Profile(name))).Ok?.ToString();
            (await new Trainee(Olga, id).Weigh(68.2m, "2026-02-01")).Ok?.ToString();
        }

        Kim = await Join(await Invite(Olga, "coach", "Kim Lagoon"), "kim");
        Lea = await Join(await Invite(Olga, "coach", "Lea Estuary", someOnly: true, athletes: [AnaId]), "lea");
        Moe = await Join(await Invite(Olga, "coach", "Moe Isthmus", someOnly: true, athletes: [BenId, CemId]), "moe");
        Ana = await Join(await Invite(Olga, "athlete", athlete: AnaId), "ana");
        Ben = await Join(await Invite(Olga, "athlete", athlete: BenId), "ben");
        Cem = await Join(await Invite(Olga, "athlete", athlete: CemId), "cem");
        Gil = await Join(await Invite(Olga, "guardian", "Gil Shoal", AnaId, "2027-05-01"), "gil");
    }

    public ValueTask DisposeAsync() => Club.DisposeAsync();

    public static Task<Answer> Invite(
        Caller by,
        string role,
        string? name = null,
        Guid? athlete = null,
        string? until = null,
        bool someOnly = false,
        IReadOnlyList<Guid>? athletes = null,
        IReadOnlyList<Guid>? groups = null,
        string? to = null
    ) =>
        by.Post(
            "/api/invitations",
            new
            {
                role,
                name,
                athleteId = athlete,
                until,
                someOnly,
                athletes = athletes ?? [],
                groups = groups ?? [],
                to,
            }
        );

    public static string TokenOf(Answer invitation) => ((string)invitation.Ok["path"]!).Split('#')[1];

    public static Task<Answer> TryJoin(
        Caller by,
        string token,
        string signInName,
        string password = Password,
        string name = "Somebody"
    ) =>
        by.Post(
            "/api/links/join",
            new
            {
                token,
                name,
                signInName,
                password,
            }
        );

    /// <summary>Somebody new comes in by their link.</summary>
    public async Task<Caller> Join(Answer invitation, string signInName)
    {
        var (caller, token) = (Club.Stranger(), TokenOf(invitation));
        var name = (string)(await caller.Post("/api/links/look", new { token })).Ok["name"]!;
        Assert.Equal(204, (await TryJoin(caller, token, signInName, name: name)).Status);
        return caller;
    }

    public async Task<Caller> SignIn(string name, string password = Password)
    {
        var caller = Club.Stranger();
        Assert.Equal(204, (await caller.Post("/api/sign-in", new { signInName = name, password })).Status);
        return caller;
    }

    public static async Task<Guid> IdOf(Caller caller) => (Guid)(await caller.Get("/api/me")).Ok["account"]!["id"]!;

    public async Task<JsonNode> Person(string signInName) =>
        (await Olga.Get("/api/people")).Ok["people"]!.AsArray().Single(p => (string)p!["signInName"]! == signInName)!;
}
