using CsCheck;
using Cumbre.Core.Ladders;
using Cumbre.Core.Movements;

namespace Cumbre.Core.Tests.Ladders;

/// <summary>
/// Laws that every merge of a club's ladder with a newer shipped one keeps, over random edits on both sides.
/// </summary>
public class LadderMergeProperties
{
    private static readonly LadderEntry[] Shipped =
    [
        .. Atlas.ShippedFile.Ladders.Select(l => l.Normalised(Catalogue.Shipped.Names)),
    ];

    /// <summary>
    /// One random edit: of a dose, of weeks, a step taken out, a step added, two steps swapped, or the ladder's own
    /// text.
    /// </summary>
    private static LadderEntry Edit(LadderEntry ladder, (int Kind, int At, int Value) edit)
    {
        var at = edit.At % ladder.Steps.Count;
        LadderEntry With(StepEntry step) =>
            ladder with
            {
                Steps = [.. ladder.Steps.Select((s, i) => i == at ? step : s)],
            };
        switch (edit.Kind)
        {
            case 0:
                return With(ladder.Steps[at] with { Dose = $"{edit.Value} x 5" });
            case 1:
                return With(ladder.Steps[at] with { Weeks = edit.Value });
            case 2 when ladder.Steps.Count > 1:
                return ladder with { Steps = [.. ladder.Steps.Where((_, i) => i != at)] };
            case 3 when ladder.Steps.All(s => s.Slug != $"new-{edit.Value}"):
                return ladder with
                {
                    Steps =
                    [
                        .. ladder.Steps.Take(at + 1),
                        ladder.Steps[at] with
                        {
                            Slug = $"new-{edit.Value}",
                            Name = $"New {edit.Value}",
                        },
                        .. ladder.Steps.Skip(at + 1),
                    ],
                };
            case 4 when ladder.Steps.Count > 1 && at > 0:
                var steps = ladder.Steps.ToList();
                (steps[at - 1], steps[at]) = (steps[at], steps[at - 1]);
                return ladder with { Steps = steps };
            default:
                return ladder with { About = $"about {edit.Value}" };
        }
    }

    private static Gen<(LadderEntry Then, LadderEntry Club, LadderEntry Now)> Histories { get; } =
        from ladder in Gen.Int[0, Shipped.Length - 1]
        from club in Gen.Select(Gen.Int[0, 5], Gen.Int[0, 30], Gen.Int[1, 60]).Array[0, 4]
        from now in Gen.Select(Gen.Int[0, 5], Gen.Int[0, 30], Gen.Int[61, 120]).Array[0, 4]
        select (Shipped[ladder], club.Aggregate(Shipped[ladder], Edit), now.Aggregate(Shipped[ladder], Edit));

    private static bool Same(LadderEntry a, LadderEntry b) =>
        LadderDiff.Between(a, b).Count == 0 && a.Steps.Select(s => s.Slug).SequenceEqual(b.Steps.Select(s => s.Slug));

    [Fact]
    public void A_club_that_changed_nothing_has_the_ladder_as_it_ships() =>
        Histories.Sample(h => Same(h.Now, LadderDiff.Merge(h.Then, h.Then, h.Now).Entry));

    [Fact]
    public void While_nothing_new_ships_the_club_has_what_it_wrote() =>
        Histories.Sample(h =>
            LadderDiff.Merge(h.Then, h.Club, h.Then) is var merged
            && merged.Flags.Count == 0
            && Same(h.Club, merged.Entry)
        );

    [Fact]
    public void Saving_the_merged_ladder_takes_note_of_every_flag_and_changes_nothing() =>
        Histories.Sample(h =>
        {
            var merged = LadderDiff.Merge(h.Then, h.Club, h.Now).Entry;
            var again = LadderDiff.Merge(h.Now, merged, h.Now);
            return again.Flags.Count == 0 && Same(merged, again.Entry);
        });

    [Fact]
    public void No_step_is_lost_that_the_club_worked_on_and_none_stands_twice() =>
        Histories.Sample(h =>
        {
            var merged = LadderDiff.Merge(h.Then, h.Club, h.Now).Entry.Steps.Select(s => s.Slug).ToArray();
            var own = h.Club.Steps.Where(s => h.Then.Steps.All(t => t.Slug != s.Slug)).Select(s => s.Slug);
            return merged.Distinct().Count() == merged.Length && own.All(merged.Contains);
        });

    [Fact]
    public void A_field_that_only_one_side_changed_has_that_sides_value() =>
        Histories.Sample(h =>
        {
            var merged = LadderDiff.Merge(h.Then, h.Club, h.Now).Entry;
            foreach (var step in merged.Steps)
            {
                var (then, club, now) = (Find(h.Then, step.Slug), Find(h.Club, step.Slug), Find(h.Now, step.Slug));
                if (then is null || club is null || now is null)
                    continue;
                if (then.Dose == club.Dose && step.Dose != now.Dose)
                    return false;
                if (then.Dose != club.Dose && step.Dose != club.Dose)
                    return false;
            }

            return true;

            static StepEntry? Find(LadderEntry ladder, string slug) => ladder.Steps.FirstOrDefault(s => s.Slug == slug);
        });
}
