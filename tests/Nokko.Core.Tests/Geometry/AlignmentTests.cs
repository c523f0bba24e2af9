using Nokko.Core.Geometry;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Nokko.Core.Tests.Geometry;
using Nokko.Core.Tests.Jobs;
using Nokko.Core.Tests.Plans;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Geometry;

/// <summary>Whether a lifted front can be set back to the angles that it had.</summary>
public class AlignmentTests
{
    private static readonly IReadOnlyList<SuspensionPoint> Taped =
    [
        .. SpaceArms.Names.Zip(
            SpaceWishboneTests.Points.ToArray(),
            (name, p) =>
                new SuspensionPoint
                {
                    Name = name.Name,
                    X = Sample.Mm(p.X),
                    // Taped on the right, outward is below zero in the vehicle's frame.
                    Y = Sample.Mm(-p.Y),
                    Z = Sample.Mm(p.Z),
                }
        ),
    ];

    /// <summary>Torsion bars that lift by just what is asked.</summary>
    private static Mechanism Lifted(
        double mm,
        double? cams,
        IReadOnlyList<SuspensionPoint>? points = null,
        bool travel = false
    )
    {
        var vehicle = StacksTests.On(
            StacksTests.Of(
                SuspensionKind.TorsionBarArm,
                [
                    (SuspensionSizes.LiftPerTurn, 10),
                    .. cams is { } c ? ((string, double)[])[(SuspensionSizes.CamRange, c)] : [],
                ]
            ) with
            {
                SpacePoints = points ?? Taped,
            }
        );
        return PlanGeometry
            .Of(
                mm == 0
                    ? Sample.Plan()
                    : Sample.Plan(
                        (Corner.LF, Sample.Adjuster(80, mm / 10)),
                        (Corner.RF, Sample.Adjuster(81, mm / 10))
                    ),
                new Situation(Sample.AsFound, vehicle, null),
                travel: travel
            )
            .Mechanisms.Single(m => m.Kind == MechanismKind.Alignment);
    }

    /// <summary>Lifted by 50, with what a rack told of both wheels before, and what the maker allows.</summary>
    private static Mechanism Sheet(
        (double Camber, double Caster) left,
        (double Camber, double Caster) right,
        double cams,
        (string, double)[] allowed,
        bool before = true
    )
    {
        MeasureValue Row(string measure, Corner corner, double degrees) =>
            new(measure, corner.Name(), Result.Of(degrees, Unit.Degree, 0.05, []), 1);
        var vehicle = StacksTests.On(
            StacksTests.Of(
                SuspensionKind.TorsionBarArm,
                [(SuspensionSizes.LiftPerTurn, 10), (SuspensionSizes.CamRange, cams), .. allowed]
            ) with
            {
                SpacePoints = Taped,
            }
        );
        var stance = Sample.Stance(vehicle) with
        {
            Measures =
            [
                Row(Measures.CamberAngle, Corner.LF, left.Camber),
                Row(Measures.Caster, Corner.LF, left.Caster),
                Row(Measures.CamberAngle, Corner.RF, right.Camber),
                Row(Measures.Caster, Corner.RF, right.Caster),
            ],
        };
        var from = before
            ? Sample.AsFound
            : Sample.AsFound with
            {
                Stacks = [new CornerStack { Corner = Corner.LF, Parts = [Sample.Plate(5, 20)] }],
            };
        return PlanGeometry
            .Of(
                Sample.Plan(
                    (Corner.LF, Sample.Adjuster(80, 5)),
                    (Corner.RF, Sample.Adjuster(81, 5))
                ),
                new Situation(from, vehicle, stance)
            )
            .Mechanisms.Single(m => m.Kind == MechanismKind.Alignment);
    }

    private static (string, double)[] Allowed(
        double camberLeast,
        double camberMost,
        double casterLeast,
        double casterMost
    ) =>
        [
            (SuspensionSizes.CamberLeast, camberLeast),
            (SuspensionSizes.CamberMost, camberMost),
            (SuspensionSizes.CasterLeast, casterLeast),
            (SuspensionSizes.CasterMost, casterMost),
        ];

