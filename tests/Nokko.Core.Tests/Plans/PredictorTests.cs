using CsCheck;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Plans;

public class PredictorTests
{
    private static readonly WalkRoundStance Baseline = Sample.Stance();

    [Fact]
    public void A_plate_on_both_front_struts_rises_by_offset_and_ratio_and_leaves_the_rear()
    {
        var p = Predict(
            Sample.Plan((Corner.LF, Sample.Plate(30, 25.4)), (Corner.RF, Sample.Plate(31, 25.4)))
        );
        Assert.Equal(3 + (1.9 * 25.4), p.FrontRise.Value!.Value, 9);
        Assert.Equal(0, p.RearRise.Value!.Value, 9);
        Assert.Equal(60 - (3 + (1.9 * 25.4)), p.Rake.Value!.Value, 9);
        // A rigid body: the mid mark rises by its share of the wheelbase.
        Assert.Equal(
            (3 + (1.9 * 25.4)) * 2100 / 3600,
            p.Stations.First(s => s.Station == "LM").Rise.Value!.Value,
            9
        );
    }

    [Fact]
    public void Taped_points_give_the_ratio_and_narrow_the_prediction()
    {
        var plan = Sample.Plan(
            (Corner.LF, Sample.Plate(30, 25.4)),
            (Corner.RF, Sample.Plate(31, 25.4))
        );
        var taped = Sample.Pickup with { Front = Taped(Known.Measured) };
        var p = Predictor.Predict(plan, new Situation(Sample.AsFound, taped, Baseline));
        // The worked number of section 7.2, and the offset of bushings that settle.
        Assert.Equal(3 + 44.091, p.FrontRise.Value!.Value, 3);
        var u = Math.Sqrt(36 + Math.Pow(0.05 * 44.091, 2) + (Math.Pow(1.736 * 0.2, 2) / 2));
        Assert.Equal(u, p.FrontRise.U!.Value, 2);
        Assert.Contains("Lift ratio 1.74 ± 0.17", p.Basis[0], StringComparison.Ordinal);
        // Points that nobody measured are no taped points.
        Assert.Equal(
            Predict(plan).FrontRise.Value,
            Predictor
                .Predict(
                    plan,
                    new Situation(
                        Sample.AsFound,
                        taped with
                        {
                            Front = Taped(Known.Archetype),
                        },
                        Baseline
                    )
                )
                .FrontRise.Value
        );
    }

    [Fact]
    public void Beyond_the_reach_of_the_taped_arms_there_is_a_reason_and_no_number()
    {
        var p = Predictor.Predict(
            Sample.Plan((Corner.LF, Sample.Plate(30, 600)), (Corner.RF, Sample.Plate(31, 600))),
            new Situation(
                Sample.AsFound,
                Sample.Pickup with
                {
                    Front = Taped(Known.Measured),
                },
                Baseline
            )
        );
        Assert.Contains("cannot reach", p.Cannot, StringComparison.Ordinal);
    }

