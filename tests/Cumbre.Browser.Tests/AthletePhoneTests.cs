namespace Cumbre.Browser.Tests;

/// <summary>An athlete on their own phone: where they stand, what they did, and who they are.</summary>
public sealed class AthletePhoneTests : IDisposable
{
    private readonly App app = new(demo: true);
    private readonly Browser phone;

    public AthletePhoneTests()
    {
        phone = new Browser(app.Address);
        phone.Resize(390, 844);
        phone.Go("/");
        phone.Press("Enter as athlete");
        phone.Sees("Before you start");
    }

    public void Dispose()
    {
        phone.Dispose();
        app.DisposeAsync().AsTask().GetAwaiter().GetResult();
    }

    [Fact]
    public void Every_page_fits_the_phone_and_is_read_by_everybody()
    {
        var reader = new Reader(phone);
        var found = new List<string>();
        foreach (
            var (page, sees) in new[]
            {
                ("Progress", "Limiting factor"),
                ("Log", "Show older sessions"),
                ("Profile", "Kit at home"),
                ("Today", "Before you start"),
            }
        )
        {
            phone.Press(page);
            phone.Sees(sees);
            phone.Until(
                () => (string?)phone.Script("return document.querySelector('nav [aria-current]')?.innerText") == page,
                $"{page} to be marked"
            );
            found.AddRange(Axe.Violations(phone, "dark").Select(v => $"{page}, dark: {v}"));
            found.AddRange(Axe.Violations(phone, "light", coloursOnly: true).Select(v => $"{page}, light: {v}"));
            found.AddRange(reader.Faults().Select(f => $"{page}: {f}"));
            var over = (long)
                phone.Script("const m = document.querySelector('main'); return m.scrollWidth - m.clientWidth;")!;
            if (over > 0)
                found.Add($"{page}: {over} px too wide");
        }

        Assert.Empty(found);
        Assert.Empty(phone.ConsoleErrors());
    }

    [Fact]
    public void A_weight_is_added_and_taken_back_and_a_set_is_corrected()
    {
        phone.Press("Profile");
        phone.Fill("Bodyweight", "70,9");
        phone.Press("Add");
        phone.Sees("Mar 16 70.9 kg");
        phone.Press("Delete the reading of 2026-03-16");
        phone.Press("Delete");
        phone.SeesNot("Mar 16 70.9 kg Delete");

        phone.Press("Log");
        phone.Press("Sat, Mar 14, 2026");
        phone.Sees("High pull-up");
        phone.Press("Correct set 5");
        phone.Press("−1");
        phone.Press("Save correction");
        phone.Sees("was 5 at bodyweight");
        phone.Press("Log");
        phone.Sees("5, 5, 5, 5, 4");
    }
}
