using Nokko.Core.WalkRounds;

namespace Nokko.Core.Suspension;

/// <summary>Side-view points of a live axle on lower and upper links with its coil, at ride height, mm. Y is along the vehicle, from the wheel centre towards the frame pivots.</summary>
/// <param name="LowerPivot">Lower link on the frame.</param>
/// <param name="LowerAxleJoint">Lower link on the axle.</param>
/// <param name="UpperPivot">Upper link on the frame.</param>
/// <param name="UpperAxleJoint">Upper link on the axle.</param>
/// <param name="StrutFoot">Coil or coil-over on the axle.</param>
/// <param name="StrutTop">Coil or coil-over on the frame.</param>
/// <param name="WheelCentre">Wheel centre, rigid with the axle.</param>
public sealed record FourLinkPoints(
    PlanePoint LowerPivot,
    PlanePoint LowerAxleJoint,
    PlanePoint UpperPivot,
    PlanePoint UpperAxleJoint,
    PlanePoint StrutFoot,
    PlanePoint StrutTop,
    PlanePoint WheelCentre
);

/// <summary>One position of an axle on links.</summary>
/// <param name="LowerAxleJoint">Lower joint, mm.</param>
/// <param name="UpperAxleJoint">Upper joint, mm.</param>
/// <param name="StrutFoot">Coil on the axle, mm.</param>
/// <param name="WheelCentre">Wheel centre, mm.</param>
/// <param name="MotionRatio">−d(spring length)/d(wheel height); positive.</param>
/// <param name="TurnRad">Turn of the axle against ride height: caster in front and pinion behind; counter-clockwise with the frame pivots to the right.</param>
public readonly record struct FourLinkPosition(
    PlanePoint LowerAxleJoint,
    PlanePoint UpperAxleJoint,
    PlanePoint StrutFoot,
    PlanePoint WheelCentre,
    double MotionRatio,
    double TurnRad
);

/// <summary>A live axle on upper and lower links, in side view, its coil standing on the axle.</summary>
/// <remarks>
/// Source: docs/computation/linkages.md#linkages. The coil stands on the coupler, so its length gives the links' angle through Newton's method on the exact derivative;
/// each step is two circles that meet, on the branch of ride height. The first guess follows the slope and the curvature at ride height.
/// </remarks>
public sealed class FourLink : ILinkage
{
    private readonly double _upper;
    private readonly PlanePoint _lower;
    private readonly double _axle;
    private readonly double _slope;
    private readonly double _curvature;

    /// <summary>Makes the linkage from its points at ride height.</summary>
    /// <param name="ride">The points.</param>
    /// <param name="upperLongerMm">The upper link longer than the one that was taped, mm; below zero shorter.</param>
    /// <param name="lowerLongerMm">The same of the lower link.</param>
    public FourLink(FourLinkPoints ride, double upperLongerMm = 0, double lowerLongerMm = 0)
    {
        Points = ride;
        var lower = ride.LowerAxleJoint - ride.LowerPivot;
        _lower = (1 + (lowerLongerMm / lower.Length)) * lower;
        _upper = (ride.UpperAxleJoint - ride.UpperPivot).Length + upperLongerMm;
        _axle = (ride.UpperAxleJoint - ride.LowerAxleJoint).Length;
        RideLengthMm = (ride.StrutTop - ride.StrutFoot).Length;
        const double Little = 1e-3;
        _slope = AtTurn(0)?.Slope ?? double.NaN;
        _curvature = (AtTurn(Little)?.Slope - AtTurn(-Little)?.Slope) / (2 * Little) ?? double.NaN;
    }

    /// <summary>The points at ride height.</summary>
    public FourLinkPoints Points { get; }

    /// <inheritdoc/>
    public double RideLengthMm { get; }

