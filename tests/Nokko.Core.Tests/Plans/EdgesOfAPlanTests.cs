using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Plans;

/// <summary>Where a word, a companion or a limit of a plan begins and ends, and what a figure of it rests on.</summary>
public class EdgesOfAPlanTests
{
    /// <summary>Over the rear axle, and it stays.</summary>
    private static readonly StatedLoad Canopy = new()
    {
        Id = Sample.Id(60),
        Name = "canopy",
        Mass = Sample.Of(120, Unit.Kg),
        Behind = Sample.Mm(3600),
        Stays = true,
    };

    private static readonly (string, double)[] OnCoils =
    [
        (SuspensionSizes.SpringLength, 300),
        (SuspensionSizes.ShockLength, 470),
        (SuspensionSizes.ShockExtended, 560),
        (SuspensionSizes.ShockCollapsed, 345),
    ];

    private static CornerOutlook Rear(
        (string, double)[] sizes,
        SuspensionKind kind,
        params PlacedPart[] parts
    ) =>
        StacksTests
            .Predict(
                StacksTests.Both(Axle.Rear, parts),
                StacksTests.On(rear: StacksTests.Of(kind, sizes))
            )
            .Corners.Single(c => c.Corner == Corner.LR);

    [Theory]
    [InlineData(25.4, 25.4, false)]
    [InlineData(25.4, 25.5, true)]
    public void Two_inches_of_plates_on_one_strut_are_the_most(
        double one,
        double other,
        bool warned
    )
    {
        var corner = StacksTests
            .Predict(
                StacksTests.Both(
                    Axle.Front,
                    StacksTests.Part(1, PartKind.StrutTopSpacer, one),
                    StacksTests.Part(2, PartKind.PreloadSpacer, other),
                    // No plate of the strut: it does not count.
                    StacksTests.Part(3, PartKind.BumpStopExtension, 40)
                ),
                StacksTests.On()
            )
            .Corners.Single(c => c.Corner == Corner.LF);
        Assert.Equal(
            warned,
            corner.Cautions.Any(c =>
                c.Says.Contains("plates on one strut", StringComparison.Ordinal)
            )
        );
    }

    [Fact]
    public void A_shock_that_comes_brings_its_own_lengths()
    {
        var shock = StacksTests.Part(
            1,
            PartKind.Shock,
            null,
            (PartSizes.ExtendedLength, 600),
            (PartSizes.CollapsedLength, 330)
        );
        var corner = Rear(OnCoils, SuspensionKind.CoilFourLink, shock);
        Assert.Equal((90, 125), (corner.StandardDroop.Value, corner.StandardBump.Value));
        Assert.Equal((130, 140), (corner.Droop.Value, corner.Bump.Value));
    }

    [Fact]
    public void A_coil_by_itself_binds_as_much_sooner_as_what_stands_under_it_is_thick()
    {
        var sizes = OnCoils
            .Where(s => s.Item1 != SuspensionSizes.ShockCollapsed)
            .Append((SuspensionSizes.CoilBind, 180))
            .ToArray();
        // One to one: 120 to bind; a ring of 20 binds at 100 from where it stood, 120 from its new height.
        var bare = Rear(sizes, SuspensionKind.CoilFourLink, StacksTests.Part(1, PartKind.Tyre));
        Assert.Equal(120, bare.Bump.Value!.Value, 9);
        var ringed = Rear(
            sizes,
            SuspensionKind.CoilFourLink,
            StacksTests.Part(1, PartKind.CoilSpacer, 20)
        );
        Assert.Equal(120, ringed.Bump.Value!.Value, 6);
    }