    private static double Mm(Mechanism of, string label) => Also(of.Ways[2], label).Value!.Value;

    [Fact]
    public void What_stays_within_its_range_once_it_is_lifted_needs_no_cam_for_it()
    {
        // The lift takes 0.204° of camber and gives 0.511° of caster to the ground: both stay within.
        var within = Sheet((0, 3), (0, 3), 8, Allowed(-1, 1, 2, 5));
        // The sleeve that takes back the toe turns the upright a little.
        Assert.Equal(0, Mm(within, "Lower arm"), 0.02);
        Assert.Equal(0, Mm(within, "Its rear"), 0.02);
        Assert.StartsWith("It aligns, 99 in 100", within.Says, StringComparison.Ordinal);
        Assert.Equal(
            -0.2043,
            Also(within.Ways[1], "Left camber, from the sheet").Value!.Value,
            0.0005
        );
        // Without a range it goes back to what it was, as without a sheet.
        var back = Sheet((0, 3), (0, 3), 8, []);
        Assert.Equal(
            Also(Lifted(50, 8).Ways[2], "Lower arm").Value!.Value,
            Mm(back, "Lower arm"),
            1e-9
        );
        Assert.Equal(4, back.Asks.Count);
    }

    [Fact]
    public void The_cams_bring_each_angle_to_the_end_of_its_range_and_no_further()
    {
        // Camber −0.3 before: −0.504 lifted, −0.4 allowed. Caster 3 before: 3.511 lifted, 3.2 allowed.
        var set = Sheet((-0.3, 3), (-0.3, 3), 8, Allowed(-0.4, 0.4, 2.5, 3.2));
        var (was, now) = (
            new SpaceWishbone(SpaceWishboneTests.Points).At(0)!.Value,
            new SpaceWishbone(
                SpaceWishboneTests.Points,
                new(Mm(set, "Lower arm"), Mm(set, "Its rear"), Mm(set, "The tie rod"))
            )
                .At(-50)!
                .Value
        );
        const double Degrees = 180 / Math.PI;
        Assert.Equal(-0.4, -0.3 + ((now.Camber - was.Camber) * Degrees), 1e-5);
        Assert.Equal(3.2, 3 + ((now.Caster - was.Caster + (50.0 / 3600)) * Degrees), 1e-3);
        Assert.Equal(was.Toe, now.Toe, 1e-8);
        Assert.Equal(-0.1, set.Ways[2].Figure.Value!.Value, 1e-5);
        // Whoever enters the ends the other way round means the same range.
        var turned = Sheet((-0.3, 3), (-0.3, 3), 8, Allowed(0.4, -0.4, 3.2, 2.5));
        Assert.Equal(Mm(set, "Lower arm"), Mm(turned, "Lower arm"), 1e-9);
    }

    [Fact]
    public void The_side_that_is_harder_to_set_decides_and_one_that_was_out_before_is_named()
    {
        var allowed = Allowed(-0.5, 0.5, 2, 5);
        var even = Sheet((0, 3), (0, 3), 4, allowed);
        var left = Sheet((-1.6, 3), (0, 3), 4, allowed);
        var right = Sheet((0, 3), (-1.6, 3), 4, allowed);
        Assert.Equal(0, Mm(even, "Lower arm"), 0.02);
        Assert.NotEqual(0, Mm(left, "Lower arm"), 1);
        Assert.Equal(Mm(left, "Lower arm"), Mm(right, "Lower arm"), 1e-9);
        Assert.DoesNotContain("out before", even.Says, StringComparison.Ordinal);
        Assert.Contains(
            "Left camber was out before the work: -1.6°, -0.5° to 0.5° are allowed.",
            left.Says,
            StringComparison.Ordinal
        );
        Assert.Contains("Right camber was out", right.Says, StringComparison.Ordinal);
    }

    [Fact]
    public void Angles_that_were_read_with_parts_in_are_not_those_before_the_work()
    {
        var later = Sheet((-1.6, 3), (0, 3), 8, Allowed(-0.5, 0.5, 2, 5), before: false);
        Assert.DoesNotContain("out before", later.Says, StringComparison.Ordinal);
        Assert.Contains(later.Checks, c => c.Contains("read its camber", StringComparison.Ordinal));
    }

