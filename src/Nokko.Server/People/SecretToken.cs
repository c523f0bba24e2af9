using System.Security.Cryptography;
using System.Text;

namespace Nokko.Server.People;

/// <summary>What stands in an address that opens something: 192 random bits, of which only the hash is kept.</summary>
internal static class SecretToken
{
    private const int Bytes = 24;

    /// <summary>A new one.</summary>
    public static string Make() => Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(Bytes));

    /// <summary>What is kept of one.</summary>
    public static string HashOf(string? token) =>
        Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(token ?? "")));
}