    /// <summary>The position at a spring length, or null: the links cannot reach it.</summary>
    /// <param name="lengthMm">Foot to top, mm.</param>
    public FourLinkPosition? At(double lengthMm) => Solve(lengthMm) is { } p ? Position(p) : null;

    /// <summary>The position with the wheel at a height, or null: the links cannot reach it.</summary>
    /// <param name="upMm">The wheel centre above its place at ride height, as the points have it, mm.</param>
    public FourLinkPosition? AtWheel(double upMm)
    {
        var (turn, wanted) = (0.0, Points.WheelCentre.Z + upMm);
        // Stryker disable once all : how often at most only decides how soon it is found
        for (var i = 0; i < 40; i++)
        {
            if (AtTurn(turn) is not { } now)
            {
                return null;
            }
            var off = wanted - now.Wheel.Z;
            if (Math.Abs(off) < 1e-9)
            {
                return Position(now);
            }
            // The wheel goes by −slope/motion ratio with the link's turn; a quarter of a radian at most.
            turn += Math.Clamp(-off * now.MotionRatio / now.Slope, -0.25, 0.25);
        }
        return null;
    }

    private FourLinkPosition Position(Place p) =>
        new(
            p.Lower,
            p.Upper,
            p.Foot,
            p.Wheel,
            p.MotionRatio,
            PlanePoint.Between(Points.UpperAxleJoint - Points.LowerAxleJoint, p.Upper - p.Lower)
        );

    /// <inheritdoc/>
    public WheelPlace? WheelAt(double lengthMm) =>
        Solve(lengthMm) is { } p ? new WheelPlace(p.Wheel.Z, p.MotionRatio) : null;

    private Place? Solve(double lengthMm)
    {
        var guess = (lengthMm - RideLengthMm) / _slope;
        var bent = guess - (_curvature / _slope * guess * guess / 2);
        var turn = Math.Abs(bent) < 0.25 ? bent : 0;
        for (var i = 0; i < 40; i++)
        {
            if (AtTurn(turn) is not { } now)
            {
                return null;
            }
            if (Math.Abs(lengthMm - now.Length) < 1e-10)
            {
                return now;
            }
            // A quarter of a radian at most: no step leaves the branch.
            turn += Math.Clamp((lengthMm - now.Length) / now.Slope, -0.25, 0.25);
        }
        return null;
    }

    /// <summary>Where everything is at one turn of the lower link, and how the spring's length goes with it.</summary>
    private readonly record struct Place(
        PlanePoint Lower,
        PlanePoint Upper,
        PlanePoint Foot,
        PlanePoint Wheel,
        double MotionRatio,
        double Length,
        double Slope
    );

    private Place? AtTurn(double turn)
    {
        var lower = Points.LowerPivot + _lower.Turned(turn);
        var was = Points.UpperAxleJoint - Points.LowerAxleJoint;
        if (
            PlanePoint.Meeting(lower, _axle, Points.UpperPivot, _upper, lower + was)
            is not { } upper
        )
        {
            return null;
        }
        var now = upper - lower;
        var foot = lower + (Points.StrutFoot - Points.LowerAxleJoint).TurnedAs(was, now);
        var wheel = lower + (Points.WheelCentre - Points.LowerAxleJoint).TurnedAs(was, now);
        var vLower = (lower - Points.LowerPivot).Quarter();
        var link = upper - Points.UpperPivot;
        var rate = -PlanePoint.Dot(link, vLower) / PlanePoint.Dot(link, now.Quarter());
        var vFoot = vLower + (rate * (foot - lower).Quarter());
        var vWheel = vLower + (rate * (wheel - lower).Quarter());
        var spring = foot - Points.StrutTop;
        var length = spring.Length;
        var slope = PlanePoint.Dot(spring, vFoot) / length;
        var ratio = -slope / vWheel.Z;
        return double.IsFinite(ratio) && slope != 0
            ? new Place(lower, upper, foot, wheel, ratio, length, slope)
            : null;
    }
}
