using CsCheck;
using Nokko.Core.Geometry;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Tests.Geometry;
using Nokko.Core.Tests.Plans;
using Nokko.Core.Vehicles;
using Xunit;
using static Nokko.Core.Tests.Geometry.Moved;

namespace Nokko.Core.Tests.Geometry;

/// <summary>What is drawn and told through the travel: arms and links know only how far the wheel stands from the frame.</summary>
public class ThroughTravelTests
{
    /// <summary>Four links whose upper one is short: they turn the axle well.</summary>
    private static Nokko.Core.Vehicles.Suspension Links { get; } =
        StacksTests.Of(SuspensionKind.CoilFourLink) with
        {
            Points = StacksTests.Points(
                SuspensionKind.CoilFourLink,
                [(700, 400), (0, 320), (450, 640), (0, 500), (0, 460), (0, 780), (0, 380)]
            ),
        };

    private static Nokko.Core.Vehicles.Suspension RadiusArm { get; } =
        StacksTests.Of(
            SuspensionKind.CoilRadiusArm,
            (SuspensionSizes.ArmLength, 900),
            (SuspensionSizes.RadiusArmDrop, 60)
        );

    private static Nokko.Core.Vehicles.Suspension InSpace { get; } =
        StacksTests.Of(SuspensionKind.TorsionBarArm, (SuspensionSizes.LiftPerTurn, 10)) with
        {
            SpacePoints =
            [
                .. SpaceArms.Names.Zip(
                    SpaceWishboneTests.Points.ToArray(),
                    (name, p) =>
                        new SuspensionPoint
                        {
                            Name = name.Name,
                            X = Sample.Mm(p.X),
                            Y = Sample.Mm(p.Y),
                            Z = Sample.Mm(p.Z),
                        }
                ),
            ],
        };

    private static PlanGeometry Lifted(Nokko.Core.Vehicles.Suspension both, bool turned) =>
        Of(
            StacksTests.On(both, turned ? StacksTests.Of(SuspensionKind.CoilFourLink) : both),
            turned
                ? [(Corner.LF, Sample.Adjuster(80, 4)), (Corner.RF, Sample.Adjuster(81, 4))]
                : Rings(40, 40),
            travel: true
        );

    public static TheoryData<string, MechanismKind, string> Those =>
        new()
        {
            { "links", MechanismKind.Caster, "front" },
            { "links", MechanismKind.Pinion, "rear" },
            { "radius arm", MechanismKind.Caster, "front" },
            { "radius arm", MechanismKind.Pinion, "rear" },
            { "in space", MechanismKind.Alignment, "front" },
        };

    [Fact]
    public void A_bar_ends_on_the_frame_wherever_the_wheel_is()
    {
        var bar = StacksTests.Of(
            SuspensionKind.CoilFourLink,
            (SuspensionSizes.TrackBarRun, 820),
            (SuspensionSizes.TrackBarDrop, 70)
        );
        var geometry = Lifted(bar, false);
        var rise = geometry.FrontRise.Value!.Value;
        var ways = One(geometry, MechanismKind.TrackBar, "front").Ways;
        foreach (
            var (kind, up) in ((WayKind, double)[])[(WayKind.Before, 0), (WayKind.Lifted, rise)]
        )
        {
            var travel = ways.First(w => w.Kind == kind).Travel!;
            double[] Ends(string name, int i) =>
                [.. travel.Rods.Single(r => r.Name == name).Ends.Skip(4 * i).Take(4)];
            for (var i = 0; i < travel.UpMm.Count; i++)
            {
                var frame = Ends("frame", i);
                Assert.Equal([-410, 410], [frame[0], frame[2]]);
                Assert.Equal(70 + up - travel.UpMm[i], frame[1], 0.011);
                Assert.Equal(frame[1], frame[3]);
                Assert.Equal([frame[2], frame[3]], Ends("bar", i)[2..]);
            }
        }
    }

    [Fact]
    public void Links_that_turn_nothing_are_offered_no_cure()
    {
        Mechanism Caster(double mm) =>
            One(Of(StacksTests.On(Links, Links), Rings(mm, mm)), MechanismKind.Caster, "front");
        Assert.Contains(Caster(40).Ways, w => w.Kind == WayKind.Cure);
        Assert.DoesNotContain(Caster(0).Ways, w => w.Kind == WayKind.Cure);
    }

