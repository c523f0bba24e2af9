using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Plans;

/// <summary>What each kind of part does on each kind of suspension.</summary>
public class StacksTests
{
    internal static Nokko.Core.Vehicles.Suspension Of(
        SuspensionKind kind,
        params (string Name, double Value)[] sizes
    ) =>
        new()
        {
            Kind = kind,
            ShacklePivot = kind.IsLeaf() ? ShacklePivot.AboveEye : null,
            Dimensions = sizes.ToDictionary(
                s => s.Name,
                s => new Quantity
                {
                    Value = s.Value,
                    Unit = SuspensionSizes.Find(s.Name)!.Unit,
                    Known = Known.Measured,
                }
            ),
        };

    /// <summary>Points of a kind as they were taped, across or along as it is seen, mm.</summary>
    internal static IReadOnlyList<SuspensionPoint> Points(
        SuspensionKind kind,
        params (double Across, double Up)[] points
    )
    {
        var archetype = Archetype.Of(kind)!;
        var along = archetype.View == PlaneView.Along;
        return
        [
            .. archetype.Points.Zip(
                points,
                (point, p) =>
                    new SuspensionPoint
                    {
                        Name = point.Name,
                        X = along ? Sample.Mm(p.Across) : null,
                        Y = along ? null : Sample.Mm(p.Across),
                        Z = Sample.Mm(p.Up),
                    }
            ),
        ];
    }

    internal static Vehicle On(
        Nokko.Core.Vehicles.Suspension? front = null,
        Nokko.Core.Vehicles.Suspension? rear = null
    ) =>
        Sample.Pickup with
        {
            Front = front ?? Sample.Pickup.Front,
            Rear = rear ?? Sample.Pickup.Rear,
            Dimensions = Sample.Sizes with { FrontSpringBase = Sample.Mm(1000) },
        };

    internal static PlacedPart Part(
        int id,
        PartKind kind,
        double? thickness = null,
        params (string Name, double Value)[] sizes
    ) =>
        Sample.Plate(id, thickness, kind) with
        {
            Name = $"{kind} {id}",
            Dimensions = sizes.ToDictionary(
                s => s.Name,
                s => new Quantity
                {
                    Value = s.Value,
                    Unit = PartSizes.Find(s.Name)!.Unit,
                    Known = Known.Box,
                }
            ),
        };

    internal static Plan Both(Axle axle, params PlacedPart[] parts) =>
        Sample.Plan() with
        {
            Stacks =
            [
                .. Corners
                    .Of(axle)
                    .Select(
                        (c, i) =>
                            new CornerStack
                            {
                                Corner = c,
                                Parts =
                                [
                                    .. parts.Select(
                                        (p, j) => p with { Id = Sample.Id(700 + (10 * i) + j) }
                                    ),
                                ],
                            }
                    ),
            ],
        };

    internal static Prediction Predict(
        Plan plan,
        Vehicle vehicle,
        Stage? from = null,
        IReadOnlyList<StatedLoad>? loads = null,
        WalkRoundStance? standard = null
    ) =>
        Predictor.Predict(
            plan,
            new Situation(from ?? Sample.AsFound, vehicle, Sample.Stance(vehicle))
            {
                Loads = loads ?? [],
                Standard = standard,
            }
        );

    private static double Front(Vehicle vehicle, params PlacedPart[] parts) =>
        Predict(Both(Axle.Front, parts), vehicle).FrontRise.Value!.Value;

    private static double Rear(Vehicle vehicle, params PlacedPart[] parts) =>
        Predict(Both(Axle.Rear, parts), vehicle).RearRise.Value!.Value;

    [Fact]
    public void Top_lower_preload_and_collar_of_one_thickness_give_one_height()
    {
        var vehicle = On();
        var top = Front(vehicle, Part(1, PartKind.StrutTopSpacer, 20));
        Assert.Equal(top, Front(vehicle, Part(1, PartKind.StrutLowerSpacer, 20)), 9);
        Assert.Equal(top, Front(vehicle, Part(1, PartKind.PreloadSpacer, 20)), 9);
        Assert.Equal(top, Front(vehicle, Part(1, PartKind.RaisedCollar, 20)), 9);
        // Both together share the offset of bushings that settle.
        Assert.Equal(
            Front(vehicle, Part(1, PartKind.StrutTopSpacer, 35)),
            Front(
                vehicle,
                Part(1, PartKind.StrutTopSpacer, 20),
                Part(2, PartKind.PreloadSpacer, 15)
            ),
            9
        );
    }

