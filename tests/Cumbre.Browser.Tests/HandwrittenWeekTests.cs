using System.Diagnostics;
using OpenQA.Selenium;

namespace Cumbre.Browser.Tests;

/// <summary>
/// A week of forty lines, typed key by key as a coach writes on paper (spellings: common practice, no source): every
/// line is read as it was meant, and nothing is left to answer.
/// </summary>
public sealed class HandwrittenWeekTests : CoachAtWork
{
    private static readonly (string Movement, string Written, string Read)[][] Week =
    [
        [
            ("Scapular pull-up", "2x8-10", "2 x 8..10"),
            ("Weighted pull-up", "top set 1x4 @ 10kg then 3x8 -12%", "top 1 x 4 @ +10 kg, back-off 3 x 8 @ -12 % top"),
            ("Tuck front lever", "5x8s rest 2'", "hold 5 x 8 s rest 2:00"),
            ("Front lever row", "3x5 RIR 2 rest 2 min", "3 x 5 2 in reserve rest 2:00"),
            ("High pull-up", "5x3 explosive, rest 3 min", "5 x 3 fast rest 3:00"),
            ("Single-arm row", "3x8/side rest 90", "3 x 8 each side rest 1:30"),
            ("Horizontal row", "drop set 2x 6+6 @ 10/0 kg", "2 x drop 6+6 @ +10 / 0 kg"),
            ("Long-stretch curl", "3x12 + stretch 20s", "3 x 12 + stretch 20 s"),
            ("Hanging leg raise", "3x8-12 tempo 2010", "3 x 8..12 tempo 2-0-1-0"),
            ("Hollow hold", "3x30s, 1 min rest", "hold 3 x 30 s rest 1:00"),
            ("Side plank", "2 x 40 sec per side", "hold 2 x 40 s each side"),
            ("Calf raise", "3x15 each leg", "3 x 15 each side"),
            ("Dead hang", "3 x 0:30", "hold 3 x 30 s"),
        ],
        [
            ("Wrist prep", "1 x 60 s", "hold 1 x 60 s"),
            ("Weighted dip", "5,5,3,3 @ +5kg", "sets 5, 5, 3, 3 @ +5 kg"),
            ("Tuck planche", "6 x 5 sec", "hold 6 x 5 s"),
            ("Pseudo-planche push-up", "4 x 6-8 RPE 8", "4 x 6..8 2 in reserve"),
            ("Parallel-bar dip", "2 x rest pause gap 10 breaths", "2 x rest-pause gap 10 breaths"),
            ("Push-up", "EMOM 8 do 6", "every 1:00 x 8 do 6"),
            ("Ring support", "3x20\"", "hold 3 x 20 s"),
            ("Pike push-up", "3 x AMRAP rest 2:00", "3 x max rest 2:00"),
            ("Ring triceps extension", "10/8/6", "sets 10, 8, 6"),
            ("L-sit", "30 s in 3", "hold 30 s in 3"),
            ("Archer push-up", "3 x 4/4", "3 x 4 each side"),
            ("Bench dip", "20 reps x 3 sets", "3 x 20"),
            ("Squat", "3 sets of 20, rest 1 min", "3 x 20 rest 1:00"),
        ],
        [
            ("Pull-up", "pyramid 1 3 5 3 1", "pyramid 1-3-5-3-1"),
            ("Negative pull-up", "negatives 4x1 8s", "negative 4 x 1 lower 8 s"),
            ("Weighted chin-up", "4x5 w/ 5kg RIR 1", "4 x 5 @ +5 kg 1 in reserve"),
            ("Weighted pull-up", "4x5 +10kg 31X0 rest 2-3 min", "4 x 5 @ +10 kg tempo 3-1-X-0 rest 2:00..3:00"),
            ("One-arm hang", "3 x 10s e/s", "hold 3 x 10 s each side"),
            ("Tuck flag", "4 x 5s left first", "hold 4 x 5 s left first"),
            ("Ring curl", "3 sets of 10", "3 x 10"),
            ("Toes to bar", "4x5 pause 2s top", "4 x 5 pause 2 s top"),
            ("Wall handstand", "4 x 30s rest 90s", "hold 4 x 30 s rest 1:30"),
            ("High pull-up", "4 x 3 to chest", "4 x 3 to chest"),
            ("Front lever raise", "3 x 5 tempo 3/1/X/0", "3 x 5 tempo 3-1-X-0"),
            ("Push-up", "2 x 10 + stretch 15s rest 60s", "2 x 10 + stretch 15 s rest 1:00"),
            ("Split squat", "3x10 each leg (2 RIR)", "3 x 10 2 in reserve each side"),
            ("Overhead opener", "2 x 45s", "hold 2 x 45 s"),
        ],
    ];

    [Fact]
    public void Forty_lines_are_typed_and_read_as_they_were_meant()
    {
        Coach.Go("/programmes");
        Coach.Press("Empty block for Noor Bakkali");
        Coach.Sees("First week");
        Coach.Fill("Name", "On paper");
        Coach.Type(Keys.Enter);
        Coach.Sees("Dose, week 1");
        Assert.Equal(40, Week.Sum(s => s.Length));

        var typed = Stopwatch.StartNew();
        for (var session = 0; session < Week.Length; session++)
        {
            Coach.Driver.FindElements(By.CssSelector("[aria-label=Sessions] [role=tab]"))[session].Click();
            Coach.Until(() => Lines().Count == 0, "an empty session");
            foreach (var (movement, written, _) in Week[session])
                Add(movement, written);
            Coach.Until(
                () => Lines().SequenceEqual(Week[session].Select(l => l.Read)),
                () =>
                    $"{string.Join('\n', Week[session].Select(l => l.Read))}\nand it says\n{string.Join('\n', Lines())}"
            );
        }

        Coach.Until(() => Coach.Text("main [role=status]") == "saved", "the week to be saved");
        typed.Stop();
        TestContext.Current.TestOutputHelper?.WriteLine($"forty lines in {typed.Elapsed.TotalSeconds:0} s");
        for (var session = 0; session < Week.Length; session++)
        {
            Coach.Driver.FindElements(By.CssSelector("[aria-label=Sessions] [role=tab]"))[session].Click();
            Coach.Until(() => Lines().Count == Week[session].Length, "the session");
            Coach.Until(
                () => Texts("[data-testid=item] [role=alert], [data-testid=misfit]", "innerText").Count == 0,
                () => string.Join('\n', Texts("[data-testid=item] [role=alert], [data-testid=misfit]", "innerText"))
            );
        }

        Assert.Empty(Coach.ConsoleErrors());
    }

    private IReadOnlyList<string> Lines() => Texts("[data-testid=item] input[aria-autocomplete=list]", "value");

    private IReadOnlyList<string> Texts(string css, string property) =>
        [
            .. (
                (IEnumerable<object>)
                    Coach.Script(
                        "return [...document.querySelectorAll(arguments[0])].map(e => e[arguments[1]])",
                        css,
                        property
                    )!
            ).Cast<string>(),
        ];
}
