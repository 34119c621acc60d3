using System.Globalization;
using System.Text;
using CsvHelper;
using CsvHelper.Configuration;
using Cumbre.Core.Movements;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Ladders;
using Ical.Net;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Programmes;

/// <summary>A block as a calendar and as a table, of a version or of the draft.</summary>
internal static class BlockExports
{
    private const int StepMinutes = 5;

    /// <summary>
    /// RFC 5545, one event a session. Its UID is the session's id and its SEQUENCE the version's number, so that a
    /// newer file replaces what an older one put into
    /// a calendar; what was published once and is gone is called off.
    /// </summary>
    /// <param name="time">When the sessions begin, by the club's clock; null: all day.</param>
    public static Results<FileContentHttpResult, ProblemHttpResult> Calendar(
        Guid athleteId,
        Guid blockId,
        int? version,
        TimeOnly? time,
        Database database,
        ClubClock clock
    )
    {
        var (block, published) = database.Read(db =>
            (Publish.Find(db, athleteId, blockId, version, clock), Publish.All(db, blockId))
        );
        return block is null
            ? (ProblemHttpResult)Problems.NotFound(Words.NoVersion)
            : TypedResults.File(
                Encoding.UTF8.GetBytes(CalendarText(block, published, time, null, clock)),
                "text/calendar; charset=utf-8",
                $"{FileNames.Safe(block.Block.Name)}.ics"
            );
    }

    /// <param name="block">A version or a draft.</param>
    /// <param name="published">All versions, newest first.</param>
    /// <param name="time">When the sessions begin; null: all day.</param>
    /// <param name="week">Only this one, from 1; null: all, with what is called off.</param>
    /// <param name="clock">Of the club.</param>
    public static string CalendarText(
        PublishedBlock block,
        IReadOnlyList<PublishedBlock> published,
        TimeOnly? time,
        int? week,
        ClubClock clock
    )
    {
        // A draft follows all that was published.
        var sequence = block.Number ?? published.Count + 1;
        var calendar = new Ical.Net.Calendar { ProductId = "-//Cumbre//Cumbre//EN", Method = "PUBLISH" };
        if (time is not null)
            calendar.AddTimeZone(clock.ZoneId);
        var now = block
            .Block.Weeks.Where((_, i) => week is null || i + 1 == week)
            .SelectMany(w => w.Sessions)
            .ToArray();
        foreach (var session in now)
            calendar.Events.Add(Event(block, session, sequence, time, clock));
        if (week is null)
        {
            var ids = now.Select(s => s.Id).ToHashSet();
            var gone = published
                .Where(p => block.Number is null || p.Number < block.Number)
                .SelectMany(p => p.Block.Weeks.SelectMany(w => w.Sessions).Select(s => (Older: p, Session: s)));
            foreach (var (older, session) in gone.Where(s => !ids.Contains(s.Session.Id)).DistinctBy(s => s.Session.Id))
            {
                var off = Event(older, session, sequence, time, clock);
                off.Status = EventStatus.Cancelled;
                calendar.Events.Add(off);
            }
        }

        return new CalendarSerializer().SerializeToString(calendar)!;
    }

    private static CalendarEvent Event(
        PublishedBlock block,
        SessionBody session,
        int sequence,
        TimeOnly? time,
        ClubClock clock
    )
    {
        var minutes = (block.Seconds.GetValueOrDefault(session.Id) / 60 + StepMinutes) / StepMinutes * StepMinutes;
        var start = time is { } at
            ? new CalDateTime(session.Day.Year, session.Day.Month, session.Day.Day, at.Hour, at.Minute, 0, clock.ZoneId)
            : new CalDateTime(session.Day);
        var made = new CalendarEvent
        {
            Uid = $"{session.Id}@cumbre",
            Sequence = sequence,
            DtStamp = new CalDateTime(block.At.UtcDateTime, CalDateTime.UtcTzId),
            Summary = $"{(session.Title.Length > 0 ? session.Title : block.Block.Name)}, {block.AthleteName}",
            Description = Description(block, session),
            Start = start,
            Status = EventStatus.Confirmed,
            Transparency = TransparencyType.Opaque,
        };
        if (time is not null)
            made.Duration = Ical.Net.DataTypes.Duration.FromMinutes(minutes);
        return made;
    }

    private static string Description(PublishedBlock block, SessionBody session)
    {
        var names = block.Items.ToDictionary(i => i.Id, i => i.Movement?.Name);
        var lines = session.Items.Select(i =>
            $"{(i.Joined ? "+ " : "")}{names.GetValueOrDefault(i.Id) ?? i.Movement}: {i.Line}"
        );
        return string.Join(
            '\n',
            new[] { session.WarmUp.Text is { } warm ? $"Warm-up: {warm}" : null }.Concat(lines).OfType<string>()
        );
    }

    public static Results<FileContentHttpResult, ProblemHttpResult> Csv(
        Guid athleteId,
        Guid blockId,
        int? version,
        Database database,
        ClubClock clock
    )
    {
        var (block, catalogue) = database.Read(db =>
            (Publish.Find(db, athleteId, blockId, version, clock), CatalogueStore.Club(db).Catalogue)
        );
        if (block is null)
            return (ProblemHttpResult)Problems.NotFound(Words.NoVersion);
        using var text = new StringWriter(CultureInfo.InvariantCulture);
        using (
            var csv = new CsvWriter(
                text,
                new CsvConfiguration(CultureInfo.InvariantCulture)
                {
                    // A cell that begins like a formula must not become one in a spreadsheet.
                    InjectionOptions = InjectionOptions.Escape,
                }
            )
        )
        {
            csv.WriteRecords(Rows(block, catalogue));
        }

        return TypedResults.File(
            new UTF8Encoding(true).GetBytes(text.ToString()),
            "text/csv",
            $"{FileNames.Safe(block.Block.Name)}.csv"
        );
    }

    private static IEnumerable<Row> Rows(PublishedBlock block, Catalogue catalogue)
    {
        var meanings = block.Items.ToDictionary(i => i.Id);
        foreach (var (week, number) in block.Block.Weeks.Select((w, i) => (w, i + 1)))
        {
            foreach (
                var (session, item, at) in week.Sessions.SelectMany(s => s.Items.Select((item, i) => (s, item, i + 1)))
            )
            {
                var plan = meanings.GetValueOrDefault(item.Id)?.Plan;
                var movement = catalogue.Movements.GetValueOrDefault(item.Movement);
                yield return new(
                    number,
                    week.Kind.ToString(),
                    session.Day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
                    session.Title,
                    at,
                    item.Joined ? "yes" : "",
                    movement?.Name ?? item.Movement,
                    movement is null ? "" : PatternNames.Of(movement.Pattern),
                    item.Line,
                    plan?.SetTotal,
                    plan?.RepTotal,
                    plan?.HardSets,
                    plan?.TensionSeconds,
                    plan?.RestSeconds,
                    plan?.DurationSeconds,
                    plan is null
                        ? ""
                        : string.Join(
                            " / ",
                            plan.Loads.Select(l =>
                                l.IsWeighed
                                    ? (l.Made.Value.Number ?? 0).ToString("0.###", CultureInfo.InvariantCulture)
                                    : "?"
                            )
                        )
                );
            }
        }
    }

    private sealed record Row(
        int Week,
        string Kind,
        string Day,
        string Session,
        int Item,
        string Joined,
        string Movement,
        string Pattern,
        string Line,
        int? Sets,
        int? Reps,
        int? HardSets,
        int? TensionSeconds,
        int? RestSeconds,
        int? Seconds,
        string AddedKg
    );
}
