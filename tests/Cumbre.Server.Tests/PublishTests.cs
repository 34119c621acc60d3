using System.Globalization;
using System.Text;
using System.Text.Json.Nodes;
using CsvHelper;
using Ical.Net;
using Json.Schema;
using Calendar = Ical.Net.Calendar;

namespace Cumbre.Server.Tests;

/// <summary>
/// Draft and published versions; a block as calendar, table and file. RFC 5545 is read back by a general-purpose
/// library, and its raw rules are checked as text.
/// </summary>
public sealed class PublishTests(SharedClub shared) : IClassFixture<SharedClub>, IAsyncLifetime
{
    private Caller coach = null!;

    public async ValueTask InitializeAsync() => coach = await shared.Club.Coach();

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    private async Task<(string Path, JsonNode Block)> Generated(string start = "2026-03-16", string name = "Generated")
    {
        var athlete = await coach.NewAthlete();
        var path = $"{athlete.Path}/blocks/{Guid.CreateVersion7()}";
        return (
            path,
            (
                await coach.Put(
                    $"{path}/generated",
                    new
                    {
                        wish = new
                        {
                            name,
                            start,
                            days = new[] { "Monday", "Thursday" },
                            minutes = 60,
                            loadingWeeks = (int?)null,
                        },
                        version = 0,
                    }
                )
            ).Ok
        );
    }

    private Task<Answer> Publish(string path, JsonNode block, string? note = null) =>
        coach.Post($"{path}/versions", new { version = (long)block["version"]!, note });

    private Task<string> Text(string path) => coach.Client.GetStringAsync(path, TestContext.Current.CancellationToken);

    private static string Athlete(string path) => path[..path.IndexOf("/blocks", StringComparison.Ordinal)];

    private static JsonArray Sessions(JsonNode block, int week = 0) =>
        block["block"]!["weeks"]![week]!["sessions"]!.AsArray();

    private async Task<JsonNode> Edit(string path, JsonNode stored, Action<JsonNode> change)
    {
        var block = stored["block"]!.DeepClone();
        change(block);
        return (await coach.Put(path, new { block, version = (long)stored["version"]! })).Ok;
    }

    [Fact]
    public async Task A_version_is_frozen_while_the_draft_goes_on()
    {
        var (path, block) = await Generated();
        var before = (await coach.Get($"{path}/versions")).Ok;
        Assert.Equal((0, true), (before["versions"]!.AsArray().Count, (bool)before["changed"]!));
        var list = (await Publish(path, block, "For March")).Ok;
        Assert.Equal(
            (1, "For March", false),
            ((int)list["versions"]![0]!["number"]!, (string)list["versions"]![0]!["note"]!, (bool)list["changed"]!)
        );

        var edited = await Edit(path, block, b => b["weeks"]![0]!["sessions"]![1]!["items"]![0]!["line"] = "9 x 1");
        Assert.True((bool)(await coach.Get($"{path}/versions")).Ok["changed"]!);
        var frozen = (await coach.Get($"{path}/sheets?version=1")).Ok;
        Assert.NotEqual("9 x 1", (string)Sessions(frozen)[1]!["items"]![0]!["line"]!);
        Assert.Equal("9 x 1", (string)Sessions((await coach.Get($"{path}/sheets")).Ok)[1]!["items"]![0]!["line"]!);
        Assert.Equal(2, (await Publish(path, edited)).Ok["versions"]!.AsArray().Count);
    }

    [Fact]
    public async Task Paper_speaks_the_unit_of_the_athlete()
    {
        var marlow = (await coach.Get("/api/programmes"))
            .Ok.AsArray()
            .Single(r => (string)r!["athleteName"]! == "Marlow Quist")!["athleteId"];
        var path = $"/api/athletes/{marlow}/blocks/{Guid.CreateVersion7()}";
        await coach.Put(
            $"{path}/generated",
            new
            {
                wish = new
                {
                    name = "Pounds",
                    start = "2026-03-16",
                    days = (string[]?)null,
                    minutes = (int?)null,
                    loadingWeeks = (int?)null,
                },
                version = 0,
            }
        );
        Assert.Equal("Lb", (string)(await coach.Get($"{path}/sheets")).Ok["unit"]!);
    }

