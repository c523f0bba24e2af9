using CsCheck;
using Nokko.Core.Suspension;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Suspension;

/// <summary>Laws that every linkage keeps, on the points of its archetype.</summary>
public class LinkagesTests
{
    public static TheoryData<SuspensionKind> Kinds => [.. Archetype.Kinds];

    private static ILinkage Of(SuspensionKind kind)
    {
        var archetype = Archetype.Of(kind)!;
        return archetype.Linkage([.. archetype.Points.Select(p => p.At)]);
    }

    /// <summary>Worked numbers of docs/computation/linkages.md#worked-numbers: found apart from this code, by Newton's method on the bare constraints (rods and rigid bodies), without a circle.</summary>
    [Theory]
    [InlineData(SuspensionKind.CoilOverArm, 10, 17.4099)]
    [InlineData(SuspensionKind.CoilOverArm, 25.4, 44.0914)]
    [InlineData(SuspensionKind.CoilOverArm, -20, -34.9773)]
    [InlineData(SuspensionKind.Strut, 10, 10.4081)]
    [InlineData(SuspensionKind.Strut, 25.4, 26.5465)]
    [InlineData(SuspensionKind.Strut, -20, -20.6379)]
    [InlineData(SuspensionKind.MultiLink, 10, 14.6301)]
    [InlineData(SuspensionKind.MultiLink, 25.4, 36.9117)]
    [InlineData(SuspensionKind.MultiLink, -20, -29.6110)]
    [InlineData(SuspensionKind.TransverseLeaf, 10, 16.9186)]
    [InlineData(SuspensionKind.TransverseLeaf, 25.4, 42.6897)]
    [InlineData(SuspensionKind.TransverseLeaf, -20, -34.2804)]
    [InlineData(SuspensionKind.TrailingArm, 10, 14.1593)]
    [InlineData(SuspensionKind.TrailingArm, 25.4, 36.0339)]
    [InlineData(SuspensionKind.TrailingArm, -20, -28.1950)]
    [InlineData(SuspensionKind.CoilRadiusArm, 10, 10.3437)]
    [InlineData(SuspensionKind.CoilRadiusArm, 25.4, 26.2482)]
    [InlineData(SuspensionKind.CoilRadiusArm, -20, -20.7277)]
    [InlineData(SuspensionKind.CoilFourLink, 10, 10.0504)]
    [InlineData(SuspensionKind.CoilFourLink, 25.4, 25.5298)]
    [InlineData(SuspensionKind.CoilFourLink, -20, -20.0915)]
    [InlineData(SuspensionKind.CoilOverAxle, 10, 10.1841)]
    [InlineData(SuspensionKind.CoilOverAxle, 25.4, 25.8508)]
    [InlineData(SuspensionKind.CoilOverAxle, -20, -20.3967)]
    public void An_archetype_lifts_by_the_worked_numbers(
        SuspensionKind kind,
        double longer,
        double lift
    ) => Assert.Equal(lift, Of(kind).LiftMm(longer)!.Value, 4);

    [Theory]
    [MemberData(nameof(Kinds))]
    public void The_ratio_is_the_slope_of_the_spring_at_every_height(SuspensionKind kind)
    {
        // Virtual work: the spring's force times its shortening is the wheel's force times its rise.
        var linkage = Of(kind);
        Gen.Double[-50, 50]
            .Sample(longer =>
            {
                const double step = 1e-3;
                var length = linkage.RideLengthMm + longer;
                var (up, down) = (
                    linkage.WheelAt(length - step)!.Value,
                    linkage.WheelAt(length + step)!.Value
                );
                Assert.Equal(
                    2 * step / (up.HeightMm - down.HeightMm),
                    linkage.WheelAt(length)!.Value.MotionRatio,
                    1e-6
                );
            });
    }

