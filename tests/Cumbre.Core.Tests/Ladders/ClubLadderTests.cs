using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Ladders;
using Cumbre.Core.Movements;
using static Cumbre.Core.Tests.Ladders.Results;

namespace Cumbre.Core.Tests.Ladders;

// How a club's edits live with the shipped ladders; invented edits.
public class ClubLadderTests
{
    private static readonly Catalogue Catalogue = Catalogue.Shipped;
    private static readonly LadderEntry Shipped = Atlas
        .ShippedFile.Ladders.Single(l => l.Slug == "front-lever")
        .Normalised(Catalogue.Names);

    private static LadderEntry Step(LadderEntry ladder, string slug, Func<StepEntry, StepEntry> change) =>
        ladder with
        {
            Steps = [.. ladder.Steps.Select(s => s.Slug == slug ? change(s) : s)],
        };

    private static LadderEntry Without(LadderEntry ladder, string slug) =>
        ladder with
        {
            Steps = [.. ladder.Steps.Where(s => s.Slug != slug)],
        };

    [Fact]
    public void A_ladder_differs_from_itself_in_nothing() =>
        Assert.All(Atlas.ShippedFile.Ladders, l => Assert.Empty(LadderDiff.Between(l, l)));

    [Fact]
    public void Writing_a_threshold_in_another_way_is_no_change()
    {
        var loose = Step(Shipped, "tuck", s =>
            s with
            {
                Opens = s.Opens.Replace(" >= ", "≥", StringComparison.Ordinal).ToUpperInvariant(),
                Won = s.Opens,
                Cues = [.. s.Cues ?? [], " "],
            }
        );
        Assert.Empty(LadderDiff.Between(Shipped, loose.Normalised(Catalogue.Names)));
    }

    [Fact]
    public void Every_kind_of_difference_is_told()
    {
        var edited = Without(
            Step(Shipped, "tuck", s => s with { Dose = "hold 9 x 9 s", Cues = ["look at the toes"] }),
            "inverted"
        );
        edited = edited with
        {
            Name = "Lever",
            Steps =
            [
                .. edited.Steps.Take(2).Reverse(),
                .. edited.Steps.Skip(2),
                edited.Steps[^1] with
                {
                    Slug = "beyond",
                    Name = "Beyond",
                },
            ],
        };
        var told = LadderDiff.Between(Shipped, edited).Select(d => (d.Kind, d.Step, d.Field, d.To)).ToArray();
        Assert.Contains((DiffKind.Changed, null, "name", "Lever"), told);
        Assert.Contains((DiffKind.Changed, "tuck", "dose", "hold 9 x 9 s"), told);
        Assert.Contains((DiffKind.Changed, "tuck", "cues", "look at the toes"), told);
        Assert.Contains((DiffKind.StepAdded, "beyond", null, "Beyond"), told);
        Assert.Contains((DiffKind.StepRemoved, "inverted", null, null), told);
        Assert.Contains(told, d => d.Kind == DiffKind.Reordered);
    }

    [Fact]
    public void What_the_club_left_alone_follows_the_shipped_ladder_and_its_edits_stay()
    {
        var club = Step(Shipped, "tuck", s => s with { Opens = "tuck front lever >= 3 x 8 s" });
        var upgraded = Step(Step(Shipped, "tuck", s => s with { Dose = "hold 6 x 6 s" }), "straddle", s =>
            s with
            {
                Weeks = 40,
            }
        );
        var merged = LadderDiff.Merge(Shipped, club, upgraded);
        var tuck = merged.Entry.Steps.Single(s => s.Slug == "tuck");
        Assert.Equal(("tuck front lever >= 3 x 8 s", "hold 6 x 6 s"), (tuck.Opens, tuck.Dose));
        Assert.Equal(40, merged.Entry.Steps.Single(s => s.Slug == "straddle").Weeks);
        Assert.Empty(merged.Flags);
    }

    [Fact]
    public void An_edit_that_the_shipped_ladder_changed_underneath_is_kept_and_flagged()
    {
        var club = Step(Shipped, "tuck", s => s with { Opens = "tuck front lever >= 3 x 8 s" });
        var upgraded = Step(Shipped, "tuck", s => s with { Opens = "tuck front lever >= 3 x 12 s" });
        var merged = LadderDiff.Merge(Shipped, club, upgraded);
        Assert.Equal("tuck front lever >= 3 x 8 s", merged.Entry.Steps.Single(s => s.Slug == "tuck").Opens);
        Assert.Equal(
            new UpgradeFlag(
                "tuck",
                "Tuck",
                "opens",
                "tuck front lever >= 3 x 10 s",
                "tuck front lever >= 3 x 12 s",
                "tuck front lever >= 3 x 8 s"
            ),
            Assert.Single(merged.Flags)
        );
        // The same change on both sides is no conflict.
        Assert.Empty(LadderDiff.Merge(Shipped, upgraded, upgraded).Flags);
    }

