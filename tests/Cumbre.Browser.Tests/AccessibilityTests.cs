using OpenQA.Selenium;

namespace Cumbre.Browser.Tests;

/// <summary>Every screen, in both themes, before a checker of the accessibility guidelines.</summary>
public sealed class AccessibilityTests : CoachAtWork
{
    [Fact]
    public async Task No_screen_has_a_serious_violation_in_either_theme()
    {
        var violations = new List<string>();
        using (var door = new Browser(App.Address))
        {
            door.Go("/");
            violations.AddRange(Axe.Violations(door).Select(v => $"sign-in: {v}"));
        }

        await using (var empty = new App(demo: false))
        using (var first = new Browser(empty.Address))
        {
            first.Go("/");
            first.Sees("Create club");
            violations.AddRange(Axe.Violations(first).Select(v => $"first start: {v}"));
            first.Fill("Setup code", App.SetupCode);
            first.Fill("Club", "Kiln Yard");
            first.Fill("Your name", "Olga Tamm");
            first.Fill("Sign-in name", "olga");
            first.Fill("Password", "a sentence to remember");
            first.Press("Create club");
            first.Sees("0 of 7 done");
            violations.AddRange(Axe.Violations(first).Select(v => $"first hour: {v}"));
        }

        var ilse = PathOf("Ilse Marquina");
        var bruno = PathOf("Bruno Achterberg");
        Coach.Go("/");
        Coach.Sees($"{DemoTests.All} decisions");
        Coach.Type("w");
        Check("desk with why");
        Coach.Type("j");
        Coach.Type("e");
        Coach.Sees("Accept this line");
        Check("edit a decision");
        Coach.Type(Keys.Escape);
        Coach.Control("k");
        Coach.Sees("New athlete");
        Check("jump");
        Coach.Type(Keys.Escape);
        Coach.Go("/roster");
        Check("roster");
        Coach.Go($"{PathOf("Kasimir Lund")}/ladders?ladder=front-lever");
        Coach.Sees("Limiting factor:");
        Coach.Press("81 %");
        Check("ridge with why");
        Coach.Press("Record a test of Tuck");
        Coach.Sees("Seconds");
        Check("record a hold");
        Coach.Go("/ladders");
        Check("ladders");
        Coach.Go("/ladders?show=movements");
        Check("movements");
        Coach.Go("/ladders?show=schools");
        Check("coaching schools");
        Coach.Go("/ladders/human-flag");
        Coach.Sees("Not started");
        Check("a ladder with the club");
        Coach.Go("/movements/ring-muscle-up");
        Check("movement");
        Coach.Go(ilse + "/trends");
        Coach.Sees("Hard sets");
        Check("trends");
        Coach.Press("Table");
        Check("trends as a table");
        Coach.Go("/athletes/new");
        Check("new athlete");
        Coach.Go(ilse + "/profile");
        Check("profile");
        Coach.Go($"{PathOf("Levi Sorel")}/intake");
        Check("intake");
        Coach.Go("/kit");
        Check("kit");
        Coach.Go("/exchange");
        Check("in and out");
        Coach.Go("/review");
        Coach.Sees("Which thresholds tell");
        Check("club review");
        Coach.Go("/programmes");
        Check("programmes");
        Coach.Go($"{PathOf("Kasimir Lund")}/programme");
        Check("programme of an athlete");
        Coach.Go($"{PathOf("Yara Benavent")}/generate");
        Coach.Sees("Cut to fit the time");
        Check("generate a block");
        Coach.Go($"{PathOf("Yara Benavent")}/import");
        Check("import a block");
        Coach.Go("/outbox");
        Check("outbox");
        Coach.Go("/account");
        Coach.Sees("this device");
        Check("account");
        Coach.Go(RunOf("Petra Holm"));
        Coach.Sees("Before you start");
        Check("before a session is run");
        Coach.Press("Start session");
        Coach.Sees("part 1 of 3");
        Check("a set");
        Coach.Press("Pain");
        Coach.Sees("Any of these?");
        Check("pain");
        Coach.Press("Close");
        Coach.Press("More");
        Coach.Sees("Load used");
        Check("more of a set");
        Coach.Press("Close");
        Coach.Press("Part 1 done");
        Coach.Press("Part 2 done");
        Coach.Press("Part 3 done");
        Coach.Sees("Start set 2 now");
        Check("rest");
        Coach.Go("/class");
        Coach.Sees("Kasimir Lund");
        Check("class");
        Coach.Go("/board");
        Coach.Sees("Petra");
        Check("hall board");
        Coach.Go("/people");
        Coach.Sees("Irune Basterra");
        Check("people");
        Coach.Press("Invite someone");
        Coach.Choose("Sees", "Own athletes only");
        Check("an invitation");
        Coach.Fill("Name", "Somebody New");
        Coach.Press("Create link");
        Coach.Sees("This link works once");
        Check("a link");
        Coach.Go("/audit");
        Coach.Sees("Recorded consent");
        Coach.Press("Check the chain");
        Coach.Sees("none changed.");
        Check("audit");
        Coach.Go("/club");
        Coach.Sees("There are no backups yet.");
        Check("club");
        Coach.Go("/privacy");
        Coach.Sees("How long people are kept");
        Check("privacy");
        Coach.Go(PathOf("Levi Sorel") + "/privacy");
        Coach.Sees("Maren Sorel");
        Coach.Press("Record a signed form");
        Check("privacy of an athlete");
        Coach.Go($"{PathOf("Kasimir Lund")}/programme");
        Coach.Press("Lever block");
        Coach.Sees("out of balance");
        Coach.Press("Publish");
        Coach.Sees("Not published yet");
        Check("publish");
        Coach.Type(Keys.Escape);
        Coach.Press("More for B");
        Coach.Press("Form beside the line");
        Coach.Sees("Reps from");
        Check("block with a form");
        Coach.Press("How to write lines");
        Coach.Sees("unbroken pyramid");
        Check("help card");
        Coach.Type(Keys.Escape);
        Coach.Press("Copy week");
        Check("copy a week");
        Coach.Type(Keys.Escape);
        var block = Coach.Path.Split('?')[0];
        Coach.Go($"{block}/print");
        Check("sheets of a block");
        Coach.Go("/compare");
        Check("compare");
        Coach.Go("/test-days");
        Coach.Sees("No test days yet");
        Check("test days");
        Coach.Go("/test-days/new");
        Coach.Press("Everybody");
        Coach.Sees("fell short last time");
        Check("new test day");
        Coach.Press("Open sheet");
        Coach.Sees("everything saved");
        Check("sheet");
        var testDay = Coach.Path;
        foreach (var part in new[] { "edit", "outcome", "print" })
        {
            Coach.Go($"{testDay}/{part}");
            Check($"test day, {part}");
        }

        Coach.Go("/groups/new");
        Coach.Sees("Create blocks");
        Check("group");
        Coach.Go("/ladders/front-lever/edit");
        Coach.Press("Tuck");
        Coach.Fill("Opens the next", "tuck front lever");
        Coach.Sees("Write “>=” after");
        Check("edit a ladder");
        Coach.Script("localStorage.clear()");
        Coach.Go("/movements/new");
        Check("new movement");
        Coach.Go("/ladders/import");
        Check("import");
        Coach.Go("/help");
        Check("help");
        Coach.Go("/glossary#e1rm");
        Check("glossary");
        Coach.Go("/messages");
        Coach.Sees("room by room");
        Check("every message");
        Coach.Go("/athletes/00000000-0000-7000-8000-000000000000");
        Coach.Sees("This page could not be loaded");
        Check("a page that could not be loaded");
        Coach.Go("/");
        Coach.Driver.FindElement(By.CssSelector("main h1 button")).Click();
        Coach.Sees("All words");
        Check("a word opened");
        Coach.Type(Keys.Escape);
        Coach.Press("Ca, account of");
        Coach.Press("Preferences");
        Coach.Sees("Dates and numbers");
        Check("preferences");
        Coach.Type(Keys.Escape);
        Coach.Go(ilse);
        Coach.Sees("Lifts and holds");
        Coach.Press("Add other training");
        Check("athlete at a glance");
        Coach.Go(ilse + "/movement");
        Coach.Sees("system mass");
        Check("weighted pull-up");
        Coach.Fill("Line", "4 x");
        Coach.Sees("What fits");
        Check("line with an error");
        Coach.Script("localStorage.clear()");
        Coach.Press("Record a test");
        Coach.Sees("After two or three ramp sets");
        Check("record a test");
        Coach.Go(bruno);
        Check("athlete with pain");
        Coach.Go(ilse + "/movement");
        Coach.Press("Log");
        Coach.Sees("Log set");
        Check("session");
        Coach.Press("Check in");
        Coach.Press("Set-up and note");
        Coach.Press("Skip");
        Check("session with check-in and set-up");
        Coach.Press("Move");
        Coach.Sees("Move session");
        Check("move a session");
        Coach.Type(Keys.Escape);
        Coach.Press("Print");
        Coach.Sees("Write the reps or seconds done in each box");
        Check("print");

        // The theme is chosen in the account's menu, and a reload remembers it.
        Coach.Go("/");
        Coach.Press("Ca, account of");
        Coach.Press("Dark");
        Coach.Until(() => Scheme() == "dark", "the dark theme");
        Coach.Go("/");
        Assert.Equal("dark", Scheme());

        Assert.True(violations is [], string.Join('\n', violations));
        Assert.Empty(Coach.ConsoleErrors());

        void Check(string screen) => violations.AddRange(Seen(screen));

        string Scheme() => (string)Coach.Script("return document.documentElement.getAttribute('data-scheme')")!;
    }

