using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.DependencyInjection;

namespace Cumbre.Server.Tests;

/// <summary>Who comes in, whom they see, and how they are gone again.</summary>
public sealed class PeopleTests(Cast cast) : IClassFixture<Cast>
{
    private static IReadOnlyList<Guid> Ids(Answer answer, string field = "athleteId") =>
        [.. answer.Ok.AsArray().Select(r => (Guid)r![field]!).Order()];

    private static string Path(Guid athlete) => $"/api/athletes/{athlete}";

    [Fact]
    public async Task Every_list_of_a_coach_holds_those_who_are_theirs()
    {
        Guid[] all = [cast.AnaId, cast.BenId, cast.CemId];
        foreach (
            var (coach, theirs) in new[]
            {
                (cast.Olga, all),
                (cast.Kim, all),
                (cast.Lea, [cast.AnaId]),
                (cast.Moe, [cast.BenId, cast.CemId]),
            }
        )
        {
            Assert.Equal(theirs.Order(), Ids(await coach.Get("/api/athletes"), "id").Intersect(all));
            Assert.Equal(theirs.Order(), Ids(await coach.Get("/api/programmes")).Intersect(all));
            Assert.Equal(
                theirs.Order(),
                (await coach.Get("/api/ladders/front-lever/club")).Ok["flags"]!
                    .AsArray()
                    .Select(f => (Guid)f!["athleteId"]!)
                    .Intersect(all)
                    .Order()
            );
        }
    }

    [Fact]
    public async Task A_decision_of_anothers_athlete_is_not_found_whatever_is_done_with_it()
    {
        var ben = new Trainee(cast.Olga, cast.BenId);
        await ben.OpenGate();
        foreach (var day in new[] { "2026-03-09", "2026-03-12" })
            await ben.Train("3 x 5 @ +5 kg", day, 5);
        var desk = (await cast.Moe.Get("/api/desk")).Ok["rows"]!.AsArray();
        var id = (string)desk.Single(r => (Guid)r!["athleteId"]! == cast.BenId)!["decisions"]![0]!["id"]!;
        Assert.DoesNotContain((await cast.Lea.Get("/api/desk")).Ok["rows"]!.AsArray(), r =>
            (Guid)r!["athleteId"]! == cast.BenId
        );
        Assert.Equal(200, (await cast.Moe.Get($"/api/decisions/{id}")).Status);
        Assert.Equal(404, (await cast.Lea.Get($"/api/decisions/{id}")).Status);
        object anything = new
        {
            line = (string?)null,
            reason = (string?)null,
            until = (string?)null,
        };
        foreach (var verb in new[] { "accept", "later", "undo" })
            Assert.Equal(404, (await cast.Lea.Post($"/api/decisions/{id}/{verb}", anything)).Status);
        var left = (await cast.Lea.Post("/api/decisions/accept", new { ids = new[] { id } })).Ok;
        Assert.Equal((0, 1), (left["accepted"]!.AsArray().Count, left["left"]!.AsArray().Count));
    }

