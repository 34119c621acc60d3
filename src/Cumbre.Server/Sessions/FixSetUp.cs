using System.Security.Claims;
using Cumbre.Core.Sessions;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Server.Privacy;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Ladders;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Sessions;

/// <param name="Part">One that the movement of the filter names.</param>
/// <param name="Value">As it was on all of these days; empty: nobody knows.</param>
public sealed record SetUpFix(string Part, string Value);

/// <param name="Sets">Of the filter.</param>
/// <param name="Changed">Those that said something else, or nothing.</param>
/// <param name="Athletes">Of so many.</param>
public sealed record SetUpFixed(int Sets, int Changed, int Athletes);

/// <summary>
/// How a movement was set up, told after the fact for all sets of a filter: each is a correction of its own, with the
/// set before it kept.
/// </summary>
internal static class FixSetUp
{
    private const int SetsMost = 2000,
        SessionsAtOnce = 200;

    /// <param name="query">The filter; of one movement.</param>
    /// <param name="check">Only counted, and nothing is written.</param>
    public static Ok<SetUpFixed> Handle(
        [AsParameters] LogQuery query,
        SetUpFix request,
        bool? check,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock,
        Reach reach
    )
    {
        var filter = query.For(reach);
        var movements = database.Read(CatalogueStore.Club).Catalogue.Movements;
        if (filter.Movement is null || !movements.TryGetValue(filter.Movement, out var movement))
            throw Problems.Field("movement", Words.SetUpOfOneMovement);
        if (!movement.SetUp.Contains(request.Part))
            throw Problems.Field("part", Words.SetUpUnknown(movement.Name, request.Part));
        var value = string.IsNullOrWhiteSpace(request.Value)
            ? ""
            : Problems.At("value", () => SetUpField.Of(request.Part).Read(request.Value));
        var stamp = clock.Stamp(Policies.IdOf(user));
        return TypedResults.Ok(
            database.Write(
                db =>
                {
                    var count = LogbookStore.Count(db, filter, SetsMost + 1);
                    if (count > SetsMost)
                        throw Problems.Field("part", Words.SetUpTooMany(SetsMost));
                    var athletes = new HashSet<Guid>();
                    var changed = 0;
                    foreach (var (session, item, set) in All(db, filter))
                    {
                        var parts = set
                            .Set.SetUp.Parts.Where(p => p.Key != request.Part)
                            .Append(KeyValuePair.Create(request.Part, value));
                        var told = set.Set with { SetUp = new(parts) };
                        if (told.SetUp.Equals(set.Set.SetUp))
                            continue;
                        if (athletes.Add(session.AthleteId))
                            Recording.Check(db, session.AthleteId);
                        changed++;
                        SetWriter.Write(
                            db,
                            session,
                            item,
                            new(Guid.CreateVersion7(), told, item.Id, set.Id),
                            stamp,
                            clock.Today
                        );
                    }

                    return new SetUpFixed(count, changed, athletes.Count);
                },
                _ => check != true
            )
        );
    }

    /// <summary>All of them before the first is written: what is written may no longer fit the filter.</summary>
    private static List<(StoredSession Session, StoredItem Item, StoredSet Set)> All(Db db, LogFilter filter)
    {
        var all = new List<(StoredSession, StoredItem, StoredSet)>();
        LogPlace? after = null;
        do
        {
            var found = LogbookStore.Sessions(db, filter, LogOrder.Oldest, after, SessionsAtOnce);
            Guid[] ids = [.. found.Select(s => s.Id)];
            var sets = LogbookStore.Sets(db, filter, ids);
            all.AddRange(
                SessionStore
                    .Some(db, ids)
                    .SelectMany(s => s.Items.SelectMany(i => sets[i.Id].Select(set => (s, i, set))))
            );
            after = found.Count < SessionsAtOnce ? null : found[^1].Place;
        } while (after is not null);
        return all;
    }
}
