using System.Diagnostics.Metrics;
using Nokko.Core.Tape;
using Nokko.Server.Jobs;
using OpenTelemetry.Metrics;

namespace Nokko.Server.Hosting;

/// <summary>What the server counts of its work, beside what ASP.NET Core, Kestrel and Npgsql count themselves: numbers and kinds, never who, what or how high.</summary>
public sealed class Meters
{
    /// <summary>Name of the meter.</summary>
    public const string Name = "Nokko";

    /// <summary>Where counts are sent, by the open protocol of OpenTelemetry; without it nothing is sent.</summary>
    private const string Endpoint = "OTEL_EXPORTER_OTLP_ENDPOINT";

    private readonly Counter<long> _saves;
    private readonly Counter<long> _refusals;
    private readonly Counter<long> _lost;
    private readonly UpDownCounter<long> _streams;
    private long _evidence;

    public Meters(IMeterFactory factory)
    {
        var meter = factory.Create(Name);
        _saves = meter.CreateCounter<long>(
            "nokko.saves",
            "{command}",
            "Commands that were answered as stored."
        );
        _refusals = meter.CreateCounter<long>(
            "nokko.refusals",
            "{command}",
            "Commands that were refused, by why."
        );
        _lost = meter.CreateCounter<long>(
            "nokko.lost",
            "{request}",
            "Requests for which the database did not answer or had no room."
        );
        _streams = meter.CreateUpDownCounter<long>(
            "nokko.streams",
            "{stream}",
            "Pages that hear what happens in a job."
        );
        meter.CreateObservableGauge(
            "nokko.evidence.waiting",
            () => Interlocked.Read(ref _evidence),
            "{job}",
            "Jobs whose proof is still to be worked out."
        );
    }

    /// <summary>Registers it, and sends what is counted where the start was told to.</summary>
    public static void Add(IServiceCollection services, IConfiguration configuration)
    {
        services.AddSingleton<Meters>();
        if (string.IsNullOrEmpty(configuration[Endpoint]))
        {
            return;
        }
        services
            .AddOpenTelemetry()
            .WithMetrics(m =>
                m.AddMeter(
                        Name,
                        "Microsoft.AspNetCore.Hosting",
                        "Microsoft.AspNetCore.Server.Kestrel",
                        "Npgsql",
                        "System.Runtime"
                    )
                    .AddOtlpExporter()
            );
    }

    /// <summary>Counts what became of commands.</summary>
    internal void Count(IEnumerable<Outcome> outcomes)
    {
        foreach (var outcome in outcomes)
        {
            if (outcome.Status == OutcomeStatus.Stored)
            {
                _saves.Add(1);
            }
            else
            {
                _refusals.Add(
                    1,
                    new KeyValuePair<string, object?>(
                        "why",
                        (outcome.Refusal?.Kind ?? RefusalKind.BadValue).ToString()
                    )
                );
            }
        }
    }

    /// <summary>Counts a request for which the database was not there.</summary>
    public void Lost() => _lost.Add(1);

    /// <summary>Counts a page that begins, or ends, to hear.</summary>
    public void Hears(bool begins) => _streams.Add(begins ? 1 : -1);

    /// <summary>Says how many jobs wait for their proof to be worked out.</summary>
    public void EvidenceWaits(long jobs) => Interlocked.Exchange(ref _evidence, jobs);
}
