using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using MimeKit;

namespace Cumbre.Server.Accounts;

/// <summary>Links as messages of the outbox, for as long as they let somebody in.</summary>
internal static class LinkMail
{
    /// <summary>A message that concerns no athlete and lets somebody in.</summary>
    private const string OwnersOnly = "owners";

    /// <summary>A link is written to whom it is for; the message goes when the link has been used or withdrawn.</summary>
    public static void Write(
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
        message.Headers.Add(Mail.ConcernsHeader, link.AthleteId?.ToString() ?? OwnersOnly);
        message.From.Add(new MailboxAddress(club, Mail.Sender));
        message.To.Add(new MailboxAddress(link.Name, to.Address));
        message.Body = new BodyBuilder
        {
            TextBody =
                $"Hello {link.Name},\r\n\r\nthis link lets you in to {club}, once, within a week:\r\n\r\n{address}\r\n\r\n"
                + "Whoever has the link can use it: do not pass it on.\r\n",
        }.ToMessageBody();
        Mail.Put(Mail.PathOf(link.Id, options), message);
    }

    /// <summary>Removes the messages of links that have ended by themselves.</summary>
    public static void RemoveEnded(Database database, CumbreOptions options)
    {
        foreach (var (id, path) in Mail.Files(options).ToArray())
        {
            if (Mail.Open(path)?.Headers is not { } headers)
                continue;
            if (
                headers[Mail.AskedHeader] is null
                && headers[Mail.ConcernsHeader] is not null
                && database.Read(db => LinkStore.ById(db, id)) is null
            )
                File.Delete(path);
        }
    }
}
