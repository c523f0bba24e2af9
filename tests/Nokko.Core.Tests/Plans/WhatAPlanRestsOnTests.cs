using System.Globalization;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Plans;

/// <summary>What a plan says that it rests on and needs beside it: neither more nor less than is so.</summary>
public class WhatAPlanRestsOnTests
{
    private static Prediction Predict(Vehicle vehicle, params (Corner, PlacedPart)[] parts) =>
        StacksTests.Predict(Sample.Plan(parts), vehicle);

    private static (Corner, PlacedPart)[] Pair(Axle axle, PlacedPart left, PlacedPart right) =>
        [(Corners.Of(axle)[0], left), (Corners.Of(axle)[1], right with { Id = Sample.Id(950) })];

    private static Companion[] UBolts(Prediction p) =>
        [.. p.Companions.Where(c => c.What.StartsWith("New U-bolts", StringComparison.Ordinal))];

    [Fact]
    public void U_bolts_are_new_where_block_or_leaf_pack_change_and_told_by_the_taller_block()
    {
        var leaf = StacksTests.On(
            StacksTests.Of(SuspensionKind.CoilOverArm),
            StacksTests.Of(SuspensionKind.LeafOverslung)
        );
        var bolts = Assert.Single(
            UBolts(
                Predict(
                    leaf,
                    Pair(
                        Axle.Rear,
                        StacksTests.Part(1, PartKind.Block, 40),
                        StacksTests.Part(2, PartKind.Block, 60)
                    )
                )
            )
        );
        Assert.Equal("New U-bolts, longer by the block", bolts.What);
        Assert.Equal(
            $"they are never used again; {LengthText.Both(60)} go between leaf and axle",
            bolts.Why
        );
        var shim = StacksTests.Part(1, PartKind.AxleShim, null, [(PartSizes.Taper, 2)]);
        Assert.Empty(UBolts(Predict(leaf, Pair(Axle.Rear, shim, shim))));
    }

    [Fact]
    public void U_bolts_around_a_pack_whose_leaves_are_known_are_told_by_their_length()
    {
        var leaf = StacksTests.On(
            StacksTests.Of(SuspensionKind.CoilOverArm),
            StacksTests.Of(SuspensionKind.LeafOverslung, (SuspensionSizes.LeafArch, 40))
        );
        static Leaf Leaf(double half) =>
            new()
            {
                FrontMm = half,
                RearMm = half,
                WidthMm = 60,
                ThicknessMm = 8,
                ArchMm = 120 * half * half / 360_000,
            };
        var known = StacksTests.Part(1, PartKind.LeafPack, null, (PartSizes.Rate, 60)) with
        {
            Leaves = [Leaf(600), Leaf(500), Leaf(400)],
        };
        var block = StacksTests.Part(2, PartKind.Block, 40);
        // Three leaves of 8, the block, plate 12, nut 13 and three threads of 1.5.
        Assert.Equal(
            $"New U-bolts, at least {LengthText.Both(24 + 40 + 12 + 13 + 4.5)} inside from the axle's crown",
            Assert.Single(UBolts(With(known, block))).What
        );
        Assert.Equal(
            $"New U-bolts, at least {LengthText.Both(24 + 12 + 13 + 4.5)} inside from the axle's crown",
            Assert.Single(UBolts(With(known))).What
        );
        // They are new however little it lifts.
        Assert.Single(UBolts(With(StacksTests.Part(2, PartKind.Block, 5))));

        Prediction With(params PlacedPart[] parts) =>
            Predict(
                leaf,
                [
                    .. Corners
                        .Of(Axle.Rear)
                        .SelectMany(
                            (c, i) =>
                                parts.Select(
                                    (p, j) => (c, p with { Id = Sample.Id(960 + (10 * i) + j) })
                                )
                        ),
                ]
            );
    }

    [Theory]
    [InlineData(SuspensionKind.CoilOverArm, 1)]
    [InlineData(SuspensionKind.CoilFourLink, 0)]
    public void Toe_and_camber_are_asked_for_where_height_moves_them_and_no_part_does_it(
        SuspensionKind front,
        int times
    )
    {
        var plate = StacksTests.Part(
            1,
            front == SuspensionKind.CoilOverArm ? PartKind.StrutTopSpacer : PartKind.CoilSpacer,
            20
        );
        var asked = Predict(
            StacksTests.On(StacksTests.Of(front), StacksTests.Of(SuspensionKind.LeafOverslung)),
            Pair(Axle.Front, plate, plate)
        )
            .Companions.Where(c => c.What == "Toe and camber at the alignment shop")
            .ToArray();
        Assert.Equal(times, asked.Length);
        Assert.All(asked, c => Assert.False(c.Placed));
    }

