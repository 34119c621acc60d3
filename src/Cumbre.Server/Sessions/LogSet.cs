using System.Security.Claims;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Movements;
using Cumbre.Core.Sessions;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Server.Reading;
using Cumbre.Server.Standings;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Decisions;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Sessions;

/// <param name="Set">From 1; must be in the plan.</param>
/// <param name="Part">From 1; over 1 where a set has parts or sides.</param>
/// <param name="Reps">Clean ones, 0 to 200; 1 for a hold.</param>
/// <param name="Added">Load that was moved.</param>
/// <param name="Reserve">Reps left; null: not asked.</param>
/// <param name="Form">Against the movement's standard.</param>
/// <param name="Pain">0 to 10; null: none.</param>
/// <param name="PainPlace">For instance right elbow.</param>
/// <param name="Supersedes">The set that this one corrects.</param>
/// <param name="Item">Of which item; null: the session has only one.</param>
/// <param name="Seconds">Of a hold.</param>
/// <param name="Total">All reps, clean or not; null: as many as were clean.</param>
/// <param name="Contact">The highest place that the bar reached in every rep.</param>
/// <param name="Sagged">The line of a hold sagged.</param>
/// <param name="RestedSeconds">The rest before the set.</param>
/// <param name="Sign">A stop sign.</param>
/// <param name="SetUp">How it was set up, by the parts that the movement names.</param>
/// <param name="FailedAt">Where the rep that failed stopped.</param>
/// <param name="Fault">What broke the standard, in the movement's own words.</param>
/// <param name="Note">At most 200 characters.</param>
public sealed record SetRequest(
    int Set,
    int Part,
    int Reps,
    MassDto Added,
    int? Reserve,
    FormVerdict Form,
    int? Pain,
    string? PainPlace,
    Guid? Supersedes,
    Guid? Item = null,
    int? Seconds = null,
    int? Total = null,
    Contact? Contact = null,
    bool? Sagged = null,
    int? RestedSeconds = null,
    StopSign? Sign = null,
    IReadOnlyDictionary<string, string>? SetUp = null,
    FailPoint? FailedAt = null,
    string? Fault = null,
    string? Note = null
)
{
    /// <exception cref="FieldException">A figure is outside its range, or the place of a pain is missing.</exception>
    public LoggedSet ToSet()
    {
        var place = string.IsNullOrWhiteSpace(PainPlace)
            ? null
            : Problems.Text("painPlace", PainPlace, Words.WritePlace, 60);
        if (Total < Reps)
            throw Problems.Field("total", Words.AllRepsFewer(Reps));
        var set = Problems.At("", () => new LoggedSet(Set, Part, Reps, Added.Entry, Reserve, Form, Pain, place, Seconds)
            {
                Total = Total,
                Contact = Contact,
                Sagged = Sagged ?? false,
                RestedSeconds = RestedSeconds,
                Sign = Sign,
                SetUp = Problems.At("setUp.", () => new SetUpNotes(SetUp ?? SetUpNotes.None.Parts)),
                FailedAt = FailedAt,
                Fault = string.IsNullOrWhiteSpace(Fault) ? null : Fault.Trim(),
                Note = string.IsNullOrWhiteSpace(Note) ? null : Problems.Text("note", Note, Words.WriteNote, 200),
            });
        if ((set.Pain > 0 || set.Sign is not null) && place is null)
            throw Problems.Field("painPlace", Words.PainPlaceMissing);
        return set;
    }
}

/// <summary>What a correction would change; nothing is written.</summary>
/// <param name="Gone">Open or taken decisions that would no longer hold.</param>
/// <param name="Come">Decisions that would wait instead.</param>
public sealed record CorrectionPreview(IReadOnlyList<DecisionDto> Gone, IReadOnlyList<DecisionDto> Come);

internal static class LogSet
{
    public static Results<Ok<SessionDto>, ProblemHttpResult> Handle(
        Guid athleteId,
        Guid sessionId,
        Guid setId,
        SetRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    )
    {
        var set = request.ToSet();
        // Read once outside the lock, so that the write finds it at hand.
        database.Read(db => Work.Load(db, athleteId, clock.Today));
        var problem = database.Write(db =>
            SessionStore.Find(db, sessionId) is not { } stored
            || stored.AthleteId != athleteId
            || SnapshotStore.Load(db, athleteId, clock.Today) is not { } found
                ? Problems.NotFound(Words.NoSession)
                : SetWriter.Append(
                    db,
                    stored,
                    found,
                    new(setId, set, request.Item, request.Supersedes),
                    clock,
                    clock.Stamp(Policies.IdOf(user))
                )
        );
        return problem is null
            ? TypedResults.Ok(database.Read(db => SessionReader.Find(db, athleteId, sessionId, clock.Today))!)
            : (ProblemHttpResult)problem;
    }

    /// <summary>Logs the set, looks at what follows, and takes it back.</summary>
    public static Results<Ok<CorrectionPreview>, ProblemHttpResult> Preview(
        Guid athleteId,
        Guid sessionId,
        Guid setId,
        SetRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock,
        Reconciler reconciler
    )
    {
        var set = request.ToSet();
        var (problem, preview) = database.Write<(IResult?, CorrectionPreview?)>(
            db =>
            {
                if (
                    SessionStore.Find(db, sessionId) is not { } stored
                    || stored.AthleteId != athleteId
                    || SnapshotStore.Load(db, athleteId, clock.Today) is not { } found
                )
                    return (Problems.NotFound(Words.NoSession), null);
                var before = Standing(db, athleteId);
                SetToLog logged = new(setId, set, request.Item, request.Supersedes);
                if (SetWriter.Append(db, stored, found, logged, clock, clock.Stamp(Policies.IdOf(user))) is { } refusal)
                    return (refusal, null);
                reconciler.Run(db, athleteId, corrected: request.Supersedes is not null);
                var after = Standing(db, athleteId);
                return (null, new(Told(before, after), Told(after, before)));

                DecisionDto[] Told(Dictionary<Guid, StoredDecision> these, Dictionary<Guid, StoredDecision> others) =>
                    [
                        .. these
                            .Values.Where(d => !others.ContainsKey(d.Id))
                            .Select(d => DecisionDto.Of(db, d, clock.Today)),
                    ];
            },
            _ => false
        );
        return problem is null ? TypedResults.Ok(preview!) : (ProblemHttpResult)problem;
    }

    private static Dictionary<Guid, StoredDecision> Standing(Db db, Guid athleteId) =>
        DecisionStore.Of(db, athleteId).Where(d => d.State != DecisionState.Superseded).ToDictionary(d => d.Id);
}

internal static class FinishSession
{
    public static Results<Ok<SessionDto>, ProblemHttpResult> Handle(
        Guid athleteId,
        Guid sessionId,
        Database database,
        ClubClock clock
    )
    {
        var found = database.Write(db =>
        {
            if (SessionStore.Find(db, sessionId) is not { } stored || stored.AthleteId != athleteId)
                return false;
            if (stored.Status == SessionStatus.Planned)
                throw Problems.Field("sets", Words.FinishEmpty);
            SessionStore.Finish(db, sessionId, clock.Now);
            NewRecords.Find(db, stored, clock.Today);
            db.Reconsider(athleteId);
            return true;
        });
        return found
            ? TypedResults.Ok(database.Read(db => SessionReader.Find(db, athleteId, sessionId, clock.Today))!)
            : (ProblemHttpResult)Problems.NotFound(Words.NoSession);
    }
}
