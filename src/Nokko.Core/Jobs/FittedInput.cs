using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Jobs;

/// <summary>Something that is fitted when the vehicle comes.</summary>
/// <param name="Id">Key of the placement.</param>
/// <param name="Corner">Where.</param>
/// <param name="Name">What is there.</param>
/// <param name="Kind">What it is.</param>
/// <param name="Thickness">Its thickness as taped.</param>
/// <param name="Claim">What it is said to lift.</param>
public sealed record FittedInput(
    Guid Id,
    Corner Corner,
    string Name,
    PartKind Kind,
    QuantityInput? Thickness,
    QuantityInput? Claim
)
{
    /// <summary>Reads the line at a place of the list.</summary>
    /// <exception cref="RefusedException">A field cannot be taken.</exception>
    internal PlacedPart Read(int i) =>
        new()
        {
            Id = Id,
            Name = TypedText.Needed(Name, $"fitted[{i}].name", "What is fitted there?"),
            Kind = Kind,
            Thickness = QuantityInput.Read(
                Thickness,
                $"fitted[{i}].thickness",
                Unit.Mm,
                positive: !PartRule.Of(Kind).AmountMayBeBelowZero
            ),
            Claim = QuantityInput.Read(Claim, $"fitted[{i}].claim", Unit.Mm),
        };

    /// <summary>What stands at the corners.</summary>
    /// <param name="fitted">What was typed.</param>
    /// <param name="known">What was written down before: of the same piece everything that nobody typed stays.</param>
    /// <exception cref="RefusedException">A field cannot be taken.</exception>
    internal static IReadOnlyList<CornerStack> Stacks(
        IReadOnlyList<FittedInput> fitted,
        IReadOnlyList<CornerStack> known
    )
    {
        var before = known.SelectMany(s => s.Parts).ToDictionary(p => p.Id);
        return
        [
            .. fitted
                .Select(
                    (f, i) => (f.Corner, Part: Still(f.Read(i), before.GetValueOrDefault(f.Id)))
                )
                .GroupBy(f => f.Corner, f => f.Part)
                .Select(g => new CornerStack { Corner = g.Key, Parts = [.. g] }),
        ];
    }

    private static PlacedPart Still(PlacedPart typed, PlacedPart? was) =>
        was is null || was.Kind != typed.Kind
            ? typed
            : was with
            {
                Name = typed.Name,
                Thickness = Same(typed.Thickness, was.Thickness),
                Claim = Same(typed.Claim, was.Claim),
            };

    /// <summary>The same length stays the one that was written down, with how it was known.</summary>
    private static Quantity? Same(Quantity? typed, Quantity? was) =>
        typed?.In(Unit.Mm) == was?.In(Unit.Mm) ? was : typed;
}
