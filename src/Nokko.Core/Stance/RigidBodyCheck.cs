using System.Collections.Concurrent;
using System.Globalization;
using MathNet.Numerics.Distributions;
using MathNet.Numerics.LinearAlgebra;
using Nokko.Core.Proof;
using Nokko.Core.Vehicles;

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
/// <param name="LeftOutMm">What the rise would have had to be by the other stations, mm; null for four stations or fewer.</param>
/// <param name="LeftOutUMm">Standard uncertainty of that value, mm.</param>
public sealed record StationFit(
    string Station,
    double ResidualMm,
    double Standardised,
    double? LeftOutMm,
    double? LeftOutUMm
);

/// <summary>What the check found.</summary>
public enum RigidVerdict
{
    /// <summary>The rises fit a rigid body within their uncertainty.</summary>
    Fits,

    /// <summary>One station does not fit and is named.</summary>
    Named,

    /// <summary>Something is off and several stations could be it.</summary>
    Candidates,

    /// <summary>Something is off and this layout cannot tell which: read the mid stations.</summary>
    CannotTell,
}

/// <summary>The rigid body through the rises and what does not fit it.</summary>
/// <param name="ZMm">Heave at the origin, mm, up positive.</param>
/// <param name="PitchRad">θ, nose-down positive, rad.</param>
/// <param name="RollRad">φ, left side up positive, rad.</param>
/// <param name="Stations">Residuals by station, in the order given.</param>
/// <param name="ChiSquareProbability">Probability of a worse fit with no slip.</param>
/// <param name="Critical">The 5 % point of the largest |standardised residual| for this layout.</param>
/// <param name="Verdict">The finding.</param>
/// <param name="Suspects">The named station, or the candidates, worst first.</param>
public sealed record RigidBody(
    double ZMm,
    double PitchRad,
    double RollRad,
    IReadOnlyList<StationFit> Stations,
    double ChiSquareProbability,
    double Critical,
    RigidVerdict Verdict,
    IReadOnlyList<string> Suspects
);

/// <summary>Fits Δ = Z − xθ + yφ to rises by weighted least squares and finds the reading that does not fit.</summary>
/// <remarks>Source: docs/computation/rigid-body.md#residuals-and-leave-one-out. A station is named only if its squared standardised residual leads the next by more than 4.</remarks>
public static class RigidBodyCheck
{
    private const double NamingLead = 4;
    private const int Draws = 20_000;
    private const int Seed = 20_05;
    private const int MostLayouts = 256;
    private static readonly ConcurrentDictionary<string, double> Simulated = new();

    /// <summary>Fits a rigid body.</summary>
    /// <param name="rises">At least four rises, one datum, one carrier, that span a plane.</param>
    /// <returns>The fit, or null when fewer than four rises are given or they do not span a plane.</returns>
    public static RigidBody? Fit(IReadOnlyList<StationRise> rises)
    {
        var n = rises.Count;
        if (n < 4 || Design(rises) is not { } design)
        {
            return null;
        }
        var (b, w, covariance) = design;
        var y = Vector<double>.Build.DenseOfEnumerable(rises.Select(r => r.RiseMm));
        var q = covariance * (b.TransposeThisAndMultiply(w.PointwiseMultiply(y)));
        var residuals = y - (b * q);
        var fits = new StationFit[n];
        for (var i = 0; i < n; i++)
        {
            var row = b.Row(i);
            var u2 = rises[i].UMm * rises[i].UMm;
            var fitted = row * (covariance * row);
            var left = u2 - fitted;
            // A station that alone holds one direction of the plane has no residual of its own.
            var free = left > 1e-9 * u2;
            fits[i] = new StationFit(
                rises[i].Station,
                residuals[i],
                free ? residuals[i] / Math.Sqrt(left) : 0,
                free && n >= 5 ? rises[i].RiseMm - (residuals[i] * u2 / left) : null,
                free && n >= 5 ? Math.Sqrt(fitted * u2 / left) : null
            );
        }
        var chi = residuals.PointwiseMultiply(residuals) * w;
        var critical = Critical(rises, b, w, covariance);
        var (verdict, suspects) = Judge(fits, critical);
        return new RigidBody(
            q[0],
            q[1],
            q[2],
            fits,
            1 - ChiSquared.CDF(n - 3, chi),
            critical,
            verdict,
            suspects
        );
    }

