using CsCheck;
using Nokko.Core.Plans;
using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Plans;

/// <summary>Predictions of a vehicle whose front suspension was taped.</summary>
public class TapedPointsTests
{
    private static readonly (double Y, double Z)[] Points =
    [
        (230, 250),
        (620, 215),
        (330, 585),
        (600, 560),
        (455, 245),
        (405, 770),
        (690, 385),
    ];

    private static readonly Vehicle Taped = Sample.Pickup with { Front = Front(Points) };

    private static readonly WalkRoundStance Baseline = Sample.Stance(Taped);

    [Fact]
    public void A_second_plate_adds_what_both_together_have_more_than_the_first() =>
        Gen.Select(Gen.Double[5, 25], Gen.Double[5, 20])
            .Sample(
                (first, more) =>
                {
                    var from = Stage(first);
                    var second = Both(first, first + more);
                    var whole = Rise(Both(0, first + more), Sample.AsFound);
                    // The offset of bushings that settle comes once, with the first plate.
                    Assert.Equal(
                        whole - Rise(Both(0, first), Sample.AsFound),
                        Rise(second, from),
                        1e-9
                    );
                }
            );

    [Fact]
    public void Taking_the_plates_out_takes_back_what_they_gave() =>
        Gen.Double[5, 45]
            .Sample(t =>
                Assert.Equal(-Rise(Both(0, t), Sample.AsFound), Rise(Sample.Plan(), Stage(t)), 1e-9)
            );

    [Fact]
    public void The_same_plate_on_both_sides_never_leans_the_body() =>
        Gen.Double[5, 45]
            .Sample(t =>
            {
                var p = Predictor.Predict(
                    Both(0, t),
                    new Situation(Sample.AsFound, Taped, Baseline)
                );
                Assert.Equal(0, p.LeanFront.Value!.Value, 1e-9);
                Assert.Equal(0, p.LeanRear.Value!.Value, 1e-9);
            });

    [Fact]
    public void Points_of_the_right_side_are_those_of_the_left()
    {
        var mirrored = Taped with { Front = Front([.. Points.Select(p => (-p.Y, p.Z))]) };
        Assert.Equal(
            Rise(Both(0, 25.4), Sample.AsFound),
            Predictor
                .Predict(Both(0, 25.4), new Situation(Sample.AsFound, mirrored, Baseline))
                .FrontRise.Value!.Value,
            1e-9
        );
    }

    [Theory]
    [InlineData(0)]
    [InlineData(3)]
    [InlineData(6)]
    public void One_point_less_is_the_rule_of_thumb_again(int missing)
    {
        var vehicle = Taped with
        {
            Front = Taped.Front with
            {
                Points = [.. Taped.Front.Points.Where((_, i) => i != missing)],
            },
        };
        var p = Predictor.Predict(Both(0, 25.4), new Situation(Sample.AsFound, vehicle, Baseline));
        Assert.Equal(3 + (1.9 * 25.4), p.FrontRise.Value!.Value, 9);
        Assert.Contains("rule of thumb", p.Basis[0], StringComparison.Ordinal);
    }

    [Fact]
    public void Three_millimetres_of_tape_stay_within_the_five_per_cent() =>
        Gen.Double[-3, 3]
            .Array[14]
            .Sample(slips =>
            {
                var off = Points
                    .Select((p, i) => (p.Y + slips[2 * i], p.Z + slips[(2 * i) + 1]))
                    .ToArray();
                var taped = CornerLinkage.Of(Front(off));
                Assert.Equal(RatioGrade.Taped, taped.Grade);
                // Twice five per cent, as the ± that is shown.
                Assert.InRange(1 / taped.Ratio.Mean / 0.57344, 0.9, 1.1);
            });

    [Fact]
    public void Arms_that_cannot_be_put_together_are_no_points()
    {
        var crossed = Points.ToArray();
        (crossed[4], crossed[5]) = (crossed[5], crossed[4]);
        Assert.NotEqual(RatioGrade.Taped, CornerLinkage.Of(Front(crossed)).Grade);
        Assert.NotEqual(
            RatioGrade.Taped,
            CornerLinkage.Of(Front([.. Points.Select(p => (p.Z, p.Y))])).Grade
        );
    }

    private static double Rise(Plan plan, Stage from) =>
        Predictor.Predict(plan, new Situation(from, Taped, Baseline)).FrontRise.Value!.Value;

    /// <summary>Both corners with a first plate that is kept and, above it, what makes up the whole.</summary>
    private static Plan Both(double kept, double whole) =>
        Sample.Plan() with
        {
            Stacks =
            [
                .. Corners
                    .Of(Axle.Front)
                    .Select(
                        (c, i) =>
                            new Nokko.Core.Shelf.CornerStack
                            {
                                Corner = c,
                                Parts =
                                [
                                    .. kept > 0
                                        ? [Sample.Plate(60 + i, kept)]
                                        : Array.Empty<Nokko.Core.Shelf.PlacedPart>(),
                                    Sample.Plate(70 + i, whole - kept),
                                ],
                            }
                    ),
            ],
        };

    private static Stage Stage(double fitted) =>
        Sample.AsFound with
        {
            Stacks =
            [
                .. Corners
                    .Of(Axle.Front)
                    .Select(
                        (c, i) =>
                            new Nokko.Core.Shelf.CornerStack
                            {
                                Corner = c,
                                Parts = [Sample.Plate(60 + i, fitted)],
                            }
                    ),
            ],
        };

    internal static Nokko.Core.Vehicles.Suspension Front((double Y, double Z)[] at) =>
        new()
        {
            Kind = SuspensionKind.CoilOverArm,
            Points =
            [
                .. Archetype
                    .Of(SuspensionKind.CoilOverArm)!
                    .Points.Zip(
                        at,
                        (point, p) =>
                            new SuspensionPoint
                            {
                                Name = point.Name,
                                Y = Quantity.Mm(p.Y, Known.Measured),
                                Z = Quantity.Mm(p.Z, Known.Measured),
                            }
                    ),
            ],
        };
}