    [Theory]
    [MemberData(nameof(Kinds))]
    public void The_lift_is_the_integral_of_the_inverse_ratio(SuspensionKind kind)
    {
        var linkage = Of(kind);
        const int steps = 1000;
        const double longer = 30;
        var sum = Enumerable
            .Range(0, steps)
            .Sum(i =>
                longer
                / steps
                / linkage
                    .WheelAt(linkage.RideLengthMm + (longer * (i + 0.5) / steps))!
                    .Value.MotionRatio
            );
        Assert.Equal(sum, linkage.LiftMm(longer)!.Value, 1e-4);
    }

    [Theory]
    [MemberData(nameof(Kinds))]
    public void Nothing_longer_lifts_nothing_and_a_longer_spring_never_less(SuspensionKind kind)
    {
        var linkage = Of(kind);
        Assert.Equal(0, linkage.LiftMm(0)!.Value, 9);
        Gen.Select(Gen.Double[-40, 40], Gen.Double[0.01, 20])
            .Sample((t, more) => Assert.True(linkage.LiftMm(t + more) > linkage.LiftMm(t)));
    }

    [Theory]
    [MemberData(nameof(Kinds))]
    public void Beyond_its_reach_there_is_no_answer(SuspensionKind kind) =>
        Assert.Null(Of(kind).WheelAt(kind == SuspensionKind.CoilOverAxle ? 10 : 5000));

    [Theory]
    [MemberData(nameof(Kinds))]
    public void A_usual_suspension_agrees_with_its_rule_of_thumb(SuspensionKind kind)
    {
        var rule = CornerLinkage.RuleOfThumb(kind);
        var linkage = Of(kind);
        var ratio = 1 / linkage.WheelAt(linkage.RideLengthMm)!.Value.MotionRatio;
        Assert.InRange(ratio, rule.Mean - (2 * rule.Sd), rule.Mean + (2 * rule.Sd));
    }

    [Theory]
    [MemberData(nameof(Kinds))]
    public void An_archetype_taped_at_its_own_lengths_is_itself(SuspensionKind kind)
    {
        var archetype = Archetype.Of(kind)!;
        var by = archetype.Points.ToDictionary(p => p.Name, p => p.At);
        var pivot = by.GetValueOrDefault("lowerPivot", by.GetValueOrDefault("armPivot"));
        var end = by.GetValueOrDefault("lowerBallJoint", by["wheelCentre"]);
        var along = (1 / (end - pivot).Length) * (end - pivot);
        var strut = by["strutTop"] - by["strutFoot"];
        var scaled = archetype.Scaled(
            (end - pivot).Length,
            PlanePoint.Dot(by["strutFoot"] - pivot, along),
            double.RadiansToDegrees(Math.Atan2(Math.Abs(strut.Y), strut.Z))
        );
        foreach (var (was, now) in archetype.Points.Zip(scaled))
        {
            Assert.Equal(0, (was.At - now).Length, 1e-6);
        }
    }

    [Fact]
    public void A_foot_nearer_to_the_pivot_lifts_more()
    {
        var archetype = Archetype.Of(SuspensionKind.CoilOverArm)!;
        double Ratio(double foot)
        {
            var linkage = archetype.Linkage(archetype.Scaled(392, foot, null));
            return 1 / linkage.WheelAt(linkage.RideLengthMm)!.Value.MotionRatio;
        }
        Assert.True(Ratio(200) > Ratio(230));
        Assert.True(Ratio(230) > Ratio(300));
    }

