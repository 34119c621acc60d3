using System.Globalization;
using Microsoft.Data.Sqlite;
using OpenQA.Selenium;

namespace Cumbre.Browser.Tests;

/// <summary>A whole session at the bar on a phone, over a line and a server that fail.</summary>
public sealed class RunTests : IDisposable
{
    private readonly ServerProcess server = new();

    public void Dispose() => server.Dispose();

    /// <summary>A load, a drop set, a hold of each side, a pair on the clock, and rest-pause.</summary>
    private const string Lines = """
        [["weighted-pull-up", "3 x 8..10 @ +6.25 kg then +2.5 kg rest 0:05", false],
         ["pull-up", "1 x drop 2+2 @ +10 / 0 kg", false],
         ["one-arm-hang", "hold 1 x 2 s left first", false],
         ["push-up", "every 0:10 x 2 do 2", false], ["ring-row", "every 0:10 x 2 do 2", true],
         ["parallel-bar-dip", "1 x rest-pause gap 5 s", false]]
        """;

    [Fact]
    public async Task A_mixed_session_is_in_the_store_once_whatever_fails_on_the_way()
    {
        var stop = TestContext.Current.CancellationToken;
        var address = await server.Start(stop);
        using var phone = new Browser(address);
        phone.Resize(390, 844);
        phone.Go("/");
        phone.Press("Enter as coach");
        phone.Sees("decisions");
        var path = Planned(phone);
        phone.Driver.ExecuteCdpCommand("Network.clearBrowserCookies", []);
        phone.Go("/");
        phone.Press("Enter as athlete");
        phone.Sees("Before you start");
        phone.Driver.ExecuteAsyncScript("navigator.serviceWorker.ready.then(arguments[arguments.length - 1])");

        phone.Go(path);
        phone.Press("7–8");
        phone.Press("Start session");
        Do(phone, "Done, all 10");
        Do(phone, "Done, all 10");
        Do(phone, "Done, all 10");

        // The line is cut for the middle third, and the tab is closed in it.
        phone.Offline(true);
        phone.Press("Start pull-up");
        phone.Press("Part 1 done, all 2");
        phone.Press("Part 2 done, all 2");
        phone.Press("Start one-arm hang, left");
        phone.Press("Log 2 s");
        phone.Sees("waiting to sync");
        await server.Kill(stop);
        var old = phone.Driver.CurrentWindowHandle;
        phone.Driver.SwitchTo().NewWindow(WindowType.Tab);
        var fresh = phone.Driver.CurrentWindowHandle;
        phone.Driver.SwitchTo().Window(old);
        phone.Driver.Close();
        phone.Driver.SwitchTo().Window(fresh);
        phone.Resize(390, 844);
        phone.Go(path);
        phone.Sees("One-arm hang, right");
        phone.Sees("waiting to sync");
        phone.Press("Start, 5 s to get ready");
        phone.Until(
            () =>
                int.Parse(phone.Text("[role=timer][aria-live=off]:not(header *)"), CultureInfo.InvariantCulture)
                    is 2
                        or 3
                && phone.Text().Contains("2 s reached", StringComparison.Ordinal),
            "two seconds held"
        );
        phone.Press("Stop");
        phone.Press("Log");
        phone.Press("Start push-up");
        phone.Press("Start the clock");
        phone.Press("Done, all 2");
        phone.Press("Start ring row");
        phone.Press("Done, all 2");

        // The server is there again.
        await server.Start(stop);
        phone.Press("Start push-up");
        phone.Press("Done, all 2");
        phone.Press("Start ring row");
        phone.Press("Done, all 2");
        phone.Press("Start parallel-bar dip");
        phone.Press("Log");
        phone.Press("Start set 1");
        phone.Press("Log");
        phone.Press("7");
        phone.Press("Finish session");
        phone.Sees("Session finished");
        phone.Sees("Saved on this phone and with your coach.");

        await using var store = new SqliteConnection($"Data Source={System.IO.Path.Combine(server.Data, "cumbre.db")}");
        await store.OpenAsync(stop);
        var session = Guid.Parse(path.Split('/')[^1]).ToByteArray(bigEndian: true);
        Assert.Equal(
            [
                "1:1.1",
                "1:2.1",
                "1:3.1",
                "2:1.1",
                "2:1.2",
                "3:1.1",
                "3:1.2",
                "4:1.1",
                "4:2.1",
                "5:1.1",
                "5:2.1",
                "6:1.1",
                "6:1.2",
            ],
            await Rows(
                store,
                """
                SELECT i.position || ':' || l.set_no || '.' || l.part_no FROM logged_set l JOIN session_item i ON i.id = l.item_id
                WHERE i.session_id = @session ORDER BY i.position, l.set_no, l.part_no
                """,
                session,
                stop
            )
        );
        Assert.Equal(
            ["Done 7"],
            await Rows(store, "SELECT status || ' ' || effort FROM session WHERE id = @session", session, stop)
        );
        Assert.Equal(
            ["7.5"],
            await Rows(
                store,
                "SELECT sleep_hours FROM check_in c JOIN session s ON s.athlete_id = c.athlete_id AND s.day = c.day WHERE s.id = @session",
                session,
                stop
            )
        );
        // Ten clean for the second time: the load goes up.
        Assert.Contains(
            "AddLoad",
            await Rows(
                store,
                "SELECT kind FROM decision WHERE basis_session_id = @session AND state = 'Proposed'",
                session,
                stop
            )
        );
        Assert.Empty(phone.ConsoleErrors());
    }

