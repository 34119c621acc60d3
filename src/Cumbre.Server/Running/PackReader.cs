using Cumbre.Core.Loading;
using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes;
using Cumbre.Core.Programmes.Generation;
using Cumbre.Core.Programmes.Groups;
using Cumbre.Core.Sessions;
using Cumbre.Server.Programmes;
using Cumbre.Server.Reading;
using Cumbre.Server.Sessions;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Sessions;

namespace Cumbre.Server.Running;

/// <summary>Makes packs: everything that a session may ask of the rules is answered beforehand.</summary>
/// <param name="athlete">Whose.</param>
/// <param name="profile">Whose.</param>
/// <param name="today">Today.</param>
/// <param name="seal">Null: the pack is only looked at, without other forms and loads to choose from.</param>
internal sealed class PackReader(AthleteAtWork athlete, AthleteProfile profile, DateOnly today, PackSeal? seal)
{
    /// <summary>Loads so far over the heaviest planned one can be chosen at the bar, in kg.</summary>
    private const decimal ChoicesOver = 10;

    /// <summary>So many loads can be chosen from at most, the heaviest of them.</summary>
    private const int ChoicesMost = 40;

    private readonly Alternates easier = new(athlete, DoseRules.Shipped, GeneratorRules.Shipped);
    private readonly Lazy<IReadOnlyList<LoadRung>> rungs = new(() => LoadLadder.Of(athlete.Athlete.Kit));

    public SessionPack Read(Db db, StoredSession session)
    {
        var dose = DoseReader.Of(Blocks.SessionOf(session), athlete);
        var sets = SessionStore.Sets(db, session.Id);
        var was = SessionStore.Superseded(db, session.Id);
        Made[] items = [.. session.Items.Select(i => Item(session, i, [.. sets[i.Id]], was))];
        var checkIn = athlete.Athlete.CheckIns.LastOrDefault(c => c.Day == session.Day);
        return new(
            session.Id,
            session.AthleteId,
            profile.Name,
            profile.Unit,
            session.Day,
            session.Title,
            session.Status,
            session.Easy,
            session.Version,
            session.WarmUp,
            session.CoolDown,
            dose.Seconds,
            [.. items.Select(i => i.Item)],
            Walk.Of(dose.Groups),
            HeldBack.Table([.. session.Items.Select(i => (MovementOf(i.Movement), IsLoaded(i.Plan)))]),
            PackLimits.Now,
            checkIn is null ? null : CheckInDto.Of(checkIn),
            session.Effort,
            session.BegunAt,
            seal?.Write(
                new(
                    session.Id,
                    session.AthleteId,
                    session.Day,
                    session.Title,
                    session.Easy,
                    session.Version,
                    [.. items.SelectMany(i => i.Sealed)]
                )
            )
                ?? ""
        );
    }

    private sealed record Made(PackItem Item, IReadOnlyList<SealedItem> Sealed);

    private Made Item(
        StoredSession session,
        StoredItem item,
        IReadOnlyList<StoredSet> sets,
        IReadOnlyDictionary<Guid, StoredSet> was
    )
    {
        var movement = MovementOf(item.Movement);
        // Once begun, the athlete keeps the plan as it was shown, whatever changes around it.
        var reading = item.Plan is { } plan
            ? PlanReader.Read(athlete, item.Movement, plan, today, session.OverrideReason)
            : null;
        var shown = item.Frozen?.ShownJson is { } json ? ResolvedDto.Kept.Read(json) : reading?.Dto;
        var before = athlete
            .Athlete.Exposures.Where(e => e.Movement == item.Movement && e.Day <= session.Day)
            .ToArray();
        var earlier = before.LastOrDefault(e => e.SessionId != session.Id);
        var known = before.Aggregate(SetUpNotes.None, (all, e) => e.SetUp.Over(all));
        var told = sets.Aggregate(SetUpNotes.None, (all, s) => s.Set.SetUp.Over(all));
        Alternative[] alternates =
            seal is null
            || session.Status == SessionStatus.Done
            || movement is null
            || item.Plan is null
            || item.InsteadOf is not null
                ? []
                : [.. AlternatesOf(item, movement, item.Plan)];
        var held = movement is null ? null : athlete.Holding(movement, IsLoaded(item.Plan));
        return new(
            new(
                item.Id,
                PackMovement.Of(item.Movement, movement, item.Plan, athlete),
                item.Joined,
                shown is null ? null : PackPlan.Of(shown, item.Plan!, movement),
                shown is null ? reading?.Problem : null,
                item.Line,
                [.. sets.Select(s => SetDto.Of(s, was.GetValueOrDefault(s.Id)))],
                told.Over(SetUpNotes.Planned(item.Plan?.SetUp, movement?.SetUp ?? [])).Over(known).Parts,
                earlier is null
                    ? null
                    : new(
                        earlier.Day,
                        [.. earlier.Sets.Select(s => SetDto.Of(new StoredSet(Guid.Empty, Guid.Empty, s)))]
                    ),
                held is null ? null : new(held.Place.Said, held.Level, held.Stopped),
                reading?.Cautions ?? [],
                seal is null ? [] : ChoicesFor(movement, item.Plan, shown),
                [.. alternates.Select(a => a.Shown)],
                item.Skipped,
                item.Ended,
                item.InsteadOf
            ),
            shown is null || seal is null
                ? []
                : [SealedOf(item, reading, alternates), .. alternates.Select(a => a.Sealed).OfType<SealedItem>()]
        );
    }

