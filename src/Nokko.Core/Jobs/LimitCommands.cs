using Nokko.Core.Fitting;
using Nokko.Core.Geometry;
using Nokko.Core.Tape;

namespace Nokko.Core.Jobs;

/// <summary>Reads an own limit of what a lift moves.</summary>
internal static class OwnLimits
{
    /// <summary>The own limits with one of them set or, where nothing was typed, given back to the rule of thumb.</summary>
    /// <param name="limits">The own limits until now.</param>
    /// <param name="of">The mechanism.</param>
    /// <param name="most">What was typed.</param>
    /// <exception cref="RefusedException">Its number has no limit, or the limit cannot be.</exception>
    public static IReadOnlyList<GeometryLimit> With(
        IReadOnlyList<GeometryLimit> limits,
        MechanismKind of,
        QuantityInput? most
    )
    {
        if (GeometryLimits.RuleOf(of) is not { } rule)
        {
            throw Refuse.Value("of", "Of this nothing is limited.");
        }
        GeometryLimit[] others = [.. limits.Where(l => l.Kind != of)];
        if (QuantityInput.Read(most, "most", rule.Unit) is not { } own)
        {
            return others;
        }
        var limit = new GeometryLimit(of, own);
        return GeometryLimits.WhyNot(limit) is { } why
            ? throw Refuse.Value("most", why)
            : [.. others, limit];
    }
}

/// <summary>Says for this job how much of what a lift moves is left alone.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Version">Version of the job as it was seen.</param>
/// <param name="Of">The mechanism.</param>
/// <param name="Most">Most that its number may be; null gives it back to the rule of thumb.</param>
public sealed record SetLimit(
    Guid CommandId,
    uint Version,
    MechanismKind Of,
    QuantityInput? Most = null
) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => Most is null ? "rule of thumb again" : "own limit set";

    internal override void Decide(JobWork work)
    {
        var job = work.Document.Job;
        var limits = OwnLimits.With(job.Limits ?? [], Of, Most);
        work.Edit(job, Version, job with { Limits = limits.Count > 0 ? limits : null });
    }
}

/// <summary>Keeps for the shop how much of what a lift moves is left alone. Jobs that are taken in from now on take it along.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">Key of the shop's ways, should they be new.</param>
/// <param name="Of">The mechanism.</param>
/// <param name="Most">Most that its number may be; null gives it back to the rule of thumb.</param>
public sealed record KeepLimit(
    Guid CommandId,
    Guid Id,
    MechanismKind Of,
    QuantityInput? Most = null
) : ShopCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "shop's limit kept";

    private protected override IReadOnlyList<RowChange> Decide(
        ShopState shop,
        DecisionContext context
    )
    {
        var limits = OwnLimits.With(shop.Ways?.Limits ?? [], Of, Most);
        // Each limit stands by itself: whoever sets another one meanwhile takes nothing away.
        return shop.Ways is { } was
            ? [new RowChange.Replaced(was, was with { Limits = limits })]
            : [new RowChange.Added(new ShopWays { Id = Id, Limits = limits })];
    }
}
