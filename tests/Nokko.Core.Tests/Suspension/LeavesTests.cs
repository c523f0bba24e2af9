using CsCheck;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Xunit;

namespace Nokko.Core.Tests.Suspension;

public class LeavesTests
{
    private static LeafGeometry Leaf(double degrees, bool tension = false, double fraction = 0.5) =>
        new(1200, 0, 100, double.DegreesToRadians(degrees), fraction, tension);

    [Theory]
    [InlineData(0, 20.0)]
    [InlineData(20, 20.99)]
    [InlineData(30, 22.24)]
    [InlineData(45, 25.37)]
    public void A_longer_shackle_lifts_by_the_worked_numbers(double degrees, double lift) =>
        Assert.Equal(lift, LeafShackle.Move(Leaf(degrees), 140, 0)!.Value.LiftMm, 2);

    [Fact]
    public void The_first_millimetre_is_the_axles_fraction_over_the_cosine() =>
        Gen.Select(Gen.Double[-50, 50], Gen.Double[0.3, 0.7])
            .Sample(
                (degrees, fraction) =>
                    Assert.Equal(
                        fraction / Math.Cos(double.DegreesToRadians(degrees)),
                        LeafShackle
                            .Move(Leaf(degrees, fraction: fraction), 100.001, 0)!
                            .Value.LiftMm / 0.001,
                        1e-3
                    )
            );

    [Fact]
    public void A_pivot_below_the_eye_reverses_the_sign()
    {
        var (over, under) = (
            LeafShackle.Move(Leaf(0), 120, 0)!.Value,
            LeafShackle.Move(Leaf(0, tension: true), 120, 0)!.Value
        );
        Assert.Equal(over.LiftMm, -under.LiftMm, 9);
        Assert.Equal(over.ChordTurnRad, -under.ChordTurnRad, 9);
        // The shackle's end goes down: at the rear a pinion turns up with it.
        Assert.True(over.ChordTurnRad > 0);
    }

    [Fact]
    public void The_same_shackle_and_arch_move_nothing_and_a_taller_arch_lifts_by_about_itself()
    {
        var leaf = new LeafGeometry(1180, 70, 100, 0.2, 0.5);
        Assert.Equal(0, LeafShackle.Move(leaf, 100, 70)!.Value.LiftMm, 9);
        Assert.InRange(LeafShackle.Move(leaf, 100, 90)!.Value.LiftMm, 18, 24);
    }

    [Fact]
    public void A_shackle_that_cannot_reach_has_no_answer() =>
        Assert.Null(LeafShackle.Move(Leaf(0), 3000, 0));

    [Fact]
    public void The_chord_and_the_length_of_a_leaf_follow_from_each_other()
    {
        // A leaf pressed flat pushes its shackle's eye out: the chord grows to the leaf's own length.
        var leaf = new LeafGeometry(1150, 100, 100, 0, 0.5);
        var flat = LeafShackle.Move(leaf, 100, 0)!.Value;
        var length = (1150 + Math.Sqrt((1150 * 1150) + (32 * 100.0 * 100 / 3))) / 2;
        Assert.Equal(1150, length - (8 * 100.0 * 100 / (3 * length)), 9);
        // The eye, on a circle of 100 about the pivot 100 above it, goes out by the difference.
        Assert.True(flat.ShackleAngleRad > (length - 1150) / 100 * 0.9);
    }

    private static Leaf Plain(double front, double rear, double arch = 0, double thickness = 8) =>
        new()
        {
            FrontMm = front,
            RearMm = rear,
            WidthMm = 60,
            ThicknessMm = thickness,
            ArchMm = arch,
        };

