using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Backups;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.DependencyInjection;

namespace Cumbre.Server.Tests;

/// <summary>
/// A club is copied while it works, and a copy becomes the club again: with everything that it held, and without anybody
/// or anything that has ended since.
/// </summary>
public sealed class BackupTests : IAsyncLifetime
{
    private readonly Cast cast = new();

    public ValueTask InitializeAsync() => cast.InitializeAsync();

    public ValueTask DisposeAsync() => cast.DisposeAsync();

    private string Data => cast.Club.Data;

    private string Folder => Path.Combine(Data, "backups");

    private BackupShelf Shelf => new(Folder);

    private async Task<string> BackUp() =>
        (string)
            (await cast.Olga.Post("/api/backups")).Ok["backups"]!.AsArray().First(b => (string)b!["kind"]! == "Asked")![
                "name"
            ]!;

    private (int? Code, string Said) Run(params string[] args)
    {
        using var output = new StringWriter();
        var code = Commands.Run(["--data", Data, .. args], output);
        return (code, output.ToString());
    }

    private static async Task<Caller> SignIn(Club club, string name, string password = Cast.Password)
    {
        var caller = club.Stranger();
        Assert.Equal(204, (await caller.Post("/api/sign-in", new { signInName = name, password })).Status);
        return caller;
    }

    /// <summary>The club on the same folder, after its process has ended.</summary>
    private async Task<Club> Again()
    {
        await cast.Club.Stop();
        return new(demo: false, data: Data);
    }

    [Fact]
    public async Task What_was_backed_up_comes_back_and_what_was_there_is_kept()
    {
        var ana = new Trainee(cast.Olga, cast.AnaId);
        (await ana.Test("pull-up-max", 9)).Ok.ToString();
        var before = (await cast.Olga.Get($"{ana.Path}/records")).Ok.ToJsonString();
        var name = await BackUp();
        (await ana.Test("pull-up-max", 12)).Ok.ToString();
        var dora = Guid.CreateVersion7();
        (await cast.Olga.Put($"/api/athletes/{dora}", Trainee.Profile("Dora Fjord"))).Ok?.ToString();

        var preview = (await cast.Olga.Get($"/api/backups/{name}/preview")).Ok;
        Assert.Equal((4, 3), ((int)preview["now"]!["athletes"]!, (int)preview["then"]!["athletes"]!));
        Assert.Equal((2, 1), ((int)preview["now"]!["tests"]!, (int)preview["then"]!["tests"]!));
        Assert.Equal("Dora Fjord", (string?)Assert.Single(preview["differs"]!.AsArray())!["name"]);
        Assert.Equal("olga", (string?)Assert.Single(preview["owners"]!.AsArray()));
        // A look changes nothing, and leaves nothing.
        Assert.Equal(200, (await cast.Olga.Get($"/api/athletes/{dora}")).Status);
        Assert.DoesNotContain(Directory.EnumerateFiles(Data), f => f.Contains(".next", StringComparison.Ordinal));

        Assert.Equal(
            "password:passwordWrong",
            (await cast.Olga.Post($"/api/backups/{name}/restore", new { password = "not hers" })).Field
        );
        (await cast.Olga.Post($"/api/backups/{name}/restore", new { password = Cast.Password })).Ok.ToString();
        await using var again = await Again();
        var olga = await SignIn(again, "olga");
        Assert.Equal(before, (await olga.Get($"{ana.Path}/records")).Ok.ToJsonString());
        Assert.Equal(404, (await olga.Get($"/api/athletes/{dora}")).Status);
        Assert.Contains((await olga.Get("/api/audit?kinds=Restored")).Ok["entries"]!.AsArray(), e =>
            (string?)e!["after"] == name
        );

        // And forth again: the file that was there lies on the shelf.
        var replaced = Shelf.All().Single(b => b.Kind == BackupKind.Replaced).Name;
        (await olga.Post($"/api/backups/{replaced}/restore", new { password = Cast.Password })).Ok.ToString();
        await again.Stop();
        await using var forth = new Club(demo: false, data: Data);
        Assert.Equal(200, (await (await SignIn(forth, "olga")).Get($"/api/athletes/{dora}")).Status);
    }

