using System.Security.Claims;
using System.Text.RegularExpressions;
using Cumbre.Core.Ladders;
using Cumbre.Core.Levers;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Audit;
using Cumbre.Storage.Ladders;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Ladders;

/// <summary>A version of a ladder.</summary>
/// <param name="Version">1, 2, 3.</param>
/// <param name="At">When.</param>
/// <param name="By">Who.</param>
/// <param name="Reason">Why.</param>
/// <param name="Shipped">The version went back to the shipped ladder, or retired the club's own.</param>
/// <param name="Differences">From the version before it; from the shipped ladder for the first.</param>
public sealed record LadderVersionDto(
    int Version,
    DateTimeOffset At,
    string By,
    string Reason,
    bool Shipped,
    IReadOnlyList<LadderDifference> Differences
);

/// <summary>Something wrong in a written ladder.</summary>
/// <param name="Path">The field, for instance <c>steps[3].opens</c>.</param>
/// <param name="Step">Slug of the step; null for the ladder itself.</param>
/// <param name="Message">What is wrong.</param>
/// <param name="Gate">Where and what, for a gate.</param>
public sealed record LadderProblem(string Path, string? Step, Message Message, GateError? Gate)
{
    public static LadderProblem Of(LadderSlip slip) =>
        new(
            slip.Path,
            slip.Place.Split('/') is [_, var step, ..] ? step : null,
            slip.Fault == LadderFault.Gate ? OfGate(slip.Gate!) : OfLadder(slip),
            slip.Gate
        );

    private static Message OfGate(GateError error) =>
        error.Fault switch
        {
            GateFault.ExpectedName => Words.GateNameMissing,
            GateFault.UnknownName => Words.TestUnknown(error.Name ?? ""),
            GateFault.ExpectedAtLeast => Words.GateAtLeastMissing(error.Name ?? ""),
            GateFault.ExpectedFigure => Words.GateFigureMissing(error.Name ?? ""),
            GateFault.WrongMeasure => Words.GateOtherMeasure(error.Name ?? ""),
            GateFault.OutOfRange => Words.GateOutOfRange,
            GateFault.RangeReversed => Words.GateRangeReversed,
            GateFault.ExpectedJoin => Words.GateJoinMissing,
            GateFault.BracketOpen => Words.GateBracketOpen,
            GateFault.TooDeep => Words.GateTooDeep,
            GateFault.TooLong => Words.GateTooLong(GateParser.LengthMaximum),
            GateFault.Sides => Words.GateSides(error.Name ?? ""),
            _ => Words.GateCharacter,
        };

    private static Message OfLadder(LadderSlip slip) =>
        slip.Fault switch
        {
            LadderFault.NoSteps => Words.LadderNoSteps,
            LadderFault.StepTwice => Words.LadderStepTwice,
            LadderFault.EmptyText => Words.LadderEmpty,
            LadderFault.LongText => Words.LadderTextTooLong(slip.Name),
            LadderFault.TooManySteps => Words.LadderTooManySteps(slip.Name),
            LadderFault.UnknownMovement => Words.LadderMovementUnknown(slip.Name),
            LadderFault.UnknownStep => Words.LadderStepUnknown(slip.Name),
            LadderFault.UnknownQuestion => Words.QuestionUnknown(slip.Name),
            LadderFault.UnknownSchool => Words.LadderSchoolUnknown(slip.Name),
            LadderFault.Demand => Words.LadderDemandMissing(slip.Name),
            LadderFault.Weeks => Words.LadderWeeks(LadderReader.WeeksMaximum),
            LadderFault.Circle => Words.LadderCircle,
            LadderFault.Unreachable => Words.LadderUnreachable,
            LadderFault.OutOfOrder => Words.LadderOutOfOrder,
            _ => Words.LadderLeadsNowhere,
        };
}

/// <summary>A ladder to be edited.</summary>
/// <param name="Entry">As it is written now.</param>
/// <param name="Version">0: the club never changed it.</param>
/// <param name="Own">The club's own.</param>
/// <param name="Retired">It is in use no more; a version can be brought back.</param>
/// <param name="Edited">It differs from the shipped one.</param>
/// <param name="FromShipped">How it differs from the shipped one.</param>
/// <param name="Versions">Newest first.</param>
/// <param name="Flags">What a newer shipped ladder changed underneath the edits.</param>
/// <param name="Problems">Why the club's writing cannot be used; the shipped one stands in.</param>
public sealed record LadderDraftDto(
    LadderEntry Entry,
    int Version,
    bool Own,
    bool Retired,
    bool Edited,
    IReadOnlyList<LadderDifference> FromShipped,
    IReadOnlyList<LadderVersionDto> Versions,
    IReadOnlyList<UpgradeFlag> Flags,
    IReadOnlyList<LadderProblem> Problems
);