    [Fact]
    public void A_single_leaf_is_the_beam_of_the_books_and_keeps_its_arch() =>
        Gen.Select(Gen.Double[300, 900], Gen.Double[300, 900], Gen.Double[10, 200])
            .Sample(
                (a, b, arch) =>
                {
                    var pack = LeafPackBuild.Of([Plain(a, b, arch)], 0);
                    var stiffness = LeafPackBuild.ElasticModulus * 60 * 512 / 12;
                    Assert.Equal(
                        3 * stiffness * (a + b) / (a * a * b * b),
                        pack.RateNPerMm,
                        1e-9 * pack.RateNPerMm
                    );
                    // A circle over a chord: the sagitta at the pin, whatever the halves.
                    Assert.Equal(arch, pack.FreeArchMm, 1e-9 * arch);
                }
            );

    [Fact]
    public void Full_length_leaves_add_up_and_graduated_ones_come_near_the_short_form()
    {
        var one = LeafPackBuild.Of([Plain(600, 600)], 0).RateNPerMm;
        Assert.Equal(
            3 * one,
            LeafPackBuild.Of([Plain(600, 600) with { Count = 3 }], 0).RateNPerMm,
            9
        );
        // k = E/(6l³)·Σ c b t³, c 3 full-length, 2 graduated: its own band is 20 %.
        Leaf[] pack =
        [
            Plain(600, 600),
            Plain(480, 480),
            Plain(360, 360),
            Plain(240, 240),
            Plain(120, 120),
        ];
        var shortForm =
            LeafPackBuild.ElasticModulus / (6 * Math.Pow(600, 3)) * 60 * 512 * (3 + (4 * 2));
        Assert.InRange(LeafPackBuild.Of(pack, 0).RateNPerMm / shortForm, 0.8, 1.2);
    }

    [Fact]
    public void The_give_of_a_pack_agrees_with_a_numerical_integral()
    {
        Leaf[] pack =
        [
            Plain(610, 660, 190),
            Plain(450, 490, 100),
            Plain(320, 350, 40, thickness: 10),
        ];
        const double clamp = 80;
        double Stiffness(double u, Func<Leaf, double> l) =>
            pack.Where(x => l(x) >= u)
                .Sum(x =>
                    LeafPackBuild.ElasticModulus * x.WidthMm * Math.Pow(x.ThicknessMm, 3) / 12
                );
        double Give(Func<Leaf, double> l)
        {
            const int steps = 200_000;
            var (from, to) = (clamp / 2, l(pack[0]));
            var d = (to - from) / steps;
            return Enumerable
                .Range(0, steps)
                .Sum(i =>
                {
                    var u = from + ((i + 0.5) * d);
                    return (to - u) * (to - u) * d / Stiffness(u, l);
                });
        }
        var (ca, cb) = (Give(l => l.FrontMm), Give(l => l.RearMm));
        Assert.Equal(
            1270.0 * 1270 / ((660.0 * 660 * ca) + (610.0 * 610 * cb)),
            LeafPackBuild.Of(pack, clamp).RateNPerMm,
            1e-3
        );
    }

    [Fact]
    public void What_the_U_bolts_clamp_does_not_bend()
    {
        // Four leaves 60 × 8, halves 550, 400, 280, 160; by hand in the middle of it. I = 2560 mm⁴, EI = 527.36e6 N·mm² a leaf.
        // Clamped over 100: from 50 on 4 leaves to 160, 3 to 280, 2 to 400, 1 to 550, s = 550 − u:
        // ∫s²/(nEI) = [(500³−390³)/4 + (390³−270³)/3 + (270³−150³)/2 + 150³]/(3·527.36e6) = 41,161,250/1,582.08e6 = 0.0260172; k = 2/that.
        Leaf[] pack = [Plain(550, 550), Plain(400, 400), Plain(280, 280), Plain(160, 160)];
        Assert.Equal(76.87, LeafPackBuild.Of(pack, 100).RateNPerMm, 0.01);
        // Without a clamp the first 50 mm of each half bend too: + (550³ − 500³)/4.
        Assert.Equal(61.43, LeafPackBuild.Of(pack, 0).RateNPerMm, 0.01);
        // As taped, else 100.
        var part = new PlacedPart
        {
            Id = Guid.Empty,
            Name = "pack",
            Kind = PartKind.LeafPack,
            Leaves = pack,
        };
        Assert.Equal(LeafPackBuild.Of(pack, 100), LeafPackBuild.Of(part));
        Assert.Equal(
            LeafPackBuild.Of(pack, 140),
            LeafPackBuild.Of(
                part with
                {
                    Dimensions = new Dictionary<string, Core.Units.Quantity>
                    {
                        [PartSizes.ClampLength] = Sample.Mm(140),
                    },
                }
            )
        );
        // A short spring is not clamped over its whole length.
        Assert.InRange(LeafPackBuild.UsualClampMm(Plain(60, 900)), 1, 60);
        Assert.NotNull(LeafPackBuild.WhyNot([Plain(60, 900)], 130));
    }

