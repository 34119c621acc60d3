using System.Globalization;
using System.Text;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Measures;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Review;
using Cumbre.Core.Sessions;
using Cumbre.Core.Strength;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Ladders;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;

namespace Cumbre.Server.Sessions;

/// <summary>What is asked of the log, as it stands in an address.</summary>
/// <param name="Athlete">Whose; none: everybody whom the reader sees.</param>
/// <param name="Movement">Slug.</param>
/// <param name="From">This day or later.</param>
/// <param name="To">This day or earlier.</param>
/// <param name="Form">Clean or broken.</param>
/// <param name="Easy">In a deload, or not.</param>
/// <param name="Pain">Only with some pain or a stop sign.</param>
/// <param name="Corrected">Only those that were corrected.</param>
/// <param name="Reserve">At most so many reps in reserve.</param>
/// <param name="Text">In the set-up, the fault, the note or the place of a pain; at most 60 characters.</param>
public sealed record LogQuery(
    [FromQuery(Name = "athlete")] Guid? Athlete,
    [FromQuery(Name = "movement")] string? Movement,
    [FromQuery(Name = "from")] DateOnly? From,
    [FromQuery(Name = "to")] DateOnly? To,
    [FromQuery(Name = "form")] FormVerdict? Form,
    [FromQuery(Name = "easy")] bool? Easy,
    [FromQuery(Name = "pain")] bool? Pain,
    [FromQuery(Name = "corrected")] bool? Corrected,
    [FromQuery(Name = "reserve")] int? Reserve,
    [FromQuery(Name = "text")] string? Text
)
{
    private const int TextMost = 60;

    internal LogFilter For(Reach reach) =>
        new()
        {
            Athlete = Athlete,
            Among = reach.Some,
            Movement = string.IsNullOrWhiteSpace(Movement) ? null : Movement,
            From = From,
            To = To,
            Form = Form,
            Easy = Easy,
            WithPain = Pain == true,
            Corrected = Corrected == true,
            Reserve = Reserve,
            Text = string.IsNullOrWhiteSpace(Text) ? null : Text.Trim()[..Math.Min(TextMost, Text.Trim().Length)],
        };
}

/// <summary>A set of the log.</summary>
/// <param name="Set">As it stands, and what it was before it was corrected.</param>
/// <param name="Item">Of the session.</param>
/// <param name="Movement">Slug.</param>
/// <param name="Name">As coaches say it.</param>
/// <param name="Line">As it was planned.</param>
/// <param name="SystemKg">Bodyweight and load; null: nobody weighed.</param>
/// <param name="OneRepMaxKg">e1RM by Epley; null: the set says nothing about one.</param>
/// <param name="Compared">With the newest of its movement that counts; null: no movement is asked for, or this is it.
/// </param>
public sealed record LogbookSet(
    SetDto Set,
    Guid Item,
    string Movement,
    string Name,
    string Line,
    decimal? SystemKg,
    decimal? OneRepMaxKg,
    Likeness? Compared = null
);

/// <summary>A session of the log with the sets that are asked for.</summary>
/// <param name="Id">Of the session.</param>
/// <param name="Day">Training day.</param>
/// <param name="Athlete">Whose.</param>
/// <param name="AthleteName">Whose.</param>
/// <param name="Title">May be empty.</param>
/// <param name="Easy">In a deload.</param>
/// <param name="Status">Begun or done.</param>
/// <param name="Effort">Of the whole, 1 to 10.</param>
/// <param name="BodyMassKg">Of the day; null: nobody weighed.</param>
/// <param name="Sets">In order.</param>
public sealed record LogbookSession(
    Guid Id,
    DateOnly Day,
    Guid Athlete,
    string AthleteName,
    string Title,
    bool Easy,
    SessionStatus Status,
    decimal? Effort,
    decimal? BodyMassKg,
    IReadOnlyList<LogbookSet> Sets
);

/// <summary>A page of the log.</summary>
/// <param name="Sessions">In the order that was asked for.</param>
/// <param name="After">Where the next page begins; null: this is the last.</param>
public sealed record LogbookPage(IReadOnlyList<LogbookSession> Sessions, string? After);

/// <summary>Sets in the order of a figure.</summary>
/// <param name="More">There are more than can be put in order: the filter has to be narrower.</param>
/// <param name="Sessions">Each with one set, the highest first.</param>
public sealed record LogbookHighest(bool More, IReadOnlyList<LogbookSession> Sessions);

/// <summary>How many sets fall into a week.</summary>
public sealed record LogbookWeek(DateOnly Monday, int Sets);

