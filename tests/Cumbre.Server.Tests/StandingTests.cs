using Cumbre.Core.Benchmarks;
using Cumbre.Core.Ladders;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Notation;
using Cumbre.Core.Safety;
using Cumbre.Core.Sessions;
using Cumbre.Server.Demo;
using Cumbre.Server.Hosting;
using Cumbre.Server.Standings;
using Cumbre.Simulation;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Benchmarks;
using Cumbre.Storage.Ladders;
using Cumbre.Storage.Loading;
using Cumbre.Storage.Sessions;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.Logging.Abstractions;

namespace Cumbre.Server.Tests;

/// <summary>
/// The log is the truth: whatever is written, what is kept beside it is what the whole log says. A thousand histories are
/// tried by <c>CUMBRE_HISTORIES=1000</c>, a few in every run.
/// </summary>
public sealed class StandingTests : IDisposable
{
    private const int AthleteCount = 2,
        Steps = 16,
        FewHistories = 12,
        HistoriesOfClub = 40;

    private static readonly Guid Coach = new("01900000-0000-7000-8000-00000000c0a1");

    private readonly string folder = Directory.CreateTempSubdirectory("cumbre-standing-").FullName;
    private Database database;
    private readonly SeededIds ids = new(new Random(4711));
    private Random random = new(0);
    private DateOnly today = new(2026, 3, 16);

    public StandingTests() => database = new(folder);

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    private ClubClock Clock => new(new(folder, true, today), database, TimeProvider.System);

    private Stamp Now => new(Clock.Now, Coach);

    private void Start()
    {
        database.Migrate(_ => { });
        database.Write(db =>
        {
            AccountStore.AddClub(db, new("Hall", "Europe/Madrid", "1,3,5"), Clock.Now);
            KitStore.Put(db, KitStore.Club, DemoClub.HallBook(today), 0, Now);
            new GrownClub(db, Clock, Coach).Write(new(AthleteCount, 1));
            return true;
        });
    }

    [Fact]
    public void What_is_kept_is_what_the_whole_log_says_after_any_history()
    {
        Start();
        var histories = int.TryParse(Environment.GetEnvironmentVariable("CUMBRE_HISTORIES"), out var many)
            ? many
            : FewHistories;
        Settled();
        for (var seed = 0; seed < histories; seed++)
        {
            // A club that has gone through many histories has a long log; the next ones begin with a new one.
            if (seed > 0 && seed % HistoriesOfClub == 0)
            {
                database = new(Path.Combine(folder, $"{seed}"));
                Start();
                Settled();
            }

            random = new(seed);
            var told = new List<string>();
            for (var step = 0; step < Steps; step++)
                told.Add(Step());
            Settled();
            Assert.Equal(Rebuilt(), Kept());
            Assert.NotEmpty(told);
        }
    }

    // Each kind of write by itself leaves what it touches fresh when it is answered, except those for everybody.
    [
        Theory,
        InlineData(0),
        InlineData(1),
        InlineData(2),
        InlineData(3),
        InlineData(4),
        InlineData(5),
        InlineData(6),
        InlineData(11)
    ]
    public void A_write_about_one_athlete_leaves_nothing_stale(int kind)
    {
        Start();
        Settled();
        database.Consequences = Keeper();
        random = new(kind);
        var told = Do(kind);
        Assert.True(database.Read(StandingStore.Stale).Count == 0, told);
        Assert.Equal(Rebuilt(), Kept());
    }

    // What is kept of somebody passes for right while it is worked out, and no longer: not when the write comes to nothing.
    [Fact]
    public void A_write_that_comes_to_nothing_is_followed_by_nothing()
    {
        Start();
        Settled();
        Assert.Throws<InvalidOperationException>(() =>
            database.Write<bool>(
                db =>
                {
                    AthleteStore.AddBodyMass(db, Anyone(db), new(ids.Next(today), new(today, Mass())), Now);
                    Assert.Single(StandingStore.Stale(db));
                    return true;
                },
                _ => throw new InvalidOperationException()
            )
        );
        Assert.Empty(database.Read(db => db.Following));
        Assert.Empty(database.Read(StandingStore.Stale));
    }

    [Fact]
    public void A_set_of_a_session_that_goes_on_changes_nothing_that_stands()
    {
        Start();
        Settled();
        var session = Session(today, SessionStatus.Started);
        Settled();
        var before = Kept();
        database.Write(db =>
        {
            SessionStore.AddSet(db, new(ids.Next(today), session.Items[0].Id, Set(2)), null, Now);
            Assert.Empty(StandingStore.Stale(db));
            return true;
        });
        Assert.Equal(before, Kept());
    }

