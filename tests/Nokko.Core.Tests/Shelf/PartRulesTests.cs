using Nokko.Core.Fitting;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Shelf;

/// <summary>What belongs to a kind of part: where it has a place, in which order it lies, what it needs to be known.</summary>
public class PartRulesTests
{
    private static readonly SuspensionKind[] CoilOvers =
    [
        SuspensionKind.CoilOverArm,
        SuspensionKind.Strut,
        SuspensionKind.TrailingArm,
        SuspensionKind.CoilOverAxle,
    ];

    private static readonly SuspensionKind[] Leaves =
    [
        SuspensionKind.LeafOverslung,
        SuspensionKind.LeafUnderslung,
    ];

    private static readonly SuspensionKind[] Independent =
    [
        SuspensionKind.CoilOverArm,
        SuspensionKind.Strut,
        SuspensionKind.MultiLink,
        SuspensionKind.TransverseLeaf,
        SuspensionKind.TorsionBarArm,
        SuspensionKind.TrailingArm,
    ];

    private static readonly SuspensionKind[] CoilsOnAxles =
    [
        SuspensionKind.CoilFourLink,
        SuspensionKind.CoilRadiusArm,
        SuspensionKind.CoilOverAxle,
    ];

    private static readonly SuspensionKind[] All = Enum.GetValues<SuspensionKind>();

    /// <summary>Written down by hand, kind by kind, as a fitter would say it.</summary>
    private static readonly Dictionary<PartKind, SuspensionKind[]> Table = new()
    {
        { PartKind.StrutTopSpacer, CoilOvers },
        { PartKind.PreloadSpacer, CoilOvers },
        { PartKind.RaisedCollar, CoilOvers },
        { PartKind.CoilOver, CoilOvers },
        { PartKind.StrutLowerSpacer, [.. CoilOvers.Where(k => k != SuspensionKind.Strut)] },
        {
            PartKind.CoilSpacer,
            [
                SuspensionKind.MultiLink,
                SuspensionKind.TransverseLeaf,
                SuspensionKind.CoilFourLink,
                SuspensionKind.CoilRadiusArm,
            ]
        },
        {
            PartKind.Coil,
            [
                .. All.Except(Leaves)
                    .Where(k =>
                        k is not (SuspensionKind.TransverseLeaf or SuspensionKind.TorsionBarArm)
                    ),
            ]
        },
        {
            PartKind.AirSpring,
            [
                .. All.Except(Leaves)
                    .Where(k =>
                        k is not (SuspensionKind.TransverseLeaf or SuspensionKind.TorsionBarArm)
                    ),
            ]
        },
        { PartKind.TorsionAdjuster, [SuspensionKind.TorsionBarArm] },
        { PartKind.LeafPack, Leaves },
        { PartKind.Block, Leaves },
        { PartKind.Shackle, Leaves },
        { PartKind.DropBracket, Independent },
        { PartKind.SubframeBlock, [SuspensionKind.Strut, SuspensionKind.MultiLink] },
        { PartKind.DiffDrop, Independent },
        { PartKind.HalfShaftSpacer, Independent },
        { PartKind.Shock, [.. All.Except(CoilOvers)] },
        // Links or arms above the axle: a transverse leaf and a trailing arm have none, a radius arm is one with its lower link.
        {
            PartKind.UpperArm,
            [
                SuspensionKind.CoilOverArm,
                SuspensionKind.TorsionBarArm,
                SuspensionKind.MultiLink,
                SuspensionKind.CoilFourLink,
                SuspensionKind.CoilOverAxle,
            ]
        },
        { PartKind.LowerArm, [.. All.Except(Leaves)] },
        { PartKind.Upright, [SuspensionKind.CoilOverArm, SuspensionKind.Strut] },
        { PartKind.TrackBar, CoilsOnAxles },
        { PartKind.TrackBarBracket, CoilsOnAxles },
        { PartKind.CasterBush, [SuspensionKind.CoilRadiusArm, SuspensionKind.CoilFourLink] },
        { PartKind.LinkBracket, [SuspensionKind.CoilRadiusArm, SuspensionKind.CoilFourLink] },
        { PartKind.AxleShim, Leaves },
        { PartKind.UBolts, Leaves },
        { PartKind.CrossMember, [.. Independent.Where(k => k != SuspensionKind.TrailingArm)] },
        { PartKind.SteeringDamper, [.. All.Except(Independent)] },
        { PartKind.DragLink, [.. All.Except(Independent)] },
        { PartKind.PitmanArm, [.. All.Except(Independent)] },
        // Screws against which a knuckle or an axle's end turns.
        {
            PartKind.SteeringStops,
            [.. All.Except(Independent), SuspensionKind.CoilOverArm, SuspensionKind.TorsionBarArm]
        },
        { PartKind.Propshaft, All },
        { PartKind.LevelSensorLink, All },
        { PartKind.BrakeHose, All },
        { PartKind.BrakeHoseBracket, All },
        { PartKind.WheelSpacer, All },
        { PartKind.Unknown, All },
        { PartKind.Kit, [] },
        { PartKind.BodyPuck, All },
        { PartKind.BodyMount, All },
        { PartKind.BumpStopExtension, All },
        { PartKind.SwayBarLink, All },
        { PartKind.Tyre, All },
    };

