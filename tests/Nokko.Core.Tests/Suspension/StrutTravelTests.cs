using CsCheck;
using Nokko.Core.Suspension;
using Xunit;

namespace Nokko.Core.Tests.Suspension;

/// <summary>Laws of the travel that is left, whatever the thickness.</summary>
public class StrutTravelTests
{
    private static readonly DoubleWishbone Linkage = new(
        new(
            new(235, 262),
            new(628, 224),
            new(338, 596),
            new(607, 571),
            new(470, 255),
            new(412, 782),
            new(700, 392)
        )
    );
    private static readonly StrutLengths Strut = new(
        Linkage.RideLengthMm + 50,
        Linkage.RideLengthMm - 80
    );

    [Fact]
    public void Nothing_fitted_is_the_travel_as_it_left_the_works() =>
        Assert.Equal(
            StrutTravel.Left(Linkage, Strut, 0, 0),
            StrutTravel.Left(Linkage, Strut with { BindMm = null }, 0, 0)
        );

    [Fact]
    public void A_preload_takes_from_droop_what_it_gives_to_bump() =>
        Gen.Double[0, 45]
            .Sample(t =>
            {
                var (standard, preload) = (Left(0, 0), Left(0, t));
                Assert.Equal(
                    standard.DroopMm + standard.BumpMm,
                    preload.DroopMm + preload.BumpMm,
                    1e-9
                );
                Assert.Equal(Linkage.LiftMm(t)!.Value, standard.DroopMm - preload.DroopMm, 1e-9);
            });

    [Fact]
    public void A_thicker_plate_never_gives_droop_and_a_thicker_preload_never_leaves_more() =>
        Gen.Select(Gen.Double[0, 30], Gen.Double[0.1, 15])
            .Sample(
                (t, more) =>
                {
                    Assert.True(Left(0, t + more).DroopMm < Left(0, t).DroopMm);
                    // Above the strut both limits move along: what is left changes with the arms' angle only.
                    Assert.Equal(Left(t, 0).DroopMm, Left(t + more, 0).DroopMm, 3.0);
                }
            );

    [Fact]
    public void Plate_and_preload_stand_as_high_as_their_sum() =>
        Gen.Select(Gen.Double[0, 20], Gen.Double[0, 20])
            .Sample(
                (outside, preload) =>
                {
                    var both = Left(outside, preload);
                    var full = Linkage.At(Strut.ExtendedMm + outside)!.Value.WheelCentre.Z;
                    var ride = full + both.DroopMm;
                    Assert.Equal(
                        Linkage.LiftMm(outside + preload)!.Value,
                        Linkage.At(Linkage.RideLengthMm)!.Value.WheelCentre.Z - ride,
                        1e-9
                    );
                }
            );

    [Fact]
    public void A_coil_that_binds_late_changes_nothing_and_one_that_binds_early_takes_bump()
    {
        var late = Strut with { BindMm = Strut.CollapsedMm - 30 };
        Assert.Equal(Left(0, 0).BumpMm, StrutTravel.Left(Linkage, late, 0, 0)!.BumpMm);
        Assert.False(StrutTravel.Left(Linkage, late, 0, 0)!.BindsFirst);
        // A preload squeezes the coil: the same coil may bind first now.
        var squeezed = StrutTravel.Left(Linkage, late, 0, 40)!;
        Assert.True(squeezed.BindsFirst);
        Assert.True(squeezed.BumpMm < Left(0, 40).BumpMm);
    }

    [Fact]
    public void A_limit_that_the_arms_cannot_reach_is_no_limit_that_can_be_told() =>
        Assert.Null(StrutTravel.Left(Linkage, Strut with { CollapsedMm = 10 }, 0, 0));

    private static TravelLeft Left(double outside, double preload) =>
        StrutTravel.Left(Linkage, Strut, outside, preload)!;
}