    [Fact]
    public async Task A_stale_publish_is_refused_and_an_unknown_version_is_not_found()
    {
        var (path, block) = await Generated();
        await Edit(path, block, b => b["name"] = "Changed elsewhere");
        Assert.Equal(409, (await Publish(path, block)).Status);
        Assert.Equal(404, (await coach.Get($"{path}/sheets?version=7")).Status);
        Assert.Equal(
            "note:textTooLong",
            (await coach.Post($"{path}/versions", new { version = 1, note = new string('x', 201) })).Field
        );
    }

    [Fact]
    public async Task The_calendar_holds_every_session_and_a_newer_file_replaces_an_older_one()
    {
        var (path, block) = await Generated();
        await Publish(path, block);
        var first = Calendar.Load(await Text($"{path}/calendar.ics?version=1&time=18:30"))!;
        Assert.Equal(10, first.Events.Count);
        Assert.Equal("PUBLISH", first.Method);
        var session = Sessions(block)[0]!;
        var one = first.Events.Single(e => e.Uid == $"{session["id"]}@cumbre");
        Assert.Equal(
            (1, "2026-03-16 18:30"),
            (one.Sequence, one.Start!.Value.ToString("yyyy-MM-dd HH:mm", CultureInfo.InvariantCulture))
        );

        var moved = await Edit(path, block, b =>
        {
            b["weeks"]![0]!["sessions"]![0]!["day"] = "2026-03-17";
            b["weeks"]![0]!["sessions"]!.AsArray().RemoveAt(1);
        });
        await Publish(path, moved);
        var second = Calendar.Load(await Text($"{path}/calendar.ics?version=2"))!;
        var again = second.Events.Single(e => e.Uid == one.Uid);
        Assert.Equal(
            (2, "2026-03-17", false),
            (
                again.Sequence,
                again.Start!.Value.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
                again.Start.HasTime
            )
        );
        // What was published and is gone is called off, under its old id.
        var off = Assert.Single(second.Events, e => e.Status == EventStatus.Cancelled);
        Assert.Equal($"{Sessions(block)[1]!["id"]}@cumbre", off.Uid);
        // The older version still says what it said.
        Assert.DoesNotContain(Calendar.Load(await Text($"{path}/calendar.ics?version=1"))!.Events, e =>
            e.Status == EventStatus.Cancelled
        );
    }

    // RFC 5545, 3.1: lines end in CRLF and are folded at 75 octets; 3.3.11: commas, semicolons and line breaks in text
    // are escaped.
    [Fact]
    public async Task A_title_with_commas_semicolons_line_breaks_and_emoji_comes_back_whole()
    {
        const string title = "Zug, Druck; \"schräg\" 🏔️";
        var (path, block) = await Generated();
        await Edit(path, block, b =>
        {
            b["weeks"]![0]!["sessions"]![0]!["title"] = title;
            b["weeks"]![0]!["sessions"]![0]!["warmUp"]!["text"] = "one\ntwo, three; four";
        });
        var raw = await Text($"{path}/calendar.ics");
        Assert.All(raw.TrimEnd().Split("\r\n"), line => Assert.InRange(Encoding.UTF8.GetByteCount(line), 1, 75));
        Assert.DoesNotContain('\n', raw.Replace("\r\n", "", StringComparison.Ordinal));
        var found = Calendar.Load(raw)!.Events.Single(e => e.Uid == $"{Sessions(block)[0]!["id"]}@cumbre");
        Assert.StartsWith(title + ", ", found.Summary, StringComparison.Ordinal);
        Assert.StartsWith("Warm-up: one\ntwo, three; four", found.Description, StringComparison.Ordinal);
    }

    // The demo's club is in a zone whose clocks change on 29 March 2026: 18:30 stays 18:30 by the wall.
    [Fact]
    public async Task Over_the_change_of_the_clock_and_the_turn_of_the_year_sessions_keep_their_hour()
    {
        foreach (var start in new[] { "2026-03-16", "2026-12-14" })
        {
            var (path, _) = await Generated(start);
            var raw = await Text($"{path}/calendar.ics?time=18:30");
            Assert.Contains("BEGIN:VTIMEZONE", raw, StringComparison.Ordinal);
            Assert.All(Calendar.Load(raw)!.Events, e =>
                Assert.Equal(
                    ("18:30", true),
                    (
                        e.Start!.Value.ToString("HH:mm", CultureInfo.InvariantCulture),
                        e.Start.Value.DayOfWeek is DayOfWeek.Monday or DayOfWeek.Thursday
                    )
                )
            );
        }
    }

