using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.EntityFrameworkCore;
using Microsoft.OpenApi;
using Nokko.Core.Jobs;
using Nokko.Core.Suspension;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Server.Bench;
using Nokko.Server.Evidence;
using Nokko.Server.Finding;
using Nokko.Server.JobFile;
using Nokko.Server.Jobs;
using Nokko.Server.Live;
using Nokko.Server.Papers;
using Nokko.Server.People;
using Nokko.Server.Plans;
using Nokko.Server.Practice;
using Nokko.Server.Shelf;
using Nokko.Server.ShopFile;
using Nokko.Server.Tape;
using Nokko.Server.WalkRounds;
using Nokko.Server.Week;
using Nokko.Server.Yard;
using Nokko.Server.Year;
using Nokko.Storage;
using Npgsql;
using Serilog;
using Serilog.Formatting.Compact;

namespace Nokko.Server.Hosting;

/// <summary>Puts the server together.</summary>
internal static class Composition
{
    public static WebApplication Build(string[] args)
    {
        var builder = WebApplication.CreateBuilder(args);
        builder.Services.AddSerilog(
            log => WriteLog(log, builder.Configuration),
            preserveStaticLogger: true
        );
        builder.WebHost.ConfigureKestrel(k =>
        {
            k.AddServerHeader = false;
            k.Limits.MaxRequestBodySize = Uploads.Most;
        });
        var address = OwnAddress.Of(builder.Configuration, TimeProvider.System.GetUtcNow());
        address.Serve(builder);
        builder.Services.AddSingleton(address);
        AddData(builder);
        AddAccounts(builder.Services, builder.Configuration);
        Guards.AddLimits(builder.Services, builder.Configuration);
        builder.Services.ConfigureHttpJsonOptions(o => JobJson.Apply(o.SerializerOptions));
        builder.Services.AddProblemDetails();
        builder.Services.AddOpenApi(
            "v1",
            o =>
            {
                o.CreateSchemaReferenceId = t =>
                    t.Type == typeof(Unit)
                        ? nameof(Unit)
                        : OpenApiOptions.CreateDefaultSchemaReferenceId(t);
                o.AddSchemaTransformer(RequireWhatIsAlwaysThere);
            }
        );
        builder.Services.AddResponseCompression(o => o.EnableForHttps = true);
        builder.Services.AddSingleton(TimeProvider.System);
        builder.Services.AddSingleton<LiveFeed>();
        if (builder.Configuration["openapi"] is null)
        {
            builder.Services.AddHostedService(s => s.GetRequiredService<LiveFeed>());
            builder.Services.AddHostedService<EvidenceBehind>();
        }
        Meters.Add(builder.Services, builder.Configuration);
        builder.Services.AddHealthChecks().AddCheck<DatabaseCheck>("database");

        var app = builder.Build();
        Proxies.Use(app);
        app.UseExceptionHandler(
            new ExceptionHandlerOptions
            {
                ExceptionHandler = Mishaps.Answer,
                SuppressDiagnosticsCallback = c => Mishaps.IsTold(c.Exception),
            }
        );
        app.UseStatusCodePages();
        app.Use(Guards.Headers);
        app.Use(Guards.OwnOrigin);
        app.UseResponseCompression();
        app.UseDefaultFiles();
        app.UseStaticFiles(new StaticFileOptions { OnPrepareResponse = Cache });
        app.UseRouting();
        app.UseAuthentication();
        app.UseRateLimiter();
        app.UseAuthorization();
        app.Use(Roles.HoldViewers);
        app.Use(SeeOwnShop);
        MapAll(app, address);
        return app;
    }

    /// <summary>The log on the console: for eyes, or as a JSON object a line where a machine reads it (<c>Nokko:Log</c> is <c>json</c>).</summary>
    private static void WriteLog(LoggerConfiguration log, ConfigurationManager configuration)
    {
        log.ReadFrom.Configuration(configuration);
        _ =
            configuration["Nokko:Log"] == "json"
                ? log.WriteTo.Console(new CompactJsonFormatter())
                : log.WriteTo.Console(
                    formatProvider: System.Globalization.CultureInfo.InvariantCulture
                );
    }

    /// <summary>Writes the API's description, from which the front end's types are made.</summary>
    public static async Task WriteOpenApi(WebApplication app, string file)
    {
        // The endpoints are known only once the server has started; any free port will do.
        app.Urls.Add("http://127.0.0.1:0");
        await app.StartAsync();
        var provider = app.Services.GetRequiredKeyedService<IOpenApiDocumentProvider>("v1");
        var document = await provider.GetOpenApiDocumentAsync();
        document.Servers?.Clear();
        await File.WriteAllTextAsync(
            file,
            await document.SerializeAsJsonAsync(OpenApiSpecVersion.OpenApi3_1)
        );
        await app.StopAsync();
    }

