using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Audit;

namespace Cumbre.Server.Privacy;

/// <summary>
/// Whether the date of the machine can be believed: what is erased by date alone is not erased because a clock was set
/// wrong. After a leap it is believed once the machine has run on with it for three days.
/// </summary>
internal sealed class ClockWatch(TimeProvider time, ClubClock clock, Database database)
{
    /// <summary>This project's choices.</summary>
    private static readonly TimeSpan Leap = TimeSpan.FromDays(1),
        LongQuiet = TimeSpan.FromDays(60),
        Settling = TimeSpan.FromDays(3);

    private (DateTimeOffset Wall, long Stamp)? begun;
    private long? doubtedSince;

    /// <summary>Looks at the clock as well; asked from one thread.</summary>
    public bool IsBelieved()
    {
        var (wall, stamp) = (time.GetUtcNow(), time.GetTimestamp());
        if (begun is not { } from)
        {
            // A club in which nothing was noted for so long was off, or its clock has leapt while it was.
            if (database.Read(AuditStore.NewestAt) is { } last && (clock.Now - last).Duration() > LongQuiet)
                doubtedSince = stamp;
        }
        else if ((wall - from.Wall - time.GetElapsedTime(from.Stamp, stamp)).Duration() > Leap)
            doubtedSince = stamp;

        begun = (wall, stamp);
        if (doubtedSince is { } since && time.GetElapsedTime(since, stamp) >= Settling)
            doubtedSince = null;
        return doubtedSince is null;
    }
}
