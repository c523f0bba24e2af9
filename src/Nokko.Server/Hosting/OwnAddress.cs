using System.Security.Cryptography;
using System.Text.RegularExpressions;
using Microsoft.AspNetCore.Http.HttpResults;
using Nokko.Storage;

namespace Nokko.Server.Hosting;

/// <summary>The address at which other devices reach Nokko, over TLS; without one it serves its own machine alone.</summary>
internal sealed partial class OwnAddress
{
    /// <summary>What a page and a start say of it.</summary>
    /// <param name="Address">Where links lead; null where they lead nowhere else than on this machine.</param>
    /// <param name="Fingerprint">SHA-256 of the root that devices must be told to trust; null where they trust it already.</param>
    /// <param name="TrustedUntil">When the root ends.</param>
    internal sealed record AddressView(
        string? Address,
        string? Fingerprint,
        DateTimeOffset? TrustedUntil
    );

    private readonly Certified? _certified;

    private OwnAddress(Uri? uri, Certified? certified) => (Uri, _certified) = (uri, certified);

    /// <summary>The address, without anything behind its port.</summary>
    public Uri? Uri { get; }

    /// <summary>Reads what the start was told (<c>Nokko:Address</c>, <c>Nokko:Certificate</c>, <c>Nokko:CertificateKey</c>, <c>Nokko:CertificateFolder</c>).</summary>
    /// <exception cref="CannotStartException">It cannot be served so.</exception>
    public static OwnAddress Of(IConfiguration configuration, DateTimeOffset now)
    {
        if (configuration["Nokko:Address"] is not { Length: > 0 } said)
        {
            return new OwnAddress(null, null);
        }
        if (
            !Uri.TryCreate(said, UriKind.Absolute, out var uri)
            || uri.Scheme != Uri.UriSchemeHttps
            || uri.PathAndQuery != "/"
            || uri.UserInfo.Length > 0
            || uri.Fragment.Length > 0
        )
        {
            throw new CannotStartException(
                $"“{said}” is no address for other devices. It is like https://nokko.shop.lan:5443 or https://192.168.1.20:5443."
            );
        }
        if (uri.IsLoopback)
        {
            throw new CannotStartException(
                $"{said} is this machine's name for itself: another device that asks for it asks itself. Give the name or number that this machine has in the shop's network."
            );
        }
        if (Proxies.Any(configuration))
        {
            // The proxy has the certificate.
            return new OwnAddress(uri, null);
        }
        var host = uri.IdnHost.Trim('[', ']');
        var certified = configuration["Nokko:Certificate"] is { Length: > 0 } given
            ? Certificates.Given(host, given, configuration["Nokko:CertificateKey"], now)
            : Certificates.Made(
                host,
                configuration["Nokko:CertificateFolder"]
                    ?? Path.Combine(AppContext.BaseDirectory, "certificates"),
                now
            );
        return new OwnAddress(uri, certified);
    }

    /// <summary>Serves it: TLS with the certificate, and no other name than this one and the machine's own.</summary>
    public void Serve(WebApplicationBuilder builder)
    {
        if (Uri is null)
        {
            return;
        }
        builder.Configuration["AllowedHosts"] += $";{Uri.IdnHost}";
        if (_certified is not { } certified)
        {
            return;
        }
        builder.WebHost.ConfigureKestrel(k =>
            k.ConfigureHttpsDefaults(o =>
            {
                o.ServerCertificate = certified.Own;
                o.ServerCertificateChain = certified.Above;
            })
        );
    }

    public void Map(RouteGroupBuilder api)
    {
        api.MapGet("/address", Show).AllowAnonymous();
        // A device that is to trust it cannot be signed in yet.
        api.MapGet("/address/root", Root).AllowAnonymous();
    }

    private Ok<AddressView> Show() =>
        TypedResults.Ok(
            new AddressView(
                Uri?.GetLeftPart(UriPartial.Authority),
                _certified?.Root is { } root
                    ? Pairs()
                        .Replace(root.GetCertHashString(HashAlgorithmName.SHA256), "$0 ")
                        .Trim()
                    : null,
                _certified?.Root is { NotAfter: var until } ? new DateTimeOffset(until) : null
            )
        );

    private Results<FileContentHttpResult, ProblemHttpResult> Root(HttpResponse response)
    {
        if (_certified?.Root is not { } root)
        {
            return Trouble.Missing("There is nothing to trust by hand here.").Answer();
        }
        // Not as an attachment: a tablet that is to install it would put it among the files.
        response.Headers.ContentDisposition = "inline; filename=nokko.crt";
        return TypedResults.File(root.RawData, "application/x-x509-ca-cert");
    }

    [GeneratedRegex("....")]
    private static partial Regex Pairs();
}
