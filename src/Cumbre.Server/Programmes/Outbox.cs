using System.Globalization;
using System.Security.Claims;
using System.Text;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Audit;
using Cumbre.Storage.Programmes;
using Microsoft.AspNetCore.Http.HttpResults;
using MimeKit;

namespace Cumbre.Server.Programmes;

/// <param name="Id">Made by whoever writes it; the same is written once.</param>
/// <param name="Week">From 1.</param>
/// <param name="Version">Null: the draft.</param>
/// <param name="To">Address of the athlete.</param>
/// <param name="Time">When sessions begin, for the calendar; null: all day.</param>
public sealed record MessageRequest(Guid Id, int Week, int? Version, string To, TimeOnly? Time);

/// <summary>A message in the list.</summary>
public sealed record MessageRow(Guid Id, DateTimeOffset At, string To, string Subject);

/// <summary>Weeks of a block as messages, and the list of all that were written.</summary>
internal static class Outbox
{
    public static Results<Ok<MessageDto>, ProblemHttpResult> Write(
        Guid athleteId,
        Guid blockId,
        MessageRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock,
        CumbreOptions options
    )
    {
        var to = Mail.Address("to", request.To);
        var (block, published, club) = database.Read(db =>
            (
                Publish.Find(db, athleteId, blockId, request.Version, clock),
                Publish.All(db, blockId),
                AccountStore.Club(db)?.Name ?? "Cumbre"
            )
        );
        if (block is null)
            return (ProblemHttpResult)Problems.NotFound(Words.NoVersion);
        if (request.Week < 1 || request.Week > block.Block.Weeks.Count)
            throw Problems.Field("week", Words.BlockWeeks(block.Block.Weeks.Count));
        var path = Mail.PathOf(request.Id, options);
        var asked = Asked(blockId, request, to.Address);
        if (!File.Exists(path))
        {
            Mail.Put(
                path,
                Message(
                    block,
                    published,
                    request,
                    new(club, Mail.Sender),
                    new(block.AthleteName, to.Address),
                    asked,
                    athleteId,
                    clock
                )
            );
            database.WriteOnly(
                db =>
                {
                    AuditStore.Add(
                        db,
                        new(AuditKind.BlockSent)
                        {
                            Athlete = athleteId,
                            Subject = blockId,
                            After = to.Address,
                        },
                        clock.Stamp(Policies.IdOf(user))
                    );
                    return true;
                },
                _ => true
            );
        }

        if (Mail.Open(path) is not { } written || Mail.Read(request.Id, path) is not { } stored)
            return (ProblemHttpResult)Problems.Conflict(Words.MessageUnreadable, null);
        // Asked again after an answer that was lost it is the same message, whatever became of the block since.
        return written.Headers[Mail.AskedHeader] is var before && (before is null || before == asked)
            ? TypedResults.Ok(stored)
            : (ProblemHttpResult)Problems.Conflict(Words.MessageTaken, stored);
    }

    /// <summary>What was asked for, as a header that is read back as it was written: it ends in no space.</summary>
    private static string Asked(Guid blockId, MessageRequest request, string to)
    {
        var time = request.Time?.ToString("HH:mm", CultureInfo.InvariantCulture) ?? "all day";
        return string.Create(
            CultureInfo.InvariantCulture,
            $"{blockId} week {request.Week} version {request.Version ?? 0} to {to}, {time}"
        );
    }

    /// <summary>Those that concern somebody within reach.</summary>
    public static Ok<IReadOnlyList<MessageRow>> List(
        ClaimsPrincipal user,
        Database database,
        Reach reach,
        CumbreOptions options
    ) =>
        TypedResults.Ok<IReadOnlyList<MessageRow>>([
            .. Mail.Files(options)
                .Where(f => IsSeen(f.Path, user, database, reach))
                .Select(f => Mail.Read(f.Id, f.Path))
                .OfType<MessageDto>()
                .OrderByDescending(m => m.At)
                .ThenByDescending(m => m.Id)
                .Select(m => new MessageRow(m.Id, m.At, m.To, m.Subject)),
        ]);

