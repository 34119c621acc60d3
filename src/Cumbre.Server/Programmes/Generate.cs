using System.Security.Claims;
using System.Security.Cryptography;
using System.Text;
using Cumbre.Core.Explanations;
using Cumbre.Core.Programmes;
using Cumbre.Core.Programmes.Generation;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Server.Reading;
using Cumbre.Storage;
using Cumbre.Storage.Programmes;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Programmes;

/// <summary>What a block is asked for.</summary>
/// <param name="Name">At most 80 characters.</param>
/// <param name="Start">A Monday.</param>
/// <param name="Days">Null: as the intake says.</param>
/// <param name="Minutes">10 to 240; null: as the intake says.</param>
/// <param name="LoadingWeeks">1 to 8; null: as usual.</param>
public sealed record GenerateRequest(
    string Name,
    DateOnly Start,
    IReadOnlyList<DayOfWeek>? Days,
    int? Minutes,
    int? LoadingWeeks
)
{
    /// <exception cref="FieldException">A field is out of its range.</exception>
    public BlockWish Parse(Guid blockId)
    {
        if (Start.DayOfWeek != DayOfWeek.Monday)
            throw Problems.Field("start", Words.StartNotMonday);
        if (Days is { Count: 0 })
            throw Problems.Field("days", Words.DayMissing);
        return Problems.At("", () => new BlockWish(Problems.Text("name", Name, Words.WriteName, 80), Start, name =>
                NamedIds.Of(blockId, name)
            )
            {
                Days = Days,
                Minutes = Minutes,
                LoadingWeeks = LoadingWeeks,
            });
    }

    public StoredWish Kept => new(Days, Minutes, LoadingWeeks);
}

/// <summary>Why an item stands in a block.</summary>
/// <param name="Item">Of the block.</param>
/// <param name="Role">The part it plays.</param>
/// <param name="Movement">Name, as it was generated.</param>
/// <param name="Line">As it was generated.</param>
/// <param name="Why">The reasons.</param>
public sealed record ItemWhy(Guid Item, SlotRole Role, string Movement, string Line, Explanation Why)
{
    public static IReadOnlyList<ItemWhy> Of(GeneratedBlock made, Core.Movements.Catalogue catalogue) =>
        [
            .. made
                .Block.Weeks.SelectMany(w => w.Sessions)
                .SelectMany(s => s.Items)
                .Where(i => made.Why.ContainsKey(i.Id))
                .Select(i => new ItemWhy(
                    i.Id,
                    Enum.Parse<SlotRole>(made.Why[i.Id].Rule.Args[0].Code!),
                    catalogue.Movements.GetValueOrDefault(i.Movement)?.Name ?? i.Movement,
                    i.Line,
                    made.Why[i.Id]
                )),
        ];
}

/// <summary>An item that generating again changes.</summary>
/// <param name="Kind">What happens.</param>
/// <param name="Day">Of its session.</param>
/// <param name="Item">Its id.</param>
/// <param name="MovementBefore">Name; null: added.</param>
/// <param name="LineBefore">Null: added.</param>
/// <param name="Movement">Name; null: removed.</param>
/// <param name="Line">Null: removed.</param>
public sealed record RegeneratedItem(
    RegeneratedKind Kind,
    DateOnly Day,
    Guid Item,
    string? MovementBefore,
    string? LineBefore,
    string? Movement,
    string? Line
)
{
    public static RegeneratedItem Of(RegeneratedChange change, Core.Movements.Catalogue catalogue)
    {
        string? Name(BlockItem? item) =>
            item is null ? null : catalogue.Movements.GetValueOrDefault(item.Movement)?.Name ?? item.Movement;
        return new(
            change.Kind,
            change.Day,
            (change.After ?? change.Before!).Id,
            Name(change.Before),
            change.Before?.Line,
            Name(change.After),
            change.After?.Line
        );
    }
}

/// <summary>A block as it would be; nothing is stored.</summary>
/// <param name="Block">With what was fixed by hand, where it is generated again.</param>
/// <param name="Reading">What it costs.</param>
/// <param name="Why">Of each generated item.</param>
/// <param name="LeftOut">What the minutes did not hold.</param>
/// <param name="Notices">What the coach must know.</param>
/// <param name="Changes">Of a block that is generated again; null: it is new.</param>
/// <param name="Version">Of the block as it is stored; 0: it is new.</param>
/// <param name="Story">The block in a paragraph.</param>
public sealed record GenerateAnswer(
    BlockBody Block,
    BlockReading Reading,
    IReadOnlyList<ItemWhy> Why,
    IReadOnlyList<LeftOut> LeftOut,
    IReadOnlyList<Notice> Notices,
    IReadOnlyList<RegeneratedItem>? Changes,
    long Version,
    BlockStory Story
);

/// <summary>The same wish under another choice of one school.</summary>
/// <param name="Wish">As it is previewed.</param>
/// <param name="Question">Slug of the question.</param>
/// <param name="Choice">Slug of the choice.</param>
public sealed record UnderRequest(GenerateRequest Wish, string Question, string Choice);

