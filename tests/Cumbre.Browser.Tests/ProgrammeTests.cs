using OpenQA.Selenium;
using OpenQA.Selenium.Interactions;

namespace Cumbre.Browser.Tests;

/// <summary>
/// A coach writes a block by hand: every set method by keyboard, pairs, dragging, cautions, undo, two windows.
/// </summary>
public sealed class ProgrammeTests : CoachAtWork
{
    private string block = "";

    /// <summary>An empty block for Noor Bakkali of 57.73 kg, who trains in the hall.</summary>
    private void NewBlock(string name)
    {
        Coach.Go("/programmes");
        Coach.Press("Empty block for Noor Bakkali");
        Coach.Sees("First week");
        Coach.Fill("Name", name);
        Coach.Type(Keys.Enter);
        Coach.Sees("Dose, week 1");
        Coach.Sees(name);
        block = Coach.Path;
    }

    private void Row(int row, params string[] says) =>
        Coach.Until(
            () =>
            {
                var text = string.Join(
                    ' ',
                    Coach
                        .Driver.FindElements(By.CssSelector("[data-testid=item]"))[row]
                        .Text.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries)
                );
                var line = Coach
                    .Driver.FindElements(By.CssSelector("[data-testid=item] input[aria-autocomplete=list]"))[row]
                    .GetAttribute("value");
                return says.All(s => ($"{line} | {text}").Contains(s, StringComparison.Ordinal));
            },
            $"row {row} to say {string.Join(", ", says)}"
        );

    private void Saved() => Coach.Until(() => Coach.Text("main [role=status]") == "saved", "the block to be saved");

    private void Open(int session)
    {
        Coach.Driver.FindElements(By.CssSelector("[aria-label=Sessions] [role=tab]"))[session].Click();
        Coach.Until(
            () =>
                Coach
                    .Driver.FindElements(By.CssSelector("[aria-label=Sessions] [role=tab]"))[session]
                    .GetAttribute("aria-selected") == "true",
            $"session {session} to open"
        );
    }

    // The times are worked out by hand: work + rests + 20 s a set + 60 s to change; a clock takes its clock.
    [Fact]
    public void A_block_of_two_weeks_with_every_method_is_built_by_keyboard()
    {
        NewBlock("By hand");
        Add("Weighted pull-up", "4x5 @12.5kg tempo 3-1-x-0 rest 2:30");
        Row(
            0,
            "4 x 5 @ +12.5 kg tempo 3-1-X-0 rest 2:30",
            "+12.5 kg",
            "70.23 kg system mass",
            "100 s under tension",
            "10 + 2.5",
            "11:30"
        );
        Add("Pull-up", "3 x 8..10 rest 2:00");
        Row(1, "30 reps", "7:30", "Top of the range first, then more reps or a harder movement");
        Add("Weighted pull-up", "top 1 x 4 @ +10 kg, back-off 3 x 8 @ -12 % top rest 2:00");
        // 67.8 less 12 % is 59.66 of system: +1.86, of which the plates make 1.25.
        Row(2, "top +10 kg", "back-off +1.25 kg", "9:44");
        Add("Pull-up", "2 x drop 4+4+6 @ +20 / +10 / 0 kg grip wide / medium / narrow rest 3:00");
        Row(3, "28 reps", "take off 10, then take off 10", "6:04");
        Saved();

        Open(1);
        Add("Parallel-bar dip", "2 x rest-pause gap 30 s rest 1:30");
        // Her best is ten: bursts of 10 and 5.
        Row(0, "30 reps", "90 s under tension", "5:40");
        Add("Push-up", "3 x cluster 2+2+2 gap 20 s rest 2:00");
        Row(1, "18 reps", "8:54");
        Add("Push-up", "every 1:20 x 5 do 6");
        Row(2, "30 reps", "62 s rest in each interval", "6:40");
        Add("Pull-up", "pyramid 1-2-3-2-1");
        // Nine reps, and four free rests of 60 s between the steps.
        Row(3, "9 reps", "5:47");
        Add("Horizontal row", "2 x max rest 2:00");
        Add("Pull-up", "2 x practice rest 2:00");
        // Of six, one left: five.
        Row(5, "10 reps", "4:10");
        Saved();

        Open(2);
        Add("Hollow hold", "hold 3 x 20 s rest 1:00");
        Row(0, "60 s under tension", "5:00");
        Add("Hollow hold", "hold 24 s in 3 rest 0:30");
        Row(1, "24 s under tension", "3:24", "Next hold 24 s in 2");
        Add("Negative pull-up", "negative 4 x 1 lower 8 s rest 2:30");
        Row(2, "32 s under tension", "10:22", "Next negative 4 x 1 lower 9 s");
        Add("Push-up", "3 x 10 + stretch 20 s rest 1:00");
        Row(3, "150 s under tension", "6:30");
        Add("High pull-up", "5 x 3 fast rest 3:00");
        Row(4, "15 reps", "15:25");
        Add("Pull-up", "4 x 5 pause 2 s bottom rest 2:00");
        Row(5, "100 s under tension", "10:00");
        Add("Single-arm row", "3 x 6 each side rest 1:30");
        Row(6, "36 reps", "left 18, right 18", "6:48");
        Saved();

        // 3 minutes 24 and so on: over the 60 minutes of the intake, with a press that makes it less.
        Coach.Sees("min, but the athlete has 60.", "[aria-label='Dose and cautions']");
        // A pair by keyboard: the two holds of the trunk in turn share the longer rest.
        Coach.Driver.FindElements(By.CssSelector("[data-testid=item] input[aria-autocomplete=list]"))[1].Click();
        Coach.Control("g");
        Coach.Until(
            () =>
                Coach
                    .Driver.FindElements(By.CssSelector("[data-testid=item]"))
                    .Select(r => r.GetAttribute("aria-label")!.Split(' ')[0])
                    .Take(3)
                    .SequenceEqual(["A1", "A2", "B"]),
            "a pair"
        );
        Saved();

        Coach.Press("Copy week");
        foreach (
            var box in Coach
                .Driver.FindElements(By.CssSelector("[role=dialog] input[type=checkbox]"))
                .Skip(2)
                .Where(b => b.Selected)
        )
            box.Click();
        Coach.Press("Copy");
        Coach.Until(
            () =>
                Coach.Driver.FindElements(By.CssSelector("[aria-label=Weeks] [role=tab]"))[1].Text is var week
                && !week.Contains("0 hard", StringComparison.Ordinal),
            "the second week to be filled"
        );
        Saved();

        var first = Coach.Text("[aria-label=Weeks] [role=tab]");
        Coach.Go(block);
        Coach.Sees("Dose, week 1");
        Assert.Equal(first, Coach.Text("[aria-label=Weeks] [role=tab]"));
        Coach.Driver.FindElements(By.CssSelector("[aria-label=Weeks] [role=tab]"))[1].Click();
        Row(0, "4 x 5 @ +12.5 kg tempo 3-1-X-0 rest 2:30", "11:30");
        Assert.Empty(Coach.ConsoleErrors());
    }

    [Fact]
    public void Items_are_dragged_moved_undone_and_substituted()
    {
        NewBlock("By mouse");
        Add("Pull-up", "3 x 5");
        Add("Push-up", "3 x 10");
        Add("Parallel-bar dip", "3 x 6");
        Names("Pull-up", "Push-up", "Parallel-bar dip");

        Drag("C, drag Parallel-bar dip", Coach.Driver.FindElements(By.CssSelector("[data-testid=item]"))[0], "Pull-up");
        Names("Parallel-bar dip", "Pull-up", "Push-up");
        Coach.Control("z");
        Names("Pull-up", "Push-up", "Parallel-bar dip");

        // Onto another day.
        var days = Coach.Driver.FindElements(By.CssSelector("[aria-label=Sessions] [role=tab]"));
        Drag("B, drag Push-up", days[1], days[1].Text.Split()[0]);
        Names("Pull-up", "Parallel-bar dip");
        Open(1);
        Names("Push-up");
        Open(0);
        Names("Pull-up", "Parallel-bar dip");

        var line = Coach.Driver.FindElements(By.CssSelector("[data-testid=item] input[aria-autocomplete=list]"))[1];
        line.SendKeys(Keys.Alt + Keys.ArrowUp + Keys.Null);
        Names("Parallel-bar dip", "Pull-up");
        Coach
            .Driver.FindElements(By.CssSelector("[data-testid=item] input[aria-autocomplete=list]"))[0]
            .SendKeys(Keys.Alt + "s" + Keys.Null);
        Coach.Sees("Instead of Parallel-bar dip");
        var taken = Coach.Until(
            () => Coach.Text("[role=dialog] li b") is { Length: > 0 } name ? name : null,
            "a substitute"
        )!;
        Coach.Press($"Use {taken}");
        Names(taken, "Pull-up");
        Coach.Press("Undo");
        Names("Parallel-bar dip", "Pull-up");
        Coach.Press("Redo");
        Names(taken, "Pull-up");
        Saved();
        Coach.Go(block);
        Names(taken, "Pull-up");
        Assert.Empty(Coach.ConsoleErrors());

        void Names(params string[] names) =>
            Coach.Until(
                () => Shown().SequenceEqual(names),
                () =>
                    $"the items {string.Join(", ", names)}, where {string.Join(", ", Shown())} stand and the page said "
                    + $"\"{Coach.Text("[id^=DndLiveRegion]")}\""
            );

        IEnumerable<string> Shown() =>
            Coach
                .Driver.FindElements(By.CssSelector("[data-testid=item]"))
                .Select(r => r.GetAttribute("aria-label")!.Split(' ', 2)[1]);
    }

    [Fact]
    public void A_line_and_its_form_follow_each_other_and_an_error_offers_a_way_on()
    {
        NewBlock("By form");
        Add("Pull-up", "4 x 5 rest 2:00");
        Coach.Driver.FindElement(By.CssSelector("[data-testid=item] input[aria-autocomplete=list]")).SendKeys(Keys.F2);
        Coach.Sees("Method");
        Coach.Fill("Sets", "5");
        Coach.Type(Keys.Enter);
        Row(0, "5 x 5 rest 2:00");
        Coach.Choose("Method", "Hold");
        Row(0, "hold 4 x 8 s rest 2:00");
        Coach.Fill("Seconds", "900");
        Coach.Type(Keys.Enter);
        Coach.Sees("900 is outside 1 to 600.");

        var field = Coach.Driver.FindElement(By.CssSelector("[data-testid=item] input[aria-autocomplete=list]"));
        field.SendKeys(Keys.Control + "a");
        field.SendKeys("hold 5 x 8 s tempo 3-1-X-0");
        Coach.Sees("This method has no such part.");
        Coach.Press("hold 5 x 8 s");
        Row(0, "hold 5 x 8 s", "40 s under tension");

        // Tab goes from figure to figure, and out at the end.
        field = Coach.Driver.FindElement(By.CssSelector("[data-testid=item] input[aria-autocomplete=list]"));
        field.SendKeys(Keys.Control + "a");
        field.SendKeys("4 x 5 @ +10 kg rest 2:00" + Keys.Escape + Keys.Home);
        string[] selected =
        [
            .. Enumerable
                .Range(0, 4)
                .Select(_ =>
                {
                    Coach.Type(Keys.Tab);
                    return (string)
                        Coach.Script(
                            "return getSelection().toString() || document.activeElement.value.slice(document.activeElement.selectionStart, document.activeElement.selectionEnd)"
                        )!;
                }),
        ];
        Assert.Equal(["4", "5", "+10", "2:00"], selected);
        Coach.Type(Keys.Tab);
        Assert.NotEqual(
            true,
            Coach.Script(
                "return document.activeElement.getAttribute('aria-autocomplete') === 'list' && document.activeElement.getAttribute('aria-label').startsWith('Line')"
            )
        );

        // What may follow is offered and taken by keyboard.
        field.SendKeys(Keys.Control + "a");
        field.SendKeys("3 x 8 te");
        Coach.Sees("tempo 3-1-X-0", "[role=listbox]");
        field.SendKeys(Keys.ArrowDown + Keys.Enter);
        Row(0, "3 x 8 tempo 3-1-X-0");
        Saved();
        Assert.Empty(Coach.ConsoleErrors());
    }

    [Fact]
    public void A_caution_is_answered_by_one_press_or_kept_with_a_reason()
    {
        NewBlock("With care");
        Add("Push-up", "every 0:10 x 4 do 8");
        Coach.Sees(
            "The work takes 24 s but the interval is 10 s: it does not fit.",
            "[aria-label='Dose and cautions']"
        );
        Coach.Press("Change A to every 0:40 x 4 do 8");
        Coach.SeesNot("it does not fit");
        Row(0, "every 0:40 x 4 do 8");
        Add("Full front lever", "hold 3 x 5 s");
        Coach.Sees("is above the placement.", "[aria-label='Dose and cautions']");
        Coach.Press("Keep, with reason");
        Coach.Fill("Reason for keeping it", "Only to show her the line");
        Coach.Type(Keys.Enter);
        Coach.Sees("“Only to show her the line”");
        Saved();
        Coach.Go(block);
        Coach.Sees("“Only to show her the line”");
        Coach.Press("Reopen");
        Coach.Sees("Keep, with reason");
        Assert.Empty(Coach.ConsoleErrors());
    }

    [Fact]
    public void Two_windows_on_one_block_are_shown_and_mended()
    {
        NewBlock("Twice");
        Add("Pull-up", "3 x 5");
        Saved();
        using var second = new Browser(App.Address);
        second.Go("/");
        second.Press("Enter as coach");
        second.Sees($"{DemoTests.All} decisions");
        second.Go(block);
        Change(second, "4 x 4");
        Stored("4 x 4");
        // Another line is put together without a question.
        Add("Push-up", "3 x 12");
        Saved();
        Row(0, "4 x 4");
        Row(1, "3 x 12");
        Change(second, "6 x 6");
        Stored("6 x 6");
        Change(Coach, "5 x 5");
        Coach.Sees("changed the same line in another window");
        Coach.Sees("6 x 6");
        Coach.Press("Roster");
        Coach.Sees("Leave before it is saved?");
        Coach.Press("Cancel");
        Coach.SeesNot("Leave before it is saved?");
        Coach.Press("Keep yours");
        Saved();
        Row(0, "5 x 5");
        Change(second, "7 x 7");
        second.Sees("changed the same line in another window");
        second.Press("Use it");
        second.Until(() => Value(second) == "5 x 5", "the stored line");
        Assert.Empty(Coach.ConsoleErrors());

        void Stored(string line) =>
            second.Until(
                () =>
                    (
                        (string)
                            second.Driver.ExecuteAsyncScript(
                                "const done = arguments[1]; fetch('/api' + arguments[0]).then(r => r.text()).then(done)",
                                new Uri(block, UriKind.RelativeOrAbsolute).OriginalString.Split('?')[0]
                            )!
                    ).Contains($"\"{line}\"", StringComparison.Ordinal),
                $"{line} to be stored"
            );

        static void Change(Browser window, string line)
        {
            var field = window.Driver.FindElement(By.CssSelector("[data-testid=item] input[aria-autocomplete=list]"));
            field.SendKeys(Keys.Control + "a");
            field.SendKeys(line + Keys.Escape);
        }

        static string? Value(Browser window) =>
            window
                .Driver.FindElement(By.CssSelector("[data-testid=item] input[aria-autocomplete=list]"))
                .GetAttribute("value");
    }

    [Fact]
    public void Missed_weeks_and_templates()
    {
        NewBlock("Away");
        Add("Pull-up", "6 x 4");
        Saved();
        Coach.Press("More");
        Coach.Press("Missed weeks…");
        Coach.Choose("Weeks missed", "2");
        Coach.Sees("a third fewer sets");
        Coach.Sees("→ 4 x 4");
        Coach.Press("Shift block");
        Coach.Sees("Shifted.");
        Assert.Equal(8, Coach.Driver.FindElements(By.CssSelector("[aria-label=Weeks] [role=tab]")).Count);
        Coach.Press("Undo");
        Coach.Until(
            () => Coach.Driver.FindElements(By.CssSelector("[aria-label=Weeks] [role=tab]")).Count == 6,
            "six weeks again"
        );
        Saved();

        Coach.Press("More");
        Coach.Press("Save as template…");
        Coach.Fill("Name", "Pull week");
        Coach.Press("Save");
        Coach.Sees("Apply it from Programmes.");
        Coach.Go("/programmes");
        Coach.Press("Apply Pull week");
        Coach.Driver.FindElements(By.CssSelector("[role=dialog] label")).First(l => l.Text == "Oto Sandvik").Click();
        Coach.Sees("change", "[role=dialog]");
        Coach.Press("Create 1 block");
        Coach.Press("Oto Sandvik");
        Coach.Sees("Dose, week 1");
        Coach.Sees("Oto Sandvik");
        Assert.Empty(Coach.ConsoleErrors());
    }

    private void Drag(string handle, IWebElement target, string over)
    {
        var from = Coach.Until(
            () => Coach.Driver.FindElements(By.CssSelector($"[aria-label='{handle}']")).FirstOrDefault(),
            handle
        )!;
        Coach.Script("arguments[0].scrollIntoView({ block: 'center' })", from);
        // In the steps of a hand: whoever lets go before the page has drawn what is under the pointer, drops nowhere.
        // The first steps may already lead over a neighbour.
        Pointer().MoveToElement(from).ClickAndHold().MoveByOffset(0, -8).MoveByOffset(0, -8).Perform();
        Coach.Until(
            () => Announced("picked up") || Announced("where it was") || Announced("is over"),
            $"{handle} in the hand"
        );
        Pointer().MoveToElement(target).MoveByOffset(2, -4).MoveByOffset(0, -4).Perform();
        Coach.Until(() => Announced($"is over {over}"), "a place for the item");
        Pointer().Release().Perform();
        Coach.Until(() => Announced($"moved to {over}"), "the item to be let go");

        Actions Pointer() => new(Coach.Driver);
        bool Announced(string what) => Coach.Text("[id^=DndLiveRegion]").Contains(what, StringComparison.Ordinal);
    }
}
