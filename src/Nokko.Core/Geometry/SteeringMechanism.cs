using System.Globalization;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Geometry;

/// <summary>What a lift does to the steering of a live axle with a track bar, and what takes it back.</summary>
/// <remarks>Source: docs/computation/geometry.md#steering.</remarks>
internal static class SteeringMechanism
{
    /// <summary>Droop for which the steer is told, mm: 2 in.</summary>
    public const double DroopMm = 50.8;

    private static readonly (Estimate Run, Estimate Drop, Estimate Arm) Invented = (
        new(870, 60),
        new(80, 40),
        new(170, 20)
    );

    /// <summary>Label of the slope that a gauge along the drag link tells.</summary>
    public const string LinkSlope = "The drag link slopes by, its axle end low";

    /// <summary>The mechanism; null on an axle that is not steered so.</summary>
    public static Mechanism? Of(LiftedAxle axle)
    {
        var kind = axle.Suspension.Kind;
        if (axle.Axle != Axle.Front || !kind.IsLiveAxle() || kind.IsLeaf())
        {
            return null;
        }
        var sizes = new AxleSizes(axle.Suspension)
            .Size(SuspensionSizes.TrackBarRun, TrackBarMechanism.Invented.Run)
            .Size(SuspensionSizes.TrackBarDrop, TrackBarMechanism.Invented.Drop)
            .Size(SuspensionSizes.DragLinkRun, Invented.Run)
            .Size(SuspensionSizes.DragLinkDrop, Invented.Drop)
            .Size(SuspensionSizes.SteeringArm, Invented.Arm)
            .Rise(axle.Rise);
        var lift = axle.Rise.Mean;
        var bracket = axle.Nearest(PartKind.TrackBarBracket, lift).Mm;
        var (bar, link) = (
            axle.Amount(PartKind.TrackBarBracket) ?? 0,
            axle.Amount(PartKind.PitmanArm) ?? 0
        );
        var set = axle.Has(PartKind.TrackBar);
        var before = new Stand(WayKind.Before, "As it was", null);
        var lifted = new Stand(WayKind.Lifted, "Lifted, both left, link centred again", null);
        Stand[] planned =
            bar > 0 || link > 0 || set || axle.Has(PartKind.DragLink)
                ?
                [
                    new(
                        WayKind.Planned,
                        $"As planned: bar{(set ? " set and" : "")} moved by {LengthText.Both(bar)}, link by {LengthText.Both(link)}",
                        null,
                        bar,
                        link,
                        set
                    ),
                ]
                : [];
        Stand[] ways = axle.Lifts
            ?
            [
                before,
                lifted,
                .. planned,
                new(WayKind.Cure, "Longer bar, link centred again", null, Centred: true),
                // What must not be done alone is shown, and offered nowhere.
                new(WayKind.Cure, "Bar's bracket alone", null, bracket),
                new(
                    WayKind.Cure,
                    $"Bar and link both moved by {LengthText.Both(bracket)}",
                    PartKind.PitmanArm,
                    bracket,
                    bracket
                ),
            ]
            : [before, .. planned];
        return new Mechanism
        {
            Kind = MechanismKind.Steering,
            Where = axle.Axle.Said(),
            FigureLabel = "2 in (51 mm) of droop steers by",
            Says = Says(axle, sizes, ways),
            Ways = [.. ways.Select(w => w.Way(axle, sizes))],
            Asks = axle.Lifts
                ? sizes.Asks(Unit.Degree, x => lifted.Links(x).SteerRad(DroopMm))
                : [],
            Checks =
            [
                "Both ends at the body lie on one side, as bars of steered axles do; else these numbers do not hold.",
                "Wheels straight, steering box in its middle: centre the link by its sleeve before it is driven.",
            ],
        };
    }