    private static Nokko.Core.Vehicles.Suspension Taped(Known known)
    {
        (double Y, double Z)[] at =
        [
            (230, 250),
            (620, 215),
            (330, 585),
            (600, 560),
            (455, 245),
            (405, 770),
            (690, 385),
        ];
        return new()
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
                                Y = Quantity.Mm(p.Y, known),
                                Z = Quantity.Mm(p.Z, known),
                            }
                    ),
            ],
        };
    }

    [Fact]
    public void Its_uncertainty_agrees_with_a_simulation()
    {
        var p = Predict(
            Sample.Plan((Corner.LF, Sample.Plate(30, 25.4)), (Corner.RF, Sample.Plate(31, 25.4)))
        );
        var random = new Random(11);
        double Normal(double mean, double sd) =>
            mean
            + (
                sd
                * Math.Sqrt(-2 * Math.Log(1 - random.NextDouble()))
                * Math.Cos(2 * Math.PI * random.NextDouble())
            );
        var supports = VehicleSupports.Of(Sample.Pickup).Supports!;
        var rises = new double[60_000];
        for (var i = 0; i < rises.Length; i++)
        {
            // How much vehicles differ is not known either: a lognormal spread.
            var spread = 0.06 * 1.9 * Math.Exp(Math.Log(1.8) * Normal(0, 1));
            var (o, r) = (Normal(3, 6), Normal(1.9, 0.3) + Normal(0, spread));
            // The thickness of each plate is its own; its effect goes with the mean ratio.
            var (left, right) = (
                o + (r * 25.4) + (1.9 * Normal(0, 0.2)),
                o + (r * 25.4) + (1.9 * Normal(0, 0.2))
            );
            double[] h = [left, right, 0, 0];
            rises[i] = new BodyOnSprings([
                .. supports.Select((s, j) => s with { FreeRiseMm = h[j] }),
            ])
                .Solve()
                .RiseAt(0, 800);
        }
        var mean = rises.Average();
        var sd = Math.Sqrt(rises.Sum(x => (x - mean) * (x - mean)) / rises.Length);
        var u = p.Stations.First(s => s.Station == "LF").Rise.U!.Value;
        Assert.Equal(sd, u, 0.02 * sd);
    }

    [Fact]
    public void A_block_lifts_by_its_thickness()
    {
        var p = Predict(
            Sample.Plan(
                (Corner.LR, Sample.Plate(30, 25.4, PartKind.Block)),
                (Corner.RR, Sample.Plate(31, 25.4, PartKind.Block))
            )
        );
        Assert.Equal(
            (25.4, 0),
            (Math.Round(p.RearRise.Value!.Value, 9), Math.Round(p.FrontRise.Value!.Value, 9))
        );
    }

    [Fact]
    public void Equal_sides_never_roll_the_body() =>
        Gen.Double[5, 60]
            .Sample(t =>
            {
                var p = Predict(
                    Sample.Plan((Corner.LF, Sample.Plate(30, t)), (Corner.RF, Sample.Plate(31, t)))
                );
                return Math.Abs(p.LeanFront.Value!.Value) < 1e-9
                    && p.Loads.All(l => Math.Abs(l.Change.Value!.Value) < 1e-6);
            });

    [Fact]
    public void One_side_leans_the_body_and_loads_a_diagonal()
    {
        var p = Predict(Sample.Plan((Corner.LF, Sample.Plate(30, 25.4))));
        Assert.True(p.LeanFront.Value > 0);
        Assert.True(p.Loads.First(l => l.Corner == Corner.LF).Change.Value > 0);
        Assert.Equal(0, p.Loads.Sum(l => l.Change.Value!.Value), 6);
    }

    [Fact]
    public void Taking_out_is_the_same_arithmetic_as_putting_in()
    {
        var fitted = Sample.AsFound with
        {
            Stacks = Sample
                .Plan((Corner.LF, Sample.Plate(30, 25.4)), (Corner.RF, Sample.Plate(31, 25.4)))
                .Stacks,
        };
        var p = Predictor.Predict(Sample.Plan(), new Situation(fitted, Sample.Pickup, Baseline));
        Assert.Equal(-(3 + (1.9 * 25.4)), p.FrontRise.Value!.Value, 9);
        var changed = Predictor.Predict(
            Sample.Plan((Corner.LF, Sample.Plate(32, 38.1)), (Corner.RF, Sample.Plate(33, 38.1))),
            new Situation(fitted, Sample.Pickup, Baseline)
        );
        Assert.Equal(1.9 * 12.7, changed.FrontRise.Value!.Value, 9);
    }

    [Fact]
    public void A_part_that_stays_changes_nothing_even_if_nobody_knows_it()
    {
        var unknown = Sample.Plate(30, null, PartKind.Unknown);
        var fitted = Sample.AsFound with { Stacks = Sample.Plan((Corner.LF, unknown)).Stacks };
        var p = Predictor.Predict(
            Sample.Plan((Corner.LF, unknown), (Corner.RF, Sample.Plate(31, 10))),
            new Situation(fitted, Sample.Pickup, Baseline)
        );
        Assert.Null(p.Cannot);
    }

    [Fact]
    public void A_claim_without_a_thickness_is_no_prediction()
    {
        var p = Predict(Sample.Plan((Corner.LF, Sample.Plate(30, null, claim: 60))));
        Assert.Contains("claim but no thickness", p.Cannot, StringComparison.Ordinal);
        Assert.Equal(p.Cannot, p.Rake.Cannot);
    }

    [Fact]
    public void A_missing_size_or_baseline_is_named()
    {
        var plan = Sample.Plan((Corner.LF, Sample.Plate(30, 25)));
        Assert.Contains(
            "walk round",
            Predictor.Predict(plan, new Situation(Sample.AsFound, Sample.Pickup, null)).Cannot,
            StringComparison.Ordinal
        );
        var unsized = Sample.Pickup with { Dimensions = Sample.Sizes with { Wheelbase = null } };
        Assert.Contains(
            "wheelbase",
            Predictor.Predict(plan, new Situation(Sample.AsFound, unsized, Baseline)).Cannot,
            StringComparison.Ordinal
        );
    }

    [Theory]
    [InlineData(Corner.LF, PartKind.Block, "steered axle")]
    [InlineData(Corner.LR, PartKind.StrutTopSpacer, "no place on this suspension")]
    public void What_must_not_be_fitted_is_refused_with_the_reason(
        Corner corner,
        PartKind kind,
        string reason
    ) =>
        Assert.Contains(
            reason,
            Predict(Sample.Plan((corner, Sample.Plate(30, 25, kind)))).Refusals[0],
            StringComparison.Ordinal
        );

    private static Prediction Predict(Plan plan) =>
        Predictor.Predict(plan, new Situation(Sample.AsFound, Sample.Pickup, Baseline));
}
