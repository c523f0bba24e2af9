using MathNet.Numerics.LinearAlgebra;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Plans;

/// <summary>What the change from one stack to another does at each corner alone.</summary>
/// <param name="MeanMm">Free rises of the four corners through their springs, then of the body on its mounts, then of the tyres; mm.</param>
/// <param name="Covariance">Their covariance, mm².</param>
/// <param name="Parts">What it rests on.</param>
/// <param name="ToppedOut">Corners whose strut would stand at its full length: the lift is capped there.</param>
internal sealed record FreeRises(
    Vector<double> MeanMm,
    Matrix<double> Covariance,
    IReadOnlyList<Guid> Parts,
    IReadOnlyList<Corner> ToppedOut
)
{
    /// <summary>Variance of the readings of the corners' lips from which a rise was counted, mm²; nothing where it was not counted from them. A rise that is counted from a reading takes its error back out of the height.</summary>
    public IReadOnlyList<double> Read { get; init; } = [0, 0, 0, 0];

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
/// <remarks>Source: docs/computation/lifts.md#laws, docs/computation/learning.md#lift-line. Offset and ratio are common to both sides of an axle; thickness is each part's own.</remarks>
internal static class FreeRise
{
    /// <summary>The rises, or the reason why there are none.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="from">The stage from which it starts.</param>
    /// <param name="vehicle">The vehicle as the plan puts it together.</param>
    /// <param name="axles">Its axles.</param>
    /// <param name="converted">Heights of the axles that get another suspension: what stood on the old one goes with it.</param>
    public static (FreeRises? Rises, string? Why) Of(
        Plan plan,
        Stage from,
        Vehicle vehicle,
        IReadOnlyList<AxleState> axles,
        IReadOnlyList<NewHeights>? converted = null
    )
    {
        var read = new double[4];
        var mean = Vector<double>.Build.Dense(FreeRises.Count);
        var covariance = Matrix<double>.Build.Dense(FreeRises.Count, FreeRises.Count);
        var corners = new CornerRise[4];
        for (var i = 0; i < 4; i++)
        {
            var corner = Corners.All[i];
            var old = CornerStack.At(from.Stacks, corner);
            var (rise, why) = CornerRise.Of(
                corner,
                Renewed(i) is null ? old : [.. old.Where(p => PartRule.Of(p.Kind).OnAnySuspension)],
                CornerStack.At(plan.Stacks, corner),
                vehicle,
                axles[i / 2]
            );
            if (rise is null)
            {
                return (null, why);
            }
            corners[i] = rise;
            var (puck, tyre) = (FreeRises.Pucks + i, FreeRises.Tyres + i);
            (mean[puck], covariance[puck, puck]) = (rise.Puck.Mm, rise.Puck.Variance);
            (mean[tyre], covariance[tyre, tyre]) = (rise.Tyre.Mm, rise.Tyre.Variance);
        }
        for (var i = 0; i < 4; i++)
        {
            for (var j = 0; j < 4; j++)
            {
                covariance[FreeRises.Pucks + i, FreeRises.Pucks + j] +=
                    corners[i].Puck.CommonU * corners[j].Puck.CommonU;
                // A maker's size is wrong by as much on every tyre of the kind.
                if (i != j && corners[i].TyreName == corners[j].TyreName)
                {
                    covariance[FreeRises.Tyres + i, FreeRises.Tyres + j] = Math.Sqrt(
                        corners[i].Tyre.Variance * corners[j].Tyre.Variance
                    );
                }
            }
            mean[i] = corners[i].SpringMm;
            for (var j = i / 2 * 2; j < (i / 2 * 2) + 2; j++)
            {
                covariance[i, j] = CornerRise.Covariance(corners[i], corners[j], i == j);
            }
            if (Renewed(i) is { } heights)
            {
                mean[i] += heights.SettlesMm + heights.OverTodayMm[i % 2];
                read[i] = heights.ReadU[i % 2] * heights.ReadU[i % 2];
                for (var j = i / 2 * 2; j < (i / 2 * 2) + 2; j++)
                {
                    covariance[i, j] +=
                        (heights.RatioU * heights.RatioU)
                        + (heights.OtherU * heights.OtherU)
                        // The stack on it rises by the same ratio.
                        + (heights.RatioU * (corners[i].RatioU + corners[j].RatioU));
                }
            }
        }
        return (
            new FreeRises(
                mean,
                covariance,
                [.. corners.SelectMany(c => c.Parts)],
                [.. corners.Where(c => c.ToppedOut).Select(c => c.Corner)]
            )
            {
                Read = read,
            },
            null
        );

        NewHeights? Renewed(int corner) =>
            converted?.FirstOrDefault(h => h.Axle == Corners.Axles[corner / 2]);
    }
}