    [Fact]
    public async Task Nobody_who_was_erased_comes_back_and_no_access_that_has_ended()
    {
        // It would write anew what the test puts back: here it is asked by hand.
        await cast.Club.Services.GetRequiredService<BackupKeeper>().StopAsync(TestContext.Current.CancellationToken);
        (
            await cast.Olga.Put(
                $"/api/athletes/{cast.AnaId}/consents/{Guid.CreateVersion7()}",
                new
                {
                    name = "Ana Shoal",
                    day = Club.Today,
                    textVersion = (int)(await cast.Olga.Get("/api/privacy-text")).Ok["version"]!,
                }
            )
        ).Ok.ToString();
        var token = Cast.TokenOf(await Cast.Invite(cast.Olga, "coach", "Nele Lagoon"));
        var name = await BackUp();
        // Of another folder: it is brought back as it was, as if it had been carried elsewhere.
        var elsewhere = Path.Combine(Data, "elsewhere");
        Directory.CreateDirectory(elsewhere);
        File.Copy(Path.Combine(Folder, name), Path.Combine(elsewhere, name));

        (await cast.Olga.Put($"/api/athletes/{cast.BenId}/archive", new { away = true })).Ok?.ToString();
        Assert.Equal(1, (int)(await cast.Olga.Delete($"/api/athletes/{cast.BenId}")).Ok["copies"]!);
        var people = (await cast.Olga.Get("/api/people")).Ok["people"]!.AsArray();
        string IdOf(string who) => (string)people.First(p => (string)p!["signInName"]! == who)!["id"]!;
        (await cast.Olga.Put($"/api/people/{IdOf("kim")}/access", new { ended = true, reason = "" })).Ok?.ToString();
        (
            await cast.Olga.Put(
                $"/api/people/{IdOf("moe")}",
                new
                {
                    role = "coach",
                    someOnly = true,
                    athletes = Array.Empty<Guid>(),
                    groups = Array.Empty<Guid>(),
                }
            )
        ).Ok?.ToString();
        (await cast.Olga.Put($"/api/people/{IdOf("lea")}/access", new { ended = true, reason = "" })).Ok?.ToString();
        Assert.Equal(204, (await cast.Olga.Delete($"/api/people/{IdOf("lea")}")).Status);
        (await cast.Olga.Post($"/api/athletes/{cast.AnaId}/consents/withdraw", new { reason = "" })).Ok.ToString();
        // The backup on the shelf holds nothing of the erased any more; the one elsewhere does.
        cast.Club.Services.GetRequiredService<BackupKeeper>().Forget();
        SqliteConnection.ClearAllPools();
        Assert.Equal([Path.Combine(elsewhere, name)], cast.Club.FilesWith("Ben Skerry"));
        Assert.Equal([Path.Combine(elsewhere, name)], cast.Club.FilesWith("Lea Estuary"));
        File.Copy(Path.Combine(elsewhere, name), Path.Combine(Folder, name), overwrite: true);

        var preview = (await cast.Olga.Get($"/api/backups/{name}/preview")).Ok;
        Assert.True((bool)preview["knowsEnds"]!);
        Assert.Equal((1, 1), ((int)preview["ended"]!["persons"]!, (int)preview["ended"]!["consents"]!));
        // Kim's has ended and Lea's was erased; Ben's went with Ben.
        Assert.Equal((2, 1), ((int)preview["ended"]!["accounts"]!, (int)preview["ended"]!["given"]!));
        (await cast.Olga.Post($"/api/backups/{name}/restore", new { password = Cast.Password })).Ok.ToString();
        await using var again = await Again();
        var olga = await SignIn(again, "olga");
        Assert.Equal(404, (await olga.Get($"/api/athletes/{cast.BenId}")).Status);
        Assert.Equal(200, (await olga.Get($"/api/athletes/{cast.CemId}")).Status);
        foreach (var gone in (string[])["ben", "kim", "lea"])
            Assert.NotEqual(
                204,
                (
                    await again.Stranger().Post("/api/sign-in", new { signInName = gone, password = Cast.Password })
                ).Status
            );
        Assert.Equal(403, (await (await SignIn(again, "moe")).Get($"/api/athletes/{cast.CemId}")).Status);
        Assert.NotNull((await olga.Get($"/api/athletes/{cast.AnaId}/consents")).Ok["withdrawnAt"]);
        // A link that was open then lets nobody in now.
        Assert.NotEqual(204, (await Cast.TryJoin(again.Stranger(), token, "nele", Cast.Password)).Status);
        SqliteConnection.ClearAllPools();
        Assert.DoesNotContain(Path.Combine(Data, "cumbre.db"), again.FilesWith("Ben Skerry"));
    }

