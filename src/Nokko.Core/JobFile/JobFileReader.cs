using System.Text.Json;
using System.Text.Json.Nodes;
using Nokko.Core.Jobs;

namespace Nokko.Core.JobFile;

/// <summary>What is wrong with a job file, and where.</summary>
/// <param name="Path">JSON path, for example <c>$.readings[3].value.unit</c>.</param>
/// <param name="Message">What is wrong, in plain words.</param>
public sealed record JobFileError(string Path, string Message);

/// <summary>A job file that was read: the document, or what is wrong with it.</summary>
/// <param name="Document">The document; null when there is an error.</param>
/// <param name="Error">The first error; null when there is a document.</param>
public sealed record JobFileRead(JobDocument? Document, JobFileError? Error);

/// <summary>Reads job files of every version there ever was.</summary>
public static class JobFileReader
{
    /// <summary>Upgraders, one a step: the one at index i turns version i + 1 into version i + 2.</summary>
    private static readonly IReadOnlyList<Action<JsonObject>> Upgraders = [];

    /// <summary>Reads a job file. Never throws on bad input.</summary>
    /// <param name="text">The file's text.</param>
    public static JobFileRead Read(string text) => Read(text, Upgraders);

    /// <summary>Reads a job file with upgraders of a later format: the seam at which versions are added.</summary>
    /// <param name="text">The file's text.</param>
    /// <param name="upgraders">One a step.</param>
    public static JobFileRead Read(string text, IReadOnlyList<Action<JsonObject>> upgraders)
    {
        try
        {
            return ReadNode(
                JsonNode.Parse(
                    text,
                    documentOptions: new JsonDocumentOptions
                    {
                        MaxDepth = 64,
                        AllowDuplicateProperties = false,
                    }
                ),
                upgraders
            );
        }
        catch (JsonException e)
        {
            return Bad(
                e.Path is { Length: > 0 } path ? path : "$",
                $"This is not JSON: {(e.LineNumber is { } line ? $"it breaks off in line {line + 1}" : "it cannot be read")}."
            );
        }
    }

    private static JobFileRead ReadNode(JsonNode? node, IReadOnlyList<Action<JsonObject>> upgraders)
    {
        if (node is not JsonObject root)
        {
            return Bad("$", "A job file is one JSON object.");
        }
        if (Text(root["format"]) != JobDocument.FormatName)
        {
            return Bad(
                "$.format",
                $"This is no job file: its format is not “{JobDocument.FormatName}”."
            );
        }
        if (root["vehicle"] is JsonObject vehicle && vehicle.ContainsKey("front"))
        {
            return Bad(
                "$.vehicle.front",
                "This file was made before Nokko was released and has another shape. It is not read: take the vehicle in anew."
            );
        }
        if (
            root["version"] is not JsonValue number
            || !number.TryGetValue<int>(out var version)
            || version < 1
        )
        {
            return Bad("$.version", "The version must be a whole number from 1.");
        }
        if (version > upgraders.Count + 1)
        {
            return Bad(
                "$.version",
                $"This file is of version {version}; this Nokko reads up to version {upgraders.Count + 1}. Use a newer Nokko."
            );
        }
        foreach (var upgrade in upgraders.Skip(version - 1))
        {
            upgrade(root);
        }
        if (JobFileValues.Check(root) is { } bad)
        {
            return new JobFileRead(null, bad);
        }
        try
        {
            var document = root.Deserialize<JobDocument>(JobJson.Options)!;
            return JobFileReferences.Check(document) is { } error
                ? new JobFileRead(null, error)
                : new JobFileRead(document, null);
        }
        catch (JsonException e)
        {
            return Bad(e.Path ?? "$", Explain(e));
        }
        catch (Exception e) when (e is InvalidOperationException or ArgumentException)
        {
            return Bad("$", "The file holds text that cannot be read.");
        }
    }

    internal static string? Text(JsonNode? node) =>
        node is JsonValue value && value.TryGetValue<string>(out var text) ? text : null;

    private static string Explain(JsonException e) =>
        e.Message switch
        {
            var m when m.Contains("missing required", StringComparison.Ordinal) =>
                "Something that a job file must have is missing: " + Missing(m) + ".",
            var m when m.Contains("could not be mapped", StringComparison.Ordinal) =>
                "There is a field here that this version of the format does not know.",
            _ => "This is not a value that may stand here.",
        };

    private static string Missing(string message) =>
        message.LastIndexOf("including: ", StringComparison.Ordinal) is > 0 and var at
            ? message[(at + 11)..].TrimEnd('.')
            : "a required field";

    private static JobFileRead Bad(string path, string message) =>
        new(null, new JobFileError(path, message));
}
