using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Proof;

/// <summary>What a kit's maker says that it lifts, beside what came. No prediction rests on it.</summary>
/// <param name="Kit">Name of the kit.</param>
/// <param name="Axle">front or rear; null is the mean of all four lips.</param>
/// <param name="ClaimMm">What its maker says, mm.</param>
/// <param name="Came">Mean rise of the lips, mm.</param>
/// <param name="Kept">Whether what came is within 2 u of the claim, or more; null where it cannot be told.</param>
/// <param name="But">What makes it another comparison than its maker's: pieces left out, parts beside it.</param>
public sealed record KitClaim(
    string Kit,
    Axle? Axle,
    double ClaimMm,
    Result Came,
    bool? Kept,
    IReadOnlyList<string> But
)
{
    /// <summary>Claims of a kit, axle by axle and as a whole, as far as its maker states them.</summary>
    /// <remarks>Source: docs/computation/fits.md#kits.</remarks>
    /// <param name="kit">The kit.</param>
    /// <param name="from">Stacks before.</param>
    /// <param name="to">Stacks after.</param>
    /// <param name="comparison">Before and after compared.</param>
    public static IEnumerable<KitClaim> Of(
        Kit kit,
        IReadOnlyList<CornerStack> from,
        IReadOnlyList<CornerStack> to,
        Comparison comparison
    )
    {
        (Axle? Axle, Quantity? Claim)[] claims =
        [
            (Vehicles.Axle.Front, kit.FrontClaim),
            (Vehicles.Axle.Rear, kit.RearClaim),
            (null, kit.Claim),
        ];
        foreach (var (axle, said) in claims)
        {
            if (said is null)
            {
                continue;
            }
            var claim = said.In(Unit.Mm);
            var came = axle is { } one ? comparison.MeanRise(one) : comparison.MeanRise();
            yield return new KitClaim(
                kit.Name,
                axle,
                claim,
                came,
                came is { Value: { } rise, U: { } u } ? rise >= claim - (2 * u) : null,
                [.. LeftOut(kit, axle), .. Beside(kit, axle, from, to)]
            );
        }
    }

    private static IEnumerable<string> LeftOut(Kit kit, Axle? axle) =>
        kit
            .Pieces.Where(p =>
                p.End == KitPieceEnd.LeftOut
                && p.Stacks.Any(s => axle is null || Corners.AxleOf(s.Corner) == axle)
            )
            .Select(p => $"without {p.Name}");

    /// <summary>What else came or went there that lifts.</summary>
    private static IEnumerable<string> Beside(
        Kit kit,
        Axle? axle,
        IReadOnlyList<CornerStack> from,
        IReadOnlyList<CornerStack> to
    )
    {
        var changes = Corners
            .All.Where(c => axle is null || Corners.AxleOf(c) == axle)
            .Select(c => CornerStack.Change(c, from, to))
            .ToArray();
        return
        [
            .. changes
                .SelectMany(c => c.Come)
                .Where(p => p.KitId != kit.Id && PartRule.Of(p.Kind).MayLift)
                .Select(p => $"with {p.Name} beside it")
                .Distinct(),
            .. changes
                .SelectMany(c => c.Gone)
                .Where(p => PartRule.Of(p.Kind).MayLift)
                .Select(p => $"{p.Name} came out")
                .Distinct(),
        ];
    }
}
