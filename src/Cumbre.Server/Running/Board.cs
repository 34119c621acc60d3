using System.Security.Claims;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;
using Cumbre.Core.Programmes;
using Cumbre.Core.Safety;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Server.Reading;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Loading;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Running;

/// <summary>One athlete on the wall.</summary>
/// <param name="Session">Their session.</param>
/// <param name="Athlete">Whose.</param>
/// <param name="Name">As they chose.</param>
/// <param name="Unit">In which they think.</param>
/// <param name="Station">A piece of gear by its name, or a kind of it; empty: anywhere on the floor.</param>
/// <param name="Begun">A set is done.</param>
/// <param name="Turn">Whether they may go.</param>
/// <param name="After">The name of whoever goes right before them.</param>
/// <param name="ReadyAt">When their rest is over.</param>
/// <param name="RestSeconds">Of that rest.</param>
/// <param name="Movement">Of the next set; null: all is done.</param>
/// <param name="Slug">Of the same movement.</param>
/// <param name="Effort">The next set.</param>
/// <param name="Load">Of it.</param>
/// <param name="On">What lies on their belt now.</param>
/// <param name="Set">Its number.</param>
/// <param name="Sets">Of its exercise.</param>
/// <param name="Deload">Of an easy week.</param>
/// <param name="Pain">Pain was told today, and the athlete agreed that the wall says so.</param>
public sealed record BoardColumn(
    Guid Session,
    Guid Athlete,
    string Name,
    MassUnit Unit,
    string Station,
    bool Begun,
    Turn Turn,
    string? After,
    DateTimeOffset ReadyAt,
    int RestSeconds,
    string? Movement,
    string? Slug,
    EffortDto? Effort,
    PackLoad? Load,
    IReadOnlyList<PieceDto> On,
    int Set,
    int Sets,
    bool Deload,
    bool Pain
);

/// <summary>Plates of one size.</summary>
/// <param name="Size">As it is stamped.</param>
/// <param name="Count">There are.</param>
/// <param name="Left">On the rack now; negative: more are needed than there are.</param>
public sealed record RackPlates(MassDto Size, int Count, int Left);

/// <summary>What the wall shows.</summary>
/// <param name="Now">The server's clock.</param>
/// <param name="Club">Its name.</param>
/// <param name="Columns">In the order of their stations.</param>
/// <param name="Rack">The gym's plates.</param>
/// <param name="Belts">There are.</param>
/// <param name="BeltsNeeded">For the next sets of all.</param>
/// <param name="Stations">To choose from: the gym's gear by name.</param>
/// <param name="Chosen">Sessions that the coach put on the board; none: everybody who trains now.</param>
public sealed record BoardDto(
    DateTimeOffset Now,
    string Club,
    IReadOnlyList<BoardColumn> Columns,
    IReadOnlyList<RackPlates> Rack,
    int Belts,
    int BeltsNeeded,
    IReadOnlyList<string> Stations,
    IReadOnlyList<Guid> Chosen
);

/// <param name="Session">On the board.</param>
/// <param name="Station">A piece of gear by its name; null: as the exercise asks.</param>
public sealed record BoardPlaceDto(Guid Session, string? Station);

/// <param name="Places">In order; none: everybody who trains now.</param>
public sealed record BoardRequest(IReadOnlyList<BoardPlaceDto> Places);

/// <param name="Name">On the wall; null: the first name.</param>
/// <param name="Pain">The wall may say that pain was reported.</param>
public sealed record WallDto(string? Name, bool Pain);

internal static class GetBoard
{
    private const int Unlimited = 99;

    public static Ok<BoardDto> Handle(Database database, ClubClock clock, Reach reach) =>
        TypedResults.Ok(database.Read(db => Read(db, clock, reach)));