    private static string Says(LiftedAxle axle, AxleSizes sizes, Stand[] ways)
    {
        if (!axle.Lifts)
        {
            return "Nothing lifts here: the steering stays as it was.";
        }
        double? Degrees(Stand way) => way.Links(sizes.At).SteerRad(DroopMm) * 180 / Math.PI;
        var now =
            ways.FirstOrDefault(w => w.Kind == WayKind.Planned)
            ?? ways.First(w => w.Kind == WayKind.Lifted);
        if (
            (Degrees(now), Degrees(ways[0]), now.AtRest(sizes.At) * 180 / Math.PI)
            is not
            ({ } steers, { } was, { } turned)
        )
        {
            return "The rods cannot reach that far: check what was taped.";
        }
        string Of(double degrees) =>
            string.Create(CultureInfo.InvariantCulture, $"{Math.Abs(degrees):0.0}°");
        var who = now.Kind == WayKind.Planned ? "As planned" : "Lifted";
        var bump =
            Math.Abs(steers)
            <= Math.Max(axle.Limits.Of(MechanismKind.Steering), Math.Abs(was) + 0.05)
                ? $"{who}, a bump steers no more than before ({Of(steers)} over 2 in, {Of(was)} before)"
                : $"{who}, it steers {Of(steers)} over 2 in of droop, {Of(was)} before";
        return Math.Abs(turned) < 0.05
            ? $"{bump}."
            : $"{bump}; the wheels stand turned by {Of(turned)} until the link is centred.";
    }

    /// <summary>A way in which bar and link stand.</summary>
    private sealed record Stand(
        WayKind Kind,
        string Said,
        PartKind? Part,
        double BarByMm = 0,
        double LinkByMm = 0,
        bool Centred = false
    )
    {
        private double Lift(double[] x) => Kind == WayKind.Before ? 0 : x[5];

        private static SteeringLinks Taped(double[] x) =>
            new(new(x[0], x[1]), new(x[2], x[3]), x[4]);

        /// <summary>Bar and link at their ride height, the link centred.</summary>
        public SteeringLinks Links(double[] x) =>
            Taped([x[0], x[1] + Lift(x) - BarByMm, x[2], x[3] + Lift(x) - LinkByMm, x[4]]);

        /// <summary>How far the knuckle stands turned before the link is centred, rad; a bar that was set holds the axle in its middle.</summary>
        public double? AtRest(double[] x) =>
            Taped(x).SteerRad(Lift(x) - LinkByMm, Centred ? 0 : Lift(x) - BarByMm);

        public MechanismWay Way(LiftedAxle axle, AxleSizes sizes)
        {
            var links = Links(sizes.At);
            var alone = Math.Abs(BarByMm - LinkByMm) > 1;
            return new MechanismWay
            {
                Kind = Kind,
                Said = Said,
                Part = Part,
                Figure = sizes.Worked(Unit.Degree, x => Links(x).SteerRad(DroopMm)),
                Also =
                [
                    sizes.Worked(LinkSlope, Unit.Degree, x => Links(x).Link.SlopeRad),
                    .. Kind == WayKind.Before
                        ? (LabelledResult[])[]
                        :
                        [
                            sizes.Worked(
                                "At rest, until the link is centred, the knuckle is turned by",
                                Unit.Degree,
                                AtRest
                            ),
                            sizes.Worked(
                                "The link's end this much lower makes it parallel to the bar",
                                Unit.Mm,
                                x => x[3] + x[5] - ((x[1] + x[5] - BarByMm) * x[2] / x[0])
                            ),
                        ],
                ],
                Care = alone
                    ? new Caution(
                        Heed.Stop,
                        "It moves one of the pair alone: it steers with every bump. Move both, or neither."
                    )
                    : null,
                Travel = axle.Through(
                    up => links.SteerRad(-up) * 180 / Math.PI,
                    up => [Drawn("bar", links.Bar, up), Drawn("link", links.Link, up)]
                ),
            };
        }

        private static Rod Drawn(string name, SwingingRod rod, double up) =>
            new(name, -(rod.RunMm + (rod.AcrossChangeMm(-up) ?? 0)), 0, 0, rod.DropMm - up);
    }
}
