using System.Net.ServerSentEvents;
using System.Runtime.CompilerServices;
using Cumbre.Core.Programmes;
using Cumbre.Core.Safety;
using Cumbre.Server.Hosting;
using Cumbre.Server.Programmes;
using Cumbre.Server.Reading;
using Cumbre.Server.Sessions;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Running;

/// <summary>A session that changed: who shows it reads it again.</summary>
/// <param name="Session">Which.</param>
/// <param name="Athlete">Whose.</param>
/// <param name="Mark">Another one than before says that something of it was written.</param>
public sealed record LiveMark(Guid Session, Guid Athlete, string Mark);

/// <summary>
/// Tells what changes in the sessions of the day while it happens. Nothing is kept for it: whoever connects again, after a
/// cut or another start of the server, is told how all of them stand, and reads what it does not have.
/// </summary>
internal sealed class LiveFeed(Database database, ClubClock clock, IHostApplicationLifetime lifetime)
{
    private static readonly TimeSpan Pace = TimeSpan.FromMilliseconds(250),
        Beat = TimeSpan.FromSeconds(15),
        // After so long somebody signs in again by themselves: an access that ended is found out.
        Longest = TimeSpan.FromMinutes(5);

    private readonly Lock turn = new();
    private long seen = -1;
    private IReadOnlyList<LiveMark> marks = [];

    /// <summary>How the sessions of the day stand, and then what changes.</summary>
    /// <param name="holds">Whom the listener sees.</param>
    /// <param name="gone">The listener has left.</param>
    public async IAsyncEnumerable<SseItem<IReadOnlyList<LiveMark>>> Follow(
        Func<Guid, bool> holds,
        [EnumeratorCancellation] CancellationToken gone
    )
    {
        using var stop = CancellationTokenSource.CreateLinkedTokenSource(gone, lifetime.ApplicationStopping);
        var known = new Dictionary<Guid, string>();
        var end = TimeProvider.System.GetTimestamp();
        var quiet = end;
        var first = true;
        while (!stop.IsCancellationRequested && TimeProvider.System.GetElapsedTime(end) < Longest)
        {
            LiveMark[] changed =
            [
                .. Marks().Where(m => holds(m.Athlete) && known.GetValueOrDefault(m.Session) != m.Mark),
            ];
            foreach (var mark in changed)
                known[mark.Session] = mark.Mark;
            if (first || changed.Length > 0 || TimeProvider.System.GetElapsedTime(quiet) > Beat)
            {
                yield return new(changed, first ? "all" : "changed");
                quiet = TimeProvider.System.GetTimestamp();
                first = false;
            }

            try
            {
                await Task.Delay(Pace, stop.Token);
            }
            catch (OperationCanceledException)
            {
                yield break;
            }
        }
    }

    /// <summary>Read once for each state of the store, whoever listens.</summary>
    private IReadOnlyList<LiveMark> Marks()
    {
        lock (turn)
        {
            if (database.Writes is var writes && writes != seen)
            {
                marks =
                [
                    .. database
                        .Read(db => RunStore.Marks(db, clock.Today))
                        .Select(m => new LiveMark(m.SessionId, m.AthleteId, m.Mark)),
                ];
                seen = writes;
            }

            return marks;
        }
    }
}

/// <summary>Somebody who trains now.</summary>
/// <param name="Session">Their session.</param>
/// <param name="Athlete">Whose.</param>
/// <param name="Name">Whose.</param>
/// <param name="Title">Of the session.</param>
/// <param name="Status">How far it is.</param>
/// <param name="BegunAt">When the first set was done.</param>
/// <param name="Movement">Of the next set; null: all is done.</param>
/// <param name="Line">Of its item.</param>
/// <param name="Set">Of the next set.</param>
/// <param name="Sets">Of its item.</param>
/// <param name="Last">The set that was done last.</param>
/// <param name="LastMovement">Its movement.</param>
/// <param name="RestUntil">When the rest is over.</param>
/// <param name="BehindSeconds">Behind the time model.</param>
/// <param name="Done">Efforts done.</param>
/// <param name="Efforts">Efforts of the session.</param>
/// <param name="Pain">The worst that was told today; null: none.</param>
/// <param name="PainPlace">Where.</param>
/// <param name="PainStops">It stops what it holds.</param>
/// <param name="Asked">Sets of which two versions wait for a choice.</param>
public sealed record LiveSession(
    Guid Session,
    Guid Athlete,
    string Name,
    string Title,
    SessionStatus Status,
    DateTimeOffset? BegunAt,
    string? Movement,
    string? Line,
    int? Set,
    int? Sets,
    SetDto? Last,
    string? LastMovement,
    DateTimeOffset? RestUntil,
    int? BehindSeconds,
    int Done,
    int Efforts,
    int? Pain,
    string? PainPlace,
    bool PainStops,
    int Asked
);

