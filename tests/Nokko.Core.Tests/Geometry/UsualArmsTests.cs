using CsCheck;
using Nokko.Core.Geometry;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Tests.Geometry;
using Nokko.Core.Tests.Plans;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;
using static Nokko.Core.Tests.Geometry.Moved;

namespace Nokko.Core.Tests.Geometry;

/// <summary>What a lift does to the angles of a front whose points in space nobody taped.</summary>
public class UsualArmsTests
{
    private const double Degrees = 180 / Math.PI;

    private static Nokko.Core.Vehicles.Suspension Front(
        SuspensionKind kind,
        IReadOnlyList<SuspensionPoint>? plane = null,
        params (string, double)[] sizes
    ) => StacksTests.Of(kind, sizes) with { Points = plane ?? [] };

    /// <summary>A spacer on top of the strut, so that the wheel lifts by about twice its thickness.</summary>
    private static Mechanism Lifted(
        Nokko.Core.Vehicles.Suspension front,
        MechanismKind kind = MechanismKind.Alignment
    ) =>
        One(
            Of(
                StacksTests.On(front),
                Pair(Axle.Front, 71, StacksTests.Part(1, PartKind.StrutTopSpacer, 25))
            ),
            kind,
            "front"
        );

    [Fact]
    public void Usual_arms_are_those_of_the_worked_corner()
    {
        var (points, us) = SpaceArms.Usual(Front(SuspensionKind.TorsionBarArm))!.Value;
        Assert.All(
            points.ToArray().Zip(SpaceWishboneTests.Points.ToArray()),
            p => Assert.Equal(0, (p.First - p.Second).Length, 0.5)
        );
        Assert.Equal(27, us.Length);
        Assert.Null(SpaceArms.Usual(Front(SuspensionKind.Strut)));
        Assert.Null(SpaceArms.Usual(Front(SuspensionKind.CoilFourLink)));
    }

    [Fact]
    public void A_light_vehicles_arms_are_smaller_all_round_and_move_the_wheel_alike()
    {
        var kind = SuspensionKind.CoilOverArm;
        var usual = SpaceArms.Usual(Front(kind))!.Value;
        var half = SpaceArms
            .Usual(
                Front(
                    kind,
                    sizes: (
                        Archetype.Of(kind)!.Lengths[0],
                        0.5 * (usual.Points.LowerBall - new SpacePoint(8, 230, 250)).Length
                    )
                )
            )!
            .Value;
        var (one, other) = (new SpaceWishbone(usual.Points), new SpaceWishbone(half.Points));
        // Half the size, half the lift: the same angles.
        Assert.Equal(one.At(-50)!.Value.Camber, other.At(-25)!.Value.Camber, 1e-3);
        Assert.Equal(one.At(-50)!.Value.Toe, other.At(-25)!.Value.Toe, 1e-3);
        Assert.Equal(usual.U[0] / 2, half.U[0], 0.01);
    }

    [Fact]
    public void The_change_is_told_with_a_wide_band_is_marked_and_condemns_nothing()
    {
        var front = Lifted(
            Front(SuspensionKind.CoilOverArm, sizes: (SuspensionSizes.CamRange, 0.5))
        );
        Assert.Equal(Known.Archetype, front.Ways[1].Figure.Known);
        Assert.True(front.Ways[1].Figure.U > 0.3);
        Assert.All(front.Ways[1].Also, a => Assert.Equal(Known.Archetype, a.Result.Known));
        // Cams of half a millimetre hardly align anything, but nobody taped it.
        Assert.Contains("it will hardly align", front.Says, StringComparison.Ordinal);
        Assert.EndsWith(
            "Tape nine points in space: then caster, toe and what is left of the cams are told.",
            front.Says,
            StringComparison.Ordinal
        );
        Assert.False(front.Beyond);
    }

