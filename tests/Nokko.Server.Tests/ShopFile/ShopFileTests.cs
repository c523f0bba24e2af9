using System.IO.Compression;
using System.Net.Http.Headers;
using System.Text;
using System.Text.Json.Nodes;
using Nokko.Driving;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>A whole shop out as one zip, and back into an empty one, equal.</summary>
public sealed class ShopFileTests : IAsyncLifetime
{
    private readonly Hosted _server = new();
    private readonly Hosted _empty = Hosted.Empty();
    private Caller _brenna = null!;
    private Caller _ada = null!;

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    public async ValueTask InitializeAsync()
    {
        _brenna = await _server.SignIn();
        _ada = await _empty.Open();
    }

    public async ValueTask DisposeAsync()
    {
        await _server.DisposeAsync();
        await _empty.DisposeAsync();
    }

    [Fact]
    [Trait("Trial", "long")]
    public async Task A_whole_shop_comes_back_into_an_empty_one_equal()
    {
        await Fill();
        var zip = await Out(_brenna);
        var came = Entries(zip);
        Assert.Equal(
            await _server.Ask<long>("select count(*) from jobs"),
            came.Keys.Count(k => k.StartsWith("jobs/", StringComparison.Ordinal))
        );
        Assert.Single(came.Keys, k => k.StartsWith("files/", StringComparison.Ordinal));
        var (status, back) = await In(_ada, zip);
        Assert.True(status == 200, back.ToJsonString());
        Assert.Equal(
            (came.Count - 2, 1),
            (back["jobs"]!.GetValue<int>(), back["photographs"]!.GetValue<int>())
        );
        Assert.Empty(back["notTaken"]!.AsArray());

        // Out of there again, it is the same; but for Ada, who was there first.
        var again = Entries(await Out(_ada));
        Assert.Equal(came.Keys.Order(), again.Keys.Order());
        foreach (var (path, content) in came.Where(e => e.Key != "shop.json"))
        {
            Assert.True(content.SequenceEqual(again[path]), path);
        }
        var (shop, theirs) = (Shop(came), Shop(again));
        var people = theirs["people"]!.AsArray();
        people.Remove(people.Single(p => p!["userName"]!.GetValue<string>() == "ada"));
        Assert.Equal(shop.ToJsonString(), theirs.ToJsonString());

        // The yard, what it learned and its words are worked out anew from it.
        var (yard, first) = (
            await _ada.Get("/api/yard?find=TM+60"),
            await _brenna.Get("/api/yard?find=TM+60")
        );
        Assert.Equal(
            first["jobs"]![0]!["does"]!.GetValue<string>(),
            yard["jobs"]![0]!["does"]!.GetValue<string>()
        );
        Assert.Equal(
            (await _brenna.Get("/api/evidence"))["lines"]!.AsArray().Count,
            (await _ada.Get("/api/evidence"))["lines"]!.AsArray().Count
        );
        // Nobody comes in with an old password: an owner's link lets them.
        await Assert.ThrowsAsync<HttpRequestException>(() => _empty.SignIn("odd"));
        var odd = (await _ada.Get("/api/shop"))["people"]!
            .AsArray()
            .Single(p => p!["userName"]!.GetValue<string>() == "odd")!["id"]!.GetValue<Guid>();
        var token = (await _ada.Post($"/api/people/{odd}/links", new { }))["token"];
        await new Caller(_empty.CreateClient()).Post(
            "/api/links/use",
            new { token, password = "once more up" }
        );
        var caller = await _empty.SignIn("odd", "once more up");
        Assert.Equal("Odd Farrow", (await caller.Get("/api/me"))["name"]!.GetValue<string>());
        // And work goes on.
        var next = new TestJob(caller);
        await next.TakeIn();
        await next.BeginRound();
        await next.Read("LF", "20 1/2");
    }

    [Fact]
    public async Task It_comes_into_an_empty_shop_only_and_by_its_owner()
    {
        var zip = await Out(_brenna);
        foreach (var user in (string[])["odd", "linde", "ruan"])
        {
            var caller = await _server.SignIn(user);
            Assert.Equal(
                403,
                (int)(await caller.Http.GetAsync("/api/shop/file", Cancel)).StatusCode
            );
            Assert.Equal(403, (await In(caller, zip)).Status);
        }
        var (status, answer) = await In(_brenna, zip);
        Assert.Equal(409, status);
        Assert.Contains(
            "comes into an empty one",
            answer["detail"]!.GetValue<string>(),
            StringComparison.Ordinal
        );
    }

