using System.Security.Claims;
using Cumbre.Core.Explanations;
using Cumbre.Core.Programmes;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Server.Privacy;
using Cumbre.Server.Reading;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Programmes;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Programmes;

/// <summary>A template in the list.</summary>
public sealed record TemplateDto(Guid Id, string Name, int Weeks, int Sessions, int Items);

/// <summary>Weeks of a block, kept as a template.</summary>
/// <param name="Name">At most 80 characters.</param>
/// <param name="AthleteId">Whose block.</param>
/// <param name="BlockId">Which.</param>
/// <param name="FromWeek">From 1.</param>
/// <param name="ToWeek">The last one, included.</param>
public sealed record TemplateRequest(string Name, Guid AthleteId, Guid BlockId, int FromWeek, int ToWeek);

/// <param name="Athletes">At most 60.</param>
/// <param name="Start">A Monday.</param>
/// <param name="Name">Of the blocks; null: as the template.</param>
public sealed record FitRequest(IReadOnlyList<FitTarget> Athletes, DateOnly Start, string? Name);

/// <param name="AthleteId">Who.</param>
/// <param name="BlockId">Id of the block that is made.</param>
public sealed record FitTarget(Guid AthleteId, Guid BlockId);

/// <summary>A template as it is fitted to an athlete.</summary>
/// <param name="AthleteId">Who.</param>
/// <param name="AthleteName">Who.</param>
/// <param name="BlockId">Of the block.</param>
/// <param name="Changes">What was changed for them.</param>
/// <param name="Cautions">Kinds of cautions that are open in it.</param>
/// <param name="Unread">Items that lack something of the athlete.</param>
public sealed record FitAnswer(
    Guid AthleteId,
    string AthleteName,
    Guid BlockId,
    IReadOnlyList<ItemChangeDto> Changes,
    IReadOnlyList<CautionId> Cautions,
    int Unread
);

internal static class Templates
{
    private const int AthletesMaximum = 60;

    public static Ok<IReadOnlyList<TemplateDto>> List(Database database) =>
        TypedResults.Ok(database.Read<IReadOnlyList<TemplateDto>>(db => [.. BlockStore.Templates(db).Select(Of)]));

    public static Results<Ok<TemplateDto>, ProblemHttpResult> Add(
        Guid id,
        TemplateRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock,
        Reach reach
    )
    {
        var name = Problems.Text("name", request.Name, Words.WriteName, 80);
        return
            database.Write(db =>
            {
                if (
                    !reach.Holds(request.AthleteId)
                    || BlockStore.Find(db, request.BlockId) is not { } stored
                    || stored.AthleteId != request.AthleteId
                    || Work.Load(db, request.AthleteId, clock.Today) is not { } found
                )
                    return null;
                if (request.FromWeek < 1 || request.ToWeek < request.FromWeek || request.ToWeek > stored.Weeks.Count)
                    throw Problems.Field("toWeek", Words.BlockWeeksTo(stored.Weeks.Count));
                var block = Blocks.Read(stored, SessionStore.OfBlock(db, stored.Id));
                var weeks = TemplateFit.Generalise(
                    [.. block.Weeks.Skip(request.FromWeek - 1).Take(request.ToWeek - request.FromWeek + 1)],
                    found.Athlete
                );
                BlockStore.AddTemplate(
                    db,
                    new(id, name, block.MondayOf(request.FromWeek - 1), weeks),
                    clock.Stamp(Policies.IdOf(user))
                );
                return Of(BlockStore.Template(db, id)!);
            })
                is { } template
            ? TypedResults.Ok(template)
            : (ProblemHttpResult)Problems.NotFound(Words.NoBlock);
    }

    public static Results<NoContent, ProblemHttpResult> Remove(Guid id, Database database) =>
        database.Write(db => BlockStore.RemoveTemplate(db, id))
            ? TypedResults.NoContent()
            : (ProblemHttpResult)Problems.NotFound(Words.NoTemplate);

