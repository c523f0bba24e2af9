using System.Diagnostics;
using System.Globalization;
using BenchmarkDotNet.Configs;
using BenchmarkDotNet.Jobs;
using BenchmarkDotNet.Loggers;
using BenchmarkDotNet.Reports;
using BenchmarkDotNet.Running;
using BenchmarkDotNet.Toolchains.InProcess.Emit;
using Nokko.Driving;

namespace Nokko.Bench;

/// <summary>What is measured, each with its aim, printed as one table with the share of the aim that is used.</summary>
internal static class Measures
{
    private const int Trips = 220;

    private sealed record Row(string What, double Measured, double Aim, string Unit);

    /// <summary>Measures everything, or one part of it.</summary>
    /// <param name="only">core, yard, jobs, page, readings or soak; null is everything.</param>
    /// <param name="minutes">How long a soak lasts.</param>
    public static async Task Run(string? only, double minutes = 10)
    {
        var rows = new List<Row>();
        if (only is null or "core")
        {
            rows.Add(
                new Row(
                    $"a tape text read, mean of {TapeFuzz.Texts:N0}",
                    TapeFuzz.Run(20261),
                    20,
                    "µs"
                )
            );
            rows.AddRange(Core());
        }
        if (only is null or "causes")
        {
            rows.AddRange(DrawnMisses());
        }
        if (only is null or "yard")
        {
            rows.AddRange(
                (await YardBench.Run()).Select(r => new Row(r.What, r.Measured, r.Aim, r.Unit))
            );
        }
        if (only is null or "jobs")
        {
            rows.AddRange(
                (await JobsBench.Run()).Select(r => new Row(r.What, r.Measured, r.Aim, r.Unit))
            );
        }
        if (only is null or "page")
        {
            rows.AddRange(await Page());
        }
        if (only is null or "readings")
        {
            rows.AddRange(
                (await ReadingsBench.Run()).Select(r => new Row(r.What, r.Measured, r.Aim, r.Unit))
            );
        }
        if (only is null or "soak")
        {
            rows.AddRange(
                (await SoakBench.Run(minutes)).Select(r => new Row(
                    r.What,
                    r.Measured,
                    r.Aim,
                    r.Unit
                ))
            );
        }
        Console.WriteLine();
        Console.WriteLine(
            $"{Environment.MachineName}, {Environment.ProcessorCount} cores, {Environment.OSVersion}, .NET {Environment.Version}"
        );
        Console.WriteLine($"{"", -58}{"measured", 12}{"aim", 10}   used");
        foreach (var row in rows)
        {
            Console.WriteLine(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"{row.What, -58}{row.Measured, 12:0.###}{row.Aim, 10:0.###} {row.Unit, -3} {(double.IsNaN(row.Aim) ? "" : (row.Measured / row.Aim).ToString("0%", CultureInfo.InvariantCulture)), 6}"
                )
            );
        }
    }

    private static IEnumerable<Row> Core()
    {
        var config = ManualConfig
            .CreateEmpty()
            .AddJob(Job.ShortRun.WithToolchain(InProcessEmitToolchain.Instance))
            .AddColumnProvider(BenchmarkDotNet.Columns.DefaultColumnProviders.Instance)
            .AddLogger(ConsoleLogger.Default)
            .WithArtifactsPath(Path.Combine(Path.GetTempPath(), "nokko-bench"));
        var summary = BenchmarkRunner.Run<PredictionBench>(config);
        double Ms(string name) => Found(summary, name) / 1e6;
        yield return new Row(
            "prediction of a whole job, mean",
            Ms(nameof(PredictionBench.Prediction)),
            1,
            "ms"
        );
        yield return new Row(
            "everything computed from a job, mean",
            Ms(nameof(PredictionBench.WholeJob)),
            10,
            "ms"
        );
        var limits = BenchmarkRunner.Run<LimitsBench>(config);
        yield return new Row(
            "prediction with every limit, mean",
            Found(limits, nameof(LimitsBench.AllLimits)) / 1e6,
            0.2,
            "ms"
        );
        var linkages = BenchmarkRunner.Run<LinkageBench>(config);
        var bare = Found(linkages, nameof(LinkageBench.TwoCircles));
        foreach (
            var name in (string[])
                [
                    nameof(LinkageBench.Wishbone),
                    nameof(LinkageBench.Strut),
                    nameof(LinkageBench.Arm),
                    nameof(LinkageBench.FourLink),
                ]
        )
        {
            yield return new Row($"a position, {name}", Found(linkages, name), 200, "ns");
            yield return new Row(
                $"a position over two circles that meet, {name}",
                Found(linkages, name) / bare,
                double.NaN,
                "×"
            );
        }
        var geometry = BenchmarkRunner.Run<GeometryBench>(config);
        yield return new Row(
            "a corner in space, a position",
            Found(geometry, nameof(GeometryBench.InSpace)) / 1e3,
            3,
            "µs"
        );
        yield return new Row(
            "a corner in space over one in the plane",
            Found(geometry, nameof(GeometryBench.InSpace))
                / Found(geometry, nameof(GeometryBench.InThePlane)),
            double.NaN,
            "×"
        );
        yield return new Row(
            "three angles set back",
            Found(geometry, nameof(GeometryBench.SetBack)) / 1e3,
            double.NaN,
            "µs"
        );
        foreach (
            var (name, aim) in new[]
            {
                (nameof(GeometryBench.LiveAxlesInNumbers), 0.5),
                (nameof(GeometryBench.LiveAxlesThroughTheirTravel), 2),
                (nameof(GeometryBench.IndependentInNumbers), 20),
            }
        )
        {
            yield return new Row(
                $"what a plan moves, {name}",
                Found(geometry, name) / 1e6,
                aim,
                "ms"
            );
        }
        // Once to warm up, as a server is after its first search.
        FindingBench.Run();
        var (first, best, ten, stacks, looked) = FindingBench.Run();
        yield return new Row("60 parts, four corners free: first answer", first, 0.3, "s");
        yield return new Row("60 parts, four corners free: best one proved", best, 3, "s");
        yield return new Row("60 parts, four corners free: ten proved", ten, double.NaN, "s");
        yield return new Row("60 parts, four corners free: stacks", stacks, double.NaN, "");
        yield return new Row("stacks worked out for ten", looked, stacks / 50, "");
        var large = FindingBench.Run(2_000, 200, sidesDiffer: false);
        yield return new Row("2,000 parts, 200 fit: first answer", large.First, 3, "s");
        yield return new Row("2,000 parts, 200 fit: best one proved", large.Best, 3, "s");
        yield return new Row("2,000 parts, 200 fit: stacks", large.Stacks, double.NaN, "");
        yield return new Row(
            "prediction over the bare equilibrium, ratio",
            Ms(nameof(PredictionBench.Prediction)) / Ms(nameof(PredictionBench.Equilibrium)),
            20,
            "×"
        );
    }

    private static IEnumerable<Row> DrawnMisses()
    {
        var o = CausesBench.Run();
        yield return new Row(
            "2,000 drawn misses: not first, of what can be told",
            1 - o.First,
            0.2,
            ""
        );
        yield return new Row("2,000 drawn misses: named, and not it", 1 - o.Named, double.NaN, "");
        yield return new Row("stated chances off, worst of ten bins", o.Bins, 0.03, "");
        yield return new Row("hours until it sits right, what is next", o.Checking, o.AtOnce, "h");
        yield return new Row("hours, another stack at once", o.AtOnce, double.NaN, "h");
        yield return new Row(
            "hours, everything read again, then a stack",
            o.AllAgain,
            double.NaN,
            "h"
        );
    }

    private static double Found(Summary summary, string name) =>
        summary
            .Reports.First(r => r.BenchmarkCase.Descriptor.WorkloadMethod.Name == name)
            .ResultStatistics!.Mean;

    /// <summary>Bytes that these files are on the wire; the page itself may have had them from its service worker.</summary>
    private static async Task<long> Compressed(IEnumerable<string> addresses)
    {
        using var http = new HttpClient();
        http.DefaultRequestHeaders.AcceptEncoding.ParseAdd("br");
        var sum = 0L;
        foreach (var address in addresses.Distinct())
        {
            sum += (await http.GetByteArrayAsync(address)).LongLength;
        }
        return sum;
    }

    private static async Task<List<Row>> Page()
    {
        await using var server = await ServerProcess.Start("bench");
        using var browser = new Browser();
        browser.SignIn(server.Address, "brenna");
        browser.Open(server.Address);
        browser.Sees("Ostrel Drover");
        var script = await Compressed(
            (
                (IEnumerable<object>)
                    browser.Driver.ExecuteScript(
                        "return performance.getEntriesByType('resource').map(r => r.name).filter(n => n.endsWith('.js'))"
                    )!
            ).Cast<string>()
        );
        browser.Driver.Manage().Timeouts().AsynchronousJavaScript = TimeSpan.FromMinutes(3);
        var trips = ((IEnumerable<object>)browser.Driver.ExecuteAsyncScript(PreviewTrips, Trips)!)
            .Select(x => Convert.ToDouble(x, CultureInfo.InvariantCulture))
            .Order()
            .ToArray();
        await server.Kill();
        var watch = Stopwatch.StartNew();
        await server.Run();
        return
        [
            new Row(
                $"preview of a plan in the browser, p95 of {Trips}",
                trips[(int)(0.95 * Trips)],
                50,
                "ms"
            ),
            new Row(
                $"preview of a plan in the browser, median of {Trips}",
                trips[Trips / 2],
                50,
                "ms"
            ),
            new Row("script of the first load, compressed", script / 1000.0, 250, "kB"),
            new Row("second start of the server to healthy", watch.Elapsed.TotalSeconds, 10, "s"),
        ];
    }

    /// <summary>Asks for previews one after the other on the job that leans, and times each round trip in the page.</summary>
    private const string PreviewTrips = """
        const [n, done] = arguments;
        (async () => {
          const yard = await (await fetch('/api/yard?find=HO%2032')).json();
          const id = yard.jobs[0].jobId;
          const job = await (await fetch(`/api/jobs/${id}`)).json();
          const part = (await (await fetch('/api/parts')).json())[0].part.id;
          const stage = job.document.stages[0].id;
          const times = [];
          for (let i = 0; i < n; i++) {
            const body = JSON.stringify({ fromStageId: stage, stacks: ['LF', 'RF'].map((corner) => ({ corner, parts: [{ id: crypto.randomUUID(), partId: part }] })) });
            const start = performance.now();
            const answer = await fetch(`/api/jobs/${id}/plans/preview`, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body });
            const prediction = await answer.json();
            times.push(performance.now() - start);
            if (prediction.frontRise.value === null) throw new Error('no prediction');
          }
          done(times);
        })().catch((e) => done([String(e)]));
        """;
}
