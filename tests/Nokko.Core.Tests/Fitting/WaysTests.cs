using Nokko.Core.Fitting;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Fitting;

/// <summary>What each way that good fitters differ on does to a card, and the way back.</summary>
public class WaysTests
{
    private static readonly Vehicle Coils = Sample.Pickup with
    {
        Rear = new() { Kind = SuspensionKind.CoilFourLink },
    };

    private static JobCard Card(
        FittingSchools schools,
        Vehicle vehicle,
        params (Corner Corner, PartKind Kind)[] parts
    ) =>
        JobCard.Derive(
            Sample.AsFound with
            {
                Front = vehicle.Front,
                Rear = vehicle.Rear,
            },
            Sample.Plan([.. parts.Select((p, i) => (p.Corner, Sample.Plate(30 + i, 20, p.Kind)))]),
            vehicle,
            Equipment.TwoPostLift,
            schools
        );

    private static JobCard Strut(FittingSchools schools) =>
        Card(schools, Sample.Pickup, (Corner.LF, PartKind.StrutTopSpacer));

    private static JobCard RearCoils(FittingSchools schools) =>
        Card(schools, Coils, (Corner.LR, PartKind.CoilSpacer), (Corner.RR, PartKind.CoilSpacer));

    [Fact]
    public void Every_way_of_every_question_is_followed()
    {
        foreach (var question in FittingSchools.Questions)
        {
            foreach (var way in question.Ways)
            {
                var schools = FittingSchools.Of([
                    new SchoolChoice
                    {
                        Id = Sample.Id(1),
                        School = question.School,
                        Choice = way.Choice,
                        PersonId = Sample.Id(5),
                    },
                ]);
                // The first way is the default; every other one is a different set of ways.
                Assert.Equal(way == question.Ways[0], schools == new FittingSchools());
                Assert.True(FittingSchools.Has(question.School, way.Choice));
            }
        }
        Assert.False(FittingSchools.Has("sides", "blue"));
        Assert.False(FittingSchools.Has("blue", "together"));
    }

    [Theory]
    [InlineData(PartKind.Tyre, "")]
    [InlineData(PartKind.Shock, "sides lineUp threads")]
    [InlineData(PartKind.CoilSpacer, "trackBar coilsLoose lineUp threads")]
    public void Only_what_makes_a_difference_to_this_card_is_asked(PartKind kind, string asked) =>
        Assert.Equal(
            asked,
            string.Join(
                ' ',
                FittingSchools
                    .ThatMatter(
                        by =>
                            Card(
                                FittingSchools.Of(by),
                                Coils,
                                (Corner.LR, kind),
                                (Corner.RR, kind)
                            ),
                        []
                    )
                    .Select(q => q.School)
            )
        );

    [Fact]
    public void A_hung_caliper_is_two_bolts_more_and_goes_on_a_hook_first()
    {
        var left = Strut(new());
        var hung = Strut(new() { Caliper = CaliperWay.Hung });
        Assert.DoesNotContain(left.Joints, j => j.Kind == JointKind.CaliperBolts);
        var caliper = Assert.Single(hung.Joints, j => j.Kind == JointKind.CaliperBolts);
        var open = hung.Steps.ToList().FindIndex(s => s.Opens.Contains(caliper.Place));
        var hook = hung.Steps.ToList().FindIndex(s => s.Key == "LF/carry-caliper");
        Assert.InRange(hook, 0, open - 1);
        Assert.Contains(hung.Steps, s => s.Key == "vehicle/brake-test");
        // On a live axle the caliper goes down with the axle.
        Assert.DoesNotContain(
            Card(new() { Caliper = CaliperWay.Hung }, Coils, (Corner.LR, PartKind.CoilOver)).Joints,
            j => j.Kind == JointKind.CaliperBolts
        );
    }

