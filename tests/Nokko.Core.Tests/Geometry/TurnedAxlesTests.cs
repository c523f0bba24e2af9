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

/// <summary>How far arms and links turn a lifted axle.</summary>
public class TurnedAxlesTests
{
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
    public void Behind_arms_that_point_ahead_turn_the_pinion_up_and_no_caster_bush_is_reckoned()
    {
        var arms = StacksTests.Of(
            SuspensionKind.CoilRadiusArm,
            (SuspensionSizes.ArmLength, 900),
            (SuspensionSizes.RadiusArmDrop, 60)
        );
        var vehicle = StacksTests.On(StacksTests.Of(SuspensionKind.CoilFourLink), arms);
        var geometry = Of(
            vehicle,
            [
                .. Rings(0, 50),
                (Corner.LR, StacksTests.Part(95, PartKind.CasterBush, null, (PartSizes.Turn, 3))),
            ]
        );
        var pinion = One(geometry, MechanismKind.Pinion, "rear");
        var rise = geometry.RearRise.Value!.Value;
        // A second way: the arm as a line from the axle to its pivot on the tilted frame.
        var run = Math.Sqrt((900 * 900) - (60 * 60));
        var pivot = 60 + rise - (rise * run / 3600);
        Assert.Equal(
            (Math.Atan2(pivot, Math.Sqrt((900 * 900) - (pivot * pivot))) - Math.Atan2(60, run))
                * 180
                / Math.PI,
            Way(pinion, "arms left").Figure.Value!.Value,
            1e-6
        );
        Assert.True(Way(pinion, "arms left").Figure.Value > 0);
        Assert.DoesNotContain(pinion.Ways, w => w.Kind == WayKind.Planned);
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
            .. Pair(
                Axle.Front,
                95,
                StacksTests.Part(95, PartKind.CasterBush, null, (PartSizes.Turn, 3))
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
        var taped = StacksTests.Of(SuspensionKind.CoilFourLink) with
        {
            Points = StacksTests.Points(SuspensionKind.CoilFourLink, points),
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
        var bent = taped with { Points = StacksTests.Points(SuspensionKind.CoilFourLink, points) };
        var bends = Of(StacksTests.On(bent, bent), Rings(40, 40));
        var (f, r) = (bends.FrontRise.Value!.Value, bends.RearRise.Value!.Value);
        Assert.Equal(
            (TurnByBisection(points, f) - ((r - f) / 3600)) * 180 / Math.PI,
            Way(One(bends, MechanismKind.Caster, "front"), "links left").Figure.Value!.Value,
            1e-6
        );
    }

    /// <summary>A second way: the lower link is swung until the wheel hangs low enough, the upper joint found by stepping the axle round; rearward lean of the axle's top is caster.</summary>
    private static double TurnByBisection(
        (double X, double Z)[] p,
        double lift,
        double upperLonger = 0,
        double lowerLonger = 0
    )
    {
        double Length(int a, int b) => double.Hypot(p[a].X - p[b].X, p[a].Z - p[b].Z);
        var (lower, upper, axle) = (
            Length(0, 1) + lowerLonger,
            Length(2, 3) + upperLonger,
            Length(1, 3)
        );
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

    [Theory]
    [InlineData(MechanismKind.Caster, "front")]
    [InlineData(MechanismKind.Pinion, "rear")]
    public void The_turn_on_links_is_as_good_as_the_rise_of_its_own_axle_and_the_points(
        MechanismKind kind,
        string where
    )
    {
        var vehicle = StacksTests.On(OnBentLinks(), OnBentLinks());
        var front = where == "front";
        Result Turn(double f, double r) =>
            Way(One(Of(vehicle, Rings(f, r)), kind, where), "links left").Figure;
        var geometry = Of(vehicle, Rings(50, 50));
        var (sf, sr) = (geometry.FrontRise.U!.Value, geometry.RearRise.U!.Value);
        // By differences: how far a millimetre more under either end turns it.
        var byFront = (Turn(51, 50).Value - Turn(49, 50).Value)!.Value / 2;
        var byRear = (Turn(50, 51).Value - Turn(50, 49).Value)!.Value / 2;
        Assert.True(Math.Abs(front ? byFront : byRear) > 3 * Math.Abs(front ? byRear : byFront));
        var points = 0.15;
        // What both rises share lies between nothing and all of it.
        var own = (byFront * sf * byFront * sf) + (byRear * sr * byRear * sr);
        var shared = 2 * Math.Abs(byFront * sf * byRear * sr);
        var u = Turn(50, 50).U!.Value;
        Assert.InRange(
            u * u,
            (points * points) + (own - shared) - 1e-6,
            (points * points) + own + shared + 1e-6
        );
        Assert.True(u > points + 0.001);
    }

    [Fact]
    public void It_says_what_is_lost_or_gained_and_which_way_the_pinion_turns()
    {
        var arms = StacksTests.Of(
            SuspensionKind.CoilRadiusArm,
            (SuspensionSizes.ArmLength, 900),
            (SuspensionSizes.RadiusArmDrop, 60)
        );
        string Says(Vehicle vehicle, double f, double r, MechanismKind kind, string where)
        {
            var m = One(Of(vehicle, Rings(f, r)), kind, where);
            var degrees = Math.Abs(m.Ways[1].Figure.Value!.Value);
            Assert.Contains(
                FormattableString.Invariant($"{degrees:0.0}°"),
                m.Says,
                StringComparison.Ordinal
            );
            return m.Says;
        }
        var radius = StacksTests.On(arms, arms);
        Assert.Contains(
            "of caster lost: it may wander",
            Says(radius, 50, 50, MechanismKind.Caster, "front"),
            StringComparison.Ordinal
        );
        Assert.StartsWith(
            "The pinion turns up by",
            Says(radius, 50, 50, MechanismKind.Pinion, "rear"),
            StringComparison.Ordinal
        );
        var links = StacksTests.On(OnBentLinks(), OnBentLinks());
        var rear = One(Of(links, Rings(0, 60)), MechanismKind.Pinion, "rear");
        Assert.StartsWith(
            rear.Ways[1].Figure.Value < 0 ? "The pinion turns down by" : "The pinion turns up by",
            rear.Says,
            StringComparison.Ordinal
        );
        // Nothing lifts, nothing turns.
        var still = One(Of(radius, Rings(0, 0)), MechanismKind.Caster, "front");
        Assert.StartsWith("Nothing turns it", still.Says, StringComparison.Ordinal);
    }

    [Fact]
    public void Offset_bushes_are_a_part_in_front_and_its_arm_is_drawn_in_its_length()
    {
        var arms = StacksTests.Of(
            SuspensionKind.CoilRadiusArm,
            (SuspensionSizes.ArmLength, 900),
            (SuspensionSizes.RadiusArmDrop, 60)
        );
        var geometry = Of(StacksTests.On(arms, arms), Rings(50, 50), travel: true);
        var caster = One(geometry, MechanismKind.Caster, "front");
        Assert.Equal(PartKind.CasterBush, Way(caster, "Offset bushes").Part);
        // Behind nobody knows which way a bush made for the front turns the pinion.
        Assert.Null(Way(One(geometry, MechanismKind.Pinion, "rear"), "Offset bushes").Part);
        foreach (var way in caster.Ways)
        {
            foreach (var rod in way.Travel!.Rods.Where(r => r.Name is "arm" or "axis"))
            {
                for (var i = 0; i < rod.Ends.Count; i += 4)
                {
                    Assert.Equal(
                        rod.Name == "arm" ? 900 : 260,
                        double.Hypot(
                            rod.Ends[i + 2] - rod.Ends[i],
                            rod.Ends[i + 3] - rod.Ends[i + 1]
                        ),
                        0.02
                    );
                }
            }
        }
        // At ride height the pivot stands over the axle by its drop and what the frame rose there.
        var (f, r) = (geometry.FrontRise.Value!.Value, geometry.RearRise.Value!.Value);
        var run = Math.Sqrt((900 * 900) - (60 * 60));
        var lifted = Way(caster, "arms left").Travel!;
        var ride = lifted.UpMm.ToList().FindIndex(up => Math.Abs(up) < 1e-9);
        Assert.Equal(
            60 + f + ((r - f) * run / 3600),
            lifted.Rods.Single(rod => rod.Name == "arm").Ends[(4 * ride) + 3],
            0.02
        );
    }

    [Theory]
    [InlineData(MechanismKind.Caster, "front")]
    [InlineData(MechanismKind.Pinion, "rear")]
    public void Links_of_another_length_bring_the_axle_back_by_as_much_as_a_search_finds(
        MechanismKind kind,
        string where
    )
    {
        var geometry = Of(StacksTests.On(OnBentLinks(), OnBentLinks()), Rings(50, 40));
        var (f, r) = (geometry.FrontRise.Value!.Value, geometry.RearRise.Value!.Value);
        var m = One(geometry, kind, where);
        Assert.True(m.Beyond);
        var front = where == "front";
        var (lift, nose) = (front ? f : r, (r - f) / 3600);
        // By bisection over the length: what is left to the ground, the turn of the links and the nose together.
        double Left(double upper, double lower)
        {
            var turn = TurnByBisection(BentLinks, lift, upper, lower);
            return (front ? turn : -turn) - nose;
        }
        double Bisected(Func<double, double> left)
        {
            var (low, high) = (-60.0, 60.0);
            var rising = left(high) > left(low);
            for (var i = 0; i < 60; i++)
            {
                var middle = (low + high) / 2;
                (low, high) = left(middle) > 0 == rising ? (low, middle) : (middle, high);
            }
            return low;
        }
        foreach (
            var (part, name, length) in new[]
            {
                (PartKind.UpperArm, "Upper links", Bisected(x => Left(x, 0))),
                (PartKind.LowerArm, "Lower links", Bisected(x => Left(0, x))),
            }
        )
        {
            var cure = Way(m, name);
            Assert.Equal(part, cure.Part);
            Assert.Equal(0, cure.Figure.Value!.Value, 1e-6);
            Assert.Equal(
                $"{name} {LengthText.Both(Math.Abs(length))} {(length < 0 ? "shorter" : "longer")}",
                cure.Said
            );
            // The very links in the plan: what was shown comes true.
            PlacedPart Link(int id) =>
                StacksTests.Part(id, part, null, (PartSizes.LinkLonger, Math.Round(length, 3)));
            var corners = Corners.Of(front ? Axle.Front : Axle.Rear);
            var with = One(
                Of(
                    StacksTests.On(OnBentLinks(), OnBentLinks()),
                    [.. Rings(50, 40), (corners[0], Link(95)), (corners[1], Link(96))]
                ),
                kind,
                where
            );
            Assert.Equal(WayKind.Planned, with.Stands.Kind);
            Assert.Equal(0, with.Stands.Figure.Value!.Value, 0.001);
            Assert.False(with.Beyond);
            Assert.Contains("0.0° is left of it", with.Says, StringComparison.Ordinal);
        }
        // Pivots as much lower leave the links as they stood: the body's own pitch is left.
        Assert.Equal(-nose * 180 / Math.PI, Way(m, "Link pivots").Figure.Value!.Value, 1e-6);
    }

    [Fact]
    public void Bushes_on_links_count_in_front_and_turn_the_front_pinion_down_as_much()
    {
        (string, double)[] shaft =
        [
            (SuspensionSizes.ShaftRun, 800),
            (SuspensionSizes.ShaftDrop, 100),
            (SuspensionSizes.OutputSlope, 4),
            (SuspensionSizes.PinionUp, 3),
        ];
        var links = OnBentLinks(shaft);
        var vehicle = StacksTests.On(links, links);
        (Corner, PlacedPart)[] Bushes(Axle axle) =>
            [
                .. Pair(
                    axle,
                    95,
                    StacksTests.Part(95, PartKind.CasterBush, null, (PartSizes.Turn, 2))
                ),
            ];
        var without = Of(vehicle, Rings(50, 50));
        var with = Of(vehicle, [.. Rings(50, 50), .. Bushes(Axle.Front)]);
        var caster = One(with, MechanismKind.Caster, "front");
        Assert.Equal(
            One(without, MechanismKind.Caster, "front").Stands.Figure.Value!.Value + 2,
            caster.Stands.Figure.Value!.Value,
            1e-9
        );
        Assert.Equal("As planned: with its bushes", caster.Stands.Said);
        double Joint(PlanGeometry geometry) =>
            Also(One(geometry, MechanismKind.Propshaft, "front").Stands, "Joint at the axle");
        Assert.Equal(2, Math.Abs(Joint(with) - Joint(without)), 1e-6);
        // Behind nobody knows which way they turn it.
        var behind = Of(vehicle, [.. Rings(50, 50), .. Bushes(Axle.Rear)]);
        Assert.Equal(WayKind.Lifted, One(behind, MechanismKind.Pinion, "rear").Stands.Kind);
    }

    [Fact]
    public void Where_nothing_turns_nothing_is_cured_or_asked_and_the_stronger_bush_counts()
    {
        var arms = StacksTests.Of(SuspensionKind.CoilRadiusArm);
        var vehicle = StacksTests.On(arms, arms);
        var still = One(Of(vehicle, Rings(0, 0)), MechanismKind.Caster, "front");
        Assert.Single(still.Ways);
        Assert.Empty(still.Asks);
        var lifted = One(Of(vehicle, Rings(50, 50)), MechanismKind.Caster, "front");
        Assert.Equal(
            [SuspensionSizes.ArmLength, SuspensionSizes.RadiusArmDrop],
            lifted.Asks.Select(a => a.Size).Order(StringComparer.Ordinal)
        );
        (Corner, PlacedPart) Bush(Corner corner, int id, double turn) =>
            (corner, StacksTests.Part(id, PartKind.CasterBush, null, (PartSizes.Turn, turn)));
        var with = One(
            Of(vehicle, [.. Rings(50, 50), Bush(Corner.LF, 95, 2), Bush(Corner.RF, 96, 3)]),
            MechanismKind.Caster,
            "front"
        );
        Assert.Equal(lifted.Stands.Figure.Value!.Value + 3, with.Stands.Figure.Value!.Value, 1e-9);
    }

    [Fact]
    public void With_its_bushes_it_says_what_is_left_of_the_turn()
    {
        var arms = StacksTests.Of(
            SuspensionKind.CoilRadiusArm,
            (SuspensionSizes.ArmLength, 900),
            (SuspensionSizes.RadiusArmDrop, 60)
        );
        var vehicle = StacksTests.On(arms, arms);
        (Corner, PlacedPart)[] bushes =
        [
            .. Pair(
                Axle.Front,
                95,
                StacksTests.Part(95, PartKind.CasterBush, null, (PartSizes.Turn, 2))
            ),
        ];
        var with = One(Of(vehicle, [.. Rings(50, 50), .. bushes]), MechanismKind.Caster, "front");
        Assert.EndsWith(
            FormattableString.Invariant(
                $"; as planned {Math.Abs(with.Stands.Figure.Value!.Value):0.0}° is left of it."
            ),
            with.Says,
            StringComparison.Ordinal
        );
        Assert.DoesNotContain(
            "as planned",
            One(Of(vehicle, Rings(50, 50)), MechanismKind.Caster, "front").Says,
            StringComparison.Ordinal
        );
    }
}
