using Cumbre.Core.Movements;

namespace Cumbre.Core.Ladders;

/// <summary>What a club wrote of a ladder.</summary>
/// <param name="Slug">Of the ladder.</param>
/// <param name="ShippedThen">As it shipped when the club wrote its own; null for a ladder of the club's.</param>
/// <param name="Entry">As the club wrote it; null: back to the shipped one, or retired.</param>
public sealed record ClubLadderEdit(string Slug, LadderEntry? ShippedThen, LadderEntry? Entry);

/// <summary>A ladder as it stands in a club.</summary>
/// <param name="Entry">As it is written, with the club's edits.</param>
/// <param name="Own">The club's own, not a shipped one.</param>
/// <param name="Edited">The club changed it.</param>
/// <param name="Flags">What a newer shipped ladder changed underneath the edits.</param>
/// <param name="Slips">Why the club's writing cannot be used; the shipped ladder stands in then.</param>
public sealed record LadderState(
    LadderEntry Entry,
    bool Own,
    bool Edited,
    IReadOnlyList<UpgradeFlag> Flags,
    IReadOnlyList<LadderSlip> Slips
);

/// <summary>The shipped ladders and movements with a club's own and a club's edits over them.</summary>
public sealed class ClubAtlas
{
    private ClubAtlas(Atlas atlas, IReadOnlyDictionary<string, LadderState> states) =>
        (Atlas, States) = (atlas, states);

    /// <summary>What rules read.</summary>
    public Atlas Atlas { get; }

    public Catalogue Catalogue => Atlas.Catalogue;

    /// <summary>Every ladder by its slug, those that cannot be used included.</summary>
    public IReadOnlyDictionary<string, LadderState> States { get; }

    /// <param name="shipped">The ladders as they ship now.</param>
    /// <param name="catalogue">The catalogue as it ships now.</param>
    /// <param name="edits">The newest writing of each ladder that the club touched.</param>
    /// <param name="movements">The club's own.</param>
    public static ClubAtlas Of(
        LadderFile shipped,
        Catalogue catalogue,
        IEnumerable<ClubLadderEdit> edits,
        IReadOnlyList<Movement> movements
    )
    {
        var whole = catalogue.With(movements);
        var bySlug = edits.ToDictionary(e => e.Slug, StringComparer.Ordinal);
        var states = new Dictionary<string, LadderState>(StringComparer.Ordinal);
        var ladders = new List<Ladder>();
        foreach (var entry in shipped.Ladders)
        {
            var now = entry.Normalised(whole.Names);
            var (state, ladder) = bySlug.GetValueOrDefault(entry.Slug) is { Entry: { } club, ShippedThen: { } then }
                ? Merged(then, club, now, whole)
                : (new(now, false, false, [], []), LadderReader.Read(now, whole).OrThrow());
            states[entry.Slug] = state;
            ladders.Add(ladder);
        }

        foreach (
            var edit in bySlug
                .Values.Where(e => !states.ContainsKey(e.Slug) && e.Entry is not null)
                .OrderBy(e => e.Slug, StringComparer.Ordinal)
        )
        {
            var reading = LadderReader.Read(edit.Entry!, whole);
            states[edit.Slug] = new(edit.Entry!, true, true, [], reading.Slips);
            if (reading.Ladder is { } ladder)
                ladders.Add(ladder);
        }

        return new(new(ladders, whole), states);
    }

    private static (LadderState State, Ladder Ladder) Merged(
        LadderEntry then,
        LadderEntry club,
        LadderEntry now,
        Catalogue catalogue
    )
    {
        var merged = LadderDiff.Merge(then, club, now);
        var entry = merged.Entry.Normalised(catalogue.Names);
        var reading = LadderReader.Read(entry, catalogue);
        return (
            new(entry, false, LadderDiff.Between(now, entry).Count > 0, merged.Flags, reading.Slips),
            reading.Ladder ?? LadderReader.Read(now, catalogue).OrThrow()
        );
    }
}
