using System.Security.Claims;
using System.Text.Json.Nodes;
using Cumbre.Core.Measures;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes;
using Cumbre.Server.Accounts;
using Cumbre.Server.Audit;
using Cumbre.Server.Hosting;
using Cumbre.Server.Reading;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Audit;
using Cumbre.Storage.Ladders;
using Cumbre.Storage.Programmes;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Programmes;

public static class BlockEndpoints
{
    public static void MapProgrammes(this IEndpointRouteBuilder api)
    {
        var coach = api.MapGroup("").RequireAuthorization(Policies.Coach);
        coach.MapGet("/programmes", Programmes.Handle);
        coach.MapGet("/notation", NotationHelp.Card);
        coach.MapGet("/notation/completions", NotationHelp.Complete);
        coach.MapPost("/notation/line", NotationHelp.Write);
        coach.MapGet("/templates", Templates.List);
        coach.MapPut("/templates/{id:guid}", Templates.Add);
        coach.MapDelete("/templates/{id:guid}", Templates.Remove).RequireAuthorization(Policies.Club);
        coach.MapPost("/templates/{id:guid}/fit", Templates.Fit);
        coach.MapPost("/templates/{id:guid}/apply", Templates.Apply);
        coach.MapGet("/groups", Groups.List);
        coach.MapGet("/groups/{id:guid}", Groups.Get);
        coach.MapPut("/groups/{id:guid}", Groups.Put);
        coach.MapDelete("/groups/{id:guid}", Groups.Remove);
        coach.MapPost("/groups/{id:guid}/preview", Groups.Preview);
        coach.MapPost("/compare", CompareBlocks.Handle);
        coach.MapGet("/outbox", Outbox.List);
        coach.MapGet("/outbox/{id:guid}", Outbox.Get);
        coach.MapGet("/outbox/{id:guid}/message.eml", Outbox.Raw);

        api.MapGet("/athletes/{athleteId:guid}/programme", OwnProgramme.List).RequireAuthorization(Policies.OwnAthlete);
        api.MapGet("/athletes/{athleteId:guid}/programme/{blockId:guid}", OwnProgramme.Get)
            .RequireAuthorization(Policies.OwnAthlete);

        var athlete = coach.MapGroup("/athletes/{athleteId:guid}");
        athlete.MapGet("/movements", Picker.Handle);
        athlete.MapGet("/substitutes", Picker.Substitutes);
        athlete.MapGet("/blocks", BlockList.Handle);
        athlete.MapPost("/blocks/reading", ReadBlock.Handle);
        athlete.MapPost("/blocks/{blockId:guid}/reading", ReadBlock.Stroke);
        athlete.MapPost("/lines", PastedLines.Handle);
        athlete.MapPost("/blocks/why", WhyBlock.Handle);
        athlete.MapPost("/blocks/shift", ShiftBlock.Handle);
        athlete.MapGet("/blocks/{blockId:guid}", GetBlock.Handle);
        athlete.MapPut("/blocks/{blockId:guid}", PutBlock.Handle);
        athlete.MapDelete("/blocks/{blockId:guid}", RemoveBlock.Handle);
        athlete.MapPost("/blocks/{blockId:guid}/outside", Outside.Choose);
        athlete.MapPost("/blocks/{blockId:guid}/seen", SeenBlock.Handle);
        athlete.MapPost("/blocks/import", BlockFile.Preview);
        athlete.MapGet("/blocks/{blockId:guid}/versions", Publish.List);
        athlete.MapPost("/blocks/{blockId:guid}/versions", Publish.Add);
        athlete.MapGet("/blocks/{blockId:guid}/sheets", Publish.Sheets);
        athlete.MapGet("/blocks/{blockId:guid}/calendar.ics", BlockExports.Calendar).NotesExport();
        athlete.MapGet("/blocks/{blockId:guid}/block.csv", BlockExports.Csv).NotesExport();
        athlete.MapGet("/blocks/{blockId:guid}/block.json", BlockFile.Export).NotesExport();
        athlete.MapPost("/blocks/{blockId:guid}/messages", Outbox.Write);
        athlete.MapPost("/blocks/{blockId:guid}/generate", Generate.Preview);
        athlete.MapPost("/blocks/{blockId:guid}/generate/under", Generate.Under);
        athlete.MapGet("/blocks/{blockId:guid}/generated", Generate.Get);
        athlete.MapPut("/blocks/{blockId:guid}/generated", Generate.Take);
    }
}

