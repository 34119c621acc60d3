using System.Security.Cryptography;
using Cumbre.Server.Accounts;
using Microsoft.AspNetCore.Mvc.Testing;

namespace Cumbre.Server.Tests;

/// <summary>
/// The door: setup code, passwords, waits after failed tries, and the code by time. Aims by OWASP ASVS 4.0, chapter 2,
/// from memory; the figures of the waits are this project's choice.
/// </summary>
public sealed class GuardTests
{
    private sealed class Clock : TimeProvider
    {
        public DateTimeOffset Now { get; set; } = new(2026, 3, 16, 9, 0, 0, TimeSpan.Zero);

        public override DateTimeOffset GetUtcNow() => Now;
    }

    private static async Task<Club> RealClub(Clock clock)
    {
        var club = new Club(demo: false, time: clock);
        Assert.Equal(204, (await club.Stranger().Post("/api/owner", Cast.Owner())).Status);
        return club;
    }

    private static Task<Answer> Try(Caller caller, string password, string? code = null) =>
        caller.Post(
            "/api/sign-in",
            new
            {
                signInName = "olga",
                password,
                kept = false,
                code,
            }
        );

    // Seen before: whoever reached an empty server first owned it.
    [Fact]
    public async Task An_empty_club_asks_for_the_code_that_the_console_prints()
    {
        await using var club = new Club(demo: false);
        var stranger = club.Stranger();
        Assert.Equal("setupCode:writeSetupCode", (await stranger.Post("/api/owner", Cast.Owner(code: " "))).Field);
        Assert.Equal("setupCode:setupCodeWrong", (await stranger.Post("/api/owner", Cast.Owner(code: "GUESS"))).Field);
        Assert.True((bool)(await stranger.Get("/api/me")).Ok["needsOwner"]!);
        // As people type it: in small letters, without the dash.
        Assert.Equal(204, (await stranger.Post("/api/owner", Cast.Owner(code: "testcode"))).Status);
    }

    [Fact]
    public async Task The_setup_code_is_not_found_by_trying()
    {
        await using var club = new Club(demo: false);
        var stranger = club.Stranger();
        for (var i = 0; i < Patience.Address.Free; i++)
            await stranger.Post("/api/owner", Cast.Owner(code: $"GUESS{i}"));
        Assert.Equal(429, (await stranger.Post("/api/owner", Cast.Owner())).Status);
    }

    [Fact]
    public void Each_start_has_another_setup_code()
    {
        var codes = Enumerable.Range(0, 50).Select(_ => new SetupCode(new("", false, null)).Text).ToArray();
        Assert.Distinct(codes);
        Assert.All(codes, c => Assert.Matches("^[A-HJ-NP-Z2-9]{4}-[A-HJ-NP-Z2-9]{4}$", c));
    }

    // Seen before: 1234567890 was accepted. The entries are common in every published list of leaked passwords.
    [Theory]
    [InlineData("1234567890", false)]
    [InlineData("123456789012", false)]
    [InlineData("password1234", false)]
    [InlineData("Password2026!", false)]
    [InlineData("!!qwertyuiop!!", false)]
    [InlineData("passwordpassword", false)]
    [InlineData("dragondragon12", false)]
    [InlineData("abcdefghijklmn", false)]
    [InlineData("aaaaaaaaaaaaaa", false)]
    [InlineData("olgaolgaolga", false)]
    [InlineData("Iron Quay 2026", false)]
    [InlineData("four words of nobody", true)]
    [InlineData("elefvnd taburete 7", true)]
    [InlineData("пароль из многих слов", true)]
    [InlineData("eleven char", false)]
    [InlineData("twelve chars", true)]
    public void A_password_is_long_and_not_one_that_everybody_tries(string password, bool isTaken) =>
        Assert.Equal(isTaken, Passwords.Problem(password, "Olga", "Iron Quay") is null);

    [Theory]
    [InlineData(128, true)]
    [InlineData(129, false)]
    public void A_password_ends_somewhere(int length, bool isTaken) =>
        Assert.Equal(
            isTaken,
            Passwords.Problem(string.Concat(Enumerable.Repeat("many words ", 20))[..Math.Min(length, 220)]) is null
        );

    [Theory]
    [InlineData(4, 0)]
    [InlineData(5, 1)]
    [InlineData(6, 2)]
    [InlineData(10, 32)]
    [InlineData(16, 2048)]
    [InlineData(17, 3600)]
    [InlineData(4000, 3600)]
    public void Each_failed_try_waits_twice_as_long_up_to_an_hour(int failed, int seconds) =>
        Assert.Equal(TimeSpan.FromSeconds(seconds), Patience.Name.After(failed));

