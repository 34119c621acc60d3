using System.Xml.Linq;

namespace Cumbre.Browser.Tests;

/// <summary>The charts of an athlete as pictures and tables of their own.</summary>
public sealed class TrendTests : CoachAtWork
{
    [Fact]
    public void A_chart_is_saved_as_a_picture_that_needs_no_page()
    {
        Coach.Go(PathOf("Ilse Marquina") + "/trends?weeks=0");
        Coach.Sees("Hard sets");
        Coach.Until(
            () =>
                Coach.Script(
                    "return [...document.querySelectorAll('[data-chart]')].every(c => c.querySelector('svg text'))"
                )
                    is true,
            "charts"
        );
        Coach.Script(
            "const make = URL.createObjectURL; URL.createObjectURL = b => { b.text().then(t => (window.saved = t)); return make(b); };"
        );
        foreach (var title in new[] { "Weighted pull-up, one-rep max", "Hard sets", "Session load", "Sleep" })
        {
            Coach.Script(
                "delete window.saved; document.querySelector(`[aria-label='Download SVG: ${arguments[0]}']`).click()",
                title
            );
            Coach.Until(() => Coach.Script("return window.saved ?? null") is string, "the picture of " + title);
            var text = (string)Coach.Script("return window.saved")!;
            var picture = XDocument.Parse(text).Root!;
            XNamespace svg = "http://www.w3.org/2000/svg";
            Assert.Equal(svg + "svg", picture.Name);
            Assert.Equal(title, picture.Element(svg + "title")!.Value);
            // Colours and patterns stand in it: nothing refers to the page.
            Assert.DoesNotContain("var(--", text, StringComparison.Ordinal);
            Assert.DoesNotContain("http://127.0.0.1", text, StringComparison.Ordinal);
            Assert.True(picture.Descendants().Count() > 10);
        }

        Coach.Press("52 weeks");
        Coach.Until(() => Coach.Driver.Url.Contains("weeks=52", StringComparison.Ordinal), "the time in the address");
        Coach.Press("Table");
        Coach.Sees("Mon, Feb 23, 2026");
    }
}
