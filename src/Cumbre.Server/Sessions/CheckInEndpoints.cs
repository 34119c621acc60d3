using System.Security.Claims;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Safety;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Sessions;

/// <summary>Pain at a place.</summary>
public sealed record PainDto(int Level, string Place, StopSign? Sign);

/// <summary>What is said before a session; what was not asked is null.</summary>
public sealed record CheckInDto(
    DateOnly Day,
    decimal? SleepHours,
    int? Soreness,
    int? Readiness,
    bool HardTraining,
    IReadOnlyList<PainDto> Pain,
    bool? TookEasy = null
)
{
    public static CheckInDto Of(CheckIn c) =>
        new(
            c.Day,
            c.SleepHours,
            c.Soreness,
            c.Readiness,
            c.HardTraining,
            [.. c.Pain.Select(p => new PainDto(p.Level, p.Place.Said, p.Sign))],
            c.TookEasy
        );

    /// <param name="id">Made by whoever adds it.</param>
    /// <param name="today">No day after it can be told of.</param>
    /// <exception cref="FieldException">A figure is outside its range, or the place of a pain is missing.</exception>
    public CheckIn ToCheckIn(Guid id, DateOnly today)
    {
        var day = Problems.NotInFuture("day", Day, today);
        var pain = Pain.Select(
                (p, i) =>
                    new CheckInPain(
                        Problems.At("pain", () =>
                            Guard.InRange("level", p.Level, Limits.PainMinimum, Limits.PainMaximum)
                        ),
                        PainPlace.Read(Problems.Text($"pain.{i}.place", p.Place, Words.WritePlace, 60)),
                        p.Sign
                    )
            )
            .ToArray();
        return Problems.At("", () =>
            new CheckIn(id, day, SleepHours, Soreness, Readiness, HardTraining) { Pain = pain }
        );
    }
}

/// <param name="Level">0 to 10.</param>
/// <param name="Place">Null: no pain.</param>
/// <param name="Sign">A stop sign.</param>
public sealed record MorningRequest(int Level, string? Place, StopSign? Sign);

internal static class PutCheckIn
{
    public static Results<NoContent, ProblemHttpResult> Handle(
        Guid athleteId,
        Guid id,
        CheckInDto request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    )
    {
        var checkIn = request.ToCheckIn(id, clock.Today);
        return database.Write(db =>
        {
            if (AthleteStore.Find(db, athleteId) is null)
                return false;
            HealthStore.Put(db, athleteId, checkIn, clock.Stamp(Policies.IdOf(user)));
            db.Reconsider(athleteId);
            return true;
        })
            ? TypedResults.NoContent()
            : (ProblemHttpResult)Problems.NotFound(Words.NoAthlete);
    }
}

internal static class PutMorning
{
    public static Results<NoContent, ProblemHttpResult> Handle(
        Guid athleteId,
        Guid sessionId,
        MorningRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    ) =>
        database.Write(db =>
        {
            if (SessionStore.Find(db, sessionId) is not { } session || session.AthleteId != athleteId)
                return false;
            Apply(db, session, request, clock, clock.Stamp(Policies.IdOf(user)));
            return true;
        })
            ? TypedResults.NoContent()
            : (ProblemHttpResult)Problems.NotFound(Words.NoSession);

    /// <exception cref="FieldException">A figure is outside its range, the place is missing, or it is too early.</exception>
    public static void Apply(Db db, StoredSession session, MorningRequest request, ClubClock clock, Stamp stamp)
    {
        var level = Problems.At("", () =>
            Guard.InRange("level", request.Level, Limits.PainMinimum, Limits.PainMaximum)
        );
        var place = string.IsNullOrWhiteSpace(request.Place)
            ? null
            : PainPlace.Read(Problems.Text("place", request.Place, Words.WritePlace, 60));
        if ((level > 0 || request.Sign is not null) && place is null)
            throw Problems.Field("place", Words.PainPlaceMissing);
        if (session.Day >= clock.Today)
            throw Problems.Field("day", Words.MorningAfterEarly);
        HealthStore.Put(db, new MorningAnswer(session.Id, level, place, request.Sign), stamp);
        db.Reconsider(session.AthleteId);
    }
}
