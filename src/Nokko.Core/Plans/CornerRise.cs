using System.Globalization;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Plans;

/// <summary>What the change from one stack to another does at one corner alone, term by term, so that both sides of an axle can be put together.</summary>
/// <remarks>Source: docs/computation/lifts.md#laws, docs/computation/learning.md#lift-line.</remarks>
internal sealed class CornerRise
{
    private static readonly LiftFamily[] Laws =
    [
        LiftFamily.Spring,
        LiftFamily.Wheel,
        LiftFamily.Block,
        LiftFamily.Shackle,
        LiftFamily.Adjuster,
        LiftFamily.Sensor,
    ];

    private readonly List<Term> _terms = [];

    private CornerRise(Corner corner, IReadOnlyList<Guid> parts) =>
        (Corner, Parts) = (corner, parts);

    /// <summary>LF, RF, LR or RR.</summary>
    public Corner Corner { get; }

    /// <summary>Pieces that come or go.</summary>
    public IReadOnlyList<Guid> Parts { get; }

    /// <summary>Free rise through the spring, mm.</summary>
    public double SpringMm { get; private set; }

    /// <summary>Rise of the body on its mount, mm, with the variance that is its own, mm², and the standard uncertainty that all mounts have in common, mm.</summary>
    public (double Mm, double Variance, double CommonU) Puck { get; private init; }

    /// <summary>Rise by another tyre, mm, with its variance, mm².</summary>
    public (double Mm, double Variance) Tyre { get; private init; }

    /// <summary>The tyre that comes, by its name; null where none does.</summary>
    public string? TyreName { get; private init; }

    /// <summary>Whether the strut would stand at its full length: the lift is capped there.</summary>
    public bool ToppedOut { get; private set; }

    /// <summary>The rise, or the reason why it cannot be told.</summary>
    /// <param name="corner">LF, RF, LR or RR.</param>
    /// <param name="old">What stands there.</param>
    /// <param name="next">What shall stand there.</param>
    /// <param name="vehicle">The vehicle.</param>
    /// <param name="axle">The corner's axle.</param>
    public static (CornerRise? Rise, string? Why) Of(
        Corner corner,
        IReadOnlyList<PlacedPart> old,
        IReadOnlyList<PlacedPart> next,
        Vehicle vehicle,
        AxleState axle
    )
    {
        var (change, why) = StackChange.Of(corner, old, next, axle);
        if (change is null)
        {
            return (null, why);
        }
        var rise = new CornerRise(corner, change.Parts)
        {
            Puck = PuckOf(change, old, next, axle),
            Tyre = TyreOf(change, vehicle),
            TyreName = change.TyreName,
        };
        foreach (var family in Laws.Where(change.Touches))
        {
            if (rise.Add(family, change, axle) is { } cannot)
            {
                return (null, cannot);
            }
        }
        if (axle.Suspension.HeightControl is { } held)
        {
            rise.Settles(held);
        }
        return (rise, null);
    }

    /// <summary>Trial of a lift line that this change is, if it is of one family alone; else null.</summary>
    /// <param name="family">The family.</param>
    /// <returns>1 where a stack appears, −1 where it goes, what was added as the line counts it, mm, and the rise that was foretold for each mm of it.</returns>
    public (int Offset, double LineMm, double Ratio)? TrialOf(LiftFamily family) =>
        _terms is [var only] && only.Family == family && only.Back == 0
            ? (only.Offset, only.LineMm, only.Ratio)
            : null;

    /// <summary>What of its uncertainty comes by the ratio of the spring's lift line, mm; below zero where it lowers.</summary>
    public double RatioU =>
        _terms.Where(t => t.Family == LiftFamily.Spring).Sum(t => t.Belief.Ratio.Sd * t.LineMm);

    /// <summary>Families of which something changes.</summary>
    public IEnumerable<LiftFamily> Families =>
        _terms.Select(t => t.Family).Where(f => f != LiftFamily.None);