    [Fact]
    public void Steps_that_come_and_go_on_either_side_are_settled_and_told()
    {
        var fresh = Shipped.Steps.Single(s => s.Slug == "tuck") with { Slug = "half-tuck", Name = "Half tuck" };
        LadderEntry With(LadderEntry l) =>
            l with
            {
                Steps =
                [
                    .. l.Steps.TakeWhile(s => s.Slug != "advanced-tuck"),
                    fresh,
                    .. l.Steps.SkipWhile(s => s.Slug != "advanced-tuck"),
                ],
            };
        var slugs = Shipped.Steps.Select(s => s.Slug).ToArray();

        // A new shipped step comes in at its place.
        var added = LadderDiff.Merge(Shipped, Step(Shipped, "tuck", s => s with { Weeks = 9 }), With(Shipped));
        Assert.Equal(
            [.. slugs.TakeWhile(s => s != "advanced-tuck"), "half-tuck", .. slugs.SkipWhile(s => s != "advanced-tuck")],
            added.Entry.Steps.Select(s => s.Slug)
        );
        Assert.Equal("half-tuck", Assert.Single(added.Flags).Step);

        // One that the club took out stays out, and is only told of when it changed.
        Assert.Empty(LadderDiff.Merge(Shipped, Without(Shipped, "inverted"), Shipped).Flags);
        var gone = LadderDiff.Merge(
            Shipped,
            Without(Shipped, "inverted"),
            Step(Shipped, "inverted", s => s with { Weeks = 9 })
        );
        Assert.DoesNotContain(gone.Entry.Steps, s => s.Slug == "inverted");
        Assert.Equal("inverted", Assert.Single(gone.Flags).Step);

        // One that ships no more goes, unless the club had worked on it.
        Assert.DoesNotContain(LadderDiff.Merge(Shipped, Shipped, Without(Shipped, "inverted")).Entry.Steps, s =>
            s.Slug == "inverted"
        );
        var worked = LadderDiff.Merge(
            Shipped,
            Step(Shipped, "inverted", s => s with { Weeks = 9 }),
            Without(Shipped, "inverted")
        );
        Assert.Contains(worked.Entry.Steps, s => s.Slug == "inverted");
        Assert.Single(worked.Flags);

        // A step of the club's own stays at its place.
        Assert.Contains(LadderDiff.Merge(Shipped, With(Shipped), Shipped).Entry.Steps, s => s.Slug == "half-tuck");
    }

    [Fact]
    public void The_clubs_order_stays()
    {
        var steps = Shipped.Steps.ToList();
        (steps[0], steps[1]) = (steps[1], steps[0]);
        var merged = LadderDiff.Merge(
            Shipped,
            Shipped with
            {
                Steps = steps,
            },
            Step(Shipped, "full", s => s with { Weeks = 99 })
        );
        Assert.Equal(steps.Select(s => s.Slug), merged.Entry.Steps.Select(s => s.Slug));
    }

    [Fact]
    public void Without_edits_a_club_has_the_shipped_ladders()
    {
        var club = ClubAtlas.Of(Atlas.ShippedFile, Catalogue, [], []);
        Assert.Equal(Atlas.Shipped.Ladders.Select(l => l.Slug), club.Atlas.Ladders.Select(l => l.Slug));
        Assert.All(club.States.Values, s =>
            Assert.True(s is { Own: false, Edited: false, Flags.Count: 0, Slips.Count: 0 })
        );
    }

    [Fact]
    public void An_edited_ladder_an_own_one_and_a_retired_one_stand_as_the_club_left_them()
    {
        var own = Shipped with { Slug = "house-lever", Name = "House lever" };
        var edits = new ClubLadderEdit[]
        {
            new("front-lever", Shipped, Step(Shipped, "tuck", s => s with { Opens = "tuck front lever >= 5 s" })),
            new("house-lever", null, own),
            new("old-lever", null, null),
            new("planche", Shipped, null),
        };
        var club = ClubAtlas.Of(Atlas.ShippedFile, Catalogue, edits, []);
        Assert.True(club.States["front-lever"] is { Own: false, Edited: true });
        Assert.True(club.States["house-lever"] is { Own: true });
        Assert.False(club.States["planche"].Edited);
        Assert.DoesNotContain("old-lever", club.States.Keys);
        Assert.Equal(Atlas.Shipped.Ladders.Count + 1, club.Atlas.Ladders.Count);
        Assert.Equal(
            5,
            (
                (SecondsTarget)
                    club.Atlas.BySlug["front-lever"].Steps.Single(s => s.Slug == "tuck").Opens.Terms[0].Target
            ).Seconds
        );
    }

    [Fact]
    public void A_writing_that_cannot_be_used_any_more_gives_way_to_the_shipped_ladder_and_says_why()
    {
        var club = ClubAtlas.Of(
            Atlas.ShippedFile,
            Catalogue,
            [new("front-lever", Shipped, Step(Shipped, "tuck", s => s with { Movement = "withdrawn" }))],
            []
        );
        Assert.Equal(LadderFault.UnknownMovement, Assert.Single(club.States["front-lever"].Slips).Fault);
        Assert.Equal("front-lever-tuck", club.Atlas.BySlug["front-lever"].Steps.Single(s => s.Slug == "tuck").Movement);
    }

