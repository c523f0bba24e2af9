using System.Diagnostics;
using System.Net.Http.Json;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;
using System.Text.Json.Nodes;
using Nokko.Driving;
using Npgsql;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>Two servers behind the proxy of docs/haproxy.cfg on a database with a standby, as docs/operations.md#two-machines sets them up.</summary>
public class TwoMachinesTests
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    [Fact]
    [Trait("Trial", "long")]
    public async Task A_server_dies_and_the_standby_takes_over_and_nothing_that_was_answered_is_lost()
    {
        await using var primary = await OwnCluster.Make();
        var both =
            $"Host=127.0.0.1:{primary.Port},127.0.0.1:STANDBY;Username=nokko;Password=none;Database=nokko;Target Session Attributes=primary;Host Recheck Seconds=1";
        await using (
            await ServerProcess.Beside(primary.Connection) // fills it with the demo
        ) { }
        await using var standby = await primary.Standby("two");
        await primary.WaitFor("two");
        both = both.Replace("STANDBY", $"{standby.Port}", StringComparison.Ordinal);
        var behind = ("Nokko__Proxy", "127.0.0.1");
        await using var one = await ServerProcess.Beside(both, behind);
        await using var two = await ServerProcess.Beside(both, behind);
        using var proxy = await Proxy.Before(one.Address, two.Address);

        var caller = await proxy.SignIn();
        List<TestJob> jobs = [];
        for (var i = 0; i < 6; i++)
        {
            jobs.Add(new TestJob(caller));
            await jobs[^1].TakeIn();
            await jobs[^1].BeginRound();
        }
        var hands = jobs.ConvertAll(j => new Hand(caller.Http, j));
        using var over = CancellationTokenSource.CreateLinkedTokenSource(Cancel);
        var work = hands.ConvertAll(h => Task.Run(() => h.Work(over.Token), Cancel));

        await Until(() => hands.TrueForAll(h => h.Stored.Count >= 10));
        await one.Kill();
        var then = hands.ConvertAll(h => h.Stored.Count);
        await Until(() => hands.Zip(then).All(h => h.First.Stored.Count >= h.Second + 10));
        await primary.Kill();
        await standby.Promote();
        then = hands.ConvertAll(h => h.Stored.Count);
        await Until(() => hands.Zip(then).All(h => h.First.Stored.Count >= h.Second + 10));
        await over.CancelAsync();
        await Task.WhenAll(work);

        Assert.All(hands, h => Assert.Empty(h.Refused));
        foreach (var (job, hand) in jobs.Zip(hands))
        {
            var there = (await caller.Get(job.Path))["document"]!["readings"]!
                .AsArray()
                .Select(r => r!["id"]!.GetValue<Guid>())
                .ToArray();
            Assert.Equal(there.Distinct().Count(), there.Length);
            Assert.Empty(hand.Stored.Except(there));
            // What was on its way when all ended may be there too, and nothing else.
            Assert.InRange(there.Length, hand.Stored.Count, hand.Stored.Count + 1);
        }
    }

    [Fact]
    [Trait("Trial", "long")]
    public async Task While_no_standby_answers_nothing_is_answered_as_stored()
    {
        await using var primary = await OwnCluster.Make();
        // A statement may take two seconds here, so that what waits is cut off soon.
        await using var server = Hosted.OnDatabase($"{primary.Connection};Command Timeout=2");
        var caller = await server.SignIn();
        var job = new TestJob(caller);
        await job.TakeIn();
        await job.BeginRound();
        await using var standby = await primary.Standby("two");
        await primary.WaitFor("two");
        var first = await Ask(caller, job, Save(job, "20 1/2"));
        Assert.Equal(200, first);

        await standby.Stop();
        var save = Save(job, "20 9/16");
        Assert.NotEqual(200, await Ask(caller, job, save));
        // Its wait was cut off, or it still holds the job: either way the same is not answered as stored when it is sent again.
        Assert.NotEqual(200, await Ask(caller, job, save));
        await primary.Do(
            "select pg_terminate_backend(pid) from pg_stat_activity where wait_event = 'SyncRep'"
        );
        Assert.NotEqual(200, await Ask(caller, job, save));

        await standby.Start();
        await Until(async () => await Ask(caller, job, save) == 200);
        Assert.Equal(2, (await caller.Get(job.Path))["document"]!["readings"]!.AsArray().Count);
    }

    private static JsonObject Save(TestJob job, string typed) =>
        Caller.Command("storeReading", job.Reading("LF", typed));

    /// <summary>What a save is answered with; 0 where there is no answer in five seconds.</summary>
    private static async Task<int> Ask(Caller caller, TestJob job, JsonObject save)
    {
        using var patience = CancellationTokenSource.CreateLinkedTokenSource(Cancel);
        patience.CancelAfter(TimeSpan.FromSeconds(5));
        try
        {
            using var answer = await caller.Http.PostAsJsonAsync(
                $"{job.Path}/commands",
                new[] { save },
                patience.Token
            );
            return (int)answer.StatusCode;
        }
        catch (OperationCanceledException) when (!Cancel.IsCancellationRequested)
        {
            return 0;
        }
    }

    private static Task Until(Func<bool> there) => Until(() => Task.FromResult(there()));

    private static async Task Until(Func<Task<bool>> there)
    {
        for (var left = 600; !await there(); left--)
        {
            Assert.True(left > 0, "It did not come to that within a minute.");
            await Task.Delay(100, Cancel);
        }
    }

    /// <summary>Somebody who reads heights one after the other and sends each again with its key until it is answered, as the outbox of a page does.</summary>
    private sealed class Hand(HttpClient http, TestJob job)
    {
        public List<Guid> Stored { get; } = [];

        public List<string> Refused { get; } = [];

        public async Task Work(CancellationToken over)
        {
            for (var i = 0; !over.IsCancellationRequested; i++)
            {
                var save = Save(job, $"20 {(i % 15) + 1}/16");
                var id = save["id"]!.GetValue<Guid>();
                while (!over.IsCancellationRequested && !await Send(save, id))
                {
                    await Task.Delay(50, CancellationToken.None);
                }
            }
        }

        private async Task<bool> Send(JsonObject save, Guid id)
        {
            try
            {
                using var patience = new CancellationTokenSource(TimeSpan.FromSeconds(20));
                using var answer = await http.PostAsJsonAsync(
                    $"{job.Path}/commands",
                    new[] { save },
                    patience.Token
                );
                if ((int)answer.StatusCode != 200)
                {
                    return false;
                }
                var said = JsonNode.Parse(await answer.Content.ReadAsStringAsync(patience.Token));
                if (said!["outcomes"]![0]!["status"]!.GetValue<string>() == "refused")
                {
                    Refused.Add(said.ToJsonString());
                }
                Stored.Add(id);
                return true;
            }
            catch (Exception e) when (e is HttpRequestException or OperationCanceledException)
            {
                return false;
            }
        }
    }

    /// <summary>HAProxy with the documented configuration; only its addresses are the test's.</summary>
    private sealed class Proxy : IDisposable
    {
        private readonly string _folder = Directory.CreateTempSubdirectory("nokko-proxy").FullName;
        private readonly Uri _address = new($"https://localhost:{FreePort()}");
        private Process? _process;

        public static async Task<Proxy> Before(string one, string two)
        {
            var proxy = new Proxy();
            await File.WriteAllTextAsync(Path.Combine(proxy._folder, "nokko.pem"), Certificate());
            var text = await File.ReadAllTextAsync(
                Path.Combine(TestPaths.Root, "docs", "haproxy.cfg")
            );
            foreach (
                var (said, here) in new[]
                {
                    (":443", $"127.0.0.1:{proxy._address.Port}"),
                    ("/etc/haproxy/nokko.pem", $"{proxy._folder}/nokko.pem"),
                    ("192.168.1.21:5080", new Uri(one).Authority),
                    ("192.168.1.22:5080", new Uri(two).Authority),
                }
            )
            {
                Assert.Contains(said, text, StringComparison.Ordinal);
                text = text.Replace(said, here, StringComparison.Ordinal);
            }
            var file = Path.Combine(proxy._folder, "haproxy.cfg");
            await File.WriteAllTextAsync(file, text);
            proxy._process = Process.Start("haproxy", ["-db", "-f", file]);
            return proxy;
        }

        /// <summary>Signs in through it, as a page of its address does.</summary>
        public async Task<Caller> SignIn()
        {
            var http = new HttpClient(
                new HttpClientHandler
                {
                    ServerCertificateCustomValidationCallback =
                        HttpClientHandler.DangerousAcceptAnyServerCertificateValidator,
                }
            )
            {
                BaseAddress = _address,
            };
            http.DefaultRequestHeaders.Add("Origin", _address.GetLeftPart(UriPartial.Authority));
            await Until(async () =>
            {
                try
                {
                    using var answer = await http.PostAsJsonAsync(
                        "/api/sign-in",
                        new
                        {
                            userName = "brenna",
                            password = "stance-42",
                            code = (string?)null,
                        },
                        Cancel
                    );
                    // Whoever comes through it comes over TLS.
                    return answer.IsSuccessStatusCode
                        && answer
                            .Headers.GetValues("Set-Cookie")
                            .Any(c => c.Contains("secure", StringComparison.OrdinalIgnoreCase));
                }
                catch (HttpRequestException)
                {
                    return false;
                }
            });
            return new Caller(http);
        }

        private static string Certificate()
        {
            using var key = RSA.Create(2048);
            using var made = new CertificateRequest(
                "CN=localhost",
                key,
                HashAlgorithmName.SHA256,
                RSASignaturePadding.Pkcs1
            ).CreateSelfSigned(DateTimeOffset.UtcNow.AddDays(-1), DateTimeOffset.UtcNow.AddDays(1));
            return made.ExportCertificatePem() + "\n" + key.ExportPkcs8PrivateKeyPem();
        }

        private static int FreePort() => new Uri(ServerProcess.FreeAddress()).Port;

        public void Dispose()
        {
            _process?.Kill(entireProcessTree: true);
            _process?.Dispose();
            Directory.Delete(_folder, recursive: true);
        }
    }
}
