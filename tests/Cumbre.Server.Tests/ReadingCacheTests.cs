using Cumbre.Storage;

namespace Cumbre.Server.Tests;

/// <summary>What is kept of the athletes that were read last.</summary>
public sealed class ReadingCacheTests
{
    private static readonly DateOnly Today = new(2026, 3, 16);

    private static readonly Guid Ana = Guid.NewGuid(),
        Bo = Guid.NewGuid(),
        Cy = Guid.NewGuid();

    private static ReadingKey Key<T>(Guid whose, long seq = 1) => new(typeof(T), whose, seq, Today);

    [Fact]
    public void The_athlete_who_was_asked_for_longest_ago_is_let_go()
    {
        var cache = new ReadingCache(2);
        cache.Keep(Key<string>(Ana), "ana");
        cache.Keep(Key<string>(Bo), "bo");
        Assert.Equal("ana", cache.Find<string>(Key<string>(Ana)));
        cache.Keep(Key<string>(Cy), "cy");
        Assert.Null(cache.Find<string>(Key<string>(Bo)));
        Assert.Equal("ana", cache.Find<string>(Key<string>(Ana)));
        Assert.Equal("cy", cache.Find<string>(Key<string>(Cy)));
    }

    [Fact]
    public void Several_readings_of_one_athlete_take_one_place()
    {
        var cache = new ReadingCache(1);
        cache.Keep(Key<string>(Ana), "ana");
        cache.Keep(Key<Version>(Ana), new Version(1, 0));
        Assert.NotNull(cache.Find<string>(Key<string>(Ana)));
        Assert.NotNull(cache.Find<Version>(Key<Version>(Ana)));
    }

    [Fact]
    public void A_reading_of_another_state_lets_go_of_all_that_was_read_before()
    {
        var cache = new ReadingCache();
        cache.Keep(Key<string>(Ana), "old");
        cache.Keep(Key<Version>(Ana), new Version(1, 0));
        cache.Keep(Key<string>(Ana, 2), "new");
        Assert.Equal("new", cache.Find<string>(Key<string>(Ana, 2)));
        Assert.Null(cache.Find<Version>(Key<Version>(Ana)));
        Assert.Null(cache.Find<Version>(Key<Version>(Ana, 2)));
    }

    [Fact]
    public void What_a_write_read_is_given_on_when_it_is_kept()
    {
        var (own, all) = (new ReadingCache(), new ReadingCache());
        own.Keep(Key<string>(Ana, 2), "new");
        own.Keep(Key<string>(Bo), "bo");
        all.Keep(Key<string>(Ana), "old");
        own.GiveTo(all);
        Assert.Equal("new", all.Find<string>(Key<string>(Ana, 2)));
        Assert.Equal("bo", all.Find<string>(Key<string>(Bo)));
        own.Clear();
        Assert.Null(own.Find<string>(Key<string>(Bo)));
    }
}
