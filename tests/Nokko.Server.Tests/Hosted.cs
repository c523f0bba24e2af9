using System.Net.Http.Json;
using System.Text.Json;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.AspNetCore.TestHost;
using Microsoft.Extensions.DependencyInjection;
using Nokko.Driving;
using Npgsql;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>The server in this process, on a database of its own with the demo shop.</summary>
public sealed class Hosted : WebApplicationFactory<Program>
{
    private readonly string _connection;

    /// <summary>How dear a password is; empty is as dear as a server that nobody told otherwise has it.</summary>
    public const string PasswordRounds = "Nokko:PasswordRounds";

    /// <summary>Further settings of this server.</summary>
    public IReadOnlyDictionary<string, string> Settings { get; init; } =
        new Dictionary<string, string>();

    public Hosted()
        : this(Copy()) { }

    /// <summary>A server on a database of its own with no shop in it, to be opened with a code.</summary>
    public static Hosted Empty() =>
        OnDatabase(
            TestCluster.On($"t_{Guid.NewGuid():N}"),
            ("Nokko:Empty", "true"),
            ("Nokko:FirstCode", FirstCode)
        );

    /// <summary>The code that opens an empty one.</summary>
    public const string FirstCode = "4711-abcd";

    /// <summary>Opens an empty one, as its owner.</summary>
    public async Task<Caller> Open()
    {
        var owner = new Caller(CreateClient());
        await owner.Post(
            "/api/first",
            new
            {
                code = FirstCode,
                shop = "Marl Street Fitting",
                name = "Ada Marl",
                userName = "ada",
                password = "rake and lean",
                lengthUnit = "in",
            }
        );
        return owner;
    }

    /// <summary>A database of its own with the demo; connection to it.</summary>
    private static string Copy()
    {
        var database = $"t_{Guid.NewGuid():N}";
        TestCluster
            .CopyDemo(
                database,
                async connection =>
                {
                    await using var maker = new Hosted(connection);
                    _ = maker.Server;
                }
            )
            .GetAwaiter()
            .GetResult();
        return TestCluster.On(database);
    }

    /// <summary>A server on a database that a test has made itself.</summary>
    public static Hosted OnDatabase(string connection, params (string, string)[] settings) =>
        new(connection) { Settings = settings.ToDictionary(s => s.Item1, s => s.Item2) };

    /// <summary>By how much this server's clock is ahead.</summary>
    public Clock Time { get; } = new();

    /// <summary>A clock that can be put forward.</summary>
    public sealed class Clock : TimeProvider
    {
        public TimeSpan Ahead { get; set; }

        public override DateTimeOffset GetUtcNow() => base.GetUtcNow() + Ahead;
    }

    /// <summary>Lets a test say from where a request comes.</summary>
    private sealed class Addresses : IStartupFilter
    {
        public Action<IApplicationBuilder> Configure(Action<IApplicationBuilder> next) =>
            app =>
            {
                app.Use(
                    (context, go) =>
                    {
                        if (
                            context.Request.Headers.TryGetValue("X-Test-Address", out var said)
                            && System.Net.IPAddress.TryParse(said, out var address)
                        )
                        {
                            context.Connection.RemoteIpAddress = address;
                        }
                        return go();
                    }
                );
                next(app);
            };
    }

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        builder.ConfigureTestServices(services =>
        {
            services.AddSingleton<TimeProvider>(Time);
            services.AddSingleton<IStartupFilter, Addresses>();
        });
        // Tests ask more often than people.
        builder.UseSetting("Nokko:DoorPerMinute", "1000000");
        builder.UseSetting("Nokko:RequestsPerMinute", "1000000");
        // A password costs a person nothing, and hundreds of sign-ins much.
        if (!Settings.ContainsKey(PasswordRounds))
        {
            builder.UseSetting(PasswordRounds, "1000");
        }
        builder.UseSetting("ConnectionStrings:Nokko", _connection);
        builder.UseSetting("Serilog:MinimumLevel:Default", "Fatal");
        foreach (var (name, value) in Settings.Where(s => s.Value.Length > 0))
        {
            builder.UseSetting(name, value);
        }
    }

    private Hosted(string connection) => _connection = connection;

    /// <summary>Its database.</summary>
    public string Connection => _connection;

    /// <summary>A second server on the same database.</summary>
    public Hosted Beside() => new(_connection);

    /// <summary>A client with its own sign-in.</summary>
    public async Task<Caller> SignIn(
        string user = "brenna",
        string password = "stance-42",
        string? code = null
    )
    {
        var http = CreateClient();
        var answer = await http.PostAsJsonAsync(
            "/api/sign-in",
            new
            {
                userName = user,
                password,
                code,
            }
        );
        answer.EnsureSuccessStatusCode();
        return new Caller(http);
    }

    /// <summary>Asks the database itself.</summary>
    public async Task<T> Ask<T>(string sql)
    {
        await using var connection = new NpgsqlConnection(_connection);
        await connection.OpenAsync();
        await using var command = new NpgsqlCommand(sql, connection);
        return (T)(await command.ExecuteScalarAsync())!;
    }
}

