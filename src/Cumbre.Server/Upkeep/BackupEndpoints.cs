using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Audit;
using Cumbre.Storage.Backups;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Upkeep;

/// <param name="Folder">Where they lie on the machine.</param>
/// <param name="Daily">They are made by themselves.</param>
/// <param name="Backups">The newest first.</param>
/// <param name="Trouble">Why the newest try failed; null: it went well.</param>
/// <param name="Kept">How many of each kind the rotation keeps.</param>
public sealed record BackupsDto(
    string Folder,
    bool Daily,
    IReadOnlyList<Backup> Backups,
    BackupTrouble? Trouble,
    RotationDto Kept
);

/// <param name="Days">The newest of the daily ones.</param>
/// <param name="Weeks">Of so many weeks the newest one.</param>
/// <param name="Months">Of so many months the newest one.</param>
/// <param name="Asked">Made by hand.</param>
/// <param name="Others">Made before an update, and before a restore.</param>
public sealed record RotationDto(int Days, int Weeks, int Months, int Asked, int Others);

/// <param name="Password">Of whoever asks.</param>
public sealed record BackupRestoreRequest(string Password);

internal static class BackupEndpoints
{
    public static void MapBackups(this IEndpointRouteBuilder api)
    {
        api.MapGet("/backups", List).RequireAuthorization(Policies.Owner);
        api.MapPost("/backups", Make).RequireAuthorization(Policies.Owner);
        api.MapGet("/backups/{name}/preview", Preview).RequireAuthorization(Policies.Owner);
        api.MapPost("/backups/{name}/restore", Restore).RequireAuthorization(Policies.Owner);
    }

    private static Ok<BackupsDto> List(ClubFiles files, BackupKeeper keeper, CumbreOptions options) =>
        TypedResults.Ok(Read(files, keeper, options));

    private static BackupsDto Read(ClubFiles files, BackupKeeper keeper, CumbreOptions options) =>
        new(
            files.Shelf.Folder,
            !options.Demo,
            files.Shelf.All(),
            keeper.Trouble,
            new(Rotation.Days, Rotation.Weeks, Rotation.Months, Rotation.Asked, Rotation.Migrations)
        );

    private static Results<Ok<BackupsDto>, ProblemHttpResult> Make(
        HttpContext http,
        ClubFiles files,
        BackupKeeper keeper,
        CumbreOptions options,
        Database database,
        ClubClock clock
    )
    {
        if (options.IsSample)
            return (ProblemHttpResult)Problems.Conflict(Words.SampleHasNoBackups, null);
        try
        {
            var made = keeper.Make(BackupKind.Asked);
            database.Write(db =>
            {
                AuditStore.Add(
                    db,
                    new(AuditKind.BackupMade) { After = made.Name },
                    clock.Stamp(Policies.IdOf(http.User))
                );
                return true;
            });
            return TypedResults.Ok(Read(files, keeper, options));
        }
        catch (BackupException e)
        {
            return (ProblemHttpResult)Results.Problem(Problems.Of(507, Words.BackupFailed(e.Message)));
        }
    }

    private static Results<Ok<RestorePreview>, ProblemHttpResult> Preview(
        string name,
        ClubFiles files,
        ClubClock clock
    ) =>
        files.Shelf.Find(name) is not { } backup
            ? (ProblemHttpResult)Problems.NotFound(Words.NoBackup)
            : Try(() => TypedResults.Ok(files.Preview(backup, clock.Now)));

    /// <summary>Makes it ready and begins anew: everybody signs in again.</summary>
    private static Results<Ok<RestorePreview>, ProblemHttpResult> Restore(
        string name,
        BackupRestoreRequest request,
        HttpContext http,
        ClubFiles files,
        ClubClock clock,
        OwnPassword own,
        CumbreOptions options,
        Restart restart
    )
    {
        // In the demo nobody has a password.
        if (!options.Demo && own.Check(http, request.Password, "password").Refusal is { } refusal)
            return (ProblemHttpResult)refusal;
        if (files.Shelf.Find(name) is not { } backup)
            return (ProblemHttpResult)Problems.NotFound(Words.NoBackup);
        return Try(() =>
        {
            var preview = files.Prepare(backup, Policies.IdOf(http.User), clock.Now);
            restart.Ask();
            return TypedResults.Ok(preview);
        });
    }

    private static Results<Ok<RestorePreview>, ProblemHttpResult> Try(
        Func<Results<Ok<RestorePreview>, ProblemHttpResult>> work
    )
    {
        try
        {
            return work();
        }
        catch (Exception e) when (e is BackupException or FileTroubleException)
        {
            return (ProblemHttpResult)Problems.Conflict(Words.NotRestored(e.Message), null);
        }
    }
}