    private static BoardDto Read(Db db, ClubClock clock, Reach reach)
    {
        var now = clock.Now;
        var book = KitStore.Of(db, KitStore.Club).Book;
        var places = BoardStore.Places(db, clock.Today);
        var heads = SessionStore.On(db, clock.Today).Where(s => reach.Holds(s.AthleteId)).ToDictionary(s => s.Id);
        BoardPlace[] chosen = [.. places.Where(p => heads.ContainsKey(p.SessionId))];
        var shown =
            chosen.Length > 0
                ? chosen
                :
                [
                    .. heads
                        .Values.Where(s => s.Status == SessionStatus.Started)
                        .Select(s => new BoardPlace(s.Id, null)),
                ];
        BoardColumn[] columns =
        [
            .. shown
                .Select(p => Column(db, p, clock, book))
                .OfType<BoardColumn>()
                .OrderBy(c => c.Station, StringComparer.Ordinal),
        ];
        var turns = StationTurns.Of(
            [.. columns.Where(c => c.Movement is not null).Select(c => new AtStation(c.Session, c.Station, c.ReadyAt))],
            Places(book),
            now
        );
        var names = columns.ToDictionary(c => c.Session, c => c.Name);
        columns =
        [
            .. columns.Select(c =>
                turns.FirstOrDefault(t => t.Session == c.Session) is { } turn
                    ? c with
                    {
                        Turn = turn.Turn,
                        After = turn.After is { } after ? names[after] : null,
                    }
                    : c
            ),
        ];
        var on = columns.SelectMany(c => c.On).ToArray();
        return new(
            now,
            AccountStore.Club(db)?.Name ?? "",
            columns,
            [
                .. (book.Kit?.Pieces ?? [])
                    .Where(p => p.Sort == PieceSort.Plate)
                    .Select(p => new RackPlates(
                        MassDto.Of(p.Size),
                        p.Count,
                        p.Count - on.Count(o => o.Sort == PieceSort.Plate && o.Size.Entry == p.Size)
                    )),
            ],
            book.Kit?.HasBelt == true ? 1 : 0,
            columns.Count(c => c.Load?.Pieces.Any(p => p.Sort == PieceSort.Plate) == true),
            [.. book.Gear.Where(g => g.Kind is not (GearKind.Mat or GearKind.Pad)).Select(g => g.Name)],
            [.. chosen.Select(c => c.SessionId)]
        );
    }

    /// <summary>A piece of gear takes one, and a kind of it as many as there are.</summary>
    private static Dictionary<string, int> Places(KitBook book)
    {
        var places = book.Gear.GroupBy(g => g.Kind.ToString()).ToDictionary(g => g.Key, g => g.Count());
        foreach (var gear in book.Gear)
            places[gear.Name] = 1;
        places[""] = Unlimited;
        return places;
    }

    private static BoardColumn? Column(Db db, BoardPlace place, ClubClock clock, KitBook book)
    {
        if (
            SessionStore.Find(db, place.SessionId) is not { } session
            || Work.Load(db, session.AthleteId, clock.Today) is not var (profile, athlete)
        )
            return null;
        var pack = new PackReader(athlete, profile, clock.Today, null).Read(db, session);
        var sets = SessionStore.Sets(db, session.Id);
        var state = RunReader.StateOf(session, pack.Walk, sets, clock.Now);
        var next = state.Next is { } at ? pack.Walk[at] : null;
        var item = next is null ? null : pack.Items[next.Item];
        var effort = item?.Plan?.Efforts[next!.Effort];
        var told = session.Items.SelectMany(i => sets[i.Id]).ToArray();
        // The last set of what is loaded, though it was done without: then the belt is empty.
        var loaded = pack
            .Items.Where(i => i.Plan?.Loads.Any(l => l.Pieces.Count > 0) == true)
            .SelectMany(i => sets[i.Id]);
        var last = loaded.Where(s => s.DoneAt is not null).MaxBy(s => s.DoneAt);
        var wall = BoardStore.Wall(db, session.AthleteId);
        return new(
            session.Id,
            session.AthleteId,
            wall.Name ?? profile.Name.Split(' ')[0],
            profile.Unit,
            place.Station ?? StationOf(item, athlete, book),
            session.Status == SessionStatus.Started,
            Turn.Rest,
            null,
            state.RestUntil ?? session.BegunAt ?? clock.Now,
            state.RestSeconds,
            item?.Movement.Name,
            item?.Movement.Slug,
            effort,
            effort is null ? null : item!.Plan!.Loads[effort.Load],
            last is null || session.Status == SessionStatus.Done
                ? []
                : PieceDto.Of(athlete.Athlete.Kit.Nearest(last.Set.Added.Mass)),
            effort?.Set ?? 0,
            item?.Plan?.Efforts.Max(e => e.Set) ?? 0,
            session.Easy,
            wall.Pain && told.Any(s => s.Set.Pain >= PainRules.EaseFrom || s.Set.Sign is not null)
        );
    }

