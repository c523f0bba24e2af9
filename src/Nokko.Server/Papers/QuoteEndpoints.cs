using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Jobs;
using Nokko.Core.Papers;
using Nokko.Core.Units;
using Nokko.Server.Hosting;
using Nokko.Server.Jobs;
using Nokko.Server.People;
using Nokko.Storage;

namespace Nokko.Server.Papers;

/// <summary>The quote under its own address: the owner reads it, chooses and signs, without signing in.</summary>
internal static class QuoteEndpoints
{
    /// <param name="Token">What stands in the address.</param>
    /// <param name="Zone">The reader's time zone.</param>
    internal sealed record QuoteBody(string? Token, string? Zone);

    /// <summary>A quote as its owner reads it.</summary>
    /// <param name="Shop">The shop's name.</param>
    /// <param name="EndsAt">When the address ends.</param>
    /// <param name="Quote">The quote.</param>
    /// <param name="Owner">The owner's name, who signs if nobody else does.</param>
    /// <param name="Choices">Offers that can be chosen; none once one was.</param>
    internal sealed record SharedQuote(
        string Shop,
        DateTimeOffset? EndsAt,
        Paper Quote,
        string Owner,
        IReadOnlyList<Choice> Choices
    );

    /// <param name="Token">What stands in the address.</param>
    /// <param name="Zone">The reader's time zone.</param>
    /// <param name="Choice">What is chosen, and the signature under it.</param>
    internal sealed record ChooseBody(string? Token, string? Zone, ChooseOffer? Choice);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapPost("/shared/quote", Look).AllowAnonymous().RequireRateLimiting(Guards.Door);
        api.MapPost("/shared/quote/choose", Choose)
            .AllowAnonymous()
            .RequireRateLimiting(Guards.Door);
    }

    private static async Task<Results<Ok<SharedQuote>, ProblemHttpResult>> Look(
        QuoteBody body,
        NokkoDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var now = clock.GetUtcNow();
        return
            await Opened(db, body.Token, now, cancel) is { } address
            && await Read(db, address, body.Zone, now, cancel) is { } quote
            ? TypedResults.Ok(quote)
            : SharedAddresses.Over().Answer();
    }

    /// <summary>The quote as it is now; null where there is none any more.</summary>
    private static async Task<SharedQuote?> Read(
        NokkoDb db,
        SharedAddress address,
        string? zone,
        DateTimeOffset now,
        CancellationToken cancel
    )
    {
        if (
            await db.LoadJob(address.JobId!.Value, new JobWanted(), cancel)
                is not { Document: { } d }
            || QuotePaper.Of(
                d,
                PaperReader.In(LengthStyle.Of(address.LengthUnit), zone),
                new Shown(address.Plates, address.Owners, false)
            )
                is not { } paper
        )
        {
            return null;
        }
        var shop = await db
            .Shops.Where(s => s.Id == address.ShopId)
            .Select(s => s.Name)
            .SingleAsync(cancel);
        return new SharedQuote(
            shop,
            address.EndsAt,
            paper,
            d.Owner.Name,
            [.. QuotePaper.Choices(d, now).Where(c => c.WhyNot is null)]
        );
    }

    /// <summary>Chooses: on the record it was done by the link of whoever made it.</summary>
    private static async Task<Results<Ok<SharedQuote>, ProblemHttpResult>> Choose(
        ChooseBody body,
        HttpContext context,
        JobDesk desk,
        NokkoDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var now = clock.GetUtcNow();
        if (await Opened(db, body.Token, now, cancel) is not { JobId: { } job } address)
        {
            return SharedAddresses.Over().Answer();
        }
        if (body.Choice is not { } choice || choice.CommandId == Guid.Empty)
        {
            return Trouble.At("", "What is chosen? Open the link again.").Answer();
        }
        var maker = await db.Users.SingleAsync(a => a.Id == address.MadeBy, cancel);
        Sessions.Stands(
            context,
            new Standing(
                Guid.Empty,
                maker.Id,
                address.ShopId,
                maker.PersonName,
                PersonRole.Fitter,
                address.LengthUnit,
                ""
            )
        );
        return await desk.Carry(job, [Sent<JobCommand>.Of(choice.CommandId, choice)], cancel)
                is not { } answer
                ? SharedAddresses.Over().Answer()
            : answer.Outcomes[0].Refusal is { } refusal ? Trouble.Of(refusal).Answer()
            : await Read(db, address, body.Zone, now, cancel) is { } quote ? TypedResults.Ok(quote)
            : SharedAddresses.Over().Answer();
    }

    private static Task<SharedAddress?> Opened(
        NokkoDb db,
        string? token,
        DateTimeOffset now,
        CancellationToken cancel
    ) => SharedAddresses.Find(db, token, SharedThing.Quote, now, cancel);
}