    [Fact]
    public async Task A_file_that_was_put_back_by_hand_brings_nothing_back_either()
    {
        var name = await BackUp();
        File.Copy(Path.Combine(Folder, name), Path.Combine(Data, "by-hand"));
        (await cast.Olga.Put($"/api/athletes/{cast.BenId}/archive", new { away = true })).Ok?.ToString();
        (await cast.Olga.Delete($"/api/athletes/{cast.BenId}")).Ok.ToString();
        await cast.Club.Stop();
        SqliteConnection.ClearAllPools();
        File.Move(Path.Combine(Data, "by-hand"), Path.Combine(Data, "cumbre.db"), overwrite: true);

        await using var again = new Club(demo: false, data: Data);
        var olga = await SignIn(again, "olga");
        Assert.Equal(404, (await olga.Get($"/api/athletes/{cast.BenId}")).Status);
        Assert.Contains((await olga.Get("/api/audit?kinds=Restored")).Ok["entries"]!.AsArray(), e =>
            (string?)e!["after"] == "at the machine"
        );
    }

    [Fact]
    public async Task A_password_that_was_changed_since_stays_changed()
    {
        var name = await BackUp();
        Assert.Equal(
            204,
            (
                await cast.Olga.Put(
                    "/api/me/password",
                    new { current = Cast.Password, password = "another row of words" }
                )
            ).Status
        );
        (await cast.Olga.Post($"/api/backups/{name}/restore", new { password = "another row of words" })).Ok.ToString();
        await using var again = await Again();
        await SignIn(again, "olga", "another row of words");
    }

    [Fact]
    public async Task A_damaged_club_is_restored_at_the_machine_and_knows_what_has_ended()
    {
        var name = await BackUp();
        (await cast.Olga.Put($"/api/athletes/{cast.BenId}/archive", new { away = true })).Ok?.ToString();
        (await cast.Olga.Delete($"/api/athletes/{cast.BenId}")).Ok.ToString();
        Assert.Equal(0, Run("--restore", name).Code);
        // While a server runs nothing is restored.
        Assert.Equal(
            FileTrouble.InUse,
            Assert.Throws<FileTroubleException>(() => Run("--restore", name, "--yes", "true")).Trouble
        );
        await cast.Club.Stop();
        SqliteConnection.ClearAllPools();
        var file = Path.Combine(Data, "cumbre.db");
        await File.WriteAllBytesAsync(file, new byte[4096], TestContext.Current.CancellationToken);

        var (code, said) = Run("--restore", name);
        Assert.Equal(0, code);
        Assert.Contains("The present file cannot be read.", said, StringComparison.Ordinal);
        Assert.Equal(4096, new FileInfo(file).Length);
        (code, said) = Run("--restore", name, "--yes", "true");
        Assert.Equal(0, code);
        Assert.Contains("Signs in as owner: olga", said, StringComparison.Ordinal);
        // What could not be read is kept beside the file.
        Assert.Equal(4096, new FileInfo(file + ".replaced").Length);

        await using var again = new Club(demo: false, data: Data);
        var olga = await SignIn(again, "olga");
        Assert.Equal(404, (await olga.Get($"/api/athletes/{cast.BenId}")).Status);
        Assert.Equal(200, (await olga.Get($"/api/athletes/{cast.AnaId}")).Status);
        Assert.Equal((1, true), (Run("--restore", "none").Code, Run("--list-backups", "").Said.Contains(name)));
    }

    [Fact]
    public async Task A_backup_is_its_owners_alone_and_is_checked_before_it_has_its_name()
    {
        var (code, said) = Run("--back-up", "");
        Assert.Equal(0, code);
        Assert.Contains("was written and read back", said, StringComparison.Ordinal);
        var backup = Assert.Single(Shelf.All());
        if (!OperatingSystem.IsWindows())
        {
            Assert.Equal(
                UnixFileMode.UserRead | UnixFileMode.UserWrite,
                File.GetUnixFileMode(Path.Combine(Folder, backup.Name))
            );
            Assert.Equal(
                UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute,
                File.GetUnixFileMode(Folder)
            );
        }

        // Where there is no room the club goes on, and it is told.
        Directory.Delete(Folder, recursive: true);
        await File.WriteAllTextAsync(Folder, "no folder", TestContext.Current.CancellationToken);
        Assert.Equal(507, (await cast.Olga.Post("/api/backups")).Status);
        File.Delete(Folder);
        Assert.Equal(200, (await cast.Olga.Post("/api/backups")).Status);
    }

