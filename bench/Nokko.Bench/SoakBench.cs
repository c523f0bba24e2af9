using System.Collections.Concurrent;
using System.Diagnostics;
using System.Globalization;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Nokko.Driving;

namespace Nokko.Bench;

/// <summary>A long day in ten minutes: fifty people measure and plan, pages listen, the server is killed twice and the database started anew once. What was answered as stored must be there, once; nobody waits longer than a few do alone; memory does not grow.</summary>
internal static class SoakBench
{
    private const int Many = 50;
    private const int Few = 5;
    private const int Streams = 200;
    private const int ReadingsOfAJob = 20;

    private static readonly TimeSpan Each = TimeSpan.FromSeconds(2);

    /// <summary>So long after a kill or a new start answers are not counted: everybody comes at once.</summary>
    private static readonly TimeSpan Rush = TimeSpan.FromSeconds(15);

    /// <summary>What was measured.</summary>
    /// <param name="minutes">How long fifty people work; ten are the promise.</param>
    public static async Task<
        IReadOnlyList<(string What, double Measured, double Aim, string Unit)>
    > Run(double minutes)
    {
        await using var cluster = await OwnCluster.Make();
        await using var server = await ServerProcess.Beside(cluster.Connection);
        var shop = await Shop.Of(server.Address);
        await Work(shop, Few, TimeSpan.FromSeconds(30), NoTrouble); // warms it up
        shop.Times.Clear();
        await Work(shop, Few, TimeSpan.FromMinutes(Math.Min(2, minutes)), NoTrouble);
        var few = shop.P99();
        shop.Times.Clear();

        var memory = new List<(double At, double Mb)>();
        var taken = Taken();
        var length = TimeSpan.FromMinutes(minutes);
        await Work(
            shop,
            Many,
            length,
            async (begun, over) =>
            {
                await At(0.2, server.Kill);
                await server.Run();
                await At(
                    0.4,
                    async () =>
                    {
                        await cluster.Stop();
                        await Task.Delay(TimeSpan.FromSeconds(3), CancellationToken.None);
                    }
                );
                await cluster.Start();
                await At(0.5, server.Kill);
                await server.Run();
                while (!over.IsCancellationRequested)
                {
                    memory.Add((begun.Elapsed.TotalSeconds, server.Memory));
                    await Task.Delay(1_000, CancellationToken.None);
                }

                async Task At(double share, Func<Task> trouble)
                {
                    var wait = (length * share) - begun.Elapsed;
                    await Task.Delay(
                        wait > TimeSpan.Zero ? wait : TimeSpan.Zero,
                        CancellationToken.None
                    );
                    memory.Add((begun.Elapsed.TotalSeconds, server.Memory));
                    shop.Trouble = DateTime.UtcNow + Rush;
                    await trouble();
                    shop.Trouble = DateTime.UtcNow + Rush;
                }
            }
        );
        var many = shop.P99();
        var all = Taken();
        var (lost, doubled) = await shop.Count();
        // From the last start on, without its first fifth.
        var since = memory.Where(m => m.At > length.TotalSeconds * 0.6).ToArray();
        var half = since.Length / 2;
        return
        [
            ("readings that were answered as stored", shop.Stored.Count, double.NaN, ""),
            ("of them not there", lost, 0, ""),
            ("of them there twice", doubled, 0, ""),
            ("answers that were asked for again", shop.Again, double.NaN, ""),
            ($"p99 of {Few} people", few, double.NaN, "ms"),
            ($"p99 of {Many} people", many, double.NaN, "ms"),
            ($"p99 of {Many} over {Few} people", many / few, 3, "×"),
            // A machine that is shared is slow by itself where this is more than a little.
            (
                "processor time that the host gave to others meanwhile",
                100 * (all.ByOthers - taken.ByOthers) / (all.Whole - taken.Whole),
                double.NaN,
                "%"
            ),
            ($"streams that listened at the end, of {Streams}", shop.Listening, double.NaN, ""),
            ("memory of the server at most", memory.Max(m => m.Mb), 400, "MB"),
            (
                "memory, second half over first",
                since[half..].Average(m => m.Mb) / since[..half].Average(m => m.Mb),
                1.1,
                "×"
            ),
        ];
    }