    // Seen before: ten wrong tries from a shared address locked out the right password.
    [Fact]
    public async Task Guesses_wait_and_the_right_person_comes_in_from_a_device_that_is_known()
    {
        var clock = new Clock();
        await using var club = await RealClub(clock);
        var own = club.Stranger();
        Assert.Equal(204, (await Try(own, Cast.Password)).Status);
        Assert.Equal(204, (await own.Post("/api/sign-out")).Status);

        var guesser = club.Stranger();
        for (var i = 0; i < Patience.Name.Free; i++)
            Assert.Equal("password:signInWrong", (await Try(guesser, $"a guess {i}")).Field);
        // From now on not even the right one is looked at there.
        var wait = await Try(guesser, Cast.Password);
        Assert.Equal((429, "triesWait seconds=1"), (wait.Status, wait.Said));
        Assert.Equal(429, (await Try(club.Stranger(), Cast.Password)).Status);
        Assert.Equal(204, (await Try(own, Cast.Password)).Status);

        clock.Now += TimeSpan.FromSeconds(1);
        Assert.Equal("password:signInWrong", (await Try(guesser, "another guess")).Field);
        Assert.Equal("triesWait seconds=2", (await Try(guesser, Cast.Password)).Said);
        clock.Now += TimeSpan.FromSeconds(2);
        Assert.Equal(204, (await Try(guesser, Cast.Password)).Status);
    }

    [Fact]
    public async Task Slips_on_a_known_device_slow_down_that_device_alone()
    {
        var clock = new Clock();
        await using var club = await RealClub(clock);
        var own = club.Stranger();
        await Try(own, Cast.Password);
        for (var i = 0; i < Patience.Device.Free; i++)
            Assert.Equal(400, (await Try(own, "a slip of the hand")).Status);
        Assert.Equal(429, (await Try(own, Cast.Password)).Status);
        Assert.Equal(204, (await Try(club.Stranger(), Cast.Password)).Status);
        clock.Now += TimeSpan.FromSeconds(1);
        Assert.Equal(204, (await Try(own, Cast.Password)).Status);
    }

    [Fact]
    public async Task A_name_that_nobody_has_is_answered_as_one_that_somebody_has()
    {
        await using var club = await RealClub(new());
        Task<Answer> Nobody(Caller caller) =>
            caller.Post("/api/sign-in", new { signInName = "nobody", password = "a guess" });
        var stranger = club.Stranger();
        var (known, unknown) = (await Try(stranger, "a guess"), await Nobody(stranger));
        Assert.Equal((known.Status, known.Field), (unknown.Status, unknown.Field));
        for (var i = 1; i < Patience.Name.Free; i++)
            await Nobody(stranger);
        Assert.Equal(429, (await Nobody(stranger)).Status);
    }

    [Fact]
    public async Task Many_tries_at_once_are_no_way_around_the_wait()
    {
        await using var club = await RealClub(new());
        var answers = await Task.WhenAll(
            Enumerable.Range(0, 12).Select(i => Try(club.Stranger(), $"guess number {i}"))
        );
        Assert.Equal(Patience.Name.Free, answers.Count(a => a.Status == 400));
        Assert.Equal(12 - Patience.Name.Free, answers.Count(a => a.Status == 429));
    }

    [Fact]
    public async Task The_wait_is_told_to_programs_too()
    {
        await using var club = await RealClub(new());
        using var client = club.CreateClient(new WebApplicationFactoryClientOptions());
        var caller = new Caller(client, club);
        for (var i = 0; i < Patience.Name.Free; i++)
            await Try(caller, "a guess");
        var token = (string)(await caller.Get("/api/me")).Ok["csrfToken"]!;
        using var request = new HttpRequestMessage(HttpMethod.Post, "/api/sign-in")
        {
            Content = System.Net.Http.Json.JsonContent.Create(new { signInName = "olga", password = "a guess" }),
            Headers = { { "X-Csrf-Token", token } },
        };
        using var response = await client.SendAsync(request, TestContext.Current.CancellationToken);
        Assert.Equal(TimeSpan.FromSeconds(1), response.Headers.RetryAfter!.Delta);
    }

