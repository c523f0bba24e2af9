using MathNet.Numerics.LinearAlgebra;

namespace Nokko.Core.Stance;

/// <summary>A point on which the body rests.</summary>
/// <param name="XMm">x forward of the front axle, mm.</param>
/// <param name="YMm">y to the left, mm: the wheel for independent suspension, the spring for a solid axle.</param>
/// <param name="RateNPerMm">Wheel rate or spring rate, N/mm; above zero.</param>
/// <param name="FreeRiseMm">h: how far the point would rise with its load held constant, mm.</param>
public sealed record Support(double XMm, double YMm, double RateNPerMm, double FreeRiseMm);

/// <summary>An anti-roll bar between two supports.</summary>
/// <param name="Left">Index of the left support.</param>
/// <param name="Right">Index of the right support.</param>
/// <param name="RateNPerMm">k_b at the supports, N/mm: the force at each per mm of difference. A rate given at the wheels of a solid axle is multiplied by (track/base)² first.</param>
public sealed record AntiRollBar(int Left, int Right, double RateNPerMm);

/// <summary>An axle whose height a controller holds, with springs that follow it.</summary>
/// <param name="Left">Index of the left support.</param>
/// <param name="Right">Index of the right support.</param>
/// <param name="EachSide">Whether each side has a sensor; else one sensor holds their mean, and the springs alone carry what differs.</param>
/// <param name="RateNPerMm">How stiffly it is held, N/mm at each support: the tyres' rate where they give; null is rigid.</param>
/// <remarks>Source: docs/computation/lifts.md#height-controlled-axles.</remarks>
public sealed record HeldHeight(int Left, int Right, bool EachSide, double? RateNPerMm = null);

/// <summary>A load put on the body.</summary>
/// <param name="XMm">x forward of the front axle, mm.</param>
/// <param name="YMm">y to the left, mm.</param>
/// <param name="DownN">Force downward, N.</param>
public sealed record BodyLoad(double XMm, double YMm, double DownN);

/// <summary>How a rigid body moved.</summary>
/// <param name="ZMm">Heave at the origin, mm, up positive.</param>
/// <param name="PitchRad">θ, nose-down positive, rad.</param>
/// <param name="RollRad">φ, left side up positive, rad.</param>
public readonly record struct BodyMotion(double ZMm, double PitchRad, double RollRad)
{
    /// <summary>Rise of a body point, Δ = Z − xθ + yφ, mm.</summary>
    public double RiseAt(double xMm, double yMm) => ZMm - (xMm * PitchRad) + (yMm * RollRad);
}

/// <summary>A rigid body at rest on its springs, tyres rigid (so it answers in hub datum).</summary>
/// <remarks>
/// (Bᵀ(K_s+K_b)B) q = BᵀK_s h − Σ P_j b_j, q = (Z, θ, φ), b = [1, −x, y].
/// Where a controller holds an axle, h is what the controller is set higher by: with one sensor the sum of both sides' h is the rise of their mean.
/// Source: docs/computation/body-on-springs.md#equilibrium. Linear in h, so one factorisation serves every stack of a vehicle.
/// </remarks>
public sealed class BodyOnSprings
{
    private readonly IReadOnlyList<Support> _supports;
    private readonly double[] _freeRises;
    private readonly Matrix<double> _driven;
    private readonly Matrix<double> _springs;
    private readonly double[,] _perFreeRise;
    private readonly Lazy<double[,]> _perGround;
    private readonly double[,] _compliance;

    /// <summary>Sets up the equilibrium.</summary>
    /// <exception cref="ArgumentException">Fewer than three supports, a rate that is not above zero, or supports that span no plane.</exception>
    public BodyOnSprings(
        IReadOnlyList<Support> supports,
        IReadOnlyList<AntiRollBar>? bars = null,
        IReadOnlyList<HeldHeight>? held = null
    )
    {
        if (supports.Count < 3 || supports.Any(s => !(s.RateNPerMm > 0)))
        {
            throw new ArgumentException(
                "A body needs three supports with rates above zero.",
                nameof(supports)
            );
        }
        _supports = supports;
        _freeRises = [.. supports.Select(s => s.FreeRiseMm)];
        var b = Matrix<double>.Build.DenseOfRows(supports.Select(s => Row(s.XMm, s.YMm)));
        var springs = Matrix<double>.Build.DenseOfDiagonalArray([
            .. supports.Select(s => s.RateNPerMm),
        ]);
        var driven = springs.Clone();
        foreach (var axle in held ?? [])
        {
            Hold(axle, springs, driven);
        }
        (_springs, _driven) = (springs, driven);
        var all = springs.Clone();
        foreach (var bar in bars ?? [])
        {
            all[bar.Left, bar.Left] += bar.RateNPerMm;
            all[bar.Right, bar.Right] += bar.RateNPerMm;
            all[bar.Left, bar.Right] -= bar.RateNPerMm;
            all[bar.Right, bar.Left] -= bar.RateNPerMm;
        }
        var stiffness = b.TransposeThisAndMultiply(all * b);
        var scale = stiffness[0, 0] * stiffness[1, 1] * stiffness[2, 2];
        if (!(scale > 0) || Math.Abs(stiffness.Determinant()) <= 1e-12 * scale)
        {
            throw new ArgumentException("The supports span no plane.", nameof(supports));
        }
        var compliance = stiffness.Inverse();
        _compliance = compliance.ToArray();
        var pushed = b.TransposeThisAndMultiply(driven);
        var perFreeRise = compliance * pushed;
        // Beside a rigid hold a rounding would be newtons: what is left over is put right once (Golub and Van Loan, iterative improvement).
        perFreeRise += compliance * (pushed - (stiffness * perFreeRise));
        _perFreeRise = perFreeRise.ToArray();
        _perGround = new(() => (compliance * b.TransposeThisAndMultiply(all)).ToArray());
    }

