using System.IO.Compression;
using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using Nokko.Core.Tape;

namespace Nokko.Server.JobFile;

/// <summary>A job file, and the photographs of its zip by their sum.</summary>
/// <param name="Json">The job file.</param>
/// <param name="Files">Photographs as they are kept, by the sum that the job file names.</param>
internal sealed record Unpacked(string Json, IReadOnlyDictionary<string, Unpacked.Picture> Files)
{
    /// <summary>Most bytes of a job file, as it comes and unpacked.</summary>
    public const int MostJson = 20 * 1024 * 1024;

    /// <summary>Most bytes of a zip.</summary>
    public const int MostZip = 40 * 1024 * 1024;

    /// <summary>Most names and values of a job file: a long one has some ten thousands, and each takes memory when it is read.</summary>
    public const int MostTokens = 400_000;

    private const int MostEntries = 500;

    /// <summary>By how much a part of a zip may swell: text shrinks so much, and a bomb much more.</summary>
    private const int MostSwells = 100;

    /// <summary>A photograph as it is kept.</summary>
    /// <param name="Sha256">Its sum as it is kept.</param>
    /// <param name="Content">Its bytes.</param>
    /// <param name="MediaType">What it is.</param>
    internal sealed record Picture(string Sha256, byte[] Content, string MediaType);

    /// <summary>Unpacks what came.</summary>
    /// <exception cref="RefusedException">It is damaged, too large, or holds something else than photographs.</exception>
    public static async Task<Unpacked> Of(Stream body, CancellationToken cancel)
    {
        var start = new byte[2];
        var isZip =
            await body.ReadAtLeastAsync(start, 2, false, cancel) == 2
            && start is [(byte)'P', (byte)'K'];
        body.Position = 0;
        if (!isZip)
        {
            var json = new byte[body.Length];
            await body.ReadExactlyAsync(json, cancel);
            return new(Text(json), new Dictionary<string, Picture>());
        }
        try
        {
            string? json = null;
            var files = new Dictionary<string, Picture>();
            using var zip = new ZipArchive(body, ZipArchiveMode.Read, leaveOpen: true);
            if (zip.Entries.Count > MostEntries)
            {
                throw Refuse.Value("$", $"The zip holds more than {MostEntries} files.");
            }
            foreach (var entry in zip.Entries)
            {
                if (entry.FullName == "job.json")
                {
                    json ??= Text(await Read(entry, MostJson, cancel));
                }
                else if (entry.FullName.StartsWith("files/", StringComparison.Ordinal))
                {
                    var came = await Read(entry, Photograph.MostBytes, cancel);
                    var (content, type) = await Photograph.Kept(came, cancel);
                    // A file is what its content says, whatever the zip calls it.
                    files[Sum(came)] = new(Sum(content), content, type);
                }
            }
            return new(json ?? throw Refuse.Value("$", "The zip holds no job.json."), files);
        }
        catch (InvalidDataException)
        {
            throw Refuse.Value("$", "The zip is damaged.");
        }
    }

    /// <summary>The text of a job file that is not made of more pieces than a job can be.</summary>
    public static string Text(byte[] json)
    {
        var plain = json.AsSpan();
        if (plain.StartsWith("\uFEFF"u8))
        {
            plain = plain[3..];
        }
        var reader = new Utf8JsonReader(plain);
        var tokens = 0;
        try
        {
            while (reader.Read())
            {
                if (++tokens > MostTokens)
                {
                    throw Refuse.Value("$", "That is more than a job can hold.");
                }
            }
        }
        catch (JsonException)
        {
            // What is wrong in it is said by whoever reads it.
        }
        return Encoding.UTF8.GetString(plain);
    }

    /// <summary>The sum under which content is kept.</summary>
    public static string Sum(byte[] content) => Convert.ToHexStringLower(SHA256.HashData(content));

    /// <summary>A part of the zip; what it says of its own length is not believed.</summary>
    public static async Task<byte[]> Read(ZipArchiveEntry entry, int most, CancellationToken cancel)
    {
        using var content = new MemoryStream();
        await using var stream = entry.Open();
        var chunk = new byte[81_920];
        int n;
        while ((n = await stream.ReadAsync(chunk, cancel)) > 0)
        {
            if (
                content.Length + n > most
                || content.Length + n > (MostSwells * entry.CompressedLength) + 65_536
            )
            {
                throw TooLarge();
            }
            content.Write(chunk, 0, n);
        }
        return content.ToArray();
    }

    private static RefusedException TooLarge() =>
        Refuse.Value(
            "$",
            $"It unpacks to more than a job can be: {MostJson / 1024 / 1024} MB, and {Photograph.MostBytes / 1024 / 1024} MB a photograph."
        );
}