    /// <summary>RFC 6238 over RFC 4226: HMAC-SHA-1 of the step, cut dynamically.</summary>
    private static string Totp(byte[] secret, DateTimeOffset at, int digits = 6)
    {
        var step = BitConverter.GetBytes(at.ToUnixTimeSeconds() / 30);
        Array.Reverse(step);
#pragma warning disable CA5350 // The standard's own hash.
        var hash = HMACSHA1.HashData(secret, step);
#pragma warning restore CA5350
        var offset = hash[^1] & 0xF;
        var number =
            ((hash[offset] & 0x7F) << 24) | (hash[offset + 1] << 16) | (hash[offset + 2] << 8) | hash[offset + 3];
        return (number % (int)Math.Pow(10, digits)).ToString($"D{digits}");
    }

    private static byte[] Base32(string text)
    {
        const string Letters = "ABCDEFGHIJKLMNOPQRSTUVWXYZ234567";
        var bits = string.Concat(
            text.TrimEnd('=').Select(c => Convert.ToString(Letters.IndexOf(c), 2).PadLeft(5, '0'))
        );
        return [.. bits.Chunk(8).Where(b => b.Length == 8).Select(b => Convert.ToByte(new string(b), 2))];
    }

    // RFC 6238, appendix B, from memory.
    [Theory]
    [InlineData(59, "94287082")]
    [InlineData(1111111109, "07081804")]
    [InlineData(1234567890, "89005924")]
    public void The_tests_own_code_by_time_is_the_standards(long seconds, string code) =>
        Assert.Equal(
            code,
            Totp(
                System.Text.Encoding.ASCII.GetBytes("12345678901234567890"),
                DateTimeOffset.FromUnixTimeSeconds(seconds),
                8
            )
        );

    [Fact]
    public async Task A_second_factor_is_asked_for_once_it_was_confirmed()
    {
        var clock = new Clock();
        await using var club = await RealClub(clock);
        var olga = club.Stranger();
        await Try(olga, Cast.Password);
        Assert.Equal(
            "password:passwordWrong",
            (await olga.Post("/api/me/second-factor", new { password = "not hers at all" })).Field
        );
        var shown = (await olga.Post("/api/me/second-factor", new { password = Cast.Password })).Ok;
        var secret = Base32((string)shown["secret"]!);
        Assert.StartsWith("otpauth://totp/", (string)shown["uri"]!, StringComparison.Ordinal);
        // Shown is not yet on: who lost the page is not locked out.
        Assert.Equal(204, (await Try(club.Stranger(), Cast.Password)).Status);
        Assert.Equal("code:codeWrong", (await olga.Put("/api/me/second-factor", new { code = "000000" })).Field);
        var codes = (await olga.Put("/api/me/second-factor", new { code = Totp(secret, clock.Now) })).Ok["codes"]!
            .AsArray()
            .Select(c => (string)c!)
            .ToArray();
        Assert.Equal(10, codes.Distinct().Count());

        var other = club.Stranger();
        Assert.Equal("code:codeMissing", (await Try(other, Cast.Password)).Field);
        Assert.Equal("password:signInWrong", (await Try(other, "a guess of it", Totp(secret, clock.Now))).Field);
        // The code that confirmed it is spent.
        Assert.Equal("code:codeWrong", (await Try(other, Cast.Password, Totp(secret, clock.Now))).Field);
        clock.Now += TimeSpan.FromSeconds(30);
        Assert.Equal(204, (await Try(other, Cast.Password, Totp(secret, clock.Now))).Status);
        Assert.Equal("code:codeWrong", (await Try(club.Stranger(), Cast.Password, Totp(secret, clock.Now))).Field);
        // A clock that is one step off is forgiven, two are not.
        clock.Now += TimeSpan.FromMinutes(5);
        var early = clock.Now - TimeSpan.FromSeconds(60);
        Assert.Equal("code:codeWrong", (await Try(club.Stranger(), Cast.Password, Totp(secret, early))).Field);
        Assert.Equal(
            204,
            (await Try(club.Stranger(), Cast.Password, Totp(secret, early + TimeSpan.FromSeconds(30)))).Status
        );

        // For a lost phone, each once.
        Assert.Equal(204, (await Try(club.Stranger(), Cast.Password, codes[0].ToLowerInvariant())).Status);
        Assert.Equal("code:codeWrong", (await Try(club.Stranger(), Cast.Password, codes[0])).Field);
        Assert.Equal(9, (int)(await olga.Get("/api/me/second-factor")).Ok["codesLeft"]!);

        Assert.Equal(
            "code:codeWrong",
            (await olga.Post("/api/me/second-factor/off", new { password = Cast.Password, code = codes[0] })).Field
        );
        Assert.Equal(
            204,
            (await olga.Post("/api/me/second-factor/off", new { password = Cast.Password, code = codes[1] })).Status
        );
        Assert.Equal(204, (await Try(club.Stranger(), Cast.Password)).Status);
    }

