namespace Cumbre.Browser.Tests;

/// <summary>
/// A day of a real club: an owner, two coaches, three athletes and a guardian come in by their links, and each sees what
/// is theirs.
/// </summary>
public sealed class PeopleTests : IAsyncLifetime
{
    private const string Password = "four words of nobody";

    private readonly App app = new(demo: false);
    private readonly Browser browser;

    public PeopleTests() => browser = new(app.Address);

    public ValueTask InitializeAsync() => ValueTask.CompletedTask;

    public async ValueTask DisposeAsync()
    {
        browser.Dispose();
        await app.DisposeAsync();
    }

    /// <summary>Sends what another page of the app would, with the token of who is signed in.</summary>
    private object? Send(string method, string path, string body) =>
        browser.Driver.ExecuteAsyncScript(
            """
            const [method, path, body, done] = arguments;
            (async () => {
              const me = await (await fetch("/api/me")).json();
              const answer = await fetch(path, { method, body: body || undefined,
                headers: { "Content-Type": "application/json", "X-Csrf-Token": me.csrfToken } });
              const text = await answer.text();
              done(answer.ok ? text : `${answer.status}: ${text}`);
            })();
            """,
            method,
            path,
            body
        );

    private Guid Athlete(string name)
    {
        var id = Guid.CreateVersion7();
        Send(
            "PUT",
            $"/api/athletes/{id}",
            $$"""
            {"name":"{{name}}","birthYear":1990,"unit":"Kg","sex":null,"statureCm":170,"schools":[],"cleared":false,"version":0,
             "lengths":{"armCm":null,"trunkCm":null,"thighCm":null,"shankCm":null},"kit":{"plates":[],"hasBelt":false,"vest":null} }
            """
        );
        Send(
            "PUT",
            $"/api/athletes/{id}/body-masses/{Guid.CreateVersion7()}",
            """{"day":"2026-03-16","mass":{"value":70,"unit":"Kg"}}"""
        );
        return id;
    }

    /// <summary>The address of a link that is on the screen, once.</summary>
    private string TakeLink()
    {
        const string Shown = "return document.querySelector('[role=dialog] textarea')?.value ?? ''";
        var address = browser.Until(
            () => (string)browser.Script(Shown)! is { Length: > 0 } text ? text : null,
            "a link"
        )!;
        browser.Press("Close");
        return new Uri(address).PathAndQuery + new Uri(address).Fragment;
    }

    private string Invite(string name, params string[] athletes)
    {
        browser.Go("/people");
        browser.Press("Invite someone");
        browser.Fill("Name", name);
        browser.Choose("Sees", "Own athletes only");
        foreach (var athlete in athletes)
        {
            browser.Fill("Athletes", athlete);
            browser.Press(athlete);
        }

        // The list stays open for the next choice.
        browser.Type(OpenQA.Selenium.Keys.Escape);
        browser.Press("Create link");
        return TakeLink();
    }

    private void SignOut()
    {
        browser.Go("/account");
        browser.Sees("Devices");
        Send("POST", "/api/sign-out", "");
    }

    private void Join(string link, string signInName)
    {
        browser.Go(link);
        browser.Sees("Welcome to Iron Quay");
        browser.Fill("Sign-in name", signInName);
        browser.Fill("Password", Password);
        browser.Press("Join");
        browser.SeesNot("Welcome to Iron Quay");
    }

    private void SignIn(string name)
    {
        browser.Go("/");
        browser.Fill("Sign-in name", name);
        browser.Fill("Password", Password);
        browser.Press("Sign in");
        browser.SeesNot("Stay signed in");
    }