    public static TheoryData<PartKind> Kinds => [.. Table.Keys];

    [Theory]
    [MemberData(nameof(Kinds))]
    public void A_part_has_a_place_where_a_fitter_would_put_it(PartKind part) =>
        Assert.Equal(Table[part].Order(), All.Where(PartRule.Of(part).FitsOn));

    [Fact]
    public void Every_kind_has_one_rule_and_only_sizes_that_there_are()
    {
        Assert.Equal(Enum.GetValues<PartKind>().Order(), PartRule.All.Select(r => r.Kind).Order());
        Assert.All(PartRule.All.SelectMany(r => r.Sizes), s => Assert.NotNull(PartSizes.Find(s)));
        // What lifts by its own size has one; a spring is known by its rate, an adjuster by its turns.
        Assert.All(
            PartRule.All.Where(r => r.Family is not (LiftFamily.None or LiftFamily.Tyre)),
            r =>
                Assert.True(
                    r.Amount is not null
                        || r.Sizes.Contains(PartSizes.Rate)
                        || r.Sizes.Contains(PartSizes.Turns),
                    r.Said
                )
        );
    }

    /// <summary>A kind that is new and was forgotten somewhere fails here: prediction, limits, companions, card and search know each one on each suspension that it fits.</summary>
    [Fact]
    public void Every_kind_goes_through_every_rule_on_every_suspension_that_it_fits()
    {
        foreach (var kind in Enum.GetValues<PartKind>())
        {
            foreach (var suspension in All.Where(PartRule.Of(kind).FitsOn))
            {
                foreach (var axle in Corners.Axles)
                {
                    Through(kind, suspension, axle);
                }
            }
        }
    }

    private static void Through(PartKind kind, SuspensionKind suspension, Axle axle)
    {
        var what = $"{kind} on {suspension}, {axle}";
        var it = new Core.Vehicles.Suspension { Kind = suspension };
        var from = Sample.AsFound with
        {
            Front = axle == Axle.Front ? it : Sample.AsFound.Front,
            Rear = axle == Axle.Rear ? it : Sample.AsFound.Rear,
        };
        var vehicle = Sample.Pickup with { Front = from.Front, Rear = from.Rear };
        var plan = Sample.Plan([
            .. Corners.Of(axle).Select((c, i) => (c, Sample.Plate(30 + i, 20, kind))),
        ]);
        var prediction = Predictor.Predict(
            plan,
            new Situation(
                from,
                vehicle,
                StanceOf.Compute(
                    Sample.Round(40, from.Id),
                    Sample.Readings(100, 40, [520, 1040, 580, 580, 1040, 520]),
                    vehicle
                )
            )
        );
        // What lifts is foretold or says why not; what does not lift moves nothing.
        var rise = axle == Axle.Front ? prediction.FrontRise : prediction.RearRise;
        var refused = prediction.Cannot is not null;
        Assert.True(refused || rise.Value is not null || rise.Cannot is not null, what);
        if (PartRule.Of(kind).Acts == PartActs.Not)
        {
            Assert.True(refused || rise.Value is 0 or null, what);
        }
        if (PartRule.Of(kind).Acts == PartActs.ByAmount && rise.Value is { } mm)
        {
            Assert.True(mm != 0, what);
        }
        Assert.All(prediction.Companions, c => Assert.NotEmpty(c.Why));
        var card = JobCard.Derive(from, plan, vehicle, Equipment.JackAndStands);
        Assert.True(card.Steps.Count > 2, what);
    }

    [Fact]
    public void From_the_body_down_it_goes_mount_subframe_plate_strut_ring_stop_coil_foot_axle()
    {
        PartKind[] sandwich =
        [
            PartKind.BodyPuck,
            PartKind.SubframeBlock,
            PartKind.StrutTopSpacer,
            PartKind.CoilOver,
            PartKind.PreloadSpacer,
            PartKind.BumpStopExtension,
            PartKind.Coil,
            PartKind.StrutLowerSpacer,
            PartKind.Block,
            PartKind.DropBracket,
        ];
        Assert.Equal(sandwich, sandwich.OrderBy(k => PartRule.Of(k).Order));
    }

