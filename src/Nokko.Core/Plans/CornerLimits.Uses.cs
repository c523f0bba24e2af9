using Nokko.Core.Geometry;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Plans;

/// <summary>How much of each limit a stack uses up, on the point that holds in 95 of 100.</summary>
internal sealed partial class CornerLimits
{
    /// <summary>One-sided 95 % of a normal, in standard deviations.</summary>
    private const double Ninety5 = 1.645;

    /// <summary>Used up when a strut stands at its full length at ride height.</summary>
    private const double AllOfIt = 2;

    /// <summary>Every limit of the corner that can be told.</summary>
    /// <param name="riseMm">Rise of the frame over the wheel against nothing added, mm.</param>
    /// <param name="u">Its standard uncertainty, mm.</param>
    /// <param name="toppedOut">Whether the lift was capped by the strut's length.</param>
    /// <param name="ball">Swing of the ball joint to full droop, when it was worked out already.</param>
    public IEnumerable<LimitUse> Uses(double riseMm, double u, bool toppedOut, Result? ball = null)
    {
        LimitUse?[] uses =
        [
            toppedOut ? new("strut stands at its full length", AllOfIt, true) : null,
            Use("droop", Droop(riseMm, u), false),
            Use("bump", Bump(riseMm, u), false),
            Use("CV joint at ride height", CvAtRide(riseMm, u), false),
            Use(
                "CV joint at full droop",
                CvAtDroop(riseMm, u),
                Suspension.Get(SuspensionSizes.CvDroopLimit) is not null
            ),
            Use("ball joint at full droop", Ball(riseMm, ball), true),
            Use("brake hose", HoseUse(), false),
            Use("its maker's most", Plates(), true),
        ];
        return uses.OfType<LimitUse>();

        static LimitUse? Use(string what, double? share, bool hard) =>
            share is { } s ? new LimitUse(what, s, hard) : null;
    }

    /// <summary>No rise between two bounds uses less than this of the limit that is used most: droop and joints grow with the rise, bump falls.</summary>
    /// <param name="leastMm">Least rise, mm.</param>
    /// <param name="mostMm">Greatest rise, mm.</param>
    /// <param name="u">Standard uncertainty of the rise, mm.</param>
    /// <param name="toppedOut">Whether the lift was capped by the strut's length.</param>
    public double LeastUse(double leastMm, double mostMm, double u, bool toppedOut)
    {
        var most = toppedOut ? AllOfIt : 0;
        Take(Droop(leastMm, u));
        Take(Bump(mostMm, u));
        Take(CvAtRide(leastMm, u));
        Take(CvAtDroop(leastMm, u));
        Take(HoseUse());
        Take(Plates());
        return most;

        void Take(double? share) => most = Math.Max(most, share ?? 0);
    }

    /// <summary>Share of the droop without added parts that is left; null when it is not known.</summary>
    /// <param name="riseMm">Rise of the frame over the wheel against nothing added, mm.</param>
    public double? DroopKept(double riseMm) =>
        LeftMm(_ends.Droop, riseMm, true)?.Mm / LeftMm(_bare.Droop, 0, true)?.Mm;

    private double? Droop(double rise, double u) => Used(_ends.Droop, _bare.Droop, rise, u, true);

    private double? Bump(double rise, double u) => Used(_ends.Bump, _bare.Bump, rise, u, false);

    private double? Used(
        List<(string What, double W)> ends,
        List<(string What, double W)> bare,
        double rise,
        double u,
        bool down
    ) =>
        LeftMm(ends, rise, down) is { } left && LeftMm(bare, 0, down) is { Mm: > 0 and var whole }
            ? 1 - (Math.Max(0, left.Mm - (Ninety5 * Hypot(left.U, u))) / whole)
            : null;

    private double? CvAtRide(double rise, double u) =>
        Angle(rise, 0, u)
        / (Suspension.Get(SuspensionSizes.CvRideLimit) ?? CvShaftMechanism.RideDegrees);

    private double? CvAtDroop(double rise, double u) =>
        LeftMm(_ends.Droop, rise, true) is { Mm: var droop }
            ? Angle(rise, droop, u)
                / (Suspension.Get(SuspensionSizes.CvDroopLimit) ?? CvShaftMechanism.DroopDegrees)
            : null;

    /// <summary>CV joints on their 95 % point, °; below zero while the outer still stands higher by more than that.</summary>
    private double? Angle(double rise, double droop, double u) =>
        Cv(rise, droop) is { Value: { } angle, U: { } own }
            ? angle
                + (Ninety5 * Hypot(own, u / Suspension.Get(SuspensionSizes.CvRun)!.Value * Degrees))
            : null;

    private double? Ball(double rise, Result? swung) =>
        Suspension.Get(SuspensionSizes.BallJointLimit) is { } limit
        && (swung ?? Geometry(rise, LeftMm(_ends.Droop, rise, true)?.Mm).Ball)
            is { Value: { } swing, U: { } u }
            ? (swing + (Ninety5 * u)) / limit
            : null;

    private double? HoseUse() =>
        Hose() is { Value: { } slack, U: { } u }
            ? _axle.LeastHoseMm / Math.Max(_axle.LeastHoseMm / AllOfIt, slack - (Ninety5 * u))
            : null;

    private double? Plates() =>
        LiftLaw.MostPlatesMm(_stack) is { } most ? LiftLaw.PlatesMm(_stack) / most : null;

    private static double Hypot(double a, double b) => Math.Sqrt((a * a) + (b * b));
}
