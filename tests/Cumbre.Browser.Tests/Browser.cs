using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;
using OpenQA.Selenium.Support.UI;

namespace Cumbre.Browser.Tests;

/// <summary>A headless Chromium with the few gestures that a person makes.</summary>
public sealed class Browser : IDisposable
{
    /// <summary>Long, as a shared machine may stand still for a while; only a failing test waits it out.</summary>
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(45);

    private readonly Chromium chromium = Chromium.Take();
    private readonly Uri address;

    public Browser(Uri address)
    {
        this.address = address;
        Resize(1280, 800);
    }

    public ChromeDriver Driver => chromium.Driver;

    public string Path => new Uri(Driver.Url).PathAndQuery;

    public void Resize(int width, int height) =>
        Driver.ExecuteCdpCommand(
            "Emulation.setDeviceMetricsOverride",
            new Dictionary<string, object?>
            {
                ["width"] = width,
                ["height"] = height,
                ["deviceScaleFactor"] = 1,
                ["mobile"] = width < 600,
            }
        );

    /// <summary>Cuts the line, or mends it.</summary>
    public void Offline(bool offline) =>
        Driver.ExecuteCdpCommand(
            "Network.emulateNetworkConditions",
            new Dictionary<string, object?>
            {
                ["offline"] = offline,
                ["latency"] = 0,
                ["downloadThroughput"] = -1,
                ["uploadThroughput"] = -1,
            }
        );

    public void Go(string path)
    {
        Driver.Navigate().GoToUrl(new Uri(address, path));
        Until(
            () =>
                Driver.FindElements(By.CssSelector("h1")).Count > 0
                && Driver.FindElements(By.CssSelector("[role=status] .MuiSkeleton-root")).Count == 0,
            $"a page at {path}"
        );
    }

    public T Until<T>(Func<T> condition, string what) => Until(condition, () => what);

    /// <summary>
    /// Waits until the condition holds; what was waited for is only put into words when it did not come.
    /// </summary>
    public T Until<T>(Func<T> condition, Func<string> what)
    {
        var wait = new WebDriverWait(Driver, Patience) { PollingInterval = TimeSpan.FromMilliseconds(50) };
        wait.IgnoreExceptionTypes(
            typeof(StaleElementReferenceException),
            typeof(NoSuchElementException),
            typeof(ElementClickInterceptedException),
            typeof(ElementNotInteractableException)
        );
        try
        {
            return wait.Until(_ => condition())!;
        }
        catch (WebDriverTimeoutException late)
        {
            throw new WebDriverTimeoutException($"waited for {what()} at {Path}", late);
        }
    }

    /// <summary>
    /// The text of the page, with runs of space folded; a comma closes up to a figure that is a button of its own.
    /// Empty when there is no such element.
    /// </summary>
    /// <remarks>Read by the page itself: the driver's own reading asks after every element, which costs a second on a
    /// large page.</remarks>
    public string Text(string css = "body") =>
        Fold((string)Driver.ExecuteScript("return document.querySelector(arguments[0])?.innerText ?? ''", css)!);

    public void Sees(string text, string css = "body") =>
        Until(
            () => Text(css).Contains(text, StringComparison.Ordinal),
            () => $"\"{text}\" in {css}, which says: {Text(css)}"
        );

    public void SeesNot(string text, string css = "body") =>
        Until(() => !Text(css).Contains(text, StringComparison.Ordinal), $"\"{text}\" to go");

    /// <summary>
    /// Presses the button, link or option whose label or text is this, or else begins with it. An open list or dialog
    /// comes first.
    /// </summary>
    /// <remarks>
    /// A page may move between the pointer's aim and its press, as when a form above closes: a press that did not land
    /// on what was aimed at is made again. A press that led to another document landed.
    /// </remarks>
    public void Press(string name) =>
        Until(
            () =>
            {
                if (Find("pressable", name) is not { } element)
                    return false;
                Driver.ExecuteScript(
                    """
                    const aim = arguments[0];
                    window.landed = false;
                    addEventListener("click", e => { window.landed = aim.contains(e.target); }, { once: true, capture: true });
                    """,
                    element
                );
                element.Click();
                return Driver.ExecuteScript("return window.landed") is not false;
            },
            $"something to press named \"{name}\""
        );

    /// <summary>The field with this label, in the dialog that is open if there is one.</summary>
    public IWebElement Field(string label) => Until(() => Find("field", label), $"a field \"{label}\"")!;

