using Nokko.Core.Parts;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Planning;

/// <summary>Finds what a stack leaves of one corner's travel, and what meets first.</summary>
/// <remarks>
/// Source: computation.md, sections 7.2 and 8. Places of the wheel are counted from ride height without added parts, up positive: w.
/// At the planned ride height w = −rise. All sizes of the suspension are those without added parts.
/// </remarks>
internal sealed class CornerLimits
{
    /// <summary>A bump stop on an arm moves less than the wheel: a rule of thumb.</summary>
    private const double StopShareOnArm = 0.65;

    /// <summary>Share of its height by which a rubber stop is squeezed: a rule of thumb.</summary>
    private const double StopSqueeze = 0.4;

    /// <summary>Room that is kept between the stop's end and the next hard thing, mm.</summary>
    private const double StopMarginMm = 5;

    /// <summary>Usual limit of a CV joint at ride height, °: a rule of thumb.</summary>
    public const double CvRideDegrees = 8;

    /// <summary>Usual limit of a CV joint at full droop, °: a rule of thumb.</summary>
    public const double CvDroopDegrees = 18;

    /// <summary>Least hose slack, mm.</summary>
    public const double LeastHoseMm = 12;

    private const double Degrees = 180 / Math.PI;

    private readonly AxleState _axle;
    private readonly IReadOnlyList<PlacedPart> _stack;
    private readonly List<(string What, double W)> _droop = [];
    private readonly List<(string What, double W)> _bump = [];
    private readonly List<(string What, double W)> _marks = [];

    private CornerLimits(
        AxleState axle,
        IReadOnlyList<PlacedPart> stack,
        double puckMm,
        double tyreMm
    )
    {
        _axle = axle;
        _stack = stack;
        Collect(puckMm, tyreMm);
    }

    private Vehicles.Suspension Suspension => _axle.Suspension;

    private double StopShare =>
        Suspension.Kind
            is SuspensionKind.CoilOverArm
                or SuspensionKind.MultiLink
                or SuspensionKind.TransverseLeaf
            ? StopShareOnArm
            : 1;

    /// <summary>The outlook of a corner.</summary>
    /// <param name="corner">LF, RF, LR or RR.</param>
    /// <param name="axle">The axle.</param>
    /// <param name="stack">What will stand there.</param>
    /// <param name="rise">Rise of the frame over the wheel against nothing added, mm, with its standard uncertainty.</param>
    /// <param name="puckMm">Rise of the body on its mounts there, mm.</param>
    /// <param name="tyreMm">By how much the tyre's radius is greater, mm.</param>
    /// <param name="toppedOut">Whether the lift was capped by the strut's length.</param>
    public static CornerOutlook Of(
        string corner,
        AxleState axle,
        IReadOnlyList<PlacedPart> stack,
        (double Mm, double U) rise,
        double puckMm,
        double tyreMm,
        bool toppedOut
    )
    {
        var bare = new CornerLimits(axle, [], 0, 0);
        var now = new CornerLimits(axle, stack, puckMm, tyreMm);
        return now.Outlook(corner, rise, bare, toppedOut);
    }

    private CornerOutlook Outlook(
        string corner,
        (double Mm, double U) rise,
        CornerLimits bare,
        bool toppedOut
    )
    {
        var h = rise.Mm;
        var droop = Left(_droop, h, down: true);
        var bump = Left(_bump, h, down: false);
        var geometry = Geometry(h, droop.Value);
        var outlook = new CornerOutlook
        {
            Corner = corner,
            Grade = _axle.Corner.Grade,
            Ratio = Result.Of(_axle.Corner.Ratio.Mean, "1", _axle.Corner.Ratio.Sd, []),
            Rise = Result.Of(h, "mm", rise.U, []),
            Droop = droop,
            Bump = bump,
            StandardDroop = bare.Left(bare._droop, 0, down: true),
            StandardBump = bare.Left(bare._bump, 0, down: false),
            Marks = Marks(h),
            StopExtension = StopExtension(),
            CvRide = Cv(h, 0),
            CvDroop = droop.Value is { } d ? Cv(h, d) : No("°", droop.Cannot!),
            BallJoint = geometry.Ball,
            Camber = geometry.Camber,
            Track = geometry.Track,
            HoseSlack = Hose(bare),
            ToppedOut = toppedOut,
            Cautions = [],
        };
        return outlook with
        {
            Cautions =
            [
                .. CornerCautions
                    .Of(outlook, _axle, _stack, WhatEnds(_droop, down: true), LooseCoil(h))
                    .OrderByDescending(c => c.Heed),
            ],
        };
    }

