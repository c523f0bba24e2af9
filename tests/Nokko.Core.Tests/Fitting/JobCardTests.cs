using Nokko.Core.Fitting;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Fitting;

public class JobCardTests
{
    private static JobCard Card(params (Corner, PlacedPart)[] parts) =>
        JobCard.Derive(Sample.AsFound, Sample.Plan(parts), Sample.Pickup, Equipment.TwoPostLift);

    [Fact]
    public void The_card_follows_from_what_changes()
    {
        Assert.Empty(Card().Steps);
        var one = Card((Corner.LF, Sample.Plate(30, 25)));
        Assert.DoesNotContain(one.Steps, s => s.Where is "RF" or "LR" or "RR");
        Assert.Contains(
            one.Steps,
            s => s.Title.Contains("put in plate 25", StringComparison.Ordinal)
        );
        var rear = Card(
            (Corner.LR, Sample.Plate(30, 25, PartKind.Block)),
            (Corner.RR, Sample.Plate(31, 25, PartKind.Block))
        );
        Assert.Contains(rear.Joints, j => j.Kind == JointKind.UBolt);
        Assert.DoesNotContain(
            rear.Joints,
            j => j.Place.Contains("strut", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void A_second_pass_says_what_comes_out_and_what_goes_in()
    {
        var fitted = Sample.AsFound with
        {
            Stacks = Sample.Plan((Corner.LF, Sample.Plate(30, 38))).Stacks,
        };
        var card = JobCard.Derive(
            fitted,
            Sample.Plan((Corner.LF, Sample.Plate(31, 25))),
            Sample.Pickup,
            Equipment.Pit
        );
        Assert.Contains(
            card.Steps,
            s => s.Title == "Change the stack: take out plate 38; put in plate 25"
        );
    }

    [Theory]
    [InlineData("vehicle/supported", "reaches under")]
    [InlineData("LF/top-nut-stays", "spring compressor")]
    [InlineData("LF/no-weight-on-hose", "damaged inside")]
    public void Hold_points_carry_their_caution_where_the_danger_is(string key, string caution)
    {
        var step = Card((Corner.LF, Sample.Plate(30, 25))).Steps.First(s => s.Key == key);
        Assert.True(step.Hold);
        Assert.Contains(caution, step.Caution, StringComparison.Ordinal);
    }

    [Fact]
    public void Every_joint_is_started_snugged_and_final_and_rubber_only_on_its_wheels()
    {
        var card = Card(
            (Corner.LF, Sample.Plate(30, 25)),
            (Corner.RF, Sample.Plate(31, 25)),
            (Corner.LR, Sample.Plate(32, 25, PartKind.Block))
        );
        var down = card.Steps.ToList().FindIndex(s => s.Key == "vehicle/down");
        foreach (var joint in card.Joints)
        {
            var passes = card
                .Steps.Select((s, i) => (s, i))
                .Where(x => x.s.Joints.Contains(joint.Place))
                .ToArray();
            Assert.Equal([Pass.Hand, Pass.Snug, Pass.Final], passes.Select(p => p.s.Pass!.Value));
            if (joint.Kind is JointKind.BondedRubber or JointKind.Wheel)
            {
                Assert.True(passes[2].i > down, $"{joint.Place} is final before it is down");
            }
        }
    }

    [Fact]
    public void Step_keys_are_unique_and_name_their_place()
    {
        var steps = Card(
            (Corner.LF, Sample.Plate(30, 25)),
            (Corner.RF, Sample.Plate(31, 25)),
            (Corner.RR, Sample.Plate(32, 25, PartKind.Block))
        ).Steps;
        Assert.Equal(steps.Count, steps.Select(s => s.Key).Distinct().Count());
        Assert.All(steps, s => Assert.Equal(s.Where, s.Key.Split('/')[0]));
    }

    [Fact]
    public void A_hold_stops_what_it_concerns_and_nothing_else()
    {
        var card = Card((Corner.LF, Sample.Plate(30, 25)), (Corner.RF, Sample.Plate(31, 25)));
        var done = new HashSet<string>
        {
            "vehicle/raise",
            "vehicle/supported",
            "vehicle/wheels-off",
        };
        Assert.Equal(
            "LF/no-weight-on-hose",
            FittingRules.HoldBefore(card, done, "LF/strut-out")!.Key
        );
        Assert.Null(FittingRules.HoldBefore(card, done, "RF/mark"));
        Assert.Equal(
            "vehicle/supported",
            FittingRules.HoldBefore(card, new HashSet<string>(), "RF/mark")!.Key
        );
        Assert.Equal(
            "LF/no-weight-on-hose",
            FittingRules.HoldBefore(card, done, "vehicle/down")!.Key
        );
    }
}

public class FittingRulesTests
{
    private static readonly Joint Rubber = Joint(JointKind.BondedRubber);

    private static Joint Joint(JointKind kind, JointSpec? spec = null) =>
        new()
        {
            Id = Sample.Id(60),
            Where = "LF",
            Place = "LF strut foot",
            Kind = kind,
            Fasteners = [],
            Spec = spec,
        };

    private static JointSpec Spec(double nm) =>
        new()
        {
            Torque = new()
            {
                Value = nm,
                Unit = Unit.NewtonMetre,
                Known = Known.Document,
            },
            Source = "sheet 7",
        };

    private static TorqueEntry Entry(Pass pass, double? nm = null, bool seen = false) =>
        new()
        {
            Id = Sample.Id(61),
            JointId = Sample.Id(60),
            PlanId = Sample.Id(20),
            Pass = pass,
            Value = nm is { } v
                ? new()
                {
                    Value = v,
                    Unit = Unit.NewtonMetre,
                    Known = Known.Measured,
                }
                : null,
            CriterionSeen = seen,
            Position = WheelPosition.OnWheels,
            PersonId = Sample.Id(5),
            At = Sample.At(1),
        };

    [Theory]
    [InlineData(JointKind.BondedRubber, WheelPosition.Hanging, false)]
    [InlineData(JointKind.BondedRubber, WheelPosition.OnWheels, true)]
    [InlineData(JointKind.Wheel, WheelPosition.Hanging, false)]
    [InlineData(JointKind.Ball, WheelPosition.Hanging, true)]
    [InlineData(JointKind.Clamped, WheelPosition.Hanging, true)]
    public void What_kind_of_joint_it_is_decides_the_gate(
        JointKind kind,
        WheelPosition position,
        bool allowed
    ) =>
        Assert.Equal(
            allowed,
            FittingRules.Refusal(
                Joint(kind),
                [Entry(Pass.Hand), Entry(Pass.Snug)],
                Pass.Final,
                position
            )
                is null
        );

    [Fact]
    public void Passes_come_in_order()
    {
        Assert.NotNull(FittingRules.Refusal(Rubber, [], Pass.Snug, WheelPosition.Hanging));
        Assert.NotNull(
            FittingRules.Refusal(Rubber, [Entry(Pass.Hand)], Pass.Final, WheelPosition.OnWheels)
        );
        Assert.Null(
            FittingRules.Refusal(Rubber, [Entry(Pass.Hand)], Pass.Snug, WheelPosition.Hanging)
        );
    }

    [Fact]
    public void A_line_stays_open_until_final_spec_and_value_agree()
    {
        Assert.Equal("not touched yet; final on its wheels", FittingRules.Open(Rubber, []));
        Assert.Equal(
            "snug only; final on its wheels",
            FittingRules.Open(Rubber, [Entry(Pass.Snug)])
        );
        Assert.Equal(
            "no spec with its source",
            FittingRules.Open(Rubber, [Entry(Pass.Final, 100)])
        );
        var ball = Joint(JointKind.Ball, Spec(100));
        Assert.Equal("no value noted", FittingRules.Open(ball, [Entry(Pass.Final)]));
        Assert.Equal("stopped short of the spec", FittingRules.Open(ball, [Entry(Pass.Final, 90)]));
        Assert.Null(FittingRules.Open(ball, [Entry(Pass.Final, 90), Entry(Pass.Final, 100)]));
        var seen = Joint(
            JointKind.Ball,
            new() { Criterion = "cotter hole in line", Source = "sheet 7" }
        );
        Assert.Equal("criterion not seen", FittingRules.Open(seen, [Entry(Pass.Final)]));
        Assert.Null(FittingRules.Open(seen, [Entry(Pass.Final, seen: true)]));
    }

    [Fact]
    public void A_value_in_pounds_meets_a_spec_in_newtons()
    {
        var entry = Entry(Pass.Final) with
        {
            Value = new()
            {
                Value = 73.8,
                Unit = Unit.PoundFoot,
                Known = Known.Measured,
            },
        };
        Assert.Null(FittingRules.Open(Joint(JointKind.Ball, Spec(100)), [entry]));
    }
}
