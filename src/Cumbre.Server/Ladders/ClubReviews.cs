using Cumbre.Core.Ladders;
using Cumbre.Core.Review;
using Cumbre.Core.Safety;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Ladders;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Ladders;

/// <summary>Who stands on a step.</summary>
/// <param name="Step">Its name.</param>
/// <param name="Training">Who trains it.</param>
/// <param name="Won">How many have won it.</param>
public sealed record ReviewStep(string Step, IReadOnlyList<ReviewAthlete> Training, int Won);

/// <summary>An athlete of the review.</summary>
public sealed record ReviewAthlete(Guid Id, string Name);

/// <summary>A ladder, and who stands where.</summary>
public sealed record ReviewLadder(string Slug, string Name, IReadOnlyList<ReviewStep> Steps);

/// <summary>Somebody who has not trained for a while.</summary>
/// <param name="Id">Who.</param>
/// <param name="Name">Who.</param>
/// <param name="Last">Their last day of training; null: none is logged.</param>
/// <param name="Days">Since then.</param>
public sealed record ReviewAbsent(Guid Id, string Name, DateOnly? Last, int? Days);

/// <summary>Pain of a place in a movement.</summary>
/// <param name="Place">As it was said.</param>
/// <param name="Movement">Slug.</param>
/// <param name="MovementName">As coaches say it.</param>
/// <param name="Athletes">So many.</param>
/// <param name="Days">On so many days, each athlete counted by themselves.</param>
/// <param name="Worst">0 to 10.</param>
/// <param name="Last">The last of the days.</param>
public sealed record ReviewPain(
    string Place,
    string Movement,
    string MovementName,
    int Athletes,
    int Days,
    int Worst,
    DateOnly Last
);

/// <summary>A gate of a step with its counts.</summary>
/// <param name="Ladder">Slug.</param>
/// <param name="LadderName">As coaches say it.</param>
/// <param name="Step">Name of the step.</param>
/// <param name="Gate">What is asked.</param>
/// <param name="Met">Those who ever met it.</param>
/// <param name="Unmet">Those who were tested and fell short.</param>
/// <param name="Untested">Those who were not tested for all of it.</param>
/// <param name="Verdict">What the counts say.</param>
public sealed record ReviewGate(
    string Ladder,
    string LadderName,
    string Step,
    string Gate,
    Share Met,
    Share Unmet,
    int Untested,
    GateVerdict Verdict
);

/// <summary>What the whole club shows.</summary>
/// <param name="Athletes">Whom the reader sees.</param>
/// <param name="From">The first day of the pain that is counted.</param>
/// <param name="PainFrom">The level from which on pain is counted.</param>
/// <param name="AbsentAfter">Days without training from which on somebody is named.</param>
/// <param name="LeastOnASide">With fewer on either side of a gate nothing is said.</param>
/// <param name="Absent">The longest first.</param>
/// <param name="Pain">The most days first.</param>
/// <param name="Ladders">Those on which anybody stands.</param>
/// <param name="Gates">Those for which anybody was tested; what tells most first.</param>
public sealed record ClubReviewDto(
    int Athletes,
    DateOnly From,
    int PainFrom,
    int AbsentAfter,
    int LeastOnASide,
    IReadOnlyList<ReviewAbsent> Absent,
    IReadOnlyList<ReviewPain> Pain,
    IReadOnlyList<ReviewLadder> Ladders,
    IReadOnlyList<ReviewGate> Gates
);

internal static class ClubReviews
{
    private const int WeeksUsual = 12,
        WeeksMost = 104,
        AbsentAfter = 14;

    public static Ok<ClubReviewDto> Handle(
        int? weeks,
        Database database,
        ClubClock clock,
        Reach reach,
        Climbers climbers
    )
    {
        var today = clock.Today;
        var from = today.AddDays(-7 * Math.Clamp(weeks ?? WeeksUsual, 1, WeeksMost) + 1);
        var club = climbers.On(today).Where(c => reach.Holds(c.Id)).ToArray();
        return TypedResults.Ok(
            database.Read(db =>
            {
                var atlas = CatalogueStore.Club(db).Atlas;
                var last = ClubStore.LastTrained(db);
                return new ClubReviewDto(
                    club.Length,
                    from,
                    PainRules.EaseFrom,
                    AbsentAfter,
                    ClubReview.LeastOnASide,
                    [
                        .. AthleteStore
                            .All(db)
                            .Where(a => reach.Holds(a.Id))
                            .Select(a => new ReviewAbsent(
                                a.Id,
                                a.Name,
                                last.TryGetValue(a.Id, out var day) ? day : null,
                                last.TryGetValue(a.Id, out var on) ? today.DayNumber - on.DayNumber : null
                            ))
                            .Where(a => a.Days is null or >= AbsentAfter)
                            .OrderBy(a => a.Last ?? DateOnly.MinValue)
                            .ThenBy(a => a.Name, StringComparer.Ordinal),
                    ],
                    [
                        .. ClubStore
                            .Pain(db, from, today, PainRules.EaseFrom, reach.Some)
                            .Select(p => new ReviewPain(
                                p.Place,
                                p.Movement,
                                atlas.Catalogue.Movements.GetValueOrDefault(p.Movement)?.Name ?? p.Movement,
                                (int)p.Athletes,
                                (int)p.Days,
                                (int)p.Worst,
                                p.Last
                            )),
                    ],
                    [
                        .. atlas
                            .Ladders.Select(l => Of(l, club))
                            .Where(l => l.Steps.Any(s => s.Training.Count + s.Won > 0)),
                    ],
                    [
                        .. atlas
                            .Ladders.SelectMany(l => ClubReview.Outcomes(l, club))
                            .OrderBy(o => o.Verdict == GateVerdict.TooFew ? 1 : 0)
                            .ThenByDescending(o => Told(o))
                            .ThenByDescending(o => o.Met.Count + o.Unmet.Count)
                            .Select(o => new ReviewGate(
                                o.Ladder.Slug,
                                o.Ladder.Name,
                                o.Ladder.Steps[o.Step].Name,
                                GatePrinter.Print(o.Gate, atlas.Catalogue.Names),
                                o.Met,
                                o.Unmet,
                                o.Untested,
                                o.Verdict
                            )),
                    ]
                );
            })
        );
    }

    /// <summary>Where something is said, how far the shares lie apart; else how many stand on the smaller side.</summary>
    private static decimal Told(GateOutcome outcome) =>
        outcome.Verdict == GateVerdict.TooFew
            ? Math.Min(outcome.Met.Count, outcome.Unmet.Count)
            : outcome.Met.Percent!.Value - outcome.Unmet.Percent!.Value;

    private static ReviewLadder Of(Ladder ladder, IReadOnlyList<Climber> club) =>
        new(
            ladder.Slug,
            ladder.Name,
            [
                .. ClubReview
                    .Standing(ladder, club)
                    .Select(
                        (s, i) =>
                            new ReviewStep(
                                ladder.Steps[i].Name,
                                [.. s.Training.Select(c => new ReviewAthlete(c.Id, c.Name))],
                                s.Won
                            )
                    ),
            ]
        );
}
