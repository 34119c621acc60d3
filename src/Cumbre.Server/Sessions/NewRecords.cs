using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Review;
using Cumbre.Server.Hosting;
using Cumbre.Server.Reading;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Ladders;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Sessions;

/// <summary>A new best, as it is told.</summary>
/// <param name="SessionId">That brought it.</param>
/// <param name="AthleteId">Whose.</param>
/// <param name="AthleteName">Whose.</param>
/// <param name="Movement">Slug.</param>
/// <param name="Name">As coaches say it.</param>
/// <param name="SetUp">As it was told; empty: nothing was.</param>
/// <param name="Style">Speed, grip, pause and tempo as a line says them; empty: as usual.</param>
/// <param name="Side">Null: both at once.</param>
/// <param name="Measure">In what it is followed.</param>
/// <param name="Value">In this measure.</param>
/// <param name="Before">The best until then.</param>
/// <param name="BeforeDay">When that was.</param>
/// <param name="Day">Of the session.</param>
public sealed record NewRecordDto(
    Guid SessionId,
    Guid AthleteId,
    string AthleteName,
    string Movement,
    string Name,
    string SetUp,
    string Style,
    Side? Side,
    TrendMeasure Measure,
    decimal Value,
    decimal Before,
    DateOnly BeforeDay,
    DateOnly Day
);

/// <summary>Sessions whose records have been read.</summary>
public sealed record ToldRequest(IReadOnlyList<Guid> Sessions);

/// <summary>New bests: found when a session is finished or corrected later, and told once to each side.</summary>
internal static class NewRecords
{
    /// <summary>What is older is no news.</summary>
    private const int NewsDays = 28;

    private const int SessionsMaximum = 500;

    /// <summary>Looks for what a finished session brought. Part of a write.</summary>
    /// <param name="db">The file.</param>
    /// <param name="session">Which.</param>
    /// <param name="today">Today.</param>
    /// <param name="only">The movement that was corrected; null: all of them.</param>
    public static void Find(Db db, StoredSession session, DateOnly today, string? only = null)
    {
        if (Work.Load(db, session.AthleteId, today) is not var (_, athlete))
            return;
        foreach (var movement in session.Items.Select(i => i.Movement).Distinct().Where(m => only is null || m == only))
        {
            if (!athlete.Atlas.Catalogue.Movements.TryGetValue(movement, out var found) || !IsFollowed(found))
                continue;
            var whole = SnapshotStore.OfMovement(db, session.AthleteId, athlete.Athlete, movement, today);
            var trend = new MovementTrend(athlete, found, whole.Exposures);
            RecordStore.Put(db, session, movement, trend.Measure, trend.NewRecords(session.Id));
        }
    }

    /// <summary>Nobody breaks a record in a warm-up drill.</summary>
    private static bool IsFollowed(Movement movement) =>
        movement.Pattern is not (Pattern.Mobility or Pattern.ShoulderBlade);

    public static Ok<IReadOnlyList<NewRecordDto>> OfClub(Database database, ClubClock clock, Reach reach) =>
        TypedResults.Ok(
            database.Read(db =>
                Told(
                    db,
                    [.. RecordStore.ForCoach(db, clock.Today.AddDays(-NewsDays)).Where(r => reach.Holds(r.AthleteId))]
                )
            )
        );

    public static Ok<IReadOnlyList<NewRecordDto>> Own(Guid athleteId, Database database, ClubClock clock) =>
        TypedResults.Ok(
            database.Read(db => Told(db, RecordStore.ForAthlete(db, athleteId, clock.Today.AddDays(-NewsDays))))
        );

    public static NoContent ToldClub(ToldRequest request, Database database, ClubClock clock, Reach reach)
    {
        Check(request);
        database.Write(db =>
        {
            var sessions = SessionStore.Some(db, [.. request.Sessions]).Where(s => reach.Holds(s.AthleteId));
            RecordStore.Tell(db, RecordTo.Coach, [.. sessions.Select(s => s.Id)], clock.Now);
            return true;
        });
        return TypedResults.NoContent();
    }

    public static NoContent ToldOwn(Guid athleteId, ToldRequest request, Database database, ClubClock clock)
    {
        Check(request);
        database.Write(db =>
        {
            var sessions = SessionStore.Some(db, [.. request.Sessions]).Where(s => s.AthleteId == athleteId);
            RecordStore.Tell(db, RecordTo.Athlete, [.. sessions.Select(s => s.Id)], clock.Now);
            return true;
        });
        return TypedResults.NoContent();
    }

    private static void Check(ToldRequest request)
    {
        if (request.Sessions.Count is 0 or > SessionsMaximum)
            throw Problems.Field("sessions", Words.SessionsRange(SessionsMaximum));
    }

    private static IReadOnlyList<NewRecordDto> Told(Db db, IReadOnlyList<StoredRecord> records)
    {
        var movements = CatalogueStore.Club(db).Catalogue.Movements;
        return
        [
            .. records
                .Where(r => movements.ContainsKey(r.Movement))
                .Select(r => new NewRecordDto(
                    r.SessionId,
                    r.AthleteId,
                    r.AthleteName,
                    r.Movement,
                    movements[r.Movement].Name,
                    r.SetUp,
                    r.Style,
                    r.Side,
                    r.Measure,
                    r.Value,
                    r.Before,
                    r.BeforeDay,
                    r.Day
                )),
        ];
    }
}
