using Cumbre.Server.Hosting;
using Cumbre.Server.Privacy;
using Microsoft.Extensions.DependencyInjection;

namespace Cumbre.Server.Tests;

/// <summary>Consent with name, day and text, withdrawn as easily; how long people are kept; their file to read.</summary>
public sealed class ConsentTests : IAsyncLifetime
{
    private readonly Cast cast = new();

    public ValueTask InitializeAsync() => cast.InitializeAsync();

    public ValueTask DisposeAsync() => cast.DisposeAsync();

    private string Ana => $"/api/athletes/{cast.AnaId}";

    private Task<Answer> Give(Caller by, string name = "Ana Shoal", long text = 0, string? day = null) =>
        by.Put(
            $"{Ana}/consents/{Guid.CreateVersion7()}",
            new
            {
                name,
                textVersion = text,
                day,
            }
        );

    private Task<Answer> Withdraw(Caller by) => by.Post($"{Ana}/consents/withdraw", new { reason = (string?)null });

    [Fact]
    public async Task A_consent_names_who_when_and_which_text()
    {
        var given = (await Give(cast.Ana)).Ok;
        // The text that ships is kept as the first version, so that it can be read again whatever ships later.
        var consent = given["consents"]![0]!;
        Assert.Equal(
            ("Athlete", "Ana Shoal", Club.Today, 1),
            ((string)consent["as"]!, (string)consent["name"]!, (string)consent["day"]!, (int)consent["textVersion"]!)
        );
        Assert.Contains("Iron Quay", (string)given["text"]!["text"]!, StringComparison.Ordinal);
        Assert.Equal("consentTextOld", (await Give(cast.Gil, "Gil Shoal")).Said);
        Assert.Equal("Guardian", (string)(await Give(cast.Gil, "Gil Shoal", 1)).Ok["consents"]![0]!["as"]!);
        Assert.Equal("Paper", (string)(await Give(cast.Lea, "Gil Shoal", 1, "2026-03-01")).Ok["consents"]![0]!["as"]!);
        Assert.Equal("day:consentOnPaper", (await Give(cast.Ana, text: 1, day: "2026-03-01")).Field);
        Assert.Equal("day:dayInFuture", (await Give(cast.Lea, text: 1, day: "2026-03-17")).Field);
        Assert.Equal("name:writeYourName", (await Give(cast.Ana, " ", 1)).Field);
        Assert.Equal(403, (await Give(cast.Ben, text: 1)).Status);
    }

    [Fact]
    public async Task After_a_withdrawal_nothing_new_is_recorded_and_everything_can_be_read()
    {
        var ana = new Trainee(cast.Lea, cast.AnaId);
        // Without a consent in writing the club may hold it on paper: nothing is refused.
        Assert.Equal(200, (await ana.Test("pull-up-max", 8)).Status);
        var day = Guid.CreateVersion7();
        object sheet = new
        {
            name = "Evening",
            day = Club.Today,
            athletes = new[] { cast.AnaId },
            tests = new[] { "pull-up-max" },
            version = 0,
        };
        await cast.Lea.Put($"/api/test-days/{day}", sheet);
        await Give(cast.Ana);
        Assert.Equal(200, (await ana.Weigh(68)).Status);
        Assert.NotNull((await Withdraw(cast.Ana)).Ok["withdrawnAt"]);

        foreach (
            var refused in new[]
            {
                await ana.Weigh(67),
                await ana.Test("pull-up-max", 9),
                await ana.Plan("3 x 5"),
                await cast.Lea.Put(
                    $"/api/test-days/{day}/cells/{Guid.CreateVersion7()}",
                    new
                    {
                        athleteId = cast.AnaId,
                        benchmark = "pull-up-max",
                        side = (string?)null,
                        text = "9",
                        form = "Clean",
                        setUp = (string?)null,
                        pain = (int?)null,
                        painPlace = (string?)null,
                        known = (string[]?)null,
                    }
                ),
            }
        )
            Assert.Equal((409, "consentWithdrawn day=2026-03-16"), (refused.Status, refused.Said));
        foreach (var read in new[] { "", "/overview", "/export", "/audit", "/consents" })
            Assert.Equal(200, (await cast.Ana.Get(Ana + read)).Status);
        // Nor is the way in lost, by which they take their data with them.
        Assert.Equal(
            200,
            (await cast.Lea.Post($"{Ana}/recovery", new { accountId = await Cast.IdOf(cast.Ana) })).Status
        );
        // Others are not touched by it.
        Assert.Equal(200, (await new Trainee(cast.Moe, cast.BenId).Weigh(70)).Status);

        await Give(cast.Ana, text: 1);
        Assert.Equal(200, (await ana.Weigh(67)).Status);
        await Withdraw(cast.Gil);
        Assert.Equal(204, (await cast.Lea.Put($"{Ana}/archive", new { away = true })).Status);
        Assert.Equal(200, (await cast.Lea.Delete(Ana)).Status);
    }