    /// <summary>Processor time since the machine started, and what of it went to others on the same host (proc(5), /proc/stat).</summary>
    private static (double ByOthers, double Whole) Taken()
    {
        double[] times =
        [
            .. File.ReadLines("/proc/stat")
                .First()
                .Split(' ', StringSplitOptions.RemoveEmptyEntries)
                .Skip(1)
                .Take(8)
                .Select(t => double.Parse(t, CultureInfo.InvariantCulture)),
        ];
        return (times[7], times.Sum());
    }

    private static Task NoTrouble(Stopwatch begun, CancellationToken over) => Task.CompletedTask;

    private static async Task Work(
        Shop shop,
        int people,
        TimeSpan length,
        Func<Stopwatch, CancellationToken, Task> trouble
    )
    {
        using var over = new CancellationTokenSource();
        var hands = new List<Task>();
        var streams = new List<Task>();
        for (var i = 0; i < people; i++)
        {
            var http = await shop.SignIn();
            var begin = Each * i / people;
            // Nobody takes a vehicle in at the same moment as all others.
            var done = ReadingsOfAJob * i / people;
            hands.Add(Task.Run(() => Measure(shop, http, begin, done, over.Token)));
            for (var s = i; people == Many && s < Streams; s += people)
            {
                streams.Add(Task.Run(() => shop.Listen(http, over.Token)));
            }
        }
        var begun = Stopwatch.StartNew();
        var making = trouble(begun, over.Token);
        await Task.Delay(length);
        shop.Listening = shop.Hears;
        await over.CancelAsync();
        await Task.WhenAll([making, .. hands, .. streams]);
    }

    /// <summary>One person: a vehicle is taken in, twenty heights are read and a plan is looked at between them, then the next one comes.</summary>
    private static async Task Measure(
        Shop shop,
        HttpClient http,
        TimeSpan begin,
        int done,
        CancellationToken over
    )
    {
        await Task.Delay(begin, CancellationToken.None);
        while (!over.IsCancellationRequested)
        {
            var job = await shop.TakeIn(http, over);
            for (var i = done; i < ReadingsOfAJob && !over.IsCancellationRequested; i++)
            {
                var next = Task.Delay(Each, CancellationToken.None);
                if (i % 2 == 0)
                {
                    await shop.Read(http, job, i, over);
                }
                else
                {
                    await shop.Look(http, job, over);
                }
                await next;
            }
            done = 0;
        }
    }

    private sealed record Job(Guid Id, Guid Stage, Guid Round);

    private sealed class Shop(string address)
    {
        private static readonly string[] Walk = ["LF", "RF", "RR", "LR"];

        private static readonly string[] Sizes =
        [
            "wheelbase",
            "frontTrack",
            "rearTrack",
            "frontSpringBase",
            "rearSpringBase",
            "frontAxleMass",
            "rearAxleMass",
            "frontUnsprungShare",
            "rearUnsprungShare",
            "sillHeight",
            "midMark",
            "tyreSize",
        ];

        private readonly ConcurrentBag<Guid> _jobs = [];
        private JsonNode _platform = null!;
        private string _part = "";
        private int _again;
        private int _hears;

        public ConcurrentBag<double> Times { get; } = [];

        public ConcurrentDictionary<Guid, Guid> Stored { get; } = new();

        public int Again => _again;

        public int Hears => _hears;

        public int Listening { get; set; }

        /// <summary>Until then answers are not counted.</summary>
        public DateTime Trouble { get; set; }

        public static async Task<Shop> Of(string address)
        {
            var shop = new Shop(address);
            using var http = await shop.SignIn();
            shop._platform = (await http.GetFromJsonAsync<JsonNode>("/api/platforms"))![0]!;
            shop._part = (await http.GetFromJsonAsync<JsonNode>("/api/parts"))!
                .AsArray()
                .Select(p => p!["part"]!)
                .First(p => p["kind"]!.GetValue<string>() == "strutTopSpacer")[
                "id"
            ]!.GetValue<string>();
            return shop;
        }