/// <summary>Who trains now, and the server's clock beside it.</summary>
public sealed record LiveNow(DateTimeOffset Now, IReadOnlyList<LiveSession> Sessions);

internal static class GetLive
{
    public static IResult Follow(LiveFeed feed, Reach reach, CancellationToken gone) =>
        TypedResults.ServerSentEvents(feed.Follow(reach.Holds, gone));

    /// <summary>Sessions that have begun, the longest without a set first.</summary>
    public static Ok<LiveNow> Now(Database database, ClubClock clock, Reach reach) =>
        TypedResults.Ok(
            new LiveNow(
                clock.Now,
                database.Read<LiveSession[]>(db =>
                    [
                        .. SessionStore
                            .On(db, clock.Today)
                            .Where(s => s.Status == SessionStatus.Started && reach.Holds(s.AthleteId))
                            .Select(s => Read(db, s, clock))
                            .OfType<LiveSession>()
                            .OrderBy(s => s.RestUntil ?? DateTimeOffset.MaxValue)
                            .ThenBy(s => s.Name, StringComparer.Ordinal),
                    ]
                )
            )
        );

    private static LiveSession? Read(Db db, SessionHead head, ClubClock clock)
    {
        if (
            SessionStore.Find(db, head.Id) is not { } session
            || Work.Load(db, head.AthleteId, clock.Today) is not var (profile, athlete)
        )
            return null;
        var dose = DoseReader.Of(Blocks.SessionOf(session), athlete);
        var walk = Walk.Of(dose.Groups);
        var sets = SessionStore.Sets(db, session.Id);
        var efforts = session.Items.Select(i => i.Plan?.Sets() ?? []).ToArray();
        var state = RunReader.StateOf(session, walk, sets, clock.Now);
        var next = state.Next is { } at ? walk[at] : null;
        var item = next is null ? null : session.Items[next.Item];
        var all = session.Items.SelectMany(i => sets[i.Id].Select(s => (Item: i, Set: s))).ToArray();
        // None: all that was done is taken back, or nobody told when it was.
        var last = all.OrderByDescending(s => s.Set.DoneAt).FirstOrDefault(s => s.Set.DoneAt is not null);
        var pain = all.Where(s => s.Set.Set.Pain > 0 || s.Set.Set.Sign is not null)
            .OrderByDescending(s => s.Set.Set.Sign is not null)
            .ThenByDescending(s => s.Set.Set.Pain)
            .Select(s => s.Set.Set)
            .FirstOrDefault();
        string NameOf(string slug) => athlete.Atlas.Catalogue.Movements.GetValueOrDefault(slug)?.Name ?? slug;
        return new(
            session.Id,
            session.AthleteId,
            profile.Name,
            session.Title,
            session.Status,
            session.BegunAt,
            item is null ? null : NameOf(item.Movement),
            item?.Line,
            next is null ? null : efforts[next.Item][next.Effort].Set,
            next is null ? null : efforts[next.Item].Max(e => e.Set),
            last.Set is null ? null : SetDto.Of(last.Set),
            last.Item is null ? null : NameOf(last.Item.Movement),
            state.RestUntil,
            state.BehindSeconds,
            all.Length,
            efforts.Where((_, i) => session.Items[i].InsteadOf is null).Sum(e => e.Count),
            pain?.Pain,
            pain?.PainPlace,
            pain is not null && (pain.Pain >= PainRules.StopFrom || pain.Sign is not null),
            RunStore.Asked(db, head.AthleteId).Count(e => e.SessionId == session.Id)
        );
    }
}