    private static void AddData(WebApplicationBuilder builder)
    {
        var roles = new DatabaseRoles(
            builder.Configuration.GetConnectionString("Nokko") ?? "Host=127.0.0.1;Database=nokko",
            builder.Configuration.GetConnectionString("NokkoServer")
        );
        builder.Services.AddSingleton(roles);
        builder.Services.AddDbContext<NokkoDb>(o => NokkoDb.Configure(o, roles.Server));
        var protection = builder.Services.AddDataProtection().SetApplicationName("nokko");
        if (builder.Configuration["openapi"] is null)
        {
            protection.PersistKeysToDbContext<NokkoDb>();
        }
        else
        {
            protection.UseEphemeralDataProtectionProvider();
        }
    }

    private static void AddAccounts(IServiceCollection services, IConfiguration configuration)
    {
        services
            .AddIdentityCore<Account>(o =>
            {
                o.Password.RequiredLength = PasswordRules.Least;
                o.Password.RequireNonAlphanumeric = false;
                o.Password.RequireUppercase = false;
                o.Password.RequireDigit = false;
                o.Password.RequireLowercase = false;
            })
            .AddEntityFrameworkStores<NokkoDb>()
            .AddTokenProvider<AuthenticatorTokenProvider<Account>>(
                TokenOptions.DefaultAuthenticatorProvider
            )
            .AddSignInManager();
        services.Configure<PasswordHasherOptions>(o =>
            o.IterationCount = configuration.GetValue("Nokko:PasswordRounds", PasswordRules.Rounds)
        );
        services
            .AddAuthentication(IdentityConstants.ApplicationScheme)
            .AddCookie(
                IdentityConstants.ApplicationScheme,
                o =>
                {
                    o.Cookie.Name = "nokko";
                    o.Cookie.SameSite = SameSiteMode.Strict;
                    o.Cookie.HttpOnly = true;
                    // Without TLS (OwnAddress) Nokko listens on this machine alone.
                    o.Cookie.SecurePolicy = CookieSecurePolicy.SameAsRequest;
                    o.ExpireTimeSpan = Sessions.Lasts;
                    o.Events = new CookieAuthenticationEvents
                    {
                        OnValidatePrincipal = c =>
                            c.HttpContext.RequestServices.GetRequiredService<Sessions>()
                                .Validate(c),
                        OnRedirectToLogin = c =>
                            Refuse(c.Response, StatusCodes.Status401Unauthorized),
                        OnRedirectToAccessDenied = c =>
                            Refuse(c.Response, StatusCodes.Status403Forbidden),
                    };
                }
            );
        services
            .AddAuthorizationBuilder()
            .AddPolicy(
                Roles.Owners,
                p => p.RequireAuthenticatedUser().AddRequirements(new OwnersOnly())
            )
            .SetFallbackPolicy(new AuthorizationPolicyBuilder().RequireAuthenticatedUser().Build());
        services.AddSingleton<IAuthorizationHandler, OwnersOnly>();
        services.AddSingleton<Sessions>();
        services.AddSingleton<SignInTries>();
        services.AddScoped<SignIns>();
        services.AddHttpContextAccessor();
        services.AddScoped<SignedIn>();
        services.AddScoped<JobDesk>();
        services.AddScoped<ShopDesk>();
        services.AddSingleton<PracticeScope>();

        static Task Refuse(HttpResponse response, int status)
        {
            response.StatusCode = status;
            return Task.CompletedTask;
        }
    }

    private static void MapAll(WebApplication app, OwnAddress address)
    {
        // It lives; and it is ready: its database answers.
        app.MapHealthChecks("/livez", new() { Predicate = _ => false }).AllowAnonymous();
        app.MapHealthChecks("/healthz").AllowAnonymous();
        app.MapOpenApi();
        var api = app.MapGroup("/api");
        address.Map(api);
        AccountEndpoints.Map(api);
        ShopEndpoints.Map(api);
        YardEndpoints.Map(api);
        WeekEndpoints.Map(api);
        ShelfEndpoints.Map(api);
        BenchEndpoints.Map(api);
        EvidenceEndpoints.Map(api);
        YearEndpoints.Map(api);
        PracticeEndpoints.Map(api);
        DrillEndpoints.Map(api);
        TapeEndpoints.Map(api);
        JobFileEndpoints.Map(api);
        ShopFileEndpoints.Map(api);
        OldJobEndpoints.Map(api);
        var jobs = api.MapGroup("/jobs");
        JobEndpoints.Map(api, jobs);
        WalkRoundEndpoints.Map(jobs);
        PlanEndpoints.Map(jobs);
        FindingEndpoints.Map(jobs);
        LiveEndpoints.Map(jobs);
        BayEndpoints.Map(api, jobs);
        MeasureEndpoints.Map(api);
        InstrumentEndpoints.Map(api);
        Suspensions.Map(api);
        VehicleEndpoints.Map(api);
        FittingEndpoints.Map(api, jobs);
        PaperEndpoints.Map(api, jobs);
        QuoteEndpoints.Map(api);
        CalendarEndpoints.Map(app, api);
        api.MapFallback(() => TypedResults.NotFound());
        // Every other address is a screen of the front end, which asks for the sign-in itself.
        app.MapFallbackToFile("index.html").AllowAnonymous();
    }

