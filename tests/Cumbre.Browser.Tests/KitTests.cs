using OpenQA.Selenium;

namespace Cumbre.Browser.Tests;

/// <summary>A band is measured with the stand-in scale: a swinging pull is refused, a steady one averaged.</summary>
public sealed class KitTests : CoachAtWork
{
    private void Swing() => Coach.Driver.FindElement(By.CssSelector("[role=dialog] label")).Click();

    [Fact]
    public void A_band_is_measured_with_the_stand_in_scale()
    {
        Coach.Go("/kit");
        Coach.Sees("measure again");
        Coach.Press("Measure narrow");
        Swing();
        Coach.Press("Record bottom");
        Coach.Sees("Not recorded: the pull was not steady for two seconds.");
        Swing();
        foreach (var place in new[] { "bottom", "middle", "top" })
        {
            Coach.Sees("steady, ", "[role=dialog]");
            Coach.Press($"Record {place}");
        }

        Coach.Sees("All three points recorded.");
        Coach.Press("Use readings");
        Coach.Sees("not saved");
        Coach.Press("Save");
        Coach.SeesNot("measure again");
        Coach.Sees("saved");
        // 206, 147 and 98 N held: a mean of about 15.3 kg.
        Assert.Matches(@"assistance 15\.\d kg", Coach.Text("[aria-label=Bands]"));
        Coach.Fill("Size", "1000");
        Coach.Press("Save");
        Coach.Sees("1,000 is outside 0.1 to 50.");
        Assert.Equal("1000", Coach.Field("Size").GetAttribute("value"));
        Assert.Empty(Coach.ConsoleErrors());
    }
}