    [Fact]
    public void Lowered_pivots_of_a_coil_on_a_link_bind_it_later_by_what_the_strut_gives()
    {
        (string, double)[] sizes =
        [
            (SuspensionSizes.SpringLength, 260),
            (SuspensionSizes.SpringLean, 0),
            (SuspensionSizes.CoilBind, 160),
        ];
        var linkage = CornerLinkage.Of(StacksTests.Of(SuspensionKind.MultiLink, sizes)).Linkage;
        double At(double length) =>
            linkage.WheelAt(linkage.RideLengthMm + length - 260)!.Value.HeightMm
            - linkage.WheelAt(linkage.RideLengthMm)!.Value.HeightMm;
        var corner = Rear(
            sizes,
            SuspensionKind.MultiLink,
            StacksTests.Part(1, PartKind.SubframeBlock, 25)
        );
        // Bound, the coil is 160 long; the subframe takes the link's pivot down by 25 and the coil's seat along.
        Assert.Equal(At(160 - 25) - 25 + corner.Rise.Value!.Value, corner.Bump.Value!.Value, 6);
    }

    [Fact]
    public void A_load_without_a_side_stands_in_the_middle()
    {
        var load = new StatedLoad
        {
            Id = Sample.Id(60),
            Name = "winch",
            Mass = Sample.Of(45, Unit.Kg),
            Behind = Sample.Mm(-600),
        };
        Assert.Equal(new BodyLoad(600, 0, 45 * Gravity.NPerKg), load.OnBody());
        Assert.Equal(-300, (load with { Left = Sample.Mm(-300) }).OnBody().YMm);
    }

    [Fact]
    public void What_stays_is_named_and_its_effect_is_as_sure_as_the_rates()
    {
        var plan = Sample.Plan((Corner.LF, Sample.Plate(1, 30)), (Corner.RF, Sample.Plate(2, 30)));
        Vehicle With(params (string, double)[] rates) =>
            StacksTests.On(
                StacksTests.Of(SuspensionKind.CoilOverArm, rates),
                StacksTests.Of(SuspensionKind.LeafOverslung, rates)
            );
        var rated = With((SuspensionSizes.WheelRate, 30));
        Assert.DoesNotContain(
            StacksTests.Predict(plan, rated).Basis,
            b => b.Contains("which stays", StringComparison.Ordinal)
        );
        Assert.Contains(
            "With canopy, which stays.",
            StacksTests.Predict(plan, rated, loads: [Canopy]).Basis
        );
        foreach (var (vehicle, share) in new[] { (rated, 0.07), (With(), 0.3) })
        {
            var without = StacksTests.Predict(plan, vehicle).RearRise;
            var with = StacksTests.Predict(plan, vehicle, loads: [Canopy]).RearRise;
            var effect = with.Value!.Value - without.Value!.Value;
            Assert.True(effect < -5);
            Assert.Equal(
                Math.Pow(share * effect, 2),
                Math.Pow(with.U!.Value, 2) - Math.Pow(without.U!.Value, 2),
                1e-6
            );
        }
    }

    /// <summary>Over the floor an axle sinks by its tyres alone, a lip by springs and tyres, over the hub by springs alone.</summary>
    [Fact]
    public void Under_a_load_an_axle_sinks_over_the_floor_by_what_the_lip_does_more_there_than_over_its_hub()
    {
        var lip = Sample.Pickup.Stations.Single(s => s.Name == "LR");
        var vehicle = Sample.Pickup with
        {
            Stations =
            [
                .. Sample.Pickup.Stations,
                lip with
                {
                    Name = "lip over the floor",
                },
                lip with
                {
                    Name = "tube",
                    Carrier = Carrier.Axle,
                },
            ],
        };
        var stance = StanceOf.Compute(
            Sample.Round(40, Sample.AsFound.Id),
            [
                .. Sample.Readings(100, 40, 520, 1040, 580, 580, 1040, 520),
                Sample.Reading(130, 40, "lip over the floor", 950, Datum.Floor),
                Sample.Reading(131, 40, "tube", 300, Datum.Floor),
            ],
            vehicle
        );
        var plan = Sample.Plan((Corner.LF, Sample.Plate(1, 30)), (Corner.RF, Sample.Plate(2, 30)));
        double[] Rises(params StatedLoad[] loads) =>
            [
                .. Predictor
                    .Predict(plan, new Situation(Sample.AsFound, vehicle, stance) { Loads = loads })
                    .Stations.Where(s => s.Station is "LR" or "lip over the floor" or "tube")
                    .Select(s => s.Rise.Have().Mean),
            ];
        var (without, with) = (Rises(), Rises(Canopy));
        var (overHub, overFloor, tube) = (
            with[0] - without[0],
            with[1] - without[1],
            with[2] - without[2]
        );
        Assert.Equal(overFloor - overHub, tube, 1e-9);
        // On the rear axle's line each of its wheels bears half, and what gives lies in series.
        double Gives(bool onTyres) =>
            1 / VehicleSupports.Of(vehicle, onTyres: onTyres).Supports![2].RateNPerMm;
        Assert.Equal(-60 * Gravity.NPerKg * (Gives(true) - Gives(false)), tube, 1e-6);
        Assert.Equal(-60 * Gravity.NPerKg * Gives(false), overHub, 1e-6);
    }

