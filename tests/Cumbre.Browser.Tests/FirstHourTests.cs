namespace Cumbre.Browser.Tests;

/// <summary>A new club reaches its first published block by what the checklist says alone.</summary>
public sealed class FirstHourTests : IAsyncLifetime
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
    public void A_new_club_follows_the_checklist_to_its_first_published_block()
    {
        browser.Go("/");
        browser.Fill("Setup code", App.SetupCode);
        browser.Fill("Club", "Kiln Yard");
        browser.Fill("Your name", "Olga Tamm");
        browser.Fill("Sign-in name", "olga");
        browser.Fill("Password", "a sentence to remember");
        browser.Press("Create club");
        browser.Sees("0 of 7 done");
        // What cannot be done yet says what comes first, and leads nowhere.
        browser.Sees(
            "Enter the bodyweight Every load on a pull-up or dip counts together with it. Add an athlete first."
        );

        browser.Press("Record the gym kit");
        browser.Press("Add size");
        browser.Fill("Size", "5");
        browser.Press("Save");
        browser.Sees("saved");

        // The strip reads again what is done when another page opens, and the Desk ticks it.
        browser.Press("First hour");
        browser.Sees("1 of 7 done");
        browser.Press("Add an athlete");
        browser.Fill("Name", "Ada Lind");
        browser.Press("Start intake");
        browser.Sees("Still open");

        browser.Press("Next: Enter the bodyweight");
        browser.Sees("No reading yet.");
        browser.Fill("Bodyweight", "68.2");
        browser.Press("Add");
        browser.Sees("68.2 kg");

        browser.Press("First hour");
        browser.Sees("3 of 7 done");
        browser.Press("Record a first test");
        browser.Press("Record a test");
        browser.Pick("Test", "Pull-ups in one set");
        browser.Fill("Clean reps", "9");
        browser.Press("Record");
        browser.Sees("Pull-ups in one set: saved.");

        browser.Press("First hour");
        browser.Press("Generate a block");
        browser.Press("Use this block");
        browser.Sees("Dose, week 1");

        browser.Press("First hour");
        browser.Sees("5 of 7 done");
        browser.Press("Publish the block");
        browser.Press("Publish");
        browser.Press("Publish version 1");
        browser.Sees("Version 1 is up to date.");
        browser.Fill("To", "ada@example.org");
        browser.Press("Create message");
        browser.Sees("Created:");

        browser.Go("/");
        browser.Sees("Your Desk is clear.");
        browser.SeesNot("First hour");
        Assert.Empty(browser.ConsoleErrors());
    }

    [Fact]
    public void The_sample_club_opens_beside_the_real_one_and_keeps_to_itself()
    {
        browser.Go("/");
        browser.Fill("Setup code", App.SetupCode);
        browser.Fill("Club", "Kiln Yard");
        browser.Fill("Your name", "Olga Tamm");
        browser.Fill("Sign-in name", "olga");
        browser.Fill("Password", "a sentence to remember");
        browser.Press("Create club");
        browser.Press("Open the sample club");
        var own = browser.Driver.CurrentWindowHandle;
        browser.Until(() => browser.Driver.WindowHandles.Count == 2, "another window");
        browser.Driver.SwitchTo().Window(browser.Driver.WindowHandles.Single(h => h != own));
        browser.Press("Enter as coach");
        browser.Sees("Cochera 9");
        browser.Sees("41 decisions");
        browser.Driver.Close();
        browser.Driver.SwitchTo().Window(own);
        // Its sign-in did not take the place of this one.
        browser.Go("/roster");
        browser.Sees("No athletes yet.");
    }
}