    [Theory]
    [InlineData("")]
    [InlineData("X-Asked-For")]
    [InlineData("\0\0\0\0")]
    [InlineData("Subject: cut")]
    public async Task A_damaged_message_hides_no_other(string content)
    {
        var outbox = Directory.CreateDirectory(Path.Combine(shared.Club.Data, "outbox"));
        var id = Guid.CreateVersion7();
        var path = Path.Combine(outbox.FullName, $"{id}.eml");
        await File.WriteAllTextAsync(path, content, TestContext.Current.CancellationToken);
        Assert.Equal(200, (await coach.Get("/api/outbox")).Status);
        Assert.Contains((await coach.Get($"/api/outbox/{id}")).Status, new[] { 200, 404 });
        Assert.Contains((await coach.Get($"/api/outbox/{id}/message.eml")).Status, new[] { 200, 404 });
        File.Delete(path);
    }

    [Fact]
    public async Task A_message_that_is_sent_many_times_at_once_is_one()
    {
        var (path, block) = await Generated();
        await Publish(path, block);
        var request = new
        {
            id = Guid.CreateVersion7(),
            week = 1,
            version = 1,
            to = "tess@example.org",
            time = "18:30:00",
        };
        var answers = await Task.WhenAll(Enumerable.Range(0, 12).Select(_ => coach.Post($"{path}/messages", request)));
        Assert.All(answers, a => Assert.Equal(200, a.Status));
        Assert.Single(answers.Select(a => a.Body!.ToJsonString()).Distinct());
    }

    // RFC 5322: read back by a general-purpose library; lines of at most 998 octets, CRLF, a Date, a From, one
    // Message-ID.
    [Fact]
    public async Task A_week_is_written_as_a_message_into_the_outbox_and_can_be_read()
    {
        var (path, block) = await Generated(name: "Bär, \"Hebel\" 🏔️");
        await Publish(path, block);
        var id = Guid.CreateVersion7();
        var request = new
        {
            id,
            week = 1,
            version = 1,
            to = "tess@example.org",
            time = "18:30:00",
        };
        var written = (await coach.Post($"{path}/messages", request)).Ok;
        Assert.Equal("Bär, \"Hebel\" 🏔️, week 1 from 16 March", (string)written["subject"]!);
        // The same again is the same message.
        Assert.Equal(written.ToJsonString(), (await coach.Post($"{path}/messages", request)).Ok.ToJsonString());
        Assert.Single((await coach.Get("/api/outbox")).Ok.AsArray(), m => (string)m!["id"]! == id.ToString());
        Assert.Contains(
            "Stop on sharp pain",
            (string)(await coach.Get($"/api/outbox/{id}")).Ok["text"]!,
            StringComparison.Ordinal
        );

        var raw = await coach.Client.GetByteArrayAsync(
            $"/api/outbox/{id}/message.eml",
            TestContext.Current.CancellationToken
        );
        var message = MimeKit.MimeMessage.Load(new MemoryStream(raw), TestContext.Current.CancellationToken);
        Assert.Equal(
            ("tess@example.org", $"{id}@club.invalid"),
            (message.To.Mailboxes.Single().Address, message.MessageId)
        );
        var calendar = Assert.IsType<MimeKit.TextPart>(Assert.Single(message.Attachments), exactMatch: false);
        Assert.Equal(2, Calendar.Load(calendar.Text)!.Events.Count);
        Assert.All(Encoding.UTF8.GetString(raw).Split("\r\n"), line => Assert.InRange(line.Length, 0, 998));
        Assert.True(File.Exists(Path.Combine(shared.Club.Data, "outbox", $"{id}.eml")));
    }

    // Without a time and of the draft: what was asked for ended in a space, and was not found again.
    [Fact]
    public async Task A_message_without_a_time_is_written_and_told_the_same_again()
    {
        var (path, _) = await Generated();
        var request = new
        {
            id = Guid.CreateVersion7(),
            week = 1,
            version = (int?)null,
            to = "tess@example.org",
            time = (string?)null,
        };
        var written = (await coach.Post($"{path}/messages", request)).Ok;
        Assert.Equal(written.ToJsonString(), (await coach.Post($"{path}/messages", request)).Ok.ToJsonString());
    }

