using BenchmarkDotNet.Attributes;
using Nokko.Core.Geometry;
using Nokko.Core.JobFile;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Bench;

/// <summary>A corner in space beside one in the plane; a whole vehicle's mechanisms with and without their 61 places of travel.</summary>
public class GeometryBench
{
    private readonly DoubleWishbone _plane = new(
        new(
            new(230, 250),
            new(620, 215),
            new(330, 585),
            new(600, 560),
            new(455, 245),
            new(405, 770),
            new(690, 385)
        )
    );

    private readonly SpaceWishbonePoints _points = new(
        new(150, 240, 255),
        new(-190, 235, 245),
        new(8, 620, 215),
        new(95, 340, 590),
        new(-160, 330, 575),
        new(-22, 600, 560),
        new(-120, 250, 300),
        new(-135, 610, 265),
        new(0, 690, 385)
    );

    private readonly SpaceWishbone _space;
    private readonly Plan _plan;
    private readonly Situation _liveAxles;
    private readonly Situation _independent;
    private double _up;

    public GeometryBench()
    {
        _space = new SpaceWishbone(_points);
        var file = Path.Combine(
            Environment.GetEnvironmentVariable("NOKKO_ROOT")!,
            "docs",
            "formats",
            "level-pickup.job.json"
        );
        var job = JobFileReader.Read(File.ReadAllText(file)).Document!;
        var from = job.Stages.MinBy(s => s.Ordinal)!;
        var ring = new PlacedPart
        {
            Id = Guid.CreateVersion7(),
            Name = "ring",
            Kind = PartKind.CoilSpacer,
            Thickness = Quantity.Mm(50, Known.Measured),
        };
        _plan = new Plan
        {
            Id = Guid.CreateVersion7(),
            Name = "Plan A",
            FromStageId = from.Id,
            Stacks =
            [
                .. Corners
                    .Of(Axle.Front)
                    .Select(c => new CornerStack
                    {
                        Corner = c,
                        Parts = [ring with { Id = Guid.CreateVersion7() }],
                    }),
            ],
        };
        Suspension Of(SuspensionKind kind, params (string Name, double Mm)[] sizes) =>
            new()
            {
                Kind = kind,
                Dimensions = sizes.ToDictionary(
                    s => s.Name,
                    s => Quantity.Mm(s.Mm, Known.Measured)
                ),
            };
        Situation On(Suspension front) =>
            new(
                from,
                job.VehicleNow() with
                {
                    Front = front,
                    Dimensions = job.Vehicle.Dimensions with
                    {
                        FrontSpringBase = Quantity.Mm(1000, Known.Measured),
                    },
                },
                null
            );
        _liveAxles = On(
            Of(
                SuspensionKind.CoilRadiusArm,
                (SuspensionSizes.ArmLength, 900),
                (SuspensionSizes.RadiusArmDrop, 60),
                (SuspensionSizes.TrackBarRun, 860),
                (SuspensionSizes.TrackBarDrop, 60),
                (SuspensionSizes.DragLinkRun, 880),
                (SuspensionSizes.DragLinkDrop, 70),
                (SuspensionSizes.SteeringArm, 170)
            )
        );
        _independent = On(
            Of(SuspensionKind.CoilOverArm, (SuspensionSizes.CamRange, 6)) with
            {
                SpacePoints =
                [
                    .. SpaceArms.Names.Zip(
                        _points.ToArray(),
                        (n, p) =>
                            new SuspensionPoint
                            {
                                Name = n.Name,
                                X = Quantity.Mm(p.X, Known.Measured),
                                Y = Quantity.Mm(p.Y, Known.Measured),
                                Z = Quantity.Mm(p.Z, Known.Measured),
                            }
                    ),
                ],
            }
        );
    }

    // Another place each time: nothing can be remembered.
    private double Next() => _up = _up > 60 ? -60 : _up + 0.37;

    [Benchmark(Baseline = true)]
    public WishbonePosition? InThePlane() => _plane.At(_plane.RideLengthMm + (Next() / 2));

    [Benchmark]
    public SpacePose? InSpace() => _space.At(Next());

    [Benchmark]
    public AlignmentSetting? SetBack() => Realignment.Of(_points, -50, 0, 0.08, 0);

    [Benchmark]
    public PlanGeometry LiveAxlesInNumbers() => PlanGeometry.Of(_plan, _liveAxles);

    [Benchmark]
    public PlanGeometry LiveAxlesThroughTheirTravel() =>
        PlanGeometry.Of(_plan, _liveAxles, travel: true);

    [Benchmark]
    public PlanGeometry IndependentInNumbers() => PlanGeometry.Of(_plan, _independent);
}
