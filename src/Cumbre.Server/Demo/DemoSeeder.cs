using Cumbre.Core.Athletes;
using Cumbre.Core.Decisions;
using Cumbre.Core.Levers;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Server.Hosting;
using Cumbre.Server.Privacy;
using Cumbre.Server.Programmes;
using Cumbre.Server.Standings;
using Cumbre.Simulation;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Audit;
using Cumbre.Storage.Benchmarks;
using Cumbre.Storage.Decisions;
using Cumbre.Storage.Loading;
using Cumbre.Storage.Privacy;
using Cumbre.Storage.Programmes;
using Cumbre.Storage.Sessions;

namespace Cumbre.Server.Demo;

/// <summary>Fills an empty store with the demo club.</summary>
public static class DemoSeeder
{
    private static readonly Guid CoachId = new("01900000-0000-7000-8000-00000000c0a1");
    private static readonly Guid SecondCoachId = new("01900000-0000-7000-8000-00000000c0a2");
    private static readonly Guid GuardianId = new("01900000-0000-7000-8000-00000000b001");
    private static readonly Guid AthleteAccountId = new("01900000-0000-7000-8000-00000000a001");

    public static void Seed(Database database, ClubClock clock, Reconciler reconciler, GrownSize? grown = null) =>
        database.Write(db =>
        {
            if (AccountStore.Club(db) is not null)
                return false;
            AccountStore.AddClub(db, new(DemoClub.Name, "Europe/Madrid", DemoClub.TrainingDays), clock.Now);
            // Without a password nobody signs in by name; the demo's one-press sign-in is the only way.
            AccountStore.Add(
                db,
                new(CoachId, "coach", "Coach at Cochera 9", null, "owner", null, nameof(MassUnit.Kg)),
                clock.Now
            );
            KitStore.Put(db, KitStore.Club, DemoClub.HallBook(clock.Today), 0, new(clock.Now, CoachId));
            if (grown is not null)
            {
                StandingStore.Unmarked(db, () => new GrownClub(db, clock, CoachId).Write(grown));
                return true;
            }

            var athletes = DemoClub.Athletes(clock.Today);
            foreach (var athlete in athletes)
                Store(db, athlete, clock.Today, new(clock.Now, CoachId));
            AccountStore.Add(
                db,
                new(
                    AthleteAccountId,
                    "athlete",
                    athletes[0].Script.Name,
                    null,
                    "athlete",
                    athletes[0].Id,
                    athletes[0].Script.Unit.ToString()
                ),
                clock.Now
            );
            AddPeople(db, athletes, clock);
            foreach (var athlete in athletes)
                reconciler.Run(db, athlete.Id);
            return true;
        });

    /// <summary>A second coach with athletes of her own, the guardian of the youngest, and signed forms.</summary>
    private static void AddPeople(Db db, IReadOnlyList<SimulatedAthlete> athletes, ClubClock clock)
    {
        const int Own = 3;
        var stamp = clock.Stamp(CoachId);
        var coach = new AccountRow(
            SecondCoachId,
            "irune",
            "Irune Basterra",
            null,
            Roles.Coach,
            null,
            nameof(MassUnit.Kg),
            SomeOnly: 1
        );
        AccountStore.Add(db, coach, stamp.At);
        PeopleStore.Give(db, coach.Id, [.. athletes.Take(Own).Select(a => a.Id)], [], clock.Now);
        var youngest = athletes.MaxBy(a => a.Script.BirthYear)!;
        var guardian = new AccountRow(
            GuardianId,
            "guardian",
            $"Maren {youngest.Script.Name.Split(' ')[^1]}",
            null,
            Roles.Guardian,
            null,
            nameof(MassUnit.Kg)
        );
        AccountStore.Add(db, guardian, stamp.At);
        PeopleStore.AddGuardian(db, guardian.Id, youngest.Id, clock.Today.AddYears(1));
        PrivacyStore.Put(db, 0, Consents.Text(db).Text, stamp);
        foreach (var athlete in athletes.Take(Own))
        {
            var consent = new StoredConsent(
                NamedIds.Of(athlete.Id, "consent"),
                athlete.Id,
                ConsentAs.Paper,
                athlete.Script.Name,
                clock.Today,
                1,
                stamp.At,
                stamp.By,
                null
            );
            ConsentStore.Add(db, consent);
            AuditStore.Add(
                db,
                new(AuditKind.ConsentGiven)
                {
                    Athlete = athlete.Id,
                    Subject = consent.Id,
                    After = consent.Name,
                },
                stamp
            );
        }
    }

