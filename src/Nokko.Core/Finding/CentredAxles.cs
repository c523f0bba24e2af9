using Nokko.Core.Geometry;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Finding;

/// <summary>Keeps axles on track bars in the middle: what must come beside a stack so that none sits further aside than is allowed.</summary>
/// <remarks>
/// Source: docs/computation/finding.md#axles-that-stay-in-the-middle. A longer bar centres any axle; a bracket only one that does not steer, because the drag link's end would have to move by as much.
/// </remarks>
internal sealed class CentredAxles
{
    /// <summary>Two-sided 95 % of a normal, in standard deviations.</summary>
    private const double Sure = 1.96;

    /// <summary>Less cannot be held, mm: an axle is set to the middle by the gaps beside its tyres.</summary>
    public const double LeastMm = Sure * TrackBarMechanism.SetByGapsUMm;

    private readonly Situation _situation;
    private readonly double _mostMm;
    private readonly SearchPool _pool;

    /// <summary>Bars and brackets that may come, those that take least first.</summary>
    private readonly PlacedPart[] _cures;

    public CentredAxles(
        Situation situation,
        IReadOnlyList<Part> shelf,
        SearchRules rules,
        double mostMm,
        SearchPool pool
    )
    {
        (_situation, _mostMm, _pool) = (situation, mostMm, pool);
        _cures =
        [
            .. shelf
                .Where(p =>
                    p.Kind is PartKind.TrackBar or PartKind.TrackBarBracket
                    && p.BinnedAt is null
                    && (p.Count > 0 || rules.MayBuy)
                )
                .Select(p => PlacedPart.Of(p, p.Id))
                .OrderBy(p => pool.PriceOf(p) + (p.WorkHours() * rules.HourRate))
                .ThenBy(p => p.Id),
        ];
    }

    /// <summary>What must come beside a stack.</summary>
    /// <param name="corners">Its four corners.</param>
    /// <param name="rise">How far the frame rises over the middle of an axle, against nothing fitted.</param>
    /// <returns>The pieces, each with its corner; or why no piece at hand is enough.</returns>
    public (IReadOnlyList<(Corner Corner, PlacedPart Part)> Come, string? Stopped) Of(
        IReadOnlyList<CornerOption> corners,
        Func<Axle, Estimate> rise
    )
    {
        var come = new List<(Corner, PlacedPart)>();
        foreach (
            var axle in Corners.Axles.Where(a =>
                TrackBarMechanism.Holds(_situation.Vehicle.SuspensionOf(a).Kind)
            )
        )
        {
            if (corners.Any(c => c.Bare is null))
            {
                return (
                    [],
                    $"{axle.Said()} axle: a piece of unknown lift stays in, so nobody knows how far it sits aside"
                );
            }
            var there = Corners
                .Of(axle)
                .SelectMany(c => CornerStack.At(_situation.From.Stacks, c))
                .ToArray();
            if (Worst(axle, rise(axle), there) is var left && left <= _mostMm)
            {
                continue;
            }
            if (!Taped(axle))
            {
                return (
                    [],
                    $"{axle.Said()} axle: its track bar was not taped, so nobody knows that it stays within {LengthText.Both(_mostMm)}: tape run and drop"
                );
            }
            var cure = _cures.FirstOrDefault(p =>
                (p.Kind == PartKind.TrackBar || axle == Axle.Rear)
                && _pool.Fits(p, axle).State != FitState.DoesNot
                && _pool.Enough(Uses([.. come.Select(c => c.Item2.PartId!.Value), p.Id]))
                && Worst(axle, rise(axle), [.. there, p]) <= _mostMm
            );
            if (cure is null)
            {
                return (
                    [],
                    $"{axle.Said()} axle: up to {LengthText.Both(left)} aside, and no track bar{(axle == Axle.Rear ? " or bracket" : "")} at hand brings it within {LengthText.Both(_mostMm)}"
                );
            }
            var corner = Corners.Of(axle)[
                _situation.Vehicle.SuspensionOf(axle).BarBodyEnd == Side.Right ? 1 : 0
            ];
            come.Add((corner, cure with { Id = AxleOptions.PieceId(cure.Id, corner) }));
        }
        return (come, null);
    }

    private bool Taped(Axle axle) =>
        _situation.Vehicle.SuspensionOf(axle) is var suspension
        && suspension.Get(SuspensionSizes.TrackBarRun) is not null
        && suspension.Get(SuspensionSizes.TrackBarDrop) is not null;

    /// <summary>How far it sits aside at most in 95 of 100, mm; without end where it cannot reach. A bar that nobody taped has an invented one's wide ±.</summary>
    private double Worst(Axle axle, Estimate rise, IReadOnlyList<PlacedPart> parts) =>
        TrackBarMechanism.Aside(_situation.Vehicle.SuspensionOf(axle), rise, parts)
            is { Value: { } mm, U: var u }
            ? Math.Abs(mm) + (Sure * (u ?? 0))
            : double.PositiveInfinity;

    private static Dictionary<Guid, int> Uses(IEnumerable<Guid> parts) =>
        parts.GroupBy(p => p).ToDictionary(g => g.Key, g => g.Count());
}
