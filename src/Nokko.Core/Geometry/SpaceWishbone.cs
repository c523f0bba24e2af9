namespace Nokko.Core.Geometry;

/// <summary>Points of a double wishbone corner with its tie rod at ride height, mm: x forward of the wheel centre, y outward from the vehicle's middle, z above the ground.</summary>
/// <param name="LowerFront">A₁: lower arm, front pivot.</param>
/// <param name="LowerRear">A₂: lower arm, rear pivot.</param>
/// <param name="LowerBall">B: lower ball joint.</param>
/// <param name="UpperFront">D₁: upper arm, front pivot.</param>
/// <param name="UpperRear">D₂: upper arm, rear pivot.</param>
/// <param name="UpperBall">C: upper ball joint.</param>
/// <param name="RodInner">P: tie rod, inner joint.</param>
/// <param name="RodOuter">Q: tie rod on the upright.</param>
/// <param name="Wheel">W: wheel centre.</param>
public sealed record SpaceWishbonePoints(
    SpacePoint LowerFront,
    SpacePoint LowerRear,
    SpacePoint LowerBall,
    SpacePoint UpperFront,
    SpacePoint UpperRear,
    SpacePoint UpperBall,
    SpacePoint RodInner,
    SpacePoint RodOuter,
    SpacePoint Wheel
)
{
    /// <summary>All of them, in the order of the list.</summary>
    public SpacePoint[] ToArray() =>
        [
            LowerFront,
            LowerRear,
            LowerBall,
            UpperFront,
            UpperRear,
            UpperBall,
            RodInner,
            RodOuter,
            Wheel,
        ];

    /// <summary>From as many points in that order.</summary>
    public static SpaceWishbonePoints Of(IReadOnlyList<SpacePoint> p) =>
        new(p[0], p[1], p[2], p[3], p[4], p[5], p[6], p[7], p[8]);
}

/// <summary>How an alignment is set: both pivots of the lower arm moved by eccentrics, and the tie rod's length.</summary>
/// <param name="FrontOutMm">Lower arm's front pivot moved outward, mm.</param>
/// <param name="RearOutMm">Its rear pivot, mm.</param>
/// <param name="RodMm">Tie rod longer, mm.</param>
public readonly record struct AlignmentSetting(double FrontOutMm, double RearOutMm, double RodMm);

/// <summary>The wheel at one place, to the body.</summary>
/// <param name="Camber">rad; below zero is top inward.</param>
/// <param name="Toe">rad; above zero is toe-in.</param>
/// <param name="Caster">rad; the axis' top rearward is above zero.</param>
/// <param name="Kingpin">Inclination of the axis, its top inward, rad.</param>
/// <param name="LowerBall">Lower ball joint, mm.</param>
/// <param name="UpperBall">Upper ball joint, mm.</param>
/// <param name="RodOuter">Tie rod on the upright, mm.</param>
/// <param name="Wheel">Wheel centre, mm.</param>
/// <param name="ScrubMm">Contact patch outside of where the axis meets the ground, mm.</param>
public readonly record struct SpacePose(
    double Camber,
    double Toe,
    double Caster,
    double Kingpin,
    SpacePoint LowerBall,
    SpacePoint UpperBall,
    SpacePoint RodOuter,
    SpacePoint Wheel,
    double ScrubMm
)
{
    /// <summary>Camber once the wheel is steered about its axis, rad.</summary>
    /// <remarks>Source: docs/computation/geometry.md#double-wishbone-in-space.</remarks>
    /// <param name="inRad">How far its front edge is turned inward from where it stands, rad; below zero outward. Within a quarter turn.</param>
    public double CamberSteered(double inRad)
    {
        var (sinCamber, cosCamber) = Math.SinCos(Camber);
        var (sinToe, cosToe) = Math.SinCos(Toe);
        var spindle = new SpacePoint(sinToe * cosCamber, cosToe * cosCamber, -sinCamber);
        var axis = (UpperBall - LowerBall).Unit;
        // About an axis that points up a positive turn takes the front edge outward.
        // Stryker disable all : from where it is sought, and how often at most, only decides how soon it is found
        var turn = -inRad;
        for (var i = 0; i < 20; i++)
        // Stryker restore all
        {
            var (sin, cos) = Math.SinCos(turn);
            var turned =
                (cos * spindle)
                + (sin * SpacePoint.Cross(axis, spindle))
                + ((1 - cos) * SpacePoint.Dot(axis, spindle) * axis);
            var off = Math.Atan2(turned.X, turned.Y) - Toe - inRad;
            if (Math.Abs(off) < 1e-12)
            {
                return -Math.Asin(turned.Z);
            }
            // Nearly a turn about the upright: each step leaves a small part of what was off.
            turn += off;
        }
        throw new ArgumentOutOfRangeException(nameof(inRad), inRad, "Within a quarter turn.");
    }
}

