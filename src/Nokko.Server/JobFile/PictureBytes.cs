using System.Buffers.Binary;

namespace Nokko.Server.JobFile;

/// <summary>Whether the bytes of a picture hold its pixels and what drawing them needs, and nothing else: no place, no camera, no thumbnail, no comment, nothing behind its end.</summary>
internal static class PictureBytes
{
    private static readonly HashSet<string> OfPng =
    [
        "IHDR",
        "PLTE",
        "IDAT",
        "IEND",
        "tRNS",
        "gAMA",
        "cHRM",
        "sRGB",
        "sBIT",
        "bKGD",
        "pHYs",
    ];

    private static readonly HashSet<string> OfWebp = ["VP8 ", "VP8L", "VP8X", "ALPH"];

    /// <summary>Whether it is so; bytes of no known kind are not.</summary>
    public static bool AreOnlyPicture(ReadOnlySpan<byte> content) =>
        content switch
        {
            [0xFF, 0xD8, ..] => Jpeg(content),
            [0x89, (byte)'P', (byte)'N', (byte)'G', 0x0D, 0x0A, 0x1A, 0x0A, ..] => Png(content),
            [(byte)'R', (byte)'I', (byte)'F', (byte)'F', ..] => Webp(content),
            _ => false,
        };

    private static bool Jpeg(ReadOnlySpan<byte> content)
    {
        var at = 2;
        while (at + 1 < content.Length)
        {
            if (content[at] != 0xFF)
            {
                return false;
            }
            var marker = content[at + 1];
            if (marker == 0xD9)
            {
                return at + 2 == content.Length;
            }
            if (at + 3 >= content.Length)
            {
                return false;
            }
            var length = BinaryPrimitives.ReadUInt16BigEndian(content[(at + 2)..]);
            var end = at + 2 + length;
            if (length < 2 || end > content.Length)
            {
                return false;
            }
            var body = content[(at + 4)..end];
            var draws = marker switch
            {
                // Tables, frames, restarts, scans.
                0xDB or 0xDD or 0xDA or (>= 0xC0 and <= 0xCF) => true,
                // JFIF without its thumbnail; Adobe's mark says how colours are kept.
                0xE0 => length == 16 && body.StartsWith("JFIF\0"u8),
                0xEE => body.StartsWith("Adobe"u8),
                _ => false,
            };
            if (!draws)
            {
                return false;
            }
            at = marker == 0xDA ? AfterScan(content, end) : end;
        }
        return false;
    }

    /// <summary>Where the next marker stands behind a scan: its own are a zero after 0xFF, and restarts.</summary>
    private static int AfterScan(ReadOnlySpan<byte> content, int from)
    {
        for (var at = from; at + 1 < content.Length; at++)
        {
            if (content[at] == 0xFF && content[at + 1] is not (0 or 0xFF or (>= 0xD0 and <= 0xD7)))
            {
                return at;
            }
        }
        return content.Length;
    }

    private static bool Png(ReadOnlySpan<byte> content)
    {
        var at = 8;
        while (at + 12 <= content.Length)
        {
            var length = BinaryPrimitives.ReadUInt32BigEndian(content[at..]);
            var name = System.Text.Encoding.ASCII.GetString(content.Slice(at + 4, 4));
            if (length > content.Length - at - 12 || !OfPng.Contains(name))
            {
                return false;
            }
            at += 12 + (int)length;
            if (name == "IEND")
            {
                return length == 0 && at == content.Length;
            }
        }
        return false;
    }

    private static bool Webp(ReadOnlySpan<byte> content)
    {
        if (
            content.Length < 12
            || BinaryPrimitives.ReadUInt32LittleEndian(content[4..]) != content.Length - 8
            || !content[8..12].SequenceEqual("WEBP"u8)
        )
        {
            return false;
        }
        var at = 12;
        while (at + 8 <= content.Length)
        {
            var name = System.Text.Encoding.ASCII.GetString(content.Slice(at, 4));
            var length = BinaryPrimitives.ReadUInt32LittleEndian(content[(at + 4)..]);
            if (length > content.Length - at - 8 || !OfWebp.Contains(name))
            {
                return false;
            }
            // Of its flags only the one for transparency draws.
            if (name == "VP8X" && (length < 1 || (content[at + 8] & ~0x10) != 0))
            {
                return false;
            }
            at += 8 + (int)(length + (length & 1));
        }
        return at == content.Length;
    }
}
