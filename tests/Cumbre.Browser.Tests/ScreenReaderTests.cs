using OpenQA.Selenium;

namespace Cumbre.Browser.Tests;

/// <summary>What somebody hears who works with a screen reader, over the whole loop of the coach.</summary>
public sealed class ScreenReaderTests : CoachAtWork
{
    [Fact]
    public void Every_page_of_the_loop_is_told_whole_and_every_verb_says_what_it_did()
    {
        var reader = new Reader(Coach);
        var faults = new List<string>();
        var (kasimir, ilse, levi, yara) = (
            PathOf("Kasimir Lund"),
            PathOf("Ilse Marquina"),
            PathOf("Levi Sorel"),
            PathOf("Yara Benavent")
        );

        // A decision: taken, postponed, undone; the row that comes next has the focus.
        Visit("/", "41 decisions");
        Coach.Type("a");
        reader.Hears("Bruno Achterberg, Weighted pull-up: accepted.");
        Coach.Until(
            () =>
                Coach.Script("return document.activeElement.closest('[data-athlete]') !== null") is true
                && Coach.Text("li[aria-current]").StartsWith("Dagmar Roe", StringComparison.Ordinal),
            "the next decision to have the focus"
        );
        Coach.Type("l");
        reader.Hears("postponed.");
        Coach.Type("z");
        reader.Hears("undone.");
        Coach.Type("w");
        Coach.Until(() => Coach.Text("aside").Length > 0, "the reasons");
        Look();

        foreach (
            var (path, says) in new[]
            {
                ("/roster", "Bruno Achterberg"),
                (kasimir, "Lifts and holds"),
                (kasimir + "/movement", "Record"),
                (kasimir + "/trends", "Hard sets"),
                (kasimir + "/ladders?ladder=front-lever", "Limiting factor:"),
                (levi + "/intake", "Still open"),
                (ilse + "/profile", "Archive"),
                ("/athletes/new", "Start intake"),
                ("/kit", "Plates"),
                ("/ladders", "Front lever"),
                ("/ladders?show=movements", "Pull-up"),
                ("/ladders?show=schools", "school"),
                ("/ladders/human-flag", "Not started"),
                ("/ladders/front-lever/edit", "as shipped"),
                ("/movements/ring-muscle-up", "Ring muscle-up"),
                ("/movements/new", "Name"),
                ("/programmes", "Lever block"),
                (kasimir + "/programme", "Lever block"),
                (yara + "/generate", "Cut to fit the time"),
                ("/groups/new", "Create blocks"),
                ("/compare", "Compare"),
                ("/outbox", "Outbox"),
                ("/account", "Devices"),
                ("/people", "Irune Basterra"),
                ("/audit", "Recorded consent"),
                ("/club", "There are no backups yet."),
                ("/privacy", "How long people are kept"),
                (levi + "/privacy", "Maren Sorel"),
                ("/test-days", "No test days yet"),
                ("/class", "Kasimir Lund"),
                ("/board", "Nobody is training yet"),
                (RunOf("Kasimir Lund"), "Before you start"),
                ("/logbook", "Sets by week"),
                ("/exchange", "Take along"),
                ("/review", "Which thresholds tell"),
                ("/help", "Desk"),
                ("/glossary", "Glossary"),
            }
        )
            Visit(path, says);

        // A block: a line moved, paired, deleted and brought back.
        Coach.Go(kasimir + "/programme");
        Coach.Press("Lever block");
        Coach.Sees("Dose, week");
        Look();
        Coach.Driver.FindElements(By.CssSelector("[data-testid=item] input[aria-autocomplete=list]"))[1].Click();
        Chord(Keys.Alt + Keys.ArrowUp + Keys.Null);
        reader.Hears("Line moved up.");
        Chord(Keys.Control + "g" + Keys.Null);
        reader.Hears("Superset with the line above.");
        Chord(Keys.Alt + Keys.Delete + Keys.Null);
        reader.Hears("Line deleted. Ctrl Z brings it back.");
        for (var i = 0; i < 3; i++)
            Coach.Control("z");
        reader.Hears("Undone.");
        Coach.Press("Publish");
        Coach.Sees("Not published yet");
        Look();
        Coach.Type(Keys.Escape);

        // A set at the bar.
        Coach.Go(ilse);
        Coach.Press("Log session");
        Coach.Sees("Log set");
        Look();
        Coach.Press("Log set");
        reader.Hears("Weighted pull-up, set 1: logged.");

        // A test day.
        Coach.Go("/test-days/new");
        Coach.Press("Everybody");
        Coach.Sees("fell short last time");
        Look();
        Coach.Press("Open sheet");
        Coach.Sees("everything saved");
        Look();
        Assert.True(faults.Count == 0, string.Join('\n', faults));

        void Visit(string path, string says)
        {
            Coach.Go(path);
            Coach.Sees(says);
            Look();
        }

        void Chord(string keys) => Coach.Driver.SwitchTo().ActiveElement().SendKeys(keys);

        void Look() => faults.AddRange(reader.Faults());
    }
}
