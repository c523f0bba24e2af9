using CsCheck;
using Nokko.Core.Geometry;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Tests.Plans;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;
using static Nokko.Core.Tests.Geometry.Moved;

namespace Nokko.Core.Tests.Geometry;

/// <summary>Propshafts, CV shafts and arms after a lift.</summary>
public class ShaftsTests
{
    private static readonly (string, double)[] Shaft =
    [
        (SuspensionSizes.ShaftRun, 1200),
        (SuspensionSizes.ShaftDrop, 100),
        (SuspensionSizes.OutputSlope, 4),
        (SuspensionSizes.PinionUp, 4),
    ];

    [Fact]
    public void A_level_lift_steepens_the_shaft_and_leaves_joints_alike_that_were()
    {
        var vehicle = StacksTests.On(
            StacksTests.Of(SuspensionKind.CoilFourLink),
            StacksTests.Of(SuspensionKind.CoilFourLink, Shaft)
        );
        var shaft = One(Of(vehicle, Rings(60, 60)), MechanismKind.Propshaft, "rear");
        var lifted = Way(shaft, "pinion left");
        Assert.Equal(0, lifted.Figure.Value!.Value, 1e-4);
        var slope = Math.Atan2(160, 1200) * 180 / Math.PI;
        Assert.Equal(slope - 4, Also(lifted, "Joint at the gearbox"), 1e-6);
        Assert.Equal(slope - 4, Also(lifted, "Joint at the axle"), 1e-6);
        Assert.Equal(
            double.Hypot(1200, 160) - double.Hypot(1200, 100),
            Also(lifted, "The shaft grows"),
            1e-6
        );
        Assert.False(shaft.Beyond);
        // Nobody looked for a shaft to the front axle.
        Assert.DoesNotContain(
            Of(vehicle, Rings(60, 60)).Mechanisms,
            m => m.Kind == MechanismKind.Propshaft && m.Where == "front"
        );
    }

    [Theory]
    [InlineData(Axle.Rear)]
    [InlineData(Axle.Front)]
    public void The_body_s_pitch_tilts_the_gearbox_and_not_the_axle(Axle axle)
    {
        // A second way: gearbox and its output turned as one rigid body about the wheels.
        var taped = StacksTests.Of(SuspensionKind.LeafOverslung, Shaft);
        var bare = StacksTests.Of(SuspensionKind.CoilFourLink);
        var behind = axle == Axle.Rear;
        var vehicle = behind ? StacksTests.On(bare, taped) : StacksTests.On(taped, bare);
        var parts = behind
            ? Rings(60, 0)
            :
            [
                .. Corners
                    .Of(Axle.Rear)
                    .Select((c, i) => (c, StacksTests.Part(70 + i, PartKind.CoilSpacer, 60))),
            ];
        var geometry = Of(vehicle, parts);
        var (own, other) = behind
            ? (geometry.RearRise.Value!.Value, geometry.FrontRise.Value!.Value)
            : (geometry.FrontRise.Value!.Value, geometry.RearRise.Value!.Value);
        var tilt = Math.Atan((other - own) / 3600);
        // The output as a line of 100 mm from its joint away from the axle, on the body.
        (double X, double Z) Turned(double x, double z) =>
            (
                (x * Math.Cos(tilt)) - (z * Math.Sin(tilt)),
                own + (x * Math.Sin(tilt)) + (z * Math.Cos(tilt))
            );
        var joint = Turned(1200, 100);
        var end = Turned(
            1200 + (100 * Math.Cos(4 * Math.PI / 180)),
            100 + (100 * Math.Sin(4 * Math.PI / 180))
        );
        var output = Math.Atan2(end.Z - joint.Z, end.X - joint.X);
        var slope = Math.Atan2(joint.Z, joint.X);
        var lifted = Way(One(geometry, MechanismKind.Propshaft, axle.Said()), "pinion left");
        Assert.Equal(
            Math.Abs(slope - output) * 180 / Math.PI,
            Also(lifted, "Joint at the gearbox"),
            0.02
        );
        Assert.Equal(
            Math.Abs((slope * 180 / Math.PI) - 4),
            Also(lifted, "Joint at the axle"),
            0.02
        );
        // Turned up by what is told, both are alike.
        var cured = Assert.Single(
            One(geometry, MechanismKind.Propshaft, axle.Said()).Ways,
            w => w.Said.StartsWith("Pinion turned", StringComparison.Ordinal)
        );
        Assert.Equal(0, cured.Figure.Value!.Value, 1e-4);
        Assert.Equal(PartKind.AxleShim, cured.Part);
    }