    /// <summary>Covariance of two corners of one axle, mm².</summary>
    /// <param name="a">One corner.</param>
    /// <param name="b">The same or the other one.</param>
    /// <param name="same">Whether they are the same: then what is a piece's own counts too.</param>
    public static double Covariance(CornerRise a, CornerRise b, bool same)
    {
        var sum = 0.0;
        foreach (var p in a._terms)
        {
            foreach (var q in b._terms)
            {
                if (p.Family != q.Family)
                {
                    continue;
                }
                var line = p.Belief;
                sum +=
                    (line.OffsetMm.Sd * line.OffsetMm.Sd * p.Offset * q.Offset)
                    + (line.Covariance * ((p.Offset * q.LineMm) + (q.Offset * p.LineMm)))
                    + (line.Ratio.Sd * line.Ratio.Sd * p.LineMm * q.LineMm)
                    + (p.Ratio * p.CommonU * q.Ratio * q.CommonU)
                    + (p.Back * q.Back * p.SagUMm * q.SagUMm)
                    + (same ? p.Ratio * p.Ratio * p.OwnVariance : 0);
            }
        }
        return sum;
    }

    private string? Add(LiftFamily family, StackChange change, AxleState axle)
    {
        var (from, to) = (change.From(family), change.To(family));
        if (
            Lift(family, axle, from, change.StrutFrom) is not { } before
            || Lift(family, axle, to, change.StrutTo) is not { } after
        )
        {
            return family == LiftFamily.Shackle
                    ? $"The shackle cannot reach that far ({Corners.Said(Corner)}): check its length and angle, or take a shorter one."
                : family == LiftFamily.Spring
                && axle.Corner.Linkage.LiftMm(from.Mm) is not null
                && axle.Corner.Linkage.LiftMm(to.Mm) is not null
                    ? string.Create(
                        CultureInfo.InvariantCulture,
                        $"A spring of {axle.Suspension.Get(SuspensionSizes.SpringRate):0.#} N/mm does not carry its load at any height with that ({Corners.Said(Corner)}): check the rate, the axle's mass and the points."
                    )
                : family == LiftFamily.Adjuster ? TorsionAdjuster.NoHeight(Corner)
                : "The arms cannot reach that far, by the taped points: check them, or take a thinner part.";
        }
        ToppedOut |= after.ToppedOut;
        var belief = LiftLaw.Belief(family, axle);
        var usual = LiftLaw.Prior(family, axle).Ratio.Mean;
        var added = to.Mm - from.Mm;
        var line = (after.Mm - before.Mm) / usual;
        // The same old spring has sagged the same, whichever new one it is measured against.
        var sag = family == LiftFamily.Wheel ? change.Sag : default;
        var back = (sag.To.HasValue ? 1 : 0) - (sag.From.HasValue ? 1 : 0);
        var term = new Term(
            family,
            belief,
            (to.Lets ? 1 : 0) - (from.Lets ? 1 : 0),
            line,
            (added == 0 ? 1 : line / added) * belief.Ratio.Mean,
            change.OwnVariance(family),
            change.CommonU(family),
            back,
            back == 0 ? 0 : (sag.To ?? sag.From)!.Value.Sd
        );
        _terms.Add(term);
        SpringMm +=
            (belief.OffsetMm.Mean * term.Offset)
            + (belief.Ratio.Mean * line)
            + (sag.To?.Mean ?? 0)
            - (sag.From?.Mean ?? 0);
        return null;
    }

    /// <summary>Where a controller comes to rest within its dead band: one for the axle, or one a side.</summary>
    private void Settles(HeightControl held) =>
        _terms.Add(
            new Term(
                LiftFamily.None,
                new LiftBelief(default, default, 0),
                0,
                0,
                1,
                held == HeightControl.TwoSensors ? Math.Pow(LiftLaw.DeadBandUMm, 2) : 0,
                held == HeightControl.OneSensor ? LiftLaw.DeadBandUMm / 2 : 0,
                0,
                0
            )
        );

