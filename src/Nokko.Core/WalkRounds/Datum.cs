using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.WalkRounds;

/// <summary>From where a height is measured. A height has two ends: a datum and a station.</summary>
public enum Datum
{
    /// <summary>Hub centre; independent of the tyre.</summary>
    Hub,

    /// <summary>The floor under the wheel.</summary>
    Floor,

    /// <summary>Lowest edge of the rim.</summary>
    Rim,

    /// <summary>Lower edge of the frame beside the wheel.</summary>
    Frame,

    /// <summary>A named place of the fitter's own, compared only with itself.</summary>
    Own,
}

/// <summary>What ties the datums of one wheel together.</summary>
/// <param name="LoadedRadiusMm">r, the hub's height above the floor, in mm.</param>
/// <param name="LoadedRadiusUMm">Standard uncertainty of r in mm.</param>
/// <param name="RimRadiusMm">ρ, the rim's outer radius, in mm.</param>
/// <param name="RimRadiusUMm">Standard uncertainty of ρ in mm.</param>
/// <param name="RadiusMeasured">Whether r was measured; only then may a verdict rest on a conversion from or to the floor.</param>
/// <param name="RimMeasured">Whether ρ was measured.</param>
public sealed record WheelRadii(
    double LoadedRadiusMm,
    double LoadedRadiusUMm,
    double RimRadiusMm,
    double RimRadiusUMm,
    bool RadiusMeasured = false,
    bool RimMeasured = false
);

/// <summary>A height carried from one datum to another.</summary>
/// <param name="Mm">The converted height in mm.</param>
/// <param name="UMm">Its standard uncertainty in mm, the conversion included.</param>
/// <param name="Decides">Whether a verdict may rest on it: nothing was converted, or with measured radii only.</param>
public readonly record struct ConvertedHeight(double Mm, double UMm, bool Decides);

/// <summary>Datum rules: floor = hub + r, rim = hub + ρ.</summary>
/// <remarks>Source: docs/computation/datums.md#datums.</remarks>
public static class Datums
{
    /// <summary>Radial stiffness of a usual tyre, N/mm.</summary>
    public const double TyreRateNPerMm = 260;

    /// <summary>Loaded radius over free radius when the load is not known.</summary>
    public const double LoadedShare = 0.945;

    /// <summary>Estimates r and ρ from the tyre's size and, when known, the load on the wheel.</summary>
    /// <param name="tyre">The tyre.</param>
    /// <param name="loadN">Load on the wheel in N, or null.</param>
    public static WheelRadii Estimate(TyreSize tyre, double? loadN = null)
    {
        var free = tyre.DiameterMm / 2;
        return new WheelRadii(
            loadN is { } load ? free - (load / TyreRateNPerMm) : LoadedShare * free,
            6,
            ((tyre.RimInches * 25.4) + 35) / 2,
            3
        );
    }

    /// <summary>Carries a height between hub, floor and rim at one wheel.</summary>
    /// <returns>The height, or null when the two datums cannot be converted (frame and own stand alone).</returns>
    public static ConvertedHeight? Convert(
        double mm,
        double uMm,
        Datum from,
        Datum to,
        WheelRadii radii
    )
    {
        if (from == to)
        {
            return new ConvertedHeight(mm, uMm, true);
        }
        if (Offset(from, radii) is not { } a || Offset(to, radii) is not { } b)
        {
            return null;
        }
        return new ConvertedHeight(
            mm - a.Mm + b.Mm,
            Math.Sqrt((uMm * uMm) + (a.U * a.U) + (b.U * b.U)),
            a.Measured && b.Measured
        );
    }

    /// <summary>Usual heights of a fender lip above the datum, in mm; outside them the tool asks, it never blocks.</summary>
    /// <param name="datum">The datum.</param>
    /// <param name="light">Whether the vehicle is a cart or UTV.</param>
    public static Band? LipBand(Datum datum, bool light) =>
        (datum, light) switch
        {
            (Datum.Hub, false) => Inches(16, 30),
            (Datum.Rim, false) => Inches(24, 38),
            (Datum.Floor, false) => Inches(26, 50),
            (Datum.Hub, true) => Inches(10, 26),
            (Datum.Rim, true) => Inches(16, 32),
            (Datum.Floor, true) => Inches(20, 40),
            _ => null,
        };

    /// <summary>Whether a reading stands apart from its neighbours by about r or ρ, as if another datum had been hooked.</summary>
    /// <param name="mm">The reading in mm.</param>
    /// <param name="datum">The datum it is said to have.</param>
    /// <param name="neighboursMm">Other lips of the same round in the same datum.</param>
    /// <param name="radii">The wheel's radii.</param>
    /// <returns>The datum that it looks like, or null.</returns>
    public static Datum? LooksLike(
        double mm,
        Datum datum,
        IReadOnlyCollection<double> neighboursMm,
        WheelRadii radii
    )
    {
        if (neighboursMm.Count == 0 || Offset(datum, radii) is not { } mine)
        {
            return null;
        }
        var usual = neighboursMm.Average();
        const double near = 70;
        foreach (var other in (Datum[])[Datum.Hub, Datum.Floor, Datum.Rim])
        {
            var apart = Offset(other, radii)!.Value.Mm - mine.Mm;
            if (other != datum && Math.Abs(apart) > 2 * near && Math.Abs(mm - usual - apart) < near)
            {
                return other;
            }
        }
        return null;
    }

    private static Band Inches(double low, double high) => new(low * 25.4, high * 25.4);

    private static (double Mm, double U, bool Measured)? Offset(Datum datum, WheelRadii radii) =>
        datum switch
        {
            Datum.Hub => (0, 0, true),
            Datum.Floor => (radii.LoadedRadiusMm, radii.LoadedRadiusUMm, radii.RadiusMeasured),
            Datum.Rim => (radii.RimRadiusMm, radii.RimRadiusUMm, radii.RimMeasured),
            _ => null,
        };
}
