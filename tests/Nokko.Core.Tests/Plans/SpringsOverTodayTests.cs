using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;
using static Nokko.Core.Tests.Plans.StacksTests;

namespace Nokko.Core.Tests.Plans;

/// <summary>Another spring over today's height and over standard height, derived by hand: the new one stands L_d − (Q − Q_d)/k_new over standard; today stands (Q − Q_d)/k_old and the sag below it.</summary>
public class SpringsOverTodayTests
{
    private const double Load = 5500;
    private const double DesignLoad = 5000;

    // k_old 30, k_new 40, L_d 46.67 at 5000 N on a wheel that carries 5500 N.
    private static readonly PlacedPart Coil = Part(
        1,
        PartKind.Coil,
        null,
        (PartSizes.Rate, 40),
        (PartSizes.DesignLift, 46.67),
        (PartSizes.DesignLoad, DesignLoad)
    ) with
    {
        MadeFor = "diesel, crew cab",
    };

    private static Vehicle Carries(double oldRate = 30, double? sag = null)
    {
        (string, double)[] sizes = [(SuspensionSizes.SpringRate, oldRate)];
        var vehicle = On(
            rear: Of(
                SuspensionKind.CoilFourLink,
                sag is { } told ? [.. sizes, (SuspensionSizes.Sag, told)] : sizes
            )
        );
        // A fifth of the axle's mass is unsprung.
        return vehicle with
        {
            Dimensions = vehicle.Dimensions with
            {
                RearAxleMass = new Quantity
                {
                    Value = 2 * Load / Gravity.NPerKg / 0.8,
                    Unit = Unit.Kg,
                    Known = Known.Measured,
                },
            },
        };
    }

    private static WalkRoundStance StandardOf(Vehicle vehicle, double aboveToday) =>
        StanceOf.Compute(
            Sample.Round(41, Sample.AsFound.Id),
            Sample.Readings(200, 41, 520, 1040, 580 + aboveToday, 580 + aboveToday, 1040, 520),
            vehicle
        );

    [Theory]
    [InlineData(0, 50.84)]
    [InlineData(10, 60.84)]
    public void A_true_sag_is_added_to_what_the_load_does(double sag, double overToday) =>
        Assert.Equal(
            overToday,
            Predict(Both(Axle.Rear, Coil), Carries(sag: sag)).RearRise.Value!.Value,
            2
        );

    [Theory]
    [InlineData(30)]
    [InlineData(20)]
    [InlineData(90)]
    public void Standard_height_holds_load_and_sag_whatever_the_old_rate(double oldRate)
    {
        var vehicle = Carries(oldRate);
        // 16.67 by the load and 10 by sag, with a rate of 30.
        var lift = Predict(Both(Axle.Rear, Coil), vehicle, standard: StandardOf(vehicle, 26.67))
            .Lifts.Single(l => l.Axle == Axle.Rear);
        Assert.Equal(60.84, lift.OverToday.Value!.Value, 2);
        Assert.Equal(34.17, lift.OverStandard.Value!.Value, 2);
    }

    [Theory]
    [InlineData(null, 2.5, 5)]
    [InlineData(100_000.0, 4, 8)]
    [InlineData(200_000.0, 5.5, 11)]
    [InlineData(1_000_000.0, 12.5, 25)]
    public void Sag_that_nobody_measured_grows_with_the_odometer(double? km, double mean, double u)
    {
        var guess = SpringSag.Unmeasured(km);
        Assert.Equal((mean, u), (guess.Mean, guess.Sd));
        var vehicle = Carries();
        var plan = Both(Axle.Rear, Coil);
        var p = Predictor.Predict(
            plan,
            new Situation(Sample.AsFound, vehicle, Sample.Stance(vehicle)) { OdometerKm = km }
        );
        Assert.Equal(50.84 + mean, p.RearRise.Value!.Value, 2);
        // Against a sag that is known to 2 mm only the sag's own ± differs: both sides share it.
        var known = Predict(plan, Carries(sag: 0)).RearRise;
        Assert.Equal(
            (u * u) - 4,
            Math.Pow(p.RearRise.U!.Value, 2) - Math.Pow(known.U!.Value, 2),
            1
        );
        Assert.Contains(p.Basis, b => b.Contains("by a rule of thumb", StringComparison.Ordinal));
    }