    private static bool IsSeen(string path, ClaimsPrincipal user, Database database, Reach reach)
    {
        if (Policies.IsOwner(user))
            return true;
        return Mail.Open(path) is { } message
            && message.Headers[Mail.ConcernsHeader] switch
            {
                { } concerned when Guid.TryParse(concerned, out var athlete) => reach.Holds(athlete),
                not null => false,
                // Written before messages said whom they concern: the block does.
                _ => reach.IsEverybody
                    || (
                        Guid.TryParse(message.Headers[Mail.AskedHeader]?.Split(' ')[0], out var block)
                        && database.Read(db => BlockStore.Find(db, block)) is { } found
                        && reach.Holds(found.AthleteId)
                    ),
            };
    }

    public static Results<Ok<MessageDto>, ProblemHttpResult> Get(
        Guid id,
        ClaimsPrincipal user,
        Database database,
        Reach reach,
        CumbreOptions options
    ) =>
        Mail.PathOf(id, options) is var path
        && File.Exists(path)
        && IsSeen(path, user, database, reach)
        && Mail.Read(id, path) is { } message
            ? TypedResults.Ok(message)
            : (ProblemHttpResult)Problems.NotFound(Words.NoMessage);

    public static Results<FileContentHttpResult, ProblemHttpResult> Raw(
        Guid id,
        ClaimsPrincipal user,
        Database database,
        Reach reach,
        CumbreOptions options
    ) =>
        Mail.PathOf(id, options) is var path && File.Exists(path) && IsSeen(path, user, database, reach)
            ? TypedResults.File(File.ReadAllBytes(path), "message/rfc822", $"{id}.eml")
            : (ProblemHttpResult)Problems.NotFound(Words.NoMessage);

    private static MimeMessage Message(
        PublishedBlock block,
        IReadOnlyList<PublishedBlock> published,
        MessageRequest request,
        MailboxAddress from,
        MailboxAddress to,
        string asked,
        Guid athleteId,
        ClubClock clock
    )
    {
        var week = block.Block.Weeks[request.Week - 1];
        var monday = block.Block.Start.AddDays(7 * (request.Week - 1));
        var message = new MimeMessage
        {
            Subject =
                $"{block.Block.Name}, week {request.Week} from {monday.ToString("d MMMM", CultureInfo.InvariantCulture)}",
            Date = clock.Now,
            MessageId = $"{request.Id}@club.invalid",
        };
        message.Headers.Add(Mail.AskedHeader, asked);
        message.Headers.Add(Mail.ConcernsHeader, athleteId.ToString());
        message.From.Add(from);
        message.To.Add(to);
        var body = new BodyBuilder { TextBody = Text(block, week) };
        var calendar = body.Attachments.Add(
            $"{FileNames.Safe(block.Block.Name)}.ics",
            Encoding.UTF8.GetBytes(BlockExports.CalendarText(block, published, request.Time, request.Week, clock)),
            new ContentType("text", "calendar")
        );
        calendar.ContentType.Charset = "utf-8";
        message.Body = body.ToMessageBody();
        return message;
    }

    private static string Text(PublishedBlock block, WeekBody week)
    {
        var names = block.Items.ToDictionary(i => i.Id, i => i.Movement?.Name);
        var text = new StringBuilder();
        foreach (var session in week.Sessions)
        {
            text.Append(
                CultureInfo.InvariantCulture,
                $"{session.Day:dddd d MMMM}, {(session.Title.Length > 0 ? session.Title : "Session")}, {(block.Seconds.GetValueOrDefault(session.Id) + 59) / 60} min\r\n"
            );
            if (session.WarmUp.Text is { } warmUp)
                text.Append(CultureInfo.InvariantCulture, $"  Warm-up: {warmUp}\r\n");
            foreach (var item in session.Items)
                text.Append(
                    CultureInfo.InvariantCulture,
                    $"  {(item.Joined ? "+ " : "")}{names.GetValueOrDefault(item.Id) ?? item.Movement}: {item.Line}\r\n"
                );
            text.Append("\r\n");
        }

        return text.Append(
                "Stop on sharp pain, a pinch on top of the shoulder, a pop, numbness or tingling. Training arithmetic, not medical advice.\r\n"
            )
            .ToString();
    }
}
