using System.Text.Json;
using Nokko.Core.JobFile;
using Nokko.Core.Jobs;

namespace Nokko.Tool;

/// <summary>The command line over the core: <c>nokko eval FILE|-</c>.</summary>
public static class Program
{
    /// <summary>Runs a command; 0 is done, 1 is bad input, 2 is a wrong call.</summary>
    public static int Main(string[] args) => Run(args, Console.In, Console.Out, Console.Error);

    /// <summary>Runs a command on given streams.</summary>
    public static int Run(string[] args, TextReader input, TextWriter output, TextWriter errors)
    {
        if (args is ["schema", var folder])
        {
            File.WriteAllText(
                Path.Combine(folder, "job.schema.json"),
                JobJson.Schema(typeof(JobDocument), "Nokko job file, version 1")
            );
            File.WriteAllText(
                Path.Combine(folder, "results.schema.json"),
                JobJson.Schema(typeof(JobResults), "Nokko results, version 1")
            );
            return 0;
        }
        if (args is ["words", var target])
        {
            File.WriteAllText(target, Words.Written());
            return 0;
        }
        if (args is not ["eval", var file])
        {
            errors.WriteLine("Call: nokko eval FILE, or nokko eval - to read standard input.");
            return 2;
        }
        string text;
        try
        {
            text = file == "-" ? input.ReadToEnd() : File.ReadAllText(file);
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            errors.WriteLine($"$: {file} cannot be read.");
            return 1;
        }
        var read = JobFileReader.Read(text);
        if (read.Document is not { } document)
        {
            errors.WriteLine($"{read.Error!.Path}: {read.Error.Message}");
            return 1;
        }
        output.WriteLine(
            JsonSerializer.Serialize(
                JobEvaluator.Evaluate(document) with
                {
                    Ranking = JobRanking.Of(document),
                    Cards = PlanCard.Of(document),
                    Geometry = JobGeometry.OfAll(document),
                },
                JobJson.Indented
            )
        );
        return 0;
    }
}