    [Fact]
    public void A_strut_keeps_its_arm_its_offset_and_its_axis()
    {
        var points = new StrutPoints(
            new(320, 230),
            new(690, 205),
            new(640, 390),
            new(585, 880),
            new(750, 330)
        );
        var linkage = new StrutLinkage(points);
        Gen.Double[-80, 80]
            .Sample(longer =>
            {
                var p = linkage.At(linkage.RideLengthMm + longer)!.Value;
                Assert.Equal(
                    (points.LowerBallJoint - points.LowerPivot).Length,
                    (p.LowerBallJoint - points.LowerPivot).Length,
                    1e-9
                );
                Assert.Equal(
                    (points.WheelCentre - points.LowerBallJoint).Length,
                    (p.WheelCentre - p.LowerBallJoint).Length,
                    1e-9
                );
                // |TB|² = s² + offset², both taken from the points by themselves.
                var axis = points.StrutFoot - points.StrutTop;
                var unit = (1 / axis.Length) * axis;
                var toBall = points.LowerBallJoint - points.StrutTop;
                var (s, offset) = (
                    PlanePoint.Dot(toBall, unit),
                    PlanePoint.Dot(toBall, unit.Quarter())
                );
                Assert.Equal(
                    Math.Sqrt(Math.Pow(s + longer, 2) + (offset * offset)),
                    (p.LowerBallJoint - points.StrutTop).Length,
                    1e-9
                );
            });
    }

    [Fact]
    public void Camber_of_a_strut_goes_positive_on_a_lift()
    {
        var archetype = Archetype.Of(SuspensionKind.Strut)!;
        var linkage = (StrutLinkage)archetype.Linkage([.. archetype.Points.Select(p => p.At)]);
        Assert.True(linkage.At(linkage.RideLengthMm + 30)!.Value.CamberChangeRad > 0);
        Assert.Equal(0, linkage.At(linkage.RideLengthMm)!.Value.CamberChangeRad, 12);
    }

    [Fact]
    public void A_radius_arm_turns_the_axle_by_the_worked_number()
    {
        // R 900, v₀ 60, δ 50: 3.198° of caster lost with the pivot behind the axle.
        var arm = new SwingArm(
            new(new(Math.Sqrt((900 * 900) - (60 * 60)), 440), new(0, 380), new(0, 780), new(0, 380))
        );
        // The coil stands in the wheel centre: how long it must be for a drop of 50, by bisection.
        var (low, high) = (400.0, 500.0);
        for (var i = 0; i < 100; i++)
        {
            var middle = (low + high) / 2;
            (low, high) =
                380 - arm.At(middle)!.Value.WheelCentre.Z < 50 ? (middle, high) : (low, middle);
        }
        var turn = arm.At(low)!.Value.TurnRad;
        Assert.Equal(3.198, double.RadiansToDegrees(Math.Abs(turn)), 3);
        Assert.Equal(Math.Asin(110.0 / 900) - Math.Asin(60.0 / 900), Math.Abs(turn), 1e-9);
    }

    [Fact]
    public void Four_links_keep_their_rods_and_the_coil_its_length()
    {
        var p = Archetype.Of(SuspensionKind.CoilFourLink)!.Points.Select(x => x.At).ToArray();
        var points = new FourLinkPoints(p[0], p[1], p[2], p[3], p[4], p[5], p[6]);
        var linkage = new FourLink(points);
        Gen.Double[-90, 90]
            .Sample(longer =>
            {
                var now = linkage.At(linkage.RideLengthMm + longer)!.Value;
                (PlanePoint, PlanePoint, PlanePoint, PlanePoint)[] rods =
                [
                    (
                        points.LowerPivot,
                        points.LowerAxleJoint,
                        points.LowerPivot,
                        now.LowerAxleJoint
                    ),
                    (
                        points.UpperPivot,
                        points.UpperAxleJoint,
                        points.UpperPivot,
                        now.UpperAxleJoint
                    ),
                    (
                        points.LowerAxleJoint,
                        points.UpperAxleJoint,
                        now.LowerAxleJoint,
                        now.UpperAxleJoint
                    ),
                    (
                        points.LowerAxleJoint,
                        points.WheelCentre,
                        now.LowerAxleJoint,
                        now.WheelCentre
                    ),
                    (points.UpperAxleJoint, points.StrutFoot, now.UpperAxleJoint, now.StrutFoot),
                ];
                foreach (var (a, b, a1, b1) in rods)
                {
                    Assert.Equal((b - a).Length, (b1 - a1).Length, 1e-9);
                }
                Assert.Equal(
                    linkage.RideLengthMm + longer,
                    (now.StrutFoot - points.StrutTop).Length,
                    1e-9
                );
            });
    }

