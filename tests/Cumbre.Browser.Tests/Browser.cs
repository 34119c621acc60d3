using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;
using OpenQA.Selenium.Support.UI;

namespace Cumbre.Browser.Tests;

/// <summary>A headless Chromium with the few gestures that a person makes.</summary>
public sealed class Browser : IDisposable
{
    /// <summary>Long, as a shared machine may stand still for a while; only a failing test waits it out.</summary>
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(45);

    private readonly string profile = Directory.CreateTempSubdirectory("cumbre-chromium-").FullName;
    private readonly ChromeDriver driver;
    private readonly Uri address;

    public Browser(Uri address)
    {
        this.address = address;
        var options = new ChromeOptions { BinaryLocation = "/usr/bin/chromium" };
        options.AddArguments(
            "--headless=new", "--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-background-networking", "--disable-component-update", "--disable-sync",
            "--disable-dev-shm-usage", "--force-prefers-reduced-motion", $"--user-data-dir={profile}");
        options.SetLoggingPreference(LogType.Browser, LogLevel.All);
        driver = new ChromeDriver(ChromeDriverService.CreateDefaultService("/usr/bin", "chromedriver"), options);
        Resize(1280, 800);
    }

    public ChromeDriver Driver => driver;

    public string Path => new Uri(driver.Url).PathAndQuery;

    public void Resize(int width, int height) => driver.ExecuteCdpCommand(
        "Emulation.setDeviceMetricsOverride",
        new Dictionary<string, object?> { ["width"] = width, ["height"] = height, ["deviceScaleFactor"] = 1, ["mobile"] = width < 600 });

    public void Go(string path)
    {
        driver.Navigate().GoToUrl(new Uri(address, path));
        Until(() => driver.FindElements(By.CssSelector("h1")).Count > 0 && driver.FindElements(By.CssSelector("[role=status] .MuiSkeleton-root")).Count == 0, $"a page at {path}");
    }

    public T Until<T>(Func<T> condition, string what)
    {
        var wait = new WebDriverWait(driver, Patience) { PollingInterval = TimeSpan.FromMilliseconds(50), Message = $"waited for {what} at {Path}" };
        wait.IgnoreExceptionTypes(typeof(StaleElementReferenceException), typeof(NoSuchElementException), typeof(ElementClickInterceptedException), typeof(ElementNotInteractableException));
        return wait.Until(_ => condition())!;
    }

    /// <summary>The text of the page, with runs of space folded; a comma closes up to a figure that is a button of its own.</summary>
    public string Text(string css = "body") => Fold(driver.FindElement(By.CssSelector(css)).Text);

    public void Sees(string text, string css = "body") => Until(() => Text(css).Contains(text, StringComparison.Ordinal), $"\"{text}\" in {css}, which says: {Safe(css)}");

    public void SeesNot(string text, string css = "body") => Until(() => !Text(css).Contains(text, StringComparison.Ordinal), $"\"{text}\" to go");

    /// <summary>Presses the button, link or option whose label or text is this, or else begins with it. An open list or dialog comes first.</summary>
    public void Press(string name) => Until(
        () =>
        {
            if (Find("pressable", name) is not { } element)
                return false;
            element.Click();
            return true;
        },
        $"something to press named \"{name}\"");

    /// <summary>The field with this label, in the dialog that is open if there is one.</summary>
    public IWebElement Field(string label) => Until(() => Find("field", label), $"a field \"{label}\"")!;

    public void Fill(string label, string value)
    {
        var field = Field(label);
        field.SendKeys(Keys.Control + "a");
        field.SendKeys(Keys.Delete);
        if (value.Length > 0)
            field.SendKeys(value);
    }

    /// <summary>Sets a date field, whose typed form depends on the browser's locale.</summary>
    public void FillDate(string label, string day) => driver.ExecuteScript(
        "const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set; set.call(arguments[0], arguments[1]); arguments[0].dispatchEvent(new Event('input', { bubbles: true }));",
        Field(label), day);

    /// <summary>Opens a select by keyboard and chooses an option; a click that lands on a list still moving is made good.</summary>
    public void Choose(string label, string option) => Until(
        () =>
        {
            if (Find("select", label) is not { } select)
                return false;
            if (Shows(select, option))
                return true;
            select.SendKeys(Keys.Enter);
            Press(option);
            Until(() => Script("return document.querySelector('[role=listbox]') === null") is true, "the list to close");
            return Shows(Find("select", label), option);
        },
        $"\"{option}\" chosen in \"{label}\"");

    /// <summary>Types into a field with suggestions and takes one of them.</summary>
    public void Pick(string label, string option)
    {
        Fill(label, option);
        Press(option);
        Until(() => Field(label).GetAttribute("value") == option, $"\"{option}\" picked in \"{label}\"");
    }

    /// <summary>Types on whatever has the focus.</summary>
    public void Type(string keys) => new OpenQA.Selenium.Interactions.Actions(driver).SendKeys(keys).Perform();

    /// <summary>Ctrl and a letter.</summary>
    public void Control(string key) => new OpenQA.Selenium.Interactions.Actions(driver).KeyDown(Keys.Control).SendKeys(key).KeyUp(Keys.Control).Perform();

    public object? Script(string code, params object[] args) => driver.ExecuteScript(code, args);

    /// <summary>Errors of the console since the last call, policy violations among them; refused requests are the app's own business.</summary>
    public IReadOnlyList<string> ConsoleErrors() =>
        [.. driver.Manage().Logs.GetLog(LogType.Browser).Where(l => l.Level >= LogLevel.Warning && !l.Message.Contains("Failed to load resource", StringComparison.Ordinal)).Select(l => l.Message)];

    public void Dispose()
    {
        driver.Quit();
        driver.Dispose();
        Directory.Delete(profile, recursive: true);
    }

    /// <summary>One look-up in the page: asking element by element would take seconds.</summary>
    private IWebElement? Find(string kind, string name) => (IWebElement?)driver.ExecuteScript(
        """
        const [kind, name] = arguments;
        const fold = text => (text ?? "").replace(/\s+/g, " ").trim();
        const shown = e => e.getClientRects().length > 0 && getComputedStyle(e).visibility !== "hidden";
        const last = css => [...document.querySelectorAll(css)].filter(shown).at(-1);
        // A list of suggestions stands beside its field, it does not stand before the page.
        const root = (kind === "field" ? null : last("[role=listbox], [role=menu]")) ?? last("[role=dialog]") ?? document;
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
        kind, name);

    private static bool Shows(IWebElement? select, string option) => select is not null && Fold(select.Text).StartsWith(option, StringComparison.Ordinal);

    private static string Fold(string text) =>
        string.Join(' ', text.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries)).Replace(" ,", ",", StringComparison.Ordinal);

    private string Safe(string css)
    {
        try
        {
            return Text(css);
        }
        catch (NoSuchElementException)
        {
            return "nothing";
        }
    }
}