    [Fact]
    public async Task What_a_crash_left_half_written_is_cleared_away_and_the_sample_club_has_none()
    {
        foreach (var left in (string[])["cumbre.db.next.part", "cumbre.db.next.part-wal", "x.club.zip.part"])
            await File.WriteAllTextAsync(Path.Combine(Data, left), "half", TestContext.Current.CancellationToken);
        await using var again = await Again();
        var olga = await SignIn(again, "olga");
        Assert.DoesNotContain(Directory.EnumerateFiles(Data), f => f.Contains(".part", StringComparison.Ordinal));
        Assert.Equal(200, (await olga.Post("/api/backups")).Status);

        await using var sample = new Club(more: host => host.UseSetting("Cumbre:Sample", "true"));
        var refused = await (await sample.Coach()).Post("/api/backups");
        Assert.Equal((409, "sampleHasNoBackups"), (refused.Status, refused.Said));
    }

    [Fact]
    public async Task A_backup_that_is_damaged_is_not_restored()
    {
        var name = await BackUp();
        await using (var file = File.OpenWrite(Path.Combine(Folder, name)))
        {
            file.Position = file.Length / 2;
            file.Write(new byte[40_000]);
        }

        Assert.Equal("notRestored", (await cast.Olga.Get($"/api/backups/{name}/preview")).Said.Split(' ')[0]);
        Assert.Equal(
            409,
            (await cast.Olga.Post($"/api/backups/{name}/restore", new { password = Cast.Password })).Status
        );
        Assert.Equal(404, (await cast.Olga.Get("/api/backups/club-none.db/preview")).Status);
        Assert.Equal(404, (await cast.Olga.Get("/api/backups/..%2Fcumbre.db/preview")).Status);
        Assert.Equal(403, (await cast.Kim.Get("/api/backups")).Status);
    }

    [Fact]
    public void The_rotation_keeps_days_weeks_and_months_and_goes_by_how_many_there_are()
    {
        var start = new DateTimeOffset(2026, 1, 1, 3, 0, 0, TimeSpan.Zero);
        Backup[] year =
        [
            .. Enumerable
                .Range(0, 400)
                .Select(d => new Backup($"club-{d}", BackupKind.Daily, start.AddDays(d), 1))
                .OrderByDescending(b => b.At),
        ];
        var kept = year.Except(Rotation.Gone(year)).Select(b => b.At).ToArray();
        // 4 Feb 2027 is a Thursday: seven days down to 29 Jan, then Sundays 24, 17 and 10 Jan, then month ends.
        Assert.Equal(new DateTimeOffset(2027, 2, 4, 3, 0, 0, TimeSpan.Zero), kept[0]);
        Assert.Equal(7, kept.TakeWhile((at, i) => at == kept[0].AddDays(-i)).Count());
        Assert.Equal(
            [(1, 24), (1, 17), (1, 10), (12, 31), (11, 30)],
            kept.Skip(7).Take(5).Select(at => (at.Month, at.Day))
        );
        Assert.Equal(7 + 3 + 10, kept.Length);

        // A clock that was ten years ahead for a day takes none of the others away.
        Backup[] wrong = [new("club-x", BackupKind.Daily, start.AddYears(10), 1), .. year.Take(5)];
        Assert.Empty(Rotation.Gone(wrong));
        foreach (
            var (kind, most) in new[]
            {
                (BackupKind.Asked, Rotation.Asked),
                (BackupKind.Migration, Rotation.Migrations),
                (BackupKind.Replaced, Rotation.ReplacedFiles),
            }
        )
        {
            Backup[] all =
            [
                .. Enumerable.Range(0, most + 1).Select(d => new Backup($"{d}", kind, start.AddDays(d), 1)),
            ];
            Assert.Equal("0", Assert.Single(Rotation.Gone(all)).Name);
            Assert.Empty(Rotation.Gone(all[1..]));
        }
    }
}
