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

/// <summary>What the page of geometry says, where its thresholds lie, and that drawing and number are one.</summary>
public class WordsOfGeometryTests
{
    private static Mechanism Lamps(double front, double rear) =>
        One(Of(FourLinks, Rings(front, rear)), MechanismKind.Headlights, "vehicle");

    [Theory]
    // By 3600 mm of wheelbase and 7,620 of wall: 6 mm tilt by 12.7, half an inch.
    [InlineData(5.9, 0, null)]
    [InlineData(6.1, 0, "down")]
    [InlineData(0, 5.9, null)]
    [InlineData(0, 6.1, "up")]
    public void Lamps_are_turned_against_the_tilt_and_left_within_the_rule_of_thumb(
        double front,
        double rear,
        string? turned
    )
    {
        var lamps = Lamps(front, rear);
        Assert.StartsWith(
            turned is null ? "The beam tilts by" : $"Turn the headlights {turned} by",
            lamps.Says,
            StringComparison.Ordinal
        );
        Assert.Equal(turned is not null, lamps.Beyond);
    }

    [Fact]
    public void Every_limit_that_nobody_entered_is_called_a_rule_of_thumb()
    {
        var geometry = Of(FourLinks, Rings(50, 50));
        Assert.All(
            geometry.Mechanisms.Where(m => m.Limit is not null),
            m => Assert.True(m.LimitIsRule, $"{m.Where} {m.Kind}")
        );
        var own = One(
            Of(
                On(
                    SuspensionKind.CoilOverArm,
                    SuspensionKind.CoilFourLink,
                    (SuspensionSizes.CvRideLimit, 11)
                ),
                []
            ),
            MechanismKind.CvShaft,
            "front"
        );
        Assert.Equal((11, false), (own.Limit, own.LimitIsRule));
    }

    [Fact]
    public void Links_that_nobody_taped_are_asked_for_and_taped_ones_are_told()
    {
        var untaped = One(Of(FourLinks, Rings(0, 50)), MechanismKind.Pinion, "rear");
        Assert.StartsWith("Tape the points of its links", untaped.Says, StringComparison.Ordinal);
        var taped = One(
            Of(
                FourLinks with
                {
                    Rear = FourLinks.Rear with
                    {
                        Points = StacksTests.Points(
                            SuspensionKind.CoilFourLink,
                            [
                                .. Archetype
                                    .Of(SuspensionKind.CoilFourLink)!
                                    .Points.Select(p => (p.At.Y, p.At.Z)),
                            ]
                        ),
                    },
                },
                Rings(0, 50)
            ),
            MechanismKind.Pinion,
            "rear"
        );
        Assert.DoesNotContain("Tape the points", taped.Says, StringComparison.Ordinal);
        Assert.NotNull(taped.Stands.Figure.Value);
    }

