using System.Net;
using System.Net.Security;
using System.Net.Sockets;
using System.Runtime.Versioning;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;
using System.Text.Json.Nodes;
using Nokko.Driving;
using OpenQA.Selenium;
using Xunit;

namespace Nokko.Browser.Tests;

/// <summary>A server for other devices, once for the tests below.</summary>
public sealed class ServerForOthers : IAsyncLifetime
{
    public const string Name = "nokko.marl.test";

    public ServerProcess Server { get; private set; } = null!;

    public async ValueTask InitializeAsync() =>
        Server = await ServerProcess.StartForOthers($"tls_{Guid.NewGuid():N}", Name);

    public ValueTask DisposeAsync() => Server.DisposeAsync();
}

/// <summary>Tablets and phones of the shop, over TLS with a certificate that Nokko made.</summary>
[Trait("Trial", "long")]
public sealed class OtherDevicesTests(ServerForOthers others) : IClassFixture<ServerForOthers>
{
    private const string Name = ServerForOthers.Name;

    private readonly ServerProcess _server = others.Server;

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    [Fact]
    public async Task Two_devices_walk_round_together_over_tls()
    {
        using var tablet = Driving.Browser.OnAnotherDevice(_server, Key(), 1024, 768);
        using var phone = Driving.Browser.OnAnotherDevice(_server, Key(), 390, 844);
        // The phone is new here: it is told whom to trust before anybody signs in.
        phone.Open($"{_server.Others}/trust");
        phone.Sees("Trust this Nokko");
        phone.Sees(await Said("fingerprint"));
        Axe.Check(phone, "trust");
        tablet.SignInByHand(_server.Others!, "brenna");
        phone.SignInByHand(_server.Others!, "odd");
        foreach (var device in new[] { tablet, phone })
        {
            // What a camera, a worker and keys need.
            Assert.Equal(true, device.Driver.ExecuteScript("return window.isSecureContext"));
            device.Until(
                d =>
                    (bool)
                        d.ExecuteAsyncScript(
                            "const done = arguments[0]; navigator.serviceWorker.ready.then(r => done(!!r.active))"
                        )!,
                "the worker that opens Nokko without the network"
            );
            Assert.True(device.Driver.Manage().Cookies.GetCookieNamed("nokko")!.Secure);
        }
        tablet.OpenCopy("NF 80 W");
        phone.Open(tablet.Driver.Url);
        phone.Sees("Left rear, from the hub");
        tablet.TypeAt("Left rear, from the hub", "22 7/8\n");
        phone.Sees("◆ Brenna Tarn is at: right rear");
        phone.TypeAt("Left rear, from the hub", "22 15/16\n");
        tablet.Sees("2 reads");
        phone.Sees("2 reads");
        tablet.AllSaved();
        phone.AllSaved();
    }

    [Fact]
    public void Links_lead_to_the_address_wherever_they_are_made()
    {
        // Made on the serving machine itself.
        using var here = new Driving.Browser();
        here.SignIn(_server.Address, "brenna");
        here.Open($"{_server.Address}/shop");
        here.Press("Make a link");
        var link = here.Field("Link").GetAttribute("value")!;
        Assert.StartsWith($"{_server.Others}/join#", link, StringComparison.Ordinal);
        here.Until(
            d => d.FindElements(By.CssSelector($"svg[aria-label='QR code of {link}']")).Count == 1,
            "the link as a QR code"
        );
        here.Open($"{_server.Address}/me");
        here.Sees(_server.Others!);
        using var phone = Driving.Browser.OnAnotherDevice(_server, Key(), 390, 844);
        phone.Open(link);
        phone.Sees("Come in, to Skarn Vale Fitting");
    }

