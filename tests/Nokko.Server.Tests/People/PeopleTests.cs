using System.Net;
using System.Net.Http.Json;
using System.Security.Cryptography;
using System.Text.Json.Nodes;
using Nokko.Driving;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>A shop and its people: made, invited, given a role, let go.</summary>
public class PeopleTests
{
    private const string Password = "rake and lean";

    private static object First(
        string code = Hosted.FirstCode,
        string shop = "Marl Street Fitting",
        string userName = "ada",
        string password = Password
    ) =>
        new
        {
            code,
            shop,
            name = "Ada Marl",
            userName,
            password,
            lengthUnit = "mm",
        };

    private static async Task<JsonObject> Person(Caller caller, string userName) =>
        (await caller.Get("/api/shop"))["people"]!
            .AsArray()
            .Single(p => p!["userName"]!.GetValue<string>() == userName)!
            .AsObject();

    private static async Task<string> Link(Caller owner, string role) =>
        (await owner.Post("/api/people/links", new { role }))["token"]!.GetValue<string>();

    private static async Task<Caller> Come(
        Hosted server,
        string token,
        string userName,
        int expected = 200
    )
    {
        var caller = new Caller(server.CreateClient());
        await caller.Post(
            "/api/links/use",
            new
            {
                token,
                name = "Gil Reed",
                userName,
                password = Password,
            },
            expected
        );
        return caller;
    }

    [Fact]
    public async Task The_first_person_makes_the_shop_with_the_code_of_the_start_and_nobody_after()
    {
        await using var server = Hosted.Empty();
        var ada = new Caller(server.CreateClient());
        Assert.True((await ada.Get("/api/first"))["open"]!.GetValue<bool>());
        foreach (
            var (body, field) in ((object, string)[])
                [
                    (First(code: "4711"), "code"),
                    (First(shop: " "), "shop"),
                    (First(userName: ""), "userName"),
                    (First(password: "short"), "password"),
                    (First(userName: "settle", password: "settle it down"), "password"),
                ]
        )
        {
            var (status, answer) = await ada.Try(HttpMethod.Post, "/api/first", body);
            Assert.Equal((422, field), (status, answer["field"]!.GetValue<string>()));
        }
        // Two press at once: one shop comes of it.
        var other = new Caller(server.CreateClient());
        var both = await Task.WhenAll(
            ada.Try(HttpMethod.Post, "/api/first", First()),
            other.Try(HttpMethod.Post, "/api/first", First(userName: "bo"))
        );
        Assert.Equal([200, 409], both.Select(b => b.Status).Order());
        Assert.Equal(1L, await server.Ask<long>("select count(*) from shops"));
        Assert.Equal(1L, await server.Ask<long>("select count(*) from accounts"));
        var winner = both[0].Status == 200 ? ada : other;
        var me = await winner.Get("/api/me");
        Assert.Equal(
            ("Marl Street Fitting", "owner", "mm"),
            (
                me["shop"]!.GetValue<string>(),
                me["role"]!.GetValue<string>(),
                me["lengthUnit"]!.GetValue<string>()
            )
        );
        Assert.False((await winner.Get("/api/first"))["open"]!.GetValue<bool>());
        await winner.Post("/api/first", First(userName: "cy"), 409);
        // An empty shop works.
        Assert.Empty((await winner.Get("/api/yard"))["jobs"]!.AsArray());
    }

    [Fact]
    public async Task Without_the_code_s_printing_no_shop_is_made()
    {
        await using var server = Hosted.OnDatabase(
            TestCluster.On($"t_{Guid.NewGuid():N}"),
            ("Nokko:Empty", "true")
        );
        var (status, _) = await new Caller(server.CreateClient()).Try(
            HttpMethod.Post,
            "/api/first",
            First(code: "")
        );
        Assert.Equal(422, status);
    }