    // --- where the travel ends ------------------------------------------------------------------

    private void Collect(double puckMm, double tyreMm)
    {
        var lowered = Sum(PartKind.DropBracket, PartKind.SubframeBlock);
        var (outside, inside) = SpringAmounts();
        var strut = StrutLengths.Of(_axle, _stack);
        if (strut is not null)
        {
            Add(_droop, "strut at full length", Wheel(strut.ExtendedMm + outside) - lowered);
            Add(_bump, "strut collapsed", Wheel(strut.CollapsedMm + outside) - lowered);
            if (strut.BindMm is { } bind)
            {
                Add(_bump, "coil binds", Wheel(bind + inside + outside) - lowered);
            }
        }
        else if (!Suspension.Kind.HasCoilOver())
        {
            Shock();
            if (Bind() is { } bind)
            {
                Add(_bump, "coil binds", Wheel(bind + inside + outside) - lowered);
            }
        }
        if (Suspension.Get(SuspensionSizes.StrapSlack) is { } strap)
        {
            Add(_droop, "limit strap tight", -strap);
        }
        if (Suspension.Get(SuspensionSizes.BumpStopGap) is { } gap)
        {
            var meets = (gap - Sum(PartKind.BumpStopExtension)) / StopShare;
            Add(_marks, "bump stop meets", meets);
            if (Suspension.Get(SuspensionSizes.BumpStopHeight) is { } height)
            {
                Add(_bump, "bump stop solid", meets + (StopSqueeze * height / StopShare));
            }
        }
        if (Suspension.Get(SuspensionSizes.TyreGap) is { } tyre)
        {
            Add(_bump, "tyre touches", tyre + puckMm - tyreMm);
        }
        if (UnseatMm(inside + outside) is { } loose)
        {
            Add(_marks, "coil comes loose", loose - lowered);
        }
    }

    private void Shock()
    {
        var shock = _stack.LastOrDefault(p => p.Kind == PartKind.Shock);
        if (Suspension.Get(SuspensionSizes.ShockLength) is not { } now)
        {
            return;
        }
        if (
            (
                shock?.Get(PartSizes.ExtendedLength)
                ?? Suspension.Get(SuspensionSizes.ShockExtended)
            ) is
            { } extended
        )
        {
            Add(_droop, "shock at full length", now - extended);
        }
        if (
            (
                shock?.Get(PartSizes.CollapsedLength)
                ?? Suspension.Get(SuspensionSizes.ShockCollapsed)
            ) is
            { } collapsed
        )
        {
            Add(_bump, "shock collapsed", now - collapsed);
        }
    }

    private double? Bind() =>
        _stack.LastOrDefault(p => p.Kind == PartKind.Coil)?.Get(PartSizes.BindLength)
        ?? Suspension.Get(SuspensionSizes.CoilBind);

    /// <summary>Where a coil that stands by itself leaves its seat.</summary>
    private double? UnseatMm(double spacers)
    {
        if (Suspension.Kind.HasCoilOver() || !Suspension.Kind.HasCoil())
        {
            return null;
        }
        var coil = _stack.LastOrDefault(p => p.Kind == PartKind.Coil);
        var free =
            coil?.Get(PartSizes.FreeLength) ?? Suspension.Get(SuspensionSizes.SpringFreeLength);
        var shift = Suspension.Get(SuspensionSizes.SpringLength) is { } taped
            ? _axle.Corner.Linkage.RideLengthMm - taped
            : (double?)null;
        // Another coil's own length is in the amounts already: only plates move its free end.
        var plates = coil is null ? spacers : Sum(PartKind.CoilSpacer);
        return Wheel(free + shift + plates);
    }

