using System.Security.Claims;
using System.Text.RegularExpressions;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;

namespace Cumbre.Server.Accounts;

internal static partial class SetHabits
{
    public static IResult Handle(Habits habits, ClaimsPrincipal user, Database database)
    {
        if (habits.Locale is { } locale && !LanguageAndRegion().IsMatch(locale))
            throw Problems.Field("locale", Words.WordUnknown);
        if (habits.Hours is not (null or 12 or 24))
            throw Problems.Field("hours", Words.WordUnknown);
        if (habits.FirstDay is < 1 or > 7)
            throw Problems.Field("firstDay", Words.OutOfRange(habits.FirstDay.Value, 1, 7));
        database.Write(db =>
        {
            AccountStore.SetHabits(db, Policies.IdOf(user), habits);
            return true;
        });
        return Results.NoContent();
    }

    [GeneratedRegex("^[a-z]{2,3}-([A-Z]{2}|[0-9]{3})$")]
    private static partial Regex LanguageAndRegion();
}
