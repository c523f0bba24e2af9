using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;
using static Nokko.Core.Tests.Plans.StacksTests;

namespace Nokko.Core.Tests.Plans;

public class RollBarTests
{
    private static readonly Plan OneSide = Sample.Plan((Corner.LF, Sample.Plate(30, 25.4)));

    private static Vehicle With(
        Nokko.Core.Vehicles.Suspension? front = null,
        Nokko.Core.Vehicles.Suspension? rear = null
    ) =>
        On(
            front ?? Of(SuspensionKind.CoilOverArm, (SuspensionSizes.BarRate, 0)),
            rear ?? Of(SuspensionKind.LeafOverslung, (SuspensionSizes.BarRate, 0))
        );

    private static Nokko.Core.Vehicles.Suspension Front(double rate) =>
        Of(SuspensionKind.CoilOverArm, (SuspensionSizes.BarRate, rate));

    [Fact]
    public void A_rate_is_the_typed_one_else_from_the_bars_sizes_else_a_rule_of_thumb()
    {
        static Estimate Rate(Vehicle v, Axle axle) => RollBar.AtWheels(v, axle, 30);
        Assert.Equal(new Estimate(9, 0.45), Rate(With(Front(9)), Axle.Front));
        (string, double)[] sizes =
        [
            (SuspensionSizes.BarDiameter, 28),
            (SuspensionSizes.BarSpan, 1000),
            (SuspensionSizes.BarArm, 250),
        ];
        var taped = Rate(
            With(Of(SuspensionKind.CoilOverArm, [.. sizes, (SuspensionSizes.BarEndShare, 0.6)])),
            Axle.Front
        );
        Assert.Equal(27.563, taped.Mean, 1e-3);
        Assert.Equal(
            27.563 * Math.Sqrt(Math.Pow(0.15, 2) + Math.Pow(0.04 / 0.6, 2)),
            taped.Sd,
            1e-3
        );
        // Without its place on the arm: 0.7 ± 0.15 of the wheel's way, squared.
        var usual = Rate(With(Of(SuspensionKind.CoilOverArm, sizes)), Axle.Front);
        Assert.Equal(27.563 * 0.49 / 0.36, usual.Mean, 1e-3);
        Assert.True(usual.Sd / usual.Mean > 0.44);
        // Two of three sizes tell nothing.
        var bare = On();
        Assert.Equal(
            Rate(bare, Axle.Front),
            Rate(With(Of(SuspensionKind.CoilOverArm, sizes[..2])), Axle.Front)
        );
        Assert.Equal(new Estimate(12, 7.5), Rate(bare, Axle.Front));
        Assert.Equal(new Estimate(4.5, 4.5), Rate(bare, Axle.Rear));
        Assert.Equal(new Estimate(3, 3), Rate(bare with { Kind = VehicleKind.Utv }, Axle.Front));
    }

    [Fact]
    public void A_plate_on_one_side_is_shared_by_the_bar_as_the_body_on_its_springs_has_it()
    {
        var vehicle = With(
            Front(9),
            Of(SuspensionKind.LeafOverslung, (SuspensionSizes.BarRate, 4))
        );
        var supports = VehicleSupports.Of(vehicle).Supports!;
        var free = 3 + (1.9 * 25.4);
        // The rear rate is one at the wheels; the body rests on springs nearer to the middle.
        var lever = Math.Pow(vehicle.Dimensions.RearTrack!.In(Unit.Mm) / (2 * supports[2].YMm), 2);
        Assert.True(lever > 1.2);
        var motion = new BodyOnSprings(
            [.. supports.Select((s, i) => s with { FreeRiseMm = i == 0 ? free : 0 })],
            [new(0, 1, 9), new(2, 3, 4 * lever)]
        ).Solve();
        var p = Predict(OneSide, vehicle);
        Assert.All(
            vehicle.Stations,
            s =>
                Assert.Equal(
                    motion.RiseAt(s.X.In(Unit.Mm), s.Y.In(Unit.Mm)),
                    p.Stations.Single(x => x.Station == s.Name).Rise.Value!.Value,
                    9
                )
        );
        // Stiffer in front it leans less to the far side and lifts the other rear corner more.
        Assert.True(p.LeanFront.Value < Predict(OneSide, With()).LeanFront.Value);
    }

    [Fact]
    public void What_nobody_knows_of_a_bar_widens_what_leans_and_nothing_that_stands_alike()
    {
        var (mean, u) = (12.0, 7.5);
        // The rule of thumb for this wheel rate, found a second way: the same lean with a bar stiffer by its u.
        var vehicle = With();
        var rate = AxleState.WheelRateOf(vehicle, Axle.Front)!.Value;
        (mean, u) = (0.4 * rate, 0.25 * rate);
        Result Lean(Vehicle v) => Predict(OneSide, v).LeanFront;
        var unknown = Lean(With(Of(SuspensionKind.CoilOverArm)));
        var (at, stiffer) = (Lean(With(Front(mean))), Lean(With(Front(mean + u))));
        Assert.Equal(at.Value!.Value, unknown.Value!.Value, 9);
        var typed = Math.Pow(0.05 * mean / u, 2);
        Assert.Equal(
            Math.Pow(stiffer.Value!.Value - at.Value.Value, 2) * (1 - typed),
            Math.Pow(unknown.U!.Value, 2) - Math.Pow(at.U!.Value, 2),
            0.05
        );
        Assert.Contains(
            Predict(OneSide, With(Of(SuspensionKind.CoilOverArm))).Basis,
            b => b.Contains("anti-roll bar", StringComparison.Ordinal)
        );
        // Both sides alike: no bar counts, whatever is known of it.
        var both = Both(Axle.Front, Sample.Plate(30, 25.4));
        var (with, without) = (Predict(both, With(Front(40))), Predict(both, On()));
        Assert.Equal(with.Rake.Value!.Value, without.Rake.Value!.Value, 9);
        Assert.Equal(with.Rake.U!.Value, without.Rake.U!.Value, 9);
        Assert.DoesNotContain(
            without.Basis,
            b => b.Contains("anti-roll bar", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void The_chance_of_landing_knows_of_the_bar_too()
    {
        var target = Sample.Level with { Rake = null, NoLean = true };
        double Chance(Vehicle v)
        {
            var stance = StanceOf.Compute(
                Sample.Round(40, Sample.AsFound.Id),
                // Five low in front on the left: what the plate takes out.
                Sample.Readings(100, 40, 500, 1040, 580, 580, 1040, 520),
                v
            );
            return Predictor
                .Predict(OneSide, new Situation(Sample.AsFound, v, stance) { Target = target })
                .Landing!.Value!.Value;
        }
        var (soft, stiff) = (Chance(With()), Chance(With(Front(40), null)));
        Assert.NotEqual(soft, stiff, 0.01);
    }
}