    [Fact]
    public async Task On_a_shared_test_day_each_coach_sees_their_own_and_loses_nobody_elses()
    {
        var id = Guid.CreateVersion7();
        object Day(Guid[] athletes, long version) =>
            new
            {
                name = "Shared",
                day = Club.Today,
                athletes,
                tests = new[] { "pull-up-max" },
                version,
            };
        await cast.Olga.Put($"/api/test-days/{id}", Day([cast.AnaId, cast.BenId], 0));
        object Cell(Guid athlete, string text) =>
            new
            {
                athleteId = athlete,
                benchmark = "pull-up-max",
                side = (string?)null,
                text,
                form = "Clean",
                setUp = (string?)null,
                pain = (int?)null,
                painPlace = (string?)null,
                known = (string[]?)null,
            };
        var (anas, bens) = (Guid.CreateVersion7(), Guid.CreateVersion7());
        Assert.Equal(200, (await cast.Lea.Put($"/api/test-days/{id}/cells/{anas}", Cell(cast.AnaId, "9"))).Status);
        Assert.Equal(404, (await cast.Lea.Put($"/api/test-days/{id}/cells/{bens}", Cell(cast.BenId, "9"))).Status);
        Assert.Equal(200, (await cast.Moe.Put($"/api/test-days/{id}/cells/{bens}", Cell(cast.BenId, "8"))).Status);
        var leas = (await cast.Lea.Get($"/api/test-days/{id}")).Ok;
        Assert.Equal(
            (cast.AnaId, 1),
            ((Guid)leas["athletes"]!.AsArray().Single()!["id"]!, leas["cells"]!.AsArray().Count)
        );
        Assert.DoesNotContain(
            "Ben",
            await cast.Lea.Client.GetStringAsync(
                $"/api/test-days/{id}/sheet.csv",
                TestContext.Current.CancellationToken
            ),
            StringComparison.Ordinal
        );
        var row = (await cast.Lea.Get("/api/test-days")).Ok.AsArray().Single(d => (Guid)d!["id"]! == id)!;
        Assert.Equal((1, 1), ((int)row["athletes"]!, (int)row["results"]!));
        Assert.Single((await cast.Lea.Get($"/api/test-days/{id}/outcome")).Ok.AsArray());
        // What Lea stores keeps Ben on the sheet; and she takes no day away that is not hers alone.
        var version = (long)leas["version"]!;
        Assert.Equal(200, (await cast.Lea.Put($"/api/test-days/{id}", Day([cast.AnaId], version))).Status);
        Assert.Equal(2, (await cast.Olga.Get($"/api/test-days/{id}")).Ok["athletes"]!.AsArray().Count);
        Assert.Equal("testDayShared", (await cast.Lea.Delete($"/api/test-days/{id}")).Said);
        Assert.Equal(
            "athletes[0]:sheetAthleteGone",
            (await cast.Lea.Put($"/api/test-days/{Guid.CreateVersion7()}", Day([cast.BenId], 0))).Field
        );
        var bensAlone = Guid.CreateVersion7();
        await cast.Moe.Put($"/api/test-days/{bensAlone}", Day([cast.BenId], 0));
        Assert.Equal(404, (await cast.Lea.Get($"/api/test-days/{bensAlone}")).Status);
        Assert.Equal(404, (await cast.Lea.Delete($"/api/test-days/{bensAlone}")).Status);
    }

    [Fact]
    public async Task A_group_given_to_a_coach_brings_its_members_and_takes_them_again()
    {
        var group = Guid.CreateVersion7();
        object Outline(Guid[] athletes, long version) =>
            new
            {
                outline = new
                {
                    name = "Quay group",
                    start = "2026-03-23",
                    weeks = 2,
                    easyWeek = false,
                    loadingWeeks = 3,
                    minutes = 60,
                    days = new[]
                    {
                        new
                        {
                            day = "Tuesday",
                            title = "Pull",
                            form = "Class",
                            sets = (int?)null,
                            stations = new[]
                            {
                                new
                                {
                                    key = "a",
                                    kind = "Movement",
                                    of = "ring-row",
                                    light = false,
                                },
                            },
                        },
                    },
                },
                athletes,
                version,
            };
        var nia = await cast.Join(await Cast.Invite(cast.Olga, "coach", "Nia Cove", someOnly: true), "nia");
        Assert.Equal(403, (await nia.Get($"{Path(cast.CemId)}/overview")).Status);
        Assert.Equal("athletes:athleteGone", (await nia.Put($"/api/groups/{group}", Outline([cast.CemId], 0))).Field);
        var stored = await cast.Olga.Put($"/api/groups/{group}", Outline([cast.CemId], 0));
        Assert.True(stored.Status == 200, $"{stored.Body}");
        Assert.Equal(404, (await nia.Get($"/api/groups/{group}")).Status);
        Assert.DoesNotContain((await nia.Get("/api/groups")).Ok.AsArray(), g => (Guid)g!["id"]! == group);

        var id = await Cast.IdOf(nia);
        object Given(Guid[] groups) =>
            new
            {
                role = "coach",
                someOnly = true,
                athletes = Array.Empty<Guid>(),
                groups,
            };
        Assert.Equal(204, (await cast.Olga.Put($"/api/people/{id}", Given([group]))).Status);
        Assert.Equal(200, (await nia.Get($"{Path(cast.CemId)}/overview")).Status);
        Assert.Equal(200, (await nia.Get($"/api/groups/{group}")).Status);
        Assert.Equal(204, (await cast.Olga.Put($"/api/people/{id}", Given([]))).Status);
        Assert.Equal(403, (await nia.Get($"{Path(cast.CemId)}/overview")).Status);
    }

