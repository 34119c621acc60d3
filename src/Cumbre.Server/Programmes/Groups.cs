using System.Security.Claims;
using Cumbre.Core.Explanations;
using Cumbre.Core.Ladders;
using Cumbre.Core.Movements;
using Cumbre.Core.Programmes;
using Cumbre.Core.Programmes.Generation;
using Cumbre.Core.Programmes.Groups;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Server.Privacy;
using Cumbre.Server.Reading;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Ladders;
using Cumbre.Storage.Programmes;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Programmes;

/// <summary>Blocks for several athletes: one outline, and a block of their own for each.</summary>
internal static class Groups
{
    /// <summary>A member's block as it would be, around what was fixed by hand.</summary>
    private sealed record Fitted(
        Guid AthleteId,
        string Name,
        Guid BlockId,
        AthleteAtWork Athlete,
        GeneratedBlock? Fresh,
        Block? Block,
        long Version,
        bool Changes
    );

    /// <summary>Those whose members are all within reach.</summary>
    public static Ok<IReadOnlyList<GroupRow>> List(Database database, Reach reach) =>
        TypedResults.Ok(
            database.Read<IReadOnlyList<GroupRow>>(db =>
            {
                var names = AthleteStore.Everyone(db).ToDictionary(a => a.Id, a => a.Name);
                return
                [
                    .. GroupStore
                        .All(db)
                        .Where(g => IsSeen(g, reach))
                        .Select(g => new GroupRow(
                            g.Id,
                            g.Outline.Name,
                            g.Outline.Start,
                            g.Outline.Weeks,
                            [.. g.Members.Select(m => names.GetValueOrDefault(m.AthleteId)).OfType<string>()]
                        )),
                ];
            })
        );

    private static bool IsSeen(StoredGroup group, Reach reach) =>
        reach.HoldsAll(group.Members.Select(m => m.AthleteId));

    public static Results<Ok<GroupDto>, ProblemHttpResult> Get(
        Guid id,
        Database database,
        ClubClock clock,
        Reach reach
    ) =>
        database.Read(db => Find(db, id, clock.Today, reach)) is { } found
            ? TypedResults.Ok(found)
            : (ProblemHttpResult)Problems.NotFound(Words.NoGroup);

    /// <summary>What would be made; nothing is stored.</summary>
    public static Ok<GroupPlan> Preview(
        Guid id,
        GroupRequest request,
        Database database,
        ClubClock clock,
        Reach reach
    ) =>
        TypedResults.Ok(
            database.Read(db =>
            {
                var atlas = CatalogueStore.Club(db).Atlas;
                var outline = request.Outline.Parse(atlas);
                return Plan(outline, Fit(db, id, outline, request.Athletes, clock.Today, reach), atlas);
            })
        );

    /// <summary>Stores the outline and makes the blocks of its members, all or none.</summary>
    public static Results<Ok<GroupDto>, ProblemHttpResult> Put(
        Guid id,
        GroupRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock,
        Reach reach
    )
    {
        // The blocks are worked out before the lock is taken: what changed meanwhile shows in the versions.
        var (outline, fitted) = database.Read(db =>
        {
            var parsed = request.Outline.Parse(CatalogueStore.Club(db).Atlas);
            return (parsed, Fit(db, id, parsed, request.Athletes, clock.Today, reach));
        });
        if (fitted.FirstOrDefault(f => f.Block is null) is { } unweighed)
            throw Problems.Field("athletes", Words.BodyweightMissingOf(unweighed.Name));
        var stamp = clock.Stamp(Policies.IdOf(user));
        var written = database.Write(
            db =>
            {
                if (GroupStore.Find(db, id) is { } known && !IsSeen(known, reach))
                    return Written.Missing;
                foreach (var member in fitted)
                    Recording.Check(db, member.AthleteId);
                var group = new StoredGroup(
                    id,
                    outline,
                    [.. fitted.Select(f => new GroupMember(f.AthleteId, f.BlockId))],
                    request.Version
                );
                // The same group sent twice, after an answer that was lost.
                if (request.Version == 0 && GroupStore.Find(db, id) is { } there && fitted.All(f => !f.Changes))
                    return there.Members.SequenceEqual(group.Members) ? Written.Done : Written.Stale;
                if (GroupStore.Put(db, group, stamp) is not Written.Done and var refused)
                    return refused;
                foreach (var member in fitted)
                {
                    var done = Blocks.Write(db, member.AthleteId, member.BlockId, member.Block!, member.Version, stamp);
                    if (done != Written.Done)
                        return done;
                    GenerationStore.Put(
                        db,
                        member.BlockId,
                        new([.. outline.Days.Select(d => d.Day)], outline.Minutes, outline.LoadingWeeks),
                        member.Fresh!,
                        stamp
                    );
                    Seen.NoteNew(db, SessionStore.OfBlock(db, member.BlockId), member.Athlete);
                    db.Reconsider(member.AthleteId);
                }

                return Written.Done;
            },
            commit: answer => answer == Written.Done
        );
        var now = database.Read(db => Find(db, id, clock.Today, reach));
        return written switch
        {
            Written.Done => TypedResults.Ok(now!),
            Written.Missing => (ProblemHttpResult)Problems.NotFound(Words.NoGroup),
            _ => (ProblemHttpResult)Problems.Conflict(Words.GroupOrBlockChanged, now),
        };
    }