    private static async Task SeeOwnShop(HttpContext context, RequestDelegate next)
    {
        // At the door anybody is of no shop yet, whoever else is signed in on that device.
        if (
            context.User.Identity?.IsAuthenticated == true
            && context.GetEndpoint()?.Metadata.GetMetadata<IAllowAnonymous>() is null
        )
        {
            var services = context.RequestServices;
            if (
                await services
                    .GetRequiredService<PracticeScope>()
                    .Enter(
                        context,
                        services.GetRequiredService<NokkoDb>(),
                        services.GetRequiredService<SignedIn>()
                    ) is
                { } trouble
            )
            {
                await trouble.Answer().ExecuteAsync(context);
                return;
            }
        }
        await next(context);
    }

    /// <summary>Files with a hash in their name never change; the page that names them is always asked for.</summary>
    private static void Cache(Microsoft.AspNetCore.StaticFiles.StaticFileResponseContext context) =>
        context.Context.Response.Headers.CacheControl =
            context.Context.Request.Path.StartsWithSegments("/assets")
                ? "public, max-age=31536000, immutable"
                : "no-cache";

    /// <summary>Whether a type comes from a person: a command, or a piece of one.</summary>
    private static bool IsSent(Type type) =>
        typeof(JobCommand).IsAssignableFrom(type)
        || typeof(ShopCommand).IsAssignableFrom(type)
        || type.Name.EndsWith("Input", StringComparison.Ordinal);

    /// <summary>Answers always hold every field, so the front end's types need no question marks; requests say themselves what may be left out.</summary>
    private static Task RequireWhatIsAlwaysThere(
        OpenApiSchema schema,
        OpenApiSchemaTransformerContext context,
        CancellationToken cancel
    )
    {
        if (schema.Properties is { Count: > 0 } properties)
        {
            // What comes from a person may leave out what has a default; its kind never. A wish that is not wished is not written.
            var isSent = IsSent(context.JsonTypeInfo.Type);
            var leftOut = context
                .JsonTypeInfo.Properties.Where(p =>
                    (isSent && p.AssociatedParameter is { HasDefaultValue: true })
                    || (
                        (p.PropertyType == typeof(bool) || p.PropertyType.IsEnum)
                        && p.ShouldSerialize is not null
                    )
                )
                .Select(p => p.Name)
                .ToHashSet();
            schema.Required = properties.Keys.Where(k => !leftOut.Contains(k)).ToHashSet();
        }
        var type =
            Nullable.GetUnderlyingType(context.JsonTypeInfo.Type) ?? context.JsonTypeInfo.Type;
        if (type == typeof(DateTimeOffset))
        {
            // Its converter is our own, so its schema must be told.
            schema.Type =
                type == context.JsonTypeInfo.Type
                    ? JsonSchemaType.String
                    : JsonSchemaType.String | JsonSchemaType.Null;
            schema.Format = "date-time";
        }
        if (type == typeof(Unit))
        {
            schema.Type = JsonSchemaType.String;
            schema.Enum = [.. Unit.All.Select(u => JsonValue.Create(u.Symbol))];
        }
        if (type.IsEnum && schema.Enum is { } values)
        {
            // Where an enum may be null, its place says so, not the enum itself.
            schema.Enum =
            [
                .. values.Where(v =>
                    v is not null && v.GetValueKind() == System.Text.Json.JsonValueKind.String
                ),
            ];
        }
        return Task.CompletedTask;
    }
}

/// <summary>Healthy means that the database answers.</summary>
internal sealed class DatabaseCheck(NokkoDb db)
    : Microsoft.Extensions.Diagnostics.HealthChecks.IHealthCheck
{
    public async Task<Microsoft.Extensions.Diagnostics.HealthChecks.HealthCheckResult> CheckHealthAsync(
        Microsoft.Extensions.Diagnostics.HealthChecks.HealthCheckContext context,
        CancellationToken cancellationToken = default
    ) =>
        await db.Database.CanConnectAsync(cancellationToken)
            ? Microsoft.Extensions.Diagnostics.HealthChecks.HealthCheckResult.Healthy()
            : Microsoft.Extensions.Diagnostics.HealthChecks.HealthCheckResult.Unhealthy(
                "The database does not answer."
            );
}