    /// <summary>Presses, and the button that comes after the rest.</summary>
    private static void Do(Browser phone, string press)
    {
        phone.Press(press);
        if (phone.Text().Contains("Start set", StringComparison.Ordinal))
            phone.Press("Start set");
    }

    [Fact]
    public async Task What_was_read_is_there_without_a_signal_and_goes_when_somebody_signs_out()
    {
        var stop = TestContext.Current.CancellationToken;
        using var phone = new Browser(await server.Start(stop));
        phone.Resize(390, 844);
        phone.Go("/");
        phone.Press("Enter as athlete");
        phone.Sees("Before you start");
        phone.Driver.ExecuteAsyncScript("navigator.serviceWorker.ready.then(arguments[arguments.length - 1])");
        phone.Press("Progress");
        phone.Sees("Limiting factor");
        phone.Sees("Advanced tuck front lever");
        phone.Press("Log");
        phone.Sees("Show older sessions");
        await server.Kill(stop);

        phone.Go("/log");
        phone.Sees("No signal: this is the copy on your phone");
        phone.Sees("High pull-up");
        phone.Press("Progress");
        phone.Sees("No signal: this is the copy on your phone");
        phone.Sees("Advanced tuck front lever");

        await server.Start(stop);
        phone.Press("Profile");
        phone.Press("Sign out");
        phone.Sees("Enter as athlete");
        Assert.Equal(
            "[]",
            phone.Driver.ExecuteAsyncScript(
                """
                const done = arguments[arguments.length - 1];
                const opened = indexedDB.open("cumbre-run");
                opened.onsuccess = () => {
                  const asked = opened.result.transaction("notes").objectStore("notes").getAllKeys();
                  asked.onsuccess = () => done(JSON.stringify(asked.result));
                };
                """
            )
        );
    }

    /// <summary>The coach plans the session for the athlete of the demo; answers where it is run.</summary>
    private static string Planned(Browser coach) =>
        (string)
            coach.Driver.ExecuteAsyncScript(
                $$"""
                const done = arguments[arguments.length - 1];
                const id = () => { const h = [...crypto.getRandomValues(new Uint8Array(16))].map(b => b.toString(16).padStart(2, "0")).join("");
                  return `${h.slice(0, 8)}-${h.slice(8, 12)}-7${h.slice(13, 16)}-8${h.slice(17, 20)}-${h.slice(20, 32)}`; };
                (async () => {
                  const ilse = (await (await fetch("/api/athletes")).json()).find(a => a.name.startsWith("Ilse")).id;
                  const token = (await (await fetch("/api/me")).json()).csrfToken;
                  const session = id();
                  const items = {{Lines}}.map(([movement, line, joined]) => ({ id: id(), movement, line, joined }));
                  const frame = { seconds: 0, text: null };
                  const block = { name: "A block", start: "2026-03-16", kept: [], weeks: [{ kind: "Loading", sessions: [
                    { id: session, day: "2026-03-16", title: "Mixed", warmUp: frame, coolDown: frame, fixed: false, items }] }] };
                  const answer = await fetch(`/api/athletes/${ilse}/blocks/${id()}`, { method: "PUT", body: JSON.stringify({ block, version: 0 }),
                    headers: { "Content-Type": "application/json", "X-Csrf-Token": token } });
                  done(answer.ok ? `/run/${ilse}/${session}` : await answer.text());
                })();
                """
            )!;

    private static async Task<string[]> Rows(SqliteConnection store, string sql, byte[] session, CancellationToken stop)
    {
        await using var command = store.CreateCommand();
        command.CommandText = sql;
        command.Parameters.AddWithValue("@session", session);
        await using var reader = await command.ExecuteReaderAsync(stop);
        var rows = new List<string>();
        while (await reader.ReadAsync(stop))
            rows.Add(Convert.ToString(reader[0], CultureInfo.InvariantCulture)!);
        return [.. rows];
    }
}
