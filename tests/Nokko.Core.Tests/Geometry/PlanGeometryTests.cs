using CsCheck;
using Nokko.Core.Fitting;
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

/// <summary>What a plan moves besides the height: before, lifted, and with what takes it back.</summary>
public class PlanGeometryTests
{
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
    public void A_bar_set_longer_centres_the_axle_and_leaves_the_link_drawn_alone()
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
        var cure = Way(
            One(Of(vehicle, Rings(50, 0)), MechanismKind.Steering, "front"),
            "Longer bar"
        );
        Assert.Equal(-1.947, Also(cure, "At rest"), 0.001);
        Assert.Null(cure.Care);
        var planned = One(
            Of(vehicle, [.. Rings(50, 0), (Corner.LF, StacksTests.Part(92, PartKind.TrackBar))]),
            MechanismKind.Steering,
            "front"
        );
        Assert.Equal(-1.947, Also(Way(planned, "As planned"), "At rest"), 0.001);
        // What must not be done alone is offered nowhere.
        Assert.Null(Way(planned, "bracket alone").Part);
    }

    [Fact]
    public void Nothing_is_asked_for_where_nothing_lifts()
    {
        var vehicle = StacksTests.On(
            StacksTests.Of(SuspensionKind.CoilRadiusArm),
            StacksTests.Of(SuspensionKind.MultiLink)
        );
        Assert.All(Of(vehicle, []).Mechanisms, m => Assert.Empty(m.Asks));
        Assert.NotEmpty(Of(vehicle, Rings(40, 0)).Mechanisms.SelectMany(m => m.Asks));
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
    public void Plan_and_geometry_tell_one_number_of_the_headlights()
    {
        (Corner, PlacedPart)[] tyres =
        [
            .. Corners
                .Of(Axle.Front)
                .Select(
                    (c, i) =>
                        (
                            c,
                            StacksTests.Part(60 + i, PartKind.Tyre, null, (PartSizes.Diameter, 903))
                        )
                ),
        ];
        var tilt = One(Of(FourLinks, tyres), MechanismKind.Headlights, "vehicle")
            .Ways[1]
            .Figure.Value!.Value;
        var companion = Assert.Single(
            StacksTests.Predict(Sample.Plan(tyres), FourLinks).Companions,
            c => c.What.StartsWith("Headlights", StringComparison.Ordinal)
        );
        Assert.Contains(LengthText.Both(tilt), companion.What, StringComparison.Ordinal);
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
    public void A_plan_of_parts_that_nobody_measured_says_why_it_cannot_be_told()
    {
        var geometry = Of(
            FourLinks,
            [(Corner.LF, StacksTests.Part(80, PartKind.CoilSpacer, null))]
        );
        Assert.NotNull(geometry.FrontRise.Cannot);
        Assert.Empty(geometry.Mechanisms);
    }

    [Fact]
    public void A_bar_is_told_where_one_holds_the_axle_exactly_before_and_with_care_where_it_steers()
    {
        var leaf = Of(
            StacksTests.On(FourLinks.Front, StacksTests.Of(SuspensionKind.LeafOverslung)),
            Rings(50, 0)
        );
        Assert.DoesNotContain(
            leaf.Mechanisms,
            m => m.Kind == MechanismKind.TrackBar && m.Where == "rear"
        );
        var behind = StacksTests.Of(SuspensionKind.CoilFourLink, Bar);
        var geometry = Of(StacksTests.On(FourLinks.Front, behind), Rings(50, 50));
        var (front, rear) = (
            One(geometry, MechanismKind.TrackBar, "front"),
            One(geometry, MechanismKind.TrackBar, "rear")
        );
        Assert.Equal((0, 0), (front.Ways[0].Figure.Value, front.Ways[0].Figure.U));
        Assert.Equal(Heed.Look, Way(front, "Longer bar").Care!.Heed);
        Assert.Null(Way(rear, "Longer bar").Care);
        Assert.Null(front.Ways[0].Care);
    }

    [Fact]
    public void Steering_says_by_how_much_the_wheels_stand_turned_until_the_link_is_centred()
    {
        var steering = One(Of(FourLinks, Rings(50, 0)), MechanismKind.Steering, "front");
        var turned = Math.Abs(Also(steering.Ways[1], "At rest"));
        Assert.True(turned > 0.05);
        Assert.EndsWith(
            FormattableString.Invariant(
                $"the wheels stand turned by {turned:0.0}° until the link is centred."
            ),
            steering.Says,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void A_longer_bar_in_a_bracket_is_set_for_what_the_bracket_leaves()
    {
        var geometry = Of(
            FourLinks,
            [
                .. Rings(50, 0),
                (Corner.LF, StacksTests.Part(90, PartKind.TrackBar)),
                (Corner.LF, StacksTests.Part(91, PartKind.TrackBarBracket, 20)),
            ]
        );
        var rise = geometry.FrontRise.Value!.Value;
        var stands = One(geometry, MechanismKind.TrackBar, "front").Stands;
        Assert.Equal(double.Hypot(860, 60 + rise - 20), Also(stands, "Set it to"), 1e-6);
        Assert.Equal((rise - 20) / 2, Also(stands, "Body over its roll centre"), 1e-6);
        Assert.Equal(0, stands.Figure.Value!.Value, 1e-9);
    }

    [Fact]
    public void Steering_says_what_droop_steers_lifted_and_before()
    {
        var steering = One(
            Of(
                FourLinks,
                [.. Rings(50, 0), (Corner.LF, StacksTests.Part(91, PartKind.TrackBarBracket, 40))]
            ),
            MechanismKind.Steering,
            "front"
        );
        Assert.StartsWith(
            FormattableString.Invariant(
                $"As planned, it steers {Math.Abs(steering.Stands.Figure.Value!.Value):0.0}° over 2 in of droop, {Math.Abs(steering.Ways[0].Figure.Value!.Value):0.0}° before"
            ),
            steering.Says,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void What_brings_a_track_bar_back_is_said_by_its_lengths()
    {
        var geometry = Of(FourLinks, Rings(90, 0));
        var bar = One(geometry, MechanismKind.TrackBar, "front");
        var rise = geometry.FrontRise.Value!.Value;
        var longer = double.Hypot(860, 60 + rise) - double.Hypot(860, 60);
        Assert.Contains(
            $"; a bar {LengthText.Both(longer)} longer, or a bracket of {LengthText.Both(rise)}, brings it back.",
            bar.Says,
            StringComparison.Ordinal
        );
        Assert.Contains(
            bar.Ways,
            w => w.Said.StartsWith("Bracket, axle end", StringComparison.Ordinal)
        );
        var named = One(
            Of(
                FourLinks,
                Rings(90, 0),
                [
                    new Part
                    {
                        Id = Sample.Id(900),
                        Number = "B",
                        Name = "Tall bracket",
                        Kind = PartKind.TrackBarBracket,
                        Thickness = Sample.Mm(75),
                        Count = 1,
                    },
                ]
            ),
            MechanismKind.TrackBar,
            "front"
        );
        Assert.Contains(
            named.Ways,
            w => w.Said == $"Tall bracket, axle end {LengthText.Both(75)} higher"
        );
    }
}
