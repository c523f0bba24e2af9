using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Xunit;

namespace Nokko.Server.Tests;

public class AccountsTests(Hosted server) : IClassFixture<Hosted>
{
    [Fact]
    public async Task Every_endpoint_but_sign_in_and_health_refuses_without_a_sign_in()
    {
        var signedIn = await server.SignIn();
        var paths = (await signedIn.Get("/openapi/v1.json"))["paths"]!.AsObject();
        Assert.True(paths.Count > 25);
        var anonymous = server.CreateClient();
        foreach (var (path, methods) in paths)
        {
            foreach (var method in methods!.AsObject().Select(m => m.Key))
            {
                var address = path.Replace("{", "", StringComparison.Ordinal)
                    .Replace("}", "", StringComparison.Ordinal)
                    .Replace("/job/", $"/{Guid.Empty}/", StringComparison.Ordinal)
                    .Replace("/id", $"/{Guid.Empty}", StringComparison.Ordinal);
                address = address.EndsWith("/job", StringComparison.Ordinal)
                    ? address[..^3] + Guid.Empty
                    : address;
                using var request = new HttpRequestMessage(new HttpMethod(method), address);
                if (method is "post" or "put")
                {
                    request.Content = JsonContent.Create(new { });
                }
                var answer = await anonymous.SendAsync(
                    request,
                    TestContext.Current.CancellationToken
                );
                if (
                    path
                    is "/api/sign-in"
                        or "/api/first"
                        or "/api/links/look"
                        or "/api/links/use"
                        or "/api/shared/quote"
                        or "/api/shared/quote/choose"
                        or "/api/shared/record"
                        or "/api/shared/picture"
                        or "/api/address"
                        or "/api/address/root"
                )
                {
                    Assert.NotEqual(HttpStatusCode.Unauthorized, answer.StatusCode);
                }
                else
                {
                    Assert.True(
                        answer.StatusCode == HttpStatusCode.Unauthorized,
                        $"{method} {address} answered {answer.StatusCode}"
                    );
                }
            }
        }
        Assert.Equal(
            HttpStatusCode.Unauthorized,
            (
                await anonymous.GetAsync("/openapi/v1.json", TestContext.Current.CancellationToken)
            ).StatusCode
        );
        Assert.Equal(
            HttpStatusCode.OK,
            (await anonymous.GetAsync("/healthz", TestContext.Current.CancellationToken)).StatusCode
        );
    }

    [Fact]
    public async Task A_wrong_password_is_told_apart_by_nothing_but_a_sentence()
    {
        var (status, answer) = await new Caller(server.CreateClient()).Try(
            HttpMethod.Post,
            "/api/sign-in",
            new { userName = "brenna", password = "guess" }
        );
        Assert.Equal((422, "password"), (status, answer["field"]!.GetValue<string>()));
    }

    [Fact]
    public async Task A_person_reads_lengths_in_the_unit_that_was_set()
    {
        var odd = await server.SignIn("odd");
        await odd.Put("/api/me/unit", new { lengthUnit = "mm" });
        Assert.Equal("mm", (await odd.Get("/api/me"))["lengthUnit"]!.GetValue<string>());
        var job = (await odd.Get("/api/yard?find=SV+204"))["jobs"]![0]!["jobId"]!;
        var view = await odd.Get($"/api/jobs/{job.GetValue<Guid>()}");
        Assert.Contains(
            " mm ",
            view["progress"]!["says"]!.GetValue<string>(),
            StringComparison.Ordinal
        );
        Assert.Equal(
            "in",
            (await (await server.SignIn("brenna")).Get("/api/me"))["lengthUnit"]!.GetValue<string>()
        );
    }

    [Fact]
    public async Task A_write_carries_the_person_of_the_sign_in_whatever_the_request_says()
    {
        var odd = await server.SignIn("odd");
        var job = new TestJob(odd);
        await job.TakeIn();
        await job.BeginRound();
        var body = System
            .Text.Json.JsonSerializer.SerializeToNode(job.Reading("LF", "20 1/2"))!
            .AsObject();
        body["personId"] = Guid.NewGuid();
        var (status, _) = await odd.TryDo(job.Path, "storeReading", body);
        Assert.Equal(422, status);
        var view = await job.Read("LF", "20 1/2");
        var me = (await odd.Get("/api/me"))["personId"]!.GetValue<Guid>();
        Assert.Equal(me, view["document"]!["readings"]![0]!["personId"]!.GetValue<Guid>());
    }

    [Fact]
    public async Task Rows_of_another_shop_are_not_there()
    {
        // A second shop is made in the database itself; its person must see nothing of the first.
        var shop = Guid.CreateVersion7();
        await server.Ask<object>(
            $"insert into shops (id, name) values ('{shop}', 'Other'); update accounts set shop_id = '{shop}' where user_name = 'odd' returning 1"
        );
        try
        {
            var odd = await server.SignIn("odd");
            Assert.Empty((await odd.Get("/api/yard"))["jobs"]!.AsArray());
            Assert.Empty((await odd.Get("/api/parts")).AsArray());
            var brenna = await server.SignIn("brenna");
            var job = (await brenna.Get("/api/yard"))["jobs"]![0]!["jobId"]!.GetValue<Guid>();
            Assert.Equal(
                HttpStatusCode.NotFound,
                (
                    await odd.Http.GetAsync(
                        $"/api/jobs/{job}",
                        TestContext.Current.CancellationToken
                    )
                ).StatusCode
            );
            Assert.Equal(
                HttpStatusCode.NotFound,
                (
                    await odd.Http.GetAsync(
                        $"/api/jobs/{job}/file",
                        TestContext.Current.CancellationToken
                    )
                ).StatusCode
            );
            await odd.Post($"/api/jobs/{job}/commands", Array.Empty<object>(), 404);
        }
        finally
        {
            await server.Ask<object>(
                $"update accounts set shop_id = (select id from shops where name <> 'Other') where user_name = 'odd' returning 1"
            );
        }
    }
}