    private static Result Also(MechanismWay way, string label) =>
        Assert.Single(way.Also, a => a.Label.StartsWith(label, StringComparison.Ordinal)).Result;

    [Fact]
    public void The_worked_front_is_told_by_the_body_and_caster_by_the_ground()
    {
        var lifted = Lifted(50, 8).Ways[1];
        Assert.Equal(-0.2043, lifted.Figure.Value!.Value, 0.0005);
        Assert.Equal(0.0123, Also(lifted, "Each wheel turns in").Value!.Value, 0.0005);
        // The body's nose is up by 50 over 3600: caster to the ground gains 0.796°.
        Assert.Equal(
            4.6849 - 4.9697 + (50.0 / 3600 * 180 / Math.PI),
            Also(lifted, "Caster").Value!.Value,
            0.001
        );
        Assert.Equal(681.281 - 690, Also(lifted, "Each tyre").Value!.Value, 1.5);
    }

    [Fact]
    public void What_the_cams_must_do_is_what_a_search_finds_and_what_is_left_of_them_is_told()
    {
        var cure = Lifted(50, 8).Ways[2];
        var (front, rear, rod) = (
            Also(cure, "Lower arm").Value!.Value,
            Also(cure, "Its rear").Value!.Value,
            Also(cure, "The tie rod").Value!.Value
        );
        var corner = new SpaceWishbone(SpaceWishboneTests.Points, new(front, rear, rod));
        var (was, now) = (
            new SpaceWishbone(SpaceWishboneTests.Points).At(0)!.Value,
            corner.At(-50)!.Value
        );
        Assert.Equal(was.Camber, now.Camber, 1e-8);
        Assert.Equal(was.Toe, now.Toe, 1e-8);
        // To the ground as before: to the body less by the nose that went up.
        Assert.Equal(was.Caster - (50.0 / 3600), now.Caster, 1e-5);
        Assert.Equal(
            8 - Math.Max(Math.Abs(front), Math.Abs(rear)),
            Also(cure, "Left of the cams").Value!.Value,
            1e-9
        );
        // Known as well as the pivot that uses most of them.
        Assert.Equal(
            Also(
                cure,
                Math.Abs(front) > Math.Abs(rear)
                    ? "Lower arm’s front pivot goes out by"
                    : "Its rear pivot goes out by"
            ).U,
            Also(cure, "Left of the cams").U
        );
        Assert.NotEqual(
            Also(cure, "Lower arm’s front pivot goes out by").U,
            Also(cure, "Its rear pivot goes out by").U
        );
    }

    [Fact]
    public void Wide_cams_align_narrow_ones_do_not_and_unknown_ones_are_asked_for()
    {
        var wide = Lifted(50, 30);
        Assert.False(wide.Beyond);
        Assert.StartsWith("It aligns", wide.Says, StringComparison.Ordinal);
        Assert.Empty(wide.Asks);
        var narrow = Lifted(90, 0.5);
        Assert.True(narrow.Beyond);
        Assert.StartsWith("It will hardly align", narrow.Says, StringComparison.Ordinal);
        var unknown = Lifted(50, null);
        Assert.False(unknown.Beyond);
        Assert.Equal(SuspensionSizes.CamRange, Assert.Single(unknown.Asks).Size);
        Assert.Contains("tape how far they go", unknown.Says, StringComparison.Ordinal);
        // Nothing lifts: nothing is set, whatever the cams have.
        var still = Lifted(0, 0);
        Assert.Single(still.Ways);
        Assert.False(still.Beyond);
    }

