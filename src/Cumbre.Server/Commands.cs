using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Audit;

namespace Cumbre.Server;

/// <summary>What is done at the machine, beside a server that may be running: by whoever may read its files.</summary>
internal static class Commands
{
    /// <summary>Null: the arguments ask for none, and the server starts.</summary>
    /// <param name="args">Of the command line: <c>--recover NAME</c> or <c>--verify-audit [SEAL]</c>.</param>
    /// <param name="output">Receives what is answered.</param>
    /// <returns>The exit code: 0 done, 1 refused or broken.</returns>
    /// <exception cref="SettingException">A setting cannot be read.</exception>
    public static int? Run(string[] args, TextWriter output)
    {
        var configuration = new ConfigurationBuilder()
            .AddEnvironmentVariables()
            .AddCommandLine(args, CumbreOptions.Switches)
            .Build();
        var (recover, verify) = (configuration["Cumbre:Recover"], configuration["Cumbre:VerifyAudit"]);
        if (recover is null && verify is null)
            return null;
        var options = CumbreOptions.From(configuration);
        if (!File.Exists(Path.Combine(options.Data, "cumbre.db")))
        {
            output.WriteLine($"There is no club in {options.Data}.");
            return 1;
        }

        var database = new Database(options.Data);
        database.Migrate(_ => { });
        return recover is not null ? Recover(database, options, recover, output) : Verify(database, verify!, output);
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
