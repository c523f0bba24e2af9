using MathNet.Numerics.Distributions;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;
using static Nokko.Core.Tests.Plans.StacksTests;

namespace Nokko.Core.Tests.Plans;

/// <summary>Errors that several figures have in common stay common: one load, one batch of tyres, one tape reading that enters two figures.</summary>
public class SharedErrorsTests
{
    private static readonly double[] Before = [520, 1040, 580, 580, 1040, 520];
    private static readonly double[] After = [545, 1050, 570, 570, 1050, 545];

    private static Comparison Compared(string? loadBefore, string? loadAfter)
    {
        var rounds = new[]
        {
            Sample.Round(40, Sample.AsFound.Id) with
            {
                Load = loadBefore,
            },
            Sample.Round(41, Sample.Id(11)) with
            {
                Load = loadAfter,
            },
        };
        var stances = new[]
        {
            StanceOf.Compute(rounds[0], Sample.Readings(100, 40, Before), Sample.Pickup),
            StanceOf.Compute(rounds[1], Sample.Readings(200, 41, After), Sample.Pickup),
        };
        return Rises.Compare(stances[0], rounds[0], stances[1], rounds[1], Sample.Pickup);
    }

    [Fact]
    public void Another_load_shifts_both_sides_together_and_does_not_warp()
    {
        var alike = Compared("empty", "empty");
        var loaded = Compared("empty", "tool chest");
        var tape = alike.Lips(Axle.Front)[0].Rise.U!.Value;
        // √(u²/2 + 6²): half of the tape's variance, the whole of the load's.
        Assert.Equal(Math.Sqrt((tape * tape / 2) + 36), loaded.MeanRise(Axle.Front).U!.Value, 9);
        Assert.Equal(6.27, Math.Sqrt((2.59 * 2.59 / 2) + 36), 2);
        Assert.Equal(alike.Warp.U!.Value, loaded.Warp.U!.Value, 9);
        var lips = Corners.Axles.SelectMany(a => alike.Lips(a)).Select(r => r.Rise.U!.Value);
        Assert.Equal(Math.Sqrt(lips.Sum(u => u * u)), alike.Warp.U!.Value, 9);
    }

    [Fact]
    public void The_chance_counts_what_rake_lean_and_lift_share_of_todays_readings()
    {
        // The right front lip was read once and badly, the others well.
        double[] u = [0.5, 5, 1, 1];
        var heights = Sample.Readings(100, 40, Before);
        var plain = StanceOf.Compute(Sample.Round(40, Sample.AsFound.Id), heights, Sample.Pickup);
        Result Of(double value, double sd) => Result.Of(value, Unit.Mm, sd, []);
        var (front, rear) = (Math.Sqrt(0.25 + 25), Math.Sqrt(2));
        var baseline = plain with
        {
            Stations =
            [
                .. plain.Stations.Select(s =>
                    Corners.Named(s.Station) is { } corner
                        ? s with
                        {
                            Height = Of(s.Height.Value!.Value, u[(int)corner]),
                        }
                        : s
                ),
            ],
            Rake = Of(1, Math.Sqrt(((front * front) + (rear * rear)) / 4)),
            LeanFront = Of(2, front),
            LeanRear = Of(0, rear),
        };
        const double firstU = 1.5;
        var target = Sample.Level with { NoLean = true, LeastFrontLift = Sample.Mm(50) };
        var situation = new Situation(Sample.AsFound, Sample.Pickup, baseline)
        {
            Target = target,
            FrontAchieved = new AchievedLift(
                Of(46, Math.Sqrt((front * front / 4) + (firstU * firstU))),
                u[0],
                u[1]
            ),
        };
        var chance = Predictor
            .Predict(Sample.Plan() with { Stacks = [] }, situation)
            .Landing!.Value!.Value;

        // The same by throwing dice at the four lips.
        var random = new Random(20261126);
        var (inside, draws) = (0, 400_000);
        var tolerance = target.Tolerance.In(Unit.Mm);
        for (var n = 0; n < draws; n++)
        {
            var e = u.Select(sd => Normal.Sample(random, 0, sd)).ToArray();
            var rake = 1 + ((e[2] + e[3] - e[0] - e[1]) / 2);
            var lift = 46 + ((e[0] + e[1]) / 2) + Normal.Sample(random, 0, firstU);
            inside +=
                Math.Abs(rake) <= tolerance
                && Math.Abs(2 + e[0] - e[1]) <= tolerance
                && Math.Abs(e[2] - e[3]) <= tolerance
                && lift >= 50 - tolerance
                    ? 1
                    : 0;
        }
        Assert.Equal((double)inside / draws, chance, 0.004);
    }