    /// <summary>Types over what stands in a field; once more when the page drew it anew in between.</summary>
    public void Fill(string label, string value) =>
        Until(
            () =>
            {
                // One call for all: each costs as much as a dozen keys.
                Field(label).SendKeys(Keys.Control + "a" + Keys.Null + Keys.Delete + value);
                return true;
            },
            $"a field \"{label}\" that stays"
        );

    /// <summary>Sets a date field, whose typed form depends on the browser's locale.</summary>
    public void FillDate(string label, string day) =>
        Driver.ExecuteScript(
            "const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set; set.call(arguments[0], arguments[1]); arguments[0].dispatchEvent(new Event('input', { bubbles: true }));",
            Field(label),
            day
        );

    /// <summary>
    /// Opens a select by keyboard and chooses an option; a click that lands on a list still moving is made good.
    /// </summary>
    public void Choose(string label, string option) =>
        Until(
            () =>
            {
                if (Find("select", label) is not { } select)
                    return false;
                if (Shows(select, option))
                    return true;
                select.SendKeys(Keys.Enter);
                Press(option);
                Until(
                    () => Script("return document.querySelector('[role=listbox]') === null") is true,
                    "the list to close"
                );
                return Shows(Find("select", label), option);
            },
            $"\"{option}\" chosen in \"{label}\""
        );

    /// <summary>Types into a field with suggestions and takes one of them.</summary>
    public void Pick(string label, string option)
    {
        Fill(label, option);
        Press(option);
        Until(() => Field(label).GetAttribute("value") == option, $"\"{option}\" picked in \"{label}\"");
    }

    /// <summary>Types on whatever has the focus.</summary>
    public void Type(string keys) => new OpenQA.Selenium.Interactions.Actions(Driver).SendKeys(keys).Perform();

    /// <summary>Ctrl and a letter.</summary>
    public void Control(string key) =>
        new OpenQA.Selenium.Interactions.Actions(Driver)
            .KeyDown(Keys.Control)
            .SendKeys(key)
            .KeyUp(Keys.Control)
            .Perform();

    public object? Script(string code, params object[] args) => Driver.ExecuteScript(code, args);

    /// <summary>
    /// Errors of the console since the last call, policy violations among them; refused requests are the app's own
    /// business.
    /// </summary>
    public IReadOnlyList<string> ConsoleErrors() =>
        [
            .. Driver
                .Manage()
                .Logs.GetLog(LogType.Browser)
                .Where(l =>
                    l.Level >= LogLevel.Warning
                    && !l.Message.Contains("Failed to load resource", StringComparison.Ordinal)
                )
                .Select(l => l.Message),
        ];

    public void Dispose() => chromium.Return(address);

    /// <summary>One look-up in the page: asking element by element would take seconds.</summary>
    private IWebElement? Find(string kind, string name) =>
        (IWebElement?)
            Driver.ExecuteScript(
                """
                const [kind, name] = arguments;
                const fold = text => (text ?? "").replace(/\s+/g, " ").trim();
                const shown = e => e.getClientRects().length > 0 && getComputedStyle(e).visibility !== "hidden";
                const last = css => [...document.querySelectorAll(css)].filter(shown).at(-1);
                // A list of suggestions stands beside its field, it does not stand before the page.
                const root = (kind === "field" ? null : last("[role=listbox]:not([aria-label^='What can come next']), [role=menu]"))
                    ?? last("[role=dialog]") ?? document;
                const all = css => [...root.querySelectorAll(css)].filter(shown);
                if (kind === "field") {
                  const label = all("label").findLast(l => fold(l.innerText) === name);
                  return label ? document.getElementById(label.htmlFor) : null;
                }
                if (kind === "select") {
                  const labels = e => (e.getAttribute("aria-labelledby") ?? "").split(" ").map(id => fold(document.getElementById(id)?.innerText));
                  return all("[role=combobox]").findLast(e => labels(e).includes(name)) ?? null;
                }
                const fit = e => {
                  const names = [fold(e.getAttribute("aria-label")), fold(e.innerText)];
                  return names.includes(name) ? 2 : names.some(n => n.startsWith(name)) ? 1 : 0;
                };
                const found = all("button, a, summary, [role=menuitem], [role=option]").filter(e => !e.disabled && fit(e) > 0);
                return found.toSorted((a, b) => fit(b) - fit(a))[0] ?? null;
                """,
                kind,
                name
            );

    private static bool Shows(IWebElement? select, string option) =>
        select is not null && Fold(select.Text).StartsWith(option, StringComparison.Ordinal);

    private static string Fold(string text) =>
        string.Join(' ', text.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries))
            .Replace(" ,", ",", StringComparison.Ordinal);
}