    [Fact]
    public void A_drop_bracket_kit_lifts_one_to_one()
    {
        var vehicle = On(Of(SuspensionKind.CoilOverArm, (SuspensionSizes.SpringLean, 0)));
        // Pivots and strut go down by the same: no arm turns, nothing is multiplied, no bushing settles.
        Assert.Equal(
            50,
            Front(vehicle, Part(1, PartKind.DropBracket, 50), Part(2, PartKind.StrutTopSpacer, 50)),
            9
        );
        // The strut left as it was: the pivots alone turn the arms the other way.
        Assert.True(Front(vehicle, Part(1, PartKind.DropBracket, 50)) < 0);
    }

    [Fact]
    public void A_subframe_and_a_leaning_strut_match_by_the_cosine_of_the_lean()
    {
        const double lean = 9;
        var vehicle = On(Of(SuspensionKind.Strut, (SuspensionSizes.SpringLean, lean)));
        var matched = 30 * Math.Cos(double.DegreesToRadians(lean));
        Assert.Equal(
            30,
            Front(
                vehicle,
                Part(1, PartKind.SubframeBlock, 30),
                Part(2, PartKind.StrutTopSpacer, matched)
            ),
            9
        );
    }

    [Theory]
    [InlineData(SuspensionKind.CoilFourLink, 1.0)]
    [InlineData(SuspensionKind.CoilRadiusArm, 1.05)]
    [InlineData(SuspensionKind.MultiLink, 1.45)]
    [InlineData(SuspensionKind.TransverseLeaf, 1.65)]
    public void A_ring_under_a_coil_follows_the_rule_of_thumb_of_its_architecture(
        SuspensionKind kind,
        double ratio
    ) => Assert.Equal(20 * ratio, Front(On(Of(kind)), Part(1, PartKind.CoilSpacer, 20)), 9);

    [Fact]
    public void A_strut_type_lifts_by_about_one_and_a_live_axle_by_one()
    {
        Assert.Equal(
            1.07 * 20,
            Front(On(Of(SuspensionKind.Strut)), Part(1, PartKind.StrutTopSpacer, 20)),
            9
        );
        Assert.Equal(25.4, Rear(On(), Part(1, PartKind.Block, 25.4)), 9);
    }

    [Fact]
    public void A_ring_with_level_faces_lifts_by_its_height_whatever_the_coils_lean()
    {
        var vehicle = On(Of(SuspensionKind.CoilFourLink, (SuspensionSizes.SpringLean, 15)));
        var square = Front(vehicle, Part(1, PartKind.CoilSpacer, 10));
        // Level faces on a coil that leans: the plate lengthens it by its cosine only.
        Assert.Equal(
            square * Math.Cos(double.DegreesToRadians(15)),
            Front(vehicle, Part(1, PartKind.CoilSpacer, 10, (PartSizes.FaceLean, 15))),
            0.01
        );
        // Upright links apart, 1/cos of the lean.
        Assert.Equal(10 / Math.Cos(double.DegreesToRadians(15)), square, 0.3);
    }

    [Fact]
    public void A_shackle_lifts_by_half_and_by_its_geometry_once_that_is_taped()
    {
        var shackle = Part(1, PartKind.Shackle, 40);
        Assert.Equal(20, Rear(On(), shackle), 9);
        var taped = On(
            rear: Of(
                SuspensionKind.LeafOverslung,
                (SuspensionSizes.LeafChord, 1200),
                (SuspensionSizes.LeafArch, 0),
                (SuspensionSizes.ShackleLength, 100),
                (SuspensionSizes.ShackleAngle, 30)
            )
        );
        Assert.Equal(22.24, Rear(taped, shackle), 2);
        Assert.True(
            Predict(Both(Axle.Rear, shackle), taped).RearRise.U
                < Predict(Both(Axle.Rear, shackle), On()).RearRise.U
        );
    }