/// <summary>The best of an athlete in what is asked for.</summary>
/// <param name="Athlete">Who.</param>
/// <param name="Name">Who.</param>
/// <param name="Value">In the measure of the list.</param>
/// <param name="Low">Of an estimate, by the lowest of seven formulas.</param>
/// <param name="High">By the highest.</param>
/// <param name="BodyMassKg">Of the day.</param>
/// <param name="Day">When.</param>
public sealed record LogbookBest(
    Guid Athlete,
    string Name,
    decimal Value,
    decimal? Low,
    decimal? High,
    decimal? BodyMassKg,
    DateOnly Day
);

/// <summary>What the sets that are asked for come to.</summary>
/// <param name="Sets">So many.</param>
/// <param name="More">There are more than are added up: nothing else is told, and the filter has to be narrower.</param>
/// <param name="Sessions">In so many.</param>
/// <param name="Athletes">Of so many.</param>
/// <param name="Reps">Clean ones.</param>
/// <param name="Seconds">Held.</param>
/// <param name="VolumeKg">Bodyweight and load times reps; null: of some the bodyweight is not known.</param>
/// <param name="MeanReserve">Of the sets that told one.</param>
/// <param name="ReserveTold">So many did.</param>
/// <param name="Clean">Sets without a fault.</param>
/// <param name="Pain">Sets with some pain or a sign.</param>
/// <param name="Weeks">Those with sets, oldest first.</param>
/// <param name="Measure">Of the bests; null: no movement is asked for.</param>
/// <param name="Bests">Of each athlete, the best first.</param>
public sealed record LogbookSums(
    int Sets,
    bool More,
    int Sessions,
    int Athletes,
    long Reps,
    long Seconds,
    decimal? VolumeKg,
    decimal? MeanReserve,
    int ReserveTold,
    int Clean,
    int Pain,
    IReadOnlyList<LogbookWeek> Weeks,
    TrendMeasure? Measure,
    IReadOnlyList<LogbookBest> Bests
);

internal static class Logbook
{
    private const int SessionsOfPage = 30,
        HighestShown = 100,
        SumsMost = 200_000,
        BestsMost = 20_000,
        NewestAmong = 8;

    /// <exception cref="FieldException">The place of the page before cannot be read.</exception>
    public static Ok<LogbookPage> Page(
        [AsParameters] LogQuery query,
        LogOrder? order,
        string? after,
        Database database,
        Reach reach
    )
    {
        var place = after is null ? null : Read(after) ?? throw Problems.Field("after", Words.PageTooOld);
        var filter = query.For(reach);
        return TypedResults.Ok(
            database.Read(db =>
            {
                var found = LogbookStore.Sessions(db, filter, order ?? LogOrder.Newest, place, SessionsOfPage + 1);
                LoggedSession[] shown = [.. found.Take(SessionsOfPage)];
                return new LogbookPage(
                    [.. Of(db, filter, shown, compare: true)],
                    found.Count > SessionsOfPage ? Write(shown[^1].Place) : null
                );
            })
        );
    }

    public static Ok<LogbookHighest> Highest(
        [AsParameters] LogQuery query,
        LogFigure by,
        Database database,
        Reach reach
    ) => TypedResults.Ok(database.Read(db => Highest(db, query.For(reach), by)));

    private static LogbookHighest Highest(Db db, LogFilter filter, LogFigure by)
    {
        if (LogbookStore.Count(db, filter, SumsMost + 1) > SumsMost)
            return new(true, []);
        var found = LogbookStore.Highest(db, filter, by, HighestShown);
        var sessions = Of(db, filter, [.. found.Select(f => f.Session).DistinctBy(s => s.Id)]).ToDictionary(s => s.Id);
        return new(
            false,
            [
                .. found.Select(f =>
                    sessions[f.Session.Id] with
                    {
                        Sets = [sessions[f.Session.Id].Sets.First(s => s.Set.Id == f.Set)],
                    }
                ),
            ]
        );
    }

    public static Ok<LogbookSums> Sums([AsParameters] LogQuery query, Database database, Reach reach) =>
        TypedResults.Ok(database.Read(db => Sums(db, query.For(reach))));

