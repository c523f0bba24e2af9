using Nokko.Core.Fitting;
using Nokko.Core.Tape;

namespace Nokko.Core.Jobs;

/// <summary>Keeps how the shop fits, unless a job says otherwise. Jobs that are taken in from now on take it along.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">Key of the shop's ways, should they be new.</param>
/// <param name="Version">Version of the row as it was seen.</param>
/// <param name="Ways">The ways.</param>
/// <param name="TorqueBand">How far a torque may lie from its spec, in hundredths; null is the usual band.</param>
public sealed record SetShopWays(
    Guid CommandId,
    Guid Id,
    uint? Version,
    IReadOnlyList<ShopWay> Ways,
    double? TorqueBand
) : ShopCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "shop's ways kept";

    private protected override IReadOnlyList<RowChange> Decide(
        ShopState shop,
        DecisionContext context
    )
    {
        if (TorqueBand is not (null or (>= 1 and <= 20)))
        {
            throw Refuse.Value("torqueBand", "From 1 to 20 in 100.");
        }
        foreach (var (way, i) in Ways.Select((w, i) => (w, i)))
        {
            if (!FittingSchools.Has(way.School, way.Choice))
            {
                throw Refuse.Value($"ways[{i}]", "Choose one of the ways.");
            }
        }
        if (Ways.DistinctBy(w => w.School).Count() < Ways.Count)
        {
            throw Refuse.Value("ways", "One way for each question.");
        }
        var row = new ShopWays
        {
            Id = shop.Ways?.Id ?? Id,
            Ways =
            [
                .. Ways.Select((w, i) => w with { Why = TypedText.Lines(w.Why, $"ways[{i}]") }),
            ],
            TorqueBand = TorqueBand / 100,
            Limits = shop.Ways?.Limits ?? [],
            Lacks = shop.Ways?.Lacks,
        };
        if (shop.Ways is not { } was)
        {
            return [new RowChange.Added(row)];
        }
        if (context.Versions.TryGetValue(was.Id, out var now) && now != Version)
        {
            throw Refuse.Conflict(
                "version",
                "Somebody else changed this meanwhile. Look at both and choose.",
                was.Id,
                was
            );
        }
        return [new RowChange.Replaced(was, row)];
    }
}

/// <summary>Notes that the shop does not have a tool of its cards, or has it now.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">Key of the shop's ways, should they be new.</param>
/// <param name="Tool">The tool, as a card names it.</param>
/// <param name="Lacking">Whether the shop does not have it.</param>
public sealed record NoteTool(Guid CommandId, Guid Id, string Tool, bool Lacking)
    : ShopCommand(CommandId)
{
    private const int Most = 200;

    /// <inheritdoc/>
    public override string Does() => Lacking ? "tool that is missing noted" : "tool is there";

    private protected override IReadOnlyList<RowChange> Decide(
        ShopState shop,
        DecisionContext context
    )
    {
        var tool = TypedText.Needed(Tool, "tool", "Which tool?");
        string[] others =
        [
            .. (shop.Ways?.Lacks ?? []).Where(t =>
                !string.Equals(t, tool, StringComparison.OrdinalIgnoreCase)
            ),
        ];
        if (Lacking && others.Length >= Most)
        {
            throw Refuse.Value("tool", "That is a long list: 200 tools at most.");
        }
        string[] lacks = Lacking ? [.. others, tool] : others;
        // Each tool stands by itself: whoever notes another one meanwhile takes nothing away.
        var row = (shop.Ways ?? new ShopWays { Id = Id }) with
        {
            Lacks = lacks.Length > 0 ? lacks : null,
        };
        return shop.Ways is { } was
            ? [new RowChange.Replaced(was, row)]
            : [new RowChange.Added(row)];
    }
}

/// <summary>Writes a tip on an operation: it is shown to whoever does it next, on any vehicle.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">Key of the tip.</param>
/// <param name="Operation">The operation.</param>
/// <param name="Text">The tip.</param>
public sealed record AddTip(Guid CommandId, Guid Id, OperationKind Operation, string Text)
    : ShopCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "tip written";

    private protected override IReadOnlyList<RowChange> Decide(
        ShopState shop,
        DecisionContext context
    ) =>
        Enum.IsDefined(Operation)
            ?
            [
                new RowChange.Added(
                    new Tip
                    {
                        Id = Id,
                        Operation = Operation,
                        Text =
                            TypedText.Lines(Text, "text")
                            ?? throw Refuse.Value("text", "What should the next one know?"),
                        PersonId = context.PersonId,
                        PersonName = context.PersonName,
                        At = context.Now,
                    }
                ),
            ]
            : throw Refuse.Value("operation", "On which operation?");
}

/// <summary>Takes a tip away.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">The tip.</param>
public sealed record DropTip(Guid CommandId, Guid Id) : ShopCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "tip taken away";

    private protected override IReadOnlyList<RowChange> Decide(
        ShopState shop,
        DecisionContext context
    ) => [new RowChange.Withdrawn(shop.Tip ?? throw Refuse.Gone("The tip is gone already."))];
}