    [Fact]
    public async Task Eight_writers_of_a_message_give_one_winner_and_seven_conflicts()
    {
        var (path, block) = await Generated();
        await Publish(path, block);
        var id = Guid.CreateVersion7();
        object Request(int week, int hour) =>
            new
            {
                id,
                week,
                version = 1,
                to = "tess@example.org",
                time = $"{hour:00}:30:00",
            };
        var answers = await Task.WhenAll(
            Enumerable.Range(0, 8).Select(i => coach.Post($"{path}/messages", Request(1, 10 + i)))
        );
        Assert.Equal([200, 409, 409, 409, 409, 409, 409, 409], answers.Select(a => a.Status).Order());
        var stored = (await coach.Get($"/api/outbox/{id}")).Ok.ToJsonString();
        Assert.All(answers.Where(a => a.Status == 409), a => Assert.Equal(stored, a.Body!["current"]!.ToJsonString()));
        // The winner is told the same again, and nothing is left beside the messages.
        var won = Array.FindIndex(answers, a => a.Status == 200);
        Assert.Equal(200, (await coach.Post($"{path}/messages", Request(1, 10 + won))).Status);
        Assert.All(Directory.GetFiles(Path.Combine(shared.Club.Data, "outbox")), f =>
            Assert.EndsWith(".eml", f, StringComparison.Ordinal)
        );
    }

    [Theory]
    [InlineData("nobody", 1, "to:addressForm")]
    [InlineData("tess@example.org\r\nBcc: all@example.org", 1, "to:addressForm")]
    [InlineData("tess@example.org", 9, "week:blockWeeks")]
    public async Task A_message_without_an_address_or_for_no_week_is_refused(string to, int week, string field)
    {
        var (path, _) = await Generated();
        Assert.Equal(
            field,
            (
                await coach.Post(
                    $"{path}/messages",
                    new
                    {
                        id = Guid.CreateVersion7(),
                        week,
                        version = (int?)null,
                        to,
                        time = (string?)null,
                    }
                )
            ).Field
        );
        Assert.Equal(404, (await coach.Get($"/api/outbox/{Guid.CreateVersion7()}")).Status);
    }

    [Fact]
    public async Task Two_versions_and_two_athletes_are_held_against_each_other()
    {
        var (path, block) = await Generated();
        await Publish(path, block);
        await Edit(path, block, b => b["weeks"]![0]!["sessions"]![1]!["items"]![0]!["line"] = "9 x 1");
        var (other, _) = await Generated();
        object Side(string of, int? version = null) =>
            new
            {
                athleteId = of.Split('/')[3],
                blockId = of.Split('/')[5],
                version,
            };

        var versions = (await coach.Post("/api/compare", new { left = Side(path, 1), right = Side(path) })).Ok;
        Assert.EndsWith("version 1", (string)versions["leftName"]!, StringComparison.Ordinal);
        var changed = Assert.Single(versions["weeks"]![0]!["differences"]!.AsArray())!;
        Assert.Equal(("Line", "9 x 1"), ((string)changed["kind"]!, (string)changed["right"]![0]!));
        Assert.All(versions["weeks"]!.AsArray().Skip(1), w => Assert.Empty(w!["differences"]!.AsArray()));

        // The same body, kit and tests: the same block.
        Assert.All(
            (await coach.Post("/api/compare", new { left = Side(path, 1), right = Side(other) })).Ok[
                "weeks"
            ]!.AsArray(),
            w => Assert.Empty(w!["differences"]!.AsArray())
        );
        Assert.Equal(404, (await coach.Post("/api/compare", new { left = Side(path, 7), right = Side(other) })).Status);
    }

    [Fact]
    public async Task The_table_has_a_row_for_every_item_and_no_formula()
    {
        var (path, block) = await Generated();
        await Edit(path, block, b => b["weeks"]![0]!["sessions"]![0]!["title"] = "=1+1");
        using var csv = new CsvReader(
            new StringReader((await Text($"{path}/block.csv")).TrimStart('\uFEFF')),
            CultureInfo.InvariantCulture
        );
        var rows = csv.GetRecords<dynamic>().Select(r => (IDictionary<string, object>)r).ToArray();
        Assert.Equal(
            block["block"]!["weeks"]!
                .AsArray()
                .Sum(w => w!["sessions"]!.AsArray().Sum(s => s!["items"]!.AsArray().Count)),
            rows.Length
        );
        Assert.Equal("'=1+1", rows[0]["Session"]);
        Assert.Equal(
            ("1", "Loading", "2026-03-16"),
            ((string)rows[0]["Week"], (string)rows[0]["Kind"], (string)rows[0]["Day"])
        );
    }