    [Fact]
    public async Task Whom_a_coach_of_some_takes_in_is_theirs_and_no_other_athlete_becomes_so()
    {
        var id = Guid.CreateVersion7();
        Assert.Equal(200, (await cast.Lea.Put(Path(id), Trainee.Profile("Ida Foreland"))).Status);
        Assert.Equal(200, (await cast.Lea.Get($"{Path(id)}/overview")).Status);
        Assert.Equal(403, (await cast.Moe.Get($"{Path(id)}/overview")).Status);
        Assert.Equal(200, (await cast.Kim.Get($"{Path(id)}/overview")).Status);
        Assert.Equal(403, (await cast.Lea.Put(Path(cast.BenId), Trainee.Profile("Mine now"))).Status);
    }

    [Fact]
    public async Task A_guardian_reads_and_writes_nothing_up_to_the_last_day()
    {
        Assert.Equal(200, (await cast.Gil.Get($"{Path(cast.AnaId)}/overview")).Status);
        Assert.Equal(403, (await cast.Gil.Get($"{Path(cast.BenId)}/overview")).Status);
        var body = new { day = Club.Today, mass = new { value = 70, unit = "Kg" } };
        Assert.Equal(403, (await cast.Gil.Put($"{Path(cast.AnaId)}/body-masses/{Guid.CreateVersion7()}", body)).Status);
        var wards = (await cast.Gil.Get("/api/me")).Ok["account"]!["wards"]!.AsArray();
        Assert.Equal("Ana Shoal", (string)wards.Single()!["name"]!);

        var gil = await Cast.IdOf(cast.Gil);
        bool Sees(DateOnly day) =>
            cast
                .Club.Services.GetRequiredService<Database>()
                .Read(db => Reach.Read(db, AccountStore.ById(db, gil)!, day).Holds(cast.AnaId));
        Assert.True(Sees(new(2027, 5, 1)));
        Assert.False(Sees(new(2027, 5, 2)));
    }

    [Theory]
    [InlineData(null, false)]
    [InlineData("2026-03-16", false)]
    [InlineData("2026-03-17", true)]
    [InlineData("2044-03-16", true)]
    [InlineData("2044-03-17", false)]
    public async Task A_guardian_is_invited_up_to_a_day(string? until, bool isFine)
    {
        var answer = await Cast.Invite(cast.Lea, "guardian", "Pat Shoal", cast.AnaId, until);
        Assert.Equal(isFine ? 200 : 400, answer.Status);
        if (isFine)
            Assert.Equal(204, (await cast.Lea.Delete($"/api/invitations/{answer.Ok["id"]}")).Status);
        else
            Assert.Equal("until:guardianUntil", answer.Field);
    }

    [Fact]
    public async Task A_coach_invites_their_own_athletes_and_guardians_and_nobody_else()
    {
        Assert.Equal(403, (await Cast.Invite(cast.Lea, "coach", "Friend")).Status);
        Assert.Equal(403, (await Cast.Invite(cast.Kim, "owner", "Friend")).Status);
        Assert.Equal(404, (await Cast.Invite(cast.Lea, "athlete", athlete: cast.BenId)).Status);
        Assert.StartsWith(
            "accountExists",
            (await Cast.Invite(cast.Lea, "athlete", athlete: cast.AnaId)).Said,
            StringComparison.Ordinal
        );
        Assert.Equal("role:roleUnknown", (await Cast.Invite(cast.Olga, "king", "Somebody")).Field);
        // An invitation of another is neither seen nor withdrawn.
        var foreign = (await Cast.Invite(cast.Moe, "guardian", "Sol Skerry", cast.BenId, "2027-01-01")).Ok;
        Assert.Equal(404, (await cast.Lea.Delete($"/api/invitations/{foreign["id"]}")).Status);
        Assert.Single((await cast.Moe.Get($"{Path(cast.BenId)}/access")).Ok["links"]!.AsArray());
        Assert.Equal(204, (await cast.Moe.Delete($"/api/invitations/{foreign["id"]}")).Status);
    }

