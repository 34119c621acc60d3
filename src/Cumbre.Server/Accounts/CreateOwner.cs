using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Audit;
using Microsoft.AspNetCore.Identity;

namespace Cumbre.Server.Accounts;

/// <param name="ClubName">1 to 80 characters.</param>
/// <param name="Name">The owner's name as it is shown.</param>
/// <param name="SignInName">What is typed at sign-in; an e-mail address or any word.</param>
/// <param name="Password">12 to 128 characters.</param>
/// <param name="TimeZone">IANA name; training days are dates there.</param>
/// <param name="SetupCode">As it was printed where the server was started.</param>
public sealed record OwnerRequest(
    string ClubName,
    string Name,
    string SignInName,
    string Password,
    string TimeZone,
    string SetupCode
);

internal static class CreateOwner
{
    public static async Task<IResult> Handle(
        OwnerRequest request,
        HttpContext context,
        Database database,
        ClubClock clock,
        SetupCode code,
        Throttle throttle,
        IPasswordHasher<AccountRow> hasher
    )
    {
        if (database.Read(AccountStore.Club) is not null)
            return Problems.Conflict(Words.ClubHasOwner, null);
        var club = Problems.Text("clubName", request.ClubName, Words.WriteClubName, 80);
        var name = Problems.Text("name", request.Name, Words.WriteYourName, 80);
        var signInName = Problems.Text("signInName", request.SignInName, Words.WriteSignInName, 120);
        if (Passwords.Problem(request.Password, name, signInName, club) is { } problem)
            return Problems.Fields(new FieldError("password", problem));
        if (string.IsNullOrWhiteSpace(request.SetupCode))
            return Problems.Fields(new FieldError("setupCode", Words.WriteSetupCode));
        IReadOnlyList<Brake> brakes = [Throttle.Address(context)];
        if (throttle.Begin(context, brakes) is { } wait)
            return wait;
        if (!code.Is(request.SetupCode))
            return Problems.Fields(new FieldError("setupCode", Words.SetupCodeWrong));
        throttle.Succeed(brakes);
        if (!TimeZoneInfo.TryFindSystemTimeZoneById(request.TimeZone, out _))
            return Problems.Fields(new FieldError("timeZone", Words.TimeZoneUnknown(request.TimeZone)));

        var owner = new AccountRow(
            Guid.CreateVersion7(),
            signInName,
            name,
            null,
            Roles.Owner,
            null,
            nameof(Core.Measures.MassUnit.Kg)
        );
        owner = owner with { PasswordHash = hasher.HashPassword(owner, request.Password) };
        var made = database.Write(db =>
        {
            // Checked inside the write, so that of two first starts one wins.
            if (AccountStore.Club(db) is not null)
                return false;
            AccountStore.AddClub(db, new(club, request.TimeZone, "1,2,3,4,5,6,7"), clock.Now);
            AccountStore.Add(db, owner, clock.Now);
            AuditStore.Add(db, new(AuditKind.OwnerMade) { Subject = owner.Id }, clock.Stamp(owner.Id));
            return true;
        });
        if (!made)
            return Problems.Conflict(Words.ClubHasOwner, null);
        await SignIn.Start(context, owner, kept: false);
        return Results.NoContent();
    }
}
