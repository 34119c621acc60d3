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

/// <summary>A message as it would have been sent.</summary>
/// <param name="Id">Of the file.</param>
/// <param name="At">Written.</param>
/// <param name="From">The club.</param>
/// <param name="To">The athlete.</param>
/// <param name="Subject">What it is about.</param>
/// <param name="Text">Its words.</param>
/// <param name="Attachments">Names of the files with it.</param>
public sealed record MessageDto(
    Guid Id,
    DateTimeOffset At,
    string From,
    string To,
    string Subject,
    string Text,
    IReadOnlyList<string> Attachments
);

/// <summary>
/// A stand-in for sending mail: messages are written as RFC 5322 files into the folder <c>outbox</c> of the data, where
/// they can be read. No mail leaves the machine.
/// </summary>
internal static class Outbox
{
    /// <summary>A name that no mail ever reaches (RFC 2606).</summary>
    private const string Sender = "coach@club.invalid";

    /// <summary>What was asked for, so that a message sent again is known.</summary>
    private const string AskedHeader = "X-Asked-For";

    /// <summary>The athlete whom a message concerns: who may not see them does not see it.</summary>
    private const string ConcernsHeader = "X-Concerns";

    /// <summary>A message that concerns no athlete and lets somebody in.</summary>
    private const string OwnersOnly = "owners";

