using System.Net;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Hosting;
using Microsoft.Extensions.DependencyInjection;

namespace Cumbre.Server.Tests;

/// <summary>What comes over the wire is taken as it is seen, and a proxy's word only from a proxy that is known.</summary>
public sealed class WireTests
{
    private const string Proxy = "10.0.0.1";

    // Seen before: names of zero-width or control characters were stored. What joins letters or parts of a sign stays.
    [Theory]
    [InlineData("  Ada\u00A0", "Ada")]
    [InlineData("A\u200Bd\u2060a\uFEFF", "Ada")]
    [InlineData("\u200DAda\u200C", "Ada")]
    [InlineData("\U0001F469\u200D\U0001F9B1 Zo\u00EB", "\U0001F469\u200D\U0001F9B1 Zo\u00EB")]
    [InlineData("\u0645\u06CC\u200C\u062E\u0648\u0627\u0647\u0645", "\u0645\u06CC\u200C\u062E\u0648\u0627\u0647\u0645")]
    public async Task A_name_is_stored_as_it_is_seen(string sent, string stored)
    {
        await using var club = new Club();
        var (coach, path) = (await club.Coach(), $"/api/athletes/{Guid.CreateVersion7()}");
        Assert.Equal(200, (await coach.Put(path, Trainee.Profile(sent))).Status);
        Assert.Equal(stored, (string)(await coach.Get(path)).Ok["name"]!);
    }

    [Theory]
    [InlineData("\u200B\u2060", "name:writeName")]
    [InlineData("\u200D \u200C", "name:writeName")]
    [InlineData("Ada\u0007", "name:textControls")]
    [InlineData("\u202EadA", "name:textControls")]
    [InlineData("Ada\u2066", "name:textControls")]
    public async Task A_name_that_shows_nothing_or_turns_the_line_is_none(string sent, string field)
    {
        await using var club = new Club();
        var coach = await club.Coach();
        Assert.Equal(field, (await coach.Put($"/api/athletes/{Guid.CreateVersion7()}", Trainee.Profile(sent))).Field);
    }

    // Seen before: behind a proxy cookies never became Secure, and there was no HSTS.
    [Theory]
    [InlineData(Proxy, true)]
    [InlineData("10.0.0.9", false)]
    public async Task The_scheme_is_taken_from_a_known_proxy_only(string from, bool taken)
    {
        await using var club = new Club(more: web =>
            web.UseSetting("Cumbre:Proxies", $"{Proxy}, 192.168.0.0/24")
                .ConfigureServices(services => services.AddSingleton<IStartupFilter>(new From(from)))
        );
        using var request = new HttpRequestMessage(HttpMethod.Get, "/api/me");
        request.Headers.Add("X-Forwarded-Proto", "https");
        request.Headers.Add("X-Forwarded-For", "203.0.113.7");
        using var response = await club.CreateClient().SendAsync(request, TestContext.Current.CancellationToken);
        Assert.Equal(taken, response.Headers.Contains("Strict-Transport-Security"));
        Assert.Equal(
            taken,
            response.Headers.GetValues("Set-Cookie").All(c => c.Contains("secure", StringComparison.OrdinalIgnoreCase))
        );
    }

    /// <summary>The address from which every request comes.</summary>
    private sealed class From(string address) : IStartupFilter
    {
        public Action<IApplicationBuilder> Configure(Action<IApplicationBuilder> next) =>
            app =>
            {
                app.Use(
                    (context, then) =>
                    {
                        context.Connection.RemoteIpAddress = IPAddress.Parse(address);
                        return then(context);
                    }
                );
                next(app);
            };
    }
}
