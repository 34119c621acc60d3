using System.Text.RegularExpressions;

namespace Cumbre.Server.Tests;

/// <summary>What is done at the machine, beside the server that runs.</summary>
public sealed partial class CommandTests : IAsyncLifetime
{
    private readonly Cast cast = new();

    public ValueTask InitializeAsync() => cast.InitializeAsync();

    public ValueTask DisposeAsync() => cast.DisposeAsync();

    private (int? Code, string Said) Run(params string[] args)
    {
        using var output = new StringWriter();
        var code = Commands.Run(["--data", cast.Club.Data, .. args], output);
        return (code, output.ToString());
    }

    [Fact]
    public void Without_a_command_the_server_starts() => Assert.Null(Run().Code);

    [Fact]
    public async Task Who_has_lost_their_password_gets_a_link_at_the_machine()
    {
        var (code, said) = Run("--recover", "olga");
        Assert.Equal(0, code);
        var olga = cast.Club.Stranger();
        Assert.Equal(
            204,
            (await Cast.TryJoin(olga, Token().Match(said).Groups[1].Value, "", "six words of my very own")).Status
        );
        Assert.Equal(200, (await olga.Get("/api/people")).Status);
        Assert.Equal(401, (await cast.Olga.Get("/api/people")).Status);
        Assert.Contains((await olga.Get("/api/audit?kinds=RecoveryLinkMade")).Ok["entries"]!.AsArray(), e =>
            (string)e!["after"]! == "at the machine"
        );
        Assert.Equal(
            (1, "Nobody signs in as \"nobody\"."),
            (Run("--recover", "nobody").Code, Run("--recover", "nobody").Said.Trim())
        );
    }

    [Fact]
    public void The_audit_is_verified_at_the_machine()
    {
        var (code, said) = Run("--verify-audit=");
        Assert.Equal(0, code);
        Assert.Contains("The chain is whole.", said, StringComparison.Ordinal);
        var head = Head().Match(said).Groups[1].Value;
        Assert.Equal(0, Run($"--verify-audit={head}").Code);
        var (broken, why) = Run($"--verify-audit={new string('a', 64)}");
        Assert.Equal(1, broken);
        Assert.Contains("BROKEN", why, StringComparison.Ordinal);
    }

    [Fact]
    public void A_folder_without_a_club_is_told()
    {
        using var output = new StringWriter();
        Assert.Equal(1, Commands.Run(["--data", Path.Combine(cast.Club.Data, "none"), "--recover", "olga"], output));
        Assert.StartsWith("There is no club in", output.ToString(), StringComparison.Ordinal);
    }

    [GeneratedRegex("/join#(.+)")]
    private static partial Regex Token();

    [GeneratedRegex("later: ([0-9a-f]{64})")]
    private static partial Regex Head();
}