internal static class Programmes
{
    public static Ok<IReadOnlyList<ProgrammeRow>> Handle(Database database, ClubClock clock, Reach reach)
    {
        var today = clock.Today;
        return TypedResults.Ok(
            database.Read<IReadOnlyList<ProgrammeRow>>(db =>
            {
                var ladders = CatalogueStore.Club(db).Atlas.BySlug;
                var blocks = BlockStore.Newest(db, today);
                return
                [
                    .. AthleteStore
                        .Everyone(db)
                        .Where(a => a.ArchivedAt is null && reach.Holds(a.Id))
                        .OrderBy(a => a.Name, StringComparer.CurrentCulture)
                        .Select(a =>
                        {
                            var block = blocks.GetValueOrDefault(a.Id);
                            int? week = block is null ? null : (today.DayNumber - block.Start.DayNumber) / 7 + 1;
                            return new ProgrammeRow(
                                a.Id,
                                a.Name,
                                [.. a.Intake.Advancing.Select(g => ladders.GetValueOrDefault(g)?.Name ?? g)],
                                block is null ? null : BlockList.Summary(block),
                                block is not null && today >= block.Start && week <= block.Weeks.Count ? week : null
                            );
                        }),
                ];
            })
        );
    }
}

internal static class BlockList
{
    public static Ok<IReadOnlyList<BlockSummary>> Handle(Guid athleteId, Database database) =>
        TypedResults.Ok(
            database.Read<IReadOnlyList<BlockSummary>>(db => [.. BlockStore.Of(db, athleteId).Select(Summary)])
        );

    public static BlockSummary Summary(StoredBlock block) =>
        new(block.Id, block.Name, block.Start, block.Weeks.Count, block.Version);
}

internal static class GetBlock
{
    public static Results<Ok<BlockDto>, ProblemHttpResult> Handle(
        Guid athleteId,
        Guid blockId,
        Guid? session,
        Database database,
        ClubClock clock
    ) =>
        database.Read(db => Find(db, athleteId, blockId, session, clock.Today)) is { } block
            ? TypedResults.Ok(block)
            : (ProblemHttpResult)Problems.NotFound(Words.NoBlock);

    public static BlockDto? Find(Db db, Guid athleteId, Guid blockId, Guid? session, DateOnly today)
    {
        if (
            BlockStore.Find(db, blockId) is not { } stored
            || stored.AthleteId != athleteId
            || Work.Load(db, athleteId, today) is not { } found
        )
            return null;
        var sessions = SessionStore.OfBlock(db, blockId);
        var block = Blocks.Read(stored, sessions);
        return new(
            blockId,
            athleteId,
            found.Profile.Name,
            found.Profile.Intake.Minutes,
            found.Profile.Intake.Days,
            found.Athlete.BodyMass?.Value.Kilograms,
            stored.Version,
            stored.WrittenAt,
            stored.WrittenBy,
            BlockBody.Of(block),
            BlockReading.Of(block, found.Athlete, session),
            [.. Seen.Changes(sessions, found.Athlete)],
            GenerationStore.Of(db, blockId) is { } made ? new(made.At, made.By) : null,
            GroupStore.OfBlock(db, blockId) is { } group ? new(group.Id, group.Name) : null,
            Outside.Of(db, stored, found.Athlete.Atlas.Catalogue, today)
        );
    }
}

