using CsCheck;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;
using static Nokko.Core.Suspension.StackAmounts;

namespace Nokko.Core.Tests.Suspension;

/// <summary>What a part adds in the lengths that the lift laws work on, with its ±, worked by hand.</summary>
public class StackAmountsTests
{
    private static PlacedPart Part(
        PartKind kind,
        double? thickness,
        params (string Name, double Value)[] sizes
    ) =>
        Sample.Plate(1, thickness, kind) with
        {
            Name = "the part",
            Dimensions = sizes.ToDictionary(
                s => s.Name,
                s => new Quantity
                {
                    Value = s.Value,
                    Unit = PartSizes.Find(s.Name)!.Unit,
                    Known = Known.Document,
                }
            ),
        };

    /// <summary>Twice the spring's length at the wheel, 4000 N on it.</summary>
    private static AxleState Axle(
        SuspensionKind kind,
        double? load = 4000,
        Estimate? sag = null,
        params (string Name, double Value, Known Known)[] sizes
    ) =>
        new(
            Nokko.Core.Vehicles.Axle.Front,
            new()
            {
                Kind = kind,
                Dimensions = sizes.ToDictionary(
                    s => s.Name,
                    s => new Quantity
                    {
                        Value = s.Value,
                        Unit = SuspensionSizes.Find(s.Name)!.Unit,
                        Known = s.Known,
                    }
                ),
            },
            new CornerLinkage(new ConstantRatio(2, 300), RatioGrade.Taped, new Estimate(2, 0.1)),
            load,
            null,
            sag
        );

    private static Share Of(PlacedPart part, AxleState axle)
    {
        Assert.Null(StackAmounts.Of(part, axle, out var shares));
        return Assert.Single(shares);
    }

    private static void Near(Share expected, Share got)
    {
        Assert.Equal((expected.Family, expected.Inside), (got.Family, got.Inside));
        Assert.Equal(expected.Mm, got.Mm, 5);
        Assert.Equal(expected.OwnU, got.OwnU, 5);
        Assert.Equal(expected.CommonU, got.CommonU, 5);
        Assert.Equal(expected.OtherVehicleU, got.OtherVehicleU, 5);
        Assert.Equal(expected.Sag?.Mean ?? double.NaN, got.Sag?.Mean ?? double.NaN, 5);
        Assert.Equal(expected.Sag?.Sd ?? double.NaN, got.Sag?.Sd ?? double.NaN, 5);
    }

    private static readonly (string, double, Known)[] Old =
    [
        (SuspensionSizes.SpringRate, 80, Known.Document),
        (SuspensionSizes.SpringFreeLength, 410, Known.Document),
    ];

    private static readonly PlacedPart Coil = Part(
        PartKind.Coil,
        null,
        (PartSizes.Rate, 100),
        (PartSizes.FreeLength, 400)
    );

    [Fact]
    public void A_coil_by_its_rate_and_free_length_against_the_one_that_is_in()
    {
        // 8000 N along it: 400 − 80 against 410 − 100. The rates to 3 %, the load to 5 %: √(2.4² + 3² + 1²).
        Near(
            new(LiftFamily.Spring, true, 10, 0, Math.Sqrt(15.76), new Estimate(2.5, 5)),
            Of(Coil, Axle(SuspensionKind.CoilOverArm, sizes: Old))
        );
        // Taped off the vehicle, its free length holds the sag already.
        (string, double, Known)[] taped =
        [
            Old[0],
            (SuspensionSizes.SpringFreeLength, 410, Known.Measured),
        ];
        Assert.Null(Of(Coil, Axle(SuspensionKind.CoilOverArm, sizes: taped)).Sag);
        Assert.Contains(
            "enter the axle's mass",
            StackAmounts.Of(Coil, Axle(SuspensionKind.CoilOverArm, null, null, Old), out _),
            StringComparison.Ordinal
        );
    }