    [Fact]
    public void What_ends_a_little_droop_is_named()
    {
        var corner = Predict(
            StacksTests.On(
                StacksTests.Of(
                    SuspensionKind.CoilFourLink,
                    (SuspensionSizes.ShockLength, 470),
                    (SuspensionSizes.ShockExtended, 520),
                    (SuspensionSizes.ShockCollapsed, 345)
                )
            ),
            Pair(
                Axle.Front,
                StacksTests.Part(1, PartKind.CoilSpacer, 30),
                StacksTests.Part(2, PartKind.CoilSpacer, 30)
            )
        )
            .Corners.First(c => c.Corner == Corner.LF);
        Assert.Contains(
            corner.Cautions,
            c =>
                c.Says
                == $"Only {LengthText.Both(corner.Droop.Value!.Value)} of droop is left (shock at full length): it tops out early and rides hard."
        );
    }

    [Fact]
    public void A_joint_s_angle_is_known_by_four_millimetres_over_the_run()
    {
        var corner = Predict(
            StacksTests.On(
                StacksTests.Of(
                    SuspensionKind.MultiLink,
                    (SuspensionSizes.CvDrop, 20),
                    (SuspensionSizes.CvRun, 400)
                )
            ),
            Pair(
                Axle.Front,
                StacksTests.Part(1, PartKind.CoilSpacer, 20),
                StacksTests.Part(2, PartKind.CoilSpacer, 20)
            )
        )
            .Corners.First(c => c.Corner == Corner.LF);
        Assert.Equal(4.0 / 400 * 180 / Math.PI, corner.CvRide.U!.Value, 1e-9);
    }

    [Theory]
    [InlineData(20, 0.5)]
    [InlineData(30, 0.75)]
    public void Plates_use_of_their_maker_s_most_what_they_are_thick(double mm, double share)
    {
        var plate = StacksTests.Part(1, PartKind.CoilSpacer, mm, [(PartSizes.MaxStack, 40)]);
        var corner = Predict(
            StacksTests.On(StacksTests.Of(SuspensionKind.CoilFourLink)),
            Pair(Axle.Front, plate, plate)
        )
            .Corners.First(c => c.Corner == Corner.LF);
        var use = Assert.Single(corner.Uses, u => u.What == "its maker's most");
        Assert.Equal(share, use.Share, 1e-9);
        Assert.True(use.Hard);
    }

    [Fact]
    public void A_height_rests_on_its_readings_and_the_parts_a_rise_on_the_parts_alone()
    {
        var plate = StacksTests.Part(1, PartKind.CoilSpacer, 20) with { PartId = Sample.Id(77) };
        var vehicle = StacksTests.On(StacksTests.Of(SuspensionKind.CoilFourLink));
        var stance = Sample.Stance(vehicle);
        var prediction = Predict(vehicle, Pair(Axle.Front, plate, plate));
        var height = prediction.Stations.First(s => s.Station == "LF");
        Assert.Superset(
            stance.At("LF")!.Height.RestsOn.ToHashSet(),
            height.Height.RestsOn.ToHashSet()
        );
        Assert.Contains(Sample.Id(77), height.Height.RestsOn);
        Assert.Superset(stance.Rake.RestsOn.ToHashSet(), prediction.Rake.RestsOn.ToHashSet());
        Assert.Contains(Sample.Id(77), prediction.FrontRise.RestsOn);
        Assert.Empty(
            prediction.FrontRise.RestsOn.Intersect(
                stance.Stations.SelectMany(s => s.Height.RestsOn)
            )
        );
    }

    [Fact]
    public void Sizes_that_were_guessed_are_counted_and_those_of_a_document_are_none()
    {
        string? Counted(params Known[] known)
        {
            var vehicle = StacksTests.On(StacksTests.Of(SuspensionKind.CoilFourLink));
            var sizes = vehicle.Dimensions.Named().Where(n => n.Value is not null).ToArray();
            Assert.True(sizes.Length >= known.Length);
            var dimensions = vehicle.Dimensions;
            Quantity As(Quantity q, int i) =>
                q with
                {
                    Known = i < known.Length ? known[i] : Known.Measured,
                };
            var d = vehicle.Dimensions;
            dimensions = d with
            {
                Wheelbase = As(d.Wheelbase!, 0),
                FrontTrack = As(d.FrontTrack!, 1),
                RearTrack = As(d.RearTrack!, 2),
                FrontAxleMass = As(d.FrontAxleMass!, 3),
                RearAxleMass = As(d.RearAxleMass!, 3),
                FrontUnsprungShare = As(d.FrontUnsprungShare!, 3),
                RearUnsprungShare = As(d.RearUnsprungShare!, 3),
            };
            var guessed = dimensions
                .Named()
                .Count(n =>
                    n.Value
                        is {
                            Known: Known.Archetype
                                or Known.ByEye
                                or Known.Estimated
                                or Known.Told
                                or Known.Box
                                or Known.Computed
                        }
                );
            var basis = Predict(
                vehicle with
                {
                    Dimensions = dimensions,
                },
                Pair(
                    Axle.Front,
                    StacksTests.Part(1, PartKind.CoilSpacer, 20),
                    StacksTests.Part(2, PartKind.CoilSpacer, 20)
                )
            ).Basis;
            var line = basis.SingleOrDefault(b =>
                b.EndsWith("sizes are estimated.", StringComparison.Ordinal)
            );
            Assert.Equal(
                guessed == 0 ? null : $"{guessed} of this vehicle's sizes are estimated.",
                line
            );
            return line;
        }
        Counted();
        Assert.Equal(Counted(Known.Document, Known.Document), Counted());
        Assert.NotEqual(Counted(Known.Told, Known.Told), Counted());
    }

