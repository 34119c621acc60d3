using OpenQA.Selenium;

namespace Cumbre.Browser.Tests;

/// <summary>
/// Somebody at the keyboard without a mouse: Tab to what is named, Enter, arrows, letters. Names are those that the
/// browser computes. Wherever the focus goes, it is seen and stands inside the window.
/// </summary>
internal sealed class Hands(Browser browser)
{
    private const int Most = 60;

    /// <summary>What was met on the way and should not be: a stop out of sight or without a ring.</summary>
    public List<string> Faults { get; } = [];

    /// <summary>Tab by Tab to a control of this name, which may go on with more.</summary>
    public void To(string name)
    {
        var met = new List<string>();
        browser.Until(
            () =>
            {
                if (Fits(Name()))
                    return true;
                for (var i = 0; i < Most; i++)
                {
                    browser.Type(Keys.Tab);
                    Look();
                    met.Add(Name());
                    if (Fits(met[^1]))
                        return true;
                }

                return false;
            },
            () => $"\"{name}\" among the stops of Tab, which are {string.Join("; ", met.Distinct())}"
        );

        bool Fits(string stop) => stop.StartsWith(name, StringComparison.Ordinal);
    }

    public void Press(string name)
    {
        To(name);
        browser.Type(Keys.Enter);
    }

    public void Fill(string name, string text)
    {
        To(name);
        browser.Control("a");
        browser.Type(text);
    }

    /// <summary>
    /// Waits until a page with this heading is there, the focus stands on the heading or on a field that takes it, and
    /// the window's title names it.
    /// </summary>
    public void Arrives(string heading) =>
        browser.Until(
            () =>
                browser.Script("return document.activeElement.matches('h1, main input')") is true
                && browser.Text("h1").StartsWith(heading, StringComparison.Ordinal)
                && ((string)browser.Script("return document.title")!).StartsWith(heading, StringComparison.Ordinal),
            () => $"the heading \"{heading}\" to have the focus, which {Name()} has under {browser.Text("h1")}"
        );

    private string Name() => ((WebElement)browser.Driver.SwitchTo().ActiveElement()).ComputedAccessibleLabel ?? "";

    private void Look()
    {
        var fault = (string?)
            browser.Script(
                """
                const e = document.activeElement;
                if (e === document.body) return null;
                const r = e.getBoundingClientRect();
                const said = `${e.tagName} "${(e.getAttribute("aria-label") ?? e.innerText ?? "").slice(0, 40)}" at ${location.pathname}`;
                if (r.bottom <= 0 || r.top >= innerHeight || r.right <= 0 || r.left >= innerWidth) return `out of sight: ${said}`;
                const ring = x => { const s = getComputedStyle(x); return s.outlineStyle !== "none" && parseFloat(s.outlineWidth) > 0; };
                const shown = ring(e) || e.closest(".Mui-focused, .Mui-focusVisible") !== null || e.matches("main, h1")
                  || [e.parentElement, e.parentElement?.parentElement].some(x => x && ring(x));
                return shown ? null : `no ring: ${said}`;
                """
            );
        if (fault is not null && !Faults.Contains(fault))
            Faults.Add(fault);
    }
}
