using System.Security.Claims;
using System.Security.Cryptography;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Audit;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Identity;
using OtpNet;

namespace Cumbre.Server.Accounts;

/// <param name="On">Signing in asks for a code.</param>
/// <param name="CodesLeft">Recovery codes that were not used yet.</param>
public sealed record FactorDto(bool On, int CodesLeft);

/// <summary>A secret for an authenticator app, shown once.</summary>
/// <param name="Secret">In base 32, to be typed.</param>
/// <param name="Uri">The same as a link that such apps read from a QR code.</param>
public sealed record FactorSecretDto(string Secret, string Uri);

/// <param name="Password">Of the account.</param>
public sealed record FactorRequest(string Password);

/// <param name="Code">Of the app, as it stands now.</param>
public sealed record FactorCodeRequest(string Code);

/// <param name="Password">Of the account.</param>
/// <param name="Code">Of the app, or a recovery code.</param>
public sealed record FactorOffRequest(string Password, string Code);

/// <param name="Codes">Each stands in for the app once; shown once.</param>
public sealed record RecoveryCodesDto(IReadOnlyList<string> Codes);

/// <summary>
/// A code by time as second factor (RFC 6238, by its library: SHA-1, six digits, steps of 30 s, one step of drift to
/// either side), with recovery codes for a lost phone.
/// </summary>
internal sealed class SecondFactor(IDataProtectionProvider protection, TimeProvider time)
{
    private const int SecretBytes = 20,
        Codes = 10,
        CodeCharacters = 10;

    private readonly IDataProtector protector = protection.CreateProtector("second factor");

    public static FactorDto State(Db db, Guid account) =>
        FactorStore.Find(db, account) is { BegunAt: not null }
            ? new(true, (int)FactorStore.CodesLeft(db, account))
            : new(false, 0);

    public static bool IsOn(Db db, Guid account) => FactorStore.Find(db, account) is { BegunAt: not null };

    /// <summary>Shows a new secret; nothing asks for it before a first code was right.</summary>
    public FactorSecretDto Show(Db db, AccountRow account, string club)
    {
        var secret = KeyGeneration.GenerateRandomKey(SecretBytes);
        FactorStore.Show(db, account.Id, protector.Protect(Convert.ToBase64String(secret)));
        return new(
            Base32Encoding.ToString(secret),
            new OtpUri(OtpType.Totp, secret, account.SignInName, $"Cumbre {club}").ToString()
        );
    }

    /// <summary>Turns it on; null: the code is not the app's.</summary>
    public RecoveryCodesDto? Begin(Db db, Guid account, string code)
    {
        if (!IsRight(db, account, code))
            return null;
        var codes = Enumerable.Range(0, Codes).Select(_ => Tokens.NewReadable(CodeCharacters)).ToArray();
        FactorStore.Begin(db, account, time.GetUtcNow(), codes.Select(c => CodeHash(account, c)));
        return new(codes);
    }

    /// <summary>Takes a code of the app or a recovery code; none is taken twice.</summary>
    /// <returns>Whether it was right, and whether it was a recovery code.</returns>
    public (bool Right, bool Recovery) Take(Db db, Guid account, string code) =>
        IsRight(db, account, code) ? (true, false)
        : FactorStore.TakeCode(db, account, CodeHash(account, code)) ? (true, true)
        : (false, false);

    /// <summary>Salted by the account, whose id is random: no table serves for two of them.</summary>
    private static byte[] CodeHash(Guid account, string code) =>
        SHA256.HashData([.. account.ToByteArray(), .. Tokens.HashReadable(code)]);

    private bool IsRight(Db db, Guid account, string code)
    {
        if (FactorStore.Find(db, account) is not { } factor)
            return false;
        var totp = new Totp(Convert.FromBase64String(protector.Unprotect(factor.Secret)));
        return totp.VerifyTotp(
                time.GetUtcNow().UtcDateTime,
                string.Concat(code.Where(char.IsAsciiDigit)),
                out var step,
                new(previous: 1, future: 1)
            ) && FactorStore.Take(db, account, step);
    }
}