    /// <summary>Lifted by L, with the wheel u above its new place, arms and links stand as they stood before it with the wheel u − L above the old one.</summary>
    [Theory]
    [MemberData(nameof(Those))]
    public void Lifted_and_up_by_the_lift_it_stands_as_it_stood(
        string built,
        MechanismKind kind,
        string where
    )
    {
        var suspension = built switch
        {
            "links" => Links,
            "radius arm" => RadiusArm,
            _ => InSpace,
        };
        var geometry = Lifted(suspension, built == "in space");
        var lift = (where == "front" ? geometry.FrontRise : geometry.RearRise).Value!.Value;
        var noseDown = (geometry.RearRise.Value!.Value - geometry.FrontRise.Value!.Value) / 3600;
        var ways = One(geometry, kind, where).Ways;
        var (before, lifted) = (
            ways.Single(w => w.Kind == WayKind.Before).Travel!,
            ways.Single(w => w.Kind == WayKind.Lifted).Travel!
        );
        // To the ground the body's own turn comes on top of what arms and links do.
        var turn = kind is MechanismKind.Alignment ? 0 : -noseDown * 180 / Math.PI;
        var seen = 0;
        for (var i = 0; i < lifted.UpMm.Count; i++)
        {
            var (j, share) = At(before, lifted.UpMm[i] - lift);
            if (j < 0)
            {
                continue;
            }
            seen++;
            double Between(Func<int, double> of) => ((1 - share) * of(j)) + (share * of(j + 1));
            Assert.Equal(Between(k => before.Figure[k]), lifted.Figure[i] - turn, 0.03);
            foreach (var rod in lifted.Rods)
            {
                var was = before.Rods.Single(r => r.Name == rod.Name);
                for (var axis = 0; axis < 2; axis++)
                {
                    double Span(MechanismRod of, int k) =>
                        of.Ends[(4 * k) + 2 + axis] - of.Ends[(4 * k) + axis];
                    Assert.Equal(Between(k => Span(was, k)), Span(rod, i), 0.6);
                }
            }
        }
        Assert.True(seen > 10, $"{seen}");
        // And the curve is no flat line.
        Assert.True(Math.Abs(lifted.Figure[^1] - lifted.Figure[0]) > 0.3);
    }

    /// <summary>The place below a height of the wheel and the share of the way to the next; −1 where it is not drawn.</summary>
    private static (int Place, double Share) At(MechanismTravel travel, double up)
    {
        for (var i = 0; i + 1 < travel.UpMm.Count; i++)
        {
            if (travel.UpMm[i] <= up && up <= travel.UpMm[i + 1])
            {
                return (i, (up - travel.UpMm[i]) / (travel.UpMm[i + 1] - travel.UpMm[i]));
            }
        }
        return (-1, 0);
    }

    /// <summary>What two inches of droop steer is the curve there.</summary>
    [Fact]
    public void The_curve_of_the_steering_passes_through_what_two_inches_of_droop_steer()
    {
        var ways = One(
            Of(FourLinks, Rings(60, 60), travel: true),
            MechanismKind.Steering,
            "front"
        ).Ways;
        Assert.Contains(ways, w => Math.Abs(w.Figure.Value!.Value) > 0.5);
        foreach (var way in ways)
        {
            var (i, share) = At(way.Travel!, -50.8);
            var curve = way.Travel!.Figure;
            Assert.Equal(
                way.Figure.Value!.Value,
                ((1 - share) * curve[i]) + (share * curve[i + 1]),
                0.02
            );
            // Nothing turns at ride height, and bump steers the other way.
            Assert.Equal(0, curve[way.Travel.UpMm.ToList().IndexOf(0)], 1e-9);
        }
    }