    [Fact]
    public void New_body_mounts_give_back_what_the_old_ones_are_crushed_by()
    {
        Plan All(Func<int, PlacedPart[]> parts) =>
            Sample.Plan() with
            {
                Stacks =
                [
                    .. Corners.All.Select(
                        (c, i) => new CornerStack { Corner = c, Parts = parts(10 * i) }
                    ),
                ],
            };
        var renewed = All(i => [Part(60 + i, PartKind.BodyMount)]);
        var both = All(i =>
            [Part(60 + i, PartKind.BodyMount), Part(61 + i, PartKind.BodyPuck, 25.4)]
        );
        // Nobody taped the old ones: 5 ± 5 mm, half of its variance common to all four.
        var p = Predict(renewed, On());
        Assert.Equal(5, p.FrontRise.Value!.Value, 9);
        Assert.Equal(Math.Sqrt((12.5 / 2) + 12.5), p.FrontRise.U!.Value, 9);
        // What is common lifts the whole body: the rake knows only each mount's own.
        var level = WithRake(p);
        Assert.Equal(Math.Sqrt(12.5), level, 0.01);
        // A puck beside a new mount: no old one goes in again.
        var puck = Predict(both, On());
        Assert.Equal(30.4, puck.FrontRise.Value!.Value, 9);
        Assert.Equal(Math.Sqrt(((12.5 + 0.04) / 2) + 12.5), puck.FrontRise.U!.Value, 9);
        // Taped, old and new.
        var found = Of(SuspensionKind.CoilOverArm, (SuspensionSizes.MountFound, 31));
        var taped = Predict(
            All(i => [Part(60 + i, PartKind.BodyMount, 38)]),
            On(found, Of(SuspensionKind.LeafOverslung, (SuspensionSizes.MountFound, 35)))
        );
        Assert.Equal(7, taped.FrontRise.Value!.Value, 9);
        Assert.Equal(3, taped.RearRise.Value!.Value, 9);
        Assert.Equal(Math.Sqrt(1.5), taped.FrontRise.U!.Value, 9);

        double WithRake(Prediction of) =>
            Math.Sqrt(
                Math.Pow(of.Rake.U!.Value, 2)
                    - Math.Pow(Predict(Sample.Plan(), On()).Rake.U!.Value, 2)
            );
    }

    [Fact]
    public void A_longer_shackle_that_is_pulled_lowers_and_nobody_is_assumed_to_know()
    {
        var shackle = Part(1, PartKind.Shackle, 40);
        var taped = Of(
            SuspensionKind.LeafOverslung,
            (SuspensionSizes.LeafChord, 1200),
            (SuspensionSizes.LeafArch, 0),
            (SuspensionSizes.ShackleLength, 100)
        );
        Nokko.Core.Vehicles.Suspension[] rears = [Of(SuspensionKind.LeafOverslung), taped];
        foreach (var rear in rears)
        {
            var above = Predict(Both(Axle.Rear, shackle), On(rear: rear)).RearRise;
            var below = Predict(
                Both(Axle.Rear, shackle),
                On(rear: rear with { ShacklePivot = ShacklePivot.BelowEye })
            ).RearRise;
            // Square to the chord, the two are mirror images.
            Assert.Equal(20, above.Value!.Value, 0.1);
            Assert.Equal(-above.Value!.Value, below.Value!.Value, 0.1);
            Assert.Equal(above.U!.Value, below.U!.Value, 0.05);
            var unsaid = Predict(
                Both(Axle.Rear, shackle),
                On(rear: rear with { ShacklePivot = null })
            );
            Assert.Contains(
                "above or below the spring's eye",
                unsaid.Cannot!,
                StringComparison.Ordinal
            );
        }
        // A shorter one lifts there: out again is the same arithmetic.
        var pulled = On(rear: taped with { ShacklePivot = ShacklePivot.BelowEye });
        var fitted = Sample.AsFound with { Stacks = Both(Axle.Rear, shackle).Stacks };
        Assert.True(Predict(Sample.Plan(), pulled, fitted).RearRise.Value > 19);
    }

