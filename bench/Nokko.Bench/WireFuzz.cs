using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using Nokko.Driving;

namespace Nokko.Bench;

/// <summary>Sends bodies and files that are nearly right to every endpoint that takes one: the server answers each with what is wrong, never by breaking, and can still be read afterwards.</summary>
internal sealed class WireFuzz
{
    private const int Bodies = 12_000;
    private const int Files = 2_000;
    private const int Batch = 1_000;

    /// <summary>What would end the sign-in or take the person away.</summary>
    private static readonly string[] LeftAlone =
    [
        "/api/sign-out",
        "/api/me/password",
        "/api/me/devices/end",
        "/api/people/{person}/remove",
        "/api/people/{person}/role",
        "/api/people/{person}/erase",
    ];

    private readonly Random _chance = new(20261);
    private readonly List<string> _broke = [];
    private readonly HttpClient _http;
    private readonly JsonObject _api;
    private readonly Guid[] _jobs;
    private readonly SortedDictionary<int, int> _answers = [];

    private WireFuzz(HttpClient http, JsonObject api, Guid[] jobs) =>
        (_http, _api, _jobs) = (http, api, jobs);

    /// <summary>Runs it on a demo of its own.</summary>
    /// <exception cref="InvalidOperationException">The server broke; what was sent is named.</exception>
    public static async Task Run()
    {
        await using var server = await ServerProcess.Start($"fuzz_{Guid.NewGuid():N}");
        using var http = new HttpClient { BaseAddress = new Uri(server.Address) };
        (
            await http.PostAsJsonAsync(
                "/api/sign-in",
                new { userName = "brenna", password = "stance-42" }
            )
        ).EnsureSuccessStatusCode();
        var api = JsonNode.Parse(await http.GetStringAsync("/openapi/v1.json"))!.AsObject();
        var jobs = JsonNode.Parse(await http.GetStringAsync("/api/yard"))!["jobs"]!
            .AsArray()
            .Select(j => j!["jobId"]!.GetValue<Guid>())
            .ToArray();
        var fuzz = new WireFuzz(http, api, jobs);
        await fuzz.SendBodies();
        await fuzz.SendFiles();
        Console.WriteLine(
            $"{Bodies:N0} bodies, {Files:N0} files: {string.Join(", ", fuzz._answers.Select(a => $"{a.Value:N0} × {a.Key}"))}"
        );
        if (fuzz._broke.Count > 0)
        {
            throw new InvalidOperationException(
                $"{fuzz._broke.Count} broke the server. The first:\n{string.Join('\n', fuzz._broke.Take(10))}\n{server.Said}"
            );
        }
    }

    private async Task SendBodies()
    {
        var endpoints = _api["paths"]!
            .AsObject()
            .Where(p => !LeftAlone.Contains(p.Key))
            .SelectMany(p =>
                p.Value!.AsObject()
                    .Where(m => m.Key is "post" or "put")
                    .Select(m =>
                        (
                            Path: p.Key,
                            Method: new HttpMethod(m.Key),
                            Schema: m.Value!["requestBody"]
                                ?["content"]
                                ?["application/json"]
                                ?["schema"]
                        )
                    )
            )
            .Where(e => e.Schema is not null)
            // Most of what is sent is commands.
            .SelectMany(e =>
                Enumerable.Repeat(
                    e,
                    e.Path.EndsWith("/commands", StringComparison.Ordinal) ? 20 : 1
                )
            )
            .ToArray();
        for (var i = 0; i < Bodies; i++)
        {
            var (path, method, schema) = endpoints[_chance.Next(endpoints.Length)];
            var body = Text(Spoiled(Made(schema, 0)));
            await Send(method, Address(path), new StringContent(body), "application/json", body);
            if (i % Batch == Batch - 1)
            {
                await ReadAll();
            }
        }
    }

    private async Task SendFiles()
    {
        var jobs = new List<JsonNode>();
        foreach (var job in _jobs)
        {
            var bytes = await _http.GetByteArrayAsync($"/api/jobs/{job}/file");
            if (bytes is [(byte)'{', ..])
            {
                jobs.Add(JsonNode.Parse(bytes)!);
            }
        }
        for (var i = 0; i < Files; i++)
        {
            var text = Text(Spoiled(jobs[_chance.Next(jobs.Count)].DeepClone()));
            var bytes = Encoding.UTF8.GetBytes(text);
            if (_chance.Next(10) == 0)
            {
                // A few are torn or have a wrong byte.
                bytes = bytes[..(_chance.Next(bytes.Length) + 1)];
                bytes[_chance.Next(bytes.Length)] = (byte)_chance.Next(256);
            }
            await Send(
                HttpMethod.Post,
                "/api/job-files?copy=true",
                new ByteArrayContent(bytes),
                "application/json",
                $"a job file of {bytes.Length} bytes, number {i}"
            );
            if (i % Batch == Batch - 1)
            {
                await ReadAll();
            }
        }
    }

    /// <summary>Everything that can be read still is.</summary>
    private async Task ReadAll()
    {
        foreach (
            var (path, _) in _api["paths"]!
                .AsObject()
                .Where(p => p.Value!.AsObject().ContainsKey("get"))
        )
        {
            await Send(HttpMethod.Get, Address(path), null, null, "");
        }
    }