    [Fact]
    public async Task A_colleague_comes_by_a_link_that_works_once_and_is_what_it_says()
    {
        await using var server = new Hosted();
        var brenna = await server.SignIn();
        var token = await Link(brenna, "apprentice");
        var looked = await new Caller(server.CreateClient()).Post("/api/links/look", new { token });
        Assert.Equal(
            ("Skarn Vale Fitting", "apprentice"),
            (looked["shop"]!.GetValue<string>(), looked["role"]!.GetValue<string>())
        );
        // What cannot be leaves the link as it was.
        await Come(server, token, "", 422);
        await Come(server, token, "odd", 422);
        var gil = await Come(server, token, "gil");
        var me = await gil.Get("/api/me");
        Assert.Equal(
            ("Gil Reed", "apprentice", "Skarn Vale Fitting"),
            (
                me["name"]!.GetValue<string>(),
                me["role"]!.GetValue<string>(),
                me["shop"]!.GetValue<string>()
            )
        );
        await Come(server, token, "hal", 404);
        // Nothing of the link itself is kept.
        Assert.Equal(
            0L,
            await server.Ask<long>(
                $"select count(*) from one_time_links where hash like '%{token}%'"
            )
        );
        // Two at once: one colleague.
        var second = await Link(brenna, "fitter");
        var both = await Task.WhenAll(Try("ida"), Try("jon"));
        Assert.Equal([200, 404], both.Order());
        // After a week it is over.
        var late = await Link(brenna, "fitter");
        server.Time.Ahead += TimeSpan.FromDays(7.01);
        await Come(server, late, "kit", 404);

        async Task<int> Try(string userName) =>
            (
                await new Caller(server.CreateClient()).Try(
                    HttpMethod.Post,
                    "/api/links/use",
                    new
                    {
                        token = second,
                        name = "Ida",
                        userName,
                        password = Password,
                    }
                )
            ).Status;
    }

    [Fact]
    public async Task A_link_that_nobody_has_used_is_listed_and_can_be_taken_back()
    {
        await using var server = new Hosted();
        var brenna = await server.SignIn();
        var token = await Link(brenna, "fitter");
        var odd = (await Person(brenna, "odd"))["id"]!.GetValue<Guid>();
        await brenna.Post($"/api/people/{odd}/links", new { });
        var open = (await brenna.Get("/api/shop"))["links"]!.AsArray();
        Assert.Equal(
            [(null, "Brenna Tarn"), ("Odd Farrow", "Brenna Tarn")],
            open.Select(l => (l!["for"]?.GetValue<string>(), l["by"]!.GetValue<string>()))
        );
        // Nobody else sees them, and what stands in them is told to nobody.
        var fitter = await server.SignIn("odd");
        Assert.Empty((await fitter.Get("/api/shop"))["links"]!.AsArray());
        Assert.DoesNotContain(token, open.ToJsonString(), StringComparison.Ordinal);
        var end = $"/api/people/links/{open[0]!["id"]}/end";
        await fitter.Post(end, new { }, 403);
        await brenna.Post(end, new { });
        await brenna.Post(end, new { }, 404);
        await Come(server, token, "gil", 404);
        Assert.Single((await brenna.Get("/api/shop"))["links"]!.AsArray());
        // What was used is gone from the database with the next that is made.
        var used = await Link(brenna, "fitter");
        await Come(server, used, "hal");
        await Link(brenna, "viewer");
        Assert.Equal(2L, await server.Ask<long>("select count(*) from one_time_links"));
    }

    [Fact]
    public async Task Only_an_owner_says_who_comes_and_what_each_may_do()
    {
        await using var server = new Hosted();
        var brenna = await server.SignIn();
        var odd = (await Person(brenna, "odd"))["id"]!.GetValue<Guid>();
        foreach (var user in (string[])["odd", "linde", "ruan"])
        {
            var caller = await server.SignIn(user);
            await caller.Post("/api/people/links", new { role = "owner" }, 403);
            await caller.Post($"/api/people/{odd}/links", new { }, 403);
            await caller.Put($"/api/people/{odd}/role", new { role = "owner" }, 403);
            await caller.Post($"/api/people/{odd}/remove", new { }, 403);
            await caller.Put("/api/shop", new { name = "Mine" }, 403);
            // Everybody sees who is there.
            Assert.Equal(4, (await caller.Get("/api/shop"))["people"]!.AsArray().Count);
        }
        // Nobody of another shop is anybody here.
        await brenna.Put($"/api/people/{Guid.NewGuid()}/role", new { role = "owner" }, 404);
    }

    [Fact]
    public async Task Another_role_ends_the_sign_ins_of_the_old_one_and_a_shop_keeps_an_owner()
    {
        await using var server = new Hosted();
        var brenna = await server.SignIn();
        var odd = await server.SignIn("odd");
        var (brennaId, oddId) = (
            (await Person(brenna, "brenna"))["id"]!.GetValue<Guid>(),
            (await Person(brenna, "odd"))["id"]!.GetValue<Guid>()
        );
        await brenna.Put($"/api/people/{brennaId}/role", new { role = "fitter" }, 409);
        await brenna.Post($"/api/people/{brennaId}/remove", new { }, 409);
        await brenna.Put($"/api/people/{oddId}/role", new { role = "owner" });
        Assert.Equal(
            HttpStatusCode.Unauthorized,
            (await odd.Http.GetAsync("/api/me", TestContext.Current.CancellationToken)).StatusCode
        );
        odd = await server.SignIn("odd");
        // Each takes the other's role at the same time: one of them stays an owner.
        var both = await Task.WhenAll(
            brenna.Try(HttpMethod.Put, $"/api/people/{oddId}/role", new { role = "viewer" }),
            odd.Try(HttpMethod.Put, $"/api/people/{brennaId}/role", new { role = "viewer" })
        );
        Assert.Contains(both, b => b.Status == 200);
        Assert.Equal(
            1L,
            await server.Ask<long>("select count(*) from accounts where role = 'Owner'")
        );
    }