        public double P99()
        {
            var times = Times.Order().ToArray();
            return times[(int)(times.Length * 0.99)];
        }

        public async Task<HttpClient> SignIn()
        {
            var http = new HttpClient { BaseAddress = new Uri(address) };
            (
                await http.PostAsJsonAsync(
                    "/api/sign-in",
                    new { userName = "brenna", password = "stance-42" }
                )
            ).EnsureSuccessStatusCode();
            return http;
        }

        public async Task<Job> TakeIn(HttpClient http, CancellationToken over)
        {
            var job = new Job(Guid.CreateVersion7(), Guid.CreateVersion7(), Guid.CreateVersion7());
            await Ask(
                http,
                "/api/commands",
                Command(
                    "takeIn",
                    new JsonObject
                    {
                        ["jobId"] = job.Id,
                        ["vehicleId"] = Guid.CreateVersion7(),
                        ["stageId"] = job.Stage,
                        ["ownerId"] = Guid.CreateVersion7(),
                        ["ownerName"] = $"Soak {job.Id:N}",
                        ["platformId"] = _platform["id"]!.DeepClone(),
                        ["make"] = "Ostrel",
                        ["name"] = "Drover",
                        ["plate"] = $"SK {job.Id.ToString()[..8]}",
                        ["sort"] = "pickup",
                        ["bodyKind"] = "bodyOnFrame",
                        ["front"] = "coilOverArm",
                        ["rear"] = "leafOverslung",
                        ["sizes"] = Empty(Sizes),
                        ["fitted"] = new JsonArray(),
                        ["target"] = With(
                            Empty("rake", "leastFrontLift", "leastRearLift", "tolerance"),
                            ("datum", "hub"),
                            ("wantsRake", true)
                        ),
                        ["equipment"] = "twoPostLift",
                        ["ownerContact"] = null,
                        ["vin"] = null,
                        ["engine"] = null,
                        ["drive"] = null,
                        ["wish"] = null,
                        ["carries"] = null,
                        ["troubles"] = null,
                        ["promisedOn"] = null,
                        ["odometer"] = null,
                    }
                ),
                over
            );
            await Ask(
                http,
                $"/api/jobs/{job.Id}/commands",
                Command(
                    "beginWalkRound",
                    new JsonObject
                    {
                        ["id"] = job.Round,
                        ["stageId"] = job.Stage,
                        ["conditions"] = new JsonObject
                        {
                            ["datum"] = "hub",
                            ["denominator"] = 16,
                            ["settled"] = "rolled",
                            ["hubMarked"] = true,
                            ["floorSurveyed"] = true,
                            ["spot"] = "bay 1",
                            ["fuel"] = null,
                            ["load"] = null,
                            ["odometer"] = null,
                            ["notes"] = null,
                        },
                    }
                ),
                over
            );
            _jobs.Add(job.Id);
            return job;
        }

        public async Task Read(HttpClient http, Job job, int n, CancellationToken over)
        {
            var id = Guid.CreateVersion7();
            var save = Command(
                "storeReading",
                new JsonObject
                {
                    ["id"] = id,
                    ["walkRoundId"] = job.Round,
                    ["station"] = Walk[n / 2 % Walk.Length],
                    ["from"] = "hub",
                    ["typed"] = string.Create(
                        CultureInfo.InvariantCulture,
                        $"20 {(n % 7 * 2) + 1}/16"
                    ),
                    ["answers"] = new JsonArray("asRead"),
                    ["takenAt"] = DateTimeOffset.UtcNow,
                    ["supersedes"] = null,
                    ["reason"] = null,
                }
            );
            if (await Ask(http, $"/api/jobs/{job.Id}/commands", save, over))
            {
                Stored[id] = job.Id;
            }
        }

        public Task<bool> Look(HttpClient http, Job job, CancellationToken over) =>
            Ask(
                http,
                $"/api/jobs/{job.Id}/plans/preview",
                new JsonObject
                {
                    ["fromStageId"] = job.Stage,
                    ["stacks"] = new JsonArray([
                        .. ((string[])["LF", "RF"]).Select(c => new JsonObject
                        {
                            ["corner"] = c,
                            ["parts"] = new JsonArray(
                                new JsonObject
                                {
                                    ["id"] = Guid.CreateVersion7(),
                                    ["partId"] = _part,
                                }
                            ),
                        }),
                    ]),
                },
                over
            );