    [Trait("Trial", "long")]
    [Fact]
    public async Task Whatever_is_wrong_in_it_is_said_with_its_place_and_nothing_of_it_stays()
    {
        var good = Entries(await Out(_brenna));
        var jobs = good.Keys.Where(k => k.StartsWith("jobs/", StringComparison.Ordinal));
        var job = jobs.First();
        // Two of different vehicles, with rows of their vehicles and of their own.
        string[] pair =
        [
            .. jobs.Where(k =>
                    JsonNode.Parse(good[k]) is { } j
                    && j["readings"]!.AsArray().Count > 0
                    && j["plans"]!.AsArray().Count > 0
                )
                .DistinctBy(k => JsonNode.Parse(good[k])!["vehicle"]!["id"]!.GetValue<string>())
                .Take(2),
        ];
        string Of(int which, string list) =>
            JsonNode.Parse(good[pair[which]])![list]![0]!["id"]!.GetValue<string>();
        void Take(Dictionary<string, byte[]> zip, string list) =>
            zip[pair[1]] = Encoding.UTF8.GetBytes(
                Encoding
                    .UTF8.GetString(zip[pair[1]])
                    .Replace(Of(1, list), Of(0, list), StringComparison.Ordinal)
            );
        foreach (
            var (what, broken, says) in new (string, Action<Dictionary<string, byte[]>>, string)[]
            {
                ("no shop", z => z.Remove("shop.json"), "no shop.json"),
                ("text", z => z["shop.json"] = "nothing"u8.ToArray(), "no shop's file"),
                ("null", z => z["shop.json"] = "null"u8.ToArray(), "one JSON object"),
                (
                    "another format",
                    z => Edit(z, "shop.json", s => s["format"] = "nokko-job"),
                    "format is not"
                ),
                (
                    "a later version",
                    z => Edit(z, "shop.json", s => s["version"] = 99),
                    "newer Nokko"
                ),
                (
                    "a gap",
                    z => Edit(z, "shop.json", s => s["parts"]!.AsArray().Add(null)),
                    "gap in this list"
                ),
                (
                    "a part that cannot be",
                    z => Edit(z, "shop.json", s => s["parts"]![0]!["count"] = -4),
                    "Count the pieces"
                ),
                (
                    "a key twice",
                    z =>
                        Edit(
                            z,
                            "shop.json",
                            s => s["owners"]!.AsArray().Add(s["owners"]![0]!.DeepClone())
                        ),
                    "twice"
                ),
                (
                    "settings that cannot be",
                    z => Edit(z, "shop.json", s => s["settings"]!["denominator"] = 5),
                    "eighths"
                ),
                (
                    "an owner that is missing",
                    z => Edit(z, "shop.json", s => s["owners"]!.AsArray().Clear()),
                    "owner or its platform"
                ),
                (
                    "a job that is none",
                    z => Edit(z, job, s => s["readings"] = "many"),
                    "not a value that may stand here"
                ),
                ("a reading of another vehicle's", z => Take(z, "readings"), "twice"),
                ("a plan of another job's", z => Take(z, "plans"), "twice"),
                (
                    "a photograph that is none",
                    z => z[$"files/{new string('a', 64)}"] = "picture"u8.ToArray(),
                    ""
                ),
            }
        )
        {
            var zip = new Dictionary<string, byte[]>(good);
            broken(zip);
            var (status, answer) = await In(_ada, Zip(zip));
            Assert.True(status is 422 or 409, $"{what}: {status} {answer}");
            Assert.True(
                answer["detail"]!
                    .GetValue<string>()
                    .Contains(says, StringComparison.OrdinalIgnoreCase),
                $"{what}: {answer}"
            );
        }
        Assert.Equal(422, (await In(_ada, "no zip at all"u8.ToArray())).Status);
        Assert.Equal(
            (0L, 0L, 0L, 1L),
            (
                await _empty.Ask<long>("select count(*) from jobs"),
                await _empty.Ask<long>("select count(*) from parts"),
                await _empty.Ask<long>("select count(*) from files"),
                await _empty.Ask<long>("select count(*) from accounts")
            )
        );
        Assert.Equal(
            "Marl Street Fitting",
            (await _ada.Get("/api/me"))["shop"]!.GetValue<string>()
        );
    }

    [Trait("Trial", "long")]
    [Fact]
    public async Task Who_has_a_name_that_is_taken_stays_a_name_on_the_record()
    {
        var zip = Entries(await Out(_brenna));
        Edit(
            zip,
            "shop.json",
            s =>
                s["people"]!.AsArray().Single(p => p!["userName"]!.GetValue<string>() == "odd")![
                    "userName"
                ] = "ADA"
        );
        var (status, back) = await In(_ada, Zip(zip));
        Assert.True(status == 200, back.ToJsonString());
        Assert.Equal("ADA", Assert.Single(back["notTaken"]!.AsArray())!.GetValue<string>());
        Assert.Equal("ada", (await _ada.Get("/api/me"))["userName"]!.GetValue<string>());
    }