    /// <summary>RFC 5322, 2.1: lines end in CRLF, whatever the machine.</summary>
    private static readonly FormatOptions Dos = CrLf();

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
        var to = Address("to", request.To);
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
        var path = PathOf(request.Id, options);
        var asked = Asked(blockId, request, to.Address);
        if (!File.Exists(path))
        {
            Put(
                path,
                Message(
                    block,
                    published,
                    request,
                    new(club, Sender),
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

        var stored = Read(request.Id, path);
        // Asked again after an answer that was lost it is the same message, whatever became of the block since.
        return MimeMessage.Load(path).Headers[AskedHeader] is var before && (before is null || before == asked)
            ? TypedResults.Ok(stored)
            : (ProblemHttpResult)Problems.Conflict(Words.MessageTaken, stored);
    }

    /// <exception cref="FieldException">It is no address.</exception>
    public static MailboxAddress Address(string path, string text) =>
        MailboxAddress.TryParse(text, out var address) && address.Address.Contains('@', StringComparison.Ordinal)
            ? address
            : throw Problems.Field(path, Words.AddressForm);

    /// <summary>A link is written to whom it is for; the message goes when the link has been used or withdrawn.</summary>
    public static void WriteInvitation(
        StoredLink link,
        MailboxAddress to,
        string club,
        string address,
        ClubClock clock,
        CumbreOptions options
    )
    {
        var message = new MimeMessage
        {
            Subject = $"{club}: your invitation",
            Date = clock.Now,
            MessageId = $"{link.Id}@club.invalid",
        };
        message.Headers.Add(ConcernsHeader, link.AthleteId?.ToString() ?? OwnersOnly);
        message.From.Add(new MailboxAddress(club, Sender));
        message.To.Add(new MailboxAddress(link.Name, to.Address));
        message.Body = new BodyBuilder
        {
            TextBody =
                $"Hello {link.Name},\r\n\r\nthis link lets you in to {club}, once, within a week:\r\n\r\n{address}\r\n\r\n"
                + "Whoever has the link can use it: do not pass it on.\r\n",
        }.ToMessageBody();
        Put(PathOf(link.Id, options), message);
    }

    /// <summary>Removes the messages of links that have ended by themselves.</summary>
    public static void RemoveEnded(Database database, CumbreOptions options)
    {
        foreach (var (id, path) in Files(options).ToArray())
        {
            if (
                MimeMessage.Load(path).Headers[AskedHeader] is null
                && MimeMessage.Load(path).Headers[ConcernsHeader] is not null
                && database.Read(db => LinkStore.ById(db, id)) is null
            )
                File.Delete(path);
        }
    }

    /// <summary>Removes a message; nothing where there is none.</summary>
    public static void Remove(Guid id, CumbreOptions options)
    {
        if (PathOf(id, options) is var path && File.Exists(path))
            File.Delete(path);
    }

    /// <summary>Writes a whole file beside and gives it its name, so that of several writers one wins.</summary>
    private static void Put(string path, MimeMessage message)
    {
        Directory.CreateDirectory(Path.GetDirectoryName(path)!);
        var draft = $"{path}.{Guid.CreateVersion7():n}";
        using (var file = new FileStream(draft, FileMode.CreateNew))
            message.WriteTo(Dos, file);
        try
        {
            File.Move(draft, path, overwrite: false);
        }
        catch (IOException) when (File.Exists(path))
        {
            File.Delete(draft);
        }
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
            .. Files(options)
                .Where(f => IsSeen(f.Path, user, database, reach))
                .Select(f => Read(f.Id, f.Path))
                .OrderByDescending(m => m.At)
                .ThenByDescending(m => m.Id)
                .Select(m => new MessageRow(m.Id, m.At, m.To, m.Subject)),
        ]);

    private static bool IsSeen(string path, ClaimsPrincipal user, Database database, Reach reach)
    {
        if (Policies.IsOwner(user))
            return true;
        var message = MimeMessage.Load(path);
        return message.Headers[ConcernsHeader] switch
        {
            { } concerned when Guid.TryParse(concerned, out var athlete) => reach.Holds(athlete),
            not null => false,
            // Written before messages said whom they concern: the block does.
            _ => reach.IsEverybody
                || (
                    Guid.TryParse(message.Headers[AskedHeader]?.Split(' ')[0], out var block)
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
        PathOf(id, options) is var path && File.Exists(path) && IsSeen(path, user, database, reach)
            ? TypedResults.Ok(Read(id, path))
            : (ProblemHttpResult)Problems.NotFound(Words.NoMessage);

    public static Results<FileContentHttpResult, ProblemHttpResult> Raw(
        Guid id,
        ClaimsPrincipal user,
        Database database,
        Reach reach,
        CumbreOptions options
    ) =>
        PathOf(id, options) is var path && File.Exists(path) && IsSeen(path, user, database, reach)
            ? TypedResults.File(File.ReadAllBytes(path), "message/rfc822", $"{id}.eml")
            : (ProblemHttpResult)Problems.NotFound(Words.NoMessage);

    /// <summary>The messages that went to somebody, told of their blocks or name them.</summary>
    public static IReadOnlyList<MessageDto> Of(
        Guid athlete,
        string name,
        IReadOnlyCollection<Guid> blocks,
        CumbreOptions options
    ) => [.. FilesOf(athlete, name, blocks, options).Select(f => Read(f.Id, f.Path)).OrderBy(m => m.At)];

    /// <summary>Removes them.</summary>
    /// <returns>How many.</returns>
    public static int EraseOf(Guid athlete, string name, IReadOnlyCollection<Guid> blocks, CumbreOptions options)
    {
        var files = FilesOf(athlete, name, blocks, options);
        foreach (var (_, path) in files)
            File.Delete(path);
        return files.Count;
    }

    private static IReadOnlyList<(Guid Id, string Path)> FilesOf(
        Guid athlete,
        string name,
        IReadOnlyCollection<Guid> blocks,
        CumbreOptions options
    )
    {
        bool IsTheirs(MimeMessage message) =>
            message.To.Mailboxes.Any(m => m.Name == name)
            || blocks.Any(b => message.Headers[AskedHeader]?.StartsWith($"{b} ", StringComparison.Ordinal) == true)
            || message.Headers[ConcernsHeader] == athlete.ToString()
            || message.TextBody?.Contains(name, StringComparison.Ordinal) == true;
        return [.. Files(options).Where(f => IsTheirs(MimeMessage.Load(f.Path)))];
    }

    private static IEnumerable<(Guid Id, string Path)> Files(CumbreOptions options) =>
        (Directory.Exists(options.Outbox) ? Directory.GetFiles(options.Outbox, "*.eml") : [])
            .Select(path =>
                (Path: path, Known: Guid.TryParse(Path.GetFileNameWithoutExtension(path), out var id), Id: id)
            )
            .Where(f => f.Known)
            .Select(f => (f.Id, f.Path));

    private static FormatOptions CrLf()
    {
        var format = FormatOptions.Default.Clone();
        format.NewLineFormat = NewLineFormat.Dos;
        return format;
    }

    private static string PathOf(Guid id, CumbreOptions options) => Path.Combine(options.Outbox, $"{id}.eml");

    private static MessageDto Read(Guid id, string path)
    {
        var message = MimeMessage.Load(path);
        return new(
            id,
            message.Date.ToUniversalTime(),
            message.From.ToString(),
            message.To.ToString(),
            message.Subject ?? "",
            message.TextBody ?? "",
            [.. message.Attachments.Select(a => a.ContentDisposition?.FileName ?? a.ContentType.Name ?? "file")]
        );
    }

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
        message.Headers.Add(AskedHeader, asked);
        message.Headers.Add(ConcernsHeader, athleteId.ToString());
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
