using Nokko.Core.Proof;
using Nokko.Core.Stance;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Proof;

/// <summary>What may have moved a vehicle off its plan.</summary>
public class CausesTests
{
    // A body on its springs: supports (0, ±820) of 28 N/mm, (−3600, ±540) of 34; lips at ±800; a bar in front.
    internal static readonly BodyOnSprings Body = new(
        [new(0, 820, 28, 0), new(0, -820, 28, 0), new(-3600, 540, 34, 0), new(-3600, -540, 34, 0)],
        [new(0, 1, 9)]
    );

    internal static readonly BodyOnSprings Plane = new([
        new(0, 820, 1, 0),
        new(0, -820, 1, 0),
        new(-3600, 820, 1, 0),
        new(-3600, -820, 1, 0),
    ]);

    internal static (double X, double Y) Lip(Corner c) =>
        (Corners.AxleOf(c) == Axle.Front ? 0 : -3600, c is Corner.LF or Corner.LR ? 800 : -800);

    internal static Causes.Miss Miss(params double[] mm) =>
        new()
        {
            Lips = [.. Corners.All.Select((c, i) => (c, mm[i], 4.0))],
            Springs = c => Body.Response(Lip(c).X, Lip(c).Y),
            Plane = c => Plane.Response(Lip(c).X, Lip(c).Y),
            LiftLineMm = _ => 6,
            Changed = [Axle.Front],
        };

    internal static Cause Of(Causes causes, CauseKind kind, string where) =>
        causes.Classes.SelectMany(c => c.Causes).Single(c => c.Kind == kind && c.Where == where);

    [Fact]
    public void Chances_are_of_one_and_priors_too()
    {
        foreach (
            var miss in new[]
            {
                Miss(0, 0, 0, 0),
                Miss(12, 11, 0, 1),
                Miss(-30, 4, 4, 4),
                Miss(5, 0, 0, 0) with
                {
                    FromFloor = true,
                    OnMounts = true,
                    NewSprings = [Axle.Front],
                    LeftOver = a => a == Axle.Front ? 12 : 0,
                    Changed = [Axle.Front, Axle.Rear],
                },
            }
        )
        {
            var causes = Causes.Of(miss).Classes;
            Assert.Equal(1, causes.Sum(c => c.Chance), 9);
            Assert.Equal(1, causes.SelectMany(c => c.Causes).Sum(c => c.Prior), 9);
            Assert.All(causes, c => Assert.Equal(c.Chance, c.Causes.Sum(x => x.Chance), 9));
            Assert.Equal(causes.OrderByDescending(c => c.Chance), causes);
        }
    }

    [Theory]
    [InlineData(null)]
    [InlineData(0.1)]
    [InlineData(0.35)]
    public void The_posterior_is_what_brute_force_finds(double? pinion)
    {
        // Second way: amounts drawn by the thousand, each weighed by how well the readings fit it.
        var miss = Miss(9, 7, -1, 1) with
        {
            FromFloor = true,
            OnMounts = true,
            NewSprings = [Axle.Rear],
            Changed = [Axle.Front, Axle.Rear],
            // An angle that turns by 0.04° a mm of its axle's rise, and back by 0.01° a mm of the other's.
            Turned = pinion is { } off ? [new(off, 0.01, new(0.04, -0.01))] : [],
        };
        var causes = Causes.Of(miss);
        var all = causes.Classes.SelectMany(c => c.Causes).ToArray();
        var random = new Random(5);
        var draws = Sample.Tries(60_000);
        double[] weights = [.. all.Select(c => c.Prior * Fit(c))];
        foreach (var (cause, weight) in all.Zip(weights))
        {
            Assert.Equal(weight / weights.Sum(), cause.Chance, draws < 60_000 ? 0.03 : 0.01);
        }

        double Fit(Cause cause)
        {
            var sum = 0.0;
            for (var k = 0; k < draws; k++)
            {
                var by = Drawn(cause);
                var turned = OfSprings(cause.Kind)
                    ? (0.04 * (by[0] + by[1]) / 2) - (0.01 * (by[2] + by[3]) / 2)
                    : 0;
                sum += Math.Exp(
                    -0.5
                        * (
                            miss.Lips.Select((l, i) => Math.Pow(l.Mm - by[i], 2) / l.Variance).Sum()
                            + miss.Turned.Sum(t => Math.Pow(t.Off - turned, 2) / t.Variance)
                        )
                );
            }
            return sum / draws;
        }

        // A tyre, a mount and the tape leave the frame where it is over its axles.
        static bool OfSprings(CauseKind kind) =>
            kind
                is CauseKind.NotSettled
                    or CauseKind.TightenedHanging
                    or CauseKind.LiftLine
                    or CauseKind.NotSeated
                    or CauseKind.OtherLoad
                    or CauseKind.SaggedMore
                    or CauseKind.OtherCargo;

        // Written down anew: what each cause does to the lips.
        double[] Drawn(Cause cause)
        {
            var (mean, sd) = cause.Kind switch
            {
                CauseKind.NotSettled => (6, 4),
                CauseKind.TightenedHanging => (5, 3),
                CauseKind.LiftLine => (0, 6),
                CauseKind.OtherLoad => (-10, 15),
                CauseKind.SaggedMore => (10, 10),
                CauseKind.NotSeated => (8, 5),
                CauseKind.Slip => (0, 15),
                CauseKind.TyreLow => (-6, 4),
                CauseKind.MountCrushed => (-8, 5),
                CauseKind.OtherCargo => (0, 8),
                _ => (0.0, 0.0),
            };
            var amount = mean + (sd * Normal());
            return
            [
                .. Corners.All.Select(c =>
                {
                    var (springs, plane) = (
                        Body.Response(Lip(c).X, Lip(c).Y),
                        Plane.Response(Lip(c).X, Lip(c).Y)
                    );
                    return cause.Kind switch
                    {
                        CauseKind.Nothing => 0,
                        CauseKind.Other => 15 * Normal(),
                        CauseKind.Slip => c.Name() == cause.Where ? amount : 0,
                        CauseKind.NotSeated => amount
                            * springs[
                                Array.IndexOf([.. Corners.All], Corners.Named(cause.Where)!.Value)
                            ],
                        CauseKind.TyreLow => amount
                            * plane[
                                Array.IndexOf([.. Corners.All], Corners.Named(cause.Where)!.Value)
                            ],
                        CauseKind.MountCrushed => amount
                            * (cause.Where == "left" ? plane[0] + plane[2] : plane[1] + plane[3]),
                        _ => amount
                            * (
                                cause.Where == "front"
                                    ? springs[0] + springs[1]
                                    : springs[2] + springs[3]
                            ),
                    };
                }),
            ];
        }

        double Normal() =>
            Math.Sqrt(-2 * Math.Log(1 - random.NextDouble()))
            * Math.Cos(2 * Math.PI * random.NextDouble());
    }