    [Fact]
    public void Tyres_of_one_kind_are_wrong_by_as_much_and_do_not_rake_the_vehicle()
    {
        var vehicle = On();
        PlacedPart Tyre(int id, string name) =>
            Part(id, PartKind.Tyre, null, (PartSizes.Diameter, 840)) with
            {
                Name = name,
            };
        Result Rake(Func<int, string> name)
        {
            var plan = Sample.Plan([.. Corners.All.Select((c, i) => (c, Tyre(60 + i, name(i))))]);
            return Predictor
                .Predict(
                    plan,
                    new Situation(
                        Sample.AsFound,
                        vehicle,
                        StanceOf.Compute(
                            Sample.Round(40, Sample.AsFound.Id, datum: Datum.Floor),
                            [
                                .. Sample
                                    .Readings(100, 40, Before)
                                    .Select(r => r with { From = Datum.Floor }),
                            ],
                            vehicle
                        )
                    )
                )
                .Rake;
        }
        var (one, two) = (Rake(_ => "Marl"), Rake(i => i < 2 ? "Marl" : "Sedge"));
        // One in a hundred of the diameter, half of it at the floor: 4.2 mm at each end.
        Assert.Equal(2 * 4.2 * 4.2, Math.Pow(two.U!.Value, 2) - Math.Pow(one.U!.Value, 2), 6);
    }

    [Fact]
    public void A_station_on_the_axle_stays_where_it_is_when_a_block_goes_in()
    {
        var vehicle = On(rear: Of(SuspensionKind.LeafOverslung));
        Station onAxle = vehicle.Stations[2] with { Name = "axle tube", Carrier = Carrier.Axle };
        vehicle = vehicle with { Stations = [.. vehicle.Stations, onAxle] };
        var p = Predictor.Predict(
            Both(Axle.Rear, Part(1, PartKind.Block, 50)),
            new Situation(
                Sample.AsFound,
                vehicle,
                StanceOf.Compute(
                    Sample.Round(40, Sample.AsFound.Id),
                    [
                        .. Sample.Readings(100, 40, Before),
                        Sample.Reading(190, 40, "axle tube", 300, Datum.Floor),
                    ],
                    vehicle
                )
            )
        );
        Assert.Equal(0, p.Stations.Single(s => s.Station == "axle tube").Rise.Value!.Value, 9);
        Assert.Equal(50, p.Stations.Single(s => s.Station == "LR").Rise.Value!.Value, 1.5);
    }

    [Fact]
    public void A_corner_is_as_unsure_as_the_springs_that_carry_it()
    {
        // Both front plates of one lift ratio: over a front wheel the frame follows both, and the rear a little.
        var vehicle = On();
        var p = Predict(Both(Axle.Front, Part(1, PartKind.StrutTopSpacer, 25)), vehicle);
        var corner = p.Corners.Single(c => c.Corner == Corner.LF).Rise;
        Assert.Equal(p.FrontRise.Value!.Value, corner.Value!.Value, 6);
        // A plate on the left alone lifts its own corner by less than freely, and is as much surer.
        var one = Predict(Sample.Plan([(Corner.LF, Part(1, PartKind.StrutTopSpacer, 25))]), vehicle)
            .Corners.Single(c => c.Corner == Corner.LF)
            .Rise;
        Assert.True(one.Value < corner.Value);
        Assert.Equal(one.Value!.Value / corner.Value!.Value, one.U!.Value / corner.U!.Value, 0.02);
    }

    [Fact]
    public void Where_its_rate_is_known_a_strut_is_the_shorter_for_the_load_that_it_takes_on()
    {
        // The worked example: k 95, W 6200, t 25.4 lift 46.154 instead of 44.091.
        (double Y, double Z)[] points =
        [
            (230, 250),
            (620, 215),
            (330, 585),
            (600, 560),
            (455, 245),
            (405, 770),
            (690, 385),
        ];
        double? Rise(double? rate, out string? why)
        {
            var vehicle = Sample.Pickup with { Front = TapedPointsTests.Front(points) };
            if (rate is { } k)
            {
                vehicle = vehicle with
                {
                    Front = vehicle.Front with
                    {
                        Dimensions = new Dictionary<string, Quantity>
                        {
                            [SuspensionSizes.SpringRate] = new()
                            {
                                Value = k,
                                Unit = Unit.NewtonPerMm,
                                Known = Known.Document,
                            },
                        },
                    },
                };
            }
            vehicle = vehicle with
            {
                Dimensions = vehicle.Dimensions with
                {
                    FrontUnsprungShare = new()
                    {
                        Value = 0.1,
                        Unit = Unit.One,
                        Known = Known.Measured,
                    },
                    FrontAxleMass = new()
                    {
                        Value = 2 * 6200 / Gravity.NPerKg / 0.9,
                        Unit = Unit.Kg,
                        Known = Known.Measured,
                    },
                },
            };
            var p = Predict(Both(Axle.Front, Part(1, PartKind.StrutTopSpacer, 25.4)), vehicle);
            why = p.Cannot;
            return p.FrontRise.Value;
        }
        var bare = Rise(null, out _)!.Value;
        Assert.Equal(46.154 - 44.091, Rise(95, out _)!.Value - bare, 2);
        // Too soft to stand anywhere: said, not predicted.
        Assert.Null(Rise(2, out var why));
        Assert.Contains("does not carry its load", why, StringComparison.Ordinal);
    }
}