    [Fact]
    public async Task A_block_as_a_file_fits_its_schema_and_comes_back_the_same()
    {
        var (path, block) = await Generated();
        var text = await Text($"{path}/block.json");
        var schema = JsonSchema.FromText(await Text("/api/schemas/block-file.schema.json"));
        Assert.True(schema.Evaluate(JsonNode.Parse(text)).IsValid);

        var read = (await coach.Post($"{Athlete(path)}/blocks/import", new { text, start = (string?)null })).Ok;
        Assert.Empty(read["problems"]!.AsArray());
        Assert.Empty(read["notes"]!.AsArray());
        var copy = $"{Athlete(path)}/blocks/{Guid.CreateVersion7()}";
        var stored = (await coach.Put(copy, new { block = read["block"], version = 0 })).Ok;
        Assert.Equal(Lines(block), Lines(stored));
        Assert.Equal(text, await Text($"{copy}/block.json"));
    }

    private static string[] Lines(JsonNode stored) =>
        [
            .. stored["block"]!["weeks"]!
                .AsArray()
                .SelectMany(w => w!["sessions"]!.AsArray())
                .SelectMany(s =>
                    s!["items"]!
                        .AsArray()
                        .Select(i =>
                            $"{s["day"]} {s["title"]} {s["warmUp"]} {i!["movement"]} {i["line"]} {i["joined"]}"
                        )
                ),
        ];

    [Fact]
    public async Task A_file_can_start_on_another_Monday()
    {
        var (path, _) = await Generated();
        var text = await Text($"{path}/block.json");
        var read = (await coach.Post($"{Athlete(path)}/blocks/import", new { text, start = "2026-06-01" })).Ok;
        Assert.Equal("2026-06-04", (string)read["block"]!["weeks"]![0]!["sessions"]![1]!["day"]!);
        Assert.Equal(
            "start:startNotMonday",
            (await coach.Post($"{Athlete(path)}/blocks/import", new { text, start = "2026-06-02" })).Field
        );
    }

    [Fact]
    public async Task A_file_of_another_version_cut_in_half_or_of_another_kind_is_refused_with_its_place()
    {
        var (path, _) = await Generated();
        var text = await Text($"{path}/block.json");
        async Task<JsonNode> Problem(string changed) =>
            (await coach.Post($"{Athlete(path)}/blocks/import", new { text = changed, start = (string?)null })).Ok[
                "problems"
            ]![0]!;

        Assert.Equal(
            "version",
            (string)
                (await Problem(text.Replace("\"version\": 1", "\"version\": 2", StringComparison.Ordinal)))["place"]!
        );
        Assert.StartsWith(
            "line ",
            (string)(await Problem(text[..(text.Length / 2)]))["place"]!,
            StringComparison.Ordinal
        );
        Assert.Equal("format", (string)(await Problem("{\"format\": \"cumbre.ladders\"}"))["place"]!);
        Assert.Equal(
            "weeks[0].kind",
            (string)
                (await Problem(text.Replace("\"kind\": \"loading\"", "\"kind\": \"heavy\"", StringComparison.Ordinal)))[
                    "place"
                ]!
        );
        Assert.Equal(
            "start",
            (string)
                (
                    await Problem(
                        text.Replace("\"start\": \"2026-03-16\"", "\"start\": \"2026-03-18\"", StringComparison.Ordinal)
                    )
                )["place"]!
        );
    }

    [Fact]
    public async Task An_unknown_movement_and_a_line_that_cannot_be_read_are_noted_and_kept()
    {
        var (path, _) = await Generated();
        var file = JsonNode.Parse(await Text($"{path}/block.json"))!;
        var items = file["weeks"]![0]!["sessions"]![1]!["items"]!;
        items[0]!["movement"] = "moon-walk";
        items[1]!["line"] = "3 x";
        var read = (
            await coach.Post(
                $"{Athlete(path)}/blocks/import",
                new { text = file.ToJsonString(), start = (string?)null }
            )
        ).Ok;
        Assert.Equal(
            ["weeks[0].sessions[1].items[0].movement", "weeks[0].sessions[1].items[1].line"],
            read["notes"]!.AsArray().Select(n => (string)n!["place"]!)
        );
        Assert.Contains(read["reading"]!["cautions"]!.AsArray(), c => (string)c!["id"]! == "MovementUnknown");
        Assert.Equal(
            200,
            (
                await coach.Put(
                    $"{Athlete(path)}/blocks/{Guid.CreateVersion7()}",
                    new { block = read["block"], version = 0 }
                )
            ).Status
        );
    }
}
