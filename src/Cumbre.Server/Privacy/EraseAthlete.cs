using System.Security.Claims;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Server.Programmes;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Privacy;
using Cumbre.Storage.Programmes;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Privacy;

/// <summary>A person is erased: rows, messages, copies of the file, and their name in the words of others.</summary>
internal static class EraseAthlete
{
    /// <summary>For good. Only an archived athlete can be erased, so that one press never loses a history.</summary>
    public static Results<Ok<ErasureReceipt>, ProblemHttpResult> Handle(
        Guid athleteId,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock,
        CumbreOptions options
    )
    {
        var (profile, blocks) = database.Read(db =>
            (AthleteStore.Find(db, athleteId), BlockStore.Of(db, athleteId).Select(b => b.Id).ToArray())
        );
        if (profile is null)
            return (ProblemHttpResult)Problems.NotFound(Words.NoAthlete);
        if (profile.ArchivedAt is null)
            return (ProblemHttpResult)Problems.Conflict(Words.ArchiveFirst, null);
        // What lies beside the file goes first: were it to fail, the person still stands where they can be erased.
        var messages = Outbox.EraseOf(profile.Name, blocks, options);
        var copies = database.CopiesWith(athleteId);
        foreach (var copy in copies)
            File.Delete(copy);
        var receipt = database.Write(db =>
        {
            var (rows, mentions) = Erasure.Run(db, athleteId, profile.Name);
            var made = new ErasureReceipt(rows, mentions, messages, copies.Count);
            var id = Guid.CreateVersion7();
            var stamp = clock.Stamp(Policies.IdOf(user));
            Erasure.Keep(db, id, made, stamp);
            AuditStore.Add(db, Guid.CreateVersion7(), "erasure", id, "erased a person", null, stamp);
            return made;
        });
        database.Forget();
        return TypedResults.Ok(receipt);
    }
}