    [Fact]
    public async Task A_link_lets_in_once_and_stands_in_no_file()
    {
        var made = await Cast.Invite(cast.Olga, "coach", "Uma Spit", to: "uma@example.org");
        var token = Cast.TokenOf(made);
        var stranger = cast.Club.Stranger();
        var look = (await stranger.Post("/api/links/look", new { token })).Ok;
        Assert.Equal(
            ("Iron Quay", "coach", "Uma Spit"),
            ((string)look["club"]!, (string)look["role"]!, (string)look["name"]!)
        );
        // It is written to whom it is for, which only the owner reads; no other coach takes it from there.
        var message = (await cast.Olga.Get($"/api/outbox/{made.Ok["id"]}")).Ok;
        Assert.Contains(token, (string)message["text"]!, StringComparison.Ordinal);
        Assert.Equal(404, (await cast.Kim.Get($"/api/outbox/{made.Ok["id"]}")).Status);
        Assert.Equal(404, (await cast.Kim.Get($"/api/outbox/{made.Ok["id"]}/message.eml")).Status);
        Assert.DoesNotContain((await cast.Kim.Get("/api/outbox")).Ok.AsArray(), m =>
            (string)m!["id"]! == (string)made.Ok["id"]!
        );

        // A slip does not use it up.
        Assert.Equal("password:passwordShort", (await Cast.TryJoin(stranger, token, "uma", "short")).Field);
        Assert.Equal("signInName:signInNameTaken", (await Cast.TryJoin(stranger, token, "OLGA")).Field);
        Assert.Equal(204, (await Cast.TryJoin(stranger, token, "uma")).Status);
        Assert.Equal(200, (await stranger.Get("/api/athletes")).Status);
        Assert.Equal("linkEnded", (await Cast.TryJoin(cast.Club.Stranger(), token, "uma2")).Said);
        Assert.Equal(404, (await cast.Club.Stranger().Post("/api/links/look", new { token })).Status);
        SqliteConnection.ClearAllPools();
        Assert.Empty(cast.Club.FilesWith(token));
    }

    [Fact]
    public async Task An_athlete_has_one_account_however_often_they_are_invited()
    {
        var id = Guid.CreateVersion7();
        await cast.Olga.Put(Path(id), Trainee.Profile("Jon Reach"));
        var first = Cast.TokenOf(await Cast.Invite(cast.Olga, "athlete", athlete: id));
        var second = Cast.TokenOf(await Cast.Invite(cast.Olga, "athlete", athlete: id));
        Assert.Equal("linkEnded", (await Cast.TryJoin(cast.Club.Stranger(), first, "jon")).Said);
        Assert.Equal(204, (await Cast.TryJoin(cast.Club.Stranger(), second, "jon")).Status);
        Assert.Single((await cast.Olga.Get($"{Path(id)}/access")).Ok["accounts"]!.AsArray());
    }

    [Fact]
    public async Task A_guardian_takes_a_second_child_in_by_its_link()
    {
        var token = Cast.TokenOf(await Cast.Invite(cast.Moe, "guardian", "Gil Shoal", cast.CemId, "2027-05-01"));
        Assert.Equal(404, (await cast.Ana.Post("/api/links/take", new { token })).Status);
        Assert.Equal(204, (await cast.Gil.Post("/api/links/take", new { token })).Status);
        Assert.Equal(200, (await cast.Gil.Get($"{Path(cast.CemId)}/overview")).Status);
        Assert.Equal(404, (await cast.Gil.Post("/api/links/take", new { token })).Status);
    }

    [Fact]
    public async Task Access_ends_at_once_and_is_given_back()
    {
        var vic = await cast.Join(await Cast.Invite(cast.Olga, "coach", "Vic Fjord"), "vic");
        var id = await Cast.IdOf(vic);
        object Ended(bool ended) => new { ended, reason = "moved away" };
        Assert.Equal(204, (await cast.Olga.Put($"/api/people/{id}/access", Ended(true))).Status);
        Assert.Equal(401, (await vic.Get("/api/athletes")).Status);
        Assert.Equal(
            "password:signInWrong",
            (await vic.Post("/api/sign-in", new { signInName = "vic", password = Cast.Password })).Field
        );
        Assert.Equal(204, (await cast.Olga.Put($"/api/people/{id}/access", Ended(false))).Status);
        await cast.SignIn("vic");
        // Only who is out can be erased; then the name can be taken again.
        Assert.Equal("accountStands", (await cast.Olga.Delete($"/api/people/{id}")).Said);
        await cast.Olga.Put($"/api/people/{id}/access", Ended(true));
        Assert.Equal(204, (await cast.Olga.Delete($"/api/people/{id}")).Status);
        Assert.DoesNotContain((await cast.Olga.Get("/api/people")).Ok["people"]!.AsArray(), p =>
            (string)p!["signInName"]! == "vic"
        );
    }

