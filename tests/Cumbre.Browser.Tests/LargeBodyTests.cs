using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;

namespace Cumbre.Browser.Tests;

/// <summary>Limits of the real web server, which the in-memory one of the API tests does not have.</summary>
public class LargeBodyTests
{
    [Fact]
    public async Task A_body_of_five_megabytes_is_refused_with_a_plain_sentence()
    {
        var stop = TestContext.Current.CancellationToken;
        await using var app = new App(demo: true);
        using var client = new HttpClient(new HttpClientHandler { CookieContainer = new CookieContainer() })
        {
            BaseAddress = app.Address,
        };
        var token = (string?)(await client.GetFromJsonAsync<JsonNode>("/api/me", stop))!["csrfToken"];
        var body = $$"""{"signInName":"coach","password":"{{new string('x', 5_000_000)}}"}""";
        using var request = new HttpRequestMessage(HttpMethod.Post, "/api/sign-in")
        {
            Content = new StringContent(body, Encoding.UTF8, "application/json"),
        };
        request.Headers.Add("X-Csrf-Token", token);
        request.Headers.ExpectContinue = true;
        using var response = await client.SendAsync(request, stop);
        Assert.Equal(HttpStatusCode.RequestEntityTooLarge, response.StatusCode);
        Assert.Equal(
            "tooLarge",
            (string?)(await response.Content.ReadFromJsonAsync<JsonNode>(stop))!["message"]!["code"]
        );
    }
}