    [Fact]
    public void A_free_length_that_was_taped_holds_its_sag_and_one_from_a_document_does_not()
    {
        var coil = Part(1, PartKind.Coil, null, (PartSizes.Rate, 40), (PartSizes.FreeLength, 440));
        double Rise(Known known)
        {
            var vehicle = Carries(sag: 10);
            return Predict(
                Both(Axle.Rear, coil),
                vehicle with
                {
                    Rear = vehicle.Rear with
                    {
                        Dimensions = new Dictionary<string, Quantity>(vehicle.Rear.Dimensions)
                        {
                            [SuspensionSizes.SpringFreeLength] = Quantity.Mm(432, known),
                        },
                    },
                }
            ).RearRise.Value!.Value;
        }
        var longer = 440 - (Load / 40) - (432 - (Load / 30));
        Assert.Equal(longer, Rise(Known.Measured), 6);
        Assert.Equal(longer + 10, Rise(Known.Document), 6);
    }

    [Fact]
    public void A_lift_for_nobody_knows_which_vehicle_is_marked_and_less_sure()
    {
        var vehicle = Carries(sag: 0);
        var known = Predict(Both(Axle.Rear, Coil), vehicle);
        var open = Predict(Both(Axle.Rear, Coil with { MadeFor = null }), vehicle);
        Assert.Equal(known.RearRise.Value, open.RearRise.Value);
        // The load differs from its design load by 500 N, 16.67 mm of the old spring; both sides share it.
        Assert.Equal(
            Math.Pow(500.0 / 30, 2),
            Math.Pow(open.RearRise.U!.Value, 2) - Math.Pow(known.RearRise.U!.Value, 2),
            6
        );
        Assert.Contains(open.Basis, b => b.Contains("another vehicle's", StringComparison.Ordinal));
        // What asking would gain is said as well.
        var asked = Sharper
            .Of(
                Both(Axle.Rear, Coil with { MadeFor = null }),
                new Situation(Sample.AsFound, vehicle, Sample.Stance(vehicle))
            )
            .Single(s => s.What.Contains("engine, load and trim", StringComparison.Ordinal));
        Assert.Equal(
            Math.Pow(500.0 / 30, 2),
            Math.Pow(asked.NowMm, 2) - Math.Pow(asked.ThenMm, 2),
            0
        );
        Assert.DoesNotContain(
            known.Basis,
            b => b.Contains("another vehicle's", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void Sag_comes_back_once_however_often_the_spring_is_changed()
    {
        var vehicle = Carries();
        var first = Both(Axle.Rear, Coil);
        var fitted = Sample.AsFound with { Stacks = first.Stacks };
        var stiffer = Coil with
        {
            Dimensions = new Dictionary<string, Quantity>(Coil.Dimensions)
            {
                [PartSizes.DesignLift] = Quantity.Mm(66.67, Known.Box),
            },
        };
        var second = Both(Axle.Rear, stiffer) with { Id = Sample.Id(99) };
        // Placements of the second pass are pieces of their own.
        second = second with
        {
            Stacks =
            [
                .. second.Stacks.Select(
                    (s, i) => s with { Parts = [s.Parts[0] with { Id = Sample.Id(800 + i) }] }
                ),
            ],
        };
        Assert.Equal(20, Predict(second, vehicle, fitted).RearRise.Value!.Value, 6);
        // And out again, what it gave is gone.
        var back = Predict(Both(Axle.Rear), vehicle, fitted).RearRise.Value!.Value;
        Assert.Equal(-(50.84 + 2.5), back, 2);
    }
}