    [Fact]
    public void The_axle_and_the_upright_turn_by_the_worked_numbers()
    {
        static ILinkage Linkage(SuspensionKind kind) => Of(kind);
        var four = (FourLink)Linkage(SuspensionKind.CoilFourLink);
        Assert.Equal(
            0.1949,
            double.RadiansToDegrees(four.At(four.RideLengthMm + 25.4)!.Value.TurnRad),
            4
        );
        var strut = (StrutLinkage)Linkage(SuspensionKind.Strut);
        Assert.Equal(
            0.4516,
            double.RadiansToDegrees(strut.At(strut.RideLengthMm + 25.4)!.Value.CamberChangeRad),
            4
        );
        var arm = (SwingArm)Linkage(SuspensionKind.CoilRadiusArm);
        Assert.Equal(
            1.6729,
            double.RadiansToDegrees(arm.At(arm.RideLengthMm + 25.4)!.Value.TurnRad),
            4
        );
    }

    [Fact]
    public void Parallel_links_of_one_length_do_not_turn_the_axle()
    {
        var linkage = new FourLink(
            new(
                new(700, 400),
                new(0, 380),
                new(700, 600),
                new(0, 580),
                new(0, 450),
                new(0, 800),
                new(0, 420)
            )
        );
        Gen.Double[-60, 60]
            .Sample(longer =>
                Assert.Equal(0, linkage.At(linkage.RideLengthMm + longer)!.Value.TurnRad, 1e-9)
            );
    }

    [Fact]
    public void A_leaning_coil_on_an_axle_lifts_by_the_inverse_cosine_to_first_order()
    {
        var lean = double.DegreesToRadians(20);
        var spring = new AxleSpring(new(0, 0), new(400 * Math.Sin(lean), 400 * Math.Cos(lean)));
        Assert.Equal(1 / Math.Cos(lean), spring.LiftMm(1e-4)!.Value / 1e-4, 1e-4);
        Assert.Equal(25, new AxleSpring(new(0, 0), new(0, 400)).LiftMm(25)!.Value, 9);
    }

    [Fact]
    public void Links_of_another_length_keep_it_on_the_wheel_s_place()
    {
        FourLinkPoints points = new(
            new(700, 400),
            new(0, 320),
            new(450, 640),
            new(0, 500),
            new(0, 460),
            new(0, 780),
            new(0, 380)
        );
        var plain = new FourLink(points);
        foreach (var up in new[] { -60.0, 0, 45 })
        {
            var at = plain.AtWheel(up)!.Value;
            Assert.Equal(380 + up, at.WheelCentre.Z, 1e-6);
            Assert.Equal(plain.At(plain.LengthAt(up)!.Value)!.Value.TurnRad, at.TurnRad, 1e-9);
            var set = new FourLink(points, 12, -7).AtWheel(up)!.Value;
            Assert.Equal(380 + up, set.WheelCentre.Z, 1e-6);
            // Each link has its length, and the axle keeps its own.
            Assert.Equal(
                (points.LowerAxleJoint - points.LowerPivot).Length - 7,
                (set.LowerAxleJoint - points.LowerPivot).Length,
                1e-9
            );
            Assert.Equal(
                (points.UpperAxleJoint - points.UpperPivot).Length + 12,
                (set.UpperAxleJoint - points.UpperPivot).Length,
                1e-9
            );
            Assert.Equal(180, (set.UpperAxleJoint - set.LowerAxleJoint).Length, 1e-9);
        }
        Assert.Null(plain.AtWheel(900));
    }
}
