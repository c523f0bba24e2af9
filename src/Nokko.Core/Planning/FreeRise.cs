using MathNet.Numerics.LinearAlgebra;
using Nokko.Core.Learning;
using Nokko.Core.Measuring;
using Nokko.Core.Parts;
using Nokko.Core.Suspension;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Planning;

/// <summary>What the change from one stack to another does at each corner alone.</summary>
/// <param name="MeanMm">Free rises of the four corners through their springs, then of the body on its mounts, then of the tyres; mm.</param>
/// <param name="Covariance">Their covariance, mm².</param>
/// <param name="Parts">What it rests on.</param>
/// <param name="ToppedOut">Corners whose strut would stand at its full length: the lift is capped there.</param>
internal sealed record FreeRises(
    Vector<double> MeanMm,
    Matrix<double> Covariance,
    IReadOnlyList<Guid> Parts,
    IReadOnlyList<string> ToppedOut
)
{
    /// <summary>Where the body's mounts begin.</summary>
    public const int Pucks = 4;

    /// <summary>Where the tyres begin.</summary>
    public const int Tyres = 8;

    /// <summary>Number of rises.</summary>
    public const int Count = 12;

    /// <summary>Those of the springs, mm.</summary>
    public double[] SpringsMm() => [MeanMm[0], MeanMm[1], MeanMm[2], MeanMm[3]];
}

/// <summary>Takes the difference of two stacks at every corner.</summary>
/// <remarks>Source: computation.md, sections 7 and 10. Offset and ratio are common to both sides of an axle; thickness is each part's own.</remarks>
internal static class FreeRise
{
    private static readonly LiftFamily[] Laws =
    [
        LiftFamily.Spring,
        LiftFamily.Wheel,
        LiftFamily.Block,
        LiftFamily.Shackle,
    ];

    /// <summary>The rises, or the reason why there are none.</summary>
    public static (FreeRises? Rises, string? Why) Of(
        Plan plan,
        Stage from,
        Vehicle vehicle,
        IReadOnlyList<AxleState> axles
    )
    {
        var mean = Vector<double>.Build.Dense(FreeRises.Count);
        var covariance = Matrix<double>.Build.Dense(FreeRises.Count, FreeRises.Count);
        var parts = new List<Guid>();
        var topped = new List<string>();
        for (var a = 0; a < 2; a++)
        {
            var axle = axles[a];
            var corners = Corners.Of(axle.Axle);
            var changes = new StackChange[2];
            for (var i = 0; i < 2; i++)
            {
                var (change, why) = StackChange.Of(corners[i], plan, from, axle);
                if (change is null)
                {
                    return (null, why);
                }
                changes[i] = change;
                parts.AddRange(change.Parts);
                Puck(change, (2 * a) + i, vehicle, mean, covariance);
            }
            foreach (var family in Laws)
            {
                if (Add(family, axle, changes, 2 * a, mean, covariance, topped) is { } why)
                {
                    return (null, why);
                }
            }
        }
        return (new FreeRises(mean, covariance, parts, topped), null);
    }

    private static void Puck(
        StackChange change,
        int corner,
        Vehicle vehicle,
        Vector<double> mean,
        Matrix<double> covariance
    )
    {
        var puck = FreeRises.Pucks + corner;
        mean[puck] = change.To(LiftFamily.Puck).Mm - change.From(LiftFamily.Puck).Mm;
        covariance[puck, puck] = change.OwnVariance(LiftFamily.Puck);
        var usual = TyreSize.Parse(vehicle.TyreSize)?.DiameterMm;
        if ((change.TyreTo ?? usual, change.TyreFrom ?? usual) is ({ } to, { } was) && to != was)
        {
            var tyre = FreeRises.Tyres + corner;
            mean[tyre] = (to - was) / 2;
            // Makers' sizes are good to about one in a hundred.
            covariance[tyre, tyre] = Math.Pow(0.01 * to / 2, 2);
        }
    }

