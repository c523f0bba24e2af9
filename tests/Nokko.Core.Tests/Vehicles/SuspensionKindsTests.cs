using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Vehicles;

public class SuspensionKindsTests
{
    public static TheoryData<SuspensionKind> Kinds => [.. Enum.GetValues<SuspensionKind>()];

    [Theory]
    [MemberData(nameof(Kinds))]
    public void Every_kind_is_said_rests_somewhere_and_has_a_rule_of_thumb(SuspensionKind kind)
    {
        Assert.NotEmpty(kind.Said());
        Assert.True(kind.IsLiveAxle() || kind.HasArms());
        var twisted = kind == SuspensionKind.TorsionBarArm;
        Assert.Equal(!twisted, kind.HasCoil() || kind.Rubs());
        Assert.Equal(kind.IsLeaf() || twisted, Archetype.Of(kind) is null);
        var corner = CornerLinkage.Of(new() { Kind = kind });
        Assert.Equal(RatioGrade.RuleOfThumb, corner.Grade);
        Assert.InRange(corner.Ratio.Mean, 0.9, 2.2);
        Assert.NotEmpty(SuspensionSizes.Of(kind));
    }

    [Theory]
    [MemberData(nameof(Kinds))]
    public void What_is_asked_for_counts_on_that_kind(SuspensionKind kind)
    {
        var names = SuspensionSizes.Of(kind).Select(s => s.Name).ToHashSet();
        Assert.Equal(kind.HasCoilOver(), names.Contains(SuspensionSizes.StrutExtended));
        Assert.Equal(!kind.HasCoilOver(), names.Contains(SuspensionSizes.ShockExtended));
        Assert.Equal(kind.IsLeaf(), names.Contains(SuspensionSizes.ShackleLength));
        Assert.Equal(!kind.IsLiveAxle(), names.Contains(SuspensionSizes.CvDrop));
        // Everything that fits an archetype can be entered.
        Assert.All(Archetype.Of(kind)?.Lengths ?? [], l => Assert.Contains(l, names));
    }

    [Theory]
    [MemberData(nameof(Kinds))]
    public void Better_knowledge_narrows_the_ratio(SuspensionKind kind)
    {
        if (Archetype.Of(kind) is not { } archetype)
        {
            return;
        }
        var rule = CornerLinkage.Of(new() { Kind = kind });
        var taped = CornerLinkage.Of(
            new()
            {
                Kind = kind,
                Points =
                [
                    .. archetype.Points.Select(p => new SuspensionPoint
                    {
                        Name = p.Name,
                        X = archetype.View == PlaneView.Along ? Sample.Mm(p.At.Y) : null,
                        Y = archetype.View == PlaneView.Along ? null : Sample.Mm(-p.At.Y),
                        Z = Sample.Mm(p.At.Z),
                    }),
                ],
            }
        );
        Assert.Equal(RatioGrade.Taped, taped.Grade);
        Assert.InRange(
            taped.Ratio.Mean,
            rule.Ratio.Mean - (2 * rule.Ratio.Sd),
            rule.Ratio.Mean + (2 * rule.Ratio.Sd)
        );
        // Where the kind itself says nearly all (a coil on an axle), points cannot narrow it further.
        Assert.True(taped.Ratio.Sd <= Math.Max(rule.Ratio.Sd, 0.055 * taped.Ratio.Mean));
    }

    [Theory]
    [InlineData(VehicleKind.Pickup)]
    [InlineData(VehicleKind.OpenTop)]
    [InlineData(VehicleKind.Wagon)]
    [InlineData(VehicleKind.Estate)]
    [InlineData(VehicleKind.Utv)]
    public void Any_pair_of_suspensions_stands_on_the_usual_sizes_of_a_vehicle(VehicleKind kind)
    {
        var sizes = VehicleDefaults.Fill(new(), kind);
        var (papers, guessed) = (
            sizes.Named().Where(n => VehicleDimensions.OnPapers.Contains(n.Name)).ToArray(),
            sizes.Named().Where(n => !VehicleDimensions.OnPapers.Contains(n.Name)).ToArray()
        );
        Assert.Equal(3, papers.Length);
        Assert.All(papers, n => Assert.Null(n.Value));
        Assert.All(
            // What plates and papers say is guessed for nobody.
            guessed,
            n =>
            {
                Assert.Equal(Known.Estimated, n.Value!.Known);
                Assert.True(n.Value.U > 0);
                Assert.Null(VehicleDimensions.WhyNot(n.Name, n.Value.Value));
            }
        );
        Assert.NotNull(Nokko.Core.Vehicles.TyreSize.Parse(VehicleDefaults.TyreSize(kind)));
        foreach (var front in Enum.GetValues<SuspensionKind>())
        {
            foreach (var rear in Enum.GetValues<SuspensionKind>())
            {
                var vehicle = Sample.Pickup with
                {
                    Kind = kind,
                    Dimensions = sizes,
                    Front = new() { Kind = front },
                    Rear = new() { Kind = rear },
                };
                var supports = Core.Stance.VehicleSupports.Of(vehicle).Supports!;
                // A live axle rests on its springs, inside the wheels; an independent one on its wheels.
                Assert.Equal(
                    (front.IsLiveAxle() ? sizes.FrontSpringBase : sizes.FrontTrack)!.Value / 2,
                    supports[0].YMm,
                    9
                );
                Assert.Equal(
                    (rear.IsLiveAxle() ? sizes.RearSpringBase : sizes.RearTrack)!.Value / 2,
                    supports[2].YMm,
                    9
                );
            }
        }
    }

    [Fact]
    public void A_size_that_is_known_is_never_replaced()
    {
        var known = new VehicleDimensions
        {
            Wheelbase = Sample.Mm(3111),
            RearTrack = Sample.Mm(1333),
        };
        var filled = VehicleDefaults.Fill(known, VehicleKind.Utv);
        Assert.Same(known.Wheelbase, filled.Wheelbase);
        Assert.Same(known.RearTrack, filled.RearTrack);
    }

    [Fact]
    public void The_springs_own_rate_goes_before_the_estimate_and_a_ballast_test_before_both()
    {
        Vehicle With(params (string, double)[] sizes) =>
            Sample.Pickup with
            {
                Front = Plans.StacksTests.Of(SuspensionKind.CoilOverArm, sizes),
            };
        var estimate = AxleState.WheelRateOf(With(), Axle.Front)!.Value;
        // 1,100 kg, 12 % of it unsprung, on two wheels at 1.3 Hz.
        Assert.Equal(1100 * 0.88 / 2 * Math.Pow(2 * Math.PI * 1.3, 2) / 1000, estimate, 9);
        // At the wheel a strut on an arm is softer by the square of the motion ratio.
        Assert.Equal(
            95 / (1.9 * 1.9),
            AxleState.WheelRateOf(With((SuspensionSizes.SpringRate, 95)), Axle.Front)!.Value,
            9
        );
        Assert.Equal(
            31,
            AxleState
                .WheelRateOf(
                    With((SuspensionSizes.SpringRate, 95), (SuspensionSizes.WheelRate, 31)),
                    Axle.Front
                )!
                .Value,
            9
        );
    }
}