    /// <summary>The item as it is shown; one that has begun keeps what was frozen.</summary>
    private static SealedItem SealedOf(StoredItem item, PlanReading? reading, IReadOnlyList<Alternative> alternates)
    {
        var easy = alternates.FirstOrDefault(a => a.Shown.Kind == AlternateKind.Easy);
        return new(
            item.Id,
            item.Movement,
            PrescriptionJson.Write(item.Plan!),
            item.Joined,
            item.Role,
            item.Relief,
            item.Frozen ?? PlanFreezer.Of(reading!)!,
            item.InsteadOf,
            easy is null ? null : PrescriptionJson.Write(easy.Plan),
            easy?.Frozen
        );
    }

    /// <param name="Shown">As it goes out.</param>
    /// <param name="Plan">Its plan.</param>
    /// <param name="Frozen">Its loads.</param>
    /// <param name="Sealed">As an item of its own; null: it takes the item's place as a whole.</param>
    private sealed record Alternative(PackAlternate Shown, Prescription Plan, FrozenPlan Frozen, SealedItem? Sealed);

    private IEnumerable<Alternative> AlternatesOf(StoredItem item, Movement movement, Prescription plan)
    {
        if (item.BeforeEasy is null && Adjust.EasyVersion(plan) is var easy && easy != plan)
        {
            if (Resolved(item, AlternateKind.Easy, [], movement, easy) is { } version)
                yield return version;
        }

        var forPain = Enum.GetValues<BodyPlace>()
            .Where(p => p != BodyPlace.Hand)
            .GroupBy(p => Easing.Of(athlete, movement, plan, new PainPlace(p, null, "")));
        foreach (var form in forPain)
        {
            if (
                MovementOf(form.Key.Movement) is { } eased
                && Resolved(item, AlternateKind.Eased, [.. form], eased, form.Key.Plan) is { } found
            )
                yield return found;
        }

        if (
            easier.Of(movement, plan) is { } alternate
            && UsualDose.Read(alternate.Line) is var lighter
            && Resolved(item, AlternateKind.Easier, [], alternate.Movement, lighter) is { } other
        )
            yield return other;
    }

    private Alternative? Resolved(
        StoredItem item,
        AlternateKind kind,
        IReadOnlyList<BodyPlace> places,
        Movement movement,
        Prescription plan
    )
    {
        var reading = PlanReader.Read(athlete, movement.Slug, plan, today, null);
        if (PlanFreezer.Of(reading) is not { } frozen)
            return null;
        var text = PrescriptionJson.Write(plan);
        // The same form of the same item has the same id on every device.
        var id = kind == AlternateKind.Easy ? item.Id : NamedIds.Of(item.Id, $"{kind}/{movement.Slug}/{text}");
        return new(
            new(
                id,
                kind,
                places,
                PackMovement.Of(movement.Slug, movement, plan, athlete),
                PackPlan.Of(reading.Dto!, plan, movement)
            ),
            plan,
            frozen,
            kind == AlternateKind.Easy
                ? null
                : new(id, movement.Slug, text, true, item.Role, Relief.Ease, frozen, item.Id, null, null)
        );
    }

    private Movement? MovementOf(string slug) => athlete.Atlas.Catalogue.Movements.GetValueOrDefault(slug);

    private static bool IsLoaded(Prescription? plan) =>
        plan is DropSet or { Load: AddedLoad or ShareOfBodyMass or ShareOfOneRepMax or Counted };

    private PackLoad[] ChoicesFor(Movement? movement, Prescription? plan, ResolvedDto? shown)
    {
        if (plan?.Load is BandHelp or NamedBand)
            return [.. athlete.Gear.Bands.Select(b => PackLoad.Of(b, b.Help(today).Value)).OrderBy(b => b.Added.Value)];
        if (movement?.Load is null || shown is null || shown.Loads.Any(l => l.Counted is not null || l.ByFeet))
            return [];
        var heaviest = shown.Loads.Max(l => l.Made.Value.Number ?? 0);
        return
        [
            .. rungs
                .Value.Where(r => r.Load.Total.Kilograms <= Math.Max(0, heaviest) + ChoicesOver)
                .TakeLast(ChoicesMost)
                .Select(r => PackLoad.Of(r.Load)),
        ];
    }
}