internal static class PutBlock
{
    public static Results<Ok<BlockDto>, ProblemHttpResult> Handle(
        Guid athleteId,
        Guid blockId,
        Guid? session,
        BlockRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    )
    {
        var block = request.Block.Parse();
        var written = database.Write(
            db =>
            {
                if (Work.Load(db, athleteId, clock.Today) is not { } found)
                    return Written.Missing;
                var before = BlockStore.Find(db, blockId);
                block = Work.Writing(db, found.Athlete, user).Of(block);
                var written = Blocks.Write(
                    db,
                    athleteId,
                    blockId,
                    block,
                    request.Version,
                    clock.Stamp(Policies.IdOf(user))
                );
                if (written == Written.Done)
                {
                    Seen.NoteNew(db, SessionStore.OfBlock(db, blockId), found.Athlete);
                    db.Reconsider(athleteId);
                    foreach (var kept in block.Kept.Where(k => before?.Kept.Contains(k) != true))
                        AuditStore.Add(
                            db,
                            new(AuditKind.KeptAgainstCaution)
                            {
                                Athlete = athleteId,
                                Subject = blockId,
                                After = kept.Key,
                                Reason = kept.Reason,
                            },
                            clock.Stamp(Policies.IdOf(user))
                        );
                }

                return written;
            },
            commit: answer => answer == Written.Done
        );
        var now = database.Read(db => GetBlock.Find(db, athleteId, blockId, session, clock.Today));
        return written switch
        {
            Written.Done => TypedResults.Ok(now!),
            Written.Missing => (ProblemHttpResult)Problems.NotFound(Words.NoAthleteOrBlock),
            // The same block sent twice, after an answer that was lost.
            _ when now is not null && Blocks.AreSame(now.Block.Parse(), block) => TypedResults.Ok(now),
            _ => (ProblemHttpResult)Problems.Conflict(Words.BlockChangedOrBegun, now),
        };
    }
}

internal static class RemoveBlock
{
    public static Results<NoContent, ProblemHttpResult> Handle(
        Guid athleteId,
        Guid blockId,
        long version,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    )
    {
        var (written, now) = database.Write(db =>
        {
            if (BlockStore.Find(db, blockId) is not { } block || block.AthleteId != athleteId)
                return (Written.Missing, null);
            var written = BlockStore.Remove(db, blockId, version);
            if (written == Written.Done)
                AuditStore.Add(
                    db,
                    new(AuditKind.BlockRemoved)
                    {
                        Athlete = athleteId,
                        Subject = blockId,
                        Before = block.Name,
                    },
                    clock.Stamp(Policies.IdOf(user))
                );
            return (written, GetBlock.Find(db, athleteId, blockId, null, clock.Today));
        });
        return written switch
        {
            Written.Done => TypedResults.NoContent(),
            Written.Missing => (ProblemHttpResult)Problems.NotFound(Words.NoBlock),
            _ => (ProblemHttpResult)Problems.Conflict(Words.BlockChangedElsewhere, now),
        };
    }
}

/// <summary>What a key stroke changed of a block that is stored.</summary>
/// <param name="Version">Of the stored block.</param>
/// <param name="Sessions">Those that are no longer as stored.</param>
public sealed record StrokeBody(long Version, IReadOnlyList<SessionBody> Sessions);

internal static class ReadBlock
{
    /// <summary>A stored block, kept between key strokes.</summary>
    private sealed record Stored(Guid Id, long Version, BlockBody Body)
    {
        public static Stored? Find(Db db, Guid athleteId, Guid blockId) =>
            BlockStore.Find(db, blockId) is { } block && block.AthleteId == athleteId
                ? new(blockId, block.Version, BlockBody.Of(Blocks.Read(block, SessionStore.OfBlock(db, blockId))))
                : null;
    }