    /// <summary>The sessions with their sets, in the order in which they come.</summary>
    /// <param name="db">The connection.</param>
    /// <param name="filter">What is asked of sets.</param>
    /// <param name="shown">The sessions.</param>
    /// <param name="compare">Each with the newest, where one movement is asked for.</param>
    public static IEnumerable<LogbookSession> Of(
        Db db,
        LogFilter filter,
        IReadOnlyCollection<LoggedSession> shown,
        bool compare = false
    )
    {
        if (shown.Count == 0)
            yield break;
        Guid[] ids = [.. shown.Select(s => s.Id)];
        var stored = SessionStore.Some(db, ids).ToDictionary(s => s.Id);
        var sets = LogbookStore.Sets(db, filter, ids);
        var masses = LogbookStore.BodyMasses(db, ids);
        var before = SessionStore.Superseded(db, ids);
        var movements = CatalogueStore.Club(db).Atlas.Catalogue.Movements;
        var compared = compare ? Compared(db, filter, [.. shown.Select(s => stored[s.Id])]) : [];
        foreach (var of in shown)
        {
            var session = stored[of.Id];
            var mass = session.Items.Select(i => masses.GetValueOrDefault(i.Id)).FirstOrDefault(m => m > 0);
            yield return new(
                session.Id,
                session.Day,
                session.AthleteId,
                of.Athlete,
                session.Title,
                session.Easy,
                session.Status,
                session.Effort,
                mass > 0 ? mass : null,
                [
                    .. session.Items.SelectMany(i =>
                        sets[i.Id]
                            .Select(s => new LogbookSet(
                                SetDto.Of(s, before.GetValueOrDefault(s.Id)),
                                i.Id,
                                i.Movement,
                                movements.GetValueOrDefault(i.Movement)?.Name ?? i.Movement,
                                i.Line,
                                mass > 0 ? mass + s.Set.Added.Mass.Kilograms : null,
                                mass > 0 ? OneRepMaxOf(s, Mass.FromKilograms(mass), session.Day)?.Kilograms : null,
                                compared.GetValueOrDefault((session.Id, i.Role))
                            ))
                    ),
                ]
            );
        }
    }

    /// <summary>
    /// Of one movement, every exposure beside the athlete's newest one in the same role that counts: the rules of
    /// progress read only those that are like it.
    /// </summary>
    private static Dictionary<(Guid Session, ItemRole? Role), Likeness> Compared(
        Db db,
        LogFilter filter,
        StoredSession[] shown
    )
    {
        if (filter.Movement is not { } movement)
            return [];
        var exposures = SessionStore
            .ExposuresIn(db, [.. shown.Select(s => s.Id)], movement)
            .DistinctBy(e => (e.SessionId, e.Role))
            .ToArray();
        var athletes = shown.ToDictionary(s => s.Id, s => s.AthleteId);
        return exposures
            .GroupBy(e => athletes[e.SessionId])
            .SelectMany(of =>
            {
                var newest = Newest(db, of.Key, movement, [.. of]);
                return of.Select(e => (Exposure: e, Newest: newest.GetValueOrDefault(e.Role?.ToString() ?? "")));
            })
            .Where(x => x.Newest is not null && x.Newest.SessionId != x.Exposure.SessionId)
            .ToDictionary(x => (x.Exposure.SessionId, x.Exposure.Role), x => Likeness.Of(x.Exposure, x.Newest!));
    }

    /// <summary>Of each role among those shown the newest that counts, as far as it is among the last few.</summary>
    private static Dictionary<string, Exposure> Newest(Db db, Guid athlete, string movement, Exposure[] shown)
    {
        var found = new Dictionary<string, Exposure>();
        var roles = shown.Select(e => e.Role).Distinct().Count();
        foreach (var id in SessionStore.LatestOf(db, athlete, movement, NewestAmong))
        {
            var known = shown.Where(e => e.SessionId == id).ToArray();
            foreach (var e in known.Length > 0 ? known : SessionStore.ExposuresIn(db, [id], movement))
            {
                if (e.Counts)
                    found.TryAdd(e.Role?.ToString() ?? "", e);
            }

            if (found.Count >= roles)
                break;
        }

        return found;
    }

