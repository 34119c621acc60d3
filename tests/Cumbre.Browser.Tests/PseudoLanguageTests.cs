using System.Text.Json;

namespace Cumbre.Browser.Tests;

/// <summary>
/// Every page in a made-up language, in which each message stands between brackets and is a third longer: what shows no
/// brackets stands in no catalogue, what is cut has no room for another language.
/// </summary>
public sealed class PseudoLanguageTests : CoachAtWork
{
    private const string Look = """
        const known = new Set(arguments[0]);
        const stray = [], cut = [], joined = [];
        const seen = e => {
          const box = e.getBoundingClientRect(), style = getComputedStyle(e);
          return box.width > 1 && box.height > 1 && style.visibility !== 'hidden' && style.clipPath === 'none';
        };
        const walk = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
        while (walk.nextNode()) {
          const node = walk.currentNode, e = node.parentElement, text = node.textContent.trim();
          if (!e || !text || /SCRIPT|STYLE|NOSCRIPT/.test(e.tagName) || e.closest('svg') || !seen(e)) continue;
          let block = e;
          while (getComputedStyle(block).display.startsWith('inline') && block.parentElement) block = block.parentElement;
          const before = document.createRange();
          before.setStart(block, 0);
          before.setEnd(node, 0);
          let depth = 0, outside = '';
          for (const c of before.toString()) depth += c === '⟦' ? 1 : c === '⟧' ? -1 : 0;
          for (const c of text) {
            depth += c === '⟦' ? 1 : c === '⟧' ? -1 : 0;
            outside += depth > 0 || c === '⟧' ? ' ' : c;
          }
          const words = (outside.match(/[A-Za-z]{3,}/g) ?? []).filter(w => !known.has(w.toLowerCase()));
          if (words.length) stray.push(text.slice(0, 80));
          if (/⟧⟦/.test(text)) joined.push(text.slice(0, 120));
        }
        for (const e of document.querySelectorAll('button, h1, h2, h3, th, [role=tab], a.MuiButton-root')) {
          const style = getComputedStyle(e);
          if (e.scrollWidth > e.clientWidth + 1 && style.overflowX === 'hidden' && e.textContent.includes('⟦') && seen(e))
            cut.push(e.textContent.slice(0, 80));
        }
        return JSON.stringify({ stray, cut, joined });
        """;

    [Fact]
    public void Every_word_of_the_interface_is_a_message_with_room_for_a_longer_one()
    {
        Coach.Go("/");
        Coach.Sees($"{DemoTests.All} decisions");
        Coach.Script("localStorage.setItem('cumbre.words', 'pseudo')");
        var kasimir = PathOf("Kasimir Lund");
        var found = new List<string>();
        foreach (
            var path in new[]
            {
                "/",
                "/roster",
                "/kit",
                "/class",
                "/logbook",
                "/exchange",
                "/review",
                "/board",
                "/ladders",
                "/ladders?show=movements",
                "/ladders?show=schools",
                "/ladders/front-lever",
                "/movements/ring-muscle-up",
                "/movements/new",
                "/ladders/front-lever/edit",
                "/ladders/import",
                "/programmes",
                "/groups/new",
                "/compare",
                "/outbox",
                "/account",
                "/people",
                "/audit",
                "/club",
                "/privacy",
                kasimir + "/privacy",
                "/test-days",
                "/test-days/new",
                "/help",
                "/athletes/new",
                kasimir,
                kasimir + "/movement",
                kasimir + "/trends?weeks=0",
                kasimir + "/ladders?ladder=front-lever",
                kasimir + "/programme",
                kasimir + "/intake",
                kasimir + "/profile",
                kasimir + "/generate",
                RunOf("Kasimir Lund"),
            }
        )
        {
            Coach.Go(path);
            Coach.Until(
                () =>
                    Coach.Text("main h1").Length > 0
                    && !Coach.Text("main").Contains("Loading", StringComparison.Ordinal),
                $"{path} to be drawn"
            );
            Coach.Until(
                () => (long)Coach.Script("return document.querySelectorAll('.MuiSkeleton-root').length")! == 0,
                path
            );
            using var look = JsonDocument.Parse((string)Coach.Script(Look, (object)Known(path))!);
            foreach (var kind in new[] { "stray", "cut", "joined" })
                found.AddRange(
                    look.RootElement.GetProperty(kind).EnumerateArray().Select(t => $"{path} {kind}: {t.GetString()}")
                );
        }

        Coach.Script("localStorage.clear()");
        Assert.True(found.Count == 0, string.Join('\n', found.Distinct()));
    }

    /// <summary>Words of the catalogue and of the demo's people, which are data and no messages.</summary>
    /// <summary>Words that are data; on the page with the club's own text also those of the text.</summary>
    private static string[] Known(string path)
    {
        var catalogue = Directory
            .GetFiles(Path.Combine(Root(), "catalogue"), "*.json")
            .Select(File.ReadAllText)
            .Append(path == "/privacy" ? File.ReadAllText(Path.Combine(Root(), "catalogue", "privacy.txt")) : "")
            .Append(
                "Kasimir Lund Ada Lind Yara Benavent Dagmar Roe Iker Varga Noor Bakkali Bruno Achterberg Ilse Marquina Levi Sorel "
                    + "Marlow Quist Oto Sandvik Petra Holm Silas Okonjo Tove Halloran Wanda Osei Cochera Cumbre Coach Lever block "
                    + "ramp easier two lift steps today top back off reserve rest each side hold band tempo drop negative then gap box fast left right max "
                    + "pyramid cluster books wood elbow inside knee "
                    + "Chrome Linux Irune Basterra Maren "
                    + "Mon Tue Wed Thu Fri Sat Sun Jan Feb Mar Apr May Jun Jul Aug Sep Oct Nov Dec"
            );
        return
        [
            .. catalogue
                .SelectMany(text => System.Text.RegularExpressions.Regex.Matches(text, "[A-Za-z]{3,}"))
                .Select(word => word.Value.ToLowerInvariant())
                .Distinct(),
        ];
    }

    private static string Root()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(folder!.FullName, "Cumbre.slnx")))
            folder = folder.Parent;
        return folder.FullName;
    }
}