    [Fact]
    public void Leaves_under_the_main_leaf_lift_it_off_the_axle_seat_where_the_axle_hangs_below()
    {
        static Leaf Plain(double half, double arch, double thickness = 8) =>
            new()
            {
                FrontMm = half,
                RearMm = half,
                WidthMm = 60,
                ThicknessMm = thickness,
                ArchMm = arch,
            };
        PlacedPart Pack(params Leaf[] leaves) =>
            Part(1, PartKind.LeafPack, null, (PartSizes.Rate, 60)) with
            {
                Leaves = leaves,
            };
        // Both packs of one free arch and one rate; the second with 3 × 10 under its main leaf instead of 2 × 8.
        var thin = Pack(Plain(600, 120), Plain(400, 120 * 4.0 / 9), Plain(200, 120 / 9.0));
        var thick = Pack(
            Plain(600, 120),
            Plain(400, 120 * 4.0 / 9, 10),
            Plain(300, 120 / 4.0, 10),
            Plain(200, 120 / 9.0, 10)
        );
        (double Mm, double U) Rise(PlacedPart pack, SuspensionKind kind, double? under = null)
        {
            var rear = Of(kind, (SuspensionSizes.LeafArch, 40));
            if (under is { } mm)
            {
                rear = Of(
                    kind,
                    (SuspensionSizes.LeafArch, 40),
                    (SuspensionSizes.LeavesUnderMain, mm)
                );
            }
            var rise = Predict(Both(Axle.Rear, pack), On(rear: rear)).RearRise;
            return (rise.Value!.Value, rise.U!.Value);
        }
        var below = SuspensionKind.LeafOverslung;
        Assert.Equal(14, Rise(thick, below, 16).Mm - Rise(thin, below, 16).Mm, 9);
        // As much came out as goes in.
        Assert.Equal(Rise(thin, SuspensionKind.LeafUnderslung).Mm, Rise(thin, below, 16).Mm, 9);
        // Above its springs the axle sits on the main leaf.
        Assert.Equal(
            Rise(thin, SuspensionKind.LeafUnderslung).Mm,
            Rise(thick, SuspensionKind.LeafUnderslung).Mm,
            9
        );
        // Nobody taped the old one: as thick as the new one, and less sure.
        Assert.Equal(Rise(thin, below, 16).Mm, Rise(thick, below).Mm, 9);
        Assert.Equal(
            Math.Pow(Rise(thin, below, 16).U, 2) + 100 - 1,
            Math.Pow(Rise(thin, below).U, 2),
            9
        );
    }

    [Fact]
    public void Body_pucks_raise_what_stands_on_the_body_and_nothing_on_the_frame()
    {
        var vehicle = On() with
        {
            Stations =
            [
                .. Sample.Pickup.Stations,
                Sample.Pickup.Stations[1] with
                {
                    Name = "rail",
                    Carrier = Carrier.Frame,
                },
            ],
        };
        var readings = Sample
            .Readings(100, 40, 520, 1040, 580, 580, 1040, 520)
            .Append(Sample.Reading(130, 40, "rail", 600, Nokko.Core.WalkRounds.Datum.Floor))
            .ToArray();
        var plan = Sample.Plan([
            .. Corners.All.Select((c, i) => (c, Part(60 + i, PartKind.BodyPuck, 25.4))),
        ]);
        var p = Predictor.Predict(
            plan,
            new Situation(
                Sample.AsFound,
                vehicle,
                StanceOf.Compute(Sample.Round(40, Sample.AsFound.Id), readings, vehicle)
            )
        );
        Assert.All(
            p.Stations.Where(s => s.Station != "rail"),
            s => Assert.Equal(25.4, s.Rise.Value!.Value, 9)
        );
        Assert.Equal(0, p.Stations.Single(s => s.Station == "rail").Rise.Value!.Value, 9);
        // The old mounts go in again: ± 3 mm, half of its variance each one's own, half common to all.
        Assert.Equal(Math.Sqrt((0.04 + 4.5) / 2 + 4.5), p.FrontRise.U!.Value, 6);
        // The suspension stays as it is: no corner's frame has risen over its wheel.
        Assert.All(p.Corners, c => Assert.Equal(0, c.Rise.Value!.Value, 9));
    }