    [Fact]
    public void Leaves_that_disagree_settle_between_and_an_overload_leaf_stays_out()
    {
        var mixed = LeafPackBuild.Of([Plain(600, 600, 100), Plain(600, 600, 180)], 0);
        Assert.Equal(140, mixed.FreeArchMm, 9);
        var with = LeafPackBuild.Of(
            [
                Plain(600, 600, 100),
                Plain(600, 600, 180),
                Plain(300, 300, 5) with
                {
                    Overload = true,
                },
            ],
            0
        );
        Assert.Equal(mixed.RateNPerMm, with.RateNPerMm, 9);
        Assert.Equal(24, with.ThicknessMm, 9);
    }

    [Fact]
    public void What_cannot_be_built_is_said_before()
    {
        Assert.NotNull(LeafPackBuild.WhyNot([Plain(600, 600) with { Overload = true }]));
        Assert.NotNull(LeafPackBuild.WhyNot([Plain(5, 600)]));
        Assert.NotNull(LeafPackBuild.WhyNot([Plain(600, 600, thickness: 0)]));
        Assert.Throws<ArgumentException>(() => LeafPackBuild.Of([], 0));
        var pack = new PlacedPart
        {
            Id = Guid.Empty,
            Name = "pack",
            Kind = PartKind.LeafPack,
            Leaves = [Plain(600, 600), Plain(620, 500)],
            Dimensions = new Dictionary<string, Core.Units.Quantity>
            {
                [PartSizes.PinDiameter] = Sample.Mm(16),
                [PartSizes.SeatBore] = Sample.Mm(15),
            },
        };
        var said = LeafPackBuild.Checks(pack);
        Assert.Contains(
            said,
            s => s.Contains("does not go into the seat's bore", StringComparison.Ordinal)
        );
        Assert.Contains(
            said,
            s => s.Contains("longer than the main leaf", StringComparison.Ordinal)
        );
    }

    [Theory]
    [InlineData(600, 650, false)]
    [InlineData(601, 650, true)]
    [InlineData(600, 651, true)]
    [InlineData(500, 500, false)]
    public void A_leaf_ends_inside_the_main_leafs_eyes(double front, double rear, bool said)
    {
        bool Longer(params Leaf[] leaves) =>
            LeafPackBuild
                .Checks(
                    new PlacedPart
                    {
                        Id = Guid.Empty,
                        Name = "pack",
                        Kind = PartKind.LeafPack,
                        Leaves = leaves,
                    }
                )
                .Any(c => c.Contains("longer than the main leaf", StringComparison.Ordinal));
        var (main, other) = (Plain(600, 650), Plain(front, rear));
        Assert.Equal(said, Longer(main, other));
        Assert.Equal(said, Longer(main, Plain(300, 300), other));
        Assert.False(Longer(main));
    }

    [Fact]
    public void A_u_bolt_holds_stack_plate_nut_and_three_threads() =>
        Assert.Equal(40 + 25.4 + 12 + 13 + 4.5, LeafPackBuild.UBoltMm(40, 25.4), 9);
}
