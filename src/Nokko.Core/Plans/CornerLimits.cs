using Nokko.Core.Geometry;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Plans;

/// <summary>Finds what a stack leaves of one corner's travel, and what meets first.</summary>
/// <remarks>Source: docs/computation/lifts.md#coil-over-on-a-lower-arm, docs/computation/geometry.md#taped-geometry. At the planned ride height the wheel's place is w = −rise.</remarks>
internal sealed partial class CornerLimits
{
    /// <summary>Room that is kept between the stop's end and the next hard thing, mm.</summary>
    private const double StopMarginMm = 5;

    /// <summary>Without a shock that is known, a coil that comes loose within this droop is named, mm: a rule of thumb.</summary>
    private const double LooseWithoutShockMm = 60;

    private const double Degrees = 180 / Math.PI;

    private readonly AxleState _axle;
    private readonly IReadOnlyList<PlacedPart> _stack;
    private readonly TravelEnds _ends;
    private readonly TravelEnds _bare;

    /// <summary>Sets up the limits of a corner: where its travel ends does not depend on how high it stands.</summary>
    /// <param name="axle">The axle.</param>
    /// <param name="bare">Where travel ends without added parts, the same for both sides.</param>
    /// <param name="stack">What will stand there.</param>
    /// <param name="puckMm">Rise of the body on its mounts there, mm.</param>
    /// <param name="tyreMm">By how much the tyre's radius is greater, mm.</param>
    public CornerLimits(
        AxleState axle,
        TravelEnds bare,
        IReadOnlyList<PlacedPart> stack,
        double puckMm,
        double tyreMm
    )
    {
        (_axle, _stack, _bare) = (axle, stack, bare);
        _ends = new TravelEnds(axle, stack, puckMm, tyreMm);
    }

    private Vehicles.Suspension Suspension => _axle.Suspension;

    /// <summary>The outlook of the corner.</summary>
    /// <param name="corner">LF, RF, LR or RR.</param>
    /// <param name="rise">Rise of the frame over the wheel against nothing added, mm, with its standard uncertainty.</param>
    /// <param name="toppedOut">Whether the lift was capped by the strut's length.</param>
    public CornerOutlook Outlook(Corner corner, (double Mm, double U) rise, bool toppedOut)
    {
        var h = rise.Mm;
        var droop = Left(_ends.Droop, h, down: true);
        var bump = Left(_ends.Bump, h, down: false);
        var geometry = Geometry(h, droop.Value);
        var outlook = new CornerOutlook
        {
            Corner = corner,
            Grade = _axle.Corner.Grade,
            Ratio = Result.Of(_axle.Corner.Ratio.Mean, Unit.One, _axle.Corner.Ratio.Sd, []),
            Rise = Result.Of(h, Unit.Mm, rise.U, []),
            Droop = droop,
            Bump = bump,
            StandardDroop = Left(_bare.Droop, 0, down: true),
            StandardBump = Left(_bare.Bump, 0, down: false),
            AboveTyre = Above(_ends.AboveTyre + h, rise.U),
            AboveTyreAtBump = AtBump(_ends),
            StandardAboveTyreAtBump = AtBump(_bare),
            Marks = Marks(h),
            StopExtension = StopExtension(),
            CvRide = Cv(h, 0),
            CvDroop = droop.Value is { } d ? Cv(h, d) : No(Unit.Degree, droop.Cannot!),
            BallJointRide = geometry.Ride,
            BallJoint = geometry.Ball,
            Camber = geometry.Camber,
            Track = geometry.Track,
            HoseSlack = Hose(),
            ToppedOut = toppedOut,
            Uses = [.. Uses(h, rise.U, toppedOut, geometry.Ball).OrderByDescending(x => x.Share)],
            Cautions = [],
        };
        return outlook with
        {
            Cautions =
            [
                .. CornerCautions
                    .Of(outlook, _axle, _stack, WhatEnds(_ends.Droop, down: true), LooseCoil(h))
                    .OrderByDescending(c => c.Heed),
            ],
        };
    }

