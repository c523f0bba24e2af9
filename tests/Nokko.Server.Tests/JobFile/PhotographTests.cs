using System.IO.Compression;
using System.Net.Http.Headers;
using System.Security.Cryptography;
using System.Text;
using System.Text.Json.Nodes;
using SkiaSharp;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>Of a photograph the pixels are kept and nothing else; what is none is refused, and nothing that comes is larger than it may be.</summary>
public class PhotographTests(Hosted server) : IClassFixture<Hosted>
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    /// <summary>A picture of two colours: left red, right blue.</summary>
    private static byte[] Picture(SKEncodedImageFormat format, int width = 64, int height = 40)
    {
        using var bitmap = new SKBitmap(
            new SKImageInfo(width, height, SKColorType.Rgba8888, SKAlphaType.Opaque)
        );
        using (var canvas = new SKCanvas(bitmap))
        {
            canvas.Clear(SKColors.Blue);
            using var red = new SKPaint { Color = SKColors.Red };
            canvas.DrawRect(0, 0, width / 2f, height, red);
        }
        using var data = bitmap.Encode(format, 90);
        return data.ToArray();
    }

    /// <summary>A JPEG with an EXIF block that names a valley and says how the camera lay.</summary>
    private static byte[] WithExif(byte[] jpeg, byte orientation)
    {
        byte[] tiff =
        [
            .. "MM\0*"u8,
            0,
            0,
            0,
            8,
            0,
            1,
            // Orientation, a short.
            1,
            0x12,
            0,
            3,
            0,
            0,
            0,
            1,
            0,
            orientation,
            0,
            0,
            0,
            0,
            0,
            0,
            .. "secret valley"u8,
        ];
        byte[] body = [.. "Exif\0\0"u8, .. tiff];
        return
        [
            0xFF,
            0xD8,
            0xFF,
            0xE1,
            (byte)((body.Length + 2) >> 8),
            (byte)(body.Length + 2),
            .. body,
            .. jpeg[2..],
        ];
    }

    private async Task<(int Status, JsonNode Answer)> Send(byte[] content, string type)
    {
        var caller = await server.SignIn();
        using var body = new ByteArrayContent(content);
        body.Headers.ContentType = new MediaTypeHeaderValue(type);
        var answer = await caller.Http.PostAsync("/api/files", body, Cancel);
        return (
            (int)answer.StatusCode,
            JsonNode.Parse(await answer.Content.ReadAsStringAsync(Cancel))!
        );
    }

    private Task<byte[]> Stored(JsonNode answer) =>
        server.Ask<byte[]>(
            $"select content from files where sha256 = '{answer["sha256"]!.GetValue<string>()}'"
        );

    private static string Sum(byte[] content) => Convert.ToHexStringLower(SHA256.HashData(content));

    [Theory]
    [InlineData(SKEncodedImageFormat.Jpeg, "image/jpeg")]
    [InlineData(SKEncodedImageFormat.Png, "image/png")]
    [InlineData(SKEncodedImageFormat.Webp, "image/webp")]
    public async Task Bytes_that_hold_a_picture_alone_are_kept_as_they_are(
        SKEncodedImageFormat format,
        string type
    )
    {
        // What the server draws anew holds nothing else, so that it stays as it is the second time.
        var (_, once) = await Send(Picture(format), "application/octet-stream");
        var kept = await Stored(once);
        var (status, answer) = await Send(kept, type);
        Assert.Equal(200, status);
        Assert.Equal(Sum(kept), answer["sha256"]!.GetValue<string>());
        Assert.Equal(type, answer["mediaType"]!.GetValue<string>());
    }

    [Theory]
    [InlineData(1, 64, 40)]
    [InlineData(3, 64, 40)]
    [InlineData(6, 40, 64)]
    [InlineData(8, 40, 64)]
    public async Task What_says_where_it_was_taken_is_drawn_anew_upright(
        byte orientation,
        int width,
        int height
    )
    {
        var told = WithExif(Picture(SKEncodedImageFormat.Jpeg), orientation);
        var (status, answer) = await Send(told, "image/jpeg");
        Assert.Equal(200, status);
        var kept = await Stored(answer);
        Assert.DoesNotContain("valley", Encoding.Latin1.GetString(kept), StringComparison.Ordinal);
        using var bitmap = SKBitmap.Decode(kept);
        Assert.Equal((width, height), (bitmap.Width, bitmap.Height));
        // Red was on the left of the camera: EXIF says where that is upright.
        var (red, blue) = orientation switch
        {
            1 => ((10, 20), (54, 20)),
            3 => ((54, 20), (10, 20)),
            6 => ((20, 10), (20, 54)),
            _ => ((20, 54), (20, 10)),
        };
        Assert.True(bitmap.GetPixel(red.Item1, red.Item2).Red > 200);
        Assert.True(bitmap.GetPixel(blue.Item1, blue.Item2).Blue > 200);
    }

    [Fact]
    public async Task Whatever_lies_behind_a_picture_or_between_is_not_kept()
    {
        var jpeg = await Stored(
            (await Send(Picture(SKEncodedImageFormat.Jpeg), "image/jpeg")).Answer
        );
        var png = await Stored((await Send(Picture(SKEncodedImageFormat.Png), "image/png")).Answer);
        byte[] comment = [0xFF, 0xFE, 0, 12, .. "secret say"u8];
        foreach (
            var told in (byte[][])
                [
                    [.. jpeg, .. "secret script"u8],
                    [.. jpeg[..2], .. comment, .. jpeg[2..]],
                    [.. png, .. "secret script"u8],
                ]
        )
        {
            var (status, answer) = await Send(told, "image/jpeg");
            Assert.Equal(200, status);
            Assert.DoesNotContain(
                "secret",
                Encoding.Latin1.GetString(await Stored(answer)),
                StringComparison.Ordinal
            );
        }
    }

    [Fact]
    public async Task What_is_no_picture_whatever_it_calls_itself_or_is_cut_off_is_refused()
    {
        var jpeg = Picture(SKEncodedImageFormat.Jpeg, 600, 400);
        foreach (
            var content in (byte[][])
                [
                    "<svg onload='x'/>"u8.ToArray(),
                    "GIF89a"u8.ToArray(),
                    [],
                    jpeg[..200],
                    [.. "\xFF\xD8\xFF"u8, .. new byte[500]],
                ]
        )
        {
            var (status, answer) = await Send(content, "image/jpeg");
            Assert.Equal((422, "photograph"), (status, answer["field"]!.GetValue<string>()));
        }
    }

    [Fact]
    public async Task A_small_file_with_too_many_pixels_is_refused_before_they_are_drawn()
    {
        // 30,000 × 30,000 in the head; nothing behind it needs to be there.
        byte[] head = [0, 0, 0x75, 0x30, 0, 0, 0x75, 0x30, 8, 2, 0, 0, 0];
        byte[] png =
        [
            0x89,
            .. "PNG\r\n\x1A\n"u8,
            .. Chunk("IHDR", head),
            .. Chunk("IDAT", [0x78, 0x9C, 3, 0, 0, 0, 0, 1]),
            .. Chunk("IEND", []),
        ];
        var (status, answer) = await Send(png, "image/png");
        Assert.Equal(422, status);
        Assert.Contains(
            "million pixels",
            answer["detail"]!.GetValue<string>(),
            StringComparison.Ordinal
        );

        static byte[] Chunk(string name, byte[] body)
        {
            byte[] named = [.. Encoding.ASCII.GetBytes(name), .. body];
            var crc = uint.MaxValue;
            foreach (var b in named)
            {
                crc ^= b;
                for (var i = 0; i < 8; i++)
                {
                    crc = (crc >> 1) ^ ((crc & 1) == 0 ? 0 : 0xEDB88320);
                }
            }
            crc = ~crc;
            return
            [
                .. BitConverter.GetBytes(System.Net.IPAddress.HostToNetworkOrder(body.Length)),
                .. named,
                (byte)(crc >> 24),
                (byte)(crc >> 16),
                (byte)(crc >> 8),
                (byte)crc,
            ];
        }
    }

    [Fact]
    public async Task In_a_zip_too_photographs_are_drawn_anew_and_named_by_what_they_are_then()
    {
        var here = await server.SignIn();
        var job = new TestJob(here);
        await job.TakeIn();
        var told = WithExif(Picture(SKEncodedImageFormat.Jpeg), 1);
        var file = JsonNode.Parse(await here.Http.GetStringAsync($"{job.Path}/file", Cancel))!;
        file["attachments"]!
            .AsArray()
            .Add(
                new JsonObject
                {
                    ["id"] = Guid.NewGuid(),
                    ["sha256"] = Sum(told),
                    ["mediaType"] = "image/jpeg",
                    ["of"] = null,
                    ["caption"] = null,
                    ["personId"] = file["people"]![0]!["id"]!.GetValue<string>(),
                    ["at"] = "2026-01-01T00:00:00Z",
                }
            );
        var (status, answer) = await Bring(
            here,
            Zip(("job.json", Encoding.UTF8.GetBytes(file.ToJsonString())), ("files/x", told))
        );
        Assert.True(status == 200, answer.ToJsonString());
        var sha = (await here.Get($"/api/jobs/{answer["jobId"]}"))["document"]!["attachments"]![0]![
            "sha256"
        ]!.GetValue<string>();
        Assert.NotEqual(Sum(told), sha);
        var kept = await here.Http.GetByteArrayAsync($"/api/files/{sha}", Cancel);
        Assert.DoesNotContain("valley", Encoding.Latin1.GetString(kept), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_zip_that_swells_or_holds_too_many_or_no_pictures_is_refused()
    {
        var here = await server.SignIn();
        async Task<string> Refused(params (string, byte[])[] entries)
        {
            var (status, answer) = await Bring(here, Zip(entries));
            Assert.Equal(422, status);
            return answer["detail"]!.GetValue<string>();
        }
        Assert.Contains(
            "unpacks to more",
            await Refused(("job.json", new byte[19_000_000])),
            StringComparison.Ordinal
        );
        Assert.Contains(
            "more than 500 files",
            await Refused([
                .. Enumerable.Range(0, 501).Select(i => ($"files/{i}", Array.Empty<byte>())),
            ]),
            StringComparison.Ordinal
        );
        Assert.Contains(
            "JPEG, PNG or WebP",
            await Refused(("files/a", "<html>"u8.ToArray())),
            StringComparison.Ordinal
        );
        Assert.Contains("no job.json", await Refused(), StringComparison.Ordinal);
        Assert.Contains(
            "damaged",
            (await Bring(here, [.. "PK"u8, 3, 4, 5])).Answer["detail"]!.GetValue<string>(),
            StringComparison.Ordinal
        );
        // Small pieces in great number take more memory than their bytes say.
        var many = $"{{\"readings\":[{string.Concat(Enumerable.Repeat("1,", 400_000))}1]}}";
        foreach (var start in (string[])["", "\uFEFF"])
        {
            Assert.Contains(
                "more than a job can hold",
                (await Bring(here, Encoding.UTF8.GetBytes(start + many))).Answer[
                    "detail"
                ]!.GetValue<string>(),
                StringComparison.Ordinal
            );
        }
        // A job file that is too large, and says so, is not read.
        Assert.Contains(
            "more than 20 MB",
            (await Bring(here, new byte[21 * 1024 * 1024])).Answer["detail"]!.GetValue<string>(),
            StringComparison.Ordinal
        );
    }

    private static byte[] Zip(params (string Name, byte[] Content)[] entries)
    {
        using var buffer = new MemoryStream();
        using (var zip = new ZipArchive(buffer, ZipArchiveMode.Create, leaveOpen: true))
        {
            foreach (var (name, content) in entries)
            {
                using var entry = zip.CreateEntry(name).Open();
                entry.Write(content);
            }
        }
        return buffer.ToArray();
    }

    private static async Task<(int Status, JsonNode Answer)> Bring(Caller caller, byte[] content)
    {
        using var body = new ByteArrayContent(content);
        var answer = await caller.Http.PostAsync("/api/job-files?copy=true", body, Cancel);
        return (
            (int)answer.StatusCode,
            JsonNode.Parse(await answer.Content.ReadAsStringAsync(Cancel))!
        );
    }
}
