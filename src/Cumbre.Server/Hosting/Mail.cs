using MimeKit;

namespace Cumbre.Server.Hosting;

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
internal static class Mail
{
    /// <summary>A name that no mail ever reaches (RFC 2606).</summary>
    public const string Sender = "coach@club.invalid";

    /// <summary>What was asked for, so that a message sent again is known.</summary>
    public const string AskedHeader = "X-Asked-For";

    /// <summary>The athlete whom a message concerns: who may not see them does not see it.</summary>
    public const string ConcernsHeader = "X-Concerns";

    /// <summary>RFC 5322, 2.1: lines end in CRLF, whatever the machine.</summary>
    private static readonly FormatOptions Dos = CrLf();

    /// <exception cref="FieldException">It is no address.</exception>
    public static MailboxAddress Address(string path, string text) =>
        MailboxAddress.TryParse(text, out var address) && address.Address.Contains('@', StringComparison.Ordinal)
            ? address
            : throw Problems.Field(path, Words.AddressForm);

    /// <summary>Removes a message; nothing where there is none.</summary>
    public static void Remove(Guid id, CumbreOptions options)
    {
        if (PathOf(id, options) is var path && File.Exists(path))
            File.Delete(path);
    }

    /// <summary>Writes a whole file beside and gives it its name, so that of several writers one wins.</summary>
    public static void Put(string path, MimeMessage message)
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

    /// <summary>The messages that went to somebody, told of their blocks or name them.</summary>
    public static IReadOnlyList<MessageDto> Of(
        Guid athlete,
        string name,
        IReadOnlyCollection<Guid> blocks,
        CumbreOptions options
    ) =>
        [
            .. FilesOf(athlete, name, blocks, options)
                .Select(f => Read(f.Id, f.Path))
                .OfType<MessageDto>()
                .OrderBy(m => m.At),
        ];

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
        // What can be read no more still holds what it held.
        bool Names(string path) =>
            File.ReadAllText(path) is var text
            && blocks
                .Append(athlete)
                .Select(id => id.ToString())
                .Append(name)
                .Any(word => text.Contains(word, StringComparison.Ordinal));
        return [.. Files(options).Where(f => Open(f.Path) is { } message ? IsTheirs(message) : Names(f.Path))];
    }

    /// <summary>Null: the file is empty, cut off or no message.</summary>
    public static MimeMessage? Open(string path)
    {
        try
        {
            return MimeMessage.Load(path);
        }
        catch (Exception e) when (e is FormatException or IOException)
        {
            return null;
        }
    }

    public static IEnumerable<(Guid Id, string Path)> Files(CumbreOptions options) =>
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

    public static string PathOf(Guid id, CumbreOptions options) => Path.Combine(options.Outbox, $"{id}.eml");

    /// <summary>Null: the file cannot be read as a message.</summary>
    public static MessageDto? Read(Guid id, string path) =>
        Open(path) is not { } message
            ? null
            : new(
                id,
                message.Date.ToUniversalTime(),
                message.From.ToString(),
                message.To.ToString(),
                message.Subject ?? "",
                message.TextBody ?? "",
                [.. message.Attachments.Select(a => a.ContentDisposition?.FileName ?? a.ContentType.Name ?? "file")]
            );
}
