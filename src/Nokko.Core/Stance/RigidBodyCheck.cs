using System.Collections.Concurrent;
using System.Globalization;
using MathNet.Numerics.Distributions;
using MathNet.Numerics.LinearAlgebra;

namespace Nokko.Core.Stance;

/// <summary>A rise of one body point.</summary>
/// <param name="Station">Name of the station.</param>
/// <param name="XMm">x forward of the front axle, mm.</param>
/// <param name="YMm">y to the vehicle's left, mm.</param>
/// <param name="RiseMm">After minus before, mm, up positive.</param>
/// <param name="UMm">Standard uncertainty of the rise, mm; above zero.</param>
public sealed record StationRise(string Station, double XMm, double YMm, double RiseMm, double UMm);

/// <summary>One station in the fit of a rigid body.</summary>
/// <param name="Station">Name of the station.</param>
/// <param name="ResidualMm">Rise minus the rigid body's rise there, mm.</param>
/// <param name="Standardised">Residual over its own standard deviation.</param>
/// <param name="LeftOutMm">What the rise would have had to be by the other stations, mm; null where the others do not tell it.</param>
/// <param name="LeftOutUMm">Standard uncertainty of that value, mm.</param>
/// <param name="IfOne">If one reading slipped, the chance that it was this one, 0 … 1.</param>
public sealed record StationFit(
    string Station,
    double ResidualMm,
    double Standardised,
    double? LeftOutMm,
    double? LeftOutUMm,
    double IfOne
);

/// <summary>What the check found.</summary>
public enum RigidVerdict
{
    /// <summary>The rises fit a rigid body within their uncertainty.</summary>
    Fits,

    /// <summary>The largest gap is more than the tape usually leaves, yet a slip is less likely than none: one station is worth another read.</summary>
    Doubtful,

    /// <summary>A reading slipped, more likely than not.</summary>
    Slipped,

    /// <summary>Something is off and this layout cannot tell which: four corners, or one side alone.</summary>
    CannotTell,
}

/// <summary>The rigid body through the rises and what does not fit it.</summary>
/// <param name="ZMm">Heave at the origin, mm, up positive; of one side alone, of its line.</param>
/// <param name="PitchRad">θ, nose-down positive, rad.</param>
/// <param name="RollRad">φ, left side up positive, rad; zero where one side alone was read.</param>
/// <param name="Stations">Residuals by station, in the order given.</param>
/// <param name="ChiSquareProbability">Probability of a worse fit with no slip.</param>
/// <param name="Critical">The 5 % point of the largest |standardised residual| for this layout.</param>
/// <param name="AnySlipped">The chance that a reading slipped, 0 … 1.</param>
/// <param name="Verdict">The finding.</param>
/// <param name="InOrder">All stations, the likeliest to have slipped first; in the order given where this layout cannot tell.</param>
public sealed record RigidBody(
    double ZMm,
    double PitchRad,
    double RollRad,
    IReadOnlyList<StationFit> Stations,
    double ChiSquareProbability,
    double Critical,
    double AnySlipped,
    RigidVerdict Verdict,
    IReadOnlyList<string> InOrder
)
{
    /// <summary>The station to be read again first; null where nothing is off, or this layout cannot tell which.</summary>
    public string? ReadAgain =>
        Verdict is RigidVerdict.Slipped or RigidVerdict.Doubtful ? InOrder[0] : null;

    /// <summary>Stations whose reading may well have slipped, the likeliest first; none where nothing is off, or this layout cannot tell which.</summary>
    public IReadOnlyList<string> Suspects =>
        ReadAgain is null
            ? []
            :
            [
                .. InOrder.Where(name =>
                    name == InOrder[0]
                    || Stations.First(s => s.Station == name).IfOne >= RigidBodyCheck.MayWellBe
                ),
            ];
}

/// <summary>Fits Δ = Z − xθ + yφ to rises by generalised least squares and tells how likely each reading has slipped.</summary>
/// <remarks>Source: docs/computation/rigid-body.md#residuals-and-leave-one-out, docs/computation/rigid-body.md#which-reading-is-off.</remarks>
public static class RigidBodyCheck
{
    /// <summary>Prior chance that one reading of a round slipped, shared by its stations: a rule of thumb.</summary>
    public const double PriorSlip = 0.06;

    /// <summary>Size of a slip, standard deviation, mm: a rule of thumb.</summary>
    public const double SlipMm = 15;

    /// <summary>From this share on a station may well be the one that slipped.</summary>
    public const double MayWellBe = 0.1;