    public static Results<NoContent, ProblemHttpResult> Remove(
        Guid id,
        long version,
        Database database,
        ClubClock clock,
        Reach reach
    )
    {
        var (written, now) = database.Write(db =>
            GroupStore.Find(db, id) is { } group && !IsSeen(group, reach)
                ? (Written.Missing, null)
                : (GroupStore.Remove(db, id, version), Find(db, id, clock.Today, reach))
        );
        return written switch
        {
            Written.Done => TypedResults.NoContent(),
            Written.Missing => (ProblemHttpResult)Problems.NotFound(Words.NoGroup),
            _ => (ProblemHttpResult)Problems.Conflict(Words.GroupChanged, now),
        };
    }

    /// <summary>The group with the blocks as they are stored, whatever was made of them by hand.</summary>
    private static GroupDto? Find(Db db, Guid id, DateOnly today, Reach reach)
    {
        if (GroupStore.Find(db, id) is not { } group || !IsSeen(group, reach))
            return null;
        var members = new List<Fitted>();
        foreach (var member in group.Members)
        {
            if (Work.Load(db, member.AthleteId, today) is not { } found)
                continue;
            var stored = BlockStore.Find(db, member.BlockId);
            members.Add(
                new(
                    member.AthleteId,
                    found.Profile.Name,
                    member.BlockId,
                    found.Athlete,
                    GenerationStore.Find(db, member.BlockId)?.Made,
                    stored is null ? null : Blocks.Read(stored, SessionStore.OfBlock(db, member.BlockId)),
                    stored?.Version ?? 0,
                    false
                )
            );
        }

        return new(
            id,
            OutlineBody.Of(group.Outline),
            [.. group.Members.Select(m => m.AthleteId)],
            group.Version,
            Plan(group.Outline, members, CatalogueStore.Club(db).Atlas)
        );
    }

    private static IReadOnlyList<Fitted> Fit(
        Db db,
        Guid id,
        GroupOutline outline,
        IReadOnlyList<Guid> athletes,
        DateOnly today,
        Reach reach
    )
    {
        if (!reach.HoldsAll(athletes))
            throw Problems.Field("athletes", Words.AthleteGone);
        if (athletes.Count is 0 or > GroupRequest.AthletesMaximum || athletes.Distinct().Count() != athletes.Count)
            throw Problems.Field("athletes", Words.ChoiceOfAthletes(GroupRequest.AthletesMaximum));
        return [.. athletes.Select(athlete => Fit(db, id, outline, athlete, today))];
    }

    private static Fitted Fit(Db db, Guid id, GroupOutline outline, Guid athleteId, DateOnly today)
    {
        if (Work.Load(db, athleteId, today) is not { } found)
            throw Problems.Field("athletes", Words.AthleteGone);
        var blockId = NamedIds.Of(id, athleteId.ToString());
        if (found.Athlete.BodyMass is null)
            return new(athleteId, found.Profile.Name, blockId, found.Athlete, null, null, 0, false);
        var fresh = GroupFit.Fit(outline, found.Athlete, DoseRules.Shipped, GeneratorRules.Shipped, name =>
            NamedIds.Of(blockId, name)
        );
        fresh = Outside.Noted(db, athleteId, blockId, fresh, today);
        if (BlockStore.Find(db, blockId) is not { } stored)
            return new(athleteId, found.Profile.Name, blockId, found.Athlete, fresh, fresh.Block, 0, true);
        var current = Blocks.Read(stored, SessionStore.OfBlock(db, blockId));
        var before = GenerationStore.Find(db, blockId)?.Made.Block ?? new Block(stored.Name, stored.Start, [], []);
        var merged = Regeneration.Merge(before, current, fresh.Block);
        return new(
            athleteId,
            found.Profile.Name,
            blockId,
            found.Athlete,
            fresh,
            merged.Block,
            stored.Version,
            merged.Changes.Count > 0
        );
    }