    /// <summary>The body's motion when the ground under its supports goes up: the bars feel that too, a longer spring they do not.</summary>
    /// <param name="groundMm">How far it goes up under each support, mm.</param>
    public BodyMotion Follow(ReadOnlySpan<double> groundMm)
    {
        Span<double> q = stackalloc double[3];
        for (var row = 0; row < 3; row++)
        {
            for (var i = 0; i < _supports.Count; i++)
            {
                q[row] += _perGround.Value[row, i] * groundMm[i];
            }
        }
        return new BodyMotion(q[0], q[1], q[2]);
    }

    /// <summary>The body's motion under the supports' own free rises and added loads.</summary>
    public BodyMotion Solve(IReadOnlyList<BodyLoad>? loads = null) => Solve(_freeRises, loads);

    /// <summary>The body's motion under other free rises: one factorisation serves every stack of a vehicle.</summary>
    /// <param name="freeRisesMm">h of each support, mm.</param>
    /// <param name="loads">Added loads.</param>
    public BodyMotion Solve(ReadOnlySpan<double> freeRisesMm, IReadOnlyList<BodyLoad>? loads = null)
    {
        Span<double> q = stackalloc double[3];
        for (var row = 0; row < 3; row++)
        {
            for (var i = 0; i < _supports.Count; i++)
            {
                q[row] += _perFreeRise[row, i] * freeRisesMm[i];
            }
            foreach (var load in loads ?? [])
            {
                q[row] -=
                    (
                        _compliance[row, 0]
                        - (_compliance[row, 1] * load.XMm)
                        + (_compliance[row, 2] * load.YMm)
                    ) * load.DownN;
            }
        }
        return new BodyMotion(q[0], q[1], q[2]);
    }

    /// <summary>Change of each spring's load, k_i(h_i − Δ_i), with what a controller adds, N: the cross-weight of a one-sided stack.</summary>
    public IReadOnlyList<double> LoadChanges(BodyMotion motion) => LoadChanges(motion, _freeRises);

    /// <summary>The same under other free rises.</summary>
    /// <param name="motion">What they do to the body.</param>
    /// <param name="freeRisesMm">h of each support, mm.</param>
    public IReadOnlyList<double> LoadChanges(
        BodyMotion motion,
        IReadOnlyList<double> freeRisesMm
    ) =>
        [
            .. (_driven * Vector<double>.Build.DenseOfEnumerable(freeRisesMm))
                - (
                    _springs
                    * Vector<double>.Build.DenseOfEnumerable(
                        _supports.Select(s => motion.RiseAt(s.XMm, s.YMm))
                    )
                ),
        ];

    /// <summary>Rise of a body point per mm of free rise at each support, dimensionless.</summary>
    public double[] Response(double xMm, double yMm)
    {
        var response = new double[_supports.Count];
        for (var i = 0; i < response.Length; i++)
        {
            response[i] =
                _perFreeRise[0, i] - (xMm * _perFreeRise[1, i]) + (yMm * _perFreeRise[2, i]);
        }
        return response;
    }

    /// <summary>A support that is held gives so little, against its spring, that nothing of it shows.</summary>
    private const double Rigid = 1e5;

    private static void Hold(HeldHeight axle, Matrix<double> springs, Matrix<double> driven)
    {
        var (l, r) = (axle.Left, axle.Right);
        foreach (var i in (int[])[l, r])
        {
            var spring = springs[i, i];
            var stiff = axle.RateNPerMm ?? (Rigid * spring);
            if (axle.EachSide)
            {
                (springs[i, i], driven[i, i]) = (stiff, stiff);
                continue;
            }
            // The mean of both is held; what they differ by from it, the spring carries.
            var other = i == l ? r : l;
            (springs[i, i], springs[i, other]) = ((stiff + spring) / 2, (stiff - spring) / 2);
            (driven[i, i], driven[i, other]) = (stiff, stiff);
        }
    }

    private static double[] Row(double x, double y) => [1, -x, y];
}