    private static string? Add(
        LiftFamily family,
        AxleState axle,
        StackChange[] changes,
        int first,
        Vector<double> mean,
        Matrix<double> covariance,
        List<string> topped
    )
    {
        if (changes.All(c => !c.Touches(family)))
        {
            return null;
        }
        var prior = LiftLaw.Prior(family, axle);
        var laws = new CornerLaw[2];
        for (var i = 0; i < 2; i++)
        {
            var (from, to) = (changes[i].From(family), changes[i].To(family));
            if (
                Lift(family, axle, from, changes[i].StrutFrom) is not { } before
                || Lift(family, axle, to, changes[i].StrutTo) is not { } after
            )
            {
                return family == LiftFamily.Shackle
                    ? $"The shackle cannot reach that far ({Corners.Said(changes[i].Corner)}): check its length and angle, or take a shorter one."
                    : "The arms cannot reach that far, by the taped points: check them, or take a thinner part.";
            }
            if (after.ToppedOut)
            {
                topped.Add(changes[i].Corner);
            }
            var added = to.Mm - from.Mm;
            laws[i] = new CornerLaw(
                Math.Sign(to.Lets ? 1 : 0) - Math.Sign(from.Lets ? 1 : 0),
                added,
                added == 0 ? prior.Ratio.Mean : (after.Mm - before.Mm) / added,
                changes[i].OwnVariance(family),
                changes[i].CommonU(family)
            );
        }
        var share = prior.Ratio.Sd / Math.Abs(prior.Ratio.Mean);
        var vehicleShare = prior.VehicleSd / Math.Abs(prior.Ratio.Mean);
        var sag = family == LiftFamily.Wheel ? axle.Sag ?? (0, StackAmounts.UnknownSagUMm) : (0, 0);
        for (var i = 0; i < 2; i++)
        {
            var (p, back) = (laws[i], family == LiftFamily.Wheel ? changes[i].GivesSagBack : 0);
            mean[first + i] +=
                (prior.OffsetMm.Mean * p.Offset) + (p.Ratio * p.AddedMm) + (back * sag.Item1);
            for (var j = 0; j < 2; j++)
            {
                var q = laws[j];
                var backs = back * (family == LiftFamily.Wheel ? changes[j].GivesSagBack : 0);
                covariance[first + i, first + j] +=
                    (prior.OffsetMm.Sd * prior.OffsetMm.Sd * p.Offset * q.Offset)
                    + (
                        ((share * share) + (vehicleShare * vehicleShare))
                        * p.Ratio
                        * p.AddedMm
                        * q.Ratio
                        * q.AddedMm
                    )
                    + (p.Ratio * p.CommonU * q.Ratio * q.CommonU)
                    + (backs * sag.Item2 * sag.Item2)
                    + (i == j ? p.Ratio * p.Ratio * p.OwnVariance : 0);
            }
        }
        return null;
    }

    /// <param name="Offset">1 when the first piece comes, −1 when the last one goes.</param>
    /// <param name="AddedMm">What is added, mm.</param>
    /// <param name="Ratio">Rise for it.</param>
    /// <param name="OwnVariance">Of what is added, mm².</param>
    /// <param name="CommonU">Of what is added, common to both sides, mm.</param>
    private readonly record struct CornerLaw(
        int Offset,
        double AddedMm,
        double Ratio,
        double OwnVariance,
        double CommonU
    );

    /// <summary>Rise over nothing fitted, without offset; null beyond reach.</summary>
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
                return linkage.LiftMm(amount.OutsideMm + inside) is { } rise
                    ? (rise, inside < amount.InsideMm)
                    : null;
            case LiftFamily.Shackle when axle.Leaf is { } leaf:
                return LeafShackle.Move(leaf, leaf.ShackleMm + amount.Mm, leaf.ArchMm) is { } move
                    ? (move.LiftMm, false)
                    : null;
            default:
                return (LiftLaw.Prior(family, axle).Ratio.Mean * amount.Mm, false);
        }
    }
}