/// <summary>Calls the API as one signed-in person and reads answers as JSON.</summary>
public sealed class Caller(HttpClient http)
{
    public HttpClient Http => http;

    public async Task<JsonNode> Get(string path) => Parse(await http.GetStringAsync(path));

    public async Task<JsonNode> Send(
        HttpMethod method,
        string path,
        object body,
        int expected = 200
    )
    {
        var (status, answer) = await Try(method, path, body);
        Assert.True(status == expected, $"{path} answered {status}: {answer}");
        return answer;
    }

    public async Task<(int Status, JsonNode Answer)> Try(
        HttpMethod method,
        string path,
        object body
    )
    {
        using var request = new HttpRequestMessage(method, path)
        {
            Content = JsonContent.Create(body),
        };
        using var response = await http.SendAsync(request);
        var text = await response.Content.ReadAsStringAsync();
        return ((int)response.StatusCode, text.Length == 0 ? new JsonObject() : Parse(text));
    }

    public Task<JsonNode> Post(string path, object body, int expected = 200) =>
        Send(HttpMethod.Post, path, body, expected);

    public Task<JsonNode> Put(string path, object body, int expected = 200) =>
        Send(HttpMethod.Put, path, body, expected);

    /// <summary>Sends one command on a job, and answers with the job as it is then, or with why it was refused.</summary>
    public Task<JsonNode> Do(string job, string kind, object body, int expected = 200) =>
        Do(job, kind, null, body, expected);

    public async Task<JsonNode> Do(
        string job,
        string kind,
        object? id,
        object body,
        int expected = 200
    )
    {
        var (status, answer) = await TryDo(job, kind, id, body);
        Assert.True(status == expected, $"{kind} answered {status}: {answer}");
        return answer;
    }

    public Task<(int Status, JsonNode Answer)> TryDo(string job, string kind, object body) =>
        TryDo(job, kind, null, body);

    public async Task<(int Status, JsonNode Answer)> TryDo(
        string job,
        string kind,
        object? id,
        object body
    )
    {
        var outcome = (await Commands(job, Command(kind, body, id)))["outcomes"]![0]!;
        return outcome["status"]!.GetValue<string>() == "refused"
            ? Refused(outcome)
            : (200, await Get(job));
    }

    /// <summary>Sends commands on a job through the one door.</summary>
    public Task<JsonNode> Commands(string job, params JsonNode?[] commands) =>
        Post($"{job}/commands", new JsonArray([.. commands.Select(c => c?.DeepClone())]));

    /// <summary>A command of a kind as it goes over the wire.</summary>
    public static JsonObject Command(string kind, object body, object? id = null)
    {
        var command = JsonSerializer.SerializeToNode(body, JsonSerializerOptions.Web)!.AsObject();
        command["kind"] = kind;
        command["commandId"] ??= Guid.CreateVersion7();
        if (id is not null)
        {
            command["id"] = id.ToString();
        }
        return command;
    }

    /// <summary>Sends one command on the shop; opening a job answers with the job.</summary>
    public async Task<JsonNode> Shop(string kind, object body, int expected = 200)
    {
        var (status, answer) = await TryShop(kind, body);
        Assert.True(status == expected, $"{kind} answered {status}: {answer}");
        return answer;
    }

    public async Task<(int Status, JsonNode Answer)> TryShop(string kind, object body)
    {
        var command = Command(kind, body);
        var outcome = (await Post("/api/commands", new JsonArray(command)))["outcomes"]![0]!;
        return outcome["status"]!.GetValue<string>() == "refused" ? Refused(outcome)
            : kind == "takeIn" ? (200, await Get($"/api/jobs/{command["jobId"]}"))
            : (200, outcome);
    }

    /// <summary>Keeps a part, and answers with it as it lies on the shelf.</summary>
    public async Task<JsonNode> Part(object id, object body, int expected = 200)
    {
        var command = Command("savePart", body, id);
        var answer = await Shop("savePart", command, expected);
        return expected == 200
            ? (await Get("/api/parts"))
                .AsArray()
                .First(p => p!["part"]!["id"]!.GetValue<string>() == $"{id}")!
            : answer;
    }

