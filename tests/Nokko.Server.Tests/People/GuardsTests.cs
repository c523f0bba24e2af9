using System.Net;
using System.Net.Http.Json;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>What a browser is told, and whose page may ask for a change.</summary>
public class GuardsTests(Hosted server) : IClassFixture<Hosted>
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    [Theory]
    [InlineData("/healthz")]
    [InlineData("/api/me")]
    [InlineData("/api/nothing")]
    [InlineData("/jobs/anything")]
    public async Task Every_answer_says_what_a_page_may_do(string path)
    {
        var http = (await server.SignIn()).Http;
        var answer = await http.GetAsync(path, Cancel);
        string Header(string name) => string.Join(';', answer.Headers.GetValues(name));
        var policy = Header("Content-Security-Policy");
        Assert.DoesNotContain(
            "unsafe-inline",
            policy
                .Split(';')
                .Single(p => p.Trim().StartsWith("script-src", StringComparison.Ordinal)),
            StringComparison.Ordinal
        );
        Assert.Contains("frame-ancestors 'none'", policy, StringComparison.Ordinal);
        Assert.Contains("object-src 'none'", policy, StringComparison.Ordinal);
        Assert.Equal("nosniff", Header("X-Content-Type-Options"));
        Assert.Equal("same-origin", Header("Referrer-Policy"));
        if (path.StartsWith("/api", StringComparison.Ordinal))
        {
            Assert.True(answer.Headers.CacheControl!.NoStore);
        }
    }

    [Fact]
    public async Task Behind_tls_the_cookie_is_for_tls_alone_and_the_browser_stays_there()
    {
        var http = server.CreateClient(new() { BaseAddress = new Uri("https://localhost") });
        var answer = await http.PostAsJsonAsync(
            "/api/sign-in",
            new { userName = "odd", password = "stance-42" },
            Cancel
        );
        var cookie = answer.Headers.GetValues("Set-Cookie").Single();
        foreach (var part in (string[])["secure", "httponly", "samesite=strict"])
        {
            Assert.Contains(part, cookie, StringComparison.OrdinalIgnoreCase);
        }
        Assert.NotEmpty(answer.Headers.GetValues("Strict-Transport-Security"));
    }

    [Fact]
    public async Task Behind_a_proxy_it_alone_says_from_where_a_request_came_and_nobody_comes_past_it()
    {
        await using var behind = Hosted.OnDatabase(
            server.Connection,
            ("Nokko:Proxy", "10.0.0.5, 10.1.0.0/16")
        );
        var http = behind.CreateClient();
        Assert.True(await Tls("10.0.0.5"));
        Assert.True(await Tls("10.1.2.3"));
        Assert.Null(await Tls("10.0.0.6"));
        // A program on the same machine asks whether it is well; it is not believed to be the proxy.
        Assert.False(await Tls("127.0.0.1"));

        // Whether it is taken to have come over TLS; null where it is not answered.
        async Task<bool?> Tls(string from)
        {
            using var ask = new HttpRequestMessage(HttpMethod.Get, "/livez")
            {
                Headers =
                {
                    { "X-Test-Address", from },
                    { "X-Forwarded-For", "192.0.2.7" },
                    { "X-Forwarded-Proto", "https" },
                },
            };
            using var answer = await http.SendAsync(ask, Cancel);
            return answer.StatusCode == System.Net.HttpStatusCode.Forbidden
                ? null
                : answer.Headers.Contains("Strict-Transport-Security");
        }
    }

    [Theory]
    [InlineData("Origin", "http://localhost", true)]
    [InlineData("Origin", "https://localhost", false)]
    [InlineData("Origin", "http://localhost.example", false)]
    [InlineData("Origin", "http://localhost:81", false)]
    [InlineData("Origin", "null", false)]
    [InlineData("Sec-Fetch-Site", "same-origin", true)]
    [InlineData("Sec-Fetch-Site", "same-site", false)]
    [InlineData("Sec-Fetch-Site", "cross-site", false)]
    public async Task A_change_is_taken_from_Nokko_s_own_page_alone(
        string header,
        string value,
        bool own
    )
    {
        var http = (await server.SignIn()).Http;
        using var request = new HttpRequestMessage(HttpMethod.Put, "/api/me/unit")
        {
            Content = JsonContent.Create(new { lengthUnit = "in" }),
        };
        request.Headers.TryAddWithoutValidation(header, value);
        Assert.Equal(
            own ? HttpStatusCode.OK : HttpStatusCode.Forbidden,
            (await http.SendAsync(request, Cancel)).StatusCode
        );
        // To look is nobody's harm.
        using var look = new HttpRequestMessage(HttpMethod.Get, "/api/me");
        look.Headers.TryAddWithoutValidation(header, value);
        Assert.Equal(HttpStatusCode.OK, (await http.SendAsync(look, Cancel)).StatusCode);
    }
}
