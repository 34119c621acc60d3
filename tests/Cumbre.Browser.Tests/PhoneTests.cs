namespace Cumbre.Browser.Tests;

/// <summary>Every screen at the width of a phone.</summary>
public sealed class PhoneTests : CoachAtWork
{
    [Fact]
    public void Nothing_is_wider_than_a_phone()
    {
        var ilse = PathOf("Ilse Marquina");
        (string Path, string? Press, string? Sees)[] screens =
        [
            ("/", null, null),
            ("/roster", null, null),
            (ilse, null, "Lifts and holds"),
            (PathOf("Petra Holm") + "/movement", null, "system mass"),
            (PathOf("Petra Holm") + "/trends", null, "Hard sets"),
            (PathOf("Petra Holm"), null, "Lifts and holds"),
            (PathOf("Marlow Quist") + "/profile", null, null),
            (ilse, "Log session", "Log set"),
            (PathOf("Levi Sorel") + "/intake", null, null),
            ("/kit", null, null),
            ("/test-days/new", null, null),
            ("/ladders/front-lever/edit", null, null),
            ("/programmes", null, "Lever block"),
            ("/programmes", "Lever block", "Hang and breathe"),
            (PathOf("Yara Benavent") + "/generate", null, "Cut to fit the time"),
            ("/outbox", null, null),
            ("/account", null, "this device"),
            ("/people", null, "Irune Basterra"),
            ("/audit", null, "Recorded consent"),
            ("/club", null, "There are no backups yet."),
            ("/privacy", null, "How long people are kept"),
            (PathOf("Levi Sorel") + "/privacy", null, "Maren Sorel"),
            ("/test-days", null, "No test days yet"),
            ("/class", null, "Kasimir Lund"),
            ("/logbook", null, "Sets by week"),
            ("/exchange", null, "Take along"),
            ("/review", null, "Which thresholds tell"),
            (RunOf("Kasimir Lund"), null, "Before you start"),
            (RunOf("Kasimir Lund"), "Warm-up done", "set 1 of 4"),
            (RunOf("Petra Holm"), "Start session", "part 1 of 3"),
            ("/compare", null, null),
        ];
        Coach.Resize(390, 844);
        var wide = new List<string>();
        foreach (var (path, press, sees) in screens)
        {
            Coach.Go(path);
            if (press is not null)
                Coach.Press(press);
            if (sees == "Hang and breathe")
                Coach.Until(
                    () =>
                        Coach.Script(
                            "return [...document.querySelectorAll('input')].some(i => i.value === arguments[0])",
                            sees
                        )
                            is true,
                    sees
                );
            else if (sees is not null)
                Coach.Sees(sees);
            var over = (long)
                Coach.Script(
                    "const m = document.querySelector('main'); return Math.max(m.scrollWidth - m.clientWidth, document.documentElement.scrollWidth - innerWidth);"
                )!;
            if (over > 0)
                wide.Add($"{path} {press}: {over} px");
        }

        Assert.Empty(wide);
    }
}