    /// <summary>What a demo lacks: settings, ways, a tip, a part in the bin, a second job of a vehicle, a photograph, somebody who left.</summary>
    private async Task Fill()
    {
        var shop = await _brenna.Get("/api/shop");
        var settings = shop["settings"]!.AsObject();
        settings["bays"] = new JsonArray("pit", "ramp");
        settings["tolerance"] = new JsonObject
        {
            ["typed"] = "3/16",
            ["unit"] = "in",
            ["known"] = "told",
        };
        await _brenna.Put(
            "/api/shop",
            new
            {
                version = shop["version"]!.GetValue<uint>(),
                name = "Skarn Vale and Sons",
                settings,
            }
        );
        await _brenna.Shop(
            "addTip",
            new
            {
                id = Guid.CreateVersion7(),
                operation = "strut",
                text = "Tap it",
            }
        );
        await _brenna.Shop(
            "keepLimit",
            new
            {
                id = Guid.CreateVersion7(),
                of = "caster",
                most = new
                {
                    typed = "0.7",
                    unit = "°",
                    known = "told",
                },
            }
        );
        var job = new TestJob(_brenna);
        await job.TakeIn();
        await job.AddPhotograph();
        await job.BeginRound();
        await job.ReadAll("20 1/2", "20 1/2", "22 1/2", "22 1/2", "41", "41");
        // It comes again: what was read before stands in the files of both jobs.
        await _brenna.Do(
            job.Path,
            "handOver",
            new
            {
                version = (await _brenna.Get(job.Path))["versions"]![
                    job.Job.ToString()
                ]!.GetValue<uint>(),
                odometer = (object?)null,
                ownerNotes = (string?)null,
                followUps = Array.Empty<object>(),
                reason = "its owner fetched it between two steps",
            }
        );
        var again = new TestJob(_brenna) { Platform = job.Platform };
        var takeIn = Caller.Command("takeIn", again.TakeInBody(job.Platform.ToString()));
        takeIn["vehicleId"] = job.Vehicle.ToString();
        takeIn["fitted"] = null;
        var second = await _brenna.Shop("takeIn", takeIn);
        Assert.Equal(6, second["document"]!["readings"]!.AsArray().Count);
        var linde = (await _brenna.Get("/api/shop"))["people"]!
            .AsArray()
            .Single(p => p!["userName"]!.GetValue<string>() == "linde")!["id"]!.GetValue<Guid>();
        await _brenna.Post($"/api/people/{linde}/remove", new { });
    }

    private static async Task<byte[]> Out(Caller caller) =>
        await caller.Http.GetByteArrayAsync("/api/shop/file", Cancel);

    private static async Task<(int Status, JsonNode Answer)> In(Caller caller, byte[] zip)
    {
        using var content = new ByteArrayContent(zip);
        content.Headers.ContentType = new MediaTypeHeaderValue("application/zip");
        using var answer = await caller.Http.PostAsync("/api/shop/file", content, Cancel);
        var text = await answer.Content.ReadAsStringAsync(Cancel);
        return (
            (int)answer.StatusCode,
            text.Length == 0 ? new JsonObject() : JsonNode.Parse(text)!
        );
    }

    private static JsonNode Shop(Dictionary<string, byte[]> entries) =>
        JsonNode.Parse(entries["shop.json"])!;

    private static void Edit(Dictionary<string, byte[]> zip, string path, Action<JsonNode> change)
    {
        var node = JsonNode.Parse(zip[path])!;
        change(node);
        zip[path] = Encoding.UTF8.GetBytes(node.ToJsonString());
    }

    private static Dictionary<string, byte[]> Entries(byte[] zip)
    {
        using var archive = new ZipArchive(new MemoryStream(zip));
        return archive.Entries.ToDictionary(
            e => e.FullName,
            e =>
            {
                using var content = new MemoryStream();
                using var stream = e.Open();
                stream.CopyTo(content);
                return content.ToArray();
            }
        );
    }

    private static byte[] Zip(Dictionary<string, byte[]> entries)
    {
        using var buffer = new MemoryStream();
        using (var archive = new ZipArchive(buffer, ZipArchiveMode.Create, leaveOpen: true))
        {
            foreach (var (path, content) in entries)
            {
                using var entry = archive.CreateEntry(path).Open();
                entry.Write(content);
            }
        }
        return buffer.ToArray();
    }
}
