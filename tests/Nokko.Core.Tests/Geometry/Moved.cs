using Nokko.Core.Geometry;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Tests.Plans;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Geometry;

/// <summary>Vehicles and plans of which is asked what moves.</summary>
internal static class Moved
{
    public static readonly (string, double)[] Bar =
    [
        (SuspensionSizes.TrackBarRun, 860),
        (SuspensionSizes.TrackBarDrop, 60),
    ];

    public static PlanGeometry Of(
        Vehicle vehicle,
        (Corner Corner, PlacedPart Part)[] parts,
        IReadOnlyList<Part>? shelf = null,
        bool travel = false
    ) =>
        PlanGeometry.Of(
            Sample.Plan(parts),
            new Situation(Sample.AsFound, vehicle, null),
            shelf,
            travel
        );

    /// <summary>Rings on coils that stand on their axle: they lift by their thickness.</summary>
    public static (Corner, PlacedPart)[] Rings(double front, double rear) =>
        [
            .. Corners
                .All.Select(
                    (c, i) =>
                        (
                            c,
                            StacksTests.Part(1, PartKind.CoilSpacer, i < 2 ? front : rear) with
                            {
                                Id = Sample.Id(70 + i),
                            }
                        )
                )
                .Where(r => r.Item2.Thickness!.Value > 0),
        ];

    public static Vehicle On(
        SuspensionKind kind,
        SuspensionKind rear,
        params (string, double)[] sizes
    ) => StacksTests.On(StacksTests.Of(kind, sizes), StacksTests.Of(rear));

    public static Mechanism One(PlanGeometry geometry, MechanismKind kind, string where) =>
        Assert.Single(geometry.Mechanisms, m => m.Kind == kind && m.Where == where);

    public static MechanismWay Way(Mechanism mechanism, string said) =>
        Assert.Single(
            mechanism.Ways,
            w => w.Said.Contains(said, StringComparison.OrdinalIgnoreCase)
        );

    public static double Also(MechanismWay way, string label) =>
        Assert
            .Single(way.Also, a => a.Label.StartsWith(label, StringComparison.Ordinal))
            .Result.Value!.Value;

    public static readonly Vehicle FourLinks = On(
        SuspensionKind.CoilFourLink,
        SuspensionKind.CoilFourLink,
        [
            .. Bar,
            (SuspensionSizes.DragLinkRun, 860),
            (SuspensionSizes.DragLinkDrop, 74),
            (SuspensionSizes.SteeringArm, 170),
        ]
    );

    /// <summary>Links of which the upper one is shorter: a lift turns the axle.</summary>
    public static readonly (double Along, double Up)[] BentLinks =
    [
        (700, 400),
        (0, 320),
        (450, 640),
        (0, 500),
        (0, 460),
        (0, 780),
        (0, 380),
    ];

    /// <summary>An axle on such links.</summary>
    public static Nokko.Core.Vehicles.Suspension OnBentLinks(params (string, double)[] sizes) =>
        StacksTests.Of(SuspensionKind.CoilFourLink, sizes) with
        {
            Points = StacksTests.Points(SuspensionKind.CoilFourLink, BentLinks),
        };

    /// <summary>A part on both sides of an axle.</summary>
    public static (Corner, PlacedPart)[] Pair(Axle axle, int id, PlacedPart part) =>
        [.. Corners.Of(axle).Select((c, i) => (c, part with { Id = Sample.Id(id + i) }))];

    /// <summary>Arms of which the points of the plane were taped, as usual ones have them.</summary>
    public static Nokko.Core.Vehicles.Suspension TapedPlane { get; } =
        StacksTests.Of(SuspensionKind.CoilOverArm) with
        {
            Points = StacksTests.Points(
                SuspensionKind.CoilOverArm,
                [.. Archetype.Of(SuspensionKind.CoilOverArm)!.Points.Select(p => (p.At.Y, p.At.Z))]
            ),
        };
}
