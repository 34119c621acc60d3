using System.Globalization;
using System.Text;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
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

    /// <summary>RFC 5322, 2.1: lines end in CRLF, whatever the machine.</summary>
    private static readonly FormatOptions Dos = CrLf();

    public static Results<Ok<MessageDto>, ProblemHttpResult> Write(
        Guid athleteId,
        Guid blockId,
        MessageRequest request,
        Database database,
        ClubClock clock,
        CumbreOptions options
    )
    {
        if (!MailboxAddress.TryParse(request.To, out var to) || !to.Address.Contains('@', StringComparison.Ordinal))
            throw Problems.Field("to", Words.AddressForm);
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
            Put(
                path,
                Message(block, published, request, new(club, Sender), new(block.AthleteName, to.Address), asked, clock)
            );
        var stored = Read(request.Id, path);
        // Asked again after an answer that was lost it is the same message, whatever became of the block since.
        return MimeMessage.Load(path).Headers[AskedHeader] is var before && (before is null || before == asked)
            ? TypedResults.Ok(stored)
            : (ProblemHttpResult)Problems.Conflict(Words.MessageTaken, stored);
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

    public static Ok<IReadOnlyList<MessageRow>> List(CumbreOptions options) =>
        TypedResults.Ok<IReadOnlyList<MessageRow>>([
            .. Files(options)
                .Select(f => Read(f.Id, f.Path))
                .OrderByDescending(m => m.At)
                .ThenByDescending(m => m.Id)
                .Select(m => new MessageRow(m.Id, m.At, m.To, m.Subject)),
        ]);

    public static Results<Ok<MessageDto>, ProblemHttpResult> Get(Guid id, CumbreOptions options) =>
        PathOf(id, options) is var path && File.Exists(path)
            ? TypedResults.Ok(Read(id, path))
            : (ProblemHttpResult)Problems.NotFound(Words.NoMessage);

    public static Results<FileContentHttpResult, ProblemHttpResult> Raw(Guid id, CumbreOptions options) =>
        PathOf(id, options) is var path && File.Exists(path)
            ? TypedResults.File(File.ReadAllBytes(path), "message/rfc822", $"{id}.eml")
            : (ProblemHttpResult)Problems.NotFound(Words.NoMessage);

    /// <summary>The messages that went to somebody, told of their blocks or name them.</summary>
    public static IReadOnlyList<MessageDto> Of(string name, IReadOnlyCollection<Guid> blocks, CumbreOptions options) =>
        [.. FilesOf(name, blocks, options).Select(f => Read(f.Id, f.Path)).OrderBy(m => m.At)];

    /// <summary>Removes them.</summary>
    /// <returns>How many.</returns>
    public static int EraseOf(string name, IReadOnlyCollection<Guid> blocks, CumbreOptions options)
    {
        var files = FilesOf(name, blocks, options);
        foreach (var (_, path) in files)
            File.Delete(path);
        return files.Count;
    }

    private static IReadOnlyList<(Guid Id, string Path)> FilesOf(
        string name,
        IReadOnlyCollection<Guid> blocks,
        CumbreOptions options
    )
    {
        bool IsTheirs(MimeMessage message) =>
            message.To.Mailboxes.Any(m => m.Name == name)
            || blocks.Any(b => message.Headers[AskedHeader]?.StartsWith($"{b} ", StringComparison.Ordinal) == true)
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
