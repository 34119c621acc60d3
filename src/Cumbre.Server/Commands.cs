using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Audit;
using Cumbre.Storage.Backups;
using Cumbre.Storage.Exchange;

namespace Cumbre.Server;

/// <summary>What is done at the machine, beside a server that may be running: by whoever may read its files.</summary>
internal static class Commands
{
    /// <summary>Null: the arguments ask for none, and the server starts.</summary>
    /// <param name="args">
    /// Of the command line: <c>--recover NAME</c>, <c>--verify-audit=[SEAL]</c>, <c>--back-up=</c>,
    /// <c>--list-backups=</c>, <c>--restore NAME [--yes true]</c>, <c>--write-club FILE</c> or <c>--read-club FILE</c>.
    /// </param>
    /// <param name="output">Receives what is answered.</param>
    /// <returns>The exit code: 0 done, 1 refused or broken.</returns>
    /// <exception cref="SettingException">A setting cannot be read.</exception>
    /// <exception cref="FileTroubleException">The file cannot be used, or a server holds it during a restore.</exception>
    /// <exception cref="BackupException">A backup cannot be made or restored.</exception>
    public static int? Run(string[] args, TextWriter output)
    {
        var configuration = new ConfigurationBuilder()
            .AddEnvironmentVariables()
            .AddCommandLine(args, CumbreOptions.Switches)
            .Build();
        var (recover, verify) = (configuration["Cumbre:Recover"], configuration["Cumbre:VerifyAudit"]);
        var (list, backUp) = (configuration["Cumbre:ListBackups"], configuration["Cumbre:BackUp"]);
        var restore = configuration["Cumbre:Restore"];
        var (write, read) = (configuration["Cumbre:WriteClub"], configuration["Cumbre:ReadClub"]);
        if ((recover ?? verify ?? list ?? backUp ?? restore ?? write ?? read) is null)
            return null;
        var options = CumbreOptions.From(configuration);
        var files = new ClubFiles(options.Data, options.Backups);
        // Of a file that is damaged or lost as well.
        if (list is not null)
            return ListBackups(files, output);
        if (restore is not null)
            return Restore(files, options, restore, configuration.GetValue("Cumbre:Yes", false), output);
        if (read is not null)
            return ReadClub(files, options, read, output);
        if (!File.Exists(Path.Combine(options.Data, ClubFolder.File)))
        {
            output.WriteLine($"There is no club in {options.Data}.");
            return 1;
        }

        var database = new Database(options.Data);
        database.Migrate(_ => { }, files.Shelf);
        return recover is not null ? Recover(database, options, recover, output)
            : verify is not null ? Verify(database, verify, output)
            : write is not null ? WriteClub(database, options, write, output)
            : BackUp(database, files, output);
    }

    private static int WriteClub(Database database, CumbreOptions options, string path, TextWriter output)
    {
        using var file = new FileStream(path, FileMode.CreateNew);
        ClubFolder.Guard(path);
        var manifest = WholeClub.Write(database, file, new ClubClock(options, database, TimeProvider.System).Today);
        output.WriteLine($"{path}: {manifest.Club}, {manifest.Tables.Sum(t => t.Rows):N0} rows.");
        return 0;
    }

    private static int ReadClub(ClubFiles files, CumbreOptions options, string path, TextWriter output)
    {
        if (!File.Exists(path))
        {
            output.WriteLine($"There is no file {path}.");
            return 1;
        }

        using var folder = new ClubFolder(options.Data);
        var database = new Database(options.Data);
        var now = TimeProvider.System.GetUtcNow();
        files.Open(database, now, _ => { }, output.WriteLine);
        try
        {
            using var file = File.OpenRead(path);
            var manifest = WholeClub.Read(database, file);
            database.Write(db =>
            {
                AuditStore.Add(db, new(AuditKind.Restored) { After = Path.GetFileName(path) }, now, null);
                return true;
            });
            output.WriteLine(
                $"{manifest.Club}, {manifest.Tables.Sum(t => t.Rows):N0} rows of {manifest.ExportedOn:yyyy-MM-dd}, was read. "
                    + "Nobody has a password yet: run --recover NAME for the owner."
            );
            return 0;
        }
        catch (ArchiveException e)
        {
            output.WriteLine($"Nothing was read: it does not fit {e.Place}.");
            return 1;
        }
    }

    private static int BackUp(Database database, ClubFiles files, TextWriter output)
    {
        var made = database.BackUp(files.Shelf, BackupKind.Asked, TimeProvider.System.GetUtcNow());
        files.Shelf.Rotate();
        output.WriteLine($"{files.Shelf.PathOf(made)}, {made.Bytes:N0} bytes, was written and read back.");
        return 0;
    }