    private double? Wheel(double? length)
    {
        var linkage = _axle.Corner.Linkage;
        return
            length is { } l
            && linkage.WheelAt(l) is { } at
            && linkage.WheelAt(linkage.RideLengthMm) is { } ride
            ? at.HeightMm - ride.HeightMm
            : null;
    }

    private (double Outside, double Inside) SpringAmounts()
    {
        var (outside, inside) = (0.0, 0.0);
        foreach (var part in _stack)
        {
            if (StackAmounts.Of(part, _axle, out var shares) is not null)
            {
                continue;
            }
            foreach (var share in shares.Where(s => s.Family == LiftFamily.Spring))
            {
                // Another coil squeezes no more room out of the strut: only its own bind counts.
                (outside, inside) =
                    part.Kind is PartKind.Coil or PartKind.CoilOver ? (outside, inside)
                    : share.Inside ? (outside, inside + share.Mm)
                    : (outside + share.Mm, inside);
            }
        }
        return (outside, inside);
    }

    private double Sum(params ReadOnlySpan<PartKind> kinds)
    {
        var sum = 0.0;
        foreach (var part in _stack)
        {
            sum += kinds.Contains(part.Kind) ? part.Thickness?.In("mm") ?? 0 : 0;
        }
        return sum;
    }

    private static void Add(List<(string, double)> to, string what, double? w)
    {
        if (w is { } at)
        {
            to.Add((what, at));
        }
    }

    // --- what is left ---------------------------------------------------------------------------

    private Result Left(List<(string What, double W)> ends, double rise, bool down)
    {
        if (ends.Count == 0)
        {
            return No(
                "mm",
                Suspension.Kind.HasCoilOver()
                    ? $"Enter the strut's length now and fully {(down ? "extended" : "collapsed")}."
                    : $"Enter the shock's length now and fully {(down ? "extended" : "collapsed")}."
            );
        }
        var left = down ? -rise - ends.Max(e => e.W) : ends.Min(e => e.W) + rise;
        left = Math.Max(0, left);
        var share = _axle.Corner.Ratio.Sd / _axle.Corner.Ratio.Mean;
        // Two tapes of 2 mm, and the ratio where the strut's own length decides.
        var u = Math.Sqrt(
            8
                + Math.Pow(
                    (
                        ends.Any(e => e.What.StartsWith("strut", StringComparison.Ordinal))
                            ? share
                            : 0.02
                    ) * left,
                    2
                )
        );
        return Result.Of(left, "mm", u, []);
    }

    private static string? WhatEnds(List<(string What, double W)> ends, bool down) =>
        ends.Count == 0 ? null : (down ? ends.MaxBy(e => e.W) : ends.MinBy(e => e.W)).What;

    private List<TravelMark> Marks(double rise)
    {
        var lowest = _droop.Count > 0 ? _droop.Max(e => e.W) : double.NegativeInfinity;
        var highest = _bump.Count > 0 ? _bump.Min(e => e.W) : double.PositiveInfinity;
        return
        [
            .. _droop
                .Select(e => new TravelMark(e.What, e.W + rise, e.W == lowest))
                .Concat(_bump.Select(e => new TravelMark(e.What, e.W + rise, e.W == highest)))
                .Concat(_marks.Select(e => new TravelMark(e.What, e.W + rise, false)))
                .OrderBy(m => m.AtMm),
        ];
    }

    private bool LooseCoil(double rise) =>
        _marks.FirstOrDefault(m => m.What == "coil comes loose") is { What: not null } loose
        && (_droop.Count == 0 ? loose.W > -rise - 60 : loose.W > _droop.Max(e => e.W) + 1);

    private Result StopExtension()
    {
        var solid = _bump.FirstOrDefault(b => b.What == "bump stop solid");
        var others = _bump.Where(b => b.What != "bump stop solid").ToArray();
        return solid.What is null || others.Length == 0
            ? No(
                "mm",
                "Enter the gap at the bump stop, its height, and the collapsed length of shock or strut."
            )
            : Result.Of(
                Math.Max(0, (solid.W - (others.Min(o => o.W) - StopMarginMm)) * StopShare),
                "mm",
                3,
                []
            );
    }

