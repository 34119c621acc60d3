using Cumbre.Core.Explanations;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Tests.Loading;

namespace Cumbre.Core.Tests.Prescriptions;

public class StandingCautionsTests
{
    private static IReadOnlyList<CautionNote> For(
        string line,
        bool needsClearance = false,
        string movement = "weighted-chin-up"
    )
    {
        var body = Explanation.For(RuleId.BodyMassOfDay).Build(Mass.FromKilograms(70));
        var plan = PrescriptionResolver
            .Resolve(NotationParser.Parse(line).Plan!, new(body, null, 0, KitTests.Cochera))
            .Plan!;
        return StandingCautions.For(plan, Catalogue.Shipped.Movements[movement], body.Value, needsClearance);
    }

    [Fact]
    public void Every_session_says_when_to_stop_and_that_it_is_no_medical_advice()
    {
        var ids = For("3 x 5 @ 0 kg").Select(c => c.Id).ToList();
        Assert.Contains(CautionId.StopSigns, ids);
        Assert.Contains(CautionId.NotMedicalAdvice, ids);
        Assert.DoesNotContain(CautionId.SolidForm, ids);
    }

    // House: an anchor bears three times the heaviest system mass.
    [Theory]
    [InlineData("3 x 5 @ +20 kg", 270)]
    [InlineData("1 x drop 4+4 @ +30 / +10 kg", 300)]
    [InlineData("3 x 5 @ -20 kg", 210)]
    public void The_anchor_bears_three_times_the_heaviest_system(string line, int kilograms) =>
        Assert.Equal(kilograms, For(line).Single(c => c.Id == CautionId.Anchor).Args[0].Number);

    [Fact]
    public void What_hangs_on_nothing_asks_for_no_anchor() =>
        Assert.DoesNotContain(For("3 x 10", movement: "push-up"), c => c.Id == CautionId.Anchor);

    [Fact]
    public void Load_asks_for_solid_form_and_near_maximal_sets_for_breathing()
    {
        Assert.Contains(For("3 x 5 @ +10 kg"), c => c.Id == CautionId.SolidForm);
        Assert.Contains(For("3 x 3 @ +10 kg"), c => c.Id == CautionId.Breathe);
        Assert.DoesNotContain(For("3 x 4 @ +10 kg"), c => c.Id == CautionId.Breathe);
    }

    [Fact]
    public void Missing_clearance_comes_first() =>
        Assert.Equal(CautionId.ClearanceFirst, For("3 x 5", needsClearance: true)[0].Id);
}