/// <summary>A double wishbone corner in space: two arms that turn about their pivot axes, a rigid upright, a tie rod of fixed length.</summary>
/// <remarks>
/// Source: docs/computation/geometry.md#double-wishbone-in-space. The lower arm's angle gives everything in closed form: the upper ball joint from the upright's height (a circle and a sphere), the rod's joint from three spheres; the angle is found for a height of the wheel.
/// </remarks>
public sealed class SpaceWishbone
{
    private readonly SpaceWishbonePoints _ride;
    private readonly Arm _lower;
    private readonly Arm _upper;
    private readonly double _upright;
    private readonly double _lowerToRod;
    private readonly double _upperToRod;
    private readonly double _rod;
    private readonly SpacePoint _wheel;
    private readonly SpacePoint _spindle;
    private readonly double _side;

    /// <summary>Makes the corner from its points at ride height, its wheel straight and upright there.</summary>
    /// <param name="ride">The points.</param>
    /// <param name="setting">How it is set against these points.</param>
    public SpaceWishbone(SpaceWishbonePoints ride, AlignmentSetting setting = default)
    {
        _ride = ride;
        SpacePoint Out(SpacePoint p, double mm) => p with { Y = p.Y + mm };
        var (b, c, q) = (ride.LowerBall, ride.UpperBall, ride.RodOuter);
        _lower = new Arm(ride.LowerFront, ride.LowerRear, b).Moved(
            Out(ride.LowerFront, setting.FrontOutMm),
            Out(ride.LowerRear, setting.RearOutMm)
        );
        _upper = new Arm(ride.UpperFront, ride.UpperRear, c);
        _upright = (c - b).Length;
        _lowerToRod = (q - b).Length;
        _upperToRod = (q - c).Length;
        _rod = (q - ride.RodInner).Length + setting.RodMm;
        var frame = Frame.Of(b, c, q);
        _wheel = frame.Into(ride.Wheel - b);
        _spindle = frame.Into(new SpacePoint(0, 1, 0));
        // The rod's joint lies ahead of the axis or behind it, and stays there.
        _side = Math.Sign(SpacePoint.Dot(SpacePoint.Cross(c - b, ride.RodInner - b), q - b));
    }

    /// <summary>The wheel at a height, or null: the arms or the rod cannot reach it.</summary>
    /// <param name="upMm">The wheel centre above its place at ride height, as the points have it, mm.</param>
    public SpacePose? At(double upMm)
    {
        var wanted = _ride.Wheel.Z + upMm;
        if (Pose(0) is not { } start)
        {
            return null;
        }
        var (before, off) = (0.0, start.Wheel.Z - wanted);
        if (Math.Abs(off) < 1e-9)
        {
            return start;
        }
        // The wheel rises nearly in step with the arm: the slope is found from the last two angles. At ride height too a setting moves it.
        // Stryker disable all : from where it is sought, and how often at most, only decides how soon it is found
        var angle = -off / _lower.LeverMm;
        for (var i = 0; i < 40; i++)
        // Stryker restore all
        {
            if (Pose(angle) is not { } now)
            {
                return null;
            }
            var miss = now.Wheel.Z - wanted;
            if (Math.Abs(miss) < 1e-9)
            {
                return now;
            }
            var slope = (miss - off) / (angle - before);
            if (slope == 0 || !double.IsFinite(slope))
            {
                return null;
            }
            (before, off, angle) = (angle, miss, angle - Math.Clamp(miss / slope, -0.3, 0.3));
        }
        return null;
    }

    /// <summary>Everything at an angle of the lower arm.</summary>
    private SpacePose? Pose(double angle)
    {
        var b = _lower.At(angle);
        if (
            _upper.Meeting(b, _upright, _ride.UpperBall + (b - _ride.LowerBall)) is not { } c
            || Spheres(b, _lowerToRod, c, _upperToRod, _ride.RodInner, _rod) is not { } q
        )
        {
            return null;
        }
        var frame = Frame.Of(b, c, q);
        var wheel = b + frame.OutOf(_wheel);
        var spindle = frame.OutOf(_spindle);
        var axis = c - b;
        // Where the axis meets the ground: under the wheel by its radius at ride height.
        var ground = wheel.Z - _ride.Wheel.Z;
        var down = (ground - b.Z) / axis.Z;
        var camber = -Math.Asin(spindle.Z);
        return new SpacePose(
            camber,
            Math.Atan2(spindle.X, spindle.Y),
            Math.Atan2(b.X - c.X, c.Z - b.Z),
            Math.Atan2(b.Y - c.Y, c.Z - b.Z),
            b,
            c,
            q,
            wheel,
            wheel.Y - (_ride.Wheel.Z * Math.Sin(camber)) - (b.Y + (down * axis.Y))
        );
    }

