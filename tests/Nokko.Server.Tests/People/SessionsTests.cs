using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>Sign-ins end when they end, on every server.</summary>
public class SessionsTests(Hosted server) : IClassFixture<Hosted>
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    /// <summary>Signs in and keeps the cookie, as a stolen one would be kept.</summary>
    private static async Task<string> Cookie(
        Hosted at,
        string user,
        string password = "stance-42",
        string? address = null
    )
    {
        var http = at.CreateClient();
        using var request = new HttpRequestMessage(HttpMethod.Post, "/api/sign-in")
        {
            Content = JsonContent.Create(new { userName = user, password }),
        };
        if (address is not null)
        {
            request.Headers.Add("X-Test-Address", address);
        }
        var answer = await http.SendAsync(request, Cancel);
        return answer.IsSuccessStatusCode
            ? answer.Headers.GetValues("Set-Cookie").Single().Split(';')[0]
            : await answer.Content.ReadAsStringAsync(Cancel);
    }

    private static async Task<(HttpStatusCode Status, JsonNode? Answer)> Ask(
        Hosted at,
        string cookie,
        HttpMethod method,
        string path,
        object? body = null
    )
    {
        var http = at.CreateDefaultClient();
        using var request = new HttpRequestMessage(method, path);
        request.Headers.Add("Cookie", cookie);
        if (body is not null)
        {
            request.Content = JsonContent.Create(body);
        }
        var answer = await http.SendAsync(request, Cancel);
        var text = await answer.Content.ReadAsStringAsync(Cancel);
        return (answer.StatusCode, text.StartsWith('{') ? JsonNode.Parse(text) : null);
    }

    private static async Task<HttpStatusCode> Looks(Hosted at, string cookie) =>
        (await Ask(at, cookie, HttpMethod.Get, "/api/me")).Status;

    [Fact]
    public async Task A_cookie_that_was_kept_writes_nothing_after_the_sign_out()
    {
        var cookie = await Cookie(server, "odd");
        Assert.Equal(HttpStatusCode.OK, await Looks(server, cookie));
        await Ask(server, cookie, HttpMethod.Post, "/api/sign-out");
        Assert.Equal(HttpStatusCode.Unauthorized, await Looks(server, cookie));
        var (status, _) = await Ask(
            server,
            cookie,
            HttpMethod.Post,
            "/api/commands",
            Array.Empty<object>()
        );
        Assert.Equal(HttpStatusCode.Unauthorized, status);
    }

    [Fact]
    public async Task Another_server_refuses_it_within_a_minute()
    {
        await using var beside = server.Beside();
        var cookie = await Cookie(server, "odd");
        Assert.Equal(HttpStatusCode.OK, await Looks(beside, cookie));
        await Ask(server, cookie, HttpMethod.Post, "/api/sign-out");
        beside.Time.Ahead += TimeSpan.FromSeconds(59);
        Assert.Equal(HttpStatusCode.Unauthorized, await Looks(beside, cookie));
    }

    [Fact]
    public async Task What_is_listened_to_ends_with_the_sign_in_too()
    {
        await using var own = Hosted.OnDatabase(
            server.Connection,
            ("Nokko:SignInTrustedSeconds", "1")
        );
        var odd = await own.SignIn("odd");
        var job = (await odd.Get("/api/yard"))["jobs"]![0]!["jobId"]!.GetValue<Guid>();
        await using var stream = await odd.Http.GetStreamAsync(
            $"/api/jobs/{job}/live",
            TestContext.Current.CancellationToken
        );
        await odd.Post("/api/sign-out", new { });
        // It ends by itself; a stream that went on would wait here for ever.
        using var reader = new StreamReader(stream);
        await reader.ReadToEndAsync(TestContext.Current.CancellationToken);
        Assert.Equal(
            HttpStatusCode.Unauthorized,
            (await odd.Http.GetAsync("/api/me", Cancel)).StatusCode
        );
    }

    [Fact]
    public async Task Another_password_ends_every_other_device_and_leaves_this_one_signed_in()
    {
        await using var own = new Hosted();
        var tablet = await Cookie(own, "odd");
        var phone = await own.SignIn("odd");
        var (status, answer) = await phone.Try(
            HttpMethod.Put,
            "/api/me/password",
            new { now = "guess", password = "lift and settle" }
        );
        Assert.Equal((422, "now"), (status, answer["field"]!.GetValue<string>()));
        await phone.Put(
            "/api/me/password",
            new { now = "stance-42", password = "lift and settle" }
        );
        Assert.Equal(HttpStatusCode.Unauthorized, await Looks(own, tablet));
        Assert.Equal("Odd Farrow", (await phone.Get("/api/me"))["name"]!.GetValue<string>());
        Assert.Contains(
            "do not belong together",
            await Cookie(own, "odd"),
            StringComparison.Ordinal
        );
        await own.SignIn("odd", "lift and settle");
    }

    [Fact]
    public async Task A_person_sees_the_devices_and_ends_one_or_all_others()
    {
        await using var own = new Hosted();
        var tablet = await Cookie(own, "odd");
        var lost = await Cookie(own, "odd");
        var phone = await own.SignIn("odd");
        var devices = (await phone.Get("/api/me/page"))["devices"]!.AsArray();
        Assert.Equal(3, devices.Count);
        Assert.Single(devices, d => d!["isThis"]!.GetValue<bool>());
        var first = devices.OrderBy(d => d!["signedInAt"]!.GetValue<string>()).First();
        await phone.Post($"/api/me/devices/{first!["id"]}/end", new { });
        Assert.Equal(HttpStatusCode.Unauthorized, await Looks(own, tablet));
        Assert.Equal(HttpStatusCode.OK, await Looks(own, lost));
        // Another's device is none of mine.
        var brenna = await own.SignIn();
        await brenna.Post($"/api/me/devices/{first["id"]}/end", new { }, 404);
        await phone.Post("/api/me/devices/end", new { });
        Assert.Equal(HttpStatusCode.Unauthorized, await Looks(own, lost));
        Assert.Single((await phone.Get("/api/me/page"))["devices"]!.AsArray());
    }

    [Fact]
    public async Task A_device_that_nobody_saw_for_a_month_is_signed_out_and_told_no_more()
    {
        await using var own = new Hosted();
        var tablet = await Cookie(own, "odd");
        own.Time.Ahead += TimeSpan.FromDays(31);
        var phone = await own.SignIn("odd");
        Assert.Single((await phone.Get("/api/me/page"))["devices"]!.AsArray());
        Assert.Equal(HttpStatusCode.Unauthorized, await Looks(own, tablet));
        own.Time.Ahead += TimeSpan.FromDays(61);
        await own.SignIn("odd");
        Assert.Equal(1L, await own.Ask<long>("select count(*) from devices"));
    }

    [Fact]
    public async Task Who_guesses_is_held_up_and_nobody_is_locked_out_by_a_stranger()
    {
        await using var own = new Hosted();
        foreach (var name in (string[])["brenna", "nobody-of-this-name"])
        {
            var answers = new List<string>();
            for (var i = 0; i < 7; i++)
            {
                answers.Add(await Cookie(own, name, "guess", "203.0.113.7"));
            }
            Assert.All(
                answers.Take(5),
                a => Assert.Contains("do not belong together", a, StringComparison.Ordinal)
            );
            Assert.All(
                answers.Skip(5),
                a => Assert.Contains("Too many wrong tries", a, StringComparison.Ordinal)
            );
        }
        // Even the right password waits there; she herself signs in from elsewhere.
        Assert.Contains(
            "Too many wrong tries",
            await Cookie(own, "brenna", address: "203.0.113.7"),
            StringComparison.Ordinal
        );
        Assert.StartsWith(
            "nokko=",
            await Cookie(own, "brenna", address: "198.51.100.2"),
            StringComparison.Ordinal
        );
        own.Time.Ahead += TimeSpan.FromMinutes(5.1);
        Assert.StartsWith(
            "nokko=",
            await Cookie(own, "brenna", address: "203.0.113.7"),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task One_address_that_tries_many_names_waits_too()
    {
        await using var own = new Hosted();
        for (var i = 0; i < 30; i++)
        {
            await Cookie(own, $"name{i}", "guess", "203.0.113.8");
        }
        Assert.Contains(
            "Too many wrong tries",
            await Cookie(own, "brenna", address: "203.0.113.8"),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task Knocking_too_often_is_answered_with_when_to_come_again()
    {
        await using var own = Hosted.OnDatabase(server.Connection, ("Nokko:DoorPerMinute", "3"));
        var http = own.CreateClient();
        HttpResponseMessage answer = null!;
        for (var i = 0; i < 4; i++)
        {
            answer = await http.PostAsJsonAsync("/api/links/look", new { token = "x" }, Cancel);
        }
        Assert.Equal(HttpStatusCode.TooManyRequests, answer.StatusCode);
        Assert.NotNull(answer.Headers.RetryAfter);
    }
}