    private Result Hose(CornerLimits bare)
    {
        if (Suspension.Get(SuspensionSizes.HoseSlack) is not { } slack)
        {
            return No("mm", "Tape the hose's slack at the old full droop, both locks.");
        }
        if (_droop.Count == 0 || bare._droop.Count == 0)
        {
            return No("mm", "How far it will droop is not known.");
        }
        var gained = Math.Max(0, bare._droop.Max(e => e.W) - _droop.Max(e => e.W));
        return Result.Of(slack - gained, "mm", 4, []);
    }

    // --- angles ---------------------------------------------------------------------------------

    private Result Cv(double rise, double droop)
    {
        if (
            Suspension.Get(SuspensionSizes.CvDrop) is not { } drop
            || Suspension.Get(SuspensionSizes.CvRun) is not { } run
        )
        {
            return No(
                "°",
                Suspension.Kind.IsLiveAxle()
                    ? "A live axle has none."
                    : "Enter how far the outer joint stands below the inner, and the run between them."
            );
        }
        var below = drop + rise + droop - Sum(PartKind.DiffDrop);
        var across = run + Sum(PartKind.HalfShaftSpacer);
        return Result.Of(Math.Atan2(below, across) * Degrees, "°", 4 / across * Degrees, []);
    }

    /// <summary>Swing of the lower ball joint to full droop, camber and track at ride height.</summary>
    private (Result Ball, Result Camber, Result Track) Geometry(double rise, double? droop)
    {
        var why = "Only taped points tell it.";
        if (_axle.Corner.Grade != RatioGrade.Taped || Length(-rise) is not { } ride)
        {
            return (No("°", why), No("°", why), No("mm", why));
        }
        var low = droop is { } d ? Length(-rise - d) : null;
        switch (_axle.Corner.Linkage)
        {
            case DoubleWishbone arms when arms.At(ride) is { } now:
                return (
                    low is { } l && arms.At(l) is { } at
                        ? Swing(
                            at.LowerBallJoint,
                            arms.Points.LowerPivot,
                            arms.Points.LowerBallJoint,
                            -at.CamberChangeRad
                        )
                        : No("°", "How far it will droop is not known."),
                    Angle(now.CamberChangeRad),
                    Result.Of(now.TrackChangeMm, "mm", 2, [])
                );
            case StrutLinkage strut when strut.At(ride) is { } now:
                return (
                    low is { } f && strut.At(f) is { } end
                        ? Swing(
                            end.LowerBallJoint,
                            strut.Points.LowerPivot,
                            strut.Points.LowerBallJoint,
                            -end.CamberChangeRad
                        )
                        : No("°", "How far it will droop is not known."),
                    Angle(now.CamberChangeRad),
                    No("mm", why)
                );
            default:
                return (No("°", why), No("°", why), No("mm", why));
        }

        // Points ± 3 mm give ± 0.15° of camber.
        static Result Angle(double rad) => Result.Of(rad * Degrees, "°", 0.075, []);

        static Result Swing(
            PlanePoint ball,
            PlanePoint pivot,
            PlanePoint old,
            double uprightTurn
        ) =>
            Result.Of(
                Math.Abs(((ball - pivot).Angle - (old - pivot).Angle - uprightTurn) * Degrees),
                "°",
                0.5,
                []
            );
    }

    /// <summary>Spring length at a place of the wheel; null out of reach.</summary>
    private double? Length(double w)
    {
        var linkage = _axle.Corner.Linkage;
        var ride = linkage.RideLengthMm;
        // Newton on the motion ratio: dℓ = −MR·dw.
        var length = ride;
        for (var i = 0; i < 30; i++)
        {
            if (Wheel(length) is not { } at || linkage.WheelAt(length) is not { } place)
            {
                return null;
            }
            if (Math.Abs(at - w) < 1e-9)
            {
                return length;
            }
            length -= (w - at) * place.MotionRatio;
        }
        return length;
    }

    private static Result No(string unit, string why) => Result.No(unit, why);
}
