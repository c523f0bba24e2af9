using CsCheck;
using Nokko.Core.Geometry;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Plans;

/// <summary>What a plan moves besides the height: before, lifted, and with what takes it back.</summary>
public class PlanGeometryTests
{
    private static readonly (string, double)[] Bar =
    [
        (SuspensionSizes.TrackBarRun, 860),
        (SuspensionSizes.TrackBarDrop, 60),
    ];

    private static PlanGeometry Of(
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
    private static (Corner, PlacedPart)[] Rings(double front, double rear) =>
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

    private static Vehicle On(
        SuspensionKind kind,
        SuspensionKind rear,
        params (string, double)[] sizes
    ) => StacksTests.On(StacksTests.Of(kind, sizes), StacksTests.Of(rear));

    private static Mechanism One(PlanGeometry geometry, MechanismKind kind, string where) =>
        Assert.Single(geometry.Mechanisms, m => m.Kind == kind && m.Where == where);

    private static MechanismWay Way(Mechanism mechanism, string said) =>
        Assert.Single(
            mechanism.Ways,
            w => w.Said.Contains(said, StringComparison.OrdinalIgnoreCase)
        );

    private static double Also(MechanismWay way, string label) =>
        Assert
            .Single(way.Also, a => a.Label.StartsWith(label, StringComparison.Ordinal))
            .Result.Value!.Value;

    private static readonly Vehicle FourLinks = On(
        SuspensionKind.CoilFourLink,
        SuspensionKind.CoilFourLink,
        [
            .. Bar,
            (SuspensionSizes.DragLinkRun, 860),
            (SuspensionSizes.DragLinkDrop, 74),
            (SuspensionSizes.SteeringArm, 170),
        ]
    );

    [Fact]
    public void A_track_bar_shifts_its_axle_and_each_cure_takes_back_its_own_part()
    {
        var bar = One(Of(FourLinks, Rings(50, 0)), MechanismKind.TrackBar, "front");
        Assert.Equal(0, bar.Ways[0].Figure.Value);
        var lifted = Way(bar, "bar left");
        Assert.Equal(4.956, lifted.Figure.Value!.Value, 0.001);
        Assert.Equal(2 * 4.956, Also(lifted, "Gaps"), 0.002);
        Assert.Equal(25, Also(lifted, "Body over"), 0.001);
        var longer = Way(bar, "Longer bar");
        Assert.Equal(0, longer.Figure.Value!.Value, 9);
        Assert.Equal(867.006 - 862.090, Also(longer, "The bar is longer"), 0.001);
        var raised = Way(bar, "axle end");
        Assert.Equal(0, raised.Figure.Value!.Value, 9);
        Assert.Equal(0, Also(raised, "Body over"), 9);
        Assert.Equal(50, Also(Way(bar, "body end"), "Body over"), 9);
        // On a steered axle the bar is never moved alone.
        Assert.Equal(Heed.Stop, raised.Care!.Heed);
        var rear = One(Of(FourLinks, Rings(0, 50)), MechanismKind.TrackBar, "rear");
        Assert.Null(Way(rear, "axle end").Care);
    }

    [Fact]
    public void The_side_to_which_the_axle_goes_is_told_where_it_is_known()
    {
        string Says(Side? side, double ring) =>
            One(
                Of(
                    FourLinks with
                    {
                        Front = FourLinks.Front with { BarBodyEnd = side },
                    },
                    Rings(ring, 0)
                ),
                MechanismKind.TrackBar,
                "front"
            ).Says;
        Assert.Contains("toward the left", Says(Side.Left, 80), StringComparison.Ordinal);
        Assert.Contains("toward the right", Says(Side.Right, 80), StringComparison.Ordinal);
        Assert.Contains("bar's end at the body", Says(null, 80), StringComparison.Ordinal);
    }

    [Fact]
    public void What_the_plan_has_for_it_counts_and_the_bracket_at_hand_is_taken()
    {
        PlacedPart bracket = StacksTests.Part(90, PartKind.TrackBarBracket, 50);
        var shelf = new Part
        {
            Id = Sample.Id(91),
            Number = "RB 1",
            Name = "Rook bracket",
            Kind = PartKind.TrackBarBracket,
            Thickness = Sample.Mm(40),
            Count = 1,
        };
        var open = One(Of(FourLinks, Rings(80, 0), [shelf]), MechanismKind.TrackBar, "front");
        Assert.True(open.Beyond);
        var at = Way(open, "Rook bracket, axle end");
        Assert.Equal(
            new TrackBar(860, 60).Lifted(80, TrackBarCure.RaisedAxleEnd, 40)!.ShiftMm,
            at.Figure.Value!.Value,
            9
        );
        // One that lies nowhere is not offered by its name.
        Assert.DoesNotContain(
            One(
                Of(FourLinks, Rings(80, 0), [shelf with { Count = 0 }]),
                MechanismKind.TrackBar,
                "front"
            ).Ways,
            w => w.Said.Contains("Rook", StringComparison.Ordinal)
        );
        var cured = One(
            Of(FourLinks, [.. Rings(80, 0), (Corner.LF, bracket)]),
            MechanismKind.TrackBar,
            "front"
        );
        Assert.False(cured.Beyond);
        Assert.Equal(
            new TrackBar(860, 60).Lifted(30)!.ShiftMm,
            Way(cured, "As planned").Figure.Value!.Value,
            9
        );
        // A bar that can be set is set to what centres the axle, bracket or not.
        var set = One(
            Of(
                FourLinks,
                [
                    .. Rings(80, 0),
                    (Corner.LF, bracket),
                    (Corner.LF, StacksTests.Part(92, PartKind.TrackBar)),
                ]
            ),
            MechanismKind.TrackBar,
            "front"
        );
        Assert.Equal(0, Way(set, "As planned").Figure.Value!.Value, 9);
        Assert.Equal(15, Also(Way(set, "As planned"), "Body over"), 9);
    }

    [Fact]
    public void A_bar_moved_alone_steers_and_both_moved_alike_do_not()
    {
        var vehicle = On(
            SuspensionKind.CoilFourLink,
            SuspensionKind.CoilFourLink,
            (SuspensionSizes.TrackBarRun, 820),
            (SuspensionSizes.TrackBarDrop, 70),
            (SuspensionSizes.DragLinkRun, 860),
            (SuspensionSizes.DragLinkDrop, 74),
            (SuspensionSizes.SteeringArm, 170)
        );
        var steering = One(Of(vehicle, Rings(50, 0)), MechanismKind.Steering, "front");
        Assert.Equal(0.013, steering.Ways[0].Figure.Value!.Value, 0.001);
        var alone = Way(steering, "bracket alone");
        Assert.Equal(-0.991, alone.Figure.Value!.Value, 0.001);
        Assert.Equal(Heed.Stop, alone.Care!.Heed);
        // The axle is back in its middle, the link is not: the worked figure at rest.
        Assert.Equal(-1.947, Also(alone, "At rest"), 0.001);
        var both = Way(steering, "both moved");
        Assert.Equal(0.013, both.Figure.Value!.Value, 0.001);
        Assert.Null(both.Care);
        // Parallel: slopes alike.
        var lowered = Also(Way(steering, "both left"), "The link's end");
        Assert.Equal(120.0 / 820, (124 - lowered) / 860, 1e-9);
        Assert.DoesNotContain(
            Of(vehicle, Rings(50, 50)).Mechanisms,
            m => m.Kind == MechanismKind.Steering && m.Where == "rear"
        );
    }

    [Fact]
    public void What_was_beyond_its_limit_before_and_is_no_worse_is_not_the_plan_s_to_answer()
    {
        // Slopes that never were alike: it steers half a degree over a bump, lifted or not.
        var vehicle = On(
            SuspensionKind.CoilFourLink,
            SuspensionKind.CoilFourLink,
            (SuspensionSizes.TrackBarRun, 842),
            (SuspensionSizes.TrackBarDrop, 66),
            (SuspensionSizes.DragLinkRun, 864),
            (SuspensionSizes.DragLinkDrop, 92),
            (SuspensionSizes.SteeringArm, 172)
        );
        Mechanism Steering(params (Corner, PlacedPart)[] more) =>
            One(Of(vehicle, [.. Rings(20, 0), .. more]), MechanismKind.Steering, "front");
        var left = Steering();
        Assert.True(Math.Abs(Way(left, "both left").Figure.Value!.Value) > left.Limit);
        Assert.False(left.Beyond);
        Assert.Contains("no more than before", left.Says, StringComparison.Ordinal);
        // The bar's bracket alone makes it worse.
        Assert.True(
            Steering((Corner.LF, StacksTests.Part(90, PartKind.TrackBarBracket, 50))).Beyond
        );
    }

    [Theory]
    [InlineData(50, 50, -3.198)]
    [InlineData(50, 0, -2.40)]
    [InlineData(0, 50, -0.80)]
    public void Radius_arms_turn_the_axle_by_the_frame_s_rise_at_their_pivots(
        double front,
        double rear,
        double degrees
    )
    {
        var vehicle = On(
            SuspensionKind.CoilFourLink,
            SuspensionKind.CoilFourLink,
            (SuspensionSizes.ArmLength, 900)
        );
        // A coil at the end of an arm of one: it lifts by its thickness.
        vehicle = vehicle with
        {
            Front = StacksTests.Of(
                SuspensionKind.CoilRadiusArm,
                (SuspensionSizes.ArmLength, 900),
                (SuspensionSizes.RadiusArmDrop, 60),
                (SuspensionSizes.BushApart, 110)
            ),
        };
        var geometry = Of(vehicle, Rings(front, rear));
        var caster = One(geometry, MechanismKind.Caster, "front");
        var (f, r) = (geometry.FrontRise.Value!.Value, geometry.RearRise.Value!.Value);
        var lifted = Way(caster, "arms left").Figure;
        // By the rises as they come; the worked figure where the front lifts by just so much.
        var run = Math.Sqrt((900 * 900) - (60 * 60));
        Assert.Equal(
            Caster.OfRadiusArmRad(900, 60, f + ((r - f) * run / 3600))!.Value * 180 / Math.PI,
            lifted.Value!.Value,
            1e-9
        );
        Assert.Equal(degrees, lifted.Value!.Value, 0.12 + (0.066 * Math.Abs(f - front)));
        Assert.Equal(Math.Abs(lifted.Value.Value) > 1, caster.Beyond);
        Assert.Equal(0, Way(caster, "Offset bushes").Figure.Value!.Value, 1e-9);
        Assert.Equal(0, Way(caster, "pivots").Figure.Value!.Value, 1e-9);
        Assert.Equal(
            110 * Math.Tan(Math.Abs(lifted.Value.Value) * Math.PI / 180) / 2,
            Also(Way(caster, "Offset bushes"), "Each bush"),
            1e-6
        );
    }

    [Fact]
    public void Bushes_of_the_plan_give_back_what_they_were_made_for()
    {
        var vehicle = FourLinks with
        {
            Front = StacksTests.Of(
                SuspensionKind.CoilRadiusArm,
                (SuspensionSizes.ArmLength, 900),
                (SuspensionSizes.RadiusArmDrop, 60)
            ),
        };
        (Corner, PlacedPart)[] bushes =
        [
            .. Corners
                .Of(Axle.Front)
                .Select(
                    (c, i) =>
                        (
                            c,
                            StacksTests.Part(95 + i, PartKind.CasterBush, null, (PartSizes.Turn, 3))
                        )
                ),
        ];
        var without = One(Of(vehicle, Rings(50, 50)), MechanismKind.Caster, "front");
        var with = One(Of(vehicle, [.. Rings(50, 50), .. bushes]), MechanismKind.Caster, "front");
        Assert.True(without.Beyond);
        Assert.Equal(
            Way(without, "arms left").Figure.Value!.Value + 3,
            Way(with, "As planned").Figure.Value!.Value,
            1e-9
        );
        Assert.False(with.Beyond);
    }

    [Fact]
    public void Links_turn_the_axle_and_the_body_s_pitch_goes_in()
    {
        // A parallelogram does not turn: what is left is the body's own pitch.
        (double Along, double Up)[] points =
        [
            (700, 400),
            (0, 320),
            (700, 580),
            (0, 500),
            (0, 460),
            (0, 780),
            (0, 380),
        ];
        var archetype = Archetype.Of(SuspensionKind.CoilFourLink)!;
        var taped = StacksTests.Of(SuspensionKind.CoilFourLink) with
        {
            Points =
            [
                .. archetype.Points.Zip(
                    points,
                    (point, p) =>
                        new SuspensionPoint
                        {
                            Name = point.Name,
                            X = Sample.Mm(p.Along),
                            Z = Sample.Mm(p.Up),
                        }
                ),
            ],
        };
        var vehicle = StacksTests.On(taped, taped);
        var level = One(Of(vehicle, Rings(40, 40)), MechanismKind.Caster, "front");
        Assert.Equal(0, Way(level, "links left").Figure.Value!.Value, 0.001);
        var geometry = Of(vehicle, Rings(40, 0));
        var nose =
            (geometry.FrontRise.Value - geometry.RearRise.Value)!.Value / 3600 * 180 / Math.PI;
        Assert.Equal(
            nose,
            Way(One(geometry, MechanismKind.Caster, "front"), "links left").Figure.Value!.Value,
            0.001
        );
        // Nose up, the pinion behind points up as much.
        Assert.Equal(
            nose,
            Way(One(geometry, MechanismKind.Pinion, "rear"), "links left").Figure.Value!.Value,
            0.001
        );
        // A shorter upper link draws the top back with a lift in front: caster is lost; found by the two circles themselves.
        points[2] = (450, 640);
        var bent = taped with
        {
            Points =
            [
                .. archetype.Points.Zip(
                    points,
                    (point, p) =>
                        new SuspensionPoint
                        {
                            Name = point.Name,
                            X = Sample.Mm(p.Along),
                            Z = Sample.Mm(p.Up),
                        }
                ),
            ],
        };
        var bends = Of(StacksTests.On(bent, bent), Rings(40, 40));
        var (f, r) = (bends.FrontRise.Value!.Value, bends.RearRise.Value!.Value);
        Assert.Equal(
            (TurnByBisection(points, f) - ((r - f) / 3600)) * 180 / Math.PI,
            Way(One(bends, MechanismKind.Caster, "front"), "links left").Figure.Value!.Value,
            1e-6
        );
    }

    /// <summary>A second way: the lower link is swung until the wheel hangs low enough, the upper joint found by stepping the axle round; rearward lean of the axle's top is caster.</summary>
    private static double TurnByBisection((double X, double Z)[] p, double lift)
    {
        double Length(int a, int b) => double.Hypot(p[a].X - p[b].X, p[a].Z - p[b].Z);
        var (lower, upper, axle) = (Length(0, 1), Length(2, 3), Length(1, 3));
        var start = Math.Atan2(p[1].Z - p[0].Z, p[1].X - p[0].X);
        var leaning = Math.Atan2(p[3].Z - p[1].Z, p[3].X - p[1].X);
        double Lean(double turn)
        {
            var (x, z) = (
                p[0].X + (lower * Math.Cos(start + turn)),
                p[0].Z + (lower * Math.Sin(start + turn))
            );
            var (low, high) = (leaning - 0.2, leaning + 0.2);
            double Off(double a) =>
                double.Hypot(x + (axle * Math.Cos(a)) - p[2].X, z + (axle * Math.Sin(a)) - p[2].Z)
                - upper;
            var rising = Off(high) > Off(low);
            for (var i = 0; i < 80; i++)
            {
                var middle = (low + high) / 2;
                if (Off(middle) > 0 == rising)
                {
                    high = middle;
                }
                else
                {
                    low = middle;
                }
            }
            return low;
        }
        double Wheel(double turn)
        {
            var a = Lean(turn) - leaning;
            var (dx, dz) = (p[6].X - p[1].X, p[6].Z - p[1].Z);
            return p[0].Z
                + (lower * Math.Sin(start + turn))
                + (dx * Math.Sin(a))
                + (dz * Math.Cos(a))
                - p[6].Z;
        }
        // The frame's pivots lie ahead in these coordinates: a greater angle lowers the wheel.
        var (l, h) = (-0.3, 0.3);
        var falls = Wheel(h) < Wheel(l);
        for (var i = 0; i < 80; i++)
        {
            var middle = (l + h) / 2;
            if (Wheel(middle) < -lift == falls)
            {
                h = middle;
            }
            else
            {
                l = middle;
            }
        }
        // Pivots to the right are behind: a top that goes to the right leans back.
        return -(Lean(l) - leaning);
    }

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
            w => w.Kind == WayKind.Cure
        );
        Assert.Equal(0, cured.Figure.Value!.Value, 1e-4);
        Assert.Equal(PartKind.AxleShim, cured.Part);
    }

    [Fact]
    public void Tapers_of_the_plan_turn_the_pinion_as_they_lie()
    {
        double Left(SuspensionKind kind, double taper)
        {
            var vehicle = StacksTests.On(
                rear: StacksTests.Of(kind, [.. Shaft[..3], (SuspensionSizes.PinionUp, 1)])
            );
            (Corner, PlacedPart)[] shims =
            [
                .. Corners
                    .Of(Axle.Rear)
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
                Way(One(Of(vehicle, shims), MechanismKind.Propshaft, "rear"), "As planned"),
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
    }

    [Fact]
    public void Headlights_follow_the_body_over_the_floor_with_tyres_and_mounts()
    {
        Mechanism Lamps(params (Corner, PlacedPart)[] parts) =>
            One(Of(FourLinks, parts), MechanismKind.Headlights, "vehicle");
        var tilt = Lamps(Rings(55, 25)).Ways[1];
        Assert.Equal(63.5, tilt.Figure.Value!.Value, 0.1);
        Assert.Equal(0.4775, Also(tilt, "The beam tilts"), 0.001);
        Assert.True(Lamps(Rings(55, 25)).Beyond);
        // A puck lifts the body and nothing beneath it.
        (Corner, PlacedPart)[] pucks =
        [
            .. Corners
                .Of(Axle.Front)
                .Select((c, i) => (c, StacksTests.Part(60 + i, PartKind.BodyPuck, 25))),
        ];
        var geometry = Of(FourLinks, pucks);
        Assert.Equal(0, geometry.FrontRise.Value!.Value, 9);
        Assert.True(One(geometry, MechanismKind.Headlights, "vehicle").Ways[1].Figure.Value > 40);
        Assert.DoesNotContain(
            One(geometry, MechanismKind.TrackBar, "front").Ways,
            w => w.Kind is WayKind.Lifted or WayKind.Cure
        );
        // So does a taller tyre on one axle.
        (Corner, PlacedPart)[] tyres =
        [
            .. Corners
                .Of(Axle.Front)
                .Select(
                    (c, i) =>
                        (
                            c,
                            StacksTests.Part(60 + i, PartKind.Tyre, null, (PartSizes.Diameter, 853))
                        )
                ),
        ];
        Assert.True(Lamps(tyres).Ways[1].Figure.Value > 20);
    }

    [Fact]
    public void What_both_axles_rises_share_goes_out_of_the_tilt()
    {
        // The same mounts on both axles are wrong by the same: a body lift is surer of its tilt than of its height.
        (Corner, PlacedPart)[] pucks =
        [
            .. Corners.All.Select((c, i) => (c, StacksTests.Part(60 + i, PartKind.BodyPuck, 25))),
        ];
        var lamps = One(Of(FourLinks, pucks), MechanismKind.Headlights, "vehicle").Ways[1];
        var up = Assert
            .Single(lamps.Also, a => a.Label.StartsWith("The lamp", StringComparison.Ordinal))
            .Result.U!.Value;
        Assert.True(lamps.Figure.U < Math.Sqrt(2) * up * Headlights.UsualWallMm / 3600);
    }

    [Fact]
    public void What_nobody_taped_is_marked_never_beyond_and_each_tape_does_what_is_told()
    {
        Mechanism With(params (string, double)[] sizes) =>
            One(
                Of(
                    On(SuspensionKind.CoilFourLink, SuspensionKind.CoilFourLink, sizes),
                    Rings(120, 0)
                ),
                MechanismKind.TrackBar,
                "front"
            );
        var none = With();
        var lifted = Way(none, "bar left").Figure;
        Assert.Equal(Known.Archetype, lifted.Known);
        Assert.True(lifted.Value > none.Limit);
        Assert.False(none.Beyond);
        Assert.Equal(SuspensionSizes.TrackBarDrop, none.Asks[0].Size);
        foreach (var asked in none.Asks)
        {
            Assert.Equal(lifted.U!.Value, asked.NowU!.Value, 1e-9);
            // Taped where the invented axle has it, only the ± changes.
            var then = Way(
                With((asked.Size, asked.Size == SuspensionSizes.TrackBarRun ? 850 : 60)),
                "bar left"
            ).Figure;
            Assert.Equal(asked.ThenU!.Value, then.U!.Value, 1e-9);
        }
        Assert.Empty(With(Bar).Asks);
        Assert.True(With(Bar).Beyond);
    }

    [Fact]
    public void Through_the_travel_bars_keep_their_length_and_ride_height_is_a_place() =>
        Gen.Select(Gen.Double[20, 120], Gen.Double[600, 1000], Gen.Double[-60, 150])
            .Sample(
                (lift, run, drop) =>
                {
                    var vehicle = On(
                        SuspensionKind.CoilFourLink,
                        SuspensionKind.CoilFourLink,
                        (SuspensionSizes.TrackBarRun, run),
                        (SuspensionSizes.TrackBarDrop, drop)
                    );
                    var bar = One(
                        Of(vehicle, Rings(lift, 0), travel: true),
                        MechanismKind.TrackBar,
                        "front"
                    );
                    foreach (var way in bar.Ways)
                    {
                        var travel = way.Travel!;
                        Assert.Equal(LiftedAxle.Places, travel.UpMm.Count);
                        Assert.Equal(travel.UpMm.Order(), travel.UpMm);
                        var ride = travel.UpMm.ToList().IndexOf(0);
                        Assert.Equal(way.Figure.Value!.Value, travel.Figure[ride], 1e-9);
                        var ends = travel.Rods.Single(r => r.Name == "bar").Ends;
                        double[] lengths =
                        [
                            .. Enumerable
                                .Range(0, travel.UpMm.Count)
                                .Select(i =>
                                    double.Hypot(
                                        ends[4 * i] - ends[(4 * i) + 2],
                                        ends[(4 * i) + 1] - ends[(4 * i) + 3]
                                    )
                                ),
                        ];
                        // Ends are drawn to a hundredth.
                        Assert.Equal(lengths.Min(), lengths.Max(), 0.03);
                    }
                },
                iter: Sample.Tries(30)
            );

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
        var archetype = Archetype.Of(SuspensionKind.CoilOverArm)!;
        var vehicle = StacksTests.On(
            StacksTests.Of(SuspensionKind.CoilOverArm) with
            {
                Points =
                [
                    .. archetype.Points.Zip(
                        points,
                        (point, p) =>
                            new SuspensionPoint
                            {
                                Name = point.Name,
                                Y = Sample.Mm(p.Across),
                                Z = Sample.Mm(p.Up),
                            }
                    ),
                ],
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
    public void A_plan_of_parts_that_nobody_measured_says_why_it_cannot_be_told()
    {
        var geometry = Of(
            FourLinks,
            [(Corner.LF, StacksTests.Part(80, PartKind.CoilSpacer, null))]
        );
        Assert.NotNull(geometry.FrontRise.Cannot);
        Assert.Empty(geometry.Mechanisms);
    }
}
