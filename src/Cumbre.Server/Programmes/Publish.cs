using System.Security.Claims;
using System.Text.Json;
using System.Text.Json.Nodes;
using Cumbre.Core.Explanations;
using Cumbre.Core.Measures;
using Cumbre.Core.Programmes;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Server.Reading;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Audit;
using Cumbre.Storage.Programmes;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Programmes;

/// <param name="Version">Of the block, as the coach saw it.</param>
/// <param name="Note">What is new, at most 200 characters; null: nothing is said.</param>
public sealed record PublishRequest(long Version, string? Note);

/// <summary>A published version.</summary>
/// <param name="Number">From 1.</param>
/// <param name="Note">In the coach's words.</param>
/// <param name="At">When.</param>
/// <param name="By">Name of the account.</param>
public sealed record VersionDto(int Number, string? Note, DateTimeOffset At, string? By);

/// <summary>The versions of a block.</summary>
/// <param name="Versions">Newest first.</param>
/// <param name="Changed">The block was changed since the newest, or never published.</param>
/// <param name="OpenCautions">Of the block as it stands, without those that are kept with a reason.</param>
public sealed record VersionList(IReadOnlyList<VersionDto> Versions, bool Changed, int OpenCautions);

/// <summary>A block as it goes on paper: what was planned, and what it means for the athlete.</summary>
/// <param name="Club">Name of the club.</param>
/// <param name="AthleteName">For whom.</param>
/// <param name="Unit">In which the athlete thinks: paper speaks it, whoever prints.</param>
/// <param name="Number">Of the version; null: a draft.</param>
/// <param name="At">When it was published, or read.</param>
/// <param name="Block">What was planned.</param>
/// <param name="Items">What each item means.</param>
/// <param name="Seconds">Of each session, by its id.</param>
/// <param name="Cautions">Of each session, by its id.</param>
public sealed record PublishedBlock(
    string Club,
    string AthleteName,
    MassUnit Unit,
    int? Number,
    DateTimeOffset At,
    BlockBody Block,
    IReadOnlyList<ItemMeaning> Items,
    IReadOnlyDictionary<Guid, int> Seconds,
    IReadOnlyDictionary<Guid, IReadOnlyList<CautionNote>> Cautions
)
{
    /// <summary>How a version is kept; since the second each movement says whether it asks for the contact.</summary>
    public static ShownDocument<PublishedBlock> Kept { get; } =
        new(shown =>
        {
            foreach (var item in shown["items"]!.AsArray())
                (item?["movement"] as JsonObject)?.TryAdd("asksContact", false);
        });

    public static PublishedBlock Of(
        string club,
        string athleteName,
        int? number,
        DateTimeOffset at,
        Block block,
        AthleteAtWork athlete
    )
    {
        var sessions = DoseReader.Read(block, athlete, DoseRules.Shipped).SelectMany(w => w.Sessions).ToArray();
        return new(
            club,
            athleteName,
            athlete.Athlete.Unit,
            number,
            at,
            BlockBody.Of(block),
            [.. sessions.SelectMany(s => s.Items).Select(i => BlockReading.Meaning(i, athlete))],
            sessions.ToDictionary(s => s.Session.Id, s => s.Seconds),
            sessions.ToDictionary(s => s.Session.Id, s => SessionCautions.Of(s, athlete))
        );
    }
}

/// <summary>Draft and published versions of a block.</summary>
internal static class Publish
{
    public static Results<Ok<VersionList>, ProblemHttpResult> List(
        Guid athleteId,
        Guid blockId,
        Database database,
        ClubClock clock
    ) =>
        database.Read(db => Versions(db, athleteId, blockId, clock)) is { } list
            ? TypedResults.Ok(list)
            : (ProblemHttpResult)Problems.NotFound(Words.NoBlock);