    [Fact]
    public async Task A_club_always_has_an_owner()
    {
        var olga = await Cast.IdOf(cast.Olga);
        object As(string role) =>
            new
            {
                role,
                someOnly = false,
                athletes = Array.Empty<Guid>(),
                groups = Array.Empty<Guid>(),
            };
        Assert.Equal("lastOwner", (await cast.Olga.Put($"/api/people/{olga}", As("coach"))).Said);
        Assert.Equal(
            "ownAccess",
            (await cast.Olga.Put($"/api/people/{olga}/access", new { ended = true, reason = "" })).Said
        );
        var wes = await cast.Join(await Cast.Invite(cast.Olga, "owner", "Wes Sound"), "wes");
        Assert.Equal(200, (await wes.Get("/api/people")).Status);
        var id = await Cast.IdOf(wes);
        Assert.Equal(204, (await cast.Olga.Put($"/api/people/{id}", As("coach"))).Status);
        // What they may do changes with the next request.
        Assert.Equal(403, (await wes.Get("/api/people")).Status);
        var ana = await Cast.IdOf(cast.Ana);
        Assert.Equal("accountOfAthlete", (await cast.Olga.Put($"/api/people/{ana}", As("coach"))).Said);
    }

    [Fact]
    public async Task A_coach_gives_their_own_athlete_a_way_back_in()
    {
        var id = await Cast.IdOf(cast.Ben);
        Assert.Equal(403, (await cast.Lea.Post($"{Path(cast.BenId)}/recovery", new { accountId = id })).Status);
        // Nor the account of somebody else under the own athlete's address.
        Assert.Equal(404, (await cast.Lea.Post($"{Path(cast.AnaId)}/recovery", new { accountId = id })).Status);
        var before = await cast.SignIn("ben");
        var token = Cast.TokenOf(await cast.Moe.Post($"{Path(cast.BenId)}/recovery", new { accountId = id }));
        var look = (await cast.Club.Stranger().Post("/api/links/look", new { token })).Ok;
        Assert.Equal((true, "ben"), ((bool)look["recovers"]!, (string)look["signInName"]!));
        var ben = cast.Club.Stranger();
        Assert.Equal(204, (await Cast.TryJoin(ben, token, "", "five other words of nobody")).Status);
        Assert.Equal(200, (await ben.Get($"{Path(cast.BenId)}/overview")).Status);
        Assert.Equal(401, (await before.Get($"{Path(cast.BenId)}/overview")).Status);
        await cast.SignIn("ben", "five other words of nobody");
        Assert.Equal(404, (await Cast.TryJoin(cast.Club.Stranger(), token, "")).Status);
    }

    [Fact]
    public async Task An_athlete_reads_what_was_published_for_them_and_no_draft()
    {
        var cem = new Trainee(cast.Olga, cast.CemId);
        await cem.Test("pull-up-max", 8);
        var block = Guid.CreateVersion7();
        var wish = new
        {
            name = "Spring",
            start = "2026-03-23",
            days = new[] { "Monday", "Thursday" },
            minutes = (int?)60,
            loadingWeeks = (int?)null,
        };
        var made = (await cast.Moe.Put($"{cem.Path}/blocks/{block}/generated", new { wish, version = 0 })).Ok;
        Assert.Empty((await cast.Cem.Get($"{cem.Path}/programme")).Ok.AsArray());
        Assert.Equal(404, (await cast.Cem.Get($"{cem.Path}/programme/{block}")).Status);
        await cast.Moe.Post(
            $"{cem.Path}/blocks/{block}/versions",
            new { version = (long)made["version"]!, note = "go" }
        );
        Assert.Equal("Spring", (string)(await cast.Cem.Get($"{cem.Path}/programme")).Ok[0]!["name"]!);
        Assert.Equal(1, (int)(await cast.Cem.Get($"{cem.Path}/programme/{block}")).Ok["number"]!);
        Assert.Equal(403, (await cast.Cem.Get($"{cem.Path}/blocks/{block}")).Status);
        Assert.Equal(403, (await cast.Ana.Get($"{cem.Path}/programme/{block}")).Status);
        Assert.Equal(404, (await cast.Ana.Get($"{Path(cast.AnaId)}/programme/{block}")).Status);
    }
}
