using System.Security.Claims;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Server.Sessions;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Running;

/// <summary>What an entry of a device says.</summary>
public enum EntryKind
{
    Set,

    /// <summary>A set is taken back.</summary>
    Withdraw,

    /// <summary>The rest of an item is left out, with the reason; without one it goes on.</summary>
    Skip,

    /// <summary>Another form takes over the rest of an item.</summary>
    Swap,
    CheckIn,

    /// <summary>The easy version of the day is taken or refused.</summary>
    Easy,
    Effort,
    Finish,
    Morning,

    /// <summary>Of two that differ one is chosen.</summary>
    Answer,
}

/// <summary>One thing that happened at the bar, with an id made on the device.</summary>
/// <param name="Id">Sending it twice is harmless.</param>
/// <param name="Session">Of which session.</param>
/// <param name="Kind">What it says.</param>
/// <param name="At">When, by the device's clock.</param>
/// <param name="Item">Of which item.</param>
/// <param name="Set">The set.</param>
/// <param name="Of">The set that is taken back, or the entry that is answered.</param>
/// <param name="Reason">Why the rest is left out.</param>
/// <param name="To">The form that takes over.</param>
/// <param name="CheckIn">What was told before.</param>
/// <param name="Take">The easy version is taken.</param>
/// <param name="Effort">Of the session.</param>
/// <param name="Morning">What was told on the morning after.</param>
/// <param name="Answer">What was chosen.</param>
public sealed record EntryRequest(
    Guid Id,
    Guid Session,
    EntryKind Kind,
    DateTimeOffset At,
    Guid? Item = null,
    SetRequest? Set = null,
    Guid? Of = null,
    string? Reason = null,
    Guid? To = null,
    CheckInDto? CheckIn = null,
    bool? Take = null,
    decimal? Effort = null,
    MorningRequest? Morning = null,
    EntryAnswer? Answer = null
);

/// <summary>What waited on a device, in the order in which it happened.</summary>
/// <param name="SentAt">By the device's clock: how far it is off.</param>
/// <param name="Seals">Of the packs that the entries are of.</param>
/// <param name="Entries">At most 200.</param>
public sealed record EntriesRequest(
    DateTimeOffset SentAt,
    IReadOnlyList<string> Seals,
    IReadOnlyList<EntryRequest> Entries
);

/// <summary>What became of an entry.</summary>
/// <param name="Id">Of the entry.</param>
/// <param name="Outcome">Whatever it is, the server has it, and the device need not send it again.</param>
/// <param name="Message">Why it does not fit.</param>
/// <param name="Stored">Of two that differ, the one that stands.</param>
public sealed record EntryResult(Guid Id, EntryOutcome Outcome, Message? Message, SetDto? Stored);

internal static class PutEntries
{
    public const int Most = 200;

    public static Results<Ok<IReadOnlyList<EntryResult>>, ProblemHttpResult> Handle(
        Guid athleteId,
        EntriesRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock,
        PackSeal seal
    )
    {
        if (request.Entries.Count > Most)
            throw Problems.Field("entries", Words.TooMany(Most, request.Entries.Count));
        if (database.Read(db => AthleteStore.Find(db, athleteId)) is null)
            return (ProblemHttpResult)Problems.NotFound(Words.NoAthlete);
        var packs = request
            .Seals.Select(seal.Read)
            .OfType<SealedPack>()
            .Where(p => p.Athlete == athleteId)
            // The first that was shown is the one by which the session was begun.
            .GroupBy(p => p.Session)
            .ToDictionary(g => g.Key, g => g.First());
        var clockOff = clock.Now - request.SentAt;
        var merge = new EntryMerge(athleteId, packs, clock, clock.Stamp(Policies.IdOf(user)), clockOff);
        return TypedResults.Ok<IReadOnlyList<EntryResult>>(
            database.Write<EntryResult[]>(db => [.. request.Entries.Select(e => merge.Take(db, e))])
        );
    }
}
