using System.Net;
using Microsoft.AspNetCore.HttpOverrides;
using Nokko.Storage;
using IPNetwork = System.Net.IPNetwork;

namespace Nokko.Server.Hosting;

/// <summary>Proxies in front of this server (<c>Nokko:Proxy</c>: their addresses or networks, with commas between): they speak TLS with the devices, and say from where each request came. Nobody else on the network is answered, for what comes past them comes unencrypted.</summary>
internal static class Proxies
{
    private const string Setting = "Nokko:Proxy";

    /// <summary>Whether devices come through a proxy.</summary>
    public static bool Any(IConfiguration configuration) =>
        configuration[Setting] is { Length: > 0 };

    /// <summary>Believes them, and them alone, from where a request came and how.</summary>
    /// <exception cref="CannotStartException">What stands in the setting is no address.</exception>
    public static void Use(WebApplication app)
    {
        if (!Any(app.Configuration))
        {
            return;
        }
        IPNetwork[] known =
        [
            .. app.Configuration[Setting]!
                .Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
                .Select(Network),
        ];
        app.Use(
            (context, next) =>
            {
                // A request of this process itself has no address.
                var from = context.Connection.RemoteIpAddress ?? IPAddress.Loopback;
                from = from.IsIPv4MappedToIPv6 ? from.MapToIPv4() : from;
                if (IPAddress.IsLoopback(from) || known.Any(n => n.Contains(from)))
                {
                    return next(context);
                }
                context.Response.StatusCode = StatusCodes.Status403Forbidden;
                return Task.CompletedTask;
            }
        );
        var options = new ForwardedHeadersOptions
        {
            ForwardedHeaders = ForwardedHeaders.XForwardedFor | ForwardedHeaders.XForwardedProto,
        };
        options.KnownProxies.Clear();
        options.KnownIPNetworks.Clear();
        foreach (var network in known)
        {
            options.KnownIPNetworks.Add(network);
        }
        app.UseForwardedHeaders(options);
    }

    private static IPNetwork Network(string said) =>
        IPAddress.TryParse(said, out var address)
            ? new IPNetwork(address, address.GetAddressBytes().Length * 8)
        : IPNetwork.TryParse(said, out var network) ? network
        : throw new CannotStartException(
            $"“{said}” is no address of a proxy. It is like 192.168.1.5, or a network like 10.0.0.0/24."
        );
}
