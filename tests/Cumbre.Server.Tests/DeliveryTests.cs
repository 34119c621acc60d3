using System.Net.Http.Headers;

namespace Cumbre.Server.Tests;

/// <summary>How answers travel, and what a busy file says.</summary>
public sealed class DeliveryTests
{
    [Fact]
    public async Task A_built_file_is_kept_for_good_and_an_answer_never()
    {
        await using var club = new Club();
        var coach = await club.Coach();
        var page = await coach.Client.GetStringAsync("/", TestContext.Current.CancellationToken);
        var asset = page.Split('"').First(p => p.StartsWith("/assets/", StringComparison.Ordinal));
        var built = await coach.Client.GetAsync(asset, TestContext.Current.CancellationToken);
        Assert.Equal("public, max-age=31536000, immutable", built.Headers.GetValues("Cache-Control").Single());
        var missing = await coach.Client.GetAsync("/assets/none.js", TestContext.Current.CancellationToken);
        Assert.DoesNotContain("immutable", missing.Headers.CacheControl?.ToString() ?? "", StringComparison.Ordinal);
        var answer = await coach.Client.GetAsync("/api/athletes", TestContext.Current.CancellationToken);
        Assert.Equal("no-store", answer.Headers.CacheControl!.ToString());
    }

    [Fact]
    public async Task Long_answers_are_packed_and_the_one_with_the_token_is_not()
    {
        await using var club = new Club();
        var coach = await club.Coach();
        Assert.Equal(["br"], await Encoding("/api/athletes"));
        Assert.Empty(await Encoding("/api/me"));

        async Task<ICollection<string>> Encoding(string path)
        {
            using var request = new HttpRequestMessage(HttpMethod.Get, path);
            request.Headers.AcceptEncoding.Add(new StringWithQualityHeaderValue("br"));
            return (await coach.Client.SendAsync(request, TestContext.Current.CancellationToken))
                .Content
                .Headers
                .ContentEncoding;
        }
    }
}
