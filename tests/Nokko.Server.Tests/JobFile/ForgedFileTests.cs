using System.Net.Http.Headers;
using System.Text;
using System.Text.Json.Nodes;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>A file never reaches beyond its job: whatever keys of other jobs and shops it holds, nothing that stands is changed, and nothing of it is taken.</summary>
public sealed class ForgedFileTests : IAsyncLifetime
{
    private readonly Hosted _server = new();
    private readonly Guid _other = Guid.CreateVersion7();
    private Caller _brenna = null!;
    private Caller _odd = null!;
    private string _file = "";

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    public async ValueTask InitializeAsync()
    {
        await _server.SignIn();
        await _server.Ask<object>(
            $"insert into shops (id, name) values ('{_other}', 'Other'); update accounts set shop_id = '{_other}' where user_name = 'odd' returning 1"
        );
        _brenna = await _server.SignIn();
        _odd = await _server.SignIn("odd");
        var job = (await _brenna.Get("/api/yard?find=SV%20204"))["jobs"]![0]!["jobId"];
        var whole = JsonNode
            .Parse(await _brenna.Http.GetStringAsync($"/api/jobs/{job}/file", Cancel))!
            .AsObject();
        FullJob.Fill(whole);
        _file = whole.ToJsonString();
    }

    public ValueTask DisposeAsync() => _server.DisposeAsync();

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    [Trait("Trial", "long")]
    public async Task One_key_of_something_that_stands_is_enough_to_refuse_a_file(bool sameShop)
    {
        // The job stands with every kind of row: a copy of it, whose own keys are then forged into other files.
        var standing = Fresh(_file, []);
        Assert.Equal(200, await Bring(_brenna, standing));
        var before = await All();
        var stranger = sameShop ? _brenna : _odd;
        var tried = 0;
        foreach (var (list, id) in Keys(standing))
        {
            // A colleague's file may name the same owner, platform and people; another shop's may not.
            if (list == "people" || (sameShop && list is "owner" or "platform"))
            {
                continue;
            }
            tried++;
            var status = await Bring(stranger, Fresh(standing, [id]));
            Assert.True(
                status is 409 or 422,
                $"a file with the key of {list} was answered {status}"
            );
            Assert.True(before == await All(), $"a file with the key of {list} changed what stood");
        }
        Assert.True(tried > 20, $"{tried} lists had rows");
        // And as it stands, whole.
        Assert.Equal(409, await Bring(stranger, standing));
        Assert.Equal(before, await All());
    }

    [Trait("Trial", "long")]
    [Fact]
    public async Task History_that_came_with_a_file_is_text_and_takes_nothing_back()
    {
        var file = JsonNode.Parse(Fresh(_file, []))!;
        var line = file["history"]!.AsArray().First()!;
        // What a line would need to reach a row is not a field of the format.
        line["changes"] = new JsonArray(new JsonObject { ["list"] = "jobs" });
        Assert.Equal(422, await Bring(_brenna, file.ToJsonString()));
        line.AsObject().Remove("changes");
        Assert.Equal(200, await Bring(_brenna, file.ToJsonString()));
        var before = await All();
        foreach (var entry in file["history"]!.AsArray())
        {
            var (status, answer) = await _brenna.TryDo(
                $"/api/jobs/{file["job"]!["id"]}",
                "takeBack",
                new { change = entry!["id"]!.GetValue<Guid>() }
            );
            Assert.True(status is 404 or 409, answer.ToJsonString());
        }
        Assert.Equal(before, await All());
    }

    /// <summary>One key of each list of a file.</summary>
    private static IEnumerable<(string List, string Id)> Keys(string file) =>
        JsonNode
            .Parse(file)!
            .AsObject()
            .Select(p =>
                (
                    p.Key,
                    Row: p.Value is JsonArray { Count: > 0 } rows
                        ? rows[0] as JsonObject
                        : p.Value as JsonObject
                )
            )
            .Where(p => p.Row?["id"] is not null)
            .Select(p => (p.Key, p.Row!["id"]!.GetValue<string>()));

    /// <summary>The file with other keys, but for those that are kept.</summary>
    private static string Fresh(string file, string[] kept)
    {
        var parsed = JsonNode.Parse(file)!.AsObject();
        var text = new StringBuilder(file);
        foreach (
            var id in parsed
                .SelectMany(p =>
                    p.Value switch
                    {
                        JsonArray rows => rows.OfType<JsonObject>(),
                        JsonObject row => [row],
                        _ => [],
                    }
                )
                .Select(r => r["id"]?.GetValue<string>())
                .OfType<string>()
                .Distinct()
                .Except(kept)
                .Order(StringComparer.Ordinal)
                .ToArray()
        )
        {
            text.Replace(id, Guid.CreateVersion7().ToString());
        }
        // A platform is known by its name, too.
        text.Replace(parsed["platform"]!["name"]!.GetValue<string>(), $"Drover {Guid.NewGuid():N}");
        return text.ToString();
    }

    private static async Task<int> Bring(Caller caller, string file)
    {
        using var content = new StringContent(file, new MediaTypeHeaderValue("application/json"));
        return (int)(await caller.Http.PostAsync("/api/job-files", content, Cancel)).StatusCode;
    }

    /// <summary>A sum over every row of every table that holds a shop's data.</summary>
    private async Task<string> All()
    {
        var tables = await _server.Ask<string[]>(
            "select array_agg(distinct table_name::text order by table_name::text) from information_schema.columns where table_schema = 'public' and column_name = 'shop_id'"
        );
        return await _server.Ask<string>(
            "select md5(string_agg(sum, ',' order by sum)) from ("
                + string.Join(
                    " union all ",
                    tables.Select(t =>
                        $"select '{t}' || coalesce(md5(string_agg(t::text, '' order by t::text)), '') as sum from {t} t"
                    )
                )
                + ") sums"
        );
    }
}
