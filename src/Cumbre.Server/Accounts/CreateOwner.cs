using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Microsoft.AspNetCore.Identity;

namespace Cumbre.Server.Accounts;

/// <param name="ClubName">1 to 80 characters.</param>
/// <param name="Name">The owner's name as it is shown.</param>
/// <param name="SignInName">What is typed at sign-in; an e-mail address or any word.</param>
/// <param name="Password">12 to 200 characters.</param>
/// <param name="TimeZone">IANA name; training days are dates there.</param>
public sealed record OwnerRequest(string ClubName, string Name, string SignInName, string Password, string TimeZone);

internal static class CreateOwner
{
    public static async Task<IResult> Handle(
        OwnerRequest request,
        HttpContext context,
        Database database,
        ClubClock clock,
        IPasswordHasher<AccountRow> hasher
    )
    {
        var club = Problems.Text("clubName", request.ClubName, Words.WriteClubName, 80);
        var name = Problems.Text("name", request.Name, Words.WriteYourName, 80);
        var signInName = Problems.Text("signInName", request.SignInName, Words.WriteSignInName, 120);
        if (Passwords.Problem(request.Password) is { } problem)
            return Problems.Fields(new FieldError("password", problem));
        if (!TimeZoneInfo.TryFindSystemTimeZoneById(request.TimeZone, out _))
            return Problems.Fields(new FieldError("timeZone", Words.TimeZoneUnknown(request.TimeZone)));

        var owner = new AccountRow(
            Guid.CreateVersion7(),
            signInName,
            name,
            null,
            "owner",
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
            return true;
        });
        if (!made)
            return Problems.Conflict(Words.ClubHasOwner, null);
        await SignIn.Start(context, owner, kept: false);
        return Results.NoContent();
    }
}