    [Fact]
    public void Tapers_of_the_plan_turn_the_pinion_as_they_lie()
    {
        double Left(SuspensionKind kind, double taper, Axle axle = Axle.Rear)
        {
            var hung = StacksTests.Of(kind, [.. Shaft[..3], (SuspensionSizes.PinionUp, 1)]);
            var vehicle =
                axle == Axle.Rear ? StacksTests.On(rear: hung) : StacksTests.On(front: hung);
            (Corner, PlacedPart)[] shims =
            [
                .. Corners
                    .Of(axle)
                    .SelectMany(
                        (c, i) =>
                            new[]
                            {
                                (c, StacksTests.Part(70 + i, PartKind.Shackle, 20)),
                                (
                                    c,
                                    StacksTests.Part(
                                        80 + i,
                                        PartKind.AxleShim,
                                        null,
                                        (PartSizes.Taper, taper)
                                    )
                                ),
                            }
                    ),
            ];
            return Also(
                Way(One(Of(vehicle, shims), MechanismKind.Propshaft, axle.Said()), "As planned"),
                "The pinion must turn up"
            );
        }
        // Over the axle, thick end to the rear: up by its degrees; under it down.
        Assert.Equal(
            3,
            Left(SuspensionKind.LeafOverslung, -3) - Left(SuspensionKind.LeafOverslung, 0.001),
            0.01
        );
        Assert.Equal(
            -3,
            Left(SuspensionKind.LeafUnderslung, -3) - Left(SuspensionKind.LeafUnderslung, 0.001),
            0.01
        );
        // In front the pinion points the other way.
        Assert.Equal(
            -3,
            Left(SuspensionKind.LeafOverslung, -3, Axle.Front)
                - Left(SuspensionKind.LeafOverslung, 0.001, Axle.Front),
            0.01
        );
    }

    [Fact]
    public void Cv_joints_run_steeper_by_the_lift_and_a_lower_differential_takes_it_back()
    {
        var vehicle = StacksTests.On(
            StacksTests.Of(
                SuspensionKind.TorsionBarArm,
                (SuspensionSizes.LiftPerTurn, 10),
                (SuspensionSizes.CvDrop, 15),
                (SuspensionSizes.CvRun, 420)
            )
        );
        (Corner, PlacedPart)[] turned =
        [
            (Corner.LF, Sample.Adjuster(80, 5)),
            (Corner.RF, Sample.Adjuster(81, 5)),
        ];
        var shafts = One(Of(vehicle, turned), MechanismKind.CvShaft, "front");
        Assert.Equal(2.05, shafts.Ways[0].Figure.Value!.Value, 0.01);
        var lifted = Way(shafts, "differential left");
        Assert.Equal(8.80, lifted.Figure.Value!.Value, 0.01);
        Assert.Equal(4.73, Also(lifted, "The shaft is drawn out"), 0.01);
        Assert.True(shafts.Beyond);
        Assert.Equal(8, Way(shafts, "Differential drop").Figure.Value!.Value, 1e-6);
        var dropped = One(
            Of(vehicle, [.. turned, (Corner.LF, StacksTests.Part(90, PartKind.DiffDrop, 25))]),
            MechanismKind.CvShaft,
            "front"
        );
        Assert.Equal(
            Math.Atan2(40, 420) * 180 / Math.PI,
            Way(dropped, "As planned").Figure.Value!.Value,
            1e-9
        );
        Assert.False(dropped.Beyond);
        // The maker's own limit speaks before the rule of thumb.
        var own = vehicle with
        {
            Front = vehicle.Front with
            {
                Dimensions = new Dictionary<string, Quantity>(vehicle.Front.Dimensions)
                {
                    [SuspensionSizes.CvRideLimit] = Sample.Of(12, Unit.Degree),
                },
            },
        };
        var within = One(Of(own, turned), MechanismKind.CvShaft, "front");
        Assert.Equal((12, false, false), (within.Limit, within.LimitIsRule, within.Beyond));
        Assert.EndsWith(
            "within 12°, the limit that was entered.",
            within.Says,
            StringComparison.Ordinal
        );
        Assert.Contains("beyond 8°, a rule of thumb.", shafts.Says, StringComparison.Ordinal);
    }