    [Fact]
    public void A_usual_linkage_says_its_ratio_with_twice_its_standard_uncertainty()
    {
        var suspension = StacksTests.Of(
            SuspensionKind.CoilFourLink,
            (SuspensionSizes.SpringLean, 3)
        );
        var ratio = CornerLinkage.Of(suspension);
        var plate = StacksTests.Part(1, PartKind.CoilSpacer, 20);
        var basis = Predict(StacksTests.On(suspension), Pair(Axle.Front, plate, plate)).Basis;
        Assert.Contains(
            basis,
            b =>
                b.Contains(
                    string.Create(
                        CultureInfo.InvariantCulture,
                        $"{ratio.Ratio.Mean:0.00} ± {2 * ratio.Ratio.Sd:0.00}"
                    ),
                    StringComparison.Ordinal
                )
        );
    }

    [Fact]
    public void An_axle_that_holds_its_height_speaks_of_no_ratio_though_a_plate_is_in()
    {
        var plate = StacksTests.Part(1, PartKind.CoilSpacer, 20);
        string[] Basis(HeightControl? held) =>
            [
                .. Predict(
                    StacksTests.On(
                        rear: StacksTests.Of(SuspensionKind.CoilFourLink) with
                        {
                            HeightControl = held,
                        }
                    ),
                    Pair(Axle.Rear, plate, plate)
                ).Basis,
            ];
        Assert.Contains(Basis(null), b => b.StartsWith("Lift ratio", StringComparison.Ordinal));
        Assert.DoesNotContain(
            Basis(HeightControl.OneSensor),
            b => b.StartsWith("Lift ratio", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void Nobody_can_tell_what_an_unknown_part_does_and_it_says_which_and_where()
    {
        var odd = StacksTests.Part(1, PartKind.Unknown, null) with { Name = "odd lump" };
        Assert.Equal(
            "What odd lump does on the left front cannot be foretold.",
            Predict(
                StacksTests.On(StacksTests.Of(SuspensionKind.CoilFourLink)),
                (Corner.LF, odd)
            ).Cannot
        );
    }

    [Fact]
    public void With_a_trailer_on_it_stands_as_with_the_same_load_that_stays_and_only_what_the_load_adds_is_uncertain()
    {
        var vehicle = StacksTests.On(StacksTests.Of(SuspensionKind.CoilFourLink));
        var plan = StacksTests.Both(Axle.Front, StacksTests.Part(1, PartKind.CoilSpacer, 20));
        Prediction With(params StatedLoad[] loads) =>
            Predictor.Predict(
                plan,
                new Situation(
                    Sample.AsFound with
                    {
                        Front = vehicle.Front,
                        Rear = vehicle.Rear,
                    },
                    vehicle,
                    Sample.Stance(vehicle)
                )
                {
                    Loads = loads,
                }
            );
        var bar = new StatedLoad
        {
            Id = Sample.Id(60),
            Name = "trailer on the bar",
            Mass = Sample.Of(120, Unit.Kg),
            Behind = Sample.Mm(4200),
        };
        var (bare, loaded, stays) = (With(), With(bar).Loaded!, With(bar with { Stays = true }));
        foreach (
            var (less, with, without) in ((Result, Result, Result)[])
                [
                    (loaded.FrontRise, stays.FrontRise, bare.FrontRise),
                    (loaded.RearRise, stays.RearRise, bare.RearRise),
                ]
        )
        {
            Assert.Equal(with.Value!.Value - without.Value!.Value, less.Value!.Value, 1e-9);
            Assert.Equal(
                Math.Sqrt(
                    Math.Max(
                        0,
                        (with.U!.Value * with.U.Value) - (without.U!.Value * without.U.Value)
                    )
                ),
                less.U!.Value,
                1e-9
            );
        }
        Assert.True(loaded.FrontRise.Value > 0 && loaded.RearRise.Value < 0);
    }
}