    private static readonly Core.Programmes.Frame PastWarmUp = new(480, "Wrists, shoulder circles with a stick");

    /// <summary>A decision that was accepted in the evening of its day.</summary>
    internal static void Take(Db db, Guid athlete, Guid id, DateOnly day, Proposal proposal, Guid by)
    {
        var at = new DateTimeOffset(day.ToDateTime(new(20, 0)), TimeSpan.Zero);
        DecisionStore.Add(
            db,
            new(
                id,
                athlete,
                proposal.Movement,
                proposal.Role,
                proposal.Kind,
                proposal.Cause,
                proposal.BasisSessionId,
                DecisionState.Accepted,
                null,
                false,
                proposal
            ),
            new(Guid.CreateVersion7(at), id, DecisionEventKind.Accepted, null, at, by)
        );
    }

    private static void Store(Db db, SimulatedAthlete athlete, DateOnly today, Stamp stamp)
    {
        var script = athlete.Script;
        AthleteStore.Put(
            db,
            new(
                athlete.Id,
                script.Name,
                script.BirthYear,
                script.Sex,
                script.StatureCm,
                MeasuredLengths.None,
                script.Unit,
                script.SchoolOverrides,
                script.Cleared,
                script.Intake.Place == TrainingPlace.Hall ? Kit.Empty : script.Kit,
                0
            )
            {
                Intake = script.Intake,
            },
            stamp.At
        );
        foreach (var (id, reading) in athlete.BodyMasses)
            AthleteStore.AddBodyMass(db, athlete.Id, new(id, reading), stamp);
        foreach (var result in athlete.Results)
            ResultStore.Add(db, athlete.Id, result, stamp);
        if (script.Book is { } book)
            KitStore.Put(db, athlete.Id, book, 0, stamp);
        if (athlete.Block is { } block)
            Blocks.Write(db, athlete.Id, block.Id, block.Block, 0, stamp);
        if (athlete.PastBlock is { } past)
            BlockStore.Put(
                db,
                new(
                    past.Id,
                    athlete.Id,
                    script.PastBlock!.Name,
                    past.Start,
                    script.PastBlock.Weeks,
                    [],
                    0,
                    stamp.At,
                    null
                ),
                stamp
            );
        foreach (
            var items in athlete
                .Sessions.Where(s => athlete.Block?.Block.Weeks.Any(w => w.Sessions.Any(b => b.Id == s.Id)) != true)
                .GroupBy(s => s.Id)
        )
        {
            var session = items.First();
            var stored = new StoredSession(
                session.Id,
                athlete.Id,
                session.Day,
                SessionStatus.Planned,
                session.Easy,
                null,
                0,
                [
                    .. items.Select(i => new StoredItem(i.ItemId, i.Movement, i.Plan, null)
                    {
                        Role = i.Role,
                        Joined = i != session,
                    }),
                ]
            )
            {
                BlockId = athlete.IsOfPast(session) ? athlete.PastBlock?.Id : null,
                Title = athlete.IsOfPast(session) ? script.PastBlock!.Titles[session.Movement] : "",
                WarmUp = athlete.IsOfPast(session) ? PastWarmUp : new(0, null),
            };
            SessionStore.Put(db, stored, stamp);
            if (session.Sets.Count == 0)
                continue;
            SessionStore.Start(
                db,
                stored,
                items.ToDictionary(
                    i => i.ItemId,
                    i => new FrozenPlan([.. i.PlannedLoads.Select(m => m.Kilograms)], i.BodyMass.Kilograms)
                ),
                stamp.At
            );
            foreach (var item in items)
            foreach (var (id, set) in item.Sets)
                SessionStore.AddSet(db, new(id, item.ItemId, set), null, stamp);
            SessionStore.Finish(db, session.Id, stamp.At);
            SessionStore.TellEffort(db, session.Id, session.Effort);
        }

        foreach (var (id, day, proposal) in athlete.Taken)
            Take(db, athlete.Id, id, day, proposal, stamp.By);
        if (script.ClearedStop is { } cleared)
            HealthStore.Add(
                db,
                Guid.CreateVersion7(),
                athlete.Id,
                new(today.AddDays(-cleared.DaysAgo), PainPlace.Read(cleared.Place), cleared.Reason),
                stamp
            );
        foreach (var checkIn in athlete.CheckIns)
            HealthStore.Put(db, athlete.Id, checkIn, stamp);
        foreach (var other in athlete.Others)
            HealthStore.Put(db, athlete.Id, other, stamp);
    }
}