    private static LogbookSums Sums(Db db, LogFilter filter)
    {
        var count = LogbookStore.Count(db, filter, SumsMost + 1);
        if (count > SumsMost)
            return new(count, true, 0, 0, 0, 0, null, null, 0, 0, 0, [], null, []);
        var items = LogbookStore.Sums(db, filter);
        var told = items.Sum(i => i.ReserveTold);
        var (measure, bests) = filter.Movement is not null && count <= BestsMost ? Bests(db, filter) : (null, []);
        return new(
            count,
            false,
            items.Select(i => i.SessionId).Distinct().Count(),
            items.Select(i => i.AthleteId).Distinct().Count(),
            items.Sum(i => i.Reps),
            items.Sum(i => i.Seconds),
            items.Any(i => i is { Reps: > 0, BodyMassKg: null })
                ? null
                : Math.Round(items.Sum(i => (decimal)((i.BodyMassKg ?? 0) * i.Reps + i.AddedKgReps)), 1),
            told == 0 ? null : Math.Round(items.Sum(i => i.Reserve) / (decimal)told, 1),
            (int)told,
            (int)items.Sum(i => i.Clean),
            (int)items.Sum(i => i.Pain),
            [
                .. items
                    .GroupBy(i => i.Day.AddDays(-(((int)i.Day.DayOfWeek + 6) % 7)))
                    .OrderBy(g => g.Key)
                    .Select(g => new LogbookWeek(g.Key, (int)g.Sum(i => i.Sets))),
            ],
            measure,
            bests
        );
    }

    /// <summary>Of a load the e1RM over the bodyweight counts, of a hold the seconds, of everything else the reps.</summary>
    private static (TrendMeasure?, IReadOnlyList<LogbookBest>) Bests(Db db, LogFilter filter)
    {
        var sets = LogbookStore.Each(db, filter);
        if (sets.Count == 0)
            return (null, []);
        var names = Storage.Athletes.AthleteStore.Everyone(db).ToDictionary(a => a.Id, a => a.Name);
        TrendMeasure measure =
            sets.Any(s => s.Set.Set.Seconds is not null) ? TrendMeasure.Seconds
            : sets.Any(s => s.Set.Set.Added.Mass > Mass.Zero) ? TrendMeasure.OneRepMax
            : TrendMeasure.Reps;
        decimal? ValueOf(LoggedOfAthlete s) =>
            measure switch
            {
                TrendMeasure.Seconds => s.Set.Set.Seconds,
                TrendMeasure.Reps => s.Set.Set.CleanReps,
                _ => s.BodyMass is { } body ? OneRepMaxOf(s.Set, body, s.Day)?.Kilograms : null,
            };
        return (
            measure,
            [
                .. sets.Select(s => (Set: s, Value: ValueOf(s)))
                    .Where(x => x.Value > 0)
                    .GroupBy(x => x.Set.AthleteId)
                    .Select(g => g.OrderBy(x => x.Value).ThenByDescending(x => x.Set.Day).Last())
                    .Select(x =>
                    {
                        var range =
                            measure == TrendMeasure.OneRepMax
                                ? OneRepMax.Range(Heavy(x.Set.Set, x.Set.BodyMass!.Value, x.Set.Day))
                                : null;
                        return new LogbookBest(
                            x.Set.AthleteId,
                            names.GetValueOrDefault(x.Set.AthleteId) ?? "",
                            x.Value!.Value,
                            range?.Low.Kilograms,
                            range?.High.Kilograms,
                            x.Set.BodyMass?.Kilograms,
                            x.Set.Day
                        );
                    })
                    .OrderByDescending(b =>
                        measure == TrendMeasure.OneRepMax && b.BodyMassKg > 0 ? b.Value / b.BodyMassKg : b.Value
                    ),
            ]
        );
    }

    private static Mass? OneRepMaxOf(StoredSet s, Mass body, DateOnly day) =>
        s.Set.Seconds is null && s.Set.CleanReps > 0 ? OneRepMax.Estimate(Heavy(s, body, day))?.Value.Value : null;

    private static HeavySet Heavy(StoredSet s, Mass body, DateOnly day) =>
        new(body, s.Set.Added.Mass, s.Set.CleanReps, s.Set.Reserve ?? 0, day);

    private static string Write(LogPlace place) =>
        Convert.ToHexStringLower(
            Encoding.UTF8.GetBytes(
                string.Create(CultureInfo.InvariantCulture, $"{place.Day:yyyy-MM-dd}{place.Session:N}{place.Athlete}")
            )
        );

    private static LogPlace? Read(string after)
    {
        const int DayLength = 10,
            IdLength = 32;
        try
        {
            var text = Encoding.UTF8.GetString(Convert.FromHexString(after));
            return
                text.Length >= DayLength + IdLength
                && DateOnly.TryParseExact(
                    text[..DayLength],
                    "yyyy-MM-dd",
                    CultureInfo.InvariantCulture,
                    DateTimeStyles.None,
                    out var day
                )
                && Guid.TryParseExact(text[DayLength..(DayLength + IdLength)], "N", out var id)
                ? new(text[(DayLength + IdLength)..], day, id)
                : null;
        }
        catch (FormatException)
        {
            return null;
        }
    }
}