    private Result Left(List<(string What, double W)> ends, double rise, bool down)
    {
        if (ends.Count == 0)
        {
            return No(
                Unit.Mm,
                Suspension.Kind.HasCoilOver()
                    ? $"Enter the strut's length now and fully {(down ? "extended" : "collapsed")}."
                    : $"Enter the shock's length now and fully {(down ? "extended" : "collapsed")}."
            );
        }
        var (left, u) = LeftMm(ends, rise, down)!.Value;
        return Result.Of(left, Unit.Mm, u, []);
    }

    private (double Mm, double U)? LeftMm(
        List<(string What, double W)> ends,
        double rise,
        bool down
    )
    {
        if (ends.Count == 0)
        {
            return null;
        }
        var end = down ? ends.MaxBy(e => e.W) : ends.MinBy(e => e.W);
        var left = Math.Max(0, down ? -rise - end.W : end.W + rise);
        // Two tapes of 2 mm, and the ratio where the strut's own length decides.
        var share = end.What.StartsWith("strut", StringComparison.Ordinal)
            ? _axle.Corner.Ratio.Sd / _axle.Corner.Ratio.Mean
            : 0.02;
        return (left, Math.Sqrt(8 + Math.Pow(share * left, 2)));
    }

    private static Result Above(double? mm, double u) =>
        mm is { } left
            ? Result.Of(left, Unit.Mm, double.Hypot(AxleSizes.JointUMm, u), [])
            : Result.No(Unit.Mm, CornerOutlook.TapeAbove);

    private static Result AtBump(TravelEnds ends) =>
        ends is { AboveTyre: not null, HighestButTyre: null }
            ? Result.No(
                Unit.Mm,
                "Enter the gap at the bump stop and its height: then it is told what meets first."
            )
            : Above(ends.AboveTyre - ends.HighestButTyre, AxleSizes.JointUMm);

    private static string? WhatEnds(List<(string What, double W)> ends, bool down) =>
        ends.Count == 0 ? null : (down ? ends.MaxBy(e => e.W) : ends.MinBy(e => e.W)).What;

    private IReadOnlyList<TravelMark> Marks(double rise) =>
        [
            .. _ends
                .Droop.Select(e => new TravelMark(e.What, e.W + rise, e.W == _ends.Lowest))
                .Concat(
                    _ends.Bump.Select(e => new TravelMark(e.What, e.W + rise, e.W == _ends.Highest))
                )
                .Concat(_ends.OnTheWay.Select(e => new TravelMark(e.What, e.W + rise, false)))
                .OrderBy(m => m.AtMm),
        ];

    private bool LooseCoil(double rise) =>
        _ends.OnTheWay.FirstOrDefault(m => m.What == TravelEnds.CoilLoose)
            is { What: not null } loose
        && loose.W > (_ends.Lowest + 1 ?? -rise - LooseWithoutShockMm);

    private Result StopExtension()
    {
        var solid = _ends.Bump.FirstOrDefault(b => b.What == TravelEnds.StopSolid);
        var others = _ends.Bump.Where(b => b.What != TravelEnds.StopSolid).ToArray();
        return solid.What is null || others.Length == 0
            ? No(
                Unit.Mm,
                "Enter the gap at the bump stop, its height, and the collapsed length of shock or strut."
            )
            : Result.Of(
                Math.Max(0, (solid.W - (others.Min(o => o.W) - StopMarginMm)) * _ends.StopShare),
                Unit.Mm,
                3,
                []
            );
    }

    private Result Hose()
    {
        if (Suspension.Get(SuspensionSizes.HoseSlack) is not { } slack)
        {
            return No(Unit.Mm, "Tape the hose's slack at the old full droop, both locks.");
        }
        if (_ends.Lowest is not { } now || _bare.Lowest is not { } was)
        {
            return No(Unit.Mm, "How far it will droop is not known.");
        }
        if (HosesMechanism.ReachMm(_stack) is not { } further)
        {
            return No(Unit.Mm, HosesMechanism.NoLength);
        }
        var gained = Math.Max(0, was - now);
        return Result.Of(slack - gained + further, Unit.Mm, HosesMechanism.SlackUMm, []);
    }