    private static readonly PlacedPart Lifted = Part(
        PartKind.Coil,
        null,
        (PartSizes.Rate, 120),
        (PartSizes.DesignLift, 50),
        (PartSizes.DesignLoad, 5000)
    );

    private static readonly (string, double, Known)[] WheelRate =
    [
        (SuspensionSizes.WheelRate, 25, Known.Measured),
    ];

    [Fact]
    public void A_maker_s_lift_at_another_load_carries_what_nobody_knows_of_its_vehicle()
    {
        // 120 along the coil are 30 at the wheel: 50 + 1000·(1/30 − 1/25). Unknown vehicle: the 1000 N on the old spring are 40 mm.
        var axle = Axle(SuspensionKind.CoilOverArm, sizes: WheelRate);
        Near(
            new(
                LiftFamily.Wheel,
                false,
                43.33333,
                0,
                Math.Sqrt(4 + 1.777778 + 36 + 1600),
                new Estimate(2.5, 5),
                40
            ),
            Of(Lifted, axle)
        );
        Assert.Equal(40, OtherVehicleUMm(Lifted, axle), 9);
        var known = Lifted with { MadeFor = "2.4 diesel" };
        Near(
            new(
                LiftFamily.Wheel,
                false,
                43.33333,
                0,
                Math.Sqrt(4 + 1.777778 + 36),
                new Estimate(2.5, 5)
            ),
            Of(known, axle)
        );
        Assert.Equal(0, OtherVehicleUMm(known, axle), 9);
    }

    [Fact]
    public void Against_standard_height_what_the_load_does_to_the_old_spring_is_measured_with_it()
    {
        var axle = Axle(SuspensionKind.CoilOverArm, sizes: WheelRate) with
        {
            BelowStandard = new Estimate(30, 2),
        };
        // Only the new spring's own give is left: 0.05·4000/30. The sag: 30 − (4000 − 5000)/25.
        Near(
            new(
                LiftFamily.Wheel,
                false,
                43.33333,
                0,
                Math.Sqrt(4 + 44.444444),
                new Estimate(70, 2)
            ),
            Of(Lifted with { MadeFor = "2.4 diesel" }, axle)
        );
        // What somebody entered goes before the height.
        Near(
            new(
                LiftFamily.Wheel,
                false,
                43.33333,
                0,
                Math.Sqrt(4 + 1.777778 + 36),
                new Estimate(12, 5)
            ),
            Of(Lifted with { MadeFor = "2.4 diesel" }, axle with { Sag = new Estimate(12, 5) })
        );
    }

    [Fact]
    public void A_leaf_pack_s_rate_is_the_wheel_s_own()
    {
        var pack = Lifted with { Kind = PartKind.LeafPack, MadeFor = "2.4 diesel" };
        // 120 at the wheel: 50 + 1000·(1/120 − 1/25).
        Assert.Equal(
            50 + (1000 * ((1 / 120.0) - (1 / 25.0))),
            Of(pack, Axle(SuspensionKind.LeafOverslung, sizes: WheelRate)).Mm,
            9
        );
    }

    [Theory]
    [InlineData(false, "needs its rate with its free length")]
    [InlineData(true, "has a claim but no load to it")]
    public void A_spring_of_which_nothing_is_known_says_what_it_needs(bool claim, string says)
    {
        var bare = Sample.Plate(1, null, PartKind.Coil, claim ? 50 : null);
        Assert.Contains(
            says,
            StackAmounts.Of(bare, Axle(SuspensionKind.CoilOverArm), out var shares),
            StringComparison.Ordinal
        );
        Assert.Empty(shares);
    }

    [Theory]
    [InlineData(false, "Nobody has measured how thick")]
    [InlineData(true, "has a claim but no thickness")]
    public void A_plate_of_which_nothing_is_known_says_so(bool claim, string says) =>
        Assert.Contains(
            says,
            StackAmounts.Of(
                Sample.Plate(1, null, claim: claim ? 50 : null),
                Axle(SuspensionKind.CoilOverArm),
                out _
            ),
            StringComparison.Ordinal
        );

