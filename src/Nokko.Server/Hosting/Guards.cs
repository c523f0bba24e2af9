using System.Globalization;
using System.Threading.RateLimiting;
using Microsoft.AspNetCore.RateLimiting;
using Nokko.Server.People;

namespace Nokko.Server.Hosting;

/// <summary>What every request and answer passes: headers, origin, how many.</summary>
internal static class Guards
{
    /// <summary>Name of the limit of what anybody may ask who is not signed in.</summary>
    public const string Door = "door";

    /// <summary>What a page may do: nothing from elsewhere, no script in it, in nobody's frame. The PDF package draws with WebAssembly and asks for its own data; the style sheet is made as the page runs.</summary>
    private const string Page =
        "default-src 'self'; script-src 'self' 'wasm-unsafe-eval'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; font-src 'self' data:; connect-src 'self' data: blob:; worker-src 'self' blob:; frame-src 'self' blob:; object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";

    /// <summary>Limits of how often one address, or one person, may ask.</summary>
    public static void AddLimits(IServiceCollection services, IConfiguration configuration)
    {
        var door = configuration.GetValue("Nokko:DoorPerMinute", 60);
        var each = configuration.GetValue("Nokko:RequestsPerMinute", 3_000);
        services.AddRateLimiter(o =>
        {
            o.RejectionStatusCode = StatusCodes.Status429TooManyRequests;
            o.OnRejected = async (rejected, cancel) =>
            {
                var response = rejected.HttpContext.Response;
                response.Headers.RetryAfter = rejected.Lease.TryGetMetadata(
                    MetadataName.RetryAfter,
                    out var after
                )
                    ? Math.Ceiling(after.TotalSeconds).ToString(CultureInfo.InvariantCulture)
                    : "10";
                await new Trouble(
                    StatusCodes.Status429TooManyRequests,
                    "",
                    "Too many requests at once from here. Wait a moment; what you typed is kept."
                )
                    .Answer()
                    .ExecuteAsync(rejected.HttpContext);
            };
            o.AddPolicy(Door, context => Window($"door {SignInTries.From(context)}", door));
            o.GlobalLimiter = PartitionedRateLimiter.Create<HttpContext, string>(context =>
                context.Request.Path.StartsWithSegments("/api")
                    ? Window(
                        Sessions.Of(context)?.PersonId.ToString() ?? SignInTries.From(context),
                        each
                    )
                    : RateLimitPartition.GetNoLimiter("files")
            );
        });

        static RateLimitPartition<string> Window(string of, int perMinute) =>
            RateLimitPartition.GetSlidingWindowLimiter(
                of,
                _ => new SlidingWindowRateLimiterOptions
                {
                    PermitLimit = perMinute,
                    Window = TimeSpan.FromMinutes(1),
                    SegmentsPerWindow = 6,
                    AutoReplenishment = true,
                }
            );
    }

    /// <summary>Says to the browser what it may do with an answer.</summary>
    public static Task Headers(HttpContext context, RequestDelegate next)
    {
        var headers = context.Response.Headers;
        headers.ContentSecurityPolicy = Page;
        headers.XContentTypeOptions = "nosniff";
        headers["Referrer-Policy"] = "same-origin";
        headers["Cross-Origin-Opener-Policy"] = "same-origin";
        headers["Cross-Origin-Resource-Policy"] = "same-origin";
        headers["Permissions-Policy"] =
            "camera=(self), microphone=(), geolocation=(), payment=(), usb=()";
        if (context.Request.IsHttps)
        {
            headers.StrictTransportSecurity = "max-age=31536000";
        }
        if (
            context.Request.Path.StartsWithSegments("/api")
            || context.Request.Path.StartsWithSegments("/calendar")
        )
        {
            // Data of a shop stays in no cache that others could look into.
            headers.CacheControl = "no-store";
        }
        return next(context);
    }

    /// <summary>Refuses a change that a page of somebody else asks for in a signed-in person's browser.</summary>
    public static async Task OwnOrigin(HttpContext context, RequestDelegate next)
    {
        var request = context.Request;
        var reads =
            HttpMethods.IsGet(request.Method)
            || HttpMethods.IsHead(request.Method)
            || HttpMethods.IsOptions(request.Method);
        var origin = request.Headers.Origin.ToString();
        var site = request.Headers["Sec-Fetch-Site"].ToString();
        var own =
            origin.Length > 0
                ? Uri.TryCreate(origin, UriKind.Absolute, out var from)
                    && string.Equals(
                        from.Authority,
                        request.Host.Value,
                        StringComparison.OrdinalIgnoreCase
                    )
                    && from.Scheme == request.Scheme
                : site is "" or "same-origin" or "none";
        if (!reads && !own)
        {
            await new Trouble(
                StatusCodes.Status403Forbidden,
                "",
                "This was asked for by another page than Nokko's own. Nothing was stored."
            )
                .Answer()
                .ExecuteAsync(context);
            return;
        }
        await next(context);
    }
}