    [Fact]
    public void Blows_part_a_taper_without_a_separator_and_say_where_they_go()
    {
        var tool = Strut(new()).Steps.Single(s => s.Key == "LF/part");
        var blows = Strut(new() { Taper = TaperWay.Blows }).Steps.Single(s => s.Key == "LF/part");
        Assert.Contains("ball-joint separator", tool.Tools);
        Assert.DoesNotContain("ball-joint separator", blows.Tools);
        Assert.Contains("two hammers", blows.Tools);
        Assert.Contains(blows.Lines, l => l.Contains("never on the pin", StringComparison.Ordinal));
        Assert.DoesNotContain(tool.Lines, l => l.Contains("the pin", StringComparison.Ordinal));
        // Where no taper is parted nobody is told of one.
        Assert.DoesNotContain(
            Strut(new() { Taper = TaperWay.Blows }).Steps.Single(s => s.Key == "LF/strut").Lines,
            l => l.Contains("taper", StringComparison.Ordinal)
        );
    }

    [Theory]
    [InlineData(CoilsLooseWay.Level, "slowly and level", "coils push the axle down")]
    [InlineData(CoilsLooseWay.Tilted, "then the other end", "other side's hose")]
    [InlineData(CoilsLooseWay.Compressor, "rated compressor", "nobody over its ends")]
    public void Coils_come_loose_in_the_shop_s_way_with_its_own_danger(
        CoilsLooseWay way,
        string how,
        string danger
    )
    {
        var hold = RearCoils(new() { CoilsLoose = way })
            .Steps.Single(s => s.HoldFor == HoldReason.Energy);
        Assert.Contains(how, hold.Do, StringComparison.Ordinal);
        Assert.Contains(danger, hold.Caution, StringComparison.Ordinal);
        Assert.Equal(
            way == CoilsLooseWay.Compressor,
            hold.Tools.Contains("rated spring compressor")
        );
    }

    [Fact]
    public void A_coil_on_an_arm_is_let_down_whatever_the_way_for_live_axles()
    {
        var arm = Sample.Pickup with { Rear = new() { Kind = SuspensionKind.MultiLink } };
        string[] Holds(FittingSchools schools) =>
            [
                .. Card(schools, arm, (Corner.LR, PartKind.CoilSpacer))
                    .Steps.Where(s => s.Hold)
                    .Select(s => s.Do),
            ];
        Assert.Equal(Holds(new()), Holds(new() { CoilsLoose = CoilsLooseWay.Compressor }));
    }

    [Theory]
    [InlineData(LineUpWay.Strap, "a strap, nobody in its line", "a strap, nobody in its line")]
    [InlineData(LineUpWay.PryBar, "no fingers in a hole", "no fingers in a hole")]
    // Nobody steers a rear axle into place.
    [InlineData(
        LineUpWay.Steer,
        "from the seat with the engine off",
        "a strap, nobody in its line"
    )]
    public void What_does_not_meet_is_drawn_in_the_shop_s_way(
        LineUpWay way,
        string front,
        string rear
    )
    {
        FittingSchools schools = new() { LineUp = way };
        Assert.Contains(
            front,
            Strut(schools).Steps.Single(s => s.Key == "LF/home").Do,
            StringComparison.Ordinal
        );
        Assert.Contains(
            rear,
            RearCoils(schools).Steps.Single(s => s.Key == "rear/home").Do,
            StringComparison.Ordinal
        );
    }