/// <param name="Version">The stored one that was edited; 0 where the club never changed it.</param>
/// <param name="Reason">Why, 1 to 200 characters; it is kept.</param>
/// <param name="Entry">The whole ladder.</param>
public sealed record LadderRequest(int Version, string Reason, LadderEntry Entry);

/// <param name="Version">The stored one.</param>
/// <param name="To">The version to bring back; null: the shipped ladder, or for the club's own: retire it.</param>
/// <param name="Reason">Why.</param>
public sealed record RestoreRequest(int Version, int? To, string Reason);

/// <summary>Whom a change would move: a flag that leaves one step for another.</summary>
public sealed record MoverDto(
    Guid AthleteId,
    string Name,
    string? From,
    string? To,
    IReadOnlyList<string> Won,
    IReadOnlyList<string> Lost,
    IReadOnlyList<string> Opened,
    IReadOnlyList<string> Closed
)
{
    public static MoverDto Of(Mover m) =>
        new(
            m.Climber.Id,
            m.Climber.Name,
            StepOf(m.Before),
            StepOf(m.After),
            m.Change.Won,
            m.Change.Lost,
            m.Change.Opened,
            m.Change.Closed
        );

    private static string? StepOf(Placement placement) =>
        placement.Training is { } step ? placement.Ladder.Steps[step].Name : null;
}

/// <summary>What a draft would mean.</summary>
/// <param name="Problems">What is wrong with it; nothing below while there is any.</param>
/// <param name="Differences">From what is in force.</param>
/// <param name="Movers">Whom it would move.</param>
/// <param name="Shares">Heights of its steps.</param>
/// <param name="Before">Flags as they stand, by step of the draft.</param>
/// <param name="After">Flags as they would stand.</param>
public sealed record WhatIfDto(
    IReadOnlyList<LadderProblem> Problems,
    IReadOnlyList<LadderDifference> Differences,
    IReadOnlyList<MoverDto> Movers,
    IReadOnlyList<decimal> Shares,
    IReadOnlyList<FlagDto> Before,
    IReadOnlyList<FlagDto> After
);

internal static partial class LadderDraft
{
    public static Results<Ok<LadderDraftDto>, ProblemHttpResult> Handle(string ladder, Database database) =>
        database.Read(db => Read(db, ladder)) is { } draft
            ? TypedResults.Ok(draft)
            : (ProblemHttpResult)Problems.NotFound(Words.NoLadder);

    public static Results<Ok<WhatIfDto>, ProblemHttpResult> WhatIf(
        string ladder,
        LadderEntry entry,
        Database database,
        Climbers climbers,
        ClubClock clock
    )
    {
        var club = database.Read(CatalogueStore.Club);
        var draft = (entry with { Slug = ladder }).Normalised(club.Catalogue.Names);
        var reading = LadderReader.Read(draft, club.Catalogue);
        if (reading.Ladder is not { } after)
            return TypedResults.Ok(new WhatIfDto([.. reading.Slips.Select(LadderProblem.Of)], [], [], [], [], []));
        var everyone = climbers.On(clock.Today);
        var before = club.Atlas.BySlug.GetValueOrDefault(ladder);
        return TypedResults.Ok(
            new WhatIfDto(
                [],
                club.States.TryGetValue(ladder, out var state) ? LadderDiff.Between(state.Entry, draft) : [],
                before is null ? [] : [.. LadderWhatIf.Movers(before, after, everyone).Select(MoverDto.Of)],
                Demand.Shares(after, BodyBuild.Unknown),
                [.. everyone.Select(c => Flag(c, before ?? after, after))],
                [.. everyone.Select(c => Flag(c, after, after))]
            )
        );
    }

    public static Results<Ok<LadderDraftDto>, ProblemHttpResult> Put(
        string ladder,
        LadderRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    )
    {
        var reason = Problems.Text("reason", request.Reason, Words.WriteLadderReason, 200);
        if (!Slug().IsMatch(ladder))
            throw Problems.Field("entry.slug", Words.SlugForm);
        var (written, draft) = database.Write(db =>
        {
            var club = CatalogueStore.Club(db);
            var entry = (request.Entry with { Slug = ladder }).Normalised(club.Catalogue.Names);
            Check(LadderReader.Read(entry, club.Catalogue), "entry.");
            return (
                Store(db, ladder, request.Version, entry, reason, clock.Stamp(Policies.IdOf(user))),
                Read(db, ladder)
            );
        });
        return Answer(written, draft);
    }