    [Fact]
    public void Points_of_the_plane_sharpen_it_and_its_camber_is_that_of_the_plane() =>
        Gen.Double[-20, 20]
            .Array[14]
            .Sample(
                d =>
                {
                    var kind = SuspensionKind.CoilOverArm;
                    var plane = StacksTests.Points(
                        kind,
                        [
                            .. Archetype
                                .Of(kind)!
                                .Points.Select(
                                    (p, i) => (p.At.Y + d[2 * i], p.At.Z + d[(2 * i) + 1])
                                ),
                        ]
                    );
                    var taped = Front(kind, plane);
                    var (inSpace, inPlane) = (Lifted(taped), Lifted(taped, MechanismKind.Arms));
                    Assert.Equal(
                        inPlane.Ways[1].Figure.Value!.Value,
                        inSpace.Ways[1].Figure.Value!.Value,
                        0.2
                    );
                    Assert.True(inSpace.Ways[1].Figure.U < Lifted(Front(kind)).Ways[1].Figure.U);
                    Assert.Equal(Known.Archetype, inSpace.Ways[1].Figure.Known);
                },
                iter: Sample.Tries(20)
            );

    [Fact]
    public void Its_band_holds_corners_that_are_drawn_with_the_same_spread()
    {
        var (points, us) = SpaceArms.Usual(Front(SuspensionKind.CoilOverArm))!.Value;
        var random = new Random(7);
        double Normal() =>
            Math.Sqrt(-2 * Math.Log(1 - random.NextDouble()))
            * Math.Cos(2 * Math.PI * random.NextDouble());
        double[]? Moves(double[] x)
        {
            var corner = new SpaceWishbone(
                SpaceWishbonePoints.Of([
                    .. Enumerable
                        .Range(0, 9)
                        .Select(i => new SpacePoint(x[3 * i], x[(3 * i) + 1], x[(3 * i) + 2])),
                ])
            );
            return (corner.At(0), corner.At(-50)) is ({ } was, { } low)
                ? [(low.Camber - was.Camber) * Degrees, (low.Toe - was.Toe) * Degrees]
                : null;
        }
        double[] at = [.. points.ToArray().SelectMany(p => new[] { p.X, p.Y, p.Z })];
        var (mean, u) = (Moves(at)!, FirstOrder.Us(Moves, 2, [.. at.Zip(us)], []));
        double[][] drawn =
        [
            .. Enumerable
                .Range(0, 2000)
                .Select(_ => Moves([.. at.Zip(us, (v, s) => v + (s * Normal()))]))
                .OfType<double[]>(),
        ];
        Assert.True(drawn.Length > 1950);
        for (var i = 0; i < 2; i++)
        {
            var within = drawn.Count(m => Math.Abs(m[i] - mean[i]) <= 2 * u[i]);
            Assert.InRange(within / (double)drawn.Length, 0.90, 0.99);
        }
    }

    [Fact]
    public void The_band_of_smaller_arms_is_smaller_in_every_point()
    {
        var kind = SuspensionKind.CoilOverArm;
        var usual = SpaceArms.Usual(Front(kind))!.Value;
        var arm = (usual.Points.LowerBall - new SpacePoint(8, 230, 250)).Length;
        var half = SpaceArms
            .Usual(Front(kind, sizes: (Archetype.Of(kind)!.Lengths[0], arm / 2)))!
            .Value;
        Assert.All(
            usual.U.Zip(half.U),
            u => Assert.Equal(u.First / 2, u.Second, 0.01 + (0.001 * u.First))
        );
        // The wheel's own place along is the zero of it.
        Assert.Equal(0, usual.U[24]);
    }

    [Fact]
    public void An_angle_from_the_sheet_that_usual_arms_moved_is_marked_too()
    {
        var vehicle = StacksTests.On(Front(SuspensionKind.CoilOverArm));
        var situation = new Situation(
            Sample.AsFound,
            vehicle,
            Sample.Stance(vehicle) with
            {
                Measures =
                [
                    new(
                        Nokko.Core.WalkRounds.Measures.CamberAngle,
                        "LF",
                        Result.Of(-0.5, Unit.Degree, 0.05, [], Known.Measured),
                        1
                    ),
                ],
            }
        );
        var front = PlanGeometry
            .Of(
                Sample.Plan(Pair(Axle.Front, 71, StacksTests.Part(1, PartKind.StrutTopSpacer, 25))),
                situation
            )
            .Mechanisms.Single(m => m.Kind == MechanismKind.Alignment);
        var told = Assert.Single(
            front.Ways[1].Also,
            a => a.Label.StartsWith("Left camber, from the sheet", StringComparison.Ordinal)
        );
        Assert.Equal(Known.Archetype, told.Result.Known);
        Assert.Equal(-0.5 + front.Ways[1].Figure.Value!.Value, told.Result.Value!.Value, 1e-9);
    }
}