    private static (double Mm, double Variance, double CommonU) PuckOf(
        StackChange change,
        IReadOnlyList<PlacedPart> old,
        IReadOnlyList<PlacedPart> next,
        AxleState axle
    )
    {
        PlacedPart[] changed =
        [
            .. old.ExceptBy(next.Select(p => p.Id), p => p.Id),
            .. next.ExceptBy(old.Select(p => p.Id), p => p.Id),
        ];
        // A puck that comes or goes lets the old mount go and puts it back.
        var kept =
            changed.Any(p => p.Kind == PartKind.BodyPuck)
            && changed.All(p => p.Kind != PartKind.BodyMount)
                ? Math.Pow(StackAmounts.KeptMountUMm(axle), 2)
                : 0;
        return (
            change.To(LiftFamily.Puck).Mm - change.From(LiftFamily.Puck).Mm,
            change.OwnVariance(LiftFamily.Puck) + (kept / 2),
            Math.Sqrt(Math.Pow(change.CommonU(LiftFamily.Puck), 2) + (kept / 2))
        );
    }

    private static (double Mm, double Variance) TyreOf(StackChange change, Vehicle vehicle)
    {
        var usual = TyreSize.Parse(vehicle.TyreSize)?.DiameterMm;
        return (change.TyreTo ?? usual, change.TyreFrom ?? usual) is ({ } to, { } was) && to != was
            // Makers' sizes are good to about one in a hundred.
            ? ((to - was) / 2, Math.Pow(0.01 * to / 2, 2))
            : (0, 0);
    }

    /// <summary>Rise over nothing fitted by the bare law, without offset; null beyond reach.</summary>
    private static (double Mm, bool ToppedOut)? Lift(
        LiftFamily family,
        AxleState axle,
        FamilyAmount amount,
        StrutLengths? strut
    )
    {
        switch (family)
        {
            case LiftFamily.Spring:
                var linkage = axle.Corner.Linkage;
                // A preload lifts no further than the strut is long.
                var room = strut is null
                    ? double.PositiveInfinity
                    : strut.ExtendedMm - linkage.RideLengthMm;
                var inside = Math.Min(amount.InsideMm, room);
                return
                    linkage.LiftMm(
                        amount.OutsideMm + inside,
                        axle.WheelLoadN is null
                            ? null
                            : axle.Suspension.Get(SuspensionSizes.SpringRate),
                        axle.WheelLoadN ?? 0
                    )
                        is { } rise
                    ? (rise, inside < amount.InsideMm)
                    : null;
            case LiftFamily.Adjuster:
                return axle.Torsion!.LiftMm(amount.Mm) is { } raised ? (raised, false) : null;
            case LiftFamily.Shackle when axle.Leaf is null:
                var half = LiftLaw.Prior(family, axle).Ratio.Mean * amount.Mm;
                return (
                    axle.Suspension.ShacklePivot == ShacklePivot.BelowEye ? -half : half,
                    false
                );
            case LiftFamily.Shackle when axle.Leaf is { } leaf:
                return LeafShackle.Move(leaf, leaf.ShackleMm + amount.Mm, leaf.ArchMm) is { } move
                    ? (move.LiftMm, false)
                    : null;
            default:
                return (LiftLaw.Prior(family, axle).Ratio.Mean * amount.Mm, false);
        }
    }

    /// <param name="Family">The family.</param>
    /// <param name="Belief">What is believed of its lift line.</param>
    /// <param name="Offset">1 when the first piece comes, −1 when the last one goes.</param>
    /// <param name="LineMm">What is added, as the lift line counts it: the bare law's rise over its ratio at ride height, mm.</param>
    /// <param name="Ratio">Rise per mm of what is added.</param>
    /// <param name="OwnVariance">Of what is added, mm².</param>
    /// <param name="CommonU">Of what is added, common to both sides, mm.</param>
    /// <param name="Back">1 when a new spring gives sag back, −1 when the old one returns.</param>
    /// <param name="SagUMm">Standard uncertainty of the sag, mm.</param>
    private readonly record struct Term(
        LiftFamily Family,
        LiftBelief Belief,
        int Offset,
        double LineMm,
        double Ratio,
        double OwnVariance,
        double CommonU,
        int Back,
        double SagUMm
    );
}
