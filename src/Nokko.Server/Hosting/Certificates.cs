using System.Formats.Asn1;
using System.Net;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;
using Nokko.Storage;

namespace Nokko.Server.Hosting;

/// <summary>A certificate with what stands above it.</summary>
/// <param name="Own">The server's own, with its key.</param>
/// <param name="Above">Sent along: what stands between it and a root.</param>
/// <param name="Root">The root that was made here, for devices to trust; null where the certificate was given.</param>
internal sealed record Certified(
    X509Certificate2 Own,
    X509Certificate2Collection Above,
    X509Certificate2? Root
);

/// <summary>Certificates for other devices: given ones, or made here under a root that is good for this one address and nothing else (RFC 5280, 4.2.1.10: name constraints).</summary>
internal static class Certificates
{
    /// <summary>Devices take no longer life of a server's certificate; the root outlives it, so that it is trusted once.</summary>
    private static readonly TimeSpan Life = TimeSpan.FromDays(397);

    private static readonly TimeSpan RootLife = TimeSpan.FromDays(3650);

    /// <summary>With less life left than this it is made anew at a start.</summary>
    private static readonly TimeSpan Least = TimeSpan.FromDays(60);

    /// <summary>Reads a certificate that somebody got: PEM, its chain behind it, the key in a file of its own or in the same.</summary>
    /// <exception cref="CannotStartException">It cannot be read, has ended, or is not for this host.</exception>
    public static Certified Given(string host, string file, string? key, DateTimeOffset now)
    {
        try
        {
            var own = X509Certificate2.CreateFromPemFile(file, key ?? file);
            var chain = new X509Certificate2Collection();
            chain.ImportFromPemFile(file);
            if (own.NotAfter < now)
            {
                throw new CannotStartException(
                    $"The certificate {file} ended on {own.NotAfter:yyyy-MM-dd}. Give a new one."
                );
            }
            if (!own.MatchesHostname(host))
            {
                throw new CannotStartException(
                    $"The certificate {file} is not for {host}. Give one for it, or start with the address that it is for."
                );
            }
            return new Certified(own, [.. chain.Where(c => c.Thumbprint != own.Thumbprint)], null);
        }
        catch (Exception e) when (e is CryptographicException or IOException)
        {
            throw new CannotStartException(
                $"The certificate {file} with its key cannot be read: {e.Message}",
                e
            );
        }
    }

    /// <summary>The certificate for a host out of a folder; what is missing or nearly over is made.</summary>
    public static Certified Made(string host, string folder, DateTimeOffset now)
    {
        Directory.CreateDirectory(folder);
        var name = string.Concat(host.Select(c => char.IsAsciiLetterOrDigit(c) ? c : '_'));
        var root = Kept($"{name}.root", () => MakeRoot(host, now), now + Life);
        var own = Kept(name, () => MakeOwn(host, root, now), now + Least);
        if (own.Issuer != root.Subject || !IsUnder(own, root, now))
        {
            File.Delete(Path.Combine(folder, $"{name}.pem"));
            own = Kept(name, () => MakeOwn(host, root, now), now + Least);
        }
        return new Certified(own, [], root);

        X509Certificate2 Kept(string of, Func<X509Certificate2> make, DateTimeOffset until)
        {
            var file = Path.Combine(folder, $"{of}.pem");
            if (File.Exists(file))
            {
                var there = X509Certificate2.CreateFromPemFile(file);
                if (there.NotAfter > until)
                {
                    return there;
                }
            }
            using var made = make();
            using var key = made.GetECDsaPrivateKey()!;
            var pem =
                $"{made.ExportCertificatePem()}\n{new string(PemEncoding.Write("PRIVATE KEY", key.ExportPkcs8PrivateKey()))}\n";
            // Whole or not at all, and for the one who starts Nokko alone.
            var part = $"{file}.part";
            File.Delete(part);
            var options = new FileStreamOptions
            {
                Mode = FileMode.CreateNew,
                Access = FileAccess.Write,
            };
            if (!OperatingSystem.IsWindows())
            {
                options.UnixCreateMode = UnixFileMode.UserRead | UnixFileMode.UserWrite;
            }
            using (var stream = new FileStream(part, options))
            {
                stream.Write(System.Text.Encoding.ASCII.GetBytes(pem));
            }
            File.Move(part, file, overwrite: true);
            return X509Certificate2.CreateFromPemFile(file);
        }
    }