    [Fact]
    public void A_lowered_rear_subframe_takes_its_differential_along()
    {
        var vehicle = StacksTests.On(
            rear: StacksTests.Of(
                SuspensionKind.MultiLink,
                (SuspensionSizes.CvDrop, 15),
                (SuspensionSizes.CvRun, 420)
            )
        );
        (Corner, PlacedPart)[] lifted =
        [
            .. Corners
                .Of(Axle.Rear)
                .SelectMany(
                    (c, i) =>
                        new[]
                        {
                            (c, StacksTests.Part(70 + i, PartKind.SubframeBlock, 40)),
                            (c, StacksTests.Part(80 + i, PartKind.CoilSpacer, 40)),
                        }
                ),
        ];
        var geometry = Of(vehicle, lifted);
        // Before anything came: 15 over 420.
        Assert.Contains(
            ", 2.0° before",
            One(geometry, MechanismKind.CvShaft, "rear").Says,
            StringComparison.Ordinal
        );
        var angle = Math.Atan2(15 + geometry.RearRise.Value!.Value - 40, 420) * 180 / Math.PI;
        Assert.Equal(
            angle,
            Way(
                One(geometry, MechanismKind.CvShaft, "rear"),
                "differential left"
            ).Figure.Value!.Value,
            1e-6
        );
        Assert.Equal(
            angle,
            StacksTests
                .Predict(Sample.Plan(lifted), vehicle)
                .Corners.Single(c => c.Corner == Corner.LR)
                .CvRide.Value!.Value,
            0.01
        );
    }

    [Fact]
    public void Taped_arms_tell_camber_and_track_as_the_corner_does()
    {
        (double Across, double Up)[] points =
        [
            (230, 250),
            (620, 215),
            (330, 585),
            (600, 560),
            (455, 245),
            (405, 770),
            (690, 385),
        ];
        var vehicle = StacksTests.On(
            StacksTests.Of(SuspensionKind.CoilOverArm) with
            {
                Points = StacksTests.Points(SuspensionKind.CoilOverArm, points),
            }
        );
        (Corner, PlacedPart)[] plates =
        [
            (Corner.LF, Sample.Plate(80, 25.4)),
            (Corner.RF, Sample.Plate(81, 25.4)),
        ];
        var arms = One(Of(vehicle, plates, travel: true), MechanismKind.Arms, "front");
        var corner = StacksTests.Predict(Sample.Plan(plates), vehicle).Corners[0];
        var lifted = Way(arms, "Lifted");
        Assert.Equal(corner.Camber.Value!.Value, lifted.Figure.Value!.Value, 1e-6);
        Assert.Equal(corner.Track.Value!.Value, Also(lifted, "Each tyre"), 1e-6);
        // Pivots that go down with a bracket leave the arms as they lay.
        var bracket = One(
            Of(
                vehicle,
                [
                    (Corner.LF, StacksTests.Part(80, PartKind.DropBracket, 50)),
                    (Corner.RF, StacksTests.Part(81, PartKind.DropBracket, 50)),
                    (Corner.LF, Sample.Plate(82, 50)),
                    (Corner.RF, Sample.Plate(83, 50)),
                ]
            ),
            MechanismKind.Arms,
            "front"
        );
        Assert.Equal(0, Way(bracket, "Lifted").Figure.Value!.Value, 0.02);
        // The wheel stays on the ground while the frame goes up over it.
        var travel = lifted.Travel!;
        var ride = travel.UpMm.ToList().IndexOf(0);
        Assert.Equal(385, travel.Rods.Single(r => r.Name == "wheel").Ends[(4 * ride) + 1], 0.01);
        Assert.Equal(
            250 + corner.Rise.Value!.Value,
            travel.Rods.Single(r => r.Name == "lower arm").Ends[(4 * ride) + 3],
            0.01
        );
        Assert.False(arms.Beyond);
    }