    [Theory]
    [InlineData(ThreadsWay.AsTheSheet, null)]
    [InlineData(ThreadsWay.Locker, "threadlocker on clean threads")]
    [InlineData(ThreadsWay.DryNewNuts, "a new locking nut")]
    public void What_locks_threads_is_said_as_they_go_home(ThreadsWay way, string? says)
    {
        var lines = Strut(new() { Threads = way }).Steps.Single(s => s.Key == "LF/home").Lines;
        Assert.Equal(
            says is not null,
            lines.Any(l => l.Contains(says ?? "thread", StringComparison.Ordinal))
        );
        // Wheel nuts are put on by hand too, and are nobody's to lock.
        Assert.DoesNotContain(
            Strut(new() { Threads = way }).Steps.Single(s => s.Key == "vehicle/wheels-hand").Lines,
            l => l.Contains("thread", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void A_step_names_the_operations_that_it_is_done_for()
    {
        var steps = Card(
            new(),
            Sample.Pickup,
            (Corner.LF, PartKind.StrutTopSpacer),
            (Corner.LF, PartKind.Shock),
            (Corner.LR, PartKind.Shock)
        )
            .Steps.ToDictionary(s => s.Key);
        Assert.Equal([OperationKind.Strut], steps["LF/strut"].Operations);
        Assert.Equal([OperationKind.Shock], steps["LR/shock"].Operations);
        Assert.Contains(OperationKind.TopPlate, steps["LF/change-stack"].Operations);
        Assert.Contains(OperationKind.TopPlate, steps["LF/home"].Operations);
        Assert.Empty(steps["vehicle/raise"].Operations);
        Assert.Empty(steps["LF/snug"].Operations);
    }

    // --- the way back -------------------------------------------------------------------------------

    [Fact]
    public void The_way_back_opens_what_the_way_there_opened_and_says_what_must_be_had_anew()
    {
        var plan = Sample.Plan((Corner.LF, Sample.Plate(30, 25.4)));
        var after = Sample.AsFound with { Id = Sample.Id(12), Ordinal = 1, Stacks = plan.Stacks };
        var there = JobCard.Derive(Sample.AsFound, plan, Sample.Pickup, Equipment.TwoPostLift);
        OffLine Off(int id, string what, Fate? fate, string? note = null) =>
            new()
            {
                Id = Sample.Id(id),
                PlanId = plan.Id,
                Where = "LF",
                What = what,
                OffBy = Sample.Id(5),
                OffAt = Sample.At(1),
                Fate = fate,
                FateNote = note,
            };
        var undo = UndoCard.Of(
            Sample.AsFound,
            after,
            there,
            new HashSet<string>(),
            [],
            [
                Off(1, "top nuts", Fate.Replaced),
                Off(2, "old coil", Fate.Scrap, "cracked"),
                Off(3, "link", Fate.RefitElsewhere),
                Off(4, "liner", Fate.RefitHere),
                Off(5, "old plate", Fate.KeptForUndo),
                Off(6, "clip", null),
            ],
            Sample.Pickup,
            Equipment.TwoPostLift,
            new FittingSchools(),
            [],
            []
        );
        Assert.Equal(
            ["top nuts: replaced", "old coil: scrap, cracked", "link: fitted elsewhere"],
            undo.Gone
        );
        Assert.Empty(undo.Stays);
        // The spacer's own studs end on the way back; everything else is the same work.
        Assert.Equal(
            there.Joints.Select(j => j.Place).Where(p => p != "LF strut spacer to body").Order(),
            undo.Card.Joints.Select(j => j.Place).Order()
        );
        Assert.Contains("LF strut top plate to body: 3 × top studs", undo.NewAgain);
        Assert.DoesNotContain(undo.NewAgain, n => n.Contains("wheel", StringComparison.Ordinal));
        Assert.Contains(
            undo.Card.Steps,
            s => s.Title.Contains("take out plate 25.4", StringComparison.Ordinal)
        );
    }

    [Theory]
    [InlineData(
        CutKind.Cut,
        "2 × stud, cut 0.5 in from the plate",
        "What was cut off does not grow back."
    )]
    [InlineData(
        CutKind.Trim,
        "2 × stud, trimmed 0.5 in from the plate",
        "What was cut off does not grow back."
    )]
    [InlineData(CutKind.Drill, "2 × stud, drilled 10.5 mm 0.5 in from the plate", "A hole stays.")]
    public void A_cut_is_told_in_the_unit_in_which_it_was_measured(
        CutKind kind,
        string says,
        string why
    )
    {
        var cut = new Cut
        {
            Id = Sample.Id(1),
            PlanId = Sample.Id(20),
            Where = "LF",
            What = "stud",
            Kind = kind,
            From = "the plate",
            Distance = new()
            {
                Value = 0.5,
                Unit = Unit.Inch,
                Known = Known.Measured,
            },
            Size = Sample.Mm(10.5),
            Count = 2,
            PersonId = Sample.Id(5),
            At = Sample.At(1),
        };
        Assert.Equal(says, UndoCard.Said(cut));
        // A file may hold a hole without its size.
        Assert.DoesNotContain(
            "10.5",
            UndoCard.Said(cut with { Size = null }),
            StringComparison.Ordinal
        );
        var undo = UndoCard.Of(
            Sample.AsFound,
            Sample.AsFound,
            JobCard.Empty,
            new HashSet<string>(),
            [cut],
            [],
            Sample.Pickup,
            Equipment.TwoPostLift,
            new FittingSchools(),
            [],
            []
        );
        Assert.Equal(new StaysDone("LF", says, why), undo.Stays.Single());
    }
}