    [Fact]
    public void A_taller_tyre_raises_the_floor_datum_only()
    {
        var vehicle = On();
        var plan = Sample.Plan([
            .. Corners.All.Select(
                (c, i) => (c, Part(60 + i, PartKind.Tyre, null, (PartSizes.Diameter, 840)))
            ),
        ]);
        var p = Predict(plan, vehicle);
        var standard = Nokko.Core.Vehicles.TyreSize.Parse("265/70R17")!.DiameterMm;
        // Lips are read from the hub, mids from the floor.
        Assert.Equal(0, p.FrontRise.Value!.Value, 9);
        Assert.Equal(
            (840 - standard) / 2,
            p.Stations.Single(s => s.Station == "LM").Rise.Value!.Value,
            9
        );
    }

    [Fact]
    public void Another_coil_is_worked_out_from_rates_and_free_lengths()
    {
        var rear = Of(
            SuspensionKind.CoilFourLink,
            (SuspensionSizes.SpringRate, 30),
            (SuspensionSizes.SpringFreeLength, 432)
        );
        var vehicle = On(rear: rear);
        var coil = Part(1, PartKind.Coil, null, (PartSizes.Rate, 40), (PartSizes.FreeLength, 440));
        // 800 kg, a fifth of it unsprung, on two coils.
        var load = 800 * 0.8 * 9.80665 / 2;
        // Taped with the spring out, its sag is in it.
        var longer = 440 - (load / 40) - (432 - (load / 30));
        Assert.Equal(longer, Rear(vehicle, coil), 1e-6);
        // From a document nobody knows how far the old one sagged: the ± allows for it; standard heights tell it.
        vehicle = vehicle with
        {
            Rear = rear with
            {
                Dimensions = new Dictionary<string, Quantity>(rear.Dimensions)
                {
                    [SuspensionSizes.SpringFreeLength] = Quantity.Mm(432, Known.Document),
                },
            },
        };
        var p = Predict(Both(Axle.Rear, coil), vehicle);
        Assert.Equal(longer + 2.5, p.RearRise.Value!.Value, 6);
        Assert.Contains(p.Basis, b => b.Contains("sagged", StringComparison.Ordinal));
        var standard = StanceOf.Compute(
            Sample.Round(41, Sample.AsFound.Id),
            Sample.Readings(200, 41, 520, 1040, 592, 592, 1040, 520),
            vehicle
        );
        var known = Predict(Both(Axle.Rear, coil), vehicle, standard: standard);
        Assert.Equal(longer + 12, known.RearRise.Value!.Value, 6);
        // Side by side: over today, and over standard height.
        var lift = known.Lifts.Single(l => l.Axle == Axle.Rear);
        Assert.Equal(12, lift.OverToday.Value!.Value - lift.OverStandard.Value!.Value, 6);
    }

    [Fact]
    public void A_spring_by_its_makers_lift_needs_rate_and_load_and_says_so()
    {
        var coil = Part(1, PartKind.Coil) with { Claim = Sample.Mm(50, Known.Box) };
        var vehicle = On(rear: Of(SuspensionKind.CoilFourLink));
        Assert.Contains(
            "the load for which it was made",
            Predict(Both(Axle.Rear, coil), vehicle).Cannot,
            StringComparison.Ordinal
        );
        var designed = Part(
            1,
            PartKind.Coil,
            null,
            (PartSizes.Rate, 40),
            (PartSizes.DesignLift, 46.67),
            (PartSizes.DesignLoad, 3138.128)
        );
        // At its design load, over springs that have not sagged, it lifts what its maker says.
        var unsagged = On(rear: Of(SuspensionKind.CoilFourLink, (SuspensionSizes.Sag, 0)));
        Assert.Equal(46.67, Rear(unsagged, designed), 3);
    }

    [Fact]
    public void A_rebuilt_pack_lifts_by_the_arch_that_it_has_more_under_the_load()
    {
        var rear = Of(SuspensionKind.LeafOverslung, (SuspensionSizes.LeafArch, 40));
        Leaf leaf = new()
        {
            FrontMm = 600,
            RearMm = 600,
            WidthMm = 60,
            ThicknessMm = 8,
            ArchMm = 150,
            Count = 4,
        };
        var pack = Part(1, PartKind.LeafPack) with { Leaves = [leaf] };
        // The usual 100 between the U-bolts do not bend.
        var rate = 4 * 6 * LeafPackBuild.ElasticModulus * (60 * 512 / 12.0) / Math.Pow(550, 3);
        var load = 800 * 0.8 * 9.80665 / 2;
        Assert.Equal(
            (150 * Math.Pow(550.0 / 600, 2)) - (load / rate) - 40,
            Rear(On(rear: rear), pack),
            6
        );
    }