    [Fact]
    public void What_moves_the_lips_alike_is_one_class_and_a_single_reading_another()
    {
        // Both front lips high by the same: every cause of the axle, one class; none of them is told apart.
        var both = Causes.Of(Miss(12, 12, 0, 0));
        Assert.True(both.Named);
        var first = both.Classes[0];
        Assert.All(first.Causes, c => Assert.Equal("front", c.Where));
        Assert.Contains(first.Causes, c => c.Kind == CauseKind.LiftLine);
        Assert.Contains(first.Causes, c => c.Kind == CauseKind.NotSettled);
        Assert.All(
            first.Causes[0].Pattern.Where(p => Corners.AxleOf(p.Station) == Axle.Front),
            p => Assert.InRange(p.Mm, 9, 13)
        );

        // One lip alone, far off: the reading, because no spring moves one corner alone.
        var one = Causes.Of(Miss(0, 0, -25, 0));
        Assert.True(one.Named);
        Assert.Equal(
            (CauseKind.Slip, "LR"),
            (one.Classes[0].Causes[0].Kind, one.Classes[0].Causes[0].Where)
        );

        // One spring that stands high tilts the whole body.
        var spring = Body.Solve([10.0, 0, 0, 0]);
        var seated = Causes.Of(
            Miss([.. Corners.All.Select(c => spring.RiseAt(Lip(c).X, Lip(c).Y))])
        );
        Assert.Equal(
            (CauseKind.NotSeated, "LF"),
            (seated.Classes[0].Causes[0].Kind, seated.Classes[0].Causes[0].Where)
        );

        // As foretold: nothing is.
        Assert.Equal(CauseKind.Nothing, Causes.Of(Miss(1, -1, 0, 1)).Classes[0].Causes[0].Kind);
    }

    [Fact]
    public void What_cannot_be_on_this_vehicle_is_not_asked()
    {
        var plain = Kinds(Miss(9, 9, 0, 0));
        Assert.DoesNotContain(CauseKind.OtherLoad, plain);
        Assert.DoesNotContain(CauseKind.SaggedMore, plain);
        Assert.DoesNotContain(CauseKind.SidesSwapped, plain);
        Assert.DoesNotContain(CauseKind.TyreLow, plain);
        Assert.DoesNotContain(CauseKind.MountCrushed, plain);
        Assert.Equal(
            Enum.GetValues<CauseKind>(),
            Kinds(
                    Miss(9, 9, 0, 0) with
                    {
                        FromFloor = true,
                        OnMounts = true,
                        NewSprings = [Axle.Front],
                        LeftOver = a => a == Axle.Front ? 12 : 0,
                    }
                )
                .Distinct()
                .Order()
        );
        // Nothing was done at the rear.
        Assert.DoesNotContain(
            Causes.Of(Miss(9, 9, 0, 0)).Classes.SelectMany(c => c.Causes),
            c =>
                c
                    is {
                        Where: "rear" or "LR" or "RR",
                        Kind: not (CauseKind.NotSettled or CauseKind.Slip)
                    }
        );

        static CauseKind[] Kinds(Causes.Miss miss) =>
            [.. Causes.Of(miss).Classes.SelectMany(c => c.Causes).Select(c => c.Kind)];
    }

