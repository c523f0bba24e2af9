using Nokko.Core.Geometry;
using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Plans;

/// <summary>The figures on which a target is judged, as a joint normal: how they follow from the free rises of any stack.</summary>
/// <remarks>
/// Source: docs/computation/body-on-springs.md#equilibrium, docs/computation/finding.md#chance-and-order. Linear in the free rises, so that front and rear are worked out apart and added.
/// What both sides of an axle have in common (offset, ratio, loads) stays common; the tape's share comes from what was measured before.
/// </remarks>
internal sealed class StanceOdds
{
    /// <summary>Rake, rise of the front lips, of the rear lips, lean in front, lean behind; and what the diagonals are off the half, of 100.</summary>
    public const int Count = 6;

    private const int FrontLift = 1;
    private const int RearLift = 2;
    private const int Diagonal = 5;

    private static readonly (Corner Corner, double Factor)[][] Figures =
    [
        [(Corner.LF, -0.5), (Corner.RF, -0.5), (Corner.LR, 0.5), (Corner.RR, 0.5)],
        [(Corner.LF, 0.5), (Corner.RF, 0.5)],
        [(Corner.LR, 0.5), (Corner.RR, 0.5)],
        [(Corner.LF, 1), (Corner.RF, -1)],
        [(Corner.LR, 1), (Corner.RR, -1)],
        // No height enters it.
        [],
    ];

    private readonly double _rateShare;
    private readonly double[][] _tyres;
    private readonly Lazy<double[][][]> _bars;
    private readonly bool[] _holdsReadings;

    private StanceOdds(
        double[] mean,
        double[,] covariance,
        double[][] springs,
        double[][] mounts,
        double[][] tyres,
        Func<double[][][]> bars,
        double rateShare,
        bool[] holdsReadings
    ) =>
        (Mean, Covariance, Springs, Mounts, _tyres, _bars, _rateShare, _holdsReadings) = (
            mean,
            covariance,
            springs,
            mounts,
            tyres,
            new(bars),
            rateShare,
            holdsReadings
        );

    /// <summary>The figures with no free rise: what was measured, and what the loads do; mm.</summary>
    public double[] Mean { get; }

    /// <summary>Their covariance, mm².</summary>
    public double[,] Covariance { get; }

    /// <summary>Each figure per mm of free rise at each spring.</summary>
    public double[][] Springs { get; }

    /// <summary>Each figure per mm of rise at each mount of the body.</summary>
    public double[][] Mounts { get; }

    /// <summary>What the bars' rates, and for the diagonals those of the axle's springs, add to the covariance of two figures where one side of an axle stands on more.</summary>
    /// <param name="f">A figure.</param>
    /// <param name="g">Another, or the same.</param>
    /// <param name="first">Index of the axle's left spring.</param>
    /// <param name="leftMm">Free rise of its left spring, mm.</param>
    /// <param name="rightMm">Free rise of its right spring, mm.</param>
    public double OfRates(int f, int g, int first, double leftMm, double rightMm)
    {
        if (leftMm == rightMm)
        {
            return 0;
        }
        if (f == Diagonal || g == Diagonal)
        {
            // It is weighed with the bars unhooked.
            var moved =
                (Springs[Diagonal][first] * leftMm) + (Springs[Diagonal][first + 1] * rightMm);
            return f == g ? _rateShare * _rateShare * moved * moved : 0;
        }
        var sum = 0.0;
        for (var bar = 0; bar < 2; bar++)
        {
            var (p, q) = (_bars.Value[f][bar], _bars.Value[g][bar]);
            sum +=
                ((p[first] * leftMm) + (p[first + 1] * rightMm))
                * ((q[first] * leftMm) + (q[first + 1] * rightMm));
        }
        return sum;
    }

    /// <summary>Sides of the box that a target asks for, mm or of 100: infinite where nothing is asked.</summary>
    /// <param name="target">The target.</param>
    /// <param name="limits">Within what diagonals are even.</param>
    public static (double[] Low, double[] High) Box(Target target, GeometryLimits limits)
    {
        var (low, high) = (new double[Count], new double[Count]);
        Array.Fill(low, double.NegativeInfinity);
        Array.Fill(high, double.PositiveInfinity);
        var tolerance = target.Tolerance.In(Unit.Mm);
        if (target.Rake is { } rake)
        {
            (low[0], high[0]) = (rake.In(Unit.Mm) - tolerance, rake.In(Unit.Mm) + tolerance);
        }
        // As in the proof: short of a least lift, or beyond a greatest, by no more than the tolerance.
        low[FrontLift] = target.LeastFrontLift?.In(Unit.Mm) - tolerance ?? low[FrontLift];
        low[RearLift] = target.LeastRearLift?.In(Unit.Mm) - tolerance ?? low[RearLift];
        high[FrontLift] = target.MostFrontLift?.In(Unit.Mm) + tolerance ?? high[FrontLift];
        high[RearLift] = target.MostRearLift?.In(Unit.Mm) + tolerance ?? high[RearLift];
        if (target.NoLean)
        {
            (low[3], high[3], low[4], high[4]) = (-tolerance, tolerance, -tolerance, tolerance);
        }
        if (target.EvenDiagonals)
        {
            var within = limits.Of(MechanismKind.CornerScales);
            (low[Diagonal], high[Diagonal]) = (-within, within);
        }
        return (low, high);
    }

