using System.Buffers.Binary;
using System.Security.Cryptography;

namespace Nokko.Core.Jobs;

/// <summary>Keys for rows that the client did not name: made of the command's own key and the instant, in the order of time (RFC 9562, version 7).</summary>
/// <param name="command">Key of the command.</param>
/// <param name="now">The instant at which it is decided.</param>
internal sealed class RowKeys(Guid command, DateTimeOffset now)
{
    private int _made;

    /// <summary>The next key; the same command gets the same keys in the same order.</summary>
    public Guid Next()
    {
        var n = _made++;
        Span<byte> seed = stackalloc byte[20];
        command.TryWriteBytes(seed, bigEndian: true, out _);
        BinaryPrimitives.WriteInt32BigEndian(seed[16..], n);
        Span<byte> key = stackalloc byte[32];
        SHA256.HashData(seed, key);
        Span<byte> time = stackalloc byte[8];
        BinaryPrimitives.WriteInt64BigEndian(time, now.ToUnixTimeMilliseconds());
        time[2..].CopyTo(key);
        key[6] = (byte)(0x70 | ((n >> 8) & 0x0F));
        key[7] = (byte)n;
        key[8] = (byte)(0x80 | (key[8] & 0x3F));
        return new Guid(key[..16], bigEndian: true);
    }
}