    /// <summary>By hand: both needs normal, each with its ±; one less the chances that either is out of reach.</summary>
    [Theory]
    [InlineData(6)]
    [InlineData(9)]
    [InlineData(13)]
    public void The_chance_is_that_of_two_normal_needs_within_the_cams(double cams)
    {
        var front = Lifted(60, cams);
        var cure = front.Ways[2];
        double Out(Result need) =>
            1
            - (
                MathNet.Numerics.Distributions.Normal.CDF(need.Value!.Value, need.U!.Value, cams)
                - MathNet.Numerics.Distributions.Normal.CDF(need.Value.Value, need.U.Value, -cams)
            );
        var chance = Math.Max(0, 1 - Out(Also(cure, "Lower arm")) - Out(Also(cure, "Its rear")));
        Assert.Contains(
            FormattableString.Invariant($"{Math.Clamp(Math.Round(100 * chance), 1, 99):0} in 100"),
            front.Says,
            StringComparison.Ordinal
        );
        Assert.Equal(chance < 0.5, front.Beyond);
    }

    [Fact]
    public void The_chance_goes_with_the_reach_of_the_cams_and_never_beyond_what_either_gives()
    {
        int Chance(double cams) =>
            int.Parse(
                System
                    .Text.RegularExpressions.Regex.Match(Lifted(60, cams).Says, @"(\d+) in 100")
                    .Groups[1]
                    .Value,
                System.Globalization.CultureInfo.InvariantCulture
            );
        int[] chances = [.. new[] { 0.5, 2, 4, 8, 16, 30 }.Select(Chance)];
        Assert.Equal(chances.Order(), chances);
        Assert.True(chances[0] < 50 && chances[^1] >= 90);
        // Against draws of the taped points, each good to 3 mm.
        var random = new Random(5);
        double Normal() =>
            3
            * Math.Sqrt(-2 * Math.Log(1 - random.NextDouble()))
            * Math.Cos(2 * Math.PI * random.NextDouble());
        var (within, drawn) = (0, 500);
        for (var i = 0; i < drawn; i++)
        {
            var points = SpaceWishbonePoints.Of([
                .. SpaceWishboneTests
                    .Points.ToArray()
                    .Select(p => new SpacePoint(p.X + Normal(), p.Y + Normal(), p.Z + Normal())),
            ]);
            var was = new SpaceWishbone(points).At(0)!.Value;
            var lift = 60 + (2 * Normal());
            within +=
                Realignment.Of(points, -lift, was.Camber, was.Caster - (lift / 3600), was.Toe)
                    is { } set
                && Math.Abs(set.FrontOutMm) <= 8
                && Math.Abs(set.RearOutMm) <= 8
                    ? 1
                    : 0;
        }
        // The adjusters' own ± is another than the drawn one: both are near.
        Assert.True(Chance(8) <= (100.0 * within / drawn) + 12);
    }

    [Fact]
    public void Points_that_cannot_be_are_refused_and_never_reckoned_with()
    {
        var shop = new Workshop();
        SetSpacePoints Set(IEnumerable<SpacePoint> points) =>
            new(
                shop.Key(),
                0,
                Axle.Front,
                [
                    .. SpaceArms.Names.Zip(
                        points,
                        (n, p) => new SpacePointInput(n.Name, Mm(p.X), Mm(p.Y), Mm(p.Z))
                    ),
                ]
            );
        Nokko.Core.Tape.QuantityInput Mm(double value) =>
            Workshop.Typed(
                value.ToString(System.Globalization.CultureInfo.InvariantCulture),
                Unit.Mm
            );
        var good = SpaceWishboneTests.Points;
        shop.Do(Set(good.ToArray()));
        Assert.Equal(9, shop.Document.CurrentStage()!.Front.SpacePoints!.Count);
        foreach (
            var (bad, says) in new (SpaceWishbonePoints, string)[]
            {
                (good with { UpperBall = good.LowerBall, LowerBall = good.UpperBall }, "swapped"),
                (good with { LowerRear = good.LowerFront }, "two pivots lie apart"),
                (good with { LowerBall = good.LowerBall with { Y = 200 } }, "outside"),
                (good with { RodOuter = good.UpperBall }, "slip of the tape"),
            }
        )
        {
            var refused = shop.Refused(Set(bad.ToArray()));
            Assert.Equal("points", refused.Field);
            Assert.Contains(says, refused.Message, StringComparison.Ordinal);
            // From a file they may come all the same.
            var told = Lifted(
                50,
                8,
                [
                    .. SpaceArms.Names.Zip(
                        bad.ToArray(),
                        (n, p) =>
                            new SuspensionPoint
                            {
                                Name = n.Name,
                                X = Sample.Mm(p.X),
                                Y = Sample.Mm(p.Y),
                                Z = Sample.Mm(p.Z),
                            }
                    ),
                ]
            );
            Assert.NotNull(told.Ways[0].Figure.Cannot);
        }
        // Half a point; a point of nothing; leaves behind.
        var half = new SetSpacePoints(
            shop.Key(),
            0,
            Axle.Front,
            [new("wheel", Mm(0), null, Mm(385))]
        );
        Assert.Equal("wheel.outward", shop.Refused(half).Field);
        Assert.Equal(
            "points",
            shop.Refused(
                half with
                {
                    CommandId = shop.Key(),
                    Points = [new("nose", null, null, null)],
                }
            ).Field
        );
        Assert.Equal(
            "axle",
            shop.Refused(half with { CommandId = shop.Key(), Axle = Axle.Rear }).Field
        );
        // All emptied, none is kept.
        shop.Do(new SetSpacePoints(shop.Key(), 0, Axle.Front, []));
        Assert.Null(shop.Document.CurrentStage()!.Front.SpacePoints);
    }

