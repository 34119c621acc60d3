using Cumbre.Storage;
using Cumbre.Storage.Accounts;

namespace Cumbre.Server.Hosting;

/// <summary>
/// The only clock of the app. Instants are UTC; a training day is a date in the club's time zone. In the demo the day
/// stands
/// still while the time of day goes on, so that the scenario's evening never ends.
/// </summary>
public sealed class ClubClock(CumbreOptions options, Database database, TimeProvider time)
{
    private TimeZoneInfo? zone;

    public DateTimeOffset Now
    {
        get
        {
            var now = time.GetUtcNow();
            return options.Today is { } day
                ? new(day.ToDateTime(TimeOnly.FromDateTime(now.UtcDateTime)), TimeSpan.Zero)
                : now;
        }
    }

    public DateOnly Today => options.Today ?? DayOf(time.GetUtcNow());

    /// <summary>The day of an instant, in the club's zone.</summary>
    public DateOnly DayOf(DateTimeOffset at) => DateOnly.FromDateTime(TimeZoneInfo.ConvertTime(at, Zone).DateTime);

    /// <summary>The instant at which today began.</summary>
    public DateTimeOffset StartOfToday =>
        options.Today is { } day ? new(day.ToDateTime(TimeOnly.MinValue), TimeSpan.Zero) : Began(Today);

    /// <summary>
    /// When a day began in the club's zone: by the offset of its midnight, which is not that of its noon where the
    /// clocks change. Where they skip midnight, with the first instant after it.
    /// </summary>
    public DateTimeOffset Began(DateOnly day)
    {
        var midnight = day.ToDateTime(TimeOnly.MinValue);
        while (Zone.IsInvalidTime(midnight))
            midnight = midnight.AddMinutes(1);
        // Of two midnights the earlier one.
        var offset = Zone.IsAmbiguousTime(midnight)
            ? Zone.GetAmbiguousTimeOffsets(midnight).Max()
            : Zone.GetUtcOffset(midnight);
        return new DateTimeOffset(midnight, offset).ToUniversalTime();
    }

    /// <summary>The club's zone was changed.</summary>
    public void ReadZone() => zone = null;

    private TimeZoneInfo Zone =>
        zone ??= database.Read(AccountStore.Club) is { } club
            ? TimeZoneInfo.FindSystemTimeZoneById(club.TimeZone)
            : TimeZoneInfo.Utc;

    /// <summary>The club's time zone by its IANA name.</summary>
    public string ZoneId => Zone.Id;

    public Stamp Stamp(Guid by) => new(Now, by);
}
