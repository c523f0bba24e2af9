using Microsoft.AspNetCore.Http.Metadata;
using Nokko.Core.Tape;

namespace Nokko.Server.Hosting;

/// <summary>How large what comes may be: refused before it is read where it says its length, and cut off where it lies.</summary>
internal static class Uploads
{
    /// <summary>Most bytes of a request that says nothing else.</summary>
    public const int Most = 4 * 1024 * 1024;

    /// <summary>A folder that nobody else on the machine looks into.</summary>
    private static readonly Lazy<DirectoryInfo> Own = new(() =>
        Directory.CreateTempSubdirectory("nokko-")
    );

    private sealed record Limit(long? MaxRequestBodySize) : IRequestSizeLimitMetadata;

    /// <summary>Lets an endpoint take more than others.</summary>
    public static T UpTo<T>(this T endpoint, int bytes)
        where T : IEndpointConventionBuilder => endpoint.WithMetadata(new Limit(bytes));

    /// <summary>The whole body, in memory.</summary>
    /// <exception cref="RefusedException">It is larger.</exception>
    public static async Task<byte[]> Body(HttpRequest request, int most, CancellationToken cancel)
    {
        using var buffer = new MemoryStream();
        await Copy(request, buffer, most, most, cancel);
        return buffer.ToArray();
    }

    /// <summary>The whole body in a file that is gone once it is closed: a large one costs a disk its room, and no memory.</summary>
    /// <param name="request">The request.</param>
    /// <param name="mostZip">Most bytes of a zip.</param>
    /// <param name="mostPlain">Most bytes of anything else.</param>
    /// <param name="cancel">Ends the reading.</param>
    /// <exception cref="RefusedException">It is larger.</exception>
    public static async Task<Stream> Spooled(
        HttpRequest request,
        int mostZip,
        int mostPlain,
        CancellationToken cancel
    )
    {
        var file = Scratch();
        try
        {
            await Copy(request, file, mostZip, mostPlain, cancel);
            file.Position = 0;
            return file;
        }
        catch
        {
            await file.DisposeAsync();
            throw;
        }
    }

    /// <summary>A new file that is gone once it is closed.</summary>
    public static FileStream Scratch() =>
        new(
            Path.Combine(Own.Value.FullName, Guid.NewGuid().ToString("N")),
            new FileStreamOptions
            {
                Mode = FileMode.CreateNew,
                Access = FileAccess.ReadWrite,
                Options = FileOptions.DeleteOnClose | FileOptions.Asynchronous,
            }
        );

    private static async Task Copy(
        HttpRequest request,
        Stream to,
        int mostZip,
        int mostPlain,
        CancellationToken cancel
    )
    {
        if (request.ContentLength > Math.Max(mostZip, mostPlain))
        {
            throw TooLarge(Math.Max(mostZip, mostPlain));
        }
        var chunk = new byte[81_920];
        var (length, most) = (0L, mostZip);
        int n;
        while ((n = await request.Body.ReadAsync(chunk, cancel)) > 0)
        {
            if (length == 0 && chunk is not [(byte)'P', (byte)'K', ..])
            {
                most = mostPlain;
            }
            length += n;
            if (Math.Max(length, request.ContentLength ?? 0) > most)
            {
                throw TooLarge(most);
            }
            await to.WriteAsync(chunk.AsMemory(0, n), cancel);
        }
    }

    private static RefusedException TooLarge(int most) =>
        Refuse.Value("$", $"That is more than {most / 1024 / 1024} MB.");
}
