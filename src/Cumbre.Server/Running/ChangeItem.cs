using System.Security.Claims;
using System.Text.Json;
using Cumbre.Core.Notation;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Server.Reading;
using Cumbre.Server.Sessions;
using Cumbre.Storage;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Running;

/// <summary>The coach changes what is still to be done of an item while the session runs.</summary>
/// <param name="Id">Of the item that takes over, made by the client.</param>
/// <param name="Movement">The same, or another.</param>
/// <param name="Line">Whiteboard line, with all sets: those that were done count as done.</param>
/// <param name="Reason">Shown to the athlete.</param>
public sealed record ItemChange(Guid Id, string Movement, string Line, string Reason);

internal static class ChangeItem
{
    public static Results<Ok<SessionDto>, ProblemHttpResult> Handle(
        Guid athleteId,
        Guid sessionId,
        Guid itemId,
        ItemChange request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    )
    {
        var reason = Problems.Text("reason", request.Reason, Words.WriteSkipReason, 200);
        return SessionWrite.Run(athleteId, sessionId, database, clock, (db, session) =>
        {
            if (session.Items.Any(i => i.Id == request.Id))
                return null;
            if (session.Items.FirstOrDefault(i => i.Id == itemId) is not { Ended: null } item)
                return Problems.NotFound(Words.NoItem);
            if (session.Day > clock.Today)
                throw Problems.Field("day", Words.SessionOnOtherDay(session.Day));
            if (Work.Load(db, athleteId, clock.Today) is not var (_, athlete))
                return Problems.NotFound(Words.NoAthlete);
            if (!athlete.Atlas.Catalogue.Movements.ContainsKey(request.Movement))
                throw Problems.Field("movement", Words.MovementNotChosen);
            var parsed = Work.Writing(db, athlete, user).Read(request.Line);
            if (parsed.Plan is not { } plan)
                throw Problems.Field("line", Words.LineUnreadable(parsed.Error!.Start + 1));
            var reading = PlanReader.Read(athlete, request.Movement, plan, clock.Today, reason);
            if (PlanFreezer.Of(reading) is not { } frozen)
                throw Problems.Field("line", Words.PlanUnresolved);
            var stamp = clock.Stamp(Policies.IdOf(user));
            if (session.Status == SessionStatus.Planned)
                SessionStore.Start(db, session, SetWriter.Freeze(db, session, athleteId, clock.Today), stamp.At);
            SessionStore.Insert(
                db,
                sessionId,
                new(request.Id, request.Movement, WrittenLine.Of(plan), frozen)
                {
                    Joined = true,
                    Role = item.Role,
                    InsteadOf = itemId,
                },
                itemId
            );
            SessionStore.End(db, itemId, reason);
            // What was changed on the day, by whom and from what, stays beside what was done.
            RunStore.Add(
                db,
                new(
                    request.Id,
                    athleteId,
                    sessionId,
                    itemId,
                    "Change",
                    stamp.At,
                    EntryOutcome.Kept,
                    JsonSerializer.Serialize(
                        new
                        {
                            before = new { item.Movement, item.Line },
                            after = new { request.Movement, Line = NotationPrinter.Print(plan) },
                            reason,
                        },
                        WireJson.Options
                    ),
                    null
                ),
                stamp
            );
            return null;
        });
    }
}
