using Nokko.Core.Suspension;

namespace Nokko.Core.Evidence;

/// <summary>What the trials of one vehicle say of its lift line: sums over them, each weighted by its variance.</summary>
/// <param name="Trials">How many.</param>
/// <param name="Nn">Σ n²/d, n being 1 where the stack was new, mm⁻².</param>
/// <param name="Nt">Σ n·t/d, mm⁻¹.</param>
/// <param name="Tt">Σ t²/d.</param>
/// <param name="Nh">Σ n·h/d, mm⁻¹.</param>
/// <param name="Th">Σ t·h/d.</param>
/// <param name="Hh">Σ h²/d.</param>
/// <param name="LogVariance">Σ ln d, d in mm².</param>
/// <remarks>Source: docs/computation/learning.md#sums.</remarks>
public readonly record struct VehicleSums(
    int Trials,
    double Nn,
    double Nt,
    double Tt,
    double Nh,
    double Th,
    double Hh,
    double LogVariance
)
{
    /// <summary>The sums of a vehicle's trials; their order does not matter.</summary>
    /// <exception cref="ArgumentException">A trial can teach nothing.</exception>
    public static VehicleSums Of(IEnumerable<LiftTrial> trials) =>
        trials.Aggregate(default(VehicleSums), (sums, t) => sums.With(t));

    /// <summary>The sums with one more trial.</summary>
    /// <exception cref="ArgumentException">The trial can teach nothing.</exception>
    public VehicleSums With(LiftTrial trial)
    {
        if (trial.WhyNot() is { } why)
        {
            throw new ArgumentException(why, nameof(trial));
        }
        var (n, t, h) = (trial.IsNew ? 1.0 : 0, trial.ThicknessMm, trial.FreeRiseMm);
        var w = 1 / trial.Variance;
        return new VehicleSums(
            Trials + 1,
            Nn + (w * n),
            Nt + (w * n * t),
            Tt + (w * t * t),
            Nh + (w * n * h),
            Th + (w * t * h),
            Hh + (w * h * h),
            LogVariance - Math.Log(w)
        );
    }
}

/// <summary>What all vehicles of a line say of its offset and ratio, for each spread of the grid, their own ratios integrated out. Changed by adding and taking away one vehicle at a time.</summary>
/// <remarks>Source: docs/computation/learning.md#sums.</remarks>
public sealed class LiftSums
{
    /// <summary>Numbers for each spread: information on offset, offset and ratio, ratio; the vector of both; the logarithm of the likelihood.</summary>
    public const int Numbers = 6;

    private readonly double[] _values;

    /// <summary>Sums as they were kept.</summary>
    /// <param name="trials">Trials, zero or more.</param>
    /// <param name="vehicles">Vehicles, zero or more.</param>
    /// <param name="values"><see cref="Numbers"/> for each spread of the grid, spread by spread.</param>
    /// <exception cref="ArgumentException">There are more or fewer values.</exception>
    public LiftSums(int trials, int vehicles, double[] values)
    {
        if (values.Length != Numbers * SpreadGrid.Spreads.Length)
        {
            throw new ArgumentException("As many values as the grid has.", nameof(values));
        }
        (Trials, Vehicles, _values) = (trials, vehicles, values);
    }

    /// <summary>Nobody has tried anything.</summary>
    public static LiftSums None { get; } =
        new(0, 0, new double[Numbers * SpreadGrid.Spreads.Length]);

    /// <summary>How many trials.</summary>
    public int Trials { get; }

    /// <summary>How many vehicles.</summary>
    public int Vehicles { get; }

    /// <summary><see cref="Numbers"/> for each spread of the grid.</summary>
    public ReadOnlySpan<double> Values => _values;

    /// <summary>The sums with one vehicle more.</summary>
    public LiftSums Plus(VehicleSums vehicle) => Changed(vehicle, 1);

    /// <summary>The sums without a vehicle that is in them.</summary>
    public LiftSums Minus(VehicleSums vehicle) =>
        // The last one leaves nothing behind, not even what rounding left.
        vehicle.Trials >= Trials
            ? None
            : Changed(vehicle, -1);

    private LiftSums Changed(VehicleSums v, int sign)
    {
        if (v.Trials == 0)
        {
            return this;
        }
        var values = (double[])_values.Clone();
        for (var k = 0; k < SpreadGrid.Spreads.Length; k++)
        {
            var square = SpreadGrid.Spreads[k] * SpreadGrid.Spreads[k];
            var seen = 1 + (square * v.Tt);
            // Integrating the vehicle's own ratio out takes g from what it says (matrix inversion lemma); where Tt − g·Tt² is Tt/seen, it is written so: the difference would lose digits.
            var g = square / seen;
            var at = values.AsSpan(k * Numbers, Numbers);
            at[0] += sign * (v.Nn - (g * v.Nt * v.Nt));
            at[1] += sign * v.Nt / seen;
            at[2] += sign * v.Tt / seen;
            at[3] += sign * (v.Nh - (g * v.Nt * v.Th));
            at[4] += sign * v.Th / seen;
            at[5] -= sign * 0.5 * (v.Hh - (g * v.Th * v.Th) + v.LogVariance + Math.Log(seen));
        }
        return new LiftSums(Trials + (sign * v.Trials), Vehicles + sign, values);
    }
}
