using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>Addresses that open one thing without signing in: a record for its owner, a calendar for its followers.</summary>
public class SharedAddressesTests(Hosted server) : IClassFixture<Hosted>
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private static async Task<string> JobOf(Caller caller, string plate) =>
        (await caller.Get($"/api/yard?find={plate}"))["jobs"]![0]!["jobId"]!.GetValue<string>();

    private static object Shows(bool plates = false, bool owners = false, int days = 30) =>
        new
        {
            opens = "record",
            plates,
            owners,
            pictures = false,
            days,
        };

    private static async Task<(HttpStatusCode, string)> Look(HttpClient anybody, string token)
    {
        using var answer = await anybody.PostAsJsonAsync(
            "/api/shared/record",
            new { token, zone = "Europe/Oslo" },
            Cancel
        );
        return (answer.StatusCode, await answer.Content.ReadAsStringAsync(Cancel));
    }

    [Fact]
    public async Task An_owner_reads_the_record_and_nothing_else_until_it_ends_or_is_taken_back()
    {
        var caller = await server.SignIn();
        var job = await JobOf(caller, "118");
        var anybody = server.CreateClient();
        var token = (await caller.Post($"/api/jobs/{job}/shared", Shows()))[
            "token"
        ]!.GetValue<string>();
        Assert.Equal(48, token.Length);
        var (status, text) = await Look(anybody, token);
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal("Skarn Vale Fitting", JsonNode.Parse(text)!["shop"]!.GetValue<string>());
        Assert.Contains("Heights, fender lip", text, StringComparison.Ordinal);
        Assert.DoesNotContain("SV 118 K", text, StringComparison.Ordinal);
        // It signs nobody in.
        Assert.Equal(
            HttpStatusCode.Unauthorized,
            (await anybody.GetAsync($"/api/jobs/{job}", Cancel)).StatusCode
        );
        // What stands in it is kept nowhere.
        Assert.Equal(
            0L,
            await server.Ask<long>(
                $"select count(*) from shared_addresses a where a::text like '%{token}%'"
            )
        );
        var open = (await caller.Get($"/api/jobs/{job}/shared/record"))
            .AsArray()
            .Single(a => a!["seenAt"] is not null)!;
        await caller.Post($"/api/shared/{open["id"]!.GetValue<string>()}/end", new { });
        (status, text) = await Look(anybody, token);
        Assert.Equal(HttpStatusCode.NotFound, status);
        Assert.Contains("taken back", text, StringComparison.Ordinal);
        await caller.Post($"/api/shared/{open["id"]!.GetValue<string>()}/end", new { }, 404);

        var short_ = (await caller.Post($"/api/jobs/{job}/shared", Shows(plates: true, days: 1)))[
            "token"
        ]!.GetValue<string>();
        Assert.Contains("SV 118 K", (await Look(anybody, short_)).Item2, StringComparison.Ordinal);
        server.Time.Ahead = TimeSpan.FromHours(25);
        Assert.Equal(HttpStatusCode.NotFound, (await Look(anybody, short_)).Item1);
        server.Time.Ahead = TimeSpan.Zero;
    }

    [Fact]
    public async Task Nobody_guesses_and_a_calendar_s_address_opens_no_record()
    {
        var caller = await server.SignIn();
        var anybody = server.CreateClient();
        var token = (await caller.Post("/api/calendars", new { plates = false, owners = false }))[
            "token"
        ]!.GetValue<string>();
        foreach (var wrong in new[] { "", "0", new string('0', 48), token, "' or '1'='1" })
        {
            Assert.Equal(HttpStatusCode.NotFound, (await Look(anybody, wrong)).Item1);
        }
        using var none = await anybody.PostAsJsonAsync("/api/shared/record", new { }, Cancel);
        Assert.Equal(HttpStatusCode.BadRequest, none.StatusCode);
    }

    [Fact]
    public async Task Who_learns_or_looks_on_shares_nothing_and_days_have_an_end()
    {
        var job = await JobOf(await server.SignIn(), "118");
        // The core's word to who learns, the door's to who looks on.
        foreach (var (who, status) in new[] { ("linde", 422), ("ruan", 403) })
        {
            var other = await server.SignIn(who);
            await other.Post($"/api/jobs/{job}/shared", Shows(), status);
            await other.Post("/api/calendars", new { plates = true, owners = true }, status);
        }
        var fitter = await server.SignIn("odd");
        foreach (var days in new[] { 0, -1, 731 })
        {
            await fitter.Post($"/api/jobs/{job}/shared", Shows(days: days), 422);
        }
        await fitter.Post($"/api/jobs/{Guid.CreateVersion7()}/shared", Shows(), 404);
    }

    [Fact]
    public async Task Photographs_come_only_where_they_were_chosen_and_of_this_job()
    {
        var caller = await server.SignIn();
        var job = await JobOf(caller, "204");
        var other = new TestJob(caller);
        await other.TakeIn();
        var png = Convert.FromBase64String(
            "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg=="
        );
        using var content = new ByteArrayContent(png);
        content.Headers.ContentType = new("image/png");
        using var kept = await caller.Http.PostAsync("/api/files", content, Cancel);
        var file = JsonNode.Parse(await kept.Content.ReadAsStringAsync(Cancel))!;
        await caller.Do(
            other.Path,
            "addPhotograph",
            new
            {
                commandId = Guid.CreateVersion7(),
                id = Guid.CreateVersion7(),
                sha256 = file["sha256"]!.GetValue<string>(),
                mediaType = file["mediaType"]!.GetValue<string>(),
                of = (string?)null,
                caption = "found so",
            }
        );
        var anybody = server.CreateClient();
        async Task<HttpStatusCode> Picture(string path, bool pictures)
        {
            var made = await caller.Post(
                $"{path}/shared",
                new
                {
                    opens = "record",
                    plates = false,
                    owners = false,
                    pictures,
                    days = 3,
                }
            );
            using var answer = await anybody.PostAsJsonAsync(
                "/api/shared/picture",
                new
                {
                    token = made["token"]!.GetValue<string>(),
                    sha256 = file["sha256"]!.GetValue<string>(),
                },
                Cancel
            );
            return answer.StatusCode;
        }
        Assert.Equal(HttpStatusCode.OK, await Picture(other.Path, true));
        Assert.Equal(HttpStatusCode.NotFound, await Picture(other.Path, false));
        Assert.Equal(HttpStatusCode.NotFound, await Picture($"/api/jobs/{job}", true));
    }

    [Fact]
    public async Task Papers_are_written_in_the_reader_s_unit_and_time()
    {
        var caller = await server.SignIn();
        var job = await JobOf(caller, "118");
        var papers = await caller.Get($"/api/jobs/{job}/papers?zone=Pacific/Kiritimati");
        Assert.Equal("Record", papers["record"]!["title"]!.GetValue<string>());
        Assert.Equal("Alignment sheet", papers["alignment"]!["title"]!.GetValue<string>());
        Assert.Contains(
            " in ±",
            papers["record"]!["sections"]![0]!["table"]!["rows"]![0]![1]!.GetValue<string>(),
            StringComparison.Ordinal
        );
        // There it is fourteen hours later than in Greenwich.
        var there = (await caller.Get($"/api/jobs/{job}"))["document"]!["job"]!["takenInAt"]!
            .GetValue<DateTimeOffset>()
            .AddHours(14)
            .ToString("d MMM yyyy", System.Globalization.CultureInfo.InvariantCulture);
        Assert.Contains(
            $"taken in {there}",
            papers["record"]!["facts"]![0]!.GetValue<string>(),
            StringComparison.Ordinal
        );
        Assert.Equal(
            HttpStatusCode.NotFound,
            (
                await caller.Http.GetAsync($"/api/jobs/{Guid.CreateVersion7()}/papers", Cancel)
            ).StatusCode
        );
    }
}