    /// <summary>An arm, a link, a bar and a shaft are as long everywhere as they are at ride height.</summary>
    [Theory]
    [InlineData("links")]
    [InlineData("radius arm")]
    [InlineData("in space")]
    public void What_is_drawn_keeps_its_length(string built)
    {
        var geometry = Lifted(
            built switch
            {
                "links" => Links,
                "radius arm" => RadiusArm,
                _ => InSpace,
            },
            built == "in space"
        );
        string[] rigid = ["arm", "lower link", "upper link", "axle"];
        var seen = 0;
        foreach (
            var rod in geometry
                .Mechanisms.Where(m => m.Kind is MechanismKind.Caster or MechanismKind.Pinion)
                .SelectMany(m => m.Ways)
                .Where(w => w.Travel is not null)
                .SelectMany(w => w.Travel!.Rods)
                .Where(r => rigid.Contains(r.Name))
        )
        {
            double Length(int i) =>
                double.Hypot(
                    rod.Ends[(4 * i) + 2] - rod.Ends[4 * i],
                    rod.Ends[(4 * i) + 3] - rod.Ends[(4 * i) + 1]
                );
            for (var i = 0; i < rod.Ends.Count / 4; i++)
            {
                Assert.Equal(Length(0), Length(i), 0.05);
            }
            seen++;
        }
        Assert.Equal(built == "in space", seen == 0);
    }

    [Theory]
    // One degree is left alone; what is beyond it says what comes of it.
    [InlineData(10, 0, "within 1°, a rule of thumb.")]
    [InlineData(60, 0, "it may wander")]
    [InlineData(0, 90, "it may wander")]
    public void What_a_turn_comes_to_is_said(double front, double rear, string said)
    {
        var caster = One(
            Of(StacksTests.On(RadiusArm, Links), Rings(front, rear)),
            MechanismKind.Caster,
            "front"
        );
        Assert.Contains(said, caster.Says, StringComparison.Ordinal);
        Assert.Equal(said.StartsWith("it", StringComparison.Ordinal), caster.Beyond);
        Assert.Contains("lost", caster.Says, StringComparison.Ordinal);
    }