    private Result Cv(double rise, double droop)
    {
        if (
            Suspension.Get(SuspensionSizes.CvDrop) is not { } drop
            || Suspension.Get(SuspensionSizes.CvRun) is not { } run
        )
        {
            return No(
                Unit.Degree,
                Suspension.Kind.IsLiveAxle()
                    ? "A live axle has none."
                    : "Enter how far the outer joint stands below the inner, and the run between them."
            );
        }
        // A rear subframe carries its differential down with it.
        var lowered =
            _ends.Sum(PartKind.DiffDrop)
            + (Suspension.Kind == SuspensionKind.MultiLink ? _ends.Sum(PartKind.SubframeBlock) : 0);
        var below = drop + rise + droop - lowered;
        var across = run + _ends.Sum(PartKind.HalfShaftSpacer);
        return Result.Of(
            Math.Atan2(below, across) * Degrees,
            Unit.Degree,
            4 / across * Degrees,
            []
        );
    }

    /// <summary>Swing of the lower ball joint to ride height and to full droop, camber and track at ride height.</summary>
    private (Result Ride, Result Ball, Result Camber, Result Track) Geometry(
        double rise,
        double? droop
    )
    {
        var why = "Only taped points tell it.";
        // Pivots that were lowered go down with the frame's rise: by so much the arms turn the less.
        var turned = rise - _ends.Sum(PartKind.DropBracket, PartKind.SubframeBlock);
        if (
            _axle.Corner.Grade != RatioGrade.Taped
            || _axle.Corner.Linkage.LengthAt(-turned) is not { } ride
        )
        {
            return (
                No(Unit.Degree, why),
                No(Unit.Degree, why),
                No(Unit.Degree, why),
                No(Unit.Mm, why)
            );
        }
        var low = droop is { } d ? _axle.Corner.Linkage.LengthAt(-turned - d) : null;
        switch (_axle.Corner.Linkage)
        {
            case DoubleWishbone arms when arms.At(ride) is { } now:
                return (
                    Swing(
                        now.LowerBallJoint,
                        arms.Points.LowerPivot,
                        arms.Points.LowerBallJoint,
                        -now.CamberChangeRad
                    ),
                    low is { } l && arms.At(l) is { } at
                        ? Swing(
                            at.LowerBallJoint,
                            arms.Points.LowerPivot,
                            arms.Points.LowerBallJoint,
                            -at.CamberChangeRad
                        )
                        : No(Unit.Degree, "How far it will droop is not known."),
                    Angle(now.CamberChangeRad),
                    Result.Of(now.TrackChangeMm, Unit.Mm, 2, [])
                );
            case StrutLinkage strut when strut.At(ride) is { } now:
                return (
                    Swing(
                        now.LowerBallJoint,
                        strut.Points.LowerPivot,
                        strut.Points.LowerBallJoint,
                        -now.CamberChangeRad
                    ),
                    low is { } f && strut.At(f) is { } end
                        ? Swing(
                            end.LowerBallJoint,
                            strut.Points.LowerPivot,
                            strut.Points.LowerBallJoint,
                            -end.CamberChangeRad
                        )
                        : No(Unit.Degree, "How far it will droop is not known."),
                    Angle(now.CamberChangeRad),
                    No(Unit.Mm, why)
                );
            default:
                return (
                    No(Unit.Degree, why),
                    No(Unit.Degree, why),
                    No(Unit.Degree, why),
                    No(Unit.Mm, why)
                );
        }

        // Points ± 3 mm give ± 0.15° of camber.
        static Result Angle(double rad) => Result.Of(rad * Degrees, Unit.Degree, 0.075, []);

        static Result Swing(
            PlanePoint ball,
            PlanePoint pivot,
            PlanePoint old,
            double uprightTurn
        ) =>
            Result.Of(
                Math.Abs(((ball - pivot).Angle - (old - pivot).Angle - uprightTurn) * Degrees),
                Unit.Degree,
                0.5,
                []
            );
    }

    private static Result No(Unit unit, string why) => Result.No(unit, why);
}
