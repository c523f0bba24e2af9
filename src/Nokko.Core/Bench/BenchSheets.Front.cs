using Nokko.Core.Geometry;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Bench;

/// <content>An independent front in space, its shafts, and body lift against springs.</content>
public static partial class BenchSheets
{
    private static class FrontSheets
    {
        public static BenchSheet[] All { get; } =
        [
            new(
                "front",
                "An independent front in space",
                [
                    .. SpaceArms.Names.Zip(
                        (string[])
                            [
                                "150; 240; 255",
                                "-190; 235; 245",
                                "8; 620; 215",
                                "95; 340; 590",
                                "-160; 330; 575",
                                "-22; 600; 560",
                                "-120; 250; 300",
                                "-135; 610; 265",
                                "0; 690; 385",
                            ],
                        (point, example) =>
                            new BenchField(
                                point.Name,
                                point.Label,
                                Unit.Mm,
                                example,
                                Positive: false,
                                Asks: BenchAsks.Point
                            )
                    ),
                    new(
                        "rises",
                        "Frame rises over the front axle by",
                        Unit.Mm,
                        "50",
                        Positive: false
                    ),
                    new("rear", "And over the rear axle by", Unit.Mm, "50", Positive: false),
                    new("wheelbase", "Wheelbase", Unit.Mm, "3600"),
                    new("cams", "Cams go to either side", Unit.Mm, "", Optional: true),
                ]
            ),
            new(
                "cvShaft",
                "A half-shaft and its CV joints",
                [
                    new(
                        "drop",
                        "Outer joint below the inner, before",
                        Unit.Mm,
                        "15",
                        Positive: false
                    ),
                    new("run", "Joint to joint across", Unit.Mm, "420"),
                    new("rises", "Frame rises over the axle by", Unit.Mm, "50", Positive: false),
                    new("lowered", "Differential lowered by", Unit.Mm, "", Optional: true),
                    new("droop", "Down to full droop from there", Unit.Mm, "", Optional: true),
                    new("limit", "Joint may run at", Unit.Degree, "", Optional: true),
                ]
            ),
            new(
                "bodyOrSprings",
                "Body lift or springs",
                [
                    new("room", "Room wanted over the tyre", Unit.Mm, "50"),
                    new("run", "Track bar, across", Unit.Mm, "", Optional: true),
                    new("drop", "Its end at the body higher by", Unit.Mm, "60", Positive: false),
                    new("shaft", "Steering shaft, joint to joint", Unit.Mm, "450"),
                    new("lean", "It leans from the upright by", Unit.Degree, "40"),
                ]
            ),
        ];
    }

    /// <summary>An axle of which only this is known.</summary>
    private static LiftedAxle Alone(
        Vehicles.Suspension suspension,
        (double Front, double Rear) rises,
        double wheelbase,
        double? droop = null,
        params PlacedPart[] parts
    ) =>
        new()
        {
            Axle = Axle.Front,
            Suspension = suspension,
            Rises = new AxleRises(new(rises.Front, TapeUMm), new(rises.Rear, TapeUMm), 0),
            WheelbaseMm = wheelbase,
            TrackMm = 1,
            DroopMm = droop,
            Sides = [parts, parts],
        };

    private static Dictionary<string, Quantity> Taped(
        params ReadOnlySpan<(string Name, double? Value, Unit Unit)> sizes
    )
    {
        var taped = new Dictionary<string, Quantity>();
        foreach (var (name, value, unit) in sizes)
        {
            if (value is { } v)
            {
                taped[name] = new()
                {
                    Value = v,
                    Unit = unit,
                    Known = Known.Measured,
                };
            }
        }
        return taped;
    }