/// <summary>What would be otherwise under another choice of one school.</summary>
/// <param name="Question">As it is asked.</param>
/// <param name="Now">The choice in force.</param>
/// <param name="Choice">The other one.</param>
/// <param name="Differences">Item by item; empty: the block is the same.</param>
/// <param name="Story">Of the other block.</param>
public sealed record UnderAnswer(
    string Question,
    string Now,
    string Choice,
    IReadOnlyList<RegeneratedItem> Differences,
    BlockStory Story
);

/// <param name="Wish">As it was previewed: the same gives the same block.</param>
/// <param name="Version">Of the stored block; 0 to create.</param>
public sealed record TakeRequest(GenerateRequest Wish, long Version);

/// <summary>How a block was generated.</summary>
/// <param name="At">When.</param>
/// <param name="By">Name of the account.</param>
/// <param name="Wish">What was asked for.</param>
/// <param name="Items">Why each stands there.</param>
/// <param name="LeftOut">What the minutes did not hold.</param>
/// <param name="Notices">What the coach must know.</param>
/// <param name="Story">The block as it stands now, in a paragraph.</param>
public sealed record GenerationDto(
    DateTimeOffset At,
    string? By,
    StoredWish Wish,
    IReadOnlyList<ItemWhy> Items,
    IReadOnlyList<LeftOut> LeftOut,
    IReadOnlyList<Notice> Notices,
    BlockStory Story
);

internal static class Generate
{
    /// <summary>
    /// What the generator would write; a block that is stored already is generated again around what was fixed by hand.
    /// </summary>
    public static Results<Ok<GenerateAnswer>, ProblemHttpResult> Preview(
        Guid athleteId,
        Guid blockId,
        Guid? session,
        GenerateRequest request,
        Database database,
        ClubClock clock
    )
    {
        var wish = request.Parse(blockId);
        return database.Read(db => Make(db, athleteId, blockId, wish, clock.Today)) is { } made
            ? TypedResults.Ok(
                new GenerateAnswer(
                    BlockBody.Of(made.Block),
                    BlockReading.Of(made.Block, made.Athlete, session),
                    ItemWhy.Of(made.Fresh, made.Athlete.Atlas.Catalogue),
                    made.Fresh.LeftOut,
                    made.Fresh.Notices,
                    made.Changes?.Select(c => RegeneratedItem.Of(c, made.Athlete.Atlas.Catalogue)).ToArray(),
                    made.Version,
                    BlockStory.Of(made.Block, made.Fresh.Why, made.Athlete)
                )
            )
            : (ProblemHttpResult)Problems.NotFound(Words.NoAthlete);
    }

    /// <summary>What the generator would write under another choice of a school; nothing is stored.</summary>
    public static Results<Ok<UnderAnswer>, ProblemHttpResult> Under(
        Guid athleteId,
        Guid blockId,
        UnderRequest request,
        Database database,
        ClubClock clock
    )
    {
        var wish = request.Wish.Parse(blockId);
        return
            database.Read(db =>
            {
                if (Work.Load(db, athleteId, clock.Today) is not { } found)
                    return null;
                var catalogue = found.Athlete.Atlas.Catalogue;
                if (
                    !catalogue.SchoolsBySlug.TryGetValue(request.Question, out var question)
                    || question.Choices.FirstOrDefault(c => c.Slug == request.Choice) is not { } choice
                )
                    throw Problems.Field("choice", Words.SchoolNotChosen);
                if (found.Athlete.BodyMass is null)
                    throw Problems.Field("bodyweight", Words.BodyweightMissing);
                var other = found.Athlete.Under(request.Question, request.Choice);
                GeneratedBlock Of(AthleteAtWork athlete) =>
                    BlockGenerator.Generate(athlete, wish, DoseRules.Shipped, GeneratorRules.Shipped);
                var (now, then) = (Of(found.Athlete), Of(other));
                return new UnderAnswer(
                    question.Question,
                    question.Choices.First(c => c.Slug == found.Athlete.Athlete.Schools[request.Question]).Name,
                    choice.Name,
                    [
                        // Nothing was written by hand in between, so that every item follows the other choice.
                        .. Regeneration
                            .Merge(now.Block, now.Block, then.Block)
                            .Changes.Select(c => RegeneratedItem.Of(c, catalogue)),
                    ],
                    BlockStory.Of(then.Block, then.Why, other)
                );
            })
                is { } answer
            ? TypedResults.Ok(answer)
            : (ProblemHttpResult)Problems.NotFound(Words.NoAthlete);
    }