    [Fact]
    public void Only_those_between_the_old_and_the_new_threshold_would_move()
    {
        // The gate of the jumping muscle-up by volume: 15 pull-ups, then 12. Common practice, no source.
        var before = Atlas.Shipped.BySlug["bar-muscle-up"];
        var entry = Atlas.ShippedFile.Ladders.Single(l => l.Slug == "bar-muscle-up");
        var after = LadderReader
            .Read(
                Step(entry, "jumping", s =>
                    s with
                    {
                        Gates =
                        [
                            .. s.Gates!.Select(g =>
                                g with
                                {
                                    Gate = g.Gate.Replace("15..20", "12..20", StringComparison.Ordinal),
                                }
                            ),
                        ],
                    }
                ),
                Catalogue
            )
            .OrThrow();
        var volume = new Schools(Catalogue, new Dictionary<string, string> { ["muscle-up-entry"] = "volume-first" });
        Climber Athlete(string name, int pullUps, Schools schools, int dips = 9) =>
            new(
                Guid.NewGuid(),
                name,
                schools,
                Book(
                    Reps("pull-up-max", pullUps),
                    Reps("straight-bar-dip", dips),
                    Of("high-pull-up", new Score(5, contact: Contact.Chest))
                ),
                []
            );

        var movers = LadderWhatIf.Movers(
            before,
            after,
            [
                Athlete("eleven", 11, volume),
                Athlete("twelve", 12, volume),
                Athlete("fourteen", 14, volume),
                Athlete("fifteen", 15, volume),
                Athlete("other school", 13, Schools.Default),
                Athlete("weak dip", 13, volume, dips: 2),
            ]
        );
        Assert.Equal(["twelve", "fourteen"], movers.Select(m => m.Climber.Name));
        Assert.All(movers, m => Assert.Equal(["Jumping muscle-up"], m.Change.Opened));
    }

    [Fact]
    public void All_that_is_wrong_with_a_ladder_is_told_at_its_field()
    {
        var wrong = Step(
            Step(Shipped, "tuck", s => s with { Opens = "tuck front lever >= 3 furlongs", Weeks = 0, Name = " " }),
            "full",
            s => s with { Movement = "ghost", Gates = [new("flag >= 1 s")] }
        );
        var slips = LadderReader.Read(wrong, Catalogue).Slips.Select(s => (s.Path, s.Fault)).ToArray();
        Assert.Equal(
            [
                ("steps[3].name", LadderFault.EmptyText),
                ("steps[3].weeks", LadderFault.Weeks),
                ("steps[3].opens", LadderFault.Gate),
                ("steps[8].movement", LadderFault.UnknownMovement),
                ("steps[8].gates[0].gate", LadderFault.Gate),
            ],
            slips
        );
    }

    // What can stand at the cursor, by what the parser misses there.
    [Theory]
    [InlineData("", 8, null)]
    [InlineData("pull-up", 8, " >= ")]
    [InlineData("pul", 8, "pull-up >= ")]
    [InlineData("weigthed pull-up", 1, "weighted pull-up >= ")]
    [InlineData("weihgted plul-up", 1, "weighted pull-up >= ")]
    [InlineData("wiehgted plul-pu", 0, null)]
    [InlineData("pull-up >= ", 3, "10 reps")]
    [InlineData("pull-up >= 10", 1, " reps")]
    [InlineData("pull-up >= 10 reps", 2, " and ")]
    [InlineData("one-arm hang >= 10 s", 1, " each side")]
    [InlineData("pull-up >= 10 reps and (high pull-up >= ", 2, "chest x 5")]
    [InlineData("weighted pull-up >= +25", 2, " % bm x 5")]
    [InlineData("pull-up furlong", 0, null)]
    public void A_gate_is_completed_at_the_cursor(string text, int count, string? first)
    {
        var suggestions = GateCompletion.At(text, text.Length, Catalogue.Names);
        Assert.Equal(count, suggestions.Count);
        if (first is not null)
            Assert.Equal(first, suggestions[0].Text);
    }

    /// <summary>Taking the first suggestion again and again ends in a gate that can be read.</summary>
    [Fact]
    public void Suggestions_lead_to_a_whole_gate() => Assert.All(Catalogue.Benchmarks.Values, benchmark =>
        {
            var text = benchmark.GateName;
            for (var turn = 0; turn < 5 && GateParser.Parse(text, Catalogue.Names).Error is not null; turn++)
            {
                var next = GateCompletion.At(text, text.Length, Catalogue.Names);
                Assert.True(next.Count > 0, text);
                text = text[..next[0].Start] + next[0].Text;
            }

            Assert.Null(GateParser.Parse(text, Catalogue.Names).Error);
        });
}
