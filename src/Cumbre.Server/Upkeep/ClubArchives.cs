using System.Security.Claims;
using Cumbre.Server.Accounts;
using Cumbre.Server.Exchange;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Exchange;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Upkeep;

/// <summary>The whole club as one file, which an empty club reads at the machine.</summary>
internal static class ClubArchives
{
    public static void MapClubArchive(this IEndpointRouteBuilder api) =>
        api.MapGet("/club/archive", Get).RequireAuthorization(Policies.Owner);

    private static FileStreamHttpResult Get(
        ClaimsPrincipal user,
        Database database,
        ClubClock clock,
        CumbreOptions options
    )
    {
        var name = $"cumbre-{clock.Today:yyyy-MM-dd}.club.zip";
        Exports.Note(database, clock, user, null, name);
        // Beside the file of the club, for its owner alone, and gone with the answer.
        var path = Path.Combine(options.Data, $"{Guid.CreateVersion7():N}.club.zip.part");
        var file = new FileStream(
            path,
            new FileStreamOptions
            {
                Mode = FileMode.CreateNew,
                Access = FileAccess.ReadWrite,
                Options = FileOptions.DeleteOnClose,
            }
        );
        try
        {
            ClubFolder.Guard(path);
            WholeClub.Write(database, file, clock.Today);
            file.Position = 0;
            return TypedResults.File(file, "application/zip", name);
        }
        catch
        {
            file.Dispose();
            throw;
        }
    }
}