    /// <summary>The figures of a vehicle, or the reason why a target cannot be judged.</summary>
    /// <param name="body">The vehicle's body.</param>
    /// <param name="baseline">The stance before.</param>
    /// <param name="target">The target.</param>
    /// <param name="situation">Loads, and what earlier passes of the job achieved.</param>
    public static (StanceOdds? Odds, string? Why) Of(
        VehicleBody body,
        WalkRoundStance baseline,
        Target target,
        Situation situation
    )
    {
        var loads = situation.Loads;
        if (target.Rake is not null && baseline.Rake.Cannot is { } noRake)
        {
            return (null, noRake);
        }
        if (target.Rake is not null && target.Datum != baseline.Datum)
        {
            return (
                null,
                "The target is stated in another datum than the readings: read the lips from there too."
            );
        }
        if (target.NoLean && (baseline.LeanFront.Cannot ?? baseline.LeanRear.Cannot) is { } noLean)
        {
            return (null, noLean);
        }
        StatedLoad[] stays = [.. loads.Where(l => l.Stays)];
        var (diagonals, why) = target.EvenDiagonals
            ? Diagonals.Of(body.Vehicle, situation.Weighed, stays)
            : default;
        if (why is not null)
        {
            return (null, why);
        }
        var (springs, mounts) = (new double[Count][], new double[Count][]);
        var (mean, covariance) = (new double[Count], new double[Count, Count]);
        var (staying, all) = (body.Under(stays), target.Loaded ? body.Under(loads) : default);
        var effect = new double[Count];
        for (var f = 0; f < Count; f++)
        {
            (springs[f], mounts[f]) = (new double[4], new double[4]);
            foreach (var (corner, factor) in Figures[f])
            {
                if (
                    body.Vehicle.Stations.FirstOrDefault(s => s.Name == corner.Name())
                    is not { } station
                )
                {
                    return (null, $"This vehicle has no station {corner}.");
                }
                var (perSpring, perMount) = body.Response(station);
                for (var i = 0; i < 4; i++)
                {
                    springs[f][i] += factor * perSpring[i];
                    mounts[f][i] += factor * perMount[i];
                }
                // Only the rake can be wanted with loads on that come and go.
                var under = f == 0 && target.Loaded ? all : staying;
                var motion = baseline.Datum == Datum.Floor ? under.OnFloor : under.OnHubs;
                effect[f] += factor * motion.RiseAt(station.X.In(Unit.Mm), station.Y.In(Unit.Mm));
            }
        }
        var onFloor = baseline.Datum == Datum.Floor;
        double[][] tyres = [.. mounts.Select(m => onFloor ? m : new double[4])];
        if (diagonals is not null)
        {
            (springs[Diagonal], tyres[Diagonal]) = (diagonals.PerMm, diagonals.TyrePerMm);
            effect[Diagonal] = diagonals.OfLoads;
        }
        Result?[] measured =
        [
            baseline.Rake,
            situation.FrontAchieved?.Rise,
            situation.RearAchieved?.Rise,
            baseline.LeanFront,
            baseline.LeanRear,
            diagonals is { Weighed: var weighed }
                ? Result.Of(weighed.Mean - 50, Unit.One, weighed.Sd, [])
                : null,
        ];
        for (var f = 0; f < Count; f++)
        {
            mean[f] = (measured[f]?.Value ?? 0) + effect[f];
            for (var g = 0; g < Count; g++)
            {
                covariance[f, g] = body.LoadShare * body.LoadShare * effect[f] * effect[g];
            }
            covariance[f, f] += Math.Pow(measured[f]?.U ?? 0, 2);
        }
        Share(covariance, baseline, situation);
        return (
            new StanceOdds(
                mean,
                covariance,
                springs,
                mounts,
                tyres,
                () => BarsOf(body),
                body.LoadShare,
                [.. measured.Select(m => m is not null)]
            ),
            null
        );
    }