    [Fact]
    public void On_the_floor_a_taller_tyre_counts_for_the_landing_and_over_the_hub_it_does_not()
    {
        // The front rises by half of the difference on the floor, over its hubs not at all.
        var tyre = StacksTests.Part(1, PartKind.Tyre, null, (PartSizes.Diameter, 841));
        var plan = StacksTests.Both(Axle.Front, tyre);
        double Landing(Datum datum, double rake)
        {
            var stance = StanceOf.Compute(
                Sample.Round(40, Sample.AsFound.Id, datum: datum),
                [
                    .. Sample
                        .Readings(100, 40, 900, 1420, 960, 960, 1420, 900)
                        .Select(r =>
                            r with
                            {
                                From = r.Place.Name is "LM" or "RM" ? Datum.Floor : datum,
                            }
                        ),
                ],
                Sample.Pickup
            );
            return Predictor
                .Predict(
                    plan,
                    new Situation(Sample.AsFound, Sample.Pickup, stance)
                    {
                        Target = Sample.Level with { Datum = datum, Rake = Sample.Mm(rake) },
                    }
                )
                .Landing!.Value!.Value;
        }
        var lifts = (841 - TyreSize.Parse(Sample.Pickup.TyreSize)!.DiameterMm) / 2;
        Assert.InRange(lifts, 15, 25);
        Assert.True(Landing(Datum.Floor, 60 - lifts) > 0.5);
        Assert.True(Landing(Datum.Floor, 60) < 0.2);
        Assert.True(Landing(Datum.Hub, 60) > 0.5);
        Assert.True(Landing(Datum.Hub, 60 - lifts) < 0.2);
    }

    /// <summary>What carries over from side to side is known as well as the bars' rates, in front and behind: a landing without lean is the surer, the better they are known.</summary>
    [Fact]
    public void A_lean_lands_the_surer_the_better_the_bars_are_known()
    {
        var target = Sample.Level with { Rake = null, NoLean = true, Tolerance = Sample.Mm(4) };
        foreach (var axle in Corners.Axles)
        {
            var left = Corners.Of(axle)[0];
            double Landing(params (string, double)[] bar)
            {
                const SuspensionKind kind = SuspensionKind.CoilFourLink;
                var it = StacksTests.Of(kind, bar);
                var other = StacksTests.Of(kind, (SuspensionSizes.BarRate, 0));
                var vehicle = StacksTests.On(
                    axle == Axle.Front ? it : other,
                    axle == Axle.Rear ? it : other
                );
                var rise = StacksTests.Part(1, PartKind.CoilSpacer, 60) with { Id = Sample.Id(70) };
                var plan = Sample.Plan((left, rise));
                var free = Predictor.Predict(
                    plan,
                    new Situation(Sample.AsFound, vehicle, Sample.Stance(vehicle))
                );
                // It leans today by as much as the piece takes back.
                var (f, r) = (free.LeanFront.Value!.Value, free.LeanRear.Value!.Value);
                var stance = StanceOf.Compute(
                    Sample.Round(40, Sample.AsFound.Id),
                    Sample.Readings(
                        100,
                        40,
                        520 - (f / 2),
                        1040,
                        580 - (r / 2),
                        580 + (r / 2),
                        1040,
                        520 + (f / 2)
                    ),
                    vehicle
                );
                return Predictor
                    .Predict(
                        plan,
                        new Situation(Sample.AsFound, vehicle, stance) { Target = target }
                    )
                    .Landing!.Value!.Value;
            }
            var (typed, taped) = (
                Landing((SuspensionSizes.BarRate, 12)),
                Landing(
                    (SuspensionSizes.BarDiameter, 22),
                    (SuspensionSizes.BarSpan, 900),
                    (SuspensionSizes.BarArm, 240)
                )
            );
            Assert.True(typed > taped + 0.01, $"{axle.Said()}: {typed} against {taped}");
        }
    }

