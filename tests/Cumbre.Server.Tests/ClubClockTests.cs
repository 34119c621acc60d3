using System.Globalization;
using Cumbre.Server.Hosting;
using Cumbre.Server.Privacy;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Audit;
using Microsoft.Data.Sqlite;

namespace Cumbre.Server.Tests;

/// <summary>
/// The training day around midnight and on the days on which clocks change. Changes by the time zone database: Madrid
/// 29 March 2026 at 2:00 and 25 October 2026 at 3:00; Santiago de Chile 6 September 2026 at midnight, which does not
/// exist there.
/// </summary>
public sealed class ClubClockTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("cumbre-clock").FullName;

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    private sealed class At(string utc) : TimeProvider
    {
        public override DateTimeOffset GetUtcNow() => DateTimeOffset.Parse(utc, CultureInfo.InvariantCulture);
    }

    private sealed class Leaping(DateTimeOffset start) : TimeProvider
    {
        private TimeSpan run;

        public TimeSpan Off { get; set; }

        public void Run(TimeSpan by) => run += by;

        public override long TimestampFrequency => TimeSpan.TicksPerSecond;

        public override long GetTimestamp() => run.Ticks;

        public override DateTimeOffset GetUtcNow() => start + run + Off;
    }

    // Seen before: a clock that was ten years ahead for an hour erased everybody in the archive.
    [Theory]
    [InlineData(0.9, true)]
    [InlineData(-0.9, true)]
    [InlineData(1.1, false)]
    [InlineData(-1.1, false)]
    [InlineData(3650, false)]
    public void A_date_that_has_leapt_is_believed_after_three_days(double days, bool isBelieved)
    {
        var database = Owned();
        var time = new Leaping(new(2026, 3, 16, 9, 0, 0, TimeSpan.Zero));
        Note(database, time.GetUtcNow());
        var watch = new ClockWatch(time, new(new(folder, false, null), database, time), database);
        Assert.True(watch.IsBelieved());
        time.Run(TimeSpan.FromHours(1));
        Assert.True(watch.IsBelieved());
        time.Run(TimeSpan.FromHours(1));
        time.Off = TimeSpan.FromDays(days);
        Assert.Equal(isBelieved, watch.IsBelieved());
        time.Run(TimeSpan.FromHours(71));
        Assert.Equal(isBelieved, watch.IsBelieved());
        time.Run(TimeSpan.FromHours(1));
        Assert.True(watch.IsBelieved());
        // Set right again it has leapt as well.
        time.Off = TimeSpan.Zero;
        Assert.Equal(isBelieved, watch.IsBelieved());
    }

    [Theory]
    [InlineData(60, true)]
    [InlineData(61, false)]
    [InlineData(-61, false)]
    public void A_club_that_was_off_for_long_believes_its_date_later(int days, bool isBelieved)
    {
        var database = Owned();
        var time = new Leaping(new(2026, 3, 16, 9, 0, 0, TimeSpan.Zero));
        Note(database, time.GetUtcNow().AddDays(-days));
        var watch = new ClockWatch(time, new(new(folder, false, null), database, time), database);
        Assert.Equal(isBelieved, watch.IsBelieved());
        time.Run(TimeSpan.FromDays(3));
        Assert.True(watch.IsBelieved());
    }

    private Database Owned()
    {
        var database = new Database(folder);
        database.Migrate(_ => { });
        database.Write(db =>
        {
            AccountStore.AddClub(db, new("Hall", "Europe/Madrid", "1,3,5"), DateTimeOffset.UnixEpoch);
            return true;
        });
        return database;
    }

    private static void Note(Database database, DateTimeOffset at) =>
        database.Write(db =>
        {
            AuditStore.Add(db, new(AuditKind.SignedIn), at, null);
            return true;
        });

    [Theory]
    [InlineData("Europe/Madrid", "2026-03-16T22:59:59Z", "2026-03-16", "2026-03-15T23:00:00Z")]
    [InlineData("Europe/Madrid", "2026-03-16T23:00:00Z", "2026-03-17", "2026-03-16T23:00:00Z")]
    [InlineData("Europe/Madrid", "2026-03-29T00:30:00Z", "2026-03-29", "2026-03-28T23:00:00Z")]
    [InlineData("Europe/Madrid", "2026-03-29T12:00:00Z", "2026-03-29", "2026-03-28T23:00:00Z")]
    [InlineData("Europe/Madrid", "2026-03-29T22:00:00Z", "2026-03-30", "2026-03-29T22:00:00Z")]
    [InlineData("Europe/Madrid", "2026-10-25T12:00:00Z", "2026-10-25", "2026-10-24T22:00:00Z")]
    [InlineData("Europe/Madrid", "2026-10-25T22:59:59Z", "2026-10-25", "2026-10-24T22:00:00Z")]
    [InlineData("America/Santiago", "2026-09-06T12:00:00Z", "2026-09-06", "2026-09-06T04:00:00Z")]
    [InlineData("Pacific/Kiritimati", "2026-03-16T10:00:00Z", "2026-03-17", "2026-03-16T10:00:00Z")]
    public void A_day_begins_at_the_clubs_midnight(string zone, string now, string day, string began)
    {
        var database = new Database(folder);
        database.Migrate(_ => { });
        database.Write(db =>
        {
            AccountStore.AddClub(db, new("Hall", zone, "1,3,5"), DateTimeOffset.UnixEpoch);
            return true;
        });
        var clock = new ClubClock(new(folder, false, null), database, new At(now));
        Assert.Equal(
            (DateOnly.Parse(day, CultureInfo.InvariantCulture), new At(began).GetUtcNow()),
            (clock.Today, clock.StartOfToday)
        );
    }
}
