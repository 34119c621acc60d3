using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Privacy;

namespace Cumbre.Server.Privacy;

/// <summary>
/// Nothing new is recorded of somebody whose consent was withdrawn. Who never gave one in writing is trained all the
/// same: the club may hold it on paper.
/// </summary>
internal static class Recording
{
    /// <exception cref="ConflictException">Consent was withdrawn.</exception>
    public static void Check(Db db, Guid athleteId)
    {
        if (ConsentStore.WithdrawnAt(db, athleteId) is { } at)
            throw new ConflictException(Words.ConsentWithdrawn(DateOnly.FromDateTime(at.UtcDateTime)), null);
    }

    /// <summary>Of every write to an address of an athlete; where they stand in the body, handlers ask themselves.</summary>
    public static IApplicationBuilder UseConsent(this IApplicationBuilder app) =>
        app.Use(
            async (context, next) =>
            {
                if (
                    !Policies.IsReading(context)
                    && Policies.AthleteOf(context) is { } athlete
                    && context.GetEndpoint()?.Metadata.GetMetadata<WithoutConsent>() is null
                )
                    context
                        .RequestServices.GetRequiredService<Database>()
                        .Read(db =>
                        {
                            Check(db, athlete);
                            return true;
                        });
                await next();
            }
        );
}