    [Fact]
    public void Rubber_that_was_tightened_hanging_and_a_vehicle_nobody_rolled_raise_their_causes()
    {
        var miss = Miss(6, 6, 0, 0);
        var usual = Causes.Of(miss);
        var hanging = Causes.Of(miss with { Hanging = [Axle.Front] });
        Assert.True(
            Of(hanging, CauseKind.TightenedHanging, "front").Chance
                > 2 * Of(usual, CauseKind.TightenedHanging, "front").Chance
        );
        var unrolled = Causes.Of(miss with { Settled = false });
        Assert.True(
            Of(unrolled, CauseKind.NotSettled, "front").Chance
                > Of(usual, CauseKind.NotSettled, "front").Chance
        );
    }

    [Fact]
    public void Swapped_sides_put_the_taller_part_on_the_other_side()
    {
        // The left front was to rise by 14 mm more than the right one.
        var swapped = Body.Solve([-14.0, 14, 0, 0]);
        var causes = Causes.Of(
            Miss([.. Corners.All.Select(c => swapped.RiseAt(Lip(c).X, Lip(c).Y))]) with
            {
                LeftOver = a => a == Axle.Front ? 14 : 0,
            }
        );
        var found = causes.Classes[0].Causes[0];
        Assert.Equal(CauseKind.SidesSwapped, found.Kind);
        // What it would have moved each lip by is what they are off by.
        Assert.Equal(Corners.All, found.Pattern.Select(p => p.Station));
        Assert.All(
            found.Pattern,
            p => Assert.Equal(swapped.RiseAt(Lip(p.Station).X, Lip(p.Station).Y), p.Mm, 0.01)
        );
    }

    [Fact]
    public void A_mirror_image_has_mirrored_causes()
    {
        var left = Causes.Of(Miss(-18, 3, 1, -2));
        var right = Causes.Of(Miss(3, -18, -2, 1));
        Assert.Equal(
            left.Classes.Select(c => Math.Round(c.Chance, 9)),
            right.Classes.Select(c => Math.Round(c.Chance, 9))
        );
    }

    [Fact]
    public void Stated_chances_are_right_as_often_as_they_say()
    {
        // Misses drawn by the priors themselves: where a class says 7 in 10, it is that in 7 of 10.
        var random = new Random(11);
        double Normal() =>
            Math.Sqrt(-2 * Math.Log(1 - random.NextDouble()))
            * Math.Cos(2 * Math.PI * random.NextDouble());
        var list = Causes.Of(Miss(0, 0, 0, 0)).Classes.SelectMany(c => c.Causes).ToArray();
        var (sum, right) = (new double[5], new double[5]);
        var count = new int[5];
        for (var k = 0; k < 1500; k++)
        {
            var pick = random.NextDouble();
            var truth = list.First(c => (pick -= c.Prior) <= 0);
            var amount = truth.Kind switch
            {
                CauseKind.NotSettled => 6 + (4 * Normal()),
                CauseKind.TightenedHanging => 5 + (3 * Normal()),
                CauseKind.LiftLine => 6 * Normal(),
                CauseKind.NotSeated => 8 + (5 * Normal()),
                CauseKind.OtherCargo => 8 * Normal(),
                _ => 15 * Normal(),
            };
            double[] read =
            [
                .. Corners.All.Select(c =>
                {
                    var springs = Body.Response(Lip(c).X, Lip(c).Y);
                    var by = truth.Kind switch
                    {
                        CauseKind.Nothing => 0,
                        CauseKind.Other => 15 * Normal(),
                        CauseKind.Slip => c.Name() == truth.Where ? amount : 0,
                        CauseKind.NotSeated => amount
                            * springs[
                                Array.IndexOf([.. Corners.All], Corners.Named(truth.Where)!.Value)
                            ],
                        _ => amount
                            * (
                                truth.Where == "front"
                                    ? springs[0] + springs[1]
                                    : springs[2] + springs[3]
                            ),
                    };
                    return by + (2 * Normal());
                }),
            ];
            foreach (var c in Causes.Of(Miss(read)).Classes)
            {
                var bin = Math.Min(4, (int)(5 * c.Chance));
                count[bin]++;
                sum[bin] += c.Chance;
                right[bin] += c.Causes.Any(x => x.Kind == truth.Kind && x.Where == truth.Where)
                    ? 1
                    : 0;
            }
        }
        for (var bin = 0; bin < 5; bin++)
        {
            Assert.True(count[bin] > 30);
            Assert.Equal(
                sum[bin] / count[bin],
                right[bin] / count[bin],
                3.5 * Math.Sqrt(0.25 / count[bin])
            );
        }
    }
}