    public static Results<Ok<VersionList>, ProblemHttpResult> Add(
        Guid athleteId,
        Guid blockId,
        PublishRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    )
    {
        var note = string.IsNullOrWhiteSpace(request.Note)
            ? null
            : Problems.Text("note", request.Note, Words.WriteNews, 200);
        return database.Write<Results<Ok<VersionList>, ProblemHttpResult>>(db =>
        {
            if (BlockStore.Find(db, blockId) is not { } stored || stored.AthleteId != athleteId)
                return (ProblemHttpResult)Problems.NotFound(Words.NoBlock);
            if (stored.Version != request.Version)
                return (ProblemHttpResult)
                    Problems.Conflict(Words.PublishOld, GetBlock.Find(db, athleteId, blockId, null, clock.Today));
            var number = (VersionStore.Of(db, blockId) is [var newest, ..] ? newest.Number : 0) + 1;
            VersionStore.Add(
                db,
                blockId,
                PublishedBlock.Kept.Write(Draft(db, athleteId, stored, clock, number)!),
                note,
                clock.Stamp(Policies.IdOf(user))
            );
            AuditStore.Add(
                db,
                new(AuditKind.BlockPublished)
                {
                    Athlete = athleteId,
                    Subject = blockId,
                    After = $"{stored.Name}: {number}",
                },
                clock.Stamp(Policies.IdOf(user))
            );
            return TypedResults.Ok(Versions(db, athleteId, blockId, clock)!);
        });
    }

    /// <summary>The block as it goes on paper: a version as it was frozen, or the draft as it means today.</summary>
    public static Results<Ok<PublishedBlock>, ProblemHttpResult> Sheets(
        Guid athleteId,
        Guid blockId,
        int? version,
        Database database,
        ClubClock clock
    ) =>
        database.Read(db => Find(db, athleteId, blockId, version, clock)) is { } block
            ? TypedResults.Ok(block)
            : (ProblemHttpResult)Problems.NotFound(Words.NoVersion);

    /// <summary>A version, or without a number the draft; null: there is none.</summary>
    public static PublishedBlock? Find(Db db, Guid athleteId, Guid blockId, int? version, ClubClock clock)
    {
        if (BlockStore.Find(db, blockId) is not { } stored || stored.AthleteId != athleteId)
            return null;
        return version is { } number
            ? Read(VersionStore.Snapshot(db, blockId, number))
            : Draft(db, athleteId, stored, clock, null);
    }

    /// <summary>
    /// Every session that was ever published, newest version first, so that those which are gone can be called off.
    /// </summary>
    public static IReadOnlyList<PublishedBlock> All(Db db, Guid blockId) =>
        [.. VersionStore.Snapshots(db, blockId).Select(s => Read(s)!)];

    private static PublishedBlock? Read(string? snapshot) =>
        snapshot is null ? null : PublishedBlock.Kept.Read(snapshot);

    private static PublishedBlock? Draft(Db db, Guid athleteId, StoredBlock stored, ClubClock clock, int? number) =>
        Work.Load(db, athleteId, clock.Today) is { } found
            ? PublishedBlock.Of(
                AccountStore.Club(db)?.Name ?? "",
                found.Profile.Name,
                number,
                clock.Now,
                Blocks.Read(stored, SessionStore.OfBlock(db, stored.Id)),
                found.Athlete
            )
            : null;

    public static VersionList? Versions(Db db, Guid athleteId, Guid blockId, ClubClock clock)
    {
        if (
            BlockStore.Find(db, blockId) is not { } stored
            || stored.AthleteId != athleteId
            || Work.Load(db, athleteId, clock.Today) is not { } found
        )
            return null;
        var versions = VersionStore.Of(db, blockId);
        var block = Blocks.Read(stored, SessionStore.OfBlock(db, blockId));
        var cautions = BlockChecks
            .Of(block, DoseReader.Read(block, found.Athlete, DoseRules.Shipped), found.Athlete, DoseRules.Shipped)
            .Count(c => c.KeptBecause is null);
        var changed =
            versions is not [var newest, ..]
            || Read(VersionStore.Snapshot(db, blockId, newest.Number)) is not { } last
            || !Same(last.Block, BlockBody.Of(block));
        return new([.. versions.Select(v => new VersionDto(v.Number, v.Note, v.At, v.By))], changed, cautions);
    }

    /// <summary>A session that has begun meanwhile is the same plan still.</summary>
    private static bool Same(BlockBody one, BlockBody other)
    {
        static string Text(BlockBody b) =>
            JsonSerializer.Serialize(
                b with
                {
                    Weeks =
                    [
                        .. b.Weeks.Select(w =>
                            w with
                            {
                                Sessions = [.. w.Sessions.Select(s => s with { Fixed = false })],
                            }
                        ),
                    ],
                },
                WireJson.Options
            );
        return Text(one) == Text(other);
    }
}