    [Fact]
    public void A_heavier_engine_lowers_the_nose_and_a_trailer_lowers_the_tail_when_it_is_on()
    {
        StatedLoad Load(string name, double kg, double behind, bool stays) =>
            new()
            {
                Id = Guid.CreateVersion7(),
                Name = name,
                Mass = new Quantity
                {
                    Value = kg,
                    Unit = Unit.Kg,
                    Known = Known.Told,
                },
                Behind = Sample.Mm(behind),
                Stays = stays,
            };
        var plan = Both(Axle.Front, Part(1, PartKind.StrutTopSpacer, 25.4));
        var bare = Predict(plan, On());
        var engine = Predict(plan, On(), loads: [Load("engine", 90, 50, true)]);
        Assert.True(engine.FrontRise.Value < bare.FrontRise.Value - 5);
        Assert.True(engine.FrontRise.U > bare.FrontRise.U);
        Assert.Null(engine.Loaded);
        var trailer = Predict(plan, On(), loads: [Load("trailer", 120, 4800, false)]);
        // Stated, not on: the plan itself is as without.
        Assert.Equal(bare.Rake.Value, trailer.Rake.Value);
        Assert.True(trailer.Loaded!.RearRise.Value < -10);
        Assert.True(trailer.Loaded.FrontRise.Value > 0);
        Assert.True(trailer.Loaded.Rake.Value < bare.Rake.Value);
        // The body on its springs, by the worked number's own way.
        var supports = VehicleSupports.Of(On()).Supports!;
        var motion = new BodyOnSprings(supports).Solve([new(-4800, 0, 120 * 9.80665)]);
        Assert.Equal(
            (motion.RiseAt(-3600, 800) + motion.RiseAt(-3600, -800)) / 2,
            trailer.Loaded.RearRise.Value!.Value,
            9
        );
    }

    [Fact]
    public void A_measured_rate_takes_the_place_of_the_estimate()
    {
        var stiff = On(rear: Of(SuspensionKind.LeafOverslung, (SuspensionSizes.WheelRate, 200)));
        Assert.Equal(200, VehicleSupports.Of(stiff).Supports![2].RateNPerMm);
        Assert.NotEqual(200, VehicleSupports.Of(On()).Supports![2].RateNPerMm);
        // On tyres both are softer: in series with 260 N/mm.
        Assert.Equal(
            200.0 * 260 / 460,
            VehicleSupports.Of(stiff, onTyres: true).Supports![2].RateNPerMm,
            9
        );
    }

    [Theory]
    [InlineData(SuspensionKind.CoilOverArm, PartKind.CoilSpacer)]
    [InlineData(SuspensionKind.CoilFourLink, PartKind.StrutTopSpacer)]
    [InlineData(SuspensionKind.CoilFourLink, PartKind.DropBracket)]
    [InlineData(SuspensionKind.Strut, PartKind.Block)]
    [InlineData(SuspensionKind.CoilFourLink, PartKind.DiffDrop)]
    public void A_part_that_has_no_place_on_a_suspension_is_refused(
        SuspensionKind suspension,
        PartKind part
    ) =>
        Assert.Contains(
            Predict(Both(Axle.Rear, Part(1, part, 20)), On(rear: Of(suspension))).Refusals,
            r => r.Contains("has no place on this suspension", StringComparison.Ordinal)
        );

    [Fact]
    public void A_block_under_an_underslung_spring_is_refused_as_a_lift_and_lowers()
    {
        var vehicle = On(rear: Of(SuspensionKind.LeafUnderslung));
        var p = Predict(Both(Axle.Rear, Part(1, PartKind.Block, 25)), vehicle);
        Assert.Contains(p.Refusals, r => r.Contains("it is no lift", StringComparison.Ordinal));
        Assert.Equal(-25, p.RearRise.Value!.Value, 9);
    }

