using System.Text.Json;
using Cumbre.Server.Programmes;
using Cumbre.Server.Reading;

namespace Cumbre.Server.Tests;

/// <summary>What was shown is read by every later version of Cumbre. The texts are what each version wrote.</summary>
public sealed class ShownDocumentTests
{
    private const string Plan = """
        {"line":"2 x 5","loads":[{"made":{"value":{"kind":"AddedLoad","number":0,"code":null,"date":null,"pieces":null},
        "why":{"rule":{"id":"LoadAsWritten","args":[]},"inputs":[],"working":[],"rounding":[],"sources":[],"cautions":[],"exposures":[],"thresholds":[]}},
        "wantedKg":0,"systemKg":70,"shareOfMax":null,"pieces":[],"band":null,"byFeet":false,"counted":null,"isWeighed":true}],
        "efforts":[],"isDrop":false,"dropDistanceKg":0,"setTotal":2,"repTotal":10,"tensionSeconds":30,"durationSeconds":150,"restSeconds":120,
        "restAssumed":true,"hardSets":2,"reserve":null,"tempo":null,"cautions":[],"straightArmSeconds":0,"volumeLoadKg":null,"left":0,"right":0,
        "restInSlot":null,"progression":null}
        """;

    private static string Block(string movement) =>
        """
            {"club":"Cochera 9","athleteName":"Tess Trial","unit":"Kg","number":1,"at":"2026-02-01T10:00:00+00:00",
            "block":{"name":"Pull","start":"2026-02-02","weeks":[],"kept":[]},
            "items":[{"id":"01900000-0000-7000-8000-000000000001","movement":MOVEMENT,"canonical":"2 x 5","error":null,"problem":null,
            "plan":PLAN,"structure":null,"bands":[],"easier":null}],"seconds":{},"cautions":{}}
            """.Replace("MOVEMENT", movement, StringComparison.Ordinal).Replace("PLAN", Plan, StringComparison.Ordinal);

    private const string Card =
        """ "slug":"pull-up","name":"Pull-up","bottom":"the hang","standard":"","faults":[],"failureHarmless":true """;

    [Fact]
    public void A_plan_of_the_first_version_is_read() =>
        Assert.Equal((10, 70m), (ResolvedDto.Kept.Read(Plan).RepTotal, ResolvedDto.Kept.Read(Plan).Loads[0].SystemKg));

    [Fact]
    public void A_block_published_before_the_contact_was_asked_is_read() =>
        Assert.False(PublishedBlock.Kept.Read(Block("{" + Card + "}")).Items[0].Movement!.AsksContact);

    [Fact]
    public void A_block_of_the_first_version_that_has_the_answer_keeps_it() =>
        Assert.True(
            PublishedBlock.Kept.Read(Block("{" + Card + ", \"asksContact\":true}")).Items[0].Movement!.AsksContact
        );

    [Fact]
    public void What_is_written_says_its_version_and_comes_back()
    {
        var text = PublishedBlock.Kept.Write(PublishedBlock.Kept.Read(Block("{" + Card + "}")));
        Assert.StartsWith("{\"v\":2,", text, StringComparison.Ordinal);
        Assert.Equal(text, PublishedBlock.Kept.Write(PublishedBlock.Kept.Read(text)));
    }

    [Theory]
    [InlineData("""{"v":3,"shown":{}}""")]
    [InlineData("""{"v":0,"shown":{}}""")]
    [InlineData("""{"v":2}""")]
    [InlineData("[]")]
    public void What_no_version_wrote_is_refused(string text) =>
        Assert.Throws<JsonException>(() => PublishedBlock.Kept.Read(text));
}