    private static BenchAnswer Front(Func<string, double?> number)
    {
        Quantity Coordinate(string point, string axis) =>
            Quantity.Mm(number($"{point}.{axis}")!.Value, Known.Measured);
        var suspension = new Vehicles.Suspension
        {
            Kind = SuspensionKind.CoilOverArm,
            SpacePoints =
            [
                .. SpaceArms.Names.Select(n => new SuspensionPoint
                {
                    Name = n.Name,
                    X = Coordinate(n.Name, "x"),
                    Y = Coordinate(n.Name, "y"),
                    Z = Coordinate(n.Name, "z"),
                }),
            ],
            Dimensions = Taped((SuspensionSizes.CamRange, number("cams"), Unit.Mm)),
        };
        if (SpaceArms.WhyNot(SpaceArms.Points(suspension)!) is { } why)
        {
            throw new BenchException(SpaceArms.Names[2].Name, why);
        }
        var mechanism = AlignmentMechanism.Of(
            Alone(
                suspension,
                (number("rises")!.Value, number("rear")!.Value),
                number("wheelbase")!.Value
            )
        )!;
        if (mechanism.Ways.ElementAtOrDefault(1) is not { Figure.Value: not null } lifted)
        {
            throw new BenchException(
                "rises",
                mechanism.Ways.Count == 1
                    ? "Nothing lifts it: its angles stay."
                    : "The arms cannot reach that far."
            );
        }
        return new BenchAnswer(
            [
                new("Camber changes by (top inward below zero)", lifted.Figure),
                .. lifted.Also,
                .. mechanism.Ways[2].Also,
            ],
            [mechanism.Says, "Points to 3 mm. Angles are those that change, not those on a rack."]
        );
    }

    private static BenchAnswer HalfShaft(Func<string, double?> number)
    {
        var lowered = number("lowered");
        var mechanism = CvShaftMechanism.Of(
            Alone(
                new()
                {
                    Kind = SuspensionKind.CoilOverArm,
                    Dimensions = Taped(
                        (SuspensionSizes.CvDrop, number("drop"), Unit.Mm),
                        (SuspensionSizes.CvRun, number("run"), Unit.Mm),
                        (SuspensionSizes.CvRideLimit, number("limit"), Unit.Degree)
                    ),
                },
                (number("rises")!.Value, 0),
                1000,
                number("droop"),
                [
                    .. lowered is { } mm
                        ? (PlacedPart[])
                            [
                                new()
                                {
                                    Id = Guid.Empty,
                                    Name = "",
                                    Kind = PartKind.DiffDrop,
                                    Thickness = Quantity.Mm(mm, Known.Measured),
                                },
                            ]
                        : [],
                ]
            )
        )!;
        var stands = mechanism.Stands;
        return new BenchAnswer(
            [
                new("CV joints at ride height run at", stands.Figure),
                .. stands.Also,
                new("They ran at, before", mechanism.Ways[0].Figure),
            ],
            [
                mechanism.Says,
                .. stands.Care is { } care ? (string[])[care.Says] : [],
                .. mechanism.Checks,
            ]
        );
    }

    private static BenchAnswer BodyOrSprings(Func<string, double?> number)
    {
        var (room, shaft, lean) = (
            number("room")!.Value,
            number("shaft")!.Value,
            number("lean")!.Value / Degrees
        );
        // The law of cosines: the column rises with the body, its foot at the box stays.
        double Grows(double[] x) =>
            Math.Sqrt((x[1] * x[1]) + (x[0] * x[0]) + (2 * x[1] * x[0] * Math.Cos(lean))) - x[1];
        var grows = Length(
            "Body lifted: the steering shaft grows by",
            Grows([room, shaft]),
            FirstOrder.U(x => Grows(x), (room, TapeUMm), (shaft, AxleSizes.JointUMm))
        );
        var run = number("run");
        var bar = run is { } across
            ? new TrackBar(across, number("drop")!.Value).Lifted(room)
            : null;
        if (run is not null && bar is null)
        {
            throw new BenchException(
                "room",
                "The bar cannot reach that far: check run, drop and room."
            );
        }
        return new BenchAnswer(
            [
                grows,
                .. bar is { } aside
                    ? (LabelledResult[])
                        [
                            Length("Springs lifted: the axle goes aside by", aside.ShiftMm, null),
                            Length("Body lifted: the axle goes aside by", 0, null),
                        ]
                    : [],
                Length("Springs lifted: frame over the axles, more by", room, TapeUMm),
                Length("Body lifted: frame over the axles, more by", 0, null),
                Length("Body lifted: bumpers and sills over the frame, more by", room, TapeUMm),
            ],
            [
                "Springs turn arms, links, bar, shafts and hoses, and leave body on frame as it was.",
                "Pucks leave axles and geometry alone, and stretch what runs from body to frame: steering shaft, filler and coolant pipes, shifter, park brake, earths, belt points that reach the frame, bumper gaps.",
                "Both raise the lamps; springs raise the centre of gravity more.",
            ]
        );
    }
}