    [Theory]
    [InlineData(Known.Measured, 0.2)]
    [InlineData(Known.Box, 1)]
    public void A_thickness_is_as_sure_as_it_is_known(Known known, double u)
    {
        var plate = Sample.Plate(1, 20) with { Thickness = Sample.Mm(20, known) };
        Near(new(LiftFamily.Spring, false, 20, u), Of(plate, Axle(SuspensionKind.CoilOverArm)));
    }

    [Fact]
    public void Lowered_pivots_act_at_the_wheel_and_take_from_the_strut_by_its_lean()
    {
        var bracket = Part(PartKind.DropBracket, 50);
        var axle = Axle(
            SuspensionKind.CoilOverArm,
            sizes: [(SuspensionSizes.SpringLean, 30, Known.Measured)]
        );
        Assert.Null(StackAmounts.Of(bracket, axle, out var shares));
        Assert.Equal(2, shares.Count);
        Near(new(PartRule.Of(PartKind.DropBracket).Family, false, 50, 0.2), shares[0]);
        Near(new(LiftFamily.Spring, false, -50 * Math.Cos(Math.PI / 6), 0), shares[1]);
        Assert.False(GivesSagBack(bracket, axle));
    }

    [Fact]
    public void A_new_mount_gives_back_what_the_old_one_is_crushed_by()
    {
        var mount = Part(PartKind.BodyMount, 42);
        // Taped: new less found, each to a millimetre.
        Near(
            new(LiftFamily.Puck, false, 11, 1, 1),
            Of(
                mount,
                Axle(
                    SuspensionKind.CoilOverArm,
                    sizes: [(SuspensionSizes.MountFound, 31, Known.Measured)]
                )
            )
        );
        // Not taped: 5 ± 5, half of the variance its own.
        Near(
            new(LiftFamily.Puck, false, 5, Math.Sqrt(12.5), Math.Sqrt(12.5)),
            Of(mount, Axle(SuspensionKind.CoilOverArm))
        );
        Assert.Equal(3, KeptMountUMm(Axle(SuspensionKind.CoilOverArm)));
        Assert.Equal(
            1,
            KeptMountUMm(
                Axle(
                    SuspensionKind.CoilOverArm,
                    sizes: [(SuspensionSizes.MountFound, 31, Known.Measured)]
                )
            )
        );
    }

    [Fact]
    public void A_shackle_whose_pivot_nobody_saw_is_asked_about_on_its_axle()
    {
        var shackle = Part(PartKind.Shackle, 40);
        Assert.Contains(
            "Say under Vehicle whether the front shackle's pivot",
            StackAmounts.Of(shackle, Axle(SuspensionKind.LeafOverslung), out _),
            StringComparison.Ordinal
        );
    }

    // --- the shackle's own geometry -----------------------------------------------------------------

    [Fact]
    public void A_longer_shackle_turns_the_chord_by_the_worked_number()
    {
        // Eye on the circle of 1200 about the fixed eye and of 140 about (1200, 100): y = −39.9974.
        var move = LeafShackle.Move(new LeafGeometry(1200, 0, 100, 0, 0.5), 140, 0)!.Value;
        Assert.Equal(19.9987, move.LiftMm, 3);
        Assert.Equal(Math.Asin(39.9974 / 1200), move.ChordTurnRad, 5);
        Assert.Equal(Math.Atan2(-0.6669, 139.9974), move.ShackleAngleRad, 5);
    }