    [Fact]
    public void A_plan_of_steering_says_whether_its_bar_was_set()
    {
        string? Planned(params PlacedPart[] parts) =>
            One(
                Of(FourLinks, [.. Rings(50, 0), .. parts.Select(p => (Corner.LF, p))]),
                MechanismKind.Steering,
                "front"
            )
                .Ways.SingleOrDefault(w => w.Kind == WayKind.Planned)
                ?.Said;
        Assert.Null(Planned());
        Assert.Equal(
            "As planned: bar moved by 0 in (0 mm), link by 1 in (25 mm)",
            Planned(StacksTests.Part(80, PartKind.PitmanArm, 25.4))
        );
        Assert.StartsWith(
            "As planned: bar set and moved by",
            Planned(StacksTests.Part(80, PartKind.TrackBar)),
            StringComparison.Ordinal
        );
        Assert.StartsWith(
            "As planned: bar moved by 2 in",
            Planned(StacksTests.Part(80, PartKind.TrackBarBracket, 50.8)),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void What_was_judged_by_eye_is_told_less_surely_than_what_was_taped()
    {
        Result Shift(Known known)
        {
            var vehicle = FourLinks with
            {
                Front = FourLinks.Front with
                {
                    Dimensions = FourLinks.Front.Dimensions.ToDictionary(
                        d => d.Key,
                        d => d.Value with { Known = known }
                    ),
                },
            };
            return Way(
                One(Of(vehicle, Rings(50, 0)), MechanismKind.TrackBar, "front"),
                "bar left"
            ).Figure;
        }
        Assert.True(Shift(Known.Estimated).U > Shift(Known.Measured).U);
        Assert.Equal(Shift(Known.Document).U!.Value, Shift(Known.Measured).U!.Value, 12);
        Assert.Equal(Shift(Known.Told).U!.Value, Shift(Known.Estimated).U!.Value, 12);
    }

    /// <summary>Where the wheel stands at its ride height the curve is the number.</summary>
    [Theory]
    [InlineData(SuspensionKind.CoilFourLink)]
    [InlineData(SuspensionKind.CoilRadiusArm)]
    [InlineData(SuspensionKind.CoilOverArm)]
    [InlineData(SuspensionKind.Strut)]
    public void At_ride_height_the_curve_is_the_number_that_is_told(SuspensionKind kind)
    {
        var part = kind is SuspensionKind.CoilOverArm or SuspensionKind.Strut
            ? StacksTests.Part(1, PartKind.StrutTopSpacer, 25)
            : StacksTests.Part(1, PartKind.CoilSpacer, 40);
        var geometry = Of(
            On(
                kind,
                kind,
                [
                    .. Bar.Where(_ =>
                        kind is SuspensionKind.CoilFourLink or SuspensionKind.CoilRadiusArm
                    ),
                ]
            ),
            [
                (Corner.LF, part),
                (Corner.RF, part with { Id = Sample.Id(401) }),
                (Corner.LR, part with { Id = Sample.Id(402) }),
                (Corner.RR, part with { Id = Sample.Id(403) }),
            ],
            travel: true
        );
        var drawn = 0;
        foreach (
            var (mechanism, way) in geometry.Mechanisms.SelectMany(m => m.Ways.Select(w => (m, w)))
        )
        {
            // A steered axle's bump steer is told for two inches of droop.
            if (
                way.Travel is not { } travel
                || way.Figure.Value is not { } figure
                || mechanism.Kind is MechanismKind.Steering
            )
            {
                continue;
            }
            var ride = travel.UpMm.Select((mm, i) => (mm, i)).MinBy(p => Math.Abs(p.mm));
            Assert.Equal(0, ride.mm, 9);
            drawn++;
            Assert.True(
                Math.Abs(figure - travel.Figure[ride.i]) < 1e-6,
                $"{mechanism.Where} {mechanism.Kind}, {way.Said}: {figure} against {travel.Figure[ride.i]}"
            );
        }
        Assert.True(drawn >= 4, $"{drawn}");
    }

    [Fact]
    public void Hose_and_ball_joint_are_held_against_their_limits_on_their_95_percent_point()
    {
        (string, double)[] sizes =
        [
            (SuspensionSizes.ShockLength, 470),
            (SuspensionSizes.ShockExtended, 560),
            (SuspensionSizes.ShockCollapsed, 345),
            (SuspensionSizes.HoseSlack, 70),
        ];
        LimitUse Hose(double slack) =>
            StacksTests
                .Predict(
                    StacksTests.Both(
                        Axle.Rear,
                        StacksTests.Part(1, PartKind.Shock, null, (PartSizes.ExtendedLength, 595))
                    ),
                    StacksTests.On(
                        rear: StacksTests.Of(
                            SuspensionKind.CoilFourLink,
                            [.. sizes.SkipLast(1), (SuspensionSizes.HoseSlack, slack)]
                        )
                    )
                )
                .Corners.Single(c => c.Corner == Corner.LR)
                .Uses.Single(u => u.What == "brake hose");
        // 35 lower leaves 35 of 70, good to 4 mm: 12 of what holds in 95 of a hundred.
        Assert.Equal(12 / (35 - (1.645 * 4)), Hose(70).Share, 1e-6);
        // What is gone is all used up, however far below.
        Assert.Equal(Hose(0).Share, Hose(20).Share, 9);
        Assert.True(Hose(20).Share > 1);
        var corner = StacksTests
            .Predict(
                StacksTests.Both(Axle.Front, TravelTests.Top()),
                StacksTests.On(TravelTests.Taped((SuspensionSizes.BallJointLimit, 30)))
            )
            .Corners.Single(c => c.Corner == Corner.LF);
        var ball = corner.Uses.Single(u => u.What == "ball joint at full droop");
        Assert.Equal(
            (corner.BallJoint.Value!.Value + (1.645 * corner.BallJoint.U!.Value)) / 30,
            ball.Share,
            1e-9
        );
        Assert.True(corner.BallJoint.U > 0.01);
    }

    private static double[] Ends(MechanismWay way, string rod, int place) =>
        [.. way.Travel!.Rods.Single(r => r.Name == rod).Ends.Skip(4 * place).Take(4)];

    [Fact]
    public void A_shaft_is_drawn_as_steep_as_it_is_told_with_its_spacer()
    {
        Mechanism Shaft(double spacer) =>
            One(
                Of(
                    On(
                        SuspensionKind.CoilOverArm,
                        SuspensionKind.CoilFourLink,
                        (SuspensionSizes.CvDrop, 20),
                        (SuspensionSizes.CvRun, 420)
                    ),
                    [
                        (Corner.LF, StacksTests.Part(1, PartKind.StrutTopSpacer, 25)),
                        (Corner.RF, StacksTests.Part(2, PartKind.StrutTopSpacer, 25)),
                        .. spacer > 0
                            ? [(Corner.LF, StacksTests.Part(3, PartKind.HalfShaftSpacer, spacer))]
                            : Array.Empty<(Corner, PlacedPart)>(),
                    ],
                    travel: true
                ),
                MechanismKind.CvShaft,
                "front"
            );
        foreach (var spacer in (double[])[0, 30])
        {
            var shaft = Shaft(spacer);
            foreach (var way in shaft.Ways)
            {
                for (var place = 0; place < way.Travel!.UpMm.Count; place += 12)
                {
                    var e = Ends(way, "shaft", place);
                    Assert.Equal(
                        way.Kind == WayKind.Before ? 420 : 420 + spacer,
                        e[0] - e[2],
                        0.02
                    );
                    Assert.Equal(
                        way.Travel.Figure[place],
                        Math.Atan2(e[1] - e[3], e[0] - e[2]) * 180 / Math.PI,
                        0.01
                    );
                }
            }
        }
    }

    [Fact]
    public void Each_axle_is_drawn_on_its_own_track()
    {
        var vehicle = FourLinks with
        {
            Dimensions = FourLinks.Dimensions with
            {
                FrontTrack = Sample.Mm(1500),
                RearTrack = Sample.Mm(1700),
            },
        };
        var geometry = Of(vehicle, Rings(50, 50), travel: true);
        double Track(string where)
        {
            var e = Ends(One(geometry, MechanismKind.TrackBar, where).Ways[1], "axle", 0);
            return e[2] - e[0];
        }
        Assert.Equal((1500, 1700), (Math.Round(Track("front"), 1), Math.Round(Track("rear"), 1)));
    }

    /// <summary>Arm and link of a bar keep their lengths on the page, and the arm its told slope.</summary>
    [Fact]
    public void A_sway_bar_is_drawn_as_it_is_reckoned()
    {
        var bar = One(
            Of(
                On(
                    SuspensionKind.CoilFourLink,
                    SuspensionKind.CoilFourLink,
                    (SuspensionSizes.BarArm, 300),
                    (SuspensionSizes.BarLink, 240)
                ),
                Rings(40, 0),
                travel: true
            ),
            MechanismKind.SwayBar,
            "front"
        );
        foreach (var way in bar.Ways)
        {
            var link = way.Kind == WayKind.Cure ? 280 : 240;
            for (var place = 0; place < way.Travel!.UpMm.Count; place += 12)
            {
                var (arm, rod) = (Ends(way, "bar’s arm", place), Ends(way, "link", place));
                Assert.Equal(300, double.Hypot(arm[2], arm[3]), 0.02);
                Assert.Equal(link, double.Hypot(rod[2] - rod[0], rod[3] - rod[1]), 0.02);
                Assert.Equal(
                    way.Travel.Figure[place],
                    -Math.Atan2(arm[3], arm[2]) * 180 / Math.PI,
                    0.01
                );
                // A wheel that goes up takes the link's foot along, all of it on a live axle.
                Assert.Equal(
                    -240 - (way.Kind == WayKind.Before ? 0 : 40) + way.Travel.UpMm[place],
                    rod[3],
                    0.02
                );
            }
        }
    }
}