    [Fact]
    public void Whatever_squeezes_or_lets_go_a_coil_says_so()
    {
        PartKind[] opens = [.. PartRule.All.Where(r => r.OpensSpring).Select(r => r.Kind)];
        Assert.Equal([PartKind.PreloadSpacer, PartKind.CoilSpacer, PartKind.Coil], opens);
        // A collar is turned with the coil in: no spring is opened.
        Assert.DoesNotContain(PartKind.RaisedCollar, opens);
    }

    [Fact]
    public void A_placed_part_keeps_every_figure_that_its_part_had()
    {
        var part = new Part
        {
            Id = Sample.Id(1),
            Number = "N-1",
            Name = "pack",
            Kind = PartKind.LeafPack,
            Claim = Sample.Mm(50),
            Extension = Sample.Mm(3),
            Dimensions = new Dictionary<string, Core.Units.Quantity>
            {
                [PartSizes.Rate] = Sample.Mm(1),
            },
            Leaves =
            [
                new Leaf
                {
                    FrontMm = 600,
                    RearMm = 600,
                    WidthMm = 60,
                    ThicknessMm = 8,
                    ArchMm = 100,
                },
            ],
            Count = 2,
            Price = 12.5m,
            Currency = "EUR",
            Hours = Sample.Mm(2),
            Limits = "not on vans",
            MadeFor = "V6, empty",
            Fit = new PartFit { AnyPlatform = true },
        };
        var placed = PlacedPart.Of(part, Sample.Id(2));
        // By name: a figure that is added to the shelf later must not be forgotten here.
        string[] notFigures = ["Id", "Count", "Notes", "BinnedAt", "Supplier", "DueOn", "Contents"];
        foreach (
            var property in typeof(Part).GetProperties().Where(p => !notFigures.Contains(p.Name))
        )
        {
            Assert.Equal(
                property.GetValue(part),
                typeof(PlacedPart).GetProperty(property.Name)!.GetValue(placed)
            );
        }
        Assert.Equal((Sample.Id(2), Sample.Id(1)), (placed.Id, placed.PartId));
    }

    [Fact]
    public void The_table_of_places_knows_every_kind() =>
        Assert.Equal(Enum.GetValues<PartKind>(), Table.Keys.Order());

    [Fact]
    public void Kinds_that_are_special_are_those_by_hand()
    {
        PartKind[] Where(Func<PartRule, bool> rule) =>
            [.. PartRule.All.Where(rule).Select(r => r.Kind).Order()];
        Assert.Equal(
            [PartKind.RaisedCollar, PartKind.TorsionAdjuster, PartKind.SteeringStops],
            Where(r => r.Turned)
        );
        // Everything else that somebody knows what it is lies on a shelf.
        Assert.Equal(
            [
                PartKind.RaisedCollar,
                PartKind.TorsionAdjuster,
                PartKind.SteeringStops,
                PartKind.Unknown,
                PartKind.Kit,
            ],
            Where(r => !r.Offered)
        );
        Assert.Equal(
            [
                PartKind.DropBracket,
                PartKind.SubframeBlock,
                PartKind.LinkBracket,
                PartKind.WheelSpacer,
            ],
            Where(r => r.InPairs)
        );
        Assert.Equal([PartKind.LevelSensorLink], Where(r => r.AmountMayBeBelowZero));
    }

    [Fact]
    public void What_lies_beside_has_the_sizes_of_its_kind_and_no_other()
    {
        Assert.Contains(PartSizes.ExtendedLength, PartRule.Of(PartKind.Shock).Sizes);
        Assert.Empty(PartRule.Of(PartKind.WheelSpacer).Sizes);
    }

    [Fact]
    public void Sizes_are_taken_within_their_limits_and_refused_beyond_them_in_plain_words()
    {
        foreach (var s in PartSizes.All)
        {
            Assert.Null(PartSizes.WhyNot(s.Name, s.Low));
            Assert.Null(PartSizes.WhyNot(s.Name, s.High));
            Assert.EndsWith(
                "check the unit.",
                PartSizes.WhyNot(s.Name, s.High + 1),
                StringComparison.Ordinal
            );
        }
        Assert.Contains(
            " mm: check",
            PartSizes.WhyNot(PartSizes.Recess, -1),
            StringComparison.Ordinal
        );
        Assert.EndsWith(
            "100: check the unit.",
            PartSizes
                .WhyNot(PartSizes.Turns, 1e9)!
                .Replace(
                    PartSizes
                        .Find(PartSizes.Turns)!
                        .High.ToString("#,0.##", System.Globalization.CultureInfo.InvariantCulture),
                    "100",
                    StringComparison.Ordinal
                ),
            StringComparison.Ordinal
        );
        foreach (var s in SuspensionSizes.All)
        {
            Assert.Null(SuspensionSizes.WhyNot(s.Name, s.Low));
            Assert.NotNull(SuspensionSizes.WhyNot(s.Name, s.Low - 1));
            Assert.EndsWith(".", s.How, StringComparison.Ordinal);
        }
    }
}