    [Fact]
    public void Wherever_a_shackle_hangs_its_new_eye_is_on_both_circles_and_the_axle_where_they_put_it() =>
        Gen.Select(
                Gen.Double[900, 1400],
                Gen.Double[-60, 120],
                Gen.Double[70, 150],
                Gen.Double[-0.5, 0.5],
                Gen.Double[0.3, 0.7],
                Gen.Bool,
                Gen.Double[-20, 40],
                Gen.Double[-15, 15]
            )
            .Sample(
                (chord, arch, shackle, angle, share, tension, longer, arched) =>
                {
                    var leaf = new LeafGeometry(chord, arch, shackle, angle, share, tension);
                    if (LeafShackle.Move(leaf, shackle + longer, arch + arched) is not { } move)
                    {
                        return;
                    }
                    // Length along the leaf stays: L = c + 8a²/(3L).
                    var along = (chord + Math.Sqrt((chord * chord) + (32 * arch * arch / 3))) / 2;
                    var next = along - (8 * (arch + arched) * (arch + arched) / (3 * along));
                    // The pivot above the eye, or below it.
                    var hangs = tension ? -1 : 1;
                    var pivotX = chord - (shackle * Math.Sin(angle));
                    var pivotZ = hangs * shackle * Math.Cos(angle);
                    var turn = -move.ChordTurnRad;
                    var (eyeX, eyeZ) = (next * Math.Cos(turn), next * Math.Sin(turn));
                    Assert.Equal(
                        shackle + longer,
                        Math.Sqrt(Math.Pow(eyeX - pivotX, 2) + Math.Pow(eyeZ - pivotZ, 2)),
                        1e-6
                    );
                    Assert.Equal(
                        eyeX,
                        pivotX + ((shackle + longer) * Math.Sin(move.ShackleAngleRad)),
                        1e-6
                    );
                    Assert.Equal(
                        eyeZ,
                        pivotZ - (hangs * (shackle + longer) * Math.Cos(move.ShackleAngleRad)),
                        1e-6
                    );
                    var axle = (share * next * Math.Sin(turn)) - ((arch + arched) * Math.Cos(turn));
                    Assert.Equal(-arch - axle, move.LiftMm, 1e-6);
                }
            );

    [Fact]
    public void A_shackle_that_cannot_reach_is_no_move() =>
        // An arch of 400 takes more than 300 mm from the chord.
        Assert.Null(LeafShackle.Move(new LeafGeometry(1200, 0, 40, 0, 0.5), 40, 400));

    // --- sag ----------------------------------------------------------------------------------------

    [Fact]
    public void Sag_by_standard_height_is_corrected_to_the_load_it_was_meant_for_or_wider_without_one()
    {
        var below = new Estimate(20, 3);
        Assert.Equal(
            new Estimate(20 - (500 / 25.0), 3),
            SpringSag.ByStandardHeight(below, 5500, 5000, 25)
        );
        // Unknown: within a tenth of the load, 0.1·5500/25 = 22 mm beside its own 3.
        var loose = SpringSag.ByStandardHeight(below, 5500, null, 25);
        Assert.Equal(20, loose.Mean, 9);
        Assert.Equal(Math.Sqrt(9 + (22 * 22)), loose.Sd, 9);
    }

    [Fact]
    public void Sag_is_what_was_entered_else_by_height_else_by_age()
    {
        var axle = Axle(SuspensionKind.CoilOverArm, sizes: WheelRate) with { OdometerKm = 200_000 };
        // 5 + 3·2 = 11, half of it the mean.
        Assert.Equal(new Estimate(5.5, 11), SpringSag.Of(axle, 5000));
        var stood = axle with { BelowStandard = new Estimate(10, 2) };
        Assert.Equal(new Estimate(50, 2), SpringSag.Of(stood, 5000));
        Assert.Equal(
            new Estimate(7, 1),
            SpringSag.Of(stood with { Sag = new Estimate(7, 1) }, 5000)
        );
        // Without a load or a rate the height tells nothing.
        Assert.Equal(new Estimate(5.5, 11), SpringSag.Of(stood with { WheelLoadN = null }, 5000));
    }
}
