using Nokko.Core.Tape;
using SkiaSharp;

namespace Nokko.Server.JobFile;

/// <summary>What is kept of a photograph: pixels alone. Bytes that hold nothing else stay as they are, so that what goes out and comes in again is equal; others are drawn anew.</summary>
internal static class Photograph
{
    /// <summary>Most bytes of one.</summary>
    public const int MostBytes = 25 * 1024 * 1024;

    /// <summary>Most pixels: more would take more memory than a server has to spare.</summary>
    public const int MostPixels = 20_000_000;

    /// <summary>Longest side of one that is drawn anew, pixels; as the page draws them.</summary>
    private const int LongestSide = 2_000;

    private const int Quality = 85;

    /// <summary>One at a time: each takes the memory of its pixels.</summary>
    private static readonly SemaphoreSlim OneAtATime = new(1);

    /// <summary>What is kept.</summary>
    /// <param name="content">The bytes that came.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <returns>The bytes, and what they are: image/jpeg, image/png or image/webp.</returns>
    /// <exception cref="RefusedException">It is no such picture, or too large.</exception>
    public static async Task<(byte[] Content, string MediaType)> Kept(
        byte[] content,
        CancellationToken cancel
    )
    {
        await OneAtATime.WaitAsync(cancel);
        try
        {
            return Drawn(content);
        }
        finally
        {
            OneAtATime.Release();
        }
    }

    private static (byte[], string) Drawn(byte[] content)
    {
        using var data = SKData.CreateCopy(content);
        using var codec = SKCodec.Create(data);
        var type = codec?.EncodedFormat switch
        {
            SKEncodedImageFormat.Jpeg => "image/jpeg",
            SKEncodedImageFormat.Png => "image/png",
            SKEncodedImageFormat.Webp => "image/webp",
            _ => throw Refuse.Value("photograph", "Photographs are JPEG, PNG or WebP."),
        };
        if ((long)codec.Info.Width * codec.Info.Height > MostPixels)
        {
            throw Refuse.Value(
                "photograph",
                $"This picture has more than {MostPixels / 1_000_000} million pixels. Make it smaller first."
            );
        }
        if (codec.FrameCount > 1)
        {
            throw Refuse.Value("photograph", "This picture moves. Take a still one.");
        }
        using var bitmap = Decoded(codec);
        return
            PictureBytes.AreOnlyPicture(content) && codec.EncodedOrigin == SKEncodedOrigin.TopLeft
            ? (content, type)
            : Anew(bitmap, codec.EncodedOrigin, type == "image/png");
    }

    /// <summary>Its pixels, a JPEG's no finer than they are kept: one that cannot be drawn is none.</summary>
    private static SKBitmap Decoded(SKCodec codec)
    {
        var scale = Math.Min(
            1f,
            (float)LongestSide / Math.Max(codec.Info.Width, codec.Info.Height)
        );
        var size = codec.GetScaledDimensions(scale);
        var info = new SKImageInfo(
            size.Width,
            size.Height,
            SKColorType.Rgba8888,
            codec.Info.AlphaType == SKAlphaType.Opaque ? SKAlphaType.Opaque : SKAlphaType.Premul
        );
        var bitmap = new SKBitmap(info);
        var result = codec.GetPixels(info, bitmap.GetPixels());
        if (result == SKCodecResult.Success)
        {
            return bitmap;
        }
        bitmap.Dispose();
        throw Refuse.Value("photograph", "This picture is damaged: it cannot be drawn.");
    }

    private static (byte[], string) Anew(SKBitmap bitmap, SKEncodedOrigin origin, bool png)
    {
        var turned = origin >= SKEncodedOrigin.LeftTop;
        var (width, height) = turned
            ? (bitmap.Height, bitmap.Width)
            : (bitmap.Width, bitmap.Height);
        var scale = Math.Min(1f, (float)LongestSide / Math.Max(width, height));
        using var drawn = new SKBitmap(
            new SKImageInfo(
                Math.Max(1, (int)Math.Round(width * scale)),
                Math.Max(1, (int)Math.Round(height * scale)),
                SKColorType.Rgba8888,
                bitmap.AlphaType
            )
        );
        using (var canvas = new SKCanvas(drawn))
        {
            canvas.Clear(png ? SKColors.Transparent : SKColors.White);
            canvas.Scale(scale);
            canvas.Concat(Upright(origin, width, height));
            using var image = SKImage.FromBitmap(bitmap);
            canvas.DrawImage(
                image,
                0,
                0,
                new SKSamplingOptions(SKFilterMode.Linear, SKMipmapMode.Linear)
            );
        }
        using var encoded = drawn.Encode(
            png ? SKEncodedImageFormat.Png : SKEncodedImageFormat.Jpeg,
            Quality
        );
        return (encoded.ToArray(), png ? "image/png" : "image/jpeg");
    }

    /// <summary>From how the camera lay to upright; the eight ways of EXIF.</summary>
    private static SKMatrix Upright(SKEncodedOrigin origin, float width, float height) =>
        origin switch
        {
            SKEncodedOrigin.TopRight => new(-1, 0, width, 0, 1, 0, 0, 0, 1),
            SKEncodedOrigin.BottomRight => new(-1, 0, width, 0, -1, height, 0, 0, 1),
            SKEncodedOrigin.BottomLeft => new(1, 0, 0, 0, -1, height, 0, 0, 1),
            SKEncodedOrigin.LeftTop => new(0, 1, 0, 1, 0, 0, 0, 0, 1),
            SKEncodedOrigin.RightTop => new(0, -1, width, 1, 0, 0, 0, 0, 1),
            SKEncodedOrigin.RightBottom => new(0, -1, width, -1, 0, height, 0, 0, 1),
            SKEncodedOrigin.LeftBottom => new(0, 1, 0, -1, 0, height, 0, 0, 1),
            _ => SKMatrix.Identity,
        };
}
