using Nokko.Core.Fitting;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Fitting;

/// <summary>What a card opens for this change on this vehicle, and nothing else.</summary>
public class JobCardTests
{
    private static JobCard Card(
        SuspensionKind front,
        SuspensionKind rear,
        FittingSchools? schools,
        params (Corner, PlacedPart)[] parts
    ) => Cards.Of(front, rear, Equipment.TwoPostLift, schools, parts);

    private static JobCard Pickup(params (Corner, PlacedPart)[] parts) =>
        Card(SuspensionKind.CoilOverArm, SuspensionKind.LeafOverslung, null, parts);

    private static PlacedPart Part(int n, PartKind kind) => Sample.Plate(n, 25, kind);

    /// <summary>Joints that are worked on, without wheels and what only bends.</summary>
    private static string[] Worked(JobCard card) =>
        [
            .. card
                .Joints.Where(j => j.Kind is not (JointKind.Wheel or JointKind.Bracket))
                .Select(j => j.Place)
                .Order(StringComparer.Ordinal),
        ];

    [Fact]
    public void Nothing_changes_and_nothing_is_done() => Assert.Empty(Pickup().Steps);

    [Fact]
    public void Tyres_open_the_wheels_and_nothing_else()
    {
        var card = Pickup(
            (Corner.LF, Part(30, PartKind.Tyre)),
            (Corner.RR, Part(31, PartKind.Tyre))
        );
        Assert.Equal(["LF wheel to hub", "RR wheel to hub"], card.Joints.Select(j => j.Place));
        Assert.DoesNotContain(
            card.Steps,
            s => s.HoldFor is HoldReason.LastHold or HoldReason.Energy
        );
    }

    [Fact]
    public void Shackles_leave_U_bolts_shocks_and_wheels_alone()
    {
        var card = Pickup(
            (Corner.LR, Part(30, PartKind.Shackle)),
            (Corner.RR, Part(31, PartKind.Shackle))
        );
        Assert.Equal(
            [
                "LR shackle to frame",
                "LR shackle to spring",
                "RR shackle to frame",
                "RR shackle to spring",
            ],
            card.Joints.Select(j => j.Place).Order(StringComparer.Ordinal)
        );
    }

    [Theory]
    [InlineData(PartKind.UBolts)]
    [InlineData(PartKind.AxleShim)]
    public void New_U_bolts_and_a_shim_leave_shock_and_hose_alone(PartKind kind)
    {
        var card = Pickup((Corner.LR, Part(30, kind)));
        Assert.Equal(
            ["LR spring to axle", "LR wheel to hub"],
            card.Joints.Select(j => j.Place).Order(StringComparer.Ordinal)
        );
        var block = Pickup((Corner.LR, Part(30, PartKind.Block)));
        Assert.Contains(block.Joints, j => j.Place == "LR lower shock mount");
    }

    [Fact]
    public void A_shock_opens_its_two_mounts_with_the_axle_carried_where_it_is_the_last_stop()
    {
        var coils = Card(
            SuspensionKind.CoilOverArm,
            SuspensionKind.CoilFourLink,
            null,
            (Corner.LR, Part(30, PartKind.Shock))
        );
        Assert.Equal(["LR lower shock mount", "LR upper shock mount"], Worked(coils));
        Assert.Contains(coils.Steps, s => s.Key == "rear/carry-axle" && s.Hold);
        var leaves = Pickup((Corner.LR, Part(30, PartKind.Shock)));
        Assert.Equal(["LR lower shock mount", "LR upper shock mount"], Worked(leaves));
        Assert.DoesNotContain(leaves.Steps, s => s.HoldFor == HoldReason.LastHold);
    }