    [Fact]
    public void A_spring_that_its_load_pushes_shut_and_a_stack_beyond_its_makers_limit_are_refused()
    {
        var rear = Of(
            SuspensionKind.CoilFourLink,
            (SuspensionSizes.SpringRate, 30),
            (SuspensionSizes.SpringFreeLength, 432)
        );
        var weak = Part(
            1,
            PartKind.Coil,
            null,
            (PartSizes.Rate, 8),
            (PartSizes.FreeLength, 430),
            (PartSizes.BindLength, 150)
        );
        Assert.Contains(
            Predict(Both(Axle.Rear, weak), On(rear: rear)).Refusals,
            r => r.Contains("pushed shut", StringComparison.Ordinal)
        );
        var ring = Part(1, PartKind.CoilSpacer, 40, (PartSizes.MaxStack, 30));
        Assert.Contains(
            Predict(Both(Axle.Rear, ring), On(rear: rear)).Refusals,
            r => r.Contains("thicker than its maker allows", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void Parts_without_a_share_in_ride_height_change_no_height()
    {
        var vehicle = On();
        var plate = Part(1, PartKind.StrutTopSpacer, 20);
        Assert.Equal(
            Front(vehicle, plate),
            Front(
                vehicle,
                plate,
                Part(2, PartKind.BumpStopExtension, 25),
                Part(3, PartKind.SwayBarLink, 40),
                Part(4, PartKind.DiffDrop, 25)
            ),
            9
        );
    }

    [Theory]
    [InlineData(SuspensionKind.CoilOverArm, PartKind.StrutTopSpacer)]
    [InlineData(SuspensionKind.Strut, PartKind.StrutTopSpacer)]
    [InlineData(SuspensionKind.MultiLink, PartKind.CoilSpacer)]
    [InlineData(SuspensionKind.CoilFourLink, PartKind.CoilSpacer)]
    [InlineData(SuspensionKind.LeafOverslung, PartKind.Shackle)]
    public void Same_on_both_sides_never_leans_and_out_again_is_back_again(
        SuspensionKind suspension,
        PartKind kind
    )
    {
        var vehicle = On(Of(suspension), Of(suspension));
        var plan = Both(Axle.Rear, Part(1, kind, 20));
        var p = Predict(plan, vehicle);
        Assert.Equal(0, p.LeanRear.Value!.Value, 9);
        var fitted = Sample.AsFound with { Stacks = plan.Stacks };
        Assert.Equal(
            -p.RearRise.Value!.Value,
            Predict(Sample.Plan(), vehicle, fitted).RearRise.Value!.Value,
            9
        );
    }

    [Fact]
    public void Its_uncertainty_agrees_with_a_simulation_of_points_load_and_rates()
    {
        // An archetype's ratio is good to 15 %, a coil's rates to 3 %, its load to 5 %; each side has a plate of its own.
        var front = Of(SuspensionKind.CoilOverArm, (SuspensionSizes.ArmLength, 392));
        var vehicle = On(front);
        var p = Predict(Both(Axle.Front, Part(1, PartKind.StrutTopSpacer, 25.4)), vehicle);
        var corner = CornerLinkage.Of(front);
        var random = new Random(7);
        double Normal(double mean, double sd) =>
            mean
            + (
                sd
                * Math.Sqrt(-2 * Math.Log(1 - random.NextDouble()))
                * Math.Cos(2 * Math.PI * random.NextDouble())
            );
        var lift = corner.Linkage.LiftMm(25.4)!.Value;
        var rises = Enumerable
            .Range(0, 40_000)
            .Select(_ =>
            {
                var share = Normal(1, 0.15);
                var offset = Normal(3, 6);
                double Side() =>
                    offset
                    + (share * lift)
                    + (lift / 25.4 * Normal(0, LiftLaw.MeasuredThicknessUMm));
                return (Side() + Side()) / 2;
            })
            .ToArray();
        var mean = rises.Average();
        var sd = Math.Sqrt(rises.Average(x => (x - mean) * (x - mean)));
        Assert.Equal(mean, p.FrontRise.Value!.Value, 0.2);
        Assert.Equal(sd, p.FrontRise.U!.Value, 0.02 * sd);
    }
}