    /// <summary>How far a body may have rolled, standard deviation, rad: what lets stations of one side that do not lie on one line be compared.</summary>
    private const double RollRad = 0.01;

    private const int Draws = 20_000;
    private const int Seed = 20_05;
    private const int MostLayouts = 256;
    private static readonly ConcurrentDictionary<string, double> Simulated = new();

    /// <summary>Fits a rigid body.</summary>
    /// <param name="rises">Rises of one datum and one carrier: at least four that span a plane, or three along one side.</param>
    /// <returns>The fit, or null where no reading is more than the body needs to lie through all of them.</returns>
    public static RigidBody? Fit(IReadOnlyList<StationRise> rises)
    {
        if (Layout.Of(rises) is not { } layout)
        {
            return null;
        }
        var n = rises.Count;
        var y = Vector<double>.Build.DenseOfEnumerable(rises.Select(r => r.RiseMm));
        var q = layout.Solve(y);
        var residuals = y - (layout.B * q);
        // With P the precision of what is left of the readings once the body is taken out: (P·y)ᵢ/√Pᵢᵢ.
        var pull = layout.Precision * y;
        var gain = new double[n];
        for (var i = 0; i < n; i++)
        {
            var p = layout.Precision[i, i];
            // How much better a slip at this station explains the residuals than none does.
            var slip = SlipMm * SlipMm;
            gain[i] =
                (0.5 * slip * pull[i] * pull[i] / (1 + (slip * p)))
                - (0.5 * Math.Log(1 + (slip * p)));
        }
        var top = Math.Max(0, gain.Max());
        var weights = gain.Select(g => PriorSlip / n * Math.Exp(g - top)).ToArray();
        var slipped = weights.Sum();
        var fits = new StationFit[n];
        for (var i = 0; i < n; i++)
        {
            var p = layout.Precision[i, i];
            var u2 = rises[i].UMm * rises[i].UMm;
            // A station that alone holds one direction of the body has no residual of its own.
            var free = p * u2 > 1e-9;
            var told = free && layout.Spare >= 2;
            fits[i] = new StationFit(
                rises[i].Station,
                residuals[i],
                free ? pull[i] / Math.Sqrt(p) : 0,
                told ? rises[i].RiseMm - (pull[i] / p) : null,
                told ? Math.Sqrt(Math.Max(0, (1 / p) - u2)) : null,
                weights[i] / slipped
            );
        }
        var critical = layout.Critical(rises);
        var any = slipped / (slipped + ((1 - PriorSlip) * Math.Exp(-top)));
        var verdict =
            fits.Max(f => Math.Abs(f.Standardised)) <= critical ? RigidVerdict.Fits
            : layout.Spare == 1 ? RigidVerdict.CannotTell
            : any >= 0.5 ? RigidVerdict.Slipped
            : RigidVerdict.Doubtful;
        return new RigidBody(
            q[0],
            q[1],
            q.Count > 2 ? q[2] : 0,
            fits,
            1 - ChiSquared.CDF(layout.Spare, Math.Max(0, y * pull)),
            critical,
            any,
            verdict,
            [
                .. (
                    layout.Spare == 1 ? fits : fits.OrderByDescending(f => f.IfOne).AsEnumerable()
                ).Select(f => f.Station),
            ]
        );
    }

    /// <summary>Simulates the 5 % point for a layout; public so that the published points can be checked against it.</summary>
    /// <param name="rises">The layout; the rises themselves do not matter.</param>
    /// <param name="draws">Number of simulated walk-rounds.</param>
    /// <param name="seed">Seed of the simulation.</param>
    public static double SimulateCritical(IReadOnlyList<StationRise> rises, int draws, int seed) =>
        Layout.Of(rises) is { } layout
            ? layout.Simulate(draws, seed)
            : throw new ArgumentException("The stations span no plane.", nameof(rises));

