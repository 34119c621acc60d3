using OpenQA.Selenium;

namespace Cumbre.Browser.Tests;

/// <summary>A new club from the first start to a logged session, by keys alone.</summary>
public sealed class WithoutMouseTests : IAsyncLifetime
{
    private App app = null!;
    private Browser browser = null!;

    public ValueTask InitializeAsync()
    {
        app = new App(demo: false);
        browser = new Browser(app.Address);
        return ValueTask.CompletedTask;
    }

    public async ValueTask DisposeAsync()
    {
        browser.Dispose();
        await app.DisposeAsync();
    }

    [Fact]
    public void A_new_club_comes_to_its_first_logged_session_by_keys_alone()
    {
        var hands = new Hands(browser);
        browser.Go("/");
        hands.Fill("Setup code", App.SetupCode);
        hands.Fill("Club", "Kiln Yard");
        hands.Fill("Your name", "Olga Tamm");
        hands.Fill("Sign-in name", "olga");
        hands.Fill("Password", "a sentence to remember");
        hands.Press("Create club");
        hands.Arrives("Desk");

        hands.Press("Add an athlete");
        hands.Arrives("New athlete");
        hands.Fill("Name", "Ada Lind");
        hands.Press("Start intake");
        hands.Arrives("Ada Lind");
        hands.Fill("Bodyweight", "68.2");
        browser.Type(Keys.Enter);
        browser.Sees("68.2 kg");

        hands.Press("First hour");
        hands.Arrives("Desk");
        hands.Press("Record a first test");
        hands.Press("Record a test");
        hands.Fill("Test", "Pull-ups in one set");
        browser.Sees("Pull-ups in one set", "[role=listbox]");
        browser.Type(Keys.ArrowDown + Keys.Enter);
        hands.Fill("Clean reps", "9");
        browser.Type(Keys.Enter);
        browser.Sees("Pull-ups in one set: saved.");

        hands.Press("First hour");
        hands.Arrives("Desk");
        hands.Press("Generate a block");
        hands.Press("Use this block");
        browser.Sees("Dose, week 1");
        hands.Press("Publish");
        hands.Press("Publish version 1");
        browser.Sees("Version 1 is up to date.");
        browser.Until(
            () => browser.Script("return document.activeElement.closest('[role=dialog]') !== null") is true,
            "the focus in the dialog"
        );
        browser.Type(Keys.Escape);
        browser.Until(
            () => browser.Script("return document.querySelector('[role=dialog]')") is null,
            "the dialog gone"
        );

        browser.Control("k");
        browser.Sees("Roster", "[role=listbox]");
        browser.Type("Ada");
        // Her block bears her name as well, and stands alone until the roster is read.
        browser.Until(
            () =>
                browser.Script(
                    "return document.querySelector('[role=listbox] [role=option]')?.innerText.startsWith('Ada Lind')"
                )
                    is true,
            "Ada Lind first in the list"
        );
        browser.Type(Keys.Enter);
        hands.Arrives("Ada Lind");
        hands.Press("Log session");
        browser.Until(() => browser.Path.Contains("/sessions/", StringComparison.Ordinal), "the session");
        // The first set's field has the focus; Enter logs it, and the next set's field gets it.
        hands.To("Reps");
        browser.Type(Keys.Enter);
        new Reader(browser).Hears("set 1: logged.");
        browser.Until(
            () =>
                browser.Script("return document.activeElement.closest('form')?.getAttribute('aria-label')") is "Set 2",
            "the next set to have the focus"
        );
        Assert.Empty(hands.Faults);
        Assert.Empty(browser.ConsoleErrors());
    }
}
