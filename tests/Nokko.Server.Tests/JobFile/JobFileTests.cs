using System.IO.Compression;
using System.Net.Http.Headers;
using System.Text;
using System.Text.Json.Nodes;
using Nokko.Core.JobFile;
using Nokko.Core.Jobs;
using Nokko.Core.Suspension;
using Xunit;

namespace Nokko.Server.Tests;

public class JobFileTests(Hosted first, OtherShop second)
    : IClassFixture<Hosted>,
        IClassFixture<OtherShop>
{
    private static readonly byte[] Pixel = Convert.FromBase64String(
        "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg=="
    );

    [Fact]
    [Trait("Trial", "long")]
    public async Task What_is_taken_out_and_brought_in_elsewhere_comes_out_the_same()
    {
        var (here, there) = (await first.SignIn(), second.Owner);
        // The demo's own jobs, not the copies that other tests made of them.
        var demo = (await here.Get("/api/yard"))["jobs"]!
            .AsArray()
            .Where(j => Plate(j!) != "TT 1")
            .OrderBy(j => j!["jobId"]!.GetValue<string>(), StringComparer.Ordinal)
            .DistinctBy(j => Plate(j!));
        foreach (var job in demo)
        {
            var path = $"/api/jobs/{job!["jobId"]}/file";
            var exported = await here.Http.GetStringAsync(
                path,
                TestContext.Current.CancellationToken
            );
            var imported = await Bring(there, Encoding.UTF8.GetBytes(exported), "application/json");
            Assert.Equal(200, imported.Status);
            Assert.Equal(
                exported,
                await there.Http.GetStringAsync(path, TestContext.Current.CancellationToken)
            );
            Assert.Equal(exported, JobJson.Canonical(JobFileReader.Read(exported).Document!));
        }
    }

    [Fact]
    public async Task Every_kind_of_row_that_the_format_has_survives_the_database()
    {
        var here = await first.SignIn();
        var id = (await here.Get("/api/yard?find=SV%20204"))["jobs"]![0]![
            "jobId"
        ]!.GetValue<string>();
        var file = JsonNode
            .Parse(
                await here.Http.GetStringAsync(
                    $"/api/jobs/{id}/file",
                    TestContext.Current.CancellationToken
                )
            )!
            .AsObject();
        FullJob.Fill(file);
        Assert.DoesNotContain(
            file,
            list => list.Value is JsonArray { Count: 0 } && list.Key != "attachments"
        );
        var text = file.ToJsonString();
        Assert.Null(JobFileReader.Read(text).Error);
        var copy = await Bring(here, Encoding.UTF8.GetBytes(text), "application/json", copy: true);
        Assert.Equal(200, copy.Status);
        var exported = await here.Http.GetStringAsync(
            $"/api/jobs/{copy.Answer["jobId"]}/file",
            TestContext.Current.CancellationToken
        );
        // A copy has other keys; brought in once more elsewhere it must not change by a letter.
        var there = second.Owner;
        Assert.Equal(
            200,
            (await Bring(there, Encoding.UTF8.GetBytes(exported), "application/json")).Status
        );
        Assert.Equal(
            exported,
            await there.Http.GetStringAsync(
                $"/api/jobs/{copy.Answer["jobId"]}/file",
                TestContext.Current.CancellationToken
            )
        );
        // And but for the keys, and that it is a copy, it is what was sent. The place in the week is that of the job itself.
        file["bookings"] = new JsonArray();
        Assert.Equal(
            WithoutKeys(file.ToJsonString()),
            WithoutKeys(
                System.Text.RegularExpressions.Regex.Replace(
                    exported,
                    "\"copiedAt\": \"[^\"]*\"",
                    "\"copiedAt\": null"
                )
            )
        );

        static string WithoutKeys(string json) =>
            System.Text.RegularExpressions.Regex.Replace(
                JobJson.Canonical(JobFileReader.Read(json).Document!),
                "[0-9a-f]{8}-[0-9a-f-]{27}",
                "key"
            );
    }

    [Fact]
    public async Task A_job_that_is_here_is_asked_about_and_a_copy_gets_new_keys()
    {
        var here = await first.SignIn();
        var id = (await here.Get("/api/yard?find=SV%20204"))["jobs"]![0]![
            "jobId"
        ]!.GetValue<string>();
        var exported = await here.Http.GetByteArrayAsync(
            $"/api/jobs/{id}/file",
            TestContext.Current.CancellationToken
        );
        var again = await Bring(here, exported, "application/json");
        Assert.Equal((409, "id"), (again.Status, again.Answer["field"]!.GetValue<string>()));
        var copy = await Bring(here, exported, "application/json", copy: true);
        Assert.Equal(200, copy.Status);
        var copied = await here.Get($"/api/jobs/{copy.Answer["jobId"]}");
        var original = await here.Get($"/api/jobs/{id}");
        Assert.NotEqual(id, copied["document"]!["job"]!["id"]!.GetValue<string>());
        Assert.Equal(
            original["document"]!["readings"]!.AsArray().Count,
            copied["document"]!["readings"]!.AsArray().Count
        );
        Assert.Equal(
            original["results"]!["proofs"]!
                .AsArray()
                .Select(p => p!["overall"]!.GetValue<string>()),
            copied["results"]!["proofs"]!.AsArray().Select(p => p!["overall"]!.GetValue<string>())
        );
    }

    [Fact]
    public async Task A_job_with_a_photograph_is_a_zip_and_comes_back_whole()
    {
        var here = await first.SignIn();
        var job = new TestJob(here);
        await job.TakeIn();
        using var photo = new ByteArrayContent(Pixel);
        photo.Headers.ContentType = new MediaTypeHeaderValue("image/png");
        var added = await here.Http.PostAsync(
            "/api/files",
            photo,
            TestContext.Current.CancellationToken
        );
        Assert.Equal(200, (int)added.StatusCode);
        var kept = JsonNode.Parse(
            await added.Content.ReadAsStringAsync(TestContext.Current.CancellationToken)
        )!;
        await here.Do(
            job.Path,
            "addPhotograph",
            Guid.CreateVersion7(),
            new
            {
                sha256 = kept["sha256"]!.GetValue<string>(),
                mediaType = kept["mediaType"]!.GetValue<string>(),
                of = (string?)null,
                caption = "nose",
            }
        );
        var zip = await here.Http.GetByteArrayAsync(
            $"{job.Path}/file",
            TestContext.Current.CancellationToken
        );
        using var archive = new ZipArchive(new MemoryStream(zip));
        Assert.Equal(2, archive.Entries.Count);

        var there = second.Owner;
        Assert.Equal(200, (await Bring(there, zip, "application/zip")).Status);
        var sha = (await there.Get(job.Path))["document"]!["attachments"]![0]![
            "sha256"
        ]!.GetValue<string>();
        Assert.Equal(
            Pixel,
            await there.Http.GetByteArrayAsync(
                $"/api/files/{sha}",
                TestContext.Current.CancellationToken
            )
        );
    }

    [Fact]
    public async Task A_named_file_that_is_missing_and_a_wrong_kind_of_file_are_refused()
    {
        var here = await first.SignIn();
        var job = new TestJob(here);
        await job.TakeIn();
        using var text = new StringContent("<svg/>", Encoding.UTF8, "image/svg+xml");
        Assert.Equal(
            422,
            (int)
                (
                    await here.Http.PostAsync(
                        "/api/files",
                        text,
                        TestContext.Current.CancellationToken
                    )
                ).StatusCode
        );
        var file = JsonNode.Parse(
            await here.Http.GetStringAsync(
                $"{job.Path}/file",
                TestContext.Current.CancellationToken
            )
        )!;
        file["attachments"]!
            .AsArray()
            .Add(
                new JsonObject
                {
                    ["id"] = Guid.NewGuid(),
                    ["sha256"] = new string('a', 64),
                    ["mediaType"] = "image/png",
                    ["of"] = null,
                    ["caption"] = null,
                    ["personId"] = file["people"]![0]!["id"]!.GetValue<string>(),
                    ["at"] = "2026-01-01T00:00:00Z",
                }
            );
        var answer = await Bring(
            here,
            Encoding.UTF8.GetBytes(file.ToJsonString()),
            "application/json",
            copy: true
        );
        Assert.Equal(
            (422, "$.attachments"),
            (answer.Status, answer.Answer["field"]!.GetValue<string>())
        );
    }

    [Fact]
    public async Task A_broken_file_names_the_place()
    {
        var here = await first.SignIn();
        var id = (await here.Get("/api/yard?find=NF%2077"))["jobs"]![0]![
            "jobId"
        ]!.GetValue<string>();
        var file = JsonNode.Parse(
            await here.Http.GetStringAsync(
                $"/api/jobs/{id}/file",
                TestContext.Current.CancellationToken
            )
        )!;
        file["readings"]![2]!["value"]!["unit"] = "ell";
        var answer = await Bring(
            here,
            Encoding.UTF8.GetBytes(file.ToJsonString()),
            "application/json"
        );
        Assert.Equal(
            (422, "$.readings[2].value.unit"),
            (answer.Status, answer.Answer["field"]!.GetValue<string>())
        );
    }

    private static string Plate(JsonNode job) =>
        job["facts"]!["vehicle"]!["plate"]!.GetValue<string>();

    private static async Task<(int Status, JsonNode Answer)> Bring(
        Caller caller,
        byte[] body,
        string type,
        bool copy = false
    )
    {
        using var content = new ByteArrayContent(body);
        content.Headers.ContentType = new MediaTypeHeaderValue(type);
        var answer = await caller.Http.PostAsync(
            $"/api/job-files?copy={(copy ? "true" : "false")}",
            content,
            TestContext.Current.CancellationToken
        );
        return (
            (int)answer.StatusCode,
            JsonNode.Parse(
                await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken)
            )!
        );
    }
}

/// <summary>Another shop on another database, which has none of the platforms of the files.</summary>
public sealed class OtherShop : IAsyncLifetime
{
    private readonly Hosted _server = Hosted.Empty();

    public Caller Owner { get; private set; } = null!;

    public async ValueTask InitializeAsync() => Owner = await _server.Open();

    public ValueTask DisposeAsync() => _server.DisposeAsync();
}