    [Theory]
    [InlineData(OpenArm.UpperBall, "LF upper ball joint to upright")]
    [InlineData(
        OpenArm.LowerBracket,
        "LF lower ball-joint bracket to arm",
        "LF tie-rod end to upright"
    )]
    [InlineData(OpenArm.InnerPivots, "LF lower arm pivots")]
    [InlineData(OpenArm.None)]
    public void A_strut_leaves_its_arm_by_the_joint_that_was_chosen(
        OpenArm way,
        params string[] parted
    )
    {
        var card = Card(
            SuspensionKind.CoilOverArm,
            SuspensionKind.LeafOverslung,
            new() { OpenArm = way },
            (Corner.LF, Part(30, PartKind.StrutTopSpacer))
        );
        var opened = card.Steps.SelectMany(s => s.Opens).ToHashSet();
        string[] ways =
        [
            "LF upper ball joint to upright",
            "LF lower ball joint to upright",
            "LF lower ball-joint bracket to arm",
            "LF tie-rod end to upright",
            "LF lower arm pivots",
        ];
        Assert.Equal(parted.Order(), ways.Where(opened.Contains).Order());
        Assert.Contains("LF strut foot to lower arm", opened);
        Assert.Contains("LF strut top plate to body", opened);
    }

    [Fact]
    public void The_centre_nut_is_somebodys_joint_when_the_strut_is_opened_and_only_then()
    {
        var plate = Pickup((Corner.LF, Part(30, PartKind.StrutTopSpacer)));
        Assert.DoesNotContain(plate.Joints, j => j.Kind == JointKind.CentreNut);
        Assert.Contains(
            plate.Steps,
            s => s.Lines.Any(l => l.Contains("centre nut stays shut", StringComparison.Ordinal))
        );
        var ring = Pickup((Corner.LF, Part(30, PartKind.PreloadSpacer)));
        var keys = ring.Steps.Select(s => s.Key).ToList();
        Assert.True(keys.IndexOf("LF/strut") < keys.IndexOf("LF/energy-strut-centre-nut"));
        Assert.True(keys.IndexOf("LF/energy-strut-centre-nut") < keys.IndexOf("LF/centre-nut"));
        // It is final while the coil is still held, before the strut goes in.
        Assert.True(keys.IndexOf("LF/bench") < keys.IndexOf("LF/home"));
        Assert.Equal(["LF strut centre nut"], ring.Steps.Single(s => s.Key == "LF/bench").Joints);
        Assert.DoesNotContain(
            ring.Steps,
            s => s.Lines.Any(l => l.Contains("centre nut stays shut", StringComparison.Ordinal))
        );
    }

    [Fact]
    public void Both_coils_of_a_live_axle_come_out_before_either_goes_in_and_neither_shock_is_final_between()
    {
        var card = Card(
            SuspensionKind.CoilOverArm,
            SuspensionKind.CoilRadiusArm,
            null,
            (Corner.LR, Part(30, PartKind.CoilSpacer)),
            (Corner.RR, Part(31, PartKind.CoilSpacer))
        );
        var spring = card.Steps.Single(s => s.Opens.Contains("LR spring seats"));
        Assert.Contains("RR spring seats", spring.Opens);
        var energy = card.Steps.Single(s => s.HoldFor == HoldReason.Energy);
        var at = card.Steps.ToList();
        Assert.True(
            at.FindIndex(s => s.Key == "rear/carry-axle") < at.FindIndex(s => s.Key == "rear/shock")
        );
        Assert.True(at.IndexOf(energy) < at.IndexOf(spring));
        Assert.Contains("jump out sideways", energy.Caution, StringComparison.Ordinal);
        // The track bar stays on unless somebody chose otherwise; then the axle is strapped first.
        Assert.DoesNotContain(
            card.Joints,
            j => j.Place.Contains("track bar", StringComparison.Ordinal)
        );
        var off = Card(
            SuspensionKind.CoilOverArm,
            SuspensionKind.CoilRadiusArm,
            new() { TrackBar = TrackBarWay.Off },
            (Corner.LR, Part(30, PartKind.CoilSpacer))
        );
        var keys = off.Steps.Select(s => s.Key).ToList();
        Assert.True(keys.IndexOf("rear/strap-axle") < keys.IndexOf("rear/track-bar"));
    }

    [Fact]
    public void Body_pucks_leave_the_wheels_on_and_open_each_mount_by_itself()
    {
        var card = Pickup([.. Corners.All.Select(c => (c, Part(30 + (int)c, PartKind.BodyPuck)))]);
        Assert.DoesNotContain(card.Joints, j => j.Kind == JointKind.Wheel);
        Assert.DoesNotContain(card.Steps, s => s.Key.EndsWith("/raise", StringComparison.Ordinal));
        Assert.Equal(8, card.Joints.Count(j => j.Kind == JointKind.Cushion));
        Assert.Contains(
            card.Steps,
            s => s.Title.EndsWith("Steering shaft parted", StringComparison.Ordinal)
        );
        // The left side is in before the right side is out, and neither is final before both are.
        var keys = card.Steps.Select(s => s.Key).ToList();
        Assert.True(keys.IndexOf("vehicle/left/snug") < keys.IndexOf("vehicle/right/mounts"));
        Assert.True(keys.IndexOf("vehicle/right/snug") < keys.IndexOf("vehicle/mounts-final"));
        Assert.Contains("battery off, then wait", card.Steps[0].Do, StringComparison.Ordinal);
    }