    [Fact]
    public void Drawn_through_the_travel_the_wheel_stands_on_the_ground()
    {
        var front = Lifted(50, 8, travel: true);
        foreach (var way in front.Ways)
        {
            var travel = way.Travel!;
            var ride = travel.UpMm.ToList().IndexOf(0);
            Assert.Equal(
                385,
                travel.Rods.Single(r => r.Name == "wheel").Ends[(4 * ride) + 1],
                0.02
            );
            Assert.Equal(way.Figure.Value!.Value, travel.Figure[ride], 1e-6);
        }
    }

    [Fact]
    public void What_the_arms_cannot_reach_is_said_and_angles_and_lengths_have_their_own_band()
    {
        var far = Lifted(500, 8);
        Assert.Equal("The arms cannot reach that far.", far.Ways[1].Figure.Cannot);
        Assert.All(far.Ways[1].Also, a => Assert.NotNull(a.Result.Cannot));
        // Against draws of the points, each good to 3 mm, and of the rise.
        var lifted = Lifted(50, 8).Ways[1];
        var random = new Random(3);
        double Normal() =>
            Math.Sqrt(-2 * Math.Log(1 - random.NextDouble()))
            * Math.Cos(2 * Math.PI * random.NextDouble());
        var drawn = new List<(double Camber, double Toe)>();
        for (var i = 0; i < 1500; i++)
        {
            var arms = new SpaceWishbone(
                SpaceWishbonePoints.Of([
                    .. SpaceWishboneTests
                        .Points.ToArray()
                        .Select(p => new SpacePoint(
                            p.X + (3 * Normal()),
                            p.Y + (3 * Normal()),
                            p.Z + (3 * Normal())
                        )),
                ])
            );
            var (was, low) = (arms.At(0)!.Value, arms.At(-50)!.Value);
            drawn.Add((low.Camber - was.Camber, low.Toe - was.Toe));
        }
        double Sd(Func<(double Camber, double Toe), double> of) =>
            MathNet.Numerics.Statistics.Statistics.StandardDeviation(drawn.Select(of))
            * 180
            / Math.PI;
        // The rise adds a little.
        Assert.InRange(lifted.Figure.U!.Value, 0.93 * Sd(d => d.Camber), 1.3 * Sd(d => d.Camber));
        Assert.InRange(
            Also(lifted, "Each wheel turns in").U!.Value,
            0.93 * Sd(d => d.Toe),
            1.3 * Sd(d => d.Toe)
        );
    }

