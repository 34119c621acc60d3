using System.Net.Http.Json;
using System.Text.RegularExpressions;

namespace Cumbre.Server.Tests;

/// <summary>
/// Every endpoint x every role x own and foreign. For whom each is stands in <c>endpoints.txt</c>, written by hand: an
/// endpoint that is new, or is for somebody else than it says, fails here.
/// </summary>
public sealed partial class ReachTests(Cast cast) : IClassFixture<Cast>
{
    /// <summary>Not asked as somebody who may: they end the sign-in, start a second server, or never end.</summary>
    private static readonly string[] OnlyRefused =
    [
        "POST /api/sign-out",
        "POST /api/sample-club",
        "GET /api/gauge",
        "DELETE /api/me/devices",
    ];

    private static readonly IReadOnlyDictionary<string, string> Audiences = File.ReadLines(
            Path.Combine(AppContext.BaseDirectory, "endpoints.txt")
        )
        .Where(l => l.Length > 0 && !l.StartsWith('#'))
        .Select(l => l.Split(' '))
        .ToDictionary(p => $"{p[1]} {p[2]}", p => p[0]);

    private static readonly string[] Coaches = ["owner", "coach", "some"];

    private static bool May(string audience, string role, bool isOwn, bool hasAthlete, bool reads) =>
        audience switch
        {
            "Everybody" => true,
            "SignedIn" => role != "nobody",
            "Owner" => role == "owner",
            "Club" => role is "owner" or "coach",
            "Coach" => Coaches.Contains(role) && (role != "some" || isOwn || !hasAthlete),
            "Person" or "Consent" => role switch
            {
                "owner" or "coach" => true,
                "some" or "athlete" => isOwn,
                "guardian" => isOwn && (reads || audience == "Consent"),
                _ => false,
            },
            _ => throw new InvalidOperationException($"{audience} is no audience."),
        };

    [Fact]
    public async Task Every_endpoint_is_for_those_for_whom_it_says_it_is_and_for_nobody_else()
    {
        var endpoints = AuthorizationTests
            .Endpoints(cast.Club)
            .Select(e => e.Name)
            .Where(n => n.Contains("/api/", StringComparison.Ordinal) && !n.Contains("**", StringComparison.Ordinal))
            .ToArray();
        Assert.Equal(Audiences.Keys.Order(), endpoints.Order());
        // Each with a cookie of its own, as some of what is asked ends things.
        var callers = new (string Role, Func<Task<Caller>> Enter)[]
        {
            ("nobody", () => Task.FromResult(cast.Club.Stranger())),
            ("owner", () => cast.SignIn("olga")),
            ("coach", () => cast.SignIn("kim")),
            ("some", () => cast.SignIn("lea")),
            ("athlete", () => cast.SignIn("ana")),
            ("guardian", () => cast.SignIn("gil")),
        };
        var wrong = new List<string>();
        foreach (var (role, enter) in callers)
        {
            var caller = await enter();
            foreach (var endpoint in endpoints)
            {
                var (method, route) = (endpoint.Split(' ')[0], endpoint.Split(' ')[1]);
                var hasAthlete = route.Contains("{athleteId", StringComparison.Ordinal);
                foreach (var isOwn in hasAthlete ? new[] { true, false } : [true])
                {
                    var may = May(Audiences[endpoint], role, isOwn, hasAthlete, method == "GET");
                    if (may && OnlyRefused.Contains(endpoint))
                        continue;
                    var path = Placeholder()
                        .Replace(
                            route.Replace(
                                "{athleteId:guid}",
                                (isOwn ? cast.AnaId : cast.BenId).ToString(),
                                StringComparison.Ordinal
                            ),
                            _ => Guid.CreateVersion7().ToString()
                        );
                    var status = (
                        await caller.Send(
                            new(method),
                            path,
                            method == "GET" ? null : JsonContent.Create(new { nothing = 1 })
                        )
                    ).Status;
                    if (may == status is 401 or 403 || status >= 500)
                        wrong.Add($"{role} {endpoint} {(isOwn ? "own" : "foreign")}: {status}");
                }
            }
        }

        Assert.Empty(wrong);
    }

    [GeneratedRegex(@"\{[^}]*\}")]
    private static partial Regex Placeholder();
}