    [Fact]
    public void A_jack_lifts_one_end_at_a_time_and_a_lift_both()
    {
        (Corner, PlacedPart)[] parts =
        [
            (Corner.LF, Part(30, PartKind.StrutTopSpacer)),
            (Corner.LR, Part(31, PartKind.Block)),
        ];
        string[] Raises(Equipment equipment, FittingSchools? schools = null) =>
            [
                .. Cards
                    .Of(
                        SuspensionKind.CoilOverArm,
                        SuspensionKind.LeafOverslung,
                        equipment,
                        schools,
                        parts
                    )
                    .Steps.Where(s => s.Key.EndsWith("/raise", StringComparison.Ordinal))
                    .Select(s => s.Key),
            ];
        Assert.Equal(["vehicle/raise"], Raises(Equipment.TwoPostLift));
        Assert.Equal(["front/raise", "rear/raise"], Raises(Equipment.JackAndStands));
        Assert.Equal(
            ["rear/raise", "front/raise"],
            Raises(Equipment.JackAndStands, new() { First = EndFirst.Rear })
        );
        Assert.Equal(
            ["vehicle/raise"],
            Raises(Equipment.Pit, new() { Stands = StandsWay.FourStands })
        );
    }

    [Fact]
    public void A_second_pass_says_what_comes_out_and_a_piece_that_moves_says_where_to()
    {
        var plate = Sample.Plate(30, 38);
        var fitted = Sample.AsFound with { Stacks = Sample.Plan((Corner.LF, plate)).Stacks };
        var card = JobCard.Derive(
            fitted,
            Sample.Plan((Corner.LF, Sample.Plate(31, 25)), (Corner.RF, plate)),
            Sample.Pickup,
            Equipment.Pit
        );
        Assert.Contains(
            card.Steps,
            s => s.Title == "Change the stack: take out plate 38 (it goes to RF); put in plate 25"
        );
        Assert.Contains(card.Steps, s => s.Title == "Change the stack: put in plate 38 from LF");
    }

    [Fact]
    public void What_the_shop_knows_of_a_joint_goes_before_the_usual_set()
    {
        var link = new Joint
        {
            Id = Sample.Id(70),
            Where = "LF",
            Place = "LF sway-bar link to arm",
            Kind = JointKind.SwayBarLink,
            Fasteners = [],
            None = true,
        };
        var studs = new Joint
        {
            Id = Sample.Id(71),
            Where = "LF",
            Place = "LF strut top plate to body",
            Kind = JointKind.StudPlate,
            Fasteners = [new Fastener { Position = "top studs", Count = 4 }],
        };
        var card = JobCard.Derive(
            Sample.AsFound,
            Sample.Plan((Corner.LF, Part(30, PartKind.StrutTopSpacer))),
            Sample.Pickup,
            Equipment.TwoPostLift,
            null,
            [link, studs]
        );
        Assert.DoesNotContain(card.Joints, j => j.Place == link.Place);
        Assert.DoesNotContain(card.Steps, s => s.Key == "LF/links");
        Assert.Equal(4, card.Joints.Single(j => j.Place == studs.Place).Fasteners[0].Count);
    }

    [Fact]
    public void The_board_says_what_carries_and_what_locates()
    {
        var card = Pickup((Corner.LR, Part(30, PartKind.Block)));
        var keys = card.Steps.Select(s => s.Key).ToList();
        var until = keys.Take(keys.IndexOf("LR/u-bolts") + 1).ToHashSet();
        var axle = card.Board(until).Single(l => l.Member == "rear axle");
        Assert.Equal(["a jack under each end of the axle", "RR spring to axle"], axle.Carries);
        Assert.Equal(["RR spring to axle"], axle.Y);
        Assert.Contains("LR spring to axle", card.Loose(until));
        Assert.Empty(card.Board(keys.ToHashSet()));
        Assert.Empty(card.Loose(keys.ToHashSet()));
    }

