using Microsoft.AspNetCore.Authorization;
using Nokko.Core.Jobs;
using Nokko.Server.Hosting;

namespace Nokko.Server.People;

/// <summary>What roles may ask of the server. What they may do in a job, the core decides.</summary>
internal static class Roles
{
    /// <summary>Name of the policy of what only an owner may ask.</summary>
    public const string Owners = "owners";

    /// <summary>Marks a request that changes nothing of the shop though its method might, or only the person's own things.</summary>
    private sealed record ForViewers;

    /// <summary>Lets a viewer ask it, though it is no GET.</summary>
    public static T OpenToViewers<T>(this T endpoint)
        where T : IEndpointConventionBuilder => endpoint.WithMetadata(new ForViewers());

    /// <summary>Refuses what a viewer may not ask.</summary>
    public static async Task HoldViewers(HttpContext context, RequestDelegate next)
    {
        if (
            Sessions.Of(context)?.Role == PersonRole.Viewer
            && !HttpMethods.IsGet(context.Request.Method)
            && !HttpMethods.IsHead(context.Request.Method)
            && context.GetEndpoint() is { } endpoint
            && endpoint.Metadata.GetMetadata<ForViewers>() is null
            && endpoint.Metadata.GetMetadata<IAllowAnonymous>() is null
        )
        {
            await new Trouble(
                StatusCodes.Status403Forbidden,
                "",
                "You look on here and change nothing. Ask the shop's owner."
            )
                .Answer()
                .ExecuteAsync(context);
            return;
        }
        await next(context);
    }
}

/// <summary>That somebody owns the shop.</summary>
internal sealed class OwnersOnly : AuthorizationHandler<OwnersOnly>, IAuthorizationRequirement
{
    protected override Task HandleRequirementAsync(
        AuthorizationHandlerContext context,
        OwnersOnly requirement
    )
    {
        if (context.Resource is HttpContext http && Sessions.Of(http) is { Role: PersonRole.Owner })
        {
            context.Succeed(requirement);
        }
        return Task.CompletedTask;
    }
}