    /// <summary>Stores what was previewed, with its reasons.</summary>
    public static Results<Ok<BlockDto>, ProblemHttpResult> Take(
        Guid athleteId,
        Guid blockId,
        TakeRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    )
    {
        var wish = request.Wish.Parse(blockId);
        var stamp = clock.Stamp(Policies.IdOf(user));
        var written = database.Write(
            db =>
            {
                if (Make(db, athleteId, blockId, wish, clock.Today) is not { } made)
                    return Written.Missing;
                if (made.Block.Weeks.All(w => w.Sessions.Count == 0))
                    throw Problems.Field("wish", Words.NothingTrainable);
                // The same block sent twice, after an answer that was lost.
                if (request.Version == 0 && made.Changes is { Count: 0 })
                    return Written.Done;
                var done = Blocks.Write(db, athleteId, blockId, made.Block, request.Version, stamp);
                if (done == Written.Done)
                {
                    GenerationStore.Put(db, blockId, request.Wish.Kept, made.Fresh, stamp);
                    Seen.NoteNew(db, SessionStore.OfBlock(db, blockId), made.Athlete);
                    db.Reconsider(athleteId);
                }

                return done;
            },
            commit: answer => answer == Written.Done
        );
        var now = database.Read(db => GetBlock.Find(db, athleteId, blockId, null, clock.Today));
        return written switch
        {
            Written.Done => TypedResults.Ok(now!),
            Written.Missing => (ProblemHttpResult)Problems.NotFound(Words.NoAthleteOrBlock),
            _ => (ProblemHttpResult)Problems.Conflict(Words.BlockChangedOrBegun, now),
        };
    }

    public static Results<Ok<GenerationDto>, ProblemHttpResult> Get(
        Guid athleteId,
        Guid blockId,
        Database database,
        ClubClock clock
    ) =>
        database.Read(db =>
        {
            if (
                BlockStore.Find(db, blockId) is not { } stored
                || stored.AthleteId != athleteId
                || GenerationStore.Find(db, blockId) is not { } g
                || Work.Load(db, athleteId, clock.Today) is not { } found
            )
                return null;
            return new GenerationDto(
                g.WrittenAt,
                g.WrittenBy,
                g.Wish,
                ItemWhy.Of(g.Made, found.Athlete.Atlas.Catalogue),
                g.Made.LeftOut,
                g.Made.Notices,
                BlockStory.Of(Blocks.Read(stored, SessionStore.OfBlock(db, blockId)), g.Made.Why, found.Athlete)
            );
        })
            is { } answer
            ? TypedResults.Ok(answer)
            : (ProblemHttpResult)Problems.NotFound(Words.NoGenerated);

    private sealed record Made(
        AthleteAtWork Athlete,
        GeneratedBlock Fresh,
        Block Block,
        IReadOnlyList<RegeneratedChange>? Changes,
        long Version
    );

    private static Made? Make(Db db, Guid athleteId, Guid blockId, BlockWish wish, DateOnly today)
    {
        if (Work.Load(db, athleteId, today) is not { } found)
            return null;
        if (found.Athlete.BodyMass is null)
            throw Problems.Field("bodyweight", Words.BodyweightMissingHere);
        var stored = BlockStore.Find(db, blockId);
        if (stored is not null && stored.AthleteId != athleteId)
            return null;
        if (stored is not null && stored.Start != wish.Start)
            throw Problems.Field("start", Words.StartElsewhere(stored.Start));
        if (GroupStore.OfBlock(db, blockId) is { } group)
            throw Problems.Field("wish", Words.BlockOfGroup(group.Name));
        var fresh = BlockGenerator.Generate(found.Athlete, wish, DoseRules.Shipped, GeneratorRules.Shipped);
        fresh = Outside.Noted(db, athleteId, blockId, fresh, today);
        if (stored is null)
            return new(found.Athlete, fresh, fresh.Block, null, 0);
        var current = Blocks.Read(stored, SessionStore.OfBlock(db, blockId));
        // A block that was written by hand has nothing generated in it: everything in it stays.
        var before = GenerationStore.Find(db, blockId)?.Made.Block ?? new Block(stored.Name, stored.Start, [], []);
        var merged = Regeneration.Merge(before, current, fresh.Block);
        return new(found.Athlete, fresh, merged.Block, merged.Changes, stored.Version);
    }
}

/// <summary>
/// Ids that follow from a name: a name within a block is always the same item (UUID version 8, RFC 9562).
/// </summary>
internal static class NamedIds
{
    public static Guid Of(Guid space, string name)
    {
        Span<byte> bytes = stackalloc byte[16 + Encoding.UTF8.GetMaxByteCount(name.Length)];
        space.TryWriteBytes(bytes, bigEndian: true, out _);
        var length = 16 + Encoding.UTF8.GetBytes(name, bytes[16..]);
        Span<byte> hash = stackalloc byte[SHA256.HashSizeInBytes];
        SHA256.HashData(bytes[..length], hash);
        hash[6] = (byte)(0x80 | (hash[6] & 0x0F));
        hash[8] = (byte)(0x80 | (hash[8] & 0x3F));
        return new(hash[..16], bigEndian: true);
    }
}