    [Fact]
    public void Everybody_of_a_club_comes_in_and_sees_what_is_theirs()
    {
        browser.Go("/");
        browser.Fill("Setup code", "GUESS");
        browser.Fill("Club", "Iron Quay");
        browser.Fill("Your name", "Olga Reef");
        browser.Fill("Sign-in name", "olga");
        browser.Fill("Password", Password);
        browser.Press("Create club");
        browser.Sees("This is not the code.");
        browser.Fill("Setup code", App.SetupCode);
        browser.Press("Create club");
        browser.Sees("0 of 7 done");
        var (ana, ben, cem) = (Athlete("Ana Shoal"), Athlete("Ben Skerry"), Athlete("Cem Tide"));
        var (leas, moes) = (Invite("Lea Estuary", "Ana Shoal"), Invite("Moe Isthmus", "Ben Skerry", "Cem Tide"));
        SignOut();

        // Lea coaches Ana, lets her and her guardian in, and meets nobody else.
        Join(leas, "lea");
        browser.Go("/roster");
        browser.Sees("Ana Shoal");
        browser.SeesNot("Ben Skerry");
        browser.Go($"/athletes/{ben}");
        browser.Sees("You do not have access to this.");
        browser.Go($"/athletes/{ana}/privacy");
        browser.Press("Invite the athlete");
        browser.Press("Create link");
        var anas = TakeLink();
        browser.Press("Invite a guardian");
        browser.Fill("Name", "Gil Shoal");
        browser.Press("Create link");
        browser.Sees("Choose the last day of a guardian’s access");
        browser.FillDate("Last day of access", "2027-05-01");
        browser.Press("Create link");
        var gils = TakeLink();
        browser.Go("/people");
        browser.Sees("Only the owner sees this");
        SignOut();

        // Ana agrees to what is kept of her.
        Join(anas, "ana");
        browser.Sees("Ana Shoal");
        browser.SeesNot("Roster");
        browser.Go($"/athletes/{ana}/privacy");
        browser.Press("Give consent");
        browser.Press("Give consent");
        browser.Sees("Tick this first.");
        browser.Driver.FindElement(OpenQA.Selenium.By.CssSelector("main input[type=checkbox]")).Click();
        browser.Press("Give consent");
        browser.Sees("Consent is given.");
        browser.Go($"/athletes/{cem}");
        browser.Sees("You do not have access to this.");
        SignOut();

        // Gil reads, and has nothing to write with but a consent.
        Join(gils, "gil");
        browser.Sees("Ana Shoal");
        browser.SeesNot("Add other training");
        browser.Go($"/athletes/{ana}/privacy");
        browser.Sees("Ana Shoal by the athlete");
        SignOut();
        browser.Go(gils);
        browser.Sees("Link no longer valid");

        // Moe plans for Ben, who logs; Moe sees it come in, and Lea does not.
        Join(moes, "moe");
        var session = Guid.CreateVersion7();
        Send(
            "PUT",
            $"/api/athletes/{ben}/sessions/{session}",
            """{"day":"2026-03-16","movement":"push-up","line":"2 x 8","easy":false,"overrideReason":null,"version":0}"""
        );
        browser.Go($"/athletes/{ben}/privacy");
        browser.Press("Invite the athlete");
        browser.Press("Create link");
        var bens = TakeLink();
        browser.Go($"/athletes/{cem}/privacy");
        browser.Press("Invite the athlete");
        browser.Press("Create link");
        var cems = TakeLink();
        SignOut();
        Join(bens, "ben");
        browser.Press("Progress");
        browser.Press("Lifts, holds, calendar");
        browser.Press("Log session");
        browser.Press("Log set");
        browser.Sees("1 set not logged yet");
        SignOut();
        Join(cems, "cem");
        browser.Sees("Cem Tide");
        browser.Go($"/athletes/{ben}/sessions/{session}");
        browser.Sees("You do not have access to this.");
        SignOut();
        SignIn("moe");
        browser.Sees("Ben Skerry");
        SignOut();
        SignIn("lea");
        browser.Sees("No sessions today.");
        browser.SeesNot("Ben Skerry");
        SignOut();

        // The owner reads who did what, and ends an access.
        SignIn("olga");
        browser.Go("/audit");
        browser.Choose("What", "Health and consent");
        browser.Sees("Recorded consent");
        browser.SeesNot("Signed in");
        browser.Press("Check the chain");
        browser.Sees("none changed.");
        browser.Go("/people");
        browser.Press("Edit Moe Isthmus");
        browser.Press("End access");
        browser.Press("End access");
        browser.Sees("access ended on");
        SignOut();
        browser.Go("/");
        browser.Fill("Sign-in name", "moe");
        browser.Fill("Password", Password);
        browser.Press("Sign in");
        browser.Sees("Name and password do not match.");
    }
}