    /// <summary>
    /// What a stored block means with some of its sessions as they are typed; nothing is stored. 409: another version
    /// is stored, and the whole of it must be sent.
    /// </summary>
    public static Results<Ok<BlockReading>, ProblemHttpResult> Stroke(
        Guid athleteId,
        Guid blockId,
        Guid? session,
        StrokeBody request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    )
    {
        var (found, own, stored) = database.Read(db =>
        {
            var kept = db.Once(athleteId, clock.Today, () => Stored.Find(db, athleteId, blockId));
            if (kept?.Id != blockId || kept.Version != request.Version)
                kept = Stored.Find(db, athleteId, blockId);
            var found = Work.Load(db, athleteId, clock.Today);
            return (found, found is { } known ? Work.Writing(db, known.Athlete, user) : null, kept);
        });
        if (found is null || own is null || stored is null)
            return (ProblemHttpResult)Problems.NotFound(Words.NoBlock);
        if (stored.Version != request.Version)
            return (ProblemHttpResult)Problems.Conflict(Words.BlockChanged, null);
        var changed = request.Sessions.ToDictionary(s => s.Id);
        var body = stored.Body with
        {
            Weeks =
            [
                .. stored.Body.Weeks.Select(w =>
                    w with
                    {
                        Sessions = [.. w.Sessions.Select(s => changed.GetValueOrDefault(s.Id, s))],
                    }
                ),
            ],
        };
        return TypedResults.Ok(BlockReading.Of(own.Of(body.Parse()), found.Value.Athlete, session));
    }

    /// <summary>What a block means while it is typed; nothing is stored.</summary>
    public static Results<Ok<BlockReading>, ProblemHttpResult> Handle(
        Guid athleteId,
        Guid? session,
        BlockBody request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    )
    {
        var block = request.Parse();
        return
            database.Read(db =>
                Work.Load(db, athleteId, clock.Today) is { } found ? Work.Writing(db, found.Athlete, user) : null
            )
                is { } own
            ? TypedResults.Ok(BlockReading.Of(own.Of(block), own.Athlete, session))
            : (ProblemHttpResult)Problems.NotFound(Words.NoAthlete);
    }
}

/// <param name="Text">Several lines, or two columns; at most 20,000 characters.</param>
public sealed record LinesRequest(string Text);

/// <summary>A movement by name.</summary>
public sealed record NamedMovement(string Slug, string Name);

/// <summary>One line of a text as an item.</summary>
/// <param name="Text">As it stands there.</param>
/// <param name="Movement">Null: none was found.</param>
/// <param name="Candidates">Those that are near.</param>
/// <param name="Line">Canonical, or what could not be read.</param>
/// <param name="Error">Null: it can be read.</param>
/// <param name="Joined">In turn with the one before.</param>
public sealed record PastedLine(
    string Text,
    NamedMovement? Movement,
    IReadOnlyList<NamedMovement> Candidates,
    string Line,
    NotationError? Error,
    bool Joined
);

internal static class PastedLines
{
    private const int TextMaximum = 20_000;

    public static Results<Ok<IReadOnlyList<PastedLine>>, ProblemHttpResult> Handle(
        Guid athleteId,
        LinesRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    )
    {
        if (request.Text.Length > TextMaximum)
            throw Problems.Field("text", Words.LinesTooLong(TextMaximum));
        var own = database.Read(db =>
            Work.Load(db, athleteId, clock.Today) is { } found ? Work.Writing(db, found.Athlete, user) : null
        );
        return own is null
            ? (ProblemHttpResult)Problems.NotFound(Words.NoAthlete)
            : TypedResults.Ok<IReadOnlyList<PastedLine>>([
                .. SeveralLines
                    .Read(request.Text, own)
                    .Select(l => new PastedLine(
                        l.Text,
                        l.Movement is { } m ? Named(m) : null,
                        [.. l.Candidates.Select(Named)],
                        l.Line,
                        l.Error,
                        l.Joined
                    )),
            ]);
    }

    private static NamedMovement Named(Core.Movements.Movement movement) => new(movement.Slug, movement.Name);
}

/// <param name="Block">As edited.</param>
/// <param name="Figure">Which.</param>
/// <param name="Week">From 1.</param>
/// <param name="Session">Of a session or an item.</param>
/// <param name="Item">Of an item.</param>
/// <param name="Pattern">Of hard sets.</param>
public sealed record WhyRequest(
    BlockBody Block,
    BlockFigure Figure,
    int Week,
    Guid? Session,
    Guid? Item,
    Core.Movements.Pattern? Pattern
);

