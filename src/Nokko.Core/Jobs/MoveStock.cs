using Nokko.Core.Tape;

namespace Nokko.Core.Jobs;

/// <summary>Pieces of a part that came, or that are gone: added to what lies there now, whoever else moved some meanwhile.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">The part.</param>
/// <param name="By">How many came, below zero are gone.</param>
/// <param name="Why">Why: delivered, broken, counted anew.</param>
public sealed record MoveStock(Guid CommandId, Guid Id, int By, string? Why)
    : ShopCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() =>
        TypedText.Blank(Why) is { } why ? $"stock: {why}" : "stock changed";

    private protected override IReadOnlyList<RowChange> Decide(
        ShopState shop,
        DecisionContext context
    )
    {
        var part = ShelfRules.There(shop);
        _ = TypedText.Line(Why, "why");
        if (By is 0 or < -100_000 or > 100_000)
        {
            throw Refuse.Value("by", "How many came, or are gone?");
        }
        return (part.Count + By) switch
        {
            < 0 => throw Refuse.Value(
                "by",
                $"Only {part.Count} of {part.Name} lie there: {-By} cannot be gone."
            ),
            > 100_000 => throw Refuse.Value("by", "So many lie on no shelf."),
            var count => [new RowChange.Replaced(part, part with { Count = count })],
        };
    }
}