    private static int ListBackups(ClubFiles files, TextWriter output)
    {
        var all = files.Shelf.All();
        output.WriteLine(all.Count == 0 ? $"There is no backup in {files.Shelf.Folder}." : $"In {files.Shelf.Folder}:");
        foreach (var backup in all)
            output.WriteLine($"  {backup.Name}  {backup.Bytes:N0} bytes");
        return 0;
    }

    /// <summary>Tells what it would change, and does it only when that is asked for.</summary>
    private static int Restore(ClubFiles files, CumbreOptions options, string name, bool yes, TextWriter output)
    {
        if (files.Shelf.Find(Path.GetFileName(name)) is not { } backup)
        {
            output.WriteLine($"There is no backup \"{name}\" in {files.Shelf.Folder}.");
            return 1;
        }

        var now = TimeProvider.System.GetUtcNow();
        if (!yes)
        {
            Tell(files.Preview(backup, now), output);
            output.WriteLine("Nothing was changed. Add --yes to restore it; no server may run on this folder then.");
            return 0;
        }

        using var folder = new ClubFolder(options.Data);
        Tell(files.Prepare(backup, null, now), output);
        files.Open(new Database(options.Data), now, _ => { }, output.WriteLine);
        output.WriteLine($"Restored {backup.Name}. What was there is kept, among the backups or beside it.");
        return 0;
    }

    private static void Tell(RestorePreview preview, TextWriter output)
    {
        var (now, then) = (preview.Now, preview.Then);
        output.WriteLine(now is null ? "The present file cannot be read." : "                 now       then");
        foreach (
            var (what, of) in new (string, Func<FileCounts, long>)[]
            {
                ("athletes", c => c.Athletes),
                ("accounts", c => c.Accounts),
                ("sessions", c => c.Sessions),
                ("sets", c => c.Sets),
                ("tests", c => c.Tests),
                ("blocks", c => c.Blocks),
                ("decisions", c => c.Decisions),
            }
        )
            output.WriteLine($"{what, -10}{(now is null ? "" : $"{of(now):N0}"), 10} {of(then), 10:N0}");
        output.WriteLine($"last day  {now?.LastDay, 10:yyyy-MM-dd} {then.LastDay, 10:yyyy-MM-dd}");
        foreach (var athlete in preview.Differs)
            output.WriteLine(
                athlete switch
                {
                    { SetsThen: null } => $"{athlete.Name}: would not be in the club ({athlete.SetsNow:N0} sets now)",
                    { SetsNow: null } => $"{athlete.Name}: would be in the club again ({athlete.SetsThen:N0} sets)",
                    _ => $"{athlete.Name}: {athlete.SetsThen:N0} sets instead of {athlete.SetsNow:N0}",
                }
            );
        foreach (var name in preview.AccountsGone)
            output.WriteLine($"{name}: could no longer sign in");
        output.WriteLine(
            preview.KnowsEnds
                ? $"Stays ended: {preview.Ended.Persons} erased, {preview.Ended.Accounts} without access, "
                    + $"{preview.Ended.Consents} withdrawn consents; everybody signs in again."
                : "Nothing is known of what has ended since this backup: look through People and Privacy afterwards."
        );
        output.WriteLine(
            preview.Owners.Count == 0
                ? "No owner could sign in: run --recover NAME afterwards."
                : $"Signs in as owner: {string.Join(", ", preview.Owners)}"
        );
    }

    private static int Recover(Database database, CumbreOptions options, string name, TextWriter output)
    {
        var clock = new ClubClock(options, database, TimeProvider.System);
        var made = database.Write(db =>
        {
            if (AccountStore.BySignInName(db, name.Trim()) is not { EndedAt: null } account)
                return null;
            AuditStore.Add(
                db,
                new(AuditKind.RecoveryLinkMade) { Subject = account.Id, After = "at the machine" },
                clock.Now,
                null
            );
            return new Links(TimeProvider.System).Recover(db, account, null);
        });
        if (made is null)
        {
            output.WriteLine($"Nobody signs in as \"{name}\".");
            return 1;
        }

        output.WriteLine("Open this within a day, after the address of the club; it works once:");
        output.WriteLine(made.Path);
        return 0;
    }

    private static int Verify(Database database, string noted, TextWriter output)
    {
        var verdict = database.Read(db => AuditChain.Verify(db, noted.Length == 0 ? null : noted));
        output.WriteLine($"{verdict.Entries} entries, {verdict.Erased} of them erased with a person.");
        if (verdict.BrokenAt is { } broken)
            output.WriteLine($"BROKEN: entry {broken} is not as it was written.");
        if (verdict.HasNoted == false)
            output.WriteLine("BROKEN: the seal that was noted is not in the chain; its end was cut off or replaced.");
        if (verdict is { BrokenAt: null, HasNoted: not false })
            output.WriteLine("The chain is whole.");
        output.WriteLine($"Note this seal to check the end later: {verdict.Head}");
        return verdict is { BrokenAt: null, HasNoted: not false } ? 0 : 1;
    }
}