    private async Task Send(
        HttpMethod method,
        string address,
        HttpContent? content,
        string? type,
        string said
    )
    {
        using var request = new HttpRequestMessage(method, address) { Content = content };
        if (type is not null)
        {
            content!.Headers.ContentType = new MediaTypeHeaderValue(type);
        }
        var sent = content is null ? [] : await content.ReadAsByteArrayAsync();
        using var limit = new CancellationTokenSource(TimeSpan.FromSeconds(60));
        using var answer = await _http.SendAsync(
            request,
            HttpCompletionOption.ResponseHeadersRead,
            limit.Token
        );
        var status = (int)answer.StatusCode;
        if (method != HttpMethod.Get)
        {
            _answers[status] = _answers.GetValueOrDefault(status) + 1;
        }
        // What is signed out or held up would prove nothing.
        if (status >= 500 || status is 401 or 429)
        {
            if (content is not null)
            {
                // As it was sent, to be sent again.
                var kept = Path.Combine(
                    Directory
                        .CreateDirectory(
                            Path.Combine(
                                Environment.GetEnvironmentVariable("NOKKO_ROOT")!,
                                ".data",
                                "fuzz"
                            )
                        )
                        .FullName,
                    $"broke-{_broke.Count + 1}"
                );
                await File.WriteAllBytesAsync(kept, sent);
                said = $"kept as {kept}: {said}";
            }
            _broke.Add($"{status} {method} {address}: {said[..Math.Min(600, said.Length)]}");
        }
    }

    private string Address(string path)
    {
        var job = _jobs[_chance.Next(_jobs.Length)].ToString();
        return string.Join(
            '/',
            path.Split('/')
                .Select(p =>
                    p == "{job}" ? job
                    : p is ['{', ..] ? Guid.NewGuid().ToString()
                    : p
                )
        );
    }

    // --- what is sent -----------------------------------------------------------------------------

    /// <summary>A value that a schema allows.</summary>
    private JsonNode? Made(JsonNode? schema, int depth)
    {
        if (schema is null || depth > 8)
        {
            return null;
        }
        if (schema["$ref"]?.GetValue<string>() is { } of)
        {
            return Made(_api["components"]!["schemas"]![of.Split('/')[^1]], depth);
        }
        if ((schema["oneOf"] ?? schema["anyOf"]) is JsonArray any)
        {
            return Made(any[_chance.Next(any.Count)], depth + 1);
        }
        if (schema["enum"] is JsonArray words)
        {
            return words[_chance.Next(words.Count)]?.DeepClone();
        }
        var types = schema["type"] is JsonArray several
            ? several.Select(t => t!.GetValue<string>()).ToArray()
            : [schema["type"]?.GetValue<string>() ?? "object"];
        var format = schema["format"]?.GetValue<string>();
        return types[_chance.Next(types.Length)] switch
        {
            "object" when schema["properties"] is JsonObject properties => new JsonObject(
                properties.Select(p => KeyValuePair.Create(p.Key, Made(p.Value, depth + 1)))
            ),
            "array" => new JsonArray([
                .. Enumerable
                    .Range(0, _chance.Next(3))
                    .Select(_ => Made(schema["items"], depth + 1)),
            ]),
            "string" => format switch
            {
                "uuid" => Guid.NewGuid().ToString(),
                "date-time" => "2026-03-01T10:00:00Z",
                "date" => "2026-03-01",
                _ => Words[_chance.Next(Words.Length)],
            },
            "integer" => _chance.Next(-2, 50),
            "number" => _chance.NextDouble() * 100,
            "boolean" => _chance.Next(2) == 0,
            "null" => null,
            _ => new JsonObject(),
        };
    }

    private static readonly string[] Words = ["LF", "20 1/2", "hub", "mm", "front", "1", "abc", ""];

    private static readonly Func<JsonNode?>[] Oddities =
    [
        () => null,
        () => "",
        () => " ",
        () => "\0",
        () => "\uD800",
        () => new string('9', 5_000),
        () => "🙂\u202E",
        () => -1,
        () => long.MaxValue,
        () => 1e308,
        () => true,
        () => new JsonArray(),
        () => new JsonArray(null, null),
        () => new JsonObject(),
        () => new JsonObject { ["kind"] = null },
        () => Guid.Empty.ToString(),
        () => "0001-01-01T00:00:00Z",
        () => "9999-12-31T23:59:59.9999999Z",
        () => "=1+1",
    ];

    /// <summary>One to three of its pieces are something else.</summary>
    private JsonNode? Spoiled(JsonNode? body)
    {
        for (var i = _chance.Next(1, 4); i > 0; i--)
        {
            var places = Places(body).ToArray();
            if (places.Length == 0)
            {
                return Oddities[_chance.Next(Oddities.Length)]();
            }
            var (parent, name, index) = places[_chance.Next(places.Length)];
            if (parent is JsonObject o)
            {
                if (_chance.Next(5) == 0)
                {
                    o.Remove(name!);
                }
                else
                {
                    o[name!] = Oddities[_chance.Next(Oddities.Length)]();
                }
            }
            else
            {
                parent.AsArray()[index] = Oddities[_chance.Next(Oddities.Length)]();
            }
        }
        return body;
    }

    private static IEnumerable<(JsonNode Parent, string? Name, int Index)> Places(JsonNode? node) =>
        node switch
        {
            JsonObject o => o.SelectMany(p => Places(p.Value).Prepend((o, p.Key, -1))),
            JsonArray a => a.SelectMany((n, i) => Places(n).Prepend((a, (string?)null, i))),
            _ => [],
        };

    /// <summary>As text; now and then with a name twice.</summary>
    private string Text(JsonNode? body)
    {
        var text = body?.ToJsonString(Plain) ?? "null";
        return
            _chance.Next(20) == 0 && text.IndexOf('{', StringComparison.Ordinal) is >= 0 and var at
            ? text.Insert(at + 1, "\"id\":1,\"id\":2,\"kind\":\"x\",")
            : text;
    }

    private static readonly JsonSerializerOptions Plain = new() { MaxDepth = 256 };
}