    [Fact]
    public async Task Who_leaves_is_out_at_once_and_stays_on_the_record_of_jobs()
    {
        await using var server = new Hosted();
        var brenna = await server.SignIn();
        var odd = await server.SignIn("odd");
        var job = new TestJob(odd);
        await job.TakeIn();
        await job.BeginRound();
        var id = (await Person(brenna, "odd"))["id"]!.GetValue<Guid>();
        await brenna.Post($"/api/people/{id}/remove", new { });
        Assert.Equal(
            HttpStatusCode.Unauthorized,
            (await odd.Http.GetAsync("/api/me", TestContext.Current.CancellationToken)).StatusCode
        );
        var (status, _) = await new Caller(server.CreateClient()).Try(
            HttpMethod.Post,
            "/api/sign-in",
            new { userName = "odd", password = "stance-42" }
        );
        Assert.Equal(422, status);
        Assert.Contains(
            (await brenna.Get(job.Path))["document"]!["people"]!.AsArray(),
            p => p!["name"]!.GetValue<string>() == "Odd Farrow"
        );
        // The name to sign in with is free again.
        await Come(server, await Link(brenna, "fitter"), "odd");
        await brenna.Post($"/api/people/{id}/links", new { }, 404);
    }

    [Fact]
    public async Task A_viewer_reads_and_computes_and_changes_nothing_anywhere()
    {
        await using var server = new Hosted();
        var ruan = await server.SignIn("ruan");
        var job = (await ruan.Get("/api/yard"))["jobs"]![0]!["jobId"]!.GetValue<Guid>();
        var open = new List<string>();
        foreach (var (path, methods) in (await ruan.Get("/openapi/v1.json"))["paths"]!.AsObject())
        {
            foreach (var method in methods!.AsObject().Select(m => m.Key).Where(m => m != "get"))
            {
                var address = path.Replace("{job}", $"{job}", StringComparison.Ordinal);
                address = System.Text.RegularExpressions.Regex.Replace(
                    address,
                    @"\{[^}]+\}",
                    Guid.NewGuid().ToString()
                );
                using var request = new HttpRequestMessage(new HttpMethod(method), address)
                {
                    Content = JsonContent.Create(new { }),
                };
                var answer = await ruan.Http.SendAsync(
                    request,
                    TestContext.Current.CancellationToken
                );
                if (answer.StatusCode != HttpStatusCode.Forbidden)
                {
                    open.Add(path);
                }
                if (path == "/api/sign-out")
                {
                    ruan = await server.SignIn("ruan");
                }
            }
        }
        Assert.Equal(
            [
                "/api/commands",
                "/api/first",
                "/api/jobs/{job}/commands",
                "/api/jobs/{job}/plans/preview",
                "/api/jobs/{job}/readings-csv/preview",
                "/api/jobs/{job}/stacks",
                "/api/links/look",
                "/api/links/use",
                "/api/me/codes",
                "/api/me/codes/confirm",
                "/api/me/codes/end",
                "/api/me/devices/end",
                "/api/me/devices/{device}/end",
                "/api/me/password",
                "/api/me/unit",
                "/api/old-jobs/look",
                "/api/parts/look",
                "/api/practice/drills",
                "/api/shared/picture",
                "/api/shared/quote",
                "/api/shared/quote/choose",
                "/api/shared/record",
                "/api/sign-in",
                "/api/sign-out",
            ],
            open.Order(StringComparer.Ordinal)
        );
        // Commands go through one door, and are refused there one by one.
        var (code, refused) = await ruan.TryDo(
            $"/api/jobs/{job}",
            "noteDeviation",
            Guid.NewGuid(),
            new
            {
                where = "LF",
                sheetSays = "a",
                did = "b",
                why = "c",
                lookAgain = (string?)null,
            }
        );
        Assert.Equal(422, code);
        Assert.Contains(
            "You look on here",
            refused["detail"]!.GetValue<string>(),
            StringComparison.Ordinal
        );
        Assert.Contains(
            "You look on here",
            (await ruan.TryShop("dropTip", new { id = Guid.NewGuid() })).Answer[
                "detail"
            ]!.GetValue<string>(),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task An_owner_s_link_lets_somebody_choose_another_password_and_ends_what_was_open()
    {
        await using var server = new Hosted();
        var brenna = await server.SignIn();
        var odd = await server.SignIn("odd");
        var id = (await Person(brenna, "odd"))["id"]!.GetValue<Guid>();
        var token = (await brenna.Post($"/api/people/{id}/links", new { }))[
            "token"
        ]!.GetValue<string>();
        var anew = new Caller(server.CreateClient());
        Assert.Equal(
            "odd",
            (await anew.Post("/api/links/look", new { token }))["userName"]!.GetValue<string>()
        );
        await anew.Post("/api/links/use", new { token, password = "odd one out" }, 422);
        await anew.Post("/api/links/use", new { token, password = Password });
        Assert.Equal("Odd Farrow", (await anew.Get("/api/me"))["name"]!.GetValue<string>());
        Assert.Equal(
            HttpStatusCode.Unauthorized,
            (await odd.Http.GetAsync("/api/me", TestContext.Current.CancellationToken)).StatusCode
        );
        await server.SignIn("odd", Password);
        var late = (await brenna.Post($"/api/people/{id}/links", new { }))[
            "token"
        ]!.GetValue<string>();
        server.Time.Ahead += TimeSpan.FromHours(24.1);
        await new Caller(server.CreateClient()).Post(
            "/api/links/use",
            new { token = late, password = Password },
            404
        );
    }

    [Fact]
    public async Task With_codes_a_password_alone_signs_nobody_in()
    {
        await using var server = new Hosted();
        var odd = await server.SignIn("odd");
        var key = (await odd.Post("/api/me/codes", new { }))["key"]!.GetValue<string>();
        await odd.Post("/api/me/codes/confirm", new { code = "000000" }, 422);
        var recovery = (
            await odd.Post(
                "/api/me/codes/confirm",
                new { code = CodeOf(key, DateTimeOffset.UtcNow) }
            )
        )["codes"]!.AsArray();
        Assert.Equal(8, recovery.Count);
        // This device stays signed in.
        Assert.True((await odd.Get("/api/me/page"))["hasCodes"]!.GetValue<bool>());
        async Task<(int, string?)> SignIn(string? code)
        {
            var (status, answer) = await new Caller(server.CreateClient()).Try(
                HttpMethod.Post,
                "/api/sign-in",
                new
                {
                    userName = "odd",
                    password = "stance-42",
                    code,
                }
            );
            return (status, answer["field"]?.GetValue<string>());
        }
        Assert.Equal((422, "code"), await SignIn(null));
        Assert.Equal((422, "code"), await SignIn("123456"));
        await server.SignIn("odd", code: CodeOf(key, DateTimeOffset.UtcNow));
        var spare = recovery[0]!.GetValue<string>();
        await server.SignIn("odd", code: spare);
        Assert.Equal((422, "code"), await SignIn(spare));
        Assert.Equal(7, (await odd.Get("/api/me/page"))["codesLeft"]!.GetValue<int>());
        await odd.Post("/api/me/codes/end", new { password = "guess" }, 422);
        await odd.Post("/api/me/codes/end", new { password = "stance-42" });
        await server.SignIn("odd");
    }

    /// <summary>RFC 6238 with SHA-1, half a minute and six digits, written from its text.</summary>
    private static string CodeOf(string base32, DateTimeOffset at)
    {
        const string Letters = "ABCDEFGHIJKLMNOPQRSTUVWXYZ234567";
        var bits = string.Concat(
            base32.Select(c => Convert.ToString(Letters.IndexOf(c), 2).PadLeft(5, '0'))
        );
        byte[] key =
        [
            .. Enumerable
                .Range(0, bits.Length / 8)
                .Select(i => Convert.ToByte(bits.Substring(8 * i, 8), 2)),
        ];
        var counter = BitConverter.GetBytes(at.ToUnixTimeSeconds() / 30);
        Array.Reverse(counter);
#pragma warning disable CA5350 // The standard's own.
        var hash = HMACSHA1.HashData(key, counter);
#pragma warning restore CA5350
        var from = hash[^1] & 15;
        var number =
            ((hash[from] & 127) << 24)
            | (hash[from + 1] << 16)
            | (hash[from + 2] << 8)
            | hash[from + 3];
        return (number % 1_000_000).ToString(
            "D6",
            System.Globalization.CultureInfo.InvariantCulture
        );
    }
}