    [Fact]
    public async Task Codes_are_not_found_by_trying()
    {
        var clock = new Clock();
        await using var club = await RealClub(clock);
        var olga = club.Stranger();
        await Try(olga, Cast.Password);
        var shown = (await olga.Post("/api/me/second-factor", new { password = Cast.Password })).Ok;
        var secret = Base32((string)shown["secret"]!);
        await olga.Put("/api/me/second-factor", new { code = Totp(secret, clock.Now) });
        var thief = club.Stranger();
        var statuses = new List<int>();
        for (var i = 0; i < 8; i++)
            statuses.Add((await Try(thief, Cast.Password, $"{i:D6}")).Status);
        Assert.Equal([400, 400, 400, 400, 400, 429, 429, 429], statuses);
    }

    [Fact]
    public async Task Asking_without_a_code_gives_no_free_guesses_at_it()
    {
        var clock = new Clock();
        await using var club = await RealClub(clock);
        var olga = club.Stranger();
        await Try(olga, Cast.Password);
        var shown = (await olga.Post("/api/me/second-factor", new { password = Cast.Password })).Ok;
        await olga.Put("/api/me/second-factor", new { code = Totp(Base32((string)shown["secret"]!), clock.Now) });
        var thief = club.Stranger();
        for (var i = 0; i < Patience.Name.Free; i++)
        {
            Assert.Equal("code:codeMissing", (await Try(thief, Cast.Password)).Field);
            Assert.Equal("code:codeWrong", (await Try(thief, Cast.Password, $"{i:D6}")).Field);
        }

        Assert.Equal(429, (await Try(thief, Cast.Password)).Status);
    }

    [Fact]
    public async Task An_account_of_ones_own_gives_no_free_guesses_at_others()
    {
        await using var club = await RealClub(new());
        var thief = club.Stranger();
        for (var i = 0; i < Patience.Address.Free; i++)
        {
            var guess = await thief.Post("/api/sign-in", new { signInName = $"somebody {i}", password = "a guess" });
            Assert.Equal(400, guess.Status);
            if (i < Patience.Address.Free - 1)
                Assert.Equal(204, (await Try(club.Stranger(), Cast.Password)).Status);
        }

        Assert.Equal(
            429,
            (await thief.Post("/api/sign-in", new { signInName = "the next", password = "a guess" })).Status
        );
    }

    [Theory]
    [InlineData(7 * 24 * 3600 - 1, true)]
    [InlineData(7 * 24 * 3600, false)]
    public async Task An_invitation_lasts_a_week(int seconds, bool isOpen)
    {
        var clock = new Clock();
        await using var club = await RealClub(clock);
        var olga = club.Stranger();
        await Try(olga, Cast.Password);
        var token = Cast.TokenOf(await Cast.Invite(olga, "coach", "Kim Lagoon"));
        clock.Now += TimeSpan.FromSeconds(seconds);
        Assert.Equal(isOpen ? 200 : 404, (await club.Stranger().Post("/api/links/look", new { token })).Status);
        Assert.Equal(isOpen ? 204 : 404, (await Cast.TryJoin(club.Stranger(), token, "kim")).Status);
    }

    [Theory]
    [InlineData(24 * 3600 - 1, true)]
    [InlineData(24 * 3600, false)]
    public async Task A_link_to_a_new_password_lasts_a_day(int seconds, bool isOpen)
    {
        var clock = new Clock();
        await using var club = await RealClub(clock);
        var olga = club.Stranger();
        await Try(olga, Cast.Password);
        var id = Guid.CreateVersion7();
        await olga.Put($"/api/athletes/{id}", Trainee.Profile("Ana Shoal"));
        var ana = club.Stranger();
        await Cast.TryJoin(ana, Cast.TokenOf(await Cast.Invite(olga, "athlete", athlete: id)), "ana");
        var lost = new { accountId = await Cast.IdOf(ana) };
        var token = Cast.TokenOf(await olga.Post($"/api/athletes/{id}/recovery", lost));
        clock.Now += TimeSpan.FromSeconds(seconds);
        Assert.Equal(
            isOpen ? 204 : 404,
            (await Cast.TryJoin(club.Stranger(), token, "", "five more words of mine")).Status
        );
    }
}