    /// <summary>The gear that the exercise asks for: by its name where there is one, else by its kind.</summary>
    private static string StationOf(PackItem? item, AthleteAtWork athlete, KitBook book)
    {
        if (item is null || athlete.Atlas.Catalogue.Movements.GetValueOrDefault(item.Movement.Slug) is not { } movement)
            return "";
        GearKind? kind = movement
            .Kit.Select(wanted =>
                wanted switch
                {
                    "bar" or "bars" or "low bar" => GearKind.Bar,
                    "parallel bars" => GearKind.ParallelBars,
                    "rings" => GearKind.Rings,
                    "pole" or "wall bars" => GearKind.Pole,
                    _ => (GearKind?)null,
                }
            )
            .FirstOrDefault(k => k is not null);
        if (kind is not { } found)
            return "";
        return book.Gear.Where(g => g.Kind == found).ToArray() is [var only] ? only.Name : found.ToString();
    }
}

internal static class PutBoard
{
    private const int Most = 60,
        NameMost = 60;

    /// <summary>Puts sessions of today on the board; those that the coach may not see stay as they are.</summary>
    public static Results<NoContent, ProblemHttpResult> Handle(
        BoardRequest request,
        Database database,
        ClubClock clock,
        Reach reach
    )
    {
        if (request.Places.Count > Most)
            throw Problems.Field("places", Words.TooMany(Most, request.Places.Count));
        return database.Write(db =>
        {
            var today = SessionStore
                .On(db, clock.Today)
                .Where(s => reach.Holds(s.AthleteId))
                .Select(s => s.Id)
                .ToHashSet();
            if (request.Places.Any(p => !today.Contains(p.Session)))
                return false;
            BoardStore.Put(
                db,
                [
                    .. request
                        .Places.DistinctBy(p => p.Session)
                        .Select(p => new BoardPlace(
                            p.Session,
                            string.IsNullOrWhiteSpace(p.Station)
                                ? null
                                : Problems.Text("station", p.Station, Words.WritePlace, NameMost)
                        )),
                ],
                today
            );
            return true;
        })
            ? TypedResults.NoContent()
            : (ProblemHttpResult)Problems.NotFound(Words.NoSession);
    }
}

internal static class OwnWall
{
    private const int NameMost = 20;

    public static Ok<WallDto> Get(Guid athleteId, Database database)
    {
        var wall = database.Read(db => BoardStore.Wall(db, athleteId));
        return TypedResults.Ok(new WallDto(wall.Name, wall.Pain));
    }

    public static NoContent Put(
        Guid athleteId,
        WallDto request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    )
    {
        database.Write(db =>
        {
            var name = string.IsNullOrWhiteSpace(request.Name)
                ? (AthleteStore.Find(db, athleteId)?.Name ?? "").Split(' ')[0]
                : Problems.Text("name", request.Name, Words.WriteName, NameMost);
            BoardStore.Put(db, athleteId, name, request.Pain, clock.Stamp(Policies.IdOf(user)));
            return true;
        });
        return TypedResults.NoContent();
    }
}