    private static GroupPlan Plan(GroupOutline outline, IReadOnlyList<Fitted> members, Atlas atlas)
    {
        var readers = members.Select(m => new MemberReader(m.Block, m.Athlete)).ToArray();
        return new(
            [
                .. members
                    .Zip(readers)
                    .Select(m => new MemberDto(
                        m.First.AthleteId,
                        m.First.Name,
                        m.First.BlockId,
                        m.First is { Block: not null, Version: > 0 },
                        m.First.Athlete.BodyMass is null,
                        m.First.Fresh?.Notices ?? [],
                        m.Second.Cautions
                    )),
            ],
            [
                .. Enumerable
                    .Range(0, outline.Weeks)
                    .Select(week => new GroupWeek(
                        outline.EasyWeek && week == outline.Weeks - 1 ? WeekKind.Easy : WeekKind.Loading,
                        [
                            .. outline
                                .Days.OrderBy(d => GroupOutline.Weekday(d.Day))
                                .Select(d => Session(outline, week, d, members, readers, atlas)),
                        ]
                    )),
            ]
        );
    }

    private static GroupSession Session(
        GroupOutline outline,
        int week,
        OutlineDay day,
        IReadOnlyList<Fitted> members,
        IReadOnlyList<MemberReader> readers,
        Atlas atlas
    )
    {
        var date = outline.Start.AddDays(7 * week + GroupOutline.Weekday(day.Day));
        var own = members.Select((m, i) => readers[i].ByStation(m.BlockId, week, date, day)).ToArray();
        var stations = day
            .Stations.Select(s => new GroupStation(
                s.Key,
                NameOf(s, atlas),
                s.Light,
                [.. own.Select(o => (IReadOnlyList<GroupItem>)[.. o[s.Key]])]
            ))
            .ToList();
        if (own.Any(o => o[""].Any()))
            stations.Add(new("", "", false, [.. own.Select(o => (IReadOnlyList<GroupItem>)[.. o[""]])]));
        return new(date, day.Title, day.Form, stations, [.. readers.Select(r => r.MinutesOn(date))]);
    }

    private static string NameOf(Station station, Atlas atlas) =>
        station.Kind switch
        {
            StationKind.Movement => atlas.Catalogue.Movements.GetValueOrDefault(station.Of)?.Name ?? station.Of,
            StationKind.Ladder => atlas.BySlug.GetValueOrDefault(station.Of)?.Name ?? station.Of,
            _ => Enum.TryParse<Pattern>(station.Of, out var pattern) ? PatternNames.Of(pattern) : station.Of,
        };

    /// <summary>A member's block by day and station.</summary>
    private sealed class MemberReader
    {
        private readonly Alternates alternates;
        private readonly Dictionary<(string, string), EasierDto?> easier = [];
        private readonly Dictionary<DateOnly, SessionDose> days = [];

        public MemberReader(Block? block, AthleteAtWork athlete)
        {
            alternates = new(athlete, DoseRules.Shipped, GeneratorRules.Shipped);
            if (block is null)
                return;
            var doses = DoseReader.Read(block, athlete, DoseRules.Shipped);
            foreach (var session in doses.SelectMany(w => w.Sessions))
                days.TryAdd(session.Session.Day, session);
            Cautions =
            [
                .. BlockChecks
                    .Of(block, doses, athlete, DoseRules.Shipped)
                    .Where(c => c.KeptBecause is null)
                    .DistinctBy(c => (c.Id, c.About))
                    .Select(c => new CautionNote(c.Id, c.Args)),
            ];
        }

        public IReadOnlyList<CautionNote> Cautions { get; } = [];

        public int? MinutesOn(DateOnly day) =>
            days.GetValueOrDefault(day) is { } session ? (session.Seconds + 59) / 60 : null;

        /// <summary>What stands at each station; under an empty key what was added by hand.</summary>
        public ILookup<string, GroupItem> ByStation(Guid blockId, int week, DateOnly date, OutlineDay day)
        {
            var keys = day
                .Stations.SelectMany(s => GroupOutline.KeysOf(s.Key).Select(k => (Id: k, Station: s.Key)))
                .ToDictionary(k => NamedIds.Of(blockId, GroupOutline.ItemName(week, day.Day, k.Id)), k => k.Station);
            return (days.GetValueOrDefault(date)?.Items ?? []).ToLookup(
                i => keys.GetValueOrDefault(i.Item.Id, ""),
                i => new GroupItem(
                    i.Movement?.Name ?? i.Item.Movement,
                    i.Item.Line,
                    day.Form == GroupForm.Circuit ? Easier(i) : null
                )
            );
        }

        private EasierDto? Easier(ItemReading item)
        {
            if (item is not { Movement: { } movement, Plan: { } plan })
                return null;
            var key = (movement.Slug, item.Item.Line);
            if (!easier.TryGetValue(key, out var known))
                easier[key] = known = alternates.Of(movement, plan) is { } found
                    ? new(found.Movement.Name, found.Line)
                    : null;
            return known;
        }
    }
}
