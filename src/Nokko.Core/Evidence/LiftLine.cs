using MathNet.Numerics.LinearAlgebra;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Evidence;

/// <summary>One trial: a thickness fitted, and the free rise that was found.</summary>
/// <param name="Vehicle">The vehicle on which it was fitted.</param>
/// <param name="ThicknessMm">t, mm: above zero where a stack is new; else the change, not zero.</param>
/// <param name="FreeRiseMm">h, mm.</param>
/// <param name="FreeRiseUMm">Standard uncertainty of h, mm; above zero.</param>
/// <param name="IsNew">Whether nothing of the family was in before: then bushings settle anew, and the offset counts.</param>
public sealed record LiftTrial(
    string Vehicle,
    double ThicknessMm,
    double FreeRiseMm,
    double FreeRiseUMm,
    bool IsNew = true
)
{
    /// <summary>Why it can teach nothing; null when it can.</summary>
    public string? WhyNot() =>
        !double.IsFinite(ThicknessMm) || !double.IsFinite(FreeRiseMm)
            ? "A number of it is not finite."
        : IsNew && !(ThicknessMm > 0) ? "A stack that is new has a thickness above zero."
        : ThicknessMm == 0 ? "No thickness was changed."
        : !(FreeRiseUMm > 0) ? "Its ± is not known."
        : null;
}

/// <summary>h = o + (ρ + v)·t + e for one platform, axle and kind of part, learned by a joint Gaussian update.</summary>
/// <remarks>Source: docs/computation/learning.md#lift-line. Immutable: each observation gives a new line; their order does not matter.</remarks>
public sealed class LiftLine
{
    private const int Offset = 0;
    private const int Ratio = 1;
    private readonly LiftPrior _prior;
    private readonly IReadOnlyList<string> _vehicles;
    private readonly Vector<double> _mean;
    private readonly Matrix<double> _covariance;

    /// <summary>The line before any trial.</summary>
    /// <param name="prior">What is believed.</param>
    /// <param name="covariance">Between offset and ratio, mm, where the belief comes from trials itself.</param>
    public LiftLine(LiftPrior prior, double covariance = 0)
        : this(
            prior,
            [],
            Vector<double>.Build.DenseOfArray([prior.OffsetMm.Mean, prior.Ratio.Mean]),
            Matrix<double>.Build.DenseOfRowArrays([
                [prior.OffsetMm.Sd * prior.OffsetMm.Sd, covariance],
                [covariance, prior.Ratio.Sd * prior.Ratio.Sd],
            ])
        ) { }

    private LiftLine(
        LiftPrior prior,
        IReadOnlyList<string> vehicles,
        Vector<double> mean,
        Matrix<double> covariance
    ) => (_prior, _vehicles, _mean, _covariance) = (prior, vehicles, mean, covariance);

    /// <summary>o, mm.</summary>
    public Estimate OffsetMm => new(_mean[Offset], Math.Sqrt(_covariance[Offset, Offset]));

    /// <summary>ρ.</summary>
    public Estimate RatioEstimate => new(_mean[Ratio], Math.Sqrt(_covariance[Ratio, Ratio]));

    /// <summary>Between offset and ratio of the platform, mm.</summary>
    public double Covariance => _covariance[Offset, Ratio];

    /// <summary>The line after one more trial.</summary>
    /// <exception cref="ArgumentException">The thickness or the uncertainty is not above zero, or a value is not finite.</exception>
    public LiftLine Learn(LiftTrial trial)
    {
        if (trial.WhyNot() is { } why)
        {
            throw new ArgumentException(why, nameof(trial));
        }
        var line = With(trial.Vehicle);
        var h = line.Row(trial.Vehicle, trial.IsNew ? 1 : 0, trial.ThicknessMm);
        var noise =
            (trial.FreeRiseUMm * trial.FreeRiseUMm) + ThicknessVariance(_prior.ThicknessUMm);
        var gain = line._covariance * h / ((h * line._covariance * h) + noise);
        var mean = line._mean + (gain * (trial.FreeRiseMm - (h * line._mean)));
        var kept = Matrix<double>.Build.DenseIdentity(mean.Count) - gain.OuterProduct(h);
        // Joseph form: stays symmetric and positive however small the noise.
        var covariance =
            (kept * line._covariance * kept.Transpose()) + (gain.OuterProduct(gain) * noise);
        return new LiftLine(_prior, line._vehicles, mean, covariance);
    }

    /// <summary>What is believed of one vehicle.</summary>
    /// <param name="vehicle">A vehicle that may have been seen before.</param>
    public LiftBelief Belief(string vehicle)
    {
        var i = Index(vehicle);
        var own =
            i < 0
                ? new Estimate(0, _prior.VehicleSd)
                : new Estimate(_mean[i], Math.Sqrt(_covariance[i, i]));
        var (withRatio, withOffset) =
            i < 0 ? (0, 0) : (_covariance[Ratio, i], _covariance[Offset, i]);
        return new LiftBelief(
            OffsetMm,
            new Estimate(
                _mean[Ratio] + own.Mean,
                Math.Sqrt(_covariance[Ratio, Ratio] + (own.Sd * own.Sd) + (2 * withRatio))
            ),
            _covariance[Offset, Ratio] + withOffset
        );
    }

    /// <summary>Free rise of a stack, thickness exact.</summary>
    /// <param name="vehicle">A vehicle that may have been seen before.</param>
    /// <param name="thicknessMm">t, mm; zero gives zero.</param>
    public Estimate Predict(string vehicle, double thicknessMm) => Change(vehicle, 0, thicknessMm);

    /// <summary>Change of free rise between two stacks on one vehicle. The offset counts only where a stack appears or goes.</summary>
    /// <param name="vehicle">The vehicle.</param>
    /// <param name="fromMm">Thickness now, mm; zero for none.</param>
    /// <param name="toMm">Thickness after, mm; zero for none.</param>
    public Estimate Change(string vehicle, double fromMm, double toMm)
    {
        var line = With(vehicle);
        var row = line.Row(vehicle, (toMm > 0 ? 1 : 0) - (fromMm > 0 ? 1 : 0), toMm - fromMm);
        return new Estimate(row * line._mean, Math.Sqrt(Math.Max(0, row * line._covariance * row)));
    }

    /// <summary>Variance that an uncertain thickness adds to a free rise, (ρ·u_t)², mm².</summary>
    /// <param name="thicknessUMm">Standard uncertainty of the thickness, mm.</param>
    public double ThicknessVariance(double thicknessUMm) =>
        Math.Pow(_prior.Ratio.Mean * thicknessUMm, 2);

    private Vector<double> Row(string vehicle, double offset, double thickness)
    {
        var row = Vector<double>.Build.Dense(_mean.Count);
        row[Offset] = offset;
        row[Ratio] = thickness;
        row[Index(vehicle)] = thickness;
        return row;
    }

    private int Index(string vehicle)
    {
        for (var i = 0; i < _vehicles.Count; i++)
        {
            if (_vehicles[i] == vehicle)
            {
                return i + 2;
            }
        }
        return -1;
    }

    private LiftLine With(string vehicle)
    {
        if (Index(vehicle) > 0)
        {
            return this;
        }
        var n = _mean.Count;
        var mean = Vector<double>.Build.Dense(n + 1);
        mean.SetSubVector(0, n, _mean);
        var covariance = Matrix<double>.Build.Dense(n + 1, n + 1);
        covariance.SetSubMatrix(0, 0, _covariance);
        covariance[n, n] = _prior.VehicleSd * _prior.VehicleSd;
        return new LiftLine(_prior, [.. _vehicles, vehicle], mean, covariance);
    }
}
