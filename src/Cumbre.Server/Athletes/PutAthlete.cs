using System.Security.Claims;
using Cumbre.Core.Athletes;
using Cumbre.Core.Measures;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Server.Reading;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Audit;
using Cumbre.Storage.Ladders;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Athletes;

internal static class GetAthlete
{
    public static Results<Ok<AthleteDto>, ProblemHttpResult> Handle(
        Guid athleteId,
        Database database,
        ClubClock clock
    ) =>
        database.Read(db => Read(db, athleteId, clock.Today)) is { } athlete
            ? TypedResults.Ok(athlete)
            : (ProblemHttpResult)Problems.NotFound(Words.NoAthlete);

    public static AthleteDto? Read(Db db, Guid id, DateOnly today) =>
        AthleteStore.Find(db, id) is { } profile
            ? AthleteDto.Of(profile, AthleteStore.BodyMasses(db, id), today)
            : null;
}

internal static class PutAthlete
{
    private const int OldestBirthYears = 100;

    public static Results<Ok<AthleteDto>, ProblemHttpResult> Handle(
        Guid athleteId,
        AthleteRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    )
    {
        var name = Problems.Text("name", request.Name, Words.WriteName, 80);
        var year = clock.Today.Year;
        if (request.BirthYear is { } birth && (birth > year - 5 || birth < year - OldestBirthYears))
            throw Problems.Field("birthYear", Words.BirthRange(birth, year - OldestBirthYears, year - 5));
        var intake = request.Intake?.ToIntake(database.Read(CatalogueStore.Club).Atlas);
        var profile = new AthleteProfile(
            athleteId,
            name,
            request.BirthYear,
            request.Sex,
            Stature(request.StatureCm),
            request.Lengths.ToLengths(),
            request.Unit,
            Schools(request.Schools),
            request.Cleared,
            request.Kit.ToKit("kit"),
            request.Version
        );

        var (written, now) = database.Write(db =>
        {
            var before = AthleteStore.Find(db, athleteId);
            var written = AthleteStore.Put(
                db,
                profile with
                {
                    Intake = intake ?? before?.Intake ?? Intake.Empty,
                },
                clock.Now
            );
            if (written == Written.Done)
            {
                foreach (var note in AthleteNotes.Between(before, AthleteStore.Find(db, athleteId)!))
                    AuditStore.Add(db, note, clock.Stamp(Policies.IdOf(user)));
                // Whoever sees some only sees whom they take in.
                if (before is null && !Policies.IsClub(user))
                    PeopleStore.GiveAthlete(db, Policies.IdOf(user), athleteId);
                db.Reconsider(athleteId, corrected: true);
            }

            return (written, GetAthlete.Read(db, athleteId, clock.Today));
        });
        return written switch
        {
            Written.Done => TypedResults.Ok(now!),
            Written.Missing => (ProblemHttpResult)Problems.NotFound(Words.NoAthlete),
            // The same creation sent twice: the first one stands.
            _ when request.Version == 0 && now!.Version == 1 && now.Name == name => TypedResults.Ok(now),
            _ => (ProblemHttpResult)Problems.Conflict(Words.AthleteChanged, now),
        };
    }

    private static decimal? Stature(decimal? cm) =>
        cm is { } value
            ? Problems.At("", () => Guard.InRange("statureCm", value, Limits.StatureMinimum, Limits.StatureMaximum))
            : null;

    private static Dictionary<string, string> Schools(IReadOnlyList<SchoolChoiceDto> choices)
    {
        for (var i = 0; i < choices.Count; i++)
            SchoolEndpoints.Check($"schools[{i}]", choices[i].Question, choices[i].Choice);
        return choices.GroupBy(c => c.Question).ToDictionary(g => g.Key, g => g.Last().Choice, StringComparer.Ordinal);
    }
}

/// <param name="Day">Not after today.</param>
/// <param name="Mass">25 to 250 kg.</param>
public sealed record BodyMassRequest(DateOnly Day, MassDto Mass);

internal static class PutBodyMass
{
    public static Results<Ok<AthleteDto>, ProblemHttpResult> Handle(
        Guid athleteId,
        Guid id,
        BodyMassRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    )
    {
        var day = Problems.NotInFuture("day", request.Day, clock.Today);
        var reading = Problems.At("mass", () => new Core.Athletes.BodyMassReading(day, request.Mass.Entry));
        var athlete = database.Write(db =>
        {
            if (AthleteStore.Find(db, athleteId) is null)
                return null;
            if (AthleteStore.BodyMasses(db, athleteId).FirstOrDefault(m => m.Id == id) is { } stored)
                return stored.Reading == reading
                    ? GetAthlete.Read(db, athleteId, clock.Today)
                    : throw new ConflictException(Words.ReadingTaken, GetAthlete.Read(db, athleteId, clock.Today));
            AthleteStore.AddBodyMass(db, athleteId, new(id, reading), clock.Stamp(Policies.IdOf(user)));
            db.Reconsider(athleteId, corrected: true);
            return GetAthlete.Read(db, athleteId, clock.Today);
        });
        return athlete is null ? (ProblemHttpResult)Problems.NotFound(Words.NoAthlete) : TypedResults.Ok(athlete);
    }
}

internal static class RemoveBodyMass
{
    public static Results<Ok<AthleteDto>, ProblemHttpResult> Handle(
        Guid athleteId,
        Guid id,
        Database database,
        ClubClock clock
    )
    {
        var athlete = database.Write(db =>
        {
            if (!AthleteStore.RemoveBodyMass(db, athleteId, id))
                return null;
            db.Reconsider(athleteId, corrected: true);
            return GetAthlete.Read(db, athleteId, clock.Today);
        });
        return athlete is null ? (ProblemHttpResult)Problems.NotFound(Words.NoReading) : TypedResults.Ok(athlete);
    }
}