    private static bool IsUnder(X509Certificate2 own, X509Certificate2 root, DateTimeOffset now)
    {
        using var chain = new X509Chain();
        chain.ChainPolicy.TrustMode = X509ChainTrustMode.CustomRootTrust;
        chain.ChainPolicy.CustomTrustStore.Add(root);
        chain.ChainPolicy.RevocationMode = X509RevocationMode.NoCheck;
        chain.ChainPolicy.VerificationTime = now.UtcDateTime;
        return chain.Build(own);
    }

    private static X509Certificate2 MakeRoot(string host, DateTimeOffset now)
    {
        using var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        var request = new CertificateRequest(
            Named($"Nokko of {host}, {now:yyyy-MM-dd}"),
            key,
            HashAlgorithmName.SHA256
        );
        var extensions = request.CertificateExtensions;
        extensions.Add(new X509BasicConstraintsExtension(true, true, 0, true));
        extensions.Add(new X509KeyUsageExtension(X509KeyUsageFlags.KeyCertSign, true));
        extensions.Add(new X509SubjectKeyIdentifierExtension(request.PublicKey, false));
        extensions.Add(OnlyFor(host));
        return request.CreateSelfSigned(now.AddDays(-1), now + RootLife);
    }

    private static X509Certificate2 MakeOwn(string host, X509Certificate2 root, DateTimeOffset now)
    {
        using var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        var request = new CertificateRequest(Named(host), key, HashAlgorithmName.SHA256);
        var names = new SubjectAlternativeNameBuilder();
        if (IPAddress.TryParse(host, out var ip))
        {
            names.AddIpAddress(ip);
        }
        else
        {
            names.AddDnsName(host);
        }
        var extensions = request.CertificateExtensions;
        extensions.Add(names.Build());
        extensions.Add(new X509BasicConstraintsExtension(false, false, 0, true));
        extensions.Add(new X509KeyUsageExtension(X509KeyUsageFlags.DigitalSignature, true));
        extensions.Add(new X509EnhancedKeyUsageExtension([new Oid("1.3.6.1.5.5.7.3.1")], false));
        extensions.Add(new X509SubjectKeyIdentifierExtension(request.PublicKey, false));
        extensions.Add(
            X509AuthorityKeyIdentifierExtension.CreateFromCertificate(root, true, false)
        );
        using var made = request.Create(
            root,
            now.AddDays(-1),
            now + Life,
            RandomNumberGenerator.GetBytes(16)
        );
        return made.CopyWithPrivateKey(key);
    }

    private static X500DistinguishedName Named(string name)
    {
        var built = new X500DistinguishedNameBuilder();
        built.AddCommonName(name.Length > 64 ? name[..64] : name);
        return built.Build();
    }

    /// <summary>Whoever trusts the root trusts it for this host alone: NameConstraints with one permitted subtree, a DNS name or an address with a full mask.</summary>
    private static X509Extension OnlyFor(string host)
    {
        var writer = new AsnWriter(AsnEncodingRules.DER);
        using (writer.PushSequence())
        using (writer.PushSequence(new Asn1Tag(TagClass.ContextSpecific, 0)))
        using (writer.PushSequence())
        {
            if (IPAddress.TryParse(host, out var ip))
            {
                var bytes = ip.GetAddressBytes();
                writer.WriteOctetString(
                    [.. bytes, .. Enumerable.Repeat((byte)255, bytes.Length)],
                    new Asn1Tag(TagClass.ContextSpecific, 7)
                );
            }
            else
            {
                writer.WriteCharacterString(
                    UniversalTagNumber.IA5String,
                    host,
                    new Asn1Tag(TagClass.ContextSpecific, 2)
                );
            }
        }
        return new X509Extension("2.5.29.30", writer.Encode(), critical: true);
    }
}