    /// <summary>By how much each figure per mm at each spring would be otherwise with either bar stiffer by its standard uncertainty.</summary>
    private static double[][][] BarsOf(VehicleBody body) =>
        [
            .. Figures.Select(figure =>
            {
                double[][] sums = [new double[4], new double[4]];
                foreach (var (corner, factor) in figure)
                {
                    var station = body.Vehicle.Stations.First(s => s.Name == corner.Name());
                    var perBar = body.BarResponse(station);
                    for (var i = 0; i < 4; i++)
                    {
                        sums[0][i] += factor * perBar[0][i];
                        sums[1][i] += factor * perBar[1][i];
                    }
                }
                return sums;
            }),
        ];

    /// <summary>Rake, leans and achieved lifts rest on the same readings of today: what they share is their covariance.</summary>
    private static void Share(double[,] covariance, WalkRoundStance baseline, Situation situation)
    {
        var heights = Corners
            .All.Select(c =>
                baseline
                    .Stations.FirstOrDefault(s =>
                        s.Station == c.Name() && s.Datum == baseline.Datum
                    )
                    ?.Own.Found?.Sd
                ?? 0
            )
            .ToArray();
        double[] inLifts =
        [
            situation.FrontAchieved?.LeftU ?? 0,
            situation.FrontAchieved?.RightU ?? 0,
            situation.RearAchieved?.LeftU ?? 0,
            situation.RearAchieved?.RightU ?? 0,
        ];
        for (var f = 0; f < Count; f++)
        {
            for (var g = 0; g < Count; g++)
            {
                if (f == g)
                {
                    continue;
                }
                // A lift is a difference: what the floor does to both rounds is not in it.
                var u =
                    f is FrontLift or RearLift || g is FrontLift or RearLift ? inLifts : heights;
                foreach (var (corner, p) in Figures[f])
                {
                    foreach (var (other, q) in Figures[g])
                    {
                        covariance[f, g] +=
                            corner == other ? p * q * u[(int)corner] * u[(int)corner] : 0;
                    }
                }
            }
        }
        var shared =
            (situation.FrontAchieved?.SharedU ?? 0) * (situation.RearAchieved?.SharedU ?? 0);
        covariance[FrontLift, RearLift] += shared;
        covariance[RearLift, FrontLift] += shared;
    }

    /// <summary>What errors of lips' readings, from which rises were counted, add to the covariance of two figures: a height loses them, the lift of a first pass has them.</summary>
    private double TakenBack(int f, int g, IReadOnlyList<double> read)
    {
        var sum = 0.0;
        for (var i = 0; i < 4; i++)
        {
            var (p, q) = (InHeight(f, i), InHeight(g, i));
            sum += (((p - Springs[f][i]) * (q - Springs[g][i])) - (p * q)) * read[i];
        }
        return sum;
    }

    /// <summary>With what factor today's reading of a lip is in a figure already: in heights, and in a lift that earlier passes achieved.</summary>
    private double InHeight(int f, int corner) =>
        _holdsReadings[f] ? Figures[f].Where(x => (int)x.Corner == corner).Sum(x => x.Factor) : 0;

    /// <summary>The chance that a stack lands within the target.</summary>
    /// <param name="rises">Its free rises.</param>
    /// <param name="target">The target.</param>
    /// <param name="limits">Within what diagonals are even.</param>
    public double Chance(FreeRises rises, Target target, GeometryLimits limits)
    {
        var (low, high) = Box(target, limits);
        var (mean, covariance) = ((double[])Mean.Clone(), (double[,])Covariance.Clone());
        for (var f = 0; f < Count; f++)
        {
            for (var i = 0; i < 4; i++)
            {
                mean[f] +=
                    (Springs[f][i] * rises.MeanMm[i])
                    + (Mounts[f][i] * rises.MeanMm[FreeRises.Pucks + i])
                    + (_tyres[f][i] * rises.MeanMm[FreeRises.Tyres + i]);
            }
            for (var g = 0; g < Count; g++)
            {
                covariance[f, g] += TakenBack(f, g, rises.Read);
                covariance[f, g] +=
                    OfRates(f, g, 0, rises.MeanMm[0], rises.MeanMm[1])
                    + OfRates(f, g, 2, rises.MeanMm[2], rises.MeanMm[3]);
                for (var i = 0; i < 4; i++)
                {
                    for (var j = 0; j < 4; j++)
                    {
                        covariance[f, g] +=
                            (Springs[f][i] * rises.Covariance[i, j] * Springs[g][j])
                            + (
                                Mounts[f][i]
                                * rises.Covariance[FreeRises.Pucks + i, FreeRises.Pucks + j]
                                * Mounts[g][j]
                            )
                            + (
                                _tyres[f][i]
                                * rises.Covariance[FreeRises.Tyres + i, FreeRises.Tyres + j]
                                * _tyres[g][j]
                            );
                    }
                }
            }
        }
        return NormalBox.Probability(mean, covariance, low, high);
    }
}