    [Fact]
    public void What_links_turn_the_pinion_by_goes_into_its_joint_and_it_is_told_in_words()
    {
        var links = OnBentLinks(Shaft);
        foreach (var where in new[] { "rear", "front" })
        {
            var geometry = Of(StacksTests.On(links, links), Rings(60, 60));
            var turns = One(
                geometry,
                where == "rear" ? MechanismKind.Pinion : MechanismKind.Caster,
                where
            )
                .Ways[1]
                .Figure.Value!.Value;
            var up = where == "rear" ? turns : -turns;
            Assert.True(Math.Abs(up) > 0.5);
            var shaft = One(geometry, MechanismKind.Propshaft, where);
            var (f, r) = (geometry.FrontRise.Value!.Value, geometry.RearRise.Value!.Value);
            // The gearbox rises by its share between the axles.
            var gearbox = where == "rear" ? r + ((f - r) / 3) : f + ((r - f) / 3);
            var slope = Math.Atan2(100 + gearbox, 1200) * 180 / Math.PI;
            Assert.Equal(
                Math.Abs(slope - 4 - up),
                Also(Way(shaft, "pinion left"), "Joint at the axle"),
                1e-6
            );
            Assert.StartsWith(
                FormattableString.Invariant(
                    $"{(where == "rear" ? "The shaft" : "The front shaft")}'s joints leave {shaft.Ways[1].Figure.Value:0.0}° over, {shaft.Ways[0].Figure.Value:0.0}° before"
                ),
                shaft.Says,
                StringComparison.Ordinal
            );
        }
    }

    [Fact]
    public void Camber_of_taped_arms_is_as_good_as_the_rise_and_the_points()
    {
        var vehicle = StacksTests.On(TapedPlane);
        (PlanGeometry Geometry, Result Camber) With(double plate)
        {
            var geometry = Of(
                vehicle,
                [.. Pair(Axle.Front, 70, StacksTests.Part(1, PartKind.StrutTopSpacer, plate))]
            );
            return (geometry, One(geometry, MechanismKind.Arms, "front").Ways[1].Figure);
        }
        var (now, camber) = With(40);
        var (less, more) = (With(38), With(42));
        var perMm =
            (more.Camber.Value - less.Camber.Value)!.Value
            / (more.Geometry.FrontRise.Value - less.Geometry.FrontRise.Value)!.Value;
        Assert.Equal(double.Hypot(0.075, perMm * now.FrontRise.U!.Value), camber.U!.Value, 0.003);
        Assert.True(camber.U > 0.08);
    }

    [Theory]
    [InlineData(Axle.Rear, 5.5, true)]
    [InlineData(Axle.Rear, 2.5, false)]
    [InlineData(Axle.Front, 2.5, true)]
    [InlineData(Axle.Front, 5.5, false)]
    public void A_lowered_gearbox_mount_makes_the_joints_alike_where_it_tilts_the_output_the_right_way(
        Axle axle,
        double pinion,
        bool helps
    )
    {
        (string, double)[] shaft =
        [
            .. Shaft.Where(s => s.Item1 != SuspensionSizes.PinionUp),
            (SuspensionSizes.PinionUp, pinion),
        ];
        var taped = StacksTests.Of(SuspensionKind.LeafOverslung, shaft);
        var bare = StacksTests.Of(SuspensionKind.CoilFourLink);
        var behind = axle == Axle.Rear;
        var geometry = Of(
            behind ? StacksTests.On(bare, taped) : StacksTests.On(taped, bare),
            Rings(behind ? 30 : 0, behind ? 0 : 30)
        );
        var m = One(geometry, MechanismKind.Propshaft, axle.Said());
        var cure = m.Ways.SingleOrDefault(w =>
            w.Said.StartsWith("Gearbox mount", StringComparison.Ordinal)
        );
        if (!helps)
        {
            Assert.Null(cure);
            return;
        }
        Assert.Equal(0, cure!.Figure.Value!.Value, 1e-6);
        Assert.Equal(Also(cure, "Joint at the gearbox"), Also(cure, "Joint at the axle"), 1e-6);
        // The length between the mounts is nobody's tape.
        Assert.Equal(Known.Archetype, cure.Figure.Known);
        Assert.Equal(Known.Computed, m.Ways[1].Figure.Known);
        // By hand: the pinion must turn by as much as the mount tilts the output, over 900.
        var turn = Math.Abs(Also(m.Ways[1], "The pinion must turn up")) * Math.PI / 180;
        Assert.Equal($"Gearbox mount about {LengthText.Both(turn * 900)} lower", cure.Said);
    }