        /// <summary>Listens to a job of the shop, and again when the stream ends, as a page does.</summary>
        public async Task Listen(HttpClient http, CancellationToken over)
        {
            while (!over.IsCancellationRequested)
            {
                var heard = false;
                try
                {
                    if (_jobs.TryPeek(out var job))
                    {
                        using var stream = new StreamReader(
                            await http.GetStreamAsync($"/api/jobs/{job}/live", over)
                        );
                        while (await stream.ReadLineAsync(over) is not null)
                        {
                            if (!heard)
                            {
                                heard = true;
                                Interlocked.Increment(ref _hears);
                            }
                        }
                    }
                }
                catch (Exception e)
                    when (e is HttpRequestException or IOException or OperationCanceledException)
                {
                    // It listens again.
                }
                if (heard)
                {
                    Interlocked.Decrement(ref _hears);
                }
                await Task.Delay(500, CancellationToken.None);
            }
        }

        /// <summary>Answered as stored and not there; and there twice.</summary>
        public async Task<(int Lost, int Doubled)> Count()
        {
            using var http = await SignIn();
            var (lost, doubled) = (0, 0);
            foreach (var job in Stored.GroupBy(s => s.Value, s => s.Key))
            {
                var there = (await http.GetFromJsonAsync<JsonNode>($"/api/jobs/{job.Key}"))![
                    "document"
                ]!["readings"]!
                    .AsArray()
                    .Select(r => r!["id"]!.GetValue<Guid>())
                    .ToArray();
                lost += job.Except(there).Count();
                doubled += there.Length - there.Distinct().Count();
            }
            return (lost, doubled);
        }

        /// <summary>Fields that nobody filled in.</summary>
        private static JsonObject Empty(params string[] fields) =>
            new(fields.Select(f => KeyValuePair.Create(f, (JsonNode?)null)));

        private static JsonObject With(JsonObject row, params (string Field, JsonNode Value)[] more)
        {
            foreach (var (field, value) in more)
            {
                row[field] = value;
            }
            return row;
        }

        private static JsonArray Command(string kind, JsonObject body)
        {
            body["kind"] = kind;
            body["commandId"] = Guid.CreateVersion7();
            return [body];
        }

        /// <summary>Asks, and again until it is answered, as the outbox does; only first answers are counted.</summary>
        private async Task<bool> Ask(
            HttpClient http,
            string path,
            JsonNode body,
            CancellationToken over
        )
        {
            for (var first = true; ; first = false)
            {
                var watch = Stopwatch.StartNew();
                try
                {
                    using var patience = new CancellationTokenSource(TimeSpan.FromSeconds(20));
                    using var answer = await http.PostAsJsonAsync(path, body, patience.Token);
                    if (answer.StatusCode == HttpStatusCode.OK)
                    {
                        var said = await answer.Content.ReadAsStringAsync(patience.Token);
                        if (said.Contains("\"refused\"", StringComparison.Ordinal))
                        {
                            throw new InvalidOperationException($"{path} was refused: {said}");
                        }
                        if (first && DateTime.UtcNow > Trouble)
                        {
                            Times.Add(watch.Elapsed.TotalMilliseconds);
                        }
                        return true;
                    }
                    if ((int)answer.StatusCode < 500)
                    {
                        throw new InvalidOperationException(
                            $"{path} answered {(int)answer.StatusCode}: {await answer.Content.ReadAsStringAsync(patience.Token)}"
                        );
                    }
                }
                catch (Exception e) when (e is HttpRequestException or OperationCanceledException)
                {
                    // Not there: it is asked again with the same key.
                }
                if (over.IsCancellationRequested)
                {
                    return false;
                }
                Interlocked.Increment(ref _again);
                await Task.Delay(500, CancellationToken.None);
            }
        }
    }
}