    [Fact]
    public async Task A_guardians_consent_is_what_the_rules_for_the_young_read()
    {
        var young = Guid.CreateVersion7();
        var path = $"/api/athletes/{young}";
        var profile = System.Text.Json.JsonSerializer.SerializeToNode(Trainee.Profile("Teo Cove"))!;
        profile["birthYear"] = 2010;
        await cast.Olga.Put(path, profile);
        var guardian = await cast.Join(
            await Cast.Invite(cast.Olga, "guardian", "Rae Cove", young, "2028-01-01"),
            "rae"
        );
        async Task<bool> IsMissing() => (bool)(await cast.Olga.Get(path)).Ok["consentMissing"]!;
        Assert.True(await IsMissing());
        Task<Answer> By(Caller caller, string name, long text) =>
            caller.Put(
                $"{path}/consents/{Guid.CreateVersion7()}",
                new
                {
                    name,
                    textVersion = text,
                    day = (string?)null,
                }
            );
        var own = await cast.Join(await Cast.Invite(cast.Olga, "athlete", athlete: young), "teo");
        Assert.Equal(200, (await By(own, "Teo Cove", 0)).Status);
        Assert.True(await IsMissing());
        Assert.Equal(200, (await By(guardian, "Rae Cove", 1)).Status);
        Assert.False(await IsMissing());
        Assert.Equal(200, (await guardian.Post($"{path}/consents/withdraw", new { reason = "" })).Status);
        Assert.True(await IsMissing());
    }

    [Fact]
    public async Task The_owner_adapts_the_text_and_no_version_is_lost()
    {
        var text = (await cast.Club.Stranger().Get("/api/privacy-text")).Ok;
        Assert.Equal(0, (int)text["version"]!);
        object Write(long version, string words) => new { version, text = words };
        Assert.Equal(403, (await cast.Kim.Put("/api/privacy-text", Write(0, "Our own words."))).Status);
        Assert.Equal(1, (int)(await cast.Olga.Put("/api/privacy-text", Write(0, "Our own words."))).Ok["version"]!);
        Assert.Equal("privacyTextChanged", (await cast.Olga.Put("/api/privacy-text", Write(0, "Other words."))).Said);
        Assert.Equal("text:writePrivacyText", (await cast.Olga.Put("/api/privacy-text", Write(1, "short"))).Field);
    }

    [Theory]
    [InlineData(0, "keepMonths:keepRange")]
    [InlineData(1, null)]
    [InlineData(240, null)]
    [InlineData(241, "keepMonths:keepRange")]
    public async Task People_are_kept_for_months_or_until_somebody_presses(int months, string? field) =>
        Assert.Equal(field, (await cast.Olga.Put("/api/retention", new { keepMonths = months })).Field);

