using System.Security.Claims;
using Cumbre.Core.Athletes;
using Cumbre.Core.Movements;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Audit;
using Cumbre.Storage.Privacy;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Privacy;

/// <summary>What the club tells people of their data.</summary>
/// <param name="Version">0: as it ships.</param>
/// <param name="Text">Paragraphs, parted by empty lines; one of a single short line is a heading.</param>
/// <param name="WrittenAt">Null: it ships.</param>
public sealed record PrivacyTextDto(long Version, string Text, DateTimeOffset? WrittenAt);

/// <param name="Version">Of the text that was changed.</param>
/// <param name="Text">10 to 20,000 characters.</param>
public sealed record PrivacyTextRequest(long Version, string Text);

/// <param name="Id">Of the consent.</param>
/// <param name="As">Who gave it.</param>
/// <param name="Name">As it was signed.</param>
/// <param name="Day">On which it was signed.</param>
/// <param name="TextVersion">Of the text that was read.</param>
/// <param name="WithdrawnAt">Null: it holds.</param>
public sealed record ConsentDto(
    Guid Id,
    ConsentAs As,
    string Name,
    DateOnly Day,
    long TextVersion,
    DateTimeOffset? WithdrawnAt
);

/// <param name="Text">The one that holds.</param>
/// <param name="Consents">The newest first.</param>
/// <param name="Holds">One holds.</param>
/// <param name="WithdrawnAt">The last one was withdrawn: nothing new is recorded.</param>
public sealed record ConsentsDto(
    PrivacyTextDto Text,
    IReadOnlyList<ConsentDto> Consents,
    bool Holds,
    DateTimeOffset? WithdrawnAt
);

/// <param name="Name">As it is signed.</param>
/// <param name="TextVersion">Of the text that was read.</param>
/// <param name="Day">Of a signature on paper; null: today.</param>
public sealed record ConsentRequest(string Name, long TextVersion, DateOnly? Day);

/// <param name="Reason">May be empty: nobody has to give one.</param>
public sealed record WithdrawalRequest(string? Reason);

internal static class Consents
{
    private const int TextMinimum = 10,
        TextMaximum = 20_000;

    public static PrivacyTextDto Text(Db db)
    {
        var text = PrivacyStore.Newest(db)
            ?? new PrivacyText(0, Shipped.Replace("{club}", AccountStore.Club(db)?.Name ?? "The club"), null);
        return new(text.Version, text.Text, text.WrittenAt);
    }

    private static string Shipped => CatalogueJson.Text("privacy.txt").ReplaceLineEndings("\n").Trim();

    /// <summary>For everybody: also for who is invited and has not joined yet.</summary>
    public static Ok<PrivacyTextDto> GetText(Database database) => TypedResults.Ok(database.Read(Text));

    public static Results<Ok<PrivacyTextDto>, ProblemHttpResult> PutText(
        PrivacyTextRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    )
    {
        var text = Problems.Text("text", request.Text, Words.WritePrivacyText, TextMaximum).ReplaceLineEndings("\n");
        if (text.Length < TextMinimum)
            throw Problems.Field("text", Words.WritePrivacyText);
        var (written, now) = database.Write(db =>
        {
            var stamp = clock.Stamp(Policies.IdOf(user));
            var written = PrivacyStore.Put(db, request.Version, text, stamp);
            if (written == Written.Done)
                AuditStore.Add(db, new(AuditKind.PrivacyTextWritten) { After = $"{request.Version + 1}" }, stamp);
            return (written, Text(db));
        });
        return written == Written.Done
            ? TypedResults.Ok(now)
            : (ProblemHttpResult)Problems.Conflict(Words.PrivacyTextChanged, now);
    }

    public static Ok<ConsentsDto> Get(Guid athleteId, Database database) =>
        TypedResults.Ok(database.Read(db => Read(db, athleteId)));

    private static ConsentsDto Read(Db db, Guid athleteId)
    {
        var all = ConsentStore.Of(db, athleteId);
        return new(
            Text(db),
            [.. all.Select(c => new ConsentDto(c.Id, c.As, c.Name, c.Day, c.TextVersion, c.WithdrawnAt))],
            all.Any(c => c.WithdrawnAt is null),
            ConsentStore.WithdrawnAt(db, athleteId)
        );
    }

    public static Results<Ok<ConsentsDto>, ProblemHttpResult> Put(
        Guid athleteId,
        Guid id,
        ConsentRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    )
    {
        var name = Problems.Text("name", request.Name, Words.WriteYourName, 80);
        var by = Policies.IdOf(user);
        var given =
            Policies.IsCoach(user) ? ConsentAs.Paper
            : user.IsInRole(Roles.Guardian) ? ConsentAs.Guardian
            : ConsentAs.Athlete;
        if (given != ConsentAs.Paper && request.Day is { } other && other != clock.Today)
            throw Problems.Field("day", Words.ConsentOnPaper);
        var day = Problems.NotInFuture("day", request.Day ?? clock.Today, clock.Today);
        return database.Write<Results<Ok<ConsentsDto>, ProblemHttpResult>>(db =>
        {
            if (AthleteStore.Find(db, athleteId) is not { } athlete)
                return (ProblemHttpResult)Problems.NotFound(Words.NoAthlete);
            var stamp = clock.Stamp(by);
            var text = Text(db);
            if (request.TextVersion != text.Version)
                return (ProblemHttpResult)Problems.Conflict(Words.ConsentTextOld, Read(db, athleteId));
            // What was consented to must be found again: the text that ships may read otherwise in the next version.
            if (text.Version == 0)
            {
                PrivacyStore.Put(db, 0, text.Text, stamp);
                text = Text(db);
            }

            if (ConsentStore.Add(db, new(id, athleteId, given, name, day, text.Version, stamp.At, by, null)))
            {
                if (given != ConsentAs.Athlete && IsYoung(athlete, clock.Today))
                    ConsentStore.NoteGuardian(db, athleteId, true);
                AuditStore.Add(
                    db,
                    new(AuditKind.ConsentGiven)
                    {
                        Athlete = athleteId,
                        Subject = id,
                        After = name,
                    },
                    stamp
                );
                db.Reconsider(athleteId);
            }

            return TypedResults.Ok(Read(db, athleteId));
        });
    }

    /// <summary>As easily as it was given: one press, and no reason is asked for.</summary>
    public static Results<Ok<ConsentsDto>, ProblemHttpResult> Withdraw(
        Guid athleteId,
        WithdrawalRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    )
    {
        var reason = string.IsNullOrWhiteSpace(request.Reason)
            ? null
            : Problems.Text("reason", request.Reason, Words.WriteReason, 400);
        return database.Write<Results<Ok<ConsentsDto>, ProblemHttpResult>>(db =>
        {
            if (AthleteStore.Find(db, athleteId) is not { } athlete)
                return (ProblemHttpResult)Problems.NotFound(Words.NoAthlete);
            var stamp = clock.Stamp(Policies.IdOf(user));
            if (ConsentStore.Withdraw(db, athleteId, stamp) > 0)
            {
                if (athlete.Intake.GuardianConsent)
                    ConsentStore.NoteGuardian(db, athleteId, false);
                AuditStore.Add(db, new(AuditKind.ConsentWithdrawn) { Athlete = athleteId, Reason = reason }, stamp);
                db.Reconsider(athleteId);
            }

            return TypedResults.Ok(Read(db, athleteId));
        });
    }

    /// <summary>Somebody for whom the rules ask whether a guardian has consented.</summary>
    private static bool IsYoung(AthleteProfile athlete, DateOnly today) => athlete.AgeIn(today) < Clearance.Adult;
}