    [Fact]
    public void A_new_spring_would_be_foretold_sharper_with_standard_heights_and_with_what_it_is_made_for()
    {
        var vehicle = StacksTests.On(
            front: StacksTests.Of(SuspensionKind.CoilFourLink, (SuspensionSizes.SpringRate, 30))
        );
        var coil = StacksTests.Part(
            1,
            PartKind.Coil,
            null,
            (PartSizes.Rate, 40),
            (PartSizes.DesignLift, 46),
            (PartSizes.DesignLoad, 3200)
        );
        string[] Sharpens(Plan plan) =>
            [
                .. Sharper
                    .Of(
                        plan,
                        new Situation(Sample.AsFound, vehicle, Sample.Stance(vehicle))
                        {
                            Target = Sample.Level,
                        }
                    )
                    .Where(s => s.Axle == Axle.Front)
                    .Select(s => s.What),
            ];
        var named = Sharpens(StacksTests.Both(Axle.Front, coil));
        Assert.Contains("Standard height", named);
        Assert.Contains("For which engine, load and trim the spring is made", named);
        var known = Sharpens(StacksTests.Both(Axle.Front, coil with { MadeFor = "this one" }));
        Assert.DoesNotContain("For which engine, load and trim the spring is made", known);
        Assert.DoesNotContain(
            "Standard height",
            Sharpens(StacksTests.Both(Axle.Front, Sample.Plate(1, 20, PartKind.CoilSpacer)))
        );
    }

    /// <summary>What is believed of a lift line holds offset and ratio together: the variance of a rise is a² + 2·c·t + b²·t².</summary>
    [Fact]
    public void Offset_and_ratio_that_were_learned_together_are_counted_together()
    {
        var belief = new LiftBelief(new Estimate(2, 3), new Estimate(1.9, 0.1), -0.2);
        var vehicle = StacksTests.On();
        var plan = Sample.Plan((Corner.LF, Sample.Plate(1, 30)), (Corner.RF, Sample.Plate(2, 30)));
        var rise = Predictor
            .Predict(
                plan,
                new Situation(Sample.AsFound, vehicle, Sample.Stance(vehicle))
                {
                    Learned = new Dictionary<(Axle, LiftFamily), LiftBelief>
                    {
                        [(Axle.Front, LiftFamily.Spring)] = belief,
                    },
                }
            )
            .FrontRise;
        Assert.Equal(2 + (1.9 * 30), rise.Value!.Value, 1e-6);
        // Thickness 0.2 mm each, its own: 1.9·0.2 over √2.
        Assert.Equal(
            Math.Sqrt(9 + (2 * -0.2 * 30) + (0.01 * 900) + (Math.Pow(1.9 * 0.2, 2) / 2)),
            rise.U!.Value,
            1e-6
        );
    }
}