    [Fact]
    public void No_dialog_or_menu_has_a_serious_violation_in_either_theme()
    {
        var violations = new List<string>();
        var reader = new Reader(Coach);
        var kasimir = PathOf("Kasimir Lund");
        Coach.Go("/nothing-here");
        Coach.Sees("Page not found");
        violations.AddRange(Seen("a page that is not there"));
        Coach.Type("?");
        Opened("keys", "Single-letter keys");
        Open("/kit", "Measure", "simulated scale", "measure a band");
        Open(kasimir + "/ladders?ladder=front-lever", "Set step", "Reason", "set a step");
        Open("/programmes", "Empty block for Noor Bakkali", "First week", "new block");
        Open(null, "Ca, account of", "Sign out", "the account");

        Coach.Go(kasimir + "/programme");
        Coach.Press("Lever block");
        Coach.Sees("Dose, week");
        Open(null, "Copy week", "Copy", "copy a week");
        Open(null, "More", "Delete block", "more of the block");
        Open(null, "More for A", "Another movement", "more of a line");
        Open(null, "Paste lines", "Paste", "paste lines");
        foreach (
            var (verb, says) in new[]
            {
                ("Missed weeks", "missed"),
                ("Save as template", "template"),
                ("Delete block", "Delete"),
            }
        )
        {
            Coach.Press("More");
            Coach.Press(verb);
            Opened(verb, says);
        }

        Coach.Press("More for A");
        Coach.Press("Another movement");
        Opened("another movement", "Instead of");
        Open("/ladders/front-lever/edit", "More for Tuck", "Add a step below", "more of a step");
        Assert.True(violations.Count == 0, string.Join('\n', violations));

        void Open(string? path, string press, string says, string what)
        {
            if (path is not null)
                Coach.Go(path);
            Coach.Press(press);
            Opened(what, says);
        }

        void Opened(string what, string says)
        {
            Coach.Until(
                () => Coach.Text("[role=dialog], [role=menu]").Contains(says, StringComparison.OrdinalIgnoreCase),
                () => $"{what} to say {says}, which says {Coach.Text("[role=dialog], [role=menu]")}"
            );
            violations.AddRange(Seen(what));
            if (Coach.Text("[role=dialog]").Length > 0)
                violations.AddRange(reader.Faults().Select(f => $"{what}, {f}"));
            Coach.Type(Keys.Escape);
            Coach.Until(
                () => Coach.Script("return document.querySelector('[role=dialog], [role=menu]') === null") is true,
                $"{what} to close"
            );
        }
    }

    private IEnumerable<string> Seen(string screen) =>
        from look in new[] { (Scheme: "light", ColoursOnly: false), (Scheme: "dark", ColoursOnly: true) }
        from violation in Axe.Violations(Coach, look.Scheme, look.ColoursOnly)
        select $"{look.Scheme} {screen}: {violation}";
}