    [Fact]
    [SupportedOSPlatform("linux")]
    public async Task The_certificate_is_good_for_this_name_alone_and_stays_over_a_start()
    {
        var root = X509CertificateLoader.LoadCertificate(await Root());
        Assert.Equal(
            await Said("fingerprint"),
            string.Join(
                ' ',
                root.GetCertHashString(HashAlgorithmName.SHA256).Chunk(4).Select(c => new string(c))
            )
        );
        using (var trusting = Trusting(root, Name))
        {
            Assert.Equal(
                "Healthy",
                await trusting.GetStringAsync($"{_server.Others}/healthz", Cancel)
            );
        }
        // Under another name it is not Nokko, for TLS and for the server.
        using (var elsewhere = Trusting(root, "nokko.elsewhere.test"))
        {
            await Assert.ThrowsAsync<HttpRequestException>(() =>
                elsewhere.GetStringAsync(
                    _server.Others!.Replace(Name, "nokko.elsewhere.test", StringComparison.Ordinal)
                        + "/healthz",
                    Cancel
                )
            );
        }
        using (var forged = new HttpClient())
        {
            // A page that had its name lead here could otherwise read what the serving machine reads.
            forged.DefaultRequestHeaders.Host = "nokko.elsewhere.test";
            Assert.Equal(
                HttpStatusCode.BadRequest,
                (await forged.GetAsync($"{_server.Address}/healthz", Cancel)).StatusCode
            );
            forged.DefaultRequestHeaders.Host = Name;
            Assert.Equal(
                HttpStatusCode.OK,
                (await forged.GetAsync($"{_server.Address}/healthz", Cancel)).StatusCode
            );
        }
        Assert.False(IsTrusted(Signed("nokko.elsewhere.test"), root));
        Assert.True(IsTrusted(Signed(Name), root));
        // What only its owner may read.
        Assert.All(
            Directory.GetFiles(_server.Certificates!),
            f =>
                Assert.Equal(
                    UnixFileMode.UserRead | UnixFileMode.UserWrite,
                    File.GetUnixFileMode(f)
                )
        );
        await _server.Kill();
        await _server.Run();
        Assert.Equal(root.RawData, await Root());
    }

    /// <summary>A certificate for a host that somebody signs who has got hold of the root's key.</summary>
    private X509Certificate2 Signed(string host)
    {
        using var root = X509Certificate2.CreateFromPemFile(
            Directory.GetFiles(_server.Certificates!, "*.root.pem").Single()
        );
        using var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        var request = new CertificateRequest("CN=forged", key, HashAlgorithmName.SHA256);
        var names = new SubjectAlternativeNameBuilder();
        names.AddDnsName(host);
        request.CertificateExtensions.Add(names.Build());
        return request.Create(
            root,
            DateTimeOffset.UtcNow.AddHours(-1),
            DateTimeOffset.UtcNow.AddDays(1),
            [1, 2, 3, 4]
        );
    }

    private static bool IsTrusted(X509Certificate2 certificate, X509Certificate2 root)
    {
        using var chain = Chain(root);
        return chain.Build(certificate);
    }

    private static X509Chain Chain(X509Certificate2 root)
    {
        var chain = new X509Chain();
        chain.ChainPolicy.TrustMode = X509ChainTrustMode.CustomRootTrust;
        chain.ChainPolicy.CustomTrustStore.Add(root);
        chain.ChainPolicy.RevocationMode = X509RevocationMode.NoCheck;
        return chain;
    }

    /// <summary>A client that trusts the root and nothing else, and finds the name on this machine.</summary>
    private static HttpClient Trusting(X509Certificate2 root, string name) =>
        new(
            new SocketsHttpHandler
            {
                ConnectCallback = async (context, cancel) =>
                {
                    Assert.Equal(name, context.DnsEndPoint.Host);
                    var socket = new Socket(SocketType.Stream, ProtocolType.Tcp);
                    await socket.ConnectAsync(IPAddress.Loopback, context.DnsEndPoint.Port, cancel);
                    return new NetworkStream(socket, ownsSocket: true);
                },
                SslOptions = new SslClientAuthenticationOptions
                {
                    CertificateChainPolicy = Chain(root).ChainPolicy,
                },
            }
        );

    private async Task<byte[]> Root()
    {
        using var http = new HttpClient();
        return await http.GetByteArrayAsync($"{_server.Address}/api/address/root", Cancel);
    }

    private async Task<string> Said(string of)
    {
        using var http = new HttpClient();
        return JsonNode.Parse(await http.GetStringAsync($"{_server.Address}/api/address", Cancel))![
            of
        ]!.GetValue<string>();
    }

    /// <summary>SHA-256 of the key of the certificate with which the server answers.</summary>
    private string Key()
    {
        using var own = X509Certificate2.CreateFromPemFile(
            Directory
                .GetFiles(_server.Certificates!)
                .Single(f => !f.EndsWith(".root.pem", StringComparison.Ordinal))
        );
        return Convert.ToBase64String(SHA256.HashData(own.PublicKey.ExportSubjectPublicKeyInfo()));
    }
}