    public static Results<Ok<LadderDraftDto>, ProblemHttpResult> Restore(
        string ladder,
        RestoreRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    )
    {
        var reason = Problems.Text("reason", request.Reason, Words.WriteReason, 200);
        var (written, draft) = database.Write(db =>
        {
            var versions = CatalogueStore.Ladder(db, ladder);
            if (versions.Count == 0)
                return (Written.Missing, null);
            LadderEntry? entry = null;
            if (request.To is { } wanted)
            {
                entry = versions.FirstOrDefault(v => v.Version == wanted)?.Entry
                    ?? throw Problems.Field("to", Words.NoLadderVersion(wanted));
                Check(LadderReader.Read(entry, CatalogueStore.Club(db).Catalogue), "");
            }

            return (
                Store(db, ladder, request.Version, entry, reason, clock.Stamp(Policies.IdOf(user))),
                Read(db, ladder)
            );
        });
        return Answer(written, draft);
    }

    /// <summary>Writes the next version; null goes back to the shipped ladder.</summary>
    public static Written Store(Db db, string ladder, int version, LadderEntry? entry, string reason, Stamp stamp)
    {
        var shipped = Atlas
            .ShippedFile.Ladders.FirstOrDefault(l => l.Slug == ladder)
            ?.Normalised(CatalogueStore.Club(db).Catalogue.Names);
        var written = CatalogueStore.Add(db, CatalogueKind.Ladder, ladder, version, shipped, entry, reason, stamp);
        if (written == Written.Done)
            AuditStore.Add(
                db,
                new(AuditKind.LadderWritten) { After = $"{ladder}: {version + 1}", Reason = reason },
                stamp
            );
        return written;
    }

    /// <exception cref="FieldException">Everything that is wrong, each at its field.</exception>
    private static void Check(LadderReading reading, string path)
    {
        if (reading.Ladder is null)
            throw new FieldException([
                .. reading.Slips.Select(LadderProblem.Of).Select(p => new FieldError(path + p.Path, p.Message)),
            ]);
    }

    private static Results<Ok<LadderDraftDto>, ProblemHttpResult> Answer(Written written, LadderDraftDto? draft) =>
        written switch
        {
            Written.Done => TypedResults.Ok(draft!),
            Written.Missing => (ProblemHttpResult)Problems.NotFound(Words.NoLadder),
            _ => (ProblemHttpResult)Problems.Conflict(Words.LadderChanged, draft),
        };

    private static LadderDraftDto? Read(Db db, string ladder)
    {
        var versions = CatalogueStore.Ladder(db, ladder);
        var club = CatalogueStore.Club(db);
        var shipped = Atlas.ShippedFile.Ladders.FirstOrDefault(l => l.Slug == ladder)?.Normalised(club.Catalogue.Names);
        var state = club.States.GetValueOrDefault(ladder);
        var entry = state?.Entry ?? versions.Select(v => v.Entry).FirstOrDefault(e => e is not null);
        return entry is null
            ? null
            : new(
                entry,
                versions.Count > 0 ? versions[0].Version : 0,
                shipped is null,
                state is null,
                state?.Edited ?? false,
                shipped is null ? [] : LadderDiff.Between(shipped, entry),
                History(versions, shipped),
                state?.Flags ?? [],
                [.. (state?.Slips ?? []).Select(LadderProblem.Of)]
            );
    }

    private static IReadOnlyList<LadderVersionDto> History(
        IReadOnlyList<CatalogueVersion<LadderEntry>> versions,
        LadderEntry? shipped
    ) =>
        [
            .. versions.Select(
                (v, i) =>
                {
                    var before = (i + 1 < versions.Count ? versions[i + 1].Entry : null) ?? v.Shipped ?? shipped;
                    var after = v.Entry ?? v.Shipped ?? shipped;
                    return new LadderVersionDto(
                        v.Version,
                        v.At,
                        v.By,
                        v.Reason,
                        v.Entry is null,
                        before is null || after is null ? [] : LadderDiff.Between(before, after)
                    );
                }
            ),
        ];

    /// <summary>The flag of an athlete placed on one ladder, drawn on another that has the same step.</summary>
    private static FlagDto Flag(Climber climber, Ladder on, Ladder drawnOn)
    {
        var placement = climber.On(on);
        var slug = placement.Training is { } at ? on.Steps[at].Slug : null;
        var position = drawnOn
            .Steps.Select((s, i) => (s.Slug, Index: (int?)i))
            .FirstOrDefault(s => s.Slug == slug)
            .Index;
        return new(
            climber.Id,
            climber.Name,
            position,
            on.Steps.SelectMany(s => s.Opens.Terms).Any(t => climber.Book.Has(t.Benchmark)),
            climber.Coach.Any(c => c.Ladder == on.Slug)
        );
    }

    [GeneratedRegex("^[a-z0-9]+(-[a-z0-9]+)*$")]
    private static partial Regex Slug();
}