    private static (RigidVerdict, IReadOnlyList<string>) Judge(StationFit[] fits, double critical)
    {
        var ranked = fits.OrderByDescending(f => Math.Abs(f.Standardised)).ToArray();
        var worst = ranked[0].Standardised * ranked[0].Standardised;
        if (Math.Sqrt(worst) <= critical)
        {
            return (RigidVerdict.Fits, []);
        }
        if (fits.Length == 4)
        {
            return (RigidVerdict.CannotTell, []);
        }
        var candidates = ranked
            .TakeWhile(f => worst - (f.Standardised * f.Standardised) <= NamingLead)
            .Select(f => f.Station)
            .ToArray();
        return (candidates.Length == 1 ? RigidVerdict.Named : RigidVerdict.Candidates, candidates);
    }

    /// <summary>The 5 % point of max |standardised residual| without a slip.</summary>
    /// <remarks>
    /// One degree of freedom makes all standardised residuals alike, so four stations have the normal 95 % point.
    /// The two usual layouts with mid stations use published values; any other layout is simulated with a fixed seed.
    /// </remarks>
    private static double Critical(
        IReadOnlyList<StationRise> rises,
        Matrix<double> b,
        Vector<double> w,
        Matrix<double> covariance
    )
    {
        if (rises.Count == 4)
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
            b.Enumerate().Concat(w).Select(x => x.ToString("R", CultureInfo.InvariantCulture))
        );
        if (Simulated.Count >= MostLayouts)
        {
            Simulated.Clear();
        }
        return Simulated.GetOrAdd(layout, _ => Simulate(b, w, covariance, Draws, Seed));
    }

    /// <summary>Simulates the 5 % point for a layout; public so that the published points can be checked against it.</summary>
    /// <param name="rises">The layout; the rises themselves do not matter.</param>
    /// <param name="draws">Number of simulated walk-rounds.</param>
    /// <param name="seed">Seed of the simulation.</param>
    public static double SimulateCritical(IReadOnlyList<StationRise> rises, int draws, int seed) =>
        Design(rises) is { } d
            ? Simulate(d.B, d.W, d.Covariance, draws, seed)
            : throw new ArgumentException("The stations span no plane.", nameof(rises));

    private static double Simulate(
        Matrix<double> b,
        Vector<double> w,
        Matrix<double> covariance,
        int draws,
        int seed
    )
    {
        var random = new Random(seed);
        var n = b.RowCount;
        // Residuals are (I − H)·noise; scaling each row gives standardised residuals in one product.
        var hat =
            b
            * covariance
            * b.TransposeThisAndMultiply(Matrix<double>.Build.DiagonalOfDiagonalVector(w));
        var maker = Matrix<double>.Build.DenseIdentity(n) - hat;
        var u = w.Map(x => 1 / Math.Sqrt(x));
        var scaled = Matrix<double>.Build.Dense(
            n,
            n,
            (i, j) =>
            {
                var left = (u[i] * u[i]) * maker[i, i];
                return left > 1e-9 * u[i] * u[i] ? maker[i, j] * u[j] / Math.Sqrt(left) : 0;
            }
        );
        var largest = new double[draws];
        var noise = new double[n];
        for (var draw = 0; draw < draws; draw++)
        {
            Normal.Samples(random, noise, 0, 1);
            var most = 0.0;
            for (var i = 0; i < n; i++)
            {
                var sum = 0.0;
                for (var j = 0; j < n; j++)
                {
                    sum += scaled[i, j] * noise[j];
                }
                most = Math.Max(most, Math.Abs(sum));
            }
            largest[draw] = most;
        }
        Array.Sort(largest);
        return largest[(int)(0.95 * draws)];
    }

    private static (Matrix<double> B, Vector<double> W, Matrix<double> Covariance)? Design(
        IReadOnlyList<StationRise> rises
    )
    {
        var b = Matrix<double>.Build.DenseOfRows(rises.Select(r => new[] { 1, -r.XMm, r.YMm }));
        var w = Vector<double>.Build.DenseOfEnumerable(rises.Select(r => 1 / (r.UMm * r.UMm)));
        var normal = b.TransposeThisAndMultiply(
            Matrix<double>.Build.DiagonalOfDiagonalVector(w) * b
        );
        // Coordinates differ by 10³, so the determinant is judged against the product of the diagonal.
        var scale = normal[0, 0] * normal[1, 1] * normal[2, 2];
        return scale > 0 && Math.Abs(normal.Determinant()) > 1e-12 * scale
            ? (b, w, normal.Inverse())
            : null;
    }
}