    private static (int, JsonNode) Refused(JsonNode outcome)
    {
        var refusal = outcome["refusal"]!;
        return (
            refusal["kind"]!.GetValue<string>() switch
            {
                "badValue" => 422,
                "gone" => 404,
                _ => 409,
            },
            new JsonObject
            {
                ["detail"] = refusal["message"]!.DeepClone(),
                ["field"] = refusal["field"]!.DeepClone(),
                ["choices"] = refusal["choices"]!.DeepClone(),
                ["theirs"] = refusal["theirs"]?.DeepClone(),
                ["by"] = outcome["by"]?.DeepClone(),
            }
        );
    }

    private static JsonNode Parse(string text) => JsonNode.Parse(text)!;
}

/// <summary>A job that a test takes in and works on.</summary>
public sealed class TestJob(Caller caller)
{
    public Guid Job { get; } = Guid.CreateVersion7();
    public Guid Vehicle { get; } = Guid.CreateVersion7();
    public Guid Platform { get; init; } = Guid.CreateVersion7();
    public Guid Stage { get; private set; } = Guid.CreateVersion7();
    public Guid Round { get; private set; }
    public Guid Plan { get; private set; }
    public string Path => $"/api/jobs/{Job}";

    public async Task<JsonNode> TakeIn(object? sizes = null)
    {
        // A platform of its own: nothing is proved of it yet.
        await caller.Shop("savePlatform", new { id = Platform, name = $"Drover {Platform}" });
        return await caller.Shop("takeIn", TakeInBody(Platform.ToString(), sizes));
    }

    public object TakeInBody(string platform, object? sizes = null, string plate = "TT 1") =>
        new
        {
            commandId = Guid.CreateVersion7(),
            jobId = Job,
            vehicleId = Vehicle,
            stageId = Stage,
            ownerId = Guid.CreateVersion7(),
            ownerName = "A. Nother",
            ownerContact = (string?)null,
            platformId = platform,
            make = "Ostrel",
            name = "Drover",
            plate,
            vin = (string?)null,
            engine = (string?)null,
            drive = (string?)null,
            sort = "pickup",
            bodyKind = "bodyOnFrame",
            front = "coilOverArm",
            rear = "leafOverslung",
            sizes = sizes ?? Sizes(),
            fitted = Array.Empty<object>(),
            wish = (string?)null,
            carries = (string?)null,
            troubles = (string?)null,
            target = Level,
            promisedOn = (string?)null,
            odometer = (object?)null,
            equipment = "twoPostLift",
        };

    public static object Level { get; } = new
    {
        datum = "hub",
        wantsRake = true,
        rake = (object?)null,
        leastFrontLift = (object?)null,
        leastRearLift = (object?)null,
        tolerance = (object?)null,
    };

    public static object Sizes(
        string? wheelbase = null,
        string? tyre = null,
        string? share = null
    ) =>
        new
        {
            wheelbase = Typed(wheelbase, "mm"),
            frontTrack = (object?)null,
            rearTrack = (object?)null,
            frontSpringBase = (object?)null,
            rearSpringBase = (object?)null,
            frontAxleMass = (object?)null,
            rearAxleMass = (object?)null,
            frontUnsprungShare = Typed(share, "1"),
            rearUnsprungShare = (object?)null,
            sillHeight = (object?)null,
            midMark = (object?)null,
            tyreSize = tyre,
        };

    private static object? Typed(string? typed, string unit) =>
        typed is null
            ? null
            : new
            {
                typed,
                unit,
                known = "measured",
                answers = Array.Empty<string>(),
            };

    public static object Conditions(string settled = "rolled", string datum = "hub") =>
        new
        {
            datum,
            denominator = 16,
            settled,
            hubMarked = false,
            floorSurveyed = true,
            spot = "bay 1",
            fuel = (string?)null,
            load = (string?)null,
            odometer = (object?)null,
            notes = (string?)null,
        };

    public Task<JsonNode> BeginRound(string settled = "rolled") => Begin(Conditions(settled));

    /// <summary>Begins a walk-round under conditions of the test's own.</summary>
    public Task<JsonNode> Begin(object conditions, int expected = 200)
    {
        Round = Guid.CreateVersion7();
        return caller.Do(
            Path,
            "beginWalkRound",
            new
            {
                commandId = Guid.CreateVersion7(),
                id = Round,
                stageId = Stage,
                conditions,
            },
            expected
        );
    }

    public object Reading(
        string? station,
        string typed,
        string[]? answers = null,
        Guid? supersedes = null,
        string? reason = null,
        Guid? command = null,
        Guid? id = null
    ) => ReadingIn(Round, station, typed, answers, supersedes, reason, command, id);

