using System.Security.Claims;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Audit;
using Cumbre.Storage.Privacy;
using Cumbre.Storage.Programmes;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Privacy;

/// <summary>A person is erased: rows, messages, copies of the file, and their name in the words of others.</summary>
internal sealed class Erasing(Database database, BackupKeeper keeper, ClubClock clock, CumbreOptions options)
{
    /// <summary>For good.</summary>
    /// <param name="profile">Whom.</param>
    /// <param name="by">Who asks for it; null: the club's rule on how long it keeps people.</param>
    public ErasureReceipt Run(AthleteProfile profile, Guid? by)
    {
        var blocks = database.Read(db => BlockStore.Of(db, profile.Id).Select(b => b.Id).ToArray());
        // What lies beside the file goes first: were it to fail, the person still stands where they can be erased.
        var messages = Mail.EraseOf(profile.Id, profile.Name, blocks, options);
        var copies = keeper.CountOf(profile.Id);
        var receipt = database.Write(db =>
        {
            var (rows, mentions) = Erasure.Run(db, profile.Id, profile.Name, clock.Now);
            var made = new ErasureReceipt(rows, mentions, messages, copies);
            var id = Guid.CreateVersion7();
            Erasure.Keep(db, id, made, clock.Now, by);
            AuditStore.Add(db, new(AuditKind.PersonErased) { Subject = id }, clock.Now, by);
            return made;
        });
        database.Forget();
        keeper.Soon();
        return receipt;
    }
}

internal static class EraseAthlete
{
    /// <summary>Only an archived athlete can be erased, so that one press never loses a history.</summary>
    public static Results<Ok<ErasureReceipt>, ProblemHttpResult> Handle(
        Guid athleteId,
        ClaimsPrincipal user,
        Database database,
        Erasing erasing
    )
    {
        if (database.Read(db => AthleteStore.Find(db, athleteId)) is not { } profile)
            return (ProblemHttpResult)Problems.NotFound(Words.NoAthlete);
        return profile.ArchivedAt is null
            ? (ProblemHttpResult)Problems.Conflict(Words.ArchiveFirst, null)
            : TypedResults.Ok(erasing.Run(profile, Policies.IdOf(user)));
    }
}