    [Fact]
    public void A_pinion_is_looked_at_by_its_joints()
    {
        var geometry = Of(StacksTests.On(Links, RadiusArm), Rings(0, 60));
        Assert.Contains(
            "look at the shaft's joints",
            One(geometry, MechanismKind.Pinion, "rear").Says,
            StringComparison.Ordinal
        );
        Assert.StartsWith(
            "The pinion turns up by",
            One(geometry, MechanismKind.Pinion, "rear").Says,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void Links_that_only_the_body_s_nose_turns_have_their_own_uncertainty()
    {
        // Only the rear rises: the front's links stand as they stood, the body turns them.
        var geometry = Of(StacksTests.On(Links, Links), Rings(0, 50));
        var caster = Way(One(geometry, MechanismKind.Caster, "front"), "links left").Figure;
        var nose =
            (geometry.RearRise.Value!.Value - geometry.FrontRise.Value!.Value)
            / 3600
            * 180
            / Math.PI;
        Assert.Equal(-nose, caster.Value!.Value, 0.05);
        Assert.True(caster.U > 0);
        var before = One(geometry, MechanismKind.Caster, "front").Ways[0].Figure;
        Assert.Equal((0, 0), (before.Value, before.U));
    }

    [Theory]
    // A quarter of an inch aside is left alone, as found and as planned.
    [InlineData(40, 0, "within")]
    [InlineData(90, 0, "brings it back")]
    [InlineData(90, 76, "As planned it sits")]
    [InlineData(90, 20, "Even as planned")]
    public void How_far_a_bar_draws_the_axle_aside_is_said_by_its_limit(
        double lift,
        double bracket,
        string said
    )
    {
        var bar = One(
            Of(
                FourLinks,
                [
                    .. Rings(lift, lift),
                    .. bracket > 0
                        ? ((Corner, PlacedPart)[])
                            [(Corner.LR, StacksTests.Part(99, PartKind.TrackBarBracket, bracket))]
                        : [],
                ]
            ),
            MechanismKind.TrackBar,
            bracket > 0 ? "rear" : "front"
        );
        Assert.Contains(said, bar.Says, StringComparison.Ordinal);
    }

    [Fact]
    public void Of_brackets_at_hand_the_nearest_is_named_and_of_equals_the_first()
    {
        Part Bracket(int id, double mm, string name) =>
            new()
            {
                Id = Sample.Id(id),
                Name = name,
                Number = name,
                Kind = PartKind.TrackBarBracket,
                Thickness = Sample.Mm(mm),
                Count = 1,
            };
        Mechanism With(params Part[] shelf) =>
            One(Of(FourLinks, Rings(80, 80), shelf), MechanismKind.TrackBar, "front");
        // The axle's end up by the lift is what centres it: 80 as rings lift.
        var named = With(Bracket(1, 30, "low"), Bracket(2, 70, "near"), Bracket(3, 130, "high"));
        Assert.Contains(named.Ways, w => w.Said.Contains("near", StringComparison.Ordinal));
        Assert.DoesNotContain(
            named.Ways,
            w =>
                w.Said.Contains("low:", StringComparison.Ordinal)
                || w.Said.StartsWith("high", StringComparison.Ordinal)
        );
        var equal = With(Bracket(1, 75, "b-second"), Bracket(2, 75, "a-first"));
        Assert.Contains(equal.Ways, w => w.Said.Contains("a-first", StringComparison.Ordinal));
    }

    [Fact]
    public void The_taped_radius_arm_s_caster_follows_its_pivot_on_the_frame()
    {
        var run = Math.Sqrt((900 * 900) - (60 * 60));
        Assert.Equal(
            Caster.OfRadiusArmRad(900, 60, 50 + ((20 - 50) * run / 3600)),
            TapedAxle.CasterRad(RadiusArm, 50, 20, 3600)
        );
        Assert.Null(TapedAxle.CasterRad(Links, 50, 20, 3600));
    }

    /// <summary>A second way: what was set is looked at with the arms as they then stand.</summary>
    [Fact]
    public void A_setting_gives_the_toe_that_is_asked_for_with_camber_and_caster() =>
        Gen.Select(Gen.Double[-60, 40], Gen.Double[-0.01, 0.01], Gen.Double[-0.01, 0.01])
            .Sample(
                (up, toe, camber) =>
                {
                    var was = new SpaceWishbone(SpaceWishboneTests.Points).At(0)!.Value;
                    var set = Realignment.Of(
                        SpaceWishboneTests.Points,
                        up,
                        was.Camber + camber,
                        was.Caster,
                        was.Toe + toe
                    )!;
                    var now = new SpaceWishbone(SpaceWishboneTests.Points, set.Value).At(up)!.Value;
                    Assert.Equal(was.Camber + camber, now.Camber, 1e-8);
                    Assert.Equal(was.Caster, now.Caster, 1e-8);
                    Assert.Equal(was.Toe + toe, now.Toe, 1e-8);
                },
                iter: 40
            );

    [Fact]
    public void The_travel_is_drawn_as_far_as_it_is_known_and_by_a_rule_of_thumb_where_it_is_not()
    {
        (double Low, double High) Drawn(params (string, double)[] sizes)
        {
            var travel = Moved
                .One(
                    Moved.Of(
                        StacksTests.On(
                            StacksTests.Of(SuspensionKind.CoilFourLink, [.. Moved.Bar, .. sizes])
                        ),
                        [],
                        travel: true
                    ),
                    MechanismKind.TrackBar,
                    "front"
                )
                .Ways[0]
                .Travel!;
            Assert.Equal(61, travel.UpMm.Count);
            return (travel.UpMm[0], travel.UpMm[^1]);
        }
        Assert.Equal((-80, 80), Drawn());
        // A shock of 470 at ride height: 90 down, 125 up.
        var (low, high) = Drawn(
            (SuspensionSizes.ShockLength, 470),
            (SuspensionSizes.ShockExtended, 560),
            (SuspensionSizes.ShockCollapsed, 345)
        );
        Assert.Equal(-90, low, 1e-6);
        Assert.Equal(125, high, 1e-6);
        // Next to none is drawn as a centimetre.
        Assert.Equal(
            (-10, 10),
            Drawn(
                (SuspensionSizes.ShockLength, 470),
                (SuspensionSizes.ShockExtended, 474),
                (SuspensionSizes.ShockCollapsed, 466)
            )
        );
    }
}