internal static class SecondFactorEndpoints
{
    public static void MapSecondFactor(this IEndpointRouteBuilder api)
    {
        api.MapGet("/me/second-factor", Get).RequireAuthorization(Policies.SignedIn);
        api.MapPost("/me/second-factor", Show).RequireAuthorization(Policies.SignedIn);
        api.MapPut("/me/second-factor", Begin).RequireAuthorization(Policies.SignedIn);
        api.MapPost("/me/second-factor/off", End).RequireAuthorization(Policies.SignedIn);
    }

    private static Ok<FactorDto> Get(ClaimsPrincipal user, Database database) =>
        TypedResults.Ok(database.Read(db => SecondFactor.State(db, Policies.IdOf(user))));

    private static Results<Ok<FactorSecretDto>, ProblemHttpResult> Show(
        FactorRequest request,
        HttpContext http,
        Database database,
        OwnPassword own,
        SecondFactor factor
    )
    {
        var (account, refusal) = own.Check(http, request.Password, "password");
        if (refusal is not null)
            return (ProblemHttpResult)refusal;
        return database.Write<Results<Ok<FactorSecretDto>, ProblemHttpResult>>(db =>
            SecondFactor.IsOn(db, account.Id)
                ? (ProblemHttpResult)Problems.Conflict(Words.FactorThere, null)
                : TypedResults.Ok(factor.Show(db, account, AccountStore.Club(db)!.Name))
        );
    }

    private static Results<Ok<RecoveryCodesDto>, ProblemHttpResult> Begin(
        FactorCodeRequest request,
        ClaimsPrincipal user,
        Database database,
        SecondFactor factor,
        ClubClock clock
    )
    {
        var id = Policies.IdOf(user);
        return database.Write<Results<Ok<RecoveryCodesDto>, ProblemHttpResult>>(db =>
        {
            if (FactorStore.Find(db, id) is not { } shown)
                return (ProblemHttpResult)Problems.Conflict(Words.FactorMissing, null);
            if (shown.BegunAt is not null)
                return (ProblemHttpResult)Problems.Conflict(Words.FactorThere, null);
            if (factor.Begin(db, id, request.Code) is not { } codes)
                return (ProblemHttpResult)Problems.Fields(new FieldError("code", Words.CodeWrong));
            AuditStore.Add(db, new(AuditKind.SecondFactorOn) { Subject = id }, clock.Stamp(id));
            return TypedResults.Ok(codes);
        });
    }

    private static IResult End(
        FactorOffRequest request,
        HttpContext http,
        Database database,
        OwnPassword own,
        SecondFactor factor,
        ClubClock clock
    )
    {
        var (account, refusal) = own.Check(http, request.Password, "password");
        if (refusal is not null)
            return refusal;
        return database.Write<IResult>(db =>
        {
            if (!SecondFactor.IsOn(db, account.Id))
                return Problems.Conflict(Words.FactorMissing, null);
            if (!factor.Take(db, account.Id, request.Code).Right)
                return Problems.Fields(new FieldError("code", Words.CodeWrong));
            FactorStore.Remove(db, account.Id);
            AuditStore.Add(db, new(AuditKind.SecondFactorOff) { Subject = account.Id }, clock.Stamp(account.Id));
            return Results.NoContent();
        });
    }
}

/// <summary>Asks somebody who is signed in for their password again, before what a stranger at their device must not do.</summary>
internal sealed class OwnPassword(Database database, Throttle throttle, IPasswordHasher<AccountRow> hasher)
{
    /// <returns>The account; a refusal: the password is wrong, or tries wait.</returns>
    public (AccountRow Account, IResult? Refusal) Check(HttpContext http, string password, string field)
    {
        var account = database.Read(db => AccountStore.ById(db, Policies.IdOf(http.User)))!;
        var brakes = throttle.Of(http, account.Id, account.SignInName);
        if (throttle.Begin(http, brakes) is { } wait)
            return (account, wait);
        if (
            account.PasswordHash is not { } hash
            || hasher.VerifyHashedPassword(account, hash, password) == PasswordVerificationResult.Failed
        )
            return (account, Problems.Fields(new FieldError(field, Words.PasswordWrong)));
        throttle.Succeed(brakes);
        return (account, null);
    }
}