    [Fact]
    public void After_a_set_of_a_past_day_only_its_session_is_read_again()
    {
        Start();
        Settled();
        var session = Session(today.AddDays(-2), SessionStatus.Done);
        Settled();
        var asked = new List<string>();
        database.Asked = asked.Add;
        database.Consequences = Keeper();
        Write(db => SessionStore.AddSet(db, new(ids.Next(today), session.Items[0].Id, Set(2)), null, Now));
        database.Asked = null;
        string[] sets = [.. asked.Where(sql => sql.Contains("set_no, l.part_no", StringComparison.Ordinal)).Distinct()];
        Assert.Contains("WHERE i.session_id = @id", Assert.Single(sets), StringComparison.Ordinal);
        Assert.Equal(2, Done(session).Sets.Count);
        Assert.Equal(Rebuilt(), Kept());
    }

    // What was rolled back is in nobody's way, although the next set makes as many.
    [Fact]
    public void A_set_that_was_not_kept_is_not_remembered()
    {
        Start();
        Settled();
        var session = Session(today.AddDays(-2), SessionStatus.Done);
        Settled();
        Assert.Single(Done(session).Sets);
        foreach (var (reps, commit) in new[] { (3, false), (5, true) })
            database.Write(
                db =>
                {
                    var set = new LoggedSet(2, 1, reps, MassEntry.Kg(0), 1, FormVerdict.Clean);
                    SessionStore.AddSet(db, new(ids.Next(today), session.Items[0].Id, set), null, Now);
                    Assert.Equal(reps, Of(db, session).Sets[1].Reps);
                    return true;
                },
                _ => commit
            );
        Assert.Equal(5, Done(session).Sets[1].Reps);
    }

    private Exposure Done(StoredSession session) => database.Read(db => Of(db, session));

    private Exposure Of(Db db, StoredSession session) =>
        SnapshotStore
            .Load(db, session.AthleteId, today)!
            .Value.Snapshot.Exposures.Single(e => e.SessionId == session.Id);

    private StandingKeeper Keeper() => new(database, Clock, new Reconciler(Clock), NullLogger<StandingKeeper>.Instance);

    private void Settled()
    {
        var keeper = Keeper();
        database.Consequences = keeper;
        while (keeper.Advance()) { }
    }

    private string Step() => Do(random.Next(13));

    /// <summary>One write of a kind; 7 and over concern everybody, or let days pass.</summary>
    private string Do(int kind)
    {
        switch (kind)
        {
            case 0:
                Session(Past(), SessionStatus.Done);
                return "a session of a past day";
            case 1:
                return Correct();
            case 2:
                Write(db => AthleteStore.AddBodyMass(db, Anyone(db), new(ids.Next(today), new(Past(), Mass())), Now));
                return "a body mass";
            case 3:
                Write(db =>
                {
                    var id = Anyone(db);
                    if (AthleteStore.BodyMasses(db, id) is [_, _, ..] masses)
                        AthleteStore.RemoveBodyMass(db, id, masses[random.Next(masses.Count - 1)].Id);
                });
                return "a body mass less";
            case 4:
                Write(db =>
                    ResultStore.Add(
                        db,
                        Anyone(db),
                        new(
                            ids.Next(today),
                            "pull-up-max",
                            Past(),
                            Score.OfReps(3 + random.Next(15)),
                            MassEntry.Kg(0),
                            0,
                            Core.Measures.Mass.FromKilograms(70),
                            FormVerdict.Clean
                        ),
                        Now
                    )
                );
                return "a test";
            case 5:
                Write(db =>
                {
                    var id = Anyone(db);
                    if (ResultStore.Of(db, id) is { Count: > 0 } results)
                        ResultStore.Remove(db, id, results[random.Next(results.Count)].Result.Id);
                });
                return "a test less";
            case 6:
                Write(db =>
                    HealthStore.Put(
                        db,
                        Anyone(db),
                        new CheckIn(ids.Next(today), Past(), 7, 3, 6, false)
                        {
                            Pain = [new(4 + random.Next(4), PainPlace.Read("left wrist"), null)],
                        },
                        Now
                    )
                );
                return "pain at a check-in";
            case 7:
                Write(db =>
                    HealthStore.Add(
                        db,
                        ids.Next(today),
                        Anyone(db),
                        new(today, PainPlace.Read("left wrist"), "seen"),
                        Now
                    )
                );
                return "a stop is cleared";
            case 8:
                Write(db => KitStore.Put(db, KitStore.Club, DemoClub.HallBook(today), Version(db), Now));
                return "the club's kit";
            case 9:
                Write(db =>
                {
                    var entry = Atlas.ShippedFile.Ladders[random.Next(Atlas.ShippedFile.Ladders.Count)];
                    var version = CatalogueStore.Ladder(db, entry.Slug) is [var newest, ..] ? newest.Version : 0;
                    CatalogueStore.Add(db, CatalogueKind.Ladder, entry.Slug, version, entry, entry, "as it was", Now);
                });
                return "a ladder";
            case 10:
                Write(db =>
                {
                    var profile = AthleteStore.Find(db, Anyone(db))!;
                    AthleteStore.Put(
                        db,
                        profile with
                        {
                            SchoolOverrides = new Dictionary<string, string>
                            {
                                ["increase"] = random.Next(2) == 0 ? "one-clean-session" : "two-in-a-row",
                            },
                        },
                        Clock.Now
                    );
                });
                return "a school";
            case 11:
                return TakeBack();
            default:
                today = today.AddDays(1 + random.Next(12));
                return "days pass";
        }
    }