    public static object ReadingIn(
        Guid round,
        string? station,
        string typed,
        string[]? answers = null,
        Guid? supersedes = null,
        string? reason = null,
        Guid? command = null,
        Guid? id = null
    ) =>
        new
        {
            commandId = command ?? Guid.CreateVersion7(),
            id = id ?? Guid.CreateVersion7(),
            walkRoundId = round,
            station,
            from = station is "LM" or "RM" ? "floor" : "hub",
            typed,
            answers = answers ?? [],
            takenAt = DateTimeOffset.UtcNow,
            supersedes,
            reason,
        };

    public Task<JsonNode> Read(string station, string typed) =>
        caller.Do(Path, "storeReading", Reading(station, typed));

    public async Task ReadAll(string lf, string rf, string lr, string rr, string lm, string rm)
    {
        foreach (
            var (station, typed) in new[]
            {
                ("LF", lf),
                ("LM", lm),
                ("LR", lr),
                ("RR", rr),
                ("RM", rm),
                ("RF", rf),
            }
        )
        {
            await Read(station, typed);
        }
    }

    /// <summary>Plans two of a part of the shelf in front.</summary>
    /// <param name="number">Its number.</param>
    /// <param name="more">How many come to the shelf first: what jobs of other tests want there is theirs.</param>
    public async Task<JsonNode> PlaceInFront(string number, int more = 0)
    {
        var part = (await caller.Get("/api/parts"))
            .AsArray()
            .First(p => p!["part"]!["number"]!.GetValue<string>() == number)!["part"]![
            "id"
        ]!.GetValue<Guid>();
        if (more > 0)
        {
            await caller.Shop(
                "moveStock",
                new
                {
                    id = part,
                    by = more,
                    why = (string?)null,
                }
            );
        }
        Plan = Guid.CreateVersion7();
        return await caller.Do(
            Path,
            "savePlan",
            (Plan),
            new
            {
                commandId = Guid.CreateVersion7(),
                version = (uint?)null,
                fromStageId = Stage,
                name = "Plan A",
                stacks = new[] { "LF", "RF" }.Select(c => new
                {
                    corner = c,
                    parts = new[] { new { id = Guid.CreateVersion7(), partId = part } },
                }),
            }
        );
    }

    /// <summary>Keeps a photograph of one pixel and puts it into the job.</summary>
    public async Task AddPhotograph()
    {
        using var picture = new ByteArrayContent(
            Convert.FromBase64String(
                "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg=="
            )
        );
        picture.Headers.ContentType = new("image/png");
        using var answer = await caller.Http.PostAsync("/api/files", picture);
        var kept = JsonNode.Parse(await answer.Content.ReadAsStringAsync())!;
        await caller.Do(
            Path,
            "addPhotograph",
            new
            {
                id = Guid.CreateVersion7(),
                sha256 = kept["sha256"]!.GetValue<string>(),
                mediaType = kept["mediaType"]!.GetValue<string>(),
                of = (string?)null,
                caption = "as it came",
            }
        );
    }

    /// <summary>Makes all rubber that the work opened final on its wheels: before, nothing is judged.</summary>
    public async Task CloseRubber()
    {
        var joints = (await caller.Get(Path))["document"]!["joints"]!.AsArray();
        var answer = await caller.Commands(
            Path,
            [
                .. joints
                    .Where(j => j!["kind"]!.GetValue<string>() == "bondedRubber")
                    .SelectMany(j =>
                        ((string[])["hand", "snug", "final"]).Select(pass =>
                            (JsonNode?)
                                Caller.Command(
                                    "tightenJoint",
                                    new
                                    {
                                        jointId = j!["id"]!.GetValue<string>(),
                                        pass,
                                        value = pass == "final"
                                            ? new
                                            {
                                                typed = "96",
                                                unit = "lb·ft",
                                                known = "measured",
                                            }
                                            : null,
                                        criterionSeen = false,
                                        tool = "torque wrench",
                                        position = "onWheels",
                                        reason = (string?)null,
                                    },
                                    Guid.CreateVersion7()
                                )
                        )
                    ),
            ]
        );
        Assert.All(
            answer["outcomes"]!.AsArray(),
            o => Assert.Equal("stored", o!["status"]!.GetValue<string>())
        );
    }

    public async Task<JsonNode> Begin(JsonNode view, string? reason = null, int expected = 200)
    {
        var next = Guid.CreateVersion7();
        var answer = await caller.Do(
            Path,
            "beginFitting",
            (Plan),
            new
            {
                commandId = Guid.CreateVersion7(),
                version = view["versions"]![Plan.ToString()]!.GetValue<uint>(),
                stageId = next,
                frozenId = Guid.CreateVersion7(),
                deviationId = Guid.CreateVersion7(),
                reason,
            },
            expected
        );
        if (expected == 200)
        {
            Stage = next;
        }
        return answer;
    }
}