    // The club is in Madrid: its 16 January ended at 23:00 UTC.
    [Theory]
    [InlineData("2026-01-16T22:59:59.000Z", true)]
    [InlineData("2026-01-16T23:00:00.000Z", false)]
    public async Task Who_was_archived_as_long_ago_as_the_club_has_set_is_erased(string archivedAt, bool isGone)
    {
        await cast.Olga.Put($"{Ana}/archive", new { away = true });
        await cast.Olga.Put($"/api/athletes/{cast.BenId}/archive", new { away = true });
        using (
            var connection = new Microsoft.Data.Sqlite.SqliteConnection(
                $"Data Source={cast.Club.DatabasePath};Pooling=False"
            )
        )
        {
            connection.Open();
            using var command = connection.CreateCommand();
            command.CommandText = $"UPDATE athlete SET archived_at = '{archivedAt}' WHERE id = x'{cast.AnaId:N}'";
            command.ExecuteNonQuery();
        }

        var keeper = cast
            .Club.Services.GetServices<Microsoft.Extensions.Hosting.IHostedService>()
            .OfType<Housekeeping>()
            .Single();
        keeper.Run();
        Assert.Equal(200, (await cast.Olga.Get(Ana)).Status);
        var rule = (await cast.Olga.Put("/api/retention", new { keepMonths = 2 })).Ok;
        Assert.Equal("Ana Shoal", (string)rule["archived"]![0]!["name"]!);
        Assert.Equal(isGone ? Club.Today : "2026-03-17", (string)rule["archived"]![0]!["erasedFrom"]!);
        keeper.Run();
        Assert.Equal(isGone ? 404 : 200, (await cast.Olga.Get(Ana)).Status);
        Assert.Equal(200, (await cast.Olga.Get($"/api/athletes/{cast.BenId}")).Status);
        if (isGone)
            Assert.True((bool)(await cast.Olga.Get("/api/retention")).Ok["receipts"]![0]!["byRule"]!);
    }

    [Fact]
    public async Task The_file_to_read_holds_every_record_under_a_title_and_no_secret()
    {
        await Give(cast.Ana);
        await new Trainee(cast.Lea, cast.AnaId).Test("pull-up-max", 8);
        var page = await cast.Ana.Client.GetStringAsync($"{Ana}/export.html", TestContext.Current.CancellationToken);
        foreach (
            var shown in new[] { "<h1>Ana Shoal</h1>", "<h2>Consents</h2>", "<h2>Tests</h2>", "68.2", "Birth year" }
        )
            Assert.Contains(shown, page, StringComparison.Ordinal);
        Assert.DoesNotContain("<script", page, StringComparison.Ordinal);
        Assert.DoesNotContain("hash", page, StringComparison.OrdinalIgnoreCase);
        Assert.All(Cumbre.Storage.Privacy.PersonalData.Rows.Where(r => !r.IsDerived), r =>
            Assert.True(ReadableFile.Titles.ContainsKey(Camel(r.Table)), r.Table)
        );
    }

    private static string Camel(string table) =>
        string.Concat(table.Split('_').Select((p, i) => i == 0 ? p : char.ToUpperInvariant(p[0]) + p[1..]));

    [Fact]
    public async Task With_a_person_go_their_accounts_links_consents_and_what_the_audit_says()
    {
        var path = $"/api/athletes/{cast.AnaId}";
        await Give(cast.Ana);
        await Give(cast.Gil, "Gil Shoal", 1);
        var open = await Cast.Invite(
            cast.Lea,
            "guardian",
            "Uli Shoal",
            cast.AnaId,
            "2027-01-01",
            to: "uli@example.org"
        );
        await cast.Lea.Post($"{path}/recovery", new { accountId = await Cast.IdOf(cast.Ana) });
        await cast.Ana.Client.GetByteArrayAsync($"{path}/export", TestContext.Current.CancellationToken);
        // The background may be writing backups anew: it is stopped, and asked by hand.
        var keeper = cast.Club.Services.GetRequiredService<BackupKeeper>();
        await keeper.StopAsync(TestContext.Current.CancellationToken);
        Assert.NotEmpty(cast.Club.FilesWith("Ana Shoal"));
        Assert.NotEmpty(cast.Club.FilesWith("uli@example.org"));

        await cast.Lea.Put($"{path}/archive", new { away = true });
        Assert.Equal(200, (await cast.Lea.Delete(path)).Status);
        keeper.Forget();
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        foreach (var trace in new[] { "Ana Shoal", "Gil Shoal", "Uli Shoal", "uli@example.org", Cast.TokenOf(open) })
            Assert.Empty(cast.Club.FilesWith(trace));
        Assert.Equal(401, (await cast.Gil.Get($"{path}/overview")).Status);
        var people = (await cast.Olga.Get("/api/people")).Ok;
        Assert.DoesNotContain(people["people"]!.AsArray(), p => (string)p!["signInName"]! is "ana" or "gil");
        Assert.Empty(people["links"]!.AsArray());
        Assert.Null((await cast.Olga.Get("/api/audit/check")).Ok["brokenAt"]);
    }
}