    [Fact]
    public void The_wheel_whose_worse_cam_has_furthest_to_go_decides()
    {
        // Camber alone moves both cams alike; caster moves them apart: a little of each leaves one of them still.
        var allowed = Allowed(-0.5, 0.5, 2.5, 4);
        Mechanism Of((double, double) left, (double, double) right) =>
            Sheet(left, right, 8, allowed);
        (double, double)[] sheets = [(-1.4, 3), (0, 1.2), (-1.1, 1.6), (-0.9, 4.4), (0.9, 4.6)];
        double Worst(Mechanism m) =>
            Math.Max(Math.Abs(Mm(m, "Lower arm")), Math.Abs(Mm(m, "Its rear")));
        foreach (var left in sheets)
        {
            foreach (var right in sheets)
            {
                Assert.Equal(
                    Math.Max(Worst(Of(left, left)), Worst(Of(right, right))),
                    Worst(Of(left, right)),
                    1e-9
                );
            }
        }
    }

    [Fact]
    public void What_the_sheet_told_is_lifted_with_both_bands_and_the_tyre_s_foot_moves_with_its_lean()
    {
        var front = Sheet((0, 3), (0, 3), 8, []);
        var lifted = front.Ways[1];
        Assert.Equal(
            double.Hypot(0.05, lifted.Figure.U!.Value),
            Also(lifted, "Left camber, from the sheet").U!.Value,
            1e-9
        );
        // Wheel centre 8.719 in, and its foot out again by the radius times the lean.
        Assert.Equal(
            681.281 - 690 + (385 * Math.Sin(0.2043 * Math.PI / 180)),
            Also(lifted, "Each tyre stands further out").Value!.Value,
            0.01
        );
    }

    [Fact]
    public void Into_its_range_is_said_only_where_a_sheet_and_a_range_are_known()
    {
        string Said((string, double)[] allowed) => Sheet((0, 3), (0, 3), 8, allowed).Ways[2].Said;
        Assert.Equal("Set back by cams and sleeve", Lifted(50, 8).Ways[2].Said);
        Assert.Equal("Set back by cams and sleeve", Said([]));
        Assert.Equal("Set into its range by cams and sleeve", Said(Allowed(-1, 1, 2, 5)));
        var all = Allowed(-1, 1, 2, 5);
        Assert.Equal("Set into its range by cams and sleeve", Said(all[..2]));
        Assert.Equal("Set into its range by cams and sleeve", Said(all[2..]));
    }

    [Fact]
    public void Through_the_travel_it_starts_where_the_lift_less_the_lowered_pivots_has_it()
    {
        var vehicle = StacksTests.On(
            StacksTests.Of(
                SuspensionKind.TorsionBarArm,
                (SuspensionSizes.LiftPerTurn, 10),
                (SuspensionSizes.CamRange, 8)
            ) with
            {
                SpacePoints = Taped,
            }
        );
        (Corner, PlacedPart)[] parts =
        [
            .. Corners
                .Of(Axle.Front)
                .SelectMany(
                    (c, i) =>
                        new[]
                        {
                            (c, Sample.Adjuster(80 + i, 5)),
                            (
                                c,
                                StacksTests.Part(85, PartKind.SubframeBlock, 20) with
                                {
                                    Id = Sample.Id(90 + i),
                                }
                            ),
                        }
                ),
        ];
        var geometry = PlanGeometry.Of(
            Sample.Plan(parts),
            new Situation(Sample.AsFound, vehicle, null),
            travel: true
        );
        var front = geometry.Mechanisms.Single(m => m.Kind == MechanismKind.Alignment);
        var arms = new SpaceWishbone(SpaceWishboneTests.Points);
        var turned = geometry.FrontRise.Value!.Value - 20;
        foreach (var way in front.Ways.Where(w => w.Kind == WayKind.Lifted))
        {
            var ride = way.Travel!.UpMm.ToList().FindIndex(up => Math.Abs(up) < 1e-9);
            Assert.Equal(
                (arms.At(-turned)!.Value.Camber - arms.At(0)!.Value.Camber) * 180 / Math.PI,
                way.Travel.Figure[ride],
                1e-6
            );
            Assert.Equal(way.Figure.Value!.Value, way.Travel.Figure[ride], 1e-6);
        }
    }
}
