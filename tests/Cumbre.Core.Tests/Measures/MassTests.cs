using CsCheck;
using Cumbre.Core.Measures;

namespace Cumbre.Core.Tests.Measures;

public class MassTests
{
    // International avoirdupois pound, exact since the 1959 agreement: 1 lb = 0.45359237 kg.
    [Theory]
    [InlineData("1", "0.45359237")]
    [InlineData("2.5", "1.133980925")]
    [InlineData("5", "2.26796185")]
    [InlineData("45", "20.41165665")]
    public void A_pound_is_exact(string pounds, string kilograms) =>
        Assert.Equal(decimal.Parse(kilograms), Mass.FromPounds(decimal.Parse(pounds)).Kilograms);

    [Fact]
    public void An_entry_in_pounds_comes_back_as_it_was_written() =>
        Gen.Int[-40000, 40000]
            .Sample(hundredths =>
            {
                var pounds = hundredths / 100m;
                return Mass.FromPounds(pounds).Pounds == pounds && MassEntry.Lb(pounds).Mass.In(MassUnit.Lb) == pounds;
            });

    [Fact]
    public void System_mass_adds_and_subtracts_exactly()
    {
        var system = Mass.FromKilograms(68.2m) + Mass.FromKilograms(15) - Mass.FromKilograms(0.1m);
        Assert.Equal(83.1m, system.Kilograms);
    }

    [Theory]
    [InlineData(0)]
    [InlineData(-5)]
    [InlineData(900)]
    public void An_implausible_body_mass_is_refused_with_its_range(int kilograms)
    {
        var violation = Assert.Throws<RuleViolationException>(() =>
            new Core.Athletes.BodyMassReading(new DateOnly(2026, 3, 16), MassEntry.Kg(kilograms))
        );
        Assert.Equal(("bodyMass", 25m, 250m), (violation.Field, violation.Minimum, violation.Maximum));
    }

    [Fact]
    public void A_range_is_told_in_the_unit_of_the_entry()
    {
        var violation = Assert.Throws<RuleViolationException>(() =>
            new Core.Athletes.BodyMassReading(new DateOnly(2026, 3, 16), MassEntry.Lb(900))
        );
        Assert.Equal((55.1m, 551.2m), (violation.Minimum, violation.Maximum));
    }
}