    [Fact]
    public void A_half_shaft_spacer_draws_it_out_and_sizes_are_asked_for_only_where_it_lifts()
    {
        var taped = StacksTests.Of(
            SuspensionKind.CoilOverArm,
            (SuspensionSizes.CvDrop, 15),
            (SuspensionSizes.CvRun, 420)
        );
        (Corner, PlacedPart)[] Parts(double? spacer) =>
            [
                .. Corners
                    .Of(Axle.Front)
                    .SelectMany(
                        (c, i) =>
                            new[]
                            {
                                (
                                    c,
                                    StacksTests.Part(1, PartKind.StrutTopSpacer, 25) with
                                    {
                                        Id = Sample.Id(70 + i),
                                    }
                                ),
                            }.Concat(
                                spacer is { } mm
                                    ?
                                    [
                                        (
                                            c,
                                            StacksTests.Part(2, PartKind.HalfShaftSpacer, mm) with
                                            {
                                                Id = Sample.Id(80 + i),
                                            }
                                        ),
                                    ]
                                    : []
                            )
                    ),
            ];
        var geometry = Of(StacksTests.On(taped), Parts(20));
        var shaft = One(geometry, MechanismKind.CvShaft, "front");
        var rise = geometry.FrontRise.Value!.Value;
        Assert.Equal(
            double.Hypot(440, 15 + rise) - double.Hypot(420, 15),
            Also(shaft.Ways[1], "The shaft is drawn out"),
            1e-6
        );
        Assert.Equal(
            Math.Atan2(15 + rise, 440) * 180 / Math.PI,
            shaft.Ways[1].Figure.Value!.Value,
            1e-9
        );
        Assert.Equal(0, Also(shaft.Ways[0], "The shaft is drawn out"), 1e-9);
        var untaped = StacksTests.On(StacksTests.Of(SuspensionKind.CoilOverArm));
        Assert.Equal(
            [SuspensionSizes.CvDrop, SuspensionSizes.CvRun],
            One(Of(untaped, Parts(null)), MechanismKind.CvShaft, "front")
                .Asks.Select(a => a.Size)
                .Order(StringComparer.Ordinal)
        );
        Assert.Empty(One(Of(untaped, []), MechanismKind.CvShaft, "front").Asks);
    }

    [Fact]
    public void A_shaft_is_lifted_by_the_other_axle_too_and_by_nothing_where_nothing_lifts()
    {
        var vehicle = StacksTests.On(
            StacksTests.Of(SuspensionKind.CoilFourLink),
            StacksTests.Of(SuspensionKind.CoilFourLink, Shaft)
        );
        int Ways(double front, double rear) =>
            One(Of(vehicle, Rings(front, rear)), MechanismKind.Propshaft, "rear").Ways.Count;
        Assert.Equal(1, Ways(0, 0));
        Assert.True(Ways(50, 0) > 1);
        Assert.True(Ways(0, 50) > 1);
    }

    [Fact]
    public void Camber_through_the_travel_is_told_in_degrees_where_points_were_taped()
    {
        (Corner, PlacedPart)[] parts =
        [
            .. Pair(Axle.Front, 70, StacksTests.Part(1, PartKind.StrutTopSpacer, 30)),
        ];
        Mechanism With(Nokko.Core.Vehicles.Suspension front) =>
            One(Of(StacksTests.On(front), parts, travel: true), MechanismKind.Arms, "front");
        var arms = With(TapedPlane);
        var travel = arms.Ways[1].Travel!;
        var ride = travel.UpMm.ToList().FindIndex(up => Math.Abs(up) < 1e-9);
        Assert.Equal(arms.Ways[1].Figure.Value!.Value, travel.Figure[ride], 1e-6);
        Assert.Null(With(StacksTests.Of(SuspensionKind.CoilOverArm)).Ways[0].Travel);
    }

    [Fact]
    public void A_lower_differential_is_offered_only_where_one_is_needed_and_none_stands()
    {
        Mechanism With(double plate, double? drop)
        {
            var taped = StacksTests.Of(
                SuspensionKind.CoilOverArm,
                (SuspensionSizes.CvDrop, 15),
                (SuspensionSizes.CvRun, 420)
            );
            return One(
                Of(
                    StacksTests.On(taped),
                    [
                        .. Pair(
                            Axle.Front,
                            70,
                            StacksTests.Part(1, PartKind.StrutTopSpacer, plate)
                        ),
                        .. drop is { } mm
                            ? ((Corner, PlacedPart)[])
                                [(Corner.LF, StacksTests.Part(90, PartKind.DiffDrop, mm))]
                            : [],
                    ]
                ),
                MechanismKind.CvShaft,
                "front"
            );
        }
        bool Offers(Mechanism m) => m.Ways.Any(w => w.Kind == WayKind.Cure);
        // 8° over 420 are 59: 15 and about 20 are within it, 15 and about 75 are not.
        Assert.False(Offers(With(10, null)));
        Assert.True(Offers(With(40, null)));
        Assert.False(Offers(With(40, 5)));
        Assert.Equal(WayKind.Planned, With(40, 5).Stands.Kind);
    }
}
