using System.Text;
using System.Threading.Channels;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Hosting.Server.Features;
using Microsoft.AspNetCore.Http;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>What the server counts, as a collector gets it: numbers, and nothing of anybody.</summary>
public class MetersTests
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    [Fact]
    public async Task Saves_and_refusals_are_sent_as_numbers_and_nothing_that_was_typed()
    {
        // A stand-in for whatever collects.
        var got = Channel.CreateUnbounded<string>();
        var builder = WebApplication.CreateSlimBuilder();
        builder.Logging.ClearProviders();
        await using var collector = builder.Build();
        collector.Urls.Add("http://127.0.0.1:0");
        collector.MapPost(
            "/v1/metrics",
            async (HttpRequest request) =>
            {
                using var all = new MemoryStream();
                await request.Body.CopyToAsync(all, Cancel);
                got.Writer.TryWrite(Encoding.UTF8.GetString(all.ToArray()));
            }
        );
        await collector.StartAsync(Cancel);
        var address = collector
            .Services.GetRequiredService<Microsoft.AspNetCore.Hosting.Server.IServer>()
            .Features.Get<IServerAddressesFeature>()!
            .Addresses.First();

        // Other servers of this process count, too: a kind of its own says that this one's refusal came.
        string[] numbers =
        [
            "nokko.saves",
            "nokko.refusals",
            nameof(Core.Tape.RefusalKind.BadValue),
            "nokko.evidence.waiting",
            "http.server.request.duration",
        ];
        await using (var first = new Hosted())
        {
            await using var server = Hosted.OnDatabase(
                first.Connection,
                ("OTEL_EXPORTER_OTLP_ENDPOINT", address),
                ("OTEL_EXPORTER_OTLP_PROTOCOL", "http/protobuf"),
                ("OTEL_METRIC_EXPORT_INTERVAL", "200")
            );
            var caller = await server.SignIn();
            var job = new TestJob(caller);
            await job.TakeIn();
            await job.BeginRound();
            await caller.Do(job.Path, "storeReading", job.Reading("LF", "20 1/2"));
            await caller.Do(job.Path, "storeReading", job.Reading("LF", "2 7.8"), 422);
            var sent = "";
            await foreach (var some in got.Reader.ReadAllAsync(Cancel))
            {
                sent += some;
                if (numbers.All(n => sent.Contains(n, StringComparison.Ordinal)))
                {
                    break;
                }
            }
            foreach (
                var secret in (string[])
                    ["A. Nother", "TT 1", "20 1/2", "brenna", "stance-42", job.Job.ToString()]
            )
            {
                Assert.DoesNotContain(secret, sent, StringComparison.OrdinalIgnoreCase);
            }
        }
    }
}