    /// <summary>Where stations lie, and what the readings there can tell of a body.</summary>
    /// <param name="B">What each of the body's freedoms does to each station.</param>
    /// <param name="Noise">Covariance of the readings, mm².</param>
    /// <param name="Precision">Σ⁻¹ − Σ⁻¹B(BᵀΣ⁻¹B)⁻¹BᵀΣ⁻¹, 1/mm².</param>
    /// <param name="Covariance">Of the body's freedoms.</param>
    private sealed record Layout(
        Matrix<double> B,
        Matrix<double> Noise,
        Matrix<double> Precision,
        Matrix<double> Covariance
    )
    {
        /// <summary>Readings more than the body has freedoms.</summary>
        public int Spare => B.RowCount - B.ColumnCount;

        public Vector<double> Solve(Vector<double> y) =>
            Covariance * B.TransposeThisAndMultiply(Noise.Inverse() * y);

        public static Layout? Of(IReadOnlyList<StationRise> rises)
        {
            var n = rises.Count;
            if (n < 3)
            {
                return null;
            }
            var noise = Matrix<double>.Build.DenseOfDiagonalArray([
                .. rises.Select(r => r.UMm * r.UMm),
            ]);
            if (rises.All(r => r.YMm * rises[0].YMm > 0))
            {
                // One side alone: heave and pitch are its own, and the body may have rolled about it.
                var line = Matrix<double>.Build.DenseOfRows(rises.Select(r => new[] { 1, -r.XMm }));
                var rolled = Vector<double>.Build.DenseOfEnumerable(
                    rises.Select(r => (r.YMm - rises[0].YMm) * RollRad)
                );
                return Made(line, noise + rolled.OuterProduct(rolled));
            }
            return n < 4
                ? null
                : Made(
                    Matrix<double>.Build.DenseOfRows(rises.Select(r => new[] { 1, -r.XMm, r.YMm })),
                    noise
                );
        }

        private static Layout? Made(Matrix<double> b, Matrix<double> noise)
        {
            var inverse = noise.Inverse();
            var weighted = inverse * b;
            var normal = b.TransposeThisAndMultiply(weighted);
            // Coordinates differ by 10³, so the determinant is judged against the product of the diagonal.
            var scale = normal.Diagonal().Aggregate(1.0, (p, d) => p * d);
            if (!(scale > 0) || !(Math.Abs(normal.Determinant()) > 1e-12 * scale))
            {
                return null;
            }
            var covariance = normal.Inverse();
            return new Layout(
                b,
                noise,
                inverse - (weighted * covariance * weighted.Transpose()),
                covariance
            );
        }

        /// <summary>The 5 % point of max |standardised residual| without a slip.</summary>
        /// <remarks>
        /// One reading to spare makes all standardised residuals alike, so four corners, or three stations of one side, have the normal 95 % point.
        /// The two usual layouts with mid stations use published values; any other layout is simulated with a fixed seed.
        /// </remarks>
        public double Critical(IReadOnlyList<StationRise> rises)
        {
            if (Spare == 1)
            {
                return 1.959964;
            }
            var names = rises.Select(r => r.Station).ToHashSet();
            if (names.IsSupersetOf(["LF", "RF", "LR", "RR"]))
            {
                if (names.Count == 5 && (names.Contains("LM") || names.Contains("RM")))
                {
                    return 2.39;
                }
                if (names.Count == 6 && names.Contains("LM") && names.Contains("RM"))
                {
                    return 2.55;
                }
            }
            // The simulation depends on the layout alone, and the same few layouts come back with every reading.
            var layout = string.Join(
                ' ',
                B.Enumerate()
                    .Concat(Noise.Enumerate())
                    .Select(x => x.ToString("R", CultureInfo.InvariantCulture))
            );
            if (Simulated.Count >= MostLayouts)
            {
                Simulated.Clear();
            }
            return Simulated.GetOrAdd(layout, _ => Simulate(Draws, Seed));
        }

        /// <summary>The 5 % point by drawing rounds without a slip.</summary>
        public double Simulate(int draws, int seed)
        {
            var random = new Random(seed);
            var n = B.RowCount;
            // Standardised residuals are Pᵢ·noise/√Pᵢᵢ: one product for each draw.
            var root = Noise.Cholesky().Factor;
            var scaled = Precision * root;
            for (var i = 0; i < n; i++)
            {
                var p = Precision[i, i];
                scaled.SetRow(
                    i,
                    p * Noise[i, i] > 1e-9
                        ? scaled.Row(i) / Math.Sqrt(p)
                        : Vector<double>.Build.Dense(n)
                );
            }
            var largest = new double[draws];
            var noise = new double[n];
            for (var draw = 0; draw < draws; draw++)
            {
                Normal.Samples(random, noise, 0, 1);
                var most = 0.0;
                for (var i = 0; i < n; i++)
                {
                    var sum = 0.0;
                    for (var k = 0; k < n; k++)
                    {
                        sum += scaled[i, k] * noise[k];
                    }
                    most = Math.Max(most, Math.Abs(sum));
                }
                largest[draw] = most;
            }
            Array.Sort(largest);
            return largest[(int)(0.95 * draws)];
        }
    }
}