internal static class WhyBlock
{
    /// <summary>How one figure of a block comes about.</summary>
    public static Results<Ok<Figure>, ProblemHttpResult> Handle(
        Guid athleteId,
        WhyRequest request,
        Database database,
        ClubClock clock
    )
    {
        var block = request.Block.Parse();
        if (database.Read(db => Work.Load(db, athleteId, clock.Today)) is not { } found)
            return (ProblemHttpResult)Problems.NotFound(Words.NoAthlete);
        var week = DoseReader.Read(block, found.Athlete, DoseRules.Shipped).ElementAtOrDefault(request.Week - 1);
        return
            week is not null
            && BlockWhy.Of(
                week,
                request.Figure,
                request.Session,
                request.Item,
                request.Pattern,
                found.Athlete,
                DoseRules.Shipped
            )
                is { } figure
            ? TypedResults.Ok(new Figure(figure.Value, figure.Why))
            : (ProblemHttpResult)Problems.NotFound(Words.NoFigure);
    }
}

/// <param name="Block">As edited.</param>
/// <param name="Week">The first week that was missed, from 1.</param>
/// <param name="Missed">1 to 8.</param>
public sealed record ShiftRequest(BlockBody Block, int Week, int Missed);

/// <summary>A block after missed weeks, not stored yet.</summary>
public sealed record ShiftAnswer(BlockBody Block, ReturnRule Rule, IReadOnlyList<ItemChangeDto> Changes);

internal static class ShiftBlock
{
    public static Results<Ok<ShiftAnswer>, ProblemHttpResult> Handle(
        Guid athleteId,
        ShiftRequest request,
        Database database,
        ClubClock clock
    )
    {
        var block = request.Block.Parse();
        if (database.Read(db => Work.Load(db, athleteId, clock.Today)) is not { } found)
            return (ProblemHttpResult)Problems.NotFound(Words.NoAthlete);
        var shifted = Problems.At("", () => MissedWeeks.Shift(block, request.Week, request.Missed, found.Athlete));
        return TypedResults.Ok(
            new ShiftAnswer(
                BlockBody.Of(shifted.Block),
                shifted.Rule,
                [.. shifted.Changes.Select(c => ItemChangeDto.Of(c, found.Athlete.Atlas.Catalogue))]
            )
        );
    }
}

internal static class SeenBlock
{
    public static Results<NoContent, ProblemHttpResult> Handle(
        Guid athleteId,
        Guid blockId,
        Database database,
        ClubClock clock
    ) =>
        database.Write(db =>
        {
            if (
                BlockStore.Find(db, blockId)?.AthleteId != athleteId
                || Work.Load(db, athleteId, clock.Today) is not { } found
            )
                return false;
            SessionStore.See(
                db,
                Seen.Now(SessionStore.OfBlock(db, blockId), found.Athlete).Select(s => (s.Item.Id, s.Seen))
            );
            return true;
        })
            ? TypedResults.NoContent()
            : (ProblemHttpResult)Problems.NotFound(Words.NoBlock);
}

/// <summary>Compares what sessions resolve to with what the coach last saw.</summary>
internal static class Seen
{
    public static IEnumerable<(StoredSession Session, StoredItem Item, SeenPlan Seen)> Now(
        IEnumerable<StoredSession> sessions,
        AthleteAtWork athlete
    )
    {
        foreach (var session in sessions.Where(s => s.Status == SessionStatus.Planned))
        {
            foreach (var item in session.Items)
            {
                if (athlete.Read(new(item.Id, item.Movement, item.Written)) is { Resolved: { } plan })
                    yield return (
                        session,
                        item,
                        new([.. plan.Loads.Select(l => l.Value.Made.Kilograms)], plan.Efforts.Max(e => e.Plan.Seconds))
                    );
            }
        }
    }

    /// <summary>An item that is new, or was written anew, is seen as it is now.</summary>
    public static void NoteNew(Db db, IEnumerable<StoredSession> sessions, AthleteAtWork athlete) =>
        SessionStore.See(db, Now(sessions, athlete).Where(n => n.Item.Seen is null).Select(n => (n.Item.Id, n.Seen)));

