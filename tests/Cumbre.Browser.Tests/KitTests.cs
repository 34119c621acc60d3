using OpenQA.Selenium;

namespace Cumbre.Browser.Tests;

/// <summary>A band is measured with the stand-in scale: a swinging pull is refused, a steady one averaged.</summary>
public sealed class KitTests : IAsyncLifetime
{
    private App app = null!;
    private Browser browser = null!;

    public ValueTask InitializeAsync()
    {
        app = new App(demo: true);
        browser = new Browser(app.Address);
        browser.Go("/");
        browser.Press("Enter as coach");
        browser.Sees("8 decisions");
        return ValueTask.CompletedTask;
    }

    public async ValueTask DisposeAsync()
    {
        browser.Dispose();
        await app.DisposeAsync();
    }

    private void Swing() => browser.Driver.FindElement(By.CssSelector("[role=dialog] label")).Click();

    [Fact]
    public void A_band_is_measured_with_the_stand_in_scale()
    {
        browser.Go("/kit");
        browser.Sees("measure again");
        browser.Press("Measure narrow");
        Swing();
        browser.Press("Take bottom");
        browser.Sees("Not taken: the pull was not steady for two seconds.");
        Swing();
        foreach (var place in new[] { "bottom", "middle", "top" })
        {
            browser.Sees("steady, ", "[role=dialog]");
            browser.Press($"Take {place}");
        }

        browser.Sees("Three places taken.");
        browser.Press("Use these");
        browser.Sees("not saved");
        browser.Press("Save");
        browser.SeesNot("measure again");
        browser.Sees("saved");
        // 206, 147 and 98 N held: a mean of about 15.3 kg.
        Assert.Matches(@"helps 15\.\d+ kg", browser.Text("[aria-label=Bands]"));
        browser.Fill("Plate 1", "1000");
        browser.Press("Save");
        browser.Sees("1000 is outside 0.1 to 50.");
        Assert.Equal("1000", browser.Field("Plate 1").GetAttribute("value"));
        Assert.Empty(browser.ConsoleErrors());
    }
}