    /// <summary>Shows what would be made for each athlete; nothing is stored.</summary>
    public static Results<Ok<IReadOnlyList<FitAnswer>>, ProblemHttpResult> Fit(
        Guid id,
        FitRequest request,
        Database database,
        ClubClock clock,
        Reach reach
    )
    {
        Check(request);
        return
            database.Read(db => Fitted(db, id, request, clock.Today, reach)?.Select(f => f.Answer).ToArray())
                is { } answers
            ? TypedResults.Ok<IReadOnlyList<FitAnswer>>(answers)
            : (ProblemHttpResult)Problems.NotFound(Words.NoTemplateOrAthlete);
    }

    /// <summary>Makes the blocks, all or none.</summary>
    public static Results<Ok<IReadOnlyList<FitAnswer>>, ProblemHttpResult> Apply(
        Guid id,
        FitRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock,
        Reach reach
    )
    {
        Check(request);
        var answers = database.Write(db =>
        {
            if (Fitted(db, id, request, clock.Today, reach) is not { } fitted)
                return null;
            foreach (var (answer, block, athlete) in fitted)
            {
                Recording.Check(db, answer.AthleteId);
                // Sent again after an answer that was lost: the block is there.
                if (
                    Blocks.Write(db, answer.AthleteId, answer.BlockId, block, 0, clock.Stamp(Policies.IdOf(user)))
                    != Written.Done
                )
                    continue;
                Seen.NoteNew(db, SessionStore.OfBlock(db, answer.BlockId), athlete);
                db.Reconsider(answer.AthleteId);
            }

            return fitted.Select(f => f.Answer).ToArray();
        });
        return answers is null
            ? (ProblemHttpResult)Problems.NotFound(Words.NoTemplateOrAthlete)
            : TypedResults.Ok<IReadOnlyList<FitAnswer>>(answers);
    }

    private static void Check(FitRequest request)
    {
        if (request.Start.DayOfWeek != DayOfWeek.Monday)
            throw Problems.Field("start", Words.StartNotMonday);
        if (
            request.Athletes.Count is 0 or > AthletesMaximum
            || request.Athletes.DistinctBy(a => a.AthleteId).Count() != request.Athletes.Count
        )
            throw Problems.Field("athletes", Words.ChoiceOfAthletes(AthletesMaximum));
    }

    private static List<(FitAnswer Answer, Block Block, AthleteAtWork Athlete)>? Fitted(
        Db db,
        Guid id,
        FitRequest request,
        DateOnly today,
        Reach reach
    )
    {
        if (BlockStore.Template(db, id) is not { } template)
            return null;
        var name = string.IsNullOrWhiteSpace(request.Name)
            ? template.Name
            : Problems.Text("name", request.Name, Words.WriteName, 80);
        var made = new List<(FitAnswer, Block, AthleteAtWork)>();
        var everyone = Work.LoadAll(db, today);
        foreach (var target in request.Athletes)
        {
            if (!reach.Holds(target.AthleteId) || !everyone.TryGetValue(target.AthleteId, out var found))
                return null;
            var fitted = TemplateFit.Fit(
                name,
                template.Weeks,
                template.Origin,
                request.Start,
                found.Athlete,
                Guid.CreateVersion7
            );
            var doses = DoseReader.Read(fitted.Block, found.Athlete, DoseRules.Shipped);
            made.Add(
                (
                    new(
                        target.AthleteId,
                        found.Profile.Name,
                        target.BlockId,
                        [.. fitted.Changes.Select(c => ItemChangeDto.Of(c, found.Athlete.Atlas.Catalogue))],
                        [
                            .. BlockChecks
                                .Of(fitted.Block, doses, found.Athlete, DoseRules.Shipped)
                                .Select(c => c.Id)
                                .Distinct(),
                        ],
                        doses.Sum(w => w.Sessions.Sum(s => s.Unread))
                    ),
                    fitted.Block,
                    found.Athlete
                )
            );
        }

        return made;
    }

    private static TemplateDto Of(StoredTemplate t) =>
        new(
            t.Id,
            t.Name,
            t.Weeks.Count,
            t.Weeks.Sum(w => w.Sessions.Count),
            t.Weeks.Sum(w => w.Sessions.Sum(s => s.Items.Count))
        );
}