    /// <summary>Some set of a finished session of somebody.</summary>
    private StoredSet? AnySet(Db db)
    {
        var done = SessionStore
            .Since(db, Anyone(db), DateOnly.MinValue)
            .Where(s => s.Status == SessionStatus.Done)
            .ToArray();
        var sets = SessionStore.Sets(db, done[random.Next(done.Length)].Id).SelectMany(s => s).ToArray();
        return sets.Length == 0 ? null : sets[random.Next(sets.Length)];
    }

    /// <summary>A set is taken back, and the rest of its item left out.</summary>
    private string TakeBack()
    {
        Write(db =>
        {
            if (AnySet(db) is not { } old)
                return;
            SessionStore.Withdraw(db, old, ids.Next(today), Now);
            SessionStore.End(db, old.ItemId, "time is up");
        });
        return "a set that is taken back";
    }

    private string Correct()
    {
        Write(db =>
        {
            if (AnySet(db) is not { } old)
                return;
            SessionStore.AddSet(
                db,
                new(
                    ids.Next(today),
                    old.ItemId,
                    new(
                        old.Set.Set,
                        old.Set.Part,
                        old.Set.Seconds is null ? 1 + random.Next(14) : 1,
                        old.Set.Added,
                        old.Set.Reserve,
                        random.Next(4) == 0 ? FormVerdict.Broken : FormVerdict.Clean,
                        random.Next(5) == 0 ? random.Next(8) : null,
                        "right knee",
                        old.Set.Seconds is null ? null : 2 + random.Next(20)
                    )
                ),
                old.Id,
                Now
            );
        });
        return "a correction";
    }

    private StoredSession Session(DateOnly day, SessionStatus status)
    {
        StoredSession session = null!;
        Write(db =>
        {
            var plan = NotationParser.Parse("2 x 8").Plan!;
            var item = ids.Next(day);
            session = new(
                ids.Next(day),
                Anyone(db),
                day,
                SessionStatus.Planned,
                random.Next(4) == 0,
                null,
                0,
                [new(item, random.Next(2) == 0 ? "pull-up" : "push-up", plan, null)]
            );
            SessionStore.Put(db, session, Now);
            SessionStore.Start(db, session, new Dictionary<Guid, FrozenPlan> { [item] = new([0, 0], 70) }, Now.At);
            SessionStore.AddSet(db, new(ids.Next(day), item, Set(1)), null, Now);
            if (status == SessionStatus.Done)
                SessionStore.Finish(db, session.Id, Now.At);
        });
        return session;
    }

    private LoggedSet Set(int number) =>
        new(number, 1, 1 + random.Next(16), MassEntry.Kg(0), random.Next(3), FormVerdict.Clean);

    private void Write(Action<Db> work) =>
        database.Write(db =>
        {
            work(db);
            return true;
        });

    private Guid Anyone(Db db) => AthleteStore.Everyone(db)[random.Next(AthleteCount)].Id;

    private DateOnly Past() => today.AddDays(-1 - random.Next(360));

    private MassEntry Mass() => MassEntry.Kg(60 + random.Next(20));

    private static int Version(Db db) => (int)KitStore.Of(db, KitStore.Club).Version;

    private IReadOnlyList<string> Kept() => database.Read(Rows);

    /// <summary>All of it thrown away and made again from the log, and then left as it was.</summary>
    private IReadOnlyList<string> Rebuilt() =>
        database.Write(
            db =>
            {
                StandingStore.Clear(db);
                foreach (var athlete in AthleteStore.Everyone(db))
                    Standing.Derive(db, athlete.Id, Clock);
                return Rows(db);
            },
            _ => false
        );

    private IReadOnlyList<string> Rows(Db db) =>
        [
            .. StandingStore
                .All(db, today, Standing.Rules, archived: false)
                .SelectMany(s =>
                    new[] { $"{s.AthleteId} {s.Fresh}", StandingStore.Json(db, s.AthleteId).ToString()! }
                        .Concat(StandingStore.Evidence(db, s.AthleteId).Select(e => $"{e.Id} {e}").Order())
                        .Append(StandingStore.GatheredOf(db, s.AthleteId).ToString())
                ),
        ];
}