    /// <summary>A plate with so much room for studs, or with an unknown one.</summary>
    private static PlacedPart Plate(int id, double? recess) =>
        Part(id, PartKind.StrutTopSpacer) with
        {
            Dimensions = recess is { } mm
                ? new Dictionary<string, Quantity> { [PartSizes.Recess] = Sample.Mm(mm) }
                : [],
        };

    private static CardStep? StudsCut(
        double? studs,
        (Corner, PlacedPart)[] before,
        (Corner, PlacedPart)[] after
    )
    {
        var vehicle = Cards.Vehicle(SuspensionKind.CoilOverArm, SuspensionKind.LeafOverslung);
        vehicle = vehicle with
        {
            Front = vehicle.Front with
            {
                Dimensions = studs is { } mm
                    ? new Dictionary<string, Quantity>
                    {
                        [SuspensionSizes.StudLength] = Sample.Mm(mm),
                    }
                    : [],
            },
        };
        return JobCard
            .Derive(
                Sample.AsFound with
                {
                    Stacks = Sample.Plan(before).Stacks,
                },
                Sample.Plan(after),
                vehicle,
                Equipment.TwoPostLift,
                null
            )
            .Steps.SingleOrDefault(s => s.HoldFor == HoldReason.Irreversible);
    }

    [Theory]
    // 26 mm of stud in a room of 18: a millimetre of air is left.
    [InlineData(26.0, 18.0, "cut to 11/16 in (17 mm)")]
    [InlineData(26.0, 0.5, "cut to 0 in (0 mm)")]
    [InlineData(18.0, 18.0, null)]
    [InlineData(16.0, 18.0, null)]
    [InlineData(null, 18.0, null)]
    [InlineData(26.0, null, null)]
    public void Studs_that_find_no_room_are_a_step_that_cannot_be_undone_with_its_length(
        double? studs,
        double? recess,
        string? says
    )
    {
        var step = StudsCut(studs, [], [(Corner.LF, Plate(30, recess))]);
        Assert.Equal(says is null, step is null);
        if (step is not null)
        {
            Assert.Equal("LF", step.Where);
            Assert.StartsWith("LF: ", step.Caution, StringComparison.Ordinal);
            Assert.Contains(says!, step.Caution, StringComparison.Ordinal);
            Assert.Contains("A nut on each stud", step.Do, StringComparison.Ordinal);
            Assert.Equal(
                new PlannedCut(
                    "LF strut studs",
                    CutKind.Cut,
                    "the strut's plate",
                    Math.Max(0, recess!.Value - 1),
                    3
                ),
                Assert.Single(step.Cuts)
            );
        }
    }

    [Fact]
    public void Studs_are_cut_once_and_shorter_only_for_a_shallower_plate()
    {
        (Corner, PlacedPart)[] At(int id, double recess) => [(Corner.LF, Plate(id, recess))];
        Assert.Null(StudsCut(26, At(30, 18), []));
        Assert.Null(StudsCut(26, At(30, 18), At(31, 18)));
        Assert.Null(StudsCut(26, At(30, 18), At(31, 22)));
        Assert.NotNull(StudsCut(26, At(30, 18), At(31, 12)));
        Assert.NotNull(StudsCut(26, At(30, 30), At(31, 18)));
    }

    [Fact]
    public void A_hold_stops_what_it_concerns_and_nothing_else()
    {
        var card = Pickup(
            (Corner.LF, Part(30, PartKind.StrutTopSpacer)),
            (Corner.RF, Part(31, PartKind.StrutTopSpacer))
        );
        var done = new HashSet<string> { "vehicle/supported" };
        Assert.Equal("LF/strap-upright", FittingRules.HoldBefore(card, done, "LF/part")!.Key);
        Assert.Null(FittingRules.HoldBefore(card, done, "RF/mark"));
        Assert.Equal(
            "vehicle/supported",
            FittingRules.HoldBefore(card, new HashSet<string>(), "RF/mark")!.Key
        );
        Assert.Equal("LF/strap-upright", FittingRules.HoldBefore(card, done, "vehicle/down")!.Key);
    }
}
