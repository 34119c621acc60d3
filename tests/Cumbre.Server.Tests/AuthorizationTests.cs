using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Routing;
using Microsoft.Extensions.DependencyInjection;

namespace Cumbre.Server.Tests;

public class AuthorizationTests
{
    private static readonly string[] Open =
    [
        "GET /api/me",
        "POST /api/owner",
        "POST /api/sign-in",
        "POST /api/demo-sign-in",
        "POST /api/links/look",
        "POST /api/links/join",
        "GET /api/privacy-text",
        "ANY /api/{**rest}",
        "GET /health",
    ];

    internal static IEnumerable<(string Name, RouteEndpoint Endpoint)> Endpoints(Club club) =>
        club
            .Services.GetRequiredService<EndpointDataSource>()
            .Endpoints.OfType<RouteEndpoint>()
            .SelectMany(e =>
                (e.Metadata.GetMetadata<HttpMethodMetadata>()?.HttpMethods ?? ["ANY"]).Select(method =>
                    ($"{method} /{e.RoutePattern.RawText!.TrimStart('/')}", e)
                )
            )
            // Files of the built page and the page itself are for everybody.
            .Where(e =>
                e.Item1.Contains("/api/", StringComparison.Ordinal)
                || e.Item1.EndsWith("/health", StringComparison.Ordinal)
            );

    [Fact]
    public async Task Every_endpoint_names_its_policy_or_is_listed_as_open()
    {
        await using var club = new Club();
        var endpoints = Endpoints(club).ToList();
        Assert.True(endpoints.Count >= 20);
        Assert.All(endpoints, e =>
        {
            if (e.Endpoint.Metadata.GetMetadata<IAllowAnonymous>() is not null)
                Assert.Contains(e.Name, Open);
            else
                Assert.Contains(e.Endpoint.Metadata.GetOrderedMetadata<IAuthorizeData>(), a =>
                    !string.IsNullOrEmpty(a.Policy)
                );
        });
    }

    [Fact]
    public async Task Without_a_session_every_other_endpoint_answers_401()
    {
        await using var club = new Club();
        var stranger = club.Stranger();
        foreach (
            var (name, endpoint) in Endpoints(club)
                .Where(e => e.Endpoint.Metadata.GetMetadata<IAllowAnonymous>() is null)
        )
        {
            var path = System.Text.RegularExpressions.Regex.Replace(
                "/" + endpoint.RoutePattern.RawText!.TrimStart('/'),
                @"\{[^}]*\}",
                Guid.CreateVersion7().ToString()
            );
            var method = new HttpMethod(name.Split(' ')[0]);
            var answer = await stranger.Send(
                method,
                path,
                method == HttpMethod.Get ? null : System.Net.Http.Json.JsonContent.Create(new { })
            );
            Assert.True(answer.Status == 401, $"{name}: {answer.Status}");
        }
    }

    [Fact]
    public async Task An_athlete_sees_their_own_page_and_nobody_elses()
    {
        await using var club = new Club();
        var coach = await club.Coach();
        var athlete = await club.Athlete();
        var own = (string)(await athlete.Get("/api/me")).Ok["account"]!["athleteId"]!;
        var other = (await coach.Get("/api/athletes"))
            .Ok.AsArray()
            .Select(a => (string)a!["id"]!)
            .First(id => id != own);

        Assert.Equal(200, (await athlete.Get($"/api/athletes/{own}/movement")).Status);
        Assert.Equal(403, (await athlete.Get($"/api/athletes/{other}/movement")).Status);
        Assert.Equal(403, (await athlete.Get("/api/athletes")).Status);
        Assert.Equal(403, (await athlete.Get("/api/desk")).Status);
        Assert.Equal(403, (await athlete.Put($"/api/athletes/{own}", Trainee.Profile("Somebody"))).Status);
    }

    [Fact]
    public async Task A_session_of_another_athlete_is_not_found_under_ones_own_address()
    {
        await using var club = new Club();
        var coach = await club.Coach();
        var athlete = await club.Athlete();
        var own = (string)(await athlete.Get("/api/me")).Ok["account"]!["athleteId"]!;
        var foreign = (await coach.Get("/api/desk")).Ok["sessions"]!
            .AsArray()
            .First(s => (string)s!["athleteId"]! != own)!;
        Assert.Equal(404, (await athlete.Get($"/api/athletes/{own}/sessions/{foreign["id"]}")).Status);
    }

    [Fact]
    public async Task A_write_without_the_token_is_refused()
    {
        await using var club = new Club();
        var coach = await club.Coach();
        using var response = await coach.Client.PostAsync("/api/sign-out", null, TestContext.Current.CancellationToken);
        Assert.Equal(400, (int)response.StatusCode);
        Assert.Equal(200, (await coach.Get("/api/desk")).Status);
    }

    [Fact]
    public async Task A_foreign_host_header_is_refused()
    {
        await using var club = new Club();
        using var request = new HttpRequestMessage(HttpMethod.Get, "/api/me")
        {
            Headers = { Host = "elsewhere.example" },
        };
        using var response = await club.CreateClient().SendAsync(request, TestContext.Current.CancellationToken);
        Assert.Equal(400, (int)response.StatusCode);
    }

    [Fact]
    public async Task Every_answer_carries_the_security_headers()
    {
        await using var club = new Club();
        using var response = await club.CreateClient().GetAsync("/api/me", TestContext.Current.CancellationToken);
        var policy = response.Headers.GetValues("Content-Security-Policy").Single();
        Assert.Contains("default-src 'none'", policy);
        Assert.Contains("script-src 'self';", policy);
        Assert.DoesNotContain("unsafe", policy);
        Assert.Equal("nosniff", response.Headers.GetValues("X-Content-Type-Options").Single());
        Assert.Equal("DENY", response.Headers.GetValues("X-Frame-Options").Single());
        Assert.Equal("attachment", response.Content.Headers.ContentDisposition!.DispositionType);
        Assert.False(response.Headers.Contains("Server"));
    }

    [Fact]
    public async Task The_cookie_is_hidden_from_scripts_and_from_other_sites()
    {
        await using var club = new Club();
        var stranger = club.Stranger();
        var token = (string)(await stranger.Get("/api/me")).Ok["csrfToken"]!;
        using var request = new HttpRequestMessage(HttpMethod.Post, "/api/demo-sign-in")
        {
            Content = System.Net.Http.Json.JsonContent.Create(new { @as = "coach" }),
            Headers = { { "X-Csrf-Token", token } },
        };
        using var response = await stranger.Client.SendAsync(request, TestContext.Current.CancellationToken);
        var cookie = response
            .Headers.GetValues("Set-Cookie")
            .Single(c => c.StartsWith("cumbre=", StringComparison.Ordinal));
        Assert.Contains("httponly", cookie);
        Assert.Contains("samesite=strict", cookie);
    }

    [Fact]
    public async Task Outside_the_demo_nobody_signs_in_without_a_password()
    {
        await using var club = new Club(demo: false);
        Assert.Equal(404, (await club.Stranger().Post("/api/demo-sign-in", new { @as = "coach" })).Status);
    }
}
