using System.Security.Claims;
using Cumbre.Core.Movements;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Audit;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Athletes;

/// <summary>A question on which practitioners disagree, and what the club chose.</summary>
/// <param name="Slug">Of the question.</param>
/// <param name="Question">As a coach would ask it.</param>
/// <param name="Club">Slug of the club's choice.</param>
/// <param name="Choices">The first is the catalogue's default.</param>
public sealed record SchoolDto(string Slug, string Question, string Club, IReadOnlyList<SchoolChoice> Choices);

/// <param name="Choice">Slug of one of the question's choices.</param>
public sealed record ClubSchoolRequest(string Choice);

public static class SchoolEndpoints
{
    public static void MapSchools(this IEndpointRouteBuilder api)
    {
        api.MapGet("/schools", All).RequireAuthorization(Policies.SignedIn);
        api.MapPut("/schools/{question}", Put).RequireAuthorization(Policies.Club);
    }

    /// <exception cref="FieldException">The question or the choice does not exist.</exception>
    internal static void Check(string path, string question, string choice)
    {
        if (!Catalogue.Shipped.SchoolsBySlug.TryGetValue(question, out var known))
            throw Problems.Field($"{path}.question", Words.QuestionUnknown(question));
        if (known.Choices.All(c => c.Slug != choice))
            throw Problems.Field($"{path}.choice", Words.SchoolUnknown(known.Question, choice));
    }

    private static Ok<IReadOnlyList<SchoolDto>> All(Database database) => TypedResults.Ok(database.Read(Read));

    private static IReadOnlyList<SchoolDto> Read(Db db)
    {
        var club = SchoolStore.OfClub(db);
        return
        [
            .. Catalogue.Shipped.Schools.Select(q => new SchoolDto(
                q.Slug,
                q.Question,
                club.GetValueOrDefault(q.Slug, q.Default.Slug),
                q.Choices
            )),
        ];
    }

    private static Results<Ok<IReadOnlyList<SchoolDto>>, ProblemHttpResult> Put(
        string question,
        ClubSchoolRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    )
    {
        if (!Catalogue.Shipped.SchoolsBySlug.ContainsKey(question))
            return (ProblemHttpResult)Problems.NotFound(Words.NoQuestion);
        Check("", question, request.Choice);
        return TypedResults.Ok(
            database.Write(db =>
            {
                var before = SchoolStore.OfClub(db).GetValueOrDefault(question);
                SchoolStore.PutClub(db, question, request.Choice);
                AuditStore.Add(
                    db,
                    new(AuditKind.ClubSchoolChanged)
                    {
                        Before = before is null ? null : $"{question}: {before}",
                        After = $"{question}: {request.Choice}",
                    },
                    clock.Stamp(Policies.IdOf(user))
                );
                foreach (var athlete in AthleteStore.All(db))
                    db.Reconsider(athlete.Id);
                return Read(db);
            })
        );
    }
}