    /// <summary>The point at three distances from three points, on the branch of ride height.</summary>
    private SpacePoint? Spheres(
        SpacePoint a,
        double ra,
        SpacePoint b,
        double rb,
        SpacePoint c,
        double rc
    )
    {
        var ex = (b - a).Unit;
        var d = (b - a).Length;
        var i = SpacePoint.Dot(ex, c - a);
        var ey = (c - a - (i * ex)).Unit;
        var j = SpacePoint.Dot(ey, c - a);
        var ez = SpacePoint.Cross(ex, ey);
        var x = ((ra * ra) - (rb * rb) + (d * d)) / (2 * d);
        var y = ((ra * ra) - (rc * rc) + (i * i) + (j * j) - (2 * i * x)) / (2 * j);
        var square = (ra * ra) - (x * x) - (y * y);
        return square >= 0 ? a + (x * ex) + (y * ey) + (_side * Math.Sqrt(square) * ez) : null;
    }

    /// <summary>An arm that turns about the axis through its pivots.</summary>
    private sealed class Arm
    {
        private readonly SpacePoint _foot;
        private readonly SpacePoint _axis;
        private readonly SpacePoint _out;
        private readonly SpacePoint _up;
        private readonly double _along;

        public Arm(SpacePoint front, SpacePoint rear, SpacePoint ball)
            : this(front, rear, ball, null) { }

        private Arm(
            SpacePoint front,
            SpacePoint rear,
            SpacePoint ball,
            (double Along, double Radius)? kept
        )
        {
            _axis = (front - rear).Unit;
            var middle = 0.5 * (front + rear);
            _along = kept?.Along ?? SpacePoint.Dot(ball - middle, _axis);
            _foot = middle + (_along * _axis);
            var arm = ball - middle;
            var square = arm - (SpacePoint.Dot(arm, _axis) * _axis);
            LeverMm = kept?.Radius ?? square.Length;
            _out = square.Unit;
            _up = SpacePoint.Cross(_out, _axis);
            if (_up.Z < 0)
            {
                _up = -1 * _up;
            }
            Ball = ball;
        }

        /// <summary>Square from its axis to its ball joint, mm.</summary>
        public double LeverMm { get; }

        private SpacePoint Ball { get; }

        /// <summary>The same arm on pivots that were moved: it keeps its lever and its place along the axis.</summary>
        public Arm Moved(SpacePoint front, SpacePoint rear) =>
            new(front, rear, Ball, (_along, LeverMm));

        /// <summary>Its ball joint, the arm turned up by an angle.</summary>
        public SpacePoint At(double angle)
        {
            var (sin, cos) = Math.SinCos(angle);
            return _foot + (LeverMm * ((cos * _out) + (sin * _up)));
        }

        /// <summary>Its ball joint at a distance from a point, nearest to where it was; null where it cannot reach.</summary>
        public SpacePoint? Meeting(SpacePoint from, double distance, SpacePoint near)
        {
            // |foot + r(cos·out + sin·up) − from|² = distance²: a·cos + b·sin = c.
            var v = _foot - from;
            var (a, b) = (
                2 * LeverMm * SpacePoint.Dot(v, _out),
                2 * LeverMm * SpacePoint.Dot(v, _up)
            );
            var c = (distance * distance) - SpacePoint.Dot(v, v) - (LeverMm * LeverMm);
            var size = double.Hypot(a, b);
            if (Math.Abs(c) > size)
            {
                return null;
            }
            var (middle, half) = (Math.Atan2(b, a), Math.Acos(c / size));
            var (one, other) = (At(middle + half), At(middle - half));
            return (one - near).Length <= (other - near).Length ? one : other;
        }
    }

    /// <summary>Three directions square to one another, fixed to the upright.</summary>
    private readonly record struct Frame(SpacePoint One, SpacePoint Two, SpacePoint Three)
    {
        public static Frame Of(SpacePoint b, SpacePoint c, SpacePoint q)
        {
            var one = (c - b).Unit;
            var arm = q - b;
            var two = (arm - (SpacePoint.Dot(arm, one) * one)).Unit;
            return new Frame(one, two, SpacePoint.Cross(one, two));
        }

        public SpacePoint Into(SpacePoint v) =>
            new(SpacePoint.Dot(v, One), SpacePoint.Dot(v, Two), SpacePoint.Dot(v, Three));

        public SpacePoint OutOf(SpacePoint v) => (v.X * One) + (v.Y * Two) + (v.Z * Three);
    }
}
