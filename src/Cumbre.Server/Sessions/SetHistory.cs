using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Sessions;

/// <summary>What a set was at some time.</summary>
/// <param name="Set">As it was written.</param>
/// <param name="By">Who wrote it; null: nobody who is known any more.</param>
/// <param name="At">When.</param>
public sealed record SetVersionDto(SetDto Set, string? By, DateTimeOffset At);

/// <summary>A set with all that it was before it was corrected, oldest first.</summary>
internal static class SetHistory
{
    public static Results<Ok<IReadOnlyList<SetVersionDto>>, ProblemHttpResult> Handle(
        Guid athleteId,
        Guid sessionId,
        Guid setId,
        Database database
    )
    {
        var versions = database.Read(db =>
            SessionStore.Find(db, sessionId) is { } session
            && session.AthleteId == athleteId
            && SessionStore.History(db, setId) is { Count: > 0 } found
            && session.Items.Any(i => i.Id == found[^1].Set.ItemId)
                ? found
                    .Select(v => new SetVersionDto(
                        SetDto.Of(v.Set),
                        AccountStore.ById(db, v.Written.By)?.Name,
                        v.Written.At
                    ))
                    .ToArray()
                : null
        );
        return versions is null
            ? (ProblemHttpResult)Problems.NotFound(Words.NoSet)
            : TypedResults.Ok<IReadOnlyList<SetVersionDto>>(versions);
    }
}