    public static IEnumerable<ResolvedAnew> Changes(IEnumerable<StoredSession> sessions, AthleteAtWork athlete) =>
        Now(sessions, athlete)
            .Where(n =>
                n.Item.Seen is { } before
                && (!before.LoadsKg.SequenceEqual(n.Seen.LoadsKg) || before.HoldSeconds != n.Seen.HoldSeconds)
            )
            .Select(n => new ResolvedAnew(
                n.Item.Id,
                n.Session.Id,
                n.Session.Day,
                athlete.Atlas.Catalogue.Movements[n.Item.Movement].Name,
                n.Seen.LoadsKg,
                n.Item.Seen!.LoadsKg,
                n.Seen.HoldSeconds,
                n.Item.Seen.HoldSeconds
            ));
}

internal static class Picker
{
    public static Results<Ok<IReadOnlyList<PickDto>>, ProblemHttpResult> Handle(
        Guid athleteId,
        Database database,
        ClubClock clock
    )
    {
        if (database.Read(db => Work.Load(db, athleteId, clock.Today)) is not { } found)
            return (ProblemHttpResult)Problems.NotFound(Words.NoAthlete);
        var athlete = found.Athlete;
        return TypedResults.Ok<IReadOnlyList<PickDto>>([
            .. athlete
                .Atlas.Catalogue.Movements.Values.OrderBy(m => m.Name, StringComparer.Ordinal)
                .Select(m => new PickDto(
                    m.Slug,
                    m.Name,
                    m.Aliases,
                    m.Pattern,
                    Level.Of(m, athlete.Atlas.Catalogue),
                    m.Kit,
                    KitCheck.Missing(m, athlete),
                    Core.Programmes.Substitutes.StatusOf(m, athlete),
                    NotationPrinter.Print(UsualDose.For(m, athlete))
                )),
        ]);
    }

    public static Results<Ok<IReadOnlyList<SubstituteDto>>, ProblemHttpResult> Substitutes(
        Guid athleteId,
        string movement,
        Database database,
        ClubClock clock
    )
    {
        if (database.Read(db => Work.Load(db, athleteId, clock.Today)) is not { } found)
            return (ProblemHttpResult)Problems.NotFound(Words.NoAthlete);
        if (found.Athlete.Atlas.Catalogue.Movements.GetValueOrDefault(movement) is not { } wanted)
            return (ProblemHttpResult)Problems.NotFound(Words.NoMovement);
        return TypedResults.Ok<IReadOnlyList<SubstituteDto>>([
            .. Core.Programmes.Substitutes.For(wanted, found.Athlete).Select(SubstituteDto.Of),
        ]);
    }
}

/// <param name="Line">Canonical.</param>
public sealed record LineAnswer(string Line);

internal static class NotationHelp
{
    public static Ok<IReadOnlyList<Example>> Card() => TypedResults.Ok(Examples.All);

    public static Ok<IReadOnlyList<Suggestion>> Complete(string? line, int? cursor) =>
        TypedResults.Ok(
            line is { Length: > NotationParser.LineMaximum }
                ? []
                : Completion.At(line ?? "", cursor ?? line?.Length ?? 0)
        );

    /// <summary>The line of a plan's fields; a field out of its range is named.</summary>
    public static Ok<LineAnswer> Write(JsonObject plan)
    {
        try
        {
            var made = PrescriptionJson.FromNode(plan);
            var line = NotationPrinter.Print(made);
            // A form can hold what no line says, for instance a tempo on a hold: the line tells.
            var read = NotationParser.Parse(line);
            if (read.Error is { } error)
                throw Problems.Field("", Words.LineUnreadableIn(line, error.Start + 1));
            return TypedResults.Ok(new LineAnswer(line));
        }
        catch (RuleViolationException e)
        {
            throw Problems.OfRule(e);
        }
        catch (InvalidDataException)
        {
            throw Problems.Field("", Words.PlanUnreadable);
        }
    }
}
